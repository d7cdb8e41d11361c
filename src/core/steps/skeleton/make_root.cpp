// Puts one root joint above all joints, on the ground below them or at the origin, looking along +Z.
#include "core/base/counted.h"
#include "core/base/text.h"
#include "core/measure/scene/bounds.h"
#include "core/steps/names.h"
#include "core/steps/step_kind.h"

namespace wembrix {

namespace {

/// Moves a node that had no parent by `by`, at rest and in every key.
void shift_node(Scene& scene, int node, const Vec3& by) {
    scene.nodes[node].rest.translation += by;
    for (Clip& clip : scene.clips) {
        for (Channel& channel : clip.channels) {
            if (channel.node != node || channel.path != Path::translation) {
                continue;
            }
            const bool cubic = channel.interpolation == Interpolation::cubic;
            std::vector<float>& values = channel.values.edit();
            // A cubic key is in-tangent, value, out-tangent: only the value is a place.
            for (size_t i = cubic ? 3 : 0; i + 2 < values.size(); i += cubic ? 9 : 3) {
                for (int c = 0; c < 3; ++c) {
                    values[i + c] = static_cast<float>(values[i + c] + by[c]);
                }
            }
        }
    }
}

struct MakeRootSettings {
    enum class Position : uint8_t { ground, origin };
    std::string name = "root";
    Position position = Position::ground;
};

Result<StepResult> apply_make_root(const StepContext& context, const MakeRootSettings& settings) {
    const Scene& scene = context.scene;
    const std::string& name = settings.name;
    const bool on_ground = settings.position == MakeRootSettings::Position::ground;
    const std::vector<int> roots = root_joints(scene);
    if (roots.empty()) {
        return Problem{"there are no joints to put a root above.", "", ""};
    }
    StepResult result;
    result.scene = scene;
    if (roots.size() == 1 && scene.nodes[roots[0]].name == name) {
        result.account = phrase("“{}” is the one root already", name);
        return result;
    }
    if (scene.find_node(name) >= 0) {
        return Problem{phrase("the name \"{}\" is taken already.", name), "",
                       "Choose another name, or rename that one first."};
    }
    Vec3 at = Vec3::Zero();
    if (on_ground) {
        // Under the joint that carries most of the rest: the root with the largest tree.
        std::vector<int> size(scene.nodes.size(), 1);
        for (size_t i = scene.nodes.size(); i-- > 0;) {
            if (scene.nodes[i].parent >= 0) {
                size[scene.nodes[i].parent] += size[i];
            }
        }
        int main = roots[0];
        for (const int root : roots) {
            main = size[root] > size[main] ? root : main;
        }
        const Vec3 above = point_of(rest_world(scene)[main], Vec3::Zero());
        at = Vec3(above.x(), character_bounds(scene).low.y(), above.z());
    }
    std::vector<int> tops;
    std::vector<std::string> holders;
    uint64_t scenes = 0;
    for (int top : roots) {
        while (result.scene.nodes[top].parent >= 0) {
            top = result.scene.nodes[top].parent;
        }
        if (std::find(tops.begin(), tops.end(), top) == tops.end()) {
            tops.push_back(top);
            scenes |= result.scene.nodes[top].scenes;
            if (result.scene.nodes[top].kind == NodeKind::parent_transform) {
                holders.push_back(result.scene.nodes[top].name);
            }
        }
    }
    Node root;
    root.name = name;
    root.kind = NodeKind::joint;
    root.rest.translation = at;
    root.scenes = scenes;
    // Its own from here on, and the same in every replay: below all that a source can give.
    root.identity = -1 - static_cast<int64_t>(std::hash<std::string>()(name) >> 1U);
    const int index = static_cast<int>(result.scene.nodes.size());
    result.scene.nodes.push_back(root);
    for (const int top : tops) {
        result.scene.nodes[top].parent = index;
        shift_node(result.scene, top, -at);
    }
    std::vector<int> order = sorted_order(result.scene.nodes);
    // The root and its tree come first.
    std::stable_partition(order.begin(), order.end(),
                          [&](int node) { return node == index || is_above(result.scene, index, node); });
    reorder_nodes(result.scene, order);
    result.account = phrase("“{}” {}, {} under it", name,
                            on_ground ? phrase("on the ground at {:.2f}, {:.2f} m", at.x(), at.z()) : "at the origin",
                            roots.size() == 1 ? "the one root" : phrase("all {}", counted(roots.size(), "root")));
    if (!holders.empty()) {
        result.could_not.push_back(
            phrase("{} stays between the root and the joints; put “Bake parent transforms” before this step",
                   some_of(holders)));
    }
    return result;
}

} // namespace

StepKind make_root_step() {
    return make_step<MakeRootSettings>(
        {"make_root", "Make root",
         "An engine keeps one tree of joints; its root carries the character through the world.",
         StepSubject::skeleton},
        {text<&MakeRootSettings::name>("name", "Name", "What the root is called").not_empty().starting("root"),
         choice<&MakeRootSettings::position>("position", "Position", {"ground", "origin"},
                                             "On the ground below the largest tree, or at the origin")
             .starting("ground")},
        apply_make_root);
}

} // namespace wembrix
