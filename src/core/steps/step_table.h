// The table of steps of docs/cli.md, from what the steps declare of themselves.
#pragma once

#include <string>

namespace wembrix {

/// Markdown: a row for each step, its parameters with unit, range and what holds where they are not set.
std::string step_table();

} // namespace wembrix
