// The extensions of glTF that are known here, and what becomes of each: docs/formats.md has the same rows for people.
#pragma once

#include <cstdint>
#include <nlohmann/json.hpp>
#include <span>
#include <string>
#include <string_view>

namespace wembrix::gltf {

/// What an object's extensions stand on.
enum class Owner : uint8_t { material, texture, other };

struct KnownExtension {
    enum class Becomes : uint8_t {
        read,     ///< typed data of the scene, written anew
        decoded,  ///< the data it packs is read; it is not written
        carried,  ///< as text; every place in a list that it names is kept right
        left_out, ///< with a note: it holds data that core cannot renumber
    };
    std::string_view name;
    Becomes becomes;
    bool may_be_required;  ///< a file that cannot be used without it is taken
    std::string_view said; ///< what it is, and what it points to
};
std::span<const KnownExtension> known_extensions();
const KnownExtension* known_extension(std::string_view name); ///< null if there is none

/// False for an extension that is not known and holds a whole number or a path that might be a place in one of the
/// file's lists: carried on, it could point to something else there. Places of textures in a material are kept right
/// whatever extension names them.
bool can_be_carried(std::string_view name, const nlohmann::json& value, Owner owner);

/// The first key of extras that by its name holds a place in one of the file's lists ("targetNode": 3); empty if none.
std::string place_in_extras(const nlohmann::json& extras);

} // namespace wembrix::gltf
