// Adds an attachment point: a named place on a joint, of unit scale, that writers carry as a node.
#include "core/base/text.h"
#include "core/math/angles.h"
#include "core/steps/skeleton/reframe.h"
#include "core/steps/step_kind.h"

#include <Eigen/LU>

namespace wembrix {

namespace {

struct AttachmentSettings {
    enum class In : uint8_t { joint, world };
    std::string name;
    std::string under;
    double x_m = 0;
    double y_m = 0;
    double z_m = 0;
    double rotation_x_deg = 0;
    double rotation_y_deg = 0;
    double rotation_z_deg = 0;
    In in = In::joint;
};

Result<StepResult> apply_add_attachment(const StepContext& context, const AttachmentSettings& settings) {
    const Scene& scene = context.scene;
    const std::string& name = settings.name;
    const std::string& under = settings.under;
    const Vec3 place(settings.x_m, settings.y_m, settings.z_m);
    const Vec3 turn =
        Vec3(settings.rotation_x_deg, settings.rotation_y_deg, settings.rotation_z_deg) * radians_per_degree;
    const int joint = scene.find_node(under);
    if (joint < 0 || scene.nodes[joint].kind != NodeKind::joint) {
        return Problem{phrase("there is no joint \"{}\".", under), "", "Choose one that is there."};
    }
    if (scene.find_node(name) >= 0) {
        return Problem{phrase("the name \"{}\" is taken already.", name), "", "Choose another name."};
    }
    const Mat4 world = rest_world(scene)[joint];
    // About X, then Y, then Z of the frame it is typed in.
    const Quat turned = Eigen::AngleAxisd(turn.z(), Vec3::UnitZ()) * Eigen::AngleAxisd(turn.y(), Vec3::UnitY()) *
                        Eigen::AngleAxisd(turn.x(), Vec3::UnitX());
    Mat4 local = translating(place);
    local.topLeftCorner<3, 3>() = turned.toRotationMatrix();
    if (settings.in == AttachmentSettings::In::world) {
        local = world.inverse() * local;
        local.topLeftCorner<3, 3>() = nearest_rotation(linear_of(world)).transpose() * turned.toRotationMatrix();
    }
    Node node;
    node.name = name;
    node.kind = NodeKind::point;
    node.parent = joint;
    node.scenes = scene.nodes[joint].scenes;
    node.identity = -1 - static_cast<int64_t>(std::hash<std::string>()(name) >> 1U);
    node.rest.translation = local.topRightCorner<3, 1>();
    node.rest.rotation = Quat(Mat3(linear_of(local))).normalized();
    StepResult result;
    result.scene = scene;
    result.scene.nodes.push_back(node);
    reorder_nodes(result.scene, sorted_order(result.scene.nodes));
    if ((linear_of(world).transpose() * linear_of(world) - Mat3::Identity()).cwiseAbs().maxCoeff() > 1e-6) {
        result.could_not.push_back(phrase(
            "{} has a scale, which what is attached there takes on; bake the joint scale before this step", under));
    }
    result.account = phrase("“{}” on {}, {:.0f} mm from it", name, under, node.rest.translation.norm() * 1000);
    return result;
}

} // namespace

StepKind add_attachment_step() {
    return make_step<AttachmentSettings>(
        {"add_attachment", "Add an attachment point",
         "What the game hangs on a character needs a position of its own, with a name and no scale.",
         StepSubject::skeleton},
        {text<&AttachmentSettings::name>("name", "Name", "What it is called").needed().starting("point"),
         text<&AttachmentSettings::under>("under", "On the joint", "The joint it follows")
             .needed()
             .naming(NameOf::joint)
             .starting(""),
         number<&AttachmentSettings::x_m>("x_m", "X", "Position").unit("m").starting(0),
         number<&AttachmentSettings::y_m>("y_m", "Y", "Position").unit("m").starting(0),
         number<&AttachmentSettings::z_m>("z_m", "Z", "Position").unit("m").starting(0),
         number<&AttachmentSettings::rotation_x_deg>("rotation_x_deg", "Rotation about X", "First about X").unit("°"),
         number<&AttachmentSettings::rotation_y_deg>("rotation_y_deg", "about Y", "Then about Y").unit("°"),
         number<&AttachmentSettings::rotation_z_deg>("rotation_z_deg", "about Z", "Then about Z").unit("°"),
         choice<&AttachmentSettings::in>("in", "Seen from", {"joint", "world"},
                                         "Whether position and rotation count from the joint or from the world")},
        apply_add_attachment);
}

} // namespace wembrix
