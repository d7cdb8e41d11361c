#include "core/scene/image_facts.h"

#include <algorithm>
#include <array>
#include <string_view>

namespace wembrix {

namespace {

uint32_t big_endian(std::span<const uint8_t> bytes, size_t at, size_t count) {
    uint32_t value = 0;
    for (size_t i = 0; i < count; ++i) {
        value = value << 8U | bytes[at + i];
    }
    return value;
}

/// The first chunk of a PNG is its header. (ISO/IEC 15948, 11.2.2)
std::optional<ImageFacts> png_facts(std::span<const uint8_t> bytes) {
    constexpr std::array<uint8_t, 8> mark = {0x89, 'P', 'N', 'G', 0x0D, 0x0A, 0x1A, 0x0A};
    if (bytes.size() < 24 || !std::equal(mark.begin(), mark.end(), bytes.begin())) {
        return std::nullopt;
    }
    return ImageFacts{"image/png", big_endian(bytes, 16, 4), big_endian(bytes, 20, 4)};
}

/// Segment by segment to the one that begins the frame. (ITU-T T.81, B.2.2)
std::optional<ImageFacts> jpeg_facts(std::span<const uint8_t> bytes) {
    if (bytes.size() < 4 || bytes[0] != 0xFF || bytes[1] != 0xD8) {
        return std::nullopt;
    }
    size_t at = 2;
    while (at + 9 < bytes.size() && bytes[at] == 0xFF) {
        const uint8_t kind = bytes[at + 1];
        if (kind == 0xFF) { // filling
            ++at;
            continue;
        }
        const bool frame = kind >= 0xC0 && kind <= 0xCF && kind != 0xC4 && kind != 0xC8 && kind != 0xCC;
        if (frame) {
            return ImageFacts{"image/jpeg", big_endian(bytes, at + 7, 2), big_endian(bytes, at + 5, 2)};
        }
        const uint32_t length = big_endian(bytes, at + 2, 2);
        if (length < 2) {
            return std::nullopt;
        }
        at += 2 + length;
    }
    return std::nullopt;
}

uint32_t little_endian(std::span<const uint8_t> bytes, size_t at, size_t count) {
    uint32_t value = 0;
    for (size_t i = count; i-- > 0;) {
        value = value << 8U | bytes[at + i];
    }
    return value;
}

/// A simple file, lossy (RFC 6386, 9.1) or not, or one with a header of its own. (RFC 9649, 2)
std::optional<ImageFacts> webp_facts(std::span<const uint8_t> bytes) {
    const auto has = [&](size_t at, std::string_view mark) {
        return std::equal(mark.begin(), mark.end(), bytes.begin() + static_cast<ptrdiff_t>(at));
    };
    if (bytes.size() < 30 || !has(0, "RIFF") || !has(8, "WEBP")) {
        return std::nullopt;
    }
    if (has(12, "VP8X")) {
        return ImageFacts{"image/webp", little_endian(bytes, 24, 3) + 1, little_endian(bytes, 27, 3) + 1};
    }
    if (has(12, "VP8L") && bytes[20] == 0x2F) {
        const uint32_t sides = little_endian(bytes, 21, 4);
        return ImageFacts{"image/webp", (sides & 0x3FFFU) + 1, (sides >> 14U & 0x3FFFU) + 1};
    }
    if (has(12, "VP8 ") && bytes[23] == 0x9D && bytes[24] == 0x01 && bytes[25] == 0x2A) {
        return ImageFacts{"image/webp", little_endian(bytes, 26, 2) & 0x3FFFU, little_endian(bytes, 28, 2) & 0x3FFFU};
    }
    return std::nullopt;
}

} // namespace

std::optional<ImageFacts> image_facts(std::span<const uint8_t> bytes) {
    const std::optional<ImageFacts> png = png_facts(bytes);
    const std::optional<ImageFacts> jpeg = png ? png : jpeg_facts(bytes);
    std::optional<ImageFacts> facts = jpeg ? jpeg : webp_facts(bytes);
    return facts && facts->width > 0 && facts->height > 0 ? facts : std::nullopt;
}

} // namespace wembrix
