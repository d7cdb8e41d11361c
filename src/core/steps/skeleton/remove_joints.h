// Which joints a "remove joints" step takes, and who takes over their weights: for the step and for what previews it.
#pragma once

#include "core/base/result.h"
#include "core/scene/scene.h"

#include <map>
#include <string>
#include <vector>

namespace wembrix {

struct RemovalSettings {
    std::vector<std::string> names; ///< with * and ?
    bool tips = false;              ///< every joint at the end of a chain
    bool unweighted = false;        ///< every joint that has no weights, nor any below it
    std::vector<std::string> keep;  ///< names that stay all the same
    std::string to;                 ///< the joint that takes the weights; empty: the nearest one above
};

struct RemovalPlan {
    std::vector<char> dropped;        ///< one per node
    std::map<int, int> weights_to;    ///< removed joint that has weights, to the joint that takes them
    std::vector<std::string> no_such; ///< names that fit no joint
    [[nodiscard]] size_t count() const;
};
/// Refuses when weights would have nowhere to go.
Result<RemovalPlan> plan_removal(const Scene& scene, const RemovalSettings& settings);

} // namespace wembrix
