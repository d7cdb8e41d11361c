#include "core/measure/scene/facing.h"

#include "core/measure/clips/travel.h"
#include "core/measure/scene/bounds.h"
#include "core/measure/scene/upright.h"
#include "core/measure/skeleton/pairs.h"

#include <algorithm>
#include <array>
#include <vector>

namespace wembrix {

namespace {

Vec3 over_ground(const Vec3& way) {
    return {way.x(), 0, way.z()};
}

/// Grounds that point ahead, each as heavy as it is sure.
class Ahead {
  public:
    void add(const std::optional<Vec3>& from, const std::optional<Vec3>& to, double weight, const char* reason) {
        if (from && to) {
            add(over_ground(*to - *from), weight, reason);
        }
    }
    void add(const Vec3& way, double weight, const char* reason) {
        if (way.norm() < 1e-6) {
            return;
        }
        const Axis axis = nearest_axis(way);
        if (way.normalized().dot(direction(axis)) < 0.8) {
            return;
        }
        weights_.at(static_cast<size_t>(axis)) += weight;
        all_ += weight;
        std::string& said = reasons_.at(static_cast<size_t>(axis));
        said += said.empty() ? reason : std::string(" and ") + reason;
    }
    [[nodiscard]] std::optional<Facing> most() const {
        const auto best = std::max_element(weights_.begin(), weights_.end());
        if (*best <= 0 || *best < 0.6 * all_) {
            return std::nullopt;
        }
        const auto axis = static_cast<size_t>(best - weights_.begin());
        return Facing{static_cast<Axis>(axis), reasons_.at(axis), *best / (all_ + 1)};
    }

  private:
    std::array<double, 6> weights_{};
    std::array<std::string, 6> reasons_;
    double all_ = 0;
};

void add_rest_grounds(const Scene& scene, Ahead& ahead) {
    const std::optional<Vec3> feet = middle_of_joints(scene, {"foot", "feet", "ankle"});
    const std::optional<Vec3> head = middle_of_joints(scene, {"head", "skull"});
    ahead.add(feet, middle_of_joints(scene, {"toe", "toes", "ball"}), 3, "toes before the feet");
    ahead.add(head, middle_of_joints(scene, {"eye", "eyes", "eyeball"}), 3, "eyes before the head");
    ahead.add(head, middle_of_joints(scene, {"beak", "nose", "snout", "jaw"}), 2, "the face before the head");
    const std::optional<Vec3> knee = middle_of_joints(scene, {"knee", "shin", "calf"});
    const std::optional<Vec3> hip = middle_of_joints(scene, {"thigh", "upleg"});
    if (knee && hip && feet && (*feet - *hip).norm() > 1e-6) {
        // The knee against the straight line from hip to foot.
        const Vec3 leg = *feet - *hip;
        const Vec3 on_line = *hip + leg * ((*knee - *hip).dot(leg) / leg.squaredNorm());
        if ((*knee - on_line).norm() > 0.01 * leg.norm()) {
            ahead.add(over_ground(*knee - on_line), 1, "knees bend ahead");
        }
    }
}

} // namespace

Side side_of(std::string_view name) {
    return side_word(name).side;
}

std::optional<Vec3> across_of(const Scene& scene) {
    const std::vector<Mat4> world = rest_world(scene);
    Vec3 left = Vec3::Zero();
    Vec3 right = Vec3::Zero();
    int lefts = 0;
    int rights = 0;
    for (const int joint : joints_of(scene)) {
        const Side side = side_of(scene.nodes[static_cast<size_t>(joint)].name);
        const Vec3 place = point_of(world[static_cast<size_t>(joint)], Vec3::Zero());
        if (side == Side::left) {
            left += place;
            ++lefts;
        } else if (side == Side::right) {
            right += place;
            ++rights;
        }
    }
    return lefts == 0 || rights == 0 ? std::nullopt : std::optional<Vec3>(left / lefts - right / rights);
}

std::optional<Facing> facing_of(const Scene& scene) {
    if (const std::optional<Vec3> across = across_of(scene)) {
        const Vec3 ahead = over_ground(*across).cross(Vec3::UnitY());
        if (ahead.norm() < 1e-9 * std::max(1.0, across->norm())) {
            return std::nullopt; // the sides lie above one another: the character does not stand upright
        }
        int lefts = 0;
        int rights = 0;
        for (const int joint : joints_of(scene)) {
            const Side side = side_of(scene.nodes[static_cast<size_t>(joint)].name);
            lefts += side == Side::left ? 1 : 0;
            rights += side == Side::right ? 1 : 0;
        }
        return Facing{nearest_axis(ahead),
                      std::to_string(std::min(lefts, rights)) + " joints name a left and a right side", 1};
    }
    Ahead ahead;
    add_rest_grounds(scene, ahead);
    return ahead.most();
}

std::optional<Facing> guess_facing(const Scene& scene) {
    if (std::optional<Facing> facing = facing_of(scene)) {
        return facing;
    }
    const int carrier = carrying_joint(scene);
    const double height = height_m(scene);
    Ahead ahead;
    for (const Clip& clip : scene.clips) {
        if (carrier < 0 || clip.frames() < 10) {
            continue;
        }
        const Trajectory trajectory = trajectory_of(scene, clip, carrier, clip.rate, 0, clip.frames());
        const Vec3 way = over_ground(trajectory.place.back() - trajectory.place.front());
        if (way.norm() > height) {
            ahead.add(way, 1, "the way it goes");
        }
    }
    return ahead.most();
}

} // namespace wembrix
