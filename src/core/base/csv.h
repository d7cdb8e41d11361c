// CSV as RFC 4180 has it.
#pragma once

#include "core/base/result.h"

#include <string>
#include <string_view>
#include <vector>

namespace wembrix {

/// The records of a CSV text, empty lines left out; quotes may hold commas, line ends and doubled quotes. A byte order
/// mark is passed over.
Result<std::vector<std::vector<std::string>>> csv_records(std::string_view text, const std::string& where);
/// A field as it stands in a file: in quotes where it has to be.
std::string csv_field(const std::string& field);

} // namespace wembrix
