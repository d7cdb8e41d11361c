// Renames clips by rules, as joints are renamed.
#include "core/base/text.h"
#include "core/steps/names.h"
#include "core/steps/rename_rules.h"
#include "core/steps/step_kind.h"
#include "core/steps/unused_rules.h"

namespace wembrix {

namespace {

struct RenameClipsSettings {
    std::vector<RenameRule> rules;
    std::map<std::string, std::string> names;
};

std::vector<Parameter> parameters_of_clips() {
    std::vector<Parameter> parameters = rename_parameters<RenameClipsSettings>();
    for (Parameter& parameter : parameters) {
        if (parameter.key == "names") {
            parameter = parameter.naming(NameOf::clip);
        }
    }
    return parameters;
}

Result<StepResult> apply_rename_clips(const StepContext& context, const RenameClipsSettings& settings) {
    const Result<RenameRules> rules = RenameRules::compile(settings.rules, settings.names);
    if (!rules) {
        return rules.problem();
    }
    StepResult result;
    result.scene = context.scene;
    std::vector<std::string> all;
    for (const Clip& clip : context.scene.clips) {
        all.push_back(clip.name);
    }
    const std::vector<Result<std::string>> ruled = rules->apply(all);
    std::vector<std::string> names;
    size_t renamed = 0;
    Text example;
    for (size_t c = 0; c < all.size(); ++c) {
        if (!ruled[c]) {
            return ruled[c].problem();
        }
        if (*ruled[c] != all[c]) {
            example = renamed++ == 0 ? phrase(" ({} → {})", all[c], *ruled[c]) : example;
        }
        result.scene.clips[c].name = *ruled[c];
        for (size_t o = 0; o < context.scene.orders.size(); ++o) { // what is cached over it goes by its name
            if (context.scene.orders[o].clip == all[c]) {
                result.scene.orders[o].clip = *ruled[c];
            }
        }
        names.push_back(*ruled[c]);
    }
    if (const std::vector<std::string> doubled = doubled_names(names); !doubled.empty()) {
        return Problem{phrase("two clips would have the same name: {}.", some_of(doubled)), "",
                       "Change the rules so that all names differ."};
    }
    tell_unused(*rules, all, "clip", result);
    result.account =
        renamed == 0 ? "no name fits a rule" : phrase("{} clip{} renamed{}", renamed, renamed == 1 ? "" : "s", example);
    return result;
}

} // namespace

StepKind rename_clips_step() {
    return make_step<RenameClipsSettings>(
        {"rename_clips", "Rename clips",
         "Games find clips by name: rules give them the project's, and fit the next takes too.", StepSubject::clips},
        parameters_of_clips(), apply_rename_clips);
}

} // namespace wembrix
