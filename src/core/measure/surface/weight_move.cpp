#include "core/measure/surface/weight_move.h"

#include "core/measure/skeleton/pose.h"

#include <Eigen/LU>
#include <algorithm>
#include <cmath>

namespace wembrix {

namespace {

/// How a shape moves a point.
struct Push {
    int weight = 0; ///< place in Pose::shape_weights
    Vec3 by;
};

/// A point that a joint gives away: where it is in the skin's own space, what shapes do to it, and its share.
struct Given {
    Vec3 place;
    std::vector<Push> pushes;
    double share = 0;

    [[nodiscard]] Vec3 shaped(const Pose& pose) const {
        Vec3 at = place;
        for (const Push& push : pushes) {
            at += push.by * pose.shape_weights[static_cast<size_t>(push.weight)];
        }
        return at;
    }
};

struct Group {
    size_t move = 0; ///< in the list of results
    int skin = -1;
    Mat4 bind = Mat4::Identity();    ///< of the joint
    Mat4 to_bind = Mat4::Identity(); ///< of the one that takes over
    std::vector<Given> points;
};

Mat4 bind_of(const Skin& skin, int joint) {
    const auto found = std::find(skin.joints.begin(), skin.joints.end(), joint);
    return skin.inverse_binds[static_cast<size_t>(found - skin.joints.begin())];
}

/// The bind that the one who takes over has, or is given: so that what the first of the skin's joints hands to it does
/// not move at rest.
Mat4 bind_of_taker(const Skin& skin, int taker, const std::map<int, int>& to, const std::vector<Mat4>& world) {
    if (std::find(skin.joints.begin(), skin.joints.end(), taker) != skin.joints.end()) {
        return bind_of(skin, taker);
    }
    for (size_t j = 0; j < skin.joints.size(); ++j) {
        const auto goes = to.find(skin.joints[j]);
        if (goes != to.end() && goes->second == taker) {
            return world[taker].inverse() * world[skin.joints[j]] * skin.inverse_binds[j];
        }
    }
    return world[taker].inverse();
}

/// Of each point; empty for a surface without shapes.
std::vector<std::vector<Push>> pushes_of(const Mesh& mesh, int offset) {
    std::vector<std::vector<Push>> pushes(mesh.shapes.empty() ? 0 : mesh.point_count());
    for (size_t s = 0; s < mesh.shapes.size(); ++s) {
        const MorphTarget& shape = mesh.shapes[s];
        for (size_t k = 0; k < shape.points.size(); ++k) {
            pushes[shape.points[k]].push_back({offset + static_cast<int>(s), shape.positions[k].cast<double>()});
        }
    }
    return pushes;
}

std::vector<Group> groups_of(const Scene& scene, const std::map<int, int>& to, std::vector<WeightMove>& moves) {
    const std::vector<Mat4> world = rest_world(scene);
    std::map<int, size_t> place;
    for (const auto& [joint, taker] : to) {
        place[joint] = moves.size();
        WeightMove move;
        move.joint = joint;
        move.to = taker;
        moves.push_back(std::move(move));
    }
    std::vector<Group> groups;
    const Poser poser(scene, nullptr);
    for (size_t n = 0; n < scene.nodes.size(); ++n) {
        const Node& node = scene.nodes[n];
        if (node.mesh < 0 || node.skin < 0) {
            continue;
        }
        const std::vector<std::vector<Push>> pushes =
            pushes_of(scene.meshes[node.mesh], poser.shape_offset(static_cast<int>(n)));
        const Skin& skin = scene.skins[node.skin];
        const Mesh& mesh = scene.meshes[node.mesh];
        std::map<int, size_t> own; // joint to group
        const Influences& rows = node.influences;
        for (size_t i = 0; i + 1 < rows.offsets.size(); ++i) {
            double sum = 0;
            for (uint32_t k = rows.offsets[i]; k < rows.offsets[i + 1]; ++k) {
                sum += rows.weights[k];
            }
            for (uint32_t k = rows.offsets[i]; k < rows.offsets[i + 1] && sum > 0; ++k) {
                const int joint = skin.joints[rows.joints[k]];
                const auto move = place.find(joint);
                if (move == place.end() || rows.weights[k] <= 0) {
                    continue;
                }
                const auto [at, fresh] = own.try_emplace(joint, groups.size());
                if (fresh) {
                    Group group;
                    group.move = move->second;
                    group.skin = node.skin;
                    group.bind = bind_of(skin, joint);
                    group.to_bind = bind_of_taker(skin, to.at(joint), to, world);
                    groups.push_back(std::move(group));
                }
                groups[at->second].points.push_back({mesh.positions[i].cast<double>(),
                                                     pushes.empty() ? std::vector<Push>() : pushes[i],
                                                     rows.weights[k] / sum});
                ++moves[move->second].points;
            }
        }
    }
    return groups;
}

void take_pose(const Pose& pose, const std::vector<Group>& groups, const std::string& clip, int frame,
               std::vector<WeightMove>& moves) {
    for (const Group& group : groups) {
        WeightMove& move = moves[group.move];
        const Mat4 apart = pose.world[move.joint] * group.bind - pose.world[move.to] * group.to_bind;
        if (apart.topRows<3>().cwiseAbs().maxCoeff() < 1e-12) {
            continue;
        }
        for (const Given& given : group.points) {
            const double mm =
                (linear_of(apart) * given.shaped(pose) + apart.topRightCorner<3, 1>()).norm() * given.share * 1000;
            if (mm > move.largest_mm) {
                move.largest_mm = mm;
                move.clip = clip;
                move.frame = frame;
            }
        }
    }
}

} // namespace

std::vector<WeightMove> measure_weight_moves(const Scene& scene, const std::map<int, int>& to,
                                             const std::function<bool()>& stop) {
    std::vector<WeightMove> moves;
    const std::vector<Group> groups = groups_of(scene, to, moves);
    if (groups.empty()) {
        return moves;
    }
    take_pose(Poser(scene, nullptr).rest(), groups, "", 0, moves);
    Pose pose;
    for (const Clip& clip : scene.clips) {
        const Poser poser(scene, &clip);
        for (int frame = 0; frame < clip.frames(); ++frame) {
            if (stop && stop()) {
                return moves;
            }
            poser.at(frame / clip.rate, pose);
            take_pose(pose, groups, clip.name, frame, moves);
        }
    }
    return moves;
}

} // namespace wembrix
