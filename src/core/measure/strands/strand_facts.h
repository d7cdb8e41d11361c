// What is measured of strands.
#pragma once

#include "core/scene/scene.h"

#include <cstdint>
#include <functional>
#include <span>
#include <string>
#include <vector>

namespace wembrix {

struct StrandFacts {
    size_t strands = 0;
    size_t points = 0;
    size_t guides = 0;
    double shortest_m = 0;
    double longest_m = 0;
    double narrowest_m = 0;
    double widest_m = 0;
    bool has_widths = false;
    double region_cm2 = 0;
    double root_off_m = 0; ///< the farthest that a strand begins from its root
    size_t unrooted = 0;   ///< strands without a root, where a surface is named
    size_t through = 0;    ///< strands that go through the surface they grow on
    double deepest_m = 0;  ///< of a point of those, from the surface
    uint32_t deepest_strand = 0;
    Vec3 low = Vec3::Zero(); ///< the box of all points, world
    Vec3 high = Vec3::Zero();
};

/// Of the curves that a node carries, at rest. Precondition: it carries some.
StrandFacts strand_facts(const Scene& scene, int node);

/// What baking does to them over a clip.
struct StrandMotion {
    double root_drift_m = 0;
    double length_change = 0; ///< of a strand's own length, at most: 0.01 is one in a hundred
    int worst_frame = 0;      ///< of the length
    size_t through = 0;       ///< at the frame where most go through the surface
    int through_frame = 0;
    std::vector<uint32_t> through_at; ///< at each of those frames
    std::vector<float> change_mm;     ///< at each of them: how far a strand's length is from what it was, at most
};
/// Every `every`th frame, until `stop` says so, on so many threads (0: as many as there are). Precondition: the node
/// carries curves with valid roots.
StrandMotion strand_motion(const Scene& scene, int node, const Clip& clip, int every = 1,
                           const std::function<bool()>& stop = {}, int threads = 0);

/// Nodes with curves, in order.
std::vector<int> strands_of(const Scene& scene);

} // namespace wembrix
