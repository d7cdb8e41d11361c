// Makes one vertex of several at one place.
#include "core/base/counted.h"
#include "core/base/text.h"
#include "core/measure/surface/nearest_vertex.h"
#include "core/measure/surface/weight_rows.h"
#include "core/scene/vertex_list.h"
#include "core/steps/surface/surface_scope.h"

#include <algorithm>
#include <cmath>

namespace wembrix {

namespace {

struct WeldSettings : SurfaceScope {
    double within_mm = 0.001;
    bool ignore_values = false;
};

/// Whether two vertices of a mesh have the same of everything but their place.
class SameValues {
  public:
    SameValues(const Scene& scene, size_t place) : mesh_(scene.meshes[place]) {
        for (const Node& node : scene.nodes) {
            if (node.mesh == static_cast<int>(place) && !node.influences.empty()) {
                influences_.push_back(&node.influences);
            }
        }
        for (const MorphTarget& shape : mesh_.shapes) {
            std::vector<uint32_t> rows(mesh_.point_count(), none);
            for (size_t k = 0; k < shape.points.size(); ++k) {
                rows[shape.points[k]] = static_cast<uint32_t>(k);
            }
            rows_.push_back(std::move(rows));
        }
    }
    [[nodiscard]] bool of(uint32_t a, uint32_t b, bool ignore) const {
        return shapes_alike(a, b) && weights_alike(a, b) && (ignore || values_alike(a, b));
    }

  private:
    static constexpr uint32_t none = 0xFFFFFFFF;

    [[nodiscard]] bool values_alike(uint32_t a, uint32_t b) const {
        constexpr float little = 1e-4F;
        if (!mesh_.normals.empty() && (mesh_.normals[a] - mesh_.normals[b]).norm() > little) {
            return false;
        }
        if (!mesh_.tangents.empty() && (mesh_.tangents[a] - mesh_.tangents[b]).norm() > little) {
            return false;
        }
        for (const Attribute& attribute : mesh_.attributes) {
            const auto width = static_cast<size_t>(attribute.width);
            for (size_t c = 0; c < width; ++c) {
                if (std::abs(attribute.data[a * width + c] - attribute.data[b * width + c]) > little) {
                    return false;
                }
            }
        }
        return true;
    }
    /// They would be torn apart by a shape or a joint otherwise.
    [[nodiscard]] bool shapes_alike(uint32_t a, uint32_t b) const {
        for (size_t s = 0; s < rows_.size(); ++s) {
            const auto by = [&](uint32_t v) {
                return rows_[s][v] == none ? Vec3f(Vec3f::Zero()) : mesh_.shapes[s].positions[rows_[s][v]];
            };
            if ((by(a) - by(b)).norm() > 1e-6F) {
                return false;
            }
        }
        return true;
    }
    [[nodiscard]] bool weights_alike(uint32_t a, uint32_t b) const {
        WeightRow left;
        WeightRow right;
        for (const Influences* influences : influences_) {
            read_row(*influences, a, left);
            read_row(*influences, b, right);
            if (left.size() != right.size() || std::any_of(left.begin(), left.end(), [&](const Weight& one) {
                    return std::abs(one.weight - weight_in(right, one.joint)) > 1e-3;
                })) {
                return false;
            }
        }
        return true;
    }

    const Mesh& mesh_;
    std::vector<const Influences*> influences_;
    std::vector<std::vector<uint32_t>> rows_;
};

Result<StepResult> apply_weld(const StepContext& context, const WeldSettings& settings) {
    StepResult result;
    result.scene = context.scene;
    size_t before = 0;
    size_t gone = 0;
    size_t unlike = 0;
    size_t triangles_gone = 0;
    for (const size_t place : meshes_in_scope(context.scene, settings)) {
        const Mesh& mesh = context.scene.meshes[place];
        const SameValues same(context.scene, place);
        const NearestVertex near(mesh.positions.get(), settings.within_mm / 1000);
        std::vector<NewVertices> lists;
        for (const Primitive& primitive : mesh.primitives) {
            const NewVertices old = vertices_of(mesh, primitive);
            NewVertices list;
            std::vector<uint32_t> to(old.from.size(), 0);
            std::vector<char> kept(old.from.size(), 0);
            for (uint32_t v = 0; v < old.from.size(); ++v) {
                // The first vertex that stays and is near and alike; the order of those that stay is as it was.
                uint32_t found = v;
                bool stood_near = false;
                near.each_near(mesh.positions[old.from[v]], [&](uint32_t other, double) {
                    if (other < primitive.first_point || other - primitive.first_point >= found) {
                        return;
                    }
                    const uint32_t own = other - primitive.first_point;
                    if (kept[own] != 0 && same.of(old.from[v], other, settings.ignore_values)) {
                        found = own;
                    } else {
                        stood_near = true;
                    }
                });
                if (found == v) {
                    kept[v] = 1;
                    to[v] = static_cast<uint32_t>(list.from.size());
                    list.from.push_back(old.from[v]);
                    unlike += stood_near ? 1 : 0;
                } else {
                    to[v] = to[found];
                    ++gone;
                }
            }
            before += old.from.size();
            const bool faces = primitive.topology >= Topology::triangles;
            for (size_t i = 0; i < old.indices.size(); i += faces ? 3 : 1) {
                if (!faces) {
                    list.indices.push_back(to[old.indices[i]]);
                    continue;
                }
                const uint32_t a = to[old.indices[i]];
                const uint32_t b = to[old.indices[i + 1]];
                const uint32_t c = to[old.indices[i + 2]];
                const bool flat_now = a == b || b == c || c == a;
                const bool flat_before = old.indices[i] == old.indices[i + 1] ||
                                         old.indices[i + 1] == old.indices[i + 2] ||
                                         old.indices[i + 2] == old.indices[i];
                if (flat_now && !flat_before) {
                    ++triangles_gone; // it had shrunk to a line
                } else {
                    list.indices.insert(list.indices.end(), {a, b, c});
                }
            }
            lists.push_back(std::move(list));
        }
        set_vertices(result.scene, place, lists);
    }
    result.account =
        gone == 0
            ? Text("no two vertices are alike at one place")
            : phrase("{} became {}{}", counted(before, "vertex"), before - gone,
                     triangles_gone == 0 ? ""
                                         : phrase("; {} without an extent gone", counted(triangles_gone, "triangle")));
    if (unlike > 0) {
        result.could_not.push_back(
            phrase("{} stay apart: what stands at their place has other {}", counted(unlike, "vertex"),
                   settings.ignore_values ? "weights or shapes" : "normals, coordinates, weights or shapes"));
    }
    return result;
}

} // namespace

StepKind weld_step() {
    return make_step<WeldSettings>(
        {"weld", "Weld vertices", "Doubles cost an engine time and open up when normals or weights are made anew.",
         StepSubject::surface},
        with_surface_scope({number<&WeldSettings::within_mm>("within_mm", "Within", "How far apart two may be")
                                .unit("mm")
                                .above(0)
                                .starting(0.001),
                            flag<&WeldSettings::ignore_values>(
                                "ignore_values", "Whatever else they have",
                                "Also where normals, coordinates or colours differ: the first one's stay")}),
        apply_weld);
}

} // namespace wembrix
