#include "core/retarget/body_chains.h"

#include "core/math/axes.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <map>

namespace wembrix {

namespace {

constexpr double near_ground = 0.12; ///< of the height: feet lie no higher

class BodyReader {
  public:
    explicit BodyReader(const Scene& scene)
        : scene_(scene), world_(rest_world(scene)), joints_(joints_of(scene)), below_(scene.nodes.size()),
          size_(scene.nodes.size(), 1) {
        for (const int joint : joints_) {
            const int above = joint_above(scene, joint);
            if (above >= 0) {
                below_[at_(above)].push_back(joint);
            }
        }
        for (size_t i = joints_.size(); i-- > 0;) {
            const int above = joint_above(scene, joints_[i]);
            if (above >= 0) {
                size_[at_(above)] += size_[at_(joints_[i])];
            }
        }
    }

    Body run() {
        if (joints_.empty()) {
            return body_;
        }
        find_upright();
        find_top();
        const std::vector<int> feet = find_feet();
        find_pelvis(feet);
        add_legs(feet);
        add_upper();
        for (BodyChain& chain : body_.chains) {
            chain.side = chain.role == "digit" ? chain.side : side_of_chain(chain);
        }
        number();
        return std::move(body_);
    }

  private:
    static size_t at_(int node) { return static_cast<size_t>(node); }
    [[nodiscard]] Vec3 place(int node) const { return body_.upright * point_of(world_[at_(node)], Vec3::Zero()); }

    /// Names say left and right; up is across that, towards where most joints lie above the root.
    void find_upright() {
        Vec3 up = Vec3::UnitY();
        const std::optional<Vec3> across = across_of(scene_);
        Vec3 left = across && across->norm() > 1e-9 ? direction(nearest_axis(*across)) : Vec3(Vec3::UnitX());
        if (across && std::abs(left.y()) > 0.5) {
            up = Vec3::UnitZ(); // its sides lie one above the other: it lies
        }
        if (const std::optional<Facing> facing = facing_of(scene_); facing && std::abs(up.y()) > 0.5) {
            left = up.cross(direction(facing->axis));
        }
        Mat3 to;
        to << left, up, left.cross(up);
        body_.upright = to.transpose();
    }

    void find_top() {
        double low = 1e300;
        double high = -1e300;
        for (const int joint : joints_) {
            low = std::min(low, place(joint).y());
            high = std::max(high, place(joint).y());
        }
        ground_ = low;
        body_.height_m = high - low;
        // Of several trees the largest is the body.
        for (const int root : root_joints(scene_)) {
            top_ = top_ < 0 || size_[at_(root)] > size_[at_(top_)] ? root : top_;
        }
    }

    [[nodiscard]] bool all_low(int joint) const {
        if (place(joint).y() - ground_ > near_ground * body_.height_m) {
            return false;
        }
        return std::all_of(below_[at_(joint)].begin(), below_[at_(joint)].end(),
                           [&](int child) { return all_low(child); });
    }

    /// The highest joints that lie near the ground with all that is below them.
    std::vector<int> find_feet() const {
        std::vector<int> feet;
        std::vector<int> open = {top_};
        while (!open.empty()) {
            const int joint = open.back();
            open.pop_back();
            if (joint != top_ && body_.height_m > 1e-9 && all_low(joint)) {
                feet.push_back(joint);
                continue;
            }
            open.insert(open.end(), below_[at_(joint)].begin(), below_[at_(joint)].end());
        }
        // What lies on the ground as a whole has no feet: a snake.
        std::erase_if(feet, [&](int foot) {
            const int above = joint_above(scene_, foot);
            return above < 0 || place(above).y() - place(foot).y() < 0.05 * body_.height_m;
        });
        std::sort(feet.begin(), feet.end());
        return feet.size() > 8 ? std::vector<int>() : feet;
    }

    [[nodiscard]] std::vector<int> line_to(int joint) const {
        std::vector<int> line;
        for (; joint >= 0; joint = joint_above(scene_, joint)) {
            line.push_back(joint);
        }
        std::reverse(line.begin(), line.end());
        return line;
    }

    void find_pelvis(const std::vector<int>& feet) {
        if (feet.size() >= 2) {
            std::vector<int> common = line_to(feet.front());
            for (const int foot : feet) {
                const std::vector<int> line = line_to(foot);
                size_t same = 0;
                while (same < common.size() && same < line.size() && common[same] == line[same]) {
                    ++same;
                }
                common.resize(same);
            }
            body_.pelvis = common.empty() ? top_ : common.back();
        } else {
            body_.pelvis = top_;
            while (below_[at_(body_.pelvis)].size() == 1 && feet.empty() && body_.pelvis == top_ && is_root_like()) {
                body_.pelvis = below_[at_(body_.pelvis)].front();
            }
        }
        if (body_.pelvis != top_) {
            body_.root = top_;
        } else if (feet.size() >= 2 && is_root_like() && below_[at_(top_)].size() > 1) {
            // Legs and spine each hang on the root itself: it is the pelvis, and carries the motion, too.
            body_.root = -1;
        }
    }

    /// It stands on the ground below what it carries.
    [[nodiscard]] bool is_root_like() const {
        const std::vector<int>& below = below_[at_(top_)];
        return below.size() == 1 && place(top_).y() - ground_ < 0.02 * body_.height_m + 1e-9 &&
               place(below.front()).y() - place(top_).y() > 0.1 * body_.height_m;
    }

    void add_legs(const std::vector<int>& feet) {
        for (const int foot : feet) {
            BodyChain leg;
            leg.role = "leg";
            const std::vector<int> line = line_to(foot);
            const auto from = std::find(line.begin(), line.end(), body_.pelvis);
            if (from == line.end() || foot == body_.pelvis) {
                continue;
            }
            leg.joints.assign(from + 1, line.end());
            double length = 0;
            for (size_t i = 1; i < leg.joints.size(); ++i) {
                length += (place(leg.joints[i]) - place(leg.joints[i - 1])).norm();
            }
            body_.leg_m = std::max(body_.leg_m, length);
            const Side side = side_of_chain(leg);
            for (const int joint : leg.joints) {
                taken_.push_back(joint);
            }
            add_digits(foot, side);
            body_.chains.push_back(std::move(leg));
        }
        // Front legs hang on the chest: what they share with the spine is no part of a leg.
        std::map<int, int> uses;
        for (const BodyChain& leg : body_.chains) {
            for (const int joint : leg.joints) {
                uses[joint] += leg.role == "leg" ? 1 : 0;
            }
        }
        for (BodyChain& leg : body_.chains) {
            if (leg.role == "leg") {
                std::erase_if(leg.joints, [&](int joint) { return uses[joint] > 1; });
            }
        }
        std::erase_if(taken_, [&](int joint) { return uses[joint] > 1; });
        if (!body_.chains.empty()) {
            body_.leg_m = 0;
            for (const BodyChain& leg : body_.chains) {
                double length = 0;
                for (size_t i = 1; i < leg.joints.size(); ++i) {
                    length += (place(leg.joints[i]) - place(leg.joints[i - 1])).norm();
                }
                body_.leg_m = std::max(body_.leg_m, leg.role == "leg" ? length : 0);
            }
        }
    }

    void add_digits(int from, Side side) {
        for (const int child : below_[at_(from)]) {
            BodyChain digit;
            digit.role = "digit";
            digit.side = side;
            digit.joints = row_from(child);
            taken_.insert(taken_.end(), digit.joints.begin(), digit.joints.end());
            body_.chains.push_back(std::move(digit));
        }
    }

    /// Down as far as nothing branches off.
    [[nodiscard]] std::vector<int> row_from(int joint) const {
        std::vector<int> row = {joint};
        while (below_[at_(row.back())].size() == 1) {
            row.push_back(below_[at_(row.back())].front());
        }
        return row;
    }

    [[nodiscard]] bool is_taken(int joint) const {
        return std::find(taken_.begin(), taken_.end(), joint) != taken_.end();
    }

    [[nodiscard]] int highest_below(int joint) const {
        int highest = joint;
        for (const int child : below_[at_(joint)]) {
            const int there = is_taken(child) ? joint : highest_below(child);
            highest = place(there).y() > place(highest).y() ? there : highest;
        }
        return highest;
    }

    /// Spine and neck to the head, then what branches off on both sides, then tails.
    void add_upper() {
        if (body_.pelvis < 0) {
            return;
        }
        std::vector<int> line = line_to(highest_below(body_.pelvis));
        line.erase(line.begin(), std::find(line.begin(), line.end(), body_.pelvis));
        // The last branching on the way is the head, if anything hangs there; else the end.
        size_t chest = 0;
        size_t head = line.size() - 1;
        for (size_t i = 1; i < line.size(); ++i) {
            if (sided_branches(line[i]) && chest == 0) {
                chest = i;
            }
        }
        for (size_t i = chest + 1; i < line.size(); ++i) {
            if (below_[at_(line[i])].size() > 1) {
                head = i;
                break;
            }
        }
        if (chest == 0 || head <= chest) {
            add("spine", {line.begin() + (line.size() > 1 ? 1 : 0), line.end()});
        } else {
            add("spine", {line.begin() + 1, line.begin() + static_cast<ptrdiff_t>(chest) + 1});
            add("neck",
                {line.begin() + static_cast<ptrdiff_t>(chest) + 1, line.begin() + static_cast<ptrdiff_t>(head)});
            add("head", {line[head]});
            body_.head = line[head];
        }
        const std::vector<BodyChain> so_far = body_.chains;
        for (size_t i = 0; i < line.size() && i <= head; ++i) {
            for (const int child : below_[at_(line[i])]) {
                if (is_taken(child) || std::find(line.begin(), line.end(), child) != line.end()) {
                    continue;
                }
                std::vector<int> row = row_from(child);
                const Vec3 reach = place(row.back()) - place(line[i]);
                const bool aside = std::abs(place(child).x() - place(line[i]).x()) > 0.01 * body_.height_m ||
                                   std::abs(reach.x()) > 0.1 * body_.height_m;
                if (i > 0 && i < head && aside && row.size() >= 2) {
                    const Side side =
                        place(row.back()).x() + place(child).x() > 2 * place(line[i]).x() ? Side::left : Side::right;
                    const int hand = row.back();
                    add("arm", std::move(row));
                    add_digits(hand, side);
                } else if (i == 0 && !aside && row.size() >= 2) {
                    add("tail", std::move(row));
                } else if (i == 0 && !aside) {
                    add("tail", std::move(row));
                }
            }
        }
    }

    /// Two rows of joints that answer each other branch off there.
    [[nodiscard]] bool sided_branches(int joint) const {
        size_t left = 0;
        size_t right = 0;
        for (const int child : below_[at_(joint)]) {
            const double aside = place(child).x() - place(joint).x();
            if (!is_taken(child) && size_[at_(child)] >= 2 && std::abs(aside) > 0.005 * body_.height_m) {
                (aside > 0 ? left : right) += 1;
            }
            if (is_taken(child)) {
                return true; // a front leg
            }
        }
        return left > 0 && right > 0;
    }

    void add(const std::string& role, std::vector<int> joints) {
        if (joints.empty()) {
            return;
        }
        taken_.insert(taken_.end(), joints.begin(), joints.end());
        BodyChain chain;
        chain.role = role;
        chain.joints = std::move(joints);
        body_.chains.push_back(std::move(chain));
    }

    [[nodiscard]] Side side_of_chain(const BodyChain& chain) const {
        if (chain.role != "leg" && chain.role != "arm") {
            return Side::middle;
        }
        double x = 0;
        for (const int joint : chain.joints) {
            x += place(joint).x();
        }
        const double middle = place(body_.pelvis).x();
        x = x / static_cast<double>(chain.joints.size()) - middle;
        return std::abs(x) < 1e-6 * body_.height_m ? Side::middle : x > 0 ? Side::left : Side::right;
    }

    void number() {
        const auto before = [&](const BodyChain& a, const BodyChain& b) {
            const Vec3 at_a = place(a.joints.front());
            const Vec3 at_b = place(b.joints.front());
            if (a.role == "digit") {
                // Fingers and toes from the inside out, by where they end.
                return std::abs(place(a.joints.back()).x()) < std::abs(place(b.joints.back()).x());
            }
            return at_a.z() < at_b.z();
        };
        for (BodyChain& chain : body_.chains) {
            chain.order = 0;
            for (const BodyChain& other : body_.chains) {
                // A thumb, or a hind toe, has fewer joints than the others and counts by itself.
                const bool same_place = chain.role != "digit" || (joint_above(scene_, chain.joints.front()) ==
                                                                      joint_above(scene_, other.joints.front()) &&
                                                                  chain.joints.size() == other.joints.size());
                if (&other != &chain && other.role == chain.role && other.side == chain.side && same_place &&
                    before(other, chain)) {
                    ++chain.order;
                }
            }
        }
    }

    const Scene& scene_;
    std::vector<Mat4> world_;
    std::vector<int> joints_;
    std::vector<std::vector<int>> below_;
    std::vector<int> size_;
    std::vector<int> taken_;
    int top_ = -1;
    double ground_ = 0;
    Body body_;
};

} // namespace

const BodyChain* Body::find(const std::string& role, Side side, int order) const {
    const auto found = std::find_if(chains.begin(), chains.end(), [&](const BodyChain& chain) {
        return chain.role == role && chain.side == side && chain.order == order;
    });
    return found == chains.end() ? nullptr : &*found;
}

Body body_of(const Scene& scene) {
    return BodyReader(scene).run();
}

} // namespace wembrix
