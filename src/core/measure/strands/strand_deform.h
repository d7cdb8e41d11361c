// Strands on a surface that moves.
#pragma once

#include "core/measure/skeleton/pose.h"
#include "core/measure/strands/strand_surface.h"
#include "core/measure/surface/deform.h"
#include "core/scene/scene.h"

#include <memory>
#include <span>
#include <vector>

namespace wembrix {

/// Where the points of one curve set are in a pose. Without a surface, or still, they go with their node alone. Stiff:
/// each strand with the triangle of its root, as a whole, so that no length changes. Along the surface: each point with
/// the triangle that is nearest to it at rest as one gets there along the surface, the more so the nearer it is to the
/// root. By joints: each point by the influences at its root. Roots stay where they are on their triangles in all of
/// these.
class StrandDeformer {
  public:
    /// The scene must outlive it. Precondition: the node carries curves whose roots, where it has a surface, are on
    /// triangles that are there.
    StrandDeformer(const Scene& scene, int node);
    ~StrandDeformer();

    [[nodiscard]] size_t point_count() const { return points_; }
    /// World places, metres. `out` has `point_count()` elements. Not to be called from two threads.
    void points(const Pose& pose, std::span<Vec3f> out);
    /// Of some curves alone: what stands in `out` of the others stays.
    void points_of(const Pose& pose, std::span<const uint32_t> curves, std::span<Vec3f> out);

    /// Of the pose taken last: how far a strand's first point is from its root on the surface, at most.
    [[nodiscard]] double root_drift_m(std::span<const Vec3f> points) const;

  private:
    struct Held;
    void run(const Pose& pose, const uint32_t* curves, size_t count, std::span<Vec3f> out);
    const Scene& scene_;
    int node_;
    size_t points_ = 0;
    std::unique_ptr<Held> held_;
};

/// Whether every root of the curves is on a triangle of the surface that they name.
bool roots_are_valid(const Scene& scene, const CurveSet& curves);

} // namespace wembrix
