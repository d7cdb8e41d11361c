// Keys made by hand on the clip that is shown: its layers, the chosen joint in numbers, its keys and their tangents.
#pragma once

#include "core/job/key_edits.h"
#include "session/clock.h"
#include "session/document.h"
#include "session/selection.h"
#include "session/session.h"
#include "view/view_tool.h"

#include <QWidget>
#include <array>
#include <memory>
#include <optional>

class QComboBox;
class QDoubleSpinBox;
class QLabel;
class QPushButton;
class QSpinBox;
class QTableWidget;

namespace wembrix::app {

class SceneView;

class KeysPanel : public QWidget {
    Q_OBJECT
  public:
    KeysPanel(Document& document, Session& session, Clock& clock, Selection& selection, QWidget* parent = nullptr);
    /// Turns the chosen joint in a view that outlives the tool.
    [[nodiscard]] std::unique_ptr<ViewTool> tool(const SceneView& view);
    /// The chosen joint turned in the world by so much, as the view shows it at the playhead; keyed there.
    void turn_chosen(const SceneView& view, const Quat& by);
    /// The chosen joint pulled to a place in the world: the two joints above it turn so that it gets there, and it
    /// keeps its own rotation. All three are keyed at the playhead.
    void pull_chosen(const SceneView& view, const Vec3& to);
    void refresh();

  Q_SIGNALS:
    void clipAsked(const QString& name, int frame); ///< to be shown once it is there

  private:
    QWidget* make_layers();
    QWidget* make_values();
    QWidget* make_keys();
    void refresh_values();
    void refresh_keys();
    void key(Path path, const Vec3& value);
    /// What is to be keyed so that a joint, which stands as `was` under its parent, stands as `is`.
    [[nodiscard]] Vec3 degrees_for(const Node& node, const Quat& was, const Quat& is) const;
    void typed(Path path);
    void change(const char* parameter, const nlohmann::json& value, const QString& what);
    void ask_for_layer();
    void ask_for_clip();
    [[nodiscard]] std::optional<size_t> layer() const; ///< place on the card of the one that is worked on
    [[nodiscard]] int joint() const;                   ///< node of Prepared; -1: none chosen
    [[nodiscard]] std::string joint_name() const;
    [[nodiscard]] double frame_of_row() const; ///< of the key that is chosen, else the playhead

    Document& document_;
    Session& session_;
    Clock& clock_;
    Selection& selection_;
    QComboBox* layers_;
    QComboBox* mode_;
    QSpinBox* weight_;
    QPushButton* add_layer_;
    QLabel* joint_said_;
    std::array<QDoubleSpinBox*, 3> turn_{};
    std::array<QDoubleSpinBox*, 3> move_{};
    QTableWidget* keys_;
    QComboBox* tangent_;
    QPushButton* drop_;
    QPushButton* close_;
    QPushButton* thin_;
    std::vector<double> frames_; ///< one a row of the table
};

} // namespace wembrix::app
