// Which joints a step is about: names with wildcards, or all.
#pragma once

#include "core/scene/scene.h"

#include <string>
#include <vector>

namespace wembrix {

struct ChosenJoints {
    std::vector<char> in;             ///< one per node
    std::vector<std::string> no_such; ///< patterns that fit no joint
};
/// All joints when `patterns` is empty.
ChosenJoints choose_joints(const Scene& scene, const std::vector<std::string>& patterns);
/// "there is no joint X any more", or nothing.
std::vector<std::string> what_is_missing(const ChosenJoints& chosen);

/// True when the node's own scale differs from axis to axis, at rest or somewhere in a clip: a turn does not pass
/// through it.
bool scales_unevenly(const Scene& scene, int node);

/// The joints right below each node, in order.
std::vector<std::vector<int>> joints_below(const Scene& scene);
/// How many joints each node's tree has, the node itself counted.
std::vector<int> tree_sizes(const Scene& scene);

} // namespace wembrix
