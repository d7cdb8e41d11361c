// Collision hulls: simple solids that stand for a surface or for what a joint moves.
#pragma once

#include "core/scene/mesh.h"

namespace wembrix {

struct Hull {
    enum class Kind : uint8_t { convex, box, capsule };
    std::string name;
    Kind kind = Kind::convex;
    Shared<Vec3f> points;          ///< metres, corners of a convex hull, in the space of the node that carries it
    Shared<uint32_t> indices;      ///< three corners a triangle, seen from outside counter-clockwise
    Mat4 frame = Mat4::Identity(); ///< of a box or capsule: its middle and axes, in the space of that node
    Vec3 half_size = Vec3::Zero(); ///< of a box, metres; of a capsule: radius, half the length of its axis, 0
    Carried carried;
    template <typename Self> static auto fields(Self& s) {
        return std::tie(s.name, s.kind, s.points, s.indices, s.frame, s.half_size, s.carried);
    }
};

/// A box or capsule keeps its shape: it takes on the matrix's rotation, translation and one factor.
void transform_geometry(Hull& hull, const Mat4& matrix);

} // namespace wembrix
