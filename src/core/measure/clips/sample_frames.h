// A channel's values at many frames at once: where each lies between the keys is found once for all channels that share
// their times, and turns are taken many at a time.
#pragma once

#include "core/scene/clip.h"

#include <cstdint>
#include <vector>

namespace wembrix {

/// Where `frames` moments, `from_s` and then one every `1 / rate`, lie between keys. 12 bytes a moment.
class Moments {
  public:
    Moments(const Shared<float>& times, double from_s, double rate, int frames);

    /// Whether these are the moments of a channel with such times, too.
    [[nodiscard]] bool fit(const Shared<float>& times) const;
    [[nodiscard]] int frames() const { return static_cast<int>(next_.size()); }
    [[nodiscard]] double seconds(int frame) const { return from_s_ + frame / rate_; }
    /// The first key after the moment: 0 before all of them, their number behind all.
    [[nodiscard]] uint32_t next(int frame) const { return next_[static_cast<size_t>(frame)]; }
    /// How far it is from the key before to that one, 0 to 1; 0 where there is only one of them.
    [[nodiscard]] double part(int frame) const { return part_[static_cast<size_t>(frame)]; }

    static constexpr int block = 64;
    /// Whether all moments of a whole block of so many, from `begin` on, lie between keys, each one key further.
    [[nodiscard]] bool steady(int begin) const { return steady_[static_cast<size_t>(begin / block)] != 0; }
    [[nodiscard]] const double* parts(int begin) const { return &part_[static_cast<size_t>(begin)]; }

  private:
    Shared<float> times_;
    double from_s_;
    double rate_;
    std::vector<uint32_t> next_;
    std::vector<double> part_;
    std::vector<char> steady_; ///< one a block
};

/// Appends `channel.width` values a moment to `out`, as `sample_channel` gives them. `moments` are of the channel's
/// times. Turns keep one sign from frame to frame.
void sample_frames(const Channel& channel, const Moments& moments, std::vector<float>& out);

} // namespace wembrix
