// The metadata that the core specification names, and what type each is.
#pragma once

#include "core/formats/usd/value.h"

#include <optional>
#include <string_view>

namespace wembrix::usd {

/// Of "upAxis", "elementSize", …; nothing for a field that nobody named.
std::optional<Type> type_of_field(std::string_view field);

} // namespace wembrix::usd
