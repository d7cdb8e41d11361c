#include "core/measure/comparison/compare_scenes.h"

#include "core/measure/comparison/subjects.h"

#include <algorithm>
#include <fmt/format.h>

namespace wembrix {

NodePairs::NodePairs(const Scene& expected, const Scene& actual) : expected_(expected), actual_(actual) {
    for (size_t i = 0; i < expected.nodes.size(); ++i) {
        const int other = actual.find_node(expected.nodes[i].name);
        if (other >= 0) {
            both.emplace_back(static_cast<int>(i), other);
        } else {
            missing.push_back(static_cast<int>(i));
        }
    }
    for (size_t i = 0; i < actual.nodes.size(); ++i) {
        if (expected.find_node(actual.nodes[i].name) < 0) {
            too_many.push_back(static_cast<int>(i));
        }
    }
}

std::vector<Claim> compare_scenes(const Scene& expected, const Scene& actual) {
    const NodePairs pairs(expected, actual);
    std::vector<Subject> subjects;
    compare_nodes(pairs, subjects);
    compare_surfaces(pairs, subjects);
    compare_shapes(pairs, subjects);
    compare_materials(pairs, subjects);
    compare_other_kinds(pairs, subjects);
    std::vector<Claim> claims;
    for (const Subject& subject : subjects) {
        if (!subject.is_empty()) {
            claims.push_back(subject.claim());
        }
    }
    return claims;
}

bool compared_anything(const std::vector<Claim>& claims) {
    return std::any_of(claims.begin(), claims.end(), [](const Claim& claim) { return claim.compared > 0; });
}

} // namespace wembrix
