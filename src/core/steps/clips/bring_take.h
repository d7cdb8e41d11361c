// A take onto a model's skeleton: joints found by name, other units and other rest rotations carried over.
#pragma once

#include "core/scene/scene.h"

#include <cstdint>
#include <map>
#include <optional>
#include <string>
#include <vector>

namespace wembrix {

struct BringOptions {
    enum class Carry : uint8_t {
        where_needed, ///< unless keys mean the same on both skeletons, or their lengths are too far apart
        always,
        never
    };
    Carry carry = Carry::where_needed;
    std::optional<double> factor; ///< the take's lengths times this are the model's; nothing: as the bones say
    std::map<std::string, std::string> joints; ///< what a joint of the take is called on the model, where names differ
    /// Of each node of the model, another name that takes may know it by (the one it came with); empty for none.
    /// As long as the nodes, or empty.
    std::vector<std::string> other_names;
};

/// What a take moves and the model does not have.
struct LeftOut {
    std::string name;
    double moves_m = 0;       ///< the furthest from its first key, in the model's unit
    double turns_degrees = 0; ///< the furthest from its first key
};

struct Brought {
    std::vector<Clip> clips;            ///< on the model's nodes, one per clip of the take
    std::vector<LeftOut> left_out;      ///< in the order of the take's nodes
    std::vector<std::string> not_moved; ///< joints of the model that the take does not have
    size_t surfaces_left_out = 0;       ///< surfaces of the take that the model does not have
    double factor = 1;                  ///< the take's lengths times this are the model's: its unit
    bool carried = false;               ///< turns were carried into the model's frames; else keys are as they came
    double longest_apart = 0;           ///< of its bones, how unlike the worst is in length, 0.1: a tenth

    /// Nothing was changed and nothing left out: the keys are those of the take, and none is missing.
    [[nodiscard]] bool as_it_came() const { return factor == 1 && !carried && left_out.empty(); }
};

/// Nodes are the same whose names are, prefixes (up to the last ':') aside. Where bones lie alike in the frames of both
/// skeletons and all lengths agree, keys are taken as they are. Else the take's motion is put onto the model so that
/// each joint stands in the world as it did in the take: bones along bones, and the turn about them as both rest. A
/// skeleton of other proportions keeps its own lengths.
Brought bring_take(const Scene& model, const Scene& take, const BringOptions& options = {});

/// What was changed and what stayed out, a sentence each, to stand behind the take's name.
std::vector<std::string> notes_on(const Brought& brought);

/// What stands behind the last ':'.
std::string strip_namespace(const std::string& name);

} // namespace wembrix
