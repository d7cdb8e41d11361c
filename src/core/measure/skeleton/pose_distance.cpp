#include "core/measure/skeleton/pose_distance.h"

#include "core/measure/clips/travel.h"
#include "core/measure/skeleton/pose.h"
#include "core/measure/surface/weights.h"

#include <cmath>
#include <tbb/blocked_range.h>
#include <tbb/parallel_for.h>

namespace wembrix {

PoseTable::PoseTable(const Scene& scene, const Clip& clip, double rate, const std::function<bool()>& stop) {
    const std::vector<Holding> held = holding_of(scene);
    std::vector<int> joints;
    double all = 0;
    for (const int joint : joints_of(scene)) {
        all += held[static_cast<size_t>(joint)].weight;
    }
    for (const int joint : joints_of(scene)) {
        const double weight = all > 0 ? held[static_cast<size_t>(joint)].weight : 1;
        if (weight > 0) {
            joints.push_back(joint);
            share_.push_back(static_cast<float>(weight));
        }
    }
    const double sum = all > 0 ? all : static_cast<double>(joints.size());
    for (float& share : share_) {
        share = static_cast<float>(std::sqrt(share / sum));
    }
    const int carrier = carrying_joint(scene);
    const int frames = clip.frames(rate);
    if (joints.empty()) {
        return;
    }
    places_.reserve(static_cast<size_t>(frames) * joints.size());
    const Quat rest = carrier < 0 ? Quat::Identity()
                                  : Quat(nearest_rotation(linear_of(rest_world(scene)[static_cast<size_t>(carrier)])));
    const Poser poser(scene, &clip);
    Pose pose;
    for (int f = 0; f < frames; ++f) {
        if (stop && stop()) {
            break;
        }
        poser.at(f / rate, pose);
        Vec3 at = Vec3::Zero();
        Mat3 back = Mat3::Identity();
        if (carrier >= 0) {
            const Mat4& now = pose.world[static_cast<size_t>(carrier)];
            at = Vec3(now(0, 3), 0, now(2, 3));
            const Quat turned = Quat(nearest_rotation(linear_of(now))) * rest.conjugate();
            back = Eigen::AngleAxisd(-2 * std::atan2(turned.y(), turned.w()), Vec3::UnitY()).toRotationMatrix();
        }
        for (size_t j = 0; j < joints.size(); ++j) {
            const Vec3 place = pose.world[static_cast<size_t>(joints[j])].topRightCorner<3, 1>();
            places_.emplace_back((back * (place - at)).cast<float>() * share_[j]);
        }
        ++frames_;
    }
}

float PoseTable::apart(int a, int b) const {
    const size_t joints = share_.size();
    const Vec3f* x = &places_[static_cast<size_t>(a) * joints];
    const Vec3f* y = &places_[static_cast<size_t>(b) * joints];
    float sum = 0;
    for (size_t j = 0; j < joints; ++j) {
        sum += (x[j] - y[j]).squaredNorm();
    }
    return std::sqrt(sum) * 1000;
}

void PoseTable::distances_from(int frame, std::span<float> out) const {
    tbb::parallel_for(tbb::blocked_range<int>(0, frames_, 1024), [&](const tbb::blocked_range<int>& range) {
        for (int f = range.begin(); f != range.end(); ++f) {
            out[static_cast<size_t>(f)] = apart(frame, f);
        }
    });
}

int PoseTable::nearest(int frame, int first, int last) const {
    int found = -1;
    float least = HUGE_VALF;
    for (int f = std::max(0, first); f <= std::min(frames_ - 1, last); ++f) {
        const float far = apart(frame, f);
        if (far < least) {
            least = far;
            found = f;
        }
    }
    return found;
}

} // namespace wembrix
