#include "core/steps/surface/weight_strokes.h"

#include <bit>
#include <cmath>
#include <cstring>

namespace wembrix {

namespace {

static_assert(std::endian::native == std::endian::little, "arrays beside a job are written as they lie in memory");

constexpr std::string_view stroke_mark = "WBXSTRK1";
constexpr std::string_view surface_mark = "WBXSURF1";

template <typename Value> void put(std::string& bytes, const Value& value) {
    bytes.append(reinterpret_cast<const char*>(&value), sizeof value);
}

/// Takes values off bytes, as long as there are any.
class StrokeTaker {
  public:
    StrokeTaker(const std::string& bytes, size_t from) : bytes_(bytes), at_(from) {}
    template <typename Value> bool take(Value& value) {
        if (left() < sizeof value) {
            return false;
        }
        std::memcpy(&value, bytes_.data() + at_, sizeof value);
        at_ += sizeof value;
        return true;
    }
    [[nodiscard]] size_t left() const { return bytes_.size() - at_; }

  private:
    const std::string& bytes_;
    size_t at_;
};

Problem broken_stroke(const char* what) {
    return {std::string("what was painted ") + what + ".", "",
            "Take the folder beside the job from where it was whole."};
}

} // namespace

std::string stroke_to_bytes(const PaintedRows& rows) {
    std::string bytes(stroke_mark);
    put(bytes, static_cast<uint32_t>(rows.size()));
    for (const auto& [vertex, row] : rows) {
        put(bytes, vertex);
        put(bytes, static_cast<uint16_t>(row.size()));
        for (const Weight& one : row) {
            put(bytes, one.joint);
            put(bytes, static_cast<float>(one.weight));
        }
    }
    return bytes;
}

Result<PaintedRows> stroke_from_bytes(const std::string& bytes) {
    if (!bytes.starts_with(stroke_mark)) {
        return broken_stroke("is no stroke");
    }
    StrokeTaker from(bytes, stroke_mark.size());
    uint32_t count = 0;
    if (!from.take(count)) {
        return broken_stroke("ends too early");
    }
    PaintedRows rows;
    for (uint32_t i = 0; i < count; ++i) {
        uint32_t vertex = 0;
        uint16_t joints = 0;
        if (!from.take(vertex) || !from.take(joints)) {
            return broken_stroke("ends too early");
        }
        if (!rows.empty() && vertex <= rows.rbegin()->first) {
            return broken_stroke("has vertices out of order");
        }
        WeightRow row;
        for (uint16_t k = 0; k < joints; ++k) {
            uint16_t joint = 0;
            float weight = 0;
            if (!from.take(joint) || !from.take(weight)) {
                return broken_stroke("ends too early");
            }
            if (!(weight > 0) || weight > 1) {
                return broken_stroke("has a weight that is not between 0 and 1");
            }
            row.push_back({joint, static_cast<double>(weight)});
        }
        rows.emplace_hint(rows.end(), vertex, std::move(row));
    }
    if (from.left() != 0) {
        return broken_stroke("is longer than it says");
    }
    return rows;
}

PaintedSurface painted_surface(const Mesh& mesh) {
    PaintedSurface surface;
    surface.places = mesh.positions.get();
    for (const Primitive& primitive : mesh.primitives) {
        for (const std::array<uint32_t, 3>& triangle : triangles_of(mesh, primitive)) {
            surface.triangles.push_back(triangle);
        }
    }
    return surface;
}

std::string surface_to_bytes(const PaintedSurface& surface) {
    std::string bytes(surface_mark);
    put(bytes, static_cast<uint32_t>(surface.places.size()));
    put(bytes, static_cast<uint32_t>(surface.triangles.size()));
    for (const Vec3f& place : surface.places) {
        for (int axis = 0; axis < 3; ++axis) {
            put(bytes, place[axis]);
        }
    }
    for (const std::array<uint32_t, 3>& triangle : surface.triangles) {
        put(bytes, triangle);
    }
    return bytes;
}

Result<PaintedSurface> surface_from_bytes(const std::string& bytes) {
    if (!bytes.starts_with(surface_mark)) {
        return broken_stroke("is no painted surface");
    }
    StrokeTaker from(bytes, surface_mark.size());
    uint32_t vertices = 0;
    uint32_t triangles = 0;
    if (!from.take(vertices) || !from.take(triangles) ||
        from.left() != (static_cast<uint64_t>(vertices) + triangles) * 12) {
        return broken_stroke("is not as long as it says");
    }
    PaintedSurface surface;
    surface.places.resize(vertices);
    for (Vec3f& place : surface.places) {
        for (int axis = 0; axis < 3; ++axis) {
            from.take(place[axis]);
        }
        if (!place.allFinite()) {
            return broken_stroke("has a vertex that is nowhere");
        }
    }
    surface.triangles.resize(triangles);
    for (std::array<uint32_t, 3>& triangle : surface.triangles) {
        from.take(triangle);
        if (triangle[0] >= vertices || triangle[1] >= vertices || triangle[2] >= vertices) {
            return broken_stroke("has a triangle of vertices that are not there");
        }
    }
    return surface;
}

} // namespace wembrix
