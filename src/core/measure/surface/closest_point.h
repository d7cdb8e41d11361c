// The nearest place on a surface's triangles.
#pragma once

#include "core/math/transform.h"

#include <array>
#include <cstdint>
#include <optional>
#include <span>
#include <vector>

namespace wembrix {

struct SurfacePlace {
    static constexpr uint32_t none = 0xFFFFFFFF;
    uint32_t triangle = none;
    std::array<float, 3> share{}; ///< of its three corners, summing to 1
    double distance_m = 0;
};

/// The corners' shares of the point of a triangle that is nearest to p. (Ericson, Real-Time Collision Detection, 5.1.5)
std::array<float, 3> nearest_in(const Vec3f& p, const Vec3f& a, const Vec3f& b, const Vec3f& c);

/// A tree of boxes over triangles. It keeps references: points and triangles must outlive it. 32 bytes a box, two boxes
/// for every four triangles.
class ClosestPoint {
  public:
    using Triangle = std::array<uint32_t, 3>;
    ClosestPoint(std::span<const Vec3f> points, std::span<const Triangle> triangles);
    /// The nearest place to `at` that is at most `most` away; `triangle` is none where nothing is. With a `normal`
    /// (unit) only triangles whose own normal has at least `least_cosine` with it. Safe from several threads.
    [[nodiscard]] SurfacePlace nearest(const Vec3f& at, double most = 1e30, const Vec3f* normal = nullptr,
                                       double least_cosine = -1) const;

    /// Whether a triangle lies across the way between two places, its first `begin` (a share of it) left out. Safe from
    /// several threads. (Möller and Trumbore, Fast, Minimum Storage Ray/Triangle Intersection, 1997)
    [[nodiscard]] bool crosses(const Vec3f& from, const Vec3f& to, float begin = 0) const;

    struct Crossing {
        float share = 0; ///< of the way
        uint32_t triangle = 0;
        bool leaves = false; ///< the way goes along the triangle's normal: out of what it encloses
    };
    /// The triangle that the way between two places meets first. Safe from several threads.
    [[nodiscard]] std::optional<Crossing> first_crossing(const Vec3f& from, const Vec3f& to, float begin = 0) const;

  private:
    struct Box {
        Vec3f low, high;
        uint32_t first = 0; ///< of `order_`; of an inner box: its second child (the first stands right behind it)
        uint32_t count = 0; ///< triangles; 0: an inner box
    };
    /// `hit` gets the share of the way, the triangle and whether the way leaves there, and says up to which share it
    /// still wants to hear; below `begin` ends it.
    template <typename Hit> void walk(const Vec3f& from, const Vec3f& to, float begin, const Hit& hit) const;
    void split(uint32_t first, uint32_t count, const std::vector<Vec3f>& centres);
    std::span<const Vec3f> points_;
    std::span<const Triangle> triangles_;
    std::vector<uint32_t> order_;
    std::vector<Box> boxes_;
};

} // namespace wembrix
