// Two states side by side, with one camera and one clock.
#pragma once

#include "session/clock.h"
#include "session/session.h"
#include "view/camera.h"
#include "view/pane.h"
#include "view/playback_bar.h"

#include <QWidget>

namespace wembrix::app {

class TwinView : public QWidget {
    Q_OBJECT
  public:
    TwinView(Camera& camera, Clock& clock, QWidget* parent = nullptr);

    void show_state(const SessionState& state, const Destination* destination);
    void clear(const QString& why);
    void set_joints_shown(bool shown);
    void set_same_scale(bool same);
    Pane& left() { return *left_; }
    Pane& right() { return *right_; }
    PlaybackBar& playback() { return *playback_; }

  private:
    void share_scale();
    Pane* left_;
    Pane* right_;
    PlaybackBar* playback_;
    bool same_scale_ = false;
};

} // namespace wembrix::app
