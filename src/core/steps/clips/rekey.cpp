#include "core/steps/clips/rekey.h"

#include <algorithm>
#include <iterator>
#include <map>
#include <set>

namespace wembrix {

namespace {

/// A cut looks at a part of its channels; keys are made for all of them.
Clip whole_clip(const Clip& clip) {
    Clip whole = clip;
    whole.start_s = 0;
    for (const Channel& channel : clip.channels) {
        if (!channel.times.empty()) {
            whole.seconds = std::max(whole.seconds, static_cast<double>(channel.times.get().back()));
        }
    }
    return whole;
}

/// How far a straight line from key to key may lie from the motion: a rotation in radians, a place in parts of what the
/// scene measures, a scale in parts of itself.
constexpr double tolerance = 2e-5;
/// A frame is halved so often at most: where the motion jumps, no line follows it.
constexpr int most_halvings = 6;

using Locals = std::vector<Transform>;

/// Whether the line from one moment to another passes through what is in the middle.
bool passes_through(const Locals& from, const Locals& middle, const Locals& to, double size) {
    for (size_t n = 0; n < middle.size(); ++n) {
        const Vec3 place = (from[n].translation + to[n].translation) / 2;
        const Vec3 scale = (from[n].scale + to[n].scale) / 2;
        const Quat rotation = from[n].rotation.slerp(0.5, to[n].rotation);
        if ((place - middle[n].translation).norm() > tolerance * size ||
            rotation.angularDistance(middle[n].rotation) > tolerance ||
            (scale - middle[n].scale).cwiseAbs().maxCoeff() > tolerance * scale.cwiseAbs().maxCoeff()) {
            return false;
        }
    }
    return true;
}

/// The largest distance between nodes at rest and the origin: what a part of the scene's size is taken of.
double size_of(const Scene& scene) {
    double size = 0;
    for (const Mat4& world : rest_world(scene)) {
        size = std::max(size, world.topRightCorner<3, 1>().norm());
    }
    return std::max(size, 1e-6);
}

/// Local transforms at any moment, kept so that none is posed twice.
class Samples {
  public:
    Samples(const Scene& from, const Clip& whole, size_t nodes,
            const std::function<void(double, const Pose&, Locals&)>& place)
        : poser_(from, &whole), size_(size_of(from)), nodes_(nodes), place_(place) {}

    const Locals& at(float time) {
        const auto [found, is_new] = kept_.try_emplace(time);
        if (is_new) {
            found->second.resize(nodes_);
            poser_.at(time, pose_);
            place_(time, pose_, found->second);
        }
        return found->second;
    }

    /// Adds moments between two until lines from each to the next follow the motion.
    void refine(float from, float to, int halvings) {
        const float middle = from + (to - from) / 2;
        if (halvings == 0 || !(middle > from && middle < to)) {
            return;
        }
        const Locals between = at(middle);
        if (passes_through(at(from), between, at(to), size_)) {
            // The middle of a line and of a bend that crosses it are one: a quarter tells them apart.
            const float quarter = from + (middle - from) / 2;
            const Locals early = at(quarter);
            const bool straight =
                !(quarter > from && quarter < middle) || passes_through(at(from), early, between, size_);
            kept_.erase(quarter);
            if (straight) {
                kept_.erase(middle);
                return;
            }
        }
        refine(from, middle, halvings - 1);
        refine(middle, to, halvings - 1);
    }

    [[nodiscard]] const std::map<float, Locals>& all() const { return kept_; }

  private:
    Poser poser_;
    double size_;
    size_t nodes_;
    const std::function<void(double, const Pose&, Locals&)>& place_;
    Pose pose_;
    std::map<float, Locals> kept_;
};

} // namespace

void resample(const Scene& from, const Clip& before, const std::vector<int>& nodes,
              const std::function<void(double, const Pose&, std::vector<Transform>&)>& place, Clip& clip) {
    std::set<float> moments;
    const Clip whole = whole_clip(before);
    for (const Channel& channel : whole.channels) {
        moments.insert(channel.times.begin(), channel.times.end());
    }
    for (int f = 0; f < whole.frames(); ++f) {
        moments.insert(static_cast<float>(f / whole.rate));
    }
    Samples samples(from, whole, nodes.size(), place);
    for (auto moment = moments.begin(); moment != moments.end(); ++moment) {
        samples.at(*moment);
        if (moment != moments.begin()) {
            samples.refine(*std::prev(moment), *moment, most_halvings);
        }
    }
    std::vector<float> all_times;
    for (const auto& [time, unused] : samples.all()) {
        all_times.push_back(time);
    }
    const Shared<float> times(std::move(all_times));
    std::vector<std::vector<float>> translations(nodes.size());
    std::vector<std::vector<float>> rotations(nodes.size());
    std::vector<std::vector<float>> scales(nodes.size());
    std::vector<Quat> last(nodes.size(), Quat::Identity());
    for (const auto& [time, locals] : samples.all()) {
        for (size_t n = 0; n < nodes.size(); ++n) {
            Transform local = locals[n];
            if (local.rotation.dot(last[n]) < 0) {
                local.rotation.coeffs() *= -1;
            }
            last[n] = local.rotation;
            for (int k = 0; k < 3; ++k) {
                translations[n].push_back(static_cast<float>(local.translation[k]));
                scales[n].push_back(static_cast<float>(local.scale[k]));
            }
            for (int k = 0; k < 4; ++k) {
                rotations[n].push_back(static_cast<float>(local.rotation.coeffs()[k]));
            }
        }
    }
    for (size_t n = 0; n < nodes.size(); ++n) {
        clip.channels.push_back(
            {nodes[n], Path::translation, Interpolation::linear, 3, times, std::move(translations[n]), {}});
        clip.channels.push_back(
            {nodes[n], Path::rotation, Interpolation::linear, 4, times, std::move(rotations[n]), {}});
        clip.channels.push_back({nodes[n], Path::scale, Interpolation::linear, 3, times, std::move(scales[n]), {}});
    }
}

} // namespace wembrix
