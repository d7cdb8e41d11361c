#include "shell/card_edge.h"

#include "style/numbers.h"
#include "style/shortcuts.h"
#include "style/theme.h"

#include <QPainter>

namespace wembrix::app {

CardEdge::CardEdge(QWidget* parent) : QAbstractButton(parent) {
    setObjectName(QStringLiteral("cardEdge"));
    setFixedWidth(26);
    setSizePolicy(QSizePolicy::Fixed, QSizePolicy::Expanding);
    setFocusPolicy(Qt::StrongFocus);
    setCursor(Qt::PointingHandCursor);
    setToolTip(with_shortcut(tr("Unfold the route card"), Shortcut::fold_card));
    show_steps(0, 0);
}

void CardEdge::show_steps(int steps, int broken) {
    broken_ = broken;
    setText(broken > 0 ? tr("‹  Route card · %1 of %2 steps do not fit").arg(broken).arg(steps)
                       : tr("‹  Route card · %1").arg(counted(steps, "step")));
    setAccessibleName(text());
    update();
}

void CardEdge::paintEvent(QPaintEvent*) {
    const Theme& l = theme();
    QPainter painter(this);
    painter.fillRect(rect(), underMouse() ? l.card.darker(103) : l.card);
    painter.fillRect(QRect(0, 0, 1, height()), l.line);
    if (hasFocus()) {
        painter.setPen(QPen(l.accent, 1, Qt::DotLine));
        painter.drawRect(rect().adjusted(3, 2, -3, -3));
    }
    QFont name = font();
    name.setWeight(QFont::DemiBold);
    painter.setFont(name);
    painter.setPen(broken_ > 0 ? l.stop : l.ink);
    painter.translate(width(), 0);
    painter.rotate(90);
    painter.drawText(QRect(14, 0, height() - 20, width()), Qt::AlignLeft | Qt::AlignVCenter, text());
}

} // namespace wembrix::app
