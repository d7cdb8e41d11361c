#include "core/destination/limit_for.h"

#include "core/base/counted.h"
#include "core/base/hasher.h"
#include "core/base/text.h"
#include "core/measure/surface/influence_fit.h"
#include "core/measure/surface/influence_limit.h"
#include "core/scene/content.h"

#include <algorithm>
#include <deque>
#include <memory>
#include <mutex>

namespace wembrix {

namespace {

/// A delivery conforms the same scene several times: for the file, for its check and for the ledger.
std::shared_ptr<const InfluenceFit> fit_of(const Scene& scene, int most) {
    struct Kept {
        std::string content;
        std::shared_ptr<const InfluenceFit> fit;
    };
    static std::mutex mutex;
    static std::deque<Kept> kept;
    constexpr size_t room = 4;
    Hasher hash;
    hash.number(most);
    add_content(hash, scene);
    for (const Clip& clip : scene.clips) {
        add_content(hash, clip);
    }
    const std::string content = hash.hex();
    const std::lock_guard lock(mutex);
    const auto found = std::find_if(kept.begin(), kept.end(), [&](const Kept& one) { return one.content == content; });
    if (found != kept.end()) {
        return found->fit;
    }
    auto fit = std::make_shared<const InfluenceFit>(fit_influences(scene, {most, surfaces_of(scene), {}}));
    kept.push_front({content, fit});
    kept.resize(std::min(kept.size(), room));
    return fit;
}

Text moves(const InfluenceFit& fit) {
    if (fit.frames == 0 || fit.fitted.node < 0) {
        return "nothing of it moves";
    }
    return phrase("by what moves least: {:.3f} mm in the mean, at most {:.2f} mm (frame {} of “{}”)",
                  fit.fitted.mean_mm, fit.fitted.largest_mm, fit.fitted.frame, fit.fitted.clip);
}

} // namespace

std::vector<LimitedSurface> limit_for(Scene& scene, const Destination& destination) {
    std::vector<LimitedSurface> limited;
    std::vector<Influences> heaviest(scene.nodes.size());
    for (size_t n = 0; n < scene.nodes.size(); ++n) {
        heaviest[n] = scene.nodes[n].influences;
        const InfluenceLoss loss = limit_influences(heaviest[n], destination.influences);
        if (loss.points > 0) {
            limited.push_back({static_cast<int>(n), loss.points, loss.largest_weight,
                               phrase("brought to {}, the largest weight lost {:.3f}",
                                      counted(destination.influences, "influence"), loss.largest_weight)});
        }
    }
    const bool fits = destination.influences_kept == InfluencesKept::least_motion && !limited.empty();
    const std::shared_ptr<const InfluenceFit> fit = fits ? fit_of(scene, destination.influences) : nullptr;
    for (size_t n = 0; n < scene.nodes.size(); ++n) {
        scene.nodes[n].influences = std::move(heaviest[n]); // sums are 1 in all of them, to the last digit
    }
    for (LimitedSurface& one : limited) {
        const auto n = static_cast<size_t>(one.node);
        if (fit != nullptr && !fit->influences[n].empty()) {
            scene.nodes[n].influences = fit->influences[n];
            limit_influences(scene.nodes[n].influences, destination.influences);
        }
        if (fit != nullptr) {
            one.said = phrase("brought to {}, {}", counted(destination.influences, "influence"), moves(*fit));
        }
    }
    return limited;
}

} // namespace wembrix
