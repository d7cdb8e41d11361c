#include "session/session.h"
#include "style/language.h"

#include "core/delivery/delivery.h"
#include "core/job/card_findings.h"
#include "core/job/card_ledger.h"
#include "core/job/source_changes.h"
#include "core/measure/scene/bounds.h"
#include "core/measure/scene/facing.h"
#include "core/steps/step_kind.h"

#include "session/log.h"

#include <QDeadlineTimer>
#include <QMetaObject>
#include <algorithm>
#include <atomic>
#include <chrono>
#include <cmath>
#include <iterator>

namespace wembrix::app {

SceneFacts facts_of(const Scene& scene) {
    SceneFacts facts;
    const Bounds bounds = character_bounds(scene);
    facts.height_m = bounds.size().y();
    facts.across_m = std::hypot(bounds.size().x(), bounds.size().z());
    facts.centre = bounds.centre();
    facts.ground = bounds.empty() ? 0 : bounds.low.y();
    if (const std::optional<Facing> facing = guess_facing(scene)) {
        facts.facing = facing->axis;
    }
    facts.roots = root_joints(scene).size();
    facts.held = holding_of(scene);
    facts.sides = find_sides(scene);
    for (const Node& node : scene.nodes) {
        if (node.kind == NodeKind::joint) {
            ++facts.joints;
            facts.scales_one = facts.scales_one && (node.rest.scale - Vec3::Ones()).cwiseAbs().maxCoeff() < 1e-5;
        } else if (node.kind == NodeKind::parent_transform && !linear_of(node.rest.matrix()).isIdentity(1e-6)) {
            ++facts.holders;
        }
    }
    return facts;
}

namespace {

/// What a replay did, and how long each step that ran took.
void log_replay(const Replay& replay, const std::vector<std::chrono::steady_clock::time_point>& began,
                std::chrono::steady_clock::time_point first) {
    const auto now = std::chrono::steady_clock::now();
    const auto seconds = [](auto from, auto to) { return std::chrono::duration<double>(to - from).count(); };
    log_info(
        QStringLiteral("replayed %1 steps in %2 s").arg(replay.outcomes.size()).arg(seconds(first, now), 0, 'f', 3));
    for (size_t s = 0; s < replay.outcomes.size(); ++s) {
        const StepOutcome& outcome = replay.outcomes[s];
        const QString name = QStringLiteral("step %1, %2").arg(s + 1).arg(QString::fromStdString(outcome.step.id));
        if (s < began.size()) {
            const double took = seconds(began[s], s + 1 < began.size() ? began[s + 1] : now);
            log_debug(name + QStringLiteral(": %1 s").arg(took, 0, 'f', 3));
        }
        if (outcome.problem) {
            log_warning(name + QStringLiteral(": ") + localized(outcome.problem->sentence()));
        }
    }
}

} // namespace

Session::Session(Document& document, QObject* parent) : QObject(parent), document_(document) {
    worker_.setMaxThreadCount(1);
    connect(&document_, &Document::opened, this, [this] {
        ++run_;
        state_.reset();
        before_reading_.reset();
    });
    connect(&document_, &Document::jobChanged, this, &Session::restart);
}

Session::~Session() {
    ++run_;
    worker_.waitForDone();
}

void Session::read_again() {
    sources_changed_ = true;
    if (state_) {
        before_reading_ = state_;
    }
    restart();
}

void Session::restart() {
    const uint64_t run = ++run_;
    const Job job = document_.job();
    if (job.sources.empty()) {
        state_.reset();
        problem_.clear();
        busy_.clear();
        Q_EMIT changed();
        Q_EMIT busyChanged();
        return;
    }
    const std::filesystem::path folder = document_.folder();
    const std::shared_ptr<const SessionState> before = sources_changed_ ? nullptr : state_;
    const std::shared_ptr<const SessionState> earlier = before_reading_;
    report_busy(run, before ? tr("Replaying the route card") : tr("Reading the sources"));
    worker_.start([this, run, job, folder, before, earlier, measures_drift = measures_drift_] {
        const auto stale = [this, run] { return run_ != run; };
        if (stale()) {
            return;
        }
        // When each step began: for the log.
        const auto began = std::make_shared<std::vector<std::chrono::steady_clock::time_point>>();
        const auto replay_begins = std::chrono::steady_clock::now();
        // A step that takes long says how far it is, a few times a second.
        const ReplayWatch watch = {
            stale, [this, run, kinds = job.steps, began,
                    said = std::make_shared<std::atomic<int64_t>>(0)](size_t step, double share) {
                const int64_t now = QDeadlineTimer::current().deadline();
                int64_t last = *said;
                constexpr int64_t every_ms = 150;
                if (share == 0) {
                    began->resize(std::max(began->size(), step), std::chrono::steady_clock::now());
                    began->push_back(std::chrono::steady_clock::now());
                }
                const StepKind* kind = step < kinds.size() ? step_kind(kinds[step].id) : nullptr;
                if (kind == nullptr || share <= 0 || now - last < every_ms ||
                    !said->compare_exchange_strong(last, now)) {
                    return;
                }
                const QString words = tr("%1: %2 %").arg(localized(kind->label)).arg(static_cast<int>(share * 100));
                QMetaObject::invokeMethod(
                    this, [this, run, words] { report_busy(run, words); }, Qt::QueuedConnection);
            }};
        auto next = std::make_shared<SessionState>();
        next->source_paths = job.sources;
        next->folder = folder;
        next->steps = job.steps;
        if (before && before->source_paths == job.sources && before->folder == folder &&
            (!before->sources->follows_card || before->steps == job.steps)) {
            next->sources = before->sources;
            next->replay = replay_again(before->replay, job.steps, watch);
            next->received = before->received;
            next->received_findings = before->received_findings;
        } else {
            Result<LoadedSources> loaded = load_sources(job.sources, folder, job.steps);
            if (!loaded) {
                const QString problem = localized(loaded.problem().sentence());
                log_warning(problem);
                QMetaObject::invokeMethod(
                    this, [this, run, problem] { fail(run, problem); }, Qt::QueuedConnection);
                return;
            }
            auto sources = std::make_shared<LoadedSources>(loaded.take());
            next->replay = replay(*sources, job.steps, watch);
            next->sources = sources;
            next->received = facts_of(*next->replay.received);
            if (next->replay.prepared_scene() != next->replay.received) {
                next->received_findings = look_for_findings({*next->replay.received});
            }
            if (earlier) {
                next->source_changes = describe_changes(*earlier->replay.received, *next->replay.received);
            }
        }
        log_replay(next->replay, *began, replay_begins);
        if (stale()) {
            return;
        }
        next->findings = look_for_findings(next->replay.prepared(), job.destinations);
        if (next->replay.prepared_scene() == next->replay.received) {
            next->received_findings = next->findings; // nothing is done to it yet, so nothing is mended
        }
        next->prepared = facts_of(next->replay.prepared());
        next->left = card_ledger(next->replay);
        auto mark = [](SceneFacts& facts, const std::vector<Finding>& findings) {
            facts.odd_size = std::any_of(findings.begin(), findings.end(),
                                         [](const Finding& finding) { return finding.id == "size"; });
        };
        mark(next->received, next->received_findings);
        mark(next->prepared, next->findings);
        if (stale()) {
            return;
        }
        QMetaObject::invokeMethod(
            this, [this, run, shown = std::make_shared<const SessionState>(*next)] { adopt(run, shown); },
            Qt::QueuedConnection);
        if (!measures_drift) {
            QMetaObject::invokeMethod(
                this, [this, run] { report_busy(run, QString()); }, Qt::QueuedConnection);
            return;
        }
        QMetaObject::invokeMethod(
            this, [this, run] { report_busy(run, tr("Measuring the drift of each step")); }, Qt::QueuedConnection);
        measure_replay(next->replay, stale);
        if (stale()) {
            return;
        }
        std::vector<Finding> of_card = card_findings(next->replay, job.destinations);
        const auto first_look = std::find_if(next->findings.begin(), next->findings.end(),
                                             [](const Finding& finding) { return finding.grade != Grade::stop; });
        next->findings.insert(first_look, std::make_move_iterator(of_card.begin()),
                              std::make_move_iterator(of_card.end()));
        QMetaObject::invokeMethod(
            this,
            [this, run, next] {
                adopt(run, next);
                report_busy(run, QString());
            },
            Qt::QueuedConnection);
    });
}

void Session::adopt(uint64_t run, std::shared_ptr<const SessionState> state) {
    if (run_ == run) {
        state_ = std::move(state);
        shown_run_ = run;
        sources_changed_ = false;
        before_reading_.reset();
        problem_.clear();
        Q_EMIT changed();
    }
}

void Session::report_busy(uint64_t run, const QString& busy) {
    if (run_ == run) {
        busy_ = busy;
        Q_EMIT busyChanged();
    }
}

void Session::fail(uint64_t run, const QString& problem) {
    if (run_ == run) {
        state_.reset();
        problem_ = problem;
        busy_.clear();
        Q_EMIT changed();
        Q_EMIT busyChanged();
    }
}

} // namespace wembrix::app
