// Cameras and lights. What COLLADA has no words for (a light's unit, range and inner cone, a camera that sees without
// end) stands in an extra of ours.
#include "core/base/text.h"
#include "core/formats/collada/read_parts.h"
#include "core/formats/collada/write_parts.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <cstring>
#include <nlohmann/json.hpp>
#include <numbers>
#include <optional>

namespace wembrix::collada {

namespace {

constexpr double degree = std::numbers::pi / 180;

/// The number an element says, if it is one.
std::optional<double> said_number(Element parent, const char* name) {
    const Element element = parent.child(name);
    const std::vector<double> numbers = element ? numbers_in(element.text().get()) : std::vector<double>();
    return numbers.empty() || !std::isfinite(numbers[0]) ? std::nullopt : std::optional(numbers[0]);
}

nlohmann::json own_words(Element element) {
    for (const Element extra : element.children("extra")) {
        for (const Element technique : extra.children("technique")) {
            if (std::strcmp(technique.attribute("profile").value(), "wembrix") == 0) {
                nlohmann::json said = nlohmann::json::parse(technique.child("more").text().get(), nullptr, false);
                return said.is_object() ? said : nlohmann::json::object();
            }
        }
    }
    return nlohmann::json::object();
}

/// A number of ours within bounds; `otherwise` where there is none.
double own_number(const nlohmann::json& own, const char* key, double otherwise, double least, double most) {
    const auto found = own.find(key);
    const double value = found != own.end() && found->is_number() ? found->get<double>() : otherwise;
    return value >= least && value <= most ? value : otherwise;
}

/// An angle of degrees as radians, to the last digit where we have written it: what degrees round is no change.
double exact_angle(const nlohmann::json& own, double degrees) {
    const double radians = degrees * degree;
    const double said = own_number(own, "radians", radians, 0, 2 * std::numbers::pi);
    return std::abs(said - radians) < 1e-9 ? said : radians;
}

std::string own_extras(const nlohmann::json& own) {
    const auto found = own.find("extras");
    return found == own.end() ? std::string() : found->dump();
}

Camera camera_in(Reading& reading, Element element) {
    Camera camera;
    camera.name = name_of(element);
    const nlohmann::json own = own_words(element);
    const Element common = element.child("optics").child("technique_common");
    const auto length = [&](Element of, const char* name) {
        const double value = said_number(of, name).value_or(0);
        return value > 0 && value < 1e12 ? value : 0;
    };
    Element lens = common.child("perspective");
    if (const Element flat = common.child("orthographic")) {
        lens = flat;
        camera.kind = Camera::Kind::orthographic;
        const double aspect = said_number(flat, "aspect_ratio").value_or(1);
        camera.half_width_m = length(flat, "xmag");
        camera.half_height_m = length(flat, "ymag");
        if (camera.half_width_m == 0) {
            camera.half_width_m = camera.half_height_m * (aspect > 0 ? aspect : 1);
        }
        if (camera.half_height_m == 0) {
            camera.half_height_m = camera.half_width_m / (aspect > 0 ? aspect : 1);
        }
        if (camera.half_width_m == 0) {
            camera.half_width_m = camera.half_height_m = 1;
            reading.note(camera.name, "is a camera that does not say how much it sees; 1 is taken.");
        }
    } else {
        const std::optional<double> across = said_number(lens, "xfov");
        const std::optional<double> up = said_number(lens, "yfov");
        double aspect = said_number(lens, "aspect_ratio").value_or(0);
        aspect = aspect > 1e-6 && aspect < 1e6 ? aspect : 0;
        const auto is_angle = [](std::optional<double> angle) { return angle && *angle > 0.001 && *angle < 179.999; };
        if (is_angle(up)) {
            camera.field_of_view = exact_angle(own, *up);
        } else if (is_angle(across)) {
            // Without an aspect the picture is taken for a square.
            const double half = std::tan(*across * degree / 2) / (aspect > 0 ? aspect : 1);
            camera.field_of_view = 2 * std::atan(half);
            if (aspect == 0) {
                reading.note(camera.name,
                             "is a camera that says how much it sees across and no aspect; a square picture "
                             "is taken.");
            }
        } else {
            camera.field_of_view = 45 * degree;
            reading.note(camera.name, "is a camera that does not say its field of view; 45° is taken.");
        }
        if (aspect == 0 && is_angle(up) && is_angle(across)) {
            aspect = std::tan(*across * degree / 2) / std::tan(*up * degree / 2);
        }
        camera.aspect = aspect;
    }
    camera.near_m = length(lens, "znear");
    camera.far_m = own.contains("endless") ? 0 : length(lens, "zfar");
    camera.carried.extras = own_extras(own);
    return camera;
}

/// Null for a light that there is none of here.
std::optional<Light> light_in(Reading& reading, Element element) {
    Light light;
    light.name = name_of(element);
    const nlohmann::json own = own_words(element);
    const Element common = element.child("technique_common");
    const Element kind = common.first_child();
    const std::string word = kind.name();
    if (word != "directional" && word != "point" && word != "spot") {
        reading.note(light.name, word == "ambient" ? "is light from all sides, which no scene here has; it is left out."
                                                   : "is a light of a kind that is not known; it is left out.");
        return std::nullopt;
    }
    light.kind = word == "directional" ? Light::Kind::directional
                 : word == "point"     ? Light::Kind::point
                                       : Light::Kind::spot;
    std::vector<double> colour = numbers_in(kind.child("color").text().get());
    colour.resize(3, 1);
    double most = 0;
    for (size_t k = 0; k < 3; ++k) {
        light.colour[k] = std::isfinite(colour[k]) ? std::clamp(colour[k], 0.0, 1e12) : 1;
        most = std::max(most, light.colour[k]);
    }
    if (own.contains("intensity")) {
        light.intensity = own_number(own, "intensity", 1, 0, 1e12);
    } else {
        // Above 1 the colour says how bright it is; of what, it does not say.
        light.intensity = most > 1 ? most : 1;
        for (double& part : light.colour) {
            part /= light.intensity;
        }
        reading.note_once(reading.name, "says no unit for the brightness of its lights; 1 is taken for 1 cd or 1 lx.");
        if (light.kind != Light::Kind::directional && (said_number(kind, "constant_attenuation").value_or(1) != 0 ||
                                                       said_number(kind, "linear_attenuation").value_or(0) != 0)) {
            reading.note(light.name, "says itself how its light falls off; here it does so by the square.");
        }
    }
    light.range_m = own_number(own, "range", 0, 0, 1e12);
    if (light.kind == Light::Kind::spot) {
        const double whole = said_number(kind, "falloff_angle").value_or(180);
        light.outer_angle = exact_angle(own, std::clamp(whole / 2, 0.001, 90.0));
        light.inner_angle = own_number(own, "inner", 0, 0, light.outer_angle);
    }
    light.carried.extras = own_extras(own);
    return light;
}

} // namespace

void read_optics(Reading& reading, int node, Element instance) {
    const bool is_camera = std::strcmp(instance.name(), "instance_camera") == 0;
    const char* const word = is_camera ? "camera" : "light";
    const std::string url = instance.attribute("url").value();
    const Element element = reading.document.by_reference(url, word);
    Node& at = reading.scene.nodes[static_cast<size_t>(node)];
    int& held = is_camera ? at.camera : at.light;
    if (!element) {
        reading.note_once(url.substr(0, 80), phrase("is no {} of this file.", word));
        return;
    }
    if (held >= 0) {
        reading.note(at.name, phrase("has several {}s; the first is read.", word));
        return;
    }
    const auto [place, is_new] = reading.optics.emplace(
        element.hash_value(), static_cast<int>(is_camera ? reading.scene.cameras.size() : reading.scene.lights.size()));
    if (is_new && is_camera) {
        reading.scene.cameras.push_back(camera_in(reading, element));
    } else if (is_new) {
        std::optional<Light> light = light_in(reading, element);
        if (!light) {
            place->second = -1;
        } else {
            reading.scene.lights.push_back(std::move(*light));
        }
    }
    held = place->second;
    if (held >= 0) {
        at.kind = is_camera ? NodeKind::camera : at.kind == NodeKind::camera ? at.kind : NodeKind::light;
    }
}

namespace {

void write_more(XmlText& xml, nlohmann::json more, const Carried& carried) {
    if (!carried.extras.empty()) {
        more["extras"] = nlohmann::json::parse(carried.extras, nullptr, false);
    }
    if (more.empty()) {
        return;
    }
    xml.open("extra");
    xml.open("technique", {{"profile", "wembrix"}});
    xml.words("more", more.dump());
    xml.close();
    xml.close();
}

void write_camera(Writing& writing, const Camera& camera, const std::string& id) {
    XmlText& xml = writing.xml;
    xml.open("camera", {{"id", id}, {"name", camera.name}});
    xml.open("optics");
    xml.open("technique_common");
    const auto number = [&](const char* name, double value) { xml.numbers(name, std::array{value}); };
    if (camera.kind == Camera::Kind::perspective) {
        xml.open("perspective");
        number("yfov", camera.field_of_view / degree);
        if (camera.aspect > 0) {
            number("aspect_ratio", camera.aspect);
        }
    } else {
        xml.open("orthographic");
        number("xmag", camera.half_width_m);
        number("ymag", camera.half_height_m);
    }
    number("znear", camera.near_m);
    number("zfar", camera.far_m > 0 ? camera.far_m : std::max(1.0, camera.near_m) * 1e6);
    xml.close();
    xml.close();
    xml.close();
    nlohmann::json more = nlohmann::json::object();
    if (camera.kind == Camera::Kind::perspective) {
        more["radians"] = camera.field_of_view;
    }
    if (!(camera.far_m > 0)) {
        more["endless"] = true;
    }
    write_more(xml, std::move(more), camera.carried);
    xml.close();
}

void write_light(Writing& writing, const Light& light, const std::string& id) {
    XmlText& xml = writing.xml;
    xml.open("light", {{"id", id}, {"name", light.name}});
    xml.open("technique_common");
    xml.open(light.kind == Light::Kind::directional ? "directional"
             : light.kind == Light::Kind::point     ? "point"
                                                    : "spot");
    xml.numbers("color", light.colour);
    if (light.kind != Light::Kind::directional) {
        xml.words("constant_attenuation", "0");
        xml.words("linear_attenuation", "0");
        xml.words("quadratic_attenuation", "1");
    }
    if (light.kind == Light::Kind::spot) {
        xml.numbers("falloff_angle", std::array{light.outer_angle * 2 / degree});
    }
    xml.close();
    xml.close();
    nlohmann::json more = {{"intensity", light.intensity}};
    if (light.range_m > 0) {
        more["range"] = light.range_m;
    }
    if (light.kind == Light::Kind::spot) {
        more["radians"] = light.outer_angle;
        if (light.inner_angle > 0) {
            more["inner"] = light.inner_angle;
        }
    }
    write_more(xml, std::move(more), light.carried);
    xml.close();
}

} // namespace

void write_optics(Writing& writing) {
    XmlText& xml = writing.xml;
    const Scene& scene = writing.scene;
    if (!scene.cameras.empty()) {
        xml.open("library_cameras");
        for (const Camera& camera : scene.cameras) {
            writing.camera_ids.push_back(own_id(writing, camera.name, "camera"));
            write_camera(writing, camera, writing.camera_ids.back());
        }
        xml.close();
    }
    if (!scene.lights.empty()) {
        xml.open("library_lights");
        for (const Light& light : scene.lights) {
            writing.light_ids.push_back(own_id(writing, light.name, "light"));
            write_light(writing, light, writing.light_ids.back());
        }
        xml.close();
    }
}

} // namespace wembrix::collada
