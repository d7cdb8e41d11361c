// What is said of clips that a step made: their names, whether they repeat and go out, a colour, a note. What a cut
// says of itself stands in the step that cuts.
#include "core/base/text.h"
#include "core/steps/clips/chosen_clips.h"
#include "core/steps/names.h"
#include "core/steps/step_kind.h"

#include <optional>

namespace wembrix {

namespace {

struct DescribedClip {
    std::string name;
    std::string as;
    std::optional<bool> loop;
    std::optional<bool> deliver;
    std::optional<std::string> colour;
    std::optional<std::string> note;
};

struct DescribeSettings {
    std::vector<DescribedClip> clips;
};

std::vector<Parameter> description_columns() {
    return {text<&DescribedClip::name>("name", "Name", "Which clip").needed().naming(NameOf::clip),
            text<&DescribedClip::as>("as", "As", "Another name for it").not_empty().naming(NameOf::clip_after),
            flag<&DescribedClip::loop>("loop", "Repeat", "repeats"),
            flag<&DescribedClip::deliver>("deliver", "Deliver", "goes out"),
            text<&DescribedClip::colour>("colour", "Colour", "#RRGGBB").checked(check_colour),
            text<&DescribedClip::note>("note", "Note", "Stays in the job")};
}

/// Puts one row into the clip that it names; what went wrong with it, or nothing.
std::optional<Problem> describe(const DescribedClip& row, StepResult& result, std::vector<std::string>& told) {
    Scene& scene = result.scene;
    const std::string& name = row.name;
    const std::string& as = row.as.empty() ? name : row.as;
    const Result<size_t> at = named_clip(scene, name);
    if (!at) {
        result.could_not.push_back(at.problem().what);
        return std::nullopt;
    }
    Clip& clip = scene.clips[*at];
    if (as != name && scene.find_clip(as) != nullptr) {
        return Problem{phrase("there is a clip \"{}\" already.", as), "", "Choose another name."};
    }
    clip.name = as;
    for (CacheOrder& order : scene.orders) {
        order.clip = order.clip == name ? as : order.clip;
    }
    clip.loop = row.loop.value_or(clip.loop);
    clip.last_is_first = clip.last_is_first && clip.loop;
    clip.deliver = row.deliver.value_or(clip.deliver);
    clip.colour = row.colour.value_or(clip.colour);
    clip.note = row.note.value_or(clip.note);
    told.push_back(as == name ? name : name + " → " + as);
    return std::nullopt;
}

Result<StepResult> apply_describe_clips(const StepContext& context, const DescribeSettings& settings) {
    const Scene& scene = context.scene;
    StepResult result;
    result.scene = scene;
    std::vector<std::string> told;
    for (const DescribedClip& row : settings.clips) {
        if (const std::optional<Problem> problem = describe(row, result, told)) {
            return *problem;
        }
    }
    result.account = told.empty() ? "nothing is said of any clip" : some_of(told, 5);
    return result;
}

} // namespace

StepKind describe_clips_step() {
    return make_step<DescribeSettings>(
        {"describe_clips", "Describe clips",
         "A clip that a step made has a name, repeats or not, goes out or stays, like one that was cut.",
         StepSubject::clips},
        {rows<&DescribeSettings::clips>("clips", "Clips", "clip", description_columns(),
                                        "What is said of clips that steps made (joined, mirrored, a pose), as a cut "
                                        "says it of itself; what is left out stays as it was")
             .typed_as("name → new name, repeat or once, stays, #RRGGBB, note")
             .starting(nlohmann::json::array())},
        apply_describe_clips);
}

} // namespace wembrix
