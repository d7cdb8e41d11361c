// Renames joints by ordered rules, and one by one.
#include "core/base/text.h"
#include "core/steps/names.h"
#include "core/steps/rename_rules.h"
#include "core/steps/step_kind.h"
#include "core/steps/unused_rules.h"

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
    Text example;
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
                    example = phrase(" ({} → {})", node.name, *name);
                }
                node.name = *name;
            }
        }
        names.push_back(node.name);
    }
    const std::vector<std::string> doubled = doubled_names(names);
    if (!doubled.empty()) {
        return Problem{phrase("two nodes would have the same name: {}.", some_of(doubled)), "",
                       "Change the rules so that all names differ."};
    }
    tell_unused(*rules, all, "joint", result);
    result.account = renamed == 0 ? "no name fits a rule"
                                  : phrase("{} joint{} renamed{}", renamed, renamed == 1 ? "" : "s", example);
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
