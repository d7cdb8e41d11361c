// One clock for all views: which clip, which frame, playing or not.
#pragma once

#include <QElapsedTimer>
#include <QObject>
#include <QString>
#include <QTimer>

namespace wembrix::app {

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

    void choose(const QString& clip, int frames, double rate);
    void go_to(int frame);
    void set_playing(bool playing);

  Q_SIGNALS:
    void moved();
    void clipChanged();
    void playingChanged();

  private:
    void tick();
    QString clip_;
    double seconds_ = 0;
    double rate_ = 30;
    int frames_ = 1;
    QTimer timer_;
    QElapsedTimer since_;
};

} // namespace wembrix::app
