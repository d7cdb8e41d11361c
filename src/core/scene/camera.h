// Cameras and lights. Both look along -Z of the node that carries them.
#pragma once

#include "core/scene/carried.h"

#include <array>
#include <cstdint>
#include <string>
#include <tuple>

namespace wembrix {

struct Camera {
    enum class Kind : uint8_t { perspective, orthographic };
    std::string name;
    Kind kind = Kind::perspective;
    double field_of_view = 0; ///< vertical, radians; of a perspective
    double aspect = 0;        ///< width by height; 0: that of the window; of a perspective
    double half_width_m = 0;  ///< of an orthographic one
    double half_height_m = 0;
    double near_m = 0;
    double far_m = 0; ///< 0: without end
    Carried carried;
    template <typename Self> static auto fields(Self& s) {
        return std::tie(s.name, s.kind, s.field_of_view, s.aspect, s.half_width_m, s.half_height_m, s.near_m, s.far_m,
                        s.carried);
    }
};

struct Light {
    enum class Kind : uint8_t { directional, point, spot };
    std::string name;
    Kind kind = Kind::point;
    std::array<double, 3> colour = {1, 1, 1}; ///< linear RGB
    double intensity = 1;                     ///< candela of a point or spot, lux of a directional one
    double range_m = 0;                       ///< 0: without end
    double inner_angle = 0;                   ///< of a spot's cone, radians from its axis
    double outer_angle = 0.7853981633974483;  ///< a quarter of pi
    Carried carried;
    template <typename Self> static auto fields(Self& s) {
        return std::tie(s.name, s.kind, s.colour, s.intensity, s.range_m, s.inner_angle, s.outer_angle, s.carried);
    }
};

} // namespace wembrix
