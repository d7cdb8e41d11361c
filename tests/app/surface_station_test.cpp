// The Surface station: what a joint holds is seen, bars and slots can be clicked, sliders move vertices in the view.
#include "bench_fixture.h"
#include "core/formats/obj/obj.h"
#include "core/measure/surface/rest_places.h"
#include "core/measure/surface/surface_facts.h"
#include "stations/surface/shape_picture.h"
#include "stations/surface/surface_station.h"

#include <set>

namespace wembrix::app {
namespace {

class SurfaceBench : public Bench {
  protected:
    void open_surface() {
        open_mended();
        window->choose_station("surface");
        settle();
    }
    SurfaceStation& page() { return window->page<SurfaceStation>(); }
    SceneView& view() { return window->twin().right().view(); }
    int64_t identity_of(const char* name) {
        return prepared().nodes[static_cast<size_t>(prepared().find_node(name))].identity;
    }
};

TEST_F(SurfaceBench, AJointThatIsChosenShowsWhatItHolds) {
    open_surface();
    ASSERT_NE(view().colours(), nullptr) << "influences, where no joint is chosen";
    EXPECT_FALSE(window->twin().left().isVisible()) << "Prepared alone";
    window->selection().choose(identity_of("LeftLeg_Shank"));
    ASSERT_NE(view().colours(), nullptr);
    EXPECT_EQ(view().colours()->title, "LeftLeg_Shank");
    EXPECT_EQ(child<QComboBox>("weightsOf")->currentText(), "LeftLeg_Shank");
    const Holding held =
        window->session().state()->prepared.held[static_cast<size_t>(prepared().find_node("LeftLeg_Shank"))];
    EXPECT_TRUE(child<QLabel>("weightFacts")->text().contains(QString::number(held.points)));
    // Exactly the vertices that it holds have another colour than the rest.
    size_t coloured = 0;
    const auto same = [](const Vec3f& a, const Vec3f& b) { return (a - b).norm() < 1e-6F; };
    const QColor clay = theme().clay;
    const Vec3f grey(static_cast<float>(clay.redF()), static_cast<float>(clay.greenF()),
                     static_cast<float>(clay.blueF()));
    for (const auto& [node, colours] : view().colours()->of) {
        for (const Vec3f& colour : colours) {
            coloured += same(colour, grey) ? 0 : 1;
        }
    }
    EXPECT_EQ(coloured, held.points);
    // From the box as well; and on another station the surface is as it is.
    auto* box = child<QComboBox>("weightsOf");
    const int at = box->findText("pelvis");
    ASSERT_GE(at, 0);
    box->setCurrentIndex(at);
    Q_EMIT box->activated(at);
    EXPECT_TRUE(window->selection().holds(identity_of("pelvis")));
    EXPECT_EQ(view().colours()->title, "pelvis");
    window->choose_station(0);
    EXPECT_EQ(view().colours(), nullptr);
    EXPECT_TRUE(window->twin().left().isVisible());
}

TEST_F(SurfaceBench, WhatWasNoticedIsShownVertexByVertex) {
    open_surface();
    const std::vector<Finding>& findings = window->session().state()->findings;
    const auto found = std::find_if(findings.begin(), findings.end(),
                                    [](const Finding& finding) { return finding.id == "influences"; });
    ASSERT_NE(found, findings.end());
    ASSERT_FALSE(found->vertices.empty());
    // From the link under the chart.
    Q_EMIT child<QLabel>("weightSums")->linkActivated(QStringLiteral("show%1").arg(found - findings.begin()));
    const WeightPainter::Choice choice = page().painter().choice();
    EXPECT_EQ(choice.surface, identity_of(found->surface.c_str()));
    EXPECT_EQ(choice.vertices.size(), found->vertices.size());
    const Node& surface = prepared().nodes[static_cast<size_t>(prepared().find_node(found->surface))];
    for (const uint32_t vertex : choice.vertices) {
        EXPECT_GT(surface.influences.offsets[vertex + 1] - surface.influences.offsets[vertex], 4U);
    }
    view().grabFramebuffer();
    size_t seen = 0;
    for (const Deformer::Surface& one : view().posed()->surfaces()) {
        for (const uint32_t vertex : choice.vertices) {
            if (one.node == prepared().find_node(found->surface)) {
                const Vec3 at = view().posed()->points()[one.first + vertex].cast<double>();
                seen += QRectF(view().rect()).contains(view().place_of(at)) ? 1 : 0;
            }
        }
    }
    EXPECT_EQ(seen, choice.vertices.size()) << "all of them are in the view";
    // The same by a click on the finding in Intake.
    page().painter().choose({});
    window->choose_station("intake");
    window->go_to(*found);
    EXPECT_TRUE(page().isVisible());
    EXPECT_EQ(page().painter().choice().vertices.size(), found->vertices.size());
}

TEST_F(SurfaceBench, ABarShowsItsVerticesAndLimitsAreOfferedAsSteps) {
    open_surface();
    InfluenceChart& chart = page().chart();
    const std::vector<size_t> counts = influence_histogram(prepared(), surfaces_of(prepared()));
    ASSERT_GT(counts.size(), 2U);
    size_t bar = counts.size() - 1;
    QTest::mouseClick(&chart, Qt::LeftButton, {}, chart.bar(bar).center().toPoint());
    EXPECT_EQ(chart.chosen(), bar);
    ASSERT_NE(view().colours(), nullptr);
    EXPECT_TRUE(view().colours()->title.contains(QString::number(bar)));
    QTest::mouseClick(&chart, Qt::LeftButton, {}, chart.bar(bar).center().toPoint());
    EXPECT_EQ(chart.chosen(), 0U);

    const size_t before = steps();
    use_step([](StepDialog& dialog) { EXPECT_EQ(dialog.step().id, "limit_influences"); });
    QTest::mouseClick(child<QPushButton>("limit_influences"), Qt::LeftButton);
    settle();
    ASSERT_EQ(steps(), before + 1);
    const std::vector<Step>& card = window->document().job().steps;
    EXPECT_TRUE(std::any_of(card.begin(), card.end(), [](const Step& step) {
        return step.id == "limit_influences" && step.parameters["keep"] == "least_motion";
    }));
    undo();
    settle();
}

TEST_F(SurfaceBench, ASliderMovesVerticesInTheViewAndNothingElse) {
    open_surface();
    ASSERT_GT(page().rack().count(), 3U);
    const QList<QSlider*> sliders = window->findChildren<QSlider*>("shapeSlider");
    ASSERT_EQ(static_cast<size_t>(sliders.size()), page().rack().count());
    const ShapeFacts shape = shape_facts(prepared())[0];
    ASSERT_GT(shape.vertices, 0U);
    ASSERT_NE(view().posed(), nullptr);
    view().grabFramebuffer();
    const std::vector<Vec3f> before = view().posed()->points();
    const size_t before_steps = steps();
    QTest::keyClick(sliders[0], Qt::Key_End);
    view().grabFramebuffer();
    const std::vector<Vec3f>& after = view().posed()->points();
    size_t moved = 0;
    for (size_t v = 0; v < before.size(); ++v) {
        moved += (before[v] - after[v]).norm() > 1e-7F ? 1 : 0;
    }
    EXPECT_GT(moved * 10, shape.vertices * 8);
    EXPECT_LE(moved, shape.vertices);
    EXPECT_EQ(steps(), before_steps) << "the job does not change";
    ASSERT_EQ(page().rack().held().size(), 1U);
    QTest::mouseClick(child<QPushButton>("releaseShapes"), Qt::LeftButton);
    EXPECT_TRUE(page().rack().held().empty());
    view().grabFramebuffer();
    for (size_t v = 0; v < before.size(); ++v) {
        ASSERT_LT((before[v] - view().posed()->points()[v]).norm(), 1e-6F);
    }
}

TEST_F(SurfaceBench, ASculptThatIsDroppedBecomesAShape) {
    open_surface();
    // Somebody sculpts on what they were sent: the same vertices, some of them elsewhere.
    const Scene& received = *window->session().state()->replay.received;
    const int body = surfaces_of(received)[0];
    Scene sculpt;
    Mesh mesh = received.meshes[static_cast<size_t>(received.nodes[static_cast<size_t>(body)].mesh)];
    mesh.shapes.clear();
    mesh.shape_weights.clear();
    const std::vector<Vec3f> places = rest_places(received, body);
    mesh.positions = places;
    for (size_t v = 0; v < 200; ++v) {
        mesh.positions.edit()[v] += Vec3f(0, 3, 0); // the model came in centimetres
    }
    Node node;
    node.name = "frown";
    node.mesh = 0;
    sculpt.nodes.push_back(node);
    sculpt.meshes.push_back(mesh);
    const QString file = folder.filePath("frown.obj");
    ASSERT_TRUE(write_file_whole(file.toStdString(), write_obj(sculpt, "frown")->front().bytes).ok());
    const size_t before = page().rack().count();
    window->open_paths({file});
    settle();
    const std::vector<Finding>& findings = window->session().state()->findings;
    const auto found = std::find_if(findings.begin(), findings.end(),
                                    [](const Finding& finding) { return finding.id == "loose_sculpt"; });
    ASSERT_NE(found, findings.end());
    window->document().edit("shape", [&](Job& job) { job.steps.push_back(*found->step); });
    settle();
    EXPECT_EQ(page().rack().count(), before + 1);
}

TEST_F(SurfaceBench, ASlotStandsOut) {
    open_surface();
    QTest::mouseClick(child<QPushButton>("slotsTab"), Qt::LeftButton);
    auto* table = child<QTableWidget>("slotTable");
    const std::vector<SlotFacts> facts = slot_facts(prepared());
    ASSERT_EQ(table->rowCount(), static_cast<int>(facts.size()));
    table->setCurrentCell(0, 2);
    ASSERT_NE(view().colours(), nullptr);
    ASSERT_EQ(view().colours()->of.size(), 1U);
    EXPECT_EQ(view().colours()->of.begin()->first, facts[0].node);
    EXPECT_TRUE(view().colours()->high.isEmpty()) << "no scale";
    QTest::mouseClick(child<QPushButton>("shapesTab"), Qt::LeftButton);
    ASSERT_NE(view().colours(), nullptr);
    EXPECT_FALSE(view().colours()->high.isEmpty());
}

TEST_F(SurfaceBench, PicturesOfShapesShowWhatTheyMove) {
    open_surface();
    size_t with_tint = 0;
    for (const ShapeFacts& shape : shape_facts(prepared())) {
        const QImage picture = shape_picture(prepared(), shape.node, shape.shape, QSize(72, 54));
        ASSERT_EQ(picture.size(), QSize(72, 54));
        size_t reddish = 0;
        std::set<QRgb> colours;
        for (int y = 0; y < picture.height(); ++y) {
            for (int x = 0; x < picture.width(); ++x) {
                const QColor colour = picture.pixelColor(x, y);
                colours.insert(picture.pixel(x, y));
                reddish += colour.red() > colour.green() + 40 ? 1 : 0;
            }
        }
        EXPECT_GT(colours.size(), 10U) << shape.name << ": the surface is in the picture";
        with_tint += reddish > 10 ? 1 : 0;
        EXPECT_EQ(reddish > 10, shape.vertices > 0) << shape.name;
    }
    EXPECT_GT(with_tint, 3U);
}

} // namespace
} // namespace wembrix::app
