// Smooth surfaces from a few numbers: lofts along curves and balls, with colours and weights for every point.
#pragma once

#include "core/math/transform.h"

#include <array>
#include <cstdint>
#include <functional>
#include <string>
#include <vector>

namespace wembrix::demo {

/// Which joints hold a point; names are the rig's.
struct Hold {
    std::string joint;
    double weight = 0;
};
using Holds = std::vector<Hold>;

struct Point {
    Vec3 place = Vec3::Zero();
    Vec3 colour = Vec3::Ones(); ///< linear
    Holds holds;
    std::string region;         ///< "neck", "wing", ...: what shapes ask for
    double along = 0;           ///< 0 to 1 on its loft
    Vec3 centre = Vec3::Zero(); ///< on the loft's axis
};

/// One station of a loft.
struct Station {
    Vec3 centre;
    double across = 0; ///< half width, metres
    double high = 0;   ///< half height
};

/// Catmull-Rom through the stations, `count` of them, evenly spread over the curve's length.
std::vector<Station> smooth(const std::vector<Station>& stations, int count);

struct Surface {
    std::vector<Point> points;
    std::vector<std::array<uint32_t, 3>> triangles;

    /// Adds another surface and returns the place of its first point.
    size_t add(const Surface& other);
    [[nodiscard]] std::vector<Vec3> normals() const;
};

struct LoftLook {
    std::string region;
    int around = 16;
    Vec3 across_hint = Vec3::UnitX(); ///< the section's width lies along this, as far as the curve lets it
    std::function<Vec3(double along, double angle)> colour;
    std::function<Holds(double along, const Vec3& centre)> holds;
    /// Moves a point of the section: gets its place, how far along, and its angle (0: across, pi/2: up).
    std::function<Vec3(const Vec3& place, const Vec3& outward, double along, double angle)> model;
};
/// A closed tube with rounded ends through the stations.
Surface loft(const std::vector<Station>& stations, const LoftLook& look);

/// A ball; `colour` gets the direction from its centre.
Surface ball(const Vec3& centre, double radius, int rings, const std::string& region,
             const std::function<Vec3(const Vec3&)>& colour, const Holds& holds);

/// Weights along a chain: joint k stands at `stops[k]` (0 to 1); `width` is how far each reaches, in the same measure.
Holds along_chain(double at, const std::vector<std::pair<std::string, double>>& stops, double width, size_t most);

/// Deterministic noise in [-1, 1], smooth over about 1 unit.
double noise(double x, double y);

} // namespace wembrix::demo
