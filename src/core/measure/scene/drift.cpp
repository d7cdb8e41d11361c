#include "core/measure/scene/drift.h"

#include "core/scene/same_motion.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <mutex>
#include <optional>
#include <tbb/blocked_range.h>
#include <tbb/parallel_reduce.h>
#include <unordered_map>

namespace wembrix {

void Drift::take_worse(const Drift& other) {
    points_compared = std::max(points_compared, other.points_compared);
    joints_compared = std::max(joints_compared, other.joints_compared);
    for (const std::string& name : other.not_compared) {
        if (std::find(not_compared.begin(), not_compared.end(), name) == not_compared.end()) {
            not_compared.push_back(name);
        }
    }
    if (other.largest_mm > largest_mm || per_frame_mm.empty()) {
        largest_mm = other.largest_mm;
        frame = other.frame;
        place = other.place;
        point = other.point;
        clip = other.clip;
        per_frame_mm = other.per_frame_mm;
    }
}

namespace {

struct Pair {
    int should = -1;
    int is = -1;
    size_t first_point = 0; ///< where the points of `should` begin among those of `is`, which may hold more
};

/// Surfaces that were joined: each of `should` that is now a piece of one of `is`.
std::vector<Pair> piece_pairs(const Scene& should, const Scene& is) {
    std::unordered_map<int64_t, std::pair<int, Piece>> by_identity;
    for (size_t i = 0; i < is.nodes.size(); ++i) {
        for (const Piece& piece : is.nodes[i].pieces) {
            by_identity.emplace(piece.identity, std::pair(static_cast<int>(i), piece));
        }
    }
    std::vector<Pair> pairs;
    for (const int node : by_identity.empty() ? std::vector<int>() : surfaces_of(should)) {
        const Node& surface = should.nodes[node];
        const auto found = by_identity.find(surface.identity);
        if (surface.pieces.empty() && found != by_identity.end() &&
            found->second.second.point_count == should.meshes[surface.mesh].point_count()) {
            pairs.push_back({node, found->second.first, found->second.second.first_point});
        }
    }
    return pairs;
}

std::vector<Pair> node_pairs(const Scene& should, const Scene& is, Matching matching) {
    std::unordered_map<int64_t, int> by_identity;
    std::unordered_map<std::string, int> by_name;
    for (size_t i = 0; i < is.nodes.size(); ++i) {
        if (is.nodes[i].identity != 0) {
            by_identity.emplace(is.nodes[i].identity, static_cast<int>(i));
        }
        by_name.emplace(is.nodes[i].name, static_cast<int>(i));
    }
    std::vector<Pair> pairs;
    for (size_t i = 0; i < should.nodes.size(); ++i) {
        const Node& node = should.nodes[i];
        if (matching == Matching::identity) {
            const auto found = by_identity.find(node.identity);
            if (node.identity != 0 && found != by_identity.end()) {
                pairs.push_back({static_cast<int>(i), found->second});
            }
        } else if (const auto found = by_name.find(node.name); found != by_name.end()) {
            pairs.push_back({static_cast<int>(i), found->second});
        }
    }
    return pairs;
}

struct Worst {
    float squared = 0;
    size_t at = 0;
};

constexpr size_t block_points = 2048; // two blocks of points stay near the core that made them

/// The farthest point of one surface, each block compared right after it is posed.
Worst farthest(const Deformer& should, const Deformer& is, size_t surface, size_t is_first,
               const Eigen::Matrix4f& moved) {
    const size_t count = should.surfaces()[surface].count;
    const size_t blocks = (count + block_points - 1) / block_points;
    const bool moves = !moved.isIdentity(0);
    return tbb::parallel_reduce(
        tbb::blocked_range<size_t>(0, blocks), Worst{},
        [&](const tbb::blocked_range<size_t>& range, Worst worst) {
            std::array<Vec3f, block_points> a;
            std::array<Vec3f, block_points> b;
            for (size_t block = range.begin(); block != range.end(); ++block) {
                const size_t first = block * block_points;
                const size_t last = std::min(count, first + block_points);
                should.block(surface, first, last, a.data());
                is.block(surface, is_first + first, is_first + last, b.data());
                for (size_t i = 0; i < last - first; ++i) {
                    const Vec3f from =
                        moves ? Vec3f(moved.topLeftCorner<3, 3>() * a[i] + moved.topRightCorner<3, 1>()) : a[i];
                    const float squared = (from - b[i]).squaredNorm();
                    // A point that is no number is as far away as can be.
                    if (!(squared <= worst.squared)) {
                        worst = {std::isnan(squared) ? HUGE_VALF : squared, first + i};
                    }
                }
            }
            return worst;
        },
        [](const Worst& x, const Worst& y) {
            return y.squared > x.squared || (y.squared == x.squared && y.at < x.at) ? y : x;
        });
}

/// Whether nothing can have moved, told from what is shared between the two scenes.
bool moves_alike(const DriftRequest& request) {
    const Clip* a = request.should_clip;
    const Clip* b = request.is_clip;
    const Moved& moved = request.moved;
    if (request.matching != Matching::identity || (a == nullptr) != (b == nullptr) || !moved.all.isIdentity(0) ||
        !moved.each.empty() || !moved.let_go.empty() || !is_same_body(*request.should, *request.is)) {
        return false;
    }
    return a == nullptr || (has_same_keys(*a, *b) && std::abs(a->start_s + request.should_start_s - b->start_s) < 1e-9);
}

} // namespace

Drift measure_drift(const DriftRequest& request) {
    Drift drift;
    drift.clip = request.is_clip != nullptr ? request.is_clip->name : "";
    const Scene& should = *request.should;
    const Scene& is = *request.is;
    std::vector<Pair> surfaces;
    std::vector<Pair> joints;
    std::vector<char> paired(should.nodes.size(), 0);
    if (request.matching == Matching::identity) {
        surfaces = piece_pairs(should, is);
        for (const Pair& pair : surfaces) {
            paired[pair.should] = 1;
        }
    }
    for (const Pair& pair : node_pairs(should, is, request.matching)) {
        const Node& a = should.nodes[pair.should];
        const Node& b = is.nodes[pair.is];
        if (a.kind == NodeKind::joint && b.kind == NodeKind::joint && request.moved.let_go.count(a.identity) == 0) {
            joints.push_back(pair);
        }
        if (a.mesh >= 0 && b.mesh >= 0 && paired[pair.should] == 0) {
            if (should.meshes[a.mesh].point_count() == is.meshes[b.mesh].point_count()) {
                surfaces.push_back(pair);
                paired[pair.should] = 1;
            }
        }
    }
    for (const int node : surfaces_of(should)) {
        if (paired[node] == 0) {
            drift.not_compared.push_back(should.nodes[node].name);
        }
    }
    std::vector<int> should_surfaces;
    std::vector<int> is_surfaces;
    for (const Pair& pair : surfaces) {
        should_surfaces.push_back(pair.should);
        is_surfaces.push_back(pair.is);
    }
    if (moves_alike(request)) {
        // The very same keys move the very same body: nothing is to be posed.
        for (const Pair& pair : surfaces) {
            drift.points_compared += should.meshes[should.nodes[pair.should].mesh].point_count();
        }
        drift.joints_compared = joints.size();
        drift.per_frame_mm.assign(static_cast<size_t>(request.frames), 0.0F);
        const Pair* first = !surfaces.empty() ? surfaces.data() : !joints.empty() ? joints.data() : nullptr;
        drift.place = first != nullptr ? is.nodes[first->is].name : "";
        return drift;
    }
    const Poser should_poser(should, request.should_clip);
    const Poser is_poser(is, request.is_clip);
    // A surface that several were joined into stands once for each of them; only the points asked for are posed.
    Deformer should_deformer(should, should_surfaces);
    Deformer is_deformer(is, is_surfaces);
    const size_t count = surfaces.empty() ? 0 : should_deformer.point_count();
    drift.points_compared = count;
    drift.joints_compared = joints.size();
    drift.per_frame_mm.reserve(request.frames);
    const bool as_one = request.moved.each.empty();
    Pose should_pose;
    Pose is_pose;
    for (int frame = 0; frame < request.frames; ++frame) {
        if (request.stop && request.stop()) {
            break;
        }
        const double seconds = request.rate > 0 ? frame / request.rate : 0;
        should_poser.at(request.should_start_s + seconds, should_pose);
        is_poser.at(seconds, is_pose);
        if (as_one) {
            // What went as one piece is posed where it went: nothing is left to be done point by point.
            for (Mat4& world : should_pose.world) {
                world = request.moved.all * world;
            }
        }
        double worst = 0;
        std::string place;
        size_t point = 0;
        if (count > 0) {
            should_deformer.take(should_pose);
            is_deformer.take(is_pose);
            for (size_t s = 0; s < surfaces.size(); ++s) {
                const Worst found = farthest(
                    should_deformer, is_deformer, s, surfaces[s].first_point,
                    as_one
                        ? Eigen::Matrix4f(Eigen::Matrix4f::Identity())
                        : Eigen::Matrix4f(request.moved.of(should.nodes[surfaces[s].should].identity).cast<float>()));
                const double distance = std::sqrt(static_cast<double>(found.squared)) * 1000;
                if (distance > worst || place.empty()) {
                    worst = distance;
                    place = is.nodes[surfaces[s].is].name;
                    point = surfaces[s].first_point + found.at;
                }
            }
        }
        for (const Pair& pair : joints) {
            const Vec3 there = should_pose.world[pair.should].topRightCorner<3, 1>();
            const Vec3 from = as_one ? there : point_of(request.moved.of(should.nodes[pair.should].identity), there);
            const Vec3 to = point_of(is_pose.world[pair.is], Vec3::Zero());
            const double apart = (from - to).norm() * 1000;
            const double distance = std::isnan(apart) ? HUGE_VAL : apart;
            if (distance > worst || place.empty()) {
                worst = distance;
                place = is.nodes[pair.is].name;
                point = 0;
            }
        }
        drift.per_frame_mm.push_back(static_cast<float>(worst));
        if (worst > drift.largest_mm || frame == 0) {
            drift.largest_mm = worst;
            drift.frame = frame;
            drift.place = place;
            drift.point = point;
        }
    }
    return drift;
}

Drift measure_drift_all(const Scene& should, const Scene& is, Matching matching, const Moved& moved,
                        const std::function<bool()>& stop, Over over, int subsamples) {
    DriftRequest request;
    request.should = &should;
    request.is = &is;
    request.matching = matching;
    request.moved = moved;
    request.stop = stop;
    std::optional<Drift> worst;
    if (over == Over::rest_and_clips) {
        worst = measure_drift(request);
    }
    for (const Clip& clip : is.clips) {
        const Clip* from = nullptr;
        if (matching == Matching::name) {
            from = should.find_clip(clip.name);
        } else {
            for (const Clip& candidate : should.clips) {
                const double begin = clip.start_s - candidate.start_s;
                if (candidate.take == clip.take && candidate.remade == clip.remade &&
                    (!clip.remade || candidate.name == clip.name) && begin >= -1e-9 &&
                    begin + clip.seconds <= candidate.seconds + 1e-6) {
                    from = &candidate;
                    break;
                }
            }
        }
        if (from == nullptr) {
            continue;
        }
        request.should_clip = from;
        request.is_clip = &clip;
        request.should_start_s = matching == Matching::identity ? clip.start_s - from->start_s : 0;
        request.rate = clip.rate * subsamples;
        request.frames = (clip.frames() - 1) * subsamples + 1;
        Drift drift = measure_drift(request);
        drift.frame /= subsamples;
        if (worst) {
            worst->take_worse(drift);
        } else {
            worst = std::move(drift);
        }
    }
    return worst.value_or(Drift{});
}

} // namespace wembrix
