#include "core/measure/clips/fewest_keys.h"

#include "core/measure/scene/bounds.h"
#include "core/measure/scene/drift.h"

#include <algorithm>
#include <cmath>
#include <utility>

namespace wembrix {

namespace {

/// How far the farthest joint below each node is, and the size of the whole on top: what a radian moves at most, about.
std::vector<double> reaches(const Scene& scene) {
    const std::vector<Mat4> world = rest_world(scene);
    std::vector<double> reach(scene.nodes.size(), 0);
    const double more = 0.1 * std::max(1e-6, whole_bounds(scene).size().norm());
    for (size_t i = scene.nodes.size(); i-- > 0;) {
        reach[i] += more * (reach[i] == 0 ? 1 : 0);
        const int parent = scene.nodes[i].parent;
        if (parent >= 0) {
            const double bone =
                (world[i].topRightCorner<3, 1>() - world[static_cast<size_t>(parent)].topRightCorner<3, 1>()).norm();
            reach[static_cast<size_t>(parent)] = std::max(reach[static_cast<size_t>(parent)], reach[i] + bone);
        }
    }
    return reach;
}

class Thinning {
  public:
    /// `allowed` is in the channel's own terms: metres, radians, factors or weights.
    Thinning(const Channel& channel, double allowed) : channel_(channel), allowed_(allowed) {
        const size_t count = channel.times.size();
        kept_.assign(count, 0);
        if (count > 0) {
            kept_.front() = kept_.back() = 1;
        }
        std::vector<std::pair<size_t, size_t>> open;
        if (count > 2) {
            open.emplace_back(0, count - 1);
        }
        while (!open.empty()) {
            const auto [first, last] = open.back();
            open.pop_back();
            double worst = 0;
            size_t at = first;
            for (size_t i = first + 1; i < last; ++i) {
                const double off = apart(first, last, i);
                if (off > worst) {
                    worst = off;
                    at = i;
                }
            }
            if (worst > allowed_) {
                kept_[at] = 1;
                if (at - first > 1) {
                    open.emplace_back(first, at);
                }
                if (last - at > 1) {
                    open.emplace_back(at, last);
                }
            }
        }
        // A property that never leaves its first value needs one key.
        if (count > 1 && std::count(kept_.begin(), kept_.end(), 1) == 2 && apart(0, 0, count - 1) <= allowed_ * 1e-3) {
            kept_.back() = 0;
        }
    }

    [[nodiscard]] Channel thinned() const {
        Channel channel = channel_;
        std::vector<float> times;
        std::vector<float> values;
        const auto width = static_cast<size_t>(channel_.width);
        for (size_t i = 0; i < kept_.size(); ++i) {
            if (kept_[i] != 0) {
                times.push_back(channel_.times[i]);
                values.insert(values.end(), &channel_.values[i * width], &channel_.values[i * width] + width);
            }
        }
        channel.times = std::move(times);
        channel.values = std::move(values);
        return channel;
    }

  private:
    /// How far key `i` is from what keys `a` and `b` would make of its moment.
    [[nodiscard]] double apart(size_t a, size_t b, size_t i) const {
        const auto width = static_cast<size_t>(channel_.width);
        const float* va = &channel_.values[a * width];
        const float* vb = &channel_.values[b * width];
        const float* vi = &channel_.values[i * width];
        const double span = static_cast<double>(channel_.times[b]) - channel_.times[a];
        const double u = span > 0 ? (static_cast<double>(channel_.times[i]) - channel_.times[a]) / span : 0;
        if (channel_.path == Path::rotation) {
            const auto quat = [](const float* q) { return Quat(q[3], q[0], q[1], q[2]).normalized(); };
            return quat(va).slerp(u, quat(vb)).angularDistance(quat(vi));
        }
        double sum = 0;
        for (size_t k = 0; k < width; ++k) {
            const double off = va[k] + (static_cast<double>(vb[k]) - va[k]) * u - vi[k];
            sum += off * off;
        }
        return std::sqrt(sum);
    }

    const Channel& channel_;
    double allowed_;
    std::vector<char> kept_;
};

/// What a channel may be off so that a surface point moves about a metre's `part`.
double allowed(const Scene& scene, const std::vector<double>& reach, const Channel& channel, double metres) {
    if (channel.path == Path::translation) {
        return metres;
    }
    if (channel.path != Path::weights) {
        return metres / std::max(1e-9, reach[static_cast<size_t>(channel.node)]);
    }
    float largest = 1e-9F;
    for (const MorphTarget& shape : scene.meshes[scene.nodes[channel.node].mesh].shapes) {
        for (const Vec3f& by : shape.positions) {
            largest = std::max(largest, by.norm());
        }
    }
    return metres / largest;
}

Clip thin(const Scene& scene, const std::vector<double>& reach, const Clip& clip, double metres) {
    Clip thinned = clip;
    for (Channel& channel : thinned.channels) {
        if (channel.interpolation != Interpolation::linear || channel.times.size() < 2) {
            continue; // stepped and cubic keys say more than a line does
        }
        channel = Thinning(channel, allowed(scene, reach, channel, metres)).thinned();
    }
    return thinned;
}

} // namespace

size_t keys_of(const Clip& clip) {
    size_t keys = 0;
    for (const Channel& channel : clip.channels) {
        keys += channel.times.size();
    }
    return keys;
}

/// Keys fall and drift grows with what each channel may be off: the most that stays within the limit, found by halving.
FewestKeys fewest_keys(const Scene& scene, const Clip& clip, double limit_mm) {
    const std::vector<double> reach = reaches(scene);
    const auto drift_of = [&](const Clip& thinned) {
        DriftRequest request;
        request.should = &scene;
        request.should_clip = &clip;
        request.is = &scene;
        request.is_clip = &thinned;
        request.rate = clip.rate * 2;
        request.frames = (clip.frames() - 1) * 2 + 1;
        return measure_drift(request).largest_mm;
    };
    FewestKeys best;
    best.clip = clip;
    double low = 0;
    double high = limit_mm / 1000 * 2;
    for (int tries = 0; tries < 7; ++tries) {
        const double metres = tries == 0 ? limit_mm / 1000 * 0.4 : (low + high) / 2;
        Clip thinned = thin(scene, reach, clip, metres);
        const double drift = drift_of(thinned);
        if (drift <= limit_mm) {
            low = metres;
            best.drift_mm = drift;
            best.clip = std::move(thinned);
            if (drift > 0.85 * limit_mm) {
                break;
            }
        } else {
            high = metres;
        }
    }
    return best;
}

} // namespace wembrix
