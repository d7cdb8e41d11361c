// Leaves out what is not delivered: by name (with * and ?) or by kind.
#include "core/base/text.h"
#include "core/steps/names.h"
#include "core/steps/step_kind.h"

#include <algorithm>

namespace wembrix {

namespace {

/// Which nodes hold a surface point that goes out, or carry one that does.
std::vector<char> needed_joints(const Scene& scene, const std::vector<char>& left) {
    std::vector<char> needed(scene.nodes.size(), 0);
    for (size_t n = 0; n < scene.nodes.size(); ++n) {
        const Node& node = scene.nodes[n];
        if (node.skin < 0 || left[n] != 0) {
            continue;
        }
        const Skin& skin = scene.skins[node.skin];
        for (const uint16_t joint : node.influences.joints) {
            needed[skin.joints[joint]] = 1;
        }
    }
    for (size_t i = scene.nodes.size(); i-- > 0;) {
        if (needed[i] != 0 && scene.nodes[i].parent >= 0) {
            needed[scene.nodes[i].parent] = 1;
        }
    }
    return needed;
}

void drop_from_skins(Scene& scene, const std::vector<char>& left) {
    for (size_t s = 0; s < scene.skins.size(); ++s) {
        Skin& skin = scene.skins[s];
        std::vector<int> place(skin.joints.size(), -1);
        std::vector<int> joints;
        std::vector<Mat4> binds;
        for (size_t j = 0; j < skin.joints.size(); ++j) {
            if (left[skin.joints[j]] == 0) {
                place[j] = static_cast<int>(joints.size());
                joints.push_back(skin.joints[j]);
                binds.push_back(skin.inverse_binds[j]);
            }
        }
        if (joints.size() == skin.joints.size()) {
            continue;
        }
        for (Node& node : scene.nodes) {
            if (node.skin == static_cast<int>(s)) {
                for (uint16_t& joint : node.influences.joints.edit()) {
                    joint = static_cast<uint16_t>(std::max(place[joint], 0));
                }
            }
        }
        skin.joints = std::move(joints);
        skin.inverse_binds = std::move(binds);
    }
}

struct LeaveSettings {
    std::vector<std::string> names;
    std::vector<std::string> kinds;
};

Result<StepResult> apply_leave_behind(const StepContext& context, const LeaveSettings& settings) {
    const Scene& scene = context.scene;
    const std::vector<std::string>& patterns = settings.names;
    const std::vector<std::string>& kinds = settings.kinds;
    const NamePatterns meant(patterns, [&](const std::string& name) {
        return scene.find_node(name) >= 0 || scene.find_clip(name) != nullptr;
    });
    auto named = [&](const std::string& name) { return meant.any_fits(name); };
    StepResult result;
    result.scene = scene;
    // By name a node goes with all below it; by kind it goes alone.
    std::vector<char> left(scene.nodes.size(), 0);
    std::vector<char> with_all_below(scene.nodes.size(), 0);
    for (size_t i = 0; i < scene.nodes.size(); ++i) {
        const Node& node = scene.nodes[i];
        const bool still = node.mesh >= 0 && node.skin < 0 && node.kind == NodeKind::surface;
        const bool by_kind = std::any_of(kinds.begin(), kinds.end(), [&](const std::string& kind) {
            return kind == kind_name(node.kind) || (kind == "static" && still);
        });
        with_all_below[i] = named(node.name) || (node.parent >= 0 && with_all_below[node.parent] != 0) ? 1 : 0;
        left[i] = by_kind || with_all_below[i] != 0 ? 1 : 0;
    }
    const std::vector<char> needed = needed_joints(scene, left);
    std::vector<std::string> refused;
    std::vector<std::string> names;
    // A node that something kept hangs on stays, whatever was asked.
    std::vector<char> carries(scene.nodes.size(), 0);
    for (size_t i = scene.nodes.size(); i-- > 0;) {
        const Node& node = scene.nodes[i];
        if (left[i] != 0 && (needed[i] != 0 || carries[i] != 0)) {
            if (named(node.name)) {
                refused.push_back(node.name);
            }
            left[i] = 0;
        }
        if (left[i] == 0 && node.parent >= 0) {
            carries[node.parent] = 1;
        }
    }
    // A holder with nothing left below it goes too.
    std::vector<int> children(scene.nodes.size(), 0);
    std::vector<int> had(scene.nodes.size(), 0);
    for (size_t i = scene.nodes.size(); i-- > 0;) {
        if (left[i] == 0 && scene.nodes[i].kind == NodeKind::parent_transform && had[i] > 0 && children[i] == 0) {
            left[i] = 1;
        }
        if (scene.nodes[i].parent >= 0) {
            ++had[scene.nodes[i].parent];
            children[scene.nodes[i].parent] += left[i] == 0 ? 1 : 0;
        }
    }
    std::vector<int> order;
    for (size_t i = 0; i < scene.nodes.size(); ++i) {
        if (left[i] == 0) {
            order.push_back(static_cast<int>(i));
        } else {
            names.push_back(scene.nodes[i].name);
        }
    }
    for (Node& node : result.scene.nodes) {
        if (left[&node - result.scene.nodes.data()] != 0) {
            node.mesh = node.skin = node.curves = node.hull = -1;
        }
    }
    drop_from_skins(result.scene, left);
    const size_t skins = result.scene.skins.size();
    std::vector<int> skin_place(skins, -1);
    std::vector<Skin> kept_skins;
    for (size_t s = 0; s < skins; ++s) {
        if (!result.scene.skins[s].joints.empty()) {
            skin_place[s] = static_cast<int>(kept_skins.size());
            kept_skins.push_back(std::move(result.scene.skins[s]));
        }
    }
    result.scene.skins = std::move(kept_skins);
    for (Node& node : result.scene.nodes) {
        node.skin = node.skin < 0 ? -1 : skin_place[node.skin];
    }
    reorder_nodes(result.scene, order);
    const size_t clips = result.scene.clips.size();
    std::erase_if(result.scene.clips, [&](const Clip& clip) {
        if (named(clip.name)) {
            names.push_back(clip.name);
            return true;
        }
        return false;
    });
    result.account = names.empty() ? "nothing fits" : phrase("{} stay behind", some_of(names, 4));
    if (clips > 0 && result.scene.clips.empty() && !scene.clips.empty()) {
        result.could_not.push_back("no clip is left to deliver");
    }
    if (!refused.empty()) {
        std::reverse(refused.begin(), refused.end());
        result.could_not.push_back(phrase("{} hold what goes out, so they go out too", some_of(refused)));
    }
    return result;
}

} // namespace

StepKind leave_behind_step() {
    return make_step<LeaveSettings>(
        {"leave_behind", "Leave behind",
         "Lights, cameras, floors and helpers served their maker; an engine has its own.", StepSubject::scene},
        {list<&LeaveSettings::names>(
             "names", "Names",
             "Names with * and ?; a node goes with all below it, a clip by itself. What carries "
             "something that goes out stays, and is said")
             .naming(NameOf::node_or_clip)
             .typed_as("one per line, * and ? allowed"),
         list<&LeaveSettings::kinds>("kinds", "Kinds", "Everything of these kinds")
             .out_of({"camera", "light", "empty", "point", "hull", "static"})
             .typed_as("camera, light, empty, point, hull, static; one per line")
             .starting({"camera", "light"})},
        apply_leave_behind);
}

} // namespace wembrix
