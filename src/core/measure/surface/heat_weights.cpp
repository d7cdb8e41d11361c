#include "core/measure/surface/heat_weights.h"

#include "core/measure/skeleton/bones.h"
#include "core/measure/surface/closest_point.h"
#include "core/measure/surface/neighbours.h"

#include <Eigen/SparseCholesky>
#include <algorithm>
#include <atomic>
#include <cmath>
#include <tbb/blocked_range.h>
#include <tbb/parallel_for.h>

namespace wembrix {

namespace {

using Sparse = Eigen::SparseMatrix<double>;

constexpr double seen_within = 2; ///< times as far as the nearest bone

/// Which bones warm a spot, all equally near, and from how far; none where it sees none.
struct Warmed {
    std::vector<int> joints; ///< places in the request's list
    double distance_m = 0;
};

struct Spots {
    Neighbours neighbours;
    std::vector<Vec3f> places;
    std::vector<ClosestPoint::Triangle> triangles; ///< of spots; without those that have no area
};

Spots spots_of(const Mesh& mesh, std::span<const Vec3f> places) {
    Spots spots{neighbours_of(mesh), {}, {}};
    for (const uint32_t first : spots.neighbours.first) {
        spots.places.push_back(places[first]);
    }
    for (const Primitive& primitive : mesh.primitives) {
        for (const std::array<uint32_t, 3>& triangle : triangles_of(mesh, primitive)) {
            const ClosestPoint::Triangle own = {spots.neighbours.spot[triangle[0]], spots.neighbours.spot[triangle[1]],
                                                spots.neighbours.spot[triangle[2]]};
            if (own[0] != own[1] && own[1] != own[2] && own[2] != own[0]) {
                spots.triangles.push_back(own);
            }
        }
    }
    return spots;
}

std::vector<Warmed> who_warms(const Scene& scene, const Spots& spots, const BoneWeightRequest& request) {
    const std::vector<Bone> bones = bones_going_on(scene);
    const ClosestPoint tree(spots.places, spots.triangles);
    std::vector<Warmed> warmed(spots.places.size());
    tbb::parallel_for(tbb::blocked_range<size_t>(0, warmed.size(), 512), [&](const auto& range) {
        std::vector<std::pair<double, int>> near;
        for (size_t s = range.begin(); s < range.end() && !(request.stop && request.stop()); ++s) {
            const Vec3 at = spots.places[s].template cast<double>();
            near.clear();
            for (size_t j = 0; j < request.joints.size(); ++j) {
                near.emplace_back(distance_to_bone(bones[static_cast<size_t>(request.joints[j])], at),
                                  static_cast<int>(j));
            }
            std::sort(near.begin(), near.end());
            for (const auto& [distance, joint] : near) {
                // What is seen far beyond the nearest bone is seen through the air: a toe from a plume.
                if (distance > seen_within * near.front().first ||
                    (!warmed[s].joints.empty() && distance > warmed[s].distance_m * (1 + equally_near))) {
                    break;
                }
                const Vec3 to =
                    nearest_on_bone(bones[static_cast<size_t>(request.joints[static_cast<size_t>(joint)])], at);
                if (!tree.crosses(spots.places[s], to.cast<float>(), 0.02F)) {
                    warmed[s].distance_m = warmed[s].joints.empty() ? distance : warmed[s].distance_m;
                    warmed[s].joints.push_back(joint);
                }
            }
        }
    });
    return warmed;
}

double cotangent(const Vec3& a, const Vec3& b) {
    const double across = a.cross(b).norm();
    return across > 1e-300 ? a.dot(b) / across : 0;
}

} // namespace

BoneWeights weights_by_heat(const Scene& scene, const Mesh& mesh, std::span<const Vec3f> places,
                            const BoneWeightRequest& request) {
    BoneWeights result;
    const auto stopped = [&] { return request.stop && request.stop(); };
    const Spots spots = spots_of(mesh, places);
    const std::vector<Warmed> warmed = who_warms(scene, spots, request);
    if (stopped()) {
        return result;
    }
    const auto n = static_cast<Eigen::Index>(spots.places.size());
    std::vector<Eigen::Triplet<double>> entries;
    entries.reserve(spots.triangles.size() * 12 + spots.places.size());
    Eigen::VectorXd area = Eigen::VectorXd::Zero(n);
    // In metres the numbers would be tiny and their ratios the same: everything is in units of a mean edge.
    double edges = 0;
    for (const ClosestPoint::Triangle& triangle : spots.triangles) {
        edges += static_cast<double>((spots.places[triangle[0]] - spots.places[triangle[1]]).norm());
    }
    const double unit =
        spots.triangles.empty() ? 1 : std::max(1e-12, edges / static_cast<double>(spots.triangles.size()));
    for (const ClosestPoint::Triangle& triangle : spots.triangles) {
        std::array<Vec3, 3> at;
        for (size_t k = 0; k < 3; ++k) {
            at.at(k) = spots.places[triangle.at(k)].cast<double>() / unit;
        }
        const double own = (at[1] - at[0]).cross(at[2] - at[0]).norm() / 2;
        for (size_t k = 0; k < 3; ++k) {
            const size_t a = (k + 1) % 3;
            const size_t b = (k + 2) % 3;
            // Never below a little: heat does not flow backwards where triangles are obtuse, nor stop at a sliver.
            const double share = std::clamp(cotangent(at.at(a) - at.at(k), at.at(b) - at.at(k)), 1e-3, 1e3) / 2;
            const auto i = static_cast<Eigen::Index>(triangle.at(a));
            const auto j = static_cast<Eigen::Index>(triangle.at(b));
            entries.emplace_back(i, j, -share);
            entries.emplace_back(j, i, -share);
            entries.emplace_back(i, i, share);
            entries.emplace_back(j, j, share);
            area[static_cast<Eigen::Index>(triangle.at(k))] += own / 3;
        }
    }
    Eigen::VectorXd heat = Eigen::VectorXd::Zero(n);
    std::vector<std::vector<Eigen::Index>> by_joint(request.joints.size());
    for (Eigen::Index s = 0; s < n; ++s) {
        const Warmed& own = warmed[static_cast<size_t>(s)];
        if (!own.joints.empty()) {
            const double distance = std::max(own.distance_m / unit, 1e-3);
            heat[s] = std::max(area[s], 1e-6) / (distance * distance);
        }
        for (const int joint : own.joints) {
            by_joint[static_cast<size_t>(joint)].push_back(s);
        }
    }
    // A piece that nothing warms has no solution: it is held at nothing.
    const Pieces pieces = pieces_of_spots(spots.neighbours);
    std::vector<char> is_warm(pieces.count, 0);
    for (size_t s = 0; s < warmed.size(); ++s) {
        is_warm[pieces.of[s]] |= warmed[s].joints.empty() ? 0 : 1;
    }
    for (Eigen::Index s = 0; s < n; ++s) {
        const bool cold = is_warm[pieces.of[static_cast<size_t>(s)]] == 0;
        entries.emplace_back(s, s, cold ? 1 : heat[s]);
    }
    Sparse matrix(n, n);
    matrix.setFromTriplets(entries.begin(), entries.end());
    const auto reached = [&](double share) {
        if (request.progress) {
            request.progress(share);
        }
    };
    // Where its time goes: who sees whom, the factors, one solution a joint.
    constexpr double before_factors = 0.3;
    constexpr double before_solving = 0.5;
    reached(before_factors);
    const Eigen::SimplicialLDLT<Sparse> factored(matrix);
    reached(before_solving);
    if (factored.info() != Eigen::Success || stopped()) {
        return result;
    }
    std::vector<WeightRow> of_spots(spots.places.size());
    std::vector<Eigen::VectorXd> solved(request.joints.size());
    std::atomic<size_t> done = 0;
    tbb::parallel_for(size_t(0), request.joints.size(), [&](size_t j) {
        if (!by_joint[j].empty() && !stopped()) {
            Eigen::VectorXd right = Eigen::VectorXd::Zero(n);
            for (const Eigen::Index s : by_joint[j]) {
                right[s] = heat[s] / static_cast<double>(warmed[static_cast<size_t>(s)].joints.size());
            }
            solved[j] = factored.solve(right);
        }
        reached(before_solving +
                (1 - before_solving) * static_cast<double>(++done) / static_cast<double>(request.joints.size()));
    });
    for (size_t j = 0; j < solved.size(); ++j) {
        for (Eigen::Index s = 0; s < solved[j].size(); ++s) {
            if (solved[j][s] > least_share) {
                of_spots[static_cast<size_t>(s)].push_back({static_cast<uint16_t>(j), solved[j][s]});
            }
        }
    }
    for (size_t s = 0; s < of_spots.size(); ++s) {
        keep_heaviest(of_spots[s], request.influences);
        if (!warmed[s].joints.empty() && warmed[s].distance_m > result.farthest_m) {
            result.farthest_m = warmed[s].distance_m;
            result.farthest = spots.neighbours.first[s];
        }
    }
    for (size_t v = 0; v < places.size(); ++v) {
        result.rows.push_back(of_spots[spots.neighbours.spot[v]]);
        if (result.rows.back().empty()) {
            result.unreached.push_back(static_cast<uint32_t>(v));
        }
    }
    return result;
}

} // namespace wembrix
