#include "stations/paint_bar.h"

#include <QCheckBox>
#include <QComboBox>
#include <QDoubleSpinBox>
#include <QHBoxLayout>
#include <QLabel>
#include <QSignalBlocker>
#include <QSpinBox>
#include <QVBoxLayout>

namespace wembrix::app {

PaintBar::PaintBar(Of of, QWidget* parent) : QWidget(parent) {
    // Both bars are in one window: their fields are told apart by name.
    const QString prefix = of == Of::weights ? QStringLiteral("brush") : QStringLiteral("density");
    auto* rows = new QVBoxLayout(this);
    rows->setContentsMargins(0, 0, 0, 0);
    rows->setSpacing(4);
    auto* first = new QHBoxLayout;
    first->setSpacing(6);
    auto* second = new QHBoxLayout;
    second->setSpacing(6);
    rows->addLayout(first);
    rows->addLayout(second);
    mode_ = new QComboBox(this);
    mode_->setObjectName(prefix + QStringLiteral("Mode"));
    mode_->addItems({tr("Add"), tr("Take away"), tr("Set to"), tr("Scale by"), tr("Smooth")});
    mode_->setToolTip(of == Of::weights
                          ? tr("What the brush does to the weight of the joint; the other joints of a vertex make "
                               "room, or take what is left, so that the sum stays 1")
                          : tr("What the brush does to how densely strands may grow, 0 to 1"));
    first->addWidget(mode_);
    value_ = new QDoubleSpinBox(this);
    value_->setObjectName(prefix + QStringLiteral("Value"));
    value_->setRange(0, 4);
    value_->setSingleStep(0.05);
    value_->setValue(1);
    value_->setToolTip(tr("What is set, from 0 to 1, or the factor"));
    value_->hide();
    first->addWidget(value_);
    radius_mm_ = new QDoubleSpinBox(this);
    radius_mm_->setObjectName(prefix + QStringLiteral("Radius"));
    radius_mm_->setRange(0.1, 100000);
    radius_mm_->setDecimals(1);
    radius_mm_->setSuffix(tr(" mm"));
    radius_mm_->setToolTip(tr("How far the brush reaches on the surface"));
    first->addWidget(new QLabel(tr("Radius"), this));
    first->addWidget(radius_mm_);
    strength_ = new QSpinBox(this);
    strength_->setObjectName(prefix + QStringLiteral("Strength"));
    strength_->setRange(1, 100);
    strength_->setValue(30);
    strength_->setSuffix(tr(" %"));
    strength_->setToolTip(tr("How much one dab does in its middle"));
    first->addWidget(new QLabel(tr("Strength"), this));
    first->addWidget(strength_);
    first->addStretch(1);
    falloff_ = new QComboBox(this);
    falloff_->setObjectName(prefix + QStringLiteral("Falloff"));
    falloff_->addItems({tr("soft edge"), tr("straight edge"), tr("hard edge")});
    falloff_->setToolTip(tr("How the brush lets go towards its edge"));
    second->addWidget(falloff_);
    mirrored_ = new QCheckBox(tr("Both sides"), this);
    mirrored_->setObjectName(prefix + QStringLiteral("Mirrored"));
    mirrored_->setToolTip(of == Of::weights
                              ? tr("The other side gets the same, for the joint that answers this one there")
                              : tr("The other side gets the same"));
    second->addWidget(mirrored_);
    through_ = new QCheckBox(tr("Through the surface"), this);
    through_->setObjectName(prefix + QStringLiteral("Through"));
    through_->setToolTip(
        tr("All vertices within the radius; else those that face you and hang together with the place"));
    second->addWidget(through_);
    second->addStretch(1);
    connect(mode_, &QComboBox::currentIndexChanged, this, [this](int at) {
        const auto mode = static_cast<BrushMode>(at);
        value_->setVisible(mode == BrushMode::set || mode == BrushMode::scale);
        value_->setMaximum(mode == BrushMode::set ? 1 : 4);
    });
    connect(radius_mm_, &QDoubleSpinBox::valueChanged, this, [this] { typed_ = true; });
}

BrushSettings PaintBar::settings() const {
    BrushSettings settings;
    settings.mode = static_cast<BrushMode>(mode_->currentIndex());
    settings.falloff = static_cast<BrushFalloff>(falloff_->currentIndex());
    settings.radius_m = radius_mm_->value() / 1000;
    settings.strength = strength_->value() / 100.0;
    settings.value = value_->value();
    settings.mirrored = mirrored_->isChecked();
    settings.through = through_->isChecked();
    return settings;
}

void PaintBar::suit(double height_m) {
    if (!typed_ && height_m > 0) {
        const QSignalBlocker quiet(radius_mm_);
        radius_mm_->setValue(height_m * 1000 / 20);
    }
}

} // namespace wembrix::app
