#include "style/live_theme.h"

#include "style/settings_portal.h"
#include "style/theme_colours.h"

#include <QApplication>
#include <QDBusConnection>
#include <QLabel>
#include <QMap>
#include <QRegularExpression>
#include <QTableWidget>
#include <QTreeWidget>
#include <QWidget>

namespace wembrix::app {

namespace {

const QString group_of_look = QStringLiteral("org.freedesktop.appearance");
const QString key_of_scheme = QStringLiteral("color-scheme");

QMap<QString, QColor> colours_between(const Theme& from, const Theme& to) {
    QMap<QString, QColor> map;
    const std::vector<QColor> before = colours_of(from);
    const std::vector<QColor> after = colours_of(to);
    for (size_t i = 0; i < before.size(); ++i) {
        map.insert(before[i].name().mid(1), after[i]);
    }
    return map;
}

void recolour_item(const QMap<QString, QColor>& map, const QBrush& brush, const std::function<void(QColor)>& set) {
    if (brush.style() == Qt::NoBrush) {
        return;
    }
    const auto found = map.find(brush.color().name().mid(1));
    if (found != map.end()) {
        QColor colour = *found;
        colour.setAlpha(brush.color().alpha());
        set(colour);
    }
}

} // namespace

QString recoloured(const QString& text, const Theme& from, const Theme& to) {
    const QMap<QString, QColor> map = colours_between(from, to);
    // "#rrggbb", or "#aarrggbb" whose first two stay.
    static const QRegularExpression colour(QStringLiteral("#([0-9a-f]{2})?([0-9a-f]{6})(?![0-9a-f])"));
    QString out;
    qsizetype done = 0;
    for (QRegularExpressionMatchIterator all = colour.globalMatch(text); all.hasNext();) {
        const QRegularExpressionMatch one = all.next();
        const auto found = map.find(one.captured(2));
        if (found != map.end()) {
            out += text.mid(done, one.capturedStart(2) - done) + found->name().mid(1);
            done = one.capturedEnd(2);
        }
    }
    return done == 0 ? text : out + text.mid(done);
}

void recolour(QWidget& widget, const Theme& from, const Theme& to) {
    const QMap<QString, QColor> map = colours_between(from, to);
    QList<QWidget*> all = widget.findChildren<QWidget*>();
    all.push_back(&widget);
    for (QWidget* one : all) {
        if (const QString sheet = one->styleSheet(); !sheet.isEmpty()) {
            if (const QString next = recoloured(sheet, from, to); next != sheet) {
                one->setStyleSheet(next);
            }
        }
        if (auto* label = qobject_cast<QLabel*>(one); label != nullptr && label->text().contains(QLatin1Char('#'))) {
            label->setText(recoloured(label->text(), from, to));
        }
        if (auto* tree = qobject_cast<QTreeWidget*>(one)) {
            for (QTreeWidgetItemIterator item(tree); *item != nullptr; ++item) {
                for (int column = 0; column < tree->columnCount(); ++column) {
                    recolour_item(map, (*item)->foreground(column),
                                  [&](const QColor& colour) { (*item)->setForeground(column, colour); });
                }
            }
        }
        if (auto* table = qobject_cast<QTableWidget*>(one)) {
            const QSignalBlocker quiet(table);
            for (int row = 0; row < table->rowCount(); ++row) {
                for (int column = 0; column < table->columnCount(); ++column) {
                    if (QTableWidgetItem* item = table->item(row, column)) {
                        recolour_item(map, item->foreground(),
                                      [&](const QColor& colour) { item->setForeground(colour); });
                    }
                }
            }
        }
        one->update();
    }
}

DesktopColours::DesktopColours(QObject* parent) : QObject(parent) {
    QDBusConnection bus = QDBusConnection::sessionBus();
    if (!bus.isConnected()) {
        return;
    }
    bus.connect(QString::fromLatin1(settings_portal), QString::fromLatin1(settings_portal_place),
                QString::fromLatin1(settings_portal_interface), QStringLiteral("SettingChanged"), this,
                SLOT(take(QDBusMessage)));
    // Before the first window: it is not to be light first and dark then.
    const uint scheme = desktop_setting(group_of_look, key_of_scheme).toUInt();
    if (scheme == 1 || scheme == 2) {
        dark_ = scheme == 1;
    }
}

void DesktopColours::take(const QDBusMessage& said) {
    const QList<QVariant> words = said.arguments();
    if (words.size() < 3 || words[0].toString() != group_of_look || words[1].toString() != key_of_scheme) {
        return;
    }
    const uint scheme = plain_setting(words[2]).toUInt();
    const std::optional<bool> before = dark_;
    dark_ = scheme == 1 || scheme == 2 ? std::optional<bool>(scheme == 1) : std::nullopt;
    if (dark_ != before) {
        Q_EMIT changed();
    }
}

namespace {
LiveTheme* the_one = nullptr;
} // namespace

LiveTheme* live_theme() {
    return the_one;
}

LiveTheme::LiveTheme(QApplication& application) : QObject(&application), application_(application) {
    the_one = this;
    connect(this, &QObject::destroyed, qApp, [] { the_one = nullptr; });
    desktop_says_dark(desktop_.is_dark());
    apply_theme(application_);
    connect(&desktop_, &DesktopColours::changed, this, [this] {
        desktop_says_dark(desktop_.is_dark());
        refresh();
    });
}

void LiveTheme::refresh() {
    const Theme before = theme();
    apply_theme(application_);
    if (theme().dark == before.dark) {
        return;
    }
    for (QWidget* top : QApplication::topLevelWidgets()) {
        recolour(*top, before, theme());
    }
    Q_EMIT changed();
}

} // namespace wembrix::app
