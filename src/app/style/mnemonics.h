// Letters that reach a field with Alt.
#pragma once

class QWidget;

namespace wembrix::app {

/// Gives each label that belongs to a field, and each tick and button, a letter of its own, as long as there are any:
/// the first letter of a word, else any other. What has one keeps it. For a window whose widgets are all made.
void give_mnemonics(QWidget& window);

} // namespace wembrix::app
