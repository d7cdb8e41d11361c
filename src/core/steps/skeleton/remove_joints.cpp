// Takes joints away. What hung on them keeps its place in the world in every frame; the weights they held go to the
// nearest joint above that stays, or to a named one.
//
// Let D be the product of the dropped joints' local matrices between a kept node and its new parent. The node's local
// becomes L' = D L. Where the dropped joints stand still and D is a turn, a move and one factor s, that is exact for
// stepped, linear and cubic keys: t' = D t (tangents by its linear part), q' = R q, scale' = s scale. Elsewhere every
// frame is keyed anew.
#include "core/steps/skeleton/remove_joints.h"

#include "core/base/counted.h"
#include "core/base/text.h"
#include "core/measure/surface/weight_move.h"
#include "core/measure/surface/weights.h"
#include "core/scene/change_keys.h"
#include "core/steps/clips/rekey.h"
#include "core/steps/names.h"
#include "core/steps/step_kind.h"

#include <Eigen/LU>
#include <algorithm>
#include <set>

namespace wembrix {

size_t RemovalPlan::count() const {
    return static_cast<size_t>(std::count(dropped.begin(), dropped.end(), 1));
}

Result<RemovalPlan> plan_removal(const Scene& scene, const RemovalSettings& settings) {
    const auto& [names, tips, unweighted, keep, to] = settings;
    if (names.empty() && !tips && !unweighted) {
        return malformed("needs \"names\", \"tips\" or \"unweighted\".");
    }
    RemovalPlan plan;
    plan.dropped.assign(scene.nodes.size(), 0);
    std::vector<char> has_joint_below(scene.nodes.size(), 0);
    for (const int joint : joints_of(scene)) {
        for (int above = scene.nodes[joint].parent; above >= 0; above = scene.nodes[above].parent) {
            has_joint_below[above] = 1;
        }
    }
    const NamePatterns to_drop(names, scene);
    const NamePatterns to_keep(keep, scene);
    std::set<int> nothing;
    if (unweighted) {
        for (const int joint : idle_joints(scene)) {
            nothing.insert(joint);
        }
    }
    for (const int joint : joints_of(scene)) {
        const std::string& name = scene.nodes[joint].name;
        const bool asked = to_drop.any_fits(name) || (tips && has_joint_below[joint] == 0) || nothing.count(joint) != 0;
        plan.dropped[joint] = asked && !to_keep.any_fits(name) ? 1 : 0;
    }
    for (size_t p = 0; p < names.size(); ++p) {
        const std::vector<int> joints = joints_of(scene);
        if (std::none_of(joints.begin(), joints.end(),
                         [&](int joint) { return to_drop.fits(scene.nodes[joint].name, p); })) {
            plan.no_such.push_back(names[p]);
        }
    }
    int taker = -1;
    if (!to.empty()) {
        taker = scene.find_node(to);
        if (taker < 0 || scene.nodes[taker].kind != NodeKind::joint) {
            return Problem{phrase("there is no joint \"{}\" to take the weights.", to), "", ""};
        }
        if (plan.dropped[taker] != 0) {
            return Problem{phrase("\"{}\" is to take the weights and is removed itself.", to), "", ""};
        }
    }
    const std::vector<Holding> holding = holding_of(scene);
    for (const int joint : joints_of(scene)) {
        if (plan.dropped[joint] == 0 || holding[joint].points == 0) {
            continue;
        }
        int next = taker;
        for (int above = scene.nodes[joint].parent; next < 0 && above >= 0; above = scene.nodes[above].parent) {
            next = scene.nodes[above].kind == NodeKind::joint && plan.dropped[above] == 0 ? above : -1;
        }
        if (next < 0) {
            return Problem{"has weights, and no joint above it stays to take them.", scene.nodes[joint].name,
                           "Name a joint in \"to\", or keep this one."};
        }
        plan.weights_to[joint] = next;
    }
    return plan;
}

namespace {

class Removal {
  public:
    Removal(const Scene& scene, const RemovalPlan& plan)
        : from_(scene), to_(scene), plan_(plan), world_(rest_world(scene)) {}

    Scene run() {
        find_new_parents();
        hand_weights_on();
        for (const int node : moved_) {
            place(node);
        }
        for (size_t c = 0; c < to_.clips.size(); ++c) {
            fold_clip(c);
        }
        close_up();
        return std::move(to_);
    }
    [[nodiscard]] const std::vector<std::string>& sheared() const { return sheared_; }

  private:
    /// A kept node under a dropped one, and the dropped ones between it and its new parent, topmost first.
    void find_new_parents() {
        between_.resize(from_.nodes.size());
        for (size_t i = 0; i < from_.nodes.size(); ++i) {
            int above = from_.nodes[i].parent;
            while (above >= 0 && plan_.dropped[above] != 0) {
                between_[i].insert(between_[i].begin(), above);
                above = from_.nodes[above].parent;
            }
            if (plan_.dropped[i] == 0 && !between_[i].empty()) {
                moved_.push_back(static_cast<int>(i));
                to_.nodes[i].parent = above;
            }
        }
    }

    [[nodiscard]] Mat4 between_at_rest(int node) const {
        Mat4 product = Mat4::Identity();
        for (const int dropped : between_[node]) {
            product = product * from_.nodes[dropped].rest.matrix();
        }
        return product;
    }

    void place(int node) {
        const Mat4 above = between_at_rest(node);
        Transform& rest = to_.nodes[node].rest;
        if (is_plain(above)) {
            const double factor = std::cbrt(linear_of(above).determinant());
            const Quat turn = Quat(Mat3(linear_of(above) / factor)).normalized();
            rest.translation = point_of(above, rest.translation);
            rest.rotation = (turn * rest.rotation).normalized();
            rest.scale *= factor;
        } else {
            rest = apart(above * rest.matrix(), node);
        }
    }

    static bool is_plain(const Mat4& matrix) {
        return is_similarity(linear_of(matrix)) && linear_of(matrix).determinant() > 0;
    }

    Transform apart(const Mat4& matrix, int node) {
        const Decomposed parts = decompose(matrix);
        if (parts.shear > 1e-6) {
            const std::string& name = from_.nodes[node].name;
            if (std::find(sheared_.begin(), sheared_.end(), name) == sheared_.end()) {
                sheared_.push_back(name);
            }
        }
        return parts.transform;
    }

    void fold_clip(size_t c) {
        const Clip& before = from_.clips[c];
        Clip& clip = to_.clips[c];
        // Clips that were cut from one take look at the same keys: fold those once.
        for (size_t earlier = 0; earlier < c; ++earlier) {
            if (same_keys(from_.clips[earlier], before)) {
                clip.channels = to_.clips[earlier].channels;
                return;
            }
        }
        std::vector<char> moves(from_.nodes.size(), 0);
        for (const Channel& channel : before.channels) {
            moves[channel.node] = moves[channel.node] != 0 || channel.path != Path::weights ? 1 : 0;
        }
        std::vector<int> anew;
        for (const int node : moved_) {
            const bool still = std::none_of(between_[node].begin(), between_[node].end(),
                                            [&](int dropped) { return moves[dropped] != 0; });
            const Mat4 above = between_at_rest(node);
            if (!still || (moves[node] != 0 && !is_plain(above))) {
                anew.push_back(node);
            } else if (moves[node] != 0) {
                fold_channels(clip, node, above);
            }
        }
        std::erase_if(clip.channels, [&](const Channel& channel) {
            return plan_.dropped[channel.node] != 0 ||
                   (channel.path != Path::weights && std::binary_search(anew.begin(), anew.end(), channel.node));
        });
        if (!anew.empty()) {
            const auto put = [&](double, const Pose& pose, std::vector<Transform>& locals) {
                for (size_t n = 0; n < anew.size(); ++n) {
                    Mat4 local = Mat4::Identity();
                    for (const int dropped : between_[anew[n]]) {
                        local = local * pose.local[dropped].matrix();
                    }
                    locals[n] = apart(local * pose.local[anew[n]].matrix(), anew[n]);
                }
            };
            resample(from_, before, anew, put, clip);
        }
    }

    static bool same_keys(const Clip& a, const Clip& b) {
        if (a.take != b.take || a.rate != b.rate || a.channels.size() != b.channels.size()) {
            return false;
        }
        for (size_t i = 0; i < a.channels.size(); ++i) {
            const Channel& x = a.channels[i];
            const Channel& y = b.channels[i];
            if (x.node != y.node || x.path != y.path || !x.values.same_array(y.values) ||
                !x.times.same_array(y.times)) {
                return false;
            }
        }
        return true;
    }

    static void fold_channels(Clip& clip, int node, const Mat4& above) {
        const double factor = std::cbrt(linear_of(above).determinant());
        const Quat turn = Quat(Mat3(linear_of(above) / factor)).normalized();
        for (Channel& channel : clip.channels) {
            if (channel.node == node) {
                change_keys(channel, above, turn, factor);
            }
        }
    }

    void hand_weights_on() {
        for (size_t s = 0; s < to_.skins.size(); ++s) {
            const std::vector<int> place = shorten(to_.skins[s]);
            for (Node& node : to_.nodes) {
                if (node.mesh >= 0 && node.skin == static_cast<int>(s)) {
                    renumber(node.influences, place);
                }
            }
        }
    }

    /// Takes dropped joints off a skin's list; gives for each old place the new one that holds its points.
    std::vector<int> shorten(Skin& skin) const {
        const Skin before = skin;
        skin.joints.clear();
        skin.inverse_binds.clear();
        std::map<int, int> at;
        for (size_t j = 0; j < before.joints.size(); ++j) {
            if (plan_.dropped[before.joints[j]] == 0) {
                at[before.joints[j]] = static_cast<int>(skin.joints.size());
                skin.joints.push_back(before.joints[j]);
                skin.inverse_binds.push_back(before.inverse_binds[j]);
            }
        }
        std::vector<int> place;
        for (size_t j = 0; j < before.joints.size(); ++j) {
            const int joint = before.joints[j];
            const auto taker = plan_.weights_to.find(joint);
            const int holder = plan_.dropped[joint] == 0 ? joint : taker == plan_.weights_to.end() ? -1 : taker->second;
            if (holder >= 0 && at.count(holder) == 0) {
                // The one that takes over was not in this skin: bound so that nothing moves at rest.
                at[holder] = static_cast<int>(skin.joints.size());
                skin.joints.push_back(holder);
                skin.inverse_binds.push_back(world_[holder].inverse() * world_[joint] * before.inverse_binds[j]);
            }
            place.push_back(holder < 0 ? -1 : at[holder]);
        }
        return place;
    }

    static void renumber(Influences& rows, const std::vector<int>& place) {
        if (rows.offsets.empty()) {
            return;
        }
        std::vector<uint32_t> offsets = {0};
        std::vector<uint16_t> joints;
        std::vector<float> weights;
        for (size_t i = 0; i + 1 < rows.offsets.size(); ++i) {
            const size_t begin = joints.size();
            for (uint32_t k = rows.offsets[i]; k < rows.offsets[i + 1]; ++k) {
                const int now = place[rows.joints[k]];
                if (now < 0) {
                    continue; // no weight there: its joint holds nothing
                }
                const auto same = std::find(joints.begin() + static_cast<ptrdiff_t>(begin), joints.end(), now);
                if (same != joints.end()) {
                    weights[same - joints.begin()] += rows.weights[k];
                } else {
                    joints.push_back(static_cast<uint16_t>(now));
                    weights.push_back(rows.weights[k]);
                }
            }
            offsets.push_back(static_cast<uint32_t>(joints.size()));
        }
        rows = {std::move(offsets), std::move(joints), std::move(weights)};
    }

    void close_up() {
        std::vector<int> order;
        for (const int node : sorted_order(to_.nodes)) {
            if (plan_.dropped[node] == 0) {
                order.push_back(node);
            }
        }
        for (size_t i = 0; i < to_.nodes.size(); ++i) {
            if (plan_.dropped[i] != 0) {
                to_.nodes[i].mesh = to_.nodes[i].skin = -1;
            }
        }
        reorder_nodes(to_, order);
        drop_bare_skins();
    }

    /// A skin whose joints all went held no point: its surfaces are not skinned any more.
    void drop_bare_skins() {
        std::vector<int> place;
        std::vector<Skin> kept;
        for (Skin& skin : to_.skins) {
            place.push_back(skin.joints.empty() ? -1 : static_cast<int>(kept.size()));
            if (!skin.joints.empty()) {
                kept.push_back(std::move(skin));
            }
        }
        to_.skins = std::move(kept);
        for (Node& node : to_.nodes) {
            node.skin = node.skin < 0 ? -1 : place[node.skin];
        }
    }

    const Scene& from_;
    Scene to_;
    const RemovalPlan& plan_;
    std::vector<Mat4> world_;
    std::vector<std::vector<int>> between_;
    std::vector<int> moved_;
    std::vector<std::string> sheared_;
};

Text account_of(const Scene& scene, const RemovalPlan& plan) {
    std::vector<std::string> names;
    for (size_t i = 0; i < plan.dropped.size(); ++i) {
        if (plan.dropped[i] != 0) {
            names.push_back(scene.nodes[i].name);
        }
    }
    Text text = phrase("{} joint{} gone ({})", names.size(), names.size() == 1 ? "" : "s", some_of(names));
    size_t points = 0;
    WeightMove worst;
    for (const WeightMove& move : measure_weight_moves(scene, plan.weights_to)) {
        points += move.points;
        worst = move.largest_mm >= worst.largest_mm ? move : worst;
    }
    if (points > 0) {
        text += phrase("; weights of {} moved on, at most {:.2f} mm ({} → {})", counted(points, "vertex"),
                       worst.largest_mm, scene.nodes[worst.joint].name, scene.nodes[worst.to].name);
    } else {
        text += "; they had no weights";
    }
    return text;
}

Result<StepResult> apply_remove_joints(const StepContext& context, const RemovalSettings& settings) {
    const Scene& scene = context.scene;
    const Result<RemovalPlan> plan = plan_removal(scene, settings);
    if (!plan) {
        return plan.problem();
    }
    StepResult result;
    if (!plan->no_such.empty()) {
        result.could_not.push_back(phrase("no joint fits {}", some_of(plan->no_such)));
    }
    if (plan->count() == 0) {
        result.scene = scene;
        result.account = "no joint fits";
        return result;
    }
    for (size_t i = 0; i < scene.nodes.size(); ++i) {
        if (plan->dropped[i] != 0 && scene.nodes[i].mesh >= 0) {
            return Problem{"carries a surface of its own and cannot go.", scene.nodes[i].name, "Add it to \"keep\"."};
        }
    }
    Removal removal(scene, *plan);
    result.scene = removal.run();
    result.account = account_of(scene, *plan);
    if (!removal.sheared().empty()) {
        result.could_not.push_back(
            phrase("{} stood under an uneven scale that turns: it keeps its place but not its stretch",
                   some_of(removal.sheared())));
    }
    return result;
}

} // namespace

StepKind remove_joints_step() {
    return make_step<RemovalSettings>(
        {"remove_joints", "Remove joints",
         "Helpers and tips cost an engine time in every frame; their weights go to the joint above.",
         StepSubject::skeleton},
        {list<&RemovalSettings::names>("names", "Names",
                                       "Names with * and ?. What hung on them keeps its position in "
                                       "every frame")
             .naming(NameOf::joint)
             .typed_as("one per line, * and ? allowed")
             .starting(nlohmann::json::array()),
         flag<&RemovalSettings::tips>("tips", "Tips", "joints at the end of a chain"),
         flag<&RemovalSettings::unweighted>("unweighted", "Unweighted",
                                            "joints that have no weights, nor any joint below them")
             .starting(true),
         list<&RemovalSettings::keep>("keep", "But keep", "Names that stay all the same")
             .naming(NameOf::joint)
             .typed_as("one per line, * and ? allowed"),
         text<&RemovalSettings::to>("to", "Weights to",
                                    "The joint that takes the weights, else the nearest one above that stays")
             .naming(NameOf::joint)
             .typed_as("a joint; else the nearest one above")},
        apply_remove_joints);
}

} // namespace wembrix
