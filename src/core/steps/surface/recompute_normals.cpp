// Normals made anew from the surface itself.
#include "core/base/counted.h"
#include "core/base/text.h"
#include "core/measure/surface/corner_normals.h"
#include "core/measure/surface/neighbours.h"
#include "core/scene/vertex_list.h"
#include "core/steps/surface/surface_scope.h"

#include <algorithm>
#include <cmath>
#include <map>

namespace wembrix {

namespace {

struct NormalSettings : SurfaceScope {
    double hard_degrees = 180;
    bool hard_at_seams = false;
    NormalRule::Weight weight = NormalRule::Weight::angle;
    bool split = true;
    bool keep_directions = false;
};

/// One number a corner: those at one spot have the same where their coordinates are the same.
std::vector<uint32_t> islands_by_seam(const Mesh& mesh, const std::vector<std::array<uint32_t, 3>>& triangles) {
    const auto coordinates = std::find_if(mesh.attributes.begin(), mesh.attributes.end(),
                                          [](const Attribute& one) { return one.name == "TEXCOORD_0"; });
    std::vector<uint32_t> islands;
    std::map<std::pair<float, float>, uint32_t> numbers;
    for (const std::array<uint32_t, 3>& triangle : triangles) {
        for (const uint32_t point : triangle) {
            const size_t at = 2 * static_cast<size_t>(point);
            const auto key = coordinates == mesh.attributes.end()
                                 ? std::pair<float, float>(0, 0)
                                 : std::pair(coordinates->data[at], coordinates->data[at + 1]);
            islands.push_back(numbers.try_emplace(key, static_cast<uint32_t>(numbers.size())).first->second);
        }
    }
    return islands;
}

/// Gives the mesh its corners' normals: a vertex whose corners differ comes once more for each further one, behind the
/// others of its primitive, or, without splitting, gets their mean.
size_t put_normals(Scene& scene, size_t place, const std::vector<Vec3f>& normals, bool split) {
    std::vector<NewVertices> lists;
    std::vector<Vec3f> made;
    size_t added = 0;
    size_t corner = 0;
    const Mesh& before = scene.meshes[place];
    for (const Primitive& primitive : before.primitives) {
        NewVertices list = vertices_of(before, primitive);
        std::vector<Vec3f> own(list.from.size(), Vec3f::Zero());
        if (primitive.topology >= Topology::triangles) {
            std::vector<char> has(own.size(), 0);
            std::vector<std::vector<uint32_t>> more(split ? own.size() : 0);
            for (uint32_t& index : list.indices) {
                const Vec3f& normal = normals[corner++];
                const auto same = [&](uint32_t vertex) { return (own[vertex] - normal).squaredNorm() < 1e-10F; };
                if (!split) {
                    own[index] += normal;
                } else if (has[index] == 0) {
                    has[index] = 1;
                    own[index] = normal;
                } else if (!same(index)) {
                    std::vector<uint32_t>& others = more[index];
                    const auto found = std::find_if(others.begin(), others.end(), same);
                    if (found != others.end()) {
                        index = *found;
                    } else {
                        others.push_back(static_cast<uint32_t>(list.from.size()));
                        list.from.push_back(list.from[index]);
                        own.push_back(normal);
                        index = others.back();
                        ++added;
                    }
                }
            }
            for (Vec3f& normal : own) {
                normal = normal.squaredNorm() > 1e-12F ? Vec3f(normal.normalized()) : normal;
            }
        }
        made.insert(made.end(), own.begin(), own.end());
        lists.push_back(std::move(list));
    }
    set_vertices(scene, place, lists);
    Mesh& mesh = scene.meshes[place];
    mesh.normals = std::move(made);
    for (Primitive& primitive : mesh.primitives) {
        primitive.has_normals = primitive.topology >= Topology::triangles;
    }
    return added;
}

/// Those that have a direction keep it and get the length 1; the others get that of the surface. How many changed.
size_t mend_lengths(Mesh& mesh, const std::vector<std::array<uint32_t, 3>>& triangles,
                    const std::vector<Vec3f>& normals) {
    std::vector<Vec3f> mended = mesh.normals.get();
    std::vector<Vec3f> of_surface(mended.size(), Vec3f::Zero());
    for (size_t c = 0; c < normals.size(); ++c) {
        of_surface[triangles[c / 3].at(c % 3)] += normals[c];
    }
    size_t changed = 0;
    for (size_t v = 0; v < mended.size(); ++v) {
        const float length = mended[v].norm();
        if (std::abs(length - 1) < 1e-6F) {
            continue;
        }
        const bool has_direction = std::isfinite(length) && length > 1e-6F;
        const Vec3f& from = has_direction ? mended[v] : of_surface[v];
        if (from.squaredNorm() > 1e-12F) {
            mended[v] = from.normalized();
            ++changed;
        }
    }
    mesh.normals = std::move(mended);
    return changed;
}

Result<StepResult> apply_recompute_normals(const StepContext& context, const NormalSettings& settings) {
    StepResult result;
    result.scene = context.scene;
    size_t vertices = 0;
    size_t added = 0;
    size_t mended = 0;
    bool old_shapes = false;
    double largest = 0;
    for (const size_t place : meshes_in_scope(context.scene, settings)) {
        const Mesh& mesh = context.scene.meshes[place];
        std::vector<std::array<uint32_t, 3>> triangles;
        for (const Primitive& primitive : mesh.primitives) {
            const std::vector<std::array<uint32_t, 3>> own = primitive.topology >= Topology::triangles
                                                                 ? triangles_of(mesh, primitive)
                                                                 : std::vector<std::array<uint32_t, 3>>();
            triangles.insert(triangles.end(), own.begin(), own.end());
        }
        if (triangles.empty()) {
            continue;
        }
        const bool keeps = settings.keep_directions && mesh.normals.size() == mesh.point_count() &&
                           std::all_of(mesh.primitives.begin(), mesh.primitives.end(), [](const Primitive& primitive) {
                               return primitive.has_normals || primitive.topology < Topology::triangles;
                           });
        const Neighbours neighbours = neighbours_of(mesh);
        const std::vector<uint32_t> islands =
            settings.hard_at_seams ? islands_by_seam(mesh, triangles) : std::vector<uint32_t>();
        const std::vector<Vec3f> normals = corner_normals(mesh.positions.get(), triangles, neighbours.spot,
                                                          {settings.weight, settings.hard_degrees}, islands);
        if (keeps) {
            mended += mend_lengths(result.scene.meshes[place], triangles, normals);
            continue;
        }
        for (size_t c = 0; c < normals.size() && !mesh.normals.empty(); ++c) {
            const Vec3f& was = mesh.normals[triangles[c / 3].at(c % 3)];
            if (!(was.squaredNorm() > 1e-12F)) {
                continue; // it had no direction
            }
            const double cosine = std::clamp(static_cast<double>(was.normalized().dot(normals[c])), -1.0, 1.0);
            largest = std::max(largest, std::acos(cosine) * 57.29577951308232);
        }
        old_shapes = old_shapes || std::any_of(mesh.shapes.begin(), mesh.shapes.end(),
                                               [](const MorphTarget& shape) { return shape.has_normals; });
        vertices += mesh.point_count();
        added += put_normals(result.scene, place, normals, settings.split);
    }
    result.account =
        vertices == 0
            ? (settings.keep_directions ? phrase("{} brought to the length 1", counted(mended, "normal"))
                                        : Text("no triangles there"))
            : phrase("{} with normals of the surface itself, turned by {:.1f}° at most{}", counted(vertices, "vertex"),
                     largest, added == 0 ? "" : phrase("; {} more at hard edges", added));
    if (old_shapes) {
        result.could_not.push_back("shapes keep the differences of normals that they had");
    }
    return result;
}

} // namespace

StepKind recompute_normals_step() {
    return make_step<NormalSettings>(
        {"recompute_normals", "Recompute normals",
         "Missing or broken normals make a surface look faceted, black or inside out in the engine.",
         StepSubject::surface},
        with_surface_scope(
            {number<&NormalSettings::hard_degrees>(
                 "hard_degrees", "Hard above", "Faces that meet at more than this have an edge; 180: smooth all over")
                 .unit("°")
                 .between(0, 180)
                 .starting(60.0),
             flag<&NormalSettings::hard_at_seams>("hard_at_seams", "Hard at seams",
                                                  "And wherever the texture coordinates are cut"),
             choice<&NormalSettings::weight>("weight", "Each face by", {"angle", "area"},
                                             "Its angle at the corner, or its area"),
             flag<&NormalSettings::keep_directions>("keep_directions", "Keep directions",
                                                    "Only lengths are mended; what has no direction gets one"),
             flag<&NormalSettings::split>("split", "Split at hard edges",
                                          "Further vertices there, behind all others; else every vertex stays the only "
                                          "one and gets the mean")}),
        apply_recompute_normals);
}

} // namespace wembrix
