// Points and corners as vertices: a point whose faces have several values for it becomes several vertices.
#pragma once

#include <cstdint>
#include <limits>
#include <vector>

namespace wembrix {

/// The vertices of a surface that is being read. Each is made of a point; the corners of faces then claim it, or, where
/// their values differ from those of the corner that did, one more of the same point.
struct SplitVertices {
    static constexpr uint32_t none = std::numeric_limits<uint32_t>::max();
    std::vector<uint32_t> point_of{};
    std::vector<uint32_t> corner_of{}; ///< whose values it has; none: no face has it

    [[nodiscard]] size_t size() const { return point_of.size(); }
    uint32_t add(uint32_t point) {
        point_of.push_back(point);
        corner_of.push_back(none);
        next_.push_back(none);
        return static_cast<uint32_t>(point_of.size() - 1);
    }
    /// The vertex of a corner; `first` is the first that was made of its point. `is_same(a, b)`: two corners have the
    /// same values.
    template <typename Same> uint32_t of(uint32_t first, uint32_t corner, const Same& is_same) {
        int compared = 0;
        for (uint32_t at = first; at != none && compared < most_compared; at = next_[at], ++compared) {
            if (corner_of[at] == none) {
                corner_of[at] = corner;
                return at;
            }
            if (is_same(corner_of[at], corner)) {
                return at;
            }
        }
        const uint32_t made = add(point_of[first]);
        next_[made] = next_[first];
        next_[first] = made;
        corner_of[made] = corner;
        return made;
    }

  private:
    static constexpr int most_compared = 4096; ///< of one point: nobody's surface has so many, a hostile file may
    std::vector<uint32_t> next_{};             ///< another vertex of the same point
};

} // namespace wembrix
