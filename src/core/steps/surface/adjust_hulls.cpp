// Hulls moved, turned and resized by hand, on what the card made of them.
#include "core/base/counted.h"
#include "core/base/text.h"
#include "core/steps/names.h"
#include "core/steps/step_kind.h"
#include "core/steps/surface/hull_adjustment.h"

#include <Eigen/LU>
#include <cmath>

namespace wembrix {

namespace {

struct AdjustedHull {
    std::string hull;
    double move_x_mm = 0, move_y_mm = 0, move_z_mm = 0;
    double turn_x_deg = 0, turn_y_deg = 0, turn_z_deg = 0;
    double grow_x_mm = 0, grow_y_mm = 0, grow_z_mm = 0;

    [[nodiscard]] HullAdjustment adjustment() const {
        return adjustment_from({move_x_mm, move_y_mm, move_z_mm}, {turn_x_deg, turn_y_deg, turn_z_deg},
                               {grow_x_mm, grow_y_mm, grow_z_mm});
    }
};

struct AdjustSettings {
    std::vector<AdjustedHull> hulls;
};

Result<StepResult> apply_adjust_hulls(const StepContext& context, const AdjustSettings& settings) {
    StepResult result{context.scene, {}, {}};
    Scene& scene = result.scene;
    const std::vector<Mat4> world = rest_world(scene);
    std::vector<std::string> told;
    for (const AdjustedHull& row : settings.hulls) {
        const int found = scene.find_node(row.hull);
        if (found < 0 || scene.nodes[static_cast<size_t>(found)].hull < 0) {
            result.could_not.push_back(phrase("there is no hull “{}”", row.hull));
            continue;
        }
        const double unit = std::cbrt(std::abs(linear_of(world[static_cast<size_t>(found)]).determinant()));
        if (!(unit > 1e-12)) {
            result.could_not.push_back(phrase("“{}” has no size where it stands", row.hull));
            continue;
        }
        Hull& hull = scene.hulls[static_cast<size_t>(scene.nodes[static_cast<size_t>(found)].hull)];
        hull = adjusted(hull, row.adjustment(), unit);
        told.push_back(row.hull);
    }
    result.account = told.empty() ? Text("no hull was changed")
                                  : phrase("{} by hand: {}", counted(told.size(), "hull"), some_of(told, 4));
    return result;
}

template <double AdjustedHull::*Member>
Parameter length(std::string_view key, std::string_view label, std::string_view help) {
    return number<Member>(key, label, help).unit("mm").between(-100000, 100000);
}
template <double AdjustedHull::*Member> Parameter angle(std::string_view key, std::string_view label) {
    return number<Member>(key, label, "About its middle, after it was moved; X first, then Y, then Z").unit("°");
}

std::vector<Parameter> adjustment_columns() {
    constexpr std::string_view along = "Along the axes that it had before";
    constexpr std::string_view farther =
        "Both sides farther out; of round ones X is the radius, and Y half the length of a capsule or cylinder";
    return {text<&AdjustedHull::hull>("hull", "Hull", "Which one").needed().naming(NameOf::node_or_clip),
            length<&AdjustedHull::move_x_mm>("move_x_mm", "Move along X", along),
            length<&AdjustedHull::move_y_mm>("move_y_mm", "along Y", along),
            length<&AdjustedHull::move_z_mm>("move_z_mm", "along Z", along),
            angle<&AdjustedHull::turn_x_deg>("turn_x_deg", "Rotate about X"),
            angle<&AdjustedHull::turn_y_deg>("turn_y_deg", "about Y"),
            angle<&AdjustedHull::turn_z_deg>("turn_z_deg", "about Z"),
            length<&AdjustedHull::grow_x_mm>("grow_x_mm", "Grow along X", farther),
            length<&AdjustedHull::grow_y_mm>("grow_y_mm", "along Y", farther),
            length<&AdjustedHull::grow_z_mm>("grow_z_mm", "along Z", farther)};
}

} // namespace

StepKind adjust_hulls_step() {
    return make_step<AdjustSettings>(
        {"adjust_hulls", "Adjust hulls",
         "What fits by measure is not always what plays best: here a hull is moved, turned and resized by hand.",
         StepSubject::surface},
        {rows<&AdjustSettings::hulls>("hulls", "Hulls", "hull", adjustment_columns(),
                                      "What was done to each, in its own axes: it holds when they are made anew")
             .typed_as("hull, move x y z, rotate x y z, grow x y z (mm and °), one per line")
             .starting(nlohmann::json::array())},
        apply_adjust_hulls);
}

} // namespace wembrix
