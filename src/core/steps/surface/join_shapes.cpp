// Makes one shape of several: the sum of what they do.
#include "core/base/counted.h"
#include "core/base/text.h"
#include "core/steps/names.h"
#include "core/steps/step_kind.h"
#include "core/steps/surface/shape_list.h"

#include <algorithm>
#include <map>

namespace wembrix {

namespace {

struct JoinShapesSettings {
    std::vector<std::string> shapes;
    std::string name;
    std::vector<std::string> surfaces;
};

/// Differences of several shapes, vertex by vertex; normals and tangents where any has them.
MorphTarget sum_of(const std::vector<const MorphTarget*>& shapes, const std::string& name) {
    struct Moved {
        Vec3f position = Vec3f::Zero();
        Vec3f normal = Vec3f::Zero();
        Vec3f tangent = Vec3f::Zero();
    };
    std::map<uint32_t, Moved> all;
    MorphTarget sum;
    sum.name = name;
    for (const MorphTarget* shape : shapes) {
        sum.has_normals = sum.has_normals || shape->has_normals;
        sum.has_tangents = sum.has_tangents || shape->has_tangents;
        for (size_t k = 0; k < shape->points.size(); ++k) {
            Moved& moved = all[shape->points[k]];
            moved.position += shape->positions[k];
            moved.normal += shape->normals.empty() ? Vec3f(Vec3f::Zero()) : shape->normals[k];
            moved.tangent += shape->tangents.empty() ? Vec3f(Vec3f::Zero()) : shape->tangents[k];
        }
    }
    std::vector<uint32_t> points;
    std::vector<Vec3f> positions;
    std::vector<Vec3f> normals;
    std::vector<Vec3f> tangents;
    for (const auto& [point, moved] : all) {
        points.push_back(point);
        positions.push_back(moved.position);
        normals.push_back(moved.normal);
        tangents.push_back(moved.tangent);
    }
    sum.points = std::move(points);
    sum.positions = std::move(positions);
    if (sum.has_normals) {
        sum.normals = std::move(normals);
    }
    if (sum.has_tangents) {
        sum.tangents = std::move(tangents);
    }
    return sum;
}

/// Some clip does not move all of them alike.
bool are_keyed_apart(const Scene& scene, size_t mesh, const std::vector<size_t>& places) {
    for (const Clip& clip : scene.clips) {
        for (const Channel& channel : clip.channels) {
            const bool of_it = channel.path == Path::weights &&
                               scene.nodes[static_cast<size_t>(channel.node)].mesh == static_cast<int>(mesh);
            const auto width = static_cast<size_t>(channel.width);
            for (size_t i = 0; of_it && i + width <= channel.values.size(); i += width) {
                for (const size_t place : places) {
                    if (std::abs(channel.values[i + place] - channel.values[i + places[0]]) > 1e-6F) {
                        return true;
                    }
                }
            }
        }
    }
    return false;
}

Result<StepResult> apply_join_shapes(const StepContext& context, const JoinShapesSettings& settings) {
    StepResult result;
    result.scene = context.scene;
    size_t joined = 0;
    for (const ShapedMesh& one : shaped_meshes(context.scene, settings.surfaces)) {
        const Mesh& mesh = context.scene.meshes[one.mesh];
        const std::vector<char> chosen = chosen_shapes(mesh, settings.shapes);
        std::vector<const MorphTarget*> shapes;
        std::vector<size_t> places;
        for (size_t s = 0; s < chosen.size(); ++s) {
            if (chosen[s] != 0) {
                shapes.push_back(&mesh.shapes[s]);
                places.push_back(s);
            }
        }
        if (shapes.size() < 2) {
            continue;
        }
        std::vector<ShapeRow> rows;
        for (ShapeRow& row : shape_rows(mesh)) {
            const size_t place = row.weight[0].first;
            if (place == places[0]) {
                ShapeRow all{sum_of(shapes, settings.name), {}};
                for (const size_t each : places) {
                    all.weight.emplace_back(each, 1.0 / static_cast<double>(places.size()));
                }
                rows.push_back(std::move(all));
            } else if (chosen[place] == 0) {
                rows.push_back(std::move(row));
            }
        }
        const auto of_that_name = std::count_if(rows.begin(), rows.end(),
                                                [&](const ShapeRow& row) { return row.shape.name == settings.name; });
        if (of_that_name > 1) {
            return Problem{phrase("there is a shape “{}” already.", settings.name), "", "Give another name."};
        }
        if (are_keyed_apart(context.scene, one.mesh, places)) {
            result.could_not.push_back(
                phrase("clips move them apart: “{}” gets the mean of their weights", settings.name));
        }
        if (std::any_of(shapes.begin(), shapes.end(),
                        [](const MorphTarget* shape) { return !shape->attributes.empty(); })) {
            result.could_not.push_back("what they do to colours and coordinates stays out");
        }
        joined += shapes.size();
        set_shapes(result.scene, one.mesh, std::move(rows));
    }
    result.account = joined == 0 ? Text("fewer than two shapes fit")
                                 : phrase("{} became “{}”", counted(joined, "shape"), settings.name);
    return result;
}

} // namespace

StepKind join_shapes_step() {
    return make_step<JoinShapesSettings>(
        {"join_shapes", "Join shapes", "Shapes that always move together become one, and cost an engine once.",
         StepSubject::surface},
        {list<&JoinShapesSettings::shapes>("shapes", "Shapes", "Which ones").naming(NameOf::shape).items(1),
         text<&JoinShapesSettings::name>("name", "Name", "What the one is called").needed().not_empty(),
         list<&JoinShapesSettings::surfaces>("surfaces", "Surfaces", "Which surfaces; empty: all with shapes")
             .naming(NameOf::surface)},
        apply_join_shapes);
}

} // namespace wembrix
