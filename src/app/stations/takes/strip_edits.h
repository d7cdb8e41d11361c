// What the take strip's gestures do to a list of cuts. No widgets.
#pragma once

#include "core/job/cuts.h"

#include <vector>

namespace wembrix::app {

/// Cuts at a frame: the clip it lies inside of becomes two; in a gap a clip begins there and lasts to the end of the
/// gap; a take without clips becomes two. Frames on a clip's own end change nothing.
std::vector<Cut> cut_at(std::vector<Cut> cuts, int frame, int frames);

/// Cuts a take at all of these frames, from its first frame to its last: one clip between each two.
std::vector<Cut> cut_all(const std::vector<int>& places, int frames);

/// Moves the first or last frame of one clip; it keeps at least two frames and stays inside the take.
std::vector<Cut> move_end(std::vector<Cut> cuts, size_t clip, bool last, int frame, int frames);

/// The target within `reach` frames that is nearest, else the frame itself.
int snapped(int frame, const std::vector<int>& targets, double reach);

} // namespace wembrix::app
