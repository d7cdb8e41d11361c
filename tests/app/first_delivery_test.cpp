// The first delivery, step by step, as a newcomer goes through it.
#include "bench_fixture.h"
#include "shell/first_delivery.h"

#include <QAbstractItemView>
#include <QPushButton>
#include <QSettings>

namespace wembrix::app {
namespace {

TEST_F(Bench, AFirstDeliveryGoesFromOpeningToHowItArrived) {
    QSettings().remove("firstDelivery/step");
    // From the empty window: one of the ways in.
    auto* way = window->findChild<QPushButton*>("firstLesson");
    ASSERT_NE(way, nullptr);
    EXPECT_TRUE(way->isVisible());
    EXPECT_TRUE(window->findChild<QPushButton*>("bringFolder")->isVisible());
    QTest::mouseClick(way, Qt::LeftButton);
    FirstDelivery& lesson = FirstDelivery::of(*window);
    const auto title = [&] { return lesson.findChild<QLabel*>("firstDeliveryTitle")->text(); };
    EXPECT_EQ(lesson.step(), 0);
    ASSERT_NE(lesson.target(), nullptr) << "the button that opens the demo is pointed at";
    open();
    ASSERT_TRUE(wait_for([&] { return lesson.step() == 1; }));
    EXPECT_TRUE(title().contains("2 of 5"));
    // It points at the findings, with a frame that lets the mouse through.
    window->choose_station("intake");
    ASSERT_TRUE(wait_for([&] { return lesson.target() != nullptr; }));
    EXPECT_EQ(lesson.target()->objectName(), "findings");
    QTest::qWait(600); // until the frame stands around it
    if (const QString to = qEnvironmentVariable("WEMBRIX_DIALOG_SHOTS"); !to.isEmpty()) {
        window->grab().save(to + "/first_delivery.png");
    }
    // One of both steps is not enough.
    window->document().edit("scale", [](Job& job) { job.steps.push_back({"scale", {{"factor", 0.01}}}); });
    QTest::qWait(600);
    EXPECT_EQ(lesson.step(), 1);
    window->document().edit("root", [](Job& job) { job.steps.push_back({"make_root", {{"name", "root"}}}); });
    ASSERT_TRUE(wait_for([&] { return lesson.step() == 2; }));
    // Left and come back to, where it was.
    QTest::mouseClick(lesson.findChild<QPushButton*>("firstDeliveryLeave"), Qt::LeftButton);
    EXPECT_FALSE(lesson.isVisible());
    EXPECT_EQ(QSettings().value("firstDelivery/step").toInt(), 2);
    EXPECT_EQ(&FirstDelivery::of(*window), &lesson) << "one for the window";
    EXPECT_TRUE(lesson.isVisible());
    EXPECT_EQ(lesson.step(), 2);
    QTest::mouseClick(lesson.findChild<QPushButton*>("firstDeliveryDo"), Qt::LeftButton);
    EXPECT_EQ(window->pages()[static_cast<size_t>(window->station())]->kind().id, std::string("takes"));
    window->document().edit("cut", [](Job& job) { set_cuts(job, "capture_07", {{"wade", 220, 240, true, "", ""}}); });
    ASSERT_TRUE(wait_for([&] { return lesson.step() == 3; }));
    EXPECT_EQ(lesson.target(), &window->header().go());
    settle();
    QTest::mouseClick(&window->header().go(), Qt::LeftButton);
    ASSERT_TRUE(wait_for([&] { return lesson.step() == 4; }));
    auto* board = window->findChild<QAbstractItemView*>("board");
    ASSERT_TRUE(wait_for([&] { return board->model()->rowCount() > 0; }));
    EXPECT_EQ(lesson.step(), 4) << "what the delivery chose by itself does not count";
    QTest::mouseClick(board->viewport(), Qt::LeftButton, {}, board->visualRect(board->model()->index(0, 0)).center());
    ASSERT_TRUE(wait_for([&] { return lesson.step() == 5; }));
    EXPECT_TRUE(title().contains("done"));
    QTest::mouseClick(lesson.findChild<QPushButton*>("firstDeliveryDo"), Qt::LeftButton);
    EXPECT_FALSE(lesson.isVisible());
    EXPECT_EQ(QSettings().value("firstDelivery/step").toInt(), 0) << "from the beginning the next time";
}

} // namespace
} // namespace wembrix::app
