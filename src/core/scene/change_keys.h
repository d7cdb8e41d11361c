// Every key of a channel put elsewhere, in place.
#pragma once

#include "core/math/transform.h"
#include "core/scene/clip.h"

#include <algorithm>
#include <vector>

namespace wembrix {

/// Replaces each key by what is made of it: `move(Vec3, bool tangent)` of a translation, `turn(Quat)` of a rotation,
/// `size(double)` of every number of a scale; weights stay. A tangent has a direction and no place.
template <typename Move, typename Turn, typename Size>
void change_keys(Channel& channel, const Move& move, const Turn& turn, const Size& size) {
    if (channel.path == Path::weights) {
        return;
    }
    const bool cubic = channel.interpolation == Interpolation::cubic;
    const auto width = static_cast<size_t>(channel.width);
    std::vector<float>& values = channel.values.edit();
    for (size_t i = 0; i * width < values.size(); ++i) {
        float* v = &values[i * width];
        if (channel.path == Path::translation) {
            const Vec3 moved = move(Vec3(v[0], v[1], v[2]), cubic && i % 3 != 1);
            std::copy_n(moved.template cast<float>().eval().data(), 3, v);
        } else if (channel.path == Path::rotation) {
            const Quat turned = turn(Quat(v[3], v[0], v[1], v[2]));
            std::copy_n(turned.coeffs().template cast<float>().eval().data(), 4, v);
        } else {
            std::transform(v, v + width, v, [&](float s) { return static_cast<float>(size(s)); });
        }
    }
}

/// The same by one matrix of rotation, uniform scale and offset.
inline void change_keys(Channel& channel, const Mat4& by, const Quat& rotation, double scale) {
    change_keys(
        channel, [&](const Vec3& v, bool tangent) { return tangent ? Vec3(linear_of(by) * v) : point_of(by, v); },
        [&](const Quat& q) { return rotation * q; }, [&](double s) { return s * scale; });
}

} // namespace wembrix
