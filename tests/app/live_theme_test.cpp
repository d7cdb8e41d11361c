// Light and dark while the window is open: chosen, and followed where the desktop changes.
#include "bench_fixture.h"
#include "style/interface_size.h"
#include "style/live_theme.h"
#include "style/theme_colours.h"

#include <QDBusConnection>
#include <QDBusMessage>
#include <QDBusVariant>
#include <QDBusVirtualObject>
#include <QThread>
#include <map>

namespace wembrix::app {
namespace {

TEST(LiveTheme, EveryColourOfAThemeIsToldFromTheOthers) {
    for (const bool dark : {false, true}) {
        const std::vector<QColor> from = colours_of(theme_of(dark));
        const std::vector<QColor> to = colours_of(theme_of(!dark));
        ASSERT_EQ(from.size(), to.size());
        for (size_t i = 0; i < from.size(); ++i) {
            for (size_t k = i + 1; k < from.size(); ++k) {
                EXPECT_TRUE(from[i] != from[k] || to[i] == to[k])
                    << from[i].name().toStdString() << " stands for two, " << i << " and " << k;
            }
        }
    }
}

TEST(LiveTheme, ColoursInSheetsAndTextsAreTakenOver) {
    const Theme light = theme_of(false);
    const Theme dark = theme_of(true);
    const QString sheet =
        "color: " + light.soft.name() + "; background:" + light.card.name() + "; border: 1px #123456;";
    const QString there = recoloured(sheet, light, dark);
    EXPECT_EQ(there, "color: " + dark.soft.name() + "; background:" + dark.card.name() + "; border: 1px #123456;");
    EXPECT_EQ(recoloured(there, dark, light), sheet);
    const QString wash = "#3c" + light.selection.name().mid(1);
    EXPECT_EQ(recoloured(wash, light, dark), "#3c" + dark.selection.name().mid(1)) << "what shows through stays";
    EXPECT_EQ(recoloured("no colour at all, #12", light, dark), "no colour at all, #12");
    EXPECT_EQ(recoloured("", light, dark), "");
}

/// What is anywhere in the window in a colour of `unwanted` that the other theme does not have.
std::set<std::string> left_in(QWidget& window, const Theme& unwanted, const Theme& wanted) {
    std::set<std::string> left;
    for (QWidget* widget : window.findChildren<QWidget*>()) {
        QString text = widget->styleSheet();
        if (const auto* label = qobject_cast<QLabel*>(widget)) {
            text += label->text();
        }
        for (size_t i = 0; i < colours_of(unwanted).size(); ++i) {
            const QColor old = colours_of(unwanted)[i];
            const std::vector<QColor> now = colours_of(wanted);
            if (text.contains(old.name()) && std::find(now.begin(), now.end(), old) == now.end()) {
                left.insert(std::string(widget->metaObject()->className()) + " " + widget->objectName().toStdString());
            }
        }
    }
    return left;
}

TEST_F(Bench, TheWholeWindowGoesFromLightToDarkAndBack) {
    const Colours before = chosen_colours();
    choose_colours(Colours::light);
    live_theme()->refresh();
    open_cut();
    for (size_t station = 0; station < window->pages().size(); ++station) {
        window->choose_station(static_cast<int>(station));
        settle();
    }
    const QImage light = window->twin().right().view().grabFramebuffer();
    ASSERT_FALSE(theme().dark);
    choose_colours(Colours::dark);
    live_theme()->refresh();
    settle();
    EXPECT_TRUE(theme().dark);
    for (const std::string& one : left_in(*window, theme_of(false), theme_of(true))) {
        ADD_FAILURE() << one << " is still light";
    }
    EXPECT_NE(window->twin().right().view().grabFramebuffer(), light);
    // What is chosen, undone and open is as it was.
    EXPECT_TRUE(window->document().undo().canUndo());
    choose_colours(Colours::light);
    live_theme()->refresh();
    settle();
    for (const std::string& one : left_in(*window, theme_of(true), theme_of(false))) {
        ADD_FAILURE() << one << " is still dark";
    }
    choose_colours(before);
    live_theme()->refresh();
}

/// The desktop's settings portal, as far as it is asked here.
class Portal : public QDBusVirtualObject {
  public:
    std::map<QString, QVariant> settings = {{"org.freedesktop.appearance color-scheme", 1U}};
    [[nodiscard]] QString introspect(const QString&) const override { return {}; }
    bool handleMessage(const QDBusMessage& message, const QDBusConnection& bus) override {
        const QList<QVariant> asked = message.arguments();
        const auto found =
            asked.size() == 2 ? settings.find(asked[0].toString() + " " + asked[1].toString()) : settings.end();
        if (message.member() != "Read" || found == settings.end()) {
            return false;
        }
        const QVariant inner = QVariant::fromValue(QDBusVariant(found->second));
        return bus.send(message.createReply(QVariant::fromValue(QDBusVariant(inner))));
    }
};

TEST(LiveTheme, WhatTheDesktopSaysIsAskedAndFollowed) {
    if (!QDBusConnection::sessionBus().isConnected()) {
        GTEST_SKIP() << "no session bus: dbus-run-session";
    }
    // It answers from a thread of its own, as another program would.
    QThread thread;
    Portal portal;
    portal.moveToThread(&thread);
    thread.start();
    const QString place = "/org/freedesktop/portal/desktop";
    bool is_there = false;
    QMetaObject::invokeMethod(
        &portal,
        [&] {
            QDBusConnection bus = QDBusConnection::connectToBus(QDBusConnection::SessionBus, "portal of the test");
            is_there =
                bus.registerVirtualObject(place, &portal) && bus.registerService("org.freedesktop.portal.Desktop");
        },
        Qt::BlockingQueuedConnection);
    ASSERT_TRUE(is_there);
    QTest::qWait(100); // until it is known here who answers under that name
    const auto tell = [&](const QString& group, const QString& key, uint scheme) {
        QMetaObject::invokeMethod(
            &portal,
            [&] {
                QDBusMessage signal =
                    QDBusMessage::createSignal(place, "org.freedesktop.portal.Settings", "SettingChanged");
                signal << group << key << QVariant::fromValue(QDBusVariant(scheme));
                QDBusConnection("portal of the test").send(signal);
            },
            Qt::BlockingQueuedConnection);
    };
    {
        DesktopColours desktop;
        EXPECT_EQ(desktop.is_dark(), true) << "asked at the start";
        int changes = 0;
        QObject::connect(&desktop, &DesktopColours::changed, [&] { ++changes; });
        tell("org.freedesktop.appearance", "color-scheme", 2);
        EXPECT_TRUE(wait_for([&] { return changes == 1; }, 10));
        EXPECT_EQ(desktop.is_dark(), false);
        tell("org.freedesktop.appearance", "accent-color", 1);
        tell("org.gnome.desktop.interface", "color-scheme", 1);
        tell("org.freedesktop.appearance", "color-scheme", 0);
        EXPECT_TRUE(wait_for([&] { return changes == 2; }, 10));
        EXPECT_EQ(desktop.is_dark(), std::nullopt) << "no preference";
        EXPECT_EQ(changes, 2) << "what speaks of something else changes nothing";
    }
    // How large its text is: the one desktop's way to say so, and the other's.
    EXPECT_EQ(desktop_text_scale(), 1);
    const auto set = [&](const char* what, const QVariant& value) {
        QMetaObject::invokeMethod(
            &portal, [&] { portal.settings[QString::fromUtf8(what)] = value; }, Qt::BlockingQueuedConnection);
    };
    set("org.kde.kdeglobals.General font", QString("Noto Sans,12,-1,5,50,0,0,0,0,0"));
    EXPECT_NEAR(desktop_text_scale(), 1.2, 1e-9);
    set("org.gnome.desktop.interface font-name", QString("Cantarell 11"));
    EXPECT_NEAR(desktop_text_scale(), 1, 1e-9);
    set("org.gnome.desktop.interface text-scaling-factor", 1.25);
    EXPECT_NEAR(desktop_text_scale(), 1.25, 1e-9);
    set("org.gnome.desktop.interface text-scaling-factor", 50.0);
    EXPECT_NEAR(interface_scale(), chosen_size() == 0 ? 3 : chosen_size() / 100.0, 1e-9) << "within bounds";
    QMetaObject::invokeMethod(
        &portal, [] { QDBusConnection::disconnectFromBus("portal of the test"); }, Qt::BlockingQueuedConnection);
    thread.quit();
    thread.wait();
}

TEST(LiveTheme, WithoutAPortalNothingIsKnown) {
    const DesktopColours desktop;
    EXPECT_EQ(desktop.is_dark(), std::nullopt);
    EXPECT_EQ(desktop_text_scale(), 1);
}

TEST(InterfaceSize, AFontSaysHowLargeItIsInEitherForm) {
    EXPECT_NEAR(*font_scale("Cantarell 11", 11), 1, 1e-9);
    EXPECT_NEAR(*font_scale("Ubuntu Condensed Bold 16.5", 11), 1.5, 1e-9);
    EXPECT_NEAR(*font_scale("Noto Sans,10,-1,5,50,0,0,0,0,0", 10), 1, 1e-9);
    EXPECT_NEAR(*font_scale("Noto Sans,12.5", 10), 1.25, 1e-9);
    for (const char* odd : {"", "Cantarell", "Cantarell 0", "Cantarell 900", "Noto Sans,-1", "11", ",,", "A -5"}) {
        EXPECT_FALSE(font_scale(odd, 11).has_value()) << odd;
    }
}

TEST(InterfaceSize, WhatAPersonChoseGoesFirst) {
    const int before = chosen_size();
    choose_size(150);
    EXPECT_EQ(chosen_size(), 150);
    EXPECT_NEAR(interface_scale(), 1.5, 1e-9);
    choose_size(9000);
    EXPECT_EQ(chosen_size(), 0) << "what no one can have chosen is not taken";
    choose_size(before);
}

} // namespace
} // namespace wembrix::app
