#include "core/measure/drift.h"

#include <algorithm>
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
};

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

Worst farthest(const Vec3f* a, const Vec3f* b, size_t count, const Eigen::Matrix4f* moved) {
    return tbb::parallel_reduce(
        tbb::blocked_range<size_t>(0, count, 8192), Worst{},
        [&](const tbb::blocked_range<size_t>& range, Worst worst) {
            for (size_t i = range.begin(); i != range.end(); ++i) {
                const Vec3f from = moved == nullptr
                                       ? a[i]
                                       : Vec3f(moved->topLeftCorner<3, 3>() * a[i] + moved->topRightCorner<3, 1>());
                const float squared = (from - b[i]).squaredNorm();
                // A point that is no number is as far away as can be.
                if (!(squared <= worst.squared)) {
                    worst = {std::isnan(squared) ? HUGE_VALF : squared, i};
                }
            }
            return worst;
        },
        [](const Worst& x, const Worst& y) {
            return y.squared > x.squared || (y.squared == x.squared && y.at < x.at) ? y : x;
        });
}

} // namespace

Drift measure_drift(const DriftRequest& request) {
    Drift drift;
    drift.clip = request.is_clip != nullptr ? request.is_clip->name : "";
    const Scene& should = *request.should;
    const Scene& is = *request.is;
    std::vector<int> should_surfaces;
    std::vector<int> is_surfaces;
    std::vector<Pair> joints;
    std::vector<char> paired(should.nodes.size(), 0);
    for (const Pair& pair : node_pairs(should, is, request.matching)) {
        const Node& a = should.nodes[pair.should];
        const Node& b = is.nodes[pair.is];
        if (a.kind == NodeKind::joint && b.kind == NodeKind::joint) {
            joints.push_back(pair);
        }
        if (a.mesh >= 0 && b.mesh >= 0) {
            if (should.meshes[a.mesh].point_count() == is.meshes[b.mesh].point_count()) {
                should_surfaces.push_back(pair.should);
                is_surfaces.push_back(pair.is);
                paired[pair.should] = 1;
            }
        }
    }
    for (const int node : surfaces_of(should)) {
        if (paired[node] == 0) {
            drift.not_compared.push_back(should.nodes[node].name);
        }
    }
    const Poser should_poser(should, request.should_clip);
    const Poser is_poser(is, request.is_clip);
    const bool any_surface = !should_surfaces.empty();
    const std::vector<int> nobody = {};
    Deformer should_deformer(should, any_surface ? should_surfaces : nobody);
    Deformer is_deformer(is, any_surface ? is_surfaces : nobody);
    const size_t count = any_surface ? should_deformer.point_count() : 0;
    std::vector<Vec3f> a(any_surface ? count : should_deformer.point_count());
    std::vector<Vec3f> b(any_surface ? count : is_deformer.point_count());
    drift.points_compared = count;
    drift.joints_compared = joints.size();
    drift.per_frame_mm.reserve(request.frames);
    const bool moves = request.moved != Mat4::Identity();
    const Eigen::Matrix4f moved = request.moved.cast<float>();
    Pose should_pose;
    Pose is_pose;
    for (int frame = 0; frame < request.frames; ++frame) {
        if (request.stop && request.stop()) {
            break;
        }
        const double seconds = request.rate > 0 ? frame / request.rate : 0;
        should_poser.at(request.should_start_s + seconds, should_pose);
        is_poser.at(seconds, is_pose);
        double worst = 0;
        std::string place;
        size_t point = 0;
        if (count > 0) {
            should_deformer.points(should_pose, a);
            is_deformer.points(is_pose, b);
            for (const Deformer::Surface& surface : is_deformer.surfaces()) {
                const Worst found =
                    farthest(&a[surface.first], &b[surface.first], surface.count, moves ? &moved : nullptr);
                const double distance = std::sqrt(static_cast<double>(found.squared)) * 1000;
                if (distance > worst || place.empty()) {
                    worst = distance;
                    place = is.nodes[surface.node].name;
                    point = found.at;
                }
            }
        }
        for (const Pair& pair : joints) {
            const Vec3 from = point_of(request.moved, point_of(should_pose.world[pair.should], Vec3::Zero()));
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

Drift measure_drift_all(const Scene& should, const Scene& is, Matching matching, const Mat4& moved,
                        const std::function<bool()>& stop, Over over) {
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
                if (candidate.take == clip.take && begin >= -1e-9 && begin + clip.seconds <= candidate.seconds + 1e-6) {
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
        request.rate = clip.rate;
        request.frames = clip.frames();
        if (worst) {
            worst->take_worse(measure_drift(request));
        } else {
            worst = measure_drift(request);
        }
    }
    return worst.value_or(Drift{});
}

} // namespace wembrix
