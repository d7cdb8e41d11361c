#include "core/plan/guides.h"
#include "core/base/text.h"

#include <algorithm>

namespace wembrix {

Text guide_label(const Plan& plan, const GuideId& id) {
    const int chain = plan.find(id.chain);
    const bool several = chain >= 0 && plan.chains[static_cast<size_t>(chain)].copies > 1;
    const std::string point =
        several ? phrase("{} {}.{}", id.chain, id.copy, id.point) : phrase("{} {}", id.chain, id.point);
    return id.side == Side::middle ? point : point + (id.side == Side::left ? ", left" : ", right");
}

const Guide* Guides::find(const GuideId& id) const {
    const auto found = std::find_if(all.begin(), all.end(), [&](const Guide& guide) { return guide.id == id; });
    return found == all.end() ? nullptr : &*found;
}

const Vec3& Guides::at(const GuideId& id) const {
    return find(id)->at;
}

GuideId mirrored(const GuideId& id) {
    GuideId other = id;
    other.side = id.side == Side::left ? Side::right : id.side == Side::right ? Side::left : Side::middle;
    return other;
}

Vec3 mirrored(const Vec3& at, double middle_x) {
    return {2 * middle_x - at.x(), at.y(), at.z()};
}

Vec3 in_body(const Vec3& share, const Bounds& body, double middle_x) {
    if (body.empty()) {
        return share;
    }
    const Vec3 half = body.size() / 2;
    const double aside = std::max(body.high.x() - middle_x, middle_x - body.low.x());
    return {middle_x + share.x() * aside, body.low.y() + share.y() * body.size().y(),
            body.centre().z() + share.z() * half.z()};
}

Vec3 share_of_body(const Vec3& at, const Bounds& body, double middle_x) {
    const Vec3 half = body.size() / 2;
    const double aside = std::max(body.high.x() - middle_x, middle_x - body.low.x());
    const auto part = [](double value, double of) { return of > 0 ? value / of : 0.0; };
    return {part(at.x() - middle_x, aside), part(at.y() - body.low.y(), body.size().y()),
            part(at.z() - body.centre().z(), half.z())};
}

Guides guides_in(const Plan& plan, const std::vector<Guide>& placed, const Bounds& body, double middle_x) {
    Guides guides;
    guides.middle_x = middle_x;
    const auto placed_at = [&](const GuideId& id) {
        const auto found =
            std::find_if(placed.rbegin(), placed.rend(), [&](const Guide& guide) { return guide.id == id; });
        return found == placed.rend() ? nullptr : &*found;
    };
    for (const PlanChain& chain : plan.chains) {
        for (int copy = 1; copy <= chain.copies; ++copy) {
            for (int point = 1; point <= static_cast<int>(chain.points()); ++point) {
                const Vec3 start = in_body(chain.guides[static_cast<size_t>(copy) - 1][static_cast<size_t>(point) - 1],
                                           body, middle_x);
                const auto add = [&](Side side) {
                    const GuideId id = {chain.name, copy, point, side};
                    if (const Guide* own = placed_at(id)) {
                        guides.all.push_back({id, own->at, true});
                    } else if (const Guide* other = side == Side::middle ? nullptr : placed_at(mirrored(id))) {
                        guides.all.push_back({id, mirrored(other->at, middle_x), true});
                    } else {
                        guides.all.push_back({id, side == Side::right ? mirrored(start, middle_x) : start, false});
                    }
                };
                if (chain.both_sides) {
                    add(Side::left);
                    add(Side::right);
                } else {
                    add(Side::middle);
                }
            }
        }
    }
    return guides;
}

std::vector<Vec3> line_of(const Plan& plan, const Guides& guides, const PlanChain& chain, int copy, Side side) {
    std::vector<Vec3> line;
    for (int point = 1; point <= static_cast<int>(chain.points()); ++point) {
        line.push_back(guides.at({chain.name, copy, point, side}));
    }
    if (!chain.to.empty()) {
        const PlanChain& to = plan.chains[static_cast<size_t>(plan.find(chain.to))];
        line.push_back(guides.at({to.name, (to.copies + 1) / 2, 1, to.both_sides ? side : Side::middle}));
    }
    return line;
}

double length_of(const std::vector<Vec3>& line) {
    double length = 0;
    for (size_t i = 1; i < line.size(); ++i) {
        length += (line[i] - line[i - 1]).norm();
    }
    return length;
}

std::vector<Vec3> spread_along(const std::vector<Vec3>& through, int count) {
    constexpr int parts = 64;
    std::vector<Vec3> fine = {through.front()};
    for (size_t i = 0; i + 1 < through.size(); ++i) {
        const Vec3& a = through[i];
        const Vec3& b = through[i + 1];
        Vec3 slope_a = i == 0 ? Vec3(b - a) : Vec3((b - through[i - 1]) / 2);
        Vec3 slope_b = i + 2 == through.size() ? Vec3(b - a) : Vec3((through[i + 2] - a) / 2);
        // At an end the curve goes on bending as the slope beside it says.
        if (i == 0) {
            slope_a = 1.5 * (b - a) - slope_b / 2;
        }
        if (i + 2 == through.size()) {
            slope_b = 1.5 * (b - a) - slope_a / 2;
        }
        for (int p = 1; p <= parts; ++p) {
            const double t = static_cast<double>(p) / parts;
            const double s = 1 - t;
            fine.emplace_back((1 + 2 * t) * s * s * a + t * s * s * slope_a + t * t * (3 - 2 * t) * b -
                              t * t * s * slope_b);
        }
    }
    const double step = length_of(fine) / count;
    std::vector<Vec3> points = {through.front()};
    double done = 0;
    for (size_t i = 1; i < fine.size() && static_cast<int>(points.size()) < count; ++i) {
        const double part = (fine[i] - fine[i - 1]).norm();
        while (static_cast<int>(points.size()) < count && done + part >= step * static_cast<double>(points.size())) {
            const double into = part > 0 ? (step * static_cast<double>(points.size()) - done) / part : 0;
            points.emplace_back(fine[i - 1] + into * (fine[i] - fine[i - 1]));
        }
        done += part;
    }
    points.resize(static_cast<size_t>(count), through.back());
    return points;
}

} // namespace wembrix
