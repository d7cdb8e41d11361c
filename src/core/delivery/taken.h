// Whether an engine has taken a file that was handed over, told by the record that it leaves beside it.
#pragma once

#include "core/destination/destination.h"

#include <filesystem>
#include <string>
#include <string_view>

namespace wembrix {

enum class Taken {
    cannot_know, ///< the destination says of no record
    waiting,     ///< there is none yet, or one from before this file
    taken,
};
std::string_view taken_name(Taken taken); ///< "waiting"

/// `file` is told from the folder. A record counts that was written after the file was put in place; both times are
/// those of the file system that they lie on.
Taken taken_by_engine(const std::filesystem::path& folder, const std::string& file, const Destination& destination);

} // namespace wembrix
