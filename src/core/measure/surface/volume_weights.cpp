#include "core/measure/surface/volume_weights.h"

#include "core/measure/skeleton/bones.h"

#include <algorithm>
#include <array>
#include <atomic>
#include <cmath>
#include <limits>
#include <queue>
#include <tbb/blocked_range.h>
#include <tbb/parallel_for.h>

namespace wembrix {

namespace {

constexpr uint32_t none = std::numeric_limits<uint32_t>::max();
constexpr float no_way = std::numeric_limits<float>::infinity();
using Cell = std::array<int, 3>;

/// The cells of a box and which of them can be walked.
class Volume {
  public:
    Volume(const Mesh& mesh, std::span<const Vec3f> places) {
        Eigen::AlignedBox3d box;
        for (const Vec3f& place : places) {
            box.extend(place.cast<double>());
        }
        side_ = std::max(box.sizes().maxCoeff() / volume_cells, 1e-9);
        // About the middle of the box and with a cell in the middle: a symmetric body gets symmetric cells.
        for (int axis = 0; axis < 3; ++axis) {
            const int count = static_cast<int>(box.sizes()[axis] / side_) + 3;
            count_.at(static_cast<size_t>(axis)) = count % 2 == 0 ? count + 1 : count;
            low_[axis] = box.center()[axis] - side_ * count_.at(static_cast<size_t>(axis)) / 2.0;
        }
        walkable_.assign(
            static_cast<size_t>(count_[0]) * static_cast<size_t>(count_[1]) * static_cast<size_t>(count_[2]), 0);
        std::vector<std::array<Vec3, 3>> triangles;
        for (const Primitive& primitive : mesh.primitives) {
            for (const auto& [a, b, c] : triangles_of(mesh, primitive)) {
                triangles.push_back({places[a].cast<double>(), places[b].cast<double>(), places[c].cast<double>()});
            }
        }
        mark_inside(triangles);
        for (const std::array<Vec3, 3>& triangle : triangles) {
            mark_surface(triangle);
        }
        for (const Vec3f& place : places) {
            walkable_[at(cell_of(place.cast<double>()))] = 1;
        }
    }

    [[nodiscard]] Cell cell_of(const Vec3& place) const {
        Cell cell = {};
        for (size_t axis = 0; axis < 3; ++axis) {
            const auto k = static_cast<Eigen::Index>(axis);
            const double along = (place[k] - low_[k]) / side_;
            cell.at(axis) = static_cast<int>(std::clamp(along, 0.0, count_.at(axis) - 1.0));
        }
        return cell;
    }
    [[nodiscard]] size_t at(const Cell& cell) const {
        return (static_cast<size_t>(cell[0]) * static_cast<size_t>(count_[1]) + static_cast<size_t>(cell[1])) *
                   static_cast<size_t>(count_[2]) +
               static_cast<size_t>(cell[2]);
    }
    [[nodiscard]] bool has(const Cell& cell) const {
        for (size_t axis = 0; axis < 3; ++axis) {
            if (cell.at(axis) < 0 || cell.at(axis) >= count_.at(axis)) {
                return false;
            }
        }
        return true;
    }
    [[nodiscard]] Vec3 middle(const Cell& cell) const {
        return low_ + side_ * (Vec3(cell[0], cell[1], cell[2]) + Vec3::Constant(0.5));
    }
    [[nodiscard]] bool can_be_walked(const Cell& cell) const { return walkable_[at(cell)] != 0; }
    [[nodiscard]] bool holds(const Vec3& place) const {
        return ((place - low_).array() >= 0).all() &&
               ((place - low_).array() < side_ * Eigen::Array3d(count_[0], count_[1], count_[2])).all();
    }
    [[nodiscard]] double side() const { return side_; }
    [[nodiscard]] size_t cells() const { return walkable_.size(); }
    [[nodiscard]] Cell cell_at(size_t place) const {
        const auto z = static_cast<size_t>(count_[2]);
        const auto y = static_cast<size_t>(count_[1]);
        return {static_cast<int>(place / (y * z)), static_cast<int>(place / z % y), static_cast<int>(place % z)};
    }

  private:
    void mark_surface(const std::array<Vec3, 3>& corners) {
        const double longest = std::max(
            {(corners[1] - corners[0]).norm(), (corners[2] - corners[0]).norm(), (corners[2] - corners[1]).norm()});
        const int parts = std::max(1, static_cast<int>(std::ceil(longest / (side_ / 2))));
        for (int i = 0; i <= parts; ++i) {
            for (int j = 0; i + j <= parts; ++j) {
                const double u = static_cast<double>(i) / parts;
                const double v = static_cast<double>(j) / parts;
                walkable_[at(cell_of(corners[0] + u * (corners[1] - corners[0]) + v * (corners[2] - corners[0])))] = 1;
            }
        }
    }

    struct Crossing {
        double height = 0;
        int winds = 0;
    };

    void mark_inside(const std::vector<std::array<Vec3, 3>>& triangles) {
        std::vector<int8_t> votes(walkable_.size(), 0);
        for (size_t along = 0; along < 3; ++along) {
            const size_t first = (along + 1) % 3;
            const size_t second = (along + 2) % 3;
            const auto f = static_cast<Eigen::Index>(first);
            const auto s = static_cast<Eigen::Index>(second);
            const auto a = static_cast<Eigen::Index>(along);
            std::vector<std::vector<Crossing>> columns(static_cast<size_t>(count_.at(first)) *
                                                       static_cast<size_t>(count_.at(second)));
            // A little off the middle, so that no column runs along edges modelled in round numbers; on both sides of
            // the body the same way.
            const auto off = [&](size_t axis, int i) { return 0.5 + (2 * i < count_.at(axis) ? 0.0123 : -0.0123); };
            for (const std::array<Vec3, 3>& t : triangles) {
                const auto turn = [&](const Vec3& p, const Vec3& q, double x, double y) {
                    return (q[f] - p[f]) * (y - p[s]) - (q[s] - p[s]) * (x - p[f]);
                };
                const double area = turn(t[0], t[1], t[2][f], t[2][s]);
                if (area == 0) {
                    continue;
                }
                const Cell low = cell_of(t[0].cwiseMin(t[1]).cwiseMin(t[2]));
                const Cell high = cell_of(t[0].cwiseMax(t[1]).cwiseMax(t[2]));
                for (int i = low.at(first); i <= high.at(first); ++i) {
                    for (int j = low.at(second); j <= high.at(second); ++j) {
                        const double x = low_[f] + (i + off(first, i)) * side_;
                        const double y = low_[s] + (j + off(second, j)) * side_;
                        const double of_2 = turn(t[0], t[1], x, y) / area;
                        const double of_0 = turn(t[1], t[2], x, y) / area;
                        const double of_1 = turn(t[2], t[0], x, y) / area;
                        if (of_0 >= 0 && of_1 >= 0 && of_2 >= 0) {
                            columns[static_cast<size_t>(i) * static_cast<size_t>(count_.at(second)) +
                                    static_cast<size_t>(j)]
                                .push_back({of_0 * t[0][a] + of_1 * t[1][a] + of_2 * t[2][a], area > 0 ? 1 : -1});
                        }
                    }
                }
            }
            for (int i = 0; i < count_.at(first); ++i) {
                for (int j = 0; j < count_.at(second); ++j) {
                    std::vector<Crossing>& column =
                        columns[static_cast<size_t>(i) * static_cast<size_t>(count_.at(second)) +
                                static_cast<size_t>(j)];
                    std::sort(column.begin(), column.end(),
                              [](const Crossing& x, const Crossing& y) { return x.height < y.height; });
                    int sum = 0;
                    for (const Crossing& one : column) {
                        sum += one.winds;
                    }
                    if (sum != 0) {
                        continue; // open here
                    }
                    size_t next = 0;
                    int winding = 0;
                    for (int k = 0; k < count_.at(along); ++k) {
                        const double height = low_[a] + (k + 0.5) * side_;
                        while (next < column.size() && column[next].height <= height) {
                            winding += column[next++].winds;
                        }
                        Cell cell = {};
                        cell.at(first) = i;
                        cell.at(second) = j;
                        cell.at(along) = k;
                        votes[at(cell)] = static_cast<int8_t>(votes[at(cell)] + (winding != 0 ? 1 : -1));
                    }
                }
            }
        }
        for (size_t cell = 0; cell < votes.size(); ++cell) {
            walkable_[cell] = votes[cell] > 0 ? 1 : 0;
        }
    }

    double side_ = 1; ///< metres
    Vec3 low_ = Vec3::Zero();
    Cell count_ = {};
    std::vector<char> walkable_;
};

/// Cells along a bone that can be walked.
std::vector<size_t> cells_of(const Bone& bone, const Volume& volume) {
    std::vector<size_t> cells;
    const auto add = [&](const Vec3& place) {
        if (volume.holds(place) && volume.can_be_walked(volume.cell_of(place))) {
            cells.push_back(volume.at(volume.cell_of(place)));
        }
    };
    add(bone.from);
    for (const Vec3& to : bone.to) {
        const int parts = 1 + static_cast<int>((to - bone.from).norm() / (volume.side() / 2));
        for (int i = 1; i <= parts; ++i) {
            add(bone.from + (to - bone.from) * i / parts);
        }
    }
    std::sort(cells.begin(), cells.end());
    cells.erase(std::unique(cells.begin(), cells.end()), cells.end());
    return cells;
}

/// Of each cell the shortest way to it from any of `from`, metres.
std::vector<float> ways(const Volume& volume, const std::vector<size_t>& from) {
    std::vector<float> length(volume.cells(), no_way);
    using Reached = std::pair<float, size_t>;
    std::priority_queue<Reached, std::vector<Reached>, std::greater<>> open;
    for (const size_t cell : from) {
        length[cell] = 0;
        open.emplace(0.0F, cell);
    }
    const auto side = static_cast<float>(volume.side());
    while (!open.empty()) {
        const auto [so_far, place] = open.top();
        open.pop();
        if (so_far > length[place]) {
            continue;
        }
        const Cell cell = volume.cell_at(place);
        for (int i = -1; i <= 1; ++i) {
            for (int j = -1; j <= 1; ++j) {
                for (int k = -1; k <= 1; ++k) {
                    const Cell beside = {cell[0] + i, cell[1] + j, cell[2] + k};
                    if ((i == 0 && j == 0 && k == 0) || !volume.has(beside) || !volume.can_be_walked(beside)) {
                        continue;
                    }
                    const float step = side * std::sqrt(static_cast<float>(i * i + j * j + k * k));
                    const size_t there = volume.at(beside);
                    if (so_far + step < length[there]) {
                        length[there] = so_far + step;
                        open.emplace(length[there], there);
                    }
                }
            }
        }
    }
    return length;
}

} // namespace

namespace {

/// A bone that hangs elsewhere counts where it is about as near as the nearest, between two thighs, and not where the
/// way to it only leads through the body.
double share_of_another_branch(double farther) {
    constexpr double none = 1.5;
    const double t = std::clamp((none - farther) / (none - 1), 0.0, 1.0);
    return t * t * (3 - 2 * t);
}

} // namespace

BoneWeights weights_through_volume(const Scene& scene, const Mesh& mesh, std::span<const Vec3f> places,
                                   const BoneWeightRequest& request) {
    BoneWeights result;
    if (places.empty()) {
        return result;
    }
    const Volume volume(mesh, places);
    const std::vector<Bone> bones = bones_going_on(scene);
    std::vector<std::vector<float>> to_vertex(request.joints.size());
    std::atomic<size_t> done = 0;
    const auto one_more = [&] {
        const double share = static_cast<double>(++done) / static_cast<double>(request.joints.size());
        if (request.progress) {
            request.progress(share);
        }
    };
    tbb::parallel_for(size_t(0), request.joints.size(), [&](size_t j) {
        const Bone& bone = bones[static_cast<size_t>(request.joints[j])];
        const std::vector<size_t> from = cells_of(bone, volume);
        if (from.empty() || (request.stop && request.stop())) {
            return;
        }
        const std::vector<float> length = ways(volume, from);
        std::vector<float>& to = to_vertex[j];
        to.assign(places.size(), no_way);
        for (size_t v = 0; v < places.size(); ++v) {
            const Vec3 at = places[v].cast<double>();
            const Cell own = volume.cell_of(at);
            for (int i = -1; i <= 1; ++i) {
                for (int k = -1; k <= 1; ++k) {
                    for (int l = -1; l <= 1; ++l) {
                        const Cell cell = {own[0] + i, own[1] + k, own[2] + l};
                        if (volume.has(cell) && length[volume.at(cell)] < no_way) {
                            to[v] = std::min(to[v], length[volume.at(cell)] +
                                                        static_cast<float>((volume.middle(cell) - at).norm()));
                        }
                    }
                }
            }
            if (to[v] < no_way) { // no way is shorter than the straight one
                to[v] = std::max(to[v], static_cast<float>(distance_to_bone(bone, at)));
            }
        }
        one_more();
    });
    if (request.stop && request.stop()) {
        return result;
    }
    // Whether one joint hangs on the other.
    std::vector<char> related(request.joints.size() * request.joints.size(), 0);
    for (size_t a = 0; a < request.joints.size(); ++a) {
        for (size_t b = 0; b < request.joints.size(); ++b) {
            related[a * request.joints.size() + b] = a == b || is_above(scene, request.joints[a], request.joints[b]) ||
                                                             is_above(scene, request.joints[b], request.joints[a])
                                                         ? 1
                                                         : 0;
        }
    }
    result.rows.resize(places.size());
    for (size_t v = 0; v < places.size(); ++v) {
        float least = no_way;
        size_t nearest = 0;
        for (size_t j = 0; j < to_vertex.size(); ++j) {
            if (!to_vertex[j].empty() && to_vertex[j][v] < least) {
                least = to_vertex[j][v];
                nearest = j;
            }
        }
        if (least >= no_way) {
            result.unreached.push_back(static_cast<uint32_t>(v));
            continue;
        }
        if (static_cast<double>(least) > result.farthest_m) {
            result.farthest_m = static_cast<double>(least);
            result.farthest = v;
        }
        least = std::max(least, 1e-6F);
        for (size_t j = 0; j < to_vertex.size(); ++j) {
            if (!to_vertex[j].empty() && to_vertex[j][v] < no_way) {
                const double farther =
                    std::max(static_cast<double>(to_vertex[j][v]), 1e-6) / static_cast<double>(least);
                double weight = std::pow(1 / farther, request.falloff);
                if (to_vertex[nearest].empty() || !related[nearest * to_vertex.size() + j]) {
                    weight *= share_of_another_branch(farther);
                }
                if (weight > least_share) {
                    result.rows[v].push_back({static_cast<uint16_t>(j), weight});
                }
            }
        }
        keep_heaviest(result.rows[v], request.influences);
    }
    return result;
}

} // namespace wembrix
