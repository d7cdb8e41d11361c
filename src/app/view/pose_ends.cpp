#include "view/pose_ends.h"

#include "core/measure/clips/seam.h"

namespace wembrix::app {

std::shared_ptr<const PoseEnds> pose_ends(const std::shared_ptr<const Scene>& scene, const std::string& name,
                                          double height_m) {
    const Clip* clip = scene->find_clip(name);
    if (clip == nullptr) {
        return nullptr;
    }
    auto ends = std::make_shared<PoseEnds>();
    ends->first = std::make_shared<PosedScene>(scene);
    ends->last = std::make_shared<PosedScene>(scene);
    for (const auto& end : {ends->first, ends->last}) {
        end->choose(clip, 0);
        end->pose_at(end == ends->first ? 0 : clip->seconds);
    }
    if (clip->loop) {
        const Seam seam = measure_seam(*scene, *clip, height_m);
        ends->aligned = seam.aligned;
        ends->is_aligned = seam.travels || seam.turns;
    }
    return ends;
}

} // namespace wembrix::app
