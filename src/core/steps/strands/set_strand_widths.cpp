// Gives strands widths where a source said none.
#include "core/base/counted.h"
#include "core/base/text.h"
#include "core/steps/step_kind.h"
#include "core/steps/strands/strand_sets.h"

namespace wembrix {

namespace {

struct WidthSettings {
    std::string strands;
    double root_mm = 0.5;
    double tip_mm = 0.1;
};

Result<StepResult> apply_set_strand_widths(const StepContext& context, const WidthSettings& settings) {
    StepResult result{context.scene, {}, {}};
    const Result<int> node = strands_named(result.scene, settings.strands);
    if (!node) {
        return node.problem();
    }
    CurveSet& curves =
        result.scene.curve_sets[static_cast<size_t>(result.scene.nodes[static_cast<size_t>(*node)].curves)];
    std::vector<float> widths;
    widths.reserve(curves.points.size());
    for (const uint32_t count : curves.counts) {
        for (uint32_t p = 0; p < count; ++p) {
            const double along = count < 2 ? 0 : static_cast<double>(p) / (count - 1);
            widths.push_back(
                static_cast<float>((settings.root_mm + along * (settings.tip_mm - settings.root_mm)) / 1000));
        }
    }
    curves.widths = std::move(widths);
    result.account = phrase("{}, {:g} mm at the root and {:g} mm at the tip", counted(curves.curve_count(), "strand"),
                            settings.root_mm, settings.tip_mm);
    return result;
}

} // namespace

StepKind set_strand_widths_step() {
    return make_step<WidthSettings>(
        {"set_strand_widths", "Set widths of strands", "Strands without a width are not seen in most engines.",
         StepSubject::strands},
        {text<&WidthSettings::strands>("strands", "Strands", "Which; empty: the only ones"),
         number<&WidthSettings::root_mm>("root_mm", "At the root", "Diameter").unit("mm").between(0, 1000),
         number<&WidthSettings::tip_mm>("tip_mm", "At the tip", "Diameter").unit("mm").between(0, 1000)},
        apply_set_strand_widths);
}

} // namespace wembrix
