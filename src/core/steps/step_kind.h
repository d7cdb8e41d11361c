// The kinds of steps: recorded, replayable preparations. Each is a settings struct and a pure function, in a file of
// its own, and one row in step_kinds.cpp.
#pragma once

#include "core/measure/scene/moved.h"
#include "core/parameters/parameter.h"
#include "core/scene/named_scene.h"
#include "core/steps/left_vertices.h"
#include "core/steps/step.h"

#include <functional>
#include <span>
#include <string>
#include <string_view>
#include <vector>

namespace wembrix {

struct StepResult {
    Scene scene;
    Text account;                ///< what it did, in one line
    std::vector<Text> could_not; ///< what it left undone, and why
    std::vector<std::string>
        unmatched{};         ///< names and patterns it was given that nothing has; told in `could_not`, too
    Moved moved{};           ///< where things are meant to have gone (a scale)
    int subsamples = 1;      ///< it makes keys anew: held against before at so many moments per frame
    bool other_rest = false; ///< it rests in another pose on purpose: only clips can be held against before
    std::vector<LeftVertices> left_vertices{}; ///< that it did not reach; told in `could_not`, too
};

/// What a step works on.
struct StepContext {
    const Scene& scene;                     ///< as the steps before it left it; never changed
    std::function<void(double)> progress{}; ///< gets 0 to 1, if the step is long
    std::function<bool()> stop{};           ///< a long step that hears yes ends with a Problem
    std::span<const NamedScene> sources{};  ///< as they were read, each on its own skeleton; empty where none are known
    const StepData* data = nullptr;         ///< the step's own; null: it has none
};

/// An array of the step's own, by the hash that a parameter names; a Problem where it is not there.
Result<const std::string*> step_array(const StepContext& context, const std::string& name);

/// What a step is about: the folder that its file is in, and the group that it is offered under.
enum class StepSubject : uint8_t { scene, skeleton, surface, clips, strands };
std::string_view subject_name(StepSubject subject); ///< "Skeleton"

struct StepKind {
    std::string_view id;    ///< stable: it stands in job files
    std::string_view label; ///< for people
    std::string_view why;   ///< one sentence: what it is for
    StepSubject subject = StepSubject::scene;
    std::vector<Parameter> parameters;
    /// Precondition: check_parameters found nothing wrong with `values`.
    std::function<Result<StepResult>(const StepKind&, const StepContext&, const nlohmann::json& values)> apply;

    /// It works on clips: it stands behind those that make the skeleton.
    [[nodiscard]] bool for_clips() const { return subject == StepSubject::clips; }
    [[nodiscard]] const Parameter* parameter(std::string_view key) const; ///< null if there is none
    /// It keeps what was made by hand at a station, and is added there.
    [[nodiscard]] bool is_by_hand() const;
};

/// What a row says of itself, before its parameters.
struct StepHead {
    std::string_view id;
    std::string_view label;
    std::string_view why;
    StepSubject subject = StepSubject::scene;
};

/// A kind from its head, its parameters and the function that takes them as a struct.
template <typename Settings>
StepKind make_step(const StepHead& head, std::vector<Parameter> parameters,
                   Result<StepResult> (*apply)(const StepContext&, const Settings&)) {
    return {head.id,
            head.label,
            head.why,
            head.subject,
            std::move(parameters),
            [apply](const StepKind& kind, const StepContext& context, const nlohmann::json& values) {
                Settings settings;
                fill_settings(kind.parameters, values, &settings);
                return apply(context, settings);
            }};
}
/// The same of a step that has nothing to set.
struct NoSettings {};

std::span<const StepKind> step_kinds();
const StepKind* step_kind(std::string_view id);

/// Checks the parameters and applies one step. Unknown ids and parameters come back as a Problem that names the step.
Result<StepResult> apply_step(const StepContext& context, const Step& step);
Result<StepResult> apply_step(const Scene& scene, const Step& step);
/// The same within another step.
Result<StepResult> apply_step(const Scene& scene, std::string_view id, const nlohmann::json& parameters);

} // namespace wembrix
