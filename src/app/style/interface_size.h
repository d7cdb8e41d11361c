// How large text and controls are: as the person chose, else as the desktop has its text. The whole window is scaled,
// so that nothing in it has to fit another size of text.
#pragma once

#include <QString>
#include <optional>

namespace wembrix::app {

/// In percent; 0: as the desktop has it.
int chosen_size();
void choose_size(int percent);

/// How much larger than that desktop's own default the font of such a setting is: "Cantarell 14" by a default of 11;
/// "Noto Sans,12,-1,5,50,0,0,0,0,0" by one of 10. Nothing where it says no size.
std::optional<double> font_scale(const QString& font, double usual_points);
/// What the desktop's settings portal says of text, as a factor; 1 where it says nothing.
double desktop_text_scale();

/// The factor for a window that is about to be made, 0.75 to 3.
double interface_scale();
/// Has all windows of this process scaled so. To be called before the application is made; the environment's own
/// QT_SCALE_FACTOR goes first.
void scale_interface(int count, char** arguments);

} // namespace wembrix::app
