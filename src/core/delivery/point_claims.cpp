#include "core/delivery/point_claims.h"

#include "core/base/counted.h"
#include "core/base/text.h"

#include <algorithm>
#include <cmath>
#include <utility>

namespace wembrix {

namespace {

Claim made(Text name, Text expected, Text actual, bool pass, const Text& detail) {
    return {std::move(name), std::move(expected), std::move(actual), pass, pass ? "" : detail};
}

Text said(const Mesh& mesh) {
    return phrase("{}, {}", counted(mesh.point_count(), "vertex"), counted(mesh.triangle_count(), "triangle"));
}

Text said(const FramesAndRate& of) {
    return phrase("{} f at {:g}/s", std::max(0, of.frames), of.rate);
}

std::pair<Vec3f, Vec3f> box_of(const std::vector<Vec3f>& points) {
    Vec3f low = points.empty() ? Vec3f(Vec3f::Zero()) : points.front();
    Vec3f high = low;
    for (const Vec3f& point : points) {
        low = low.cwiseMin(point);
        high = high.cwiseMax(point);
    }
    return {low, high};
}

} // namespace

Claim surface_claim(const Mesh& should, const Mesh* is) {
    if (is == nullptr) {
        return made("Surface", said(should), "none", false, "no surface arrived");
    }
    bool same = should.point_count() == is->point_count() && should.triangle_count() == is->triangle_count();
    for (size_t p = 0; same && p < std::max(should.primitives.size(), is->primitives.size()); ++p) {
        same = p < should.primitives.size() && p < is->primitives.size() &&
               triangles_of(should, should.primitives[p]) == triangles_of(*is, is->primitives[p]);
    }
    return made("Surface", said(should), said(*is), same, "other vertices, or another order, arrived");
}

Claim size_claim(const std::vector<Vec3f>& should, const std::vector<Vec3f>& is, const Destination& destination) {
    const auto [low, high] = box_of(should);
    const auto [is_low, is_high] = box_of(is);
    const double apart =
        static_cast<double>(std::max((low - is_low).cwiseAbs().maxCoeff(), (high - is_high).cwiseAbs().maxCoeff()));
    const Vec3f centimetres = 100 * (high - low);
    const Vec3 units = (is_high - is_low).cast<double>() / destination.axes.unit_m;
    return made("Size", phrase("{:.3g}×{:.3g}×{:.3g} cm", centimetres.x(), centimetres.y(), centimetres.z()),
                phrase("{:.3g}×{:.3g}×{:.3g} u", units.x(), units.y(), units.z()),
                apart * 1000 <= destination.drift_limit_mm,
                phrase("it lies {:.3f} mm from where it should", apart * 1000));
}

Claim frames_claim(const FramesAndRate& should, const FramesAndRate& is) {
    return made("Frames", said(should), said(is),
                should.frames == is.frames && std::abs(should.rate - is.rate) < 1e-6 * should.rate,
                "another length or pace arrived");
}

void settle_state(Arrival& arrival) {
    if (arrival.says) {
        arrival.claims.push_back(*std::exchange(arrival.says, std::nullopt));
    }
    arrival.state = CellState::arrived;
    for (const Claim& claim : arrival.claims) {
        if (claim.holds_back()) {
            arrival.state = CellState::held;
            arrival.reason = claim.name + ": " + claim.detail;
            break;
        }
    }
}

} // namespace wembrix
