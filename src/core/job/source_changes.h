// What is different between two states of the sources, in words.
#pragma once

#include "core/scene/scene.h"

#include <string>
#include <vector>

namespace wembrix {

/// One line for each kind of change: joints, surfaces, points, shapes, takes; empty when nothing of that changed.
/// Things are told to be the same by their names.
std::vector<Text> describe_changes(const Scene& before, const Scene& after);

} // namespace wembrix
