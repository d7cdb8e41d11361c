#include "core/measure/sample.h"

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

/// sin(part * angle) / sin(angle) but for a factor, of keys whose cosine is 1 - d: the square of the arc cosine by its
/// series in d, the sine by its own. Exact to 1e-11 where d is at most 0.02, and several times quicker than the
/// functions.
struct NearSines {
    double x;
    explicit NearSines(double d)
        : x(d * (2 + d * ((1.0 / 3) + d * ((4.0 / 45) + d * ((1.0 / 35) + d * (16.0 / 1575)))))) {}
    [[nodiscard]] double over(double part) const {
        const double y = part * part * x;
        return part * (1 - y * (1.0 / 6) * (1 - y * (1.0 / 20) * (1 - y * (1.0 / 42) * (1 - y * (1.0 / 72)))));
    }
};

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
        const double by = 1 / sines.over(1);
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

/// `next` is the first key after the moment.
void sample_at(const Channel& channel, double seconds, size_t next, double* out);

/// Key times are single precision: a frame's time must not fall just before the key made for it.
double with_slack(double seconds) {
    return seconds + 1e-6 * std::max(1.0, std::abs(seconds)) * 0.5;
}

} // namespace

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
            sample_at(channel, seconds, key, out);
            return;
        }
    }
    const auto next = std::upper_bound(times.begin(), times.end(), slack,
                                       [](double at, float key) { return at < static_cast<double>(key); });
    near = static_cast<uint32_t>(next - times.begin());
    sample_at(channel, seconds, near, out);
}

namespace {

/// Linear turns between two keys each, many at a time and column by column, so that the compiler takes several at once.
struct TurnRun {
    static constexpr int most = 64;
    double a[4][most]; ///< the keys before, as they stand
    double b[4][most]; ///< the keys after
    double u[most];    ///< how far from one to the other
    double out[4][most];
    double near[most]; ///< cosine of the angle between; keys that are no turns have -1
    int frame[most];
    int count = 0;
};

/// What `turn_between` does for keys that are near; the others are left to it.
void between(TurnRun& run) {
    for (int i = 0; i < run.count; ++i) {
        const double aa = run.a[0][i] * run.a[0][i] + run.a[1][i] * run.a[1][i] + run.a[2][i] * run.a[2][i] +
                          run.a[3][i] * run.a[3][i];
        const double bb = run.b[0][i] * run.b[0][i] + run.b[1][i] * run.b[1][i] + run.b[2][i] * run.b[2][i] +
                          run.b[3][i] * run.b[3][i];
        const double ab = run.a[0][i] * run.b[0][i] + run.a[1][i] * run.b[1][i] + run.a[2][i] * run.b[2][i] +
                          run.a[3][i] * run.b[3][i];
        const double one_a = 1 / std::sqrt(std::max(aa, 1e-300));
        const double one_b = 1 / std::sqrt(std::max(bb, 1e-300));
        const double dot = ab * one_a * one_b;
        const double cosine = std::min(1.0, std::abs(dot));
        const NearSines sines(1 - cosine);
        const double by = 1 / sines.over(1);
        const double wa = sines.over(1 - run.u[i]) * by * one_a;
        const double wb = std::copysign(sines.over(run.u[i]) * by * one_b, dot);
        run.near[i] = std::min(aa, bb) > 1e-24 ? cosine : -1;
        for (int k = 0; k < 4; ++k) {
            run.out[k][i] = wa * run.a[k][i] + wb * run.b[k][i];
        }
    }
}

void sample_turns(const Channel& channel, double from_s, double rate, int frames, float* out) {
    const std::vector<float>& times = channel.times.get();
    const float* values = channel.values.data();
    TurnRun run;
    double value[4];
    size_t next = 0;
    for (int begin = 0; begin < frames; begin += TurnRun::most) {
        const int end = std::min(frames, begin + TurnRun::most);
        run.count = 0;
        for (int f = begin; f < end; ++f) {
            const double seconds = from_s + f / rate;
            const double slack = with_slack(seconds);
            while (next < times.size() && static_cast<double>(times[next]) <= slack) {
                ++next;
            }
            if (next == 0 || next == times.size()) {
                sample_at(channel, seconds, next, value);
                std::copy_n(value, 4, out + static_cast<size_t>(f) * 4);
                continue;
            }
            const double t0 = times[next - 1];
            const double span = static_cast<double>(times[next]) - t0;
            const float* key = values + (next - 1) * 4;
            for (int k = 0; k < 4; ++k) {
                run.a[k][run.count] = key[k];
                run.b[k][run.count] = key[4 + k];
            }
            run.u[run.count] = span > 0 ? std::clamp((seconds - t0) / span, 0.0, 1.0) : 0.0;
            run.frame[run.count++] = f;
        }
        between(run);
        for (int i = 0; i < run.count; ++i) {
            float* to = out + static_cast<size_t>(run.frame[i]) * 4;
            for (int k = 0; k < 4; ++k) {
                to[k] = static_cast<float>(run.out[k][i]);
            }
            if (run.near[i] <= 0.98) {
                const float a[4] = {static_cast<float>(run.a[0][i]), static_cast<float>(run.a[1][i]),
                                    static_cast<float>(run.a[2][i]), static_cast<float>(run.a[3][i])};
                const float b[4] = {static_cast<float>(run.b[0][i]), static_cast<float>(run.b[1][i]),
                                    static_cast<float>(run.b[2][i]), static_cast<float>(run.b[3][i])};
                turn_between(a, b, run.u[i], value);
                std::copy_n(value, 4, to);
            }
        }
    }
}

} // namespace

void sample_frames(const Channel& channel, double from_s, double rate, int frames, float* out) {
    const std::vector<float>& times = channel.times.get();
    const auto width = static_cast<size_t>(channel.width);
    if (channel.path == Path::rotation && channel.interpolation == Interpolation::linear) {
        sample_turns(channel, from_s, rate, frames, out);
    } else {
        std::vector<double> value(std::max<size_t>(4, width));
        size_t next = 0;
        for (int f = 0; f < frames; ++f) {
            const double seconds = from_s + f / rate;
            const double slack = with_slack(seconds);
            while (next < times.size() && static_cast<double>(times[next]) <= slack) {
                ++next;
            }
            sample_at(channel, seconds, next, value.data());
            std::copy_n(value.begin(), width, out + static_cast<size_t>(f) * width);
        }
    }
    for (float* to = out + 4; channel.path == Path::rotation && to < out + static_cast<size_t>(frames) * 4; to += 4) {
        const float* before = to - 4;
        if (to[0] * before[0] + to[1] * before[1] + to[2] * before[2] + to[3] * before[3] < 0) {
            for (int k = 0; k < 4; ++k) {
                to[k] = -to[k];
            }
        }
    }
}

namespace {

void sample_at(const Channel& channel, double seconds, size_t next, double* out) {
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

} // namespace

} // namespace wembrix
