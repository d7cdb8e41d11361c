// Names: clashes, prefixes, wildcards.
#pragma once

#include "core/scene/scene.h"

#include <string>
#include <string_view>
#include <utility>
#include <vector>

namespace wembrix {

/// Names that stand more than once in the list, each once.
std::vector<std::string> doubled_names(const std::vector<std::string>& names);

/// What comes before the last `separator`, with it; empty when there is none or nothing follows it.
std::string_view prefix_of(std::string_view name, std::string_view separator);

/// '*' stands for any run of characters, '?' for one.
bool matches_wildcard(std::string_view name, std::string_view pattern);

/// "a, b, c and 4 more"
std::string some_of(const std::vector<std::string>& names, size_t most = 3);

} // namespace wembrix
