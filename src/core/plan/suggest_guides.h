// Where a plan's guides could stand in a body, from its surface alone: a start, to be corrected by hand.
#pragma once

#include "core/measure/surface/body_volume.h"
#include "core/plan/guides.h"

namespace wembrix {

struct SuggestedGuides {
    std::vector<Guide> placed; ///< of chains on both sides the left ones
    BodyVolume::Symmetry symmetry;
    size_t in_the_middle = 0; ///< of `placed`, those that stand in the middle of what is around them
    std::vector<std::string>
        not_found; ///< chains that nothing of the body lies around: they stand where the plan has them
};
/// A chain reaches for the farthest place of the surface in its direction, as the plan has it, and its guides go to the
/// middle of the volume. Precondition: the body is not empty.
SuggestedGuides suggest_guides(const Plan& plan, const BodyVolume& body);

} // namespace wembrix
