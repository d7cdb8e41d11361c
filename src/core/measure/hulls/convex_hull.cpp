#include "core/measure/hulls/convex_hull.h"

#include "core/measure/hulls/cut_solid.h"
#include "core/measure/hulls/main_axes.h"

#include <Eigen/Geometry>
#include <algorithm>
#include <cmath>
#include <cstdio>
#include <map>
#include <memory>

extern "C" {
#include <libqhull_r/qhull_ra.h>
}

namespace wembrix {

double ConvexSolid::volume() const {
    double six = 0;
    for (const auto& [a, b, c] : triangles) {
        six += (corners[a] - corners[0]).dot((corners[b] - corners[0]).cross(corners[c] - corners[0]));
    }
    return six / 6;
}

double ConvexSolid::outside(const Vec3& point) const {
    double most = -1e300;
    for (const auto& [a, b, c] : triangles) {
        const Vec3 normal = (corners[b] - corners[a]).cross(corners[c] - corners[a]);
        const double length = normal.norm();
        if (length > 0) {
            most = std::max(most, normal.dot(point - corners[a]) / length);
        }
    }
    return most;
}

namespace {

/// Qhull's state, freed whatever happens; it says nothing on the terminal.
class Quick {
  public:
    Quick() : silent_(nowhere()) { qh_zero(&state_, silent_); }
    ~Quick() {
        qh_freeqhull(&state_, qh_ALL);
        int left = 0;
        int bytes = 0;
        qh_memfreeshort(&state_, &left, &bytes);
    }
    Quick(const Quick&) = delete;
    Quick& operator=(const Quick&) = delete;
    /// False where the points have no hull with a volume.
    bool run(std::vector<double>& points) {
        char command[] = "qhull Qt Pp"; // triangles only; no warnings
        return silent_ != nullptr && qh_new_qhull(&state_, 3, static_cast<int>(points.size() / 3), points.data(), False,
                                                  command, silent_, silent_) == 0;
    }
    qhT& state() { return state_; }

  private:
    static FILE* nowhere() {
        static FILE* const file = std::fopen("/dev/null", "w"); // opened once, and open as long as the program runs
        return file;
    }
    qhT state_{};
    FILE* silent_;
};

} // namespace

std::optional<ConvexSolid> convex_hull(std::span<const Vec3> points) {
    if (points.size() < 4) {
        return std::nullopt;
    }
    // About the origin and of size 1: then its own limits of what counts as flat suit any model.
    Vec3 low = Vec3::Constant(1e300);
    Vec3 high = -low;
    for (const Vec3& point : points) {
        low = low.cwiseMin(point);
        high = high.cwiseMax(point);
    }
    const Vec3 middle = (low + high) / 2;
    const double size = (high - low).norm();
    if (!(size > 0) || !std::isfinite(size)) {
        return std::nullopt;
    }
    std::vector<double> numbers;
    numbers.reserve(points.size() * 3);
    for (const Vec3& point : points) {
        for (int axis = 0; axis < 3; ++axis) {
            numbers.push_back((point[axis] - middle[axis]) / size);
        }
    }
    Quick quick;
    if (!quick.run(numbers)) {
        return std::nullopt;
    }
    qhT* qh = &quick.state(); // the library's macros want this name
    ConvexSolid solid;
    std::map<int, uint32_t> place;
    facetT* facet = nullptr;
    FORALLfacets {
        std::array<uint32_t, 3> corners{};
        size_t count = 0;
        vertexT* vertex = nullptr;
        vertexT** vertexp = nullptr;
        FOREACHvertex_(facet->vertices) {
            const int point = qh_pointid(qh, vertex->point);
            const auto [found, fresh] = place.try_emplace(point, static_cast<uint32_t>(solid.corners.size()));
            if (fresh) {
                solid.corners.push_back(points[static_cast<size_t>(point)]);
            }
            if (count < 3) {
                corners.at(count) = found->second;
            }
            ++count;
        }
        if (count != 3) {
            return std::nullopt;
        }
        const Vec3 normal(facet->normal[0], facet->normal[1], facet->normal[2]);
        const Vec3 turn = (solid.corners[corners[1]] - solid.corners[corners[0]])
                              .cross(solid.corners[corners[2]] - solid.corners[corners[0]]);
        if (turn.dot(normal) < 0) {
            std::swap(corners[1], corners[2]);
        }
        solid.triangles.push_back(corners);
    }
    return solid.volume() > 1e-12 * size * size * size ? std::optional(std::move(solid)) : std::nullopt;
}

std::optional<ConvexSolid> convex_hull_of_few(std::span<const Vec3> points, size_t most) {
    std::optional<ConvexSolid> exact = convex_hull(points);
    if (!exact || exact->corners.size() <= std::max<size_t>(most, 8)) {
        return exact;
    }
    // Planes that touch the points: those of the hull's triangles, the largest first; of many alike one is enough.
    std::vector<Vec3> faces;
    for (const auto& [a, b, c] : exact->triangles) {
        faces.emplace_back((exact->corners[b] - exact->corners[a]).cross(exact->corners[c] - exact->corners[a]));
    }
    std::sort(faces.begin(), faces.end(),
              [](const Vec3& a, const Vec3& b) { return a.squaredNorm() > b.squaredNorm(); });
    constexpr size_t many = 400;
    const double alike = faces.size() > many ? 1 - 2e-3 : 1 - 1e-6;
    std::vector<Vec3> normals;
    for (const Vec3& face : faces) {
        const Vec3 normal = face.normalized();
        const bool known =
            std::any_of(normals.begin(), normals.end(), [&](const Vec3& other) { return other.dot(normal) > alike; });
        if (normal.allFinite() && !known) {
            normals.push_back(normal);
        }
    }
    const auto touching = [&](const Vec3& normal) {
        double most_along = -1e300;
        for (const Vec3& corner : exact->corners) {
            most_along = std::max(most_along, normal.dot(corner));
        }
        return most_along;
    };
    std::vector<double> offsets;
    for (const Vec3& normal : normals) {
        offsets.push_back(touching(normal));
    }
    CutSolid solid = CutSolid::box(main_axes(exact->corners), exact->corners);
    std::vector<char> used(normals.size(), 0);
    constexpr int patience = 40; // cuts that make too many corners; another may still make none
    for (int refused = 0; refused < patience;) {
        double deepest = 0;
        size_t best = normals.size();
        const std::vector<Vec3> corners = solid.corners();
        for (size_t i = 0; i < normals.size(); ++i) {
            if (used[i] != 0) {
                continue;
            }
            double depth = 0;
            for (const Vec3& corner : corners) {
                depth = std::max(depth, normals[i].dot(corner) - offsets[i]);
            }
            if (depth > deepest) {
                deepest = depth;
                best = i;
            }
        }
        if (best == normals.size() || deepest < 1e-9) {
            break;
        }
        used[best] = 1;
        CutSolid next = solid;
        next.cut(normals[best], offsets[best]);
        if (next.corners().size() <= most && next.corners().size() >= 4) {
            solid = std::move(next);
        } else {
            ++refused;
        }
    }
    return solid.triangulated();
}

} // namespace wembrix
