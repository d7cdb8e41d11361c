#include "core/measure/surface/first_weights.h"

#include "core/measure/skeleton/bones.h"
#include "core/measure/surface/neighbours.h"

#include <algorithm>
#include <cmath>
#include <limits>
#include <map>
#include <mutex>
#include <tbb/blocked_range.h>
#include <tbb/parallel_for.h>

namespace wembrix {

namespace {

constexpr double least_distance_m = 1e-6;

/// The hierarchy among the joints of a list, by their places in it.
struct Hierarchy {
    std::vector<int> above; ///< -1: none of the list
    std::vector<std::vector<uint16_t>> below;

    Hierarchy(const Scene& scene, const std::vector<int>& joints) : above(joints.size(), -1), below(joints.size()) {
        std::vector<int> place(scene.nodes.size(), -1);
        for (size_t j = 0; j < joints.size(); ++j) {
            place[static_cast<size_t>(joints[j])] = static_cast<int>(j);
        }
        for (size_t j = 0; j < joints.size(); ++j) {
            for (int node = joint_above(scene, joints[j]); node >= 0 && above[j] < 0; node = joint_above(scene, node)) {
                above[j] = place[static_cast<size_t>(node)];
            }
            if (above[j] >= 0) {
                below[static_cast<size_t>(above[j])].push_back(static_cast<uint16_t>(j));
            }
        }
    }

    /// The joint, those above it, and below it always the one that is nearest: never two branches, unless both are.
    void line_through(size_t joint, const std::vector<double>& distances, std::vector<uint16_t>& line) const {
        line = {static_cast<uint16_t>(joint)};
        for (int up = above[joint]; up >= 0; up = above[static_cast<size_t>(up)]) {
            line.push_back(static_cast<uint16_t>(up));
        }
        // In the middle between two branches it goes down both.
        for (std::vector<uint16_t> open = {static_cast<uint16_t>(joint)}; !open.empty();) {
            const std::vector<uint16_t>& next = below[open.back()];
            open.pop_back();
            double least = std::numeric_limits<double>::infinity();
            for (const uint16_t child : next) {
                least = std::min(least, distances[child]);
            }
            for (const uint16_t child : next) {
                if (distances[child] <= least * (1 + equally_near)) {
                    line.push_back(child);
                    open.push_back(child);
                }
            }
        }
    }
};

} // namespace

BoneWeights weights_by_nearest_bone(const Scene& scene, std::span<const Vec3f> places,
                                    const BoneWeightRequest& request) {
    const std::vector<Bone> bones = bones_going_on(scene);
    const Hierarchy hierarchy(scene, request.joints);
    BoneWeights result;
    result.rows.resize(places.size());
    std::mutex mutex;
    tbb::parallel_for(tbb::blocked_range<size_t>(0, places.size(), 1024), [&](const auto& range) {
        double farthest = -1;
        size_t farthest_at = 0;
        std::vector<double> distances(request.joints.size());
        std::vector<uint16_t> line;
        for (size_t v = range.begin(); v < range.end() && !(request.stop && request.stop()); ++v) {
            const Vec3 at = places[v].template cast<double>();
            size_t nearest = 0;
            for (size_t j = 0; j < distances.size(); ++j) {
                distances[j] = distance_to_bone(bones[static_cast<size_t>(request.joints[j])], at);
                nearest = distances[j] < distances[nearest] ? j : nearest;
            }
            if (distances[nearest] > farthest) {
                farthest = distances[nearest];
                farthest_at = v;
            }
            // In the middle between two branches both are nearest: each gives its half.
            std::map<uint16_t, double> sum;
            const double least = std::max(distances[nearest], least_distance_m);
            for (size_t tied = 0; tied < distances.size(); ++tied) {
                if (distances[tied] > least * (1 + equally_near)) {
                    continue;
                }
                hierarchy.line_through(tied, distances, line);
                for (const uint16_t j : line) {
                    const double weight = std::pow(least / std::max(distances[j], least_distance_m), request.falloff);
                    if (weight > least_share) {
                        sum[j] += weight;
                    }
                }
            }
            WeightRow row;
            for (const auto& [joint, weight] : sum) {
                row.push_back({joint, weight});
            }
            keep_heaviest(row, request.influences);
            result.rows[v] = std::move(row);
        }
        const std::lock_guard lock(mutex);
        if (farthest > result.farthest_m || (farthest == result.farthest_m && farthest_at < result.farthest)) {
            result.farthest_m = farthest;
            result.farthest = farthest_at;
        }
    });
    return result;
}

void keep_heaviest(WeightRow& row, size_t most) {
    std::stable_sort(row.begin(), row.end(), [](const Weight& a, const Weight& b) { return a.weight > b.weight; });
    most = std::max<size_t>(1, most);
    // Of two that weigh about the same neither stays where only one could: left and right are treated alike.
    constexpr double same = 1.02;
    size_t keep = most;
    while (keep > 0 && keep < row.size() && row[keep - 1].weight <= row[keep].weight * same) {
        --keep;
    }
    row.resize(std::min(row.size(), keep == 0 ? most : keep));
    settle_row(row, {});
}

std::vector<int> joints_that_hold(const Scene& scene, bool ends_too) {
    const std::vector<Bone> bones = bones_of(scene);
    std::vector<int> holding;
    for (const int joint : joints_of(scene)) {
        const Bone& bone = bones[static_cast<size_t>(joint)];
        if (!bone.only_carries && (ends_too || !bone.to.empty())) {
            holding.push_back(joint);
        }
    }
    return holding.empty() ? joints_of(scene) : holding;
}

Pieces pieces_of_spots(const Neighbours& neighbours) {
    constexpr uint32_t none = std::numeric_limits<uint32_t>::max();
    Pieces pieces;
    pieces.of.assign(neighbours.spots(), none);
    std::vector<uint32_t> open;
    for (uint32_t first = 0; first < pieces.of.size(); ++first) {
        if (pieces.of[first] != none) {
            continue;
        }
        pieces.of[first] = static_cast<uint32_t>(pieces.count);
        open = {first};
        while (!open.empty()) {
            const uint32_t spot = open.back();
            open.pop_back();
            for (const uint32_t beside : neighbours.of(spot)) {
                if (pieces.of[beside] == none) {
                    pieces.of[beside] = static_cast<uint32_t>(pieces.count);
                    open.push_back(beside);
                }
            }
        }
        ++pieces.count;
    }
    return pieces;
}

Pieces pieces_of(const Mesh& mesh) {
    const Neighbours neighbours = neighbours_of(mesh);
    const Pieces of_spots = pieces_of_spots(neighbours);
    Pieces pieces;
    pieces.count = of_spots.count;
    for (const uint32_t spot : neighbours.spot) {
        pieces.of.push_back(of_spots.of[spot]);
    }
    return pieces;
}

} // namespace wembrix
