#include "core/measure/clips/motion.h"

#include "core/measure/skeleton/pose.h"
#include "core/measure/surface/weights.h"

#include <algorithm>
#include <cmath>

namespace wembrix {

std::vector<float> motion_energy(const Scene& scene, const Clip& clip, double rate, const std::function<bool()>& stop) {
    const std::vector<int> joints = joints_of(scene);
    const int frames = clip.frames(rate);
    std::vector<float> energy(static_cast<size_t>(frames), 0.0F);
    if (joints.empty() || frames < 2) {
        return energy;
    }
    std::vector<double> mass;
    double all = 0;
    const std::vector<Holding> holding = holding_of(scene);
    for (const int joint : joints) {
        mass.push_back(holding[joint].weight);
        all += mass.back();
    }
    if (all <= 0) {
        std::fill(mass.begin(), mass.end(), 1.0);
        all = static_cast<double>(mass.size());
    }
    const Poser poser(scene, &clip);
    std::vector<Vec3> places(joints.size() * static_cast<size_t>(frames));
    Pose pose;
    for (int f = 0; f < frames; ++f) {
        if (stop && stop()) {
            return energy;
        }
        poser.at(f / rate, pose);
        for (size_t j = 0; j < joints.size(); ++j) {
            places[static_cast<size_t>(f) * joints.size() + j] = point_of(pose.world[joints[j]], Vec3::Zero());
        }
    }
    for (int f = 0; f < frames; ++f) {
        const int before = std::max(0, f - 1);
        const int after = std::min(frames - 1, f + 1);
        double sum = 0;
        for (size_t j = 0; j < joints.size(); ++j) {
            const Vec3& a = places[static_cast<size_t>(before) * joints.size() + j];
            const Vec3& b = places[static_cast<size_t>(after) * joints.size() + j];
            sum += mass[j] * (b - a).norm() * rate / (after - before);
        }
        energy[static_cast<size_t>(f)] = static_cast<float>(sum / all);
    }
    return energy;
}

std::vector<FrameRange> still_places(std::span<const float> energy, double threshold, int shortest) {
    std::vector<FrameRange> places;
    int begin = -1;
    const int count = static_cast<int>(energy.size());
    for (int f = 0; f <= count; ++f) {
        const bool still = f < count && static_cast<double>(energy[static_cast<size_t>(f)]) <= threshold;
        if (still && begin < 0) {
            begin = f;
        } else if (!still && begin >= 0) {
            if (f - begin >= std::max(1, shortest)) {
                places.push_back({begin, f - 1});
            }
            begin = -1;
        }
    }
    return places;
}

double still_threshold(std::span<const float> energy) {
    if (energy.empty()) {
        return 0;
    }
    std::vector<float> sorted(energy.begin(), energy.end());
    std::sort(sorted.begin(), sorted.end());
    return 0.15 * static_cast<double>(sorted[sorted.size() * 3 / 4]);
}

std::vector<int> cut_places(const std::vector<FrameRange>& still, int frames) {
    std::vector<int> places;
    for (const FrameRange& place : still) {
        const int at = place.first == 0           ? place.last
                       : place.last == frames - 1 ? place.first
                                                  : (place.first + place.last) / 2;
        if (at > 0 && at < frames - 1) {
            places.push_back(at);
        }
    }
    return places;
}

} // namespace wembrix
