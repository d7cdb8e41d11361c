#include "core/measure/skeleton/pairs.h"

#include "core/math/axes.h"
#include "core/measure/scene/bounds.h"

#include <algorithm>
#include <cctype>
#include <map>

namespace wembrix {

namespace {

struct Word {
    std::string text; ///< lower case
    size_t at = 0;
};

/// "tansy_rig:LeftLeg_Hip" -> left, leg, hip
std::vector<Word> words_of(std::string_view name) {
    const size_t colon = name.rfind(':');
    std::vector<Word> words;
    bool open = false;
    for (size_t i = colon == std::string_view::npos ? 0 : colon + 1; i < name.size(); ++i) {
        const auto c = static_cast<unsigned char>(name[i]);
        if (std::isalnum(c) == 0) {
            open = false;
            continue;
        }
        const bool hump = std::isupper(c) != 0 && i > 0 && std::islower(static_cast<unsigned char>(name[i - 1])) != 0;
        if (!open || hump) {
            words.push_back({"", i});
            open = true;
        }
        words.back().text += static_cast<char>(std::tolower(c));
    }
    return words;
}

Vec3 mirrored(const Vec3& place, const Sides& sides) {
    return place + 2 * (sides.middle - sides.left.dot(place)) * sides.left;
}

/// The horizontal axis that the left ones of the pairs lie along most; +X where they say none.
Vec3 left_of(const std::vector<JointPair>& pairs, const std::vector<Mat4>& world) {
    Vec3 sum = Vec3::Zero();
    for (const JointPair& pair : pairs) {
        sum += point_of(world[static_cast<size_t>(pair.left)], Vec3::Zero()) -
               point_of(world[static_cast<size_t>(pair.right)], Vec3::Zero());
    }
    sum.y() = 0;
    return sum.norm() < 1e-9 ? Vec3(Vec3::UnitX()) : direction(nearest_axis(sum));
}

} // namespace

SideWord side_word(std::string_view name) {
    const std::vector<Word> words = words_of(name);
    for (size_t i = 0; i < words.size(); ++i) {
        const std::string& text = words[i].text;
        const bool end =
            i == 0 || i + 1 == words.size() || words[i + 1].text.find_first_not_of("0123456789") == std::string::npos;
        if (text == "left" || (end && text == "l")) {
            return {Side::left, words[i].at, text.size()};
        }
        if (text == "right" || (end && text == "r")) {
            return {Side::right, words[i].at, text.size()};
        }
    }
    return {};
}

std::string other_side(std::string_view name) {
    const SideWord word = side_word(name);
    if (word.side == Side::middle) {
        return {};
    }
    std::string other = word.side == Side::left ? "right" : "left";
    if (word.length == 1) {
        other.resize(1);
    }
    const std::string_view now = name.substr(word.at, word.length);
    const auto upper = [](char c) { return static_cast<char>(std::toupper(static_cast<unsigned char>(c))); };
    const bool all = std::all_of(now.begin(), now.end(), [](unsigned char c) { return std::isupper(c) != 0; });
    for (size_t i = 0; i < other.size(); ++i) {
        const bool capital = all || (i == 0 && std::isupper(static_cast<unsigned char>(now[0])) != 0);
        other[i] = capital ? upper(other[i]) : other[i];
    }
    return std::string(name.substr(0, word.at)) + other + std::string(name.substr(word.at + word.length));
}

Sides find_sides(const Scene& scene) {
    Sides sides;
    const std::vector<Mat4> world = rest_world(scene);
    std::map<std::string, int, std::less<>> joints;
    for (const int joint : joints_of(scene)) {
        joints.emplace(scene.nodes[joint].name, joint);
    }
    std::vector<char> paired(scene.nodes.size(), 0);
    const auto place = [&](int joint) { return point_of(world[joint], Vec3::Zero()); };
    for (const auto& [name, joint] : joints) {
        if (side_word(name).side != Side::left) {
            continue;
        }
        const auto other = joints.find(other_side(name));
        if (other != joints.end()) {
            sides.pairs.push_back({joint, other->second, true, 0, 0});
            paired[joint] = paired[other->second] = 1;
        }
    }
    sides.left = left_of(sides.pairs, world);
    for (const JointPair& pair : sides.pairs) {
        const double both = sides.left.dot(place(pair.left)) + sides.left.dot(place(pair.right));
        sides.middle += both / 2 / static_cast<double>(sides.pairs.size());
    }
    std::vector<int> partner(scene.nodes.size(), -1);
    for (const JointPair& pair : sides.pairs) {
        partner[pair.left] = pair.right;
        partner[pair.right] = pair.left;
    }
    // By place, from the root down: what hangs on a pair, or both on one middle joint.
    const double near = 0.01 * std::max(height_m(scene), whole_bounds(scene).size().norm() * 0.2);
    for (const auto& [name, joint] : joints) {
        static_cast<void>(name);
        if (side_word(scene.nodes[joint].name).side == Side::middle) {
            continue;
        }
        if (paired[joint] == 0) {
            sides.alone.push_back(joint);
        }
    }
    const std::vector<int> in_order = joints_of(scene);
    for (const int left : in_order) {
        const Vec3 at = place(left);
        if (paired[left] != 0 || sides.left.dot(at) - sides.middle <= near) {
            continue;
        }
        int best = -1;
        double least = near;
        for (const int right : in_order) {
            const int above = scene.nodes[left].parent;
            const int other_above = scene.nodes[right].parent;
            const bool answers = above == other_above || (above >= 0 && partner[above] == other_above);
            const double apart = (mirrored(at, sides) - place(right)).norm();
            if (right != left && paired[right] == 0 && answers && apart < least) {
                least = apart;
                best = right;
            }
        }
        if (best >= 0) {
            sides.pairs.push_back({left, best, false, 0, 0});
            paired[left] = paired[best] = 1;
            partner[left] = best;
            partner[best] = left;
        }
    }
    std::erase_if(sides.alone, [&](int joint) { return paired[joint] != 0; });
    std::sort(sides.alone.begin(), sides.alone.end());
    for (JointPair& pair : sides.pairs) {
        pair.apart_m = (mirrored(place(pair.left), sides) - place(pair.right)).norm();
        pair.longer_m =
            scene.nodes[pair.left].rest.translation.norm() - scene.nodes[pair.right].rest.translation.norm();
    }
    std::sort(sides.pairs.begin(), sides.pairs.end(),
              [](const JointPair& a, const JointPair& b) { return a.left < b.left; });
    return sides;
}

std::vector<JointPair> unlike_pairs(const Sides& sides, double tolerance_m) {
    const auto how_far = [](const JointPair& pair) { return std::max(pair.apart_m, std::abs(pair.longer_m)); };
    std::vector<JointPair> unlike;
    std::copy_if(sides.pairs.begin(), sides.pairs.end(), std::back_inserter(unlike),
                 [&](const JointPair& pair) { return how_far(pair) > tolerance_m; });
    std::stable_sort(unlike.begin(), unlike.end(),
                     [&](const JointPair& a, const JointPair& b) { return how_far(a) > how_far(b); });
    return unlike;
}

int mirror_of(const Sides& sides, int joint) {
    for (const JointPair& pair : sides.pairs) {
        if (pair.left == joint || pair.right == joint) {
            return pair.left == joint ? pair.right : pair.left;
        }
    }
    return -1;
}

} // namespace wembrix
