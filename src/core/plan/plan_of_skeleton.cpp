#include "core/base/counted.h"
#include "core/base/text.h"
#include "core/measure/skeleton/pairs.h"
#include "core/plan/planned_skeleton.h"

#include <algorithm>
#include <array>
#include <fmt/format.h>
#include <map>
#include <optional>
#include <set>

namespace wembrix {

namespace {

/// Reads chains off a skeleton, from the root down.
class Taker {
  public:
    Taker(const Scene& scene, std::string name) : scene_(scene), world_(rest_world(scene)), sides_(find_sides(scene)) {
        plan_.name = std::move(name);
        below_.resize(scene.nodes.size());
        for (const int joint : joints_of(scene)) {
            const int above = joint_above(scene, joint);
            if (above >= 0) {
                below_[static_cast<size_t>(above)].push_back(joint);
            }
        }
        body_ = character_bounds(scene);
    }

    Result<Plan> run() {
        const std::vector<int> roots = root_joints(scene_);
        if (roots.size() != 1) {
            return Problem{roots.empty() ? "there is no skeleton to take a plan of."
                                         : phrase("has {}: a plan has one.", counted(roots.size(), "root")),
                           "", roots.empty() ? "" : "Make one root first."};
        }
        if (!(body_.size().norm() > 1e-9)) {
            return Problem{"the body has no size: a plan counts in shares of it.", "", ""};
        }
        find_tokens();
        find_axes();
        const int root = roots.front();
        if (const std::optional<Plan::Root> carries = root_of(root)) {
            plan_.root_name = name_of(root);
            plan_.root = *carries;
            add_chain(below_[static_cast<size_t>(root)].front(), "", 0);
        } else {
            plan_.root = Plan::Root::none;
            add_chain(root, "", 0);
        }
        settle_ends();
        return std::move(plan_);
    }

  private:
    [[nodiscard]] Vec3 at(int node) const { return point_of(world_[static_cast<size_t>(node)], Vec3::Zero()); }
    [[nodiscard]] const std::string& name_of(int node) const { return scene_.nodes[static_cast<size_t>(node)].name; }

    /// Whether the root carries the motion of the whole: one joint below it, and it stands where a plan puts such a
    /// one.
    [[nodiscard]] std::optional<Plan::Root> root_of(int root) const {
        const Vec3 here = at(root);
        if (below_[static_cast<size_t>(root)].size() != 1) {
            return std::nullopt;
        }
        const Vec3 to = at(below_[static_cast<size_t>(root)].front()) - here;
        const double near = 1e-4 * body_.size().maxCoeff() + 1e-6;
        const bool below = std::abs(to.x()) < near && std::abs(to.z()) < near && to.y() > near;
        if (below && std::abs(here.y() - body_.low.y()) < near) {
            return Plan::Root::ground;
        }
        return here.norm() < near && to.norm() > near ? std::optional<Plan::Root>(Plan::Root::origin) : std::nullopt;
    }

    /// The word for the left that most names have, and what answers it.
    void find_tokens() {
        std::map<std::pair<std::string, std::string>, size_t> counts;
        for (const JointPair& pair : sides_.pairs) {
            const SideWord left = side_word(name_of(pair.left));
            const SideWord right = side_word(name_of(pair.right));
            if (left.side == Side::left && right.side == Side::right) {
                ++counts[{name_of(pair.left).substr(left.at, left.length),
                          name_of(pair.right).substr(right.at, right.length)}];
            }
        }
        size_t most = 0;
        for (const auto& [tokens, count] : counts) {
            if (count > most) {
                most = count;
                plan_.left = tokens.first;
                plan_.right = tokens.second;
            }
        }
    }

    void find_axes() {
        std::array<size_t, 6> votes{};
        bool all_zero = true;
        for (const int joint : joints_of(scene_)) {
            const Mat3 own = nearest_rotation(linear_of(world_[static_cast<size_t>(joint)]));
            all_zero = all_zero && own.isIdentity(1e-6);
            for (const int child : below_[static_cast<size_t>(joint)]) {
                const Vec3 bone = own.transpose() * (at(child) - at(joint));
                if (bone.norm() > 1e-6) {
                    ++votes.at(static_cast<size_t>(nearest_axis(bone)));
                }
            }
        }
        plan_.rest = all_zero ? Plan::Rest::zero : Plan::Rest::aligned;
        const auto most = std::max_element(votes.begin(), votes.end());
        if (*most > 0) {
            plan_.bone_axis = static_cast<Axis>(most - votes.begin());
        }
        const bool along_z = plan_.bone_axis == Axis::pos_z || plan_.bone_axis == Axis::neg_z;
        plan_.up_axis = along_z ? Axis::pos_y : Axis::pos_z;
    }

    /// A name with {side} where it says the left; nothing where the right one does not answer it letter for letter.
    [[nodiscard]] std::optional<std::string> sided_name(int left, int right) const {
        const SideWord word = side_word(name_of(left));
        std::string name = name_of(left);
        if (word.side != Side::left || name.substr(word.at, word.length) != plan_.left) {
            return std::nullopt;
        }
        std::string other = name;
        other.replace(word.at, word.length, plan_.right);
        name.replace(word.at, word.length, "{side}");
        return other == name_of(right) ? std::optional<std::string>(name) : std::nullopt;
    }

    [[nodiscard]] std::vector<int> row_from(int joint) const {
        std::vector<int> row = {joint};
        while (below_[static_cast<size_t>(row.back())].size() == 1) {
            row.push_back(below_[static_cast<size_t>(row.back())].front());
        }
        return row;
    }

    /// Whether what hangs below both answers each other, joint for joint.
    [[nodiscard]] bool answer(int left, int right) const {
        const std::vector<int>& a = below_[static_cast<size_t>(left)];
        const std::vector<int>& b = below_[static_cast<size_t>(right)];
        if (!sided_name(left, right) || a.size() != b.size()) {
            return false;
        }
        return std::all_of(a.begin(), a.end(), [&](int child) {
            const int other = mirror_of(sides_, child);
            return std::find(b.begin(), b.end(), other) != b.end() && answer(child, other);
        });
    }

    std::string free_name(const std::string& wanted) {
        std::string name = wanted.empty() ? std::string("chain") : wanted;
        for (int number = 2; !taken_.insert(name).second; ++number) {
            name = fmt::format("{} {}", wanted, number);
        }
        return name;
    }

    void add_chain(int first, const std::string& from, int from_joint) {
        const std::vector<int> row = row_from(first);
        const int other = mirror_of(sides_, first);
        if (side_word(name_of(first)).side == Side::right && (in_both_ || (other >= 0 && answer(other, first)))) {
            return; // the left one brings it
        }
        PlanChain chain;
        chain.from = from;
        chain.from_joint = from_joint;
        chain.both_sides = in_both_ || (other >= 0 && other != first && answer(first, other));
        std::string bare = name_of(first);
        if (const SideWord word = side_word(bare); chain.both_sides && word.length > 0) {
            bare.erase(word.at, word.length);
        }
        const auto is_letter = [](char c) { return c != '_' && c != '-' && c != '.' && c != ' '; };
        bare.erase(bare.begin(), std::find_if(bare.begin(), bare.end(), is_letter));
        bare.erase(std::find_if(bare.rbegin(), bare.rend(), is_letter).base(), bare.end());
        chain.name = free_name(bare);
        chain.role = "other";
        chain.guides.emplace_back();
        for (const int joint : row) {
            chain.names.push_back(chain.both_sides
                                      ? sided_name(joint, mirror_of(sides_, joint)).value_or(name_of(joint))
                                      : name_of(joint));
            chain.guides.front().push_back(share_of_body(at(joint), body_, sides_.middle));
        }
        rows_.push_back(row);
        const size_t own = plan_.chains.size();
        plan_.chains.push_back(chain);
        const bool outer = in_both_;
        in_both_ = chain.both_sides;
        for (const int child : below_[static_cast<size_t>(row.back())]) {
            add_chain(child, plan_.chains[own].name, 0);
        }
        in_both_ = outer;
    }

    /// The last bone leads to the chain below that carries most, on the same side; else on as the one before.
    void settle_ends() {
        for (size_t c = 0; c < plan_.chains.size(); ++c) {
            PlanChain& chain = plan_.chains[c];
            size_t most = 0;
            for (size_t below = c + 1; below < plan_.chains.size(); ++below) {
                const PlanChain& other = plan_.chains[below];
                if (other.from == chain.name && other.both_sides == chain.both_sides && rows_[below].size() > most) {
                    most = rows_[below].size();
                    chain.to = other.name;
                }
            }
            if (chain.to.empty()) {
                chain.guides.front().push_back(share_of_body(end_of(rows_[c]), body_, sides_.middle));
            }
        }
    }

    [[nodiscard]] Vec3 end_of(const std::vector<int>& row) const {
        const Vec3 last = at(row.back());
        const int above = row.size() > 1 ? row[row.size() - 2] : joint_above(scene_, row.back());
        const Vec3 before = above >= 0 ? at(above) : last;
        const Vec3 bone = last - before;
        return bone.norm() > 1e-6 ? Vec3(last + bone * 0.5) : Vec3(last + Vec3(0, 0.05 * body_.size().y() + 1e-3, 0));
    }

    const Scene& scene_;
    std::vector<Mat4> world_;
    Sides sides_;
    Bounds body_;
    std::vector<std::vector<int>> below_;
    std::vector<std::vector<int>> rows_; ///< one a chain: its joints
    std::set<std::string> taken_;
    bool in_both_ = false;
    Plan plan_;
};

} // namespace

Result<Plan> plan_of_skeleton(const Scene& scene, const std::string& name) {
    return Taker(scene, name).run();
}

} // namespace wembrix
