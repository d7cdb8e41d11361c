// Curves: strands of hair, feathers and the like. All points of all curves one after another in one array.
#pragma once

#include "core/scene/mesh.h"

namespace wembrix {

/// Where a curve grows: a place on a triangle of a surface.
struct CurveRoot {
    uint32_t triangle = 0; ///< of the surface's triangles in order
    float u = 0;           ///< barycentric: the weights of its second and third corner
    float v = 0;
    bool operator==(const CurveRoot&) const = default;
};

/// How strands go with the surface that they grow on, where it moves.
enum class StrandFollow : uint8_t {
    still,   ///< not at all: with their node alone
    stiff,   ///< each as a whole, with the triangle of its root
    surface, ///< each point with the triangle nearest to it, stiffer towards the tip
    joints,  ///< each point by the influences at its root
};

struct CurveSet {
    std::string name;
    Shared<uint32_t> counts;          ///< points of each curve
    Shared<Vec3f> points;             ///< metres, in the space of the node that carries them
    Shared<float> widths;             ///< metres, one a point; or empty
    std::vector<Attribute> per_curve; ///< values of the source's own, width * curves
    int surface = -1;                 ///< node of the surface that they grow on, or -1
    Shared<CurveRoot> roots;          ///< one a curve where there is such a surface
    int material = -1;
    StrandFollow follow = StrandFollow::still;
    Shared<float> region; ///< how densely they may grow, 0 to 1, one for each triangle of the surface; or empty
    Shared<uint32_t> guide_counts; ///< points of each guide
    Shared<Vec3f> guide_points;    ///< as `points`; each guide's root first
    Shared<CurveRoot> guide_roots; ///< one a guide
    Carried carried;

    [[nodiscard]] size_t curve_count() const { return counts.size(); }
    template <typename Self> static auto fields(Self& s) {
        return std::tie(s.name, s.counts, s.points, s.widths, s.per_curve, s.surface, s.roots, s.material, s.carried);
    }
    /// What core keeps of it and no file says: how it grew, and how it goes on.
    template <typename Self> static auto marks(Self& s) {
        return std::tie(s.follow, s.region, s.guide_counts, s.guide_points, s.guide_roots);
    }
};

/// Widths are scaled by the cube root of the matrix's determinant.
void transform_geometry(CurveSet& curves, const Mat4& matrix);

} // namespace wembrix
