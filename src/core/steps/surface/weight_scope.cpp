#include "core/steps/surface/weight_scope.h"

#include "core/steps/names.h"
#include "core/steps/skeleton/chosen_joints.h"

#include <Eigen/LU>
#include <algorithm>
#include <cassert>

namespace wembrix {

std::vector<Parameter> weight_scope_parameters() {
    return {list<&WeightScope::surfaces>("surfaces", "Surfaces", "Which surfaces; empty: all that are skinned")
                .naming(NameOf::surface),
            list<&WeightScope::locked>("locked", "Locked joints", "Joints whose weights stay exactly as they are")
                .naming(NameOf::joint)};
}

std::vector<Parameter> with_weight_scope(std::vector<Parameter> own) {
    for (Parameter& parameter : weight_scope_parameters()) {
        own.push_back(std::move(parameter));
    }
    return own;
}

ScopedWeights choose_weights(const Scene& scene, const WeightScope& scope) {
    ScopedWeights chosen;
    const NamePatterns patterns(scope.surfaces, scene);
    for (const int surface : surfaces_of(scene)) {
        const Node& node = scene.nodes[static_cast<size_t>(surface)];
        const bool in = scope.surfaces.empty() || patterns.any_fits(node.name);
        if (in && node.skin >= 0 && !node.influences.empty()) {
            chosen.surfaces.push_back(surface);
        }
    }
    ChosenJoints joints;
    if (!scope.locked.empty()) {
        joints = choose_joints(scene, scope.locked);
    }
    for (const Skin& skin : scene.skins) {
        std::vector<char> locked(skin.joints.size(), 0);
        for (size_t j = 0; j < skin.joints.size() && !joints.in.empty(); ++j) {
            locked[j] = joints.in[static_cast<size_t>(skin.joints[j])];
        }
        chosen.locked.push_back(std::move(locked));
    }
    return chosen;
}

size_t change_rows(Scene& scene, int node, std::span<const char> locked,
                   const std::function<bool(size_t vertex, WeightRow& row)>& change) {
    Influences& influences = scene.nodes[static_cast<size_t>(node)].influences;
    const size_t vertices = influences.offsets.size() - 1;
    InfluencesBuilder builder(vertices, influences.weights.size());
    WeightRow row;
    size_t unsettled = 0;
    for (size_t v = 0; v < vertices; ++v) {
        read_row(influences, v, row);
        if (!change(v, row)) {
            builder.copy(influences, v);
        } else if (!settle_row(row, locked)) {
            builder.copy(influences, v);
            ++unsettled;
        } else {
            builder.add(row);
        }
    }
    influences = builder.take();
    return unsettled;
}

uint16_t place_in_skin(Scene& scene, int skin, int joint) {
    Skin& own = scene.skins[static_cast<size_t>(skin)];
    const auto place = [&](int node) {
        return std::find(own.joints.begin(), own.joints.end(), node) - own.joints.begin();
    };
    const auto count = static_cast<ptrdiff_t>(own.joints.size());
    if (const auto there = place(joint); there < count) {
        return static_cast<uint16_t>(there);
    }
    assert(own.joints.size() < 0xFFFF);
    const std::vector<Mat4> world = rest_world(scene);
    ptrdiff_t like = 0;
    for (int above = joint_above(scene, joint); above >= 0; above = joint_above(scene, above)) {
        if (place(above) < count) {
            like = place(above);
            break;
        }
    }
    Mat4 bind = world[static_cast<size_t>(joint)].inverse();
    if (count > 0) {
        bind = bind * world[static_cast<size_t>(own.joints[static_cast<size_t>(like)])] *
               own.inverse_binds[static_cast<size_t>(like)];
    }
    own.joints.push_back(joint);
    own.inverse_binds.push_back(bind);
    return static_cast<uint16_t>(count);
}

} // namespace wembrix
