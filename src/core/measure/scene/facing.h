// Which way a character looks, told from its joints.
#pragma once

#include "core/base/text.h"
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
    Text reason;          ///< how it was told
    double certainty = 1; ///< 0 to 1
};
/// At rest, for a character that stands along +Y: left cross up, over all pairs of sided joints; where no joint says
/// its side, from toes before their feet, eyes or a beak before the head, knees before hip and foot. Nothing when none
/// of it is there, or the grounds disagree.
std::optional<Facing> facing_of(const Scene& scene);
/// The same, and where the rest pose does not say it, from the way that the character goes in its clips.
std::optional<Facing> guess_facing(const Scene& scene);

/// From the right joints to the left ones, at rest; nothing where no joint says its side.
std::optional<Vec3> across_of(const Scene& scene);

} // namespace wembrix
