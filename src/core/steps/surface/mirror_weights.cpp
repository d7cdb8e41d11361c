// Gives one side of a surface the weights of the other, joint for joint.
#include "core/base/counted.h"
#include "core/base/text.h"
#include "core/measure/surface/surface_mirror.h"
#include "core/steps/surface/weight_scope.h"

#include <cmath>

namespace wembrix {

namespace {

struct MirrorWeightsSettings : WeightScope {
    enum class From : uint8_t { left, right };
    From from = From::left;
    double tolerance_mm = 1;
};

Result<StepResult> apply_mirror_weights(const StepContext& context, const MirrorWeightsSettings& settings) {
    StepResult result;
    result.scene = context.scene;
    const Sides sides = find_sides(context.scene);
    if (sides.pairs.empty()) {
        return Problem{"no joint has one that answers it on the other side.", "", "Name the two sides first."};
    }
    const std::vector<int> other = mirrored_joints(context.scene, sides);
    const float to_side = settings.from == MirrorWeightsSettings::From::left ? -1 : 1;
    ScopedWeights scope = choose_weights(context.scene, settings);
    size_t changed = 0;
    size_t unanswered = 0;
    size_t unsettled = 0;
    for (const int surface : scope.surfaces) {
        const Node& before = context.scene.nodes[static_cast<size_t>(surface)];
        const int skin = before.skin;
        const SurfaceMirror mirror = mirror_of_surface(context.scene, surface, sides, settings.tolerance_mm / 1000);
        std::vector<uint16_t> swapped;
        const std::vector<int> joints = context.scene.skins[static_cast<size_t>(skin)].joints;
        for (const int joint : joints) {
            swapped.push_back(place_in_skin(result.scene, skin, other[static_cast<size_t>(joint)]));
        }
        std::vector<char> locked = scope.locked[static_cast<size_t>(skin)];
        locked.resize(result.scene.skins[static_cast<size_t>(skin)].joints.size(), 0);
        WeightRow answer;
        unsettled += change_rows(result.scene, surface, locked, [&](size_t vertex, WeightRow& row) {
            const uint32_t from = mirror.answers[vertex];
            const bool middle = from == vertex;
            if (!middle && mirror.left_m[vertex] * to_side <= 0) {
                return false; // it is on the side that is taken from
            }
            if (from == SurfaceMirror::none) {
                ++unanswered;
                return false;
            }
            read_row(before.influences, from, answer);
            WeightRow now;
            for (const Weight& one : row) {
                if (locked[one.joint] != 0) {
                    now.push_back(one);
                } else if (middle) {
                    add_weight(now, one.joint, one.weight / 2);
                }
            }
            for (const Weight& one : answer) {
                if (locked[swapped[one.joint]] == 0) {
                    add_weight(now, swapped[one.joint], middle ? one.weight / 2 : one.weight);
                }
            }
            double most = 0;
            for (const Weight& one : now) {
                most = std::max(most, std::abs(one.weight - weight_in(row, one.joint)));
            }
            if (now.size() == row.size() && most < 1e-7) {
                return false;
            }
            ++changed;
            row = std::move(now);
            return true;
        });
    }
    result.account = changed == 0 ? Text("both sides hold alike already")
                                  : phrase("{} weighted like those on the {}", counted(changed, "vertex"),
                                           to_side < 0 ? "left" : "right");
    if (unanswered > 0) {
        result.could_not.push_back(phrase("{} have nothing within {:g} mm of their place on the other side",
                                          counted(unanswered, "vertex"), settings.tolerance_mm));
    }
    if (unsettled > 0) {
        result.could_not.push_back(phrase("{} stay as they are for their locked joints", counted(unsettled, "vertex")));
    }
    return result;
}

} // namespace

StepKind mirror_weights_step() {
    return make_step<MirrorWeightsSettings>(
        {"mirror_weights", "Mirror weights", "One side is painted, the other one follows joint for joint.",
         StepSubject::surface},
        with_weight_scope(
            {choice<&MirrorWeightsSettings::from>("from", "From", {"left", "right"}, "The side that is right")
                 .starting("left"),
             number<&MirrorWeightsSettings::tolerance_mm>(
                 "tolerance_mm", "Tolerance",
                 "How far a vertex may be from the mirror image of the one that answers it")
                 .unit("mm")
                 .above(0)
                 .starting(1.0)}),
        apply_mirror_weights);
}

} // namespace wembrix
