#include "shell/shortcuts.h"

#include <QObject>

namespace wembrix::app {

const std::vector<ShortcutRow>& shortcut_rows() {
    static const std::vector<ShortcutRow> rows = {
        {Shortcut::play, QKeySequence(Qt::Key_Space), QObject::tr("Play or pause")},
        {Shortcut::next_frame, QKeySequence(Qt::Key_Period), QObject::tr("One frame on")},
        {Shortcut::previous_frame, QKeySequence(Qt::Key_Comma), QObject::tr("One frame back")},
        {Shortcut::first_frame, QKeySequence(Qt::CTRL | Qt::Key_Comma), QObject::tr("To the first frame")},
        {Shortcut::see_all, QKeySequence(Qt::CTRL | Qt::Key_E), QObject::tr("See all of the character")},
        {Shortcut::from_front, QKeySequence(Qt::CTRL | Qt::Key_1), QObject::tr("Look from the front")},
        {Shortcut::from_side, QKeySequence(Qt::CTRL | Qt::Key_2), QObject::tr("Look from its left side")},
        {Shortcut::joints, QKeySequence(Qt::CTRL | Qt::Key_J), QObject::tr("Show or hide joints")},
        {Shortcut::same_scale, QKeySequence(Qt::CTRL | Qt::Key_B), QObject::tr("Both panes at the same scale")},
        {Shortcut::intake, QKeySequence(Qt::ALT | Qt::Key_1), QObject::tr("Station: intake")},
        {Shortcut::deliver_station, QKeySequence(Qt::ALT | Qt::Key_6), QObject::tr("Station: deliver")},
        {Shortcut::deliver_stale, QKeySequence(Qt::CTRL | Qt::Key_Return),
         QObject::tr("Deliver all that is not up to date")},
        {Shortcut::fold_card, QKeySequence(Qt::CTRL | Qt::Key_R), QObject::tr("Fold the route card away or back")},
    };
    return rows;
}

QKeySequence keys_of(Shortcut shortcut) {
    for (const ShortcutRow& row : shortcut_rows()) {
        if (row.id == shortcut) {
            return row.keys;
        }
    }
    return {};
}

QString with_shortcut(const QString& text, Shortcut shortcut) {
    return QStringLiteral("%1 (%2)").arg(text, keys_of(shortcut).toString(QKeySequence::NativeText));
}

} // namespace wembrix::app
