// Takes of other bodies in the window: the pairs, a correction by a click, the worst moment, the take beside.
#include "core/job/skeleton_edits.h"
#include "core/measure/skeleton/pose.h"
#include "core/plan/guide_rows.h"
#include "sedge.h"
#include "window_fixture.h"

#include <QTableView>

namespace wembrix::app {
namespace {

class Pairs : public Window {
  protected:
    void SetUp() override { start_with_take(true); }
    void start_with_take(bool has_take) {
        ASSERT_TRUE(folder.isValid());
        put(write_glb_unscaled(demo::sedge_surface(), "sedge_surface"));
        put(write_gltf_beside(demo::tansy_market_take(), "tansy_market"));
        Job job;
        job.name = "sedge";
        job.sources = {"sedge_surface.glb"};
        if (has_take) {
            job.sources.emplace_back("tansy_market.gltf");
            job.sources[1].role = SourceRole::take;
        }
        job.destinations = built_in_destinations();
        BuildOnCard build;
        build.plan = plan_called("bird").take();
        build.guides = demo::sedge_guides();
        set_build(job, build);
        job_file = folder.filePath("sedge.wembrix");
        ASSERT_TRUE(write_job(job, job_file.toStdString()).ok());
        with_drift = false;
        start();
    }
    TakesStation& page() { return window->page<TakesStation>(); }
    PairsModel& model() { return page().pairs().model(); }
    const Scene& prepared() { return window->session().state()->replay.prepared(); }
    void settled() {
        settle();
        ASSERT_TRUE(wait_for([&] { return page().pairs().is_ready(); }));
        QTest::qWait(60);
    }
    int row_of(const QString& here) {
        for (int row = 0; row < model().rowCount(); ++row) {
            if (model().index(row, PairsModel::here).data().toString() == here) {
                return row;
            }
        }
        return -1;
    }
};

TEST_F(Pairs, ATakeOfAnotherBodyIsPutOnCorrectedAndUndone) {
    open();
    window->choose_station(3);
    EXPECT_FALSE(child<QPushButton>("pairsSide")->isVisible()) << "nothing is retargeted yet";
    // Its finding offers the step.
    window->choose_station(0);
    QPushButton* offered = finding_button(QStringLiteral("retarget"));
    ASSERT_NE(offered, nullptr);
    QTest::mouseClick(offered, Qt::LeftButton);
    settle();
    EXPECT_EQ(finding_button(QStringLiteral("retarget")), nullptr) << "mended";
    ASSERT_EQ(prepared().clips.size(), 1U);
    EXPECT_GT(prepared().clips[0].channels.size(), 30U);
    window->choose_station(3);
    QTest::mouseClick(child<QPushButton>("pairsSide"), Qt::LeftButton);
    settled();
    ASSERT_GT(model().rowCount(), 30);
    const int knee = row_of("leg_2_l");
    ASSERT_GE(knee, 0);
    EXPECT_EQ(model().index(knee, PairsModel::source).data().toString(), "LeftLeg_Shank");
    EXPECT_TRUE(model().index(knee, PairsModel::apart).data().toString().endsWith(QStringLiteral("°")));
    EXPECT_EQ(model().index(row_of("wing_1_l … wing_4_l"), PairsModel::how).data().toString(), "spread");
    // The take stands beside, with its own joints and under the same clock.
    EXPECT_TRUE(wait_for([&] {
        const PosedScene* left = window->twin().left().view().posed();
        return left != nullptr && joints_of(left->scene()).size() == 63;
    }));
    // The tail is told to rest.
    auto* table = child<QTableView>("pairsTable");
    const QModelIndex cell = model().index(row_of("tail_1"), PairsModel::source);
    table->scrollTo(cell);
    QTest::qWait(30);
    const QPoint at = table->visualRect(cell).center();
    QTest::mouseClick(table->viewport(), Qt::LeftButton, Qt::NoModifier, at);
    QTest::mouseDClick(table->viewport(), Qt::LeftButton, Qt::NoModifier, at);
    QTest::qWait(30);
    auto* answer = table->findChild<QComboBox*>(QStringLiteral("answer"));
    ASSERT_NE(answer, nullptr);
    answer->setCurrentIndex(0);
    Q_EMIT answer->activated(0);
    settled();
    EXPECT_EQ(model().index(row_of("tail_1"), PairsModel::how).data().toString(), "rests");
    const int tail = prepared().find_node("tail_1");
    const auto turns = [&] {
        return std::any_of(prepared().clips[0].channels.begin(), prepared().clips[0].channels.end(),
                           [&](const Channel& channel) { return channel.node == tail; });
    };
    EXPECT_FALSE(turns());
    window->document().undo().undo();
    settled();
    EXPECT_TRUE(turns());
    // What a joint is of a body can be said, too.
    ASSERT_TRUE(table->model()->setData(model().index(row_of("tail_2"), PairsModel::how), QStringLiteral("prop"),
                                        Qt::EditRole));
    settled();
    EXPECT_EQ(model().index(row_of("tail_2"), PairsModel::how).data().toString(), "prop");
    const nlohmann::json& kept = window->document()
                                     .job()
                                     .steps[static_cast<size_t>(retarget_place(window->session().state()->replay))]
                                     .parameters.at("map");
    EXPECT_NE(kept.dump().find("\"prop\""), std::string::npos);
    window->document().undo().undo();
    settled();
    // The worst moment is a click away.
    auto* said = child<QLabel>("pairsSaid");
    const QString text = said->text();
    const qsizetype from = text.indexOf(QStringLiteral("href='")) + 6;
    const QString link = text.mid(from, text.indexOf(QLatin1Char('\''), from) - from);
    const int frame = link.mid(link.lastIndexOf(QLatin1Char('#')) + 1).toInt();
    Q_EMIT said->linkActivated(link);
    EXPECT_EQ(window->clock().clip(), "capture_07");
    EXPECT_EQ(window->clock().frame(), frame);
    // Another station shows what was received again.
    window->choose_station(0);
    ASSERT_TRUE(wait_for([&] { return window->twin().left().view().is_ready(); }));
    QTest::qWait(60);
    EXPECT_TRUE(joints_of(window->twin().left().view().posed()->scene()).empty());
}

class DroppedTake : public Pairs {
    void SetUp() override { start_with_take(false); }
};

TEST_F(DroppedTake, IsRetargetedAndArrives) {
    open();
    ASSERT_TRUE(prepared().clips.empty());
    QMimeData mime;
    mime.setUrls({QUrl::fromLocalFile(folder.filePath("tansy_market.gltf"))});
    QDragEnterEvent enter(QPoint(400, 300), Qt::CopyAction, &mime, Qt::LeftButton, Qt::NoModifier);
    QApplication::sendEvent(window.get(), &enter);
    ASSERT_TRUE(enter.isAccepted());
    QDropEvent drop(QPointF(400, 300), Qt::CopyAction, &mime, Qt::LeftButton, Qt::NoModifier);
    QApplication::sendEvent(window.get(), &drop);
    settle();
    ASSERT_EQ(window->document().job().sources.size(), 2U);
    QPushButton* offered = finding_button(QStringLiteral("retarget"));
    ASSERT_NE(offered, nullptr);
    QTest::mouseClick(offered, Qt::LeftButton);
    settle();
    const int hip = prepared().find_node("leg_1_l");
    const Quat standing = prepared().nodes[static_cast<size_t>(hip)].rest.rotation;
    double most = 0;
    const Poser poser(prepared(), prepared().find_clip("capture_07"));
    Pose pose;
    for (int frame = 0; frame < 900; frame += 30) {
        poser.at(frame / 30.0, pose);
        most = std::max(most, standing.angularDistance(pose.local[static_cast<size_t>(hip)].rotation));
    }
    EXPECT_GT(most, 0.05) << "she moves";
    window->choose_station("deliver");
    window->runner().deliver_cells(window->board().due());
    ASSERT_TRUE(wait_for([&] { return !window->runner().is_running(); }));
    settle();
    EXPECT_TRUE(window->board().due().empty()) << "all arrived";
    for (const Destination& destination : window->document().job().destinations) {
        EXPECT_NE(window->runner().last_arrival({destination.name, "clip:capture_07"}), nullptr) << destination.name;
    }
}

} // namespace
} // namespace wembrix::app
