#include "core/steps/clips/source_takes.h"
#include "core/base/text.h"

#include <algorithm>
#include <cmath>

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

Result<int> place_of_whole_take(const Scene& scene, const std::string& source, const Clip& clip, int64_t take,
                                bool remade_too, std::vector<Text>& could_not) {
    const std::vector<size_t> places = clips_of_take(scene, take);
    if (places.empty()) {
        could_not.push_back(phrase("{}: “{}” is not among the clips any more", source, clip.name));
        return -1;
    }
    const Clip& now = scene.clips[places.front()];
    if (places.size() > 1 || (now.remade && !remade_too) || std::abs(now.start_s - clip.start_s) > 1e-9 ||
        std::abs(now.seconds - clip.seconds) > 1e-9) {
        return Problem{phrase("“{}” is cut or changed already.", clip.name), source,
                       "Put this step before those that work on it."};
    }
    return static_cast<int>(places.front());
}

} // namespace wembrix
