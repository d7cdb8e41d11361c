#include "core/keys/key_layer.h"

#include "core/base/text.h"
#include "core/math/angles.h"
#include "core/math/axis_turns.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <fmt/format.h>
#include <optional>
#include <set>

namespace wembrix {

using nlohmann::json;

namespace {

/// Named from the outermost in.
constexpr RotationOrder x_then_y_then_z = {2, 1, 0};
constexpr size_t most_keys = 100000;
constexpr size_t most_curves = 20000;
const std::array<std::string_view, 5> tangent_names = {"smooth", "flat", "straight", "stepped", "free"};
const std::array<std::string_view, 3> beyond_names = {"held", "repeated", "repeated_on"};

std::optional<std::pair<Path, int>> kind_from(const std::string& text) {
    if (text == "weight") {
        return std::pair(Path::weights, 0);
    }
    constexpr std::array<std::pair<Path, const char*>, 3> kinds = {
        {{Path::translation, "translation_?_mm"}, {Path::rotation, "rotation_?_deg"}, {Path::scale, "scale_?"}}};
    for (const auto& [path, pattern] : kinds) {
        for (int axis = 0; axis < 3; ++axis) {
            std::string name = pattern;
            name[name.find('?')] = static_cast<char>('x' + axis);
            if (name == text) {
                return std::pair(path, axis);
            }
        }
    }
    return std::nullopt;
}

template <size_t N> int place_in(const std::array<std::string_view, N>& names, const json& value) {
    const auto found =
        value.is_string() ? std::find(names.begin(), names.end(), value.get_ref<const std::string&>()) : names.end();
    return found == names.end() ? -1 : static_cast<int>(found - names.begin());
}

bool number_in(const json& object, const char* key, double& to) {
    const auto found = object.find(key);
    if (found == object.end()) {
        return true;
    }
    if (!found->is_number() || !std::isfinite(found->get<double>()) || std::abs(found->get<double>()) > 1e12) {
        return false;
    }
    to = found->get<double>();
    return true;
}

std::optional<std::string> read_key(const json& row, CurveKey& key) {
    if (!row.is_object() || !row.contains("frame") || !row.contains("value")) {
        return "a key needs \"frame\" and \"value\".";
    }
    if (!number_in(row, "frame", key.frame) || !number_in(row, "value", key.value) ||
        !number_in(row, "in", key.in_slope) || !number_in(row, "out", key.out_slope) ||
        !number_in(row, "in_weight", key.in_weight) || !number_in(row, "out_weight", key.out_weight)) {
        return "a key's numbers are no numbers.";
    }
    if (key.in_weight < 0 || key.in_weight > 1 || key.out_weight < 0 || key.out_weight > 1) {
        return "a tangent's weight is not between 0 and 1.";
    }
    const int tangent = row.contains("tangent") ? place_in(tangent_names, row["tangent"]) : 0;
    if (tangent < 0) {
        return phrase("\"tangent\" is none of {}.", fmt::join(tangent_names, ", "));
    }
    key.tangent = static_cast<Tangent>(tangent);
    return std::nullopt;
}

} // namespace

Quat keyed_rotation(const Vec3& degrees) {
    const Vec3 radians = degrees / degrees_per_radian;
    return turn_of({radians.z(), radians.y(), radians.x()}, x_then_y_then_z);
}

Vec3 keyed_degrees(const Quat& rotation, const Vec3& before) {
    const Vec3 near = before / degrees_per_radian;
    const Vec3 angles = angles_of(rotation, x_then_y_then_z, {near.z(), near.y(), near.x()}) * degrees_per_radian;
    return {angles.z(), angles.y(), angles.x()};
}

double LayerFade::weight_at(double frame, int frames) const {
    const auto eased = [](double t) {
        t = std::clamp(t, 0.0, 1.0);
        return t * t * (3 - 2 * t);
    };
    const double first = start.value_or(0);
    const double last = end.value_or(frames - 1);
    if (frame < first || frame > last) {
        return 0;
    }
    const double in = fade_in > 0 ? eased((frame - first) / fade_in) : 1;
    const double out = fade_out > 0 ? eased((last - frame) / fade_out) : 1;
    return weight * in * out;
}

bool LayerFade::is_whole() const {
    return weight == 1 && fade_in == 0 && fade_out == 0 && !start && !end;
}

LayerFade layer_fade(const nlohmann::json& parameters) {
    LayerFade fade;
    const auto number = [&](const char* key) {
        const auto found = parameters.find(key);
        return found != parameters.end() && found->is_number() ? std::optional<double>(found->get<double>())
                                                               : std::nullopt;
    };
    fade.weight = number("weight").value_or(1);
    fade.start = number("start");
    fade.end = number("end");
    fade.fade_in = static_cast<int>(number("fade_in").value_or(0));
    fade.fade_out = static_cast<int>(number("fade_out").value_or(0));
    return fade;
}

std::string curve_kind(const KeyedCurve& curve) {
    const char axis = static_cast<char>('x' + curve.axis);
    switch (curve.path) {
    case Path::translation:
        return fmt::format("translation_{}_mm", axis);
    case Path::rotation:
        return fmt::format("rotation_{}_deg", axis);
    case Path::scale:
        return fmt::format("scale_{}", axis);
    case Path::weights:
        break;
    }
    return "weight";
}

Result<KeyLayer> key_layer_from_json(const json& given, const std::string& where) {
    const auto curves = given.is_object() ? given.find("curves") : given.end();
    if (!given.is_object() || curves == given.end() || !curves->is_array() || curves->size() > most_curves) {
        return Problem{"has no list of \"curves\".", where, ""};
    }
    KeyLayer layer;
    std::set<std::pair<std::string, std::string>> seen;
    size_t keys = 0;
    for (size_t i = 0; i < curves->size(); ++i) {
        const json& row = (*curves)[i];
        const std::string at = fmt::format("{}, curve {}", where, i + 1);
        if (!row.is_object() || !row.value("of", json()).is_string() || !row.value("what", json()).is_string() ||
            !row.value("keys", json()).is_array()) {
            return Problem{"needs \"of\", \"what\" and a list of \"keys\".", at, ""};
        }
        KeyedCurve curve;
        curve.of = row["of"].get<std::string>();
        const std::string what = row["what"].get<std::string>();
        const auto kind = kind_from(what);
        if (!kind) {
            return Problem{"\"what\" is none of translation_x_mm, rotation_x_deg, scale_x (and y, z) and weight.", at,
                           ""};
        }
        curve.path = kind->first;
        curve.axis = kind->second;
        if (!seen.insert({curve.of, what}).second) {
            return Problem{phrase("“{}” has two curves of {}.", curve.of, what), at, ""};
        }
        const int before = row.contains("before") ? place_in(beyond_names, row["before"]) : 0;
        const int after = row.contains("after") ? place_in(beyond_names, row["after"]) : 0;
        if (before < 0 || after < 0) {
            return Problem{"what stands before and after is held, repeated or repeated_on.", at, ""};
        }
        curve.curve.before = static_cast<Beyond>(before);
        curve.curve.after = static_cast<Beyond>(after);
        keys += row["keys"].size();
        if (keys > most_keys) {
            return Problem{phrase("has more than {} keys.", most_keys), where, ""};
        }
        for (const json& one : row["keys"]) {
            CurveKey key;
            if (const std::optional<std::string> wrong = read_key(one, key)) {
                return Problem{*wrong, at, ""};
            }
            if (!curve.curve.keys.empty() && key.frame <= curve.curve.keys.back().frame) {
                return Problem{"its keys' frames do not ascend.", at, ""};
            }
            curve.curve.keys.push_back(key);
        }
        layer.push_back(std::move(curve));
    }
    return layer;
}

json key_layer_to_json(const KeyLayer& layer) {
    json curves = json::array();
    for (const KeyedCurve& one : layer) {
        json keys = json::array();
        for (const CurveKey& key : one.curve.keys) {
            json row = {{"frame", key.frame}, {"value", key.value}};
            if (key.tangent != Tangent::smooth) {
                row["tangent"] = tangent_names.at(static_cast<size_t>(key.tangent));
            }
            if (key.tangent == Tangent::free) {
                row["in"] = key.in_slope;
                row["out"] = key.out_slope;
                if (key.in_weight != 1.0 / 3 || key.out_weight != 1.0 / 3) {
                    row["in_weight"] = key.in_weight;
                    row["out_weight"] = key.out_weight;
                }
            }
            keys.push_back(std::move(row));
        }
        json row = {{"of", one.of}, {"what", curve_kind(one)}, {"keys", std::move(keys)}};
        if (one.curve.before != Beyond::held) {
            row["before"] = beyond_names.at(static_cast<size_t>(one.curve.before));
        }
        if (one.curve.after != Beyond::held) {
            row["after"] = beyond_names.at(static_cast<size_t>(one.curve.after));
        }
        curves.push_back(std::move(row));
    }
    return {{"curves", std::move(curves)}};
}

} // namespace wembrix
