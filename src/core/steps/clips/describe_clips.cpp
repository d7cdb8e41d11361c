// What is said of clips that a step made: their names, whether they repeat and go out, a colour, a note. What a cut
// says of itself stands in the step that cuts.
#include "core/steps/all.h"
#include "core/steps/clips/chosen_clips.h"
#include "core/steps/names.h"
#include "core/steps/parameters.h"

#include <fmt/format.h>
#include <optional>

namespace wembrix {

namespace {

/// Puts one row into the clip that it names; what went wrong with it, or nothing.
std::optional<Problem> describe(const nlohmann::json& row, StepResult& result, std::vector<std::string>& told) {
    Scene& scene = result.scene;
    Parameters parameters(row, {"name", "as", "repeats", "colour", "note", "deliver"});
    const std::string name = parameters.needed_text("name");
    const std::string as = parameters.text("as", name);
    const std::string colour = parameters.text("colour", "");
    if (!is_colour(colour)) {
        parameters.complain("\"colour\" is not of the form #RRGGBB.");
    }
    if (!parameters.ok()) {
        return parameters.problem();
    }
    const Result<size_t> at = named_clip(scene, name);
    if (!at) {
        result.could_not.push_back(at.problem().what);
        return std::nullopt;
    }
    Clip& clip = scene.clips[*at];
    if (as != name && scene.find_clip(as) != nullptr) {
        return Problem{fmt::format("there is a clip \"{}\" already.", as), "", "Choose another name."};
    }
    clip.name = as;
    clip.repeats = parameters.flag("repeats", clip.repeats);
    clip.last_is_first = clip.last_is_first && clip.repeats;
    clip.deliver = parameters.flag("deliver", clip.deliver);
    clip.colour = row.contains("colour") ? colour : clip.colour;
    clip.note = parameters.text("note", clip.note);
    if (!parameters.ok()) {
        return parameters.problem();
    }
    told.push_back(as == name ? name : name + " → " + as);
    return std::nullopt;
}

Result<StepResult> apply(const Scene& scene, const nlohmann::json& json) {
    Parameters parameters(json, {"clips"});
    const nlohmann::json& rows = parameters.objects("clips");
    if (!parameters.ok()) {
        return parameters.problem();
    }
    StepResult result;
    result.scene = scene;
    std::vector<std::string> told;
    for (const nlohmann::json& row : rows) {
        if (const std::optional<Problem> problem = describe(row, result, told)) {
            return *problem;
        }
    }
    result.account = told.empty() ? "nothing is said of any clip" : some_of(told, 5);
    return result;
}

} // namespace

StepKind describe_clips_step() {
    return {"describe_clips",
            "Describe clips",
            "A clip that a step made has a name, repeats or not, goes out or stays, like one that was cut.",
            true,
            {{"clips", "Clips", StepField::Kind::described, "name → new name, repeats or once, stays, #RRGGBB, note"}},
            [] {
                return nlohmann::json{{"clips", nlohmann::json::array()}};
            },
            apply,
            true};
}

} // namespace wembrix
