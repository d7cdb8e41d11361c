// Steps that do something with each of the clips that their parameter "clips" chooses.
#pragma once

#include "core/base/text.h"
#include "core/steps/clips/chosen_clips.h"
#include "core/steps/step_kind.h"

#include <string>
#include <utility>
#include <vector>

namespace wembrix {

/// What such a step begins with.
struct ClipWork {
    StepResult result;         ///< holds the scene as it was
    std::vector<size_t> clips; ///< those that are meant, at least one
    Text said;                 ///< "wade" or "3 clips", for accounts
};

/// The parameter that chooses clips. `help` is what it does beyond that.
template <auto Member>
Parameter clips_parameter(std::string_view help = "Names of clips, with * and ?; all clips where it is not set") {
    return list<Member>("clips", "Clips", help)
        .naming(NameOf::clip)
        .typed_as("one per line, * and ? allowed; none: all");
}

/// A kind from its head, its parameters and the function that works on the clips that `settings.clips` chooses. A
/// pattern that no clip fits is a Problem.
template <typename Settings>
StepKind make_clip_step(const StepHead& head, std::vector<Parameter> parameters,
                        Result<StepResult> (*apply)(const StepContext&, const Settings&, ClipWork)) {
    StepKind kind = make_step<Settings>(head, std::move(parameters), nullptr);
    kind.apply = [apply](const StepKind& self, const StepContext& context,
                         const nlohmann::json& values) -> Result<StepResult> {
        Settings settings;
        fill_settings(self.parameters, values, &settings);
        Result<std::vector<size_t>> chosen = chosen_clips(context.scene, settings.clips);
        if (!chosen) {
            return chosen.problem();
        }
        ClipWork work;
        work.result.scene = context.scene;
        work.said = clips_said(context.scene, *chosen);
        work.clips = chosen.take();
        return apply(context, settings, std::move(work));
    };
    return kind;
}

} // namespace wembrix
