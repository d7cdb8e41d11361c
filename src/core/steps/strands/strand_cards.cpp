// Makes a surface of ribbons or tubes in place of strands, under the skin of what they grow on.
#include "core/base/counted.h"
#include "core/base/text.h"
#include "core/measure/strands/cards.h"
#include "core/steps/strands/stand_in.h"

namespace wembrix {

namespace {

struct CardSettings {
    enum class Shape : uint8_t { ribbon, tube };
    std::string strands, name;
    Shape shape = Shape::ribbon;
    int triangles = 2000;
    int segments = 6;
    int sides = 4;
    double width = 1;
    int columns = 1;
    StandInWeights weights = StandInWeights::root;
};

int both_sided_material(Scene& scene, int of_strands, const std::string& name) {
    Material material;
    if (of_strands >= 0) {
        material = scene.materials[static_cast<size_t>(of_strands)];
    } else {
        material.metalness = 0;
    }
    material.name = name;
    material.double_sided = true;
    scene.materials.push_back(std::move(material));
    return static_cast<int>(scene.materials.size()) - 1;
}

Mesh mesh_of(const StrandCards& cards, const std::string& name) {
    Mesh mesh;
    mesh.name = name;
    mesh.positions = cards.points;
    mesh.normals = cards.normals;
    mesh.attributes = {{"TEXCOORD_0", 2, cards.coordinates}};
    std::vector<uint32_t> indices;
    indices.reserve(cards.triangles.size() * 3);
    for (const std::array<uint32_t, 3>& triangle : cards.triangles) {
        indices.insert(indices.end(), triangle.begin(), triangle.end());
    }
    Primitive part;
    part.point_count = static_cast<uint32_t>(cards.points.size());
    part.index_count = static_cast<uint32_t>(indices.size());
    part.attributes = {"TEXCOORD_0"};
    mesh.indices = std::move(indices);
    mesh.primitives = {std::move(part)};
    return mesh;
}

Result<StepResult> apply_strand_cards(const StepContext& context, const CardSettings& settings) {
    StepResult result{context.scene, {}, {}};
    const Result<StandingStrands> standing = standing_strands(context.scene, settings.strands, settings.name, "_cards");
    if (!standing) {
        return standing.problem();
    }
    CardShape shape;
    shape.triangles = static_cast<size_t>(settings.triangles);
    shape.segments = settings.segments;
    shape.sides = settings.shape == CardSettings::Shape::tube ? settings.sides : 0;
    shape.width = settings.width;
    shape.columns = settings.columns;
    if (shape.triangles < shape.triangles_of_one()) {
        return Problem{
            phrase("one card has {} triangles, and {} are allowed.", shape.triangles_of_one(), shape.triangles), "",
            "Allow more, or take fewer segments."};
    }
    const Node& carrier = context.scene.nodes[static_cast<size_t>(standing->node)];
    const CurveSet& curves = context.scene.curve_sets[static_cast<size_t>(carrier.curves)];
    std::vector<Vec3> outwards;
    for (size_t r = 0; standing->rest && r < curves.roots.size(); ++r) {
        outwards.push_back(standing->rest->normal_of(curves.roots[r]));
    }
    const StrandCards cards = cards_of({curves.counts.get(), standing->places, curves.widths.get(), outwards}, shape);
    if (cards.strands.empty()) {
        return Problem{phrase("no strand of \"{}\" has two points.", carrier.name), "", ""};
    }
    std::vector<RowOfStrand> rows;
    for (const uint32_t strand : cards.strands) {
        for (size_t r = 0; r < cards.rows; ++r) {
            rows.push_back({strand, static_cast<uint32_t>(cards.row_points), r == 0});
        }
    }
    Mesh mesh = mesh_of(cards, standing->name);
    mesh.primitives[0].material = both_sided_material(result.scene, curves.material, standing->name);
    if (Outcome added = add_stand_in(result, *standing, std::move(mesh), rows, settings.weights); !added) {
        return added.problem();
    }
    if (cards.unlike > 0) {
        result.could_not.push_back(phrase("{} of one point are in no card", counted(cards.unlike, "strand")));
    }
    result.account =
        phrase("{} of {} for {}, which lie {:.2f} mm beside them in the mean, {:.1f} mm at most",
               counted(cards.strands.size(), "card"), counted(cards.triangles.size(), "triangle"),
               counted(curves.curve_count(), "strand"), cards.mean_apart_m * 1000, cards.most_apart_m * 1000);
    return result;
}

} // namespace

StepKind strand_cards_step() {
    return make_step<CardSettings>(
        {"strand_cards", "Cards from strands",
         "An engine that draws no strands takes ribbons or tubes: one for each group of strands that run alike.",
         StepSubject::strands},
        {text<&CardSettings::strands>("strands", "Strands", "Which; empty: the only ones"),
         text<&CardSettings::name>("name", "Name", "Of the new surface; empty: the strands' with _cards"),
         choice<&CardSettings::shape>("shape", "Shape", {"ribbon", "tube"}, "Flat, drawn from both sides; or round"),
         number<&CardSettings::triangles>("triangles", "Triangles at most", "Of all cards together")
             .between(2, 2000000),
         number<&CardSettings::segments>("segments", "Segments", "Of each card, from root to tip").between(1, 64),
         number<&CardSettings::sides>("sides", "Sides", "Of a tube").between(3, 32),
         number<&CardSettings::width>("width", "Width", "Times as wide as the strands of a card lie apart")
             .unit("×")
             .between(0.05, 20),
         number<&CardSettings::columns>("columns", "Columns of the texture",
                                        "Pictures of strands side by side; cards take them in turn")
             .between(1, 64),
         choice<&CardSettings::weights>("weights", "Weights", {"root", "along"},
                                        "The surface's where the card grows, for all of it; or those of the surface "
                                        "nearest along it")},
        apply_strand_cards);
}

} // namespace wembrix
