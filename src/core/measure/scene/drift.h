// Drift: how far surface points (and joints) of one scene are from where another has them, over a clip.
#pragma once

#include "core/measure/scene/moved.h"
#include "core/measure/surface/deform.h"
#include "core/scene/scene.h"

#include <functional>
#include <string>
#include <vector>

namespace wembrix {

/// How nodes of two scenes are told to be the same one.
enum class Matching {
    identity, ///< by Node::identity: through renames and drops, within one job
    name,     ///< by name: between a scene and a file that was written from it, or two files
};

/// At so many moments of each frame a clip whose keys are made anew is held against what it was.
inline constexpr int moments_a_frame = 4;

struct Drift {
    double largest_mm = 0;
    int frame = 0;     ///< where the largest is
    std::string place; ///< the surface or joint it is on
    size_t point = 0;  ///< which point of that surface
    std::string clip;  ///< empty for the rest pose
    std::vector<float> per_frame_mm;
    size_t points_compared = 0; ///< a frame
    size_t joints_compared = 0;
    std::vector<std::string> not_compared; ///< surfaces of `should` with no counterpart or another point count

    /// Keeps the larger of the two.
    void take_worse(const Drift& other);
};

struct DriftRequest {
    const Scene* should = nullptr;     ///< where points should be
    const Clip* should_clip = nullptr; ///< or none: rest pose
    const Scene* is = nullptr;
    const Clip* is_clip = nullptr;
    double should_start_s = 0; ///< frame 0 of `is_clip` lies here on `should_clip`'s own clock
    double rate = 30;
    int frames = 1;
    Matching matching = Matching::identity;
    Moved moved;                ///< where `should` is expected to have gone (a resize)
    std::function<bool()> stop; ///< asked between frames; true ends the measure early
};
Drift measure_drift(const DriftRequest& request);

enum class Over { rest_and_clips, clips };
/// Over the rest pose and all clips of `is`, each held against the take or clip of `should` it came from, at
/// `subsamples` moments a frame (the frame that is told is the clip's). A clip that a step in between remade has
/// nothing to be held against.
Drift measure_drift_all(const Scene& should, const Scene& is, Matching matching, const Moved& moved,
                        const std::function<bool()>& stop = {}, Over over = Over::rest_and_clips, int subsamples = 1);

} // namespace wembrix
