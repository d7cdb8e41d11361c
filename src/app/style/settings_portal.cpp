#include "style/settings_portal.h"

#include <QDBusConnection>
#include <QDBusMessage>
#include <QDBusVariant>

namespace wembrix::app {

const char* const settings_portal = "org.freedesktop.portal.Desktop";
const char* const settings_portal_place = "/org/freedesktop/portal/desktop";
const char* const settings_portal_interface = "org.freedesktop.portal.Settings";

QVariant plain_setting(QVariant value) {
    while (value.canConvert<QDBusVariant>()) {
        value = value.value<QDBusVariant>().variant();
    }
    return value;
}

QVariant desktop_setting(const QString& group, const QString& key) {
    QDBusConnection bus = QDBusConnection::sessionBus();
    if (!bus.isConnected()) {
        return {};
    }
    QDBusMessage ask =
        QDBusMessage::createMethodCall(QString::fromLatin1(settings_portal), QString::fromLatin1(settings_portal_place),
                                       QString::fromLatin1(settings_portal_interface), QStringLiteral("Read"));
    ask << group << key;
    constexpr int most_milliseconds = 60;
    const QDBusMessage answer = bus.call(ask, QDBus::Block, most_milliseconds);
    return answer.type() == QDBusMessage::ReplyMessage && !answer.arguments().isEmpty()
               ? plain_setting(answer.arguments().first())
               : QVariant();
}

} // namespace wembrix::app
