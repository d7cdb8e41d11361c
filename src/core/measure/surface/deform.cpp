#include "core/measure/surface/deform.h"

#include <algorithm>
#include <tbb/blocked_range.h>
#include <tbb/parallel_for.h>

namespace wembrix {

Deformer::Deformer(const Scene& scene, const std::vector<int>& only) : scene_(scene) {
    const Poser offsets(scene, nullptr);
    for (const int node : only.empty() ? surfaces_of(scene) : only) {
        const Node& shown = scene.nodes[node];
        const Mesh& mesh = scene.meshes[shown.mesh];
        SkinnedSurface held;
        held.mesh = &mesh;
        held.shape_offset = offsets.shape_offset(node);
        const Influences& rows = shown.influences;
        if (shown.skin >= 0 && !rows.offsets.empty()) {
            held.skin = shown.skin;
            held.joints = rows.joints.get();
            held.weights = rows.weights.get();
            for (size_t i = 0; i + 1 < rows.offsets.size(); ++i) {
                double sum = 0;
                for (uint32_t k = rows.offsets[i]; k < rows.offsets[i + 1]; ++k) {
                    sum += held.weights[k];
                }
                for (uint32_t k = rows.offsets[i]; k < rows.offsets[i + 1] && sum > 0; ++k) {
                    held.weights[k] = static_cast<float>(held.weights[k] / sum);
                }
                held.first.push_back(rows.offsets[i]);
                held.count.push_back(static_cast<uint16_t>(rows.offsets[i + 1] - rows.offsets[i]));
            }
            held.palette.resize(scene.skins[held.skin].joints.size() * 4);
        } else {
            held.palette.resize(4);
        }
        held.shaped.resize(mesh.point_count());
        surfaces_.push_back({node, points_, mesh.point_count()});
        points_ += mesh.point_count();
        held_.push_back(std::move(held));
    }
}

void Deformer::set_row(size_t surface, size_t point, const WeightRow& row) {
    SkinnedSurface& held = held_[surface];
    const size_t joints = held.palette.size() / 4;
    double sum = 0;
    uint16_t count = 0;
    for (const Weight& one : row) {
        sum += one.joint < joints ? one.weight : 0;
        count += one.joint < joints ? 1 : 0;
    }
    if (sum <= 0) {
        return;
    }
    if (count > held.count[point]) { // the longer row goes to the end; its old place stays unused
        held.first[point] = static_cast<uint32_t>(held.joints.size());
        held.joints.resize(held.joints.size() + count);
        held.weights.resize(held.weights.size() + count);
    }
    held.count[point] = count;
    uint32_t at = held.first[point];
    for (const Weight& one : row) {
        if (one.joint < joints) {
            held.joints[at] = one.joint;
            held.weights[at++] = static_cast<float>(one.weight / sum);
        }
    }
}

void Deformer::points(const Pose& pose, std::span<Vec3f> out) {
    run(pose, out.data(), nullptr);
}

void Deformer::points_and_normals(const Pose& pose, std::span<Vec3f> out, std::span<Vec3f> normals) {
    run(pose, out.data(), normals.data());
}

namespace {

using Column = Eigen::Array4f;

void put_columns(const Mat4& matrix, Column* columns) {
    for (int c = 0; c < 4; ++c) {
        columns[c] = matrix.col(c).cast<float>().array();
    }
}

/// Four columns of one matrix: what a point is moved by.
struct Blend {
    Column columns[4];
};

inline void transformed(const Column* m, const Vec3f& p, Vec3f& out) {
    const Column at = m[0] * p.x() + m[1] * p.y() + (m[2] * p.z() + m[3]);
    out = at.head<3>().matrix();
}

/// Turns a normal by the cofactors of the matrix: right under any scale and mirror.
inline void turn_normal(const Column* m, const Vec3f& n, Vec3f& out) {
    const Vec3f a = m[0].head<3>().matrix();
    const Vec3f b = m[1].head<3>().matrix();
    const Vec3f c = m[2].head<3>().matrix();
    const Vec3f turned = b.cross(c) * n.x() + c.cross(a) * n.y() + a.cross(b) * n.z();
    const float length = turned.norm();
    out = length > 0 ? Vec3f(turned / length) : Vec3f::Zero();
}

} // namespace

namespace {

bool any_shape(const Mesh& mesh, const Pose& pose, int offset) {
    for (size_t i = 0; i < mesh.shapes.size(); ++i) {
        if (pose.shape_weights[offset + i] != 0) {
            return true;
        }
    }
    return false;
}

} // namespace

void Deformer::take(const Pose& pose) {
    take(pose, false);
}

void Deformer::take(const Pose& pose, bool normals) {
    for (size_t s = 0; s < surfaces_.size(); ++s) {
        SkinnedSurface& held = held_[s];
        const Mesh& mesh = *held.mesh;
        const bool with_normals = normals && mesh.normals.size() == mesh.point_count();
        held.in_shape = any_shape(mesh, pose, held.shape_offset);
        if (held.in_shape) {
            std::copy(mesh.positions.begin(), mesh.positions.end(), held.shaped.begin());
            if (with_normals) {
                held.shaped_normals.resize(mesh.point_count());
                std::copy(mesh.normals.begin(), mesh.normals.end(), held.shaped_normals.begin());
            }
        }
        for (size_t i = 0; i < mesh.shapes.size(); ++i) {
            const float weight = pose.shape_weights[held.shape_offset + i];
            if (weight == 0) {
                continue;
            }
            const MorphTarget& shape = mesh.shapes[i];
            for (size_t k = 0; k < shape.points.size(); ++k) {
                held.shaped[shape.points[k]] += weight * shape.positions[k];
                if (with_normals && !shape.normals.empty()) {
                    held.shaped_normals[shape.points[k]] += weight * shape.normals[k];
                }
            }
        }
        if (held.skin >= 0) {
            const Skin& skin = scene_.skins[held.skin];
            for (size_t j = 0; j < skin.joints.size(); ++j) {
                put_columns(pose.world[skin.joints[j]] * skin.inverse_binds[j], &held.palette[j * 4]);
            }
        } else {
            put_columns(pose.world[surfaces_[s].node], held.palette.data());
        }
    }
}

void Deformer::deform_range(size_t surface, size_t begin, size_t end, Vec3f* to, Vec3f* to_normals) const {
    const SkinnedSurface& held = held_[surface];
    const Mesh& mesh = *held.mesh;
    const bool with_normals = to_normals != nullptr && mesh.normals.size() == mesh.point_count();
    const Vec3f* from = held.in_shape ? held.shaped.data() : mesh.positions.data();
    const Vec3f* from_normals = !with_normals   ? nullptr
                                : held.in_shape ? held.shaped_normals.data()
                                                : mesh.normals.data();
    const Column* palette = held.palette.data();
    const uint16_t* joints = held.joints.data();
    const float* weights = held.weights.data();
    Blend blend;
    for (size_t i = begin; i != end; ++i) {
        const Column* matrix = palette;
        if (held.skin >= 0) {
            const uint32_t first = held.first[i];
            const uint32_t last = first + held.count[i];
            if (last - first == 1) {
                matrix = palette + joints[first] * 4UL;
            } else {
                for (Column& column : blend.columns) {
                    column.setZero();
                }
                for (uint32_t k = first; k < last; ++k) {
                    const Column* joint = palette + joints[k] * 4UL;
                    for (int c = 0; c < 4; ++c) {
                        blend.columns[c] += joint[c] * weights[k];
                    }
                }
                matrix = blend.columns;
            }
        }
        transformed(matrix, from[i], to[i - begin]);
        if (from_normals != nullptr) {
            turn_normal(matrix, from_normals[i], to_normals[i - begin]);
        } else if (to_normals != nullptr) {
            to_normals[i - begin] = Vec3f::Zero();
        }
    }
}

void Deformer::run(const Pose& pose, Vec3f* out, Vec3f* normals) {
    constexpr size_t grain = 4096;
    take(pose, normals != nullptr);
    for (size_t s = 0; s < surfaces_.size(); ++s) {
        const size_t at = surfaces_[s].first;
        tbb::parallel_for(tbb::blocked_range<size_t>(0, surfaces_[s].count, grain),
                          [&](const tbb::blocked_range<size_t>& range) {
                              deform_range(s, range.begin(), range.end(), out + at + range.begin(),
                                           normals == nullptr ? nullptr : normals + at + range.begin());
                          });
    }
}

} // namespace wembrix
