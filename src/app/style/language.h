// The language of the window. English is that of the code; a dictionary holds each other one: the window's own
// sentences, and the core's, which come as patterns with their arguments and are put together here.
#pragma once

#include "core/base/text.h"

#include <QString>
#include <string_view>
#include <vector>

class QCoreApplication;

namespace wembrix::app {

struct Language {
    QString code; ///< "de"
    QString name; ///< in itself: "Deutsch"
};
/// All there are, English first.
const std::vector<Language>& languages();

/// Empty: as the desktop has it.
QString chosen_language();
void choose_language(const QString& code);
/// The code of the one that a window begun now has.
QString language_to_use();

/// Has every window that is made from now on speak it, and numbers on the screen written as it writes them.
void use_language(QCoreApplication& application, const QString& code);
/// The code of the one in use.
QString language_in_use();

/// What the core says, in the language in use.
QString localized(const Text& text);
/// Words that the core has as plain strings: labels, units, choices.
QString localized(const std::string& label);
QString localized(std::string_view label);
QString localized(const char* label);

} // namespace wembrix::app
