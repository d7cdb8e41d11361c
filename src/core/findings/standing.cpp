// A character that looks another way than forward, or does not stand on the ground; a prop far from its own origin.
#include "core/base/text.h"
#include "core/findings/finding.h"
#include "core/measure/scene/bounds.h"
#include "core/measure/scene/facing.h"
#include "core/measure/scene/props.h"
#include "core/measure/scene/upright.h"

namespace wembrix {

namespace {

const char* certainty_said(double certainty) {
    return certainty > 0.9 ? "certain" : certainty > 0.6 ? "likely" : "a guess";
}

/// What carries that axis to +Y.
Step standing_up(Axis up) {
    switch (up) {
    case Axis::pos_x:
        return {"rotate", {{"degrees", 90}, {"about", "+Z"}}};
    case Axis::neg_x:
        return {"rotate", {{"degrees", -90}, {"about", "+Z"}}};
    case Axis::neg_y:
        return {"rotate", {{"degrees", 180}, {"about", "+X"}}};
    case Axis::neg_z:
        return {"rotate", {{"degrees", 90}, {"about", "+X"}}};
    case Axis::pos_z:
    case Axis::pos_y:
        break;
    }
    return {"rotate", {{"degrees", -90}, {"about", "+X"}}};
}

Finding lying(const Upright& upright) {
    Finding finding;
    finding.grade = Grade::look;
    finding.where = "scene";
    finding.message = phrase("The character lies: its up is along {}", axis_name(upright.up));
    finding.reason = phrase("Told from this: {} ({}). Up is +Y here; its height and its front are another axis's.",
                            upright.reason, certainty_said(upright.certainty));
    finding.step = standing_up(upright.up);
    return finding;
}

} // namespace

std::vector<Finding> find_facing(const FindingContext& context) {
    if (const std::optional<Upright> upright = upright_of(context.scene); upright && upright->up != Axis::pos_y) {
        return {lying(*upright)}; // where it looks is asked once it stands
    }
    const std::optional<Facing> facing = guess_facing(context.scene);
    if (!facing || facing->axis == Axis::pos_z || std::abs(direction(facing->axis).y()) > 0.5) {
        return {};
    }
    Finding finding;
    finding.grade = Grade::look;
    finding.where = "scene";
    finding.message = phrase("The character looks along {}", axis_name(facing->axis));
    finding.reason = phrase("Told from {} ({}). An engine moves it along +Z: it would walk sideways or backwards.",
                            facing->reason, certainty_said(facing->certainty));
    finding.step = Step{"face_forward", {{"looks_along", "guess"}}};
    return {finding};
}

std::vector<Finding> find_off_ground(const FindingContext& context) {
    const Bounds bounds = character_bounds(context.scene);
    const double height = bounds.size().y();
    if (const std::optional<Upright> upright = upright_of(context.scene); upright && upright->up != Axis::pos_y) {
        return {};
    }
    if (bounds.empty() || joints_of(context.scene).empty() || height <= 0 ||
        std::abs(bounds.low.y()) <= 0.02 * height) {
        return {};
    }
    Finding finding;
    finding.grade = Grade::note;
    finding.where = "scene";
    finding.message = phrase("The lowest point is {:.3g} mm {} the ground", std::abs(bounds.low.y()) * 1000,
                             bounds.low.y() > 0 ? "above" : "below");
    finding.reason = "What floats or sinks in its file floats or sinks in the game.";
    finding.step = Step{"ground", {{"centre", false}}};
    return {finding};
}

std::vector<Finding> find_far_origins(const FindingContext& context) {
    std::vector<Finding> findings;
    const std::vector<Prop> props = props_of(context.scene);
    const int character = character_among(props);
    for (size_t i = 0; i < props.size(); ++i) {
        const Prop& prop = props[i];
        if (static_cast<int>(i) == character || prop.bounds.empty() || prop.away_m <= prop.bounds.size().norm()) {
            continue;
        }
        Finding finding;
        finding.grade = Grade::note;
        finding.where = prop.name;
        finding.nodes = {prop.name};
        finding.message = phrase("“{}” lies {:.3g} m from its own origin", prop.name, prop.away_m);
        finding.reason = "An engine places a prop by its origin, and turns it about that: this one would swing aside.";
        finding.step = Step{"place_origin", {{"props", {prop.name}}, {"at", "own"}, {"by", "ground"}}};
        findings.push_back(std::move(finding));
    }
    return findings;
}

} // namespace wembrix
