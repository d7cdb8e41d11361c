#include "core/job/key_edits.h"

#include "core/job/card_edits.h"

#include <algorithm>
#include <cmath>
#include <set>

namespace wembrix {

namespace {

constexpr std::string_view keys_step = "hand_keys";
constexpr double same_frame = 1e-6;

bool is_of(const KeyedCurve& curve, const KeyedPath& what) {
    return curve.of == what.of && curve.path == what.path;
}

void put_layer(Job& job, size_t place, const KeyLayer& layer) {
    if (place < job.steps.size() && job.steps[place].id == keys_step) {
        job.steps[place].parameters["keys"] = key_layer_to_json(layer);
    }
}

std::vector<CurveKey>::iterator key_at(Curve& curve, double frame) {
    return std::find_if(curve.keys.begin(), curve.keys.end(),
                        [&](const CurveKey& key) { return std::abs(key.frame - frame) < same_frame; });
}

} // namespace

std::vector<size_t> key_layers(const Job& job, const std::string& clip) {
    std::vector<size_t> places;
    for (size_t i = 0; i < job.steps.size(); ++i) {
        const nlohmann::json& parameters = job.steps[i].parameters;
        if (job.steps[i].id == keys_step &&
            (parameters.value("clip", "") == clip || parameters.value("new_clip", "") == clip)) {
            places.push_back(i);
        }
    }
    return places;
}

KeyLayer layer_at(const Job& job, size_t place) {
    if (place >= job.steps.size() || job.steps[place].id != keys_step) {
        return {};
    }
    Result<KeyLayer> layer = key_layer_from_json(job.steps[place].parameters.value("keys", nlohmann::json()), "");
    return layer ? layer.take() : KeyLayer();
}

void set_layer(Job& job, size_t place, KeyLayer layer) {
    std::erase_if(layer, [](const KeyedCurve& curve) { return curve.curve.keys.empty(); });
    put_layer(job, place, layer);
}

size_t add_key_layer(Job& job, const std::string& clip, const std::string& name, bool instead) {
    return add_step_at_its_place(
        job,
        {std::string(keys_step),
         {{"clip", clip}, {"layer", name}, {"mode", instead ? "instead" : "on_top"}, {"keys", key_layer_to_json({})}}});
}

size_t add_keyed_clip(Job& job, const std::string& name, int frames, double rate, bool loop) {
    return add_step_at_its_place(job, {std::string(keys_step),
                                       {{"new_clip", name},
                                        {"mode", "instead"},
                                        {"frames", frames},
                                        {"rate", rate},
                                        {"loop", loop},
                                        {"keys", key_layer_to_json({})}}});
}

Vec3 keyed_value(const KeyLayer& layer, const KeyedPath& what, double frame) {
    const double nothing = what.path == Path::scale ? 1 : 0;
    Vec3 value = Vec3::Constant(nothing);
    for (const KeyedCurve& curve : layer) {
        if (is_of(curve, what)) {
            value[curve.axis] = value_at(curve.curve, frame, nothing);
        }
    }
    return value;
}

std::vector<double> keyed_frames(const KeyLayer& layer, const KeyedPath& what) {
    std::set<double> frames;
    for (const KeyedCurve& curve : layer) {
        for (const CurveKey& key : curve.curve.keys) {
            if (is_of(curve, what)) {
                frames.insert(key.frame);
            }
        }
    }
    return {frames.begin(), frames.end()};
}

void set_keys(Job& job, size_t place, const KeyedPath& what, double frame, const Vec3& value) {
    KeyLayer layer = layer_at(job, place);
    set_keys(layer, what, frame, value);
    put_layer(job, place, layer);
}

void set_keys(KeyLayer& layer, const KeyedPath& what, double frame, const Vec3& value) {
    const int axes = what.path == Path::weights ? 1 : 3;
    for (int axis = 0; axis < axes; ++axis) {
        auto found = std::find_if(layer.begin(), layer.end(),
                                  [&](const KeyedCurve& curve) { return is_of(curve, what) && curve.axis == axis; });
        if (found == layer.end()) {
            layer.push_back({what.of, what.path, axis, {}});
            found = layer.end() - 1;
        }
        Curve& curve = found->curve;
        auto key = key_at(curve, frame);
        if (key == curve.keys.end()) {
            CurveKey fresh;
            fresh.frame = frame;
            key = curve.keys.insert(std::upper_bound(curve.keys.begin(), curve.keys.end(), frame,
                                                     [](double at, const CurveKey& one) { return at < one.frame; }),
                                    fresh);
        }
        key->value = value[axis];
    }
}

void drop_keys(Job& job, size_t place, const KeyedPath& what, double frame) {
    KeyLayer layer = layer_at(job, place);
    for (KeyedCurve& curve : layer) {
        if (const auto key = is_of(curve, what) ? key_at(curve.curve, frame) : curve.curve.keys.end();
            key != curve.curve.keys.end()) {
            curve.curve.keys.erase(key);
        }
    }
    std::erase_if(layer, [](const KeyedCurve& curve) { return curve.curve.keys.empty(); });
    put_layer(job, place, layer);
}

void set_tangents(Job& job, size_t place, const KeyedPath& what, double frame, Tangent tangent) {
    KeyLayer layer = layer_at(job, place);
    for (KeyedCurve& curve : layer) {
        if (!is_of(curve, what)) {
            continue;
        }
        if (const auto key = key_at(curve.curve, frame); key != curve.curve.keys.end()) {
            const auto at = static_cast<size_t>(key - curve.curve.keys.begin());
            if (tangent == Tangent::free) { // it begins as it was
                const double in = in_slope_of(curve.curve, at);
                const double out = out_slope_of(curve.curve, at);
                key->in_slope = in;
                key->out_slope = out;
            }
            key->tangent = tangent;
        }
    }
    put_layer(job, place, layer);
}

void close_layer(Job& job, size_t place, double last) {
    KeyLayer layer = layer_at(job, place);
    for (KeyedCurve& curve : layer) {
        close_curve(curve.curve, last);
        curve.curve.after = Beyond::repeated;
    }
    put_layer(job, place, layer);
}

void simplify_layer(Job& job, size_t place, double tolerance) {
    KeyLayer layer = layer_at(job, place);
    for (KeyedCurve& curve : layer) {
        const bool is_share = curve.path == Path::scale || curve.path == Path::weights;
        curve.curve = simplified(curve.curve, is_share ? tolerance / 100 : tolerance);
    }
    put_layer(job, place, layer);
}

} // namespace wembrix
