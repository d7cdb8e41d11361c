// Weights by hand in the real window: strokes, both sides, undo, chosen vertices and typed numbers.
#include "bench_fixture.h"
#include "core/job/job_data.h"
#include "core/measure/surface/surface_mirror.h"
#include "session/recovery.h"
#include "stations/surface/surface_station.h"

#include <cmath>

namespace wembrix::app {
namespace {

class Paint : public Bench {
  protected:
    void open_surface(const char* joint) {
        open_mended();
        window->choose_station("surface");
        settle();
        choose_joint(joint);
        view().grabFramebuffer();
    }
    void choose_joint(const char* joint) { window->selection().choose(node(joint).identity); }
    SurfaceStation& page() { return window->page<SurfaceStation>(); }
    SceneView& view() { return window->twin().right().view(); }
    [[nodiscard]] const Node& node(const char* name) const {
        return prepared().nodes[static_cast<size_t>(prepared().find_node(name))];
    }
    /// Of the surface that is painted: the weight of the joint, one a vertex.
    [[nodiscard]] std::vector<double> weights(const char* joint) const {
        const Node& surface = prepared().nodes[static_cast<size_t>(body())];
        const std::vector<int>& joints = prepared().skins[static_cast<size_t>(surface.skin)].joints;
        const auto place = static_cast<uint16_t>(std::find(joints.begin(), joints.end(), prepared().find_node(joint)) -
                                                 joints.begin());
        std::vector<double> all;
        WeightRow row;
        for (size_t v = 0; v + 1 < surface.influences.offsets.size(); ++v) {
            read_row(surface.influences, v, row);
            all.push_back(weight_in(row, place));
        }
        return all;
    }
    [[nodiscard]] int body() const {
        int most = -1;
        for (const int surface : surfaces_of(prepared())) {
            const Node& one = prepared().nodes[static_cast<size_t>(surface)];
            if (one.skin >= 0 &&
                (most < 0 || one.influences.offsets.size() >
                                 prepared().nodes[static_cast<size_t>(most)].influences.offsets.size())) {
                most = surface;
            }
        }
        return most;
    }
    /// A place in the pane on the body, where its vertices face the eye, near the joint.
    QPoint on_body(const char* joint) {
        const QPointF at = view().place_of(prepared().find_node(joint));
        for (int away = 0; away < 60; away += 3) {
            for (const QPointF& by : {QPointF(away, 0), QPointF(-away, 0), QPointF(0, away), QPointF(0, -away)}) {
                if (hits_body(at + by)) {
                    return (at + by).toPoint();
                }
            }
        }
        ADD_FAILURE() << "the body is not seen near " << joint;
        return {};
    }
    bool hits_body(const QPointF& at) {
        page().painter().choose({});
        QTest::mouseClick(child<QPushButton>("chooseVertices"), Qt::LeftButton);
        click(&view(), at.toPoint());
        const bool hit = page().painter().choice().surface == prepared().nodes[static_cast<size_t>(body())].identity;
        page().painter().choose({});
        QTest::mouseClick(child<QPushButton>("chooseVertices"), Qt::LeftButton);
        return hit;
    }
    /// With the brush in hand: its settings take room from the view, which draws everything a little smaller then.
    QPoint start_painting(const char* joint) {
        const QPointF from_joint = on_body(joint) - view().place_of(prepared().find_node(joint));
        QTest::mouseClick(child<QPushButton>("paintWeights"), Qt::LeftButton);
        QTest::qWait(50);
        view().grabFramebuffer();
        return (view().place_of(prepared().find_node(joint)) + from_joint * 0.8).toPoint();
    }
    static size_t differing(const std::vector<double>& a, const std::vector<double>& b) {
        size_t count = 0;
        for (size_t i = 0; i < a.size(); ++i) {
            count += std::abs(a[i] - b[i]) > 1e-6 ? 1 : 0;
        }
        return count;
    }
    [[nodiscard]] size_t strokes() const {
        size_t count = 0;
        for (const Step& step : window->document().job().steps) {
            count += step.id == "paint_weights" ? step.parameters["strokes"].size() : 0;
        }
        return count;
    }
};

TEST_F(Paint, AStrokeChangesTheWeightsStaysOnTheCardAndCanBeUndone) {
    open_surface("pelvis");
    const QPoint at = start_painting("pelvis");
    const std::vector<double> before = weights("pelvis");
    const size_t card = steps();
    EXPECT_TRUE(child<QComboBox>("brushMode")->isVisible());
    child<QComboBox>("brushMode")->setCurrentIndex(static_cast<int>(BrushMode::subtract));
    drag(&view(), at, at + QPoint(30, 0));
    EXPECT_EQ(strokes(), 1U);
    settle();
    ASSERT_EQ(steps(), card + 1);
    const std::vector<double> after = weights("pelvis");
    EXPECT_GT(differing(before, after), 5U);
    for (size_t v = 0; v < before.size(); ++v) {
        ASSERT_LE(after[v], before[v] + 1e-6) << "it takes away";
    }
    drag(&view(), at, at + QPoint(0, 30));
    settle();
    EXPECT_EQ(steps(), card + 1) << "the next stroke goes into the same step";
    EXPECT_EQ(strokes(), 2U);
    const std::vector<double> twice = weights("pelvis");
    EXPECT_GT(differing(after, twice), 0U);
    undo();
    settle();
    EXPECT_EQ(strokes(), 1U);
    EXPECT_EQ(differing(after, weights("pelvis")), 0U) << "one stroke is one to undo";
    undo();
    settle();
    EXPECT_EQ(steps(), card);
    EXPECT_EQ(differing(before, weights("pelvis")), 0U);
    // After that the brush begins from what is there again.
    drag(&view(), at, at + QPoint(30, 0));
    settle();
    EXPECT_EQ(differing(after, weights("pelvis")), 0U);
    EXPECT_EQ(view().tool_in_use() != nullptr, true);
    QTest::keyClick(&view(), Qt::Key_Escape);
    EXPECT_EQ(view().tool_in_use(), nullptr);
    EXPECT_FALSE(child<QPushButton>("paintWeights")->isChecked());
}

TEST_F(Paint, StrokesOneRightAfterTheOtherAllCount) {
    open_surface("pelvis");
    const QPoint at = start_painting("pelvis");
    child<QComboBox>("brushMode")->setCurrentIndex(static_cast<int>(BrushMode::subtract));
    const std::vector<double> before = weights("pelvis");
    for (int i = 0; i < 4; ++i) { // nobody waits for the replay in between
        drag(&view(), at, at + QPoint(12 + i * 4, 3));
    }
    settle();
    EXPECT_EQ(strokes(), 4U);
    for (int i = 4; i > 0; --i) { // each of them did something, and goes by itself
        const std::vector<double> with = weights("pelvis");
        undo();
        settle();
        EXPECT_EQ(strokes(), static_cast<size_t>(i - 1));
        EXPECT_GT(differing(with, weights("pelvis")), 0U);
    }
    EXPECT_EQ(differing(before, weights("pelvis")), 0U);
}

TEST_F(Paint, BothSidesGetTheSameStroke) {
    open_surface("LeftLeg_Shank");
    const QPoint at = start_painting("LeftLeg_Shank");
    const std::vector<double> left_before = weights("LeftLeg_Shank");
    const std::vector<double> right_before = weights("RightLeg_Shank");
    QTest::mouseClick(child<QCheckBox>("brushMirrored"), Qt::LeftButton, {}, QPoint(8, 8));
    ASSERT_TRUE(child<QCheckBox>("brushMirrored")->isChecked());
    child<QComboBox>("brushMode")->setCurrentIndex(static_cast<int>(BrushMode::subtract));
    drag(&view(), at, at + QPoint(8, 8));
    settle();
    const size_t left = differing(left_before, weights("LeftLeg_Shank"));
    const size_t right = differing(right_before, weights("RightLeg_Shank"));
    EXPECT_GT(left, 0U);
    EXPECT_EQ(left, right);
}

TEST_F(Paint, WhatWasPaintedIsSavedBesideTheJobAndComesBack) {
    open_surface("pelvis");
    const QPoint at = start_painting("pelvis");
    child<QComboBox>("brushMode")->setCurrentIndex(static_cast<int>(BrushMode::subtract));
    drag(&view(), at, at + QPoint(30, 0));
    settle();
    const std::vector<double> painted = weights("pelvis");
    window->recovery().keep();
    const QStringList kept = QDir(Recovery::folder()).entryList({"*.recovery"});
    ASSERT_EQ(kept.size(), 1);
    EXPECT_EQ(QDir(Recovery::folder() + "/" + kept[0] + ".data").entryList(QDir::Files).size(), 2)
        << "a crash loses no stroke";
    const QString other = folder.filePath("elsewhere.wembrix");
    ASSERT_TRUE(window->document().save(other).ok());
    EXPECT_FALSE(QDir(Recovery::folder() + "/" + kept[0] + ".data").exists());
    EXPECT_EQ(QDir(other + ".data").entryList(QDir::Files).size(), 2);
    ASSERT_EQ(window->open_paths({job_file}).toStdString(), "");
    settle();
    ASSERT_EQ(window->open_paths({other}).toStdString(), "");
    settle();
    EXPECT_EQ(differing(painted, weights("pelvis")), 0U);
    window->document().edit("off", [](Job& job) {
        for (Step& step : job.steps) {
            step.on = step.id != "paint_weights";
        }
    });
    settle();
    EXPECT_GT(differing(painted, weights("pelvis")), 0U) << "it can be switched off";
}

TEST_F(Paint, VerticesAreChosenGrownAndTheirWeightsTyped) {
    open_surface("pelvis");
    const QPoint at = on_body("pelvis");
    QTest::mouseClick(child<QPushButton>("chooseVertices"), Qt::LeftButton);
    click(&view(), at);
    ASSERT_EQ(page().painter().choice().vertices.size(), 1U);
    const uint32_t vertex = *page().painter().choice().vertices.begin();
    VertexWeightsModel& table = page().vertices().weights();
    ASSERT_GT(table.rowCount(), 0);
    double sum = 0;
    for (const VertexWeightsModel::Row& row : table.rows()) {
        sum += row.weight;
    }
    EXPECT_NEAR(sum, 1, 1e-6);
    const std::string joint = table.rows()[0].name.toStdString();
    EXPECT_FALSE(table.setData(table.index(0, 1), "1.5", Qt::EditRole));
    EXPECT_FALSE(table.setData(table.index(0, 1), "much", Qt::EditRole));
    ASSERT_GT(table.rowCount(), 1) << "held by one joint alone: take another place";
    const int before_edits = window->document().undo().count();
    for (const char* typed : {"0.5", "0.25"}) {
        EXPECT_TRUE(table.setData(table.index(0, 1), typed, Qt::EditRole));
        QTest::qWait(20);
        settle();
        const auto row =
            std::find_if(table.rows().begin(), table.rows().end(),
                         [&](const VertexWeightsModel::Row& one) { return one.name.toStdString() == joint; });
        ASSERT_NE(row, table.rows().end());
        EXPECT_NEAR(row->weight, std::atof(typed), 1e-5);
        if (row != table.rows().begin()) {
            break; // the heaviest stands first, and that is another one now
        }
    }
    EXPECT_NEAR(weights(joint.c_str())[vertex], page().painter().choice().vertices.size() == 1 ? 0.5 : 0, 0.26);
    EXPECT_EQ(window->document().undo().count(), before_edits + 1) << "typing on is one to undo";
    undo();
    settle();

    QTest::mouseClick(child<QPushButton>("growChoice"), Qt::LeftButton);
    const size_t ring = page().painter().choice().vertices.size();
    EXPECT_GT(ring, 3U);
    QTest::mouseClick(child<QPushButton>("shrinkChoice"), Qt::LeftButton);
    EXPECT_LT(page().painter().choice().vertices.size(), ring);
    // A line around a part of the body chooses what faces the eye there.
    drag(&view(), at - QPoint(40, 40), at - QPoint(39, 39));
    QTest::mousePress(&view(), Qt::LeftButton, {}, at + QPoint(-25, -25));
    for (const QPoint& corner : {QPoint(25, -25), QPoint(25, 25), QPoint(-25, 25)}) {
        const QPoint to = at + corner;
        QMouseEvent move(QEvent::MouseMove, to, view().mapToGlobal(to), Qt::NoButton, Qt::LeftButton, Qt::NoModifier);
        QApplication::sendEvent(&view(), &move);
    }
    QTest::mouseRelease(&view(), Qt::LeftButton, {}, at + QPoint(-25, 25));
    EXPECT_GT(page().painter().choice().vertices.size(), 3U);
    // One number for all of them.
    auto* joints = child<QComboBox>("typedJoint");
    joints->setCurrentIndex(joints->findText("pelvis"));
    child<QDoubleSpinBox>("typedWeight")->setValue(0.5);
    const std::set<uint32_t> chosen = page().painter().choice().vertices;
    QTest::mouseClick(child<QPushButton>("setWeight"), Qt::LeftButton);
    settle();
    size_t half = 0;
    const std::vector<double> now = weights("pelvis");
    for (const uint32_t one : chosen) {
        half += std::abs(now[one] - 0.5) < 1e-5 ? 1 : 0;
    }
    EXPECT_EQ(half, chosen.size());
}

TEST_F(Paint, ALockedJointKeepsItsWeightsAndWithoutAJointNothingIsPainted) {
    open_surface("pelvis");
    const QPoint at = start_painting("pelvis");
    const std::vector<double> before = weights("pelvis");
    QTest::mouseClick(child<QPushButton>("lockJoint"), Qt::LeftButton);
    EXPECT_TRUE(page().painter().is_locked(node("pelvis").identity));
    drag(&view(), at, at + QPoint(30, 0));
    EXPECT_EQ(strokes(), 0U);
    choose_joint("LeftLeg_Hip");
    EXPECT_FALSE(child<QPushButton>("lockJoint")->isChecked());
    drag(&view(), at, at + QPoint(30, 0));
    settle();
    EXPECT_EQ(differing(before, weights("pelvis")), 0U);
    auto* box = child<QComboBox>("weightsOf");
    box->setCurrentIndex(0);
    Q_EMIT box->activated(0);
    const size_t kept = strokes();
    drag(&view(), at, at + QPoint(30, 0));
    EXPECT_EQ(strokes(), kept);
    EXPECT_TRUE(child<QLabel>("weightFacts")->text().contains("joint"));
}

} // namespace
} // namespace wembrix::app
