#include "core/job/join_part.h"

#include "core/base/counted.h"
#include "core/base/text.h"
#include "core/job/append_scene.h"
#include "core/math/angles.h"
#include "core/measure/scene/bounds.h"
#include "core/scene/place_all.h"
#include "core/steps/names.h"
#include "core/steps/skeleton/skeleton_match.h"
#include "core/steps/step.h"
#include "core/steps/step_kind.h"

#include <Eigen/Geometry>
#include <Eigen/LU>
#include <algorithm>
#include <cmath>

namespace wembrix {

namespace {

/// Of the 24 rotations that lay axes on axes, the one within 10 degrees of `rotation`; else none, the identity.
Quat rotation_of_axes(const Mat3& rotation) {
    const Quat meant(rotation);
    Quat found = Quat::Identity();
    for (const Vec3& x :
         {Vec3(1, 0, 0), Vec3(-1, 0, 0), Vec3(0, 1, 0), Vec3(0, -1, 0), Vec3(0, 0, 1), Vec3(0, 0, -1)}) {
        for (const Vec3& y :
             {Vec3(1, 0, 0), Vec3(-1, 0, 0), Vec3(0, 1, 0), Vec3(0, -1, 0), Vec3(0, 0, 1), Vec3(0, 0, -1)}) {
            if (std::abs(x.dot(y)) < 0.5) {
                Mat3 axes;
                axes << x, y, x.cross(y);
                const Quat candidate(axes);
                found = candidate.angularDistance(meant) < 10 / degrees_per_radian ? candidate : found;
            }
        }
    }
    return found;
}

/// The part upright in the base's unit and axes, with nothing above its joints, and where the base's stands if all of
/// it is moved aside by the same way.
class Placement {
  public:
    Placement(const Scene& base, Scene& part) {
        if (Result<StepResult> done = apply_step(part, "bake_parent_transforms", nlohmann::json::object())) {
            part = std::move(done->scene);
        }
        factor = SkeletonMatch(base, part, {}).factor();
        if (factor != 1) {
            scale_all(part, factor);
        }
        const SkeletonMatch match(base, part, {});
        const size_t count = match.bones().size();
        if (count < 3) {
            return;
        }
        Eigen::Matrix3Xd from(3, count);
        Eigen::Matrix3Xd to(3, count);
        for (size_t b = 0; b < count; ++b) {
            const auto column = static_cast<Eigen::Index>(b);
            from.col(column) = place_of_matrix(match.other_world()[static_cast<size_t>(match.bones()[b].other)]);
            to.col(column) = place_of_matrix(match.model_world()[static_cast<size_t>(match.bones()[b].model)]);
        }
        // Umeyama 1991, without its scale.
        rotation = rotation_of_axes(linear_of(Eigen::umeyama(from, to, false)));
        const Eigen::Matrix3Xd turned = rotation.toRotationMatrix() * from;
        const Vec3 mean = (to - turned).rowwise().mean();
        const double spread = (to - turned).colwise().operator-(mean).colwise().norm().maxCoeff();
        if (mean.norm() > 1e-6 && spread < 0.05 * mean.norm()) {
            aside = mean;
        }
        if (rotation.angularDistance(Quat::Identity()) > 1e-9 || !aside.isZero()) {
            place_all(part, rotation, aside);
        }
    }

    double factor = 1;
    Quat rotation = Quat::Identity();
    Vec3 aside = Vec3::Zero();
};

class PartJoining {
  public:
    PartJoining(Scene& base, NamedScene part, int64_t identity, RestOf rest, const std::vector<int>& leave,
                SourceFit& fit)
        : base_(base), name_(part.name), part_(std::move(part.scene)), identity_(identity), rest_(rest), fit_(fit) {
        for (const int node : leave) {
            left_.push_back(part_.nodes[static_cast<size_t>(node)].identity);
        }
        part_.clips.clear();
    }

    void run() {
        const Placement placed(base_, part_);
        say_placement(placed);
        measure_rest();
        if (rest_ == RestOf::part && fit_.joints_apart > 0) {
            rest_as_the_part();
        }
        choose_nodes();
        find_frames();
        append();
    }

  private:
    void note(const Text& what) { base_.notes.push_back({name_, what, {}}); }

    void say_placement(const Placement& placed) {
        if (placed.factor != 1) {
            note(phrase("counts in another unit than the model: its lengths are taken {:g} times.", placed.factor));
        }
        if (placed.rotation.angularDistance(Quat::Identity()) > 1e-9) {
            note("stands in other axes than the model: it is rotated upright.");
        }
        if (!placed.aside.isZero()) {
            note(phrase("stands {:.3g} m aside of the model: it is moved there.", placed.aside.norm()));
        }
    }

    /// Where joints of both rest: how far apart, and how unlike the bones lie.
    void measure_rest() {
        const SkeletonMatch match(base_, part_, {});
        const double height = std::max(1e-3, height_m(base_));
        const std::vector<Mat4>& here = match.model_world();
        const std::vector<Mat4>& there = match.other_world();
        for (const MatchedBone& bone : match.bones()) {
            const double apart = (place_of_matrix(here[static_cast<size_t>(bone.model)]) -
                                  place_of_matrix(there[static_cast<size_t>(bone.other)]))
                                     .norm();
            double degrees = 0;
            if (bone.above >= 0) {
                const MatchedBone& above = match.bones()[static_cast<size_t>(bone.above)];
                const Vec3 is = place_of_matrix(here[static_cast<size_t>(bone.model)]) -
                                place_of_matrix(here[static_cast<size_t>(above.model)]);
                const Vec3 was = place_of_matrix(there[static_cast<size_t>(bone.other)]) -
                                 place_of_matrix(there[static_cast<size_t>(above.other)]);
                if (is.norm() > 1e-6 && was.norm() > 1e-6) {
                    degrees =
                        std::acos(std::clamp(is.normalized().dot(was.normalized()), -1.0, 1.0)) * degrees_per_radian;
                }
            }
            if (apart > 0.0005 * height || degrees > 0.5) {
                ++fit_.joints_apart;
                fit_.apart_degrees = std::max(fit_.apart_degrees, degrees);
                if (apart >= fit_.apart_m) {
                    fit_.apart_m = apart;
                    fit_.apart_at = base_.nodes[static_cast<size_t>(bone.model)].name;
                }
            }
        }
        fit_.rest_settled = rest_ != RestOf::nobody_said;
    }

    /// Joints that both have come to rest where the part's do; those between and below follow.
    void rest_as_the_part() {
        const SkeletonMatch match(base_, part_, {});
        const std::vector<Mat3> fits = match.fitting_turns(match.other_world());
        std::vector<Mat4> world(base_.nodes.size(), Mat4::Identity());
        std::vector<int> bone_of(base_.nodes.size(), -1);
        for (size_t b = 0; b < match.bones().size(); ++b) {
            bone_of[static_cast<size_t>(match.bones()[b].model)] = static_cast<int>(b);
        }
        for (size_t n = 0; n < base_.nodes.size(); ++n) {
            Node& node = base_.nodes[n];
            const Mat4 above = node.parent < 0 ? Mat4(Mat4::Identity()) : world[static_cast<size_t>(node.parent)];
            world[n] = above * node.rest.matrix();
            if (bone_of[n] < 0) {
                continue;
            }
            const auto b = static_cast<size_t>(bone_of[n]);
            const Mat4& there = match.other_world()[static_cast<size_t>(match.bones()[b].other)];
            world[n] = there;
            world[n].topLeftCorner<3, 3>() = turn_of_matrix(there) * fits[b] * scale_of_matrix(match.model_world()[n]);
            node.rest = decompose(above.inverse() * world[n]).transform;
        }
    }

    [[nodiscard]] bool is_left(const Node& node) const {
        return std::find(left_.begin(), left_.end(), node.identity) != left_.end();
    }

    /// Comes along: surfaces that are not there, and all that the base does not have, but for joints and parents that
    /// only stand above what it has.
    void choose_nodes() {
        const SkeletonMatch match(base_, part_, {});
        match_ = match.match();
        std::vector<char> above_matched(part_.nodes.size(), 0);
        for (size_t n = part_.nodes.size(); n-- > 0;) {
            const int parent = part_.nodes[n].parent;
            const bool there = match_[n] >= 0 && part_.nodes[n].kind == NodeKind::joint;
            if (parent >= 0 && (there || above_matched[n] != 0)) {
                above_matched[static_cast<size_t>(parent)] = 1;
            }
        }
        std::vector<char> influences(part_.nodes.size(), 0);
        for (const Node& node : part_.nodes) {
            if (node.mesh < 0 || node.skin < 0 || is_left(node)) {
                continue;
            }
            const Skin& skin = part_.skins[static_cast<size_t>(node.skin)];
            for (size_t i = 0; i < node.influences.joints.size(); ++i) {
                if (node.influences.weights[i] > 0) {
                    influences[static_cast<size_t>(skin.joints[node.influences.joints[i]])] = 1;
                }
            }
        }
        std::vector<std::string> not_taken;
        comes_.assign(part_.nodes.size(), 0);
        for (size_t n = 0; n < part_.nodes.size(); ++n) {
            const Node& node = part_.nodes[n];
            const bool own_surface = node.mesh >= 0 && !is_left(node);
            const bool new_joint = match_[n] < 0 && (above_matched[n] == 0 || influences[n] != 0) && !is_left(node);
            comes_[n] = own_surface || (new_joint && node.mesh < 0) ? 1 : 0;
            if (own_surface && match_[n] >= 0 && base_.nodes[static_cast<size_t>(match_[n])].mesh < 0) {
                match_[n] = -1; // a surface that is called like a joint is none
            }
            const bool other_kind = node.kind != NodeKind::joint && node.kind != NodeKind::parent_transform;
            if (comes_[n] == 0 && node.mesh < 0 && other_kind &&
                (match_[n] < 0 || node.camera >= 0 || node.light >= 0 || !stands_alike(n, match))) {
                not_taken.push_back(node.name);
            }
        }
        if (!not_taken.empty()) {
            note(phrase("has {} that the model has by the same name ({}); the model's stay.",
                        counted(not_taken.size(), "node"), some_of(not_taken)));
        }
    }

    /// It stands where the base's of the same name does.
    [[nodiscard]] bool stands_alike(size_t n, const SkeletonMatch& match) const {
        const Mat4& here = match.model_world()[static_cast<size_t>(match_[n])];
        return (here - match.other_world()[n]).cwiseAbs().maxCoeff() < 1e-4;
    }

    /// Of each node of the part that the base has: what carries from its frame there into the frame here, at rest.
    void find_frames() {
        const SkeletonMatch match(base_, part_, {});
        const std::vector<Mat3> fits = match.fitting_turns(match.other_world());
        const double near = 0.0005 * std::max(1e-3, height_m(base_));
        into_.assign(part_.nodes.size(), Mat4::Identity());
        for (size_t b = 0; b < match.bones().size(); ++b) {
            const MatchedBone& bone = match.bones()[b];
            const Mat4& here = match.model_world()[static_cast<size_t>(bone.model)];
            const Mat4& there = match.other_world()[static_cast<size_t>(bone.other)];
            Mat4 stands = there; // exact where both rest alike
            if ((place_of_matrix(here) - place_of_matrix(there)).norm() > near || fit_.apart_degrees > 0.5) {
                stands.topRightCorner<3, 1>() = place_of_matrix(here);
                stands.topLeftCorner<3, 3>() = turn_of_matrix(here) * fits[b].transpose() * scale_of_matrix(there);
            }
            into_[static_cast<size_t>(bone.other)] = here.inverse() * stands;
        }
        world_ = rest_world(part_);
    }

    /// The nearest node above that is here or comes along, or -1.
    [[nodiscard]] int kept_above(int node) const {
        int above = part_.nodes[static_cast<size_t>(node)].parent;
        while (above >= 0 && match_[static_cast<size_t>(above)] < 0 && comes_[static_cast<size_t>(above)] == 0) {
            above = part_.nodes[static_cast<size_t>(above)].parent;
        }
        return above;
    }

    /// For a joint above all that the base has: the joint of both that stands below it.
    [[nodiscard]] int matched_below(int node) const {
        for (size_t n = 0; n < part_.nodes.size(); ++n) {
            if (match_[n] >= 0 && is_above(part_, node, static_cast<int>(n))) {
                return static_cast<int>(n);
            }
        }
        return -1;
    }

    void append() {
        std::vector<int> order;
        std::vector<int> place(part_.nodes.size(), -1);
        std::vector<int> here(part_.nodes.size(), -1); // the base's node that it hangs on
        std::vector<int> on(part_.nodes.size(), -1);   // the part's node that it hangs on
        std::vector<Transform> rest(part_.nodes.size());
        for (size_t n = 0; n < part_.nodes.size(); ++n) {
            if (comes_[n] == 0) {
                continue;
            }
            place[n] = static_cast<int>(order.size());
            order.push_back(static_cast<int>(n));
            const bool skinned = part_.nodes[n].mesh >= 0 && part_.nodes[n].skin >= 0;
            int above = skinned ? -1 : kept_above(static_cast<int>(n));
            if (above < 0 && part_.nodes[n].kind == NodeKind::joint) {
                above = matched_below(static_cast<int>(n));
            }
            on[n] = above;
            if (above < 0) {
                rest[n] = skinned ? Transform() : decompose(world_[n]).transform;
                continue;
            }
            const Mat4 local = world_[static_cast<size_t>(above)].inverse() * world_[n];
            here[n] = match_[static_cast<size_t>(above)];
            rest[n] = decompose(into_[static_cast<size_t>(above)] * local).transform;
        }
        struct Bind {
            std::vector<int> there; // nodes of the part
            std::vector<Mat4> inverse_binds;
        };
        std::vector<Bind> binds;
        for (Skin& skin : part_.skins) {
            Bind bind{std::exchange(skin.joints, {}), std::exchange(skin.inverse_binds, {})};
            for (size_t j = 0; j < bind.there.size(); ++j) {
                bind.inverse_binds[j] = into_[static_cast<size_t>(bind.there[j])] * bind.inverse_binds[j];
            }
            binds.push_back(std::move(bind));
        }
        for (size_t n = 0; n < part_.nodes.size(); ++n) {
            part_.nodes[n].parent = -1;
            part_.nodes[n].rest = rest[n];
        }
        const std::vector<Node> all = part_.nodes;
        reorder_nodes(part_, order);
        const auto first_node = base_.nodes.size();
        const auto first_skin = base_.skins.size();
        append_scene(base_, {name_, std::move(part_)}, identity_);
        std::vector<std::string> added;
        for (const int n : order) {
            Node& node = base_.nodes[first_node + static_cast<size_t>(place[static_cast<size_t>(n)])];
            if (here[static_cast<size_t>(n)] >= 0) {
                node.parent = here[static_cast<size_t>(n)];
            } else if (on[static_cast<size_t>(n)] >= 0) {
                node.parent = static_cast<int>(first_node) + place[static_cast<size_t>(on[static_cast<size_t>(n)])];
            }
            if (node.kind == NodeKind::joint) {
                added.push_back(node.name);
            }
        }
        for (size_t s = 0; s < binds.size(); ++s) {
            settle_skin(base_.skins[first_skin + s], binds[s].there, binds[s].inverse_binds, place,
                        static_cast<int>(first_node));
        }
        reorder_nodes(base_, sorted_order(base_.nodes));
        if (!added.empty()) {
            note(phrase("brings {} to the skeleton: {}.", counted(added.size(), "joint"), some_of(added)));
        }
    }

    /// The skin lists the nodes of the base; what it does not have and nothing weighs is taken from the list.
    void settle_skin(Skin& skin, const std::vector<int>& there, const std::vector<Mat4>& inverse_binds,
                     const std::vector<int>& place, int first_node) {
        std::vector<uint16_t> now(there.size(), 0);
        for (size_t j = 0; j < there.size(); ++j) {
            const auto n = static_cast<size_t>(there[j]);
            const int node = match_[n] >= 0 ? match_[n] : place[n] < 0 ? -1 : first_node + place[n];
            if (node >= 0) {
                now[j] = static_cast<uint16_t>(skin.joints.size());
                skin.joints.push_back(node);
                skin.inverse_binds.push_back(inverse_binds[j]);
            }
        }
        const int index = static_cast<int>(&skin - base_.skins.data());
        for (size_t n = static_cast<size_t>(first_node); n < base_.nodes.size(); ++n) {
            Node& node = base_.nodes[n];
            if (node.skin == index && node.mesh >= 0) {
                for (uint16_t& joint : node.influences.joints.edit()) {
                    joint = now[joint];
                }
            }
        }
    }

    Scene& base_;
    std::string name_;
    Scene part_;
    int64_t identity_;
    RestOf rest_;
    SourceFit& fit_;
    std::vector<int64_t> left_;
    std::vector<int> match_;  ///< nodes of the part: what they are in the base, or -1
    std::vector<char> comes_; ///< nodes of the part that come along
    std::vector<Mat4> into_;  ///< see find_frames
    std::vector<Mat4> world_; ///< of the part, placed
};

bool same_triangles(const Mesh& a, const Mesh& b) {
    return a.point_count() == b.point_count() && a.indices.get() == b.indices.get();
}

} // namespace

int twin_of(const Scene& base, const Scene& other, int surface, bool by_vertices) {
    const Node& node = other.nodes[static_cast<size_t>(surface)];
    const Mesh& mesh = other.meshes[static_cast<size_t>(node.mesh)];
    int found = -1;
    for (const int own : surfaces_of(base)) {
        const Node& here = base.nodes[static_cast<size_t>(own)];
        const bool same_name = strip_namespace(here.name) == strip_namespace(node.name);
        if (same_triangles(base.meshes[static_cast<size_t>(here.mesh)], mesh)) {
            if (same_name) {
                return own;
            }
            found = by_vertices && found < 0 ? own : found;
        }
    }
    return found;
}

void join_part(Scene& base, NamedScene part, int64_t identity, RestOf rest, const std::vector<int>& leave,
               SourceFit& fit) {
    PartJoining(base, std::move(part), identity, rest, leave, fit).run();
}

size_t join_shapes(Scene& base, const NamedScene& from, bool by_vertices) {
    Scene source = from.scene;
    const Placement placed(base, source); // shapes in the base's unit and axes
    size_t added = 0;
    for (const int surface : surfaces_of(source)) {
        const int twin = twin_of(base, source, surface, by_vertices);
        if (twin < 0) {
            continue;
        }
        const int at = base.nodes[static_cast<size_t>(twin)].mesh;
        Mesh& mesh = base.meshes[static_cast<size_t>(at)];
        const size_t before = mesh.shapes.size();
        for (const MorphTarget& shape :
             source.meshes[static_cast<size_t>(source.nodes[static_cast<size_t>(surface)].mesh)].shapes) {
            if (std::none_of(mesh.shapes.begin(), mesh.shapes.end(),
                             [&](const MorphTarget& own) { return own.name == shape.name; })) {
                mesh.shapes.push_back(shape);
                std::erase_if(mesh.shapes.back().attributes, [&](const Attribute& attribute) {
                    return std::none_of(mesh.attributes.begin(), mesh.attributes.end(), [&](const Attribute& own) {
                        return own.name == attribute.name && own.width == attribute.width;
                    });
                });
            }
        }
        const size_t after = mesh.shapes.size();
        if (after == before) {
            continue;
        }
        added += after - before;
        mesh.shape_weights.resize(mesh.shape_weights.empty() ? 0 : after, 0.0F);
        for (size_t n = 0; n < base.nodes.size(); ++n) {
            Node& node = base.nodes[n];
            if (node.mesh != at) {
                continue;
            }
            node.shape_weights.resize(node.shape_weights.empty() ? 0 : after, 0.0F);
            for (Clip& clip : base.clips) {
                for (Channel& channel : clip.channels) {
                    if (channel.node == static_cast<int>(n) && channel.path == Path::weights) {
                        channel.values = widened(channel.values.get(), channel.width, static_cast<int>(after), 0.0F);
                        channel.width = static_cast<int>(after);
                    }
                }
            }
        }
        base.notes.push_back(
            {from.name,
             phrase("gives {} to {}.", counted(after - before, "shape"), base.nodes[static_cast<size_t>(twin)].name),
             {}});
    }
    return added;
}

} // namespace wembrix
