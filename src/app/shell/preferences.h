// What a person sets of the program itself, and what the program says of itself.
#pragma once

class QWidget;

namespace wembrix::app {

void edit_preferences(QWidget* parent);
void show_about(QWidget* parent);

} // namespace wembrix::app
