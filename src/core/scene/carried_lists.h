// Lists that stand in what is carried of a file as a whole, and who names places in them: variants of materials
// (KHR_materials_variants) and packets of facts (KHR_xmp_json_ld).
#pragma once

#include "core/scene/scene.h"

#include <functional>
#include <nlohmann/json_fwd.hpp>

namespace wembrix {

inline constexpr const char* variants_extension = "KHR_materials_variants";
inline constexpr const char* packets_extension = "KHR_xmp_json_ld";

/// Every mapping of a primitive's variants; `extensions` are the primitive's.
void for_each_mapping(nlohmann::json& extensions, const std::function<void(nlohmann::json&)>& visit);

/// What a second file says of itself as a whole joins what the first says: variants of one name become one, packets and
/// copyrights stand one after another, extras and extensions that the first has not are added. Places that `added`'s
/// own things name in those lists are counted anew. What could not be joined is a note of `base` under `name`.
void join_carried(Scene& base, Scene& added, const std::string& name);

} // namespace wembrix
