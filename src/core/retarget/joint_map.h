// Which joints of one skeleton are which of another: kept in a file, used again for the next hundred takes.
#pragma once

#include "core/base/result.h"
#include "core/scene/scene.h"

#include <filesystem>
#include <nlohmann/json.hpp>
#include <string>
#include <vector>

namespace wembrix {

/// Joints of the source and those of the target that do as they do: one each, or rows of other lengths, each from the
/// top down; then the rotation along the source's row is spread over the target's.
struct MapPair {
    enum class Role : uint8_t {
        none,
        root,   ///< carries the motion of the whole
        pelvis, ///< its path is carried, too
        foot,   ///< held where it stands
        hand,   ///< kept where it is still, if asked: in the world, at the other hand, at a prop
        prop,   ///< its own path is carried; hands may be at it
    };
    std::vector<std::string> source;
    std::vector<std::string> target;
    Role role = Role::none;
    std::string how; ///< how it was told: "name", "role", "spread", "hand"; for people
    bool operator==(const MapPair& other) const = default;
};

struct JointMap {
    std::string name;
    std::vector<MapPair> pairs;
    bool operator==(const JointMap& other) const = default;
    /// The pair that a joint of the target is in; null: none.
    [[nodiscard]] const MapPair* of_target(const std::string& joint) const;
    [[nodiscard]] const MapPair* of_source(const std::string& joint) const;
};

/// {"format": "wembrix map", "version": 2, "name", "pairs": [{"source": [...], "target": [...], "role", "how"}]}
Result<JointMap> map_from_json(const nlohmann::json& json, const std::string& where);
nlohmann::json map_to_json(const JointMap& map);
Result<JointMap> read_map(const std::filesystem::path& file);

/// Whether a joint's name says that it only divides a bone.
bool is_twist_name(const std::string& name);

/// By name, prefixes and ways of writing aside; then by what the joints are of a body. What is unsure of the two, or
/// has nothing to answer it, is left out.
JointMap propose_map(const Scene& source, const Scene& target, const std::string& name);

} // namespace wembrix
