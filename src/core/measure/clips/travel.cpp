#include "core/measure/clips/travel.h"

#include "core/math/angles.h"
#include "core/measure/skeleton/pose.h"
#include "core/measure/surface/weights.h"

#include <algorithm>
#include <cmath>

namespace wembrix {

namespace {

/// The part of a turn that is about +Y (swing and twist).
double about_up(const Quat& turn) {
    return 2 * std::atan2(turn.y(), turn.w());
}

} // namespace

Vec3 Trajectory::place_at(double seconds) const {
    const double at = std::clamp(seconds * rate, 0.0, static_cast<double>(place.size()) - 1);
    const auto from = std::min(static_cast<size_t>(at), place.size() - 1);
    const size_t to = std::min(from + 1, place.size() - 1);
    return place[from] + (place[to] - place[from]) * (at - static_cast<double>(from));
}

double Trajectory::heading_at(double seconds) const {
    const double at = std::clamp(seconds * rate, 0.0, static_cast<double>(heading.size()) - 1);
    const auto from = std::min(static_cast<size_t>(at), heading.size() - 1);
    const size_t to = std::min(from + 1, heading.size() - 1);
    return heading[from] + (heading[to] - heading[from]) * (at - static_cast<double>(from));
}

Trajectory trajectory_of(const Scene& scene, const Clip& clip, int joint, double rate, double from_s, int frames) {
    Trajectory trajectory;
    trajectory.rate = rate;
    const Quat rest(nearest_rotation(linear_of(rest_world(scene)[joint])));
    const Poser poser(scene, &clip);
    Pose pose;
    for (int f = 0; f < frames; ++f) {
        poser.at(from_s + f / rate, pose);
        trajectory.place.emplace_back(pose.world[joint].topRightCorner<3, 1>());
        const Quat now(nearest_rotation(linear_of(pose.world[joint])));
        double heading = about_up(now * rest.conjugate());
        if (!trajectory.heading.empty()) {
            heading += std::round((trajectory.heading.back() - heading) / (2 * pi)) * 2 * pi;
        }
        trajectory.heading.push_back(heading);
    }
    return trajectory;
}

void smooth(Trajectory& trajectory, int frames) {
    const int reach = frames / 2;
    const Trajectory before = trajectory;
    const int count = static_cast<int>(trajectory.place.size());
    for (int f = 0; f < count; ++f) {
        // Near the ends the window shrinks, so that what begins somewhere still begins there.
        const int side = std::min({reach, f, count - 1 - f});
        Vec3 place = Vec3::Zero();
        double heading = 0;
        double all = 0;
        for (int k = -side; k <= side; ++k) {
            const double weight = side + 1 - std::abs(k);
            place += before.place[static_cast<size_t>(f + k)] * weight;
            heading += before.heading[static_cast<size_t>(f + k)] * weight;
            all += weight;
        }
        trajectory.place[static_cast<size_t>(f)] = place / all;
        trajectory.heading[static_cast<size_t>(f)] = heading / all;
    }
}

Travel travel_of(const Trajectory& trajectory) {
    Travel travel;
    if (trajectory.place.size() < 2) {
        return travel;
    }
    const auto over_ground = [&](size_t from, size_t to) {
        const Vec3 by = trajectory.place[to] - trajectory.place[from];
        return std::hypot(by.x(), by.z());
    };
    const size_t last = trajectory.place.size() - 1;
    travel.metres = over_ground(0, last);
    travel.turn_degrees = (trajectory.heading[last] - trajectory.heading[0]) * 180 / pi;
    for (size_t f = 1; f <= last; ++f) {
        const double step = over_ground(f - 1, f);
        travel.along_m += step;
        if (step * trajectory.rate > travel.top_m_s) {
            travel.top_m_s = step * trajectory.rate;
            travel.top_frame = static_cast<int>(f);
        }
    }
    travel.mean_m_s = travel.along_m * trajectory.rate / static_cast<double>(last);
    return travel;
}

int carrying_joint(const Scene& scene) {
    const std::vector<int> roots = root_joints(scene);
    if (roots.empty()) {
        return -1;
    }
    const std::vector<Holding> held = holding_of(scene);
    // Parents come before their children: one pass from the end counts what is below each.
    std::vector<std::vector<int>> below(scene.nodes.size());
    std::vector<size_t> joints_at_and_below(scene.nodes.size(), 0);
    for (size_t n = scene.nodes.size(); n-- > 0;) {
        const Node& node = scene.nodes[n];
        const bool is_joint = node.kind == NodeKind::joint;
        joints_at_and_below[n] += is_joint ? 1 : 0;
        if (node.parent >= 0) {
            joints_at_and_below[static_cast<size_t>(node.parent)] += joints_at_and_below[n];
            if (is_joint) {
                below[static_cast<size_t>(node.parent)].push_back(static_cast<int>(n));
            }
        }
    }
    int at = roots[0];
    while (at >= 0) {
        std::vector<int>& under = below[static_cast<size_t>(at)];
        if (at != roots[0] && (held[static_cast<size_t>(at)].points > 0 || under.size() > 1)) {
            return at;
        }
        // Of several below the root, the one with the most below it; of equal ones the first.
        std::reverse(under.begin(), under.end());
        const auto most = std::max_element(under.begin(), under.end(), [&](int a, int b) {
            return joints_at_and_below[static_cast<size_t>(a)] < joints_at_and_below[static_cast<size_t>(b)];
        });
        at = most == under.end() ? -1 : *most;
    }
    return -1;
}

} // namespace wembrix
