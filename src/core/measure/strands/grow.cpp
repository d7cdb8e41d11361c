#include "core/measure/strands/grow.h"

#include "core/measure/strands/even_steps.h"
#include "core/measure/strands/partings.h"
#include "core/measure/surface/neighbours.h"

#include <algorithm>
#include <cmath>
#include <limits>
#include <map>
#include <numeric>
#include <tbb/parallel_for.h>

namespace wembrix {

double StrandProfile::at(double along, double otherwise) const {
    if (values.empty()) {
        return otherwise;
    }
    const double place = std::clamp(along, 0.0, 1.0) * static_cast<double>(values.size() - 1);
    const auto low = std::min(static_cast<size_t>(place), values.size() - 1);
    const size_t high = std::min(low + 1, values.size() - 1);
    const double part = place - static_cast<double>(low);
    return values[low] + part * (values[high] - values[low]);
}

namespace {

/// Numbers that depend on what they are for alone: not on who asks first. (Steele, Lea and Flood, Fast Splittable
/// Pseudorandom Number Generators, 2014)
uint64_t mixed(uint64_t z) {
    z += 0x9E3779B97F4A7C15ULL;
    z = (z ^ (z >> 30U)) * 0xBF58476D1CE4E5B9ULL;
    z = (z ^ (z >> 27U)) * 0x94D049BB133111EBULL;
    return z ^ (z >> 31U);
}
/// 0 to 1, of a strand and what it is asked for.
double drawn(uint64_t seed, uint64_t strand, uint64_t what) {
    return static_cast<double>(mixed(mixed(seed ^ mixed(strand)) ^ (what * 0xD1342543DE82EF95ULL)) >> 11U) * 0x1.0p-53;
}

enum What : uint64_t { place, corner_u, corner_v, length, sample, noise = 16 };

/// A smooth wave between -1 and 1 through a value at each whole number.
double wave(uint64_t seed, uint64_t strand, uint64_t axis, double at) {
    const double low = std::floor(at);
    const double part = at - low;
    const auto value = [&](double whole) {
        return 2 * drawn(seed, strand, noise + axis + 3 * static_cast<uint64_t>(static_cast<int64_t>(whole) + 1)) - 1;
    };
    const double soft = part * part * (3 - 2 * part);
    return value(low) + soft * (value(low + 1) - value(low));
}

struct Guide {
    Vec3 root;
    Vec3 normal;
    std::vector<Vec3> offsets; ///< from the root, at even steps of its length
    double length = 0;
};

class Grower {
  public:
    Grower(const StrandSurface& surface, const std::vector<float>& region, const StrandGuides& guides,
           const Growth& growth, const std::function<bool()>& stop)
        : surface_(surface), region_(region), growth_(growth), stop_(stop), partings_(surface, growth.partings) {
        points_ = static_cast<size_t>(std::max(2, growth.points));
        read_guides(guides);
    }

    Grown run() {
        Grown grown;
        double area = 0;
        areas_.reserve(region_.size());
        for (uint32_t t = 0; t < surface_.triangles().size() && t < region_.size(); ++t) {
            area += surface_.area_of(t) * std::max(0.0, static_cast<double>(region_[t]));
            areas_.push_back(area);
        }
        grown.area_cm2 = area * 1e4;
        count_ = growth_.per_cm2 > 0 ? static_cast<size_t>(std::llround(growth_.per_cm2 * area * 1e4)) : growth_.count;
        if (guides_.empty() || !(area > 0) || count_ == 0) {
            grown.unreached = guides_.empty() ? count_ : 0;
            return grown;
        }
        find_ways(guides_of_file_);
        if (growth_.clump_map.colours.empty()) {
            centres_ = centres(growth_.clumps, 1);
        } else {
            find_centres_of_colours();
        }
        fine_centres_ = centres(growth_.fine_clumps, 2);
        for (size_t i = 0; i < count_; ++i) {
            if (growth_.share >= 1 || drawn(growth_.seed, i, sample) < growth_.share) {
                grown.number.push_back(static_cast<uint32_t>(i));
            }
        }
        const size_t shown = grown.number.size();
        grown.roots.resize(shown);
        grown.points.resize(shown * points_);
        std::vector<char> state(shown, 0); // 0: not there; 1: as it is; 2: trimmed; 3: inside from the start
        tbb::parallel_for(tbb::blocked_range<size_t>(0, shown, 64), [&](const auto& range) {
            std::vector<Vec3> strand(points_);
            for (size_t i = range.begin(); i < range.end() && !(stop_ && stop_()); ++i) {
                grown.roots[i] = root_of(grown.number[i]);
                if (!shape(grown.roots[i], strand)) {
                    continue;
                }
                finish(grown.number[i], grown.roots[i], strand);
                state[i] = growth_.trimmed ? trim(strand) : 1;
                for (size_t p = 0; p < points_; ++p) {
                    grown.points[i * points_ + p] = strand[p].cast<float>();
                }
            }
        });
        keep(grown, state);
        return grown;
    }

  private:
    void read_guides(const StrandGuides& guides) {
        size_t at = 0;
        for (size_t g = 0; g < guides.roots.size() && g < guides.counts.size(); ++g) {
            Guide guide;
            guide.root = surface_.place_of(guides.roots[g]);
            guide.normal = surface_.normal_of(guides.roots[g]);
            std::vector<Vec3> line;
            for (size_t p = 0; p < guides.counts[g]; ++p) {
                line.emplace_back(guides.points[at + p].cast<double>());
            }
            at += guides.counts[g];
            if (line.empty()) {
                line.push_back(guide.root);
            }
            guide.offsets = at_even_steps(line, points_);
            const Vec3 first = guide.offsets.front();
            for (Vec3& offset : guide.offsets) {
                offset -= first;
            }
            guides_.push_back(std::move(guide));
            guides_of_file_.push_back(guides.roots[g]);
        }
    }

    /// From each guide along the surface to every vertex.
    void find_ways(const std::vector<CurveRoot>& roots) {
        const Mesh& mesh = surface_.mesh();
        Neighbours neighbours = neighbours_of(mesh);
        if (!partings_.empty()) {
            neighbours = partings_.without_crossing(neighbours, surface_.places());
        }
        spot_ = neighbours.spot;
        ways_.resize(roots.size());
        tbb::parallel_for(size_t(0), roots.size(), [&](size_t g) {
            // Each corner of the guide's triangle is as far as it is; the nearest of the three ways counts.
            std::vector<double> best(neighbours.spots(), std::numeric_limits<double>::infinity());
            for (const uint32_t corner : surface_.triangles()[roots[g].triangle]) {
                const Vec3 there = surface_.places()[corner].cast<double>();
                if (partings_.between(guides_[g].root, there)) {
                    continue;
                }
                const double begin = (there - guides_[g].root).norm();
                const std::vector<double> from =
                    distances_along(mesh, neighbours, {spot_[corner]}, std::numeric_limits<double>::infinity());
                for (size_t s = 0; s < best.size(); ++s) {
                    best[s] = std::min(best[s], begin + from[s]);
                }
            }
            ways_[g] = std::move(best);
        });
    }

    /// How far it is along the surface from a guide to a place.
    [[nodiscard]] double way(size_t guide, const CurveRoot& root, const Vec3& at) const {
        double least = std::numeric_limits<double>::infinity();
        for (const uint32_t corner : surface_.triangles()[root.triangle]) {
            const Vec3 there = surface_.places()[corner].cast<double>();
            if (!partings_.between(there, at)) {
                least = std::min(least, ways_[guide][spot_[corner]] + (there - at).norm());
            }
        }
        if (root.triangle == guides_of_file_[guide].triangle && !partings_.between(guides_[guide].root, at)) {
            return (guides_[guide].root - at).norm();
        }
        // Near by, the way over an edge is as good as straight: along edges it is always a little longer.
        const double straight = (guides_[guide].root - at).norm();
        return std::max(straight, std::isfinite(least) ? std::min(least, least * 0.5 + straight * 0.5) : least);
    }

    CurveRoot root_at(double share, double a, double b) const {
        const double wanted = share * areas_.back();
        const auto found = std::upper_bound(areas_.begin(), areas_.end(), wanted);
        CurveRoot root;
        root.triangle =
            static_cast<uint32_t>(std::min<size_t>(static_cast<size_t>(found - areas_.begin()), areas_.size() - 1));
        // Evenly over the triangle (Turk, Generating random points in triangles, 1990).
        const double s = std::sqrt(a);
        root.u = static_cast<float>(s * (1 - b));
        root.v = static_cast<float>(s * b);
        return root;
    }
    CurveRoot root_of(uint64_t strand) const {
        const double share =
            (static_cast<double>(strand) + drawn(growth_.seed, strand, place)) / static_cast<double>(count_);
        return root_at(share, drawn(growth_.seed, strand, corner_u), drawn(growth_.seed, strand, corner_v));
    }

    /// The strand as the guides have it. False: none is reached.
    bool shape(const CurveRoot& root, std::vector<Vec3>& strand) const {
        const Vec3 at = surface_.place_of(root);
        const Vec3 normal = surface_.normal_of(root);
        std::array<std::pair<double, size_t>, 3> near;
        size_t found = 0;
        for (size_t g = 0; g < guides_.size(); ++g) {
            if (growth_.parted && (guides_[g].root.x() < growth_.middle_x) != (at.x() < growth_.middle_x)) {
                continue;
            }
            const double far = way(g, root, at);
            if (!std::isfinite(far)) {
                continue;
            }
            size_t k = std::min(found, near.size());
            if (found < near.size()) {
                near[found++] = {far, g};
            } else if (far < near.back().first) {
                near.back() = {far, g};
                --k;
            } else {
                continue;
            }
            for (; k > 0 && near[k] < near[k - 1]; --k) {
                std::swap(near[k], near[k - 1]);
            }
        }
        if (found == 0) {
            return false;
        }
        std::fill(strand.begin(), strand.end(), Vec3::Zero());
        double sum = 0;
        for (size_t k = 0; k < found; ++k) {
            const auto& [far, g] = near[k];
            if (k > 0 && far > 3 * near[0].first + 1e-9) {
                break;
            }
            const double weight = 1 / std::max(far * far, 1e-12);
            const Mat3 turn = shortest_turn(guides_[g].normal, normal).toRotationMatrix();
            for (size_t p = 0; p < points_; ++p) {
                strand[p] += weight * (turn * guides_[g].offsets[p]);
            }
            sum += weight;
        }
        for (Vec3& offset : strand) {
            offset = at + offset / sum;
        }
        return true;
    }

    struct Centre {
        Vec3 at;
        Vec3 normal;
        std::vector<Vec3> offsets; ///< from its root
    };
    std::vector<Centre> centres(int count, uint64_t level) const {
        std::vector<Centre> all;
        std::vector<Vec3> strand(points_);
        const uint64_t seed = mixed(growth_.seed + 1000 * level);
        for (int c = 0; c < count; ++c) {
            const auto number = static_cast<uint64_t>(c);
            const double share = (static_cast<double>(c) + drawn(seed, number, place)) / count;
            const CurveRoot root = root_at(share, drawn(seed, number, corner_u), drawn(seed, number, corner_v));
            if (!shape(root, strand)) {
                continue;
            }
            all.push_back(centre_at(root, strand));
        }
        return all;
    }
    [[nodiscard]] Centre centre_at(const CurveRoot& root, const std::vector<Vec3>& strand) const {
        Centre centre{strand.front(), surface_.normal_of(root), {}};
        for (const Vec3& point : strand) {
            centre.offsets.push_back(point - strand.front());
        }
        return centre;
    }
    /// Of all strands, not of the sample alone: a preview shows what there will be. The centre of a colour is the
    /// strand that a guide reaches nearest to the middle of its roots.
    void find_centres_of_colours() {
        std::vector<uint32_t> colours(count_);
        std::vector<Vec3> places(count_);
        tbb::parallel_for(size_t(0), count_, [&](size_t i) {
            const CurveRoot root = root_of(i);
            colours[i] = growth_.clump_map.at(surface_, root);
            places[i] = surface_.place_of(root);
        });
        struct Roots {
            Vec3 sum = Vec3::Zero();
            std::vector<size_t> strands;
        };
        std::map<uint32_t, Roots> roots;
        for (size_t i = 0; i < count_; ++i) {
            if (colours[i] != 0) {
                roots[colours[i]].sum += places[i];
                roots[colours[i]].strands.push_back(i);
            }
        }
        std::vector<Vec3> strand(points_);
        for (auto& [colour, of] : roots) {
            const Vec3 middle = of.sum / static_cast<double>(of.strands.size());
            std::sort(of.strands.begin(), of.strands.end(), [&](size_t a, size_t b) {
                const double far_a = (places[a] - middle).squaredNorm();
                const double far_b = (places[b] - middle).squaredNorm();
                return far_a != far_b ? far_a < far_b : a < b;
            });
            for (const size_t i : of.strands) {
                if (shape(root_of(i), strand)) {
                    centre_of_colour_.emplace(colour, centre_at(root_of(i), strand));
                    break;
                }
            }
        }
    }
    /// The centre that a strand belongs to: near, and on the same side.
    const Centre* centre_of(const std::vector<Centre>& centres, const Vec3& at, const Vec3& normal) const {
        const Centre* best = nullptr;
        double least = std::numeric_limits<double>::infinity();
        for (const Centre& one : centres) {
            const double far = (one.at - at).squaredNorm() * (1 + 4 * std::max(0.0, 1 - one.normal.dot(normal)));
            if (far < least && !partings_.between(one.at, at)) {
                least = far;
                best = &one;
            }
        }
        return best;
    }
    const Centre* first_centre(const CurveRoot& root, const Vec3& at, const Vec3& normal) const {
        if (growth_.clump_map.colours.empty()) {
            return centre_of(centres_, at, normal);
        }
        const auto found = centre_of_colour_.find(growth_.clump_map.at(surface_, root));
        return found == centre_of_colour_.end() ? nullptr : &found->second;
    }
    void clump(const Centre* centre, double strength, double factor, std::vector<Vec3>& strand) const {
        if (centre == nullptr || !(strength > 0)) {
            return;
        }
        for (size_t p = 1; p < points_; ++p) {
            const double along = static_cast<double>(p) / static_cast<double>(points_ - 1);
            const double part = std::clamp(strength * growth_.clump_along.at(along, along), 0.0, 1.0);
            strand[p] += part * (centre->at + factor * centre->offsets[p] - strand[p]);
        }
    }

    void finish(uint64_t strand_number, const CurveRoot& root, std::vector<Vec3>& strand) const {
        const Vec3 at = strand.front();
        const Vec3 normal = surface_.normal_of(root);
        if (growth_.lift != 0) {
            const Vec3 side = normal.cross(strand.back() - at);
            if (side.norm() > 1e-12) {
                const Mat3 turn = Eigen::AngleAxisd(-growth_.lift, side.normalized()).toRotationMatrix();
                for (Vec3& point : strand) {
                    point = at + turn * (point - at);
                }
            }
        }
        const double factor =
            growth_.length * (1 + growth_.length_varies * (2 * drawn(growth_.seed, strand_number, length) - 1));
        for (Vec3& point : strand) {
            point = at + factor * (point - at);
        }
        clump(growth_.clump > 0 ? first_centre(root, at, normal) : nullptr, growth_.clump, factor, strand);
        clump(growth_.fine_clump > 0 ? centre_of(fine_centres_, at, normal) : nullptr, growth_.fine_clump, factor,
              strand);
        if (growth_.curl_m > 0 && growth_.curl_turns != 0) {
            curl(strand, at);
        }
        if (growth_.noise_m > 0) {
            waves(strand_number, strand);
        }
    }
    void curl(std::vector<Vec3>& strand, const Vec3& at) const {
        const Vec3 ahead = strand.back() - at;
        if (ahead.norm() < 1e-12) {
            return;
        }
        const Vec3 a = ahead.normalized().unitOrthogonal();
        const Vec3 b = ahead.normalized().cross(a);
        for (size_t p = 1; p < points_; ++p) {
            const double along = static_cast<double>(p) / static_cast<double>(points_ - 1);
            const double angle = 2 * M_PI * growth_.curl_turns * along;
            strand[p] += growth_.curl_m * ((std::cos(angle) - 1) * a + std::sin(angle) * b);
        }
    }
    void waves(uint64_t number, std::vector<Vec3>& strand) const {
        const std::array<double, 3> begin = {wave(growth_.seed, number, 0, 0), wave(growth_.seed, number, 1, 0),
                                             wave(growth_.seed, number, 2, 0)};
        double arc = 0;
        Vec3 before = strand.front();
        for (size_t p = 1; p < points_; ++p) {
            arc += (strand[p] - before).norm();
            before = strand[p];
            const double along = static_cast<double>(p) / static_cast<double>(points_ - 1);
            const double amount = growth_.noise_m * growth_.noise_along.at(along, along);
            for (size_t axis = 0; axis < 3; ++axis) {
                strand[p][static_cast<Eigen::Index>(axis)] +=
                    amount * (wave(growth_.seed, number, axis, arc / growth_.noise_length_m) - begin[axis]) / 2;
            }
        }
    }

    /// Ends where it would go into the surface; its points are spread anew over what is left. 1: it does not; 2: it
    /// was cut; 3: next to nothing would be left.
    char trim(std::vector<Vec3>& strand) const {
        for (size_t p = 0; p + 1 < points_; ++p) {
            const float begin = p == 0 ? 1e-3F : 0;
            const auto crossing =
                surface_.tree().first_crossing(strand[p].cast<float>(), strand[p + 1].cast<float>(), begin);
            if (!crossing || crossing->leaves) {
                continue;
            }
            const double share = std::max(0.0, static_cast<double>(crossing->share) - 0.02); // a little short of it
            constexpr double least_left = 0.05;
            if ((static_cast<double>(p) + share) / static_cast<double>(points_ - 1) < least_left) {
                return 3;
            }
            std::vector<Vec3> left(strand.begin(), strand.begin() + static_cast<ptrdiff_t>(p) + 1);
            left.push_back(strand[p] + share * (strand[p + 1] - strand[p]));
            strand = at_even_steps(left, points_);
            return 2;
        }
        return 1;
    }

    /// Those that are there, with their widths.
    void keep(Grown& grown, const std::vector<char>& state) const {
        size_t kept = 0;
        for (size_t i = 0; i < state.size(); ++i) {
            grown.trimmed += state[i] == 2 ? 1 : 0;
            grown.unreached += state[i] == 0 ? 1 : 0;
            grown.buried += state[i] == 3 ? 1 : 0;
            if (state[i] == 0 || state[i] == 3) {
                continue;
            }
            grown.roots[kept] = grown.roots[i];
            grown.number[kept] = grown.number[i];
            std::copy_n(grown.points.begin() + static_cast<ptrdiff_t>(i * points_), points_,
                        grown.points.begin() + static_cast<ptrdiff_t>(kept * points_));
            ++kept;
        }
        grown.roots.resize(kept);
        grown.number.resize(kept);
        grown.points.resize(kept * points_);
        grown.counts.assign(kept, static_cast<uint32_t>(points_));
        std::vector<float> widths;
        for (size_t p = 0; p < points_; ++p) {
            const double along = static_cast<double>(p) / static_cast<double>(points_ - 1);
            const double part = growth_.width.at(along, 1 - along);
            widths.push_back(
                static_cast<float>(growth_.width_tip_m + part * (growth_.width_root_m - growth_.width_tip_m)));
        }
        for (size_t i = 0; i < kept; ++i) {
            grown.widths.insert(grown.widths.end(), widths.begin(), widths.end());
        }
    }

    const StrandSurface& surface_;
    const std::vector<float>& region_;
    const Growth& growth_;
    const std::function<bool()>& stop_;
    Partings partings_;
    size_t points_ = 2;
    size_t count_ = 0;
    std::vector<Guide> guides_;
    std::vector<CurveRoot> guides_of_file_;
    std::vector<std::vector<double>> ways_; ///< of each guide, to each spot
    std::vector<uint32_t> spot_;
    std::vector<double> areas_; ///< summed up
    std::vector<Centre> centres_;
    std::vector<Centre> fine_centres_;
    std::map<uint32_t, Centre> centre_of_colour_; ///< of the map of clumps
};

} // namespace

Grown grow_strands(const StrandSurface& surface, const std::vector<float>& region, const StrandGuides& guides,
                   const Growth& growth, const std::function<bool()>& stop) {
    return Grower(surface, region, guides, growth, stop).run();
}

} // namespace wembrix
