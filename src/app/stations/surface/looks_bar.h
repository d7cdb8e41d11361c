// What the view shows of materials: their looks under a light that can be turned, one slot alone, normals and tangents.
#pragma once

#include "view/layers/hair_layer.h"

#include <QWidget>

class QCheckBox;
class QComboBox;
class QSlider;

namespace wembrix::app {

class LooksBar : public QWidget {
    Q_OBJECT
  public:
    explicit LooksBar(QWidget* parent = nullptr);
    [[nodiscard]] bool shown() const;
    [[nodiscard]] bool only_chosen() const;
    [[nodiscard]] double light_degrees() const;
    [[nodiscard]] Hairs hairs() const;

  Q_SIGNALS:
    void changed();
    void materialAsked();

  private:
    QCheckBox* shown_;
    QCheckBox* only_;
    QSlider* light_;
    QComboBox* hairs_;
};

} // namespace wembrix::app
