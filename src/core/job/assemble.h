// Several sources into one Received scene: a model, takes for its joints, props.
#pragma once

#include "core/scene/scene.h"

#include <string>
#include <vector>

namespace wembrix {

struct NamedScene {
    std::string name; ///< of its file
    Scene scene;
};

/// The first scene is the base. A later one whose joints are mostly the base's (by name, prefixes ignored) gives
/// its takes to them; any other is put beside it whole. What finds no place is said in the notes.
Scene assemble(std::vector<NamedScene> sources);

} // namespace wembrix
