// WebP pictures, still and moving. Decoding and encoding are libwebp's.
#pragma once

#include "core/base/result.h"
#include "core/formats/image/pixels.h"

#include <memory>

namespace wembrix {

/// A still one. Precondition: its size was looked at.
Result<Pixels> decode_webp(std::span<const uint8_t> bytes);
/// At quality 100 every pixel comes back as it is, those of transparent ones too.
Result<std::vector<uint8_t>> encode_webp(const Pixels& pixels, int quality);

class MovingWebp {
  public:
    MovingWebp(uint32_t width, uint32_t height);
    ~MovingWebp();
    /// A picture of that size that is shown from then on. Precondition: later than the one before.
    Outcome add(const Pixels& pixels, int milliseconds);
    /// Ends it then, and plays it for ever. The same pictures give the same bytes.
    Result<std::vector<uint8_t>> finish(int milliseconds);

  private:
    struct Held;
    std::unique_ptr<Held> held_;
};

} // namespace wembrix
