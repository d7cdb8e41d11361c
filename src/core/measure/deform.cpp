#include "core/measure/deform.h"

#include <algorithm>
#include <tbb/blocked_range.h>
#include <tbb/parallel_for.h>

namespace wembrix {

Deformer::Deformer(const Scene& scene, const std::vector<int>& only) : scene_(scene) {
    const Poser offsets(scene, nullptr);
    for (const int node : only.empty() ? surfaces_of(scene) : only) {
        const Node& carrier = scene.nodes[node];
        const Mesh& mesh = scene.meshes[carrier.mesh];
        Held held;
        held.mesh = &mesh;
        held.shape_offset = offsets.shape_offset(node);
        const Influences& rows = mesh.influences;
        if (carrier.skin >= 0 && !rows.offsets.empty()) {
            held.skin = carrier.skin;
            held.offsets = rows.offsets.get();
            held.joints = rows.joints.get();
            held.weights = rows.weights.get();
            for (size_t i = 0; i + 1 < held.offsets.size(); ++i) {
                double sum = 0;
                for (uint32_t k = held.offsets[i]; k < held.offsets[i + 1]; ++k) {
                    sum += held.weights[k];
                }
                for (uint32_t k = held.offsets[i]; k < held.offsets[i + 1] && sum > 0; ++k) {
                    held.weights[k] = static_cast<float>(held.weights[k] / sum);
                }
            }
            held.palette.resize(scene.skins[held.skin].joints.size() * 12);
        } else {
            held.palette.resize(12);
        }
        held.shaped.resize(mesh.point_count());
        surfaces_.push_back({node, points_, mesh.point_count()});
        points_ += mesh.point_count();
        held_.push_back(std::move(held));
    }
}

void Deformer::points(const Pose& pose, std::span<Vec3f> out) {
    run(pose, out.data(), nullptr);
}

void Deformer::points_and_normals(const Pose& pose, std::span<Vec3f> out, std::span<Vec3f> normals) {
    run(pose, out.data(), normals.data());
}

namespace {

void put_rows(const Mat4& matrix, float* rows) {
    for (int r = 0; r < 3; ++r) {
        for (int c = 0; c < 4; ++c) {
            rows[r * 4 + c] = static_cast<float>(matrix(r, c));
        }
    }
}

inline void apply(const float* m, const Vec3f& p, Vec3f& out) {
    out = Vec3f(m[0] * p.x() + m[1] * p.y() + m[2] * p.z() + m[3], m[4] * p.x() + m[5] * p.y() + m[6] * p.z() + m[7],
                m[8] * p.x() + m[9] * p.y() + m[10] * p.z() + m[11]);
}

/// Turns a normal by the cofactors of the blended matrix: right under any scale and mirror.
inline void turn_normal(const float* m, const Vec3f& n, Vec3f& out) {
    const Vec3f a(m[0], m[1], m[2]);
    const Vec3f b(m[4], m[5], m[6]);
    const Vec3f c(m[8], m[9], m[10]);
    const Vec3f turned(b.cross(c).dot(n), c.cross(a).dot(n), a.cross(b).dot(n));
    const float length = turned.norm();
    out = length > 0 ? Vec3f(turned / length) : Vec3f::Zero();
}

} // namespace

void Deformer::run(const Pose& pose, Vec3f* out, Vec3f* normals) {
    constexpr size_t grain = 4096;
    for (size_t s = 0; s < surfaces_.size(); ++s) {
        const Surface& surface = surfaces_[s];
        Held& held = held_[s];
        const Mesh& mesh = *held.mesh;
        const bool with_normals = normals != nullptr && mesh.normals.size() == mesh.point_count();
        std::copy(mesh.positions.begin(), mesh.positions.end(), held.shaped.begin());
        if (with_normals) {
            held.shaped_normals.resize(mesh.point_count());
            std::copy(mesh.normals.begin(), mesh.normals.end(), held.shaped_normals.begin());
        }
        for (size_t i = 0; i < mesh.shapes.size(); ++i) {
            const float weight = pose.shape_weights[held.shape_offset + i];
            if (weight == 0) {
                continue;
            }
            const Shape& shape = mesh.shapes[i];
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
                put_rows(pose.world[skin.joints[j]] * skin.inverse_binds[j], &held.palette[j * 12]);
            }
        } else {
            put_rows(pose.world[surface.node], held.palette.data());
        }
        Vec3f* to = out + surface.first;
        Vec3f* to_normals = normals == nullptr ? nullptr : normals + surface.first;
        tbb::parallel_for(tbb::blocked_range<size_t>(0, surface.count, grain),
                          [&](const tbb::blocked_range<size_t>& range) {
                              const float* palette = held.palette.data();
                              float blend[12];
                              for (size_t i = range.begin(); i != range.end(); ++i) {
                                  const float* matrix = palette;
                                  if (held.skin >= 0) {
                                      const uint32_t first = held.offsets[i];
                                      const uint32_t last = held.offsets[i + 1];
                                      if (last - first == 1) {
                                          matrix = palette + held.joints[first] * 12UL;
                                      } else {
                                          std::fill(blend, blend + 12, 0.0F);
                                          for (uint32_t k = first; k < last; ++k) {
                                              const float* joint = palette + held.joints[k] * 12UL;
                                              const float weight = held.weights[k];
                                              for (int e = 0; e < 12; ++e) {
                                                  blend[e] += weight * joint[e];
                                              }
                                          }
                                          matrix = blend;
                                      }
                                  }
                                  apply(matrix, held.shaped[i], to[i]);
                                  if (to_normals != nullptr) {
                                      if (with_normals) {
                                          turn_normal(matrix, held.shaped_normals[i], to_normals[i]);
                                      } else {
                                          to_normals[i] = Vec3f::Zero();
                                      }
                                  }
                              }
                          });
    }
}

} // namespace wembrix
