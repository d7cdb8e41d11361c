#include "core/measure/strands/strand_deform.h"

#include "core/measure/surface/skin_matrices.h"

#include <Eigen/LU>
#include <algorithm>
#include <tbb/blocked_range.h>
#include <tbb/parallel_for.h>

namespace wembrix {

struct StrandDeformer::Held {
    const CurveSet* curves = nullptr;
    std::vector<uint32_t> first; ///< point of each curve
    std::vector<Vec3f> rest;     ///< world
    std::unique_ptr<StrandSurface> surface;
    std::unique_ptr<Deformer> deformer;
    std::vector<Vec3f> places;   ///< of the surface, in the pose taken last
    std::vector<CurveRoot> near; ///< along the surface: of each point
    std::vector<Mat3> turns;     ///< of each triangle that is asked for
    std::vector<char> is_asked;
    std::vector<Mat4> rest_matrices; ///< by joints: of the mean influence at each root, at rest and inverted
};

bool roots_are_valid(const Scene& scene, const CurveSet& curves) {
    if (curves.surface < 0 || curves.roots.size() != curves.curve_count()) {
        return curves.surface < 0 && curves.roots.empty();
    }
    const int mesh = scene.nodes[static_cast<size_t>(curves.surface)].mesh;
    if (mesh < 0) {
        return false;
    }
    const size_t triangles = strand_triangles(scene.meshes[static_cast<size_t>(mesh)]).size();
    return std::all_of(curves.roots.begin(), curves.roots.end(),
                       [&](const CurveRoot& root) { return root.triangle < triangles; });
}

namespace {

/// How the influences at a root move what is there: the mean of their matrices.
Mat4 mean_matrix(const std::vector<Eigen::Matrix<double, 3, 4>>& matrices, const StrandSurface& surface,
                 const CurveRoot& root) {
    const auto& [a, b, c] = surface.triangles()[root.triangle];
    const double u = root.u;
    const double v = root.v;
    Mat4 mean = Mat4::Identity();
    mean.topRows<3>() = (1 - u - v) * matrices[a] + u * matrices[b] + v * matrices[c];
    return mean;
}

} // namespace

StrandDeformer::StrandDeformer(const Scene& scene, int node)
    : scene_(scene), node_(node), held_(std::make_unique<Held>()) {
    const Node& carrier = scene.nodes[static_cast<size_t>(node)];
    held_->curves = &scene.curve_sets[static_cast<size_t>(carrier.curves)];
    const CurveSet& curves = *held_->curves;
    points_ = curves.points.size();
    const Mat4 world = rest_world(scene)[static_cast<size_t>(node)];
    held_->rest.reserve(points_);
    for (const Vec3f& point : curves.points) {
        held_->rest.push_back(point_of(world, point.cast<double>()).cast<float>());
    }
    uint32_t at = 0;
    for (const uint32_t count : curves.counts) {
        held_->first.push_back(at);
        at += count;
    }
    if (curves.follow == StrandFollow::still || curves.surface < 0) {
        return;
    }
    held_->surface = std::make_unique<StrandSurface>(scene, curves.surface);
    held_->deformer = std::make_unique<Deformer>(scene, std::vector<int>{curves.surface});
    held_->places.resize(held_->deformer->point_count());
    held_->turns.resize(held_->surface->triangles().size());
    held_->is_asked.assign(held_->turns.size(), 0);
    for (const CurveRoot& root : curves.roots) {
        held_->is_asked[root.triangle] = 1;
    }
    if (curves.follow == StrandFollow::surface) {
        held_->near.resize(points_);
        // From point to point along the surface, so that none is held by a part that only lies near by.
        tbb::parallel_for(size_t(0), curves.curve_count(), [&](size_t c) {
            uint32_t triangle = curves.roots[c].triangle;
            for (size_t p = held_->first[c]; p < held_->first[c] + curves.counts[c]; ++p) {
                held_->near[p] = held_->surface->nearest_along(held_->rest[p].cast<double>(), triangle);
                triangle = held_->near[p].triangle;
            }
        });
        for (const CurveRoot& near : held_->near) {
            held_->is_asked[near.triangle] = 1;
        }
    }
    if (curves.follow == StrandFollow::joints) {
        const auto matrices = skin_matrices(scene, curves.surface, Poser(scene, nullptr).rest());
        for (const CurveRoot& root : curves.roots) {
            const Mat4 mean = mean_matrix(matrices, *held_->surface, root);
            held_->rest_matrices.push_back(std::abs(mean.determinant()) > 1e-30 ? Mat4(mean.inverse())
                                                                                : Mat4(Mat4::Identity()));
        }
    }
}

StrandDeformer::~StrandDeformer() = default;

void StrandDeformer::points(const Pose& pose, std::span<Vec3f> out) {
    run(pose, nullptr, held_->curves->curve_count(), out);
}

void StrandDeformer::points_of(const Pose& pose, std::span<const uint32_t> curves, std::span<Vec3f> out) {
    run(pose, curves.data(), curves.size(), out);
}

/// The curves of a list, or all where it is null.
void StrandDeformer::run(const Pose& pose, const uint32_t* list, size_t of, std::span<Vec3f> out) {
    const CurveSet& curves = *held_->curves;
    if (!held_->surface) {
        const Mat4& world = pose.world[static_cast<size_t>(node_)];
        tbb::parallel_for(tbb::blocked_range<size_t>(0, of, 256), [&](const auto& range) {
            for (size_t i = range.begin(); i < range.end(); ++i) {
                const size_t c = list == nullptr ? i : list[i];
                for (size_t p = held_->first[c]; p < held_->first[c] + curves.counts[c]; ++p) {
                    out[p] = point_of(world, curves.points[p].cast<double>()).template cast<float>();
                }
            }
        });
        return;
    }
    const StrandSurface& surface = *held_->surface;
    held_->deformer->points(pose, held_->places);
    tbb::parallel_for(size_t(0), held_->turns.size(), [&](size_t t) {
        if (held_->is_asked[t] != 0) {
            held_->turns[t] = surface.turn_of(static_cast<uint32_t>(t), held_->places);
        }
    });
    std::vector<Eigen::Matrix<double, 3, 4>> matrices;
    if (curves.follow == StrandFollow::joints) {
        matrices = skin_matrices(scene_, curves.surface, pose);
    }
    tbb::parallel_for(tbb::blocked_range<size_t>(0, of, 64), [&](const auto& range) {
        for (size_t i = range.begin(); i < range.end(); ++i) {
            const size_t c = list == nullptr ? i : list[i];
            const CurveRoot& root = curves.roots[c];
            const Vec3 was = surface.place_of(root);
            const Vec3 is = surface.place_of(root, held_->places);
            const Mat3& turn = held_->turns[root.triangle];
            const size_t first = held_->first[c];
            const size_t count = curves.counts[c];
            Mat4 moved = Mat4::Identity();
            Vec3 off = Vec3::Zero(); // so that the root is where it is on the surface
            if (curves.follow == StrandFollow::joints) {
                moved = mean_matrix(matrices, surface, root) * held_->rest_matrices[c];
                off = is - point_of(moved, was);
            }
            for (size_t p = first; p < first + count; ++p) {
                const Vec3 rest = held_->rest[p].template cast<double>();
                const Vec3 stiff = is + turn * (rest - was);
                if (curves.follow == StrandFollow::joints) {
                    out[p] = (point_of(moved, rest) + off).template cast<float>();
                } else if (curves.follow == StrandFollow::surface) {
                    const CurveRoot& near = held_->near[p];
                    const Vec3 along = surface.place_of(near, held_->places) +
                                       held_->turns[near.triangle] * (rest - surface.place_of(near));
                    // Near the root all of it; towards the tip it is stiff.
                    const double part = count < 2 ? 0 : static_cast<double>(p - first) / static_cast<double>(count - 1);
                    out[p] = (p == first ? stiff : Vec3((1 - part) * along + part * stiff)).template cast<float>();
                } else {
                    out[p] = stiff.template cast<float>();
                }
            }
        }
    });
}

double StrandDeformer::root_drift_m(std::span<const Vec3f> points) const {
    if (!held_->surface) {
        return 0;
    }
    // A strand whose first point stood off the surface at rest is as far off wherever it goes: only more counts.
    double most = 0;
    for (size_t c = 0; c < held_->curves->curve_count(); ++c) {
        if (held_->curves->counts[c] == 0) {
            continue; // it begins nowhere
        }
        const CurveRoot& root = held_->curves->roots[c];
        const double was = (held_->rest[held_->first[c]].cast<double>() - held_->surface->place_of(root)).norm();
        const double is =
            (points[held_->first[c]].cast<double>() - held_->surface->place_of(root, held_->places)).norm();
        most = std::max(most, std::abs(is - was));
    }
    return most;
}

} // namespace wembrix
