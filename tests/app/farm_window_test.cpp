// A run on a farm, watched from its folder alone while it goes on.
#include "core/farm/farm.h"
#include "shell/farm_window.h"
#include "window_fixture.h"

#include <QProgressBar>

namespace wembrix::app {
namespace {

class WatchedFarm : public ::testing::Test {
  protected:
    void SetUp() override {
        farm.folder = std::filesystem::path(folder.path().toStdString()) / "run";
        farm.working_folder = folder.path().toStdString();
        farm.tries = 1;
        const char* done = R"(echo '{"deliveries": [{"deliverables": [{"state": "arrived"}, {"state": "held"}]}]}')";
        for (const char* script : {done, "echo no such take >&2; exit 2", done}) {
            farm.items.push_back({"piece_" + std::to_string(farm.items.size()), 10, {"-c", script}, {}});
        }
        ASSERT_TRUE(start_farm(farm).ok());
        window.show();
    }
    void run(int item) {
        const Result<bool> ran = run_item(farm, item, "/bin/sh");
        ASSERT_TRUE(ran.ok()) << ran.problem().sentence();
    }
    template <class T> T* child(const char* name) { return window.findChild<T*>(QString::fromUtf8(name)); }
    QString text(int row, int column) { return child<QTableWidget>("farmItems")->item(row, column)->text(); }
    QString state() { return child<QLabel>("farmState")->text(); }

    QTemporaryDir folder;
    Farm farm;
    FarmWindow window;
};

TEST_F(WatchedFarm, SaysHowFarItIsAndWhatFailed) {
    auto* where = child<QLineEdit>("farmFolder");
    where->setText(folder.path());
    QTest::keyClick(where, Qt::Key_Return);
    EXPECT_FALSE(child<QTableWidget>("farmItems")->isVisible()) << "there is no run in it: " << state().toStdString();
    run(0);
    where->setText(QString::fromStdString(farm.folder.string()));
    QTest::keyClick(where, Qt::Key_Return);
    ASSERT_TRUE(wait_for([&] { return state().contains("1 of 3 items done"); })) << state().toStdString();
    EXPECT_TRUE(state().contains("1 files arrived, 1 held")) << state().toStdString();
    EXPECT_TRUE(state().contains("10 of 30 takes")) << state().toStdString();
    EXPECT_EQ(child<QProgressBar>("farmProgress")->value(), 10);
    EXPECT_EQ(text(0, 0), "piece_0");
    EXPECT_EQ(text(0, 2), "done");
    EXPECT_EQ(text(1, 2), "waits");

    // It looks again by itself; what failed comes first, and tells what it complained of.
    run(1);
    run(2);
    ASSERT_TRUE(wait_for([&] { return state().contains("2 of 3 items done, 0 at work, 1 failed"); }, 20))
        << state().toStdString();
    EXPECT_EQ(text(0, 0), "piece_1");
    EXPECT_EQ(text(0, 2), "failed");
    auto* items = child<QTableWidget>("farmItems");
    QTest::mouseClick(items->viewport(), Qt::LeftButton, {}, items->visualItemRect(items->item(0, 0)).center());
    EXPECT_EQ(child<QLabel>("farmSaid")->text(), "no such take");
    if (const QString to = qEnvironmentVariable("WEMBRIX_DIALOG_SHOTS"); !to.isEmpty()) {
        window.grab().save(to + QStringLiteral("/farm.png"));
    }
    auto* filter = child<QComboBox>("farmFilter");
    filter->setCurrentIndex(1);
    EXPECT_EQ(items->rowCount(), 1);
    filter->setCurrentIndex(3);
    EXPECT_EQ(items->rowCount(), 0) << "nothing waits any more";
    EXPECT_TRUE(filter->isVisible());
}

} // namespace
} // namespace wembrix::app
