#include "shell/rail.h"

#include "style/theme.h"

#include <QPainter>
#include <QVBoxLayout>

namespace wembrix::app {

RailButton::RailButton(int number, const QString& name, QWidget* parent)
    : QAbstractButton(parent), number_(number), name_(name) {
    setCheckable(true);
    setAutoExclusive(true);
    setFocusPolicy(Qt::StrongFocus);
    setAccessibleName(name);
    setText(name);
}

void RailButton::set_note(const QString& note, const QColor& ink, const QColor& ground) {
    note_ = note;
    ink_ = ink;
    ground_ = ground;
    update();
}

void RailButton::paintEvent(QPaintEvent*) {
    const Theme& l = theme();
    QPainter painter(this);
    painter.setRenderHint(QPainter::Antialiasing);
    if (isChecked()) {
        painter.fillRect(rect(), l.card);
        painter.fillRect(QRect(0, 0, 4, height()), l.accent);
    } else if (underMouse()) {
        painter.fillRect(rect(), l.card.darker(102));
    }
    if (hasFocus()) {
        painter.setPen(QPen(l.accent, 1, Qt::DotLine));
        painter.setBrush(Qt::NoBrush);
        painter.drawRect(rect().adjusted(5, 2, -3, -3));
    }
    QFont small = font();
    small.setPixelSize(11);
    painter.setFont(small);
    painter.setPen(l.soft);
    painter.drawText(QRect(14, 12, 20, 16), Qt::AlignLeft | Qt::AlignVCenter, QString::number(number_));
    if (!note_.isEmpty()) {
        small.setWeight(QFont::DemiBold);
        painter.setFont(small);
        const int wide = painter.fontMetrics().horizontalAdvance(note_) + 10;
        const QRect chip(width() - wide - 8, 10, wide, 18);
        painter.setPen(Qt::NoPen);
        painter.setBrush(ground_);
        painter.drawRoundedRect(chip, 3, 3);
        painter.setPen(ink_);
        painter.drawText(chip, Qt::AlignCenter, note_);
    }
    QFont name = font();
    name.setWeight(QFont::DemiBold);
    painter.setFont(name);
    painter.setPen(l.ink);
    painter.drawText(QRect(14, 34, width() - 16, 20), Qt::AlignLeft | Qt::AlignVCenter, name_);
}

Rail::Rail(QWidget* parent) : QWidget(parent) {
    setObjectName(QStringLiteral("rail"));
    setAttribute(Qt::WA_StyledBackground);
    setFixedWidth(92);
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 8, 1, 0);
    column->setSpacing(0);
    column->addStretch(1);
}

RailButton* Rail::add(int number, const QString& name, const QString& tip) {
    auto* button = new RailButton(number, name, this);
    button->setObjectName(QStringLiteral("station%1").arg(name));
    button->setToolTip(tip);
    const int index = static_cast<int>(buttons_.size());
    buttons_.push_back(button);
    qobject_cast<QVBoxLayout*>(layout())->insertWidget(index, button);
    connect(button, &QAbstractButton::clicked, this, [this, index] { Q_EMIT chosen(index); });
    return button;
}

void Rail::choose(int index) {
    buttons_[index]->setChecked(true);
}

} // namespace wembrix::app
