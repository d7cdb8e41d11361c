// Two of the three states with one camera and one clock: side by side, one over the other, or how far they are apart.
#pragma once

#include "session/clock.h"
#include "session/selection.h"
#include "session/session.h"
#include "view/camera.h"
#include "view/pane.h"
#include "view/playback_bar.h"

#include <QImage>
#include <QWidget>
#include <functional>
#include <optional>

class QBoxLayout;
class QButtonGroup;

namespace wembrix::app {

enum class TwinMode { side_by_side, overlaid, difference };

class TwinView : public QWidget {
    Q_OBJECT
  public:
    /// What arrived for a clip (empty: the model), or null.
    using ArrivedScene = std::function<std::shared_ptr<const Scene>(const QString& clip)>;

    TwinView(Camera& camera, Clock& clock, Selection& selection, ArrivedScene arrived, QWidget* parent = nullptr);

    void show_state(std::shared_ptr<const SessionState> state, const std::optional<Destination>& destination);
    void clear(const QString& why);
    void set_mode(TwinMode mode);
    [[nodiscard]] TwinMode mode() const { return mode_; }
    void set_shown(const Shown& shown);
    [[nodiscard]] const Shown& shown() const { return shown_; }
    /// In the pane of Prepared: a trajectory over the ground (null: none), and both ends of the clip that is shown.
    void show_trajectory(const std::shared_ptr<const Trajectory>& trajectory);
    /// What each round of a repeat adds to its place and turn, in the pane of Prepared.
    void set_round_on(const Mat4& on);
    void show_ends(bool shown);
    /// Prepared alone, whatever the mode is; without the buttons that choose one.
    void set_alone(bool alone);
    /// In the pane of Prepared.
    void show_colours(const std::shared_ptr<const VertexColours>& colours);
    void hold_shapes(std::vector<HeldShapes> held);
    void set_same_scale(bool same);
    /// Another scene in the place of Received, while it is shown beside Prepared; null: Received itself.
    void show_in_place_of_received(std::shared_ptr<const Scene> scene, const QString& name);
    void set_playback_shown(bool shown);
    void frame_selection();
    /// The panes as they are, with their states' names.
    [[nodiscard]] QImage picture();
    /// The pane that shows Prepared now, or null.
    [[nodiscard]] SceneView* prepared_view();
    Pane& left() { return *left_; }
    Pane& right() { return *right_; }
    PlaybackBar& playback() { return *playback_; }
    /// Narrower than its parts stand in one row: in a narrow place they stand in two.
    [[nodiscard]] QSize minimumSizeHint() const override { return {300, 220}; }

  Q_SIGNALS:
    void modeChanged();
    void shownChanged();

  protected:
    void resizeEvent(QResizeEvent* event) override;

  private:
    struct Part {
        std::shared_ptr<const Scene> scene;
        std::optional<SceneFacts> facts;
    };
    [[nodiscard]] Part part_of(State state) const;
    [[nodiscard]] std::optional<Other> other_for(State own, State other) const;
    void refresh();
    void share_marks();
    void share_scale();

    Clock& clock_;
    ArrivedScene arrived_;
    std::shared_ptr<const SessionState> state_;
    std::optional<Destination> destination_;
    Pane* left_;
    Pane* right_;
    PlaybackBar* playback_;
    QButtonGroup* modes_;
    QBoxLayout* foot_;
    TwinMode mode_ = TwinMode::side_by_side;
    Shown shown_;
    std::shared_ptr<const Trajectory> trajectory_;
    Mat4 round_on_ = Mat4::Identity();
    bool ends_ = false;
    bool alone_ = false;
    State before_alone_ = State::prepared; ///< what the right pane showed
    std::shared_ptr<const VertexColours> colours_;
    std::vector<HeldShapes> held_;
    bool same_scale_ = false;
    std::shared_ptr<const Scene> instead_;
    QString instead_name_;
};

} // namespace wembrix::app
