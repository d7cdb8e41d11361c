#include "core/steps/clips/chosen_clips.h"

#include "core/base/counted.h"
#include "core/base/text.h"
#include "core/steps/names.h"

#include <algorithm>
#include <cctype>
#include <fmt/format.h>
#include <nlohmann/json.hpp>

namespace wembrix {

namespace {

Problem none_fits(const Scene& scene, const std::string& wanted) {
    std::vector<std::string> names;
    for (const Clip& clip : scene.clips) {
        names.push_back(clip.name);
    }
    return {names.empty() ? Text("there are no clips.")
                          : phrase("there is no clip \"{}\"; there are {}.", wanted, some_of(names)),
            "", ""};
}

} // namespace

Result<std::vector<size_t>> chosen_clips(const Scene& scene, const std::vector<std::string>& patterns) {
    std::vector<size_t> chosen;
    const NamePatterns meant(patterns, [&](const std::string& name) { return scene.find_clip(name) != nullptr; });
    for (size_t c = 0; c < scene.clips.size(); ++c) {
        if (patterns.empty() || meant.any_fits(scene.clips[c].name)) {
            chosen.push_back(c);
        }
    }
    if (chosen.empty()) {
        return none_fits(scene, patterns.empty() ? "*" : patterns.front());
    }
    return chosen;
}

Result<size_t> named_clip(const Scene& scene, const std::string& name) {
    for (size_t c = 0; c < scene.clips.size(); ++c) {
        if (scene.clips[c].name == name) {
            return c;
        }
    }
    return none_fits(scene, name);
}

Text clips_said(const Scene& scene, const std::vector<size_t>& clips) {
    return clips.size() == 1 ? fmt::format("“{}”", scene.clips[clips[0]].name) : counted(clips.size(), "clip");
}

bool is_colour(const std::string& text) {
    return text.empty() || (text.size() == 7 && text[0] == '#' && std::all_of(text.begin() + 1, text.end(), [](char c) {
                                return std::isxdigit(static_cast<unsigned char>(c)) != 0;
                            }));
}

std::optional<Problem> check_colour(const nlohmann::json& value) {
    return is_colour(value.get<std::string>()) ? std::nullopt
                                               : std::optional<Problem>(Problem{"is not of the form #RRGGBB.", "", ""});
}

void mark_remade(Clip& clip) {
    clip.remade = true;
}

} // namespace wembrix
