// That the points of a surface, or of curves, go out frame by frame over a clip: said on the route card, made when it
// is delivered.
#pragma once

#include <cstdint>
#include <string>
#include <tuple>

namespace wembrix {

enum class CacheAs : uint8_t {
    points,   ///< over frames, in a file of its own
    textures, ///< one pixel a vertex, in images
    shapes,   ///< morph targets, as many as are needed
};

struct CacheOrder {
    int node = -1; ///< carries a surface or curves
    std::string clip;
    int first = 0; ///< of the clip's frames
    int last = -1; ///< below `first`: to its end
    int every = 1; ///< each so manieth of them
    CacheAs as = CacheAs::points;
    bool half = false;   ///< textures of 16 bit floats
    double limit_mm = 0; ///< how far a frame of shapes may be off; 0: as far as the destination lets it
    template <typename Self> static auto fields(Self& s) {
        return std::tie(s.node, s.clip, s.first, s.last, s.every, s.as, s.half, s.limit_mm);
    }
    bool operator==(const CacheOrder& other) const { return fields(*this) == fields(other); }
};

} // namespace wembrix
