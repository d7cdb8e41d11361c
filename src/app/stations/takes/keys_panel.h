// Keys made by hand on the clip that is shown: its layers, the chosen joint in numbers, poses, and what the view shows.
#pragma once

#include "core/job/pose_edits.h"
#include "core/steps/skeleton/stored_pose.h"
#include "session/clock.h"
#include "session/document.h"
#include "session/selection.h"
#include "session/session.h"
#include "stations/takes/pose_source.h"
#include "view/scene_view.h"
#include "view/tools/pose_tool.h"

#include <QPointer>
#include <QWidget>
#include <array>
#include <memory>
#include <optional>

class QCheckBox;
class QComboBox;
class QDoubleSpinBox;
class QHBoxLayout;
class QLabel;
class QPushButton;
class QSpinBox;

namespace wembrix::app {

class KeysPanel : public QWidget {
    Q_OBJECT
  public:
    KeysPanel(Document& document, Session& session, Clock& clock, Selection& selection, QWidget* parent = nullptr);
    /// Poses the chosen joint in a view that outlives the tool.
    [[nodiscard]] std::unique_ptr<ViewTool> tool(SceneView& view);
    void refresh();
    [[nodiscard]] std::optional<size_t> layer() const; ///< place on the card of the one that is worked on
    [[nodiscard]] const KeyLayer& keys() const { return keys_; }

  Q_SIGNALS:
    void clipAsked(const QString& name, int frame); ///< to be shown once it is there
    void layerShown();                              ///< another layer, or other keys on it
    void viewChanged();                             ///< something else is shown over the view

  private:
    QWidget* make_layers();
    QWidget* make_span();
    QWidget* make_values();
    QWidget* make_poses();
    QWidget* make_touch();
    QWidget* make_view();
    QPushButton* add_button(QHBoxLayout* row, const char* id, const QString& text, const QString& tip);
    void refresh_values();
    void refresh_sources();
    void refresh_overlay();
    void key(const KeyedPath& what, const Vec3& value);
    void typed(Path path);
    void confirm(Path path); ///< the same number typed again is a key as well
    void change(const char* parameter, const nlohmann::json& value, const QString& what);
    void ask_for_layer();
    void ask_for_clip();
    void key_source();
    void key_by_command();
    /// What stands in the view and is not keyed yet goes.
    void let_go();
    void keep(SceneView& view, const std::vector<PosedJoint>& joints);
    [[nodiscard]] const Pose& base_pose(const PosedScene& posed);
    void try_gesture(SceneView& view, const PoseGesture& gesture);
    void take_gesture(SceneView& view, const PoseGesture& gesture);
    [[nodiscard]] LayerPlace layer_place() const;
    [[nodiscard]] int joint() const; ///< node of Prepared; -1: none chosen
    [[nodiscard]] std::string joint_name() const;
    [[nodiscard]] std::string shape_name() const;

    Document& document_;
    Session& session_;
    Clock& clock_;
    Selection& selection_;
    KeyLayer keys_;
    StoredPose copied_;
    QString copied_said_;
    PoseOverlay overlay_;
    std::vector<PosedJoint> standing_; ///< dragged while nothing is keyed by touch
    Pose standing_pose_;
    QPointer<SceneView> view_; ///< that has the tool
    QPushButton* by_touch_;
    QPushButton* key_now_;
    QComboBox* layers_;
    QComboBox* mode_;
    QSpinBox* weight_;
    QSpinBox* start_;
    QSpinBox* end_;
    QSpinBox* fade_in_;
    QSpinBox* fade_out_;
    QPushButton* add_layer_;
    QPushButton* close_;
    QPushButton* thin_;
    QLabel* account_;
    QLabel* joint_said_;
    std::array<QDoubleSpinBox*, 3> turn_{};
    std::array<QDoubleSpinBox*, 3> move_{};
    QLabel* shape_said_;
    QComboBox* shape_;
    QDoubleSpinBox* shape_weight_;
    QComboBox* sources_;
    QPushButton* copy_;
    QPushButton* mirrored_;
    QSpinBox* blend_;
    QPushButton* key_pose_;
    QComboBox* handle_;
    QComboBox* axes_;
    QPushButton* path_;
    QPushButton* ghosts_;
    QSpinBox* ghost_step_;
};

} // namespace wembrix::app
