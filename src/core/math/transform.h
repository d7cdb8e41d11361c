// Transforms: translation, unit quaternion, scale. Column vectors, world = parent_world * local.
#pragma once

#include <Eigen/Core>
#include <Eigen/Geometry>

namespace wembrix {

using Vec3 = Eigen::Vector3d;
using Vec3f = Eigen::Vector3f;
using Vec4f = Eigen::Vector4f;
using Vec2f = Eigen::Vector2f;
using Quat = Eigen::Quaterniond;
using Mat3 = Eigen::Matrix3d;
using Mat4 = Eigen::Matrix4d;

struct Transform {
    Vec3 translation = Vec3::Zero();
    Quat rotation = Quat::Identity();
    Vec3 scale = Vec3::Ones();

    [[nodiscard]] Mat4 matrix() const;
    bool operator==(const Transform& other) const {
        return translation == other.translation && rotation.coeffs() == other.rotation.coeffs() && scale == other.scale;
    }
};

/// A matrix taken apart: matrix ~ translation * rotation * scale. A mirror goes into scale.x.
struct Decomposed {
    Transform transform;
    double shear = 0; ///< largest element of what the transform cannot hold, relative to the scale
};
Decomposed decompose(const Mat4& matrix);

/// The rotation nearest to `linear` (polar decomposition); a mirror is taken out along x first.
Mat3 nearest_rotation(const Mat3& linear);

/// The shortest turn that lays one direction along another; neither needs to be of unit length.
Quat shortest_turn(const Vec3& from, const Vec3& to);

Mat4 scaling(double factor);
Mat4 translating(const Vec3& by);
inline Vec3 point_of(const Mat4& matrix, const Vec3& point) {
    return matrix.topLeftCorner<3, 3>() * point + matrix.topRightCorner<3, 1>();
}
inline Mat3 linear_of(const Mat4& matrix) {
    return matrix.topLeftCorner<3, 3>();
}
inline Vec3 place_of_matrix(const Mat4& matrix) {
    return matrix.topRightCorner<3, 1>();
}
/// The rotation that is nearest to its linear part.
inline Mat3 turn_of_matrix(const Mat4& matrix) {
    return nearest_rotation(linear_of(matrix));
}
/// How much longer it makes things, on the whole.
double scale_of_matrix(const Mat4& matrix);

/// The matrix that carries normals: the inverse transpose of the linear part (unscaled on singular input).
Mat3 normal_matrix(const Mat4& matrix);

/// If `linear` is rotation * mirror * one factor, within `tolerance` relative: true.
bool is_similarity(const Mat3& linear, double tolerance = 1e-6);

} // namespace wembrix
