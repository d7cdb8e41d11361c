// Numbers of a .usda file, many at once.
#pragma once

#include "core/formats/usd/value.h"

#include <optional>
#include <string_view>

namespace wembrix::usd {

/// The value of that type that the text begins with, and how many bytes of it that took. Nothing where the text is
/// something else: a bracket too many, a tuple too short, a number too large for its kind. Precondition: numbers.
struct ScannedNumbers {
    Value value;
    size_t length = 0;
};
std::optional<ScannedNumbers> scan_numbers(const Type& type, std::string_view text);

} // namespace wembrix::usd
