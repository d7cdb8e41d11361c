// What widgets paint by themselves is told to a screen reader, and everything that a pointer does in a view is done by
// keys.
#include "bench_fixture.h"
#include "stations/frame_curve.h"
#include "stations/joints/joint_ladder.h"
#include "stations/takes/take_strip.h"
#include "style/painted_parts.h"
#include "style/profile_plot.h"

#include <QAccessible>
#include <QSignalSpy>
#include <QTest>

namespace wembrix::app {
namespace {

QAccessibleInterface* told(QWidget& widget) {
    return QAccessible::queryAccessibleInterface(&widget);
}

/// The part whose name begins so; null if there is none.
QAccessibleInterface* part_named(QWidget& widget, const QString& begins) {
    QAccessibleInterface* all = told(widget);
    for (int i = 0; i < all->childCount(); ++i) {
        QAccessibleInterface* part = all->child(i);
        if (part != nullptr && part->object() == nullptr && part->text(QAccessible::Name).startsWith(begins)) {
            return part;
        }
    }
    return nullptr;
}

void press(QAccessibleInterface& part) {
    ASSERT_NE(part.actionInterface(), nullptr);
    part.actionInterface()->doAction(QAccessibleActionInterface::pressAction());
}

TEST(PaintedParts, AreChildrenWithNamesPlacesAndAPress) {
    QWidget widget;
    int pressed = -1;
    std::vector<QString> names = {"one", "two"};
    PaintedParts parts;
    parts.count = [&] { return static_cast<int>(names.size()); };
    parts.part = [&](int place) {
        return PaintedPart{names[static_cast<size_t>(place)], QRect(place * 10, 0, 10, 10), place == 1};
    };
    parts.press = [&](int place) { pressed = place; };
    parts.value = [] { return QString("all of it"); };
    tell_parts(widget, std::move(parts));
    auto* child_widget = new QWidget(&widget);
    child_widget->setAccessibleName("inner");
    widget.resize(100, 40);
    widget.show();
    QAccessibleInterface* all = told(widget);
    ASSERT_NE(all, nullptr);
    EXPECT_EQ(all->role(), QAccessible::List);
    EXPECT_EQ(all->text(QAccessible::Value), "all of it");
    ASSERT_EQ(all->childCount(), 3) << "its parts, then what stands in it";
    EXPECT_EQ(all->child(2)->text(QAccessible::Name), "inner");
    EXPECT_EQ(all->child(3), nullptr);
    EXPECT_EQ(all->child(-1), nullptr);
    QAccessibleInterface* two = all->child(1);
    EXPECT_EQ(two, all->child(1)) << "the same each time it is asked for";
    EXPECT_EQ(two->text(QAccessible::Name), "two");
    EXPECT_EQ(two->role(), QAccessible::ListItem);
    EXPECT_TRUE(two->state().selected);
    EXPECT_FALSE(all->child(0)->state().selected);
    EXPECT_EQ(two->parent()->object(), &widget);
    EXPECT_EQ(all->indexOfChild(two), 1);
    EXPECT_EQ(two->rect().size(), QSize(10, 10));
    EXPECT_EQ(all->childAt(two->rect().center().x(), two->rect().center().y()), two);
    press(*two);
    EXPECT_EQ(pressed, 1);
    // What is gone is not told any more, and asking for it does no harm.
    names.pop_back();
    EXPECT_EQ(all->childCount(), 2);
    EXPECT_FALSE(two->isValid());
    EXPECT_TRUE(two->state().invalid);
    EXPECT_EQ(two->text(QAccessible::Name), "");
    pressed = -1;
    press(*two);
    EXPECT_EQ(pressed, -1);
}

TEST_F(Bench, TheLadderTellsItsRows) {
    open_cut();
    window->choose_station("joints");
    settle();
    auto* ladder = child<JointLadder>("jointLadder");
    EXPECT_EQ(told(*ladder)->role(), QAccessible::Tree);
    EXPECT_GE(told(*ladder)->childCount(), static_cast<int>(ladder->left().size() + ladder->right().size()));
    const LadderRow& row = ladder->right()[3];
    QAccessibleInterface* part = part_named(*ladder, "Prepared " + row.prefix + row.bare);
    ASSERT_NE(part, nullptr);
    EXPECT_EQ(part->role(), QAccessible::TreeItem);
    EXPECT_FALSE(part->state().selected);
    press(*part);
    EXPECT_TRUE(window->selection().holds(row.identity));
    EXPECT_TRUE(part->state().selected);
    // A row that is not in sight says so.
    QAccessibleInterface* last = told(*ladder)->child(static_cast<int>(ladder->left().size()) - 1);
    ladder->verticalScrollBar()->setValue(0);
    EXPECT_EQ(last->state().offscreen, last->rect().isEmpty());
}

TEST_F(Bench, TheTakeStripTellsItsClipsAndChoosesThemByKeys) {
    open_cut();
    window->choose_station("takes");
    settle();
    auto* strip = child<TakeStrip>("takeStrip");
    ASSERT_GE(strip->cuts().size(), 2U);
    const QString second = QString::fromStdString(strip->cuts()[1].name);
    QAccessibleInterface* part = part_named(*strip, "Clip " + second);
    ASSERT_NE(part, nullptr);
    EXPECT_TRUE(part->text(QAccessible::Name).contains(QString::number(strip->cuts()[1].start)));
    press(*part);
    settle();
    EXPECT_EQ(strip->chosen(), 1);
    EXPECT_TRUE(part->state().selected);
    EXPECT_FALSE(told(*strip)->text(QAccessible::Value).isEmpty());
    strip->setFocus();
    std::vector<int> order;
    for (int i = 0; i < static_cast<int>(strip->cuts().size()); ++i) {
        QTest::keyClick(strip, i == 0 ? Qt::Key_Home : Qt::Key_Up);
    }
    int last_start = -1;
    for (size_t i = 0; i < strip->cuts().size(); ++i) {
        ASSERT_GE(strip->chosen(), 0);
        const int start = strip->cuts()[static_cast<size_t>(strip->chosen())].start;
        EXPECT_GE(start, last_start) << "from left to right";
        last_start = start;
        order.push_back(strip->chosen());
        QTest::keyClick(strip, Qt::Key_Down);
    }
    EXPECT_EQ(std::set<int>(order.begin(), order.end()).size(), strip->cuts().size()) << "each of them once";
}

TEST_F(Bench, ACurveSaysInWordsWhatItShows) {
    Clock clock;
    FrameCurve curve(clock);
    EXPECT_EQ(told(curve)->role(), QAccessible::Chart);
    curve.show_drift({0.0F, 0.5F, 0.25F}, 0.1);
    const QString words = told(curve)->text(QAccessible::Value);
    EXPECT_TRUE(words.contains("0.5 mm at frame 1")) << words.toStdString();
    EXPECT_TRUE(words.contains("0.1 mm")) << words.toStdString();
    curve.show_counts({3, 9}, 5, 10, "nothing");
    EXPECT_TRUE(told(curve)->text(QAccessible::Value).contains("most 9 at frame 5"));
    curve.show_counts({}, 5, 10, "nothing");
    EXPECT_EQ(told(curve)->text(QAccessible::Value), "nothing");
}

TEST_F(Bench, AProfileIsDrawnByKeys) {
    ProfilePlot plot("Width");
    plot.show_values({1, 0.5, 0});
    plot.show();
    QApplication::setActiveWindow(&plot);
    plot.setFocus();
    QSignalSpy settled(&plot, &ProfilePlot::settled);
    QTest::keyClick(&plot, Qt::Key_Right);
    QTest::keyClick(&plot, Qt::Key_Up);
    ASSERT_EQ(settled.size(), 1);
    EXPECT_NEAR(plot.values()[1], 0.55, 1e-9);
    QTest::keyClick(&plot, Qt::Key_Down, Qt::ShiftModifier);
    EXPECT_NEAR(plot.values()[1], 0.54, 1e-9);
    QTest::keyClick(&plot, Qt::Key_Right);
    QTest::keyClick(&plot, Qt::Key_Right);
    QTest::keyClick(&plot, Qt::Key_End);
    EXPECT_EQ(plot.values(), (std::vector<double>{1, 0.54, 1})) << "the last one, and none behind it";
    EXPECT_TRUE(part_named(plot, "Point 2 of 3")->text(QAccessible::Name).endsWith("0.54"));
}

TEST_F(Bench, AViewIsTurnedAndAJointChosenByKeys) {
    open_cut();
    window->choose_station("joints");
    settle();
    SceneView& view = window->twin().right().view();
    view.setFocus(Qt::TabFocusReason);
    Camera& camera = window->camera();
    const double yaw = camera.yaw;
    const double pitch = camera.pitch;
    QTest::keyClick(&view, Qt::Key_Right);
    EXPECT_GT(camera.yaw, yaw);
    QTest::keyClick(&view, Qt::Key_Left);
    EXPECT_NEAR(camera.yaw, yaw, 1e-9);
    QTest::keyClick(&view, Qt::Key_Up);
    EXPECT_GT(camera.pitch, pitch);
    const Vec3 target = camera.target;
    QTest::keyClick(&view, Qt::Key_Right, Qt::ShiftModifier);
    EXPECT_GT((camera.target - target).norm(), 0.01);
    const double distance = camera.distance;
    QTest::keyClick(&view, Qt::Key_Plus);
    EXPECT_LT(camera.distance, distance);
    QTest::keyClick(&view, Qt::Key_Minus);
    EXPECT_NEAR(camera.distance, distance, 1e-9);
    QTest::keyClick(&view, Qt::Key_Home);
    EXPECT_NEAR((camera.target - Vec3(0, 0.5, 0)).norm(), 0, 1e-9);
    // Each joint is a part; what is pressed is chosen, and what stands at the cross is chosen by Enter.
    QAccessibleInterface* hips = part_named(view, "Joint ");
    ASSERT_NE(hips, nullptr);
    EXPECT_FALSE(told(view)->text(QAccessible::Value).isEmpty());
    press(*hips);
    ASSERT_EQ(window->selection().identities().size(), 1U);
    const int64_t chosen = window->selection().current();
    EXPECT_TRUE(hips->state().selected);
    view.frame_selection();
    window->selection().clear();
    QTest::keyClick(&view, Qt::Key_Return);
    EXPECT_NE(window->selection().current(), 0);
    int at_cross = -1;
    const Scene& scene = view.posed()->scene();
    for (size_t i = 0; i < scene.nodes.size(); ++i) {
        at_cross = scene.nodes[i].identity == window->selection().current() ? static_cast<int>(i) : at_cross;
    }
    ASSERT_GE(at_cross, 0);
    EXPECT_LT((view.place_of(at_cross) - QRectF(view.rect()).center()).manhattanLength(), 20);
    EXPECT_NE(chosen, 0);
    // The cross is drawn while the keys are here, and goes with them.
    const QImage with = view.grabFramebuffer();
    view.clearFocus();
    EXPECT_NE(with, view.grabFramebuffer());
}

} // namespace
} // namespace wembrix::app
