#include "stations/surface/looks_bar.h"

#include <QCheckBox>
#include <QComboBox>
#include <QHBoxLayout>
#include <QLabel>
#include <QPushButton>
#include <QSlider>
#include <QVBoxLayout>

namespace wembrix::app {

LooksBar::LooksBar(QWidget* parent) : QWidget(parent) {
    auto* rows = new QVBoxLayout(this);
    rows->setContentsMargins(0, 0, 0, 0);
    rows->setSpacing(6);
    auto* first = new QHBoxLayout;
    first->setSpacing(8);
    auto* second = new QHBoxLayout;
    second->setSpacing(8);
    rows->addLayout(first);
    rows->addLayout(second);
    shown_ = new QCheckBox(tr("Show materials"), this);
    shown_->setObjectName(QStringLiteral("showLooks"));
    shown_->setToolTip(tr("Images, metalness and roughness under one light, instead of clay"));
    first->addWidget(shown_);
    only_ = new QCheckBox(tr("Chosen slot alone"), this);
    only_->setObjectName(QStringLiteral("onlySlot"));
    first->addWidget(only_);
    first->addStretch(1);
    first->addWidget(new QLabel(tr("Light"), this));
    light_ = new QSlider(Qt::Horizontal, this);
    light_->setObjectName(QStringLiteral("turnLight"));
    light_->setRange(-180, 180);
    light_->setValue(-40);
    light_->setMinimumWidth(90);
    light_->setToolTip(tr("Turns the light around"));
    first->addWidget(light_);
    second->addWidget(new QLabel(tr("Hairs"), this));
    hairs_ = new QComboBox(this);
    hairs_->setObjectName(QStringLiteral("hairs"));
    hairs_->addItems({tr("none"), tr("normals"), tr("tangents")});
    hairs_->setToolTip(tr("Normals or tangents as hairs on the surface; broken ones in red"));
    second->addWidget(hairs_);
    second->addStretch(1);
    auto* set = new QPushButton(tr("Set a material…"), this);
    set->setObjectName(QStringLiteral("setMaterial"));
    set->setToolTip(tr("Colours, images and alpha of the chosen slot's material"));
    second->addWidget(set);
    const auto say = [this] {
        only_->setEnabled(shown_->isChecked());
        light_->setEnabled(shown_->isChecked());
        Q_EMIT changed();
    };
    connect(shown_, &QCheckBox::toggled, this, say);
    connect(only_, &QCheckBox::toggled, this, say);
    connect(light_, &QSlider::valueChanged, this, say);
    connect(hairs_, &QComboBox::currentIndexChanged, this, say);
    connect(set, &QPushButton::clicked, this, &LooksBar::materialAsked);
    only_->setEnabled(false);
    light_->setEnabled(false);
}

bool LooksBar::shown() const {
    return shown_->isChecked();
}

bool LooksBar::only_chosen() const {
    return only_->isChecked() && shown();
}

double LooksBar::light_degrees() const {
    return light_->value();
}

Hairs LooksBar::hairs() const {
    return static_cast<Hairs>(hairs_->currentIndex());
}

} // namespace wembrix::app
