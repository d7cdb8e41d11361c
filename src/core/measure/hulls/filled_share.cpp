#include "core/measure/hulls/filled_share.h"

#include <algorithm>
#include <cmath>
#include <limits>

namespace wembrix {

namespace {

constexpr int columns_a_side = 64;
constexpr double unknown_at_most = 0.1; ///< of the hull's columns

struct Crossing {
    int surface = 0;
    double height = 0;
    int winds = 0; ///< 1 where the column leaves the solid, -1 where it enters
};

/// Columns along Z over a rectangle. They stand a little off the middles of their cells, so that none runs along the
/// edges of what is modelled in round numbers.
class Columns {
  public:
    explicit Columns(const Eigen::AlignedBox3d& box) : box_(box), step_(box.sizes() / columns_a_side) {}

    [[nodiscard]] double at(int axis, int cell) const {
        constexpr double off[] = {0.5 + 0.061803, 0.5 - 0.041421};
        return box_.min()[axis] + (cell + off[axis]) * step_[axis];
    }
    /// Calls `crossed(column, height, winds)` for each column that the triangle meets.
    template <typename Crossed> void meet(const std::array<Vec3f, 3>& corners, const Crossed& crossed) const {
        const Vec3 a = corners[0].cast<double>();
        const Vec3 b = corners[1].cast<double>();
        const Vec3 c = corners[2].cast<double>();
        std::array<int, 2> first = {};
        std::array<int, 2> last = {};
        for (int axis = 0; axis < 2; ++axis) {
            const double low = std::min({a[axis], b[axis], c[axis]});
            const double high = std::max({a[axis], b[axis], c[axis]});
            if (high < box_.min()[axis] || low > box_.max()[axis] || !(step_[axis] > 0)) {
                return;
            }
            const double from = std::floor((low - box_.min()[axis]) / step_[axis]) - 1;
            const double to = std::ceil((high - box_.min()[axis]) / step_[axis]) + 1;
            first[axis] = static_cast<int>(std::clamp(from, 0.0, columns_a_side - 1.0));
            last[axis] = static_cast<int>(std::clamp(to, 0.0, columns_a_side - 1.0));
        }
        const auto side = [](const Vec3& from, const Vec3& to, double x, double y) {
            return (to.x() - from.x()) * (y - from.y()) - (to.y() - from.y()) * (x - from.x());
        };
        const double area = side(a, b, c.x(), c.y());
        if (area == 0) {
            return;
        }
        for (int i = first[0]; i <= last[0]; ++i) {
            for (int j = first[1]; j <= last[1]; ++j) {
                const double x = at(0, i);
                const double y = at(1, j);
                const double of_c = side(a, b, x, y) / area;
                const double of_a = side(b, c, x, y) / area;
                const double of_b = side(c, a, x, y) / area;
                if (of_a >= 0 && of_b >= 0 && of_c >= 0) {
                    crossed(static_cast<size_t>(i) * columns_a_side + static_cast<size_t>(j),
                            of_a * a.z() + of_b * b.z() + of_c * c.z(), area > 0 ? 1 : -1);
                }
            }
        }
    }

  private:
    Eigen::AlignedBox3d box_;
    Vec3 step_;
};

struct Stretch {
    double low = std::numeric_limits<double>::infinity();
    double high = -std::numeric_limits<double>::infinity();
    [[nodiscard]] double length() const { return std::max(0.0, high - low); }
};

/// How much of a stretch lies inside. `crossings` are reordered; `open`: at least one surface crosses it and none of
/// them is closed there.
double inside_of(const Stretch& stretch, std::vector<Crossing>& crossings, bool& open) {
    std::sort(crossings.begin(), crossings.end(), [](const Crossing& a, const Crossing& b) {
        return a.surface != b.surface ? a.surface < b.surface : a.height < b.height;
    });
    std::vector<Crossing> closed;
    for (auto from = crossings.begin(); from != crossings.end();) {
        auto to = from;
        int sum = 0;
        for (; to != crossings.end() && to->surface == from->surface; ++to) {
            sum += to->winds;
        }
        if (sum == 0) {
            closed.insert(closed.end(), from, to);
        }
        from = to;
    }
    open = closed.empty() && !crossings.empty();
    std::sort(closed.begin(), closed.end(), [](const Crossing& a, const Crossing& b) { return a.height < b.height; });
    // Surfaces that overlap wind around a place together: a sum of any sign but 0 is inside.
    double inside = 0;
    int winding = 0;
    for (size_t i = 0; i + 1 < closed.size(); ++i) {
        winding += closed[i].winds;
        if (winding != 0) {
            inside +=
                std::max(0.0, std::min(closed[i + 1].height, stretch.high) - std::max(closed[i].height, stretch.low));
        }
    }
    return inside;
}

} // namespace

std::optional<double> filled_share(const HullShell& shell, std::span<const SolidTriangle> triangles) {
    Eigen::AlignedBox3d box;
    for (const Vec3f& point : shell.points) {
        box.extend(point.cast<double>());
    }
    if (box.isEmpty()) {
        return std::nullopt;
    }
    const Columns columns(box);
    constexpr size_t count = static_cast<size_t>(columns_a_side) * columns_a_side;
    std::vector<Stretch> stretches(count);
    for (size_t i = 0; i + 2 < shell.indices.size(); i += 3) {
        const std::array<Vec3f, 3> corners = {shell.points[shell.indices[i]], shell.points[shell.indices[i + 1]],
                                              shell.points[shell.indices[i + 2]]};
        columns.meet(corners, [&](size_t column, double height, int) {
            stretches[column].low = std::min(stretches[column].low, height);
            stretches[column].high = std::max(stretches[column].high, height);
        });
    }
    std::vector<std::vector<Crossing>> crossings(count);
    for (const SolidTriangle& triangle : triangles) {
        columns.meet(triangle.corners, [&](size_t column, double height, int winds) {
            crossings[column].push_back({triangle.surface, height, winds});
        });
    }
    double whole = 0;
    double inside = 0;
    size_t met = 0;
    size_t unknown = 0;
    for (size_t column = 0; column < count; ++column) {
        const double length = stretches[column].length();
        if (!(length > 0)) {
            continue;
        }
        bool open = false;
        inside += inside_of(stretches[column], crossings[column], open);
        whole += length;
        ++met;
        unknown += open ? 1 : 0;
    }
    if (met == 0 || static_cast<double>(unknown) > unknown_at_most * static_cast<double>(met)) {
        return std::nullopt;
    }
    return std::clamp(inside / whole, 0.0, 1.0);
}

} // namespace wembrix
