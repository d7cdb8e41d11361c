// The view in its three ways, the destinations, the guide.
#include "bench_fixture.h"
#include "session/library.h"
#include "shell/destinations_dialog.h"
#include "shell/guide_window.h"

#include <QStandardPaths>
#include <set>

namespace wembrix::app {
namespace {

TEST_F(Bench, TheViewShowsTwoStatesInThreeWays) {
    open_mended();
    TwinView& twin = window->twin();
    EXPECT_TRUE(twin.left().isVisible());
    QTest::mouseClick(child<QPushButton>("difference"), Qt::LeftButton);
    ASSERT_TRUE(wait_for([&] { return twin.right().view().difference() != nullptr; }));
    EXPECT_FALSE(twin.left().isVisible());
    EXPECT_TRUE(twin.right().view().difference()->compares_anything());
    EXPECT_LT(twin.right().view().difference()->largest(), 0.5) << "mended, not moved";
    QTest::mouseClick(child<QPushButton>("overlaid"), Qt::LeftButton);
    ASSERT_TRUE(
        wait_for([&] { return twin.right().view().is_ready() && twin.right().view().difference() == nullptr; }));
    QTest::mouseClick(child<QPushButton>("sideBySide"), Qt::LeftButton);
    EXPECT_TRUE(twin.left().isVisible());
    settle();
    const QImage picture = twin.picture();
    EXPECT_GT(picture.width(), 400);
    EXPECT_GT(picture.height(), 200);
    // Arrived can stand there too, once something has.
    window->runner().deliver_cells(window->board().due());
    ASSERT_TRUE(wait_for([&] { return !window->runner().is_running(); }));
    twin.left().choose_state(State::arrived);
    Q_EMIT twin.left().stateChosen(State::arrived);
    ASSERT_TRUE(wait_for([&] { return twin.left().view().is_ready() && twin.left().view().posed() != nullptr; }));
    EXPECT_EQ(twin.left().view().posed()->scene().clips.size(), 0U) << "the model in its rest pose";
}

TEST_F(Bench, DestinationsAreExplainedCheckedResetAndKept) {
    DestinationsDialog dialog(built_in_destinations());
    dialog.show();
    auto* influences = dialog.findChild<QLineEdit*>("destination_max_influences");
    auto* problem = dialog.findChild<QLabel*>("destinationProblem");
    auto* use = dialog.findChild<QPushButton*>("go");
    influences->clear();
    QTest::keyClicks(influences, "0");
    EXPECT_FALSE(problem->text().isEmpty());
    EXPECT_FALSE(use->isEnabled());
    influences->clear();
    QTest::keyClicks(influences, "8");
    EXPECT_TRUE(use->isEnabled()) << problem->text().toStdString();
    EXPECT_EQ(dialog.destinations()[0].influences, 8);
    QTest::mouseClick(dialog.findChild<QPushButton*>("resetDestination"), Qt::LeftButton);
    EXPECT_EQ(dialog.destinations()[0].influences, 4);
    auto* name = dialog.findChild<QLineEdit*>("destination_name");
    name->clear();
    QTest::keyClicks(name, "Lantern web view");
    EXPECT_TRUE(problem->text().contains("Another destination"));
    name->clear();
    QTest::keyClicks(name, "Harbour handheld");
    QTest::mouseClick(dialog.findChild<QPushButton*>("keepDestination"), Qt::LeftButton);
    ASSERT_TRUE(from_library("Harbour handheld").has_value());
    EXPECT_EQ(dialog.destinations()[0].name, "Harbour handheld");
    QFile::remove(QStandardPaths::writableLocation(QStandardPaths::AppDataLocation) +
                  "/destinations/Harbour_handheld.destination.json");
    EXPECT_FALSE(from_library("Harbour handheld").has_value());
}

TEST_F(Bench, TheGuideIsInTheProgram) {
    GuideWindow guide;
    std::set<QString> seen;
    for (const char* page :
         {"README", "intake", "joints", "takes", "deliver", "route-card", "view", "job", "findings"}) {
        guide.show_page(QString::fromUtf8(page));
        EXPECT_GT(guide.text().size(), 300) << page;
        EXPECT_TRUE(seen.insert(guide.text()).second) << page << " shows the page before it";
        EXPECT_TRUE(page == std::string("README") || guide.text().contains("Why")) << page;
    }
}

} // namespace
} // namespace wembrix::app
