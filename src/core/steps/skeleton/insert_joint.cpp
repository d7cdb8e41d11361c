// Puts a joint that was not there between a joint and those below it, or at its end.
#include "core/base/text.h"
#include "core/steps/names.h"
#include "core/steps/skeleton/reframe.h"
#include "core/steps/step_kind.h"

namespace wembrix {

namespace {

struct InsertSettings {
    std::string name;
    std::string under;
    std::vector<std::string> above;
    double along = 0.5;
};

Result<StepResult> apply_insert_joint(const StepContext& context, const InsertSettings& settings) {
    const Scene& scene = context.scene;
    const auto& [name, under, above, along] = settings;
    const int parent = scene.find_node(under);
    if (parent < 0 || scene.nodes[parent].kind != NodeKind::joint) {
        return Problem{phrase("there is no joint \"{}\".", under), "", ""};
    }
    if (scene.find_node(name) >= 0) {
        return Problem{phrase("the name \"{}\" is taken already.", name), "", "Choose another name."};
    }
    std::vector<int> children;
    for (const std::string& one : above) {
        const int child = scene.find_node(one);
        if (child < 0 || scene.nodes[child].parent != parent) {
            return Problem{phrase("\"{}\" does not hang on \"{}\".", one, under), "", ""};
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
    result.account = children.empty() ? phrase("“{}” at the place of {}", name, under)
                                      : phrase("“{}” between {} and {}, {:.0f} mm from it", name, under, some_of(above),
                                               place.norm() * 1000);
    return result;
}

} // namespace

StepKind insert_joint_step() {
    return make_step<InsertSettings>(
        {"insert_joint", "Insert a joint",
         "A project's skeleton may have one joint more than the source: for a prop, a twist, a second spine.",
         StepSubject::skeleton},
        {text<&InsertSettings::name>("name", "Name", "What it is called").needed().starting("new_joint"),
         text<&InsertSettings::under>("under", "Under", "The joint it hangs on")
             .needed()
             .naming(NameOf::joint)
             .typed_as("joint")
             .starting(""),
         list<&InsertSettings::above>("above", "Above", "Joints that are to hang on it")
             .naming(NameOf::joint)
             .typed_as("joints that are to hang on it, one per line"),
         number<&InsertSettings::along>("along", "How far along", "How far on the way to them: 0 to 1")
             .between(0, 1)
             .starting(0.5)},
        apply_insert_joint);
}

} // namespace wembrix
