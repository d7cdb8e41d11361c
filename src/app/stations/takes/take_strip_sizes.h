// Sizes of the take strip in pixels, for its painting and its pointer alike.
#pragma once

namespace wembrix::app::strip {

constexpr int margin = 12;
constexpr int ruler_height = 34;
constexpr int span_height = 44;
constexpr int bar_height = 12;
constexpr double widest = 40; ///< pixels a frame: single frames are far apart
constexpr int grip_width = 6;
constexpr int contact_height = 11; ///< a foot's row

} // namespace wembrix::app::strip
