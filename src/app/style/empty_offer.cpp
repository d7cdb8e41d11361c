#include "style/empty_offer.h"

#include <QLabel>
#include <QPushButton>
#include <QVBoxLayout>

namespace wembrix::app {

EmptyOffer::EmptyOffer(const QString& text, QWidget* parent) : QWidget(parent) {
    auto* column = new QVBoxLayout(this);
    auto* words = new QLabel(text, this);
    words->setWordWrap(true);
    words->setObjectName(QStringLiteral("soft"));
    column->addWidget(words);
    auto* bring = new QPushButton(tr("Import files…"), this);
    bring->setObjectName(QStringLiteral("bringIn"));
    connect(bring, &QPushButton::clicked, this, &EmptyOffer::filesAsked);
    column->addWidget(bring, 0, Qt::AlignLeft);
    auto* demo = new QPushButton(tr("Open the demo job"), this);
    demo->setObjectName(QStringLiteral("openDemo"));
    connect(demo, &QPushButton::clicked, this, &EmptyOffer::demoAsked);
    column->addWidget(demo, 0, Qt::AlignLeft);
    column->addStretch(1);
}

void EmptyOffer::offer_all_ways() {
    auto* column = qobject_cast<QVBoxLayout*>(layout());
    const auto add = [&](int place, const QString& text, const char* name, void (EmptyOffer::*asked)()) {
        auto* button = new QPushButton(text, this);
        button->setObjectName(QString::fromUtf8(name));
        connect(button, &QPushButton::clicked, this, asked);
        column->insertWidget(place, button, 0, Qt::AlignLeft);
    };
    add(2, tr("Import a folder of takes…"), "bringFolder", &EmptyOffer::folderAsked);
    add(4, tr("A first delivery, step by step"), "firstLesson", &EmptyOffer::lessonAsked);
}

} // namespace wembrix::app
