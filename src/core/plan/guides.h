// The guide points of a plan in one body: where a person, or nobody yet, has placed them.
#pragma once

#include "core/measure/scene/bounds.h"
#include "core/measure/scene/facing.h"
#include "core/plan/plan.h"

#include <string>
#include <vector>

namespace wembrix {

/// Which guide point of a plan.
struct GuideId {
    std::string chain;
    int copy = 1;             ///< from 1
    int point = 1;            ///< from 1
    Side side = Side::middle; ///< of a chain on both sides left or right
    bool operator==(const GuideId& other) const = default;
};
/// "leg 2, left", "toes 1.2, right"
Text guide_label(const Plan& plan, const GuideId& id);

struct Guide {
    GuideId id;
    Vec3 at = Vec3::Zero(); ///< metres, in the world
    bool by_hand = false;   ///< a person, or a suggestion, put it there; else it stands where the plan has it
};

/// Every guide point of a plan, chain after chain, copy after copy, the left one before the right one.
struct Guides {
    std::vector<Guide> all;
    double middle_x = 0;                                      ///< of the plane between left and right
    [[nodiscard]] const Guide* find(const GuideId& id) const; ///< null: the plan has no such point
    [[nodiscard]] const Vec3& at(const GuideId& id) const;    ///< precondition: it is there
};

/// `placed` where it says so. A right point that nobody placed is the mirror image of the left one across X = middle_x,
/// and the other way round; all others stand where the plan has them in the box of the body. What `placed` says of
/// points that the plan does not have is left out.
Guides guides_in(const Plan& plan, const std::vector<Guide>& placed, const Bounds& body, double middle_x);

/// The point on the other side; itself in the middle.
GuideId mirrored(const GuideId& id);
Vec3 mirrored(const Vec3& at, double middle_x);

/// Where a chain's bones lead: its own guides, and where it ends in another chain that one's first. Of a middle chain
/// `side` is middle.
std::vector<Vec3> line_of(const Plan& plan, const Guides& guides, const PlanChain& chain, int copy, Side side);
/// How long that line is, metres.
double length_of(const std::vector<Vec3>& line);

/// So many points evenly along a smooth curve through others, the first with them and the last without. The curve is a
/// cubic through the points with the slopes of Catmull and Rom (A class of local interpolating splines, 1974).
std::vector<Vec3> spread_along(const std::vector<Vec3>& through, int count);

/// Shares of a body's box, as a plan has them, and metres.
Vec3 share_of_body(const Vec3& at, const Bounds& body, double middle_x);
Vec3 in_body(const Vec3& share, const Bounds& body, double middle_x);

} // namespace wembrix
