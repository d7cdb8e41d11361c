// Libraries of materials beside an OBJ.
#pragma once

#include "core/scene/scene.h"

#include <filesystem>
#include <map>
#include <string>
#include <string_view>

namespace wembrix::obj {

/// Reads a library's materials, textures and images into the scene; materials that `places` has already (by name) are
/// filled in, others are added. Images are read from the folder or below, never from elsewhere; one that is not there
/// is a note that says where it was sought.
void read_library(std::string_view text, const std::string& name, const std::filesystem::path& folder, Scene& scene,
                  std::map<std::string, int, std::less<>>& places);

} // namespace wembrix::obj
