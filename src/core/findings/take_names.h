// Names of takes that say nothing.
#pragma once

#include <string_view>

namespace wembrix {

/// A name that says nothing about what moves: "capture_07", "Clip (3)".
bool is_meaningless_take_name(std::string_view name);

} // namespace wembrix
