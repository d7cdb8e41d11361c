#include "core/plan/plan.h"

#include <algorithm>
#include <set>

namespace wembrix {

int PlanChain::joints() const {
    const int own = static_cast<int>(points()) - (to.empty() ? 1 : 0);
    return spread_joints > 0 ? spread_joints : std::max(0, own);
}

int Plan::find(std::string_view chain) const {
    const auto found = std::find_if(chains.begin(), chains.end(), [&](const PlanChain& c) { return c.name == chain; });
    return found == chains.end() ? -1 : static_cast<int>(found - chains.begin());
}

const std::vector<std::string>& chain_roles() {
    static const std::vector<std::string> roles = {"spine", "neck", "head",  "tail", "leg",
                                                   "arm",   "wing", "digit", "ear",  "other"};
    return roles;
}

size_t joint_count(const Plan& plan) {
    size_t count = plan.root == Plan::Root::none ? 0 : 1;
    for (const PlanChain& chain : plan.chains) {
        const int joints = chain.joints();
        const int own = joints * (1 + chain.twists) + (chain.tip ? 1 : 0);
        count += static_cast<size_t>(own * chain.copies * (chain.both_sides ? 2 : 1));
    }
    return count;
}

namespace {

/// How far a point lies from the straight line between the two beside it.
double bend_at(const std::vector<Vec3>& points, size_t i) {
    const Vec3 along = points[i + 1] - points[i - 1];
    const Vec3 to = points[i] - points[i - 1];
    const double length = along.norm();
    return length > 0 ? (to - to.dot(along) / (length * length) * along).norm() : to.norm();
}

/// Without a chain and all that hangs on it. What ended there ends at a guide of its own.
Plan without(const Plan& plan, const std::string& name) {
    Plan left = plan;
    std::set<std::string> gone = {name};
    left.chains.clear();
    for (const PlanChain& chain : plan.chains) {
        if (gone.count(chain.name) > 0 || gone.count(chain.from) > 0) {
            gone.insert(chain.name);
        } else {
            left.chains.push_back(chain);
        }
    }
    for (PlanChain& chain : left.chains) {
        if (gone.count(chain.to) > 0) {
            const PlanChain& to = plan.chains[static_cast<size_t>(plan.find(chain.to))];
            chain.guides.front().push_back(to.guides[to.guides.size() / 2].front());
            chain.to.clear();
        }
    }
    return left.chains.empty() ? plan : left;
}

} // namespace

Plan with_joints(const Plan& plan, std::string_view name, int joints) {
    Plan changed = plan;
    const int found = plan.find(name);
    if (found < 0) {
        return changed;
    }
    if (joints < 1) {
        return without(plan, std::string(name));
    }
    PlanChain& chain = changed.chains[static_cast<size_t>(found)];
    if (chain.spread_joints > 0) {
        chain.spread_joints = joints;
    } else {
        while (chain.joints() < joints) {
            // Every copy at the same place of its row, so that they stay alike.
            size_t longest = 0;
            double length = -1;
            const std::vector<Vec3>& first = chain.guides.front();
            for (size_t i = 0; i + 1 < first.size(); ++i) {
                const double here = (first[i + 1] - first[i]).norm();
                if (here > length * (1 + 1e-9)) {
                    length = here;
                    longest = i;
                }
            }
            for (std::vector<Vec3>& points : chain.guides) {
                const Vec3 middle = points.size() < 2 ? Vec3(points[0] + Vec3(0, 0.05, 0))
                                                      : Vec3((points[longest] + points[longest + 1]) / 2);
                points.insert(points.begin() + static_cast<ptrdiff_t>(longest) + 1, middle);
            }
        }
        while (chain.joints() > joints) {
            const std::vector<Vec3>& first = chain.guides.front();
            size_t least = first.size() - 1;
            for (size_t i = 1; i + 1 < first.size(); ++i) {
                least = least + 1 == first.size() || bend_at(first, i) < bend_at(first, least) ? i : least;
            }
            for (std::vector<Vec3>& points : chain.guides) {
                points.erase(points.begin() + static_cast<ptrdiff_t>(least));
            }
            if (least < chain.names.size()) {
                chain.names.erase(chain.names.begin() + static_cast<ptrdiff_t>(least));
            }
        }
    }
    chain.limits.clear(); // they spoke of joints that are others now
    for (PlanChain& other : changed.chains) {
        if (other.from == chain.name && other.from_joint > joints) {
            other.from_joint = 0;
        }
    }
    return changed;
}

} // namespace wembrix
