// What a widget paints by itself and a screen reader would not see: rows, spans, keys, joints. Each is told with its
// name, its place and whether it is chosen, and can be pressed where a click would choose it.
#pragma once

#include <QAccessible>
#include <QRect>
#include <QString>
#include <functional>

class QWidget;

namespace wembrix::app {

struct PaintedPart {
    QString name;
    QRect place; ///< in the widget's pixels; empty: not in sight
    bool is_chosen = false;
};

struct PaintedParts {
    QAccessible::Role role = QAccessible::List;
    QAccessible::Role part_role = QAccessible::ListItem;
    std::function<int()> count = [] { return 0; };
    std::function<PaintedPart(int place)> part;                ///< below count()
    std::function<void(int place)> press;                      ///< as a click on it does; none: it only shows
    std::function<QString()> value = [] { return QString(); }; ///< of the whole: what a curve says, what is shown
};

/// From now on the widget's accessible interface has these parts as its children, before its child widgets. To be
/// called where the widget is made: who has asked for the interface before holds one that is gone.
void tell_parts(QWidget& widget, PaintedParts parts);

} // namespace wembrix::app
