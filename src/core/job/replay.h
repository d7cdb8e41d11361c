// Runs the route card over the Received scene and keeps the scene after each step.
#pragma once

#include "core/measure/scene/drift.h"
#include "core/scene/named_scene.h"
#include "core/steps/left_vertices.h"
#include "core/steps/step.h"

#include <functional>
#include <memory>
#include <optional>
#include <vector>

namespace wembrix {

struct StepResult;

struct StepOutcome {
    Step step;
    std::shared_ptr<const Scene> scene; ///< after the step; the scene before it when it did not fit or is off
    Text account;
    std::vector<Text> could_not;
    std::vector<std::string> unmatched; ///< names and patterns in it that nothing has
    std::optional<Problem> problem;     ///< why it did not fit; the steps after it still ran
    Moved moved;
    std::vector<LeftVertices> left_vertices;
    bool other_rest = false;    ///< it rests in another pose on purpose
    int subsamples = 1;         ///< moments per frame at which its drift is measured
    std::optional<Drift> drift; ///< of this step alone; nothing until it is measured

    void take(StepResult result); ///< what the step made
};

struct LoadedSources;

struct Replay {
    std::shared_ptr<const Scene> received;
    std::shared_ptr<const std::vector<NamedScene>> sources; ///< each as it was read; null where none are known
    std::vector<StepOutcome> outcomes;

    [[nodiscard]] const Scene& prepared() const { return outcomes.empty() ? *received : *outcomes.back().scene; }
    [[nodiscard]] std::shared_ptr<const Scene> prepared_scene() const {
        return outcomes.empty() ? received : outcomes.back().scene;
    }
    /// A step names something that is not there.
    [[nodiscard]] bool has_unmatched() const;
    /// Steps that no longer fit.
    [[nodiscard]] std::vector<Text> problems() const;
    /// What the whole card did to the size of things: the product of the steps' own; what some of it did by itself is
    /// not in it.
    [[nodiscard]] Mat4 moved() const;
};

/// Who waits for a replay: it ends early where `stop` says so, and is then not to be used.
struct ReplayWatch {
    std::function<bool()> stop;
    /// Which step is at work, counted from 0, and how far it is, 0 to 1; from whatever thread.
    std::function<void(size_t step, double share)> progress;
};
/// Runs the steps over what the sources were put together to.
Replay replay(const LoadedSources& sources, const std::vector<Step>& steps, const ReplayWatch& watch = {});
/// The same of a scene that came from no source: steps that work on sources have none.
Replay replay(std::shared_ptr<const Scene> received, const std::vector<Step>& steps);
/// Another card over the same sources: steps that are the same as in `before`, from the first on, keep their outcome.
Replay replay_again(const Replay& before, const std::vector<Step>& steps, const ReplayWatch& watch = {});

/// The drift of one step, against the scene that it worked on.
Drift drift_of_step(const Scene& before, const StepOutcome& outcome, const std::function<bool()>& stop = {});

/// Measures what is not measured yet, step by step; `stop` ends it early, `progress` gets 0 to 1.
void measure_replay(Replay& replay, const std::function<bool()>& stop = {},
                    const std::function<void(double)>& progress = {});

} // namespace wembrix
