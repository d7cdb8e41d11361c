#include "core/steps/skeleton/skeleton_match.h"

#include "core/steps/names.h"

#include <algorithm>
#include <array>
#include <cassert>
#include <cmath>
#include <set>
#include <unordered_map>
#include <utility>

namespace wembrix {

namespace {

/// Places of the model's nodes by their names without prefixes; the first of equal ones.
std::unordered_map<std::string, int> places_by_name(const std::vector<std::string>& names) {
    std::unordered_map<std::string, int> places;
    for (size_t i = 0; i < names.size(); ++i) {
        if (!names[i].empty()) {
            places.emplace(strip_namespace(names[i]), static_cast<int>(i));
        }
    }
    return places;
}

/// Which node of the model each node of the other is, or -1. Of the two names that a node of the model may be known by,
/// those count first that more of the other's nodes have.
std::vector<int> matches(const Scene& model, const Scene& other, const MatchOptions& options) {
    std::vector<std::string> names;
    for (const Node& node : model.nodes) {
        names.push_back(node.name);
    }
    std::array by_name = {places_by_name(options.other_names), places_by_name(names)};
    const auto known = [&](const std::unordered_map<std::string, int>& places) {
        return std::count_if(other.nodes.begin(), other.nodes.end(),
                             [&](const Node& node) { return places.count(strip_namespace(node.name)) > 0; });
    };
    if (known(by_name[1]) > known(by_name[0])) {
        std::swap(by_name[0], by_name[1]);
    }
    std::map<std::string, std::string> said;
    for (const auto& [of_other, of_model] : options.joints) {
        said.emplace(strip_namespace(of_other), strip_namespace(of_model));
    }
    std::vector<int> found(other.nodes.size(), -1);
    std::set<int> taken;
    const auto look = [&](size_t node, const std::string& name) {
        for (const auto& places : by_name) {
            const auto match = found[node] < 0 ? places.find(name) : places.end();
            if (match != places.end() && taken.insert(match->second).second) {
                found[node] = match->second;
            }
        }
    };
    for (size_t i = 0; i < other.nodes.size(); ++i) { // what a person said comes before what names say
        const auto meant = said.find(strip_namespace(other.nodes[i].name));
        if (meant != said.end()) {
            look(i, meant->second);
        }
    }
    for (size_t i = 0; i < other.nodes.size(); ++i) {
        const std::string name = strip_namespace(other.nodes[i].name);
        if (said.count(name) == 0) {
            look(i, name);
        }
    }
    return found;
}

/// The one of the units that people use which most of the bones' ratios are nearest to, or 1.
double unit_said_by(std::vector<double> ratios) {
    std::sort(ratios.begin(), ratios.end());
    const double middle = ratios[ratios.size() / 2];
    double said = 1;
    for (const double unit : {1.0, 0.01, 100.0, 0.001, 1000.0, 0.1, 10.0, 0.0254, 1 / 0.0254, 0.3048, 1 / 0.3048}) {
        said = std::abs(middle / unit - 1) < 0.05 ? unit : said;
    }
    return said;
}

double length(const std::vector<Mat4>& world, int a, int b) {
    return (place_of_matrix(world[static_cast<size_t>(a)]) - place_of_matrix(world[static_cast<size_t>(b)])).norm();
}

} // namespace

std::string strip_namespace(const std::string& name) {
    return name.substr(prefix_of(name, ":").size());
}

SkeletonMatch::SkeletonMatch(const Scene& model, const Scene& other, const MatchOptions& options)
    : match_(matches(model, other, options)), model_world_(rest_world(model)), other_world_(rest_world(other)) {
    assert(options.other_names.empty() || options.other_names.size() == model.nodes.size());
    std::vector<int> from(model.nodes.size(), -1);
    for (size_t i = 0; i < match_.size(); ++i) {
        if (match_[i] >= 0) {
            from[static_cast<size_t>(match_[i])] = static_cast<int>(i);
        }
    }
    // In the model's order and under the model's parents, whatever the other has above what.
    std::vector<int> place(model.nodes.size(), -1);
    for (size_t i = 0; i < model.nodes.size(); ++i) {
        if (from[i] < 0 || model.nodes[i].kind != NodeKind::joint) {
            continue;
        }
        MatchedBone bone{from[i], static_cast<int>(i), -1};
        for (int above = model.nodes[i].parent; above >= 0 && bone.above < 0;
             above = model.nodes[static_cast<size_t>(above)].parent) {
            bone.above = place[static_cast<size_t>(above)];
        }
        place[i] = static_cast<int>(bones_.size());
        bones_.push_back(bone);
    }
    compare_lengths(options.factor);
}

void SkeletonMatch::compare_lengths(const std::optional<double>& asked) {
    std::vector<double> ratios;
    for (const MatchedBone& bone : bones_) {
        if (bone.above < 0) {
            continue;
        }
        const MatchedBone& above = bones_[static_cast<size_t>(bone.above)];
        const double is = length(model_world_, bone.model, above.model);
        const double was = length(other_world_, bone.other, above.other);
        if (is > 1e-6 && was > 1e-6) {
            ratios.push_back(is / was);
        }
    }
    if (asked) {
        factor_ = *asked;
    } else if (!ratios.empty()) {
        factor_ = unit_said_by(ratios);
    }
    if (!ratios.empty()) {
        std::nth_element(ratios.begin(), ratios.begin() + static_cast<ptrdiff_t>(ratios.size() / 2), ratios.end());
        middle_ratio_ = ratios[ratios.size() / 2] / factor_;
    }
    for (const double ratio : ratios) {
        longest_apart_ = std::max(longest_apart_, std::abs(ratio / factor_ - 1));
    }
}

Vec3 SkeletonMatch::bone_in(const std::vector<Mat4>& world, int upper, int lower) {
    const Mat4& frame = world[static_cast<size_t>(upper)];
    return turn_of_matrix(frame).transpose() *
           (place_of_matrix(world[static_cast<size_t>(lower)]) - place_of_matrix(frame));
}

std::vector<Mat3> SkeletonMatch::fitting_turns(const std::vector<Mat4>& world) const {
    std::vector<std::vector<size_t>> below(bones_.size());
    for (size_t b = 0; b < bones_.size(); ++b) {
        if (bones_[b].above >= 0) {
            below[static_cast<size_t>(bones_[b].above)].push_back(b);
        }
    }
    std::vector<Mat3> fits(bones_.size(), Mat3::Identity());
    for (size_t b = 0; b < bones_.size(); ++b) {
        const MatchedBone& bone = bones_[b];
        const Mat3 was = turn_of_matrix(world[static_cast<size_t>(bone.other)]);
        const Mat3 is = turn_of_matrix(model_world_[static_cast<size_t>(bone.model)]);
        // As both rest under what is above them; at the top, as both rest in the world.
        Mat3 rests = was.transpose() * is;
        if (bone.above >= 0) {
            const MatchedBone& above = bones_[static_cast<size_t>(bone.above)];
            const Mat3 was_above = turn_of_matrix(world[static_cast<size_t>(above.other)]);
            const Mat3 is_above = turn_of_matrix(model_world_[static_cast<size_t>(above.model)]);
            rests = was.transpose() * was_above * fits[static_cast<size_t>(bone.above)] * is_above.transpose() * is;
        }
        fits[b] = below[b].empty() ? rests : along_bones(below[b], bone, world, rests);
    }
    return fits;
}

Mat3 SkeletonMatch::along_bones(const std::vector<size_t>& below, const MatchedBone& bone,
                                const std::vector<Mat4>& world, const Mat3& rests) const {
    const auto both = [&](size_t child) {
        return std::pair(bone_in(model_world_, bone.model, bones_[child].model),
                         bone_in(world, bone.other, bones_[child].other));
    };
    const auto holds = [&](const Mat3& fit) {
        return std::all_of(below.begin(), below.end(), [&](size_t child) {
            const auto [is, was] = both(child);
            const double longer = std::max(is.norm(), was.norm());
            return longer < 1e-6 || (fit * is - was).norm() < 0.03 * longer;
        });
    };
    if (holds(Mat3::Identity())) {
        return Mat3::Identity();
    }
    if (holds(rests)) {
        return rests;
    }
    // The turn nearest to that of the rest poses under which the bones lie along each other, the long ones first
    // (Kabsch 1976).
    Mat3 sum = rests * 1e-6;
    for (const size_t child : below) {
        const auto [is, was] = both(child);
        if (is.norm() > 1e-9 && was.norm() > 1e-9) {
            sum += was * is.transpose() / (was.norm() * is.norm()) * std::min(is.norm(), was.norm());
        }
    }
    if (below.size() == 1) {
        const auto [is, was] = both(below[0]);
        if (is.norm() < 1e-9 || was.norm() < 1e-9) {
            return rests;
        }
        return shortest_turn(rests * is, was).toRotationMatrix() * rests;
    }
    return nearest_rotation(sum);
}

} // namespace wembrix
