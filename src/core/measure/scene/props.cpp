#include "core/measure/scene/props.h"

#include <algorithm>
#include <numeric>

namespace wembrix {

namespace {

/// Which trees are tied together: each number leads to another of the same set, the lowest to itself.
class Sets {
  public:
    explicit Sets(size_t count) : to_(count) { std::iota(to_.begin(), to_.end(), 0); }
    int of(int i) {
        while (to_[i] != i) {
            i = to_[i] = to_[to_[i]];
        }
        return i;
    }
    void tie(int a, int b) {
        a = of(a);
        b = of(b);
        to_[std::max(a, b)] = std::min(a, b);
    }

  private:
    std::vector<int> to_;
};

void measure_bounds(const Scene& scene, const std::vector<Mat4>& world, Prop& prop) {
    std::vector<int> surfaces;
    for (const int node : prop.nodes) {
        if (scene.nodes[node].mesh >= 0) {
            surfaces.push_back(node);
        }
    }
    prop.bounds = surface_bounds(scene, surfaces);
    for (const int node : surfaces.empty() ? prop.nodes : std::vector<int>()) {
        prop.bounds.add(world[node].topRightCorner<3, 1>());
    }
    if (!prop.bounds.empty()) {
        const Vec3 at = world[prop.pivot].topRightCorner<3, 1>();
        prop.away_m = (at - at.cwiseMax(prop.bounds.low).cwiseMin(prop.bounds.high)).norm();
    }
}

} // namespace

std::vector<Prop> props_of(const Scene& scene) {
    const int count = static_cast<int>(scene.nodes.size());
    Sets sets(scene.nodes.size());
    for (int i = 0; i < count; ++i) {
        const Node& node = scene.nodes[i];
        const bool skinned = node.mesh >= 0 && node.skin >= 0;
        if (node.parent >= 0 && !skinned) {
            sets.tie(i, node.parent);
        }
        // Its joints place a skinned surface, wherever its node hangs.
        for (const int joint : skinned ? scene.skins[node.skin].joints : std::vector<int>()) {
            sets.tie(i, joint);
        }
    }
    for (int i = 0; i < count; ++i) {
        const int parent = scene.nodes[i].parent;
        if (parent >= 0 && scene.nodes[parent].mesh >= 0 && scene.nodes[parent].skin >= 0) {
            sets.tie(i, parent);
        }
    }
    std::vector<int> place(scene.nodes.size(), -1);
    std::vector<Prop> props;
    for (int i = 0; i < count; ++i) {
        int& at = place[sets.of(i)];
        if (at < 0) {
            at = static_cast<int>(props.size());
            props.emplace_back();
        }
        Prop& prop = props[at];
        const Node& node = scene.nodes[i];
        prop.nodes.push_back(i);
        prop.joints += node.kind == NodeKind::joint ? 1 : 0;
        const bool skinned = node.mesh >= 0 && node.skin >= 0;
        if (node.parent < 0 && !skinned) {
            prop.tops.push_back(i);
            const bool first_joint =
                node.kind == NodeKind::joint && prop.pivot >= 0 && scene.nodes[prop.pivot].kind != NodeKind::joint;
            prop.pivot = prop.pivot < 0 || first_joint ? i : prop.pivot;
        }
    }
    std::erase_if(props, [&](const Prop& prop) {
        return prop.pivot < 0 || std::none_of(prop.nodes.begin(), prop.nodes.end(), [&](int node) {
                   return scene.nodes[node].mesh >= 0 || scene.nodes[node].kind == NodeKind::joint;
               });
    });
    const std::vector<Mat4> world = rest_world(scene);
    for (Prop& prop : props) {
        prop.name = scene.nodes[prop.pivot].name;
        measure_bounds(scene, world, prop);
    }
    return props;
}

int character_among(const std::vector<Prop>& props) {
    int found = -1;
    for (size_t i = 0; i < props.size(); ++i) {
        if (props[i].joints > (found < 0 ? 0 : props[found].joints)) {
            found = static_cast<int>(i);
        }
    }
    return found;
}

} // namespace wembrix
