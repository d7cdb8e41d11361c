#include "view/layers/strand_picture.h"

#include <algorithm>
#include <cmath>
#include <limits>
#include <tbb/blocked_range.h>
#include <tbb/parallel_for.h>
#include <tbb/parallel_reduce.h>

namespace wembrix::app {

namespace {

constexpr float unseen = 2;
constexpr float widest = 1e5; ///< pixels from the pane's corner: so far steps of a pixel can still be told apart

uint32_t packed(const Vec3f& colour) {
    const auto byte = [](float part) { return static_cast<uint32_t>(std::clamp(part, 0.F, 1.F) * 255 + 0.5F); };
    return byte(colour.x()) | byte(colour.y()) << 8 | byte(colour.z()) << 16 | 255U << 24;
}

struct Extent {
    float left = std::numeric_limits<float>::max();
    float right = std::numeric_limits<float>::lowest();
    float low = std::numeric_limits<float>::max();
    float high = std::numeric_limits<float>::lowest();
};

Extent both(const Extent& a, const Extent& b) {
    return {std::min(a.left, b.left), std::max(a.right, b.right), std::min(a.low, b.low), std::max(a.high, b.high)};
}

} // namespace

void StrandPicture::put_corners(std::span<const Vec3f> points, std::span<const Line> lines, uint32_t stride,
                                const QMatrix4x4& matrix, QSize size, const StrandColours& colours) {
    starts_.resize(lines.size() + 1);
    starts_[0] = 0;
    for (size_t l = 0; l < lines.size(); ++l) {
        starts_[l + 1] = starts_[l] + (lines[l].count - 1 + stride - 1) / stride + 1;
    }
    corners_.resize(starts_.back());
    float rows[4][4];
    for (int r = 0; r < 4; ++r) {
        for (int c = 0; c < 4; ++c) {
            rows[r][c] = matrix(r, c);
        }
    }
    const auto width = static_cast<float>(size.width());
    const auto height = static_cast<float>(size.height());
    const auto put = [&](const Vec3f& point, float along) {
        float clip[4];
        for (int r = 0; r < 4; ++r) {
            clip[r] = rows[r][0] * point.x() + rows[r][1] * point.y() + rows[r][2] * point.z() + rows[r][3];
        }
        Corner corner;
        corner.depth = unseen;
        const float far = clip[3];
        if (far > 0 && std::abs(clip[2]) <= far) {
            corner.x = (clip[0] / far * 0.5F + 0.5F) * width;
            corner.y = (clip[1] / far * 0.5F + 0.5F) * height;
            corner.depth = clip[2] / far * 0.5F + 0.5F;
        }
        if (!(std::abs(corner.x) <= widest && std::abs(corner.y) <= widest)) {
            corner.depth = unseen;
        }
        const float mist = 0.5F * std::clamp((far - colours.near_at) / colours.depth, 0.F, 1.F);
        const Vec3f own = colours.root + 0.65F * along * (colours.tip - colours.root);
        corner.colour = packed(own + mist * (colours.away - own));
        return corner;
    };
    const Extent extent = tbb::parallel_reduce(
        tbb::blocked_range<size_t>(0, lines.size(), 256), Extent(),
        [&](const auto& range, Extent of) {
            for (size_t l = range.begin(); l < range.end(); ++l) {
                const Line& line = lines[l];
                size_t at = starts_[l];
                for (uint32_t p = 0;; p = std::min(p + stride, line.count - 1)) {
                    const float along =
                        line.count < 2 ? 0.F : static_cast<float>(p) / static_cast<float>(line.count - 1);
                    const Corner& corner = corners_[at++] = put(points[line.first + p], along);
                    if (corner.depth <= 1) {
                        of = both(of, {corner.x, corner.x, corner.y, corner.y});
                    }
                    if (p + 1 >= line.count) {
                        break;
                    }
                }
            }
            return of;
        },
        both);
    if (extent.left > extent.right || extent.right < 0 || extent.high < 0 || extent.left > width ||
        extent.low > height) {
        box_ = {};
        return;
    }
    const auto within = [](float value, int most) {
        return static_cast<int>(std::clamp(value, 0.F, static_cast<float>(most)));
    };
    const int left = within(extent.left, size.width());
    const int low = within(extent.low, size.height());
    box_ = {left, low, std::min(size.width() - left, within(extent.right, size.width()) - left + 2),
            std::min(size.height() - low, within(extent.high, size.height()) - low + 2)};
}

/// The rows from `low` to below `high` of the grid that `depths` and `pixels` stand for.
void StrandPicture::fill(int low, int high, int width, bool smooth) {
    std::vector<uint32_t>& pixels = smooth ? fine_ : pixels_;
    std::vector<float>& depths = smooth ? fine_depths_ : depths_;
    const size_t first = static_cast<size_t>(low) * static_cast<size_t>(width);
    const size_t past = static_cast<size_t>(high) * static_cast<size_t>(width);
    std::fill(pixels.begin() + static_cast<ptrdiff_t>(first), pixels.begin() + static_cast<ptrdiff_t>(past), 0U);
    std::fill(depths.begin() + static_cast<ptrdiff_t>(first), depths.begin() + static_cast<ptrdiff_t>(past), 1.F);
    const auto scale = static_cast<float>(smooth ? 2 : 1);
    const auto left = static_cast<float>(box_.left());
    const auto bottom = static_cast<float>(box_.top());
    const auto right_end = static_cast<float>(width + 1);
    const auto low_end = static_cast<float>(low - 1);
    const auto high_end = static_cast<float>(high + 1);
    const auto put = [&](int x, int y, float depth, uint32_t colour) {
        if (x < 0 || x >= width || y < low || y >= high) {
            return;
        }
        const size_t at = static_cast<size_t>(y) * static_cast<size_t>(width) + static_cast<size_t>(x);
        if (depth < depths[at]) {
            depths[at] = depth;
            pixels[at] = colour;
        }
    };
    for (size_t l = 0; l + 1 < starts_.size(); ++l) {
        for (size_t c = starts_[l]; c + 1 < starts_[l + 1]; ++c) {
            const Corner& from = corners_[c];
            const Corner& to = corners_[c + 1];
            if (from.depth > 1 || to.depth > 1) {
                continue;
            }
            float x = (from.x - left) * scale;
            float y = (from.y - bottom) * scale;
            const float to_x = (to.x - left) * scale;
            const float to_y = (to.y - bottom) * scale;
            if (std::max(y, to_y) < low_end || std::min(y, to_y) > high_end || std::max(x, to_x) < -1 ||
                std::min(x, to_x) > right_end) {
                continue;
            }
            const bool steep = std::abs(to_y - y) > std::abs(to_x - x);
            const float span = std::max(std::abs(to_x - x), std::abs(to_y - y));
            const float steps = std::max(1.F, std::ceil(span));
            const float dx = (to_x - x) / steps;
            const float dy = (to_y - y) / steps;
            const float deeper = (to.depth - from.depth) / steps;
            // What stands outside is stepped over: a line close to the eye may be very long.
            const auto leap = [](float at, float step, float lowest, float highest) {
                return step > 0 ? (lowest - at) / step : step < 0 ? (highest - at) / step : 0.F;
            };
            const auto stop = [&](float at, float step, float lowest, float highest) {
                return step > 0 ? (highest - at) / step : step < 0 ? (lowest - at) / step : steps;
            };
            const float begin =
                std::max({0.F, std::floor(leap(x, dx, -1.F, right_end)), std::floor(leap(y, dy, low_end, high_end))});
            const float end = std::min(
                {steps, std::ceil(stop(x, dx, -1.F, right_end)) + 1, std::ceil(stop(y, dy, low_end, high_end)) + 1});
            for (float s = begin; s < end; ++s) {
                const int px = static_cast<int>(std::floor(x + s * dx));
                const int py = static_cast<int>(std::floor(y + s * dy));
                const float depth = from.depth + s * deeper;
                put(px, py, depth, from.colour);
                if (smooth) {
                    put(px + (steep ? 1 : 0), py + (steep ? 0 : 1), depth, from.colour);
                }
            }
        }
    }
}

/// A pixel is as much covered as its four are.
void StrandPicture::reduce() {
    const auto width = static_cast<size_t>(box_.width());
    tbb::parallel_for(tbb::blocked_range<size_t>(0, static_cast<size_t>(box_.height()), 16), [&](const auto& rows) {
        for (size_t y = rows.begin(); y < rows.end(); ++y) {
            for (size_t x = 0; x < width; ++x) {
                const size_t corner = (2 * y) * (2 * width) + 2 * x;
                const size_t four[] = {corner, corner + 1, corner + 2 * width, corner + 2 * width + 1};
                uint32_t even = 0; // two bytes at a time: four of them do not overflow into the next
                uint32_t odd = 0;
                float nearest = 1;
                for (const size_t one : four) {
                    even += fine_[one] & 0x00FF00FFU;
                    odd += fine_[one] >> 8 & 0x00FF00FFU;
                    nearest = std::min(nearest, fine_depths_[one]);
                }
                pixels_[y * width + x] = (even >> 2 & 0x00FF00FFU) | (odd >> 2 & 0x00FF00FFU) << 8;
                depths_[y * width + x] = nearest;
            }
        }
    });
}

void StrandPicture::draw(std::span<const Vec3f> points, std::span<const Line> lines, uint32_t stride,
                         const QMatrix4x4& matrix, QSize size, bool smooth, const StrandColours& colours) {
    put_corners(points, lines, stride, matrix, size, colours);
    const size_t count = static_cast<size_t>(box_.width()) * static_cast<size_t>(box_.height());
    pixels_.resize(count);
    depths_.resize(count);
    if (count == 0) {
        return;
    }
    const int finer = smooth ? 2 : 1;
    if (smooth) {
        fine_.resize(4 * count);
        fine_depths_.resize(4 * count);
    }
    // Each band takes what falls into it from all lines, in their order: no two write one pixel.
    const int rows = box_.height() * finer;
    constexpr int bands = 4;
    tbb::parallel_for(0, bands, [&](int band) {
        fill(rows * band / bands, rows * (band + 1) / bands, box_.width() * finer, smooth);
    });
    if (smooth) {
        reduce();
    }
}

} // namespace wembrix::app
