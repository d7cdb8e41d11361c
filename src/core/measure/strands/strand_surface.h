// The surface that strands grow on, as they see it: its triangles in order, with places and rotations.
#pragma once

#include "core/measure/surface/closest_point.h"
#include "core/scene/scene.h"

#include <array>
#include <cstdint>
#include <memory>
#include <span>
#include <vector>

namespace wembrix {

/// The triangles of all primitives in their order: what CurveRoot::triangle counts in.
std::vector<std::array<uint32_t, 3>> strand_triangles(const Mesh& mesh);

/// A surface at rest. 72 bytes a triangle and 20 a vertex.
class StrandSurface {
  public:
    /// Precondition: the node carries a mesh.
    StrandSurface(const Scene& scene, int node);

    [[nodiscard]] const std::vector<Vec3f>& places() const { return places_; } ///< world, metres, one a vertex
    [[nodiscard]] const std::vector<std::array<uint32_t, 3>>& triangles() const { return triangles_; }
    [[nodiscard]] const Mesh& mesh() const { return *mesh_; }

    [[nodiscard]] Vec3 place_of(const CurveRoot& root) const { return place_of(root, places_); }
    /// The same on the surface elsewhere: one place a vertex.
    [[nodiscard]] Vec3 place_of(const CurveRoot& root, std::span<const Vec3f> places) const;
    /// Unit; of the triangle, or of the vertices' own normals where those are smooth.
    [[nodiscard]] Vec3 normal_of(const CurveRoot& root) const;
    [[nodiscard]] double area_of(uint32_t triangle) const;
    /// How a triangle was turned on the way from rest to these places: of its sides and its normal, and so without a
    /// twist that depends on which side comes first.
    [[nodiscard]] Mat3 turn_of(uint32_t triangle, std::span<const Vec3f> places) const;
    /// The place of the surface nearest to one in the world; `distance_m` gets how far that is.
    [[nodiscard]] CurveRoot nearest(const Vec3& at, double* distance_m = nullptr) const;
    /// The place nearest to one in the world that a walk from a triangle leads to, each step over a shared corner and
    /// nearer than the last: never one on a part of the surface that only lies near by.
    [[nodiscard]] CurveRoot nearest_along(const Vec3& at, uint32_t from) const;
    /// The tree of its triangles.
    [[nodiscard]] const ClosestPoint& tree() const { return *tree_; }

  private:
    const Mesh* mesh_;
    std::vector<Vec3f> places_;
    std::vector<std::array<uint32_t, 3>> triangles_;
    std::vector<Vec3f> normals_; ///< one a vertex, of the triangles around it, or none
    std::unique_ptr<ClosestPoint> tree_;
    std::vector<uint32_t> spot_;             ///< of each vertex
    std::vector<uint32_t> spot_offsets_;     ///< spots + 1
    std::vector<uint32_t> triangles_around_; ///< of spot i: [spot_offsets_[i], spot_offsets_[i + 1])
};

} // namespace wembrix
