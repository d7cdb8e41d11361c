#include "core/measure/surface/stray_weights.h"

#include "core/measure/scene/bounds.h"
#include "core/measure/skeleton/bones.h"
#include "core/measure/surface/neighbours.h"
#include "core/measure/surface/rest_places.h"
#include "core/measure/surface/weight_rows.h"

#include <algorithm>
#include <cmath>

namespace wembrix {

namespace {

constexpr double least_weight = 0.001;

struct Held {
    uint32_t spot = 0;
    double weight = 0;
};
struct HeldPart {
    std::vector<Held> spots;
    double weight = 0;
};

/// For each joint the spots that it holds, ascending.
std::vector<std::vector<Held>> spots_of_joints(const Influences& influences, const Neighbours& neighbours,
                                               size_t joints) {
    std::vector<std::vector<Held>> held(joints);
    WeightRow row;
    for (size_t v = 0; v < neighbours.spot.size(); ++v) {
        read_row(influences, v, row);
        for (const Weight& one : row) {
            if (one.weight >= least_weight) {
                held[one.joint].push_back({neighbours.spot[v], one.weight});
            }
        }
    }
    for (std::vector<Held>& spots : held) {
        std::sort(spots.begin(), spots.end(), [](const Held& a, const Held& b) {
            return a.spot != b.spot ? a.spot < b.spot : a.weight > b.weight;
        });
        spots.erase(
            std::unique(spots.begin(), spots.end(), [](const Held& a, const Held& b) { return a.spot == b.spot; }),
            spots.end());
    }
    return held;
}

std::vector<HeldPart> parts_of(const std::vector<Held>& held, const Neighbours& neighbours,
                               std::vector<int>& place_of) {
    for (size_t i = 0; i < held.size(); ++i) {
        place_of[held[i].spot] = static_cast<int>(i);
    }
    std::vector<HeldPart> parts;
    std::vector<uint32_t> open;
    for (const Held& start : held) {
        if (place_of[start.spot] < 0) {
            continue;
        }
        HeldPart part;
        open.assign(1, start.spot);
        const auto take = [&](uint32_t spot) {
            const Held& one = held[static_cast<size_t>(place_of[spot])];
            part.spots.push_back(one);
            part.weight += one.weight;
            place_of[spot] = -1;
        };
        take(start.spot);
        while (!open.empty()) {
            const uint32_t spot = open.back();
            open.pop_back();
            for (const uint32_t next : neighbours.of(spot)) {
                if (place_of[next] >= 0) {
                    take(next);
                    open.push_back(next);
                }
            }
        }
        parts.push_back(std::move(part));
    }
    return parts;
}

} // namespace

std::vector<StrayIsland> stray_weights(const Scene& scene, int surface) {
    const Node& node = scene.nodes[static_cast<size_t>(surface)];
    const Mesh& mesh = scene.meshes[static_cast<size_t>(node.mesh)];
    const Neighbours neighbours = neighbours_of(mesh);
    const Skin& skin = scene.skins[static_cast<size_t>(node.skin)];
    const std::vector<std::vector<Held>> held = spots_of_joints(node.influences, neighbours, skin.joints.size());
    Bounds bounds;
    for (const Vec3f& at : mesh.positions) {
        bounds.add(at.cast<double>());
    }
    const double far = bounds.size().maxCoeff() / 20;
    std::vector<StrayIsland> islands;
    std::vector<int> place_of(neighbours.spots(), -1);
    std::vector<Bone> bones;
    std::vector<Vec3f> rest;
    for (size_t j = 0; j < held.size(); ++j) {
        std::vector<HeldPart> parts = parts_of(held[j], neighbours, place_of);
        if (parts.size() < 2) {
            continue;
        }
        const auto main = std::max_element(parts.begin(), parts.end(),
                                           [](const HeldPart& a, const HeldPart& b) { return a.weight < b.weight; });
        if (bones.empty()) {
            bones = bones_of(scene);
            rest = rest_places(scene, surface);
        }
        const Bone& bone = bones[static_cast<size_t>(skin.joints[j])];
        const auto to_bone = [&](const Held& one) {
            return distance_to_bone(bone, rest[neighbours.first[one.spot]].cast<double>());
        };
        std::vector<uint32_t> from;
        double reach = 0;
        for (const Held& one : main->spots) {
            from.push_back(one.spot);
            reach = std::max(reach, to_bone(one));
        }
        const std::vector<double> along = distances_along(mesh, neighbours, from, 1e300);
        for (const HeldPart& part : parts) {
            if (&part == &*main || part.weight >= main->weight / 5) {
                continue;
            }
            StrayIsland island;
            double nearest = 1e300;
            double nearest_bone = 1e300;
            for (const Held& one : part.spots) {
                island.heaviest = std::max(island.heaviest, one.weight);
                nearest = std::min(nearest, along[one.spot]);
                nearest_bone = std::min(nearest_bone, to_bone(one));
            }
            const bool apart = !std::isfinite(nearest) || nearest > 1e299;
            if (apart ? nearest_bone <= 1.5 * reach : nearest <= far) {
                continue;
            }
            island.joint = static_cast<uint16_t>(j);
            island.distance_m = apart ? nearest_bone : nearest;
            std::vector<uint32_t> spots;
            for (const Held& one : part.spots) {
                spots.push_back(one.spot);
            }
            std::sort(spots.begin(), spots.end());
            for (size_t v = 0; v < neighbours.spot.size(); ++v) {
                if (std::binary_search(spots.begin(), spots.end(), neighbours.spot[v])) {
                    island.vertices.push_back(static_cast<uint32_t>(v));
                }
            }
            islands.push_back(std::move(island));
        }
    }
    return islands;
}

} // namespace wembrix
