// Materials, hairs, slots and hulls in the real window.
#include "bench_fixture.h"
#include "core/delivery/board.h"
#include "stations/surface/surface_station.h"

#include <QBuffer>
#include <QImage>
#include <QTableView>

namespace wembrix::app {
namespace {

class LooksBench : public Bench {
  protected:
    void open_surface() {
        open_mended();
        window->choose_station("surface");
        settle();
    }
    SurfaceStation& page() { return window->page<SurfaceStation>(); }
    SceneView& view() { return window->twin().right().view(); }
    void press(const char* button) {
        QTest::mouseClick(child<QPushButton>(button), Qt::LeftButton);
        QTest::qWait(60); // the view gets another size where the chart gives it room
    }
    /// How many pixels of the pane differ.
    static size_t apart(const QImage& a, const QImage& b) {
        EXPECT_EQ(a.size(), b.size());
        size_t count = 0;
        for (int y = 0; y < std::min(a.height(), b.height()); ++y) {
            for (int x = 0; x < std::min(a.width(), b.width()); ++x) {
                count += a.pixel(x, y) != b.pixel(x, y) ? 1 : 0;
            }
        }
        return count;
    }
    static size_t reddish(const QImage& image) {
        size_t count = 0;
        for (int y = 0; y < image.height(); ++y) {
            for (int x = 0; x < image.width(); ++x) {
                const QColor colour = image.pixelColor(x, y);
                count += colour.red() > 2 * colour.green() + 20 && colour.red() > 2 * colour.blue() + 20 ? 1 : 0;
            }
        }
        return count;
    }
};

TEST_F(LooksBench, AnImageThatIsSetIsSeenUnderALightThatTurns) {
    open_surface();
    press("slotsTab");
    auto* table = child<QTableWidget>("slotTable");
    table->setCurrentCell(0, 0);
    // Whatever slot is first: its material gets a red image.
    QImage red(16, 16, QImage::Format_RGB32);
    red.fill(Qt::red);
    const QString file = folder.filePath("red.png");
    ASSERT_TRUE(red.save(file));
    const QString material = table->item(0, 2)->text();
    use_step([&](StepDialog& dialog) {
        EXPECT_EQ(dialog.step().id, "set_material");
        EXPECT_EQ(dialog.step().parameters["materials"][0].get<std::string>(), material.toStdString());
        dialog.take_image("base_colour_image", file);
        EXPECT_EQ(dialog.step().data.size(), 1U);
    });
    press("setMaterial");
    settle();
    ASSERT_EQ(window->document().job().steps.back().id, "set_material");
    table->setCurrentCell(-1, -1);
    const QImage clay = view().grabFramebuffer();
    child<QCheckBox>("showLooks")->setChecked(true);
    const QImage shown = view().grabFramebuffer();
    EXPECT_GT(apart(clay, shown), 500U);
    EXPECT_GT(reddish(shown), reddish(clay) + 200);
    EXPECT_GT(view().looks().textures(), 0U);
    child<QSlider>("turnLight")->setValue(140);
    EXPECT_GT(apart(shown, view().grabFramebuffer()), 200U) << "the light can be turned";
    table->setCurrentCell(0, 0);
    child<QCheckBox>("onlySlot")->setChecked(true);
    const QImage alone = view().grabFramebuffer();
    EXPECT_GT(reddish(alone), 100U);
    EXPECT_GT(apart(alone, shown), 200U) << "the other slots are gone";
    // The image is saved beside the job, as what was painted is.
    ASSERT_TRUE(window->document().save(job_file).ok());
    EXPECT_EQ(QDir(job_file + ".data").entryList(QDir::Files).size(), 1);
    press("shapesTab");
    EXPECT_FALSE(view().looks().is_shown()) << "clay again where shapes are looked at";
}

TEST_F(LooksBench, NormalsAreSeenAsHairs) {
    open_surface();
    press("slotsTab");
    child<QTableWidget>("slotTable")->setCurrentCell(-1, -1);
    const QImage bare = view().grabFramebuffer();
    child<QComboBox>("hairs")->setCurrentIndex(1);
    EXPECT_EQ(view().hairs().hairs(), Hairs::normals);
    EXPECT_GT(apart(bare, view().grabFramebuffer()), 300U);
    window->choose_station(0);
    EXPECT_EQ(view().hairs().hairs(), Hairs::none) << "no other station shows them";
}

TEST_F(LooksBench, FacesBetweenChosenVerticesGoToAnotherSlot) {
    open_surface();
    const std::vector<SlotFacts> before = slot_facts(prepared());
    const Mesh& mesh =
        prepared().meshes[static_cast<size_t>(prepared().nodes[static_cast<size_t>(before[0].node)].mesh)];
    WeightPainter::Choice choice{prepared().nodes[static_cast<size_t>(before[0].node)].identity, {}};
    for (uint32_t v = mesh.primitives[0].first_point; v < mesh.primitives[0].first_point + 60; ++v) {
        choice.vertices.insert(v);
    }
    press("verticesTab");
    page().painter().choose(choice);
    use_step([](StepDialog& dialog) {
        EXPECT_EQ(dialog.step().id, "move_faces");
        EXPECT_EQ(dialog.step().parameters["vertices"].size(), 1U);
    });
    press("moveFaces");
    settle();
    EXPECT_EQ(slot_facts(prepared()).size(), before.size() + 1);
}

TEST_F(LooksBench, ARagdollsHullsAreMadeSeenAndDelivered) {
    open_surface();
    press("hullsTab");
    EXPECT_EQ(page().hulls().model().rowCount(), 0);
    const QImage bare = view().grabFramebuffer();
    use_step([](StepDialog& dialog) {
        EXPECT_EQ(dialog.step().id, "make_hulls");
        EXPECT_EQ(dialog.step().parameters["from"], "joints");
    });
    press("makeRagdoll");
    settle();
    HullsModel& hulls = page().hulls().model();
    ASSERT_GT(hulls.rowCount(), 5);
    const QImage with = view().grabFramebuffer();
    EXPECT_GT(apart(bare, with), 500U);
    child<QTableView>("hullTable")->selectRow(1);
    EXPECT_GT(apart(with, view().grabFramebuffer()), 20U) << "the chosen one stands out";
    // A click of "leave behind" takes the chosen one out again.
    const int all = hulls.rowCount();
    const std::string gone = hulls.name(1);
    use_step([&](StepDialog& dialog) { EXPECT_EQ(dialog.step().parameters["names"][0], gone); });
    press("leaveHull");
    settle();
    EXPECT_EQ(hulls.rowCount(), all - 1);
    EXPECT_LT(prepared().find_node(gone), 0);
    // They arrive as the destination says.
    const Destination& destination = window->document().job().destinations[0];
    DeliveryRunner& runner = window->runner();
    runner.deliver_cells({{destination.name, "model"}});
    ASSERT_TRUE(wait_for([&] { return !runner.is_running(); }));
    const Arrival* arrival = runner.last_arrival({destination.name, "model"});
    ASSERT_NE(arrival, nullptr);
    EXPECT_EQ(arrival->state, CellState::arrived) << arrival->reason;
    size_t arrived = 0;
    for (const Node& node : arrival->scene->nodes) {
        arrived += node.mesh >= 0 && node.name.find("_hull_") != std::string::npos ? 1 : 0;
    }
    EXPECT_EQ(arrived, static_cast<size_t>(hulls.rowCount()));
}

} // namespace
} // namespace wembrix::app
