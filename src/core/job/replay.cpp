#include "core/job/replay.h"

#include "core/job/job.h"
#include "core/steps/step.h"
#include "core/steps/step_kind.h"

#include <algorithm>
#include <span>

namespace wembrix {

std::vector<Text> Replay::problems() const {
    std::vector<Text> problems;
    for (const StepOutcome& outcome : outcomes) {
        if (outcome.problem) {
            problems.push_back(outcome.problem->sentence());
        }
    }
    return problems;
}

void StepOutcome::take(StepResult result) {
    account = std::move(result.account);
    could_not = std::move(result.could_not);
    unmatched = std::move(result.unmatched);
    left_vertices = std::move(result.left_vertices);
    moved = result.moved;
    other_rest = result.other_rest;
    subsamples = result.subsamples;
    scene = std::make_shared<const Scene>(std::move(result.scene));
}

bool Replay::has_unmatched() const {
    return std::any_of(outcomes.begin(), outcomes.end(),
                       [](const StepOutcome& outcome) { return !outcome.unmatched.empty(); });
}

Mat4 Replay::moved() const {
    Mat4 moved = Mat4::Identity();
    for (const StepOutcome& outcome : outcomes) {
        moved = outcome.moved.all * moved;
    }
    return moved;
}

namespace {

/// Begins with what `before` holds of the same steps.
Replay replay_from(const Replay& before, const std::vector<Step>& steps, const ReplayWatch& watch) {
    Replay result;
    result.received = before.received;
    result.sources = before.sources;
    std::shared_ptr<const Scene> scene = result.received;
    const std::span<const NamedScene> sources =
        result.sources ? std::span<const NamedScene>(*result.sources) : std::span<const NamedScene>();
    bool same_so_far = true;
    for (size_t i = 0; i < steps.size(); ++i) {
        same_so_far = same_so_far && i < before.outcomes.size() && before.outcomes[i].step == steps[i];
        if (same_so_far) {
            result.outcomes.push_back(before.outcomes[i]);
            scene = result.outcomes.back().scene;
            continue;
        }
        if (watch.stop && watch.stop()) {
            return result;
        }
        StepContext context{*scene, {}, watch.stop, sources};
        if (watch.progress) {
            context.progress = [&watch, i](double share) { watch.progress(i, share); };
            watch.progress(i, 0);
        }
        StepOutcome outcome;
        outcome.step = steps[i];
        outcome.scene = scene;
        if (!steps[i].on) {
            outcome.account = "off";
            outcome.drift = Drift{};
        } else if (Result<StepResult> applied = apply_step(context, steps[i]); applied) {
            outcome.take(applied.take());
            scene = outcome.scene;
        } else {
            outcome.problem = applied.problem();
            outcome.account = "does not fit";
            outcome.drift = Drift{};
        }
        result.outcomes.push_back(std::move(outcome));
    }
    return result;
}

} // namespace

Replay replay(const LoadedSources& sources, const std::vector<Step>& steps, const ReplayWatch& watch) {
    Replay nothing_yet;
    nothing_yet.received = sources.received;
    nothing_yet.sources = sources.scenes;
    return replay_from(nothing_yet, steps, watch);
}

Replay replay(std::shared_ptr<const Scene> received, const std::vector<Step>& steps) {
    Replay nothing_yet;
    nothing_yet.received = std::move(received);
    return replay_from(nothing_yet, steps, {});
}

Replay replay_again(const Replay& before, const std::vector<Step>& steps, const ReplayWatch& watch) {
    return replay_from(before, steps, watch);
}

Drift drift_of_step(const Scene& before, const StepOutcome& outcome, const std::function<bool()>& stop) {
    return measure_drift_all(before, *outcome.scene, Matching::identity, outcome.moved, stop,
                             outcome.other_rest ? Over::clips : Over::rest_and_clips, outcome.subsamples);
}

void measure_replay(Replay& replay, const std::function<bool()>& stop, const std::function<void(double)>& progress) {
    std::shared_ptr<const Scene> before = replay.received;
    for (size_t i = 0; i < replay.outcomes.size(); ++i) {
        StepOutcome& outcome = replay.outcomes[i];
        if (progress) {
            progress(static_cast<double>(i) / static_cast<double>(replay.outcomes.size()));
        }
        if (!outcome.drift) {
            const Drift drift = drift_of_step(*before, outcome, stop);
            if (stop && stop()) {
                return;
            }
            outcome.drift = drift;
        }
        before = outcome.scene;
    }
}

} // namespace wembrix
