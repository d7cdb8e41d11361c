// What a listener of the live hand-over says: who it is, what it made of a file, where it has joints. docs/live.md
#pragma once

#include "core/base/result.h"

#include <Eigen/Core>
#include <cstdint>
#include <nlohmann/json.hpp>
#include <string>
#include <string_view>
#include <variant>
#include <vector>

namespace wembrix {

constexpr int live_version = 1;
/// What a listener may say at once.
constexpr size_t longest_listener_message = size_t{4} << 20;

/// The first thing that it says.
struct ListenerHello {
    std::string token;
    std::string name;               ///< of the program
    std::string project;            ///< what it has open; may be empty
    std::string destination;        ///< of the job, by its name; empty: the one that is chosen
    std::vector<std::string> takes; ///< kinds of deliverables, by their ids; empty: model and clips
    std::vector<std::string> has;   ///< contents that it holds still, from before
    bool poses = true;              ///< it wants the pose at the clock
};

/// It wants the bytes of a file from there on.
struct ListenerMore {
    uint64_t file = 0;
    uint64_t from = 0;
};

/// What it made of a file: an answer as claims_of_reader() holds it against the file, or why it made nothing.
struct ListenerMade {
    uint64_t file = 0;
    nlohmann::json made;
    std::string problem;
    double seconds = 0; ///< from the last byte to this, as it says
};

/// Where it has the joints that a pose asked about, in the file's space; not finite where it has none.
struct ListenerPosed {
    uint64_t ask = 0;
    std::vector<Eigen::Vector3d> places;
};

using ListenerMessage = std::variant<ListenerHello, ListenerMore, ListenerMade, ListenerPosed>;

/// A Problem that says what is wrong with it: no JSON, no message that we know, another version, a part that is too
/// long or missing.
Result<ListenerMessage> listener_message(std::string_view text);

} // namespace wembrix
