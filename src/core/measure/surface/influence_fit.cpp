#include "core/measure/surface/influence_fit.h"

#include "core/measure/skeleton/pose.h"
#include "core/measure/surface/weight_rows.h"

#include <Eigen/Cholesky>
#include <algorithm>
#include <bit>
#include <cmath>
#include <memory>
#include <tbb/blocked_range.h>
#include <tbb/parallel_for.h>

namespace wembrix {

namespace {

constexpr size_t most_frames = 4000;
constexpr size_t most_fit_frames = 400;
constexpr size_t most_candidates = 10;
constexpr int reweighted_rounds = 4;

using Small = Eigen::Matrix<double, Eigen::Dynamic, Eigen::Dynamic, 0, most_candidates, most_candidates>;
using SmallVector = Eigen::Matrix<double, Eigen::Dynamic, 1, 0, most_candidates, 1>;
using Affine = Eigen::Matrix<double, 3, 4>;

struct Sample {
    int clip = 0;
    int frame = 0;
};

/// World times inverse bind of each joint of a skin, sample after sample.
struct Palette {
    size_t joints = 0;
    std::vector<Affine> matrices;
    [[nodiscard]] const Affine& of(size_t sample, uint16_t joint) const { return matrices[sample * joints + joint]; }
};

std::vector<Sample> samples_of(const Scene& scene) {
    std::vector<Sample> all;
    for (size_t c = 0; c < scene.clips.size(); ++c) {
        for (int frame = 0; frame < scene.clips[c].frames(); ++frame) {
            all.push_back({static_cast<int>(c), frame});
        }
    }
    if (all.size() <= most_frames) {
        return all;
    }
    std::vector<Sample> some;
    for (size_t i = 0; i < most_frames; ++i) {
        some.push_back(all[i * all.size() / most_frames]);
    }
    return some;
}

std::vector<Palette> palettes_of(const Scene& scene, const std::vector<Sample>& samples) {
    std::vector<Palette> palettes(scene.skins.size());
    Pose pose;
    for (size_t s = 0; s < samples.size();) {
        const Clip& clip = scene.clips[static_cast<size_t>(samples[s].clip)];
        const Poser poser(scene, &clip);
        const int of_clip = samples[s].clip;
        for (; s < samples.size() && samples[s].clip == of_clip; ++s) {
            poser.at(samples[s].frame / clip.rate, pose);
            for (size_t k = 0; k < palettes.size(); ++k) {
                const Skin& skin = scene.skins[k];
                palettes[k].joints = skin.joints.size();
                for (size_t j = 0; j < skin.joints.size(); ++j) {
                    palettes[k].matrices.emplace_back(
                        (pose.world[static_cast<size_t>(skin.joints[j])] * skin.inverse_binds[j]).topRows<3>());
                }
            }
        }
    }
    return palettes;
}

/// How a vertex would move, were each of its joints to hold it alone, against where it goes with all of them.
class VertexMotion {
  public:
    VertexMotion(const Palette& palette, size_t samples, const Vec3f& place, const WeightRow& row)
        : count_(row.size()) {
        const Eigen::Vector4d at(place.x(), place.y(), place.z(), 1);
        apart_.resize(samples * count_);
        for (size_t s = 0; s < samples; ++s) {
            Vec3 whole = Vec3::Zero();
            for (size_t j = 0; j < count_; ++j) {
                const Vec3 alone = palette.of(s, row[j].joint) * at;
                apart_[s * count_ + j] = alone;
                whole += row[j].weight * alone;
            }
            for (size_t j = 0; j < count_; ++j) {
                apart_[s * count_ + j] -= whole;
            }
        }
    }
    [[nodiscard]] const Vec3& apart(size_t sample, size_t joint) const { return apart_[sample * count_ + joint]; }
    /// Where the vertex is off by with these weights, in one sample.
    [[nodiscard]] double error(size_t sample, const std::vector<double>& weights) const {
        Vec3 off = Vec3::Zero();
        for (size_t j = 0; j < count_; ++j) {
            off += weights[j] * apart(sample, j);
        }
        return off.norm();
    }

  private:
    size_t count_;
    std::vector<Vec3> apart_;
};

/// Finds the weights: minimise w'Hw + 2b'w over the free joints, with sum `left` and w >= 0, at most `most` above 0.
class Choice {
  public:
    Choice(Small h, SmallVector b, SmallVector was, double left)
        : h_(std::move(h)), b_(std::move(b)), left_(left), best_(SmallVector::Zero(b_.size())) {
        // So little that it only decides between joints that move alike: for those the weights stay near what they
        // were.
        const double little = 1e-9 * (h_.trace() / static_cast<double>(std::max<Eigen::Index>(1, h_.rows()))) + 1e-18;
        h_.diagonal().array() += little;
        b_ -= little * was;
    }

    SmallVector best(size_t most) {
        const auto n = static_cast<unsigned>(b_.size());
        for (unsigned chosen = 1; chosen < (1U << n); ++chosen) {
            if (static_cast<size_t>(std::popcount(chosen)) <= most) {
                attempt(chosen);
            }
        }
        return best_;
    }

  private:
    /// The least on one choice of joints, if all of its weights are above 0: the least of all lies inside of its own.
    void attempt(unsigned chosen) {
        std::array<Eigen::Index, most_candidates> at{};
        Eigen::Index n = 0;
        for (Eigen::Index i = 0; i < b_.size(); ++i) {
            if ((chosen >> static_cast<unsigned>(i) & 1U) != 0) {
                at.at(static_cast<size_t>(n++)) = i;
            }
        }
        Small h(n, n);
        SmallVector b(n);
        for (Eigen::Index i = 0; i < n; ++i) {
            b[i] = b_[at.at(static_cast<size_t>(i))];
            for (Eigen::Index j = 0; j < n; ++j) {
                h(i, j) = h_(at.at(static_cast<size_t>(i)), at.at(static_cast<size_t>(j)));
            }
        }
        const Eigen::LLT<Small> factored(h);
        if (factored.info() != Eigen::Success) {
            return;
        }
        const SmallVector ones = SmallVector::Ones(n);
        const SmallVector to_one = factored.solve(ones);
        const SmallVector to_b = factored.solve(b);
        const double multiplier = (left_ + to_b.sum()) / to_one.sum();
        const SmallVector weights = multiplier * to_one - to_b;
        if (!weights.allFinite() || weights.minCoeff() < 0) {
            return;
        }
        const double cost = weights.dot(h * weights) + 2 * b.dot(weights);
        if (!found_ || cost < cost_) {
            found_ = true;
            cost_ = cost;
            best_.setZero();
            for (Eigen::Index i = 0; i < n; ++i) {
                best_[at.at(static_cast<size_t>(i))] = weights[i];
            }
        }
    }

    Small h_;
    SmallVector b_;
    double left_;
    bool found_ = false;
    double cost_ = 0;
    SmallVector best_;
};

struct Tally {
    double largest = 0;         ///< metres
    double sum = 0;             ///< over the samples
    size_t sample = 0;          ///< of the largest
    std::vector<float> by_clip; ///< the largest in each
};

/// One vertex over the limit, both ways.
struct Limited {
    size_t vertex = 0;
    std::vector<double> heaviest; ///< weights in the order of its row
    std::vector<double> fitted;
    Tally of_heaviest;
    Tally of_fitted;
    bool over = false; ///< locked joints alone are too many
    bool fit = false;  ///< the fitted stay
};

class SurfaceFit {
  public:
    SurfaceFit(const Scene& scene, int node, const FitRequest& request, const std::vector<Sample>& samples,
               const std::vector<Palette>& palettes)
        : place(node), scene_(scene), node_(scene.nodes[static_cast<size_t>(node)]),
          most_(static_cast<size_t>(request.most)), samples_(samples), palettes_(palettes) {
        const auto skin = static_cast<size_t>(node_.skin);
        locked_ = skin < request.locked.size() ? request.locked[skin] : std::vector<char>();
        WeightRow row;
        for (size_t v = 0; v + 1 < node_.influences.offsets.size(); ++v) {
            if (node_.influences.offsets[v + 1] - node_.influences.offsets[v] > most_) {
                read_row(node_.influences, v, row);
                if (row.size() > most_) {
                    Limited one;
                    one.vertex = v;
                    limited.push_back(std::move(one));
                }
            }
        }
    }

    int place; ///< of its node
    std::vector<Limited> limited;

    void run(const std::function<bool()>& stop) {
        tbb::parallel_for(tbb::blocked_range<size_t>(0, limited.size(), 64), [&](const auto& range) {
            for (size_t i = range.begin(); i < range.end() && !(stop && stop()); ++i) {
                fit(limited[i]);
            }
        });
    }

    Influences made() const {
        InfluencesBuilder builder(node_.influences.offsets.size() - 1, node_.influences.weights.size());
        WeightRow row;
        size_t next = 0;
        for (size_t v = 0; v + 1 < node_.influences.offsets.size(); ++v) {
            if (next >= limited.size() || limited[next].vertex != v) {
                builder.copy(node_.influences, v);
                continue;
            }
            const Limited& one = limited[next++];
            if (one.over) {
                builder.copy(node_.influences, v);
                continue;
            }
            read_row(node_.influences, v, row);
            const std::vector<double>& weights = one.fit ? one.fitted : one.heaviest;
            for (size_t j = 0; j < row.size(); ++j) {
                row[j].weight = weights[j];
            }
            std::erase_if(row, [](const Weight& weight) { return weight.weight <= 0; });
            builder.add(row);
        }
        return builder.take();
    }

  private:
    [[nodiscard]] bool is_locked(const Weight& one) const {
        return one.joint < locked_.size() && locked_[one.joint] != 0;
    }

    void fit(Limited& one) const {
        WeightRow row;
        read_row(node_.influences, one.vertex, row);
        std::vector<size_t> free;
        double kept = 0;
        for (size_t j = 0; j < row.size(); ++j) {
            if (is_locked(row[j])) {
                kept += row[j].weight;
            } else {
                free.push_back(j);
            }
        }
        const size_t locked = row.size() - free.size();
        if (locked >= most_) {
            one.over = locked > most_ || kept < 1 - 1e-6;
            if (one.over) {
                return;
            }
        }
        std::stable_sort(free.begin(), free.end(), [&](size_t a, size_t b) { return row[a].weight > row[b].weight; });
        const size_t may = most_ - locked;
        one.heaviest.assign(row.size(), 0);
        double heaviest = 0;
        for (size_t k = 0; k < may && k < free.size(); ++k) {
            heaviest += row[free[k]].weight;
        }
        for (size_t j = 0; j < row.size(); ++j) {
            if (is_locked(row[j])) {
                one.heaviest[j] = row[j].weight;
            }
        }
        for (size_t k = 0; k < may && k < free.size(); ++k) {
            one.heaviest[free[k]] = row[free[k]].weight / heaviest * (1 - kept);
        }
        one.fitted = one.heaviest;
        if (samples_.empty() || may == 0) {
            return;
        }
        const Mesh& mesh = scene_.meshes[static_cast<size_t>(node_.mesh)];
        const VertexMotion motion(palettes_[static_cast<size_t>(node_.skin)], samples_.size(),
                                  mesh.positions[one.vertex], row);
        if (free.size() > most_candidates) {
            free.resize(std::max(most_candidates, may) == may ? may : most_candidates);
        }
        one.of_heaviest = tally(motion, one.heaviest);
        if (free.size() > most_candidates) {
            one.of_fitted = tally(motion, one.fitted);
            return;
        }
        const size_t used = std::min(samples_.size(), most_fit_frames);
        std::vector<double> share(used, 1);
        solve(motion, row, free, may, kept, share, one.fitted);
        one.of_fitted = tally(motion, one.fitted);
        // From the least sum of squares towards the least sum of distances, which is what is looked at: a sample counts
        // by one over how far it is off.
        const double largest = std::max(one.of_fitted.largest, one.of_heaviest.largest);
        std::vector<double> next = one.fitted;
        std::erase_if(free, [&](size_t j) { return one.fitted[j] <= 0; }); // which joints stay is settled
        for (int round = 0; round < reweighted_rounds && one.of_fitted.sum > 0; ++round) {
            const double little = 1e-3 * one.of_fitted.sum / static_cast<double>(samples_.size());
            for (size_t u = 0; u < used; ++u) {
                share[u] = 1 / std::max(little, motion.error(u * samples_.size() / used, next));
            }
            solve(motion, row, free, may, kept, share, next);
            Tally of_next = tally(motion, next);
            if (!(of_next.sum < one.of_fitted.sum && of_next.largest <= largest)) {
                break;
            }
            one.fitted = next;
            one.of_fitted = std::move(of_next);
        }
    }

    void solve(const VertexMotion& motion, const WeightRow& row, const std::vector<size_t>& free, size_t may,
               double kept, const std::vector<double>& share, std::vector<double>& fitted) const {
        const auto n = static_cast<Eigen::Index>(free.size());
        Small h = Small::Zero(n, n);
        SmallVector b = SmallVector::Zero(n);
        SmallVector was(n);
        for (Eigen::Index i = 0; i < n; ++i) {
            was[i] = row[free[static_cast<size_t>(i)]].weight;
        }
        const size_t used = share.size();
        for (size_t u = 0; u < used; ++u) {
            const size_t s = u * samples_.size() / used;
            Vec3 locked = Vec3::Zero();
            for (size_t j = 0; j < row.size(); ++j) {
                if (is_locked(row[j])) {
                    locked += row[j].weight * motion.apart(s, j);
                }
            }
            for (Eigen::Index i = 0; i < n; ++i) {
                const Vec3& apart = motion.apart(s, free[static_cast<size_t>(i)]);
                b[i] += share[u] * apart.dot(locked);
                for (Eigen::Index j = 0; j <= i; ++j) {
                    h(i, j) += share[u] * apart.dot(motion.apart(s, free[static_cast<size_t>(j)]));
                }
            }
        }
        h = Small(h.selfadjointView<Eigen::Lower>());
        const SmallVector weights = Choice(h, b, was, 1 - kept).best(may);
        if (weights.sum() <= 0) {
            return;
        }
        for (Eigen::Index i = 0; i < n; ++i) {
            fitted[free[static_cast<size_t>(i)]] = weights[i] / weights.sum() * (1 - kept);
        }
        for (size_t j = 0; j < row.size(); ++j) { // those that were no candidates go
            if (!is_locked(row[j]) && std::find(free.begin(), free.end(), j) == free.end()) {
                fitted[j] = 0;
            }
        }
    }

    [[nodiscard]] Tally tally(const VertexMotion& motion, const std::vector<double>& weights) const {
        Tally result;
        result.by_clip.resize(scene_.clips.size());
        for (size_t s = 0; s < samples_.size(); ++s) {
            const double error = motion.error(s, weights);
            result.sum += error;
            if (error > result.largest) {
                result.largest = error;
                result.sample = s;
            }
            float& largest = result.by_clip[static_cast<size_t>(samples_[s].clip)];
            largest = std::max(largest, static_cast<float>(error));
        }
        return result;
    }

    const Scene& scene_;
    const Node& node_;
    size_t most_;
    const std::vector<Sample>& samples_;
    const std::vector<Palette>& palettes_;
    std::vector<char> locked_;
};

} // namespace

InfluenceFit fit_influences(const Scene& scene, const FitRequest& request, const std::function<bool()>& stop) {
    InfluenceFit result;
    result.influences.resize(scene.nodes.size());
    result.by_clip.resize(scene.clips.size());
    std::vector<std::unique_ptr<SurfaceFit>> fits;
    std::vector<Sample> samples; // both are only looked at while it runs
    std::vector<Palette> palettes;
    for (const int node : request.surfaces) {
        if (scene.nodes[static_cast<size_t>(node)].skin >= 0) {
            fits.push_back(std::make_unique<SurfaceFit>(scene, node, request, samples, palettes));
        }
    }
    std::erase_if(fits, [](const auto& one) { return one->limited.empty(); });
    if (fits.empty()) {
        return result;
    }
    samples = samples_of(scene);
    palettes = palettes_of(scene, samples);
    double allowed = 0;
    for (const auto& fit : fits) {
        fit->run(stop);
        for (const Limited& one : fit->limited) {
            allowed = std::max(allowed, one.of_heaviest.largest);
        }
    }
    double fitted_sum = 0;
    double heaviest_sum = 0;
    size_t counted = 0;
    const auto note = [&](LimitMove& move, double metres, int node, size_t vertex, size_t sample) {
        if (metres * 1000 > move.largest_mm) {
            move.largest_mm = metres * 1000;
            move.node = node;
            move.vertex = static_cast<uint32_t>(vertex);
            move.clip = scene.clips[static_cast<size_t>(samples[sample].clip)].name;
            move.frame = samples[sample].frame;
        }
    };
    for (const auto& fit : fits) {
        const int node = fit->place;
        bool over = false;
        for (Limited& one : fit->limited) {
            over = over || one.over;
            if (one.over) {
                continue;
            }
            ++result.vertices;
            ++counted;
            one.fit = one.of_fitted.sum < one.of_heaviest.sum && one.of_fitted.largest <= allowed;
            const Tally& kept = one.fit ? one.of_fitted : one.of_heaviest;
            fitted_sum += kept.sum;
            heaviest_sum += one.of_heaviest.sum;
            note(result.fitted, kept.largest, node, one.vertex, kept.sample);
            note(result.heaviest, one.of_heaviest.largest, node, one.vertex, one.of_heaviest.sample);
            for (size_t c = 0; c < kept.by_clip.size(); ++c) {
                LimitMove& move = result.by_clip[c];
                if (static_cast<double>(kept.by_clip[c]) * 1000 > move.largest_mm) {
                    move.largest_mm = static_cast<double>(kept.by_clip[c]) * 1000;
                    move.clip = scene.clips[c].name;
                    move.node = node;
                    move.vertex = static_cast<uint32_t>(one.vertex);
                }
            }
        }
        if (over) {
            result.over.push_back(scene.nodes[static_cast<size_t>(node)].name);
        }
        result.influences[static_cast<size_t>(node)] = fit->made();
    }
    const double all = static_cast<double>(counted) * static_cast<double>(std::max<size_t>(1, samples.size()));
    result.fitted.mean_mm = all > 0 ? fitted_sum / all * 1000 : 0;
    result.heaviest.mean_mm = all > 0 ? heaviest_sum / all * 1000 : 0;
    result.frames = static_cast<int>(samples.size());
    return result;
}

} // namespace wembrix
