#include "core/measure/surface/skin_matrices.h"

#include "core/measure/surface/weight_rows.h"

#include <Eigen/LU>
#include <Eigen/SVD>
#include <cmath>

namespace wembrix {

std::vector<Eigen::Matrix<double, 3, 4>> skin_matrices(const Scene& scene, int surface, const Pose& pose) {
    const Node& node = scene.nodes[static_cast<size_t>(surface)];
    const size_t vertices = scene.meshes[static_cast<size_t>(node.mesh)].point_count();
    using Affine = Eigen::Matrix<double, 3, 4>;
    if (node.skin < 0 || node.influences.empty()) {
        return std::vector<Affine>(vertices, pose.world[static_cast<size_t>(surface)].topRows<3>());
    }
    const Skin& skin = scene.skins[static_cast<size_t>(node.skin)];
    std::vector<Affine> palette;
    for (size_t j = 0; j < skin.joints.size(); ++j) {
        palette.emplace_back((pose.world[static_cast<size_t>(skin.joints[j])] * skin.inverse_binds[j]).topRows<3>());
    }
    std::vector<Affine> matrices(vertices, Affine::Zero());
    WeightRow row;
    for (size_t v = 0; v < vertices; ++v) {
        read_row(node.influences, v, row);
        for (const Weight& one : row) {
            matrices[v] += one.weight * palette[one.joint];
        }
    }
    return matrices;
}

BroughtBack bring_back(const std::vector<Eigen::Matrix<double, 3, 4>>& matrices, const std::vector<Vec3f>& places) {
    constexpr double worst_condition = 1e4;
    BroughtBack back;
    back.places.resize(places.size(), Vec3::Zero());
    back.possible.resize(places.size(), 1);
    for (size_t v = 0; v < places.size(); ++v) {
        const Mat3 linear = matrices[v].leftCols<3>();
        const Mat3 inverse = linear.inverse();
        // The product of Frobenius norms bounds the condition from above, within a factor of 3.
        const double condition = linear.norm() * inverse.norm();
        if (!std::isfinite(condition) || condition > 3 * worst_condition) {
            back.possible[v] = 0;
            ++back.impossible;
            continue;
        }
        back.places[v] = inverse * (places[v].cast<double>() - matrices[v].col(3));
    }
    return back;
}

std::vector<Vec3> shaped_positions(const Scene& scene, int surface, const Pose& pose) {
    const Mesh& mesh = scene.meshes[static_cast<size_t>(scene.nodes[static_cast<size_t>(surface)].mesh)];
    std::vector<Vec3> positions;
    positions.reserve(mesh.point_count());
    for (const Vec3f& at : mesh.positions) {
        positions.push_back(at.cast<double>());
    }
    const auto offset = static_cast<size_t>(std::max(0, Poser(scene, nullptr).shape_offset(surface)));
    for (size_t s = 0; s < mesh.shapes.size(); ++s) {
        const double weight = pose.shape_weights[offset + s];
        const MorphTarget& shape = mesh.shapes[s];
        for (size_t k = 0; k < shape.points.size() && weight != 0; ++k) {
            positions[shape.points[k]] += weight * shape.positions[k].cast<double>();
        }
    }
    return positions;
}

} // namespace wembrix
