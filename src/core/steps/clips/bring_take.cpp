#include "core/steps/clips/bring_take.h"

#include "core/base/counted.h"
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
#include <fmt/format.h>
#include <map>
#include <set>
#include <unordered_map>

namespace wembrix {

namespace {

Mat3 turn(const Mat4& matrix) {
    return nearest_rotation(linear_of(matrix));
}

double size_of(const Mat4& matrix) {
    return std::cbrt(std::abs(linear_of(matrix).determinant()));
}

Vec3 position_of(const Mat4& matrix) {
    return matrix.topRightCorner<3, 1>();
}

/// Places of the model's nodes by their names without prefixes; the first of equal ones.
std::unordered_map<std::string, int> places_by_name(const std::vector<std::string>& names) {
    std::unordered_map<std::string, int> places;
    for (size_t i = 0; i < names.size(); ++i) {
        if (!names[i].empty()) {
            places.emplace(strip_namespace(names[i]), static_cast<int>(i));
        }
    }
    return places;
}

/// Which node of the model each node of the take is, or -1. Of the two names that a node of the model may be known by,
/// those count first that more of the take's nodes have.
std::vector<int> matches(const Scene& model, const Scene& take, const BringOptions& options) {
    std::vector<std::string> names;
    for (const Node& node : model.nodes) {
        names.push_back(node.name);
    }
    std::array by_name = {places_by_name(options.other_names), places_by_name(names)};
    const auto known = [&](const std::unordered_map<std::string, int>& places) {
        return std::count_if(take.nodes.begin(), take.nodes.end(),
                             [&](const Node& node) { return places.count(strip_namespace(node.name)) > 0; });
    };
    if (known(by_name[1]) > known(by_name[0])) {
        std::swap(by_name[0], by_name[1]);
    }
    std::map<std::string, std::string> said;
    for (const auto& [of_take, of_model] : options.joints) {
        said.emplace(strip_namespace(of_take), strip_namespace(of_model));
    }
    std::vector<int> found(take.nodes.size(), -1);
    std::set<int> taken;
    const auto look = [&](size_t node, const std::string& name) {
        for (const auto& places : by_name) {
            const auto match = found[node] < 0 ? places.find(name) : places.end();
            if (match != places.end() && taken.insert(match->second).second) {
                found[node] = match->second;
            }
        }
    };
    for (size_t i = 0; i < take.nodes.size(); ++i) { // what a person said comes before what names say
        const auto other = said.find(strip_namespace(take.nodes[i].name));
        if (other != said.end()) {
            look(i, other->second);
        }
    }
    for (size_t i = 0; i < take.nodes.size(); ++i) {
        const std::string name = strip_namespace(take.nodes[i].name);
        if (said.count(name) == 0) {
            look(i, name);
        }
    }
    return found;
}

/// A joint that both have, and the nearest one above it in the model that both have.
struct Bone {
    int take = -1;
    int model = -1;
    int above = -1; ///< among the bones
};

class Bringing {
  public:
    Bringing(const Scene& model, const Scene& take, const BringOptions& options)
        : model_(model), take_(take), options_(options), match_(matches(model, take, options)) {
        model_world_ = rest_world(model);
        take_world_ = rest_world(take);
        std::vector<int> from(model.nodes.size(), -1);
        for (size_t i = 0; i < match_.size(); ++i) {
            if (match_[i] >= 0) {
                from[static_cast<size_t>(match_[i])] = static_cast<int>(i);
            }
        }
        // In the model's order and under the model's parents, whatever the take has above what.
        std::vector<int> place(model.nodes.size(), -1);
        for (size_t i = 0; i < model.nodes.size(); ++i) {
            if (from[i] < 0 || model.nodes[i].kind != NodeKind::joint) {
                continue;
            }
            Bone bone{from[i], static_cast<int>(i), -1};
            for (int above = model.nodes[i].parent; above >= 0 && bone.above < 0;
                 above = model.nodes[static_cast<size_t>(above)].parent) {
                bone.above = place[static_cast<size_t>(above)];
            }
            place[i] = static_cast<int>(bones_.size());
            bones_.push_back(bone);
        }
    }

    Brought run() {
        Brought brought;
        compare_lengths(brought);
        tell_unmatched(brought);
        using Carry = BringOptions::Carry;
        brought.carried = options_.carry == Carry::always ||
                          (options_.carry == Carry::where_needed && !lie_alike(brought.factor) && fits(brought));
        brought.clips = brought.carried ? carried(brought.factor) : as_they_are();
        return brought;
    }

  private:
    void tell_unmatched(Brought& brought) const {
        std::set<int> moved;
        for (const Clip& clip : take_.clips) {
            for (const Channel& channel : clip.channels) {
                moved.insert(channel.node);
            }
        }
        for (const int node : moved) {
            if (match_[static_cast<size_t>(node)] < 0) {
                brought.left_out.push_back(motion_left_out(node, brought.factor));
            }
        }
        for (const int node : surfaces_of(take_)) {
            brought.surfaces_left_out += match_[static_cast<size_t>(node)] < 0 ? 1 : 0;
        }
        const std::set<int> there(match_.begin(), match_.end());
        for (const int joint : joints_of(model_)) {
            if (there.count(joint) == 0) {
                brought.not_moved.push_back(model_.nodes[static_cast<size_t>(joint)].name);
            }
        }
    }

    /// How far the keys of a node lead from the first of them.
    [[nodiscard]] LeftOut motion_left_out(int node, double factor) const {
        LeftOut left;
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

    [[nodiscard]] double length(const std::vector<Mat4>& world, int a, int b) const {
        return (position_of(world[static_cast<size_t>(a)]) - position_of(world[static_cast<size_t>(b)])).norm();
    }

    /// The take's unit against the model's: one of those that people use, where the lengths say so.
    void compare_lengths(Brought& brought) const {
        std::vector<double> ratios;
        for (const Bone& bone : bones_) {
            if (bone.above < 0) {
                continue;
            }
            const Bone& above = bones_[static_cast<size_t>(bone.above)];
            const double is = length(model_world_, bone.model, above.model);
            const double was = length(take_world_, bone.take, above.take);
            if (is > 1e-6 && was > 1e-6) {
                ratios.push_back(is / was);
            }
        }
        if (options_.factor) {
            brought.factor = *options_.factor;
        } else if (!ratios.empty()) {
            brought.factor = unit_said_by(ratios);
        }
        for (const double ratio : ratios) {
            brought.longest_apart = std::max(brought.longest_apart, std::abs(ratio / brought.factor - 1));
        }
    }

    /// The one of the units that people use which most of the bones' ratios are nearest to, or 1.
    [[nodiscard]] static double unit_said_by(std::vector<double> ratios) {
        std::sort(ratios.begin(), ratios.end());
        const double middle = ratios[ratios.size() / 2];
        double said = 1;
        for (const double unit : {1.0, 0.01, 100.0, 0.001, 1000.0, 0.1, 10.0, 0.0254, 1 / 0.0254, 0.3048, 1 / 0.3048}) {
            said = std::abs(middle / unit - 1) < 0.05 ? unit : said;
        }
        return said;
    }

    /// A skeleton of other proportions is not this one: its motion is taken as it is.
    [[nodiscard]] static bool fits(const Brought& brought) { return brought.longest_apart < 0.25; }

    /// A bone as its upper joint sees it, in metres of the world.
    [[nodiscard]] Vec3 bone_in(const std::vector<Mat4>& world, int upper, int lower) const {
        const Mat4& frame = world[static_cast<size_t>(upper)];
        return turn(frame).transpose() * (position_of(world[static_cast<size_t>(lower)]) - position_of(frame));
    }

    /// Every bone lies in its frame as the other's does, and the roots' parents stand alike: keys mean the same.
    [[nodiscard]] bool lie_alike(double factor) const {
        for (const Bone& bone : bones_) {
            const int model_parent = model_.nodes[static_cast<size_t>(bone.model)].parent;
            const int take_parent = take_.nodes[static_cast<size_t>(bone.take)].parent;
            if (bone.above < 0) {
                const Mat4 here =
                    model_parent < 0 ? Mat4(Mat4::Identity()) : model_world_[static_cast<size_t>(model_parent)];
                const Mat4 there =
                    take_parent < 0 ? Mat4(Mat4::Identity()) : take_world_[static_cast<size_t>(take_parent)];
                if (std::abs(factor - 1) > 1e-9 || !here.isApprox(there, 1e-4)) {
                    return false;
                }
                continue;
            }
            const Bone& above = bones_[static_cast<size_t>(bone.above)];
            if (model_parent != above.model || take_parent != above.take || std::abs(factor - 1) > 1e-9) {
                return false;
            }
            const Vec3 is = bone_in(model_world_, above.model, bone.model);
            const Vec3 was = bone_in(take_world_, above.take, bone.take) * factor;
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
                channel.node = match_[static_cast<size_t>(channel.node)];
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

    /// C, so that a joint of the model stands as W C does, W being that of the take: bones come to lie along bones.
    [[nodiscard]] std::vector<Mat3> fitting_turns(const std::vector<Mat4>& world) const {
        std::vector<std::vector<size_t>> below(bones_.size());
        for (size_t b = 0; b < bones_.size(); ++b) {
            if (bones_[b].above >= 0) {
                below[static_cast<size_t>(bones_[b].above)].push_back(b);
            }
        }
        std::vector<Mat3> fits(bones_.size(), Mat3::Identity());
        for (size_t b = 0; b < bones_.size(); ++b) {
            const Bone& bone = bones_[b];
            const Mat3 was = turn(world[static_cast<size_t>(bone.take)]);
            const Mat3 is = turn(model_world_[static_cast<size_t>(bone.model)]);
            // As both rest under what is above them; at the top, as both rest in the world.
            Mat3 rests = was.transpose() * is;
            if (bone.above >= 0) {
                const Bone& above = bones_[static_cast<size_t>(bone.above)];
                const Mat3 was_above = turn(world[static_cast<size_t>(above.take)]);
                const Mat3 is_above = turn(model_world_[static_cast<size_t>(above.model)]);
                rests = was.transpose() * was_above * fits[static_cast<size_t>(bone.above)] * is_above.transpose() * is;
            }
            fits[b] = below[b].empty() ? rests : along_bones(below[b], bone, world, rests);
        }
        return fits;
    }

    [[nodiscard]] Mat3 along_bones(const std::vector<size_t>& below, const Bone& bone, const std::vector<Mat4>& world,
                                   const Mat3& rests) const {
        const auto both = [&](size_t child) {
            return std::pair(bone_in(model_world_, bone.model, bones_[child].model),
                             bone_in(world, bone.take, bones_[child].take));
        };
        const auto holds = [&](const Mat3& fit) {
            return std::all_of(below.begin(), below.end(), [&](size_t child) {
                const auto [is, was] = both(child);
                const double longer = std::max(is.norm(), was.norm());
                return longer < 1e-6 || (fit * is - was).norm() < 0.03 * longer;
            });
        };
        if (holds(Mat3::Identity())) {
            return Mat3::Identity();
        }
        if (holds(rests)) {
            return rests;
        }
        // The turn nearest to that of the rest poses under which the bones lie along each other, the long ones first
        // (Kabsch 1976).
        Mat3 sum = rests * 1e-6;
        for (const size_t child : below) {
            const auto [is, was] = both(child);
            if (is.norm() > 1e-9 && was.norm() > 1e-9) {
                sum += was * is.transpose() / (was.norm() * is.norm()) * std::min(is.norm(), was.norm());
            }
        }
        if (below.size() == 1) {
            const auto [is, was] = both(below[0]);
            if (is.norm() < 1e-9 || was.norm() < 1e-9) {
                return rests;
            }
            return shortest_turn(rests * is, was).toRotationMatrix() * rests;
        }
        return nearest_rotation(sum);
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
        const std::vector<Mat3> fits = fitting_turns(world);
        Reframing frames = same_frames(take);
        for (size_t b = 0; b < bones_.size(); ++b) {
            const int node = now[static_cast<size_t>(bones_[b].take)];
            if (node < 0) {
                continue;
            }
            const double size = size_of(model_world_[static_cast<size_t>(bones_[b].model)]);
            frames.correction[static_cast<size_t>(node)].topLeftCorner<3, 3>() = fits[b] * size;
            frames.parent[static_cast<size_t>(node)] =
                bones_[b].above < 0 ? -1 : now[static_cast<size_t>(bones_[static_cast<size_t>(bones_[b].above)].take)];
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
    [[nodiscard]] Mat4 between(const Bone& bone) const {
        const int parent = model_.nodes[static_cast<size_t>(bone.model)].parent;
        Mat4 here = parent < 0 ? Mat4(Mat4::Identity()) : model_world_[static_cast<size_t>(parent)];
        if (bone.above < 0) {
            return here;
        }
        const int above = bones_[static_cast<size_t>(bone.above)].model;
        return model_world_[static_cast<size_t>(above)].inverse() * here;
    }

    [[nodiscard]] Clip onto_model(const Scene& fitted, const Clip& clip) const {
        Clip brought = clip;
        brought.channels.clear();
        for (const Bone& bone : bones_) {
            const int node = fitted.find_node(take_.nodes[static_cast<size_t>(bone.take)].name);
            if (node < 0) {
                continue;
            }
            const Mat4 back = between(bone).inverse();
            const Quat turned(turn(back));
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
                channel.node = match_[static_cast<size_t>(was)];
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
        change_keys(channel, by, turned, size_of(by));
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
    std::vector<int> match_;
    std::vector<Bone> bones_;
    std::vector<Mat4> model_world_;
    std::vector<Mat4> take_world_;
};

} // namespace

std::string strip_namespace(const std::string& name) {
    return name.substr(prefix_of(name, ":").size());
}

Brought bring_take(const Scene& model, const Scene& take, const BringOptions& options) {
    assert(options.other_names.empty() || options.other_names.size() == model.nodes.size());
    return Bringing(model, take, options).run();
}

std::vector<std::string> notes_on(const Brought& brought) {
    std::vector<std::string> notes;
    if (brought.factor != 1) {
        notes.push_back(
            fmt::format("counts in another unit than the model: its lengths are taken {:g} times.", brought.factor));
    }
    if (brought.carried) {
        notes.emplace_back(
            "rests otherwise than the model: its motion is carried over so that each bone lies where it lay.");
    }
    if (brought.longest_apart > 0.02) {
        notes.push_back(fmt::format("has bones up to {:.0f} % longer or shorter than the model's; the model keeps its "
                                    "own.",
                                    brought.longest_apart * 100));
    }
    if (!brought.left_out.empty()) {
        std::vector<std::string> said;
        for (const LeftOut& left : brought.left_out) {
            std::string motion;
            if (left.moves_m >= 0.0005) {
                motion = fmt::format(" moves {:.3f} m", left.moves_m);
            }
            if (left.turns_degrees >= 0.05) {
                motion += fmt::format("{} turns {:.1f}°", motion.empty() ? "" : ",", left.turns_degrees);
            }
            said.push_back(left.name + (motion.empty() ? " stays still" : motion));
        }
        notes.push_back(fmt::format("moves {} that the model does not have ({}); their keys are left out.",
                                    counted(brought.left_out.size(), "node"), some_of(said, 12)));
    }
    if (brought.surfaces_left_out > 0) {
        notes.push_back(fmt::format("its {} stay out: it was taken as motion for the model's joints.",
                                    counted(brought.surfaces_left_out, "surface")));
    }
    return notes;
}

} // namespace wembrix
