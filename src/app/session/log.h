// What the program did, kept in a file of the person's: for those who help when something went wrong.
#pragma once

#include <QString>

namespace wembrix::app {

/// Begins it in `folder`: files of a megabyte, three of them, and a note of each crash. `level`: "off", "warning",
/// "info" or "debug"; any other is "info". Without this call nothing is kept.
void begin_log(const QString& folder, const QString& level);
/// Ends it; what was said is in the file then.
void end_log();
/// $XDG_STATE_HOME/wembrix, else ~/.local/state/wembrix.
QString log_folder();
/// The file that is written to; empty: none is.
QString log_file();

/// Home folders stand as "~" in all of them, whatever was said.
void log_debug(const QString& text);
void log_info(const QString& text);
void log_warning(const QString& text);

/// Every warning that is shown to the person, and Qt's own, from now on. Precondition: there is an application.
void log_what_is_shown();
/// When the program dies of a signal, a note with its version and where it was goes beside the log.
void note_crashes();
/// What the last run that died left, if one did; it is gone then.
QString take_crash_note();

} // namespace wembrix::app
