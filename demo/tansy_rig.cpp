#include "tansy_rig.h"

#include <map>

namespace wembrix::demo {

namespace {

void add_leg(std::vector<RigJoint>& joints, const std::string& side, double x) {
    auto add = [&](const std::string& name, const std::string& parent, const Vec3& place) {
        joints.push_back({side + name, parent.rfind("pelvis", 0) == 0 ? parent : side + parent, place});
    };
    add("Leg_Hip", "pelvis", {x * 0.8, 0.79, -0.05});
    add("Leg_Shank", "Leg_Hip", {x, 0.62, 0.06});
    add("Leg_Twist", "Leg_Shank", {x, 0.51, 0.005}); // a helper that holds some weight
    add("Leg_Tarsus", "Leg_Shank", {x, 0.39, -0.055});
    add("Leg_Foot", "Leg_Tarsus", {x, 0.03, 0.0});
    const double out = x > 0 ? 1 : -1;
    add("Toe_Inner_1", "Leg_Foot", {x - out * 0.012, 0.015, 0.02});
    add("Toe_Inner_2", "Toe_Inner_1", {x - out * 0.04, 0.010, 0.085});
    add("Toe_Middle_1", "Leg_Foot", {x, 0.015, 0.022});
    add("Toe_Middle_2", "Toe_Middle_1", {x, 0.010, 0.10});
    add("Toe_Outer_1", "Leg_Foot", {x + out * 0.012, 0.015, 0.02});
    add("Toe_Outer_2", "Toe_Outer_1", {x + out * 0.045, 0.010, 0.08});
    add("Toe_Hind", "Leg_Foot", {x, 0.015, -0.015});
}

void add_wing(std::vector<RigJoint>& joints, const std::string& side, double sign) {
    joints.push_back({side + "Wing_Shoulder", "chest", {sign * 0.105, 0.945, 0.13}});
    joints.push_back({side + "Wing_Arm", side + "Wing_Shoulder", {sign * 0.16, 0.895, 0.0}});
    joints.push_back({side + "Wing_Hand", side + "Wing_Arm", {sign * 0.155, 0.845, -0.2}});
    joints.push_back({side + "Wing_Quill", side + "Wing_Hand", {sign * 0.10, 0.775, -0.46}});
    joints.push_back(
        {side + "Wing_Tip", side + "Wing_Quill", {sign * 0.035, 0.70, -0.72}}); // a tip that holds a little
}

} // namespace

std::vector<RigJoint> tansy_joints() {
    std::vector<RigJoint> joints = {
        {"root_ctl", "", {0, 0, 0}},
        {"pelvis", "root_ctl", {0, 0.82, -0.12}},
        {"spine_a", "pelvis", {0, 0.845, -0.02}},
        {"spine_b", "spine_a", {0, 0.875, 0.07}},
        {"chest", "spine_b", {0, 0.91, 0.15}},
        {"neck_1", "chest", {0, 0.965, 0.25}},
        {"neck_2", "neck_1", {0, 1.06, 0.312}},
        {"neck_3", "neck_2", {0, 1.155, 0.295}},
        {"neck_4", "neck_3", {0, 1.25, 0.235}},
        {"neck_5", "neck_4", {0, 1.345, 0.203}},
        {"neck_6", "neck_5", {0, 1.43, 0.215}},
        {"head", "neck_6", {0, 1.505, 0.275}},
        {"beak_low", "head", {0, 1.505, 0.385}},
        {"beak_tip", "beak_low", {0, 1.492, 0.68}},
        {"crest_1", "head", {0, 1.565, 0.29}},
        {"crest_2", "crest_1", {0, 1.60, 0.16}},
        {"crest_3", "crest_2", {0, 1.555, 0.0}},
        {"head_tip", "head", {0, 1.575, 0.33}},
        {"LeftEye", "head", {0.040, 1.538, 0.352}},
        {"RightEye", "head", {-0.040, 1.538, 0.352}},
        {"tail_1", "pelvis", {0, 0.755, -0.38}},
        {"tail_2", "tail_1", {0, 0.70, -0.54}},
        {"LeftTail_Fan", "tail_1", {0.03, 0.725, -0.48}},
        {"RightTail_Fan", "tail_1", {-0.03, 0.725, -0.48}},
    };
    add_wing(joints, "Left", 1);
    add_wing(joints, "Right", -1);
    add_leg(joints, "Left", leg_apart);
    add_leg(joints, "Right", -leg_apart);
    joints.push_back({"bag_body", "chest", {0, 0.86, 0.30}});
    joints.push_back({"bag_flap", "bag_body", {0, 0.825, 0.315}});
    // The second tree: what moved the feet where the take was made.
    joints.push_back({"ik_world", "", {0, 0, 0}});
    joints.push_back({"ik_foot_L", "ik_world", {leg_apart, 0.03, 0}});
    joints.push_back({"ik_foot_R", "ik_world", {-leg_apart, 0.03, 0}});
    return joints;
}

Vec3 place_of(const std::string& joint) {
    static const std::map<std::string, Vec3> places = [] {
        std::map<std::string, Vec3> all;
        for (const RigJoint& row : tansy_joints()) {
            all[row.name] = row.place;
        }
        return all;
    }();
    return places.at(joint);
}

} // namespace wembrix::demo
