#include "core/measure/clips/breaks.h"

#include "core/measure/clips/travel.h"
#include "core/measure/skeleton/pose.h"

#include <algorithm>
#include <cmath>
#include <vector>

namespace wembrix {

namespace {

/// How far each frame is from the middle between its neighbours: half the second difference.
std::vector<double> bends_of(const std::vector<Vec3>& places) {
    std::vector<double> bends(places.size(), 0);
    for (size_t f = 1; f + 1 < places.size(); ++f) {
        bends[f] = (places[f] - (places[f - 1] + places[f + 1]) / 2).norm();
    }
    return bends;
}

/// The largest of the frames two to four away on both sides: what the motion does by itself there.
double bend_around(const std::vector<double>& values, size_t frame, size_t last) {
    double largest = 0;
    for (size_t away = 2; away <= 4; ++away) {
        if (frame >= away) {
            largest = std::max(largest, values[frame - away]);
        }
        if (last + away < values.size()) {
            largest = std::max(largest, values[last + away]);
        }
    }
    return largest;
}

void look_at_joint(const std::vector<Vec3>& places, int joint, double rate, double height, bool carries,
                   std::optional<MotionBreak>& worst) {
    const std::vector<double> bends = bends_of(places);
    const double far = 0.05 * height;
    const auto step = [&](size_t f) { return (places[f] - places[f - 1]).norm(); };
    const auto take = [&](MotionBreak found) {
        if (!worst || found.metres > worst->metres) {
            found.joint = joint;
            worst = found;
        }
    };
    for (size_t f = 1; f + 1 < places.size(); ++f) {
        // One frame away and back: it bends twice as much there as beside it.
        if (bends[f] > far && bends[f] > 1.5 * std::max(bends[f - 1], bends[f + 1]) &&
            bends[f] > 5 * bend_around(bends, f, f)) {
            take({MotionBreak::Kind::pop, joint, static_cast<int>(f), bends[f], 0, 0});
        }
        // Elsewhere from then on: two bends one after the other, as large as each other, and a step between them.
        if (f + 2 < places.size()) {
            const double both = std::min(bends[f], bends[f + 1]);
            const double beside = std::max(f > 1 ? step(f) : 0, step(f + 2));
            if (step(f + 1) > far && step(f + 1) > 5 * beside && 2 * both > 0.6 * step(f + 1)) {
                take({MotionBreak::Kind::jump, joint, static_cast<int>(f) + 1, step(f + 1), 0, 0});
            }
        }
        // At another speed: one bend, and steps of that length on either side.
        if (carries && f >= 3 && f + 3 < places.size()) {
            const double before = (places[f] - places[f - 2]).norm() / 2 * rate;
            const double after = (places[f + 2] - places[f]).norm() / 2 * rate;
            const double less = std::min(before, after);
            const double more = std::max(before, after);
            if (more - less > 1.5 * height && more > 4 * less && bends[f] > 5 * bend_around(bends, f, f) &&
                bends[f] > 5 * std::max(bends[f - 1], bends[f + 1])) {
                MotionBreak found{MotionBreak::Kind::speed, joint, static_cast<int>(f), 0, before, after};
                found.metres = (more - less) / rate;
                take(found);
            }
        }
    }
}

} // namespace

std::optional<MotionBreak> worst_break(const Scene& scene, const Clip& clip, double height_m) {
    const std::vector<int> joints = joints_of(scene);
    const int frames = clip.frames();
    std::optional<MotionBreak> worst;
    if (frames < 4 || height_m <= 0) {
        return worst;
    }
    std::vector<std::vector<Vec3>> places(joints.size());
    const Poser poser(scene, &clip);
    Pose pose;
    for (int f = 0; f < frames; ++f) {
        poser.at(f / clip.rate, pose);
        for (size_t j = 0; j < joints.size(); ++j) {
            places[j].emplace_back(pose.world[static_cast<size_t>(joints[j])].topRightCorner<3, 1>());
        }
    }
    const int carrier = carrying_joint(scene);
    for (size_t j = 0; j < joints.size(); ++j) {
        look_at_joint(places[j], joints[j], clip.rate, height_m, joints[j] == carrier, worst);
    }
    return worst;
}

} // namespace wembrix
