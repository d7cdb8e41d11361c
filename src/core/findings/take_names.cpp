// A take whose name says nothing of what moves.
#include "core/findings/take_names.h"
#include "core/base/counted.h"
#include "core/base/text.h"
#include "core/findings/finding.h"

#include <algorithm>
#include <array>
#include <cctype>

namespace wembrix {

bool is_meaningless_take_name(std::string_view name) {
    constexpr std::array<std::string_view, 19> words = {
        "take",  "clip",  "anim", "animation", "capture", "scene", "untitled", "unnamed", "default", "motion",
        "track", "layer", "base", "temp",      "test",    "new",   "copy",     "export",  "final"};
    std::string word;
    for (size_t i = 0; i <= name.size(); ++i) {
        const bool letter = i < name.size() && std::isalpha(static_cast<unsigned char>(name[i])) != 0;
        if (letter) {
            word += static_cast<char>(std::tolower(static_cast<unsigned char>(name[i])));
        } else if (!word.empty()) {
            if (std::find(words.begin(), words.end(), word) == words.end()) {
                return false;
            }
            word.clear();
        }
    }
    return true;
}

std::vector<Finding> find_take_names(const FindingContext& context) {
    std::vector<Finding> findings;
    for (const Clip& clip : context.scene.clips) {
        if (!is_meaningless_take_name(clip.name)) {
            continue;
        }
        Finding finding;
        finding.grade = Grade::look;
        finding.where = clip.name;
        finding.clip = clip.name;
        finding.message = phrase("“{}” is no name for a motion", clip.name);
        finding.reason = phrase("{} at {:g} per second: name what happens in them, or cut them into clips.",
                                counted(clip.frames(), "frame"), clip.rate);
        nlohmann::json whole = {
            {"name", "whole_take"}, {"start", 0}, {"end", std::max(1, clip.frames() - 1)}, {"loop", false}};
        finding.step = Step{"split_take", {{"take", clip.name}, {"clips", nlohmann::json::array({whole})}}};
        findings.push_back(std::move(finding));
    }
    return findings;
}

} // namespace wembrix
