#include "core/keys/curve.h"

#include <algorithm>
#include <cmath>

namespace wembrix {

namespace {

constexpr double third = 1.0 / 3;
constexpr double least_apart = 1e-3; ///< frames between two keys

/// What a frame outside the keys stands for, and what is added to its value.
struct Wrapped {
    double frame = 0;
    double added = 0;
};
Wrapped wrapped(const Curve& curve, double frame) {
    const CurveKey& first = curve.keys.front();
    const CurveKey& last = curve.keys.back();
    const double length = last.frame - first.frame;
    const bool is_before = frame < first.frame;
    const Beyond beyond = is_before ? curve.before : curve.after;
    if ((!is_before && frame <= last.frame) || length <= 0) {
        return {std::clamp(frame, first.frame, last.frame), 0};
    }
    if (beyond == Beyond::held) {
        return {is_before ? first.frame : last.frame, 0};
    }
    double rounds = std::floor((frame - first.frame) / length);
    double within = frame - rounds * length;
    if (!is_before && within <= first.frame) { // the end of a round is its last key, not the next round's first
        within += length;
        rounds -= 1;
    }
    return {std::clamp(within, first.frame, last.frame),
            beyond == Beyond::repeated_on ? rounds * (last.value - first.value) : 0};
}

double slope_between(const CurveKey& a, const CurveKey& b) {
    return (b.value - a.value) / (b.frame - a.frame);
}

/// Where on a segment, 0 to 1, its Bézier is at that frame: the frames grow along it, as no weight is above 1.
double place_on(double x1, double x2, double x) {
    double low = 0;
    double high = 1;
    double t = x;
    for (int i = 0; i < 80; ++i) {
        const double s = 1 - t;
        const double at = 3 * s * s * t * x1 + 3 * s * t * t * x2 + t * t * t;
        if (std::abs(at - x) < 1e-13) {
            break;
        }
        (at < x ? low : high) = t;
        const double slope = 3 * s * s * x1 + 6 * s * t * (x2 - x1) + 3 * t * t * (1 - x2);
        const double next = slope > 1e-9 ? t - (at - x) / slope : low - 1;
        t = next > low && next < high ? next : (low + high) / 2;
    }
    return t;
}

struct Segment {
    double length = 0;                 ///< frames
    double x1 = third, x2 = 1 - third; ///< shares of the length
    double y0 = 0, y1 = 0, y2 = 0, y3 = 0;
    bool is_step = false;
};
Segment segment_of(const Curve& curve, size_t left) {
    const CurveKey& a = curve.keys[left];
    const CurveKey& b = curve.keys[left + 1];
    Segment segment;
    segment.is_step = a.tangent == Tangent::stepped;
    segment.length = b.frame - a.frame;
    segment.x1 = a.tangent == Tangent::free ? std::clamp(a.out_weight, 0.0, 1.0) : third;
    segment.x2 = 1 - (b.tangent == Tangent::free ? std::clamp(b.in_weight, 0.0, 1.0) : third);
    segment.y0 = a.value;
    segment.y3 = b.value;
    segment.y1 = a.value + out_slope_of(curve, left) * segment.x1 * segment.length;
    segment.y2 = b.value - in_slope_of(curve, left + 1) * (1 - segment.x2) * segment.length;
    return segment;
}

size_t left_of(const Curve& curve, double frame) {
    const auto after = std::upper_bound(curve.keys.begin(), curve.keys.end(), frame,
                                        [](double at, const CurveKey& key) { return at < key.frame; });
    const auto place = static_cast<size_t>(after - curve.keys.begin());
    return std::min(place == 0 ? 0 : place - 1, curve.keys.size() - 2);
}

} // namespace

double in_slope_of(const Curve& curve, size_t key) {
    const CurveKey& own = curve.keys[key];
    const bool has_before = key > 0;
    const bool has_after = key + 1 < curve.keys.size();
    switch (own.tangent) {
    case Tangent::free:
        return own.in_slope;
    case Tangent::flat:
    case Tangent::stepped:
        return 0;
    case Tangent::straight:
        return has_before ? slope_between(curve.keys[key - 1], own) : 0;
    case Tangent::smooth:
        break;
    }
    if (has_before && has_after) {
        return slope_between(curve.keys[key - 1], curve.keys[key + 1]);
    }
    return has_before  ? slope_between(curve.keys[key - 1], own)
           : has_after ? slope_between(own, curve.keys[key + 1])
                       : 0;
}

double out_slope_of(const Curve& curve, size_t key) {
    const CurveKey& own = curve.keys[key];
    if (own.tangent == Tangent::free) {
        return own.out_slope;
    }
    if (own.tangent == Tangent::straight) {
        return key + 1 < curve.keys.size() ? slope_between(own, curve.keys[key + 1]) : 0;
    }
    return in_slope_of(curve, key);
}

double value_at(const Curve& curve, double frame, double otherwise) {
    if (curve.keys.empty()) {
        return otherwise;
    }
    const Wrapped at = wrapped(curve, frame);
    if (curve.keys.size() == 1) {
        return curve.keys.front().value;
    }
    const size_t left = left_of(curve, at.frame);
    const Segment s = segment_of(curve, left);
    const double x = (at.frame - curve.keys[left].frame) / s.length;
    if (x >= 1) {
        return s.y3 + at.added;
    }
    if (s.is_step || x <= 0) {
        return s.y0 + at.added;
    }
    const double t = place_on(s.x1, s.x2, x);
    const double r = 1 - t;
    return r * r * r * s.y0 + 3 * r * r * t * s.y1 + 3 * r * t * t * s.y2 + t * t * t * s.y3 + at.added;
}

double slope_at(const Curve& curve, double frame) {
    if (curve.keys.size() < 2) {
        return 0;
    }
    const Wrapped at = wrapped(curve, frame);
    size_t left = left_of(curve, at.frame);
    if (left > 0 && curve.keys[left].frame == at.frame) {
        --left;
    }
    const Segment s = segment_of(curve, left);
    if (s.is_step) {
        return 0;
    }
    const double x = std::clamp((at.frame - curve.keys[left].frame) / s.length, 0.0, 1.0);
    const double t = x >= 1 ? 1 : place_on(s.x1, s.x2, x);
    const double r = 1 - t;
    const double dx = 3 * r * r * s.x1 + 6 * r * t * (s.x2 - s.x1) + 3 * t * t * (1 - s.x2);
    const double dy = 3 * r * r * (s.y1 - s.y0) + 6 * r * t * (s.y2 - s.y1) + 3 * t * t * (s.y3 - s.y2);
    return dx > 1e-12 ? dy / (dx * s.length) : 0;
}

bool is_plain_cubic(const Curve& curve) {
    for (size_t k = 0; k < curve.keys.size(); ++k) {
        const CurveKey& key = curve.keys[k];
        const bool free = key.tangent == Tangent::free;
        if ((key.tangent == Tangent::stepped && k + 1 < curve.keys.size()) ||
            (free && (std::abs(key.in_weight - third) > 1e-9 || std::abs(key.out_weight - third) > 1e-9))) {
            return false;
        }
    }
    return true;
}

void insert_key(Curve& curve, double frame) {
    const auto same = std::find_if(curve.keys.begin(), curve.keys.end(),
                                   [&](const CurveKey& key) { return std::abs(key.frame - frame) < 1e-9; });
    if (same != curve.keys.end()) {
        return;
    }
    CurveKey key;
    key.frame = frame;
    key.value = value_at(curve, frame);
    const bool inside = curve.keys.size() > 1 && frame > curve.keys.front().frame && frame < curve.keys.back().frame;
    key.tangent = Tangent::free;
    key.in_slope = key.out_slope = inside ? slope_at(curve, frame) : 0;
    // The neighbours keep the slopes that they have now; beyond an end it was level.
    const auto fix = [&](size_t k, bool level_before, bool level_after) {
        CurveKey fixed = curve.keys[k];
        if (fixed.tangent != Tangent::stepped || level_after) {
            fixed.in_slope = level_before ? 0 : in_slope_of(curve, k);
            fixed.out_slope = level_after ? 0 : out_slope_of(curve, k);
            fixed.tangent = Tangent::free;
        }
        return fixed;
    };
    if (inside) {
        const size_t left = left_of(curve, frame);
        if (curve.keys[left].tangent == Tangent::stepped) {
            key.tangent = Tangent::stepped;
        }
        const CurveKey fixed_left = fix(left, false, false);
        const CurveKey fixed_right = fix(left + 1, false, false);
        curve.keys[left] = fixed_left;
        curve.keys[left + 1] = fixed_right;
    } else if (!curve.keys.empty()) {
        const bool before = frame < curve.keys.front().frame;
        const size_t end = before ? 0 : curve.keys.size() - 1;
        curve.keys[end] = fix(end, before || curve.keys.size() == 1, !before || curve.keys.size() == 1);
    }
    curve.keys.insert(std::upper_bound(curve.keys.begin(), curve.keys.end(), frame,
                                       [](double at, const CurveKey& other) { return at < other.frame; }),
                      key);
}

void remove_key(Curve& curve, size_t key) {
    if (key < curve.keys.size()) {
        curve.keys.erase(curve.keys.begin() + static_cast<ptrdiff_t>(key));
    }
}

void move_keys(Curve& curve, const std::vector<size_t>& keys, double by_frames, double by_value) {
    const auto moves = [&](size_t k) { return std::find(keys.begin(), keys.end(), k) != keys.end(); };
    for (size_t k = 0; k < curve.keys.size(); ++k) {
        if (!moves(k)) {
            continue;
        }
        if (k > 0 && !moves(k - 1)) {
            by_frames = std::max(by_frames, curve.keys[k - 1].frame + least_apart - curve.keys[k].frame);
        }
        if (k + 1 < curve.keys.size() && !moves(k + 1)) {
            by_frames = std::min(by_frames, curve.keys[k + 1].frame - least_apart - curve.keys[k].frame);
        }
    }
    for (const size_t k : keys) {
        curve.keys[k].frame += by_frames;
        curve.keys[k].value += by_value;
    }
}

void scale_keys(Curve& curve, const std::vector<size_t>& keys, double about_frame, double frames_factor,
                double about_value, double value_factor) {
    std::vector<CurveKey> moved;
    for (const size_t k : keys) {
        CurveKey key = curve.keys[k];
        key.frame = about_frame + (key.frame - about_frame) * frames_factor;
        key.value = about_value + (key.value - about_value) * value_factor;
        key.in_slope *= value_factor / frames_factor;
        key.out_slope *= value_factor / frames_factor;
        moved.push_back(key);
    }
    std::vector<CurveKey> all = moved;
    for (size_t k = 0; k < curve.keys.size(); ++k) {
        const double frame = curve.keys[k].frame;
        const bool moves = std::find(keys.begin(), keys.end(), k) != keys.end();
        const bool is_met = std::any_of(moved.begin(), moved.end(),
                                        [&](const CurveKey& one) { return std::abs(one.frame - frame) < least_apart; });
        if (!moves && !is_met) {
            all.push_back(curve.keys[k]);
        }
    }
    std::sort(all.begin(), all.end(), [](const CurveKey& a, const CurveKey& b) { return a.frame < b.frame; });
    curve.keys = std::move(all);
}

void pull_tangent(Curve& curve, size_t key, bool out, double slope, double weight, bool both) {
    CurveKey& pulled = curve.keys[key];
    const double in_slope = in_slope_of(curve, key);
    const double out_slope = out_slope_of(curve, key);
    if (pulled.tangent != Tangent::free) {
        pulled.in_weight = pulled.out_weight = third;
    }
    pulled.tangent = Tangent::free;
    pulled.in_slope = !out || both ? slope : in_slope;
    pulled.out_slope = out || both ? slope : out_slope;
    (out ? pulled.out_weight : pulled.in_weight) = std::clamp(weight, 0.0, 1.0);
}

void close_curve(Curve& curve, double last) {
    if (curve.keys.empty() || last <= curve.keys.front().frame) {
        return;
    }
    std::erase_if(curve.keys, [&](const CurveKey& key) { return key.frame > last + 1e-9; });
    if (std::abs(curve.keys.back().frame - last) > 1e-9) {
        CurveKey end;
        end.frame = last;
        curve.keys.push_back(end);
    }
    CurveKey& first = curve.keys.front();
    CurveKey& end = curve.keys.back();
    end.frame = last;
    end.value = first.value;
    end.tangent = first.tangent;
    if (first.tangent == Tangent::smooth && curve.keys.size() > 2) {
        // Around the seam: from the key before the last to the key behind the first.
        const CurveKey& before = curve.keys[curve.keys.size() - 2];
        const CurveKey& after = curve.keys[1];
        const double slope = (after.value - before.value) / ((last - before.frame) + (after.frame - first.frame));
        for (CurveKey* key : {&first, &end}) {
            key->tangent = Tangent::free;
            key->in_slope = key->out_slope = slope;
            key->in_weight = key->out_weight = third;
        }
    } else if (first.tangent == Tangent::free) {
        end.in_slope = first.in_slope;
        end.out_slope = first.out_slope;
        end.in_weight = first.in_weight;
        end.out_weight = first.out_weight;
    }
}

Curve simplified(const Curve& curve, double tolerance) {
    if (curve.keys.size() < 3) {
        return curve;
    }
    Curve made = curve;
    made.keys.clear();
    const double begin = curve.keys.front().frame;
    const double end = curve.keys.back().frame;
    const auto fitted = [&](double frame) {
        CurveKey key;
        key.frame = frame;
        key.value = value_at(curve, frame);
        key.tangent = Tangent::free;
        key.in_slope = slope_at(curve, frame);
        const double ahead = std::min(1e-4, (end - frame) / 2);
        key.out_slope = ahead > 0 ? (value_at(curve, frame + ahead) - key.value) / ahead : key.in_slope;
        if (std::abs(key.out_slope - key.in_slope) < 1e-3 * (1 + std::abs(key.in_slope))) {
            key.out_slope = key.in_slope;
        }
        return key;
    };
    // From the left always the longest segment that keeps to the curve.
    made.keys.push_back(fitted(begin));
    std::vector<double> frames;
    for (double f = begin; f < end - 1e-9; f += 1) {
        frames.push_back(f);
    }
    frames.push_back(end);
    size_t from = 0;
    while (from + 1 < frames.size()) {
        size_t to = from + 1;
        size_t good = to;
        for (size_t span = 1; from + span < frames.size(); ++span) {
            to = from + span;
            Curve one;
            one.keys = {fitted(frames[from]), fitted(frames[to])};
            const bool keeps = [&] {
                for (size_t f = from; f < to; ++f) {
                    for (const double part : {0.0, 0.5}) {
                        const double at = frames[f] + part * (frames[f + 1] - frames[f]);
                        if (std::abs(value_at(one, at) - value_at(curve, at)) > tolerance) {
                            return false;
                        }
                    }
                }
                return true;
            }();
            if (!keeps && span > 1) {
                break;
            }
            good = to;
        }
        made.keys.push_back(fitted(frames[good]));
        from = good;
    }
    return made.keys.size() < curve.keys.size() ? made : curve;
}

} // namespace wembrix
