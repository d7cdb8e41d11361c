#include "core/measure/strands/cards.h"

#include "core/measure/strands/even_steps.h"

#include <Eigen/Eigenvalues>
#include <algorithm>
#include <cmath>
#include <limits>
#include <tbb/parallel_for.h>

namespace wembrix {

namespace {

/// Root, middle and tip.
using Likeness = Eigen::Matrix<double, 9, 1>;

struct Line {
    uint32_t strand = 0;
    std::vector<Vec3> rows; ///< at even steps
    std::vector<double> halves;
};

std::vector<Line> lines_of(const StrandLines& strands, size_t rows, size_t& unlike) {
    std::vector<Line> lines;
    size_t first = 0;
    for (uint32_t s = 0; s < strands.counts.size(); ++s) {
        const size_t count = strands.counts[s];
        if (count >= 2) {
            std::vector<Vec3> own;
            for (size_t p = first; p < first + count; ++p) {
                own.push_back(strands.points[p].cast<double>());
            }
            Line line{s, at_even_steps(own, rows), std::vector<double>(rows, 0)};
            for (size_t r = 0; r < rows && !strands.widths.empty(); ++r) {
                const double at = static_cast<double>(r) / static_cast<double>(rows - 1);
                const auto point = static_cast<size_t>(std::lround(at * static_cast<double>(count - 1)));
                line.halves[r] = static_cast<double>(strands.widths[first + point]) / 2;
            }
            lines.push_back(std::move(line));
        } else {
            ++unlike;
        }
        first += count;
    }
    return lines;
}

Likeness likeness_of(const Line& line) {
    Likeness all;
    all << line.rows.front(), line.rows[line.rows.size() / 2], line.rows.back();
    return all;
}

/// Which group each is in.
std::vector<uint32_t> grouped(const std::vector<Likeness>& all, size_t groups) {
    std::vector<Likeness> means{all.front()};
    std::vector<double> far(all.size(), std::numeric_limits<double>::max());
    std::vector<uint32_t> of(all.size(), 0);
    while (means.size() < groups) {
        const Likeness& last = means.back();
        tbb::parallel_for(size_t{0}, all.size(),
                          [&](size_t i) { far[i] = std::min(far[i], (all[i] - last).squaredNorm()); });
        const auto farthest = std::max_element(far.begin(), far.end());
        if (*farthest <= 0) {
            break; // no more that differ
        }
        means.push_back(all[static_cast<size_t>(farthest - far.begin())]);
    }
    constexpr int passes = 6;
    for (int pass = 0; pass < passes; ++pass) {
        tbb::parallel_for(size_t{0}, all.size(), [&](size_t i) {
            double least = std::numeric_limits<double>::max();
            for (size_t m = 0; m < means.size(); ++m) {
                // Most are ruled out by their roots alone.
                double sum = (all[i].head<3>() - means[m].head<3>()).squaredNorm();
                if (sum >= least) {
                    continue;
                }
                sum += (all[i].tail<6>() - means[m].tail<6>()).squaredNorm();
                if (sum < least) {
                    least = sum;
                    of[i] = static_cast<uint32_t>(m);
                }
            }
        });
        std::vector<Likeness> sums(means.size(), Likeness::Zero());
        std::vector<size_t> counts(means.size(), 0);
        for (size_t i = 0; i < all.size(); ++i) {
            sums[of[i]] += all[i];
            ++counts[of[i]];
        }
        for (size_t m = 0; m < means.size(); ++m) {
            if (counts[m] > 0) {
                means[m] = sums[m] / static_cast<double>(counts[m]);
            }
        }
    }
    return of;
}

Vec3 any_across(const Vec3& along) {
    const Vec3 axis = std::abs(along.x()) < 0.6 ? Vec3::UnitX() : Vec3::UnitZ();
    return along.cross(axis).normalized();
}

Vec3 tangent_at(const std::vector<Vec3>& rows, size_t row, const Vec3& otherwise) {
    const Vec3 way = rows[std::min(row + 1, rows.size() - 1)] - rows[row == 0 ? 0 : row - 1];
    return way.norm() > 1e-12 ? Vec3(way.normalized()) : otherwise;
}

/// One card while it is made.
class Card {
  public:
    Card(const std::vector<Line>& lines, std::vector<size_t> members, const StrandLines& strands,
         const CardShape& shape)
        : lines_(lines), members_(std::move(members)), strands_(strands), shape_(shape) {}

    [[nodiscard]] uint32_t strand() const { return lines_[middle_].strand; }

    void choose_way() {
        Likeness mean = Likeness::Zero();
        for (const size_t m : members_) {
            mean += likeness_of(lines_[m]) / static_cast<double>(members_.size());
        }
        double least = std::numeric_limits<double>::max();
        for (const size_t m : members_) {
            const double off = (likeness_of(lines_[m]) - mean).squaredNorm();
            if (off < least) {
                least = off;
                middle_ = m;
            }
        }
    }

    void add_to(StrandCards& cards, size_t column) {
        const std::vector<Vec3>& rows = lines_[middle_].rows;
        const auto first = static_cast<uint32_t>(cards.points.size());
        Vec3 along = tangent_at(rows, 0, Vec3::UnitY());
        Vec3 across = first_across(along);
        const auto columns = static_cast<float>(std::max(1, shape_.columns));
        for (size_t r = 0; r < rows.size(); ++r) {
            const Vec3 next = tangent_at(rows, r, along);
            across = shortest_turn(along, next) * across; // turned as the way bends, and no more
            along = next;
            across = (across - across.dot(along) * along).normalized();
            const Vec3 up = across.cross(along);
            const double half = half_width(r, across, along);
            measure(r, across, along, half, cards);
            const float v = static_cast<float>(r) / static_cast<float>(rows.size() - 1);
            for (size_t p = 0; p < cards.row_points; ++p) {
                const double part = static_cast<double>(p) / static_cast<double>(cards.row_points - 1);
                Vec3 at = rows[r];
                Vec3 normal = up;
                if (shape_.sides == 0) {
                    at += (2 * part - 1) * half * across;
                } else {
                    const double angle = p + 1 == cards.row_points ? 0 : 2 * M_PI * part;
                    normal = std::cos(angle) * across - std::sin(angle) * up;
                    at += half * normal;
                }
                cards.points.emplace_back(at.cast<float>());
                cards.normals.emplace_back(normal.cast<float>());
                cards.coordinates.push_back((static_cast<float>(column) + static_cast<float>(part)) / columns);
                cards.coordinates.push_back(v);
            }
        }
        add_triangles(cards, first);
        cards.strands.push_back(strand());
    }

  private:
    /// Root square of the mean square of how far the strands lie from the way, along `axis` or in its plane.
    [[nodiscard]] double spread(size_t row, const Vec3& axis, const Vec3& along, bool plane) const {
        double sum = 0;
        for (const size_t m : members_) {
            const Vec3 off = lines_[m].rows[row] - lines_[middle_].rows[row];
            sum += plane ? (off - off.dot(along) * along).squaredNorm() : std::pow(off.dot(axis), 2);
        }
        return std::sqrt(sum / static_cast<double>(members_.size()));
    }
    [[nodiscard]] double half_width(size_t row, const Vec3& across, const Vec3& along) const {
        const double apart = shape_.sides == 0 ? std::sqrt(3.0) * spread(row, across, along, false)
                                               : std::sqrt(2.0) * spread(row, across, along, true);
        return shape_.width * std::max(apart, lines_[middle_].halves[row]);
    }
    void measure(size_t row, const Vec3& across, const Vec3& along, double half, StrandCards& cards) const {
        for (const size_t m : members_) {
            Vec3 off = lines_[m].rows[row] - lines_[middle_].rows[row];
            off -= off.dot(along) * along;
            double apart = 0;
            if (shape_.sides == 0) {
                const double beside = std::clamp(off.dot(across), -half, half);
                apart = (off - beside * across).norm();
            } else {
                apart = std::max(0.0, off.norm() - half);
            }
            cards.mean_apart_m += apart;
            cards.most_apart_m = std::max(cards.most_apart_m, apart);
        }
    }
    /// Flat against the surface; where it stands up, along the line that its roots lie in.
    [[nodiscard]] Vec3 first_across(const Vec3& along) const {
        const Vec3 outward = strands_.outwards.empty() ? Vec3(Vec3::Zero()) : strands_.outwards[strand()];
        const Vec3 flat = along.cross(outward);
        constexpr double leaning = 0.2; // sine of the least angle to the normal that gives a direction
        if (flat.norm() > leaning) {
            return flat.normalized();
        }
        Mat3 spread = Mat3::Zero();
        for (const size_t m : members_) {
            Vec3 off = lines_[m].rows.front() - lines_[middle_].rows.front();
            off -= off.dot(along) * along;
            spread += off * off.transpose();
        }
        const Eigen::SelfAdjointEigenSolver<Mat3> axes(spread);
        Vec3 widest = axes.eigenvectors().col(2);
        widest -= widest.dot(along) * along;
        if (axes.eigenvalues()[2] < 1e-14 || widest.norm() < 0.1) {
            return any_across(along);
        }
        // One of its two directions, and always the same one.
        Eigen::Index largest = 0;
        widest.cwiseAbs().maxCoeff(&largest);
        return widest[largest] < 0 ? Vec3(-widest.normalized()) : Vec3(widest.normalized());
    }
    void add_triangles(StrandCards& cards, uint32_t first) const {
        const auto across = static_cast<uint32_t>(cards.row_points);
        for (uint32_t r = 0; r + 1 < cards.rows; ++r) {
            for (uint32_t p = 0; p + 1 < across; ++p) {
                const uint32_t a = first + r * across + p;
                const uint32_t b = a + 1;
                cards.triangles.push_back({a, b, a + across});
                cards.triangles.push_back({b, b + across, a + across});
            }
        }
        const uint32_t last = first + (static_cast<uint32_t>(cards.rows) - 1) * across;
        for (uint32_t p = 1; p + 1 < static_cast<uint32_t>(shape_.sides); ++p) {
            cards.triangles.push_back({last, last + p, last + p + 1});
        }
    }

    const std::vector<Line>& lines_;
    std::vector<size_t> members_;
    const StrandLines& strands_;
    const CardShape& shape_;
    size_t middle_ = 0;
};

} // namespace

StrandCards cards_of(const StrandLines& strands, const CardShape& shape) {
    StrandCards cards;
    cards.rows = static_cast<size_t>(shape.segments) + 1;
    cards.row_points = shape.sides == 0 ? 2 : static_cast<size_t>(shape.sides) + 1;
    const std::vector<Line> lines = lines_of(strands, cards.rows, cards.unlike);
    const size_t most = std::min(lines.size(), shape.triangles / shape.triangles_of_one());
    if (most == 0) {
        return cards;
    }
    std::vector<Likeness> likenesses;
    likenesses.reserve(lines.size());
    for (const Line& line : lines) {
        likenesses.push_back(likeness_of(line));
    }
    const std::vector<uint32_t> of = grouped(likenesses, most);
    std::vector<std::vector<size_t>> members(most);
    for (size_t i = 0; i < lines.size(); ++i) {
        members[of[i]].push_back(i);
    }
    for (std::vector<size_t>& own : members) {
        if (!own.empty()) {
            Card card(lines, std::move(own), strands, shape);
            card.choose_way();
            card.add_to(cards, cards.strands.size() % static_cast<size_t>(std::max(1, shape.columns)));
        }
    }
    cards.mean_apart_m /= static_cast<double>(lines.size() * cards.rows);
    return cards;
}

} // namespace wembrix
