// The Strands station: faces chosen in the view become a region, guides are planted, shaped and mirrored there, strands
// grow between them, follow, and arrive.
#include "core/job/strand_edits.h"
#include "core/measure/strands/strand_facts.h"
#include "stations/deliver/deliver_station.h"
#include "stations/strands/strands_station.h"
#include "window_fixture.h"

#include <QDoubleSpinBox>
#include <QScrollArea>
#include <QSpinBox>
#include <QUndoStack>
#include <filesystem>
#include <numeric>

namespace wembrix::app {
namespace {

class StrandsFace : public Window {
  protected:
    void SetUp() override {
        with_drift = false;
        Window::SetUp();
        Job job = read_job(job_file.toStdString()).take();
        job.steps = {
            {"leave_behind", {{"kinds", {"camera", "light"}}, {"names", {"set_floor", "*ik_world", "props_holder"}}}},
            {"strip_prefix"},
            {"bake_parent_transforms"},
            {"scale", {{"factor", 0.01}}},
            {"make_root", {{"name", "root"}}},
            {"normalize_weights"},
            {"split_take", {{"take", "capture_07"}, {"clips", {{{"name", "shake"}, {"start", 760}, {"end", 780}}}}}}};
        ASSERT_TRUE(write_job(job, job_file.toStdString()).ok());
    }
    void open_strands() {
        open();
        window->choose_station("strands");
        window->camera().look_from(0, 0.05);
        window->camera().frame(Vec3(0, 0.775 / 1.618, 0.2), 0.3); // the post bag fills the pane
        QTest::qWait(60);
    }
    void press(const char* name) {
        auto* button = child<QPushButton>(name);
        ASSERT_TRUE(button->isEnabled()) << name;
        QTest::mouseClick(button, Qt::LeftButton);
    }
    StrandsStation& page() { return window->page<StrandsStation>(); }
    StrandBoard& board() { return page().board(); }
    SceneView& view() { return *window->twin().prepared_view(); }
    const Scene& prepared() { return window->session().state()->replay.prepared(); }
    QPoint at(const Vec3& world) { return view().place_of(world).toPoint(); }
    void click(const QPoint& place, Qt::KeyboardModifiers keys = Qt::NoModifier) {
        QTest::mouseClick(&view(), Qt::LeftButton, keys, place);
        QTest::qWait(30);
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
        settle();
    }
    nlohmann::json parameters(const char* step) {
        const Job& job = window->document().job();
        const std::optional<size_t> place = strand_step_place(job, step, "fringe");
        EXPECT_TRUE(place) << step;
        return place ? job.steps[*place].parameters : nlohmann::json::object();
    }
    void type(const char* box, double value) {
        auto* field = child<QDoubleSpinBox>(box);
        field->setFocus();
        field->selectAll();
        QTest::keyClicks(field, QString::number(value));
        QTest::keyClick(field, Qt::Key_Return);
        settle();
    }
    /// A region on the front of the bag, and guides on it.
    void begin() {
        press("chooseFaces");
        click(at({0, 0.79, 0.41}));
        ASSERT_GE(page().chosen_vertices().size(), 1U);
        press("floodFaces");
        child<QComboBox>("whichStrands")->setEditText("fringe");
        press("takeRegion");
        settle();
        ASSERT_TRUE(board().is_made());
        for (const double x : {-0.05, 0.02, 0.06}) {
            click(at({x, 0.79, 0.41}));
            settle();
        }
        ASSERT_EQ(board().guides().size(), 3U);
    }
};

TEST_F(StrandsFace, FromFacesInTheViewToStrandsThatArrive) {
    open_strands();
    EXPECT_TRUE(child<QPushButton>("takeRegion")->isVisible());
    EXPECT_FALSE(child<QPushButton>("takeRegion")->isEnabled()) << "nothing is chosen";
    EXPECT_FALSE(child<QPushButton>("plantGuides")->isEnabled()) << "nothing to plant on";
    press("chooseFaces");
    click(at({0, 0.79, 0.41}));
    const size_t one = page().chosen_vertices().size();
    ASSERT_GE(one, 1U);
    press("growFaces");
    const size_t ring = page().chosen_vertices().size();
    EXPECT_GT(ring, one);
    press("floodFaces");
    const size_t all = page().chosen_vertices().size();
    EXPECT_GT(all, ring);
    const int bag = prepared().find_node("post_bag");
    EXPECT_LT(all,
              prepared().meshes[static_cast<size_t>(prepared().nodes[static_cast<size_t>(bag)].mesh)].point_count())
        << "the flap and the straps are pieces of their own";
    child<QComboBox>("whichStrands")->setEditText("fringe");
    press("takeRegion");
    settle();
    EXPECT_EQ(parameters("strand_region")["surface"], "post_bag");
    EXPECT_EQ(board().name(), "fringe");
    EXPECT_TRUE(child<QPushButton>("plantGuides")->isChecked()) << "what comes next";

    // Planted along the normal, one by one.
    for (const double x : {-0.05, 0.02, 0.06}) {
        click(at({x, 0.79, 0.41}));
        settle();
    }
    ASSERT_EQ(board().guides().size(), 3U);
    EXPECT_NEAR(guide_length(board().guides()[0]), 0.05, 1e-6);
    EXPECT_GT(board().guides()[0].back().z() - board().guides()[0].front().z(), 0.03) << "out of the bag's front";
    EXPECT_EQ(parameters("strand_guides")["guides"].size(), 3U);
    EXPECT_EQ(board().chosen(), std::set<size_t>{2});

    // Mirrored: the chosen one comes once more on the other side.
    press("mirrorGuides");
    settle();
    ASSERT_EQ(board().guides().size(), 4U);
    EXPECT_NEAR(board().guides()[3].front().x(), -board().guides()[2].front().x(), 2e-3);
    window->document().undo().undo();
    settle();
    EXPECT_EQ(board().guides().size(), 3U);
    window->document().undo().redo();
    settle();

    // Strands grow between them, as many as are typed.
    type("count", 150);
    press("plantGuides"); // put away
    const int node = prepared().find_node("fringe");
    ASSERT_GE(node, 0);
    const auto grown = [&] {
        return prepared().curve_sets[static_cast<size_t>(prepared().nodes[static_cast<size_t>(node)].curves)];
    };
    EXPECT_GT(grown().curve_count(), 100U);
    EXPECT_LE(grown().curve_count(), 150U);
    EXPECT_GT(view().strands().drawn(), 100U) << "and are drawn";
    type("width_root_mm", 2);
    EXPECT_FLOAT_EQ(grown().widths[0], 0.002F);

    // The profile is dragged: half way as wide as at the root.
    ProfilePlot& plot = page().panel().width_profile();
    auto* area = child<QScrollArea>("strandParts");
    area->ensureWidgetVisible(&plot);
    QTest::qWait(30);
    auto* canvas = plot.findChild<QWidget*>(QStringLiteral("plot"));
    ASSERT_NE(canvas, nullptr);
    const QPoint from = canvas->mapFrom(&plot, plot.place_of(2).toPoint());
    QTest::mousePress(canvas, Qt::LeftButton, Qt::NoModifier, from);
    QTest::mouseMove(canvas, QPoint(from.x(), 8));
    QTest::mouseRelease(canvas, Qt::LeftButton, Qt::NoModifier, QPoint(from.x(), 8));
    settle();
    const nlohmann::json profile = parameters("grow_strands")["width_profile"];
    ASSERT_EQ(profile.size(), 5U);
    EXPECT_GT(std::stod(profile[2].get<std::string>()), 0.7);
    EXPECT_EQ(profile[0], "1");

    // They follow, over a clip that plays, and what is said of it is measured.
    auto* follow = child<QComboBox>("follow");
    follow->setCurrentIndex(1);
    Q_EMIT follow->activated(1);
    settle();
    window->twin().playback().choose(QStringLiteral("shake"));
    ASSERT_TRUE(wait_for([&] { return board().over_clip().has_value(); }));
    EXPECT_EQ(board().over_clip()->clip, "shake");
    EXPECT_LT(board().over_clip()->motion.root_drift_m, 1e-6);
    EXPECT_LT(board().over_clip()->motion.length_change, 1e-4);
    EXPECT_EQ(board().over_clip()->motion.through_at.size(), 21U);
    const std::vector<Vec3f> before = view().strands().points();
    window->clock().go_to(10);
    QTest::qWait(80);
    EXPECT_NE(view().strands().points(), before) << "they are drawn where the clip has them";

    // Asked for over the clip, delivered, and seen to arrive.
    board().set("cache_strands", "Cache strands", {{"clips", {"shake"}}});
    settle();
    window->choose_station("deliver");
    window->runner().deliver_cells(window->board().due());
    ASSERT_TRUE(wait_for([&] { return !window->runner().is_running() && window->board().is_current(); }));
    for (const char* id : {"strands:fringe", "cache:fringe/shake"}) {
        const Arrival* arrival = window->runner().last_arrival({"Tidewater runtime", id});
        ASSERT_NE(arrival, nullptr) << id;
        EXPECT_EQ(arrival->state, CellState::arrived) << id << ": " << arrival->reason;
        EXPECT_TRUE(std::filesystem::exists(folder.filePath("deliveries/Tidewater_runtime").toStdString() + "/" +
                                            arrival->files.at(0)));
    }
    EXPECT_EQ(window->runner().last_arrival({"Lantern web view", "strands:fringe"}), nullptr) << "it takes none";
    // What arrived plays, beside Prepared, in the same places.
    auto& deliver_page = window->page<DeliverStation>();
    int row = -1;
    for (int r = 0; r < window->board().rowCount(); ++r) {
        const BoardEntry* cell = window->board().cell(window->board().index(r, 1));
        row = cell != nullptr && cell->key.second == "cache:fringe/shake" ? r : row;
    }
    ASSERT_GE(row, 0);
    deliver_page.board_view().setCurrentIndex(deliver_page.board_rows().index(row, 1));
    SceneView& arrived = deliver_page.panel().arrived_view();
    SceneView& prepared_pane = deliver_page.panel().prepared_view();
    ASSERT_TRUE(wait_for([&] { return arrived.is_ready() && prepared_pane.is_ready(); }));
    EXPECT_EQ(window->clock().clip(), "shake");
    std::vector<Vec3f> at_first;
    for (const int frame : {2, 12}) {
        window->clock().go_to(frame);
        QTest::qWait(120);
        ASSERT_EQ(arrived.strands().points().size(), prepared_pane.strands().points().size());
        float farthest = 0;
        for (size_t p = 0; p < arrived.strands().points().size(); ++p) {
            farthest = std::max(farthest, (arrived.strands().points()[p] - prepared_pane.strands().points()[p]).norm());
        }
        EXPECT_LT(farthest, 1e-4F) << frame;
        if (at_first.empty()) {
            at_first = arrived.strands().points();
        } else {
            EXPECT_NE(arrived.strands().points(), at_first) << "they move";
        }
    }
}

TEST_F(StrandsFace, GuidesAreBentPulledLengthenedAndTurnedInTheView) {
    open_strands();
    begin();
    press("shapeGuides");
    window->camera().look_from(-1.2, 0.1); // from the side, so that they are long in the pane
    QTest::qWait(60);
    const auto line = [&](size_t guide) { return board().guides().at(guide); };
    click(at(line(1).back()));
    ASSERT_EQ(board().chosen(), std::set<size_t>{1});
    const GuideLine first = line(1);
    // Bent: its length stays, its root too.
    drag(at(first.back()), at(first.back()) + QPoint(0, 40));
    const GuideLine bent = line(1);
    EXPECT_NEAR(guide_length(bent), guide_length(first), 1e-5);
    EXPECT_LT((bent.front() - first.front()).norm(), 1e-6);
    EXPECT_LT(bent.back().y(), first.back().y() - 0.005) << "downwards";
    // Pulled: it is longer after.
    QTest::mouseClick(child<QCheckBox>("keepsLength"), Qt::LeftButton, Qt::NoModifier, QPoint(8, 8));
    ASSERT_FALSE(board().keeps_length());
    const QPoint out = at(bent.back()) - at(bent.front());
    drag(at(bent.back()), at(bent.back()) + out);
    EXPECT_GT(guide_length(line(1)), guide_length(bent) * 1.2);
    // Typed to a length, on two at once.
    press("chooseAllGuides");
    EXPECT_EQ(board().chosen().size(), 3U);
    type("guideLength", 40);
    for (size_t g = 0; g < 3; ++g) {
        EXPECT_NEAR(guide_length(line(g)), 0.04, 1e-5) << g;
    }
    EXPECT_EQ(parameters("strand_guides")["guides"].size(), 3U);
    auto* points = child<QSpinBox>("guidePoints");
    points->setFocus();
    points->selectAll();
    QTest::keyClicks(points, "8");
    QTest::keyClick(points, Qt::Key_Return);
    settle();
    EXPECT_EQ(line(2).size(), 8U);
    // Turned about the normal: the roots stay where they are.
    const GuideLine straight_one = line(1);
    press("turnGuidesRight");
    settle();
    EXPECT_LT((line(1).front() - straight_one.front()).norm(), 1e-5);
    EXPECT_GT((line(1).back() - straight_one.back()).norm(), 1e-4);
    EXPECT_NEAR(guide_length(line(1)), guide_length(straight_one), 1e-6);
    // The box beyond the tip makes the chosen ones longer, all at once.
    const GuideLine short_one = line(0);
    click(at(line(0).back()));
    ASSERT_EQ(board().chosen(), std::set<size_t>{0});
    const QPointF tip = view().place_of(line(0).back());
    const QPointF root = view().place_of(line(0).front());
    const QPointF way = (tip - root) / std::hypot((tip - root).x(), (tip - root).y());
    const QPoint box = (tip + way * 22).toPoint();
    drag(box, (QPointF(box) + way * 60).toPoint());
    EXPECT_GT(guide_length(line(0)), guide_length(short_one) * 1.2);
    press("takeGuidesAway");
    settle();
    EXPECT_EQ(board().guides().size(), 2U);
    // Escape puts the tool away.
    QTest::keyClick(&view(), Qt::Key_Escape);
    EXPECT_FALSE(child<QPushButton>("shapeGuides")->isChecked());
}

TEST_F(StrandsFace, StrandsThatWereBroughtInAreShownAndDoNotGrow) {
    Scene sent;
    CurveSet curves;
    curves.name = "sent";
    curves.counts = std::vector<uint32_t>{2, 2};
    curves.points =
        std::vector<Vec3f>{{0, 1.58F, 0.3F}, {0, 1.65F, 0.28F}, {0.01F, 1.58F, 0.3F}, {0.01F, 1.65F, 0.28F}};
    Node node;
    node.name = "sent";
    node.curves = 0;
    sent.nodes = {node};
    sent.curve_sets = {curves};
    put(format_with_id("usda")->write(sent, "sent", nlohmann::json::object(), {}));
    Job job = read_job(job_file.toStdString()).take();
    job.sources.emplace_back("sent.usda");
    for (Step& step : job.steps) {
        step.on = step.id != "scale"; // it has its own size
    }
    ASSERT_TRUE(write_job(job, job_file.toStdString()).ok());
    open_strands();
    EXPECT_EQ(board().all(), std::vector<std::string>{"sent"});
    EXPECT_FALSE(board().is_made());
    EXPECT_FALSE(child<QDoubleSpinBox>("count")->isVisible()) << "nothing of them is grown here";
    EXPECT_TRUE(child<QLabel>("regionSaid")->text().contains("no surface yet"));
    ASSERT_TRUE(wait_for([&] { return board().facts().has_value(); }));
    EXPECT_EQ(board().facts()->strands, 2U);
    EXPECT_TRUE(child<QLabel>("strandFacts")->text().contains("no widths"));
}

TEST_F(StrandsFace, DensityIsPaintedStrokeByStrokeAndUndone) {
    open_strands();
    child<QComboBox>("whichStrands")->setEditText("fringe");
    press("paintDensity");
    EXPECT_TRUE(child<QComboBox>("densityMode")->isVisible());
    type("densityRadius", 30);
    const int steps = static_cast<int>(window->document().job().steps.size());
    drag(at({-0.03, 0.79, 0.41}), at({0.03, 0.79, 0.41}));
    ASSERT_EQ(board().name(), "fringe");
    EXPECT_EQ(static_cast<int>(window->document().job().steps.size()), steps + 1);
    const std::string first = parameters("strand_region")["painted"];
    const auto painted_area = [&] {
        const int node = prepared().find_node("fringe");
        const CurveSet& curves =
            prepared().curve_sets[static_cast<size_t>(prepared().nodes[static_cast<size_t>(node)].curves)];
        return std::accumulate(curves.region.begin(), curves.region.end(), 0.0);
    };
    const double once = painted_area();
    EXPECT_GT(once, 0.1);
    ASSERT_NE(view().colours(), nullptr) << "and is seen";
    EXPECT_TRUE(child<QPushButton>("paintDensity")->isChecked());
    // Once more, and it is denser; taken away, less.
    drag(at({-0.03, 0.79, 0.41}), at({0.03, 0.79, 0.41}));
    EXPECT_NE(parameters("strand_region")["painted"], first);
    EXPECT_GT(painted_area(), once);
    EXPECT_EQ(static_cast<int>(window->document().job().steps.size()), steps + 1) << "in the same step";
    window->document().undo().undo();
    settle();
    EXPECT_EQ(parameters("strand_region")["painted"], first) << "a stroke is one to undo";
    EXPECT_NEAR(painted_area(), once, 1e-9);
    child<QComboBox>("densityMode")->setCurrentIndex(1);
    drag(at({-0.03, 0.79, 0.41}), at({0.03, 0.79, 0.41}));
    EXPECT_LT(painted_area(), once);
    // Chosen faces in its place.
    press("chooseFaces");
    EXPECT_EQ(view().colours(), nullptr) << "its own colours again";
    click(at({0, 0.79, 0.41}));
    press("floodFaces");
    press("takeRegion");
    settle();
    EXPECT_FALSE(parameters("strand_region").contains("painted"));
}

TEST_F(StrandsFace, APartingIsDrawnInTheView) {
    open_strands();
    begin();
    board().set("grow_strands", "Grow", {{"count", 60}, {"points", 3}});
    settle();
    EXPECT_EQ(child<QLabel>("partingsSaid")->text(), "Partings: none");
    child<QPushButton>("drawParting")->click();
    EXPECT_TRUE(child<QPushButton>("drawParting")->isChecked());
    drag(at({0, 0.75, 0.41}), at({0, 0.83, 0.41}));
    ASSERT_EQ(board().partings().size(), 1U);
    const std::vector<Vec3> line = board().partings()[0];
    EXPECT_GE(line.size(), 3U);
    EXPECT_NEAR(line.front().y(), 0.75, 0.02);
    EXPECT_NEAR(line.back().y(), 0.83, 0.02);
    EXPECT_EQ(parameters("grow_strands")["partings"].size(), 1U);
    EXPECT_EQ(child<QLabel>("partingsSaid")->text(), "Partings: 1");
    child<QPushButton>("noPartings")->click();
    settle();
    EXPECT_TRUE(board().partings().empty());
    EXPECT_FALSE(child<QPushButton>("noPartings")->isEnabled());
}

} // namespace
} // namespace wembrix::app
