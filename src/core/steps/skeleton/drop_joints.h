// Which joints a "drop joints" step takes, and who takes over their weights: for the step and for what previews it.
#pragma once

#include "core/base/result.h"
#include "core/scene/scene.h"

#include <map>
#include <nlohmann/json.hpp>
#include <string>
#include <vector>

namespace wembrix {

struct DropPlan {
    std::vector<char> dropped;        ///< one per node
    std::map<int, int> weights_to;    ///< dropped joint that holds points, to the joint that takes them
    std::vector<std::string> no_such; ///< names that fit no joint
    [[nodiscard]] size_t count() const;
};
/// Reads "names", "tips", "holding_nothing", "keep" and "to". Refuses when weights would have nowhere to go.
Result<DropPlan> plan_drop(const Scene& scene, const nlohmann::json& parameters);

} // namespace wembrix
