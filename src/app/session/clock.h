// One clock for all views: which clip, which frame, playing or not.
#pragma once

#include "core/steps/skeleton/stored_pose.h"

#include <QElapsedTimer>
#include <QObject>
#include <QString>
#include <QTimer>

namespace wembrix::app {

/// Which part of which take a clip shows: the same clip, whatever it is called.
struct ClipPart {
    int64_t take = 0; ///< 0: of none
    double start_s = 0;
    bool operator==(const ClipPart& other) const = default;
};

class Clock : public QObject {
    Q_OBJECT
  public:
    explicit Clock(QObject* parent = nullptr);

    [[nodiscard]] const QString& clip() const { return clip_; } ///< empty: the rest pose
    [[nodiscard]] double seconds() const { return seconds_; }
    [[nodiscard]] double rate() const { return rate_; }
    [[nodiscard]] int frames() const { return frames_; }
    [[nodiscard]] int frame() const;
    [[nodiscard]] bool is_playing() const { return timer_.isActive(); }
    /// How often the clip has begun again since it was set to play.
    [[nodiscard]] int round() const { return round_; }

    void choose(const QString& clip, int frames, double rate, const ClipPart& part = {});
    [[nodiscard]] const ClipPart& part() const { return part_; } ///< of the clip that is shown
    /// A pose instead of a clip.
    void show_bind_pose();
    void show_stored_pose(const QString& name, const StoredPose& pose);
    enum class Still { rest, bind, stored };
    [[nodiscard]] Still still() const { return still_; } ///< which pose is shown while no clip is
    [[nodiscard]] const QString& pose_name() const { return pose_name_; }
    [[nodiscard]] const StoredPose& stored_pose() const { return stored_; }
    /// "rest pose", "bind pose", "pose “lift”", or the clip and its frame.
    [[nodiscard]] QString words() const;

    void go_to(int frame);
    void set_playing(bool playing);

  Q_SIGNALS:
    void moved();
    void clipChanged();
    void playingChanged();

  private:
    void tick();
    void stand(Still still, const QString& name, const StoredPose& pose);
    QString clip_;
    ClipPart part_;
    Still still_ = Still::rest;
    QString pose_name_;
    StoredPose stored_;
    double seconds_ = 0;
    double rate_ = 30;
    int frames_ = 1;
    int round_ = 0;
    QTimer timer_;
    QElapsedTimer since_;
};

} // namespace wembrix::app
