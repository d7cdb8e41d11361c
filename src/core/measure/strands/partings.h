// Lines on a surface that strands part along: those of one side take nothing from those of the other.
#pragma once

#include "core/measure/strands/strand_surface.h"
#include "core/measure/surface/neighbours.h"

#include <array>
#include <vector>

namespace wembrix {

class Partings {
  public:
    /// Lines through places in the world near the surface, metres. Lines of one place part nothing.
    Partings(const StrandSurface& surface, const std::vector<std::vector<Vec3>>& lines);

    [[nodiscard]] bool empty() const { return pieces_.empty(); }
    /// Whether the straight way between two places of the surface crosses a line: it passes through the curtain that
    /// stands on the line along the surface's normals, as high to both sides as the way is long.
    [[nodiscard]] bool between(const Vec3& a, const Vec3& b) const;
    /// Without the edges that cross a line.
    [[nodiscard]] Neighbours without_crossing(const Neighbours& neighbours, const std::vector<Vec3f>& places) const;

  private:
    struct Piece {
        Vec3 from, to;
        Vec3 from_normal, to_normal;
    };
    std::vector<Piece> pieces_;
};

} // namespace wembrix
