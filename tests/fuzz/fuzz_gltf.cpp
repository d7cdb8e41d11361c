// Any bytes at all: a scene or one sentence, never more. What is read is posed and written, too.
#include "core/delivery/verify.h"
#include "core/findings/finding.h"
#include "core/formats/gltf/gltf.h"
#include "core/measure/surface/deform.h"
#include "core/steps/step.h"
#include "core/steps/step_kind.h"

#include <cstddef>
#include <cstdint>

extern "C" int LLVMFuzzerTestOneInput(const uint8_t* data, size_t size) {
    using namespace wembrix;
    const Result<Scene> scene =
        read_gltf_bytes(std::string(reinterpret_cast<const char*>(data), size), "/nonexistent", "fuzz");
    if (scene) {
        Pose pose;
        Poser(*scene, scene->clips.empty() ? nullptr : scene->clips.data()).at(0.1, pose);
        Deformer deformer(*scene);
        std::vector<Vec3f> points(deformer.point_count());
        deformer.points(pose, points);
        (void)write_glb(*scene, "fuzz");
        const Destination destination = built_in_destinations()[0];
        (void)look_for_findings({*scene, &destination});
        (void)apply_step(*scene, {"remove_joints", {{"tips", true}, {"unweighted", true}}});
        for (const char* step : {"bake_parent_transforms", "bake_joint_scale", "set_rest_pose", "zero_rest_rotations",
                                 "align_bone_axes", "reorder_joints", "ground", "face_forward"}) {
            (void)apply_step(*scene, {step});
        }
        for (const char* step : {"place_origin", "bake", "reverse", "extract_root_motion", "reduce_keys"}) {
            (void)apply_step(*scene, {step});
        }
        (void)apply_step(*scene, {"merge_surfaces", {{"surfaces", {"*"}}}});
        (void)apply_step(*scene, {"mirror_clip", {{"ending", ""}}});
        if (!scene->clips.empty()) {
            (void)apply_step(*scene, {"close_loop", {{"clip", scene->clips[0].name}, {"mode", "repeat_first"}}});
        }
        (void)verify_scene(*scene, destination, contract_of(*scene, "fuzz"));
    }
    return 0;
}
