// Fewer joints per vertex: those by which the surface moves least, or the heaviest.
#include "core/base/counted.h"
#include "core/base/text.h"
#include "core/measure/surface/influence_fit.h"
#include "core/measure/surface/influence_limit.h"
#include "core/steps/surface/weight_scope.h"

#include <algorithm>

namespace wembrix {

namespace {

struct LimitSettings : WeightScope {
    enum class Keep : uint8_t { heaviest, least_motion };
    int max_influences = 4;
    Keep keep = Keep::heaviest;
};

Text moved_said(const Scene& scene, const LimitMove& move) {
    return phrase("{:.2f} mm (vertex {} of {}, frame {} of “{}”)", move.largest_mm, move.vertex,
                  scene.nodes[static_cast<size_t>(move.node)].name, move.frame, move.clip);
}

/// "; at most in stand 0.10 mm (vertex 512) and wade 0.31 mm (vertex 40)"
Text said_by_clip(const InfluenceFit& fit) {
    std::vector<std::string> clips;
    for (const LimitMove& clip : fit.by_clip) {
        if (!clip.clip.empty() && clip.node >= 0) {
            clips.push_back(phrase("{} {:.2f} mm (vertex {})", clip.clip, clip.largest_mm, clip.vertex));
        }
    }
    return clips.size() < 2 ? "" : "; at most in " + some_of(clips, 8);
}

void tell_over(const std::vector<std::string>& over, int most, StepResult& result) {
    for (const std::string& surface : over) {
        result.could_not.push_back(
            phrase("“{}” has vertices where locked joints alone are more than {}", surface, most));
    }
}

Result<StepResult> by_least_motion(const StepContext& context, const LimitSettings& settings) {
    StepResult result;
    result.scene = context.scene;
    const ScopedWeights scope = choose_weights(context.scene, settings);
    InfluenceFit fit =
        fit_influences(context.scene, {settings.max_influences, scope.surfaces, scope.locked}, context.stop);
    if (context.stop && context.stop()) {
        return Problem{"was stopped.", "", ""};
    }
    for (size_t n = 0; n < fit.influences.size(); ++n) {
        if (!fit.influences[n].empty()) {
            result.scene.nodes[n].influences = std::move(fit.influences[n]);
        }
    }
    tell_over(fit.over, settings.max_influences, result);
    if (fit.vertices == 0) {
        result.account = phrase("no vertex has more than {}", settings.max_influences);
    } else if (fit.frames == 0) {
        result.account = phrase("{} brought to {}; no clip moves, so the heaviest stay",
                                counted(fit.vertices, "vertex"), settings.max_influences);
    } else if (fit.fitted.node < 0) {
        result.account = phrase("{} brought to {}; in {} none of them moves", counted(fit.vertices, "vertex"),
                                settings.max_influences, counted(fit.frames, "frame"));
    } else {
        result.account = phrase("{} brought to {}; in {} they move {:.3f} mm in the mean and at most {}; the "
                                "heaviest would move {:.3f} mm and at most {:.2f} mm",
                                counted(fit.vertices, "vertex"), settings.max_influences, counted(fit.frames, "frame"),
                                fit.fitted.mean_mm, moved_said(context.scene, fit.fitted), fit.heaviest.mean_mm,
                                fit.heaviest.largest_mm) +
                         said_by_clip(fit);
    }
    return result;
}

/// Locked joints are among those that stay.
Influences heaviest_of(const Influences& influences, std::span<const char> locked, size_t most, InfluenceLoss& loss,
                       size_t& over) {
    InfluencesBuilder builder(influences.offsets.size() - 1, influences.weights.size());
    WeightRow row;
    const auto is_locked = [&](const Weight& one) { return locked[one.joint] != 0; };
    for (size_t v = 0; v + 1 < influences.offsets.size(); ++v) {
        read_row(influences, v, row);
        if (row.size() <= most) {
            builder.copy(influences, v);
            continue;
        }
        std::stable_sort(row.begin(), row.end(), [&](const Weight& a, const Weight& b) {
            return is_locked(a) != is_locked(b) ? is_locked(a) : a.weight > b.weight;
        });
        WeightRow kept(row.begin(), row.begin() + static_cast<ptrdiff_t>(most));
        double lost = 0;
        for (size_t k = most; k < row.size(); ++k) {
            lost += row[k].weight;
        }
        if (is_locked(row[most]) || !settle_row(kept, locked)) {
            builder.copy(influences, v);
            ++over;
            continue;
        }
        ++loss.points;
        loss.largest_weight = std::max(loss.largest_weight, lost);
        builder.add(kept);
    }
    return builder.take();
}

Result<StepResult> by_heaviest(const StepContext& context, const LimitSettings& settings) {
    StepResult result;
    result.scene = context.scene;
    const ScopedWeights scope = choose_weights(context.scene, settings);
    InfluenceLoss loss;
    std::vector<std::string> over;
    for (const int surface : scope.surfaces) {
        Node& node = result.scene.nodes[static_cast<size_t>(surface)];
        if (settings.locked.empty()) {
            const InfluenceLoss one = limit_influences(node.influences, settings.max_influences);
            loss.points += one.points;
            loss.largest_weight = std::max(loss.largest_weight, one.largest_weight);
            continue;
        }
        size_t too_many = 0;
        node.influences = heaviest_of(node.influences, scope.locked_of(context.scene, surface),
                                      static_cast<size_t>(settings.max_influences), loss, too_many);
        if (too_many > 0) {
            over.push_back(node.name);
        }
    }
    tell_over(over, settings.max_influences, result);
    result.account = loss.points == 0
                         ? phrase("no vertex has more than {}", settings.max_influences)
                         : phrase("{} brought to {}; the most that one lost is {:.3f} of its weight",
                                  counted(loss.points, "vertex"), settings.max_influences, loss.largest_weight);
    return result;
}

Result<StepResult> apply_limit_influences(const StepContext& context, const LimitSettings& settings) {
    return settings.keep == LimitSettings::Keep::heaviest ? by_heaviest(context, settings)
                                                          : by_least_motion(context, settings);
}

} // namespace

StepKind limit_influences_step() {
    return make_step<LimitSettings>(
        {"limit_influences", "Limit influences",
         "An engine takes so many joints per vertex and drops the others unseen; here the loss is known beforehand.",
         StepSubject::surface},
        with_weight_scope({number<&LimitSettings::max_influences>("max_influences", "Influences per vertex",
                                                                  "More are cut; those that stay sum to 1 again")
                               .unit("joints")
                               .needed()
                               .between(1, 64)
                               .starting(4),
                           choice<&LimitSettings::keep>(
                               "keep", "Keep", {"heaviest", "least_motion"},
                               "The heaviest, or those, with weights fitted anew, by which the surface moves "
                               "least over all clips")
                               .starting("least_motion")}),
        apply_limit_influences);
}

} // namespace wembrix
