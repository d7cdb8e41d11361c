// Scene formats: one reader and one writer each, behind one registry. All that the program knows of a format, its
// suffixes, what it can hold and what can be set of it, stands in its row.
#pragma once

#include "core/base/result.h"
#include "core/formats/moving_points.h"
#include "core/math/axes.h"
#include "core/parameters/parameter.h"
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

/// What a file can hold, as bits of a set.
enum class Content : uint32_t {
    skeleton = 1U << 0U,
    surfaces = 1U << 1U,
    skins = 1U << 2U,
    shapes = 1U << 3U,
    clips = 1U << 4U,
    clip_names = 1U << 5U,
    materials = 1U << 6U,
    curves = 1U << 7U,
    caches = 1U << 8U,
    hulls = 1U << 9U,
    cameras = 1U << 10U,
    lights = 1U << 11U,
    curved_keys = 1U << 12U,   ///< keys at any moment, stepped and cubic ones, and channels alone
    extras = 1U << 13U,        ///< what somebody says of a node in words of their own
    several_clips = 1U << 15U, ///< in one file
    carried = 1U << 14U,       ///< all else that a source says beyond what core reads, as it stood there
    about = 1U << 16U,         ///< what somebody says of the file as a whole
};
using Contents = uint32_t;
constexpr Contents operator|(Content a, Content b) {
    return static_cast<Contents>(a) | static_cast<Contents>(b);
}
constexpr Contents operator|(Contents a, Content b) {
    return a | static_cast<Contents>(b);
}
constexpr bool has(Contents set, Content one) {
    return (set & static_cast<Contents>(one)) != 0;
}
constexpr bool has_all(Contents set, Contents wanted) {
    return (set & wanted) == wanted;
}

/// Which axes and which unit the numbers of a written file are in.
enum class FileSpace : uint8_t {
    standard,    ///< Y up, metres: the format leaves no choice
    destination, ///< those of the destination: the file does not say which
    stated,      ///< those of the destination, and the file says its up axis and its unit: its reader goes by them
};

struct Format {
    std::string_view id;                    ///< "glb"; what a destination's `container` says
    std::string_view label;                 ///< for people
    std::vector<std::string_view> suffixes; ///< ".glb"; the first is what files are written with
    Contents reads = 0;
    Contents writes = 0; ///< nothing: it is read only
    FileSpace space = FileSpace::standard;
    std::vector<Parameter> options; ///< what a destination can set of it; the writer gets it
    /// Reads into core's conventions. Never trusts the file; never reads outside its folder.
    Result<Scene> (*read)(const std::filesystem::path& file) = nullptr;
    /// Writes a scene; `stem` is the file name without its suffix, `space` the axes and the unit that the scene's
    /// numbers are in. Same scene and options in, same bytes out.
    /// Precondition: check_parameters finds nothing in the options; an empty object sets none.
    Result<std::vector<WrittenFile>> (*write)(const Scene& scene, const std::string& stem,
                                              const nlohmann::json& options, const AxisSystem& space) = nullptr;

    /// One part of a scene whose points move, into a new file, frame after frame; and such a file as it was written.
    /// Null: the format has no place for it, or one that would be no file of use.
    Outcome (*write_moving)(const Scene& scene, const MovingPoints& points, const std::filesystem::path& file,
                            const AxisSystem& space) = nullptr;
    Result<MovingFile> (*open_moving)(const std::filesystem::path& file) = nullptr;

    [[nodiscard]] std::string_view suffix() const { return suffixes.front(); }
    [[nodiscard]] bool is_read_only() const { return write == nullptr; }
};

std::span<const Format> formats();
const Format* format_with_id(std::string_view id);
/// The format of the first row whose suffix the file has, capitals aside; null: none reads it.
const Format* format_of_file(const std::filesystem::path& file);
/// Picks the reader by the file's suffix.
Result<Scene> read_scene(const std::filesystem::path& file);

/// Each suffix that can be read once: ".glb", ".gltf", …
std::vector<std::string> readable_suffixes();
/// "Wembrix reads .glb, .gltf and .bvh."
Text what_is_read();

} // namespace wembrix
