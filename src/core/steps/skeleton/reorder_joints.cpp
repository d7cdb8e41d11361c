// Puts the joints into an order: branch by branch, those of one parent as told.
#include "core/base/counted.h"
#include "core/base/text.h"
#include "core/steps/names.h"
#include "core/steps/skeleton/reframe.h"
#include "core/steps/step_kind.h"

#include <algorithm>
#include <functional>
#include <map>
#include <set>

namespace wembrix {

namespace {

/// "spine_2" before "spine_10": runs of digits count as numbers.
bool before_by_name(const std::string& a, const std::string& b) {
    size_t i = 0;
    size_t j = 0;
    const auto digit = [](char c) { return c >= '0' && c <= '9'; };
    while (i < a.size() && j < b.size()) {
        if (digit(a[i]) && digit(b[j])) {
            const size_t from_a = i;
            const size_t from_b = j;
            while (i < a.size() && digit(a[i])) {
                ++i;
            }
            while (j < b.size() && digit(b[j])) {
                ++j;
            }
            const auto bare = [](std::string run) {
                run.erase(0, std::min(run.find_first_not_of('0'), run.size()));
                return run;
            };
            const std::string number_a = bare(a.substr(from_a, i - from_a));
            const std::string number_b = bare(b.substr(from_b, j - from_b));
            if (number_a != number_b) {
                return number_a.size() != number_b.size() ? number_a.size() < number_b.size() : number_a < number_b;
            }
        } else if (a[i] != b[j]) {
            return a[i] < b[j];
        } else {
            ++i;
            ++j;
        }
    }
    return a.size() - i < b.size() - j || (a.size() - i == b.size() - j && a < b);
}

using Before = std::function<bool(int, int)>;

std::vector<std::vector<int>> below_each(const Scene& scene, std::vector<int>& tops) {
    std::vector<std::vector<int>> below(scene.nodes.size());
    for (size_t i = 0; i < scene.nodes.size(); ++i) {
        const int parent = scene.nodes[i].parent;
        (parent < 0 ? tops : below[parent]).push_back(static_cast<int>(i));
    }
    return below;
}

/// Every node before what hangs on it, branch by branch. No recursion: a chain may be as deep as there are nodes.
std::vector<int> branch_order(const Scene& scene, const Before& before) {
    std::vector<int> tops;
    std::vector<std::vector<int>> below = below_each(scene, tops);
    std::sort(tops.begin(), tops.end(), before);
    std::vector<int> order;
    std::vector<int> waiting(tops.rbegin(), tops.rend());
    while (!waiting.empty()) {
        const int at = waiting.back();
        waiting.pop_back();
        order.push_back(at);
        std::sort(below[at].begin(), below[at].end(), before);
        waiting.insert(waiting.end(), below[at].rbegin(), below[at].rend());
    }
    return order;
}

/// The order of the list, wherever that puts no node before the one it hangs on.
std::vector<int> listed_order(const Scene& scene, const Before& before) {
    std::vector<int> tops;
    const std::vector<std::vector<int>> below = below_each(scene, tops);
    std::set<int, Before> ready(tops.begin(), tops.end(), before);
    std::vector<int> order;
    while (!ready.empty()) {
        const int at = *ready.begin();
        ready.erase(ready.begin());
        order.push_back(at);
        ready.insert(below[at].begin(), below[at].end());
    }
    return order;
}

struct OrderSettings {
    enum class By : uint8_t { branch, name, list };
    By by = By::branch;
    std::vector<std::string> order;
};

Result<StepResult> apply_reorder_joints(const StepContext& context, const OrderSettings& settings) {
    const Scene& scene = context.scene;
    const std::vector<std::string>& listed = settings.order;
    const bool by_list = settings.by == OrderSettings::By::list;
    const bool by_name = settings.by == OrderSettings::By::name;
    std::map<std::string, int> place;
    std::vector<std::string> missing;
    for (const std::string& name : listed) {
        place.emplace(name, static_cast<int>(place.size()));
        if (scene.find_node(name) < 0) {
            missing.push_back(name);
        }
    }
    const auto rank = [&](const Node& node) {
        const auto found = place.find(node.name);
        return found == place.end() ? static_cast<int>(place.size()) : found->second;
    };
    const auto before = [&](int a, int b) {
        const Node& left = scene.nodes[a];
        const Node& right = scene.nodes[b];
        // Joints first: what else hangs there does not count among them.
        if ((left.kind == NodeKind::joint) != (right.kind == NodeKind::joint)) {
            return left.kind == NodeKind::joint;
        }
        if (by_list && rank(left) != rank(right)) {
            return rank(left) < rank(right);
        }
        if (by_name && left.name != right.name) {
            return before_by_name(left.name, right.name);
        }
        return a < b;
    };
    const std::vector<int> order = by_list ? listed_order(scene, before) : branch_order(scene, before);
    StepResult result;
    result.scene = scene;
    reorder_nodes(result.scene, order);
    // The skins list their joints in the same order, so that files do too.
    for (Skin& skin : result.scene.skins) {
        std::vector<size_t> ranks(skin.joints.size());
        for (size_t j = 0; j < ranks.size(); ++j) {
            ranks[j] = j;
        }
        std::stable_sort(ranks.begin(), ranks.end(),
                         [&](size_t a, size_t b) { return skin.joints[a] < skin.joints[b]; });
        const Skin old = skin;
        std::vector<uint32_t> new_place(ranks.size());
        for (size_t j = 0; j < ranks.size(); ++j) {
            skin.joints[j] = old.joints[ranks[j]];
            skin.inverse_binds[j] = old.inverse_binds[ranks[j]];
            new_place[ranks[j]] = static_cast<uint32_t>(j);
        }
        const auto at = static_cast<int>(&skin - result.scene.skins.data());
        for (Node& node : result.scene.nodes) {
            if (node.skin == at && node.mesh >= 0) {
                for (auto& joint : node.influences.joints.edit()) {
                    joint = static_cast<std::remove_reference_t<decltype(joint)>>(new_place[joint]);
                }
            }
        }
    }
    size_t moved = 0;
    for (size_t i = 0; i < order.size(); ++i) {
        moved += order[i] != static_cast<int>(i) && scene.nodes[order[i]].kind == NodeKind::joint ? 1 : 0;
    }
    result.account = moved == 0 ? "the joints stand so already"
                                : phrase("{} at another place in the list, {}", counted(moved, "joint"),
                                         by_name   ? "branch by branch, by name"
                                         : by_list ? "as listed"
                                                   : "branch by branch");
    if (!missing.empty()) {
        result.could_not.push_back(phrase("there is no joint {} any more", some_of(missing)));
    }
    return result;
}

} // namespace

StepKind reorder_joints_step() {
    return make_step<OrderSettings>(
        {"reorder_joints", "Order the joints",
         "Engines number joints as the file lists them; the same order every time keeps what refers to numbers.",
         StepSubject::skeleton},
        {choice<&OrderSettings::by>(
             "by", "Order", {"branch", "name", "list"},
             "Branch by branch, by name (numbers in names count as numbers), or as listed. Skins "
             "list their joints in the same order")
             .starting("name"),
         list<&OrderSettings::order>("order", "List", "Joints in order")
             .naming(NameOf::joint)
             .typed_as("joints in order, one per line")},
        apply_reorder_joints);
}

} // namespace wembrix
