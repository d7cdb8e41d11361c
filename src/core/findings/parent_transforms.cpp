// A holder that turns, scales or mirrors: the character depends on a node that engines like to drop.
#include "core/base/text.h"
#include "core/findings/finding.h"
#include "core/math/angles.h"

#include <cmath>

namespace wembrix {

namespace {

Text what_it_does(const Transform& rest) {
    Text text;
    const Eigen::AngleAxisd turn(rest.rotation);
    double angle = turn.angle() * degrees_per_radian;
    if (angle > 180) {
        angle -= 360;
    }
    if (std::abs(angle) > 0.01) {
        int axis = 0;
        const bool plain = turn.axis().cwiseAbs().maxCoeff(&axis) > 0.9999;
        text = phrase("rotates {:.4g}°{}", turn.axis()[axis] < 0 ? -angle : angle,
                      plain ? phrase(" about {}", "XYZ"[axis]) : "");
    }
    const Vec3& s = rest.scale;
    if ((s.cwiseAbs() - Vec3::Ones()).cwiseAbs().maxCoeff() > 1e-6) {
        const bool even = (s.cwiseAbs().array() - std::abs(s.x())).abs().maxCoeff() < 1e-6 * std::abs(s.x());
        text += text.empty() ? "" : " and ";
        text += even ? phrase("scales × {:.4g}", std::abs(s.x()))
                     : phrase("scales unevenly ({:.3g}, {:.3g}, {:.3g})", s.x(), s.y(), s.z());
    }
    if (s.prod() < 0) {
        text += text.empty() ? "mirrors" : " and mirrors";
    }
    return text;
}

} // namespace

std::vector<Finding> find_parent_transforms(const FindingContext& context) {
    std::vector<Finding> findings;
    for (const Node& node : context.scene.nodes) {
        if (node.kind != NodeKind::parent_transform) {
            continue;
        }
        const std::string what = what_it_does(node.rest);
        if (what.empty()) {
            continue;
        }
        Finding finding;
        finding.grade = Grade::look;
        finding.where = node.name;
        finding.nodes = {node.name};
        finding.message = phrase("Parent transform “{}” {}", node.name, what);
        finding.reason = "Drop that node in an engine and the character lies on its face or changes its size.";
        finding.step = Step{"bake_parent_transforms"};
        findings.push_back(std::move(finding));
    }
    return findings;
}

} // namespace wembrix
