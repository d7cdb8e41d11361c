// Strands between guides: roots spread over a region, shapes taken from the guides that are near along the surface.
#pragma once

#include "core/measure/strands/clump_map.h"

#include <array>
#include <cstdint>
#include <functional>
#include <vector>

namespace wembrix {

/// A value along a strand, 0 at the root and 1 at the tip: straight lines between values at even steps. Empty:
/// `otherwise` everywhere.
struct StrandProfile {
    std::vector<double> values;
    [[nodiscard]] double at(double along, double otherwise) const;
};

struct StrandGuides {
    std::vector<CurveRoot> roots;
    std::vector<uint32_t> counts; ///< points of each, its root first
    std::vector<Vec3f> points;    ///< world, metres
};

struct Growth {
    size_t count = 1000;
    double per_cm2 = 0;       ///< instead of a count, where above 0
    int points = 16;          ///< of each strand
    double length = 1;        ///< times the guides'
    double length_varies = 0; ///< by so much of it at most, 0 to 1
    double width_root_m = 0.0005;
    double width_tip_m = 0.0001;
    StrandProfile width;       ///< 1: the root's, 0: the tip's; none: straight from one to the other
    int clumps = 0;            ///< centres; 0: none
    ClumpMap clump_map;        ///< instead of those, where it has colours: one clump a colour, about its middle strand
    double clump = 0;          ///< how far strands go to their centre, 0 to 1
    StrandProfile clump_along; ///< times that; none: from nothing at the root
    int fine_clumps = 0;       ///< centres of a second level, within the first
    double fine_clump = 0;
    double noise_m = 0;
    double noise_length_m = 0.02;            ///< of one wave along the strand
    StrandProfile noise_along;               ///< times that; none: from nothing at the root
    double curl_m = 0;                       ///< radius
    double curl_turns = 0;                   ///< over the strand
    double lift = 0;                         ///< radians towards the normal
    bool parted = false;                     ///< strands of one side take no guide of the other
    double middle_x = 0;                     ///< where the sides part, metres
    std::vector<std::vector<Vec3>> partings; ///< lines on the surface, world: ways across them are none
    bool trimmed = true;                     ///< a strand ends where it would go into the surface
    uint64_t seed = 1;
    double share = 1; ///< of the strands that are made, a true sample: the others are only not there
};

struct Grown {
    std::vector<uint32_t> counts;
    std::vector<Vec3f> points; ///< world, metres, the root first
    std::vector<float> widths; ///< metres, one a point
    std::vector<CurveRoot> roots;
    std::vector<uint32_t> number; ///< which of all strands each is
    size_t unreached = 0;         ///< of the whole: no guide is reached from there along the surface
    size_t trimmed = 0;
    size_t buried = 0;   ///< not there: they would go into the surface at once
    double area_cm2 = 0; ///< of the region, each triangle by its density
};

/// `region` has a density, 0 to 1, for each triangle. A strand takes the shapes of the up to three guides that are
/// nearest along the surface (ways along edges), turned from normal to normal, by one over the distance squared; guides
/// more than three times as far as the nearest are too far. Clumps, curl and noise come on top; the root stays where it
/// is. The same strands on any number of threads, whatever the share. 12 bytes a point and 30 a strand, besides.
Grown grow_strands(const StrandSurface& surface, const std::vector<float>& region, const StrandGuides& guides,
                   const Growth& growth, const std::function<bool()>& stop = {});

} // namespace wembrix
