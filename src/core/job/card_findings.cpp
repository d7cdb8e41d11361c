#include "core/job/card_findings.h"
#include "core/base/counted.h"
#include "core/base/text.h"

#include "core/steps/step_kind.h"

#include <algorithm>
#include <array>

namespace wembrix {

namespace {

std::string_view station_of(const StepKind& kind) {
    return kind.subject == StepSubject::skeleton ? "joints" : kind.subject == StepSubject::clips ? "takes" : "intake";
}

} // namespace

bool should_keep_motion(const Step& step) {
    constexpr std::array<std::string_view, 5> asked = {"leave_behind", "accept_finding", "expect_size", "remove_joints",
                                                       "set_rest_pose"};
    const StepKind* kind = step_kind(step.id);
    return kind != nullptr && (kind->subject == StepSubject::scene || kind->subject == StepSubject::skeleton) &&
           std::find(asked.begin(), asked.end(), step.id) == asked.end();
}

void measure_kept_motion(Replay& replay, const std::function<bool()>& stop) {
    std::shared_ptr<const Scene> before = replay.received;
    for (StepOutcome& outcome : replay.outcomes) {
        if (!outcome.drift && !outcome.problem && outcome.step.on && should_keep_motion(outcome.step)) {
            const Drift drift = drift_of_step(*before, outcome, stop);
            if (stop && stop()) {
                return;
            }
            outcome.drift = drift;
        }
        before = outcome.scene;
    }
}

namespace {

/// Vertices that a step left to something simpler: shown where they are.
void add_left_vertices(const Replay& replay, std::vector<Finding>& findings) {
    for (size_t s = 0; s < replay.outcomes.size(); ++s) {
        const StepOutcome& outcome = replay.outcomes[s];
        const StepKind* kind = step_kind(outcome.step.id);
        for (const LeftVertices& left : outcome.left_vertices) {
            const int surface = replay.prepared().find_node(left.surface);
            if (kind == nullptr || surface < 0) {
                continue; // renamed or left behind since
            }
            Finding finding;
            finding.id = "unreached_vertices";
            finding.grade = Grade::look;
            finding.station = station_of(*kind);
            finding.where = phrase("step {}: {}, {}", s + 1, kind->label, left.surface);
            finding.message = phrase("“{}” does not reach {} of “{}”", kind->label,
                                     counted(left.vertices.size(), "vertex"), left.surface);
            finding.reason = "They go with the bone that is nearest, whatever lies between.";
            finding.no_step = "bind through the volume, paint them, or accept it with a note";
            finding.nodes = {left.surface};
            finding.point_at(left.surface, left.vertices);
            apply_accepted(replay.prepared(), finding);
            findings.push_back(std::move(finding));
        }
    }
}

} // namespace

std::vector<Finding> card_findings(const Replay& replay, std::span<const Destination> destinations) {
    constexpr double notable_mm = 0.5;
    std::vector<Finding> findings;
    for (size_t s = 0; s < replay.outcomes.size(); ++s) {
        const StepOutcome& outcome = replay.outcomes[s];
        const StepKind* kind = step_kind(outcome.step.id);
        if (!outcome.drift || kind == nullptr || !should_keep_motion(outcome.step) ||
            outcome.drift->largest_mm < notable_mm) {
            continue;
        }
        const Drift& drift = *outcome.drift;
        Finding finding;
        finding.id = "step_drift";
        finding.station = station_of(*kind);
        finding.where = phrase("step {}: {}", s + 1, kind->label);
        finding.message = phrase("“{}” moves a vertex {:.1f} mm", kind->label, drift.largest_mm);
        finding.reason =
            phrase("{}{}. It was not asked to move anything.", drift.place,
                   drift.clip.empty() ? " at rest" : phrase(", frame {} of “{}”", drift.frame, drift.clip));
        for (const Destination& destination : destinations) {
            if (drift.largest_mm > destination.drift_limit_mm) {
                finding.grade = Grade::stop;
                finding.reason += phrase(" {} takes {:g} mm.", destination.name, destination.drift_limit_mm);
                break;
            }
        }
        finding.no_step = outcome.could_not.empty() ? "look at what it could not do, or accept it with a note"
                                                    : outcome.could_not.front();
        finding.nodes = {drift.place};
        finding.clip = drift.clip;
        finding.frame = drift.clip.empty() ? -1 : drift.frame;
        apply_accepted(replay.prepared(), finding);
        findings.push_back(std::move(finding));
    }
    add_left_vertices(replay, findings);
    return findings;
}

} // namespace wembrix
