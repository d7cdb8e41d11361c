// What building a skeleton at a station means for the route card.
#pragma once

#include "core/job/job.h"
#include "core/plan/guides.h"

#include <optional>
#include <vector>

namespace wembrix {

/// The place on the card of the step that builds the skeleton; -1: there is none. One that is off counts, too.
int build_place(const Job& job);
struct BuildOnCard {
    Plan plan;
    std::vector<Guide> guides; ///< as the step has them
    std::optional<double> middle_x_m;
    bool on = true;
};
/// Nothing where the card has no such step, or its plan is none.
std::optional<BuildOnCard> build_on_card(const Job& job);
/// Builds so: in the step that builds the skeleton, else in a new one. One that is not `on` keeps guides that are still
/// being fitted. Its place on the card.
size_t set_build(Job& job, const BuildOnCard& build);
/// Binds with these parameters: in the first step behind that one that binds, else in a new one right behind it, or at
/// the step's own place where nothing builds. Joints that are not named are all of them where the plan has no root.
/// Its place on the card.
size_t set_binding(Job& job, nlohmann::json parameters);
/// Retargets with these parameters: in the step that does so, else in a new one before those that cut; with the limits
/// of the plan that the card builds by, if it has some. Its place.
size_t set_retarget(Job& job, nlohmann::json parameters);

} // namespace wembrix
