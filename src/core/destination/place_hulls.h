// Collision hulls as a destination wants them.
#pragma once

#include "core/destination/destination.h"
#include "core/scene/scene.h"

#include <string>

namespace wembrix {

/// What each hull becomes: a plain surface below what it belongs to, or at the top where it stands at rest; data of
/// its node; or it is taken out. Surfaces are called by the destination's template.
void place_hulls(Scene& scene, const Destination& destination);

/// A name by a template: {surface} is what the hull belongs to, {number} counts from 1, {kind} is "box". A Problem for
/// any other token, or a template that says nothing.
Result<std::string> hull_name(const std::string& pattern, const std::string& belongs_to, size_t number,
                              std::string_view kind);

} // namespace wembrix
