#include "core/steps/skeleton/reframe.h"
#include "core/scene/visit.h"

#include "core/measure/skeleton/pose.h"
#include "core/scene/change_keys.h"
#include "core/scene/own_meshes.h"
#include "core/steps/clips/rekey.h"
#include "core/steps/skeleton/chosen_joints.h"

#include <Eigen/LU>
#include <algorithm>
#include <cmath>
#include <fmt/format.h>
#include <numeric>
#include <set>

namespace wembrix {

namespace {

/// A turn, one factor and a place.
struct Similar {
    Quat turn = Quat::Identity();
    double factor = 1;
    Vec3 place = Vec3::Zero();
    bool holds = false; ///< the matrix is one
};

Similar similar_of(const Mat4& matrix) {
    Similar similar;
    const Mat3 linear = linear_of(matrix);
    similar.place = matrix.topRightCorner<3, 1>();
    similar.holds = is_similarity(linear, 1e-9) && linear.determinant() > 0;
    if (similar.holds) {
        similar.factor = std::cbrt(linear.determinant());
        similar.turn = Quat(Mat3(linear / similar.factor)).normalized();
    }
    return similar;
}

Mat4 rigid_part(const Mat4& matrix) {
    Mat4 rigid = Mat4::Identity();
    rigid.topLeftCorner<3, 3>() = nearest_rotation(linear_of(matrix));
    rigid.topRightCorner<3, 1>() = matrix.topRightCorner<3, 1>();
    return rigid;
}

/// What is left of a linear part beside a turn, relative.
double beside_turn(const Mat4& matrix) {
    const Mat3 linear = linear_of(matrix);
    return (linear - nearest_rotation(linear)).cwiseAbs().maxCoeff();
}

class Reframer {
  public:
    Reframer(const Scene& scene, const Reframing& frames)
        : from_(scene), frames_(frames), count_(frames.parent.size()), lost_(frames.parent.size()) {}

    Reframed run() {
        to_ = from_;
        to_.nodes.insert(to_.nodes.end(), frames_.added.begin(), frames_.added.end());
        world_ = rest_world(from_);
        place_rest();
        for (size_t c = 0; c < from_.clips.size(); ++c) {
            carry_clip(from_.clips[c], to_.clips[c]);
        }
        move_surfaces();
        move_binds();
        for (size_t i = 0; i < count_; ++i) {
            to_.nodes[i].parent = frames_.parent[i];
        }
        reorder_nodes(to_, sorted_order(to_.nodes));
        Reframed result;
        for (Lost& lost : lost_) {
            if (lost.part > 1e-4) {
                result.lost.push_back(std::move(lost));
            }
        }
        std::stable_sort(result.lost.begin(), result.lost.end(),
                         [](const Lost& a, const Lost& b) { return a.part > b.part; });
        result.scene = std::move(to_);
        return result;
    }

  private:
    /// The world matrices after, from those before.
    void place(const std::vector<Mat4>& before, std::vector<Mat4>& after) const {
        after.resize(count_);
        for (size_t i = 0; i < count_; ++i) {
            after[i] = before[frames_.source[i]] * frames_.correction[i];
            if (frames_.rigid[i] != 0) {
                after[i] = rigid_part(after[i]);
            }
        }
    }

    /// Under a parent that has no size at this moment (things are hidden so) every place is the same one: the rest
    /// place is taken then.
    [[nodiscard]] Mat4 local_of(const std::vector<Mat4>& world, size_t node) const {
        const int parent = frames_.parent[node];
        if (parent < 0) {
            return world[node];
        }
        const Mat4& above = world[parent];
        const double volume = std::abs(linear_of(above).determinant());
        if (!(volume > 1e-24)) {
            return node < from_.nodes.size() ? from_.nodes[node].rest.matrix() : Mat4(Mat4::Identity());
        }
        return above.inverse() * world[node];
    }

    void note(size_t node, double part, const std::string& clip, int frame) {
        if (part > lost_[node].part) {
            lost_[node] = {static_cast<int>(node), part, clip, frame};
        }
    }

    /// How the node's local transform follows from that of before, without looking at any moment.
    enum class Keying { as_it_was, carried, still, anew };

    void place_rest() {
        place(world_, new_world_);
        keyings_.assign(count_, Keying::anew);
        above_.assign(count_, Similar{});
        below_.assign(count_, Similar{});
        for (size_t i = 0; i < count_; ++i) {
            const int parent = frames_.parent[i];
            const int source = frames_.source[i];
            const int above = parent < 0 ? -1 : frames_.source[parent];
            const bool own = i < from_.nodes.size() && source == static_cast<int>(i);
            const bool stiff = frames_.rigid[i] != 0 || (parent >= 0 && frames_.rigid[parent] != 0);
            if (own && !stiff && above == from_.nodes[i].parent) {
                above_[i] = similar_of(parent < 0 ? Mat4::Identity() : frames_.correction[parent]);
                below_[i] = similar_of(frames_.correction[i]);
                const bool nothing =
                    (parent < 0 || frames_.correction[parent].isIdentity(0)) && frames_.correction[i].isIdentity(0);
                if (nothing) {
                    keyings_[i] = Keying::as_it_was;
                } else if (above_[i].holds && below_[i].holds && below_[i].place.isZero(0) && scales_along(i)) {
                    keyings_[i] = Keying::carried;
                }
            } else if (!stiff && parent >= 0 && source == above) {
                keyings_[i] = Keying::still;
            }
            Transform& rest = to_.nodes[i].rest;
            if (keyings_[i] == Keying::carried) {
                rest.translation = carried(i, rest.translation);
                rest.rotation = carried(i, rest.rotation);
                rest.scale *= below_[i].factor / above_[i].factor;
            } else if (keyings_[i] != Keying::as_it_was) {
                const Decomposed local = decompose(local_of(new_world_, i));
                note(i, local.shear, {}, 0);
                rest = local.transform;
                if (frames_.rigid[i] != 0 && (parent < 0 || frames_.rigid[parent] != 0)) {
                    rest.scale = Vec3::Ones();
                }
            }
            // What is 1 but for rounding is 1: engines ask for exactly that.
            if ((rest.scale - Vec3::Ones()).cwiseAbs().maxCoeff() < 1e-12) {
                rest.scale = Vec3::Ones();
            }
        }
    }

    /// A turn below an uneven scale does not pass through it.
    [[nodiscard]] bool scales_along(size_t node) const {
        if (below_[node].turn.angularDistance(Quat::Identity()) < 1e-12) {
            return true;
        }
        return !scales_unevenly(from_, static_cast<int>(node));
    }

    [[nodiscard]] Vec3 carried(size_t node, const Vec3& translation, bool tangent = false) const {
        const Similar& above = above_[node];
        const Vec3 from = tangent ? translation : Vec3(translation - above.place);
        return above.turn.conjugate() * from / above.factor;
    }
    [[nodiscard]] Quat carried(size_t node, const Quat& rotation) const {
        return above_[node].turn.conjugate() * rotation * below_[node].turn;
    }

    void carry_clip(const Clip& before, Clip& clip) {
        std::erase_if(clip.channels, [&](const Channel& channel) {
            const Keying keying = keyings_[channel.node];
            return channel.path != Path::weights && (keying == Keying::anew || keying == Keying::still);
        });
        for (Channel& channel : clip.channels) {
            if (keyings_[channel.node] == Keying::carried && channel.path != Path::weights) {
                carry_channel(channel);
            }
        }
        std::vector<int> anew;
        for (size_t i = 0; i < count_; ++i) {
            if (keyings_[i] == Keying::anew) {
                anew.push_back(static_cast<int>(i));
            }
        }
        if (anew.empty() || before.channels.empty()) {
            return;
        }
        const size_t first = clip.channels.size();
        std::vector<Mat4> world;
        const auto put = [&](double seconds, const Pose& pose, std::vector<Transform>& locals) {
            place(pose.world, world);
            const int frame = static_cast<int>(std::lround((seconds - before.start_s) * before.rate));
            for (size_t n = 0; n < anew.size(); ++n) {
                const auto node = static_cast<size_t>(anew[n]);
                const Decomposed local = decompose(local_of(world, node));
                locals[n] = local.transform;
                double part = local.shear;
                if (frames_.rigid[node] != 0) {
                    part = beside_turn(pose.world[frames_.source[node]] * frames_.correction[node]);
                    const int parent = frames_.parent[node];
                    if (parent < 0 || frames_.rigid[parent] != 0) {
                        locals[n].scale = Vec3::Ones();
                    }
                }
                note(node, part, before.name, frame);
            }
        };
        resample(from_, before, anew, put, clip);
        drop_unmoved(clip, first);
    }

    void carry_channel(Channel& channel) const {
        const auto node = static_cast<size_t>(channel.node);
        const double factor = below_[node].factor / above_[node].factor;
        change_keys(
            channel, [&](const Vec3& v, bool tangent) { return carried(node, v, tangent); },
            [&](const Quat& q) { return carried(node, q); }, [&](double s) { return s * factor; });
    }

    /// Of the keys that were made, those that say nothing but the rest pose.
    void drop_unmoved(Clip& clip, size_t first) const {
        const auto unmoved = [&](const Channel& channel) {
            const Transform& rest = to_.nodes[channel.node].rest;
            const float* wanted = nullptr;
            Eigen::Vector4f held = Eigen::Vector4f::Zero();
            if (channel.path == Path::rotation) {
                held = rest.rotation.coeffs().cast<float>();
            } else {
                held.head<3>() = (channel.path == Path::scale ? rest.scale : rest.translation).cast<float>();
            }
            wanted = held.data();
            const float near = 2e-7F * std::max(1.0F, held.cwiseAbs().maxCoeff());
            const float sign = channel.path == Path::rotation &&
                                       std::inner_product(wanted, wanted + 4, channel.values.get().begin(), 0.0F) < 0
                                   ? -1.0F
                                   : 1.0F;
            for (size_t i = 0; i < channel.values.size(); ++i) {
                if (std::abs(channel.values[i] * sign - wanted[i % channel.width]) > near) {
                    return false;
                }
            }
            return true;
        };
        clip.channels.erase(
            std::remove_if(clip.channels.begin() + static_cast<std::ptrdiff_t>(first), clip.channels.end(), unmoved),
            clip.channels.end());
    }

    void move_surfaces() {
        std::vector<int> moved;
        for (size_t i = 0; i < from_.nodes.size(); ++i) {
            const bool own = from_.nodes[i].has_geometry() && from_.nodes[i].skin < 0;
            if (own && !frames_.correction[i].isIdentity(0)) {
                moved.push_back(static_cast<int>(i));
            }
        }
        if (moved.empty()) {
            return;
        }
        own_meshes(to_);
        for (const int node : moved) {
            const Mat4 by = new_world_[node].inverse() * world_[node];
            for_geometry_of(to_, node, [&](auto& geometry) { transform_geometry(geometry, by); });
        }
    }

    void move_binds() {
        for (Skin& skin : to_.skins) {
            for (size_t j = 0; j < skin.joints.size(); ++j) {
                const int joint = skin.joints[j];
                if (keyings_[joint] != Keying::as_it_was || !frames_.correction[joint].isIdentity(0)) {
                    const Mat4 moved = frames_.rigid[joint] == 0 ? Mat4(frames_.correction[joint].inverse())
                                                                 : Mat4(new_world_[joint].inverse() * world_[joint]);
                    skin.inverse_binds[j] = moved * skin.inverse_binds[j];
                }
            }
        }
    }

    const Scene& from_;
    const Reframing& frames_;
    size_t count_;
    Scene to_;
    std::vector<Mat4> world_;
    std::vector<Mat4> new_world_;
    std::vector<Keying> keyings_;
    std::vector<Similar> above_; ///< correction of the parent, for what is carried over
    std::vector<Similar> below_; ///< its own
    std::vector<Lost> lost_;
};

} // namespace

Reframing same_frames(const Scene& scene) {
    Reframing frames;
    const size_t count = scene.nodes.size();
    frames.correction.assign(count, Mat4::Identity());
    frames.rigid.assign(count, 0);
    for (size_t i = 0; i < count; ++i) {
        frames.parent.push_back(scene.nodes[i].parent);
        frames.source.push_back(static_cast<int>(i));
    }
    return frames;
}

int add_node(Reframing& frames, const Node& node, int parent, int source, const Mat4& place) {
    frames.added.push_back(node);
    frames.parent.push_back(parent);
    frames.source.push_back(source);
    frames.correction.push_back(place);
    frames.rigid.push_back(0);
    return static_cast<int>(frames.parent.size()) - 1;
}

Reframed reframe(const Scene& scene, const Reframing& frames) {
    return Reframer(scene, frames).run();
}

} // namespace wembrix
