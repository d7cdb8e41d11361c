// PNG and JPEG images as pixels, and back; smaller ones of larger ones. Decoding and encoding are libpng's and
// libjpeg's.
#pragma once

#include "core/base/result.h"

#include <cstdint>
#include <span>
#include <string_view>
#include <vector>

namespace wembrix {

struct Pixels {
    uint32_t width = 0;
    uint32_t height = 0;
    uint32_t channels = 4;        ///< 3: RGB, 4: RGBA
    std::vector<uint8_t> samples; ///< row by row from the top, `channels` bytes a pixel
};

/// At most 8192 by 8192 pixels, 256 MB; a Problem for anything that is not a whole PNG or JPEG.
Result<Pixels> decode_image(std::span<const uint8_t> bytes);
/// As "image/png" or "image/jpeg" (at quality 92; alpha is left out). The same pixels give the same bytes.
Result<std::vector<uint8_t>> encode_image(const Pixels& pixels, std::string_view mime);

/// Each new pixel is the mean of those that it covers, colours by their alpha. Precondition: no side grows, none is 0.
Pixels smaller_image(const Pixels& pixels, uint32_t width, uint32_t height);

} // namespace wembrix
