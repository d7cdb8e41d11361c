// A surface that stands for strands where an engine draws none: it goes with what they grow on.
#pragma once

#include "core/base/result.h"
#include "core/measure/strands/strand_surface.h"
#include "core/steps/step_kind.h"

#include <optional>
#include <string>
#include <vector>

namespace wembrix {

/// Strands as they stand, and what they grow on. The scene must outlive it.
struct StandingStrands {
    int node = -1;
    int surface = -1;
    std::string name;          ///< of what is made
    std::vector<Vec3f> places; ///< world, metres
    std::optional<StrandSurface> rest;
};
/// A Problem where there are none, where not all are rooted, or where the name is taken. An empty name becomes the
/// strands' with `suffix`.
Result<StandingStrands> standing_strands(const Scene& scene, const std::string& strands, const std::string& name,
                                         const char* suffix);

/// Points of the stand-in that move alike: all at one height of one strand.
struct RowOfStrand {
    uint32_t strand = 0;
    uint32_t points = 0;
    bool at_root = false;
};

/// Which weights of the surface they take.
enum class StandInWeights : uint8_t {
    root,  ///< where the strand grows, for all of it
    along, ///< those nearest along the surface
};

/// Adds the mesh, whose places are in the world, in a node of its own: under the surface's skin, the heaviest four
/// influences a point; below the surface where that has none; else where the strands are. `rows` are its points in
/// order. Shapes of the surface that move what is below are told of in the result.
Outcome add_stand_in(StepResult& result, const StandingStrands& strands, Mesh mesh,
                     const std::vector<RowOfStrand>& rows, StandInWeights weights);

} // namespace wembrix
