// Puts joints under other joints; each keeps its place in the world through every frame.
#include "core/base/counted.h"
#include "core/base/text.h"
#include "core/steps/names.h"
#include "core/steps/skeleton/reframe.h"
#include "core/steps/step_kind.h"

namespace wembrix {

namespace {

/// A name on a ring of parents, or nothing.
std::string ring_in(const Scene& scene, const std::vector<int>& parents) {
    for (size_t i = 0; i < parents.size(); ++i) {
        size_t steps = 0;
        for (int at = parents[i]; at >= 0; at = parents[at]) {
            if (at == static_cast<int>(i) || ++steps > parents.size()) {
                return scene.nodes[i].name;
            }
        }
    }
    return {};
}

struct ReparentSettings {
    std::map<std::string, std::string> under;
};

Result<StepResult> apply_reparent_joints(const StepContext& context, const ReparentSettings& settings) {
    const Scene& scene = context.scene;
    const std::map<std::string, std::string>& under = settings.under;
    Reframing frames = same_frames(scene);
    std::vector<std::string> missing;
    std::vector<std::string> moved;
    for (const auto& [name, parent] : under) {
        const int node = scene.find_node(name);
        const int above = parent.empty() ? -1 : scene.find_node(parent);
        if (node < 0 || (above < 0 && !parent.empty())) {
            missing.push_back(node < 0 ? name : parent);
            continue;
        }
        if (scene.nodes[node].mesh >= 0 && scene.nodes[node].skin >= 0) {
            return Problem{phrase("\"{}\" is a skinned surface: its joints place it, not what it hangs on.", name), "",
                           "Leave it out of this step."};
        }
        if (frames.parent[node] != above) {
            frames.parent[node] = above;
            moved.push_back(name);
        }
    }
    const std::string ring = ring_in(scene, frames.parent);
    if (!ring.empty()) {
        return Problem{phrase("\"{}\" would hang on itself.", ring), "",
                       "Put a joint only under one that is not below it."};
    }
    Reframed reframed = reframe(scene, frames);
    StepResult result;
    result.scene = std::move(reframed.scene);
    result.account = moved.empty() ? "every joint hangs there already"
                     : moved.size() == 1
                         ? phrase("{} under {}", moved[0], under.at(moved[0]).empty() ? "nothing" : under.at(moved[0]))
                         : phrase("{} hang elsewhere ({})", counted(moved.size(), "joint"), some_of(moved));
    if (!missing.empty()) {
        result.could_not.push_back(phrase("there is no joint {} any more", some_of(missing)));
    }
    for (const Lost& one : reframed.lost) {
        if (result.could_not.size() < 4) {
            result.could_not.push_back(
                phrase("{} is sheared by {:.2g} % {}: an uneven scale above it; bake the joint scale before this step",
                       scene.nodes[one.node].name, one.part * 100,
                       one.clip.empty() ? Text("at rest") : phrase("in {} frame {}", one.clip, one.frame)));
        }
    }
    return result;
}

} // namespace

StepKind reparent_joints_step() {
    return make_step<ReparentSettings>(
        {"reparent_joints", "Reparent joints",
         "The tree that the project's other characters have lets them share motion.", StepSubject::skeleton},
        {pairs<&ReparentSettings::under>(
             "under", "Joints",
             "Joints and the one each is to hang on (none: nothing). Each keeps its position in every frame")
             .naming(NameOf::joint)
             .with_values_naming(NameOf::joint)
             .typed_as("joint → the one it is to hang on, one per line")
             .starting(nlohmann::json::object())},
        apply_reparent_joints);
}

} // namespace wembrix
