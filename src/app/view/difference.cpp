#include "view/difference.h"

#include <algorithm>
#include <cmath>

namespace wembrix::app {

Difference::Difference(const PosedScene& should, const PosedScene& is, Matching matching, const Mat4& moved)
    : should_(should), is_(is), moved_(moved.cast<float>()) {
    for (const Deformer::Surface& surface : is.surfaces()) {
        const Node& node = is.scene().nodes[surface.node];
        for (const Deformer::Surface& other : should.surfaces()) {
            const Node& from = should.scene().nodes[other.node];
            const bool same = matching == Matching::identity ? node.identity != 0 && node.identity == from.identity
                                                             : node.name == from.name;
            if (same && other.count == surface.count) {
                pairs_.push_back({other.first, surface.first, surface.count});
            }
        }
    }
    millimetres_.assign(is.points().size(), -1.0F);
    update();
}

void Difference::update() {
    largest_ = 0;
    for (const Pair& pair : pairs_) {
        for (size_t i = 0; i < pair.count; ++i) {
            const Vec3f& from = should_.points()[pair.should + i];
            const Vec3f there = moved_.topLeftCorner<3, 3>() * from + moved_.topRightCorner<3, 1>();
            const float mm = (is_.points()[pair.is + i] - there).norm() * 1000;
            millimetres_[pair.is + i] = mm;
            largest_ = std::max(largest_, std::isnan(mm) ? HUGE_VALF : mm);
        }
    }
    most_ = std::max(most_, largest_);
}

Vec3f difference_colour(float millimetres, float largest) {
    if (millimetres < 0) {
        return {0.62F, 0.63F, 0.62F};
    }
    const Vec3f straw(0.95F, 0.91F, 0.74F);
    const Vec3f middle(0.82F, 0.47F, 0.38F);
    const Vec3f plum(0.30F, 0.09F, 0.33F);
    const float u = largest > 0 ? std::clamp(millimetres / largest, 0.0F, 1.0F) : 0.0F;
    return u < 0.5F ? Vec3f(straw + (middle - straw) * (u * 2)) : Vec3f(middle + (plum - middle) * (u * 2 - 1));
}

} // namespace wembrix::app
