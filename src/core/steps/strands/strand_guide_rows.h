// Guides as they stand on a card: where each is rooted, and its points from there.
#pragma once

#include "core/base/result.h"
#include "core/math/transform.h"

#include <nlohmann/json.hpp>
#include <vector>

namespace wembrix {

struct StrandGuideRow {
    Vec3 root = Vec3::Zero();  ///< world, metres, at rest
    std::vector<Vec3> offsets; ///< of its points behind the first, from the root, metres
};

/// `[{"root_mm": [x, y, z], "points_mm": [[x, y, z], …]}, …]`
Result<std::vector<StrandGuideRow>> guide_rows_from_json(const nlohmann::json& json);
nlohmann::json guide_rows_to_json(const std::vector<StrandGuideRow>& rows);

} // namespace wembrix
