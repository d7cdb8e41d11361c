// Choosing vertices: one ring more or less, and the line of edges that goes on from two of them.
#pragma once

#include "core/measure/surface/neighbours.h"

#include <set>

namespace wembrix {

using VertexChoice = std::set<uint32_t>;

/// With every vertex that an edge leads to from a chosen one. Vertices at the same place are chosen together.
VertexChoice grown(const Neighbours& neighbours, const VertexChoice& chosen);
/// Without those that an edge leads out of the choice from.
VertexChoice shrunk(const Neighbours& neighbours, const VertexChoice& chosen);
/// From each chosen edge on, both ways, along the edge that goes straightest, until it comes back, ends, meets what is
/// chosen or would turn by more than 60 degrees. Nothing is added where no two chosen vertices share an edge.
VertexChoice looped(const Mesh& mesh, const Neighbours& neighbours, const VertexChoice& chosen);

} // namespace wembrix
