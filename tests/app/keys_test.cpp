// Keys made by hand in the window: typed, turned in the view, closed, taken back; and a clip from nothing.
#include "core/job/key_edits.h"
#include "core/measure/skeleton/pose.h"
#include "sedge.h"
#include "view/tools/pose_tool.h"
#include "window_fixture.h"

#include <QDialog>
#include <QDialogButtonBox>
#include <QDoubleSpinBox>
#include <QSpinBox>

namespace wembrix::app {
namespace {

class Keys : public Window {
  protected:
    void SetUp() override {
        with_drift = false;
        Window::SetUp();
    }
    void open_keys() {
        open();
        window->choose_station(3);
        settle();
        press("keysSide");
        QTest::qWait(40);
    }
    void press(const char* name) { QTest::mouseClick(child<QPushButton>(name), Qt::LeftButton); }
    SceneView& view() { return *window->twin().prepared_view(); }
    const Scene& prepared() { return window->session().state()->replay.prepared(); }
    int node(const char* joint) { return prepared().find_node(std::string("market:tansy_rig:") + joint); }
    void choose(const char* joint) {
        window->selection().choose(prepared().nodes[static_cast<size_t>(node(joint))].identity);
        QTest::qWait(20);
    }
    Quat rotation(const char* joint, const char* clip, int frame) {
        const Clip* shown = prepared().find_clip(clip);
        EXPECT_NE(shown, nullptr);
        Pose pose;
        Poser(prepared(), shown).at(frame / shown->rate, pose);
        return pose.local[static_cast<size_t>(node(joint))].rotation;
    }
    double degrees(const Quat& a, const Quat& b) { return a.angularDistance(b) * 180 / M_PI; }
    void type(const char* field, double value) {
        auto* spin = child<QDoubleSpinBox>(field);
        ASSERT_TRUE(spin->isEnabled());
        spin->setFocus();
        QTest::keyClick(spin, Qt::Key_A, Qt::ControlModifier);
        QTest::keyClicks(spin, QString::number(value));
        QTest::keyClick(spin, Qt::Key_Return);
        settle();
    }
};

TEST_F(Keys, AJointIsKeyedOverATakeTypedAndTurnedInTheView) {
    open_keys();
    EXPECT_FALSE(child<QDoubleSpinBox>("keyTurnX")->isEnabled()) << "there is no layer yet";
    press("newLayer");
    settle();
    const size_t place = steps() - 1;
    ASSERT_EQ(window->document().job().steps[place].id, "hand_keys");
    choose("LeftLeg_Hip");
    window->clock().go_to(40);
    const Quat before = rotation("LeftLeg_Hip", "capture_07", 40);
    const Quat before_later = rotation("LeftLeg_Hip", "capture_07", 100);
    type("keyTurnX", 25);
    EXPECT_NEAR(degrees(rotation("LeftLeg_Hip", "capture_07", 40), before), 25, 0.01);
    EXPECT_EQ(child<QTableWidget>("keyTable")->rowCount(), 1);
    window->clock().go_to(100);
    QTest::qWait(20);
    type("keyTurnX", 0);
    EXPECT_NEAR(degrees(rotation("LeftLeg_Hip", "capture_07", 100), before_later), 0, 0.01);
    EXPECT_NEAR(degrees(rotation("LeftLeg_Hip", "capture_07", 40), before), 25, 0.01) << "that key stays";
    // The ring turns it as it is seen: a quarter of the way round.
    window->clock().go_to(40);
    settle();
    const Quat keyed = rotation("LeftLeg_Hip", "capture_07", 40);
    ASSERT_NE(dynamic_cast<const PoseTool*>(view().tool_in_use()), nullptr);
    const QPoint middle =
        view().place_of(view().posed()->scene().find_identity(window->selection().current())).toPoint();
    const QPoint from = middle + QPoint(static_cast<int>(PoseTool::ring_radius), 0);
    const QPoint to = middle + QPoint(0, static_cast<int>(PoseTool::ring_radius));
    QTest::mousePress(&view(), Qt::LeftButton, Qt::NoModifier, from);
    for (int i = 1; i <= 4; ++i) {
        const QPointF at = from + (to - from) * i / 4.0;
        QMouseEvent move(QEvent::MouseMove, at, view().mapToGlobal(at), Qt::LeftButton, Qt::LeftButton, Qt::NoModifier);
        QApplication::sendEvent(&view(), &move);
    }
    QTest::mouseRelease(&view(), Qt::LeftButton, Qt::NoModifier, to);
    settle();
    EXPECT_NEAR(degrees(rotation("LeftLeg_Hip", "capture_07", 40), keyed), 90, 1.5);
    window->document().undo().undo();
    settle();
    EXPECT_NEAR(degrees(rotation("LeftLeg_Hip", "capture_07", 40), keyed), 0, 0.01) << "one undo";
    // Half of it.
    child<QSpinBox>("layerWeight")->setValue(50);
    settle();
    EXPECT_NEAR(degrees(rotation("LeftLeg_Hip", "capture_07", 40), before), 12.5, 0.01);
    // The key is taken out: nothing of it is left.
    window->clock().go_to(40);
    QTest::qWait(20);
    child<QTableWidget>("keyTable")->selectRow(0);
    press("dropKey");
    settle();
    EXPECT_NEAR(degrees(rotation("LeftLeg_Hip", "capture_07", 40), before), 0, 0.01);
}

TEST_F(Keys, AFootIsPulledAndTheTwoBonesAboveItFollow) {
    open_keys();
    press("newLayer");
    settle();
    choose("LeftLeg_Foot");
    window->clock().go_to(40);
    settle();
    const auto place_of_foot = [&] {
        Pose pose;
        Poser(prepared(), prepared().find_clip("capture_07")).at(40 / 30.0, pose);
        return pose.world[static_cast<size_t>(node("LeftLeg_Foot"))];
    };
    const Mat4 before = place_of_foot();
    const auto seen = [&] {
        return view().place_of(view().posed()->scene().find_identity(window->selection().current())).toPoint();
    };
    const QPoint from = seen();
    const QPoint to = from + QPoint(8, -10);
    QTest::mousePress(&view(), Qt::LeftButton, Qt::NoModifier, from);
    for (int i = 1; i <= 4; ++i) {
        const QPointF at = from + (to - from) * i / 4.0;
        QMouseEvent move(QEvent::MouseMove, at, view().mapToGlobal(at), Qt::LeftButton, Qt::LeftButton, Qt::NoModifier);
        QApplication::sendEvent(&view(), &move);
    }
    QTest::mouseRelease(&view(), Qt::LeftButton, Qt::NoModifier, to);
    settle();
    EXPECT_LT((seen() - to).manhattanLength(), 4) << "it is where it was dropped";
    const Mat4 after = place_of_foot();
    EXPECT_GT((point_of(after, Vec3::Zero()) - point_of(before, Vec3::Zero())).norm(), 0.5) << "a scene in centimetres";
    EXPECT_LT(degrees(Quat(nearest_rotation(linear_of(before))), Quat(nearest_rotation(linear_of(after)))), 0.01)
        << "it keeps its own rotation";
    const KeyLayer layer = layer_at(window->document().job(), steps() - 1);
    for (const char* joint : {"LeftLeg_Shank", "LeftLeg_Tarsus", "LeftLeg_Foot"}) {
        EXPECT_EQ(keyed_frames(layer, {std::string("market:tansy_rig:") + joint, Path::rotation}).size(), 1U) << joint;
    }
    window->document().undo().undo();
    settle();
    EXPECT_LT((point_of(place_of_foot(), Vec3::Zero()) - point_of(before, Vec3::Zero())).norm(), 1e-6);
}

TEST_F(Keys, AClipFromNothingIsKeyedAndClosed) {
    open_keys();
    QTimer::singleShot(200, [] {
        auto* dialog = qobject_cast<QDialog*>(QApplication::activeModalWidget());
        ASSERT_NE(dialog, nullptr);
        dialog->findChild<QLineEdit*>(QStringLiteral("newClipName"))->setText(QStringLiteral("flap"));
        dialog->findChild<QSpinBox*>(QStringLiteral("newClipFrames"))->setValue(21);
        QTest::mouseClick(dialog->findChild<QDialogButtonBox*>()->button(QDialogButtonBox::Ok), Qt::LeftButton);
    });
    press("newKeyedClip");
    settle();
    ASSERT_NE(prepared().find_clip("flap"), nullptr);
    EXPECT_EQ(window->clock().clip(), "flap") << "it is shown";
    choose("bag_flap");
    window->clock().go_to(0);
    QTest::qWait(20);
    type("keyTurnX", 5);
    window->clock().go_to(10);
    QTest::qWait(20);
    type("keyTurnX", -40);
    press("closeLayer");
    settle();
    const Quat first = rotation("bag_flap", "flap", 0);
    const Channel& keyed = prepared().find_clip("flap")->channels.at(0);
    ASSERT_EQ(keyed.width, 4);
    for (size_t c = 0; c < 4; ++c) {
        EXPECT_EQ(keyed.values[c], keyed.values[keyed.values.size() - 4 + c]) << "first equals last, to the bit";
    }
    EXPECT_NEAR(degrees(rotation("bag_flap", "flap", 10), first), 45, 0.01);
    EXPECT_EQ(child<QTableWidget>("keyTable")->rowCount(), 3);
    // Flat at the turn.
    child<QTableWidget>("keyTable")->selectRow(1);
    auto* tangent = child<QComboBox>("keyTangent");
    tangent->setCurrentIndex(1);
    Q_EMIT tangent->activated(1);
    settle();
    const KeyLayer layer = layer_at(window->document().job(), steps() - 1);
    ASSERT_FALSE(layer.empty());
    EXPECT_EQ(layer[0].curve.keys[1].tangent, Tangent::flat);
}

} // namespace
} // namespace wembrix::app
