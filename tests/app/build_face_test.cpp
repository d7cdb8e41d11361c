// A skeleton built into a bare surface, with real clicks, drags and keys.
#include "sedge.h"
#include "window_fixture.h"

#include <QDoubleSpinBox>
#include <QTableView>

namespace wembrix::app {
namespace {

class BuildFace : public Window {
  protected:
    void SetUp() override {
        ASSERT_TRUE(folder.isValid());
        put(write_glb_unscaled(demo::sedge_surface(), "sedge_surface"));
        Job job;
        job.name = "sedge";
        job.sources = {"sedge_surface.glb"};
        job.destinations = built_in_destinations();
        job_file = folder.filePath("sedge.wembrix");
        ASSERT_TRUE(write_job(job, job_file.toStdString()).ok());
        with_drift = false;
        start();
    }
    void open_build() {
        open();
        window->choose_station(1);
        press("buildFace");
        ASSERT_TRUE(wait_for([&] { return board().is_ready(); }));
        QTest::qWait(40);
    }
    void settled() {
        settle();
        ASSERT_TRUE(wait_for([&] { return board().is_ready(); }));
        QTest::qWait(60);
    }
    void press(const char* name) { QTest::mouseClick(child<QPushButton>(name), Qt::LeftButton); }
    JointsStation& page() { return window->page<JointsStation>(); }
    GuideBoard& board() { return page().build().board(); }
    SceneView& view() { return *window->twin().prepared_view(); }
    const Scene& prepared() { return window->session().state()->replay.prepared(); }
    void choose_plan(const QString& name) {
        auto* combo = child<QComboBox>("planChoice");
        const int at = combo->findText(name);
        ASSERT_GE(at, 0);
        combo->setCurrentIndex(at);
        Q_EMIT combo->activated(at);
        settled();
    }
    void drag(const QPoint& from, const QPoint& to) {
        QTest::mousePress(&view(), Qt::LeftButton, Qt::NoModifier, from);
        for (int i = 1; i <= 4; ++i) {
            QMouseEvent move(QEvent::MouseMove, QPointF(from + (to - from) * i / 4),
                             view().mapToGlobal(QPointF(from + (to - from) * i / 4)), Qt::LeftButton, Qt::LeftButton,
                             Qt::NoModifier);
            QApplication::sendEvent(&view(), &move);
        }
        QTest::mouseRelease(&view(), Qt::LeftButton, Qt::NoModifier, to);
    }
    QPoint seen(const GuideId& id) { return view().place_of(board().guides().at(id)).toPoint(); }
    const Step& build_step() {
        return window->document().job().steps.at(static_cast<size_t>(build_place(window->document().job())));
    }
};

TEST_F(BuildFace, FromABareSurfaceToABoundBodyThatArrives) {
    open_build();
    choose_plan("bird");
    press("suggestGuides");
    settled();
    ASSERT_EQ(build_place(window->document().job()), 0);
    EXPECT_FALSE(build_step().on) << "kept, and not built yet";
    EXPECT_TRUE(joints_of(prepared()).empty());
    for (const Guide& guide : board().guides().all) {
        EXPECT_TRUE(guide.by_hand) << guide_label(board().plan(), guide.id);
    }
    // One joint less in the neck, typed into the table.
    auto* table = child<QTableView>("planTable");
    const int neck = page().build().model().row_of("neck");
    const QModelIndex cell = page().build().model().index(neck, PlanModel::joints);
    QTest::mouseClick(table->viewport(), Qt::LeftButton, Qt::NoModifier, table->visualRect(cell).center());
    QTest::qWait(20);
    QWidget* editor = QApplication::focusWidget();
    ASSERT_NE(editor, nullptr);
    QTest::keyClick(editor, Qt::Key_A, Qt::ControlModifier);
    QTest::keyClicks(editor, "5");
    QTest::keyClick(editor, Qt::Key_Return);
    settled();
    EXPECT_EQ(board().plan().chains[static_cast<size_t>(board().plan().find("neck"))].joints(), 5);
    press("buildSkeleton");
    settled();
    EXPECT_TRUE(build_step().on);
    EXPECT_EQ(joints_of(prepared()).size(), 41U);
    EXPECT_EQ(root_joints(prepared()).size(), 1U);
    EXPECT_TRUE(board().is_built());
    child<QComboBox>("bindMethod")->setCurrentIndex(1); // through the volume
    press("bindSurface");
    settled();
    ASSERT_EQ(steps(), 2U);
    for (const int surface : surfaces_of(prepared())) {
        const Node& node = prepared().nodes[static_cast<size_t>(surface)];
        EXPECT_GE(node.skin, 0);
        EXPECT_FALSE(node.influences.empty());
    }
    // A guide that is moved now builds anew, and what was bound is bound again.
    const Vec3 before = board().guides().at({"leg", 1, 2, Side::left});
    board().choose(GuideId{"leg", 1, 2, Side::left});
    auto* y = child<QDoubleSpinBox>("guideY");
    y->setFocus();
    y->setValue(before.y() * 1000 + 10);
    settled();
    const int knee = prepared().find_node("leg_2_l");
    ASSERT_GE(knee, 0);
    EXPECT_NEAR(point_of(rest_world(prepared())[static_cast<size_t>(knee)], Vec3::Zero()).y(), before.y() + 0.01, 1e-4);
    EXPECT_EQ(steps(), 2U);
    // Delivered as any other.
    window->choose_station("deliver");
    window->runner().deliver_cells(window->board().due());
    ASSERT_TRUE(wait_for([&] { return !window->runner().is_running(); }));
    settle();
    EXPECT_TRUE(window->board().due().empty()) << "all arrived";
    for (const Destination& destination : window->document().job().destinations) {
        const auto* arrival = window->runner().last_arrival({destination.name, "model"});
        ASSERT_NE(arrival, nullptr);
    }
}

TEST_F(BuildFace, AGuideIsDraggedOverTheViewAndAlongAnAxis) {
    open_build();
    choose_plan("bird");
    press("suggestGuides");
    settled();
    window->camera().look_from(0.95, 0.12);
    QTest::qWait(60);
    const GuideId left = {"leg", 1, 2, Side::left};
    const GuideId right = {"leg", 1, 2, Side::right};
    const Vec3 before = board().guides().at(left);
    const QPoint from = seen(left);
    drag(from, from + QPoint(14, -9));
    settled();
    ASSERT_TRUE(board().chosen().has_value());
    EXPECT_EQ(*board().chosen(), left);
    EXPECT_LT((seen(left) - (from + QPoint(14, -9))).manhattanLength(), 4) << "it is where it was dropped";
    EXPECT_GT((board().guides().at(left) - before).norm(), 0.005);
    const Vec3 moved = board().guides().at(left);
    EXPECT_LT((mirrored(moved, board().guides().middle_x) - board().guides().at(right)).norm(), 1e-5)
        << "the other side went along";
    // Along Z alone, by its arm.
    const QPoint middle = seen(left);
    const QPointF along = view().place_of(moved + 0.05 * Vec3::UnitZ()) - view().place_of(moved);
    const QPoint arm = middle + (along * (44 / std::hypot(along.x(), along.y()))).toPoint();
    drag(arm, arm + (along * 0.8).toPoint());
    settled();
    const Vec3 now = board().guides().at(left);
    EXPECT_NEAR(now.x(), moved.x(), 2e-6);
    EXPECT_NEAR(now.y(), moved.y(), 2e-6);
    EXPECT_NEAR(now.z(), moved.z() + 0.04, 0.008);
    // Each drag is one undo.
    window->document().undo().undo();
    settled();
    EXPECT_LT((board().guides().at(left) - moved).norm(), 1e-5);
    window->document().undo().undo();
    settled();
    EXPECT_LT((board().guides().at(left) - before).norm(), 1e-5);
}

TEST_F(BuildFace, OneSideAloneAndTheMiddleOfTheLimb) {
    open_build();
    choose_plan("bird");
    press("suggestGuides");
    settled();
    window->camera().look_from(0.95, 0.12);
    QTest::qWait(60);
    const GuideId left = {"leg", 1, 3, Side::left};
    const GuideId right = {"leg", 1, 3, Side::right};
    const Vec3 other = board().guides().at(right);
    QTest::mouseClick(child<QCheckBox>("guidesMirrored"), Qt::LeftButton, Qt::NoModifier, QPoint(8, 8));
    ASSERT_FALSE(board().is_mirrored());
    const QPoint from = seen(left);
    drag(from, from + QPoint(5, 3));
    settled();
    EXPECT_LT((board().guides().at(right) - other).norm(), 1e-5) << "that one stays";
    const std::optional<LimbMiddle> middle = board().middle_of_chosen();
    ASSERT_TRUE(middle.has_value());
    EXPECT_GT((board().guides().at(left) - middle->at).norm(), 0.002);
    press("guideToMiddle");
    settled();
    EXPECT_LT((board().guides().at(left) - middle->at).norm(), 0.02 * middle->thickness_m);
    // Dropped beside it with the snap on, it goes there by itself.
    QTest::mouseClick(child<QCheckBox>("guidesSnap"), Qt::LeftButton, Qt::NoModifier, QPoint(8, 8));
    const QPoint back = seen(left);
    drag(back, back + QPoint(4, 0));
    settled();
    ASSERT_TRUE(board().middle_of_chosen().has_value());
    EXPECT_LT((board().guides().at(left) - board().middle_of_chosen()->at).norm(),
              0.02 * board().middle_of_chosen()->thickness_m);
    // Escape lets it go; guides can be chosen all the same.
    QTest::keyClick(&view(), Qt::Key_Escape);
    EXPECT_FALSE(board().chosen().has_value());
    QTest::mouseClick(&view(), Qt::LeftButton, Qt::NoModifier, seen(right));
    EXPECT_EQ(board().chosen(), std::optional<GuideId>(right));
}

TEST_F(BuildFace, NothingIsBuiltIntoASkeletonThatIsThere) {
    put(write_glb_unscaled(demo::tansy_model(), "tansy_model"));
    Job job;
    job.name = "tansy";
    job.sources = {"tansy_model.glb"};
    job_file = folder.filePath("tansy.wembrix");
    ASSERT_TRUE(write_job(job, job_file.toStdString()).ok());
    open();
    window->choose_station(1);
    press("buildFace");
    ASSERT_TRUE(wait_for([&] { return board().is_ready(); }));
    QTest::qWait(40);
    EXPECT_FALSE(child<QPushButton>("buildSkeleton")->isEnabled());
    EXPECT_FALSE(child<QPushButton>("suggestGuides")->isEnabled());
    EXPECT_TRUE(child<QLabel>("buildSaid")->text().contains("63"));
    // Back on the ladder the view shows two states again.
    press("ladderFace");
    EXPECT_EQ(window->twin().mode(), TwinMode::overlaid);
    EXPECT_TRUE(page().ladder().isVisible());
}

} // namespace
} // namespace wembrix::app
