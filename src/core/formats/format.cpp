#include "core/formats/format.h"
#include "core/base/text.h"

#include "core/formats/bvh/bvh.h"
#include "core/formats/collada/collada.h"
#include "core/formats/gltf/gltf.h"
#include "core/formats/obj/obj.h"
#include "core/formats/usd/usd.h"

#include <algorithm>
#include <array>
#include <cctype>

namespace wembrix {

namespace {

constexpr Contents gltf_contents = Content::skeleton | Content::surfaces | Content::skins | Content::shapes |
                                   Content::clips | Content::clip_names | Content::materials | Content::cameras |
                                   Content::lights | Content::curved_keys | Content::extras | Content::carried |
                                   Content::several_clips | Content::about;
constexpr Contents usd_contents = Content::skeleton | Content::surfaces | Content::skins | Content::shapes |
                                  Content::clips | Content::clip_names | Content::materials | Content::curves |
                                  Content::caches | Content::extras | Content::about;
constexpr Contents collada_contents = Content::skeleton | Content::surfaces | Content::skins | Content::shapes |
                                      Content::clips | Content::clip_names | Content::materials | Content::cameras |
                                      Content::lights | Content::extras | Content::about;
constexpr Contents bvh_contents = Content::skeleton | Content::clips;

using Written = Result<std::vector<WrittenFile>>;

const std::vector<Format>& rows() {
    static const std::vector<Format> all = {
        {"glb",
         "glTF 2.0, one binary file",
         {".glb"},
         gltf_contents,
         gltf_contents,
         FileSpace::standard,
         gltf_binary_options(),
         read_gltf,
         [](const Scene& scene, const std::string& stem, const nlohmann::json& options, const AxisSystem&) -> Written {
             return write_glb(scene, stem, options);
         }},
        {"gltf",
         "glTF 2.0, text with its buffer beside it",
         {".gltf"},
         gltf_contents,
         gltf_contents,
         FileSpace::standard,
         gltf_text_options(),
         read_gltf,
         [](const Scene& scene, const std::string& stem, const nlohmann::json& options, const AxisSystem&) -> Written {
             return write_gltf_for_delivery(scene, stem, options);
         }},
        {"gltf_embedded",
         "glTF 2.0, text with its buffer inside",
         {".gltf"},
         gltf_contents,
         gltf_contents,
         FileSpace::standard,
         gltf_text_options(),
         read_gltf,
         [](const Scene& scene, const std::string& stem, const nlohmann::json& options, const AxisSystem&) -> Written {
             return write_gltf_embedded(scene, stem, options);
         }},
        {"usdc",
         "USD, one binary file",
         {".usdc", ".usd"},
         usd_contents,
         usd_contents,
         FileSpace::stated,
         {},
         read_usd,
         [](const Scene& scene, const std::string& stem, const nlohmann::json&, const AxisSystem& space) -> Written {
             return write_usd(scene, stem, space, false);
         },
         write_moving_usd,
         open_moving_usd},
        {"usda",
         "USD as text",
         {".usda"},
         usd_contents,
         usd_contents,
         FileSpace::stated,
         {},
         read_usd,
         [](const Scene& scene, const std::string& stem, const nlohmann::json&, const AxisSystem& space) -> Written {
             return write_usd(scene, stem, space, true);
         }},
        {"dae",
         "COLLADA 1.4, text with its images beside it",
         {".dae"},
         collada_contents,
         collada_contents,
         FileSpace::stated,
         {},
         read_collada,
         [](const Scene& scene, const std::string& stem, const nlohmann::json&, const AxisSystem& space) -> Written {
             return write_collada(scene, stem, space);
         }},
        {"bvh",
         "BVH, joints and motion as text",
         {".bvh"},
         bvh_contents,
         bvh_contents,
         FileSpace::destination,
         bvh_options(),
         read_bvh,
         [](const Scene& scene, const std::string& stem, const nlohmann::json& options, const AxisSystem&) -> Written {
             return write_bvh(scene, stem, options);
         }},
        {"obj",
         "OBJ, surfaces as text",
         {".obj"},
         Content::surfaces | Content::materials,
         0, // read only: what a delivery of it would have to be held against is not told apart yet
         FileSpace::destination,
         {},
         read_obj,
         nullptr},
    };
    return all;
}

std::string suffix_of(const std::filesystem::path& file) {
    std::string suffix = file.extension().string();
    std::transform(suffix.begin(), suffix.end(), suffix.begin(), [](unsigned char c) { return std::tolower(c); });
    return suffix;
}

} // namespace

std::span<const Format> formats() {
    return rows();
}

const Format* format_with_id(std::string_view id) {
    const auto found = std::find_if(rows().begin(), rows().end(), [&](const Format& row) { return row.id == id; });
    return found == rows().end() ? nullptr : &*found;
}

const Format* format_of_file(const std::filesystem::path& file) {
    const std::string suffix = suffix_of(file);
    const auto found = std::find_if(rows().begin(), rows().end(), [&](const Format& row) {
        return row.read != nullptr && std::find(row.suffixes.begin(), row.suffixes.end(), suffix) != row.suffixes.end();
    });
    return found == rows().end() ? nullptr : &*found;
}

Result<Scene> read_scene(const std::filesystem::path& file) {
    if (const Format* format = format_of_file(file)) {
        return format->read(file);
    }
    return Problem{"no reader for files that end in \"" + suffix_of(file) + "\".", file.string(), what_is_read()};
}

std::vector<std::string> readable_suffixes() {
    std::vector<std::string> suffixes;
    for (const Format& row : rows()) {
        for (const std::string_view suffix : row.suffixes) {
            if (row.read != nullptr && std::find(suffixes.begin(), suffixes.end(), suffix) == suffixes.end()) {
                suffixes.emplace_back(suffix);
            }
        }
    }
    return suffixes;
}

Text what_is_read() {
    const std::vector<std::string> suffixes = readable_suffixes();
    std::string list = suffixes.front();
    for (size_t i = 1; i + 1 < suffixes.size(); ++i) {
        list += ", " + suffixes[i];
    }
    return phrase("Wembrix reads {} and {}.", list, suffixes.back());
}

} // namespace wembrix
