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
    /// Poses that the job keeps, beside the rest pose and the bind pose.
    void set_poses(const std::map<std::string, StoredPose>& poses);
    void choose(const QString& clip);

  protected:
    void resizeEvent(QResizeEvent* event) override;

  private:
    void chosen(int index);
    void refresh();
    void follow(); ///< shows in the box what the clock was told elsewhere
    [[nodiscard]] int row_of_clock() const;

    struct Row {
        QString name;
        int frames = 1;
        double rate = 30;
        ClipPart part;
        Clock::Still still = Clock::Still::rest; ///< when the name is that of no clip
    };
    void offer_poses();
    Clock& clock_;
    std::vector<Row> rows_;
    std::map<std::string, StoredPose> poses_;
    QComboBox* clips_;
    QPushButton* play_;
    QSlider* scrub_;
    QLabel* label_;
};

} // namespace wembrix::app
