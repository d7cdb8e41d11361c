// Everything that a scene holds, thing by thing: what the ledger counts to tell what was left on the way.
#pragma once

#include "core/scene/scene.h"

#include <cstdint>
#include <string>
#include <vector>

namespace wembrix {

/// One thing that a scene holds. It belongs to a node or take by identity, so that renaming it changes nothing.
struct Thing {
    std::string what;      ///< "joint", "texture coordinates", "rotation keys"
    std::string name;      ///< for people: "tower/smile"
    size_t count = 1;      ///< of vertices, keys and the like; 1 of what is one
    int64_t owner = 0;     ///< node that it belongs to; 0: the scene
    int64_t take = 0;      ///< take that it belongs to; 0: none
    std::string part;      ///< tells it from others of its kind under one owner: a name, a set
    bool is_owner = false; ///< it is the node itself
};

std::vector<Thing> inventory_of(const Scene& scene);

/// What was in `before` and is not in `after`, each once: a node that is gone is named and nothing of what it carried.
/// What was joined into another surface is not gone. Where a node holds as many of a kind as before, they were renamed.
std::vector<Thing> left_between(const Scene& before, const Scene& after);

} // namespace wembrix
