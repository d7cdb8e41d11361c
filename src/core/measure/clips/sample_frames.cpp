#include "core/measure/clips/sample_frames.h"

#include "core/measure/clips/near_sines.h"
#include "core/measure/clips/sample.h"

#include <algorithm>
#include <cmath>

// The same arithmetic four at a time where a processor can; no fused multiplication, so that every machine gives the
// same numbers.
#if defined(__x86_64__) && defined(__GNUC__) && !defined(__clang__) && !defined(__SANITIZE_ADDRESS__)
#define WEMBRIX_WIDE __attribute__((target_clones("avx2", "default")))
#else
#define WEMBRIX_WIDE
#endif

namespace wembrix {

Moments::Moments(const Shared<float>& times, double from_s, double rate, int frames)
    : times_(times), from_s_(from_s), rate_(rate), next_(static_cast<size_t>(frames)),
      part_(static_cast<size_t>(frames), 0.0) {
    const std::vector<float>& keys = times.get();
    size_t next = 0;
    for (size_t f = 0; f < next_.size(); ++f) {
        const double at = seconds(static_cast<int>(f));
        const double slack = with_slack(at);
        while (next < keys.size() && static_cast<double>(keys[next]) <= slack) {
            ++next;
        }
        next_[f] = static_cast<uint32_t>(next);
        if (next > 0 && next < keys.size()) {
            const double before = keys[next - 1];
            const double span = static_cast<double>(keys[next]) - before;
            part_[f] = span > 0 ? std::clamp((at - before) / span, 0.0, 1.0) : 0.0;
        }
    }
    for (size_t begin = 0; begin < next_.size(); begin += block) {
        const size_t end = begin + block;
        bool steady = end <= next_.size() && next_[begin] > 0 && next_[end - 1] < keys.size();
        for (size_t f = begin + 1; steady && f < end; ++f) {
            steady = next_[f] == next_[f - 1] + 1;
        }
        steady_.push_back(steady ? 1 : 0);
    }
}

bool Moments::fit(const Shared<float>& times) const {
    return times_.same_array(times) || times_.get() == times.get();
}

namespace {

/// The weights of two keys whose cosine is `ab` over their lengths; `one_a` and `one_b` are one over those.
struct TurnWeights {
    double cosine;
    double a;
    double b;
    TurnWeights(double ab, double one_a, double one_b, double u) : cosine(std::min(1.0, std::abs(ab) * one_a * one_b)) {
        const NearSines sines(1 - cosine);
        const double by = sines.whole();
        a = sines.over(1 - u) * by * one_a;
        b = std::copysign(sines.over(u) * by * one_b, ab);
    }
};

/// Linear turns between two keys each, column by column, so that the compiler takes several at once.
struct TurnRun {
    static constexpr int most = Moments::block;
    double a[4][most]; ///< the keys before, as they stand
    double b[4][most]; ///< the keys after
    double u[most];    ///< how far from one to the other
    double out[4][most];
    double near[most]; ///< cosine of the angle between; of keys that are far from unit length -1
};

/// The root's reciprocal of a square that is 1 + e, |e| at most 1e-3, to 3e-13.
inline double one_over_root(double e) {
    return 1 - e * (0.5 - e * (0.375 - e * 0.3125));
}

/// All of a run; what is not near is made by others.
WEMBRIX_WIDE void between(TurnRun& run) {
    for (int i = 0; i < TurnRun::most; ++i) {
        const double aa = run.a[0][i] * run.a[0][i] + run.a[1][i] * run.a[1][i] + run.a[2][i] * run.a[2][i] +
                          run.a[3][i] * run.a[3][i] - 1;
        const double bb = run.b[0][i] * run.b[0][i] + run.b[1][i] * run.b[1][i] + run.b[2][i] * run.b[2][i] +
                          run.b[3][i] * run.b[3][i] - 1;
        const double ab = run.a[0][i] * run.b[0][i] + run.a[1][i] * run.b[1][i] + run.a[2][i] * run.b[2][i] +
                          run.a[3][i] * run.b[3][i];
        const double one_a = one_over_root(aa);
        const double one_b = one_over_root(bb);
        const TurnWeights weights(ab, one_a, one_b, run.u[i]);
        run.near[i] = std::max(std::abs(aa), std::abs(bb)) < 1e-3 ? weights.cosine : -1;
        for (int k = 0; k < 4; ++k) {
            run.out[k][i] = weights.a * run.a[k][i] + weights.b * run.b[k][i];
        }
    }
}

/// The same of a whole block in which each moment lies one key further: each key is read and measured once. `keys` are
/// the block's and one more; `made` has four numbers a moment. The least of what `near` would be.
WEMBRIX_WIDE double between_steady(const float* keys, const double* parts, float* made) {
    constexpr int most = Moments::block;
    double key[4][most + 1];
    double one_over[most + 1];
    double worst[most + 1];
    for (int i = 0; i <= most; ++i) {
        for (int k = 0; k < 4; ++k) {
            key[k][i] = keys[4 * i + k];
        }
    }
    for (int i = 0; i <= most; ++i) {
        const double e =
            key[0][i] * key[0][i] + key[1][i] * key[1][i] + key[2][i] * key[2][i] + key[3][i] * key[3][i] - 1;
        one_over[i] = one_over_root(e);
        worst[i] = std::abs(e) < 1e-3 ? 1 : -1;
    }
    for (int i = 0; i < most; ++i) {
        const double ab = key[0][i] * key[0][i + 1] + key[1][i] * key[1][i + 1] + key[2][i] * key[2][i + 1] +
                          key[3][i] * key[3][i + 1];
        const TurnWeights weights(ab, one_over[i], one_over[i + 1], parts[i]);
        worst[i] = std::min(worst[i], weights.cosine);
        for (int k = 0; k < 4; ++k) {
            made[4 * i + k] = static_cast<float>(weights.a * key[k][i] + weights.b * key[k][i + 1]);
        }
    }
    double least = worst[most];
    for (int i = 0; i < most; ++i) {
        least = std::min(least, worst[i]);
    }
    return least;
}

/// How many of the turns behind the first take the long way from the one before them.
WEMBRIX_WIDE int long_ways(const float* values, int count) {
    int found = 0;
    for (int i = 1; i < count; ++i) {
        const float* now = values + 4 * static_cast<ptrdiff_t>(i);
        found += now[0] * now[-4] + now[1] * now[-3] + now[2] * now[-2] + now[3] * now[-1] < 0 ? 1 : 0;
    }
    return found;
}

/// Appends values of turns, each with the sign that goes the short way from the one before it.
class Turns {
  public:
    explicit Turns(std::vector<float>& out) : out_(out), begin_(out.size()) {}

    void append(float* values, int count) {
        const float* before = out_.size() > begin_ ? &out_[out_.size() - 4] : values;
        const bool first_turns =
            values[0] * before[0] + values[1] * before[1] + values[2] * before[2] + values[3] * before[3] < 0;
        const bool any = first_turns || long_ways(values, count) > 0; // mostly none
        for (float* to = values; any && to < values + 4 * static_cast<ptrdiff_t>(count); to += 4) {
            if (to[0] * before[0] + to[1] * before[1] + to[2] * before[2] + to[3] * before[3] < 0) {
                for (int k = 0; k < 4; ++k) {
                    to[k] = -to[k];
                }
            }
            before = to;
        }
        out_.insert(out_.end(), values, values + 4 * static_cast<ptrdiff_t>(count));
    }

  private:
    std::vector<float>& out_;
    size_t begin_;
};

void sample_turns(const Channel& channel, const Moments& moments, Turns& out) {
    const size_t keys = channel.times.size();
    const float* values = channel.values.data();
    TurnRun run = {};
    float made[4 * TurnRun::most];
    double one[4];
    static_assert(TurnRun::most == Moments::block);
    for (int begin = 0; begin < moments.frames(); begin += TurnRun::most) {
        const int count = std::min(TurnRun::most, moments.frames() - begin);
        if (moments.steady(begin) && between_steady(values + 4 * (static_cast<size_t>(moments.next(begin)) - 1),
                                                    moments.parts(begin), made) > 0.98) {
            out.append(made, count);
            continue;
        }
        for (int i = 0; i < count; ++i) {
            const uint32_t next = moments.next(begin + i);
            const bool amid = next > 0 && next < keys;
            // Where there is only one key it lies between itself and itself, and is made below.
            const float* a = values + 4 * static_cast<size_t>(amid ? next - 1 : 0);
            const float* b = values + 4 * static_cast<size_t>(amid ? next : 0);
            for (int k = 0; k < 4; ++k) {
                run.a[k][i] = a[k];
                run.b[k][i] = b[k];
            }
            run.u[i] = moments.part(begin + i);
        }
        between(run);
        for (int i = 0; i < count; ++i) {
            for (int k = 0; k < 4; ++k) {
                made[4 * i + k] = static_cast<float>(run.out[k][i]);
            }
        }
        for (int i = 0; i < count; ++i) {
            const uint32_t next = moments.next(begin + i);
            if (run.near[i] <= 0.98 || next == 0 || next == keys) {
                sample_after(channel, moments.seconds(begin + i), next, one);
                for (int k = 0; k < 4; ++k) {
                    made[4 * i + k] = static_cast<float>(one[k]);
                }
            }
        }
        out.append(made, count);
    }
}

void sample_lines(const Channel& channel, const Moments& moments, std::vector<float>& out) {
    const size_t keys = channel.times.size();
    const auto width = static_cast<size_t>(channel.width);
    for (int f = 0; f < moments.frames(); ++f) {
        const uint32_t next = moments.next(f);
        const size_t before = next == 0 ? 0 : next - 1;
        const float* a = channel.values.data() + before * width;
        const float* b = next == 0 || next == keys ? a : a + width;
        const double part = moments.part(f);
        for (size_t k = 0; k < width; ++k) {
            out.push_back(static_cast<float>(a[k] + (static_cast<double>(b[k]) - a[k]) * part));
        }
    }
}

} // namespace

void sample_frames(const Channel& channel, const Moments& moments, std::vector<float>& out) {
    const auto width = static_cast<size_t>(channel.width);
    out.reserve(out.size() + static_cast<size_t>(moments.frames()) * width);
    Turns turns(out);
    const bool linear = channel.interpolation == Interpolation::linear && !channel.times.empty();
    if (linear && channel.path == Path::rotation) {
        sample_turns(channel, moments, turns);
        return;
    }
    if (linear) {
        sample_lines(channel, moments, out);
        return;
    }
    std::vector<double> value(std::max<size_t>(4, width));
    std::vector<float> made(value.size());
    for (int f = 0; f < moments.frames(); ++f) {
        sample_after(channel, moments.seconds(f), moments.next(f), value.data());
        std::transform(value.begin(), value.begin() + static_cast<ptrdiff_t>(width), made.begin(),
                       [](double one) { return static_cast<float>(one); });
        if (channel.path == Path::rotation) {
            turns.append(made.data(), 1);
        } else {
            out.insert(out.end(), made.begin(), made.begin() + static_cast<ptrdiff_t>(width));
        }
    }
}

} // namespace wembrix
