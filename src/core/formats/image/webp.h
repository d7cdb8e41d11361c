// Moving WebP pictures. The encoding is libwebp's.
#pragma once

#include "core/base/result.h"
#include "core/formats/image/pixels.h"

#include <memory>

namespace wembrix {

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
