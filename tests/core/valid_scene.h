// What holds of every scene, whatever made it.
#pragma once

#include "core/scene/scene.h"

#include <string>

namespace wembrix::testing {

/// The first thing that is not as it must be: a reference that names nothing, an array that is too short, a number that
/// is none, a name twice. Empty: all is.
std::string what_is_not_valid(const Scene& scene);

} // namespace wembrix::testing
