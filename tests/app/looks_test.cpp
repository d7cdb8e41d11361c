// Materials, hairs, slots and hulls in the real window.
#include "bench_fixture.h"
#include "core/delivery/board.h"
#include "core/formats/format.h"
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
    // All others get their first weights anew.
    const Influences kept = prepared().nodes[static_cast<size_t>(before[0].node)].influences;
    page().painter().choose(choice);
    use_step([](StepDialog& dialog) {
        EXPECT_EQ(dialog.step().id, "bind_surface");
        EXPECT_EQ(dialog.step().parameters["keep_vertices"].size(), 1U);
    });
    press("bindOthers");
    settle();
    const Influences& now = prepared().nodes[static_cast<size_t>(before[0].node)].influences;
    WeightRow row;
    WeightRow own;
    size_t changed = 0;
    for (size_t v = 0; v + 1 < now.offsets.size(); ++v) {
        read_row(kept, v, own);
        read_row(now, v, row);
        const bool same = std::equal(row.begin(), row.end(), own.begin(), own.end(), [](const auto& a, const auto& b) {
            return a.joint == b.joint && a.weight == b.weight;
        });
        if (choice.vertices.count(static_cast<uint32_t>(v)) != 0) {
            EXPECT_TRUE(same) << v;
        } else {
            changed += same ? 0 : 1;
        }
    }
    EXPECT_GT(changed, 100U);
}

TEST_F(LooksBench, AHullIsChosenAndChangedByHandInTheView) {
    open_surface();
    press("hullsTab");
    use_step([](StepDialog&) {});
    press("makeRagdoll");
    settle();
    HullPanel& panel = page().hulls();
    ASSERT_TRUE(wait_for([&] { return panel.model().is_measured(); }));
    ASSERT_GT(panel.model().rowCount(), 5);
    child<QTableView>("hullTable")->selectRow(2);
    const std::string name = panel.model().name(2);
    const auto hull = [&]() -> const Hull& {
        const int node = prepared().find_node(name);
        return prepared().hulls[static_cast<size_t>(prepared().nodes[static_cast<size_t>(node)].hull)];
    };
    const auto in_view = [&](const Vec3& of_axes) {
        const Mat4& world = view().posed()->pose().world[static_cast<size_t>(prepared().find_node(name))];
        return view().place_of(point_of(world * axes_of(hull()), of_axes.cwiseProduct(extent_of(hull())))).toPoint();
    };
    const size_t card = steps();
    const Hull before = hull();
    // Its end is pulled away from its middle.
    const QPoint middle = in_view(Vec3::Zero());
    const QPoint end = in_view(Vec3(0, 1, 0));
    ASSERT_GT((end - middle).manhattanLength(), 12) << "the capsule lies across the view";
    drag(&view(), end, end + (end - middle) / 2);
    settle();
    ASSERT_EQ(steps(), card + 1);
    EXPECT_EQ(window->document().job().steps[card].id, "adjust_hulls");
    EXPECT_GT(hull().half_size.y(), before.half_size.y() * 1.05);
    EXPECT_NEAR(hull().half_size.x(), before.half_size.x(), 1e-9);
    // Then its middle is moved: the same step says both.
    const double length = hull().half_size.y();
    const QPoint from = in_view(Vec3::Zero());
    drag(&view(), from, from + QPoint(20, 0));
    settle();
    EXPECT_EQ(steps(), card + 1);
    EXPECT_NEAR(hull().half_size.y(), length, 1e-6);
    EXPECT_LT((in_view(Vec3::Zero()) - (from + QPoint(20, 0))).manhattanLength(), 4) << "it is where it was dropped";
    // The ring turns it about its middle.
    const QPoint axis = in_view(Vec3(0, 1, 0)) - in_view(Vec3::Zero());
    const QPoint ring = in_view(Vec3::Zero()) - QPoint(0, 46);
    drag(&view(), ring, in_view(Vec3::Zero()) + QPoint(46, 0));
    settle();
    const QPoint turned = in_view(Vec3(0, 1, 0)) - in_view(Vec3::Zero());
    EXPECT_LT((turned - QPoint(-axis.y(), axis.x())).manhattanLength(), 8) << "a quarter turn with the hand";
    // One undo each.
    window->document().undo().undo();
    window->document().undo().undo();
    window->document().undo().undo();
    settle();
    EXPECT_EQ(steps(), card);
    EXPECT_EQ(hull().half_size, before.half_size);
    // A click on another one chooses it.
    const int64_t first = panel.chosen();
    for (int row = 0; row < panel.model().rowCount() && panel.chosen() == first; ++row) {
        const int node = prepared().find_node(panel.model().name(row));
        const Hull& other = prepared().hulls[static_cast<size_t>(prepared().nodes[static_cast<size_t>(node)].hull)];
        const Mat4& world = view().posed()->pose().world[static_cast<size_t>(node)];
        click(&view(), view().place_of(point_of(world * axes_of(other), Vec3::Zero())).toPoint());
    }
    EXPECT_NE(panel.chosen(), first);
}

TEST_F(LooksBench, APoseIsSavedForASculptorVertexForVertex) {
    open_surface();
    const Scene& scene = prepared();
    const int body = surfaces_of(scene)[0];
    const QString name = QString::fromStdString(scene.nodes[static_cast<size_t>(body)].name);
    const QString file = folder.filePath("pose.obj");
    const QString said = page().save_for_sculpting(name, file);
    EXPECT_TRUE(said.contains(name)) << said.toStdString();
    const Result<Scene> back = read_scene(file.toStdString());
    ASSERT_TRUE(back.ok());
    EXPECT_EQ(back->meshes[0].point_count(),
              scene.meshes[static_cast<size_t>(scene.nodes[static_cast<size_t>(body)].mesh)].point_count());
    EXPECT_FALSE(page().save_for_sculpting("nobody", folder.filePath("no.obj")).isEmpty());
    EXPECT_FALSE(QFile::exists(folder.filePath("no.obj")));
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
