// Cuts clips out of a take. A clip looks at its part of the take's own keys, so that nothing is lost by cutting.
#include "core/steps/all.h"
#include "core/steps/clips/chosen_clips.h"
#include "core/steps/names.h"
#include "core/steps/parameters.h"

#include <fmt/format.h>

namespace wembrix {

namespace {

Result<Clip> cut(const Clip& take, const nlohmann::json& row) {
    Parameters parameters(row, {"name", "first", "last", "repeats", "colour", "note", "deliver"});
    Clip clip = take;
    clip.name = parameters.needed_text("name");
    const int first = parameters.needed_whole("first");
    const int last = parameters.needed_whole("last");
    clip.repeats = parameters.flag("repeats", false);
    clip.colour = parameters.text("colour", "");
    clip.note = parameters.text("note", "");
    clip.deliver = parameters.flag("deliver", true);
    if (!is_colour(clip.colour)) {
        parameters.complain("\"colour\" is not of the form #RRGGBB.");
    }
    if (parameters.ok() && (first < 0 || last <= first)) {
        parameters.complain(fmt::format("frames {} to {} are no range.", first, last));
    }
    if (!parameters.ok()) {
        Problem problem = parameters.problem();
        problem.where = clip.name.empty() ? "clip" : fmt::format("clip \"{}\"", clip.name);
        return problem;
    }
    const int frames = take.frames();
    if (last >= frames) {
        return Problem{
            fmt::format("ends at frame {}, but \"{}\" has {} (0 to {}).", last, take.name, frames, frames - 1),
            fmt::format("clip \"{}\"", clip.name), ""};
    }
    clip.start_s = take.start_s + first / take.rate;
    clip.seconds = (last - first) / take.rate;
    clip.cut = true;
    clip.last_is_first = take.last_is_first && clip.repeats && first == 0 && last == frames - 1;
    return clip;
}

Result<StepResult> apply(const Scene& scene, const nlohmann::json& json) {
    Parameters parameters(json, {"take", "clips"});
    const std::string name = parameters.needed_text("take");
    const nlohmann::json& rows = parameters.objects("clips");
    if (!parameters.ok()) {
        return parameters.problem();
    }
    size_t place = 0;
    while (place < scene.clips.size() && scene.clips[place].name != name) {
        ++place;
    }
    if (place == scene.clips.size()) {
        std::vector<std::string> takes;
        for (const Clip& clip : scene.clips) {
            takes.push_back(clip.name);
        }
        return Problem{
            fmt::format("there is no take \"{}\"{}.", name, takes.empty() ? "" : "; there are " + some_of(takes)), "",
            ""};
    }
    const Clip take = scene.clips[place];
    StepResult result;
    result.scene = scene;
    std::vector<Clip> clips;
    for (const nlohmann::json& row : rows) {
        Result<Clip> clip = cut(take, row);
        if (!clip) {
            return clip.problem();
        }
        clips.push_back(clip.take());
    }
    result.scene.clips.erase(result.scene.clips.begin() + static_cast<ptrdiff_t>(place));
    result.scene.clips.insert(result.scene.clips.begin() + static_cast<ptrdiff_t>(place), clips.begin(), clips.end());
    std::vector<std::string> names;
    for (const Clip& clip : result.scene.clips) {
        names.push_back(clip.name);
    }
    const std::vector<std::string> doubled = doubled_names(names);
    if (!doubled.empty()) {
        return Problem{fmt::format("two clips would have the same name: {}.", some_of(doubled)), "", ""};
    }
    std::vector<std::string> cut_names;
    for (const Clip& clip : clips) {
        cut_names.push_back(clip.name);
    }
    result.account =
        fmt::format("“{}” into {}: {}", name, clips.size() == 1 ? "1 clip" : fmt::format("{} clips", clips.size()),
                    some_of(cut_names, 5));
    return result;
}

} // namespace

StepKind split_take_step() {
    return {"split_take",
            "Split take",
            "One long take becomes named clips that a game can play one by one.",
            true,
            {{"take", "Take", StepField::Kind::clip, ""},
             {"clips", "Clips", StepField::Kind::cuts, "name, first, last, repeats, colour, note, one a line"}},
            [] {
                return nlohmann::json{{"take", ""}, {"clips", nlohmann::json::array()}};
            },
            apply,
            true};
}

} // namespace wembrix
