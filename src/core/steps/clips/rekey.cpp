#include "core/steps/clips/rekey.h"

#include <algorithm>
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

/// Local transforms at moments that follow the motion, handed on in order: no more are held than are being halved.
class Samples {
  public:
    using Place = std::function<void(double, const Pose&, Locals&)>;
    using Take = std::function<void(float, const Locals&)>;
    Samples(const Scene& from, const Clip& whole, size_t nodes, const Place& place)
        : poser_(from, &whole), size_(size_of(from)), nodes_(nodes), place_(place) {}

    Locals at(float time) {
        Locals locals(nodes_);
        poser_.at(time, pose_);
        place_(time, pose_, locals);
        return locals;
    }

    /// Hands on what has to stand between two moments for lines from each to the next to follow the motion.
    void between(float from, const Locals& first, float to, const Locals& last, int halvings, const Take& take) {
        const float middle = from + (to - from) / 2;
        if (halvings == 0 || !(middle > from && middle < to)) {
            return;
        }
        const Locals half = at(middle);
        if (passes_through(first, half, last, size_)) {
            // The middle of a line and of a bend that crosses it are one: a quarter tells them apart.
            const float quarter = from + (middle - from) / 2;
            if (!(quarter > from && quarter < middle) || passes_through(first, at(quarter), half, size_)) {
                return;
            }
        }
        between(from, first, middle, half, halvings - 1, take);
        take(middle, half);
        between(middle, half, to, last, halvings - 1, take);
    }

  private:
    Poser poser_;
    double size_;
    size_t nodes_;
    const Place& place_;
    Pose pose_;
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
    std::vector<float> all_times;
    std::vector<std::vector<float>> translations(nodes.size());
    std::vector<std::vector<float>> rotations(nodes.size());
    std::vector<std::vector<float>> scales(nodes.size());
    std::vector<Quat> last(nodes.size(), Quat::Identity());
    const Samples::Take take = [&](float time, const Locals& locals) {
        all_times.push_back(time);
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
    };
    Samples samples(from, whole, nodes.size(), place);
    Locals before_it;
    float last_time = 0;
    for (const float moment : moments) {
        Locals here = samples.at(moment);
        if (!before_it.empty()) {
            samples.between(last_time, before_it, moment, here, most_halvings, take);
        }
        take(moment, here);
        before_it = std::move(here);
        last_time = moment;
    }
    const Shared<float> times(std::move(all_times));
    for (size_t n = 0; n < nodes.size(); ++n) {
        clip.channels.push_back(
            {nodes[n], Path::translation, Interpolation::linear, 3, times, std::move(translations[n]), {}});
        clip.channels.push_back(
            {nodes[n], Path::rotation, Interpolation::linear, 4, times, std::move(rotations[n]), {}});
        clip.channels.push_back({nodes[n], Path::scale, Interpolation::linear, 3, times, std::move(scales[n]), {}});
    }
}

} // namespace wembrix
