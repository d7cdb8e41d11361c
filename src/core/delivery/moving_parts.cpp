#include "core/delivery/moving_parts.h"

#include "core/destination/clip_keys.h"
#include "core/destination/prune.h"
#include "core/measure/strands/strand_deform.h"
#include "core/measure/strands/strand_facts.h"
#include "core/measure/surface/deform.h"

#include <algorithm>
#include <cmath>
#include <fmt/format.h>
#include <memory>
#include <nlohmann/json.hpp>

namespace wembrix {

std::vector<MovingPart> strand_parts(const Scene& prepared) {
    std::vector<MovingPart> parts;
    for (const int node : strands_of(prepared)) {
        const Node& carrier = prepared.nodes[static_cast<size_t>(node)];
        if (prepared.curve_sets[static_cast<size_t>(carrier.curves)].curve_count() > 0) {
            parts.push_back({carrier.name, node, nullptr, {}, carrier.name, ""});
        }
    }
    return parts;
}

namespace {
bool has_points(const Scene& prepared, int node) {
    const Node& carrier = prepared.nodes[static_cast<size_t>(node)];
    return (carrier.mesh >= 0 && prepared.meshes[static_cast<size_t>(carrier.mesh)].point_count() > 0) ||
           (carrier.curves >= 0 && prepared.curve_sets[static_cast<size_t>(carrier.curves)].curve_count() > 0);
}
} // namespace

std::vector<MovingPart> ordered_parts(const Scene& prepared, CacheAs as) {
    std::vector<MovingPart> parts;
    for (const CacheOrder& order : prepared.orders) {
        if (order.as != as || prepared.find_clip(order.clip) == nullptr || !has_points(prepared, order.node)) {
            continue; // of a clip that is gone a finding says so
        }
        const std::string& node = prepared.nodes[static_cast<size_t>(order.node)].name;
        const std::string name = fmt::format("{}/{}", node, order.clip);
        std::erase_if(parts, [&](const MovingPart& one) { return one.name == name; });
        parts.push_back({name, order.node, nullptr, order, node, order.clip});
    }
    return parts;
}

std::vector<MovingPart> cache_parts(const Scene& prepared) {
    std::vector<MovingPart> parts;
    for (const PointCache& cache : prepared.caches) {
        if (cache.surface >= 0 && cache.frames > 0 && has_points(prepared, cache.surface)) {
            const std::string& node = prepared.nodes[static_cast<size_t>(cache.surface)].name;
            parts.push_back({cache.name, cache.surface, &cache, {}, node, cache.name == node ? "frames" : cache.name});
        }
    }
    for (MovingPart& part : ordered_parts(prepared, CacheAs::points)) {
        std::erase_if(parts, [&](const MovingPart& one) { return one.name == part.name; });
        parts.push_back(std::move(part));
    }
    return parts;
}

void transform_all(const Mat4& matrix, std::vector<Vec3f>& points) {
    const Eigen::Matrix4f single = matrix.cast<float>();
    for (Vec3f& point : points) {
        point = single.topLeftCorner<3, 3>() * point + single.topRightCorner<3, 1>();
    }
}

namespace {

/// Poses a scene and gives the world places of one node's points.
class Mover {
  public:
    Mover(const Scene& scene, int node, const Clip* clip)
        : clip_(clip == nullptr ? Clip() : *clip), poser_(scene, clip == nullptr ? nullptr : &clip_) {
        if (scene.nodes[static_cast<size_t>(node)].mesh >= 0) {
            surface_ = std::make_unique<Deformer>(scene, std::vector<int>{node});
        } else {
            strands_ = std::make_unique<StrandDeformer>(scene, node);
        }
    }
    void at(double seconds, std::vector<Vec3f>& points, std::vector<Vec3f>& normals) {
        poser_.at(seconds, pose_);
        if (surface_ != nullptr) {
            points.resize(surface_->point_count());
            normals.resize(surface_->point_count());
            surface_->points_and_normals(pose_, points, normals);
        } else {
            points.resize(strands_->point_count());
            strands_->points(pose_, points);
        }
    }

  private:
    Clip clip_;
    Poser poser_;
    Pose pose_;
    std::unique_ptr<Deformer> surface_;
    std::unique_ptr<StrandDeformer> strands_;
};

MovingPoints own_frames(const Scene& prepared, const PointCache& cache) {
    MovingPoints moving;
    moving.node = cache.surface;
    moving.rate = cache.rate;
    moving.frames = cache.frames;
    moving.has_normals = cache.normals.size() == cache.positions.size() && !cache.normals.empty();
    const Mat4 world = rest_world(prepared)[static_cast<size_t>(cache.surface)];
    moving.at = [&cache, world, has_normals = moving.has_normals](int frame, std::vector<Vec3f>& points,
                                                                  std::vector<Vec3f>& normals) -> Outcome {
        const size_t count = cache.positions.size() / static_cast<size_t>(cache.frames);
        const auto first = static_cast<ptrdiff_t>(count * static_cast<size_t>(frame));
        points.assign(cache.positions.begin() + first, cache.positions.begin() + first + static_cast<ptrdiff_t>(count));
        transform_all(world, points);
        if (has_normals) {
            normals.assign(cache.normals.begin() + first,
                           cache.normals.begin() + first + static_cast<ptrdiff_t>(count));
            const Eigen::Matrix3f turn =
                Mat3(world.topLeftCorner<3, 3>().inverse().transpose()).cast<float>(); // normals go by this one
            for (Vec3f& normal : normals) {
                normal = (turn * normal).normalized();
            }
        }
        return Done{};
    };
    return moving;
}

} // namespace

MovingPoints frames_of(const Scene& prepared, const MovingPart& part, const Destination& destination) {
    if (part.own != nullptr) {
        return own_frames(prepared, *part.own);
    }
    MovingPoints moving;
    moving.node = part.node;
    const Clip* whole = part.order.clip.empty() ? nullptr : prepared.find_clip(part.order.clip);
    if (whole == nullptr) {
        return moving;
    }
    const Clip clip = shown_part(*whole, destination);
    const double rate = rate_for(*whole, destination);
    const int every = std::max(1, part.order.every);
    // Its range is said in the clip's own frames, whatever rate the destination has.
    const double begin = std::clamp(part.order.first / clip.rate, 0.0, clip.seconds);
    const double end = part.order.last < part.order.first
                           ? clip.seconds
                           : std::clamp(part.order.last / clip.rate, begin, clip.seconds);
    const double step = every / rate;
    moving.rate = rate / every;
    moving.frames = static_cast<int>(std::ceil((end - begin) / step - 1e-3)) + 1;
    const int mesh = prepared.nodes[static_cast<size_t>(part.node)].mesh;
    moving.has_normals = mesh >= 0 && !prepared.meshes[static_cast<size_t>(mesh)].normals.empty();
    const auto mover = std::make_shared<Mover>(prepared, part.node, &clip);
    moving.at = [mover, begin, end, step](int frame, std::vector<Vec3f>& points,
                                          std::vector<Vec3f>& normals) -> Outcome {
        mover->at(std::min(begin + frame * step, end), points, normals);
        return Done{};
    };
    return moving;
}

Scene alone(const Scene& prepared, const MovingPart& part) {
    Scene scene;
    const Node& before = prepared.nodes[static_cast<size_t>(part.node)];
    Node node;
    node.name = before.name;
    node.identity = before.identity;
    node.kind = before.kind;
    scene.materials = prepared.materials;
    for (Material& material : scene.materials) {
        for (TextureUse* use : {&material.base_colour_texture, &material.metalness_roughness_texture,
                                &material.normal_texture, &material.occlusion_texture, &material.emission_texture}) {
            *use = {};
        }
        material.carried = {};
        material.carried_surface = {};
    }
    if (before.mesh >= 0) {
        std::vector<Vec3f> points;
        std::vector<Vec3f> normals;
        Mover(prepared, part.node, nullptr).at(0, points, normals);
        Mesh mesh = prepared.meshes[static_cast<size_t>(before.mesh)];
        mesh.positions = std::move(points);
        mesh.normals = mesh.normals.empty() ? std::vector<Vec3f>() : std::move(normals);
        mesh.tangents = {};
        mesh.shapes.clear();
        mesh.shape_weights.clear();
        for (Primitive& primitive : mesh.primitives) {
            primitive.has_normals = primitive.has_normals || !mesh.normals.empty();
        }
        scene.meshes.push_back(std::move(mesh));
        node.mesh = 0;
    } else {
        CurveSet curves = prepared.curve_sets[static_cast<size_t>(before.curves)];
        transform_geometry(curves, rest_world(prepared)[static_cast<size_t>(part.node)]);
        if (curves.surface >= 0 && !curves.roots.empty()) {
            node.carried.extras =
                nlohmann::json{{"rootSurface", prepared.nodes[static_cast<size_t>(curves.surface)].name}}.dump();
        }
        curves.surface = -1;
        curves.follow = {};
        curves.region = {};
        curves.guide_counts = {};
        curves.guide_points = {};
        curves.guide_roots = {};
        scene.curve_sets.push_back(std::move(curves));
        node.curves = 0;
    }
    scene.nodes.push_back(std::move(node));
    drop_unused_materials(scene);
    return scene;
}

uint64_t likely_bytes(const Scene& prepared, const MovingPart& part, const Destination& destination) {
    const Node& node = prepared.nodes[static_cast<size_t>(part.node)];
    const MovingPoints moving = frames_of(prepared, part, destination);
    if (node.mesh >= 0) {
        const Mesh& mesh = prepared.meshes[static_cast<size_t>(node.mesh)];
        const uint64_t still = mesh.point_count() * 32 + mesh.triangle_count() * 3 * 4;
        return still + mesh.point_count() * static_cast<uint64_t>(moving.frames) * (moving.has_normals ? 24 : 12);
    }
    const CurveSet& curves = prepared.curve_sets[static_cast<size_t>(node.curves)];
    return curves.points.size() * (16 + 12 * static_cast<uint64_t>(moving.frames)) + curves.curve_count() * 16;
}

} // namespace wembrix
