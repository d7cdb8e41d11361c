#include "core/steps/version_1.h"

#include "core/base/file_version.h"

#include <map>
#include <string_view>
#include <utility>

namespace wembrix {

namespace {

using nlohmann::json;

const std::map<std::string_view, std::string_view> ids = {
    {"fold_holders", "bake_parent_transforms"},
    {"fold_scale", "bake_joint_scale"},
    {"resize", "scale"},
    {"turn", "rotate"},
    {"drop_joints", "remove_joints"},
    {"freeze_rest_turns", "zero_rest_rotations"},
    {"aim_joints", "align_bone_axes"},
    {"rescale_weights", "normalize_weights"},
    {"drop_empty_shapes", "remove_empty_shapes"},
    {"join_surfaces", "merge_surfaces"},
    {"take_root_motion", "extract_root_motion"},
    {"change_rate", "change_frame_rate"},
    {"still_pose", "pose_to_clip"},
    {"rename_parts", "rename_surfaces"},
};

struct Renamed {
    std::string_view step; ///< by its id of today
    std::string_view rows; ///< empty, or the list in whose rows the key stands
    std::string_view from;
    std::string_view to;
};
constexpr Renamed keys[] = {
    {"make_root", "", "place", "position"},
    {"remove_joints", "", "holding_nothing", "unweighted"},
    {"fit_contract", "", "turns", "rotations"},
    {"place_origin", "", "turn", "reset_rotation"},
    {"limit_influences", "", "most", "max_influences"},
    {"add_attachment", "", "turn_x", "rotation_x_deg"},
    {"add_attachment", "", "turn_y", "rotation_y_deg"},
    {"add_attachment", "", "turn_z", "rotation_z_deg"},
    {"close_loop", "", "way", "mode"},
    {"extract_root_motion", "", "way", "mode"},
    {"extract_root_motion", "", "turn", "rotation"},
    {"split_take", "clips", "first", "start"},
    {"split_take", "clips", "last", "end"},
    {"split_take", "clips", "repeats", "loop"},
    {"describe_clips", "clips", "repeats", "loop"},
    {"rename_joints", "rules", "letters", "case"},
    {"rename_surfaces", "rules", "letters", "case"},
};

struct Value {
    std::string_view step;
    std::string_view key;
    std::string_view from;
    std::string_view to;
};
constexpr Value values[] = {
    {"bake_joint_scale", "stretch", "places", "translation"},
    {"fit_contract", "others", "drop", "remove"},
};

} // namespace

void migrate_step(Step& step) {
    if (const auto now = ids.find(step.id); now != ids.end()) {
        step.id = now->second;
    }
    for (const Renamed& key : keys) {
        if (key.step != step.id) {
            continue;
        }
        if (key.rows.empty()) {
            rename_key(step.parameters, key.from, key.to);
        } else if (const auto rows = step.parameters.find(std::string(key.rows)); rows != step.parameters.end()) {
            rename_key_in_each(*rows, key.from, key.to);
        }
    }
    for (const auto& [step_id, key] : {std::pair{"set_rest_pose", "pose"}, std::pair{"fit_contract", "contract"}}) {
        if (const auto found = step.parameters.find(key); step.id == step_id && found != step.parameters.end()) {
            json& joints = found->contains("joints") ? (*found)["joints"] : *found;
            rename_key_in_each(joints, "place_m", "translation_m");
            rename_key_in_each(joints, "turn_xyzw", "rotation_xyzw");
        }
    }
    for (const Value& value : values) {
        const auto found = step.id == value.step ? step.parameters.find(std::string(value.key)) : step.parameters.end();
        if (found != step.parameters.end() && *found == value.from) {
            *found = value.to;
        }
    }
}

} // namespace wembrix
