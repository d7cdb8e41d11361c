// A curve through keys: a value over frames, with tangents that a person sets.
#pragma once

#include <cstdint>
#include <limits>
#include <vector>

namespace wembrix {

enum class Tangent : uint8_t {
    smooth,   ///< along the line between its neighbours
    flat,     ///< level
    straight, ///< a straight line to the neighbour, on either side its own
    stepped,  ///< the value holds until the next key
    free,     ///< as `in_slope` and `out_slope` say; they may differ
};

struct CurveKey {
    double frame = 0;
    double value = 0;
    Tangent tangent = Tangent::smooth;
    double in_slope = 0; ///< of a free one: value a frame
    double out_slope = 0;
    /// How far the tangents reach, a share of the way to the neighbour, 0 to 1. A third is what a cubic in Hermite's
    /// form has, and what files can hold.
    double in_weight = 1.0 / 3;
    double out_weight = 1.0 / 3;
    bool operator==(const CurveKey& other) const = default;
};

/// What stands before the first and behind the last key.
enum class Beyond : uint8_t {
    held,
    repeated,
    repeated_on, ///< each round goes on from where the one before ended
};

struct Curve {
    std::vector<CurveKey> keys; ///< ascending frames, each once
    Beyond before = Beyond::held;
    Beyond after = Beyond::held;
    bool operator==(const Curve& other) const = default;
};

/// The value at a frame, between frames too; `otherwise` of a curve without keys. Between two keys a Bézier segment
/// whose points lie along the tangents; the place on it for a frame is found to 1e-12 of its length.
double value_at(const Curve& curve, double frame, double otherwise = 0);
/// Value a frame, as the curve leads there (from the left at a corner).
double slope_at(const Curve& curve, double frame);
/// The slopes that hold at a key, whatever its kind is.
double in_slope_of(const Curve& curve, size_t key);
double out_slope_of(const Curve& curve, size_t key);

/// Whether every segment is a cubic in Hermite's form: no steps, and no tangent reaches farther or less far than a
/// third.
bool is_plain_cubic(const Curve& curve);
/// One more key on the curve, which stays as it is: keys about it get free tangents. Precondition: is_plain_cubic, or
/// the frame is outside the keys.
void insert_key(Curve& curve, double frame);
/// Takes a key out; the others stay, smooth tangents follow.
void remove_key(Curve& curve, size_t key);
/// Moves keys by frames and value; they stop short of those that do not move along.
void move_keys(Curve& curve, const std::vector<size_t>& keys, double by_frames, double by_value);
/// About a frame and a value; `frames_factor` above 0. A key that does not move along and is met by one that does goes.
void scale_keys(Curve& curve, const std::vector<size_t>& keys, double about_frame, double frames_factor,
                double about_value, double value_factor);
/// Gives one side of a key a slope and a reach (see CurveKey), `both` sides the slope: it is a free one from then on.
void pull_tangent(Curve& curve, size_t key, bool out, double slope, double weight, bool both);
/// The key at `last` (made, if there is none) gets exactly the value of the first, and both one slope: what repeats has
/// no corner there, unless the first has one.
void close_curve(Curve& curve, double last);
/// As few keys as keep the curve within `tolerance` at every frame, with free tangents fitted to it. The first and the
/// last stay.
Curve simplified(const Curve& curve, double tolerance);

} // namespace wembrix
