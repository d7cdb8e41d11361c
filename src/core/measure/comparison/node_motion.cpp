// Where every node of a clip's file stands at each frame, in the file's own hierarchy: joints that hold no surface,
// attachment points, lids.
#include "core/base/text.h"
#include "core/math/angles.h"
#include "core/measure/comparison/compare_scenes.h"
#include "core/measure/comparison/subjects.h"
#include "core/measure/skeleton/pose.h"

#include <algorithm>
#include <cmath>

namespace wembrix {

namespace {

struct Furthest {
    double moved_m = 0;
    int moved_at = 0;
    double rotated = 0;
    int rotated_at = 0;
};

} // namespace

Claim compare_node_motion(const MotionRequest& request) {
    const Scene& expected = *request.expected;
    const Scene& actual = *request.actual;
    std::vector<std::pair<int, int>> pairs;
    for (size_t i = 0; i < actual.nodes.size(); ++i) {
        const int other = expected.find_node(actual.nodes[i].name);
        if (actual.nodes[i].mesh < 0 && other >= 0) { // what has a mesh here only lends its shapes' names
            pairs.emplace_back(other, static_cast<int>(i));
        }
    }
    std::vector<Furthest> furthest(pairs.size());
    const Poser expected_poser(expected, request.expected_clip);
    const Poser actual_poser(actual, request.actual_clip);
    Pose was;
    Pose is;
    for (int frame = 0; frame < request.frames; ++frame) {
        expected_poser.at(frame / request.rate, was);
        actual_poser.at(frame / request.rate, is);
        for (size_t p = 0; p < pairs.size(); ++p) {
            const Mat4& from = was.world[static_cast<size_t>(pairs[p].first)];
            const Mat4& to = is.world[static_cast<size_t>(pairs[p].second)];
            Furthest& most = furthest[p];
            const double moved = (point_of(from, Vec3::Zero()) - point_of(to, Vec3::Zero())).norm();
            if (!(moved <= most.moved_m)) {
                most.moved_m = moved;
                most.moved_at = frame;
            }
            // Frobenius: of two rotations, 2 sqrt(2) sin(angle / 2).
            const double apart =
                (nearest_rotation(linear_of(from)) - nearest_rotation(linear_of(to))).norm() / std::sqrt(2.0);
            if (!(apart <= most.rotated)) {
                most.rotated = apart;
                most.rotated_at = frame;
            }
        }
    }
    Subject motion("Motion of nodes", "node");
    for (size_t p = 0; p < pairs.size(); ++p) {
        const std::string& name = expected.nodes[static_cast<size_t>(pairs[p].first)].name;
        motion.compared();
        if (!(furthest[p].moved_m * 1000 <= request.limit_mm)) {
            motion.differs(name,
                           phrase("{:.3f} mm away at frame {}", furthest[p].moved_m * 1000, furthest[p].moved_at));
        } else if (!(furthest[p].rotated <= request.limit_radians)) {
            motion.differs(name, phrase("rotated by {:.3f}° at frame {}", furthest[p].rotated * degrees_per_radian,
                                        furthest[p].rotated_at));
        }
    }
    return motion.claim();
}

} // namespace wembrix
