#include "core/math/axis_turns.h"
#include "core/math/angles.h"

#include <cctype>
#include <cmath>

namespace wembrix {

std::optional<RotationOrder> rotation_order_from(std::string_view text) {
    RotationOrder order{};
    std::array<bool, 3> seen{};
    if (text.size() != 3) {
        return std::nullopt;
    }
    for (size_t i = 0; i < 3; ++i) {
        const int axis = std::toupper(static_cast<unsigned char>(text[i])) - 'X';
        if (axis < 0 || axis > 2 || seen[static_cast<size_t>(axis)]) {
            return std::nullopt;
        }
        seen[static_cast<size_t>(axis)] = true;
        order[i] = axis;
    }
    return order;
}

Quat turn_of(const Vec3& angles, const RotationOrder& order) {
    Quat turn = Quat::Identity();
    for (size_t i = 0; i < 3; ++i) {
        turn = turn * Quat(Eigen::AngleAxisd(angles[static_cast<Eigen::Index>(i)], Vec3::Unit(order[i])));
    }
    return turn;
}

Vec3 angles_of(const Quat& turn, const RotationOrder& order, const Vec3& before) {
    const Mat3 r = turn.toRotationMatrix();
    const auto [i, j, k] = order;
    const double sign = (j - i + 3) % 3 == 1 ? 1 : -1;
    const double sine = std::clamp(sign * r(i, k), -1.0, 1.0);
    Vec3 angles;
    if (std::abs(sine) > 1 - 1e-12) {
        // The first and the third axis lie along each other: only their sum is told. The third stays as it was and the
        // first takes what is left.
        const double second = std::copysign(pi / 2, sine);
        const Mat3 others =
            (Eigen::AngleAxisd(second, Vec3::Unit(j)) * Eigen::AngleAxisd(before[2], Vec3::Unit(k))).toRotationMatrix();
        const Mat3 left = r * others.transpose();
        const int p = (i + 1) % 3;
        const int q = (i + 2) % 3;
        angles = Vec3(std::atan2(left(q, p), left(p, p)), second, before[2]);
    } else {
        angles = Vec3(std::atan2(-sign * r(j, k), r(k, k)), std::asin(sine), std::atan2(-sign * r(i, j), r(i, i)));
    }
    const auto near = [&](Vec3 some) {
        for (int a = 0; a < 3; ++a) {
            some[a] += std::round((before[a] - some[a]) / (2 * pi)) * 2 * pi;
        }
        return some;
    };
    const Vec3 one = near(angles);
    const Vec3 other = near(Vec3(angles[0] + pi, pi - angles[1], angles[2] + pi));
    return (one - before).squaredNorm() <= (other - before).squaredNorm() ? one : other;
}

} // namespace wembrix
