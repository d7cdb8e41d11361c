// Puts chosen faces into another material slot.
#include "core/base/counted.h"
#include "core/base/text.h"
#include "core/scene/vertex_list.h"
#include "core/steps/step_kind.h"
#include "core/steps/surface/vertex_ranges.h"

#include <algorithm>

namespace wembrix {

namespace {

struct MoveFacesSettings {
    std::string surface;
    std::vector<std::string> vertices;
    std::string material;
};

/// Vertices that indices name, each once, in order; and the indices into them.
NewVertices used_of(const std::vector<uint32_t>& indices) {
    NewVertices list;
    list.from = indices;
    std::sort(list.from.begin(), list.from.end());
    list.from.erase(std::unique(list.from.begin(), list.from.end()), list.from.end());
    for (const uint32_t index : indices) {
        list.indices.push_back(
            static_cast<uint32_t>(std::lower_bound(list.from.begin(), list.from.end(), index) - list.from.begin()));
    }
    return list;
}

int material_named(Scene& scene, const std::string& name) {
    for (size_t m = 0; m < scene.materials.size(); ++m) {
        if (scene.materials[m].name == name) {
            return static_cast<int>(m);
        }
    }
    Material material;
    material.name = name;
    material.metalness = 0;
    scene.materials.push_back(std::move(material));
    return static_cast<int>(scene.materials.size()) - 1;
}

Result<StepResult> apply_move_faces(const StepContext& context, const MoveFacesSettings& settings) {
    const int node = context.scene.find_node(settings.surface);
    if (node < 0 || context.scene.nodes[static_cast<size_t>(node)].mesh < 0) {
        return Problem{phrase("no surface is called \"{}\".", settings.surface), "", ""};
    }
    StepResult result{context.scene, {}, {}};
    const auto place = static_cast<size_t>(context.scene.nodes[static_cast<size_t>(node)].mesh);
    const Mesh& before = context.scene.meshes[place];
    const std::vector<char> chosen = vertices_in_ranges(settings.vertices, before.point_count());
    const int material = material_named(result.scene, settings.material);
    std::vector<Primitive> kept;
    std::vector<NewVertices> lists;
    struct Moved {
        Primitive like;
        std::vector<uint32_t> indices; ///< vertices of the mesh
    };
    std::vector<Moved> moved;
    size_t faces = 0;
    for (const Primitive& primitive : before.primitives) {
        if (primitive.topology < Topology::triangles || primitive.material == material) {
            kept.push_back(primitive);
            lists.push_back(vertices_of(before, primitive));
            continue;
        }
        std::vector<uint32_t> stay;
        Moved go{primitive, {}};
        for (const auto& triangle : triangles_of(before, primitive)) {
            const bool goes = chosen[triangle[0]] != 0 && chosen[triangle[1]] != 0 && chosen[triangle[2]] != 0;
            std::vector<uint32_t>& to = goes ? go.indices : stay;
            to.insert(to.end(), triangle.begin(), triangle.end());
        }
        if (go.indices.empty()) {
            kept.push_back(primitive);
            lists.push_back(vertices_of(before, primitive));
            continue;
        }
        faces += go.indices.size() / 3;
        if (!stay.empty()) {
            kept.push_back(primitive);
            kept.back().topology = Topology::triangles;
            lists.push_back(used_of(stay));
        }
        go.like.material = material;
        go.like.topology = Topology::triangles;
        moved.push_back(std::move(go));
    }
    if (faces == 0) {
        result.scene = context.scene;
        result.account = "no face has all its corners among these vertices";
        return result;
    }
    for (const Moved& go : moved) {
        const NewVertices own = used_of(go.indices);
        size_t into = 0;
        while (into < kept.size() && !fit_together(kept[into], go.like)) {
            ++into;
        }
        if (into == kept.size()) {
            kept.push_back(go.like);
            lists.push_back(own);
            continue;
        }
        const auto first = static_cast<uint32_t>(lists[into].from.size());
        lists[into].from.insert(lists[into].from.end(), own.from.begin(), own.from.end());
        for (const uint32_t index : own.indices) {
            lists[into].indices.push_back(first + index);
        }
    }
    result.scene.meshes[place].primitives = std::move(kept);
    set_vertices(result.scene, place, lists);
    result.account =
        phrase("{} of {} in the slot of {} now", counted(faces, "face"), settings.surface, settings.material);
    return result;
}

} // namespace

StepKind move_faces_step() {
    return make_step<MoveFacesSettings>(
        {"move_faces", "Move faces to a slot", "Parts that came in one material get the one that they are to have.",
         StepSubject::surface},
        {text<&MoveFacesSettings::surface>("surface", "Surface", "Whose faces").needed().naming(NameOf::surface),
         list<&MoveFacesSettings::vertices>("vertices", "Vertices",
                                            "Faces go that have all their corners among these; choose them in the view")
             .typed_as("numbers and ranges, one per line: 12, 20-31")
             .checked(check_vertex_ranges)
             .items(1),
         text<&MoveFacesSettings::material>("material", "To the material",
                                            "One that is there, or the name of a new plain one")
             .needed()},
        apply_move_faces);
}

} // namespace wembrix
