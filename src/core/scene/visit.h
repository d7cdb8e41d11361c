// The one way over all kinds of geometry and all references of a scene. What transforms, renumbers, hashes, counts or
// prunes goes through here; a new kind of geometry is added to these functions and nowhere else.
#pragma once

#include "core/scene/picture_references.h"
#include "core/scene/scene.h"

namespace wembrix {

/// Calls `visit` with every geometry of the scene, kind after kind: Mesh, CurveSet, PointCache, Hull.
template <typename S, typename Visit> void for_each_geometry(S& scene, const Visit& visit) {
    for (auto& mesh : scene.meshes) {
        visit(mesh);
    }
    for (auto& curves : scene.curve_sets) {
        visit(curves);
    }
    for (auto& cache : scene.caches) {
        visit(cache);
    }
    for (auto& hull : scene.hulls) {
        visit(hull);
    }
}

/// Calls `visit` with every geometry that one node carries; what several nodes share comes with each of them.
template <typename S, typename Visit> void for_geometry_of(S& scene, int node, const Visit& visit) {
    const Node& carrier = scene.nodes[static_cast<size_t>(node)];
    if (carrier.mesh >= 0) {
        visit(scene.meshes[static_cast<size_t>(carrier.mesh)]);
    }
    if (carrier.curves >= 0) {
        visit(scene.curve_sets[static_cast<size_t>(carrier.curves)]);
    }
    for (auto& cache : scene.caches) {
        if (cache.surface == node) {
            visit(cache);
        }
    }
    if (carrier.hull >= 0) {
        visit(scene.hulls[static_cast<size_t>(carrier.hull)]);
    }
}

/// Calls `each` with every number that stands for a node, but for the nodes' own parents; -1 stands for none.
template <typename S, typename Each> void for_node_references(S& scene, const Each& each) {
    for (auto& skin : scene.skins) {
        for (auto& joint : skin.joints) {
            each(joint);
        }
    }
    for (auto& curves : scene.curve_sets) {
        each(curves.surface);
    }
    for (auto& cache : scene.caches) {
        each(cache.surface);
    }
    for (auto& order : scene.orders) {
        each(order.node);
    }
    for (auto& clip : scene.clips) {
        for (auto& channel : clip.channels) {
            each(channel.node);
        }
    }
}

/// Calls `each` with every number that stands for a material; -1 stands for none.
template <typename S, typename Each> void for_material_references(S& scene, const Each& each) {
    for (auto& mesh : scene.meshes) {
        for (auto& primitive : mesh.primitives) {
            for_material_references(primitive, EachReference(each));
        }
    }
    for (auto& curves : scene.curve_sets) {
        each(curves.material);
    }
}

/// Calls `visit` with everything that a source said beyond what core reads, wherever it stands.
template <typename S, typename Visit> void for_each_carried(S& scene, const Visit& visit) {
    visit(scene.carried);
    visit(scene.asset);
    for (auto& node : scene.nodes) {
        visit(node.carried);
    }
    for_each_geometry(scene, [&](auto& geometry) { visit(geometry.carried); });
    for (auto& mesh : scene.meshes) {
        for (auto& primitive : mesh.primitives) {
            visit(primitive.carried);
        }
    }
    for (auto& clip : scene.clips) {
        visit(clip.carried);
        for (auto& channel : clip.channels) {
            visit(channel.carried);
        }
    }
    for (auto& material : scene.materials) {
        visit(material.carried);
        visit(material.carried_surface);
        for (auto* use : {&material.base_colour_texture, &material.metalness_roughness_texture,
                          &material.normal_texture, &material.occlusion_texture, &material.emission_texture}) {
            visit(use->carried);
        }
    }
    const auto each = [&](auto& list) {
        for (auto& one : list) {
            visit(one.carried);
        }
    };
    each(scene.scenes);
    each(scene.skins);
    each(scene.textures);
    each(scene.images);
    each(scene.samplers);
    each(scene.cameras);
    each(scene.lights);
}

/// How much of each kind there is, of what nodes place.
struct SceneCounts {
    size_t nodes = 0;
    size_t surfaces = 0;
    size_t vertices = 0;
    size_t triangles = 0;
    size_t morph_targets = 0;
    size_t curve_sets = 0;
    size_t curves = 0;
    size_t caches = 0;
    size_t cached_frames = 0;
    size_t hulls = 0;
    size_t skins = 0;
    size_t clips = 0;
    size_t materials = 0;
    size_t images = 0;
    size_t cameras = 0;
    size_t lights = 0;
};
SceneCounts counts_of(const Scene& scene);

} // namespace wembrix
