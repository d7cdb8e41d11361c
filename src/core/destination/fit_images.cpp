#include "core/destination/fit_images.h"

#include "core/base/text.h"
#include "core/formats/image/pixels.h"
#include "core/scene/image_facts.h"

#include <algorithm>
#include <bit>
#include <cmath>

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

namespace {
bool is_transparent(const Pixels& pixels) {
    for (size_t at = 3; pixels.channels == 4 && at < pixels.samples.size(); at += 4) {
        if (pixels.samples[at] != 255) {
            return true;
        }
    }
    return false;
}

std::string_view kind_of(std::string_view mime) {
    return mime == "image/png" ? "PNG" : mime == "image/webp" ? "WebP" : "JPEG";
}
} // namespace

std::vector<FittedImage> fit_images(Scene& scene, const Destination& destination) {
    std::vector<FittedImage> fitted;
    const bool any_kind = destination.images == ImagesAs::as_they_are;
    if (destination.largest_image <= 0 && !destination.power_of_two_images && any_kind) {
        return fitted;
    }
    const std::string wanted = "image/" + std::string(images_as_name(destination.images));
    for (Image& image : scene.images) {
        const std::optional<ImageFacts> facts = image_facts(image.bytes.get());
        if (!facts) {
            continue; // of another kind, or not there: it goes out as it is
        }
        const auto [width, height] = fitted_size(facts->width, facts->height, destination);
        const bool same_size = width == facts->width && height == facts->height;
        std::string kind = any_kind ? std::string(facts->mime) : wanted;
        if (same_size && kind == facts->mime) {
            continue;
        }
        Result<Pixels> pixels = decode_image(image.bytes.get());
        if (!pixels) {
            fitted.push_back({image.name, pixels.problem().what, true});
            continue;
        }
        const bool kept_alpha = kind == "image/jpeg" && kind != facts->mime && is_transparent(*pixels);
        if (kept_alpha) {
            kind = "image/png";
        }
        if (same_size && kind == facts->mime) {
            fitted.push_back({image.name, "has transparent pixels, which JPEG has not: it stays PNG", true});
            continue;
        }
        Result<std::vector<uint8_t>> bytes = encode_image(same_size ? *pixels : smaller_image(*pixels, width, height),
                                                          kind, any_kind ? 92 : destination.image_quality);
        if (!bytes) {
            fitted.push_back({image.name, bytes.problem().what, true});
            continue;
        }
        std::string said =
            same_size ? "" : phrase("{} × {} became {} × {}", facts->width, facts->height, width, height);
        if (kind != facts->mime) {
            said += phrase("{}{} became {}", said.empty() ? "" : ", ", kind_of(facts->mime), kind_of(kind));
            if (kind != "image/png" && !(kind == "image/webp" && destination.image_quality == 100)) {
                said += phrase(" of quality {}", destination.image_quality);
            }
            said += phrase(" ({} → {} bytes)", image.bytes.size(), bytes->size());
        }
        fitted.push_back({image.name, std::move(said), false});
        image.bytes = bytes.take();
        image.mime = kind;
    }
    return fitted;
}

} // namespace wembrix
