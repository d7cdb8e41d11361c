// A pane of the twin view: the state's name, its picture, and its facts below.
#pragma once

#include "style/theme.h"
#include "view/scene_view.h"

#include <QFrame>

class QLabel;
class QToolButton;

namespace wembrix::app {

class Pane : public QFrame {
    Q_OBJECT
  public:
    Pane(State state, Camera& camera, Clock& clock, QWidget* parent = nullptr);

    [[nodiscard]] State state() const { return state_; }
    /// Chooses the state as the box at its top does.
    void choose_state(State state);
    /// `beside` is the state that is drawn over this one or compared with it, said in the title.
    void show_scene(std::shared_ptr<const Scene> scene, const std::optional<SceneFacts>& facts,
                    const Destination* destination);
    void say_other(const QString& words);
    void clear(const QString& why);
    SceneView& view() { return *view_; }
    [[nodiscard]] QString facts_text() const;

  Q_SIGNALS:
    void stateChosen(State state);

  protected:
    void paintEvent(QPaintEvent* event) override;

  private:
    void say_facts(const SceneFacts& facts, const Destination* destination);
    void dress();

    State state_;
    SceneView* view_;
    QToolButton* states_;
    QLabel* other_;
    QLabel* facts_;
};

} // namespace wembrix::app
