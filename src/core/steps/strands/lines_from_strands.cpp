// Makes a surface of lines in place of strands, under the skin of what they grow on.
#include "core/base/counted.h"
#include "core/base/text.h"
#include "core/steps/strands/stand_in.h"

namespace wembrix {

namespace {

struct LineSettings {
    std::string strands, name;
    StandInWeights weights = StandInWeights::root;
};

Result<StepResult> apply_lines_from_strands(const StepContext& context, const LineSettings& settings) {
    StepResult result{context.scene, {}, {}};
    const Result<StandingStrands> standing = standing_strands(context.scene, settings.strands, settings.name, "_lines");
    if (!standing) {
        return standing.problem();
    }
    const Node& carrier = context.scene.nodes[static_cast<size_t>(standing->node)];
    const CurveSet& curves = context.scene.curve_sets[static_cast<size_t>(carrier.curves)];
    Mesh mesh;
    mesh.name = standing->name;
    mesh.positions = standing->places;
    std::vector<RowOfStrand> rows;
    std::vector<uint32_t> indices;
    uint32_t first = 0;
    for (uint32_t s = 0; s < curves.counts.size(); ++s) {
        for (uint32_t p = 0; p < curves.counts[s]; ++p) {
            rows.push_back({s, 1, p == 0});
            if (p + 1 < curves.counts[s]) {
                indices.insert(indices.end(), {first + p, first + p + 1});
            }
        }
        first += curves.counts[s];
    }
    Primitive part;
    part.topology = Topology::lines;
    part.point_count = static_cast<uint32_t>(mesh.positions.size());
    part.index_count = static_cast<uint32_t>(indices.size());
    part.material = curves.material;
    part.has_normals = false;
    if (!curves.widths.empty()) {
        mesh.attributes = {{"_WIDTH", 1, curves.widths.get()}};
        part.attributes = {"_WIDTH"};
    }
    mesh.indices = std::move(indices);
    mesh.primitives = {std::move(part)};
    if (Outcome added = add_stand_in(result, *standing, std::move(mesh), rows, settings.weights); !added) {
        return added.problem();
    }
    result.account = phrase("{} as lines of {}, {} widths", counted(curves.curve_count(), "strand"),
                            counted(curves.points.size(), "point"), curves.widths.empty() ? "without" : "with");
    return result;
}

} // namespace

StepKind lines_from_strands_step() {
    return make_step<LineSettings>(
        {"lines_from_strands", "Lines from strands",
         "A container that knows no strands takes them as lines of a surface, each with its width as a value.",
         StepSubject::strands},
        {text<&LineSettings::strands>("strands", "Strands", "Which; empty: the only ones"),
         text<&LineSettings::name>("name", "Name", "Of the new surface; empty: the strands' with _lines"),
         choice<&LineSettings::weights>("weights", "Weights", {"root", "along"},
                                        "The surface's where the strand grows, for all of it; or those of the surface "
                                        "nearest along it")},
        apply_lines_from_strands);
}

} // namespace wembrix
