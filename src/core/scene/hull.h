// Collision hulls: simple solids that stand for a surface or for what a joint moves.
#pragma once

#include "core/scene/mesh.h"

#include <string_view>

namespace wembrix {

struct Hull {
    enum class Kind : uint8_t { convex, box, capsule, sphere, cylinder };
    std::string name;
    Kind kind = Kind::convex;
    Shared<Vec3f> points;          ///< metres, corners of a convex hull, in the space of the node that carries it
    Shared<uint32_t> indices;      ///< three corners a triangle, seen from outside counter-clockwise
    Mat4 frame = Mat4::Identity(); ///< of all but a convex one: its middle and axes, in the space of that node
    /// Metres. Of a box: half its edges. Of a capsule and a cylinder: radius, half the length of its axis (the frame's
    /// Y, without a capsule's caps), 0. Of a sphere: radius, 0, 0.
    Vec3 half_size = Vec3::Zero();
    Carried carried;
    template <typename Self> static auto fields(Self& s) {
        return std::tie(s.name, s.kind, s.points, s.indices, s.frame, s.half_size, s.carried);
    }
};
std::string_view hull_kind_name(Hull::Kind kind); ///< "convex"

/// A hull as triangles, in the space of its node. Round ones have flat sides: their corners lie on the solid.
struct HullShell {
    std::vector<Vec3f> points;
    std::vector<uint32_t> indices;
};
HullShell shell_of(const Hull& hull);
double volume_of(const Hull& hull); ///< cubic metres in the space of its node; exact for round ones

/// All but a convex hull keep their shape: they take on the matrix's rotation, translation and one factor.
void transform_geometry(Hull& hull, const Mat4& matrix);

} // namespace wembrix
