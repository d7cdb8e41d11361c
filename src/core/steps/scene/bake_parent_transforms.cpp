// Folds what stands above joints and surfaces (turn, scale, mirror) into the data, and takes it away.
//
// Let M be the rest matrix of the holders above a joint, M = T R C with T a translation, R a rotation and C one
// factor with or without a mirror along x. Every node n below gets W'n = Wn C^-1, so joints keep their places and
// turns and no joint has a scale or mirror above it. Locally that is L' = C L C^-1, for the topmost T R C L C^-1:
// linear in translations and quaternions, hence exact for stepped, linear and cubic keys alike.
// Holders that move, or that scale unevenly, have no such C; below those every frame is keyed anew.
#include "core/base/text.h"
#include "core/math/angles.h"
#include "core/measure/skeleton/pose.h"
#include "core/scene/change_keys.h"
#include "core/scene/own_meshes.h"
#include "core/scene/visit.h"
#include "core/steps/clips/rekey.h"
#include "core/steps/names.h"
#include "core/steps/skeleton/reframe.h"
#include "core/steps/step_kind.h"

#include <Eigen/LU>
#include <algorithm>

namespace wembrix {

namespace {

struct Frame {
    Vec3 offset = Vec3::Zero();
    Quat turn = Quat::Identity();
    double factor = 1;
    bool mirror = false;
    bool exact = true; ///< C is one factor and a mirror, and the holders stand still
    bool even = true;  ///< C is one factor and a mirror

    [[nodiscard]] Mat4 correction() const {
        Mat4 c = scaling(factor);
        c(0, 0) = mirror ? -factor : factor;
        return c;
    }
    [[nodiscard]] Vec3 inner(const Vec3& v) const {
        return {mirror ? -factor * v.x() : factor * v.x(), factor * v.y(), factor * v.z()};
    }
    [[nodiscard]] Quat inner(const Quat& q) const { return mirror ? Quat(q.w(), q.x(), -q.y(), -q.z()) : q; }
};

Frame frame_of(const Mat4& above) {
    Frame frame;
    frame.offset = above.topRightCorner<3, 1>();
    const Mat3 linear = linear_of(above);
    const double volume = linear.determinant();
    frame.mirror = volume < 0;
    frame.factor = std::cbrt(std::abs(volume));
    if (frame.factor < 1e-12) {
        frame.factor = 1;
    }
    frame.even = is_similarity(linear);
    frame.exact = frame.even;
    Mat3 proper = linear / frame.factor;
    proper.col(0) *= frame.mirror ? -1 : 1;
    frame.turn = Quat(nearest_rotation(proper)).normalized();
    return frame;
}

enum class Role {
    gone,    ///< a holder
    follows, ///< below a holder by the rule at the top of this file
    placed,  ///< stands still: its turn and scale go into its data
    skinned, ///< a surface that only its joints place
};

class Fold {
  public:
    explicit Fold(const Scene& scene) : from_(scene), to_(scene), world_(rest_world(scene)) {}

    StepResult run() {
        sort_out();
        StepResult result;
        if (!any_) {
            result.scene = from_;
            result.account = "no parent transform stands above joints or surfaces";
            return result;
        }
        own_meshes(to_);
        place_nodes();
        fold_channels();
        fold_surfaces();
        fold_binds();
        if (!uneven_.empty()) {
            result.could_not.push_back(phrase("{} scales unevenly: below it joints keep their places, but turned "
                                              "joints cannot stretch a surface the same way",
                                              some_of(uneven_)));
        }
        if (!moving_.empty()) {
            result.could_not.push_back(
                phrase("{} moves: its motion went into the joints, keyed at every frame", some_of(moving_)));
        }
        remove_holders();
        result.account = account();
        result.scene = std::move(to_);
        return result;
    }

  private:
    void sort_out() {
        const size_t count = from_.nodes.size();
        std::vector<char> moves(count, 0);
        for (const Clip& clip : from_.clips) {
            for (const Channel& channel : clip.channels) {
                moves[channel.node] = moves[channel.node] != 0 || channel.path != Path::weights ? 1 : 0;
            }
        }
        std::vector<char> moves_below = moves;
        std::vector<char> under_joint(count, 0);
        for (size_t i = count; i-- > 0;) {
            if (from_.nodes[i].parent >= 0 && moves_below[i] != 0) {
                moves_below[from_.nodes[i].parent] = 1;
            }
        }
        role_.assign(count, Role::follows);
        above_.assign(count, -1);
        frames_.assign(count, Frame{});
        std::vector<char> holder_moves(count, 0);
        for (size_t i = 0; i < count; ++i) {
            const Node& node = from_.nodes[i];
            const int parent = node.parent;
            // A skinned surface places nothing that hangs below it any more than a holder will.
            const bool holder_above = parent >= 0 && (role_[parent] == Role::gone || role_[parent] == Role::skinned);
            under_joint[i] =
                parent >= 0 && (under_joint[parent] != 0 || from_.nodes[parent].kind == NodeKind::joint) ? 1 : 0;
            holder_moves[i] = holder_above && holder_moves[parent] != 0 ? 1 : 0;
            if (node.kind == NodeKind::parent_transform) {
                role_[i] = Role::gone;
                above_[i] = parent;
                holder_moves[i] = holder_moves[i] != 0 || moves[i] != 0 ? 1 : 0;
                any_ = true;
                holders_.push_back(static_cast<int>(i));
                if (moves[i] != 0) {
                    moving_.push_back(node.name);
                }
                continue;
            }
            above_[i] = parent;
            while (above_[i] >= 0 && (role_[above_[i]] == Role::gone || role_[above_[i]] == Role::skinned)) {
                above_[i] = from_.nodes[above_[i]].parent;
            }
            if (node.mesh >= 0 && node.skin >= 0) {
                role_[i] = Role::skinned;
                above_[i] = -1;
                any_ = any_ || holder_above || parent >= 0 || !node.rest.matrix().isIdentity(1e-9);
                continue;
            }
            const bool still =
                under_joint[i] == 0 && moves_below[i] == 0 && holder_moves[i] == 0 && node.kind != NodeKind::joint;
            if (still && (holder_above || (parent >= 0 && role_[parent] == Role::placed) ||
                          (parent < 0 && node.kind == NodeKind::surface))) {
                role_[i] = Role::placed;
                any_ = any_ || !linear_of(node.rest.matrix()).isIdentity(1e-9);
                continue;
            }
            if (holder_above) {
                frames_[i] = frame_of(world_[parent]);
                frames_[i].exact = frames_[i].even && holder_moves[i] == 0 && above_[i] < 0;
                if (!frames_[i].even) {
                    note_uneven(parent);
                }
                tops_.push_back(static_cast<int>(i));
            } else if (parent >= 0) {
                frames_[i] = frames_[parent];
            }
        }
    }

    void note_uneven(int holder) {
        for (int at = holder; at >= 0; at = from_.nodes[at].parent) {
            const Vec3& scale = from_.nodes[at].rest.scale;
            if ((scale.cwiseAbs().array() - std::abs(scale.x())).abs().maxCoeff() >
                    1e-6 * scale.cwiseAbs().maxCoeff() &&
                std::find(uneven_.begin(), uneven_.end(), from_.nodes[at].name) == uneven_.end()) {
                uneven_.push_back(from_.nodes[at].name);
            }
        }
        if (uneven_.empty()) {
            uneven_.push_back(from_.nodes[holder].name);
        }
    }

    [[nodiscard]] Mat4 folded_world(size_t node, const Mat4& world) const {
        const Frame& frame = frames_[node];
        switch (role_[node]) {
        case Role::skinned:
            return Mat4::Identity();
        case Role::placed: {
            if (from_.nodes[node].mesh >= 0) {
                return translating(world.topRightCorner<3, 1>());
            }
            Mat4 plain = translating(world.topRightCorner<3, 1>());
            plain.topLeftCorner<3, 3>() = nearest_rotation(linear_of(world));
            return plain;
        }
        default:
            break;
        }
        Mat4 inner = world * frame.correction().inverse();
        if (!frame.even) {
            const Mat3 turn = nearest_rotation(linear_of(inner));
            inner.topLeftCorner<3, 3>() = turn;
        }
        return inner;
    }

    void place_nodes() {
        new_world_.resize(from_.nodes.size());
        for (size_t i = 0; i < from_.nodes.size(); ++i) {
            if (role_[i] == Role::gone) {
                continue;
            }
            Node& node = to_.nodes[i];
            node.parent = above_[i];
            if (role_[i] == Role::follows && frames_[i].exact) {
                const Frame& frame = frames_[i];
                node.rest.translation = frame.inner(node.rest.translation);
                node.rest.rotation = frame.inner(node.rest.rotation);
                if (is_top(i)) {
                    node.rest.translation = frame.offset + frame.turn * node.rest.translation;
                    node.rest.rotation = (frame.turn * node.rest.rotation).normalized();
                }
                new_world_[i] =
                    node.parent < 0 ? node.rest.matrix() : Mat4(new_world_[node.parent] * node.rest.matrix());
                continue;
            }
            new_world_[i] = folded_world(i, world_[i]);
            const Mat4 local =
                node.parent < 0 ? new_world_[i] : Mat4(new_world_[node.parent].inverse() * new_world_[i]);
            node.rest = decompose(local).transform;
        }
    }

    [[nodiscard]] bool is_top(size_t node) const {
        return std::binary_search(tops_.begin(), tops_.end(), static_cast<int>(node));
    }

    void fold_channels() {
        for (size_t c = 0; c < to_.clips.size(); ++c) {
            Clip& clip = to_.clips[c];
            std::vector<int> anew;
            for (size_t i = 0; i < from_.nodes.size(); ++i) {
                if (role_[i] == Role::follows && (!frames_[i].exact && (is_top(i) || !frames_[i].even))) {
                    anew.push_back(static_cast<int>(i));
                }
            }
            std::erase_if(clip.channels, [&](const Channel& channel) {
                const bool weights = channel.path == Path::weights;
                return role_[channel.node] == Role::gone ||
                       (!weights && (role_[channel.node] != Role::follows ||
                                     std::find(anew.begin(), anew.end(), channel.node) != anew.end()));
            });
            for (Channel& channel : clip.channels) {
                if (channel.path == Path::translation || channel.path == Path::rotation) {
                    fold_channel(channel);
                }
            }
            if (!anew.empty()) {
                key_below(from_.clips[c], anew, clip);
            }
        }
    }

    void fold_channel(Channel& channel) const {
        const Frame& frame = frames_[channel.node];
        const bool top = is_top(channel.node);
        if (!top && !frame.mirror && frame.factor == 1) {
            return;
        }
        change_keys(
            channel,
            [&](const Vec3& v, bool tangent) {
                const Vec3 moved = frame.inner(v);
                return top ? Vec3(frame.turn * moved + (tangent ? Vec3::Zero() : frame.offset)) : moved;
            },
            [&](const Quat& q) { return top ? frame.turn * frame.inner(q) : frame.inner(q); },
            [](double s) { return s; });
    }

    /// Keys at every frame and at every key that was there.
    void key_below(const Clip& before, const std::vector<int>& nodes, Clip& clip) const {
        std::vector<Mat4> world(from_.nodes.size());
        const auto place = [&](double, const Pose& pose, std::vector<Transform>& locals) {
            for (size_t i = 0; i < world.size(); ++i) {
                if (role_[i] != Role::gone) {
                    world[i] = folded_world(i, pose.world[i]);
                }
            }
            for (size_t n = 0; n < nodes.size(); ++n) {
                const int above = above_[nodes[n]];
                locals[n] =
                    decompose(above < 0 ? world[nodes[n]] : Mat4(world[above].inverse() * world[nodes[n]])).transform;
            }
        };
        resample(from_, before, nodes, place, clip);
    }

    void fold_surfaces() {
        carried_.assign(to_.nodes.size(), Mat4::Identity());
        for (size_t i = 0; i < to_.nodes.size(); ++i) {
            Node& node = to_.nodes[i];
            if (role_[i] == Role::gone || !node.has_geometry()) {
                continue;
            }
            if (role_[i] == Role::skinned) {
                // Where the surface is while its first joint rests: the same for all joints when bind is rest.
                const Skin& skin = from_.skins[node.skin];
                const auto first = std::min_element(skin.joints.begin(), skin.joints.end()) - skin.joints.begin();
                carried_[i] = world_[skin.joints[first]] * skin.inverse_binds[first];
                if ((carried_[i] - Mat4::Identity()).cwiseAbs().maxCoeff() < 1e-9) {
                    carried_[i] = Mat4::Identity();
                }
            } else {
                carried_[i] = new_world_[i].inverse() * world_[i];
            }
            for_geometry_of(to_, static_cast<int>(i),
                            [&](auto& geometry) { transform_geometry(geometry, carried_[i]); });
        }
    }

    void fold_binds() {
        std::vector<char> done(to_.skins.size(), 0);
        const size_t count = to_.nodes.size();
        for (size_t i = 0; i < count; ++i) {
            Node& node = to_.nodes[i];
            if (role_[i] != Role::skinned) {
                continue;
            }
            const Skin& before = from_.skins[node.skin];
            Skin after = before;
            const Mat4 back = carried_[i].inverse();
            for (size_t j = 0; j < after.joints.size(); ++j) {
                const int joint = after.joints[j];
                after.inverse_binds[j] = new_world_[joint].inverse() * world_[joint] * before.inverse_binds[j] * back;
            }
            if (done[node.skin] != 0 && !same_binds(after, to_.skins[node.skin])) {
                // Two surfaces of one skin that were bound in different places need a skin each.
                node.skin = static_cast<int>(to_.skins.size());
                to_.skins.push_back(std::move(after));
            } else {
                done[node.skin] = 1;
                to_.skins[node.skin].inverse_binds = std::move(after.inverse_binds);
            }
        }
        for (size_t s = 0; s < done.size(); ++s) {
            if (done[s] != 0) {
                continue;
            }
            Skin& skin = to_.skins[s];
            for (size_t j = 0; j < skin.joints.size(); ++j) {
                skin.inverse_binds[j] =
                    new_world_[skin.joints[j]].inverse() * world_[skin.joints[j]] * skin.inverse_binds[j];
            }
        }
    }

    static bool same_binds(const Skin& a, const Skin& b) {
        for (size_t j = 0; j < a.inverse_binds.size(); ++j) {
            if ((a.inverse_binds[j] - b.inverse_binds[j]).cwiseAbs().maxCoeff() > 1e-9) {
                return false;
            }
        }
        return true;
    }

    void remove_holders() {
        std::vector<int> kept;
        for (const int node : sorted_order(to_.nodes)) {
            if (role_[node] != Role::gone) {
                kept.push_back(node);
            }
        }
        // Parents that were holders are not above anything any more, so the order only closes up.
        for (size_t i = 0; i < to_.nodes.size(); ++i) {
            if (role_[i] == Role::gone) {
                to_.nodes[i].parent = -1;
            }
        }
        reorder_nodes(to_, kept);
    }

    [[nodiscard]] Text account() const {
        if (holders_.empty()) {
            return "rotation and scale of the surfaces' own nodes into the data";
        }
        std::vector<std::string> names;
        Mat4 deepest = Mat4::Identity();
        double most = -1;
        for (const int holder : holders_) {
            names.push_back(from_.nodes[holder].name);
            const double change = (linear_of(world_[holder]) - Mat3::Identity()).norm();
            if (change > most) {
                most = change;
                deepest = world_[holder];
            }
        }
        const Frame frame = frame_of(deepest);
        Text what;
        const Eigen::AngleAxisd turn(frame.turn);
        if (std::abs(turn.angle()) > 1e-6) {
            const double sign = turn.axis().sum() < 0 ? -1 : 1;
            int axis = 0;
            const bool plain = turn.axis().cwiseAbs().maxCoeff(&axis) > 0.99999;
            what = phrase("rotation {:.4g}°{}", sign * turn.angle() * degrees_per_radian,
                          plain ? phrase(" about {}", "XYZ"[axis]) : "");
        }
        if (std::abs(frame.factor - 1) > 1e-9) {
            what += phrase("{}size × {:.4g}", what.empty() ? "" : ", ", frame.factor);
        }
        if (frame.mirror) {
            what += what.empty() ? "mirror" : ", mirror";
        }
        return phrase("{} of {} into the data", what.empty() ? "position" : what, some_of(names));
    }

    const Scene& from_;
    Scene to_;
    std::vector<Mat4> world_;
    std::vector<Mat4> new_world_;
    std::vector<Mat4> carried_;
    std::vector<Role> role_;
    std::vector<int> above_;
    std::vector<Frame> frames_;
    std::vector<int> tops_;
    std::vector<int> holders_;
    std::vector<std::string> uneven_;
    std::vector<std::string> moving_;
    bool any_ = false;
};

Result<StepResult> apply_bake_parent_transforms(const StepContext& context, const NoSettings&) {
    const Scene& scene = context.scene;
    for (const Mat4& world : rest_world(scene)) {
        if (!world.allFinite()) {
            return Problem{"a node's position is not a number.", "", ""};
        }
    }
    return Fold(scene).run();
}

} // namespace

StepKind bake_parent_transforms_step() {
    return make_step<NoSettings>(
        {"bake_parent_transforms", "Bake parent transforms",
         "What rotated or scaled the character from above becomes part of it, so that no engine can lose it.",
         StepSubject::scene},
        {}, apply_bake_parent_transforms);
}

} // namespace wembrix
