// A take onto a model's skeleton: joints found by name, other units and other rest rotations carried over.
#pragma once

#include "core/scene/scene.h"
#include "core/steps/skeleton/skeleton_match.h"

#include <cstdint>
#include <map>
#include <optional>
#include <string>
#include <vector>

namespace wembrix {

struct BringOptions : MatchOptions {
    enum class Carry : uint8_t {
        where_needed, ///< unless keys mean the same on both skeletons, or their lengths are too far apart
        always,
        never
    };
    Carry carry = Carry::where_needed;
};

struct Brought {
    std::vector<Clip> clips;            ///< on the model's nodes, one per clip of the take
    std::vector<LeftMotion> left_out;   ///< what moves nothing here, in the order of the take's nodes
    std::vector<std::string> not_moved; ///< joints of the model that the take does not have
    size_t surfaces_left_out = 0;       ///< surfaces of the take that the model does not have
    double factor = 1;                  ///< the take's lengths times this are the model's: its unit
    bool carried = false;               ///< turns were carried into the model's frames; else keys are as they came
    double longest_apart = 0;           ///< of its bones, how unlike the worst is in length, 0.1: a tenth
    double legs_longer_m = 0;           ///< the model's legs against the take's, where both stand; below 0: shorter
    double size_ratio = 1; ///< of the bone in the middle, the model's against the take's, once the unit is settled
    std::string foot;      ///< the joint of the model that those end in; empty where nobody stands

    /// Nothing was changed and nothing left out: the keys are those of the take, and none is missing.
    [[nodiscard]] bool as_it_came() const { return factor == 1 && !carried && left_out.empty(); }
    /// Most of what it moves is not here, and more than a helper or two.
    [[nodiscard]] bool is_of_another_body() const;
};

/// Nodes are the same whose names are, prefixes (up to the last ':') aside. Where bones lie alike in the frames of both
/// skeletons and all lengths agree, keys are taken as they are. Else the take's motion is put onto the model so that
/// each joint stands in the world as it did in the take: bones along bones, and the turn about them as both rest. What
/// moves above a joint of the model, and has no joint there, is then moved by that joint. A skeleton of other
/// proportions keeps its own lengths.
Brought bring_take(const Scene& model, const Scene& take, const BringOptions& options = {});

/// Says in a source's fit what of its motion finds no joint, and how its legs differ.
void add_to_fit(SourceFit& fit, const Brought& brought);

/// What was changed and what stayed out, a sentence each, to stand behind the take's name.
std::vector<Text> notes_on(const Brought& brought);

} // namespace wembrix
