// A bind pose unlike the rest pose: what stands in the file is not what the surface was bound to.
#include "core/base/counted.h"
#include "core/base/text.h"
#include "core/findings/finding.h"
#include "core/math/angles.h"
#include "core/measure/scene/bounds.h"
#include "core/steps/names.h"
#include "core/steps/skeleton/stored_pose.h"

namespace wembrix {

std::vector<Finding> find_bind_unlike_rest(const FindingContext& context) {
    const Scene& scene = context.scene;
    const std::vector<Mat4> world = rest_world(scene);
    const double height = height_m(scene);
    Finding finding;
    finding.grade = Grade::look;
    double farthest = 0;
    double turned = 0;
    std::string worst;
    for (const Skin& skin : scene.skins) {
        if (skin.joints.empty()) {
            continue;
        }
        // All joints of a bind pose that is the rest pose carry the surface by one and the same matrix.
        const Mat4 common = world[skin.joints[0]] * skin.inverse_binds[0];
        for (size_t j = 0; j < skin.joints.size(); ++j) {
            const Mat4 own = world[skin.joints[j]] * skin.inverse_binds[j];
            const Vec3 at = point_of(world[skin.joints[j]], Vec3::Zero());
            const Mat4 apart = own * common.inverse();
            const double moved = (point_of(apart, at) - at).norm();
            const double turn =
                Quat(nearest_rotation(linear_of(apart))).angularDistance(Quat::Identity()) * degrees_per_radian;
            if (moved > 1e-4 * height || turn > 0.1) {
                finding.nodes.push_back(scene.nodes[skin.joints[j]].name);
                if (moved > farthest || worst.empty()) {
                    farthest = moved;
                    turned = turn;
                    worst = scene.nodes[skin.joints[j]].name;
                }
            }
        }
    }
    if (finding.nodes.empty()) {
        return {};
    }
    finding.where = some_of(finding.nodes, finding.nodes.size());
    finding.message =
        phrase("The rest pose is not the pose it was bound in ({})", counted(finding.nodes.size(), "joint"));
    finding.reason = phrase("{} stands {:.0f} mm and {:.0f}° from its bind pose; engines that rebuild one from the "
                            "other bend the surface.",
                            worst, farthest * 1000, turned);
    // Two skins that bind a joint in two places cannot both be right at rest: there the surfaces are bound anew.
    std::vector<std::string> disagree;
    static_cast<void>(bind_pose(scene, &disagree));
    finding.step = Step{"set_rest_pose", {{"from", "bind"}, {"surface", disagree.empty() ? "keep" : "rebind"}}};
    return {finding};
}

} // namespace wembrix
