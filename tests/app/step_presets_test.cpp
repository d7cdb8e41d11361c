// Steps that are kept for other jobs, and cards that go from one job to another.
#include "bench_fixture.h"
#include "session/library.h"
#include "session/step_presets.h"
#include "shell/route_card.h"
#include "shell/step_chooser.h"

#include <QClipboard>
#include <QDir>
#include <QInputDialog>
#include <QMessageBox>
#include <QSettings>
#include <QStandardPaths>
#include <QTemporaryDir>
#include <QTreeWidget>

namespace wembrix::app {
namespace {

class Presets : public Bench {
  protected:
    void SetUp() override {
        Bench::SetUp();
        QDir(QStandardPaths::writableLocation(QStandardPaths::AppDataLocation) + "/presets").removeRecursively();
        choose_team_folder(team.path());
    }
    void TearDown() override {
        choose_team_folder({});
        Bench::TearDown();
    }
    /// Gives the dialog that comes next a name.
    void answer(const QString& name) {
        QTimer::singleShot(0, window.get(), [name] {
            auto* dialog = qobject_cast<QInputDialog*>(QApplication::activeModalWidget());
            ASSERT_NE(dialog, nullptr);
            dialog->setTextValue(name);
            dialog->accept();
        });
    }
    QTemporaryDir team;
};

TEST_F(Presets, AreKeptFoundAmongTheStepsAndGoOntoAnotherCard) {
    open_mended();
    const std::vector<Step> card = window->document().job().steps;
    answer("Heron mending");
    window->card().keep_as_preset(card, false);
    answer("For all of us");
    window->card().keep_as_preset({{"scale", {{"factor", 0.01}}}}, true);
    const std::vector<StepPreset> kept = step_presets();
    ASSERT_EQ(kept.size(), 2U);
    EXPECT_EQ(kept[0].name, "Heron mending");
    EXPECT_EQ(kept[0].steps, card);
    EXPECT_TRUE(kept[1].is_of_team);
    EXPECT_TRUE(QFile::exists(team.path() + "/presets/For_all_of_us.card.json"));
    // Among all kinds of steps, found by typing.
    window->document().edit("empty", [](Job& job) { job.steps.clear(); });
    settle();
    QTimer::singleShot(0, window.get(), [] {
        auto* chooser = qobject_cast<StepChooser*>(QApplication::activeModalWidget());
        ASSERT_NE(chooser, nullptr);
        QTest::keyClicks(chooser->findChild<QLineEdit*>("stepSearch"), "heron mend");
        ASSERT_TRUE(chooser->chosen_preset().has_value());
        QTest::mouseClick(chooser->findChild<QPushButton*>("go"), Qt::LeftButton);
    });
    window->card().choose_step();
    EXPECT_EQ(window->document().job().steps, card) << "in their order, with all that is set of them";
    window->document().undo().undo();
    EXPECT_TRUE(window->document().job().steps.empty()) << "one to undo";
}

TEST_F(Presets, WhatWasMadeByHandOnOneJobIsNotKept) {
    Step painted{"paint_weights"};
    painted.data["0123"] = std::make_shared<const std::string>("strokes");
    EXPECT_TRUE(save_preset("mine", {painted}, false).contains("made by hand"));
    EXPECT_FALSE(save_preset(" ", {{"scale"}}, false).isEmpty());
    EXPECT_FALSE(save_preset("nothing", {}, false).isEmpty());
    EXPECT_TRUE(step_presets().empty());
    // A file that is none is passed over.
    QDir().mkpath(team.path() + "/presets");
    QFile broken(team.path() + "/presets/broken.card.json");
    ASSERT_TRUE(broken.open(QIODevice::WriteOnly));
    broken.write("[[[");
    broken.close();
    EXPECT_TRUE(step_presets().empty());
}

TEST_F(Presets, ACardIsCopiedAsTextAndPasted) {
    open_mended();
    const std::vector<Step> card = window->document().job().steps;
    window->card().copy_all();
    EXPECT_EQ(card_from_text(QApplication::clipboard()->text()), card);
    window->document().edit("empty", [](Job& job) { job.steps.clear(); });
    settle();
    window->card().paste();
    EXPECT_EQ(window->document().job().steps, card);
    QApplication::clipboard()->setText("no card at all");
    window->card().paste();
    EXPECT_EQ(window->document().job().steps, card) << "nothing comes of other text";
}

} // namespace
} // namespace wembrix::app
