// Says how strands go with the surface that moves.
#include "core/base/counted.h"
#include "core/base/text.h"
#include "core/measure/strands/strand_deform.h"
#include "core/measure/strands/strand_facts.h"
#include "core/steps/step_kind.h"
#include "core/steps/strands/strand_sets.h"

namespace wembrix {

namespace {

struct BindStrandsSettings {
    std::string strands;
    StrandFollow follow = StrandFollow::stiff;
};

Result<StepResult> apply_bind_strands(const StepContext& context, const BindStrandsSettings& settings) {
    StepResult result{context.scene, {}, {}};
    Scene& scene = result.scene;
    const Result<int> node = strands_named(scene, settings.strands);
    if (!node) {
        return node.problem();
    }
    CurveSet& curves = scene.curve_sets[static_cast<size_t>(scene.nodes[static_cast<size_t>(*node)].curves)];
    if (settings.follow != StrandFollow::still) {
        const Result<int> emitter = surface_of_strands(scene, *node);
        if (!emitter) {
            return emitter.problem();
        }
        if (!roots_are_valid(scene, curves)) {
            return Problem{"not every strand has a root on the surface.", "", "Root them first."};
        }
        if (settings.follow == StrandFollow::joints && scene.nodes[static_cast<size_t>(*emitter)].skin < 0) {
            return Problem{"the surface is under no skin: there are no joints to follow.", "",
                           "Bind it, or follow the surface."};
        }
    }
    curves.follow = settings.follow;
    if (settings.follow == StrandFollow::still) {
        result.account = phrase("{} stay where they are", counted(curves.curve_count(), "strand"));
        return result;
    }
    double drift = 0;
    double change = 0;
    for (const Clip& clip : scene.clips) {
        // A few frames of each: all of them are measured when they are delivered.
        const StrandMotion motion = strand_motion(scene, *node, clip, std::max(1, clip.frames() / 8));
        drift = std::max(drift, motion.root_drift_m);
        change = std::max(change, motion.length_change);
    }
    result.account = phrase("{} follow{}", counted(curves.curve_count(), "strand"),
                            scene.clips.empty() ? std::string()
                                                : phrase("; roots leave the surface by {:.4f} mm, lengths change "
                                                         "by {:.2g} % at most",
                                                         drift * 1000, change * 100));
    return result;
}

} // namespace

StepKind bind_strands_step() {
    return make_step<BindStrandsSettings>(
        {"bind_strands", "Strands follow",
         "Strands stand still while the head turns, unless they are tied to the surface that they grow on.",
         StepSubject::strands},
        {text<&BindStrandsSettings::strands>("strands", "Strands", "Which; empty: the only ones"),
         choice<&BindStrandsSettings::follow>(
             "follow", "Follow", {"still", "stiff", "surface", "joints"},
             "Nothing; the face at the root, as a whole, no length changed; the surface "
             "along the strand; the joints that hold the root")
             .starting("stiff")},
        apply_bind_strands);
}

} // namespace wembrix
