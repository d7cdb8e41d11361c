// Reads the sources, replays the route card and measures it, away from the interface thread.
#pragma once

#include "core/delivery/ledger.h"
#include "core/findings/finding.h"
#include "core/job/job.h"
#include "core/job/replay.h"
#include "core/math/axes.h"
#include "core/measure/skeleton/pairs.h"
#include "core/measure/surface/weights.h"
#include "session/document.h"

#include <QObject>
#include <QThreadPool>
#include <atomic>
#include <memory>
#include <optional>

namespace wembrix::app {

/// What a pane says of its scene without a click.
struct SceneFacts {
    double height_m = 0;
    double across_m = 0;        ///< from corner to corner over the ground
    Vec3 centre = Vec3::Zero(); ///< of the character, at rest
    double ground = 0;          ///< its lowest point
    std::optional<Axis> facing;
    size_t roots = 0;
    size_t joints = 0;
    size_t holders = 0; ///< that turn or scale
    bool scales_one = true;
    bool odd_size = false;
    std::vector<Holding> held; ///< one a node
    Sides sides;
};
SceneFacts facts_of(const Scene& scene);

/// Everything that follows from the job; never changed once it is shown.
struct SessionState {
    std::vector<JobSource> source_paths; ///< what `sources` was read from, and where those count from
    std::filesystem::path folder;
    std::vector<Step> steps; ///< the route card that it is of
    std::shared_ptr<const LoadedSources> sources;
    Replay replay;
    std::vector<Finding> received_findings;
    std::vector<Finding> findings; ///< of Prepared
    SceneFacts received;
    SceneFacts prepared;
    Ledger left;                      ///< what stayed behind between the sources and Prepared
    std::vector<Text> source_changes; ///< after the sources were read again: what is different
};

class Session : public QObject {
    Q_OBJECT
  public:
    explicit Session(Document& document, QObject* parent = nullptr);
    ~Session() override;

    /// The newest state that is ready, or null.
    [[nodiscard]] std::shared_ptr<const SessionState> state() const { return state_; }
    [[nodiscard]] bool is_busy() const { return !busy_.isEmpty(); }
    [[nodiscard]] const QString& busy() const { return busy_; }
    /// True when `state` is that of the job as it is now, whether or not its drift is measured yet.
    [[nodiscard]] bool is_current() const { return state_ != nullptr && shown_run_ == run_; }
    [[nodiscard]] const QString& problem() const { return problem_; } ///< why the sources cannot be shown

    /// Reads the sources anew, whether or not the job changed.
    void read_again();
    /// Whether the drift of each step is measured after every edit, which takes most of the time (it is, unless told
    /// otherwise).
    void set_measures_drift(bool measures) { measures_drift_ = measures; }

  Q_SIGNALS:
    void changed();     ///< another state, or another problem
    void busyChanged(); ///< what is being done, or nothing

  private:
    void restart();
    void adopt(uint64_t run, std::shared_ptr<const SessionState> state);
    void report_busy(uint64_t run, const QString& busy);
    void fail(uint64_t run, const QString& problem);

    Document& document_;
    std::shared_ptr<const SessionState> state_;
    std::shared_ptr<const SessionState> before_reading_; ///< what was shown when the sources were asked for again
    QString busy_;
    QString problem_;
    QThreadPool worker_;
    bool sources_changed_ = false; ///< what was read of them holds no more
    std::atomic<uint64_t> run_ = 0;
    uint64_t shown_run_ = 0;
    bool measures_drift_ = true;
};

} // namespace wembrix::app
