// Adds a shape: from a surface that somebody sculpted, or from a pose of a clip.
#include "core/base/counted.h"
#include "core/base/text.h"
#include "core/measure/scene/bounds.h"
#include "core/measure/surface/deform.h"
#include "core/measure/surface/rest_places.h"
#include "core/measure/surface/skin_matrices.h"
#include "core/steps/step_kind.h"
#include "core/steps/surface/sculpt.h"
#include "core/steps/surface/shape_list.h"

#include <fmt/format.h>

namespace wembrix {

namespace {

struct SculptSettings {
    std::string name;
    std::string source;
    std::string source_surface;
    std::string clip;
    int frame = 0;
    std::string surface;
    double tolerance_mm = 1;
};

/// What has to be added to the surface in a pose, before the skin, so that it stands at `places`.
std::vector<Vec3f> differences(const Scene& scene, int node, const Pose& pose, const std::vector<Vec3f>& places,
                               const std::vector<char>& known, StepResult& result) {
    const BroughtBack back = bring_back(skin_matrices(scene, node, pose), places);
    const std::vector<Vec3> shaped = shaped_positions(scene, node, pose);
    std::vector<Vec3f> by(places.size(), Vec3f::Zero());
    for (size_t v = 0; v < by.size(); ++v) {
        if (known[v] != 0 && back.possible[v] != 0) {
            by[v] = (back.places[v] - shaped[v]).cast<float>();
        }
    }
    if (back.impossible > 0) {
        result.could_not.push_back(phrase("{} cannot be brought back before the skin: its joints flatten them there",
                                          counted(back.impossible, "vertex")));
    }
    return by;
}

Result<Pose> pose_at(const Scene& scene, const std::string& clip_name, int frame) {
    if (clip_name.empty()) {
        return Poser(scene, nullptr).rest();
    }
    const Clip* clip = scene.find_clip(clip_name);
    if (clip == nullptr) {
        return Problem{phrase("there is no clip “{}”.", clip_name), "", ""};
    }
    if (frame >= clip->frames()) {
        return Problem{phrase("“{}” has {} frames.", clip_name, clip->frames()), "", "Frames count from 0."};
    }
    Pose pose;
    Poser(scene, clip).at(frame / clip->rate, pose);
    return pose;
}

std::vector<Vec3f> posed_places(const Scene& scene, int node, const Pose& pose) {
    Deformer deformer(scene, {node});
    std::vector<Vec3f> places(deformer.point_count());
    deformer.points(pose, places);
    return places;
}

Result<StepResult> finish(StepResult result, int node, const std::string& name, const std::vector<Vec3f>& by,
                          const Sculpt& sculpt, double tolerance_mm, const std::string& of) {
    MorphTarget shape = sparse_shape(name, by, whole_bounds(result.scene).size().maxCoeff());
    result.account = phrase("“{}” from {}: up to {:.3g} mm on {}", name, of, reach_mm(shape),
                            counted(shape.points.size(), "vertex"));
    if (!sculpt.by_order) {
        result.account += ", matched by place";
    }
    if (sculpt.unknown > 0) {
        result.could_not.push_back(phrase("{} have none of the sculpt within {:g} mm and stay as they are",
                                          counted(sculpt.unknown, "vertex"), tolerance_mm));
    }
    put_shape(result.scene, node, std::move(shape));
    return result;
}

Result<StepResult> apply_add_shape(const StepContext& context, const SculptSettings& settings) {
    if (settings.source.empty() == settings.clip.empty()) {
        return malformed("needs either \"source\" or \"clip\".");
    }
    const Result<int> node = find_shaped_surface(context.scene, settings.surface);
    if (!node) {
        return node.problem();
    }
    StepResult result;
    result.scene = context.scene;
    const Pose rest = Poser(context.scene, nullptr).rest();
    const std::vector<Vec3f> standing = rest_places(context.scene, *node);
    if (!settings.clip.empty()) {
        const Result<Pose> pose = pose_at(context.scene, settings.clip, settings.frame);
        if (!pose) {
            return pose.problem();
        }
        Sculpt sculpt;
        sculpt.known.assign(standing.size(), 1);
        const std::vector<Vec3f> by =
            differences(context.scene, *node, rest, posed_places(context.scene, *node, *pose), sculpt.known, result);
        return finish(std::move(result), *node, settings.name, by, sculpt, settings.tolerance_mm,
                      phrase("frame {} of “{}”", settings.frame, settings.clip));
    }
    const Result<Sculpt> sculpt =
        find_sculpt(context, settings.source, settings.source_surface, *node, standing, settings.tolerance_mm / 1000);
    if (!sculpt) {
        return sculpt.problem();
    }
    const std::vector<Vec3f> by = differences(context.scene, *node, rest, sculpt->places, sculpt->known, result);
    return finish(std::move(result), *node, settings.name, by, *sculpt, settings.tolerance_mm,
                  fmt::format("“{}”", settings.source));
}

Result<StepResult> apply_corrective(const StepContext& context, const SculptSettings& settings) {
    const Result<int> node = find_shaped_surface(context.scene, settings.surface);
    if (!node) {
        return node.problem();
    }
    const Result<Pose> pose = pose_at(context.scene, settings.clip, settings.frame);
    if (!pose) {
        return pose.problem();
    }
    StepResult result;
    result.scene = context.scene;
    const std::vector<Vec3f> standing = posed_places(context.scene, *node, *pose);
    const Result<Sculpt> sculpt =
        find_sculpt(context, settings.source, settings.source_surface, *node, standing, settings.tolerance_mm / 1000);
    if (!sculpt) {
        return sculpt.problem();
    }
    const std::vector<Vec3f> by = differences(context.scene, *node, *pose, sculpt->places, sculpt->known, result);
    return finish(std::move(result), *node, settings.name, by, *sculpt, settings.tolerance_mm,
                  phrase("“{}” on frame {} of “{}”", settings.source, settings.frame, settings.clip));
}

/// Both steps have the same seven parameters but for what source and clip are there.
std::vector<Parameter> parameters_of_sculpt(std::string_view source_help, std::string_view clip_help, bool needs_both) {
    Parameter source = text<&SculptSettings::source>("source", "From source", source_help).naming(NameOf::source);
    Parameter clip = text<&SculptSettings::clip>("clip", "Clip", clip_help).naming(NameOf::clip);
    return {text<&SculptSettings::name>("name", "Name",
                                        "What the shape is called; one of that name is replaced, its keys stay")
                .needed()
                .not_empty(),
            needs_both ? source.needed().not_empty() : source,
            text<&SculptSettings::source_surface>("source_surface", "Its surface",
                                                  "Which of the source's; empty: the only one"),
            needs_both ? clip.needed().not_empty() : clip,
            number<&SculptSettings::frame>("frame", "Frame", "Of that clip, the first is 0").at_least(0),
            text<&SculptSettings::surface>("surface", "Surface",
                                           "The one that gets the shape; empty: the only one that could")
                .naming(NameOf::surface),
            number<&SculptSettings::tolerance_mm>("tolerance_mm", "Tolerance",
                                                  "Where the two have not as many vertices: how far apart they may be")
                .unit("mm")
                .above(0)
                .starting(1.0)};
}

} // namespace

StepKind add_shape_step() {
    return make_step<SculptSettings>(
        {"add_shape", "Add a shape",
         "A sculpt that came as a file of its own, or a pose, becomes a shape of the surface.", StepSubject::surface},
        parameters_of_sculpt("A file with the sculpted surface, vertex for vertex where it has as many",
                             "Or the pose of a clip, baked into one shape", false),
        apply_add_shape);
}

StepKind corrective_step() {
    return make_step<SculptSettings>(
        {"corrective", "Add a corrective",
         "What was sculpted on a bent limb is brought back before the skin, so that it comes out again when the limb "
         "bends.",
         StepSubject::surface},
        parameters_of_sculpt("A file with the surface as it was sculpted, posed",
                             "The clip in whose pose it was sculpted", true),
        apply_corrective);
}

} // namespace wembrix
