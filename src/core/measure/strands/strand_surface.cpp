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

Mat3 StrandSurface::turn_of(uint32_t triangle, std::span<const Vec3f> places) const {
    const auto& corners = triangles_[triangle];
    const auto sides = [&](std::span<const Vec3f> at) {
        Mat3 all;
        all.col(0) = (at[corners[1]] - at[corners[0]]).cast<double>();
        all.col(1) = (at[corners[2]] - at[corners[0]]).cast<double>();
        const Vec3 across = all.col(0).cross(all.col(1));
        // As long as the sides are: then a triangle that only grows is not sheared.
        const double size = std::sqrt(across.norm());
        all.col(2) = size > 1e-15 ? Vec3(across / size) : Vec3(Vec3::Zero());
        return all;
    };
    const Mat3 rest = sides(places_);
    const Mat3 now = sides(places);
    if (std::abs(rest.determinant()) < 1e-30 || std::abs(now.determinant()) < 1e-30) {
        return Mat3::Identity();
    }
    return nearest_rotation(now * rest.inverse());
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
