#include "core/scene/curve_set.h"
#include "core/scene/hull.h"
#include "core/scene/point_cache.h"

#include <Eigen/LU>
#include <cmath>

namespace wembrix {

namespace {

void transform_points(Shared<Vec3f>& points, const Mat4& matrix) {
    for (Vec3f& point : points.edit()) {
        point = point_of(matrix, point.cast<double>()).cast<float>();
    }
}

double factor_of(const Mat4& matrix) {
    return std::cbrt(std::abs(linear_of(matrix).determinant()));
}

} // namespace

void transform_geometry(CurveSet& curves, const Mat4& matrix) {
    if (matrix == Mat4::Identity()) {
        return;
    }
    transform_points(curves.points, matrix);
    transform_points(curves.guide_points, matrix);
    const auto factor = static_cast<float>(factor_of(matrix));
    for (float& width : curves.widths.edit()) {
        width *= factor;
    }
}

void transform_geometry(PointCache& cache, const Mat4& matrix) {
    if (matrix == Mat4::Identity()) {
        return;
    }
    transform_points(cache.positions, matrix);
    const Mat3 carry = normal_matrix(matrix);
    for (Vec3f& normal : cache.normals.edit()) {
        normal = (carry * normal.cast<double>()).normalized().cast<float>();
    }
}

void transform_geometry(Hull& hull, const Mat4& matrix) {
    if (matrix == Mat4::Identity()) {
        return;
    }
    transform_points(hull.points, matrix);
    if (linear_of(matrix).determinant() < 0) {
        std::vector<uint32_t>& indices = hull.indices.edit();
        for (size_t i = 0; i + 2 < indices.size(); i += 3) {
            std::swap(indices[i + 1], indices[i + 2]);
        }
    }
    const double factor = factor_of(matrix);
    const Mat4 moved = matrix * hull.frame;
    hull.frame.topLeftCorner<3, 3>() = nearest_rotation(linear_of(moved));
    hull.frame.topRightCorner<3, 1>() = moved.topRightCorner<3, 1>();
    hull.half_size *= factor;
}

} // namespace wembrix
