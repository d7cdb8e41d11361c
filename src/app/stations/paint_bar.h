// What a brush is set to, over weights or how densely strands grow: what it does, how far it reaches, how strongly, and
// what it leaves alone.
#pragma once

#include "core/steps/surface/weight_brush.h"

#include <QWidget>

class QCheckBox;
class QComboBox;
class QDoubleSpinBox;
class QSpinBox;

namespace wembrix::app {

class PaintBar : public QWidget {
    Q_OBJECT
  public:
    enum class Of { weights, density };
    explicit PaintBar(Of of, QWidget* parent = nullptr);
    [[nodiscard]] BrushSettings settings() const;
    /// A radius that suits a model of that height, as long as nobody typed one.
    void suit(double height_m);

  private:
    QComboBox* mode_;
    QDoubleSpinBox* radius_mm_;
    QSpinBox* strength_;
    QDoubleSpinBox* value_;
    QComboBox* falloff_;
    QCheckBox* mirrored_;
    QCheckBox* through_;
    bool typed_ = false;
};

} // namespace wembrix::app
