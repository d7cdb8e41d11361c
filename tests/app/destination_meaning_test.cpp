// The destinations' window: conventions with their drawing, what a change makes of the job, and the team's library.
#include "bench_fixture.h"
#include "core/destination/team_library.h"
#include "session/library.h"
#include "shell/axes_drawing.h"
#include "shell/destinations_dialog.h"
#include "shell/foreseen_panel.h"

#include <QComboBox>
#include <QLabel>
#include <QLineEdit>
#include <QTemporaryDir>

namespace wembrix::app {
namespace {

class Meaning : public Bench {
  protected:
    void SetUp() override {
        Bench::SetUp();
        open_mended();
        shown_ = window->session().state();
        prepared = std::shared_ptr<const Scene>(shown_, &shown_->replay.prepared());
    }
    void TearDown() override {
        choose_team_folder({});
        Bench::TearDown();
    }
    std::shared_ptr<const SessionState> shown_;
    std::shared_ptr<const Scene> prepared;
};

TEST_F(Meaning, AConventionSetsAxesAndTheDrawingAndTheFiguresFollow) {
    DestinationsDialog dialog(built_in_destinations(), std::nullopt, {}, prepared);
    dialog.show();
    auto* foreseen = dialog.findChild<ForeseenPanel*>("foreseen");
    auto* drawing = dialog.findChild<AxesDrawing*>("axesDrawing");
    auto* convention = dialog.findChild<QComboBox*>("destination_convention");
    ASSERT_TRUE(wait_for([&] { return !foreseen->is_at_work(); }));
    EXPECT_FALSE(foreseen->text().contains("was "));
    // Z up in the first one: the tip of Z stands above the others.
    EXPECT_LT(drawing->tip_of(2).y(), std::min(drawing->tip_of(0).y(), drawing->tip_of(1).y()) - 20);
    const int y_up = convention->findText("Y up, front +Z, left-handed, 1 m");
    ASSERT_GE(y_up, 0);
    convention->setCurrentIndex(y_up);
    Q_EMIT convention->activated(y_up);
    EXPECT_LT(drawing->tip_of(1).y(), std::min(drawing->tip_of(0).y(), drawing->tip_of(2).y()) - 20);
    // Front to the lower left; of a left hand X goes to the character's right, which is left on the drawing.
    EXPECT_LT(drawing->tip_of(2).x(), drawing->width() / 2);
    EXPECT_LT(drawing->tip_of(0).x(), drawing->width() / 2);
    const Destination& now = dialog.destinations()[0];
    EXPECT_EQ(now.axes.handedness, Handedness::left);
    EXPECT_EQ(dialog.findChild<QComboBox*>("destination_up")->currentText(), "+Y");
    EXPECT_EQ(dialog.findChild<QComboBox*>("destination_handedness")->currentIndex(), 1);
    ASSERT_TRUE(wait_for([&] { return !foreseen->is_at_work(); }));
    EXPECT_TRUE(foreseen->text().contains("was 16")) << foreseen->text().toStdString(); // 161.8 u
    // A setting that is changed by hand makes it no convention of the list.
    auto* unit = dialog.findChild<QLineEdit*>("destination_unit_m");
    unit->selectAll();
    QTest::keyClicks(unit, "0.5");
    EXPECT_EQ(dialog.destinations()[0].axes.unit_m, 0.5);
}

TEST_F(Meaning, WhatTheTeamHasNewerIsSaidTakenAndNeverOverwrittenUnasked) {
    QTemporaryDir folder;
    choose_team_folder(folder.path());
    DestinationsDialog mine(built_in_destinations(), std::nullopt, {}, prepared);
    mine.show();
    auto* keep = mine.findChild<QPushButton*>("keepForTeam");
    ASSERT_TRUE(keep->isVisible());
    QTest::mouseClick(keep, Qt::LeftButton);
    EXPECT_EQ(mine.destinations()[0].revision, 1);
    EXPECT_FALSE(mine.findChild<QWidget*>("newerThere")->isVisible());
    // Somebody else goes on.
    Destination theirs = team_destinations(folder.path().toStdString()).at(0);
    theirs.influences = 3;
    ASSERT_TRUE(save_to_team(folder.path().toStdString(), theirs));
    DestinationsDialog later(mine.destinations(), std::nullopt, {}, prepared);
    later.show();
    EXPECT_TRUE(later.findChild<QWidget*>("newerThere")->isVisible());
    auto* again = later.findChild<QPushButton*>("keepForTeam");
    auto* influences = later.findChild<QLineEdit*>("destination_max_influences");
    influences->selectAll();
    QTest::keyClicks(influences, "6");
    QTest::mouseClick(again, Qt::LeftButton);
    EXPECT_FALSE(later.findChild<QLabel*>("destinationProblem")->text().isEmpty());
    EXPECT_EQ(team_destinations(folder.path().toStdString()).at(0).influences, 3);
    QTest::mouseClick(later.findChild<QPushButton*>("takeNewer"), Qt::LeftButton);
    EXPECT_EQ(later.destinations()[0].influences, 3);
    EXPECT_EQ(later.destinations()[0].revision, 2);
    EXPECT_FALSE(later.findChild<QWidget*>("newerThere")->isVisible());
    EXPECT_EQ(influences->text(), "3");
}

TEST_F(Meaning, WithoutATeamThereIsNothingOfIt) {
    DestinationsDialog dialog(built_in_destinations());
    dialog.show();
    EXPECT_FALSE(dialog.findChild<QPushButton*>("keepForTeam")->isVisible());
    EXPECT_FALSE(dialog.findChild<QWidget*>("newerThere")->isVisible());
}

} // namespace
} // namespace wembrix::app
