// Asks for the points of a surface, or of strands, frame by frame over clips.
#include "core/base/counted.h"
#include "core/base/text.h"
#include "core/steps/clips/chosen_clips.h"
#include "core/steps/step_kind.h"
#include "core/steps/strands/strand_sets.h"

#include <algorithm>
#include <cmath>

namespace wembrix {

namespace {

struct CacheSettings {
    std::string what;
    std::vector<std::string> clips;
    int first = 0;
    int last = -1;
    int every = 1;
    CacheAs as = CacheAs::points;
    bool half = false;
    double limit_mm = 0;
};

const char* as_said(CacheAs as) {
    return as == CacheAs::textures ? " as textures" : as == CacheAs::shapes ? " as shapes" : "";
}

Result<StepResult> order_caches(const StepContext& context, int node, const CacheSettings& settings) {
    StepResult result{context.scene, {}, {}};
    Scene& scene = result.scene;
    const Result<std::vector<size_t>> clips = chosen_clips(scene, settings.clips);
    if (!clips) {
        return clips.problem();
    }
    const Node& carrier = scene.nodes[static_cast<size_t>(node)];
    const bool is_surface = carrier.mesh >= 0;
    const size_t points = is_surface ? scene.meshes[static_cast<size_t>(carrier.mesh)].point_count()
                                     : scene.curve_sets[static_cast<size_t>(carrier.curves)].points.size();
    if (points == 0) {
        return Problem{phrase("“{}” has no points yet.", carrier.name), "", "Grow the strands first."};
    }
    uint64_t frames = 0;
    for (const size_t c : *clips) {
        const Clip& clip = scene.clips[c];
        const int end = clip.frames() - 1;
        const int last = settings.last < settings.first ? end : std::min(settings.last, end);
        if (settings.first > last) {
            return Problem{phrase("“{}” has no frame {}.", clip.name, settings.first), "",
                           phrase("Its last one is {}.", end)};
        }
        std::erase_if(scene.orders, [&](const CacheOrder& one) {
            return one.node == node && one.clip == clip.name && one.as == settings.as;
        });
        scene.orders.push_back({node, clip.name, settings.first, settings.last, std::max(1, settings.every),
                                settings.as, settings.half, settings.limit_mm});
        frames += static_cast<uint64_t>((last - settings.first) / std::max(1, settings.every)) + 1;
    }
    const uint64_t bytes = frames * points * (is_surface ? 24 : 12) / (settings.half ? 2 : 1);
    result.account =
        phrase("“{}” over {}{}: {}, {} {}", carrier.name, clips_said(scene, *clips), as_said(settings.as),
               counted(frames, "frame"), settings.as == CacheAs::shapes ? "at most" : "about", said_bytes(bytes));
    return result;
}

std::vector<Parameter> clip_parameters() {
    return {list<&CacheSettings::clips>("clips", "Clips", "Their names; * and ? stand for any letters; empty: all")
                .naming(NameOf::clip),
            number<&CacheSettings::first>("first", "First frame", "Of each clip").between(0, 1000000),
            number<&CacheSettings::last>("last", "Last frame", "Below the first: to the end").between(-1, 1000000),
            number<&CacheSettings::every>("every", "Every", "So manieth frame").between(1, 1000)};
}

} // namespace

StepKind cache_surface_step() {
    std::vector<Parameter> parameters = clip_parameters();
    parameters.insert(
        parameters.begin(),
        text<&CacheSettings::what>("surface", "Surface", "Which; empty: the only one").naming(NameOf::surface));
    parameters.push_back(choice<&CacheSettings::as>(
        "as", "As", {"points", "textures", "shapes"},
        "Points in a file of their own; or images, a pixel for each vertex; or morph targets and a clip of them"));
    parameters.push_back(flag<&CacheSettings::half>("half", "16 bit", "images of half the size, and less exact"));
    parameters.push_back(number<&CacheSettings::limit_mm>("limit_mm", "Drift of shapes at most",
                                                          "Frames are left out as far as this allows; 0: the "
                                                          "destination's limit")
                             .unit("mm")
                             .between(0, 1000));
    return make_step<CacheSettings>(
        {"cache_surface", "Cache a surface",
         "What joints and shapes cannot carry goes out as points: where each vertex is at each frame.",
         StepSubject::surface},
        std::move(parameters), [](const StepContext& context, const CacheSettings& settings) -> Result<StepResult> {
            const Result<int> node = emitter_named(context.scene, settings.what);
            return node ? order_caches(context, *node, settings) : Result<StepResult>(node.problem());
        });
}

StepKind cache_strands_step() {
    std::vector<Parameter> parameters = clip_parameters();
    parameters.insert(parameters.begin(),
                      text<&CacheSettings::what>("strands", "Strands", "Which; empty: the only ones"));
    return make_step<CacheSettings>(
        {"cache_strands", "Cache strands",
         "An engine that cannot move strands by itself plays where each point is at each frame.", StepSubject::strands},
        std::move(parameters), [](const StepContext& context, const CacheSettings& settings) -> Result<StepResult> {
            const Result<int> node = strands_named(context.scene, settings.what);
            return node ? order_caches(context, *node, settings) : Result<StepResult>(node.problem());
        });
}

} // namespace wembrix
