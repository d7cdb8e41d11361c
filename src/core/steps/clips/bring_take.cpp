#include "core/job/bring_take.h"

#include "core/steps/names.h"
#include "core/steps/skeleton/reframe.h"
#include "core/steps/step_kind.h"

#include <Eigen/LU>
#include <algorithm>
#include <cmath>
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

/// Which node of the model each node of the take is, or -1.
std::vector<int> matches(const Scene& model, const Scene& take) {
    std::unordered_map<std::string, int> places;
    for (size_t i = 0; i < model.nodes.size(); ++i) {
        places.emplace(strip_namespace(model.nodes[i].name), static_cast<int>(i));
    }
    std::vector<int> found;
    std::set<int> taken;
    for (const Node& node : take.nodes) {
        const auto match = places.find(strip_namespace(node.name));
        const bool fresh = match != places.end() && taken.insert(match->second).second;
        found.push_back(fresh ? match->second : -1);
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
    Bringing(const Scene& model, const Scene& take) : model_(model), take_(take), match_(matches(model, take)) {
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
        tell_unmatched(brought);
        compare_lengths(brought);
        brought.carried = !lie_alike(brought.factor) && fits(brought);
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
                brought.left_out.push_back(take_.nodes[static_cast<size_t>(node)].name);
            }
        }
        const std::set<int> there(match_.begin(), match_.end());
        for (const int joint : joints_of(model_)) {
            if (there.count(joint) == 0) {
                brought.not_moved.push_back(model_.nodes[static_cast<size_t>(joint)].name);
            }
        }
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
        if (ratios.empty()) {
            return;
        }
        std::sort(ratios.begin(), ratios.end());
        const double middle = ratios[ratios.size() / 2];
        for (const double unit : {1.0, 0.01, 100.0, 0.001, 1000.0, 0.1, 10.0, 0.0254, 1 / 0.0254, 0.3048, 1 / 0.3048}) {
            if (std::abs(middle / unit - 1) < 0.05) {
                brought.factor = unit;
            }
        }
        for (const double ratio : ratios) {
            brought.longest_apart = std::max(brought.longest_apart, std::abs(ratio / brought.factor - 1));
        }
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
        for (const Step& step : std::vector<Step>{{"bake_parent_transforms"}, {"scale", {{"factor", factor}}}}) {
            if (Result<StepResult> done = apply_step(take, step)) {
                take = std::move(done->scene);
            }
        }
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
        const bool cubic = channel.interpolation == Interpolation::cubic;
        const auto width = static_cast<size_t>(channel.width);
        const double size = size_of(by);
        std::vector<float>& values = channel.values.edit();
        for (size_t i = 0; i * width < values.size(); ++i) {
            float* v = &values[i * width];
            if (channel.path == Path::rotation) {
                std::copy_n((turned * Quat(v[3], v[0], v[1], v[2])).coeffs().cast<float>().eval().data(), 4, v);
                continue;
            }
            const Vec3 was(v[0], v[1], v[2]);
            const bool tangent = cubic && i % 3 != 1;
            const Vec3 is = channel.path == Path::scale ? Vec3(was * size)
                            : tangent                   ? Vec3(linear_of(by) * was)
                                                        : point_of(by, was);
            std::copy_n(is.cast<float>().eval().data(), 3, v);
        }
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
    std::vector<int> match_;
    std::vector<Bone> bones_;
    std::vector<Mat4> model_world_;
    std::vector<Mat4> take_world_;
};

} // namespace

std::string strip_namespace(const std::string& name) {
    return name.substr(prefix_of(name, ":").size());
}

Brought bring_take(const Scene& model, const Scene& take) {
    return Bringing(model, take).run();
}

} // namespace wembrix
