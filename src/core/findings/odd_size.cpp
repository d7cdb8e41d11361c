// A size that no creature has: most often a unit read as another.
#include "core/findings/finding.h"
#include "core/measure/scene/bounds.h"

#include <array>
#include <cmath>
#include <fmt/format.h>

namespace wembrix {

std::vector<Finding> find_odd_size(const FindingContext& context) {
    constexpr double smallest = 0.02;
    constexpr double largest = 30;
    const double height = height_m(context.scene);
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
    finding.message = height >= 1 ? fmt::format("Character stands {:.4g} m tall", height)
                                  : fmt::format("Character stands {:.3g} mm tall", height * 1000);
    finding.reason = "No creature has that size. Set the height that it should have.";
    finding.step = Step{"scale", {{"height_m", 1.7}}};
    for (const Unit& unit : units) {
        const double then = height * unit.factor;
        if (then >= 0.15 && then <= 12) {
            finding.reason = fmt::format("{}: × {:g} makes it {:.3g} m.", unit.read_as, unit.factor, then);
            finding.step = Step{"scale", {{"factor", unit.factor}}};
            break;
        }
    }
    return {finding};
}

} // namespace wembrix
