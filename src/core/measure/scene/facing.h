// Which way a character looks, told from its joints.
#pragma once

#include "core/math/axes.h"
#include "core/scene/scene.h"

#include <optional>
#include <string>
#include <string_view>

namespace wembrix {

enum class Side { middle, left, right };

/// The side that a joint's name says: a word "left"/"right", or a lone "l"/"r" at an end, any case.
Side side_of(std::string_view name);

struct Facing {
    Axis axis = Axis::pos_z;
    std::string reason; ///< how it was told
};
/// Left cross up, over all pairs of sided joints, at rest; nothing when no joint says its side.
std::optional<Facing> facing_of(const Scene& scene);

} // namespace wembrix
