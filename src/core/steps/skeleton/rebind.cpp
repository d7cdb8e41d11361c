#include "core/steps/skeleton/rebind.h"

#include "core/scene/own_meshes.h"
#include "core/steps/skeleton/reframe.h"

#include <Eigen/LU>

namespace wembrix {

namespace {

void rebind_mesh(Mesh& mesh, const Influences& rows, const std::vector<Mat4>& palette) {
    if (rows.offsets.empty()) {
        return;
    }
    std::vector<Mat4> blends(mesh.point_count());
    for (size_t i = 0; i < mesh.point_count(); ++i) {
        Mat4 blend = Mat4::Zero();
        double sum = 0;
        for (uint32_t k = rows.offsets[i]; k < rows.offsets[i + 1]; ++k) {
            blend += palette[rows.joints[k]] * static_cast<double>(rows.weights[k]);
            sum += rows.weights[k];
        }
        blends[i] = sum > 0 ? Mat4(blend / sum) : Mat4(Mat4::Identity());
    }
    std::vector<Vec3f>& positions = mesh.positions.edit();
    for (size_t i = 0; i < positions.size(); ++i) {
        positions[i] = point_of(blends[i], positions[i].cast<double>()).cast<float>();
    }
    if (!mesh.normals.empty()) {
        std::vector<Vec3f>& normals = mesh.normals.edit();
        for (size_t i = 0; i < normals.size(); ++i) {
            normals[i] = (normal_matrix(blends[i]) * normals[i].cast<double>()).normalized().cast<float>();
        }
    }
    if (!mesh.tangents.empty()) {
        std::vector<Vec4f>& tangents = mesh.tangents.edit();
        for (size_t i = 0; i < tangents.size(); ++i) {
            const Vec3 along = linear_of(blends[i]) * tangents[i].head<3>().cast<double>();
            tangents[i].head<3>() = along.normalized().cast<float>();
        }
    }
    for (MorphTarget& shape : mesh.shapes) {
        for (Shared<Vec3f>* moved : {&shape.positions, &shape.normals, &shape.tangents}) {
            if (moved->empty()) {
                continue;
            }
            std::vector<Vec3f>& by = moved->edit();
            for (size_t k = 0; k < by.size(); ++k) {
                by[k] = (linear_of(blends[shape.points[k]]) * by[k].cast<double>()).cast<float>();
            }
        }
    }
}

} // namespace

void rebind_surfaces(Scene& scene, const std::vector<Mat4>& world) {
    own_meshes(scene, Meshes::skinned);
    for (const Node& node : scene.nodes) {
        if (node.mesh < 0 || node.skin < 0) {
            continue;
        }
        const Skin& skin = scene.skins[node.skin];
        std::vector<Mat4> palette;
        for (size_t j = 0; j < skin.joints.size(); ++j) {
            palette.push_back(world[skin.joints[j]] * skin.inverse_binds[j]);
        }
        rebind_mesh(scene.meshes[node.mesh], node.influences, palette);
    }
    for (Skin& skin : scene.skins) {
        for (size_t j = 0; j < skin.joints.size(); ++j) {
            skin.inverse_binds[j] = world[skin.joints[j]].inverse();
        }
    }
}

} // namespace wembrix
