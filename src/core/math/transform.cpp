#include "core/math/transform.h"

#include <Eigen/LU>
#include <Eigen/SVD>

namespace wembrix {

Mat4 Transform::matrix() const {
    Mat4 result = Mat4::Identity();
    result.topLeftCorner<3, 3>() = rotation.toRotationMatrix() * scale.asDiagonal();
    result.topRightCorner<3, 1>() = translation;
    return result;
}

Mat3 nearest_rotation(const Mat3& linear) {
    Mat3 proper = linear;
    if (proper.determinant() < 0) {
        proper.col(0) = -proper.col(0);
    }
    const Eigen::JacobiSVD<Mat3> svd(proper, Eigen::ComputeFullU | Eigen::ComputeFullV);
    Mat3 rotation = svd.matrixU() * svd.matrixV().transpose();
    if (rotation.determinant() < 0) {
        Mat3 u = svd.matrixU();
        u.col(2) = -u.col(2);
        rotation = u * svd.matrixV().transpose();
    }
    return rotation;
}

Decomposed decompose(const Mat4& matrix) {
    Decomposed result;
    const Mat3 linear = linear_of(matrix);
    result.transform.translation = matrix.topRightCorner<3, 1>();
    Vec3 scale(linear.col(0).norm(), linear.col(1).norm(), linear.col(2).norm());
    Mat3 unit = linear;
    for (int i = 0; i < 3; ++i) {
        if (scale[i] > 1e-300) {
            unit.col(i) /= scale[i];
        } else {
            unit.col(i) = Vec3::Unit(i);
        }
    }
    if (linear.determinant() < 0) {
        scale.x() = -scale.x();
        unit.col(0) = -unit.col(0);
    }
    // Columns at right angles are a rotation already; going through an SVD would only cost digits.
    const bool orthogonal = (unit.transpose() * unit - Mat3::Identity()).cwiseAbs().maxCoeff() < 1e-12;
    const Mat3 rotation = orthogonal ? unit : nearest_rotation(unit);
    result.transform.rotation = Quat(rotation).normalized();
    result.transform.scale = scale;
    const double size = std::max(scale.cwiseAbs().maxCoeff(), 1e-300);
    result.shear = (rotation * scale.asDiagonal() - linear).cwiseAbs().maxCoeff() / size;
    return result;
}

Quat shortest_turn(const Vec3& from, const Vec3& to) {
    return Quat::FromTwoVectors(from, to);
}

Mat4 scaling(double factor) {
    Mat4 result = Mat4::Identity();
    result.topLeftCorner<3, 3>() *= factor;
    return result;
}

Mat4 translating(const Vec3& by) {
    Mat4 result = Mat4::Identity();
    result.topRightCorner<3, 1>() = by;
    return result;
}

Mat3 normal_matrix(const Mat4& matrix) {
    Mat3 linear = linear_of(matrix);
    if (std::abs(linear.determinant()) < 1e-300) {
        return linear;
    }
    return linear.inverse().transpose();
}

bool is_similarity(const Mat3& linear, double tolerance) {
    const Mat3 gram = linear.transpose() * linear;
    const double size = gram.trace() / 3;
    return size > 0 && (gram - size * Mat3::Identity()).cwiseAbs().maxCoeff() <= tolerance * size;
}

double scale_of_matrix(const Mat4& matrix) {
    return std::cbrt(std::abs(linear_of(matrix).determinant()));
}

} // namespace wembrix
