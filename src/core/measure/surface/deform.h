// Surface points of a posed scene: shapes first, then skin. Parallel over points, no allocation per call.
#pragma once

#include "core/measure/skeleton/pose.h"
#include "core/measure/surface/weight_rows.h"

#include <cstdint>
#include <span>
#include <vector>

namespace wembrix {

class Deformer {
  public:
    /// `scene` must outlive it. `only` limits it to some surface nodes; empty: all of them.
    explicit Deformer(const Scene& scene, const std::vector<int>& only = {});

    struct Surface {
        int node = -1;
        size_t first = 0; ///< of its points in the output
        size_t count = 0;
    };
    [[nodiscard]] const std::vector<Surface>& surfaces() const { return surfaces_; }
    [[nodiscard]] size_t point_count() const { return points_; }

    /// Other weights for one point of surfaces()[surface] from now on; joints that the skin does not have are left out.
    /// Precondition: the surface is under a skin, with influences.
    void set_row(size_t surface, size_t point, const WeightRow& row);

    /// World places of all points, metres. `out` has `point_count()` elements. Not to be called from two threads.
    void points(const Pose& pose, std::span<Vec3f> out);
    /// The same with unit normals (zero where a surface has none).
    void points_and_normals(const Pose& pose, std::span<Vec3f> out, std::span<Vec3f> normals);

    /// The same in two parts, for who wants a block at a time while it is near: takes the pose (not from two threads),
    void take(const Pose& pose);
    /// then gives points [first, last) of surfaces()[surface], from any number of threads.
    void block(size_t surface, size_t first, size_t last, Vec3f* out) const {
        deform_range(surface, first, last, out, nullptr);
    }

  private:
    struct SkinnedSurface {
        const Mesh* mesh = nullptr;
        int skin = -1;
        int shape_offset = 0;
        std::vector<uint16_t> joints;
        std::vector<float> weights;  ///< sum to 1 for each point
        std::vector<uint32_t> first; ///< of each point, in both
        std::vector<uint16_t> count;
        std::vector<Vec3f> shaped; ///< positions with the shapes in
        std::vector<Vec3f> shaped_normals;
        std::vector<Eigen::Array4f> palette; ///< four columns a joint, of world * inverse bind
        bool in_shape = false;               ///< in the pose taken last, some shape is in
    };
    void run(const Pose& pose, Vec3f* out, Vec3f* normals);
    void take(const Pose& pose, bool with_normals);
    void deform_range(size_t surface, size_t first, size_t last, Vec3f* out, Vec3f* normals) const;

    const Scene& scene_;
    std::vector<Surface> surfaces_;
    std::vector<SkinnedSurface> held_;
    size_t points_ = 0;
};

} // namespace wembrix
