// One scene's lists behind another's, and names that nothing else has.
#pragma once

#include "core/scene/named_scene.h"

namespace wembrix {

/// Puts everything of a source beside what is there, under free names. `identity` is added to its identities.
void append_scene(Scene& base, NamedScene source, int64_t identity);

/// Clips under names that are free in `base`, with `identity` added to their takes.
void append_clips(Scene& base, std::vector<Clip> clips, int64_t identity);

} // namespace wembrix
