// Normals of the corners of triangles, from the triangles alone.
#pragma once

#include "core/math/transform.h"

#include <array>
#include <cstdint>
#include <span>
#include <vector>

namespace wembrix {

struct NormalRule {
    enum class Weight : uint8_t {
        angle, ///< each face by its angle at the corner (Thürmer and Wüthrich, Computing Vertex Normals from Polygonal
               ///< Facets, 1998): it does not matter how a flat side is cut into triangles
        area,
    };
    Weight weight = Weight::angle;
    double hard_degrees = 180; ///< faces that meet at more than this do not share normals
};

/// One unit normal for each corner, triangle after triangle: the sum over the faces around its spot that meet its own
/// face at no more than the rule's angle. `spot` says of each point which spot it lies on: points of one spot count as
/// one. With `island`, one number a corner, only corners of the same number share. Triangles without area have the zero
/// normal and give nothing. At a spot with more than 1 000 faces all of them count, whatever the angle.
std::vector<Vec3f> corner_normals(std::span<const Vec3f> points, std::span<const std::array<uint32_t, 3>> triangles,
                                  std::span<const uint32_t> spot, const NormalRule& rule,
                                  std::span<const uint32_t> island = {});

} // namespace wembrix
