#include "core/measure/hulls/main_axes.h"

#include <Eigen/Eigenvalues>
#include <Eigen/Geometry>
#include <cmath>

namespace wembrix {

Mat3 main_axes(std::span<const Vec3> points) {
    Vec3 middle = Vec3::Zero();
    for (const Vec3& point : points) {
        middle += point / static_cast<double>(points.size());
    }
    Mat3 spread = Mat3::Zero();
    for (const Vec3& point : points) {
        spread += (point - middle) * (point - middle).transpose();
    }
    const Eigen::SelfAdjointEigenSolver<Mat3> solver(spread);
    Mat3 axes;
    axes.col(0) = solver.eigenvectors().col(2);
    axes.col(1) = solver.eigenvectors().col(1);
    axes.col(2) = axes.col(0).cross(axes.col(1)); // right-handed, whatever signs came back
    return axes;
}

Vec3 spread_direction(size_t i, size_t count) {
    const double y = 1 - 2 * (static_cast<double>(i) + 0.5) / static_cast<double>(count);
    const double angle = 2.39996322972865332 * static_cast<double>(i);
    const double level = std::sqrt(1 - y * y);
    return {level * std::cos(angle), y, level * std::sin(angle)};
}

Mat3 axes_along(const Vec3& direction) {
    const Vec3 other = std::abs(direction.x()) < 0.8 ? Vec3(Vec3::UnitX()) : Vec3(Vec3::UnitZ());
    Mat3 axes;
    axes.col(1) = direction;
    axes.col(0) = direction.cross(other).normalized();
    axes.col(2) = axes.col(0).cross(direction);
    return axes;
}

} // namespace wembrix
