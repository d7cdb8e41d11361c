#include "core/plan/suggest_guides.h"

#include <algorithm>
#include <cmath>
#include <map>

namespace wembrix {

namespace {

constexpr double widest_cosine = 0.82; ///< an end is sought within 35° of where the plan has it
constexpr double least_stretch = 0.5;
constexpr double most_stretch = 2;

class Suggester {
  public:
    Suggester(const Plan& plan, const BodyVolume& body)
        : plan_(plan), body_(body), symmetry_(body.symmetry()),
          start_(guides_in(plan, {}, body.bounds(), symmetry_.middle_x)), height_(body.bounds().size().maxCoeff()) {}

    SuggestedGuides run() {
        SuggestedGuides result;
        result.symmetry = symmetry_;
        for (const PlanChain& chain : plan_.chains) {
            const Side side = chain.both_sides ? Side::left : Side::middle;
            size_t found = 0;
            for (int copy = 1; copy <= chain.copies; ++copy) {
                for (const auto& [point, at] : reached(chain, copy, side)) {
                    Guide guide = {{chain.name, copy, point, side}, at, true};
                    found += settle(chain, guide) ? 1U : 0U;
                    result.placed.push_back(guide);
                }
            }
            result.in_the_middle += found;
            if (found == 0) {
                result.not_found.push_back(chain.name);
            }
        }
        return result;
    }

  private:
    /// The chain as the plan has it, hung on where the one above now is and stretched to the surface's end.
    std::map<int, Vec3> reached(const PlanChain& chain, int copy, Side side) {
        const std::vector<Vec3> line = line_of(plan_, start_, chain, copy, side);
        std::map<int, Vec3> points;
        const Vec3& first = line.front();
        const Vec3 moved = moved_of(chain.from, side);
        const Vec3 whole = line.back() - first;
        double stretch = 1;
        if (chain.to.empty() && whole.norm() > 1e-9) {
            if (const std::optional<double> far = farthest(first + moved, whole.normalized(), side)) {
                stretch = std::clamp(*far / whole.norm(), least_stretch, most_stretch);
            }
        }
        for (size_t i = 0; i < chain.points(); ++i) {
            points[static_cast<int>(i) + 1] = first + moved + stretch * (line[i] - first);
        }
        return points;
    }

    /// How far the last guide of a chain was moved from where the plan has it.
    Vec3 moved_of(const std::string& chain, Side side) const {
        const int found = plan_.find(chain);
        if (found < 0) {
            return Vec3::Zero();
        }
        const bool both = plan_.chains[static_cast<size_t>(found)].both_sides;
        const auto moved = moved_.find({chain, both && side != Side::middle});
        return moved == moved_.end() ? Vec3(Vec3::Zero()) : moved->second;
    }

    std::optional<double> farthest(const Vec3& from, const Vec3& direction, Side side) const {
        std::optional<double> far;
        for (const Vec3f& point : body_.points()) {
            const Vec3 to = point.cast<double>() - from;
            const double along = to.dot(direction);
            if ((side == Side::left && point.x() < symmetry_.middle_x) || along < widest_cosine * to.norm()) {
                continue;
            }
            far = std::max(far.value_or(0), along);
        }
        return far;
    }

    /// To the middle, where one is near. Ends of bones stay at the surface.
    bool settle(const PlanChain& chain, Guide& guide) {
        const bool is_end = chain.to.empty() && guide.id.point == static_cast<int>(chain.points());
        const std::optional<LimbMiddle> middle = is_end ? std::nullopt : body_.middle_near(guide.at);
        const Vec3 planned = start_.at(guide.id);
        bool is_settled = false;
        if (middle && (middle->at - guide.at).norm() < std::max(middle->thickness_m, 0.1 * height_)) {
            guide.at = middle->at;
            is_settled = true;
        }
        if (guide.id.side == Side::middle) {
            guide.at.x() = chain.copies > 1 ? guide.at.x() : symmetry_.middle_x;
        }
        if (!is_end) {
            moved_[{chain.name, guide.id.side == Side::left}] = guide.at - planned;
        }
        return is_settled;
    }

    const Plan& plan_;
    const BodyVolume& body_;
    BodyVolume::Symmetry symmetry_;
    Guides start_;
    double height_;
    std::map<std::pair<std::string, bool>, Vec3> moved_;
};

} // namespace

SuggestedGuides suggest_guides(const Plan& plan, const BodyVolume& body) {
    return Suggester(plan, body).run();
}

} // namespace wembrix
