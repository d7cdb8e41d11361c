// The menu that a right click opens. It does not hold up what asked for it: while it is open the session goes on, and
// what was clicked on may be shown anew or be gone.
#pragma once

#include <QMenu>

namespace wembrix::app {

/// A menu over a widget, to be filled and opened by `popup`; it goes when it is closed, or with the widget.
inline QMenu* menu_of(QWidget& widget) {
    auto* menu = new QMenu(&widget);
    menu->setAttribute(Qt::WA_DeleteOnClose);
    return menu;
}

} // namespace wembrix::app
