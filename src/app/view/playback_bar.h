// Which clip, play, scrub, and the frame in words.
#pragma once

#include "session/clock.h"
#include "session/session.h"

#include <QWidget>

class QComboBox;
class QLabel;
class QPushButton;
class QSlider;

namespace wembrix::app {

class PlaybackBar : public QWidget {
    Q_OBJECT
  public:
    PlaybackBar(Clock& clock, QWidget* parent = nullptr);
    /// Offers the clips of a scene; keeps the chosen one if it is still there.
    /// The clips of Prepared, and the takes of Received that they were cut from.
    void offer(const Scene& scene, const Scene& received);
    void offer_nothing();
    void choose(const QString& clip);

  private:
    void chosen(int index);
    void refresh();

    struct Row {
        QString name;
        int frames = 1;
        double rate = 30;
        qlonglong take = 0;
        double start_s = 0;
    };
    Clock& clock_;
    std::vector<Row> rows_;
    QComboBox* clips_;
    QPushButton* play_;
    QSlider* scrub_;
    QLabel* label_;
};

} // namespace wembrix::app
