// Puts a joint that was not there between a joint and those below it, or at its end.
#include "core/steps/all.h"
#include "core/steps/names.h"
#include "core/steps/parameters.h"
#include "core/steps/skeleton/reframe.h"

#include <fmt/format.h>

namespace wembrix {

namespace {

Result<StepResult> apply(const Scene& scene, const nlohmann::json& json) {
    Parameters parameters(json, {"name", "under", "above", "along"});
    const std::string name = parameters.needed_text("name");
    const std::string under = parameters.needed_text("under");
    const std::vector<std::string> above = parameters.texts("above");
    const double along = parameters.number("along").value_or(0.5);
    if (!parameters.ok()) {
        return parameters.problem();
    }
    if (!(along >= 0 && along <= 1)) {
        parameters.complain("\"along\" is not between 0 and 1.");
        return parameters.problem();
    }
    const int parent = scene.find_node(under);
    if (parent < 0 || scene.nodes[parent].kind != NodeKind::joint) {
        return Problem{fmt::format("there is no joint \"{}\".", under), "", ""};
    }
    if (scene.find_node(name) >= 0) {
        return Problem{fmt::format("the name \"{}\" is taken already.", name), "", "Choose another name."};
    }
    std::vector<int> children;
    for (const std::string& one : above) {
        const int child = scene.find_node(one);
        if (child < 0 || scene.nodes[child].parent != parent) {
            return Problem{fmt::format("\"{}\" does not hang on \"{}\".", one, under), "", ""};
        }
        children.push_back(child);
    }
    // Part of the way to the middle of what is to hang on it; turned as the joint that it hangs on.
    Vec3 place = Vec3::Zero();
    for (const int child : children) {
        place += scene.nodes[child].rest.translation * (along / static_cast<double>(children.size()));
    }
    Node node;
    node.name = name;
    node.kind = NodeKind::joint;
    node.scenes = scene.nodes[parent].scenes;
    node.identity = -1 - static_cast<int64_t>(std::hash<std::string>()(name) >> 1U);
    Reframing frames = same_frames(scene);
    const int made = add_node(frames, node, parent, parent, translating(place));
    for (const int child : children) {
        frames.parent[child] = made;
    }
    Reframed reframed = reframe(scene, frames);
    StepResult result;
    result.scene = std::move(reframed.scene);
    result.account = children.empty() ? fmt::format("“{}” at the place of {}", name, under)
                                      : fmt::format("“{}” between {} and {}, {:.0f} mm from it", name, under,
                                                    some_of(above), place.norm() * 1000);
    return result;
}

} // namespace

StepKind insert_joint_step() {
    return {"insert_joint",
            "Insert a joint",
            "A project's skeleton may have one joint more than the source: for a prop, a twist, a second spine.",
            true,
            {{"name", "Name", StepField::Kind::text, ""},
             {"under", "Under", StepField::Kind::joint, "joint"},
             {"above", "Above", StepField::Kind::list, "joints that are to hang on it, one a line"},
             {"along", "How far along", StepField::Kind::number, "0 to 1"}},
            [] {
                return nlohmann::json{{"name", "new_joint"}, {"under", ""}, {"along", 0.5}};
            },
            apply};
}

} // namespace wembrix
