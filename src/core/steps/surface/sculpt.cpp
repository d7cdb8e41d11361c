#include "core/steps/surface/sculpt.h"

#include "core/base/text.h"
#include "core/measure/scene/bounds.h"
#include "core/measure/surface/nearest_vertex.h"
#include "core/measure/surface/rest_places.h"
#include "core/steps/surface/shape_list.h"

#include <Eigen/SVD>
#include <algorithm>

namespace wembrix {

namespace {

Bounds bounds_of(const std::vector<Vec3f>& places) {
    Bounds bounds;
    for (const Vec3f& place : places) {
        bounds.add(place.cast<double>());
    }
    return bounds;
}

double apart(const Bounds& a, const Bounds& b) {
    return (a.centre() - b.centre()).norm() + (a.size() - b.size()).norm();
}

/// A sculpt is made on what was sent out: where the surface stood in its own source, in that one's unit and axes. What
/// became of the whole since is told from the surface's vertices at rest, there and here (Umeyama, Least-Squares
/// Estimation of Transformation Parameters, 1991), and done to the sculpt, too, where that brings it nearer.
std::vector<Vec3f> as_we_stand(const StepContext& context, int node, const std::vector<Vec3f>& standing,
                               std::vector<Vec3f> sculpt) {
    const int64_t identity = context.scene.nodes[static_cast<size_t>(node)].identity;
    for (const NamedScene& source : context.sources) {
        const int there = identity == 0 ? -1 : source.scene.find_identity(identity);
        if (there < 0 || source.scene.nodes[static_cast<size_t>(there)].mesh < 0) {
            continue;
        }
        const std::vector<Vec3f> stood = rest_places(source.scene, there);
        if (stood.size() != standing.size() || stood.size() < 4) {
            continue;
        }
        Eigen::Matrix3Xd from(3, static_cast<Eigen::Index>(stood.size()));
        Eigen::Matrix3Xd to(3, static_cast<Eigen::Index>(stood.size()));
        for (size_t v = 0; v < stood.size(); ++v) {
            from.col(static_cast<Eigen::Index>(v)) = stood[v].cast<double>();
            to.col(static_cast<Eigen::Index>(v)) = standing[v].cast<double>();
        }
        const Mat4 moved = Eigen::umeyama(from, to, true);
        const double size = bounds_of(standing).size().maxCoeff();
        const double left =
            ((linear_of(moved) * from).colwise() + Vec3(moved.topRightCorner<3, 1>()) - to).colwise().norm().maxCoeff();
        if (!(left <= 1e-3 * size)) { // it was changed otherwise, too
            continue;
        }
        std::vector<Vec3f> brought;
        for (const Vec3f& place : sculpt) {
            brought.push_back(point_of(moved, place.cast<double>()).cast<float>());
        }
        const Bounds here = bounds_of(standing);
        return apart(bounds_of(brought), here) < apart(bounds_of(sculpt), here) ? brought : sculpt;
    }
    return sculpt;
}

} // namespace

Result<Sculpt> find_sculpt(const StepContext& context, const std::string& source, const std::string& named, int node,
                           const std::vector<Vec3f>& standing, double tolerance_m) {
    const auto found = std::find_if(context.sources.begin(), context.sources.end(),
                                    [&](const NamedScene& one) { return one.name == source; });
    if (found == context.sources.end()) {
        return Problem{phrase("there is no source “{}”.", source), "", "Add the file to the job's sources."};
    }
    const Scene& theirs = found->scene;
    std::vector<int> surfaces = surfaces_of(theirs);
    const auto vertices = [&](int surface) {
        return theirs.meshes[static_cast<size_t>(theirs.nodes[static_cast<size_t>(surface)].mesh)].point_count();
    };
    if (!named.empty()) {
        std::erase_if(surfaces, [&](int surface) { return theirs.nodes[static_cast<size_t>(surface)].name != named; });
    } else if (surfaces.size() > 1) {
        std::erase_if(surfaces, [&](int surface) { return vertices(surface) != standing.size(); });
    }
    if (surfaces.size() != 1) {
        return Problem{named.empty() ? phrase("“{}” has not one surface that could be meant.", source)
                                     : phrase("“{}” has no surface “{}”.", source, named),
                       "", "Name its surface."};
    }
    const std::vector<Vec3f> places = as_we_stand(context, node, standing, rest_places(theirs, surfaces[0]));
    Sculpt sculpt;
    sculpt.known.assign(standing.size(), 1);
    if (places.size() == standing.size()) {
        sculpt.places = places;
        return sculpt;
    }
    sculpt.by_order = false;
    sculpt.places = standing;
    const NearestVertex nearest(places, tolerance_m);
    for (size_t v = 0; v < standing.size(); ++v) {
        const uint32_t at = nearest.of(standing[v]);
        if (at == NearestVertex::none) {
            sculpt.known[v] = 0;
            ++sculpt.unknown;
        } else {
            sculpt.places[v] = places[at];
        }
    }
    if (sculpt.unknown == standing.size()) {
        return Problem{phrase("no vertex of “{}” lies within {:g} mm of one here.", source, tolerance_m * 1000),
                       context.scene.nodes[static_cast<size_t>(node)].name,
                       phrase("It has {} vertices and not {}.", places.size(), standing.size())};
    }
    return sculpt;
}

Result<int> find_shaped_surface(const Scene& scene, const std::string& name) {
    std::vector<int> surfaces = surfaces_of(scene);
    if (!name.empty()) {
        std::erase_if(surfaces, [&](int surface) { return scene.nodes[static_cast<size_t>(surface)].name != name; });
    } else if (surfaces.size() > 1) {
        std::erase_if(surfaces, [&](int surface) {
            const Node& node = scene.nodes[static_cast<size_t>(surface)];
            return node.skin < 0 && scene.meshes[static_cast<size_t>(node.mesh)].shapes.empty();
        });
    }
    if (surfaces.size() != 1) {
        return Problem{name.empty() ? Text("several surfaces could be meant.")
                                    : phrase("there is no surface “{}”.", name),
                       "", "Name the surface."};
    }
    return surfaces[0];
}

void put_shape(Scene& scene, int node, MorphTarget shape) {
    const auto mesh = static_cast<size_t>(scene.nodes[static_cast<size_t>(node)].mesh);
    std::vector<ShapeRow> rows = shape_rows(scene.meshes[mesh]);
    const auto there =
        std::find_if(rows.begin(), rows.end(), [&](const ShapeRow& row) { return row.shape.name == shape.name; });
    if (there != rows.end()) {
        there->shape = std::move(shape);
    } else {
        rows.push_back({std::move(shape), {}});
    }
    set_shapes(scene, mesh, std::move(rows));
}

} // namespace wembrix
