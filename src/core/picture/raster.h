// Triangles and lines drawn on the processor, with a depth for every sample. The same picture for the same input on any
// number of threads, with or without a window.
#pragma once

#include "core/math/transform.h"

#include <cstdint>
#include <functional>
#include <span>
#include <vector>

namespace wembrix {

/// A corner as the eye sees it: samples from the left and from the top, and one divided by its distance.
struct SeenCorner {
    float x = 0;
    float y = 0;
    float near = 0; ///< 1 / distance; 0 or less: behind the eye, and nothing with it is drawn
};

/// A stroke between two corners.
struct SeenLine {
    SeenCorner from;
    SeenCorner to;
    float width = 1; ///< samples, at least 1
    Vec3f colour = Vec3f::Zero();
};

/// What a point of a triangle is made of, for `Raster::triangles` to ask its colour.
struct SeenPoint {
    uint32_t triangle = 0;
    std::array<float, 3> share = {1, 0, 0}; ///< of its corners, corrected for the perspective
};

class Raster {
  public:
    /// At most 8192 samples a side.
    Raster(int width, int height);

    /// `corners` of the triangles' places; `colour` says what is seen of a point, and false where nothing is. It is
    /// asked from several threads.
    void triangles(std::span<const SeenCorner> corners, std::span<const std::array<uint32_t, 3>> triangles,
                   const std::function<bool(const SeenPoint&, Vec3f&)>& colour);
    void lines(std::span<const SeenLine> lines);

    [[nodiscard]] int width() const { return width_; }
    [[nodiscard]] int height() const { return height_; }
    /// One a sample, rows from the top; from 0 to 1.
    [[nodiscard]] std::vector<Vec3f>& colours() { return colours_; }
    /// 1 / distance of what is nearest; 0 where nothing is.
    [[nodiscard]] const std::vector<float>& depths() const { return depths_; }

  private:
    int width_;
    int height_;
    std::vector<Vec3f> colours_;
    std::vector<float> depths_;
};

} // namespace wembrix
