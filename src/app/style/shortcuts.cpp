#include "style/shortcuts.h"

#include <QObject>

namespace wembrix::app {

const std::vector<ShortcutRow>& shortcut_rows() {
    static const std::vector<ShortcutRow> rows = {
        {Shortcut::play, QKeySequence(Qt::Key_Space), QObject::tr("Play or pause")},
        {Shortcut::next_frame, QKeySequence(Qt::Key_Period), QObject::tr("Next frame")},
        {Shortcut::previous_frame, QKeySequence(Qt::Key_Comma), QObject::tr("Previous frame")},
        {Shortcut::first_frame, QKeySequence(Qt::CTRL | Qt::Key_Home), QObject::tr("First frame")},
        {Shortcut::see_all, QKeySequence(Qt::CTRL | Qt::Key_E), QObject::tr("Frame all")},
        {Shortcut::see_chosen, QKeySequence(Qt::CTRL | Qt::SHIFT | Qt::Key_E), QObject::tr("Frame selection")},
        {Shortcut::from_front, QKeySequence(Qt::CTRL | Qt::Key_1), QObject::tr("Front")},
        {Shortcut::from_side, QKeySequence(Qt::CTRL | Qt::Key_2), QObject::tr("Left")},
        {Shortcut::from_top, QKeySequence(Qt::CTRL | Qt::Key_3), QObject::tr("Top")},
        {Shortcut::joints, QKeySequence(Qt::CTRL | Qt::Key_J), QObject::tr("Show or hide joints")},
        {Shortcut::surfaces, QKeySequence(Qt::CTRL | Qt::SHIFT | Qt::Key_J), QObject::tr("Show or hide surfaces")},
        {Shortcut::names, QKeySequence(Qt::CTRL | Qt::Key_L), QObject::tr("Show or hide the joints' names")},
        {Shortcut::side_by_side, QKeySequence(Qt::CTRL | Qt::Key_7), QObject::tr("Two states side by side")},
        {Shortcut::overlaid, QKeySequence(Qt::CTRL | Qt::Key_8), QObject::tr("One state drawn over the other")},
        {Shortcut::difference, QKeySequence(Qt::CTRL | Qt::Key_9), QObject::tr("How far two states are apart")},
        {Shortcut::picture, QKeySequence(Qt::CTRL | Qt::SHIFT | Qt::Key_P), QObject::tr("Save view as image")},
        {Shortcut::same_scale, QKeySequence(Qt::CTRL | Qt::Key_B), QObject::tr("Both panes at the same scale")},
        {Shortcut::deliver_stale, QKeySequence(Qt::CTRL | Qt::Key_Return),
         QObject::tr("Deliver all that is not up to date")},
        {Shortcut::fold_card, QKeySequence(Qt::CTRL | Qt::SHIFT | Qt::Key_R),
         QObject::tr("Fold the route card away or back")},
        {Shortcut::bring_in, QKeySequence(Qt::CTRL | Qt::SHIFT | Qt::Key_O), QObject::tr("Import files")},
        {Shortcut::palette, QKeySequence(Qt::CTRL | Qt::Key_K), QObject::tr("Go to or do: find everything by typing")},
        {Shortcut::preferences, QKeySequence(Qt::CTRL | Qt::Key_Comma), QObject::tr("Preferences")},
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
