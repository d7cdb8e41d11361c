// Adds an attachment point: a named place on a joint, of unit scale, that writers carry as a node.
#include "core/steps/all.h"
#include "core/steps/parameters.h"
#include "core/steps/skeleton/reframe.h"

#include <Eigen/LU>
#include <fmt/format.h>

namespace wembrix {

namespace {

Result<StepResult> apply(const Scene& scene, const nlohmann::json& json) {
    Parameters parameters(json, {"name", "under", "x_m", "y_m", "z_m", "turn_x", "turn_y", "turn_z", "in"});
    const std::string name = parameters.needed_text("name");
    const std::string under = parameters.needed_text("under");
    const std::string in = parameters.text("in", "joint");
    const auto number = [&](const char* key) { return parameters.number(key).value_or(0); };
    const Vec3 place(number("x_m"), number("y_m"), number("z_m"));
    const Vec3 turn = Vec3(number("turn_x"), number("turn_y"), number("turn_z")) * (3.14159265358979323846 / 180);
    if (in != "joint" && in != "world") {
        parameters.complain("\"in\" is neither \"joint\" nor \"world\".");
    }
    if (!parameters.ok()) {
        return parameters.problem();
    }
    const int joint = scene.find_node(under);
    if (joint < 0 || scene.nodes[joint].kind != NodeKind::joint) {
        return Problem{fmt::format("there is no joint \"{}\".", under), "", "Choose one that is there."};
    }
    if (scene.find_node(name) >= 0) {
        return Problem{fmt::format("the name \"{}\" is taken already.", name), "", "Choose another name."};
    }
    const Mat4 world = rest_world(scene)[joint];
    // About X, then Y, then Z of the frame it is typed in.
    const Quat turned = Eigen::AngleAxisd(turn.z(), Vec3::UnitZ()) * Eigen::AngleAxisd(turn.y(), Vec3::UnitY()) *
                        Eigen::AngleAxisd(turn.x(), Vec3::UnitX());
    Mat4 local = translating(place);
    local.topLeftCorner<3, 3>() = turned.toRotationMatrix();
    if (in == "world") {
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
        result.could_not.push_back(fmt::format(
            "{} has a scale, which what is attached there takes on; fold the scale before this step", under));
    }
    result.account = fmt::format("“{}” on {}, {:.0f} mm from it", name, under, node.rest.translation.norm() * 1000);
    return result;
}

} // namespace

StepKind add_attachment_step() {
    return {"add_attachment",
            "Add an attachment point",
            "What the game hangs on a character needs a place of its own, with a name and no scale.",
            true,
            {{"name", "Name", StepField::Kind::text, ""},
             {"under", "On the joint", StepField::Kind::joint, ""},
             {"x_m", "X", StepField::Kind::number, "m"},
             {"y_m", "Y", StepField::Kind::number, "m"},
             {"z_m", "Z", StepField::Kind::number, "m"},
             {"turn_x", "Turn about X", StepField::Kind::number, "°"},
             {"turn_y", "about Y", StepField::Kind::number, "°"},
             {"turn_z", "about Z", StepField::Kind::number, "°"},
             {"in", "Seen from", StepField::Kind::choice, "joint|world"}},
            [] {
                return nlohmann::json{{"name", "point"}, {"under", ""}, {"x_m", 0}, {"y_m", 0}, {"z_m", 0}};
            },
            apply};
}

} // namespace wembrix
