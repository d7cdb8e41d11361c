// Whole files in, whole files out.
#pragma once

#include "core/base/result.h"

#include <filesystem>
#include <string>

namespace wembrix {

/// The bytes of a regular file (no folders, no devices), at most 4 GiB.
Result<std::string> read_file(const std::filesystem::path& file);

/// Writes beside the file, syncs, and puts it in place in one move: the old file or the new one, never half of it.
Outcome write_file_whole(const std::filesystem::path& file, const std::string& bytes);

/// The same, but a link stays a link: what it points at is replaced. For files that a person chose.
Outcome replace_file(const std::filesystem::path& file, const std::string& bytes);

/// XXH3, 128 bits, as 32 hexadecimal digits.
std::string hash_of(const std::string& bytes);

/// A name that any file system takes: letters, digits, '-' and '_' kept, all else becomes '_'.
std::string file_name_safe(const std::string& name);

} // namespace wembrix
