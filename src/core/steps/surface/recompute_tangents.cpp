// Tangents in the standard tangent space, in which normal maps are baked.
#include "core/base/counted.h"
#include "core/base/text.h"
#include "core/measure/surface/tangent_space.h"
#include "core/scene/vertex_list.h"
#include "core/steps/surface/surface_scope.h"

#include <algorithm>
#include <fmt/format.h>

namespace wembrix {

namespace {

struct TangentSettings : SurfaceScope {
    int coordinates = 0;
};

const Attribute* coordinates_of(const Mesh& mesh, int set) {
    const std::string name = fmt::format("TEXCOORD_{}", set);
    const auto found = std::find_if(mesh.attributes.begin(), mesh.attributes.end(),
                                    [&](const Attribute& one) { return one.name == name && one.width == 2; });
    return found == mesh.attributes.end() ? nullptr : &*found;
}

/// A primitive with triangles, normals and the coordinates.
bool can_have_tangents(const Primitive& primitive, int set) {
    return primitive.topology >= Topology::triangles && primitive.has_normals &&
           std::find(primitive.attributes.begin(), primitive.attributes.end(), fmt::format("TEXCOORD_{}", set)) !=
               primitive.attributes.end();
}

size_t put_tangents(Scene& scene, size_t place, int set) {
    const Mesh before = scene.meshes[place];
    const Attribute* coordinates = coordinates_of(before, set);
    std::vector<NewVertices> lists;
    std::vector<Vec4f> made;
    size_t added = 0;
    for (const Primitive& primitive : before.primitives) {
        NewVertices list = vertices_of(before, primitive);
        std::vector<Vec4f> own(list.from.size(), Vec4f(1, 0, 0, 1));
        if (can_have_tangents(primitive, set)) {
            std::vector<std::array<uint32_t, 3>> triangles;
            for (size_t i = 0; i < list.indices.size(); i += 3) {
                triangles.push_back({primitive.first_point + list.indices[i],
                                     primitive.first_point + list.indices[i + 1],
                                     primitive.first_point + list.indices[i + 2]});
            }
            const std::vector<Vec4f> corners =
                corner_tangents(before.positions.get(), before.normals.get(), coordinates->data.get(), triangles);
            std::vector<char> has(own.size(), 0);
            std::vector<std::vector<uint32_t>> more(own.size());
            for (size_t c = 0; c < list.indices.size(); ++c) {
                // Files count v downwards, and a map's green leads up.
                const Vec4f tangent(corners[c].x(), corners[c].y(), corners[c].z(), -corners[c].w());
                uint32_t& index = list.indices[c];
                const auto same = [&](uint32_t vertex) { return (own[vertex] - tangent).squaredNorm() < 1e-10F; };
                if (has[index] == 0) {
                    has[index] = 1;
                    own[index] = tangent;
                } else if (!same(index)) {
                    std::vector<uint32_t>& others = more[index];
                    const auto found = std::find_if(others.begin(), others.end(), same);
                    if (found == others.end()) {
                        others.push_back(static_cast<uint32_t>(list.from.size()));
                        list.from.push_back(list.from[index]);
                        own.push_back(tangent);
                        index = others.back();
                        ++added;
                    } else {
                        index = *found;
                    }
                }
            }
        }
        made.insert(made.end(), own.begin(), own.end());
        lists.push_back(std::move(list));
    }
    set_vertices(scene, place, lists);
    Mesh& mesh = scene.meshes[place];
    mesh.tangents = std::move(made);
    for (Primitive& primitive : mesh.primitives) {
        primitive.has_tangents = can_have_tangents(primitive, set);
    }
    return added;
}

Result<StepResult> apply_recompute_tangents(const StepContext& context, const TangentSettings& settings) {
    StepResult result;
    result.scene = context.scene;
    size_t vertices = 0;
    size_t added = 0;
    size_t without = 0;
    for (const size_t place : meshes_in_scope(context.scene, settings)) {
        const Mesh& mesh = context.scene.meshes[place];
        const bool any = coordinates_of(mesh, settings.coordinates) != nullptr && !mesh.normals.empty() &&
                         std::any_of(mesh.primitives.begin(), mesh.primitives.end(), [&](const Primitive& primitive) {
                             return can_have_tangents(primitive, settings.coordinates);
                         });
        if (!any) {
            ++without;
            continue;
        }
        vertices += mesh.point_count();
        added += put_tangents(result.scene, place, settings.coordinates);
    }
    result.account = vertices == 0 ? Text("nothing has normals and coordinates")
                                   : phrase("{} with tangents{}", counted(vertices, "vertex"),
                                            added == 0 ? "" : phrase("; {} more where mirrored sides meet", added));
    if (without > 0) {
        result.could_not.push_back(phrase("{} without normals or texture coordinates {}: no tangents there",
                                          counted(without, "surface"), settings.coordinates));
    }
    return result;
}

} // namespace

StepKind recompute_tangents_step() {
    return make_step<TangentSettings>(
        {"recompute_tangents", "Recompute tangents",
         "A normal map is baked in one tangent space; in any other one its seams show.", StepSubject::surface},
        with_surface_scope({number<&TangentSettings::coordinates>("coordinates", "Texture coordinates",
                                                                  "Which set the normal map lies on, the first is 0")
                                .between(0, 7)}),
        apply_recompute_tangents);
}

} // namespace wembrix
