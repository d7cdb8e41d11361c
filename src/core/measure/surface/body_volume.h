// What the surfaces of a body enclose at rest: the middle of a limb at a place, and the plane that left and right
// mirror at.
#pragma once

#include "core/measure/scene/bounds.h"
#include "core/measure/surface/closest_point.h"
#include "core/scene/scene.h"

#include <memory>
#include <optional>
#include <vector>

namespace wembrix {

/// The middle of what lies around a place.
struct LimbMiddle {
    Vec3 at = Vec3::Zero();
    Vec3 along = Vec3::UnitY(); ///< unit, either way
    double thickness_m = 0;     ///< of a circle with the area of the cut across
};

class BodyVolume {
  public:
    /// All surfaces of a scene at rest, or these nodes only. 48 bytes a triangle and 12 a vertex.
    explicit BodyVolume(const Scene& scene);
    BodyVolume(const Scene& scene, const std::vector<int>& surfaces);

    [[nodiscard]] bool empty() const { return triangles_.empty(); }
    [[nodiscard]] const std::vector<Vec3f>& points() const { return points_; } ///< world, metres
    [[nodiscard]] const Bounds& bounds() const { return bounds_; }

    /// Goes from a place, or from the nearest one inside, to the middle: rays both ways find the thinnest directions,
    /// the cut across them has a centroid, and from there again. Nothing where the surface is open all around.
    [[nodiscard]] std::optional<LimbMiddle> middle_near(const Vec3& place) const;

    /// Whether most ways from there come out of the body.
    [[nodiscard]] bool encloses(const Vec3& place) const;

    struct Symmetry {
        double middle_x = 0; ///< the plane X = middle_x
        double mean_m = 0;   ///< from the mirror image of a vertex to the surface
        double most_m = 0;   ///< nineteen of twenty are no farther
        /// Front and back answer each other better than left and right do: it looks aside, along X.
        bool looks_aside = false;
    };
    /// Of at most 2 000 vertices; about the middle of the box to begin with.
    [[nodiscard]] Symmetry symmetry() const;

  private:
    /// Mirrored along X or Z (0 or 2), from each of some vertices to the surface; the plane goes where it fits best.
    [[nodiscard]] std::vector<double> mirrored_apart(int axis, double& middle, size_t samples, int rounds) const;
    [[nodiscard]] std::optional<Vec3> inside_near(const Vec3& place) const;
    [[nodiscard]] std::optional<double> way_out(const Vec3& from, const Vec3& direction) const;
    [[nodiscard]] double chord(const Vec3& at, const Vec3& direction) const;
    [[nodiscard]] Vec3 thinnest(const Vec3& at, const std::vector<Vec3>& directions) const;

    std::vector<Vec3f> points_;
    std::vector<ClosestPoint::Triangle> triangles_;
    Bounds bounds_;
    std::unique_ptr<ClosestPoint> tree_;
};

} // namespace wembrix
