#include "core/picture/film.h"

#include "core/formats/image/webp.h"
#include "core/measure/clips/motion.h"

#include <algorithm>
#include <cmath>

namespace wembrix {

std::vector<double> telling_moments(const Scene& scene, const Clip& clip, int count) {
    constexpr double rate = 30;
    std::vector<double> moments;
    const std::vector<float> energy = motion_energy(scene, clip, rate);
    std::vector<double> moved = {0}; // until each frame
    for (size_t f = 1; f < energy.size(); ++f) {
        moved.push_back(moved.back() + (static_cast<double>(energy[f - 1]) + static_cast<double>(energy[f])) / 2);
    }
    const double all = moved.back();
    for (int k = 0; k < count; ++k) {
        const double share = count > 1 ? static_cast<double>(k) / (count - 1) : 0.5;
        if (!(all > 1e-6)) {
            moments.push_back(share * clip.seconds);
            continue;
        }
        const auto after = std::lower_bound(moved.begin(), moved.end(), share * all);
        const auto frame =
            static_cast<double>(std::min(after - moved.begin(), static_cast<std::ptrdiff_t>(moved.size() - 1)));
        double at = frame;
        if (after != moved.begin() && after != moved.end() && *after > *(after - 1)) {
            at = frame - (*after - share * all) / (*after - *(after - 1));
        }
        moments.push_back(std::clamp(at / rate, 0.0, clip.seconds));
    }
    return moments;
}

namespace {
void put(const Pixels& from, Pixels& to, uint32_t left) {
    for (uint32_t y = 0; y < from.height; ++y) {
        std::copy_n(from.samples.begin() + static_cast<std::ptrdiff_t>(size_t{y} * from.width * from.channels),
                    size_t{from.width} * from.channels,
                    to.samples.begin() + static_cast<std::ptrdiff_t>((size_t{y} * to.width + left) * to.channels));
    }
}

void fill(Pixels& in, uint32_t left, uint32_t top, uint32_t width, uint32_t height, std::array<uint8_t, 3> colour) {
    for (uint32_t y = top; y < std::min(top + height, in.height); ++y) {
        for (uint32_t x = left; x < std::min(left + width, in.width); ++x) {
            uint8_t* pixel = in.samples.data() + (size_t{y} * in.width + x) * in.channels;
            std::copy(colour.begin(), colour.end(), pixel);
            if (in.channels == 4) {
                pixel[3] = 255;
            }
        }
    }
}
} // namespace

Pixels film_strip(Studio& studio, std::span<const double> moments, double seconds, const PictureLook& look) {
    constexpr uint32_t line_height = 10;
    Pixels strip;
    for (size_t m = 0; m < moments.size(); ++m) {
        const Pixels one = studio.shoot(moments[m], look);
        if (m == 0) {
            strip.width = one.width * static_cast<uint32_t>(moments.size());
            strip.height = one.height + line_height;
            strip.channels = one.channels;
            strip.samples.assign(size_t{strip.width} * strip.height * strip.channels, 0);
            if (look.background) {
                fill(strip, 0, 0, strip.width, strip.height, *look.background);
            }
        }
        const uint32_t left = one.width * static_cast<uint32_t>(m);
        put(one, strip, left);
        const uint32_t aside = one.width / 8;
        const uint32_t length = one.width - 2 * aside;
        fill(strip, left + aside, one.height + 4, length, 2, {0xCB, 0xD0, 0xC8});
        const double share = seconds > 0 ? std::clamp(moments[m] / seconds, 0.0, 1.0) : 0;
        fill(strip, left + aside + static_cast<uint32_t>(share * (length - 4)), one.height + 1, 4, 8,
             {0x1F, 0x2A, 0x2E});
    }
    return strip;
}

Result<std::vector<uint8_t>> moving_picture(Studio& studio, double seconds, double rate, const PictureLook& look) {
    constexpr int most = 240;
    const int frames = std::clamp(static_cast<int>(std::lround(seconds * rate)), 1, most);
    MovingWebp webp(static_cast<uint32_t>(look.width), static_cast<uint32_t>(look.height));
    for (int f = 0; f < frames; ++f) {
        const double at = seconds * f / frames;
        if (Outcome added = webp.add(studio.shoot(at, look), static_cast<int>(std::lround(at * 1000))); !added) {
            return added.problem();
        }
    }
    return webp.finish(static_cast<int>(std::lround(seconds * 1000)));
}

} // namespace wembrix
