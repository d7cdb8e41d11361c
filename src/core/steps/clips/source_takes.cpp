#include "core/steps/clips/source_takes.h"

#include <algorithm>

namespace wembrix {

bool moves_others(const StepContext& context, size_t source) {
    const Scene& scene = context.scene;
    const auto is_of = [source](int64_t identity) { return identity != 0 && source_of_identity(identity) == source; };
    const bool part = std::any_of(scene.fits.begin(), scene.fits.end(), [&](const SourceFit& fit) {
        return fit.source == context.sources[source].name && fit.role == SourceRole::part;
    });
    return std::any_of(scene.clips.begin(), scene.clips.end(),
                       [&](const Clip& clip) { return source_of_identity(clip.take) == source; }) &&
           (part || std::none_of(scene.nodes.begin(), scene.nodes.end(),
                                 [&](const Node& node) { return is_of(node.identity); }));
}

std::vector<size_t> clips_of_take(const Scene& scene, int64_t take) {
    std::vector<size_t> places;
    for (size_t c = 0; c < scene.clips.size(); ++c) {
        if (scene.clips[c].take == take) {
            places.push_back(c);
        }
    }
    return places;
}

} // namespace wembrix
