// What a screen reader is told, and whether what is written can be read.
#include "bench_fixture.h"
#include "stations/deliver/board_view.h"
#include "style/theme.h"

#include <QAbstractScrollArea>
#include <QAccessible>
#include <QScrollBar>
#include <cmath>

namespace wembrix::app {
namespace {

/// How far two colours are apart in lightness (WCAG 2.1, relative luminance).
double contrast(const QColor& a, const QColor& b) {
    const auto light = [](const QColor& colour) {
        const auto part = [](double value) {
            return value <= 0.03928 ? value / 12.92 : std::pow((value + 0.055) / 1.055, 2.4);
        };
        return 0.2126 * part(colour.redF()) + 0.7152 * part(colour.greenF()) + 0.0722 * part(colour.blueF());
    };
    const double x = light(a);
    const double y = light(b);
    return (std::max(x, y) + 0.05) / (std::min(x, y) + 0.05);
}

TEST_F(Bench, TextStandsOutFromWhatItStandsOnInLightAndDark) {
    const Colours before = chosen_colours();
    choose_colours(Colours::desktop);
    apply_theme(*qobject_cast<QApplication*>(QApplication::instance()));
    const bool was_dark = theme().dark;
    for (const Colours colours : {Colours::light, Colours::dark}) {
        choose_colours(colours);
        apply_theme(*qobject_cast<QApplication*>(QApplication::instance()));
        const Theme& look = theme();
        ASSERT_EQ(look.dark, colours == Colours::dark);
        struct Pair {
            const char* what;
            QColor text;
            QColor ground;
        };
        std::vector<Pair> pairs = {{"a button that is meant", look.on_accent, look.accent},
                                   {"a row that is chosen", look.ink, look.well_ground},
                                   {"a row of the palette", look.on_accent, look.prepared},
                                   {"what is selected in a view", look.selection, look.card}};
        for (const QColor& ground : {look.ground, look.card}) {
            for (const auto& [what, text] : {std::pair{"text", look.ink},
                                             {"soft text", look.soft},
                                             {"a link", look.accent},
                                             {"Received", look.received},
                                             {"Prepared", look.prepared},
                                             {"Arrived", look.arrived},
                                             {"stop", look.stop},
                                             {"look", look.look},
                                             {"note", look.note},
                                             {"well", look.well}}) {
                pairs.push_back({what, text, ground});
            }
        }
        for (const Grade grade : {Grade::stop, Grade::look, Grade::note}) {
            pairs.push_back({"a chip", look.of(grade), look.ground_of(grade)});
        }
        pairs.push_back({"a chip", look.well, look.well_ground});
        pairs.push_back({"what arrived", look.arrived, arrived_ground(look)});
        for (const Pair& pair : pairs) {
            EXPECT_GE(contrast(pair.text, pair.ground), 4.5)
                << pair.what << ", " << pair.text.name().toStdString() << " on " << pair.ground.name().toStdString()
                << (look.dark ? " in the dark" : " in the light");
        }
    }
    // From the dark back to what the desktop has.
    choose_colours(Colours::desktop);
    apply_theme(*qobject_cast<QApplication*>(QApplication::instance()));
    EXPECT_EQ(theme().dark, was_dark);
    choose_colours(before);
    apply_theme(*qobject_cast<QApplication*>(QApplication::instance()));
}

TEST_F(Bench, WhatTakesKeysHasANameForAScreenReader) {
    open_cut();
    std::set<std::string> nameless;
    for (size_t station = 0; station < window->pages().size(); ++station) {
        window->choose_station(static_cast<int>(station));
        settle();
        for (QWidget* widget : window->findChildren<QWidget*>()) {
            const bool is_inner = widget->objectName().startsWith("qt_") ||
                                  qobject_cast<QScrollBar*>(widget) != nullptr ||
                                  qobject_cast<QAbstractScrollArea*>(widget->parentWidget()) != nullptr;
            if (!widget->isVisible() || widget->focusPolicy() == Qt::NoFocus || is_inner) {
                continue;
            }
            const QAccessibleInterface* told = QAccessible::queryAccessibleInterface(widget);
            ASSERT_NE(told, nullptr);
            if (told->text(QAccessible::Name).trimmed().isEmpty()) {
                nameless.insert(std::string(widget->metaObject()->className()) + " " +
                                widget->objectName().toStdString() + " at " + window->pages()[station]->kind().id);
            }
        }
    }
    for (const std::string& one : nameless) {
        ADD_FAILURE() << one << " has no name";
    }
}

} // namespace
} // namespace wembrix::app
