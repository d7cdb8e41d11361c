// Several sources into one Received scene: a model, takes for its joints, props.
#pragma once

#include "core/scene/named_scene.h"
#include "core/steps/clips/bring_take.h"

#include <optional>
#include <vector>

namespace wembrix {

/// The first scene is the base. A later one whose joints are mostly the base's (by name, prefixes ignored) gives
/// its takes to them (the step "bring_takes" does so in other ways); any other is put beside it whole. What finds no
/// place is said in the notes.
Scene assemble(std::vector<NamedScene> sources);
/// Puts one more to what was assembled: the source at `place` of all. See identities_from(). How it was brought,
/// without its clips, if it was taken as motion.
std::optional<Brought> add_source(Scene& base, NamedScene source, size_t place);

} // namespace wembrix
