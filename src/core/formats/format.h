// Scene formats: one reader and one writer each, behind one registry.
#pragma once

#include "core/base/result.h"
#include "core/scene/scene.h"

#include <filesystem>
#include <span>
#include <string>
#include <string_view>
#include <vector>

namespace wembrix {

/// One file of what a writer made. The first of a list is the one that is opened; others lie beside it.
struct WrittenFile {
    std::string name;
    std::string bytes;
};

struct Format {
    std::string_view id;     ///< "glb"; what a destination's `container` says
    std::string_view label;  ///< for people
    std::string_view suffix; ///< ".glb"
    bool surfaces = true;    ///< it holds models; else skeletons and motion alone
    /// Reads into core's conventions. Never trusts the file; never reads outside its folder.
    Result<Scene> (*read)(const std::filesystem::path& file) = nullptr;
    /// Writes a scene; `stem` is the file name without its suffix. Same scene in, same bytes out.
    Result<std::vector<WrittenFile>> (*write)(const Scene& scene, const std::string& stem) = nullptr;
};

std::span<const Format> formats();
const Format* format_with_id(std::string_view id);
/// Picks the reader by the file's suffix.
Result<Scene> read_scene(const std::filesystem::path& file);

} // namespace wembrix
