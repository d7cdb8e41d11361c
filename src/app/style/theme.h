// The colours and type of the window: one place, light and dark.
#pragma once

#include "core/findings/finding.h"

#include <QColor>
#include <QString>

class QApplication;

namespace wembrix::app {

enum class State { received, prepared, arrived };

struct Theme {
    QColor ground, card, line, ink, soft, accent, on_accent;
    QColor received, prepared, arrived;
    QColor selection;
    QColor stop, stop_ground, look, look_ground, note, note_ground, well, well_ground;
    QColor sky_top, sky_bottom, grid, clay, edge, left_side, right_side;
    bool dark = false;

    [[nodiscard]] QColor of(State state) const;
    [[nodiscard]] QColor of(Grade grade) const;
    [[nodiscard]] QColor ground_of(Grade grade) const;
};

/// The look in force.
const Theme& theme();
QString state_name(State state); ///< for people
QString state_id(State state);   ///< "prepared"

/// Asks for the OpenGL that the view needs; to be called before the application is made.
void prepare_graphics();

enum class Colours { desktop, light, dark };
/// What the person chose; the desktop's until they do.
Colours chosen_colours();
void choose_colours(Colours colours);

/// Takes light or dark as chosen, and sets font and style sheet.
void apply_theme(QApplication& application);

} // namespace wembrix::app
