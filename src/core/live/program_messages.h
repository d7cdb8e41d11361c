// What the program says to a listener of the live hand-over, each as a text that is JSON. docs/live.md
#pragma once

#include "core/math/transform.h"

#include <cstdint>
#include <optional>
#include <string>
#include <utility>
#include <vector>

namespace wembrix {

/// The bytes of a file go out in parts of at most so many; a listener asks for each after the first.
constexpr size_t live_part_bytes = size_t{512} << 10;

/// It may stay: which job, and which of its destinations the files are conformed to.
std::string welcome_message(const std::string& job, const std::string& destination);
/// It may not; the connection is closed after it.
std::string refused_message(const std::string& why);

/// A file, whose first bytes follow.
struct LiveFile {
    uint64_t number = 0;
    std::string deliverable; ///< id, such as "clip:stand"
    std::string kind;        ///< "clip"
    std::string name;        ///< "stand"
    std::string file_name;   ///< as a delivery calls it
    std::string content;     ///< the hash of what went into it
    std::string colour{};    ///< of a clip's span on the strip, "#RRGGBB"; empty: none
    uint64_t bytes = 0;
};
std::string file_message(const LiveFile& file);
/// It holds the content already: nothing follows.
std::string kept_message(const LiveFile& file);

/// What poses are of, in the order of their values.
struct PosedNames {
    std::vector<std::string> joints;
    std::vector<std::pair<std::string, std::vector<std::string>>> shapes; ///< of each node that has a surface with them
    bool operator==(const PosedNames& other) const = default;
};
/// Which joints and shapes the poses that follow are of.
std::string joints_message(const PosedNames& names);
/// A pose: of each joint its transform in its parent's space, in the space of the file. `clip` is empty for the rest
/// pose. With `ask` the listener says where it has the joints of `about` (places in the list of joints).
struct LivePose {
    std::string clip;
    double seconds = 0;
    std::vector<Transform> joints;
    std::vector<float> weights; ///< of all shapes, 0 to 1 in the main
    std::optional<uint64_t> ask;
    std::vector<size_t> about;
};
std::string pose_message(const LivePose& pose);

} // namespace wembrix
