// Keys made by hand, on a layer over a take: curves of joints and shapes.
#pragma once

#include "core/base/result.h"
#include "core/keys/curve.h"
#include "core/math/transform.h"
#include "core/scene/clip.h"

#include <nlohmann/json.hpp>
#include <optional>
#include <string>
#include <string_view>
#include <vector>

namespace wembrix {

/// What a curve moves: along or about one of the joint's axes, in mm, degrees and factors; or a shape's weight.
struct KeyedCurve {
    std::string of;             ///< a joint, or a shape
    Path path = Path::rotation; ///< weights: of a shape
    int axis = 0;               ///< 0 to 2; of a shape 0
    Curve curve;
    bool operator==(const KeyedCurve& other) const = default;
};
/// "rotation_x_deg", "translation_y_mm", "scale_z", "weight".
std::string curve_kind(const KeyedCurve& curve);

using KeyLayer = std::vector<KeyedCurve>;

/// How much of a layer counts, and where.
struct LayerFade {
    double weight = 1;
    std::optional<double> start, end; ///< frames; the clip's first and last
    int fade_in = 0;                  ///< frames
    int fade_out = 0;
    /// 0 to `weight`, of a clip of so many frames.
    [[nodiscard]] double weight_at(double frame, int frames) const;
    /// All of the clip at full weight.
    [[nodiscard]] bool is_whole() const;
};
/// As the step's parameters say.
LayerFade layer_fade(const nlohmann::json& parameters);

/// The rotation that angles about X, then Y, then Z say; and the angles of one, of all that say it those nearest to
/// `before`.
Quat keyed_rotation(const Vec3& degrees);
Vec3 keyed_degrees(const Quat& rotation, const Vec3& before);

/// {"curves": [{"of": "lid", "what": "rotation_x_deg", "before": "held", "after": "repeated",
/// "keys": [{"frame", "value", "tangent", "in", "out", "in_weight", "out_weight"}]}]}
Result<KeyLayer> key_layer_from_json(const nlohmann::json& json, const std::string& where);
nlohmann::json key_layer_to_json(const KeyLayer& layer);

} // namespace wembrix
