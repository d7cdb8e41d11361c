// Cuts clips out of a take. A clip looks at its part of the take's own keys, so that nothing is lost by cutting.
#include "core/base/counted.h"
#include "core/base/text.h"
#include "core/steps/clips/chosen_clips.h"
#include "core/steps/names.h"
#include "core/steps/step_kind.h"
#include <fmt/format.h>

namespace wembrix {

namespace {

struct CutRow {
    std::string name;
    int start = 0;
    int end = 0;
    bool loop = false;
    std::string colour;
    std::string note;
    bool deliver = true;
};

struct SplitSettings {
    std::string take;
    std::vector<CutRow> clips;
};

std::vector<Parameter> cut_columns() {
    return {text<&CutRow::name>("name", "Name", "Of the clip").needed().naming(NameOf::clip_after),
            number<&CutRow::start>("start", "Start", "First frame of it").needed().at_least(0),
            number<&CutRow::end>("end", "End", "Last frame of it").needed(),
            flag<&CutRow::loop>("loop", "Repeat", "repeats"),
            text<&CutRow::colour>("colour", "Colour", "#RRGGBB").checked(check_colour),
            text<&CutRow::note>("note", "Note", "Stays in the job"),
            flag<&CutRow::deliver>("deliver", "Deliver", "goes out")};
}

Result<Clip> cut(const Clip& take, const CutRow& row) {
    const std::string where = fmt::format("clip \"{}\"", row.name);
    if (row.end <= row.start) {
        return malformed(phrase("frames {} to {} are no range.", row.start, row.end), where);
    }
    Clip clip = take;
    clip.name = row.name;
    clip.loop = row.loop;
    clip.colour = row.colour;
    clip.note = row.note;
    clip.deliver = row.deliver;
    const int frames = take.frames();
    if (row.end >= frames) {
        return Problem{phrase("ends at frame {}, but \"{}\" has {} (0 to {}).", row.end, take.name, frames, frames - 1),
                       where, ""};
    }
    clip.start_s = take.start_s + row.start / take.rate;
    clip.seconds = (row.end - row.start) / take.rate;
    clip.cut = true;
    clip.last_is_first = take.last_is_first && clip.loop && row.start == 0 && row.end == frames - 1;
    return clip;
}

Result<StepResult> apply_split_take(const StepContext& context, const SplitSettings& settings) {
    const Scene& scene = context.scene;
    const std::string& name = settings.take;
    size_t place = 0;
    while (place < scene.clips.size() && scene.clips[place].name != name) {
        ++place;
    }
    if (place == scene.clips.size()) {
        std::vector<std::string> takes;
        for (const Clip& clip : scene.clips) {
            takes.push_back(clip.name);
        }
        return Problem{phrase("there is no take \"{}\"{}.", name, takes.empty() ? "" : "; there are " + some_of(takes)),
                       "", ""};
    }
    const Clip take = scene.clips[place];
    StepResult result;
    result.scene = scene;
    std::vector<Clip> clips;
    for (const CutRow& row : settings.clips) {
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
        return Problem{phrase("two clips would have the same name: {}.", some_of(doubled)), "", ""};
    }
    std::vector<std::string> cut_names;
    for (const Clip& clip : clips) {
        cut_names.push_back(clip.name);
    }
    result.account = phrase("“{}” into {}: {}", name, counted(clips.size(), "clip"), some_of(cut_names, 5));
    return result;
}

} // namespace

StepKind split_take_step() {
    return make_step<SplitSettings>(
        {"split_take", "Split take", "One long take becomes named clips that a game can play one by one.",
         StepSubject::clips},
        {text<&SplitSettings::take>("take", "Take", "Which take").needed().naming(NameOf::clip).starting(""),
         rows<&SplitSettings::clips>(
             "clips", "Clips", "clip", cut_columns(),
             "`start` and `end` are frames, both included; `\"deliver\": false` keeps a clip from going out")
             .typed_as("name, start, end, repeat or once, #RRGGBB, note, one per line")
             .starting(nlohmann::json::array())},
        apply_split_take);
}

} // namespace wembrix
