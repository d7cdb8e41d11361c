// A small scene with one of everything that a scene can hold.
#pragma once

#include "small_scenes.h"

namespace wembrix::testing {

/// A tower with a probe of every kind of geometry, and a material, texture, image, sampler, camera and light in use.
inline Scene every_kind() {
    Scene scene = tower({"root", "arm"});
    const auto add = [&](const char* name, int parent) -> Node& {
        Node node;
        node.name = name;
        node.parent = parent;
        node.identity = 2000 + static_cast<int64_t>(scene.nodes.size());
        scene.nodes.push_back(node);
        return scene.nodes.back();
    };
    const int surface = scene.find_node("tower");
    CurveSet curves;
    curves.name = "plumes";
    curves.counts = std::vector<uint32_t>{2, 1};
    curves.points = std::vector<Vec3f>{{0, 1, 0}, {0, 2, 0}, {1, 1, 0}};
    curves.widths = std::vector<float>{0.1F, 0.05F, 0.2F};
    curves.per_curve = {{"_length", 1, std::vector<float>{1, 0}}};
    curves.surface = surface;
    curves.roots = std::vector<CurveRoot>{{0, 0.2F, 0.3F}, {1, 0.1F, 0.1F}};
    curves.material = 0;
    scene.curve_sets = {curves};
    add("crest", -1).curves = 0;
    PointCache cache;
    cache.name = "wind";
    cache.surface = surface;
    cache.frames = 2;
    const std::vector<Vec3f>& rest = scene.meshes[0].positions.get();
    std::vector<Vec3f> positions(rest);
    positions.insert(positions.end(), rest.begin(), rest.end());
    cache.normals = std::vector<Vec3f>(positions.size(), Vec3f::UnitZ());
    cache.positions = std::move(positions);
    scene.caches = {cache};
    Hull hull;
    hull.name = "box";
    hull.kind = Hull::Kind::box;
    hull.points = std::vector<Vec3f>{{0, 0, 0}, {1, 0, 0}, {0, 1, 0}};
    hull.indices = std::vector<uint32_t>{0, 1, 2};
    hull.half_size = Vec3(0.5, 1, 0.25);
    hull.frame = translating(Vec3(0, 1, 0));
    scene.hulls = {hull};
    add("solid", 1).hull = 0;
    Material material;
    material.name = "feather";
    material.base_colour_texture.texture = 0;
    scene.materials = {material};
    scene.textures = {{"", 0, 0, {}}};
    scene.samplers.resize(1);
    Image image;
    image.mime = "image/png";
    image.bytes = std::vector<uint8_t>{1, 2, 3};
    scene.images = {image};
    scene.meshes[0].primitives[0].material = 0;
    Camera camera;
    camera.name = "viewer";
    camera.field_of_view = 0.6;
    camera.near_m = 0.1;
    scene.cameras = {camera};
    Light light;
    light.name = "lamp";
    light.kind = Light::Kind::spot;
    light.intensity = 600;
    scene.lights = {light};
    scene.scenes = {{"market", {R"({"tide":"low"})", "", ""}}};
    add("eye", -1).camera = 0;
    add("shine", -1).light = 0;
    add_nod(scene, "nod", 1, 0.5, true);
    classify_nodes(scene);
    return scene;
}

} // namespace wembrix::testing
