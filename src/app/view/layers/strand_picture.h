// Thin lines drawn on the processor, with a depth for every pixel. Where there is no graphics processor, a graphics
// library takes several times as long for two hundred thousand short lines; where there is one, this is quick enough.
#pragma once

#include "core/math/transform.h"

#include <QMatrix4x4>
#include <QRect>
#include <QSize>
#include <cstdint>
#include <span>
#include <vector>

namespace wembrix::app {

struct StrandColours {
    Vec3f root = Vec3f::Zero(); ///< from 0 to 1
    Vec3f tip = Vec3f::Zero();
    Vec3f away = Vec3f::Zero(); ///< mixed in with the distance
    float near_at = 0;          ///< distance from the eye where that begins
    float depth = 1;            ///< after so much more it is half of it
};

class StrandPicture {
  public:
    /// A line through every `stride`-th of its points, and its last one.
    struct Line {
        uint32_t first = 0;
        uint32_t count = 0; ///< at least 1
    };
    /// Lines one pixel wide; what is nearer hides what is farther. `size` is in pixels; with `smooth` edges are, which
    /// takes twice as long. The same picture with any number of threads. Pieces that reach behind the eye, or a
    /// hundred thousand pixels aside, are left out.
    /// Precondition: every line lies within the points.
    void draw(std::span<const Vec3f> points, std::span<const Line> lines, uint32_t stride, const QMatrix4x4& matrix,
              QSize size, bool smooth, const StrandColours& colours);

    [[nodiscard]] const QRect& box() const { return box_; } ///< that is drawn in; rows count from the lowest
    /// A pixel in four bytes, red first, multiplied by the fourth, which tells how much of the pixel is covered.
    [[nodiscard]] std::span<const uint32_t> pixels() const { return pixels_; }
    /// As in a depth buffer, from 0 to 1, of the nearest line; 1 where there is none.
    [[nodiscard]] std::span<const float> depths() const { return depths_; }

  private:
    struct Corner {
        float x = 0; ///< pixels, from the left and from below
        float y = 0;
        float depth = 0; ///< above 1 when it is not to be seen
        uint32_t colour = 0;
    };
    void put_corners(std::span<const Vec3f> points, std::span<const Line> lines, uint32_t stride,
                     const QMatrix4x4& matrix, QSize size, const StrandColours& colours);
    void fill(int low, int high, int width, bool wide);
    void reduce();

    std::vector<Corner> corners_;
    std::vector<size_t> starts_; ///< of each line among the corners, and their number
    QRect box_;
    std::vector<uint32_t> pixels_;
    std::vector<float> depths_;
    std::vector<uint32_t> fine_; ///< twice as many across and up
    std::vector<float> fine_depths_;
};

} // namespace wembrix::app
