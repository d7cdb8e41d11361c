// The table of the guide: what each kind of file carries, from the rows of the formats.
#pragma once

#include <string>

namespace wembrix {

/// Markdown: a row for each thing that a file can hold, a column for each format. What is read and written, read only,
/// or neither: it then stays behind, and the ledger says so.
std::string format_table();

} // namespace wembrix
