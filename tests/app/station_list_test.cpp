// The window knows the list of stations, not the pages: one more is its class and its row.
#include "shell/main_window.h"
#include "style/shortcuts.h"

#include <QLabel>
#include <QVBoxLayout>
#include <gtest/gtest.h>
#include <set>

namespace wembrix::app {
namespace {

/// A station with nothing on it.
class EmptyPage : public StationPage {
  public:
    EmptyPage(const StationContext&, QWidget* parent) : StationPage(parent) {
        auto* column = new QVBoxLayout(this);
        column->addWidget(offer(QStringLiteral("Nothing stands here."), this));
    }
    void take_view(TwinView& twin) override { layout()->addWidget(&twin); }
    void go_to(const Finding& finding) override { asked_ = finding.id; }
    [[nodiscard]] const std::string& asked() const { return asked_; }

  private:
    std::string asked_;
};

TEST(Stations, OneMoreIsItsPageAndItsRow) {
    std::vector<StationKind> kinds = station_kinds();
    kinds.insert(kinds.begin() + 4, {"lab", 7, "Lab", "What is tried out", true, false,
                                     [](const StationContext& context, QWidget* parent) -> StationPage* {
                                         return new EmptyPage(context, parent);
                                     }});
    MainWindow window(kinds);
    ASSERT_EQ(window.pages().size(), station_kinds().size() + 1);
    EXPECT_NE(window.findChild<RailButton*>(QStringLiteral("stationLab")), nullptr);
    window.choose_station("lab");
    EXPECT_EQ(window.station(), 4);
    EXPECT_TRUE(window.card().isHidden()) << "its row says that the card begins folded there";
    window.choose_station("deliver");
    EXPECT_EQ(window.station(), 6);
    // Its shortcut is in the menu, and its findings wait in it.
    bool in_menu = false;
    for (const QAction* action : window.findChildren<QAction*>()) {
        in_menu = in_menu || action->shortcut() == QKeySequence(Qt::ALT | Qt::Key_7);
    }
    EXPECT_TRUE(in_menu);
    SessionState state;
    Finding finding;
    finding.id = "thin_air";
    finding.station = "lab";
    finding.grade = Grade::stop;
    state.findings = {finding};
    EXPECT_EQ(window.pages()[4]->waits(state).text.toStdString(), "1 stop");
    EXPECT_EQ(window.pages()[1]->waits(state).text.toStdString(), "✓");
}

TEST(Stations, EveryFindingIsOfAStationThatThereIs) {
    for (const FindingKind& kind : finding_kinds()) {
        EXPECT_TRUE(std::any_of(station_kinds().begin(), station_kinds().end(), [&](const StationKind& station) {
            return kind.station == station.id;
        })) << kind.id;
    }
}

TEST(Stations, NumbersIdsAndShortcutsDiffer) {
    std::set<int> numbers;
    std::set<std::string> ids;
    for (const StationKind& kind : station_kinds()) {
        EXPECT_TRUE(numbers.insert(kind.number).second) << kind.id;
        EXPECT_TRUE(ids.insert(kind.id).second) << kind.id;
        for (const ShortcutRow& row : shortcut_rows()) {
            EXPECT_NE(row.keys, kind.keys()) << kind.id;
        }
    }
}

} // namespace
} // namespace wembrix::app
