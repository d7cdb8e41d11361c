// What was painted, as bytes: rows of weights by vertex, and the surface that they were painted on.
#pragma once

#include "core/base/result.h"
#include "core/measure/surface/weight_rows.h"
#include "core/scene/mesh.h"

#include <array>
#include <map>
#include <string>
#include <vector>

namespace wembrix {

/// Rows as one stroke left them, by vertex. Joints are places in a list of the step's own.
using PaintedRows = std::map<uint32_t, WeightRow>;

/// Little-endian: "WBXSTRK1", how many rows; of each its vertex, how many joints, and of each of those its place (two
/// bytes) and its weight (a float).
std::string stroke_to_bytes(const PaintedRows& rows);
/// A Problem for bytes that are anything else: cut off, not ascending, a weight that is not above 0 and at most 1.
Result<PaintedRows> stroke_from_bytes(const std::string& bytes);

/// The surface that was painted, to find its vertices again on another one.
struct PaintedSurface {
    std::vector<Vec3f> places; ///< metres, one per vertex, in the surface's own space at rest
    std::vector<std::array<uint32_t, 3>> triangles;
};
PaintedSurface painted_surface(const Mesh& mesh);
/// Little-endian: "WBXSURF1", how many vertices and triangles, three floats a vertex, three places a triangle.
std::string surface_to_bytes(const PaintedSurface& surface);
Result<PaintedSurface> surface_from_bytes(const std::string& bytes);

} // namespace wembrix
