// Whether a file can lie where a destination wants it: letters, reserved names, length, folders as they are spelled.
#pragma once

#include "core/destination/destination.h"

#include <filesystem>
#include <optional>

namespace wembrix {

/// What is wrong with the path of a file that is to be written, with the exact character, name or length. `file` is the
/// whole path; nothing has to be there yet.
std::optional<Problem> problem_with_path(const std::filesystem::path& file, const Destination& destination);

/// The same of the folders that a delivery makes for a file, "props/lamp" below its own.
std::optional<Problem> problem_with_folders(const std::string& stem, const Destination& destination);

/// A folder on the way to `file` that is there in other capitals: on many systems it would be the same one, and in an
/// engine project it has to be spelled as it is there.
std::optional<Problem> problem_with_spelling(const std::filesystem::path& file);

} // namespace wembrix
