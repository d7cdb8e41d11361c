// Makes a shape part of the surface itself.
#include "core/base/counted.h"
#include "core/base/text.h"
#include "core/steps/names.h"
#include "core/steps/step_kind.h"
#include "core/steps/surface/shape_list.h"

#include <algorithm>

namespace wembrix {

namespace {

struct BakeShapeSettings {
    std::vector<std::string> shapes;
    double weight = 1;
    std::vector<std::string> surfaces;
};

void add_to_base(Mesh& mesh, const MorphTarget& shape, float weight) {
    std::vector<Vec3f>& positions = mesh.positions.edit();
    for (size_t k = 0; k < shape.points.size(); ++k) {
        positions[shape.points[k]] += weight * shape.positions[k];
    }
    for (size_t k = 0; k < shape.normals.size() && !mesh.normals.empty(); ++k) {
        Vec3f& normal = mesh.normals.edit()[shape.points[k]];
        const Vec3f now = normal + weight * shape.normals[k];
        normal = now.squaredNorm() > 1e-12F ? Vec3f(now.normalized()) : normal;
    }
    for (size_t k = 0; k < shape.tangents.size() && !mesh.tangents.empty(); ++k) {
        Vec4f& tangent = mesh.tangents.edit()[shape.points[k]];
        const Vec3f now = tangent.head<3>() + weight * shape.tangents[k];
        if (now.squaredNorm() > 1e-12F) {
            tangent.head<3>() = now.normalized();
        }
    }
    for (const Attribute& difference : shape.attributes) {
        for (Attribute& own : mesh.attributes) {
            const auto width = static_cast<size_t>(own.width);
            for (size_t k = 0; own.name == difference.name && k < shape.points.size(); ++k) {
                for (size_t c = 0; c < width; ++c) {
                    own.data.edit()[shape.points[k] * width + c] += weight * difference.data[k * width + c];
                }
            }
        }
    }
}

/// A clip keys the shape at some other weight than the one that is baked in.
bool is_keyed_otherwise(const Scene& scene, size_t mesh, size_t shape, double weight) {
    for (const Clip& clip : scene.clips) {
        for (const Channel& channel : clip.channels) {
            const bool of_it = channel.path == Path::weights &&
                               scene.nodes[static_cast<size_t>(channel.node)].mesh == static_cast<int>(mesh);
            for (size_t i = shape; of_it && i < channel.values.size(); i += static_cast<size_t>(channel.width)) {
                if (channel.interpolation != Interpolation::cubic &&
                    std::abs(static_cast<double>(channel.values[i]) - weight) > 1e-6) {
                    return true;
                }
            }
        }
    }
    return false;
}

Result<StepResult> apply_bake_shape(const StepContext& context, const BakeShapeSettings& settings) {
    StepResult result;
    result.scene = context.scene;
    std::vector<std::string> baked;
    for (const ShapedMesh& one : shaped_meshes(context.scene, settings.surfaces)) {
        const std::vector<char> chosen = chosen_shapes(context.scene.meshes[one.mesh], settings.shapes);
        std::vector<ShapeRow> rows = shape_rows(context.scene.meshes[one.mesh]);
        std::vector<ShapeRow> kept;
        for (size_t s = 0; s < rows.size(); ++s) {
            if (chosen[s] == 0) {
                kept.push_back(std::move(rows[s]));
                continue;
            }
            baked.push_back(rows[s].shape.name);
            if (is_keyed_otherwise(context.scene, one.mesh, s, settings.weight)) {
                result.could_not.push_back(
                    phrase("“{}” has keys at other weights: clips that move it look otherwise", rows[s].shape.name));
            }
            add_to_base(result.scene.meshes[one.mesh], rows[s].shape, static_cast<float>(settings.weight));
        }
        if (kept.size() < rows.size()) {
            set_shapes(result.scene, one.mesh, std::move(kept));
        }
    }
    result.account = baked.empty()
                         ? Text("no shape fits")
                         : phrase("{} at weight {:g} became part of the surface", some_of(baked, 4), settings.weight);
    return result;
}

} // namespace

StepKind bake_shape_step() {
    return make_step<BakeShapeSettings>(
        {"bake_shape", "Bake a shape into the surface",
         "A correction that always holds costs an engine nothing once it is part of the surface.",
         StepSubject::surface},
        {list<&BakeShapeSettings::shapes>("shapes", "Shapes", "Which ones; they go, with their keys")
             .naming(NameOf::shape)
             .items(1),
         number<&BakeShapeSettings::weight>("weight", "Weight", "How far in it is baked")
             .between(-10, 10)
             .starting(1.0),
         list<&BakeShapeSettings::surfaces>("surfaces", "Surfaces", "Which surfaces; empty: all with shapes")
             .naming(NameOf::surface)},
        apply_bake_shape);
}

} // namespace wembrix
