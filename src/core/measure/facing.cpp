#include "core/measure/facing.h"

#include <algorithm>
#include <cctype>
#include <map>
#include <vector>

namespace wembrix {

namespace {

/// "tansy_rig:LeftLeg_Hip" -> {"tansy", "rig", "left", "leg", "hip"}
std::vector<std::string> words_of(std::string_view name) {
    std::vector<std::string> words;
    std::string word;
    auto flush = [&] {
        if (!word.empty()) {
            words.push_back(word);
            word.clear();
        }
    };
    for (size_t i = 0; i < name.size(); ++i) {
        const auto c = static_cast<unsigned char>(name[i]);
        if (std::isalnum(c) == 0) {
            flush();
            continue;
        }
        if (std::isupper(c) != 0 && i > 0 && std::islower(static_cast<unsigned char>(name[i - 1])) != 0) {
            flush();
        }
        word += static_cast<char>(std::tolower(c));
    }
    flush();
    return words;
}

} // namespace

Side side_of(std::string_view name) {
    const size_t prefix = name.rfind(':');
    const std::vector<std::string> words = words_of(prefix == std::string_view::npos ? name : name.substr(prefix + 1));
    for (size_t i = 0; i < words.size(); ++i) {
        const bool end =
            i == 0 || i + 1 == words.size() || words[i + 1].find_first_not_of("0123456789") == std::string::npos;
        if (words[i] == "left" || (end && words[i] == "l")) {
            return Side::left;
        }
        if (words[i] == "right" || (end && words[i] == "r")) {
            return Side::right;
        }
    }
    return Side::middle;
}

std::optional<Facing> facing_of(const Scene& scene) {
    const std::vector<Mat4> world = rest_world(scene);
    Vec3 left = Vec3::Zero();
    Vec3 right = Vec3::Zero();
    int lefts = 0;
    int rights = 0;
    for (const int joint : joints_of(scene)) {
        const Side side = side_of(scene.nodes[joint].name);
        const Vec3 place = point_of(world[joint], Vec3::Zero());
        if (side == Side::left) {
            left += place;
            ++lefts;
        } else if (side == Side::right) {
            right += place;
            ++rights;
        }
    }
    if (lefts == 0 || rights == 0) {
        return std::nullopt;
    }
    const Vec3 across = left / lefts - right / rights;
    const Vec3 ahead = Vec3(across.x(), 0, across.z()).cross(Vec3::UnitY());
    if (ahead.norm() < 1e-9 * std::max(1.0, across.norm())) {
        return std::nullopt; // the sides lie above one another: the character does not stand upright
    }
    Facing facing;
    facing.axis = nearest_axis(ahead);
    facing.reason = std::to_string(std::min(lefts, rights)) + " joints name a left and a right side";
    return facing;
}

} // namespace wembrix
