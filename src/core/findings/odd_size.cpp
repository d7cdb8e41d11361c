// A size that no creature has: most often a unit read as another.
#include "core/base/text.h"
#include "core/findings/finding.h"
#include "core/measure/scene/bounds.h"
#include "core/measure/scene/upright.h"

#include <array>
#include <cmath>

namespace wembrix {

std::vector<Finding> find_odd_size(const FindingContext& context) {
    // A ring is smaller than any creature; both are smaller than thirty metres.
    const bool character = !joints_of(context.scene).empty();
    const double smallest = character ? 0.02 : 0.002;
    constexpr double largest = 30;
    // How long it is from foot to head, whichever way it lies.
    const std::optional<Upright> upright = upright_of(context.scene);
    const double height =
        std::abs(character_bounds(context.scene).size().dot(direction(upright ? upright->up : Axis::pos_y)));
    if (height <= 0 || (height >= smallest && height <= largest)) {
        return {};
    }
    struct Unit {
        const char* read_as;
        double factor;
    };
    // Centimetres first: most tools count in them.
    constexpr std::array<Unit, 5> units = {{{"Centimetres read as metres", 0.01},
                                            {"Millimetres read as metres", 0.001},
                                            {"Inches read as metres", 0.0254},
                                            {"Metres read as centimetres", 100},
                                            {"Metres read as millimetres", 1000}}};
    Finding finding;
    finding.grade = Grade::stop;
    finding.where = "scene";
    const char* what = character ? "Character stands" : "Surfaces stand";
    finding.message =
        height >= 1 ? phrase("{} {:.4g} m tall", what, height) : phrase("{} {:.3g} mm tall", what, height * 1000);
    finding.reason =
        phrase("No {} has that size. Set the height that it should have.", character ? "creature" : "prop");
    finding.step = Step{"scale", {{"height_m", 1.7}}};
    for (const Unit& unit : units) {
        const double then = height * unit.factor;
        if (then >= (character ? 0.15 : 0.02) && then <= 12) {
            finding.reason = phrase("{}: × {:g} makes it {:.3g} m.", unit.read_as, unit.factor, then);
            finding.step = Step{"scale", {{"factor", unit.factor}}};
            break;
        }
    }
    return {finding};
}

} // namespace wembrix
