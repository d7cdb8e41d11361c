// Files that a file names: taken from its folder, and from nowhere else.
#pragma once

#include <filesystem>
#include <string>
#include <string_view>

namespace wembrix {

/// A file beside another one by the name that stands in it: as it stands, below `folder`, or, where that leads
/// elsewhere or nowhere, by its last part alone in `folder`. Empty: it is not there.
std::filesystem::path find_beside(const std::filesystem::path& folder, std::string_view written);

/// "image/png" or "image/jpeg", by how they begin; empty for all else.
std::string image_type(std::string_view bytes);

} // namespace wembrix
