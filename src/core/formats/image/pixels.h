// PNG, JPEG and WebP images as pixels, and back; smaller ones of larger ones. Decoding and encoding are libpng's,
// libjpeg's and libwebp's.
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

/// At most 8192 by 8192 pixels, 256 MB; a Problem for anything that is not a whole PNG, JPEG or still WebP.
Result<Pixels> decode_image(std::span<const uint8_t> bytes);
/// As "image/png", "image/jpeg" (alpha is left out) or "image/webp" (at quality 100 pixel by pixel). `quality` is from
/// 1 to 100. The same pixels give the same bytes.
Result<std::vector<uint8_t>> encode_image(const Pixels& pixels, std::string_view mime, int quality = 92);

/// Each new pixel is the mean of those that it covers, colours by their alpha. Precondition: no side grows, none is 0.
Pixels smaller_image(const Pixels& pixels, uint32_t width, uint32_t height);

} // namespace wembrix
