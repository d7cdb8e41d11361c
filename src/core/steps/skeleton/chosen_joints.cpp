#include "core/steps/skeleton/chosen_joints.h"

#include "core/base/text.h"
#include "core/steps/names.h"

#include <algorithm>

namespace wembrix {

ChosenJoints choose_joints(const Scene& scene, const std::vector<std::string>& patterns) {
    ChosenJoints chosen;
    chosen.in.assign(scene.nodes.size(), 0);
    std::vector<char> used(patterns.size(), 0);
    const NamePatterns wanted(patterns, scene);
    for (size_t i = 0; i < scene.nodes.size(); ++i) {
        if (scene.nodes[i].kind != NodeKind::joint) {
            continue;
        }
        chosen.in[i] = patterns.empty() ? 1 : 0;
        for (size_t p = 0; p < patterns.size(); ++p) {
            if (wanted.fits(scene.nodes[i].name, p)) {
                chosen.in[i] = 1;
                used[p] = 1;
            }
        }
    }
    for (size_t p = 0; p < patterns.size(); ++p) {
        if (used[p] == 0) {
            chosen.no_such.push_back(patterns[p]);
        }
    }
    return chosen;
}

std::vector<std::string> what_is_missing(const ChosenJoints& chosen) {
    if (chosen.no_such.empty()) {
        return {};
    }
    return {phrase("there is no joint {} any more", some_of(chosen.no_such))};
}

bool scales_unevenly(const Scene& scene, int node) {
    const auto uneven = [](const Vec3& v) {
        return (v.array() - v.x()).abs().maxCoeff() > 1e-6 * std::max(1e-3, v.cwiseAbs().maxCoeff());
    };
    if (uneven(scene.nodes[node].rest.scale)) {
        return true;
    }
    for (const Clip& clip : scene.clips) {
        for (const Channel& channel : clip.channels) {
            if (channel.node != node || channel.path != Path::scale) {
                continue;
            }
            const std::vector<float>& values = channel.values.get();
            for (size_t i = 0; i + 2 < values.size(); i += 3) { // tangents count, too
                if (uneven(Vec3(values[i], values[i + 1], values[i + 2]))) {
                    return true;
                }
            }
        }
    }
    return false;
}

std::vector<std::vector<int>> joints_below(const Scene& scene) {
    std::vector<std::vector<int>> below(scene.nodes.size());
    for (size_t i = 0; i < scene.nodes.size(); ++i) {
        if (scene.nodes[i].kind == NodeKind::joint && scene.nodes[i].parent >= 0) {
            below[scene.nodes[i].parent].push_back(static_cast<int>(i));
        }
    }
    return below;
}

std::vector<int> tree_sizes(const Scene& scene) {
    std::vector<int> sizes(scene.nodes.size(), 0);
    for (size_t i = scene.nodes.size(); i-- > 0;) {
        sizes[i] += scene.nodes[i].kind == NodeKind::joint ? 1 : 0;
        if (scene.nodes[i].parent >= 0) {
            sizes[scene.nodes[i].parent] += sizes[i];
        }
    }
    return sizes;
}

} // namespace wembrix
