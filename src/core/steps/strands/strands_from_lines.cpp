// Lines that a file has as a surface become strands.
#include "core/base/counted.h"
#include "core/base/text.h"
#include "core/measure/surface/rest_places.h"
#include "core/steps/step_kind.h"
#include "core/steps/strands/strand_sets.h"

#include <Eigen/LU>
#include <algorithm>

namespace wembrix {

namespace {

struct LinesSettings {
    std::string surface, name;
};

bool is_lines(const Primitive& primitive) {
    return primitive.topology == Topology::lines || primitive.topology == Topology::line_loop ||
           primitive.topology == Topology::line_strip;
}

bool has_lines(const Mesh& mesh) {
    return std::any_of(mesh.primitives.begin(), mesh.primitives.end(), is_lines);
}

/// The points of each line. Pieces that go on where the last one ended are one line.
std::vector<std::vector<uint32_t>> lines_in(const Mesh& mesh) {
    std::vector<std::vector<uint32_t>> lines;
    for (const Primitive& part : mesh.primitives) {
        if (!is_lines(part)) {
            continue;
        }
        const uint32_t* index = mesh.indices.data() + part.first_index;
        if (part.topology == Topology::lines) {
            bool begun = false;
            for (uint32_t i = 0; i + 1 < part.index_count; i += 2) {
                if (!begun || lines.back().back() != index[i]) {
                    lines.push_back({index[i]});
                    begun = true;
                }
                lines.back().push_back(index[i + 1]);
            }
        } else if (part.index_count > 0) {
            lines.emplace_back(index, index + part.index_count);
            if (part.topology == Topology::line_loop) {
                lines.back().push_back(index[0]);
            }
        }
    }
    return lines;
}

Result<int> lines_named(const Scene& scene, const std::string& name) {
    std::vector<int> found;
    for (const int node : surfaces_of(scene)) {
        if (has_lines(scene.meshes[static_cast<size_t>(scene.nodes[static_cast<size_t>(node)].mesh)]) &&
            (name.empty() || scene.nodes[static_cast<size_t>(node)].name == name)) {
            found.push_back(node);
        }
    }
    if (found.size() == 1) {
        return found.front();
    }
    return Problem{found.empty() ? name.empty() ? Text("no surface has lines.") : phrase("\"{}\" has no lines.", name)
                                 : phrase("{} have lines: say which.", counted(found.size(), "surface")),
                   "", ""};
}

Result<StepResult> apply_strands_from_lines(const StepContext& context, const LinesSettings& settings) {
    StepResult result{context.scene, {}, {}};
    Scene& scene = result.scene;
    const Result<int> found = lines_named(scene, settings.surface);
    if (!found) {
        return found.problem();
    }
    const int node = *found;
    const Node& before = scene.nodes[static_cast<size_t>(node)];
    const Mesh& mesh = scene.meshes[static_cast<size_t>(before.mesh)];
    const std::vector<Vec3f> places = rest_places(scene, node);
    const bool lines_alone = std::all_of(mesh.primitives.begin(), mesh.primitives.end(), is_lines);
    const std::string name = !settings.name.empty() ? settings.name
                             : lines_alone          ? before.name
                                                    : before.name + "_strands";
    const int there = scene.find_node(name);
    if (there >= 0 && !(lines_alone && there == node)) {
        return Problem{phrase("something is called \"{}\" already.", name), "", "Give the strands another name."};
    }
    const Attribute* widths = nullptr;
    for (const Attribute& one : mesh.attributes) {
        widths = one.name == "_WIDTH" && one.width == 1 ? &one : widths;
    }
    // In the space of the node that carries them: this one, or a new one beside it.
    const Mat4 world = rest_world(scene)[static_cast<size_t>(lines_alone ? node : std::max(0, before.parent))];
    const Mat4 back = lines_alone || before.parent >= 0 ? Mat4(world.inverse()) : Mat4(Mat4::Identity());
    CurveSet curves;
    curves.name = name;
    std::vector<uint32_t> counts;
    std::vector<Vec3f> points;
    std::vector<float> own_widths;
    for (const std::vector<uint32_t>& line : lines_in(mesh)) {
        counts.push_back(static_cast<uint32_t>(line.size()));
        for (const uint32_t p : line) {
            points.push_back(point_of(back, places[p].cast<double>()).cast<float>());
            if (widths != nullptr) {
                own_widths.push_back(widths->data[p]);
            }
        }
    }
    const size_t strands = counts.size();
    curves.counts = std::move(counts);
    curves.points = std::move(points);
    curves.widths = std::move(own_widths);
    for (const Primitive& part : mesh.primitives) {
        curves.material = is_lines(part) ? part.material : curves.material;
    }
    const auto set = static_cast<int>(scene.curve_sets.size());
    if (lines_alone) {
        Node& carrier = scene.nodes[static_cast<size_t>(node)];
        if (carrier.skin >= 0) {
            result.could_not.push_back("they were under a skin: root them and let them follow");
        }
        carrier.name = name;
        carrier.mesh = -1;
        carrier.skin = -1;
        carrier.influences = {};
        carrier.shape_weights.clear();
        carrier.curves = set;
        for (Clip& clip : scene.clips) {
            std::erase_if(clip.channels,
                          [&](const Channel& one) { return one.node == node && one.path == Path::weights; });
        }
    } else {
        Node carrier;
        carrier.name = name;
        carrier.parent = before.parent;
        carrier.kind = NodeKind::surface;
        carrier.scenes = before.scenes;
        carrier.curves = set;
        result.could_not.push_back(phrase("“{}” has faces as well, and keeps its lines beside them", before.name));
        scene.nodes.push_back(std::move(carrier));
    }
    scene.curve_sets.push_back(std::move(curves));
    result.account =
        phrase("{} from lines, {} widths", counted(strands, "strand"), widths == nullptr ? "without" : "with their");
    return result;
}

} // namespace

StepKind strands_from_lines_step() {
    return make_step<LinesSettings>(
        {"strands_from_lines", "Strands from lines",
         "A file that knows no strands has them as lines: they become strands, to be rooted, or to be guides.",
         StepSubject::strands},
        {text<&LinesSettings::surface>("surface", "Surface", "That has the lines; empty: the only one")
             .naming(NameOf::surface),
         text<&LinesSettings::name>("name", "Strands", "What they are called; empty: as the surface")},
        apply_strands_from_lines);
}

} // namespace wembrix
