#include "core/formats/image/webp.h"

#include <cassert>
#include <webp/decode.h>
#include <webp/encode.h>
#include <webp/mux.h>

namespace wembrix {

namespace {
constexpr float moving_quality = 82; // of 100: no ring about an ink edge that one would see
}

Result<Pixels> decode_webp(std::span<const uint8_t> bytes) {
    WebPBitstreamFeatures features;
    if (WebPGetFeatures(bytes.data(), bytes.size(), &features) != VP8_STATUS_OK || features.has_animation != 0) {
        return Problem{"is no whole still WebP picture.", "", ""};
    }
    Pixels pixels;
    pixels.width = static_cast<uint32_t>(features.width);
    pixels.height = static_cast<uint32_t>(features.height);
    pixels.channels = features.has_alpha != 0 ? 4 : 3;
    pixels.samples.resize(static_cast<size_t>(pixels.width) * pixels.height * pixels.channels);
    const int stride = static_cast<int>(pixels.width * pixels.channels);
    const uint8_t* done =
        pixels.channels == 4
            ? WebPDecodeRGBAInto(bytes.data(), bytes.size(), pixels.samples.data(), pixels.samples.size(), stride)
            : WebPDecodeRGBInto(bytes.data(), bytes.size(), pixels.samples.data(), pixels.samples.size(), stride);
    if (done == nullptr) {
        return Problem{"is no whole still WebP picture.", "", ""};
    }
    return pixels;
}

Result<std::vector<uint8_t>> encode_webp(const Pixels& pixels, int quality) {
    WebPConfig config;
    WebPPicture picture;
    if (WebPConfigInit(&config) == 0 || WebPPictureInit(&picture) == 0) {
        return Problem{"no WebP picture can be made.", "", ""};
    }
    config.quality = static_cast<float>(quality);
    config.method = 4;
    if (quality >= 100) {
        config.lossless = 1;
        config.exact = 1;
        config.quality = 75; // how hard it tries
    }
    picture.use_argb = 1;
    picture.width = static_cast<int>(pixels.width);
    picture.height = static_cast<int>(pixels.height);
    WebPMemoryWriter memory;
    WebPMemoryWriterInit(&memory);
    picture.writer = WebPMemoryWrite;
    picture.custom_ptr = &memory;
    const int stride = static_cast<int>(pixels.width * pixels.channels);
    const int taken = pixels.channels == 4 ? WebPPictureImportRGBA(&picture, pixels.samples.data(), stride)
                                           : WebPPictureImportRGB(&picture, pixels.samples.data(), stride);
    const bool done = taken != 0 && WebPEncode(&config, &picture) != 0;
    std::vector<uint8_t> bytes;
    if (done) {
        bytes.assign(memory.mem, memory.mem + memory.size);
    }
    WebPPictureFree(&picture);
    WebPMemoryWriterClear(&memory);
    if (!done) {
        return Problem{"cannot be written as WebP.", "", ""};
    }
    return bytes;
}

struct MovingWebp::Held {
    WebPAnimEncoder* encoder = nullptr;
    uint32_t width = 0;
    uint32_t height = 0;
    ~Held() { WebPAnimEncoderDelete(encoder); }
};

MovingWebp::MovingWebp(uint32_t width, uint32_t height) : held_(std::make_unique<Held>()) {
    held_->width = width;
    held_->height = height;
    WebPAnimEncoderOptions options;
    if (WebPAnimEncoderOptionsInit(&options) != 0) {
        options.anim_params.loop_count = 0; // for ever
        held_->encoder = WebPAnimEncoderNew(static_cast<int>(width), static_cast<int>(height), &options);
    }
}

MovingWebp::~MovingWebp() = default;

Outcome MovingWebp::add(const Pixels& pixels, int milliseconds) {
    assert(pixels.width == held_->width && pixels.height == held_->height);
    WebPConfig config;
    WebPPicture picture;
    if (held_->encoder == nullptr || WebPConfigInit(&config) == 0 || WebPPictureInit(&picture) == 0) {
        return Problem{"no moving picture of that size can be made.", "", ""};
    }
    config.quality = moving_quality;
    config.method = 3;
    picture.use_argb = 1;
    picture.width = static_cast<int>(pixels.width);
    picture.height = static_cast<int>(pixels.height);
    const int stride = static_cast<int>(pixels.width * pixels.channels);
    const int taken = pixels.channels == 4 ? WebPPictureImportRGBA(&picture, pixels.samples.data(), stride)
                                           : WebPPictureImportRGB(&picture, pixels.samples.data(), stride);
    const bool done = taken != 0 && WebPAnimEncoderAdd(held_->encoder, &picture, milliseconds, &config) != 0;
    WebPPictureFree(&picture);
    if (!done) {
        return Problem{"a picture could not be encoded.", "", ""};
    }
    return Done{};
}

Result<std::vector<uint8_t>> MovingWebp::finish(int milliseconds) {
    WebPData data;
    WebPDataInit(&data);
    if (held_->encoder == nullptr || WebPAnimEncoderAdd(held_->encoder, nullptr, milliseconds, nullptr) == 0 ||
        WebPAnimEncoderAssemble(held_->encoder, &data) == 0) {
        return Problem{"the pictures could not be put together.", "", ""};
    }
    std::vector<uint8_t> bytes(data.bytes, data.bytes + data.size);
    WebPDataClear(&data);
    return bytes;
}

} // namespace wembrix
