// A take onto a model's skeleton: joints found by name, other units and other rest rotations carried over.
#pragma once

#include "core/scene/scene.h"

#include <string>
#include <vector>

namespace wembrix {

struct Brought {
    std::vector<Clip> clips;            ///< on the model's nodes
    std::vector<std::string> left_out;  ///< what the take moves and the model does not have
    std::vector<std::string> not_moved; ///< joints of the model that the take does not have
    double factor = 1;                  ///< the take's lengths times this are the model's: its unit
    bool carried = false;               ///< turns were carried into the model's frames; else keys are as they came
    double longest_apart = 0;           ///< of its bones, how unlike the worst is in length, 0.1: a tenth
};

/// Nodes are the same whose names are, prefixes (up to the last ':') aside. Where bones lie alike in the frames of both
/// skeletons and all lengths agree, keys are taken as they are. Else the take's motion is put onto the model so that
/// each joint stands in the world as it did in the take: bones along bones, and the turn about them as both rest. A
/// skeleton of other proportions keeps its own lengths.
Brought bring_take(const Scene& model, const Scene& take);

/// What stands behind the last ':'.
std::string strip_namespace(const std::string& name);

} // namespace wembrix
