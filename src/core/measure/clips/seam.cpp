#include "core/measure/clips/seam.h"

#include "core/math/angles.h"
#include "core/measure/clips/travel.h"
#include "core/measure/skeleton/pose.h"
#include "core/measure/surface/deform.h"
#include "core/measure/surface/weights.h"

#include <algorithm>
#include <cmath>
#include <numeric>

namespace wembrix {

namespace {

/// What is compared of a pose.
struct Stance {
    std::vector<Vec3f> points;       ///< of the surfaces, or the joints' places where there are none
    std::vector<Vec3> places;        ///< of the joints that hold something
    std::vector<Quat> turns;         ///< of the same, under their parents
    std::vector<Quat> above;         ///< of their parents, in the world
    Quat carrier = Quat::Identity(); ///< of the joint that carries the whole, in the world
    Vec3 middle = Vec3::Zero();
};

class Comparison {
  public:
    Comparison(const Scene& scene, const Clip& clip, double height_m)
        : scene_(scene), clip_(clip), poser_(scene, &clip), deformer_(scene), height_(height_m) {
        const std::vector<Holding> holding = holding_of(scene);
        double all = 0;
        for (const Holding& one : holding) {
            all += one.weight;
        }
        for (const int joint : joints_of(scene)) {
            if (all <= 0 || holding[joint].weight > 0) {
                joints_.push_back(joint);
                share_.push_back(all <= 0 ? 1 : holding[joint].weight / all);
            }
        }
        const double sum = std::accumulate(share_.begin(), share_.end(), 0.0);
        for (double& share : share_) {
            share /= sum > 0 ? sum : 1;
        }
        carrier_ = carrying_joint(scene);
        first_ = at(0);
        second_ = at(1 / clip.rate);
    }

    [[nodiscard]] Stance at(double seconds) {
        Pose pose;
        poser_.at(seconds, pose);
        Stance stance;
        for (size_t j = 0; j < joints_.size(); ++j) {
            stance.places.push_back(point_of(pose.world[joints_[j]], Vec3::Zero()));
            stance.turns.push_back(pose.local[joints_[j]].rotation);
            const int parent = scene_.nodes[joints_[j]].parent;
            stance.above.push_back(parent < 0 ? Quat::Identity()
                                              : Quat(nearest_rotation(linear_of(pose.world[parent]))));
            stance.middle += stance.places.back() * share_[j];
        }
        if (carrier_ >= 0) {
            stance.carrier = Quat(nearest_rotation(linear_of(pose.world[carrier_])));
        }
        stance.points.resize(deformer_.point_count());
        deformer_.points(pose, stance.points);
        if (stance.points.empty()) {
            for (const Vec3& place : stance.places) {
                stance.points.push_back(place.cast<float>());
            }
        }
        return stance;
    }

    [[nodiscard]] Seam seam_at(double seconds) {
        const Stance last = at(seconds);
        const Stance before = at(std::max(0.0, seconds - 1 / clip_.rate));
        Seam seam;
        Vec3 travelled = last.middle - first_.middle;
        travelled.y() = 0;
        seam.travel_m = travelled.norm();
        seam.travels = seam.travel_m > 0.1 * height_;
        const double turn = turn_between(first_, last);
        seam.turn_deg = turn * degrees_per_radian;
        seam.turns = std::abs(seam.turn_deg) > 20;
        // Where the last pose would be, had the whole not gone and turned: about its middle, then back by the way.
        const Quat back(Eigen::AngleAxisd(seam.turns ? -turn : 0, Vec3::UnitY()));
        const Vec3 from = Vec3(last.middle.x(), 0, last.middle.z());
        const Vec3 to = from - (seam.travels || seam.turns ? travelled : Vec3::Zero());
        seam.aligned.topLeftCorner<3, 3>() = back.toRotationMatrix();
        seam.aligned.topRightCorner<3, 1>() = to - back * from;
        size_t farthest = 0;
        for (size_t i = 0; i < last.points.size(); ++i) {
            const Vec3 there = point_of(seam.aligned, last.points[i].cast<double>());
            const double apart = (there - first_.points[i].cast<double>()).norm() * 1000;
            if (apart > seam.apart_mm) {
                seam.apart_mm = apart;
                farthest = i;
            }
        }
        seam.apart_at = holder_of(farthest);
        for (size_t j = 0; j < joints_.size(); ++j) {
            double turned = last.turns[j].angularDistance(first_.turns[j]) * degrees_per_radian;
            if (seam.turns && last.above[j].angularDistance(first_.above[j]) < 1e-6) {
                // What is above it stands still: the turn of the whole is this joint's own.
                const Quat own = last.above[j].conjugate() * back * last.above[j] * last.turns[j];
                turned = std::min(turned, own.angularDistance(first_.turns[j]) * degrees_per_radian);
            }
            if (share_[j] >= 0.01 && turned > seam.turned_deg) {
                seam.turned_deg = turned;
                seam.turned_joint = scene_.nodes[joints_[j]].name;
            }
            const Vec3 arriving = back * (last.places[j] - before.places[j]) * clip_.rate;
            const Vec3 leaving = (second_.places[j] - first_.places[j]) * clip_.rate;
            seam.speed_m_s = std::max(seam.speed_m_s, (arriving - leaving).norm());
        }
        return seam;
    }

  private:
    /// How far what carries the whole turned about up, radians: that part of its turn (swing and twist). Of what lies
    /// or hangs head down it cannot be told: 0.
    [[nodiscard]] double turn_between(const Stance& one, const Stance& other) const {
        if (carrier_ < 0) {
            return 0;
        }
        const Quat turn = other.carrier * one.carrier.conjugate();
        return std::hypot(turn.y(), turn.w()) < 0.5
                   ? 0
                   : std::remainder(2 * std::atan2(turn.y(), turn.w()), 360 / degrees_per_radian);
    }

    /// The joint that holds a point of the stance most; the surface's own name where none does.
    [[nodiscard]] std::string holder_of(size_t point) const {
        if (deformer_.point_count() == 0) {
            return point < joints_.size() ? scene_.nodes[joints_[point]].name : "";
        }
        for (const Deformer::Surface& surface : deformer_.surfaces()) {
            if (point < surface.first || point >= surface.first + surface.count) {
                continue;
            }
            const Node& node = scene_.nodes[surface.node];
            const Influences& rows = node.influences;
            const size_t row = point - surface.first;
            if (node.skin < 0 || rows.offsets.empty() || rows.offsets[row] == rows.offsets[row + 1]) {
                return node.name;
            }
            const auto begin = rows.weights.begin() + rows.offsets[row];
            const auto end = rows.weights.begin() + rows.offsets[row + 1];
            const auto heaviest = std::max_element(begin, end) - rows.weights.begin();
            return scene_.nodes[scene_.skins[node.skin].joints[rows.joints[heaviest]]].name;
        }
        return "";
    }

    const Scene& scene_;
    const Clip& clip_;
    Poser poser_;
    Deformer deformer_;
    std::vector<int> joints_;
    std::vector<double> share_; ///< of the surface that each of them holds
    double height_;
    int carrier_ = -1;
    Stance first_;
    Stance second_;
};

} // namespace

bool Seam::closes(double height_m) const {
    return apart_mm <= 5 * std::max(height_m, 1e-9);
}

Seam measure_seam(const Scene& scene, const Clip& clip, double height_m) {
    return Comparison(scene, clip, height_m).seam_at((clip.frames() - 1) / clip.rate);
}

std::optional<Closing> nearest_closing(const Scene& scene, const Clip& clip, double height_m, double take_end_s) {
    Comparison comparison(scene, clip, height_m);
    const int frames = clip.frames();
    const int around = std::max(2, frames / 4);
    std::optional<Closing> best;
    double least = 0;
    for (int frame = std::max(2, frames - 1 - around); frame <= frames - 1 + around; ++frame) {
        if (clip.start_s + frame / clip.rate > take_end_s + 1e-6) {
            break;
        }
        Closing closing{frame, comparison.seam_at(frame / clip.rate)};
        // A millimetre a metre of height counts as much as a degree.
        const double cost = closing.seam.apart_mm / std::max(height_m, 1e-9) + closing.seam.turned_deg;
        if (!best || cost < least - 1e-12) {
            least = cost;
            best = std::move(closing);
        }
    }
    return best;
}

} // namespace wembrix
