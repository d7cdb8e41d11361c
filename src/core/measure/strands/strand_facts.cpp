#include "core/measure/strands/strand_facts.h"

#include "core/measure/strands/strand_deform.h"

#include <algorithm>
#include <cmath>
#include <limits>
#include <mutex>
#include <tbb/blocked_range.h>
#include <tbb/parallel_for.h>
#include <tbb/task_arena.h>

namespace wembrix {

std::vector<int> strands_of(const Scene& scene) {
    std::vector<int> nodes;
    for (size_t n = 0; n < scene.nodes.size(); ++n) {
        if (scene.nodes[n].curves >= 0) {
            nodes.push_back(static_cast<int>(n));
        }
    }
    return nodes;
}

namespace {

struct ThroughBody {
    size_t strands = 0;
    double deepest_m = 0;
    uint32_t deepest_strand = 0;
};

/// Strands that enter the surface after they have left it at their root.
ThroughBody through_surface(const ClosestPoint& tree, const CurveSet& curves, std::span<const Vec3f> points) {
    std::vector<uint32_t> first(curves.curve_count());
    uint32_t at = 0;
    for (size_t c = 0; c < first.size(); ++c) {
        first[c] = at;
        at += curves.counts[c];
    }
    ThroughBody all;
    std::mutex guard;
    tbb::parallel_for(tbb::blocked_range<size_t>(0, first.size(), 64), [&](const auto& range) {
        ThroughBody own;
        for (size_t c = range.begin(); c < range.end(); ++c) {
            bool inside = false;
            bool any = false;
            double deepest = 0;
            for (size_t p = first[c]; p + 1 < first[c] + curves.counts[c]; ++p) {
                if (inside) {
                    deepest = std::max(deepest, tree.nearest(points[p]).distance_m);
                }
                const auto crossing = tree.first_crossing(points[p], points[p + 1], p == first[c] ? 1e-3F : 0);
                if (crossing) {
                    any = any || !crossing->leaves;
                    inside = !crossing->leaves;
                }
            }
            if (any) {
                ++own.strands;
                if (inside) {
                    deepest = std::max(deepest, tree.nearest(points[first[c] + curves.counts[c] - 1]).distance_m);
                }
                if (deepest > own.deepest_m) {
                    own.deepest_m = deepest;
                    own.deepest_strand = static_cast<uint32_t>(c);
                }
            }
        }
        const std::lock_guard lock(guard);
        all.strands += own.strands;
        if (own.deepest_m > all.deepest_m ||
            (own.deepest_m == all.deepest_m && own.deepest_strand < all.deepest_strand)) {
            all.deepest_m = own.deepest_m;
            all.deepest_strand = own.deepest_strand;
        }
    });
    return all;
}

std::vector<double> lengths_of(const CurveSet& curves, std::span<const Vec3f> points) {
    std::vector<double> lengths;
    lengths.reserve(curves.curve_count());
    size_t at = 0;
    for (const uint32_t count : curves.counts) {
        double length = 0;
        for (size_t p = at + 1; p < at + count; ++p) {
            length += (points[p] - points[p - 1]).cast<double>().norm();
        }
        lengths.push_back(length);
        at += count;
    }
    return lengths;
}

} // namespace

StrandFacts strand_facts(const Scene& scene, int node) {
    const CurveSet& curves = scene.curve_sets[static_cast<size_t>(scene.nodes[static_cast<size_t>(node)].curves)];
    StrandFacts facts;
    facts.strands = curves.curve_count();
    facts.points = curves.points.size();
    facts.guides = curves.guide_counts.size();
    facts.has_widths = !curves.widths.empty();
    const Mat4 world = rest_world(scene)[static_cast<size_t>(node)];
    std::vector<Vec3f> points;
    points.reserve(curves.points.size());
    Vec3f low = Vec3f::Constant(std::numeric_limits<float>::infinity());
    Vec3f high = -low;
    for (const Vec3f& point : curves.points) {
        points.push_back(point_of(world, point.cast<double>()).cast<float>());
        low = low.cwiseMin(points.back());
        high = high.cwiseMax(points.back());
    }
    if (!points.empty()) {
        facts.low = low.cast<double>();
        facts.high = high.cast<double>();
        const std::vector<double> lengths = lengths_of(curves, points);
        const auto [shortest, longest] = std::minmax_element(lengths.begin(), lengths.end());
        facts.shortest_m = *shortest;
        facts.longest_m = *longest;
    }
    if (facts.has_widths) {
        const auto [narrowest, widest] = std::minmax_element(curves.widths.begin(), curves.widths.end());
        facts.narrowest_m = static_cast<double>(*narrowest);
        facts.widest_m = static_cast<double>(*widest);
    }
    if (curves.surface < 0 || scene.nodes[static_cast<size_t>(curves.surface)].mesh < 0) {
        return facts;
    }
    const StrandSurface surface(scene, curves.surface);
    for (uint32_t t = 0; t < surface.triangles().size() && t < curves.region.size(); ++t) {
        facts.region_cm2 += surface.area_of(t) * static_cast<double>(curves.region[t]) * 1e4;
    }
    if (!roots_are_valid(scene, curves)) {
        facts.unrooted = facts.strands;
    } else {
        size_t at = 0;
        for (size_t c = 0; c < curves.curve_count(); ++c) {
            if (curves.counts[c] > 0) {
                facts.root_off_m =
                    std::max(facts.root_off_m, (points[at].cast<double>() - surface.place_of(curves.roots[c])).norm());
            }
            at += curves.counts[c];
        }
    }
    const ThroughBody through = through_surface(surface.tree(), curves, points);
    facts.through = through.strands;
    facts.deepest_m = through.deepest_m;
    facts.deepest_strand = through.deepest_strand;
    return facts;
}

namespace {

StrandMotion motion_over(const Scene& scene, int node, const Clip& clip, int every, const std::function<bool()>& stop) {
    const CurveSet& curves = scene.curve_sets[static_cast<size_t>(scene.nodes[static_cast<size_t>(node)].curves)];
    StrandMotion motion;
    StrandDeformer deformer(scene, node);
    const Poser poser(scene, &clip);
    std::vector<Vec3f> points(deformer.point_count());
    const Pose rest = Poser(scene, nullptr).rest();
    deformer.points(rest, points);
    const std::vector<double> lengths = lengths_of(curves, points);
    std::unique_ptr<Deformer> body;
    std::vector<Vec3f> places;
    std::vector<std::array<uint32_t, 3>> triangles;
    if (curves.surface >= 0) {
        body = std::make_unique<Deformer>(scene, std::vector<int>{curves.surface});
        places.resize(body->point_count());
        triangles =
            strand_triangles(scene.meshes[static_cast<size_t>(scene.nodes[static_cast<size_t>(curves.surface)].mesh)]);
    }
    Pose pose;
    for (int frame = 0; frame < clip.frames() && !(stop && stop()); frame += std::max(1, every)) {
        poser.at(frame / clip.rate, pose);
        deformer.points(pose, points);
        motion.root_drift_m = std::max(motion.root_drift_m, deformer.root_drift_m(points));
        const std::vector<double> now = lengths_of(curves, points);
        double farthest = 0;
        for (size_t c = 0; c < now.size(); ++c) {
            farthest = std::max(farthest, std::abs(now[c] - lengths[c]));
            const double change = lengths[c] > 1e-9 ? std::abs(now[c] / lengths[c] - 1) : 0;
            if (change > motion.length_change) {
                motion.length_change = change;
                motion.worst_frame = frame;
            }
        }
        motion.change_mm.push_back(static_cast<float>(farthest * 1000));
        if (body) {
            body->points(pose, places);
            const ClosestPoint tree(places, triangles);
            const size_t through = through_surface(tree, curves, points).strands;
            motion.through_at.push_back(static_cast<uint32_t>(through));
            if (through > motion.through) {
                motion.through = through;
                motion.through_frame = frame;
            }
        }
    }
    return motion;
}

} // namespace

StrandMotion strand_motion(const Scene& scene, int node, const Clip& clip, int every, const std::function<bool()>& stop,
                           int threads) {
    if (threads <= 0) {
        return motion_over(scene, node, clip, every, stop);
    }
    StrandMotion motion;
    tbb::task_arena(threads).execute([&] { motion = motion_over(scene, node, clip, every, stop); });
    return motion;
}

} // namespace wembrix
