// What is done with all colours of a theme at once.
#pragma once

#include "style/theme.h"

#include <optional>
#include <vector>

namespace wembrix::app {

/// Those that widgets show, in one order; no two of a theme are the same where another theme's differ.
std::vector<QColor> colours_of(const Theme& theme);
Theme theme_of(bool dark);

/// What the desktop says of itself, for who chose its colours; nothing: what its palette looks like.
void desktop_says_dark(std::optional<bool> dark);

} // namespace wembrix::app
