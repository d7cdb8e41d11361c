// Random OBJ files from a seed.
#pragma once

#include <algorithm>
#include <cstdint>
#include <fmt/format.h>
#include <random>
#include <string>
#include <vector>

namespace wembrix::testing {

/// Files as a dozen programs would write them, at random: the same for the same seed. Faces of up to so many corners.
inline std::string random_obj(uint32_t seed, size_t most_corners = 6) {
    std::mt19937 random(seed);
    const auto below = [&](size_t n) { return random() % n; };
    const auto real = [&] { return static_cast<double>(random() >> 8U) / 16777216.0 * 4 - 2; };
    std::string text = "# made at random\n";
    size_t places = 0;
    size_t coordinates = 0;
    size_t normals = 0;
    for (size_t object = 0; object < 1 + below(4); ++object) {
        text += (below(2) == 0 ? "o part_" : "o part ") + std::to_string(object) + "\n";
        const size_t more = 4 + below(30);
        const bool coloured = below(4) == 0;
        for (size_t v = 0; v < more; ++v) {
            text += fmt::format("v {:.{}f} {:.6g} {}", real(), 1 + below(7), real() * 1e-3, real());
            text += coloured ? fmt::format(" {:.3f} {:.3f} {:.3f}\n", real() / 4 + 0.5, real() / 4 + 0.5, 1.0) : "\n";
        }
        places += more;
        const size_t some = below(3) == 0 ? 0 : 3 + below(10);
        for (size_t v = 0; v < some; ++v) {
            text += fmt::format("vt {:.5f} {:.5f}\n", real(), real());
        }
        coordinates += some;
        const size_t ups = below(3) == 0 ? 0 : 3 + below(10);
        for (size_t v = 0; v < ups; ++v) {
            text += fmt::format("vn {:.4f} {:.4f} {:.4f}\n", real(), real(), 1.5 + real() / 4);
        }
        normals += ups;
        for (size_t f = 0; f < 3 + below(40); ++f) {
            if (below(8) == 0) {
                text += fmt::format("usemtl paint_{}\n", below(3));
            }
            text += "f";
            std::vector<size_t> corners;
            const size_t count = 3 + below(most_corners - 2);
            while (corners.size() < count && corners.size() < more) {
                const size_t v = places - more + below(more);
                if (std::find(corners.begin(), corners.end(), v) == corners.end()) {
                    corners.push_back(v);
                }
            }
            const bool from_the_end = below(5) == 0;
            for (const size_t v : corners) {
                const auto index = [&](size_t at, size_t all) {
                    return from_the_end ? static_cast<int64_t>(at) - static_cast<int64_t>(all)
                                        : static_cast<int64_t>(at) + 1;
                };
                text += fmt::format(" {}", index(v, places));
                if (some > 0 || ups > 0) {
                    text += "/";
                    text += some > 0 ? fmt::format("{}", index(coordinates - some + below(some), coordinates)) : "";
                    text += ups > 0 ? fmt::format("/{}", index(normals - ups + below(ups), normals)) : "";
                }
            }
            text += below(10) == 0 ? " \r\n" : "\n";
        }
    }
    return text;
}

} // namespace wembrix::testing
