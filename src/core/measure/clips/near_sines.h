// The weights of the slerp of two turns that lie near each other, without sine, arc cosine, root or division.
#pragma once

namespace wembrix {

/// Of turns whose cosine is 1 - d, d at most 0.02: the square of the angle by the arc cosine's series in d, the sines
/// by their own. Exact to 1e-11.
class NearSines {
  public:
    explicit NearSines(double d)
        : x_(d * (2 + d * ((1.0 / 3) + d * ((4.0 / 45) + d * ((1.0 / 35) + d * (16.0 / 1575)))))) {}
    /// sin(part * angle) / angle
    [[nodiscard]] double over(double part) const {
        const double y = part * part * x_;
        return part * (1 - y * (1.0 / 6) * (1 - y * (1.0 / 20) * (1 - y * (1.0 / 42) * (1 - y * (1.0 / 72)))));
    }
    /// angle / sin(angle)
    [[nodiscard]] double whole() const {
        return 1 + x_ * ((1.0 / 6) +
                         x_ * ((7.0 / 360) + x_ * ((31.0 / 15120) + x_ * ((127.0 / 604800) + x_ * (73.0 / 3421440)))));
    }

  private:
    double x_; ///< the square of the angle
};

} // namespace wembrix
