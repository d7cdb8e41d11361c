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
    const Shared<float> times(std::vector<float>(moments.begin(), moments.end()));
    const Poser poser(from, &whole);
    std::vector<std::vector<float>> translations(nodes.size());
    std::vector<std::vector<float>> rotations(nodes.size());
    std::vector<std::vector<float>> scales(nodes.size());
    std::vector<Quat> last(nodes.size(), Quat::Identity());
    std::vector<Transform> locals(nodes.size());
    Pose pose;
    for (const float time : times) {
        poser.at(time, pose);
        place(time, pose, locals);
        for (size_t n = 0; n < nodes.size(); ++n) {
            Transform& local = locals[n];
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
