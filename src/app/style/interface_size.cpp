#include "style/interface_size.h"

#include "style/settings_portal.h"

#include <QCoreApplication>
#include <QRegularExpression>
#include <QSettings>
#include <algorithm>

namespace wembrix::app {

int chosen_size() {
    const int percent = QSettings().value(QStringLiteral("size"), 0).toInt();
    return percent >= 75 && percent <= 300 ? percent : 0;
}

void choose_size(int percent) {
    QSettings().setValue(QStringLiteral("size"), percent);
}

std::optional<double> font_scale(const QString& font, double usual_points) {
    // The size ends the one form, and follows the family in the other.
    static const QRegularExpression with_commas(QStringLiteral("^[^,]+,([0-9]+(?:\\.[0-9]+)?)(?:,|$)"));
    static const QRegularExpression at_end(QStringLiteral(" ([0-9]+(?:\\.[0-9]+)?)$"));
    for (const QRegularExpression& form : {with_commas, at_end}) {
        const QRegularExpressionMatch match = form.match(font.trimmed());
        const double points = match.hasMatch() ? match.captured(1).toDouble() : 0;
        if (points >= 4 && points <= 72) {
            return points / usual_points;
        }
    }
    return std::nullopt;
}

double desktop_text_scale() {
    const QString gnome = QStringLiteral("org.gnome.desktop.interface");
    double scale = 1;
    if (const QVariant font = desktop_setting(gnome, QStringLiteral("font-name")); font.isValid()) {
        scale = font_scale(font.toString(), 11).value_or(1);
        const double factor = desktop_setting(gnome, QStringLiteral("text-scaling-factor")).toDouble();
        scale *= factor > 0 ? factor : 1;
    } else if (const QVariant kde =
                   desktop_setting(QStringLiteral("org.kde.kdeglobals.General"), QStringLiteral("font"));
               kde.isValid()) {
        scale = font_scale(kde.toString(), 10).value_or(1);
    }
    return scale;
}

double interface_scale() {
    const int percent = chosen_size();
    return std::clamp(percent > 0 ? percent / 100.0 : desktop_text_scale(), 0.75, 3.0);
}

void scale_interface(int count, char** arguments) {
    if (qEnvironmentVariableIsSet("QT_SCALE_FACTOR")) {
        return;
    }
    // Settings and the session bus need an application; the one of the windows takes its scale when it is made.
    int given = count;
    const QCoreApplication asking(given, arguments);
    QCoreApplication::setApplicationName(QStringLiteral("wembrix"));
    if (const double scale = interface_scale(); scale != 1) {
        qputenv("QT_SCALE_FACTOR", QByteArray::number(scale, 'g', 4));
    }
}

} // namespace wembrix::app
