// Says where on a surface strands may grow.
#include "core/base/counted.h"
#include "core/base/text.h"
#include "core/steps/step_kind.h"
#include "core/steps/strands/density_brush.h"
#include "core/steps/strands/strand_sets.h"
#include "core/steps/surface/vertex_ranges.h"

#include <algorithm>

namespace wembrix {

namespace {

struct RegionSettings {
    std::string name = "strands";
    std::string surface;
    std::string material;
    std::vector<std::string> vertices;
    std::string density;
    std::string painted;
};

/// A place for strands of that name: the node that is there, or a new one at the top.
int strands_to_fill(Scene& scene, const std::string& name) {
    const int there = scene.find_node(name);
    if (there >= 0) {
        return scene.nodes[static_cast<size_t>(there)].curves >= 0 ? there : -1;
    }
    CurveSet curves;
    curves.name = name;
    Node node;
    node.name = name;
    node.kind = NodeKind::surface;
    node.curves = static_cast<int>(scene.curve_sets.size());
    scene.curve_sets.push_back(std::move(curves));
    scene.nodes.push_back(std::move(node));
    return static_cast<int>(scene.nodes.size()) - 1;
}

Result<StepResult> apply_strand_region(const StepContext& context, const RegionSettings& settings) {
    StepResult result{context.scene, {}, {}};
    Scene& scene = result.scene;
    const Result<int> surface = emitter_named(scene, settings.surface);
    if (!surface) {
        return surface.problem();
    }
    const Mesh& mesh = scene.meshes[static_cast<size_t>(scene.nodes[static_cast<size_t>(*surface)].mesh)];
    const std::vector<char> chosen = vertices_in_ranges(settings.vertices, mesh.point_count());
    const Attribute* density = nullptr;
    for (const Attribute& one : mesh.attributes) {
        density = one.name == settings.density ? &one : density;
    }
    if (!settings.density.empty() && density == nullptr) {
        return Problem{phrase("the surface has no values called \"{}\".", settings.density), "", ""};
    }
    std::vector<float> painted;
    if (!settings.painted.empty()) {
        const Result<const std::string*> bytes = step_array(context, settings.painted);
        if (!bytes) {
            return bytes.problem();
        }
        Result<std::vector<float>> read = density_from_bytes(**bytes);
        if (!read) {
            return read.problem();
        }
        painted = read.take();
        if (painted.size() != mesh.point_count()) {
            return Problem{phrase("the density was painted on {}, and “{}” has {} now.",
                                  counted(painted.size(), "vertex"), scene.nodes[static_cast<size_t>(*surface)].name,
                                  mesh.point_count()),
                           "", "Paint it again, or choose faces."};
        }
    }
    std::vector<float> region;
    size_t faces = 0;
    bool has_material = settings.material.empty();
    for (const Primitive& part : mesh.primitives) {
        const bool fits =
            settings.material.empty() ||
            (part.material >= 0 && scene.materials[static_cast<size_t>(part.material)].name == settings.material);
        has_material = has_material || fits;
        for (const std::array<uint32_t, 3>& triangle : triangles_of(mesh, part)) {
            const bool is_in =
                fits && (settings.vertices.empty() ||
                         (chosen[triangle[0]] != 0 && chosen[triangle[1]] != 0 && chosen[triangle[2]] != 0));
            float value = is_in ? 1 : 0;
            if (is_in && density != nullptr) {
                value = 0;
                for (const uint32_t v : triangle) {
                    value += std::clamp(density->data[v * static_cast<size_t>(density->width)], 0.F, 1.F) / 3;
                }
            }
            if (!painted.empty()) {
                value *= (painted[triangle[0]] + painted[triangle[1]] + painted[triangle[2]]) / 3;
            }
            region.push_back(value);
            faces += value > 0 ? 1 : 0;
        }
    }
    if (!has_material) {
        return Problem{phrase("no part of the surface has the material \"{}\".", settings.material), "", ""};
    }
    const int node = strands_to_fill(scene, settings.name);
    if (node < 0) {
        return Problem{phrase("\"{}\" is there already, and carries no strands.", settings.name), "",
                       "Give the strands another name."};
    }
    CurveSet& curves = scene.curve_sets[static_cast<size_t>(scene.nodes[static_cast<size_t>(node)].curves)];
    curves.surface = *surface;
    curves.region = std::move(region);
    const StrandSurface rest(scene, *surface);
    double area = 0;
    for (uint32_t t = 0; t < rest.triangles().size(); ++t) {
        area += rest.area_of(t) * static_cast<double>(curves.region[t]) * 1e4;
    }
    if (faces == 0) {
        result.could_not.push_back("no face has all its corners among these: nothing can grow");
    }
    result.account =
        phrase("{} of “{}”, {:.1f} cm²", counted(faces, "face"), scene.nodes[static_cast<size_t>(*surface)].name, area);
    return result;
}

} // namespace

StepKind strand_region_step() {
    return make_step<RegionSettings>(
        {"strand_region", "Region for strands",
         "Hair and feathers grow on a part of the surface: which faces, and how densely.", StepSubject::strands},
        {text<&RegionSettings::name>("name", "Strands", "What the strands are called").needed(),
         text<&RegionSettings::surface>("surface", "Surface", "That they grow on; empty: the only one")
             .naming(NameOf::surface),
         text<&RegionSettings::material>("material", "Material", "Only faces of this slot; empty: of any"),
         list<&RegionSettings::vertices>("vertices", "Vertices",
                                         "Only faces that have all their corners among these; choose them in the view")
             .typed_as("numbers and ranges, one per line: 12, 20-31")
             .checked(check_vertex_ranges),
         text<&RegionSettings::density>("density", "Density from",
                                        "Values of the surface that say how densely, 0 to 1: the first of COLOR_0, or "
                                        "one's own; empty: evenly"),
         text<&RegionSettings::painted>("painted", "Painted density", "As densely as it was painted by hand")
             .naming_data()},
        apply_strand_region);
}

} // namespace wembrix
