// Keys made by hand in the window: typed, turned in the view, closed, taken back; and a clip from nothing.
#include "core/job/key_edits.h"
#include "core/measure/skeleton/pose.h"
#include "sedge.h"
#include "stations/takes/key_strip.h"
#include "view/tools/pose_tool.h"
#include "window_fixture.h"

#include <QDialog>
#include <QDialogButtonBox>
#include <QDoubleSpinBox>
#include <QSpinBox>

namespace wembrix::app {
namespace {

constexpr const char* hip = "market:tansy_rig:LeftLeg_Hip";

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
    KeyStrip& strip() { return *window->findChild<KeyStrip*>(); }
    size_t keys_shown() {
        size_t count = 0;
        for (const size_t curve : strip().shown()) {
            count += strip().layer()[curve].curve.keys.size();
        }
        return count;
    }
    /// A drag of the mouse on the strip, in four moves.
    void drag_strip(const QPointF& from, const QPointF& to, Qt::KeyboardModifiers modifiers = Qt::NoModifier) {
        QTest::mousePress(&strip(), Qt::LeftButton, modifiers, from.toPoint());
        for (int i = 1; i <= 4; ++i) {
            const QPointF at = from + (to - from) * i / 4.0;
            QMouseEvent move(QEvent::MouseMove, at, strip().mapToGlobal(at), Qt::LeftButton, Qt::LeftButton, modifiers);
            QApplication::sendEvent(&strip(), &move);
        }
        QTest::mouseRelease(&strip(), Qt::LeftButton, modifiers, to.toPoint());
        settle();
    }
    KeyLayer layer() { return layer_at(window->document().job(), steps() - 1); }
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
    EXPECT_EQ(keys_shown(), 3U) << "one on each of X, Y and Z";
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
    strip().choose({{0, 0}, {1, 0}, {2, 0}});
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
    const QSize size = view().size();
    QTest::mousePress(&view(), Qt::LeftButton, Qt::NoModifier, from);
    for (int i = 1; i <= 4; ++i) {
        const QPointF at = from + (to - from) * i / 4.0;
        QMouseEvent move(QEvent::MouseMove, at, view().mapToGlobal(at), Qt::LeftButton, Qt::LeftButton, Qt::NoModifier);
        QApplication::sendEvent(&view(), &move);
    }
    QTest::mouseRelease(&view(), Qt::LeftButton, Qt::NoModifier, to);
    settle();
    // What is said below the view may have made it lower meanwhile: places count from its middle, by its height.
    const QPointF middle(size.width() / 2.0, size.height() / 2.0);
    const QPointF middle_now(view().width() / 2.0, view().height() / 2.0);
    const QPointF dropped = middle_now + (to - middle) * view().height() / size.height();
    EXPECT_LT((seen() - dropped).manhattanLength(), 4)
        << "it is where it was dropped; the view was " << size.height() << " and is " << view().height() << " high";
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
    EXPECT_EQ(keys_shown(), 9U);
    // Flat at the turn.
    strip().choose({{0, 1}});
    auto* tangent = child<QComboBox>("keyTangent");
    tangent->setCurrentIndex(1);
    Q_EMIT tangent->activated(1);
    settle();
    const KeyLayer layer = layer_at(window->document().job(), steps() - 1);
    ASSERT_FALSE(layer.empty());
    EXPECT_EQ(layer[0].curve.keys[1].tangent, Tangent::flat);
}

TEST_F(Keys, KeysAreDraggedBoxedScaledInsertedAndDeletedOnTheStrip) {
    open_keys();
    press("newLayer");
    settle();
    choose("LeftLeg_Hip");
    const size_t place = steps() - 1;
    window->document().edit(QStringLiteral("keys"), [&](Job& job) {
        KeyedCurve curve{hip, Path::rotation, 0, {}};
        for (const auto& [frame, value] : {std::pair(100.0, 0.0), {200.0, 20.0}, {300.0, -10.0}, {400.0, 0.0}}) {
            CurveKey key;
            key.frame = frame;
            key.value = value;
            curve.curve.keys.push_back(key);
        }
        set_layer(job, place, {curve});
    });
    settle();
    ASSERT_EQ(strip().shown().size(), 1U);
    const auto keys = [&] { return layer().at(0).curve.keys; };
    // One key, dragged by 40 frames and 5 degrees: whole frames.
    const QPointF from = strip().place_of({0, 1});
    const QPointF to(strip().x_of(240.3), strip().y_of(25));
    drag_strip(from, to);
    EXPECT_NEAR(keys()[1].frame, 240, 2) << "a pixel is more than a frame";
    EXPECT_EQ(keys()[1].frame, std::round(keys()[1].frame));
    EXPECT_NEAR(keys()[1].value, 25, 0.5);
    EXPECT_EQ(keys()[0].value, 0);
    ASSERT_EQ(strip().chosen().size(), 1U);
    window->document().undo().undo();
    settle();
    EXPECT_EQ(keys()[1].frame, 200) << "one undo";
    EXPECT_EQ(keys()[1].value, 20);
    // A box about the two in the middle; the right side of their frame is dragged: time is stretched about the left.
    drag_strip(QPointF(strip().x_of(150), strip().height() - 6.0), QPointF(strip().x_of(350), 40));
    ASSERT_EQ(strip().chosen().size(), 2U);
    const QRectF box = strip().frame_of_chosen();
    drag_strip({box.right(), box.center().y()},
               {box.right() + strip().x_of(350) - strip().x_of(300), box.center().y()});
    EXPECT_EQ(keys()[1].frame, 200);
    EXPECT_NEAR(keys()[2].frame, 350, 2);
    EXPECT_EQ(keys()[2].value, -10);
    // The top of the frame: values about the lower one, twice as far.
    const QRectF again = strip().frame_of_chosen();
    const double high = strip().y_of(20);
    const double higher = strip().y_of(20) - (strip().y_of(-10) - strip().y_of(20)) * 0.5;
    drag_strip({again.center().x(), again.top()}, {again.center().x(), again.top() + higher - high});
    EXPECT_NEAR(keys()[1].value, 35, 0.7);
    EXPECT_NEAR(keys()[2].value, -10, 1e-9);
    // Two clicks on the curve put a key on it, and the curve stays what it is.
    const Curve before = layer().at(0).curve;
    const double between = std::round(strip().frame_at(strip().x_of(270)));
    QTest::mouseDClick(&strip(), Qt::LeftButton, Qt::NoModifier,
                       QPointF(strip().x_of(between), strip().y_of(value_at(before, between))).toPoint());
    settle();
    ASSERT_EQ(keys().size(), 5U);
    for (const double frame : {210.0, 250.0, 290.0, 330.0}) {
        EXPECT_NEAR(value_at(layer().at(0).curve, frame), value_at(before, frame), 1e-6);
    }
    ASSERT_EQ(strip().chosen().size(), 1U) << "the new one";
    strip().setFocus();
    QTest::keyClick(&strip(), Qt::Key_Delete);
    settle();
    EXPECT_EQ(keys().size(), 4U);
    // Numbers, typed.
    strip().choose({{0, 3}});
    type("keyFrame", 420);
    type("keyValue", 7.5);
    EXPECT_EQ(keys()[3].frame, 420);
    EXPECT_EQ(keys()[3].value, 7.5);
    // What stands behind the keys.
    auto* after = child<QComboBox>("keysAfter");
    after->setCurrentIndex(2);
    Q_EMIT after->activated(2);
    settle();
    EXPECT_EQ(layer().at(0).curve.after, Beyond::repeated_on);
    EXPECT_EQ(layer().at(0).curve.before, Beyond::held);
}

TEST_F(Keys, ADragGoesOnWhenSomethingElseIsMeasuredMeanwhile) {
    open_keys();
    press("newLayer");
    settle();
    choose("LeftLeg_Hip");
    const size_t place = steps() - 1;
    window->document().edit(QStringLiteral("keys"), [&](Job& job) {
        for (const double frame : {100.0, 300.0, 500.0}) {
            set_keys(job, place, {hip, Path::rotation}, frame, Vec3(10, 0, 0));
        }
    });
    settle();
    const QPointF from = strip().place_of({0, 1});
    const QPointF to = from + QPointF(60, -20);
    const auto move = [&](const QPointF& at) {
        QMouseEvent event(QEvent::MouseMove, at, strip().mapToGlobal(at), Qt::LeftButton, Qt::LeftButton,
                          Qt::NoModifier);
        QApplication::sendEvent(&strip(), &event);
    };
    QTest::mousePress(&strip(), Qt::LeftButton, Qt::NoModifier, from.toPoint());
    move(from + QPointF(20, -5));
    Q_EMIT window->session().changed(); // as when the drift of a step has been measured
    move(to);
    QTest::mouseRelease(&strip(), Qt::LeftButton, Qt::NoModifier, to.toPoint());
    settle();
    EXPECT_GT(layer().at(0).curve.keys[1].frame, 310);
    EXPECT_GT(layer().at(0).curve.keys[1].value, 10.1);
}

TEST_F(Keys, TangentsAreDraggedBrokenAndWeighted) {
    open_keys();
    press("newLayer");
    settle();
    choose("LeftLeg_Hip");
    const size_t place = steps() - 1;
    window->document().edit(QStringLiteral("keys"), [&](Job& job) {
        KeyedCurve curve{hip, Path::rotation, 0, {}};
        for (const auto& [frame, value] : {std::pair(0.0, 0.0), {450.0, 20.0}, {899.0, 0.0}}) {
            CurveKey key;
            key.frame = frame;
            key.value = value;
            curve.curve.keys.push_back(key);
        }
        set_layer(job, place, {curve});
    });
    settle();
    const auto key = [&] { return layer().at(0).curve.keys[1]; };
    strip().choose({{0, 1}});
    const QPointF place_of = strip().place_of({0, 1});
    const QPointF out = strip().knob_of({0, 1}, true);
    EXPECT_GT(out.x() - place_of.x(), 50) << "a third of the way";
    EXPECT_NEAR(out.y(), place_of.y(), 0.5) << "smooth at the top of a hill: level";
    drag_strip(out, out + QPointF(0, -20));
    EXPECT_EQ(key().tangent, Tangent::free);
    EXPECT_GT(key().out_slope, 0);
    EXPECT_EQ(key().in_slope, key().out_slope) << "both sides go along";
    EXPECT_NEAR(key().out_weight, 1.0 / 3, 1e-12);
    // Broken: only that side.
    const double in = key().in_slope;
    press("breakTangents");
    const QPointF knob = strip().knob_of({0, 1}, true);
    drag_strip(knob, knob + QPointF(0, 45));
    EXPECT_EQ(key().in_slope, in);
    EXPECT_LT(key().out_slope, 0);
    EXPECT_TRUE(child<QPushButton>("breakTangents")->isChecked());
    // Weighted: it reaches as far as it is dragged.
    press("weightTangents");
    const QPointF end = strip().knob_of({0, 1}, true);
    drag_strip(end, end + QPointF(60, 0));
    EXPECT_GT(key().out_weight, 0.36);
    EXPECT_NEAR(key().in_weight, 1.0 / 3, 1e-12);
    // Joined again, and as files can hold it.
    press("weightTangents");
    settle();
    EXPECT_NEAR(key().out_weight, 1.0 / 3, 1e-12);
    press("breakTangents");
    settle();
    EXPECT_EQ(key().in_slope, key().out_slope);
    // By kind.
    auto* tangent = child<QComboBox>("keyTangent");
    tangent->setCurrentIndex(3);
    Q_EMIT tangent->activated(3);
    settle();
    EXPECT_EQ(key().tangent, Tangent::stepped);
}

TEST_F(Keys, AJointIsMovedAlongAnAxisAndItsKneeSwung) {
    open_keys();
    press("newLayer");
    settle();
    choose("LeftLeg_Foot");
    window->clock().go_to(40);
    settle();
    const auto at = [&](const char* joint) {
        Pose pose;
        Poser(prepared(), prepared().find_clip("capture_07")).at(40 / 30.0, pose);
        return point_of(pose.world[static_cast<size_t>(node(joint))], Vec3::Zero());
    };
    const auto seen = [&](const char* joint) {
        return view().place_of(view().posed()->scene().find_node(std::string("market:tansy_rig:") + joint)).toPoint();
    };
    const auto drag = [&](const QPoint& from, const QPoint& to) {
        QTest::mousePress(&view(), Qt::LeftButton, Qt::NoModifier, from);
        for (int i = 1; i <= 4; ++i) {
            const QPointF place = from + (to - from) * i / 4.0;
            QMouseEvent move(QEvent::MouseMove, place, view().mapToGlobal(place), Qt::LeftButton, Qt::LeftButton,
                             Qt::NoModifier);
            QApplication::sendEvent(&view(), &move);
        }
        QTest::mouseRelease(&view(), Qt::LeftButton, Qt::NoModifier, to);
        settle();
    };
    // The square on the joint between swings it: the foot and the first joint stay.
    const Vec3 foot = at("LeftLeg_Foot");
    const Vec3 first = at("LeftLeg_Shank");
    const Vec3 second = at("LeftLeg_Tarsus");
    drag(seen("LeftLeg_Tarsus"), seen("LeftLeg_Tarsus") + QPoint(-14, 0));
    EXPECT_LT((at("LeftLeg_Foot") - foot).norm(), 1e-3);
    EXPECT_LT((at("LeftLeg_Shank") - first).norm(), 1e-3);
    EXPECT_GT((at("LeftLeg_Tarsus") - second).norm(), 0.3) << "a scene in centimetres";
    window->document().undo().undo();
    settle();
    EXPECT_LT((at("LeftLeg_Tarsus") - second).norm(), 1e-6);
    // Along the world's Y alone.
    for (const auto& [name, index] : {std::pair("poseHandle", 1), {"poseAxes", 1}}) {
        auto* box = child<QComboBox>(name);
        box->setCurrentIndex(index);
        Q_EMIT box->activated(index);
    }
    const QPoint bead = seen("LeftLeg_Foot") + PoseTool::bead(1).toPoint();
    drag(bead, bead + QPoint(0, -20));
    const Vec3 moved = at("LeftLeg_Foot") - foot;
    EXPECT_GT(moved.y(), 0.5);
    EXPECT_LT(Vec3(moved.x(), 0, moved.z()).norm(), 1e-3);
    EXPECT_EQ(keyed_frames(layer(), {"market:tansy_rig:LeftLeg_Foot", Path::translation}).size(), 1U);
    EXPECT_TRUE(keyed_frames(layer(), {"market:tansy_rig:LeftLeg_Foot", Path::rotation}).empty());
}

TEST_F(Keys, APoseIsCopiedMirroredBlendedAndTakenBack) {
    open_keys();
    press("newLayer");
    settle();
    const auto pose_at = [&](int frame) {
        Pose pose;
        Poser(prepared(), prepared().find_clip("capture_07")).at(frame / 30.0, pose);
        return pose;
    };
    const auto source = [&](int index) {
        auto* box = child<QComboBox>("poseSource");
        box->setCurrentIndex(index);
        Q_EMIT box->activated(index);
    };
    window->clock().go_to(250);
    settle();
    EXPECT_FALSE(child<QPushButton>("keyPose")->isEnabled()) << "nothing is copied yet";
    press("copyPose");
    const Pose copied = pose_at(250);
    window->clock().go_to(300);
    settle();
    const Pose before = pose_at(300);
    choose("LeftLeg_Hip");
    press("keyPose");
    settle();
    const auto own = static_cast<size_t>(node("LeftLeg_Hip"));
    const auto other = static_cast<size_t>(node("RightLeg_Hip"));
    EXPECT_LT(degrees(pose_at(300).local[own].rotation, copied.local[own].rotation), 0.01);
    EXPECT_LT(degrees(pose_at(300).local[other].rotation, before.local[other].rotation), 0.01) << "it is not chosen";
    // Half of the way back to what the take has.
    source(1);
    child<QSpinBox>("poseBlend")->setValue(50);
    press("keyPose");
    settle();
    const double whole = degrees(copied.local[own].rotation, before.local[own].rotation);
    ASSERT_GT(whole, 4);
    EXPECT_NEAR(degrees(pose_at(300).local[own].rotation, before.local[own].rotation), whole / 2, 0.02);
    child<QSpinBox>("poseBlend")->setValue(100);
    press("keyPose");
    settle();
    EXPECT_LT(degrees(pose_at(300).local[own].rotation, before.local[own].rotation), 0.01);
    // Left for right, twice: what was copied.
    source(0);
    window->selection().clear();
    press("mirrorPose");
    press("keyPose");
    settle();
    const Pose mirrored = pose_at(300);
    EXPECT_GT(degrees(mirrored.local[own].rotation, copied.local[own].rotation), 3);
    press("copyPose");
    press("keyPose");
    settle();
    EXPECT_LT(degrees(pose_at(300).local[own].rotation, copied.local[own].rotation), 0.05);
    EXPECT_LT(degrees(pose_at(300).local[other].rotation, copied.local[other].rotation), 0.05);
}

TEST_F(Keys, AShapeIsKeyedAndATrajectoryKeyDragged) {
    open_keys();
    press("newLayer");
    settle();
    auto* shape = child<QComboBox>("keyedShape");
    ASSERT_GT(shape->count(), 0);
    window->clock().go_to(60);
    settle();
    type("keyShapeWeight", 40);
    const KeyedPath what = {shape->currentText().toStdString(), Path::weights};
    ASSERT_EQ(keyed_frames(layer(), what).size(), 1U);
    EXPECT_NEAR(keyed_value(layer(), what, 60).x(), 0.4, 1e-12);
    auto* path = child<QComboBox>("keyPath");
    path->setCurrentIndex(3);
    Q_EMIT path->activated(3);
    EXPECT_EQ(keys_shown(), 1U);
    // The foot is keyed at two frames; the second key is dragged on its way, from the first.
    choose("LeftLeg_Foot");
    const auto foot_at = [&](int frame) {
        Pose pose;
        Poser(prepared(), prepared().find_clip("capture_07")).at(frame / 30.0, pose);
        return point_of(pose.world[static_cast<size_t>(node("LeftLeg_Foot"))], Vec3::Zero());
    };
    int away = 231; // where the foot is, as it swings, farthest from where it stood
    for (int frame = 231; frame < 330; ++frame) {
        away = (foot_at(frame) - foot_at(230)).norm() > (foot_at(away) - foot_at(230)).norm() ? frame : away;
    }
    for (const int frame : {230, away}) {
        window->clock().go_to(frame);
        settle();
        type("keyMoveZ", 1);
    }
    window->clock().go_to(230);
    press("posePath");
    settle();
    const QPoint from = view().place_of(foot_at(away)).toPoint();
    ASSERT_TRUE(view().rect().contains(from)) << from.x() << " " << from.y() << " of " << view().width();
    QTest::mousePress(&view(), Qt::LeftButton, Qt::NoModifier, from);
    EXPECT_EQ(window->clock().frame(), away) << "its frame is shown";
    QTest::mouseRelease(&view(), Qt::LeftButton, Qt::NoModifier, from);
}

TEST_F(Keys, WithoutTouchWhatIsDraggedStandsUntilItIsKeyed) {
    open_keys();
    press("newLayer");
    settle();
    choose("LeftLeg_Hip");
    window->clock().go_to(40);
    settle();
    press("keyByTouch");
    const Quat before = rotation("LeftLeg_Hip", "capture_07", 40);
    const auto turn = [&] {
        const QPoint at =
            view().place_of(view().posed()->scene().find_identity(window->selection().current())).toPoint() +
            PoseTool::bead(0).toPoint();
        QTest::mousePress(&view(), Qt::LeftButton, Qt::NoModifier, at);
        for (int i = 1; i <= 4; ++i) {
            const QPointF place = at + QPointF(10, 0) * i;
            QMouseEvent move(QEvent::MouseMove, place, view().mapToGlobal(place), Qt::LeftButton, Qt::LeftButton,
                             Qt::NoModifier);
            QApplication::sendEvent(&view(), &move);
        }
        QTest::mouseRelease(&view(), Qt::LeftButton, Qt::NoModifier, at + QPoint(40, 0));
        settle();
    };
    const auto shown = [&] {
        return view().posed()->pose().local[static_cast<size_t>(
            view().posed()->scene().find_identity(window->selection().current()))];
    };
    turn();
    turn();
    QTest::qWait(60);
    EXPECT_TRUE(layer().empty()) << "nothing is keyed";
    EXPECT_NEAR(degrees(shown().rotation, before), 40, 0.5) << "twice 40 pixels, half a degree each: it is seen";
    press("keyNow");
    settle();
    EXPECT_NEAR(degrees(rotation("LeftLeg_Hip", "capture_07", 40), before), 40, 0.5);
    // Another drag goes when the playhead does.
    turn();
    window->clock().go_to(41);
    settle();
    QTest::qWait(60);
    EXPECT_EQ(keyed_frames(layer(), {hip, Path::rotation}).size(), 1U);
    EXPECT_LT(degrees(shown().rotation, rotation("LeftLeg_Hip", "capture_07", 41)), 0.01);
}

TEST_F(Keys, AModelWithoutATakeGetsAClipFromNothing) {
    // What has no take is what keys from nothing are for: the way to them has to be there.
    Job job;
    job.name = "bare";
    job.sources = {"tansy_model.glb"};
    job.destinations = built_in_destinations();
    job_file = folder.filePath("bare.wembrix");
    ASSERT_TRUE(write_job(job, job_file.toStdString()).ok());
    open_keys();
    ASSERT_TRUE(child<QPushButton>("newKeyedClip")->isVisible());
    QTimer::singleShot(200, [] {
        auto* dialog = qobject_cast<QDialog*>(QApplication::activeModalWidget());
        ASSERT_NE(dialog, nullptr);
        QTest::mouseClick(dialog->findChild<QDialogButtonBox*>()->button(QDialogButtonBox::Ok), Qt::LeftButton);
    });
    press("newKeyedClip");
    settle();
    ASSERT_EQ(prepared().clips.size(), 1U);
    EXPECT_EQ(window->clock().clip().toStdString(), prepared().clips[0].name);
    EXPECT_TRUE(child<QDoubleSpinBox>("keyTurnX")->isVisible());
    press("clipsSide");
    EXPECT_TRUE(window->findChild<ClipList*>()->isVisible()) << "it is listed";
}

} // namespace
} // namespace wembrix::app
