// What an image says of itself at its beginning. Nothing is decoded.
#pragma once

#include <cstdint>
#include <optional>
#include <span>
#include <string_view>

namespace wembrix {

struct ImageFacts {
    std::string_view mime; ///< "image/png", "image/jpeg" or "image/webp"
    uint32_t width = 0;
    uint32_t height = 0;
};
/// Of a PNG or a JPEG; nothing for any other bytes, or ones that end before they say how large it is.
std::optional<ImageFacts> image_facts(std::span<const uint8_t> bytes);

} // namespace wembrix
