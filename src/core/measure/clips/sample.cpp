#include "core/measure/clips/sample.h"

#include "core/measure/clips/near_sines.h"

#include <algorithm>
#include <cmath>

namespace wembrix {

namespace {

void normalise(double* q) {
    const double square = q[0] * q[0] + q[1] * q[1] + q[2] * q[2] + q[3] * q[3];
    if (square > 1e-24) {
        const double by = 1 / std::sqrt(square);
        for (int i = 0; i < 4; ++i) {
            q[i] *= by;
        }
    } else {
        q[0] = q[1] = q[2] = 0;
        q[3] = 1;
    }
}

void turn_between(const float* from, const float* to, double u, double* out) {
    double a[4];
    double b[4];
    double dot = 0;
    for (int i = 0; i < 4; ++i) {
        a[i] = from[i];
        b[i] = to[i];
    }
    normalise(a);
    normalise(b);
    for (int i = 0; i < 4; ++i) {
        dot += a[i] * b[i];
    }
    const double sign = dot < 0 ? -1 : 1;
    dot = std::min(1.0, std::abs(dot));
    double wa = 1 - u;
    double wb = u;
    if (dot > 0.98) {
        // Neighbouring keys are a few degrees apart at most.
        const NearSines sines(1 - dot);
        const double by = sines.whole();
        wa = sines.over(1 - u) * by;
        wb = sines.over(u) * by;
    } else {
        const double angle = std::acos(dot);
        const double by = 1 / std::sin(angle);
        wa = std::sin((1 - u) * angle) * by;
        wb = std::sin(u * angle) * by;
    }
    for (int i = 0; i < 4; ++i) {
        out[i] = wa * a[i] + wb * sign * b[i];
    }
    normalise(out);
}

} // namespace

double with_slack(double seconds) {
    return seconds + 1e-6 * std::max(1.0, std::abs(seconds)) * 0.5;
}

void sample_channel(const Channel& channel, double seconds, double* out) {
    uint32_t near = 0;
    sample_channel(channel, seconds, out, near);
}

void sample_channel(const Channel& channel, double seconds, double* out, uint32_t& near) {
    const std::vector<float>& times = channel.times.get();
    const double slack = with_slack(seconds);
    const auto is_next = [&](size_t key) {
        return (key == 0 || static_cast<double>(times[key - 1]) <= slack) &&
               (key == times.size() || slack < static_cast<double>(times[key]));
    };
    for (size_t key = near; key <= times.size() && key <= static_cast<size_t>(near) + 2; ++key) {
        if (is_next(key)) {
            near = static_cast<uint32_t>(key);
            sample_after(channel, seconds, key, out);
            return;
        }
    }
    const auto next = std::upper_bound(times.begin(), times.end(), slack,
                                       [](double at, float key) { return at < static_cast<double>(key); });
    near = static_cast<uint32_t>(next - times.begin());
    sample_after(channel, seconds, near, out);
}

void sample_after(const Channel& channel, double seconds, size_t next, double* out) {
    const std::vector<float>& times = channel.times.get();
    const int width = channel.width;
    const bool cubic = channel.interpolation == Interpolation::cubic;
    const size_t stride = static_cast<size_t>(width) * (cubic ? 3 : 1);
    const float* values = channel.values.data();
    const bool rotation = channel.path == Path::rotation;
    auto hold = [&](size_t key) {
        const float* value = values + key * stride + (cubic ? width : 0);
        std::copy(value, value + width, out);
        if (rotation) {
            normalise(out);
        }
    };
    if (times.empty()) {
        std::fill(out, out + width, 0.0);
        return;
    }
    if (next == 0) {
        hold(0);
        return;
    }
    const size_t key = next - 1;
    if (next == times.size() || channel.interpolation == Interpolation::step) {
        hold(key);
        return;
    }
    const double t0 = times[key];
    const double span = static_cast<double>(times[key + 1]) - t0;
    const double u = span > 0 ? std::clamp((seconds - t0) / span, 0.0, 1.0) : 0.0;
    const float* a = values + key * stride;
    const float* b = a + stride;
    if (!cubic) {
        if (rotation) {
            turn_between(a, b, u, out);
        } else {
            for (int i = 0; i < width; ++i) {
                out[i] = a[i] + (static_cast<double>(b[i]) - a[i]) * u;
            }
        }
        return;
    }
    // Cubic Hermite, glTF 2.0 appendix C: in-tangent, value, out-tangent.
    const double u2 = u * u;
    const double u3 = u2 * u;
    for (int i = 0; i < width; ++i) {
        const double v0 = a[width + i];
        const double out0 = a[2 * width + i];
        const double v1 = b[width + i];
        const double in1 = b[i];
        out[i] = (2 * u3 - 3 * u2 + 1) * v0 + span * (u3 - 2 * u2 + u) * out0 + (-2 * u3 + 3 * u2) * v1 +
                 span * (u3 - u2) * in1;
    }
    if (rotation) {
        normalise(out);
    }
}

} // namespace wembrix
