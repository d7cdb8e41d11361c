#include "core/measure/strands/strand_surface.h"

#include "core/measure/surface/neighbours.h"
#include "core/measure/surface/rest_places.h"

#include <Eigen/LU>
#include <cmath>
#include <numeric>

namespace wembrix {

std::vector<std::array<uint32_t, 3>> strand_triangles(const Mesh& mesh) {
    std::vector<std::array<uint32_t, 3>> all;
    for (const Primitive& part : mesh.primitives) {
        const std::vector<std::array<uint32_t, 3>> own = triangles_of(mesh, part);
        all.insert(all.end(), own.begin(), own.end());
    }
    return all;
}

StrandSurface::StrandSurface(const Scene& scene, int node)
    : mesh_(&scene.meshes[static_cast<size_t>(scene.nodes[static_cast<size_t>(node)].mesh)]),
      places_(rest_places(scene, node)), triangles_(strand_triangles(*mesh_)),
      tree_(std::make_unique<ClosestPoint>(places_, triangles_)) {
    // Vertices at one place share a normal, so that strands do not part at a seam.
    const Neighbours neighbours = neighbours_of(*mesh_);
    std::vector<Vec3f> of_spot(neighbours.spots(), Vec3f::Zero());
    for (const auto& [a, b, c] : triangles_) {
        const Vec3f across = (places_[b] - places_[a]).cross(places_[c] - places_[a]);
        for (const uint32_t v : {a, b, c}) {
            of_spot[neighbours.spot[v]] += across;
        }
    }
    spot_ = neighbours.spot;
    spot_offsets_.assign(neighbours.spots() + 1, 0);
    for (const std::array<uint32_t, 3>& triangle : triangles_) {
        for (const uint32_t v : triangle) {
            ++spot_offsets_[spot_[v] + 1];
        }
    }
    std::partial_sum(spot_offsets_.begin(), spot_offsets_.end(), spot_offsets_.begin());
    triangles_around_.resize(spot_offsets_.back());
    std::vector<uint32_t> next(spot_offsets_.begin(), spot_offsets_.end() - 1);
    for (uint32_t t = 0; t < triangles_.size(); ++t) {
        for (const uint32_t v : triangles_[t]) {
            triangles_around_[next[spot_[v]]++] = t;
        }
    }
    normals_.resize(places_.size());
    for (size_t v = 0; v < places_.size(); ++v) {
        const Vec3f& sum = of_spot[neighbours.spot[v]];
        normals_[v] = sum.norm() > 1e-20F ? Vec3f(sum.normalized()) : Vec3f(0, 1, 0);
    }
}

Vec3 StrandSurface::place_of(const CurveRoot& root, std::span<const Vec3f> places) const {
    const auto& [a, b, c] = triangles_[root.triangle];
    const double u = root.u;
    const double v = root.v;
    return (1 - u - v) * places[a].cast<double>() + u * places[b].cast<double>() + v * places[c].cast<double>();
}

Vec3 StrandSurface::normal_of(const CurveRoot& root) const {
    const auto& [a, b, c] = triangles_[root.triangle];
    const Vec3f sum = (1 - root.u - root.v) * normals_[a] + root.u * normals_[b] + root.v * normals_[c];
    return sum.norm() > 1e-12F ? Vec3(sum.cast<double>().normalized()) : Vec3(Vec3::UnitY());
}

double StrandSurface::area_of(uint32_t triangle) const {
    const auto& [a, b, c] = triangles_[triangle];
    const Vec3 ab = (places_[b] - places_[a]).cast<double>();
    const Vec3 ac = (places_[c] - places_[a]).cast<double>();
    return ab.cross(ac).norm() / 2;
}

namespace {

/// A triangle in a frame of its own: the first side along x, the normal along z.
struct Flat {
    Mat3 frame = Mat3::Identity();
    double first = 0; ///< where the first side ends along x, metres
    double x = 0;     ///< where the second ends
    double y = 0;
};

Flat flat_of(const Vec3f& a, const Vec3f& b, const Vec3f& c) {
    const Vec3 side = (b - a).cast<double>();
    const Vec3 other = (c - a).cast<double>();
    Flat flat;
    flat.first = side.norm();
    const Vec3 across = side.cross(other);
    if (flat.first < 1e-15 || across.norm() < 1e-25) {
        flat.first = 0;
        return flat;
    }
    flat.frame.col(0) = side / flat.first;
    flat.frame.col(2) = across.normalized();
    flat.frame.col(1) = flat.frame.col(2).cross(flat.frame.col(0));
    flat.x = other.dot(flat.frame.col(0));
    flat.y = other.dot(flat.frame.col(1));
    return flat;
}

} // namespace

Mat3 StrandSurface::turn_of(uint32_t triangle, std::span<const Vec3f> places) const {
    const auto& [a, b, c] = triangles_[triangle];
    const Flat rest = flat_of(places_[a], places_[b], places_[c]);
    const Flat now = flat_of(places[a], places[b], places[c]);
    if (rest.first == 0 || now.first == 0) {
        return Mat3::Identity();
    }
    // The normal goes to the normal; within the plane the two sides are carried by [p q; 0 r], whose nearest rotation
    // turns by the angle of (p + r, -q): the polar decomposition of a two by two matrix, in closed form.
    const double p = now.first / rest.first;
    const double q = (now.x - p * rest.x) / rest.y;
    const double r = now.y / rest.y;
    const double size = std::hypot(p + r, q);
    const double cosine = (p + r) / size;
    const double sine = -q / size;
    Mat3 within = now.frame;
    within.col(0) = cosine * now.frame.col(0) + sine * now.frame.col(1);
    within.col(1) = cosine * now.frame.col(1) - sine * now.frame.col(0);
    return within * rest.frame.transpose();
}

CurveRoot StrandSurface::nearest(const Vec3& at, double* distance_m) const {
    const SurfacePlace place = tree_->nearest(at.cast<float>());
    if (distance_m != nullptr) {
        *distance_m = place.triangle == SurfacePlace::none ? INFINITY : place.distance_m;
    }
    return place.triangle == SurfacePlace::none ? CurveRoot()
                                                : CurveRoot{place.triangle, place.share[1], place.share[2]};
}

CurveRoot StrandSurface::nearest_along(const Vec3& at, uint32_t from) const {
    const Vec3f to = at.cast<float>();
    const auto look = [&](uint32_t t, CurveRoot& root) {
        const auto& [a, b, c] = triangles_[t];
        const std::array<float, 3> share = nearest_in(to, places_[a], places_[b], places_[c]);
        root = {t, share[1], share[2]};
        return (share[0] * places_[a] + share[1] * places_[b] + share[2] * places_[c] - to).squaredNorm();
    };
    CurveRoot best;
    float least = look(from, best);
    for (bool goes_on = true; goes_on;) {
        goes_on = false;
        for (const uint32_t v : triangles_[best.triangle]) {
            for (uint32_t k = spot_offsets_[spot_[v]]; k < spot_offsets_[spot_[v] + 1]; ++k) {
                CurveRoot other;
                const float apart = look(triangles_around_[k], other);
                if (apart < least) {
                    least = apart;
                    best = other;
                    goes_on = true;
                }
            }
            if (goes_on) {
                break;
            }
        }
    }
    return best;
}

} // namespace wembrix
