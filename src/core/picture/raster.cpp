#include "core/picture/raster.h"

#include <tbb/parallel_for.h>

#include <algorithm>
#include <cassert>
#include <cmath>

namespace wembrix {

namespace {

constexpr int band_rows = 32; // of one thread at a time: no two threads write to one sample

/// The rows that a triangle or line reaches, in bands; none where it is not to be seen.
struct Reach {
    int first = 0;
    int last = -1;
};

Reach reach_of(float low, float high, int height) {
    if (!(high >= 0) || !(low < static_cast<float>(height))) {
        return {};
    }
    return {static_cast<int>(std::max(low, 0.0F)) / band_rows,
            static_cast<int>(std::min(high, static_cast<float>(height - 1))) / band_rows};
}

/// Which of the things reach into each band, in their order.
template <typename Of> std::vector<std::vector<uint32_t>> banded(size_t count, int height, const Of& reach) {
    std::vector<std::vector<uint32_t>> bands(static_cast<size_t>((height + band_rows - 1) / band_rows));
    for (size_t i = 0; i < count; ++i) {
        const Reach of = reach(i);
        for (int band = of.first; band <= of.last; ++band) {
            bands[static_cast<size_t>(band)].push_back(static_cast<uint32_t>(i));
        }
    }
    return bands;
}

} // namespace

Raster::Raster(int width, int height) : width_(width), height_(height) {
    assert(width > 0 && height > 0 && width <= 8192 && height <= 8192);
    colours_.assign(static_cast<size_t>(width) * static_cast<size_t>(height), Vec3f::Zero());
    depths_.assign(colours_.size(), 0);
}

void Raster::triangles(std::span<const SeenCorner> corners, std::span<const std::array<uint32_t, 3>> triangles,
                       const std::function<bool(const SeenPoint&, Vec3f&)>& colour) {
    const auto bands = banded(triangles.size(), height_, [&](size_t t) {
        const SeenCorner& a = corners[triangles[t][0]];
        const SeenCorner& b = corners[triangles[t][1]];
        const SeenCorner& c = corners[triangles[t][2]];
        if (!(a.near > 0) || !(b.near > 0) || !(c.near > 0)) {
            return Reach{};
        }
        return reach_of(std::min({a.y, b.y, c.y}), std::max({a.y, b.y, c.y}), height_);
    });
    tbb::parallel_for(size_t{0}, bands.size(), [&](size_t band) {
        const int top = static_cast<int>(band) * band_rows;
        const int bottom = std::min(top + band_rows, height_) - 1;
        for (const uint32_t t : bands[band]) {
            const SeenCorner& a = corners[triangles[t][0]];
            const SeenCorner& b = corners[triangles[t][1]];
            const SeenCorner& c = corners[triangles[t][2]];
            const float area = (b.x - a.x) * (c.y - a.y) - (c.x - a.x) * (b.y - a.y);
            if (!(std::abs(area) > 1e-9F) || !std::isfinite(area)) {
                continue;
            }
            const float low_x = std::min({a.x, b.x, c.x});
            const float high_x = std::max({a.x, b.x, c.x});
            if (!(high_x >= 0) || !(low_x < static_cast<float>(width_))) {
                continue;
            }
            const int left = static_cast<int>(std::max(low_x, 0.0F));
            const int right = static_cast<int>(std::min(high_x, static_cast<float>(width_ - 1)));
            const int first = std::max(top, static_cast<int>(std::max(std::min({a.y, b.y, c.y}), 0.0F)));
            const int last = std::min(
                bottom, static_cast<int>(std::min(std::max({a.y, b.y, c.y}), static_cast<float>(height_ - 1))));
            for (int y = first; y <= last; ++y) {
                for (int x = left; x <= right; ++x) {
                    const float px = static_cast<float>(x) + 0.5F;
                    const float py = static_cast<float>(y) + 0.5F;
                    const float u = ((px - a.x) * (c.y - a.y) - (c.x - a.x) * (py - a.y)) / area;
                    const float v = ((b.x - a.x) * (py - a.y) - (px - a.x) * (b.y - a.y)) / area;
                    const float w = 1 - u - v;
                    if (!(u >= 0 && v >= 0 && w >= 0)) { // none of them is a number that is not one
                        continue;
                    }
                    const float near = w * a.near + u * b.near + v * c.near;
                    const size_t at = static_cast<size_t>(y) * static_cast<size_t>(width_) + static_cast<size_t>(x);
                    if (near <= depths_[at]) {
                        continue;
                    }
                    Vec3f seen;
                    if (colour({t, {w * a.near / near, u * b.near / near, v * c.near / near}}, seen)) {
                        depths_[at] = near;
                        colours_[at] = seen;
                    }
                }
            }
        }
    });
}

void Raster::lines(std::span<const SeenLine> lines) {
    const auto bands = banded(lines.size(), height_, [&](size_t i) {
        const SeenLine& line = lines[i];
        if (!(line.from.near > 0) || !(line.to.near > 0)) {
            return Reach{};
        }
        return reach_of(std::min(line.from.y, line.to.y) - line.width, std::max(line.from.y, line.to.y) + line.width,
                        height_);
    });
    tbb::parallel_for(size_t{0}, bands.size(), [&](size_t band) {
        const int top = static_cast<int>(band) * band_rows;
        const int bottom = std::min(top + band_rows, height_) - 1;
        for (const uint32_t i : bands[band]) {
            const SeenLine& line = lines[i];
            const float dx = line.to.x - line.from.x;
            const float dy = line.to.y - line.from.y;
            const float length = std::max(std::abs(dx), std::abs(dy));
            if (!(length < 100000)) {
                continue;
            }
            const int steps = std::max(1, static_cast<int>(std::ceil(length)));
            const float half = (line.width - 1) / 2;
            for (int step = 0; step <= steps; ++step) {
                const float share = static_cast<float>(step) / static_cast<float>(steps);
                const float x = line.from.x + share * dx;
                const float y = line.from.y + share * dy;
                const float near = line.from.near + share * (line.to.near - line.from.near);
                const int first = std::max(top, static_cast<int>(std::floor(y - half)));
                const int last = std::min(bottom, static_cast<int>(std::floor(y + half)));
                const int left = static_cast<int>(std::floor(std::clamp(x - half, 0.0F, static_cast<float>(width_))));
                const int right =
                    static_cast<int>(std::floor(std::clamp(x + half, -1.0F, static_cast<float>(width_ - 1))));
                for (int row = first; row <= last; ++row) {
                    for (int column = left; column <= right; ++column) {
                        const size_t at =
                            static_cast<size_t>(row) * static_cast<size_t>(width_) + static_cast<size_t>(column);
                        if (near > depths_[at]) {
                            depths_[at] = near;
                            colours_[at] = line.colour;
                        }
                    }
                }
            }
        }
    });
}

} // namespace wembrix
