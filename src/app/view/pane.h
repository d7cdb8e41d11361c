// A pane of the twin view: the state's name, its picture, and its facts below.
#pragma once

#include "style/look.h"
#include "view/scene_view.h"

#include <QFrame>

class QLabel;

namespace wembrix::app {

class Pane : public QFrame {
    Q_OBJECT
  public:
    Pane(State state, Camera& camera, Clock& clock, QWidget* parent = nullptr);

    void show_scene(std::shared_ptr<const Scene> scene, const SceneFacts& facts, const Destination* destination);
    void clear(const QString& why);
    SceneView& view() { return *view_; }
    [[nodiscard]] QString facts_text() const;

  protected:
    void paintEvent(QPaintEvent* event) override;

  private:
    State state_;
    SceneView* view_;
    QLabel* title_;
    QLabel* facts_;
};

} // namespace wembrix::app
