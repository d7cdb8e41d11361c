// Cameras, and lights as the extension KHR_lights_punctual has them.
#include "core/base/text.h"
#include "core/formats/gltf/typed_values.h"

namespace wembrix::gltf {

namespace {

Camera read_camera(const Json& json, const std::string& where, Scene& scene) {
    Camera camera;
    Taken taken(json, where);
    taken.text("name", camera.name);
    int kind = -1;
    if (!taken.choice("type", {"perspective", "orthographic"}, kind)) {
        refuse(where, "does not say what it is: it has no \"type\".");
    }
    camera.kind = static_cast<Camera::Kind>(kind);
    const Json values = taken.object(kind == 0 ? "perspective" : "orthographic");
    if (!values.is_null()) {
        Taken its(values, where);
        its.number("yfov", camera.field_of_view);
        its.number("aspectRatio", camera.aspect);
        its.number("xmag", camera.half_width_m);
        its.number("ymag", camera.half_height_m);
        its.number("znear", camera.near_m);
        its.number("zfar", camera.far_m);
    }
    camera.carried = taken.carried({}, scene);
    return camera;
}

Light read_light(const Json& json, const std::string& where, Scene& scene) {
    Light light;
    Taken taken(json, where);
    taken.text("name", light.name);
    int kind = -1;
    if (!taken.choice("type", {"directional", "point", "spot"}, kind)) {
        refuse(where, "does not say what it is: it has no \"type\".");
    }
    light.kind = static_cast<Light::Kind>(kind);
    taken.numbers("color", light.colour);
    taken.number("intensity", light.intensity);
    taken.number("range", light.range_m);
    if (const Json spot = taken.object("spot"); !spot.is_null()) {
        Taken its(spot, where);
        its.number("innerConeAngle", light.inner_angle);
        its.number("outerConeAngle", light.outer_angle);
    }
    light.carried = taken.carried({}, scene);
    return light;
}

} // namespace

void read_cameras(Document& document, Scene& scene) {
    const Json& cameras = array_of(document.root, "cameras", "cameras");
    for (size_t i = 0; i < cameras.size(); ++i) {
        scene.cameras.push_back(read_camera(cameras[i], phrase("camera {}", i), scene));
    }
    const auto extensions = document.root.find("extensions");
    if (extensions == document.root.end() || !extensions->is_object()) {
        return;
    }
    const auto lights = extensions->find(lights_extension);
    if (lights == extensions->end() || !lights->is_object()) {
        return;
    }
    const Json& list = array_of(*lights, "lights", lights_extension);
    for (size_t i = 0; i < list.size(); ++i) {
        scene.lights.push_back(read_light(list[i], phrase("light {}", i), scene));
    }
}

int light_of(const Json& node, const Scene& scene, const Where& where) {
    const auto extensions = node.find("extensions");
    if (extensions == node.end() || !extensions->is_object()) {
        return -1;
    }
    const auto own = extensions->find(lights_extension);
    return own == extensions->end() || !own->is_object()
               ? -1
               : static_cast<int>(index_of(*own, "light", static_cast<int64_t>(scene.lights.size()), where));
}

} // namespace wembrix::gltf
