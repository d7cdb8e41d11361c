// Steps: recorded, replayable preparations. Plain parameters and a pure function behind one registry.
#pragma once

#include "core/base/result.h"
#include "core/measure/scene/moved.h"
#include "core/scene/scene.h"

#include <nlohmann/json.hpp>
#include <span>
#include <string>
#include <string_view>
#include <vector>

namespace wembrix {

/// One row of the route card. Parameters are JSON as they stand in job files and cards.
struct Step {
    std::string id;
    nlohmann::json parameters = nlohmann::json::object();
    bool on = true;
    bool operator==(const Step& other) const = default;
};

struct StepResult {
    Scene scene;
    std::string account;                ///< what it did, in one line
    std::vector<std::string> could_not; ///< what it left undone, and why
    Moved moved;                        ///< where things are meant to have gone (a resize)
    int finer = 1;                      ///< it makes keys anew: held against before at so many moments a frame
    bool other_rest = false;            ///< it rests in another pose on purpose: only clips can be held against before
};

/// A parameter as a person edits it.
struct StepField {
    enum class Kind {
        text,
        number,
        choice,
        flag,      ///< shown as `starting` has it where a step does not say
        list,      ///< texts
        pairs,     ///< object of texts
        rules,     ///< of rename_rules.h
        cuts,      ///< rows of a split
        described, ///< rows of what is said of clips
        clip,      ///< name of one clip that is there before the step
        clips,     ///< names of clips, * and ? allowed
        joint,     ///< name of one joint that is there before the step
    };
    std::string_view key;
    std::string_view label;
    Kind kind = Kind::text;
    std::string_view hint; ///< unit, form, what a tick means, or the choices split by '|'
};

struct StepKind {
    std::string_view id;      ///< stable: it stands in job files
    std::string_view label;   ///< for people
    std::string_view why;     ///< one sentence
    bool keeps_motion = true; ///< surface points stay where they are (up to StepResult::moved)
    std::vector<StepField> fields;
    nlohmann::json (*starting)() = nullptr; ///< parameters of a step added by hand
    /// Checks the parameters and applies them; `scene` is not changed.
    Result<StepResult> (*apply)(const Scene& scene, const nlohmann::json& parameters) = nullptr;
    bool for_clips = false; ///< works on clips: it stands behind those that make the skeleton
};

std::span<const StepKind> step_kinds();
const StepKind* step_kind(std::string_view id);

/// Applies one step. Unknown ids and parameters come back as a Problem that names the step.
Result<StepResult> apply_step(const Scene& scene, const Step& step);

/// {"step": "resize", "factor": 0.01} and back. "off": true for a step that is switched off.
Result<Step> step_from_json(const nlohmann::json& json);
nlohmann::json step_to_json(const Step& step);
/// {"steps": [...]}
Result<std::vector<Step>> card_from_json(const nlohmann::json& json, const std::string& where);

} // namespace wembrix
