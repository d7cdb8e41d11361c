// What the desktop says of itself through the settings portal of the XDG desktop specifications.
#pragma once

#include <QString>
#include <QVariant>

namespace wembrix::app {

/// Where it is on the session bus.
extern const char* const settings_portal;
extern const char* const settings_portal_place;
extern const char* const settings_portal_interface;

/// The value of a setting; invalid where there is no portal, no such setting, or no answer within 60 ms.
QVariant desktop_setting(const QString& group, const QString& key);
/// A variant out of the variants it lies in, as the older of the two ways to ask answers.
QVariant plain_setting(QVariant value);

} // namespace wembrix::app
