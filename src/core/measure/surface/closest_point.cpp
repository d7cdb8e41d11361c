#include "core/measure/surface/closest_point.h"

#include <algorithm>
#include <numeric>

namespace wembrix {

namespace {

constexpr uint32_t leaf = 4;

} // namespace

std::array<float, 3> nearest_in(const Vec3f& p, const Vec3f& a, const Vec3f& b, const Vec3f& c) {
    const Vec3f ab = b - a;
    const Vec3f ac = c - a;
    const Vec3f ap = p - a;
    const float d1 = ab.dot(ap);
    const float d2 = ac.dot(ap);
    if (d1 <= 0 && d2 <= 0) {
        return {1, 0, 0};
    }
    const Vec3f bp = p - b;
    const float d3 = ab.dot(bp);
    const float d4 = ac.dot(bp);
    if (d3 >= 0 && d4 <= d3) {
        return {0, 1, 0};
    }
    const float vc = d1 * d4 - d3 * d2;
    if (vc <= 0 && d1 >= 0 && d3 <= 0 && d1 != d3) {
        const float v = d1 / (d1 - d3);
        return {1 - v, v, 0};
    }
    const Vec3f cp = p - c;
    const float d5 = ab.dot(cp);
    const float d6 = ac.dot(cp);
    if (d6 >= 0 && d5 <= d6) {
        return {0, 0, 1};
    }
    const float vb = d5 * d2 - d1 * d6;
    if (vb <= 0 && d2 >= 0 && d6 <= 0 && d2 != d6) {
        const float w = d2 / (d2 - d6);
        return {1 - w, 0, w};
    }
    const float va = d3 * d6 - d5 * d4;
    if (va <= 0 && d4 - d3 >= 0 && d5 - d6 >= 0 && (d4 - d3) + (d5 - d6) > 0) {
        const float w = (d4 - d3) / ((d4 - d3) + (d5 - d6));
        return {0, 1 - w, w};
    }
    const float sum = va + vb + vc;
    if (!(sum > 0)) {
        return {1, 0, 0}; // without area
    }
    return {1 - vb / sum - vc / sum, vb / sum, vc / sum};
}

ClosestPoint::ClosestPoint(std::span<const Vec3f> points, std::span<const Triangle> triangles)
    : points_(points), triangles_(triangles), order_(triangles.size()) {
    std::iota(order_.begin(), order_.end(), 0U);
    std::vector<Vec3f> centres;
    centres.reserve(triangles.size());
    for (const Triangle& triangle : triangles) {
        centres.emplace_back((points[triangle[0]] + points[triangle[1]] + points[triangle[2]]) / 3);
    }
    boxes_.reserve(triangles.size());
    if (!triangles.empty()) {
        split(0, static_cast<uint32_t>(triangles.size()), centres);
    }
}

void ClosestPoint::split(uint32_t first, uint32_t count, const std::vector<Vec3f>& centres) {
    const size_t own = boxes_.size();
    Box box;
    box.low = Vec3f::Constant(1e30F);
    box.high = Vec3f::Constant(-1e30F);
    Vec3f low = box.low;
    Vec3f high = box.high;
    for (uint32_t i = first; i < first + count; ++i) {
        for (const uint32_t corner : triangles_[order_[i]]) {
            box.low = box.low.cwiseMin(points_[corner]);
            box.high = box.high.cwiseMax(points_[corner]);
        }
        low = low.cwiseMin(centres[order_[i]]);
        high = high.cwiseMax(centres[order_[i]]);
    }
    box.first = first;
    box.count = count;
    boxes_.push_back(box);
    if (count <= leaf) {
        return;
    }
    int axis = 0;
    (high - low).maxCoeff(&axis);
    const uint32_t half = count / 2;
    std::nth_element(order_.begin() + first, order_.begin() + first + half, order_.begin() + first + count,
                     [&](uint32_t a, uint32_t b) {
                         const float x = centres[a][axis];
                         const float y = centres[b][axis];
                         return x != y ? x < y : a < b;
                     });
    boxes_[own].count = 0;
    split(first, half, centres);
    boxes_[own].first = static_cast<uint32_t>(boxes_.size());
    split(first + half, count - half, centres);
}

SurfacePlace ClosestPoint::nearest(const Vec3f& at, double most, const Vec3f* normal, double least_cosine) const {
    SurfacePlace best;
    if (boxes_.empty()) {
        return best;
    }
    float least = most > 1e18 ? 3e38F : static_cast<float>(most * most);
    const auto to_box = [&](const Box& box) {
        return (box.low - at).cwiseMax(at - box.high).cwiseMax(Vec3f::Zero()).squaredNorm();
    };
    std::array<uint32_t, 128> open{};
    size_t depth = 0;
    open[depth++] = 0;
    while (depth > 0) {
        const uint32_t place = open.at(--depth);
        const Box& box = boxes_[place];
        if (to_box(box) > least) {
            continue;
        }
        if (box.count == 0) {
            const uint32_t a = place + 1;
            const uint32_t b = box.first;
            const bool a_first = to_box(boxes_[a]) <= to_box(boxes_[b]);
            open.at(depth++) = a_first ? b : a;
            open.at(depth++) = a_first ? a : b;
            continue;
        }
        for (uint32_t i = box.first; i < box.first + box.count; ++i) {
            const Triangle& triangle = triangles_[order_[i]];
            const Vec3f& a = points_[triangle[0]];
            const Vec3f& b = points_[triangle[1]];
            const Vec3f& c = points_[triangle[2]];
            if (normal != nullptr && (b - a).cross(c - a).normalized().dot(*normal) < least_cosine) {
                continue;
            }
            const std::array<float, 3> share = nearest_in(at, a, b, c);
            const float apart = (share[0] * a + share[1] * b + share[2] * c - at).squaredNorm();
            if (apart < least || (apart == least && best.triangle == SurfacePlace::none)) {
                least = apart;
                best.triangle = order_[i];
                best.share = share;
            }
        }
    }
    best.distance_m = best.triangle == SurfacePlace::none ? 0 : std::sqrt(static_cast<double>(least));
    return best;
}

template <typename Hit> void ClosestPoint::walk(const Vec3f& from, const Vec3f& to, float begin, const Hit& hit) const {
    if (boxes_.empty()) {
        return;
    }
    const Vec3f way = to - from;
    float end = 1;
    const auto meets = [&](const Box& box) {
        float first = begin;
        float last = end;
        for (Eigen::Index k = 0; k < 3; ++k) {
            if (way[k] == 0) {
                if (from[k] < box.low[k] || from[k] > box.high[k]) {
                    return false;
                }
                continue;
            }
            const float one = (box.low[k] - from[k]) / way[k];
            const float other = (box.high[k] - from[k]) / way[k];
            first = std::max(first, std::min(one, other));
            last = std::min(last, std::max(one, other));
        }
        return first <= last;
    };
    const auto try_triangle = [&](uint32_t place) {
        const Triangle& triangle = triangles_[place];
        const Vec3f& a = points_[triangle[0]];
        const Vec3f ab = points_[triangle[1]] - a;
        const Vec3f ac = points_[triangle[2]] - a;
        const Vec3f p = way.cross(ac);
        const float volume = ab.dot(p);
        if (volume == 0) {
            return;
        }
        const Vec3f to_from = from - a;
        const float u = to_from.dot(p) / volume;
        const Vec3f q = to_from.cross(ab);
        const float v = way.dot(q) / volume;
        const float t = ac.dot(q) / volume;
        if (u >= 0 && v >= 0 && u + v <= 1 && t > begin && t < end) {
            end = hit(t, place, volume < 0);
        }
    };
    std::array<uint32_t, 128> open{};
    size_t depth = 0;
    open[depth++] = 0;
    while (depth > 0 && end > begin) {
        const uint32_t place = open.at(--depth);
        const Box& box = boxes_[place];
        if (!meets(box)) {
            continue;
        }
        if (box.count == 0) {
            open.at(depth++) = box.first;
            open.at(depth++) = place + 1;
            continue;
        }
        for (uint32_t i = box.first; i < box.first + box.count && end > begin; ++i) {
            try_triangle(order_[i]);
        }
    }
}

bool ClosestPoint::crosses(const Vec3f& from, const Vec3f& to, float begin) const {
    bool found = false;
    walk(from, to, begin, [&](float, uint32_t, bool) {
        found = true;
        return begin;
    });
    return found;
}

std::optional<ClosestPoint::Crossing> ClosestPoint::first_crossing(const Vec3f& from, const Vec3f& to,
                                                                   float begin) const {
    std::optional<Crossing> first;
    walk(from, to, begin, [&](float share, uint32_t triangle, bool leaves) {
        first = {share, triangle, leaves};
        return share;
    });
    return first;
}

} // namespace wembrix
