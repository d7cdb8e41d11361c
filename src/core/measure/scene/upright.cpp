#include "core/measure/scene/upright.h"

#include "core/measure/scene/facing.h"
#include "core/measure/skeleton/pose.h"

#include <algorithm>
#include <array>
#include <cctype>
#include <cmath>
#include <vector>

namespace wembrix {

bool has_word(const std::string& name, std::initializer_list<std::string_view> words) {
    std::vector<std::string> parts(1);
    for (size_t i = 0; i < name.size(); ++i) {
        const auto c = static_cast<unsigned char>(name[i]);
        const bool begins = std::isupper(c) != 0 && i > 0 && std::islower(static_cast<unsigned char>(name[i - 1])) != 0;
        if (std::isalpha(c) == 0 || begins) {
            parts.emplace_back();
        }
        if (std::isalpha(c) != 0) {
            parts.back() += static_cast<char>(std::tolower(c));
        }
    }
    return std::any_of(words.begin(), words.end(), [&](std::string_view word) {
        return std::find(parts.begin(), parts.end(), word) != parts.end();
    });
}

std::optional<Vec3> middle_of_joints(const Scene& scene, std::initializer_list<std::string_view> words) {
    const std::vector<Mat4> world = rest_world(scene);
    Vec3 sum = Vec3::Zero();
    int count = 0;
    for (const int joint : joints_of(scene)) {
        if (has_word(scene.nodes[static_cast<size_t>(joint)].name, words)) {
            sum += world[static_cast<size_t>(joint)].col(3).head<3>();
            ++count;
        }
    }
    return count == 0 ? std::nullopt : std::optional<Vec3>(sum / count);
}

namespace {

class Votes {
  public:
    /// `towards` leads upwards, if the ground holds.
    void add(const std::optional<Vec3>& low, const std::optional<Vec3>& high, double weight, const char* reason) {
        if (!low || !high || (*high - *low).norm() < 1e-9) {
            return;
        }
        const Vec3 way = (*high - *low).normalized();
        const Axis axis = nearest_axis(way);
        if (way.dot(direction(axis)) > 0.8) { // what leans says little
            add(axis, weight, reason);
        }
    }
    void add(Axis axis, double weight, const char* reason) {
        weights_.at(static_cast<size_t>(axis)) += weight;
        all_ += weight;
        if (std::string& said = reasons_.at(static_cast<size_t>(axis)); said.empty()) {
            said = reason;
        } else {
            said += std::string(", ") + reason;
        }
    }
    /// Nothing is up along the line from left to right.
    void forbid(Axis across) {
        for (int end = 0; end < 2; ++end) {
            const auto axis = static_cast<size_t>(across) / 2 * 2 + static_cast<size_t>(end);
            all_ -= weights_.at(axis);
            weights_.at(axis) = 0;
        }
    }
    [[nodiscard]] std::optional<Upright> most() const {
        const auto best = std::max_element(weights_.begin(), weights_.end());
        if (*best < 2 || *best < 0.6 * all_) {
            return std::nullopt;
        }
        const auto axis = static_cast<size_t>(best - weights_.begin());
        return Upright{static_cast<Axis>(axis), reasons_.at(axis), *best / all_};
    }

  private:
    std::array<double, 6> weights_{};
    std::array<std::string, 6> reasons_;
    double all_ = 0;
};

/// Over a take something stands on the ground all the time: the side of the scene that moves least.
void vote_by_contact(const Scene& scene, Votes& votes) {
    const auto longest = std::max_element(scene.clips.begin(), scene.clips.end(),
                                          [](const Clip& a, const Clip& b) { return a.seconds < b.seconds; });
    const std::vector<int> joints = joints_of(scene);
    if (longest == scene.clips.end() || longest->frames() < 20 || joints.size() < 5) {
        return;
    }
    constexpr int moments = 60;
    std::array<std::vector<double>, 6> lowest;
    Vec3 size = Vec3::Zero();
    const Poser poser(scene, &*longest);
    Pose pose;
    for (int i = 0; i < moments; ++i) {
        poser.at(longest->seconds * i / (moments - 1), pose);
        Vec3 low = Vec3::Constant(1e300);
        Vec3 high = Vec3::Constant(-1e300);
        for (const int joint : joints) {
            const Vec3 at = pose.world[static_cast<size_t>(joint)].col(3).head<3>();
            low = low.cwiseMin(at);
            high = high.cwiseMax(at);
        }
        size = size.cwiseMax(high - low);
        for (int axis = 0; axis < 3; ++axis) {
            lowest.at(static_cast<size_t>(2 * axis)).push_back(low[axis]);       // up is +axis
            lowest.at(static_cast<size_t>(2 * axis + 1)).push_back(-high[axis]); // up is -axis
        }
    }
    std::array<double, 6> spread{};
    for (size_t a = 0; a < 6; ++a) {
        const auto [least, most] = std::minmax_element(lowest.at(a).begin(), lowest.at(a).end());
        spread.at(a) = *most - *least;
    }
    const auto best = std::min_element(spread.begin(), spread.end());
    std::array<double, 6> sorted = spread;
    std::sort(sorted.begin(), sorted.end());
    const double larger = size.maxCoeff();
    if (larger > 0 && sorted[1] > 0.05 * larger && sorted[0] < 0.35 * sorted[1]) {
        votes.add(static_cast<Axis>(best - spread.begin()), 1.5, "it stands on that side all through a take");
    }
}

} // namespace

std::optional<Upright> upright_of(const Scene& scene) {
    if (joints_of(scene).size() < 5) {
        return std::nullopt;
    }
    const std::optional<Vec3> head = middle_of_joints(scene, {"head", "skull"});
    const std::optional<Vec3> pelvis = middle_of_joints(scene, {"pelvis", "hips", "hip"});
    const std::optional<Vec3> feet =
        middle_of_joints(scene, {"foot", "feet", "ankle", "toe", "toes", "ball", "paw", "hoof"});
    Votes votes;
    votes.add(feet, head, 2, "the head is above the feet");
    votes.add(pelvis, head, 1.5, "the head is above the pelvis");
    votes.add(feet, pelvis, 2, "the pelvis is above the feet");
    vote_by_contact(scene, votes);
    if (const std::optional<Vec3> across = across_of(scene)) {
        const Axis axis = nearest_axis(*across);
        if (across->normalized().dot(direction(axis)) > 0.9) {
            votes.forbid(axis);
        }
    }
    return votes.most();
}

} // namespace wembrix
