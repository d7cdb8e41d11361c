// Collision hulls from surfaces, slots, or what each joint holds.
#include "core/base/counted.h"
#include "core/base/text.h"
#include "core/measure/hulls/convex_hull.h"
#include "core/measure/hulls/fitted_solids.h"
#include "core/measure/hulls/hull_facts.h"
#include "core/measure/hulls/split_by_concavity.h"
#include "core/measure/surface/rest_places.h"
#include "core/measure/surface/weight_rows.h"
#include "core/steps/names.h"
#include "core/steps/skeleton/chosen_joints.h"
#include "core/steps/step_kind.h"

#include <Eigen/LU>
#include <algorithm>
#include <cmath>
#include <fmt/format.h>
#include <map>
#include <set>

namespace wembrix {

namespace {

enum class From : uint8_t { surfaces, slots, joints };
enum class Shape : uint8_t { convex, box, sphere, capsule, cylinder };

struct HullSettings {
    From from = From::surfaces;
    Shape shape = Shape::convex;
    std::vector<std::string> surfaces, slots, joints;
    double above_weight = 0.5;
    int max_vertices = 32;
    int pieces = 1;
};

Hull::Kind kind_of(Shape shape) {
    switch (shape) {
    case Shape::box:
        return Hull::Kind::box;
    case Shape::sphere:
        return Hull::Kind::sphere;
    case Shape::capsule:
        return Hull::Kind::capsule;
    case Shape::cylinder:
        return Hull::Kind::cylinder;
    case Shape::convex:
        break;
    }
    return Hull::Kind::convex;
}

/// What one hull, or a few, are to stand for: places in the world at rest.
struct HullGroup {
    std::string name;
    int belongs_to = -1;
    std::vector<Vec3> points;
    std::vector<std::array<uint32_t, 3>> triangles;
};

/// What a hull of a surface moves with: the surface's node; of one under a skin, which does not move with its node, the
/// first joint of the skeleton.
int carrier_of(const Scene& scene, int surface) {
    if (scene.nodes[static_cast<size_t>(surface)].skin < 0) {
        return surface;
    }
    const std::vector<int> roots = root_joints(scene);
    return roots.empty() ? -1 : roots[0];
}

struct Chosen {
    const Scene& scene;
    const HullSettings& settings;
    std::vector<int> surfaces;
    std::map<int, std::vector<Vec3f>> places;

    Chosen(const Scene& from, const HullSettings& with) : scene(from), settings(with) {
        const NamePatterns patterns(settings.surfaces, scene);
        for (const int surface : surfaces_of(scene)) {
            if (settings.surfaces.empty() || patterns.any_fits(scene.nodes[static_cast<size_t>(surface)].name)) {
                surfaces.push_back(surface);
                places[surface] = rest_places(scene, surface);
            }
        }
    }
    [[nodiscard]] const Mesh& mesh_of(int surface) const {
        return scene.meshes[static_cast<size_t>(scene.nodes[static_cast<size_t>(surface)].mesh)];
    }
    /// Adds the surface's triangles whose corners `in` takes all, or of which none is asked.
    void add(HullGroup& group, int surface, const Primitive& primitive, const std::vector<char>* in) const {
        const std::vector<Vec3f>& at = places.at(surface);
        std::map<uint32_t, uint32_t> place;
        const auto corner = [&](uint32_t vertex) {
            const auto [found, fresh] = place.try_emplace(vertex, static_cast<uint32_t>(group.points.size()));
            if (fresh) {
                group.points.push_back(at[vertex].cast<double>());
            }
            return found->second;
        };
        for (const auto& [a, b, c] : triangles_of(mesh_of(surface), primitive)) {
            if (in == nullptr || ((*in)[a] != 0 && (*in)[b] != 0 && (*in)[c] != 0)) {
                group.triangles.push_back({corner(a), corner(b), corner(c)});
            }
        }
    }
};

std::vector<HullGroup> groups_of_surfaces(const Chosen& chosen) {
    std::vector<HullGroup> groups;
    for (const int surface : chosen.surfaces) {
        HullGroup group{
            chosen.scene.nodes[static_cast<size_t>(surface)].name, carrier_of(chosen.scene, surface), {}, {}};
        for (const Primitive& primitive : chosen.mesh_of(surface).primitives) {
            chosen.add(group, surface, primitive, nullptr);
        }
        groups.push_back(std::move(group));
    }
    return groups;
}

std::vector<HullGroup> groups_of_slots(const Chosen& chosen) {
    std::vector<HullGroup> groups;
    const NamePatterns wanted(chosen.settings.slots, chosen.scene);
    for (const int surface : chosen.surfaces) {
        for (const Primitive& primitive : chosen.mesh_of(surface).primitives) {
            const std::string slot =
                primitive.material < 0 ? "" : chosen.scene.materials[static_cast<size_t>(primitive.material)].name;
            if (chosen.settings.slots.empty() || wanted.any_fits(slot)) {
                HullGroup group{chosen.scene.nodes[static_cast<size_t>(surface)].name + "_" + slot,
                                carrier_of(chosen.scene, surface),
                                {},
                                {}};
                chosen.add(group, surface, primitive, nullptr);
                groups.push_back(std::move(group));
            }
        }
    }
    return groups;
}

std::vector<HullGroup> groups_of_joints(const Chosen& chosen) {
    const ChosenJoints joints = choose_joints(chosen.scene, chosen.settings.joints);
    std::map<int, HullGroup> groups;
    WeightRow row;
    for (const int surface : chosen.surfaces) {
        const Node& node = chosen.scene.nodes[static_cast<size_t>(surface)];
        if (node.skin < 0 || node.influences.empty()) {
            continue;
        }
        const std::vector<int>& skin = chosen.scene.skins[static_cast<size_t>(node.skin)].joints;
        std::map<int, std::vector<char>> in;
        for (size_t v = 0; v < chosen.places.at(surface).size(); ++v) {
            read_row(node.influences, v, row);
            for (const Weight& one : row) {
                const int joint = skin[one.joint];
                if (one.weight >= chosen.settings.above_weight && joints.in[static_cast<size_t>(joint)] != 0) {
                    std::vector<char>& marks = in[joint];
                    marks.resize(chosen.places.at(surface).size(), 0);
                    marks[v] = 1;
                }
            }
        }
        for (const auto& [joint, marks] : in) {
            HullGroup& group = groups[joint];
            group.name = chosen.scene.nodes[static_cast<size_t>(joint)].name;
            group.belongs_to = joint;
            for (const Primitive& primitive : chosen.mesh_of(surface).primitives) {
                chosen.add(group, surface, primitive, &marks);
            }
        }
    }
    std::vector<HullGroup> all;
    for (auto& [joint, group] : groups) {
        all.push_back(std::move(group));
    }
    return all;
}

/// The hull of points in the world, or nothing where they lie in a plane.
std::optional<Hull> hull_of(const std::vector<Vec3>& points, const HullSettings& settings) {
    Hull hull;
    hull.kind = kind_of(settings.shape);
    const bool flat = !convex_hull(points).has_value();
    if (hull.kind == Hull::Kind::convex && !flat) {
        const std::optional<ConvexSolid> solid = convex_hull_of_few(points, static_cast<size_t>(settings.max_vertices));
        std::vector<Vec3f> corners;
        std::vector<uint32_t> indices;
        for (const Vec3& corner : solid->corners) {
            corners.push_back(corner.cast<float>());
        }
        for (const std::array<uint32_t, 3>& triangle : solid->triangles) {
            indices.insert(indices.end(), triangle.begin(), triangle.end());
        }
        hull.points = std::move(corners);
        hull.indices = std::move(indices);
        return hull;
    }
    if (flat) {
        return std::nullopt;
    }
    const FittedSolid solid = fit_solid(hull.kind, points);
    hull.frame.topLeftCorner<3, 3>() = solid.axes;
    hull.frame.topRightCorner<3, 1>() = solid.middle;
    hull.half_size = solid.half_size;
    return hull;
}

bool is_even(const Mat4& world) {
    const Vec3 lengths = linear_of(world).colwise().norm();
    const Mat3 unit = linear_of(world) / lengths.x();
    return lengths.x() > 0 && (unit.transpose() * unit - Mat3::Identity()).cwiseAbs().maxCoeff() < 1e-4;
}

std::string free_name(const std::set<std::string>& taken, const std::string& wanted) {
    std::string name = wanted;
    for (int i = 2; taken.contains(name); ++i) {
        name = fmt::format("{}_{}", wanted, i);
    }
    return name;
}

Result<StepResult> apply_make_hulls(const StepContext& context, const HullSettings& settings) {
    const Chosen chosen(context.scene, settings);
    const std::vector<HullGroup> groups = settings.from == From::surfaces ? groups_of_surfaces(chosen)
                                          : settings.from == From::slots  ? groups_of_slots(chosen)
                                                                          : groups_of_joints(chosen);
    StepResult result{context.scene, {}, {}};
    std::set<std::string> taken;
    for (const Node& node : context.scene.nodes) {
        taken.insert(node.name);
    }
    const std::vector<Mat4> world = rest_world(context.scene);
    const auto first = static_cast<int>(context.scene.nodes.size());
    size_t flat = 0;
    std::vector<std::string> uneven;
    for (const HullGroup& group : groups) {
        const Mat4 above = group.belongs_to < 0 ? Mat4(Mat4::Identity()) : world[static_cast<size_t>(group.belongs_to)];
        if (settings.shape != Shape::convex && !is_even(above)) {
            uneven.push_back(context.scene.nodes[static_cast<size_t>(group.belongs_to)].name);
            continue;
        }
        if (context.stop && context.stop()) {
            return Problem{"was stopped.", "", ""};
        }
        const std::vector<std::vector<Vec3>> parts =
            settings.pieces > 1
                ? split_by_concavity(group.points, group.triangles, static_cast<size_t>(settings.pieces))
                : std::vector<std::vector<Vec3>>{group.points};
        for (size_t part = 0; part < parts.size(); ++part) {
            std::optional<Hull> hull = hull_of(parts[part], settings);
            if (!hull) {
                ++flat;
                continue;
            }
            transform_geometry(*hull, above.inverse());
            Node node;
            node.name = free_name(taken, parts.size() == 1 ? group.name + "_hull"
                                                           : fmt::format("{}_hull_{}", group.name, part + 1));
            taken.insert(node.name);
            hull->name = node.name;
            node.kind = NodeKind::hull;
            node.parent = group.belongs_to;
            node.scenes = group.belongs_to < 0 ? 1 : context.scene.nodes[static_cast<size_t>(group.belongs_to)].scenes;
            node.identity = -1 - static_cast<int64_t>(std::hash<std::string>()(node.name) >> 1U);
            node.hull = static_cast<int>(result.scene.hulls.size());
            result.scene.hulls.push_back(std::move(*hull));
            result.scene.nodes.push_back(std::move(node));
        }
    }
    double out = 0;
    double volume = 0;
    double added = 0;
    bool known = true;
    size_t made = 0;
    for (const HullFacts& facts : hull_facts(result.scene)) {
        if (facts.node >= first) {
            ++made;
            out = std::max(out, facts.stands_out_m);
            volume += facts.volume_m3;
            known = known && facts.added_m3.has_value();
            added += facts.added_m3.value_or(0);
        }
    }
    result.account = made == 0
                         ? Text("nothing to make a hull of")
                         : phrase("{} of {:.4g} l together{}, standing out {:.3g} mm at most", counted(made, "hull"),
                                  volume * 1000, known ? phrase(", {:.3g} l of it air", added * 1000) : "", out * 1000);
    if (flat > 0) {
        result.could_not.push_back(
            phrase("{} in one plane, or with fewer than four corners, have no hull", counted(flat, "part")));
    }
    for (const std::string& name : uneven) {
        result.could_not.push_back(
            phrase("{} has a scale that differs from axis to axis: only a convex hull keeps its shape under it", name));
    }
    return result;
}

} // namespace

StepKind make_hulls_step() {
    return make_step<HullSettings>(
        {"make_hulls", "Make collision hulls",
         "The game meets simple solids, not the surface: they are made here, fit it, and go out with it.",
         StepSubject::surface},
        {choice<&HullSettings::from>("from", "One hull for", {"surfaces", "slots", "joints"},
                                     "Each surface, each material slot, or what each joint holds (a ragdoll's set)"),
         choice<&HullSettings::shape>("shape", "As", {"convex", "box", "sphere", "capsule", "cylinder"},
                                      "Which kind of solid; the smallest that is found"),
         list<&HullSettings::surfaces>("surfaces", "Surfaces", "Which surfaces; empty: all").naming(NameOf::surface),
         list<&HullSettings::slots>("slots", "Slots", "Which materials, of slots; empty: all").naming(NameOf::material),
         list<&HullSettings::joints>("joints", "Joints", "Which joints; empty: all that hold enough")
             .naming(NameOf::joint),
         number<&HullSettings::above_weight>("above_weight", "Held by at least",
                                             "The weight from which a vertex counts as a joint's")
             .between(0.01, 1),
         number<&HullSettings::max_vertices>("max_vertices", "Corners at most", "Of a convex hull").between(8, 255),
         number<&HullSettings::pieces>("pieces", "Pieces at most",
                                       "A hollow or branching thing gets several hulls that follow it more closely")
             .between(1, 64)},
        apply_make_hulls);
}

} // namespace wembrix
