// Nodes: which there are, in what order, under which parents; where they rest; skins; what is carried with them.
#include "core/base/counted.h"
#include "core/base/text.h"
#include "core/math/angles.h"
#include "core/measure/comparison/subjects.h"

#include <Eigen/LU>
#include <algorithm>
#include <cmath>
#include <map>

namespace wembrix {

namespace {

std::string parent_name(const Scene& scene, const Node& node) {
    return node.parent < 0 ? "nothing" : scene.nodes[static_cast<size_t>(node.parent)].name;
}

/// Children stand in one order under each parent, and joints among all joints. Beyond that, order says nothing.
void compare_order(const NodePairs& pairs, Subject& nodes) {
    std::map<int, std::pair<int, int>> last; // the latest child of a parent, in both
    std::pair<int, int> last_joint = {-1, -1};
    const auto follows = [&](const std::pair<int, int>& before, const std::pair<int, int>& now) {
        if (before.first >= 0 && now.second < before.second) {
            nodes.differs(pairs.expected().nodes[static_cast<size_t>(now.first)].name,
                          phrase("stands before “{}”, not behind it",
                                 pairs.expected().nodes[static_cast<size_t>(before.first)].name));
        }
    };
    for (const std::pair<int, int>& now : pairs.both) {
        const Node& node = pairs.expected().nodes[static_cast<size_t>(now.first)];
        const auto [sibling, first] = last.emplace(node.parent, now);
        follows(first ? std::pair(-1, -1) : sibling->second, now);
        sibling->second = now;
        if (node.kind == NodeKind::joint) {
            follows(last_joint, now);
            last_joint = now;
        }
    }
}

bool near(double a, double b) {
    return std::abs(a - b) <= 1e-6 * std::max(1.0, std::abs(a));
}

/// How two transforms differ, in words; empty when they do not.
Text unlike(const Transform& a, const Transform& b) {
    for (int k = 0; k < 3; ++k) {
        if (!near(a.translation[k], b.translation[k])) {
            return phrase("{:.4f} mm from its place", (a.translation - b.translation).norm() * 1000);
        }
    }
    if (const double turned = a.rotation.normalized().angularDistance(b.rotation.normalized()); turned > 1e-5) {
        return phrase("rotated by {:.4f}°", turned * degrees_per_radian);
    }
    for (int k = 0; k < 3; ++k) {
        if (!near(a.scale[k], b.scale[k])) {
            return phrase("scaled {} and not {}", short_number(b.scale[k]), short_number(a.scale[k]));
        }
    }
    return {};
}

/// Attachment points are held where they stand in the world: what they carry hangs there.
void compare_points(const NodePairs& pairs, Subject& points) {
    const std::vector<Mat4> expected = rest_world(pairs.expected());
    const std::vector<Mat4> actual = rest_world(pairs.actual());
    for (const auto& [a, b] : pairs.both) {
        const Node& node = pairs.expected().nodes[static_cast<size_t>(a)];
        if (node.kind != NodeKind::point && node.kind != NodeKind::empty) {
            continue;
        }
        points.compared();
        const Vec3 was = expected[static_cast<size_t>(a)].topRightCorner<3, 1>();
        const Vec3 is = actual[static_cast<size_t>(b)].topRightCorner<3, 1>();
        const double limit = 1e-6 * std::max(1.0, was.norm());
        if ((was - is).norm() > limit) {
            points.differs(node.name, phrase("{:.4f} mm from its place in the world", (was - is).norm() * 1000));
        } else if (!linear_of(expected[static_cast<size_t>(a)])
                        .isApprox(linear_of(actual[static_cast<size_t>(b)]), 1e-5)) {
            points.differs(node.name, "rotated or scaled in the world");
        }
    }
}

void compare_skins(const NodePairs& pairs, Subject& skins) {
    pairs.for_both([&](const Node& a, const Node& b) {
        if (a.skin < 0 && b.skin < 0) {
            return;
        }
        skins.compared();
        if (a.skin < 0 || b.skin < 0) {
            skins.differs(a.name, a.skin < 0 ? "has a skin" : "has no skin");
            return;
        }
        const Skin& x = pairs.expected().skins[static_cast<size_t>(a.skin)];
        const Skin& y = pairs.actual().skins[static_cast<size_t>(b.skin)];
        if (x.joints.size() != y.joints.size()) {
            skins.differs(a.name, phrase("bound to {} and not {}", counted(y.joints.size(), "joint"), x.joints.size()));
            return;
        }
        for (size_t j = 0; j < x.joints.size(); ++j) {
            const std::string& wanted = pairs.expected().nodes[static_cast<size_t>(x.joints[j])].name;
            const std::string& found = pairs.actual().nodes[static_cast<size_t>(y.joints[j])].name;
            if (wanted != found) {
                skins.differs(a.name, phrase("its joint {} is “{}” and not “{}”", j, found, wanted));
                return;
            }
            const double size = std::max(1.0, x.inverse_binds[j].cwiseAbs().maxCoeff());
            const double off = (x.inverse_binds[j] - y.inverse_binds[j]).cwiseAbs().maxCoeff();
            if (!(off <= 1e-6 * size)) {
                skins.differs(a.name, phrase("inverse bind of “{}” off by {}", wanted, short_number(off)));
                return;
            }
        }
        if (x.name != y.name) {
            skins.differs(a.name, phrase("its skin is called “{}” and not “{}”", y.name, x.name));
        } else if (!same_content(x.carried, y.carried)) {
            skins.differs(a.name, "extras or extensions of its skin");
        }
    });
}

} // namespace

void compare_nodes(const NodePairs& pairs, std::vector<Subject>& subjects) {
    Subject nodes("Nodes", "node");
    Subject rest("Rest transforms", "node");
    Subject points("Attachment points", "node");
    Subject skins("Skins", "surface");
    Subject carried("Extras and extensions", "node");
    for (const int missing : pairs.missing) {
        nodes.is_missing(pairs.expected().nodes[static_cast<size_t>(missing)].name);
    }
    for (const int more : pairs.too_many) {
        nodes.is_too_much(pairs.actual().nodes[static_cast<size_t>(more)].name);
    }
    pairs.for_both([&](const Node& a, const Node& b) {
        nodes.compared();
        rest.compared();
        const std::string wanted = parent_name(pairs.expected(), a);
        const std::string found = parent_name(pairs.actual(), b);
        if (wanted != found) {
            nodes.differs(a.name, phrase("under {} and not {}", found, wanted));
        }
        if ((a.kind == NodeKind::joint) != (b.kind == NodeKind::joint)) {
            nodes.differs(a.name, phrase("a {} and not a {}", kind_name(b.kind), kind_name(a.kind)));
        }
        if (a.scenes != b.scenes) {
            nodes.differs(a.name, "belongs to other scenes of the file");
        }
        if (const std::string how = unlike(a.rest, b.rest); !how.empty()) {
            rest.differs(a.name, how);
        }
        if (!a.carried.empty() || !b.carried.empty()) {
            carried.compared();
            if (!same_content(a.carried, b.carried)) {
                carried.differs(a.name, "other extras or extensions");
            }
        }
    });
    const size_t scenes = std::min(pairs.expected().scenes.size(), pairs.actual().scenes.size());
    for (size_t s = 0; s < scenes; ++s) {
        const FileScene& x = pairs.expected().scenes[s];
        const FileScene& y = pairs.actual().scenes[s];
        carried.compared();
        if (x.name != y.name) {
            carried.differs("scene " + x.name, phrase("is called “{}”", y.name));
        } else if (!same_content(x.carried, y.carried)) {
            carried.differs("scene " + x.name, "other extras or extensions");
        }
    }
    if (pairs.expected().scenes.size() > 1 && pairs.expected().scenes.size() != pairs.actual().scenes.size()) {
        nodes.differs("the file",
                      phrase("{} scenes and not {}", pairs.actual().scenes.size(), pairs.expected().scenes.size()));
    } else if (pairs.expected().first_scene != pairs.actual().first_scene) {
        nodes.differs("the file", "another scene is shown first");
    }
    compare_order(pairs, nodes);
    compare_points(pairs, points);
    compare_skins(pairs, skins);
    const Scene& a = pairs.expected();
    const Scene& b = pairs.actual();
    if (!a.carried.empty() || !b.carried.empty() || !a.copyright.empty() || !b.copyright.empty()) {
        carried.compared();
        if (!same_content(a.carried, b.carried)) {
            carried.differs("the file", "other extras or extensions");
        }
        if (a.copyright != b.copyright) {
            carried.differs("the file", "another copyright");
        }
    }
    subjects.insert(subjects.end(), {nodes, rest, points, skins, carried});
}

} // namespace wembrix
