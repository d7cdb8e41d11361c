// Which surfaces a step on weights is about, and which joints' weights it may not touch: set alike in all of them.
#pragma once

#include "core/measure/surface/weight_rows.h"
#include "core/steps/step_kind.h"

#include <functional>
#include <string>
#include <vector>

namespace wembrix {

struct WeightScope {
    std::vector<std::string> surfaces; ///< with * and ?; empty: all that are under a skin
    std::vector<std::string> locked;   ///< joints, with * and ?
};

/// The two parameters. A settings struct derives from WeightScope, and from nothing before it.
std::vector<Parameter> weight_scope_parameters();
/// A step's own parameters, and behind them those.
std::vector<Parameter> with_weight_scope(std::vector<Parameter> own);

struct ScopedWeights {
    std::vector<int> surfaces;             ///< nodes under a skin, with influences
    std::vector<std::vector<char>> locked; ///< one per skin: a mark a joint of its list
    [[nodiscard]] std::span<const char> locked_of(const Scene& scene, int node) const {
        return locked[static_cast<size_t>(scene.nodes[static_cast<size_t>(node)].skin)];
    }
};
ScopedWeights choose_weights(const Scene& scene, const WeightScope& scope);

/// Every row of the surface through `change`, which may leave it as it is and say false; what comes back true is
/// settled (settle_row). Rows that cannot be settled stay as they were; how many is given back.
size_t change_rows(Scene& scene, int node, std::span<const char> locked,
                   const std::function<bool(size_t vertex, WeightRow& row)>& change);

/// The joint's place in the skin's list. One that is not there yet comes in, bound so that what it takes over from the
/// nearest joint above it that is there does not move at rest.
uint16_t place_in_skin(Scene& scene, int skin, int joint);

} // namespace wembrix
