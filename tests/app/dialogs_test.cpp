// The view in its three ways, the destinations, the guide.
#include "bench_fixture.h"
#include "session/library.h"
#include "shell/destinations_dialog.h"
#include "shell/guide_window.h"
#include "shell/preferences.h"
#include "style/theme.h"

#include <QDialogButtonBox>
#include <QMenuBar>
#include <QMessageBox>
#include <QStandardPaths>
#include <QTextBrowser>
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
    guide.show_page(QStringLiteral("takes"));
    auto* browser = guide.findChild<QTextBrowser*>("guideText");
    for (const char* picture : {"takes.png", "takes-curves.png"}) {
        const QVariant shown = browser->loadResource(QTextDocument::ImageResource, QUrl(QString::fromUtf8(picture)));
        EXPECT_GT(shown.value<QImage>().height(), 100) << picture;
    }
}

TEST_F(Bench, PreferencesAreKept) {
    const Colours before = chosen_colours();
    const auto choose = [&](const char* wanted, QDialogButtonBox::StandardButton button) {
        QTimer::singleShot(0, window.get(), [&] {
            auto* dialog = window->findChild<QDialog*>("preferences");
            ASSERT_NE(dialog, nullptr);
            QTest::keyClicks(dialog->findChild<QComboBox*>("colours"), QString::fromUtf8(wanted));
            QTest::mouseClick(dialog->findChild<QDialogButtonBox*>()->button(button), Qt::LeftButton);
        });
        edit_preferences(window.get());
    };
    choose("Dark", QDialogButtonBox::Ok);
    EXPECT_EQ(chosen_colours(), Colours::dark);
    choose("Light", QDialogButtonBox::Cancel);
    EXPECT_EQ(chosen_colours(), Colours::dark) << "cancelled";
    choose("As", QDialogButtonBox::Ok);
    EXPECT_EQ(chosen_colours(), Colours::desktop);
    choose_colours(before);
}

TEST_F(Bench, EveryItemOfAMenuHasALetterOfItsOwn) {
    for (const QAction* top : window->menuBar()->actions()) {
        std::set<QChar> taken;
        for (const QAction* item : top->menu()->actions()) {
            const qsizetype at = item->text().indexOf('&');
            const bool of_a_list = item->menu() != nullptr || item->shortcut().toString().startsWith("Alt+");
            EXPECT_TRUE(item->isSeparator() || of_a_list || at >= 0) << item->text().toStdString();
            if (at >= 0) {
                EXPECT_TRUE(taken.insert(item->text().at(at + 1).toLower()).second) << item->text().toStdString();
            }
        }
    }
}

TEST_F(Bench, TheMenuSaysWhichWayOfShowingIsOn) {
    const auto on = [&](const QString& text) {
        for (const QAction* top : window->menuBar()->actions()) {
            for (const QAction* item : top->menu()->actions()) {
                if (QString(item->text()).remove('&') == text) {
                    return item->isCheckable() && item->isChecked();
                }
            }
        }
        ADD_FAILURE() << text.toStdString();
        return false;
    };
    EXPECT_TRUE(on("Two states side by side"));
    QTest::keySequence(window.get(), keys_of(Shortcut::overlaid));
    EXPECT_EQ(window->twin().mode(), TwinMode::overlaid);
    EXPECT_TRUE(on("One over the other"));
    EXPECT_FALSE(on("Two states side by side"));
    window->twin().set_mode(TwinMode::side_by_side);
    EXPECT_TRUE(on("Two states side by side"));
}

} // namespace
} // namespace wembrix::app
