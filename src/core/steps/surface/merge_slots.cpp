// Makes one material of those that have one name, and one slot of those that have one material.
#include "core/base/counted.h"
#include "core/base/text.h"
#include "core/scene/content.h"
#include "core/scene/vertex_list.h"
#include "core/steps/names.h"
#include "core/steps/surface/surface_scope.h"

#include <algorithm>
#include <map>
#include <set>

namespace wembrix {

namespace {

struct MergeSlotsSettings : SurfaceScope {};

/// Materials of one name become the first of them; those that look otherwise are named in `unlike`.
size_t merge_materials(Scene& scene, const std::vector<size_t>& meshes, std::vector<std::string>& unlike) {
    std::map<std::string, int> first;
    std::vector<int> to(scene.materials.size());
    for (size_t m = 0; m < scene.materials.size(); ++m) {
        const std::string& name = scene.materials[m].name;
        to[m] = name.empty() ? static_cast<int>(m) : first.try_emplace(name, static_cast<int>(m)).first->second;
    }
    std::set<int> merged;
    for (const size_t place : meshes) {
        for (Primitive& primitive : scene.meshes[place].primitives) {
            const int was = primitive.material;
            primitive.material = was < 0 ? -1 : to[static_cast<size_t>(was)];
            if (primitive.material != was && merged.insert(was).second &&
                !same_content(scene.materials[static_cast<size_t>(was)],
                              scene.materials[static_cast<size_t>(primitive.material)])) {
                unlike.push_back(scene.materials[static_cast<size_t>(was)].name);
            }
        }
    }
    return merged.size();
}

Result<StepResult> apply_merge_slots(const StepContext& context, const MergeSlotsSettings& settings) {
    StepResult result;
    result.scene = context.scene;
    const std::vector<size_t> meshes = meshes_in_scope(context.scene, settings);
    std::vector<std::string> unlike;
    const size_t materials = merge_materials(result.scene, meshes, unlike);
    size_t gone = 0;
    for (const size_t place : meshes) {
        Mesh& mesh = result.scene.meshes[place];
        std::vector<Primitive> kept;
        std::vector<NewVertices> lists;
        for (const Primitive& primitive : mesh.primitives) {
            NewVertices own = vertices_of(mesh, primitive);
            size_t into = 0;
            while (into < kept.size() && !fit_together(kept[into], primitive)) {
                ++into;
            }
            if (into == kept.size()) {
                kept.push_back(primitive);
                lists.push_back(std::move(own));
                continue;
            }
            const auto first = static_cast<uint32_t>(lists[into].from.size());
            lists[into].from.insert(lists[into].from.end(), own.from.begin(), own.from.end());
            for (const uint32_t index : own.indices) {
                lists[into].indices.push_back(first + index);
            }
            ++gone;
        }
        if (kept.size() < mesh.primitives.size()) {
            mesh.primitives = std::move(kept);
            set_vertices(result.scene, place, lists);
        }
    }
    result.account = materials + gone == 0 ? Text("every material and every slot is there once")
                                           : phrase("{} became another of its name, {} joined one of its material",
                                                    counted(materials, "material"), counted(gone, "slot"));
    if (!unlike.empty()) {
        result.could_not.push_back(
            phrase("{} looked otherwise than the first of that name, whose looks hold now", some_of(unlike)));
    }
    return result;
}

} // namespace

StepKind merge_slots_step() {
    return make_step<MergeSlotsSettings>(
        {"merge_slots", "Merge material slots",
         "Slots of one material cost an engine a draw each; materials of one name come from joining files.",
         StepSubject::surface},
        with_surface_scope({}), apply_merge_slots);
}

} // namespace wembrix
