// The last turn into a destination's terms: influences limited and rescaled, clips baked, one skeleton in every file.
#pragma once

#include "core/destination/clip_keys.h"
#include "core/destination/destination.h"
#include "core/measure/scene/drift.h"
#include "core/scene/scene.h"

#include <functional>
#include <string>
#include <vector>

namespace wembrix {

/// What of a clip's channels a file of it holds: all but weights of shapes that are not there.
Clip channels_that_go_out(const Scene& scene, const Clip& clip);

/// The clip without what the destination does not take of it: keys of shapes.
Clip taken_of(const Clip& clip, const Destination& destination);

/// Every joint, everything else that the clip moves, and every surface's shape weights, sampled at each frame of `rate`
/// from its first frame to its last. Stepped channels stay stepped; turns never take the long way. The last frame is
/// the clip's end.
Clip bake_clip(const Scene& scene, const Clip& clip, double rate);

/// What a clip loses between the frames of the destination: its own curves against its baked ones, at four moments a
/// frame. `frame` counts those moments; none is compared where the clip lies on frames already.
Drift drift_between_frames(const Scene& prepared, const Clip& clip, const Destination& destination,
                           const std::function<bool()>& stop = {});

struct Conformed {
    Scene scene;
    std::string account;
};
/// The model in its rest pose: what the card kept, without clips.
Conformed conform_model(const Scene& prepared, const Destination& destination);
/// Skeleton, what else the clip moves with what stands above it, and the clip. Surfaces whose shapes the clip moves are
/// stood in for by one point each that carries the shapes' names, since glTF has shape weights only on a node with a
/// mesh.
Conformed conform_clip(const Scene& prepared, const Clip& clip, const Destination& destination);
/// The same for several in one file, on one skeleton.
Conformed conform_clips(const Scene& prepared, const std::vector<const Clip*>& clips, const Destination& destination);
/// The model and those clips in one file. Keys of a skinned surface's own node, which moves nothing, stay behind.
Conformed conform_whole(const Scene& prepared, const std::vector<const Clip*>& clips, const Destination& destination);

} // namespace wembrix
