#include "core/steps/clips/bring_take.h"

#include "core/base/counted.h"
#include "core/base/text.h"
#include "core/math/angles.h"
#include "core/scene/change_keys.h"
#include "core/steps/names.h"
#include "core/steps/skeleton/reframe.h"
#include "core/steps/step_kind.h"

#include <Eigen/LU>
#include <algorithm>
#include <array>
#include <cassert>
#include <cmath>
#include <map>
#include <set>
#include <unordered_map>

namespace wembrix {

namespace {

class Bringing {
  public:
    Bringing(const Scene& model, const Scene& take, const BringOptions& options)
        : model_(model), take_(take), options_(options), skeletons_(model, take, options) {}

    Brought run() {
        Brought brought;
        brought.factor = skeletons_.factor();
        brought.longest_apart = skeletons_.longest_apart();
        brought.size_ratio = skeletons_.middle_ratio();
        tell_unmatched(brought);
        using Carry = BringOptions::Carry;
        brought.carried = options_.carry == Carry::always ||
                          (options_.carry == Carry::where_needed && !lie_alike(brought.factor) && fits(brought));
        brought.clips = brought.carried ? carried(brought.factor) : as_they_are();
        if (brought.carried) {
            tell_carriers(brought);
        }
        compare_legs(brought);
        return brought;
    }

  private:
    [[nodiscard]] const std::vector<int>& match() const { return skeletons_.match(); }
    [[nodiscard]] const std::vector<MatchedBone>& bones() const { return skeletons_.bones(); }
    [[nodiscard]] const std::vector<Mat4>& model_world() const { return skeletons_.model_world(); }
    [[nodiscard]] const std::vector<Mat4>& take_world() const { return skeletons_.other_world(); }

    void tell_unmatched(Brought& brought) const {
        std::set<int> moved;
        for (const Clip& clip : take_.clips) {
            for (const Channel& channel : clip.channels) {
                moved.insert(channel.node);
            }
        }
        for (const int node : moved) {
            if (match()[static_cast<size_t>(node)] < 0) {
                brought.left_out.push_back(motion_left_out(node, brought.factor));
            }
        }
        for (const int node : surfaces_of(take_)) {
            brought.surfaces_left_out += match()[static_cast<size_t>(node)] < 0 ? 1 : 0;
        }
        const std::set<int> there(match().begin(), match().end());
        for (const int joint : joints_of(model_)) {
            if (there.count(joint) == 0) {
                brought.not_moved.push_back(model_.nodes[static_cast<size_t>(joint)].name);
            }
        }
    }

    /// A node of the take that moves, stands above a joint that both have, and has none here itself.
    [[nodiscard]] bool moves_unmatched_above(int node) const {
        for (int above = take_.nodes[static_cast<size_t>(node)].parent; above >= 0;
             above = take_.nodes[static_cast<size_t>(above)].parent) {
            if (match()[static_cast<size_t>(above)] >= 0) {
                return false;
            }
            for (const Clip& clip : take_.clips) {
                if (std::any_of(clip.channels.begin(), clip.channels.end(),
                                [&](const Channel& channel) { return channel.node == above; })) {
                    return true;
                }
            }
        }
        return false;
    }

    /// Where the motion is carried over, the joints of the model make what moved above them, too.
    void tell_carriers(Brought& brought) const {
        for (LeftMotion& left : brought.left_out) {
            const int node = take_.find_node(left.name);
            for (const MatchedBone& bone : bones()) {
                if (is_above(take_, node, bone.other)) {
                    left.carried_by = model_.nodes[static_cast<size_t>(bone.model)].name;
                    break;
                }
            }
        }
    }

    /// From the topmost joint down to the lowest one of the model, along the joints that both have.
    void compare_legs(Brought& brought) const {
        const auto height = [&](const MatchedBone& bone) {
            return model_world()[static_cast<size_t>(bone.model)](1, 3);
        };
        const auto lowest = std::min_element(bones().begin(), bones().end(),
                                             [&](const auto& a, const auto& b) { return height(a) < height(b); });
        if (lowest == bones().end() || lowest->above < 0) {
            return;
        }
        double is = 0;
        double was = 0;
        const MatchedBone* bone = &*lowest;
        for (; bone->above >= 0; bone = &bones()[static_cast<size_t>(bone->above)]) {
            const MatchedBone& above = bones()[static_cast<size_t>(bone->above)];
            is += SkeletonMatch::bone_in(model_world(), above.model, bone->model).norm();
            was += SkeletonMatch::bone_in(take_world(), above.other, bone->other).norm() * brought.factor;
        }
        if (height(*lowest) < 0.5 * height(*bone)) { // it hangs below what carries it: somebody stands on it
            brought.legs_longer_m = is - was;
            brought.foot = model_.nodes[static_cast<size_t>(lowest->model)].name;
        }
    }

    /// How far the keys of a node lead from the first of them.
    [[nodiscard]] LeftMotion motion_left_out(int node, double factor) const {
        LeftMotion left;
        left.name = take_.nodes[static_cast<size_t>(node)].name;
        for (const Clip& clip : take_.clips) {
            for (const Channel& channel : clip.channels) {
                const auto width = static_cast<size_t>(channel.width);
                const bool cubic = channel.interpolation == Interpolation::cubic;
                const size_t begin = cubic ? width : 0;
                const size_t stride = cubic ? 3 * width : width;
                if (channel.node != node || channel.path == Path::scale || channel.path == Path::weights) {
                    continue;
                }
                for (size_t i = begin; i + width <= channel.values.size(); i += stride) {
                    const float* first = &channel.values[begin];
                    const float* v = &channel.values[i];
                    if (channel.path == Path::translation) {
                        left.moves_m = std::max(
                            left.moves_m, factor * Vec3(v[0] - first[0], v[1] - first[1], v[2] - first[2]).norm());
                    } else {
                        const Quat was = Quat(first[3], first[0], first[1], first[2]).normalized();
                        const Quat is = Quat(v[3], v[0], v[1], v[2]).normalized();
                        left.turns_degrees = std::max(left.turns_degrees, was.angularDistance(is) * degrees_per_radian);
                    }
                }
            }
        }
        return left;
    }

    /// A skeleton of other proportions is not this one: its motion is taken as it is.
    [[nodiscard]] static bool fits(const Brought& brought) { return brought.longest_apart < 0.25; }

    /// Every bone lies in its frame as the other's does, and the roots' parents stand alike: keys mean the same.
    [[nodiscard]] bool lie_alike(double factor) const {
        for (const MatchedBone& bone : bones()) {
            const int model_parent = model_.nodes[static_cast<size_t>(bone.model)].parent;
            const int take_parent = take_.nodes[static_cast<size_t>(bone.other)].parent;
            if (bone.above < 0) {
                const Mat4 here =
                    model_parent < 0 ? Mat4(Mat4::Identity()) : model_world()[static_cast<size_t>(model_parent)];
                const Mat4 there =
                    take_parent < 0 ? Mat4(Mat4::Identity()) : take_world()[static_cast<size_t>(take_parent)];
                if (std::abs(factor - 1) > 1e-9 || !here.isApprox(there, 1e-4) || moves_unmatched_above(bone.other)) {
                    return false;
                }
                continue;
            }
            const MatchedBone& above = bones()[static_cast<size_t>(bone.above)];
            if (model_parent != above.model || take_parent != above.other || std::abs(factor - 1) > 1e-9) {
                return false;
            }
            const Vec3 is = SkeletonMatch::bone_in(model_world(), above.model, bone.model);
            const Vec3 was = SkeletonMatch::bone_in(take_world(), above.other, bone.other) * factor;
            if ((is - was).norm() > 0.02 * std::max(1e-4, is.norm())) {
                return false;
            }
        }
        return true;
    }

    [[nodiscard]] std::vector<Clip> as_they_are() const {
        std::vector<Clip> clips = take_.clips;
        for (Clip& clip : clips) {
            for (Channel& channel : clip.channels) {
                channel.node = match()[static_cast<size_t>(channel.node)];
            }
            drop_strangers(clip);
        }
        return clips;
    }

    /// Keys of nobody, and weights of surfaces with another number of shapes.
    void drop_strangers(Clip& clip) const {
        std::erase_if(clip.channels, [&](const Channel& channel) {
            if (channel.node < 0 || channel.path != Path::weights) {
                return channel.node < 0;
            }
            const Node& to = model_.nodes[static_cast<size_t>(channel.node)];
            return to.mesh < 0 ||
                   static_cast<int>(model_.meshes[static_cast<size_t>(to.mesh)].shapes.size()) != channel.width;
        });
    }

    [[nodiscard]] std::vector<Clip> carried(double factor) const {
        // Upright, in the model's unit, with nothing above its joints.
        Scene take = take_;
        const auto then = [&take](std::string_view id, const nlohmann::json& parameters) {
            if (Result<StepResult> done = apply_step(take, id, parameters)) {
                take = std::move(done->scene);
            }
        };
        then("bake_parent_transforms", nlohmann::json::object());
        then("scale", {{"factor", factor}});
        std::vector<Mat4> world(take_.nodes.size(), Mat4::Identity());
        std::vector<int> now(take_.nodes.size(), -1);
        const std::vector<Mat4> folded = rest_world(take);
        for (size_t i = 0; i < take_.nodes.size(); ++i) {
            now[i] = take.find_node(take_.nodes[i].name);
            world[i] = now[i] < 0 ? world[i] : folded[static_cast<size_t>(now[i])];
        }
        const std::vector<Mat3> fits = skeletons_.fitting_turns(world);
        Reframing frames = same_frames(take);
        for (size_t b = 0; b < bones().size(); ++b) {
            const int node = now[static_cast<size_t>(bones()[b].other)];
            if (node < 0) {
                continue;
            }
            const double size = scale_of_matrix(model_world()[static_cast<size_t>(bones()[b].model)]);
            frames.correction[static_cast<size_t>(node)].topLeftCorner<3, 3>() = fits[b] * size;
            frames.parent[static_cast<size_t>(node)] =
                bones()[b].above < 0 ? -1
                                     : now[static_cast<size_t>(bones()[static_cast<size_t>(bones()[b].above)].other)];
        }
        const Scene fitted = reframe(take, frames).scene;
        std::vector<Clip> clips;
        for (const Clip& clip : fitted.clips) {
            clips.push_back(onto_model(fitted, clip));
        }
        return clips;
    }

    /// What lies between a joint of the model and the joint above it that the take has, at rest; for the top, the
    /// holders above it.
    [[nodiscard]] Mat4 between(const MatchedBone& bone) const {
        const int parent = model_.nodes[static_cast<size_t>(bone.model)].parent;
        Mat4 here = parent < 0 ? Mat4(Mat4::Identity()) : model_world()[static_cast<size_t>(parent)];
        if (bone.above < 0) {
            return here;
        }
        const int above = bones()[static_cast<size_t>(bone.above)].model;
        return model_world()[static_cast<size_t>(above)].inverse() * here;
    }

    [[nodiscard]] Clip onto_model(const Scene& fitted, const Clip& clip) const {
        Clip brought = clip;
        brought.channels.clear();
        for (const MatchedBone& bone : bones()) {
            const int node = fitted.find_node(take_.nodes[static_cast<size_t>(bone.other)].name);
            if (node < 0) {
                continue;
            }
            const Mat4 back = between(bone).inverse();
            const Quat turned(turn_of_matrix(back));
            const Node& to = model_.nodes[static_cast<size_t>(bone.model)];
            bool turns = false;
            for (Channel channel : clip.channels) {
                if (channel.node != node || channel.path == Path::weights) {
                    continue;
                }
                channel.node = bone.model;
                carry(channel, back, turned);
                turns = turns || channel.path == Path::rotation;
                if (!says_nothing(channel, to, bone.above >= 0)) {
                    brought.channels.push_back(std::move(channel));
                }
            }
            const Quat rest = turned * fitted.nodes[static_cast<size_t>(node)].rest.rotation;
            if (!turns && rest.angularDistance(to.rest.rotation) > 1e-4) {
                // It rests otherwise in the take, and is not keyed there.
                const Eigen::Vector4f q = rest.normalized().coeffs().cast<float>();
                brought.channels.push_back({bone.model,
                                            Path::rotation,
                                            Interpolation::linear,
                                            4,
                                            std::vector<float>{static_cast<float>(clip.start_s)},
                                            std::vector<float>(q.data(), q.data() + 4),
                                            {}});
            }
        }
        for (Channel channel : clip.channels) {
            const int was = take_.find_node(fitted.nodes[static_cast<size_t>(channel.node)].name);
            if (channel.path == Path::weights && was >= 0) {
                channel.node = match()[static_cast<size_t>(was)];
                brought.channels.push_back(std::move(channel));
            }
        }
        drop_strangers(brought);
        return brought;
    }

    static void carry(Channel& channel, const Mat4& by, const Quat& turned) {
        if (by.isIdentity(1e-12)) {
            return;
        }
        change_keys(channel, by, turned, scale_of_matrix(by));
    }

    /// A bone's length, and a scale, that never differ from those at rest: the model has its own.
    [[nodiscard]] static bool says_nothing(const Channel& channel, const Node& to, bool below) {
        if (channel.path == Path::rotation || (channel.path == Path::translation && !below)) {
            return false;
        }
        const Vec3& rest = channel.path == Path::scale ? to.rest.scale : to.rest.translation;
        const bool cubic = channel.interpolation == Interpolation::cubic;
        if (channel.values.size() < (cubic ? 9 : 3)) {
            return true;
        }
        const Vec3f first(channel.values[cubic ? 3 : 0], channel.values[cubic ? 4 : 1], channel.values[cubic ? 5 : 2]);
        for (size_t i = 0; i * 3 < channel.values.size(); ++i) {
            const Vec3f v(channel.values[i * 3], channel.values[i * 3 + 1], channel.values[i * 3 + 2]);
            if (cubic && i % 3 != 1 ? v.norm() > 1e-5F : (v - first).norm() > 1e-4F * std::max(1e-3F, first.norm())) {
                return false;
            }
        }
        return (first.cast<double>() - rest).norm() < 0.25 * std::max(1e-4, rest.norm());
    }

    const Scene& model_;
    const Scene& take_;
    const BringOptions& options_;
    SkeletonMatch skeletons_;
};

} // namespace

Brought bring_take(const Scene& model, const Scene& take, const BringOptions& options) {
    return Bringing(model, take, options).run();
}

bool Brought::is_of_another_body() const {
    constexpr std::ptrdiff_t helpers = 2;
    const auto lost =
        std::count_if(left_out.begin(), left_out.end(), [](const LeftMotion& left) { return left.carried_by.empty(); });
    std::set<int> found;
    for (const Clip& clip : clips) {
        for (const Channel& channel : clip.channels) {
            if (channel.path != Path::weights) {
                found.insert(channel.node);
            }
        }
    }
    return lost > helpers && lost > static_cast<std::ptrdiff_t>(found.size());
}

void add_to_fit(SourceFit& fit, const Brought& brought) {
    fit.left_motion = brought.left_out;
    fit.legs_longer_m = brought.legs_longer_m;
    fit.foot = brought.foot;
    fit.size_ratio = brought.size_ratio;
}

std::vector<Text> notes_on(const Brought& brought) {
    std::vector<Text> notes;
    if (brought.factor != 1) {
        notes.push_back(
            phrase("counts in another unit than the model: its lengths are taken {:g} times.", brought.factor));
    }
    if (brought.carried) {
        notes.emplace_back(
            "rests otherwise than the model: its motion is carried over so that each bone lies where it lay.");
    }
    if (brought.longest_apart > 0.02) {
        notes.push_back(phrase("has bones up to {:.0f} % longer or shorter than the model's; the model keeps its "
                               "own.",
                               brought.longest_apart * 100));
    }
    if (!brought.left_out.empty()) {
        std::vector<Text> said;
        for (const LeftMotion& left : brought.left_out) {
            Text motion;
            if (left.moves_m >= 0.0005) {
                motion = phrase(" moves {:.3f} m", left.moves_m);
            }
            if (left.turns_degrees >= 0.05) {
                motion += phrase("{} turns {:.1f}°", motion.empty() ? "" : ",", left.turns_degrees);
            }
            said.push_back(left.name + (motion.empty() ? " stays still" : motion) +
                           (left.carried_by.empty() ? "" : ": " + left.carried_by + " makes it"));
        }
        notes.push_back(phrase("moves {} that the model does not have ({}); their keys are left out.",
                               counted(brought.left_out.size(), "node"), some_of(said, 12)));
    }
    if (brought.surfaces_left_out > 0) {
        notes.push_back(phrase("its {} stay out: it was taken as motion for the model's joints.",
                               counted(brought.surfaces_left_out, "surface")));
    }
    return notes;
}

} // namespace wembrix
