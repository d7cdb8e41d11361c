// What another program says that it made of a file, held against what is in the file.
#pragma once

#include "core/measure/comparison/claim.h"
#include "core/scene/scene.h"

#include <nlohmann/json.hpp>
#include <string>
#include <vector>

namespace wembrix {

/// `file` is the file as its own reader gives it: in its axes and unit. The answer, of all keys what it has:
/// {bones: [[x, y, z]] where each rests, bounds: [[low], [high]] of the vertices (of a skinned surface where they were
/// bound), shapes: count, clips: [{name, seconds}]}. Null: it made nothing of it. Each claim's name begins with `who`;
/// in order: joints, bounds, shapes, clips, as far as the file has them.
std::vector<Claim> claims_of_reader(const std::string& who, const Scene& file, const nlohmann::json& answer);

} // namespace wembrix
