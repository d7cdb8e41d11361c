// Renames joints by ordered rules, and one by one.
#include "core/steps/names.h"
#include "core/steps/rename_rules.h"
#include "core/steps/step_kind.h"

#include <fmt/format.h>

namespace wembrix {

namespace {

Result<StepResult> apply_rename_joints(const StepContext& context, const RenameSettings& settings) {
    const Scene& scene = context.scene;
    const Result<RenameRules> rules = RenameRules::compile(settings.rules, settings.names);
    if (!rules) {
        return rules.problem();
    }
    StepResult result;
    result.scene = scene;
    size_t renamed = 0;
    std::string example;
    std::vector<std::string> names;
    std::vector<std::string> all;
    for (const int joint : joints_of(scene)) {
        all.push_back(scene.nodes[joint].name);
    }
    const std::vector<Result<std::string>> ruled = rules->apply(all);
    size_t next = 0;
    for (Node& node : result.scene.nodes) {
        if (node.kind == NodeKind::joint) {
            const Result<std::string>& name = ruled[next++];
            if (!name) {
                return name.problem();
            }
            if (*name != node.name) {
                if (renamed++ == 0) {
                    example = fmt::format(" ({} → {})", node.name, *name);
                }
                node.name = *name;
            }
        }
        names.push_back(node.name);
    }
    const std::vector<std::string> doubled = doubled_names(names);
    if (!doubled.empty()) {
        return Problem{fmt::format("two nodes would have the same name: {}.", some_of(doubled)), "",
                       "Change the rules so that all names differ."};
    }
    std::vector<std::string> missed;
    for (const auto& [before, after] : rules->names()) {
        const int node = scene.find_node(before);
        if (node < 0 || scene.nodes[node].kind != NodeKind::joint) {
            missed.push_back(before);
        }
    }
    if (!missed.empty()) {
        result.could_not.push_back(fmt::format("there is no joint {} any more", some_of(missed)));
    }
    for (const std::string& find : rules->idle(all)) {
        result.could_not.push_back(fmt::format("no joint's name has anything that fits {}", find));
        result.unmatched.push_back(find);
    }
    result.account = renamed == 0 ? "no name fits a rule"
                                  : fmt::format("{} joint{} renamed{}", renamed, renamed == 1 ? "" : "s", example);
    return result;
}

} // namespace

StepKind rename_joints_step() {
    return make_step<RenameSettings>(
        {"rename_joints", "Rename joints",
         "Joints are called what the project calls them, by rules that fit the next version too.",
         StepSubject::skeleton},
        rename_parameters<RenameSettings>(), apply_rename_joints);
}

} // namespace wembrix
