#include "core/formats/image/webp.h"

#include <cassert>
#include <webp/encode.h>
#include <webp/mux.h>

namespace wembrix {

namespace {
constexpr float quality = 82; // of 100: no ring about an ink edge that one would see
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
    config.quality = quality;
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
