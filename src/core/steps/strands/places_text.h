// A line of places as a text that people can type: "x y z, x y z, …", in millimetres.
#pragma once

#include "core/math/transform.h"

#include <optional>
#include <string>
#include <vector>

namespace wembrix {

/// Two places or more, metres; nothing: it is something else.
std::optional<std::vector<Vec3>> places_in_text(const std::string& text);
/// To a hundredth of a millimetre.
std::string text_of_places(const std::vector<Vec3>& places);

} // namespace wembrix
