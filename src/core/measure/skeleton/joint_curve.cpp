#include "core/measure/skeleton/joint_curve.h"

#include "core/math/angles.h"
#include "core/measure/clips/sample.h"

#include <algorithm>
#include <cmath>

namespace wembrix {

namespace {

/// The turn as axis times angle, radians; of all angles that mean the same, the one nearest to `before`.
Vec3 turn_vector(const Quat& turn, const Vec3& before) {
    const Vec3 part = turn.vec();
    const double length = part.norm();
    if (length < 1e-4) {
        // Hardly a turn, or whole ones: the axis is noise, so the rounds keep the one that they had.
        const double rounds = std::round(before.norm() * degrees_per_radian / 360);
        const Vec3 whole =
            rounds > 0 ? Vec3(before.normalized() * (rounds * 360 / degrees_per_radian)) : Vec3(Vec3::Zero());
        return whole + part * (turn.w() < 0 ? -2 : 2);
    }
    const Vec3 axis = part / length;
    const double angle = 2 * std::atan2(length, turn.w());
    const double along = before.dot(axis);
    return axis * (angle + std::round((along - angle) * degrees_per_radian / 360) * 360 / degrees_per_radian);
}

} // namespace

JointCurve joint_curve(const Scene& scene, const Clip& clip, int node, Path path, double from_s, double seconds,
                       int count) {
    JointCurve curve;
    const Transform& rest = scene.nodes[static_cast<size_t>(node)].rest;
    const Channel* channel = nullptr;
    for (const Channel& one : clip.channels) {
        if (one.node == node && one.path == path) {
            channel = &one;
        }
    }
    const double begin = clip.start_s + from_s;
    if (channel != nullptr) {
        curve.keyed = true;
        const auto& times = channel->times.get();
        const auto first = std::lower_bound(times.begin(), times.end(), static_cast<float>(begin - 1e-6));
        for (auto time = first; time != times.end() && *time <= begin + seconds + 1e-6; ++time) {
            curve.key_s.push_back(*time - begin);
        }
    }
    Vec3 turn = Vec3::Zero();
    for (int i = 0; i < count; ++i) {
        const double at = begin + (count > 1 ? seconds * i / (count - 1) : 0);
        Vec3 value = path == Path::scale ? Vec3(Vec3::Ones()) : Vec3(Vec3::Zero());
        double v[4] = {0, 0, 0, 1};
        if (channel != nullptr) {
            sample_channel(*channel, at, v);
            const Vec3 three(v[0], v[1], v[2]);
            if (path == Path::rotation) {
                turn = turn_vector(rest.rotation.conjugate() * Quat(v[3], v[0], v[1], v[2]), turn);
                value = turn * degrees_per_radian;
            } else if (path == Path::translation) {
                value = three - rest.translation;
            } else {
                for (int k = 0; k < 3; ++k) {
                    value[k] = std::abs(rest.scale[k]) > 1e-12 ? three[k] / rest.scale[k] : three[k];
                }
            }
        }
        for (size_t k = 0; k < 3; ++k) {
            curve.values.at(k).push_back(static_cast<float>(value[static_cast<int>(k)]));
        }
    }
    return curve;
}

} // namespace wembrix
