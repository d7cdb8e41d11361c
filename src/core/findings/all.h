// The rows of the finding registry; each is defined in the file of its name.
#pragma once

#include "core/findings/finding.h"

namespace wembrix {

std::vector<Finding> find_odd_size(const FindingContext& context);
std::vector<Finding> find_roots(const FindingContext& context);
std::vector<Finding> find_holders(const FindingContext& context);
std::vector<Finding> find_name_prefixes(const FindingContext& context);
std::vector<Finding> find_take_names(const FindingContext& context);
std::vector<Finding> find_reader_notes(const FindingContext& context);

/// A name that says nothing about what moves: "capture_07", "Clip (3)".
bool is_meaningless_take_name(std::string_view name);

} // namespace wembrix
