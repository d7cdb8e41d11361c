#include "core/destination/fit_images.h"

#include "core/formats/image/pixels.h"
#include "core/scene/image_facts.h"

#include <algorithm>
#include <bit>
#include <cmath>
#include <fmt/format.h>

namespace wembrix {

std::pair<uint32_t, uint32_t> fitted_size(uint32_t width, uint32_t height, const Destination& destination) {
    const auto most = static_cast<uint32_t>(destination.largest_image);
    const uint32_t larger = std::max(width, height);
    double factor = 1;
    if (most > 0 && larger > most) {
        factor = static_cast<double>(most) / larger;
    }
    const auto side = [&](uint32_t before) {
        const auto now = std::max<uint32_t>(1, static_cast<uint32_t>(std::lround(before * factor)));
        return destination.power_of_two_images ? std::bit_floor(now) : now;
    };
    return {side(width), side(height)};
}

std::vector<FittedImage> fit_images(Scene& scene, const Destination& destination) {
    std::vector<FittedImage> fitted;
    if (destination.largest_image <= 0 && !destination.power_of_two_images) {
        return fitted;
    }
    for (Image& image : scene.images) {
        const std::optional<ImageFacts> facts = image_facts(image.bytes.get());
        if (!facts) {
            continue; // of another kind, or not there: it goes out as it is
        }
        const auto [width, height] = fitted_size(facts->width, facts->height, destination);
        if (width == facts->width && height == facts->height) {
            continue;
        }
        Result<Pixels> pixels = decode_image(image.bytes.get());
        Result<std::vector<uint8_t>> bytes = pixels ? encode_image(smaller_image(*pixels, width, height), facts->mime)
                                                    : Result<std::vector<uint8_t>>(pixels.problem());
        if (!bytes) {
            fitted.push_back({image.name, bytes.problem().what, true});
            continue;
        }
        fitted.push_back(
            {image.name, fmt::format("{} × {} became {} × {}", facts->width, facts->height, width, height), false});
        image.bytes = bytes.take();
    }
    return fitted;
}

} // namespace wembrix
