// All shortcuts of the window, in one place. The desktop's own stand for open, save, undo and the like.
#pragma once

#include <QKeySequence>
#include <QString>
#include <vector>

namespace wembrix::app {

enum class Shortcut {
    play,
    next_frame,
    previous_frame,
    first_frame,
    see_all,
    see_chosen,
    from_front,
    from_side,
    from_top,
    joints,
    surfaces,
    names,
    same_scale,
    side_by_side,
    overlaid,
    difference,
    picture,
    deliver_stale,
    fold_card,
    preferences,
    bring_in,
    palette,
};

struct ShortcutRow {
    Shortcut id;
    QKeySequence keys;
    QString what;
};
const std::vector<ShortcutRow>& shortcut_rows();
QKeySequence keys_of(Shortcut shortcut);
/// "Play or pause (Space)"
QString with_shortcut(const QString& text, Shortcut shortcut);

} // namespace wembrix::app
