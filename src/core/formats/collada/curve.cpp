#include "core/formats/collada/curve.h"
#include "core/base/text.h"

#include <algorithm>
#include <cmath>
#include <numeric>

namespace wembrix::collada {

size_t Curve::key_at(double seconds) const {
    const auto behind = std::upper_bound(times.begin(), times.end(), seconds);
    return behind == times.begin() ? 0 : static_cast<size_t>(behind - times.begin()) - 1;
}

bool Curve::is_stepped() const {
    return std::all_of(kinds.begin(), kinds.end(), [](Kind kind) { return kind == Kind::step; });
}

double Curve::at(double seconds, size_t value, bool before) const {
    size_t key = key_at(seconds);
    if (before && key > 0 && times[key] >= seconds) {
        --key;
    }
    const double here = values[key * width + value];
    if (seconds <= times[key] || key + 1 >= times.size()) {
        return here;
    }
    const double next = values[(key + 1) * width + value];
    const double span = times[key + 1] - times[key];
    if (kinds[key] == Kind::step) {
        return here;
    }
    if (kinds[key] == Kind::linear) {
        return here + (next - here) * (seconds - times[key]) / span;
    }
    const double* behind_here = handles.data() + (key * width + value) * 4 + 2;
    const double* before_next = handles.data() + ((key + 1) * width + value) * 4;
    const double x1 = std::clamp(behind_here[0], times[key], times[key + 1]);
    const double x2 = std::clamp(before_next[0], times[key], times[key + 1]);
    const auto cubic = [](double s, double a, double b, double c, double d) {
        const double r = 1 - s;
        return r * r * r * a + 3 * r * r * s * b + 3 * r * s * s * c + s * s * s * d;
    };
    // Time grows along the curve, as both points in between lie within: halving finds the place.
    double low = 0;
    double high = 1;
    for (int i = 0; i < 50; ++i) {
        const double middle = (low + high) / 2;
        (cubic(middle, times[key], x1, x2, times[key + 1]) < seconds ? low : high) = middle;
    }
    return cubic((low + high) / 2, here, behind_here[1], before_next[1], next);
}

namespace {

/// The points beside the keys: where they stand in their rows depends on who wrote them.
bool fill_handles(Curve& curve, const Source* tangents, bool is_behind, bool is_slope) {
    const size_t keys = curve.times.size();
    if (tangents == nullptr || tangents->rows < keys) {
        return false;
    }
    const size_t has = tangents->width;
    const size_t width = curve.width;
    for (size_t k = 0; k < keys; ++k) {
        const double* row = tangents->row(k);
        const size_t other = is_behind ? std::min(k + 1, keys - 1) : (k == 0 ? 0 : k - 1);
        const double third = (curve.times[other] - curve.times[k]) / 3;
        for (size_t v = 0; v < width; ++v) {
            double* to = curve.handles.data() + (k * width + v) * 4 + (is_behind ? 2 : 0);
            double time = curve.times[k] + third;
            double value = 0;
            if (has == width) {
                value = row[v];
            } else if (has == width * 2) {
                time = row[v * 2];
                value = row[v * 2 + 1];
            } else if (has == width + 1) {
                time = row[0];
                value = row[v + 1];
            } else {
                return false;
            }
            if (is_slope) { // a vector, three times as long as the way to the point
                const double sign = is_behind ? 1.0 : -1.0;
                time = has == width ? curve.times[k] + third : curve.times[k] + sign * time / 3;
                value = curve.values[k * width + v] + sign * value / 3;
            }
            if (!std::isfinite(time) || !std::isfinite(value)) {
                return false;
            }
            to[0] = time;
            to[1] = value;
        }
    }
    return true;
}

} // namespace

std::optional<Curve> curve_of(Reading& reading, Element sampler) {
    const Source* input = nullptr;
    const Source* output = nullptr;
    const Source* kinds = nullptr;
    const Source* in = nullptr;
    const Source* out = nullptr;
    for (const Input& one : inputs_of(sampler)) {
        const Source* found = one.semantic == "INTERPOLATION" ? reading.document.source(one.source)
                                                              : reading.document.numbers(one.source);
        (one.semantic == "INPUT"           ? input
         : one.semantic == "OUTPUT"        ? output
         : one.semantic == "INTERPOLATION" ? kinds
         : one.semantic == "IN_TANGENT"    ? in
                                           : out) = found;
    }
    const std::string where = sampler.attribute("id").value();
    if (input == nullptr || output == nullptr || output->rows < input->rows || input->width != 1) {
        reading.note_once(where, "its times and values do not go together; it moves nothing here.");
        return std::nullopt;
    }
    Curve curve;
    curve.width = output->width;
    const size_t keys = input->rows;
    if (!reading.take(keys * curve.width)) {
        reading.note_once(where, "has more keys than a file of its size can mean; it moves nothing here.");
        return std::nullopt;
    }
    curve.times.assign(input->numbers.begin(), input->numbers.end());
    curve.values.assign(output->numbers.begin(), output->numbers.begin() + static_cast<ptrdiff_t>(keys * curve.width));
    const auto is_broken = [](double number) { return !std::isfinite(number) || std::abs(number) > 1e30; };
    if (std::any_of(curve.times.begin(), curve.times.end(), is_broken) ||
        std::any_of(curve.values.begin(), curve.values.end(), is_broken) ||
        std::adjacent_find(curve.times.begin(), curve.times.end(), std::greater_equal<>()) != curve.times.end()) {
        reading.note_once(where, "its keys are out of order or no numbers; it moves nothing here.");
        return std::nullopt;
    }
    bool is_bezier = false;
    bool is_hermite = false;
    for (size_t k = 0; k < keys; ++k) {
        const std::string word = kinds != nullptr && k < kinds->words.size() ? kinds->words[k] : "LINEAR";
        Curve::Kind kind = Curve::Kind::linear;
        if (word == "STEP") {
            kind = Curve::Kind::step;
        } else if (word == "BEZIER" || word == "HERMITE") {
            kind = Curve::Kind::bezier;
            (word == "BEZIER" ? is_bezier : is_hermite) = true;
        } else if (word != "LINEAR") {
            reading.note_once(where,
                              phrase("goes from key to key by “{}”; straight lines stand in.", word.substr(0, 40)));
        }
        curve.kinds.push_back(kind);
    }
    if (is_bezier || is_hermite) {
        curve.handles.resize(keys * curve.width * 4);
        if (is_bezier == is_hermite || !fill_handles(curve, in, false, is_hermite) ||
            !fill_handles(curve, out, true, is_hermite)) {
            reading.note_once(where, "bends without saying how; straight lines stand in.");
            std::replace(curve.kinds.begin(), curve.kinds.end(), Curve::Kind::bezier, Curve::Kind::linear);
        }
    }
    return curve;
}

} // namespace wembrix::collada
