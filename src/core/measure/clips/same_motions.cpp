#include "core/measure/clips/same_motions.h"

#include "core/measure/scene/bounds.h"
#include "core/measure/skeleton/pose.h"

#include <algorithm>
#include <cmath>

namespace wembrix {

namespace {

/// Two clips of one scene, posed frame by frame: nothing is kept of them.
class Comparing {
  public:
    Comparing(const Scene& scene, const Clip& whole, const Clip& part, const std::vector<int>& joints, double height)
        : joints_(joints), whole_(scene, &whole), part_(scene, &part), whole_clip_(whole), part_clip_(part),
          near_m_(1e-3 * std::max(height, 1e-3)) {
        part_.at(0, part_first_);
    }

    /// The frame of the whole at which the part begins, or -1.
    [[nodiscard]] int place() {
        const int count = part_clip_.frames();
        if (!part_moves()) {
            return -1;
        }
        for (int from = 0; from + count <= whole_clip_.frames(); ++from) {
            whole_.at(from / whole_clip_.rate, whole_first_);
            // The last and the middle first: most places are told off by them.
            bool all = same(from, count - 1) && same(from, count / 2);
            for (int f = 0; all && f < count; ++f) {
                all = same(from, f);
            }
            if (all) {
                return from;
            }
        }
        return -1;
    }

  private:
    [[nodiscard]] bool same(int from, int frame) {
        whole_.at((from + frame) / whole_clip_.rate, a_);
        part_.at(frame / part_clip_.rate, b_);
        return alike(a_, whole_first_, b_, part_first_);
    }

    /// Both ways count from the first frames.
    [[nodiscard]] bool alike(const Pose& a, const Pose& a0, const Pose& b, const Pose& b0) const {
        for (const int joint : joints_) {
            const auto j = static_cast<size_t>(joint);
            const Vec3 way = a.local[j].translation - a0.local[j].translation;
            const Vec3 other = b.local[j].translation - b0.local[j].translation;
            if (std::abs(a.local[j].rotation.dot(b.local[j].rotation)) < cos_of_half_ ||
                (way - other).norm() > near_m_) {
                return false;
            }
        }
        for (size_t w = 0; w < a.shape_weights.size() && w < b.shape_weights.size(); ++w) {
            if (std::abs(a.shape_weights[w] - b.shape_weights[w]) > 1e-3) {
                return false;
            }
        }
        return true;
    }

    [[nodiscard]] bool part_moves() {
        for (int f = 1; f < part_clip_.frames(); ++f) {
            part_.at(f / part_clip_.rate, b_);
            if (!alike(b_, part_first_, part_first_, part_first_)) {
                return true;
            }
        }
        return false;
    }

    const std::vector<int>& joints_;
    Poser whole_;
    Poser part_;
    const Clip& whole_clip_;
    const Clip& part_clip_;
    Pose whole_first_;
    Pose part_first_;
    Pose a_;
    Pose b_;
    double near_m_;
    double cos_of_half_ = std::cos(0.05 * std::acos(-1.0) / 180); ///< of half a tenth of a degree
};

} // namespace

std::vector<SameMotion> same_motions(const Scene& scene) {
    const std::vector<int> joints = joints_of(scene);
    const double height = height_m(scene);
    std::vector<size_t> order(scene.clips.size());
    for (size_t c = 0; c < order.size(); ++c) {
        order[c] = c;
    }
    std::stable_sort(order.begin(), order.end(),
                     [&](size_t a, size_t b) { return scene.clips[a].frames() > scene.clips[b].frames(); });
    std::vector<SameMotion> found;
    std::vector<char> is_part(scene.clips.size(), 0);
    for (size_t i = 0; i < order.size(); ++i) {
        const size_t whole = order[i];
        for (size_t k = i + 1; k < order.size(); ++k) {
            const size_t part = order[k];
            const Clip& a = scene.clips[whole];
            const Clip& b = scene.clips[part];
            const bool one_take = a.take == b.take;
            if (is_part[whole] != 0 || is_part[part] != 0 || std::abs(a.rate - b.rate) > 1e-6 ||
                b.frames() * 2 < a.frames() || (one_take && (a.frames() != b.frames() || a.start_s != b.start_s)) ||
                b.frames() < (a.frames() == b.frames() ? 2 : 8)) {
                continue;
            }
            const int from = Comparing(scene, a, b, joints, height).place();
            if (from >= 0) {
                found.push_back({whole, part, from, b.frames()});
                is_part[part] = 1;
            }
        }
    }
    std::sort(found.begin(), found.end(), [](const SameMotion& a, const SameMotion& b) { return a.part < b.part; });
    return found;
}

} // namespace wembrix
