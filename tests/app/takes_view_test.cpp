// What the Takes station shows in the view and on the strip: ways over the ground, both ends of a clip, a joint's
// curves.
#include "bench_fixture.h"
#include "core/destination/conform.h"
#include "core/formats/format.h"
#include "core/formats/gltf/gltf.h"
#include "core/job/card_edits.h"
#include "core/math/angles.h"

#include <QComboBox>
#include <QDoubleSpinBox>
#include <QToolButton>

namespace wembrix::app {
namespace {

class TakesView : public Bench {
  protected:
    SceneView& prepared_view() { return window->twin().right().view(); }
    void show_curves(int row) {
        auto* choice = child<QComboBox>("curveChoice");
        choice->setFocus();
        choice->setCurrentIndex(row);
        Q_EMIT choice->activated(row);
    }
    /// How much of a colour a picture has.
    static int pixels_of(const QImage& picture, const QColor& colour) {
        int count = 0;
        for (int y = 0; y < picture.height(); ++y) {
            for (int x = 0; x < picture.width(); ++x) {
                const QColor at = picture.pixelColor(x, y);
                const int apart = std::abs(at.red() - colour.red()) + std::abs(at.green() - colour.green()) +
                                  std::abs(at.blue() - colour.blue());
                count += apart < 12 ? 1 : 0;
            }
        }
        return count;
    }
};

TEST_F(TakesView, AWayIsDrawnOnTheGroundAndToldInNumbers) {
    open_cut();
    Shown bare = window->twin().shown();
    bare.joints = false;
    bare.tools = false;
    window->twin().set_shown(bare);
    window->page<TakesStation>().go_to("stand", 0);
    QTest::qWait(50);
    const int without = pixels_of(prepared_view().grabFramebuffer(), theme().accent);
    window->page<TakesStation>().go_to("wade", 0);
    QTest::qWait(50);
    EXPECT_GT(pixels_of(prepared_view().grabFramebuffer(), theme().accent), without + 100)
        << "her way is on the ground";
    const ClipFacts* facts = window->page<TakesStation>().model().clip("wade");
    ASSERT_NE(facts, nullptr);
    EXPECT_NEAR(facts->travel.metres, 1.84, 0.02);
    EXPECT_EQ(facts->trajectory->place.size(), 177U);
    const QString words = child<QLabel>("takeMessage")->text();
    EXPECT_TRUE(words.contains("1.84 m") && words.contains("m/s on average") && words.contains("at most"))
        << words.toStdString();
    // At another station the view is its own again.
    window->choose_station(0);
    QTest::qWait(50);
    EXPECT_LE(pixels_of(prepared_view().grabFramebuffer(), theme().accent), without + 20);
}

TEST_F(TakesView, ARepeatThatTravelsGoesOnFromWhereItArrived) {
    open_mended();
    window->document().edit("cut", [](Job& job) {
        set_cuts(job, "capture_07", {{"step", 220, 264, true, "", ""}, {"stand", 0, 60, true, "", ""}});
    });
    settle();
    window->choose_station(3);
    settle();
    window->page<TakesStation>().go_to("step", 44);
    QTest::qWait(60);
    const auto gone = [&] { return prepared_view().posed()->travelled().norm(); };
    prepared_view().grabFramebuffer();
    const double at_the_end = gone();
    const double one_round = window->page<TakesStation>().model().clip("step")->travel.metres;
    ASSERT_GT(one_round, 0.3);
    window->page<TakesStation>().go_to("step", 0);
    QTest::mouseClick(child<QPushButton>("play"), Qt::LeftButton);
    ASSERT_TRUE(wait_for([&] { return window->clock().round() == 1 && window->clock().frame() > 5; }, 20));
    prepared_view().grabFramebuffer();
    EXPECT_GT(gone(), at_the_end) << "the second round begins where the first one ended";
    EXPECT_LT(gone(), at_the_end + one_round);
    QTest::mouseClick(child<QPushButton>("play"), Qt::LeftButton);
    EXPECT_EQ(window->clock().round(), 0);
    prepared_view().grabFramebuffer();
    EXPECT_LE(gone(), at_the_end + 1e-3) << "standing still it is where its frame says";
    // What stays where it is stays there.
    window->page<TakesStation>().go_to("stand", 0);
    QTest::mouseClick(child<QPushButton>("play"), Qt::LeftButton);
    ASSERT_TRUE(wait_for([&] { return window->clock().round() == 1; }, 20));
    prepared_view().grabFramebuffer();
    EXPECT_LT(gone(), 0.1);
}

TEST_F(TakesView, BothEndsOfAClipStandOverEachOther) {
    open_cut();
    window->page<TakesStation>().go_to("shake_off", 30);
    auto* ends = child<QPushButton>("showEnds");
    ASSERT_TRUE(ends->isVisible());
    EXPECT_EQ(prepared_view().ends(), nullptr);
    const QImage before = prepared_view().grabFramebuffer();
    QTest::mouseClick(ends, Qt::LeftButton);
    ASSERT_TRUE(wait_for([&] { return prepared_view().ends() != nullptr; }));
    EXPECT_NE(prepared_view().grabFramebuffer(), before);
    // They are her first and her last pose: as far apart as the seam says.
    const PoseEnds* shown = prepared_view().ends();
    double apart = 0;
    for (size_t i = 0; i < shown->first->points().size(); ++i) {
        const Vec3 last = point_of(shown->aligned, shown->last->points()[i].cast<double>());
        apart = std::max(apart, (last - shown->first->points()[i].cast<double>()).norm() * 1000);
    }
    EXPECT_NEAR(apart, window->page<TakesStation>().model().clip("shake_off")->seam->apart_mm, 0.5);
    EXPECT_FALSE(shown->is_aligned);
    // Another clip has other ends; one that travels is set down where it began.
    window->page<TakesStation>().go_to("wade", 88);
    ASSERT_TRUE(wait_for([&] { return prepared_view().ends() != nullptr && prepared_view().ends()->is_aligned; }));
    EXPECT_NEAR(Vec3(prepared_view().ends()->aligned.col(3).head(3)).norm(), 1.84, 0.05);
    QTest::mouseClick(ends, Qt::LeftButton);
    EXPECT_EQ(prepared_view().ends(), nullptr);
}

TEST_F(TakesView, TheCurvesOfTheChosenJointAreThoseOfItsKeys) {
    open_cut();
    TakeStrip& strip = window->page<TakesStation>().strip();
    show_curves(2);
    EXPECT_TRUE(strip.curve_here(State::received).empty()) << "no joint is chosen yet";
    const int shank = prepared().find_node("LeftLeg_Shank");
    ASSERT_GE(shank, 0);
    window->selection().choose(prepared().nodes[static_cast<size_t>(shank)].identity);
    window->page<TakesStation>().go_to("wade", 60);
    QTest::qWait(20);
    const std::vector<float> received = strip.curve_here(State::received);
    const std::vector<float> kept = strip.curve_here(State::prepared);
    ASSERT_EQ(received.size(), 3U);
    ASSERT_EQ(kept.size(), 3U);
    // What the keys say: the rotation from rest at frame 280 of the take.
    Pose pose;
    const Clip* wade = prepared().find_clip("wade");
    Poser(prepared(), wade).at(60 / wade->rate, pose);
    const Quat turn = prepared().nodes[static_cast<size_t>(shank)].rest.rotation.conjugate() *
                      pose.local[static_cast<size_t>(shank)].rotation;
    const Eigen::AngleAxisd about(turn);
    for (int k = 0; k < 3; ++k) {
        EXPECT_NEAR(kept[static_cast<size_t>(k)], about.axis()[k] * about.angle() * degrees_per_radian, 0.01);
        EXPECT_NEAR(received[static_cast<size_t>(k)], kept[static_cast<size_t>(k)], 0.01)
            << "nothing changed its turns";
    }
    // Between the clips only what was received has a curve.
    window->clock().set_playing(false);
    strip.set_playhead(200);
    EXPECT_FALSE(strip.curve_here(State::received).empty());
    EXPECT_TRUE(strip.curve_here(State::prepared).empty());
    // A clip turned round differs, and is drawn where it was cut.
    window->document().edit("reverse", [](Job& job) { job.steps.push_back({"reverse", {{"clips", {"wade"}}}}); });
    settle();
    strip.set_playhead(280);
    const std::vector<float> reversed = strip.curve_here(State::prepared);
    ASSERT_EQ(reversed.size(), 3U);
    strip.set_playhead(220 + 396 - 280);
    const std::vector<float> mirrored_moment = strip.curve_here(State::received);
    EXPECT_NEAR(reversed[0], mirrored_moment[0], 0.01);
    // Keys are drawn when frames are far enough apart.
    const auto drawn = [&] { return pixels_of(strip.grab().toImage(), theme().prepared); };
    const int far = drawn();
    strip.zoom(1e6, strip.x_of(280));
    EXPECT_NE(drawn(), far);
    show_curves(0);
    EXPECT_TRUE(strip.curve_here(State::received).empty());
}

TEST_F(TakesView, WhenAFootStandsCanBeSaid) {
    open_cut();
    const auto standing = [&] {
        int frames = 0;
        for (const Contact& contact : window->page<TakesStation>().model().takes()[0].contacts) {
            frames += contact.last - contact.first + 1;
        }
        return frames;
    };
    const int before = standing();
    ASSERT_GT(before, 0);
    auto* speed = child<QDoubleSpinBox>("feetSpeed");
    speed->setValue(0.02);
    ASSERT_TRUE(wait_for([&] { return !window->page<TakesStation>().model().is_busy(); }));
    EXPECT_LT(standing(), before) << "slower than 2 cm a second is less";
    auto* height = child<QDoubleSpinBox>("feetHeight");
    height->setValue(40);
    speed->setValue(5);
    ASSERT_TRUE(wait_for([&] { return !window->page<TakesStation>().model().is_busy(); }));
    EXPECT_GT(standing(), before) << "40 cm above the ground is more";
    speed->setValue(0);
    height->setValue(0);
    ASSERT_TRUE(wait_for([&] { return !window->page<TakesStation>().model().is_busy(); }));
    EXPECT_EQ(standing(), before);
    // Other joints than the feet that were found.
    const int shank = prepared().find_node("LeftLeg_Shank");
    window->selection().choose(prepared().nodes[static_cast<size_t>(shank)].identity);
    child<QPushButton>("feetChosen")->click();
    ASSERT_TRUE(wait_for([&] { return !window->page<TakesStation>().model().is_busy(); }));
    const TakeFacts& take = window->page<TakesStation>().model().takes()[0];
    ASSERT_EQ(take.feet.size(), 1U);
    EXPECT_EQ(take.scene->nodes[static_cast<size_t>(take.feet[0])].name, "LeftLeg_Shank");
    child<QPushButton>("feetFound")->click();
    ASSERT_TRUE(wait_for([&] { return !window->page<TakesStation>().model().is_busy(); }));
    EXPECT_EQ(standing(), before);
}

TEST_F(TakesView, ManyTakesAreListedTogetherAndTypedInWhereTheyAre) {
    // Three short takes in files of their own, beside the model.
    const QDir dir = QFileInfo(job_file).dir();
    Scene market = demo::tansy_market_take();
    Result<Job> job = read_job(job_file.toStdString());
    ASSERT_TRUE(job.ok());
    job->sources.resize(1);
    job->steps = {
        {"strip_prefix"}, {"bake_parent_transforms"}, {"scale", {{"factor", 0.01}}}, {"make_root", {{"name", "root"}}}};
    for (const char* name : {"calm", "wet", "dry"}) {
        Clip part = market.clips[0];
        part.name = name;
        part.start_s = name[0] == 'c' ? 0 : name[0] == 'w' ? 8 : 25;
        part.seconds = 2;
        Scene take = market;
        take.clips = {bake_clip(market, part, 30)};
        const auto written = write_glb(take, name);
        ASSERT_TRUE(
            write_file_whole(dir.filePath(QString::fromUtf8(name) + ".glb").toStdString(), written->front().bytes)
                .ok());
        job->sources.push_back(std::string(name) + ".glb");
    }
    ASSERT_TRUE(write_job(*job, job_file.toStdString()).ok());
    open();
    window->choose_station(3);
    ASSERT_TRUE(wait_for([&] {
        return !window->page<TakesStation>().model().is_busy() &&
               window->page<TakesStation>().model().takes().size() == 3;
    }));
    auto* list = child<QTableWidget>("clipList");
    ASSERT_EQ(list->rowCount(), 3) << "one row a take, though none is cut";
    EXPECT_FALSE(list->isColumnHidden(2));
    // A click on a row shows that take: strip, view and clock.
    QTest::mouseClick(list->viewport(), Qt::LeftButton, {}, list->visualItemRect(list->item(1, 1)).center());
    EXPECT_EQ(child<QComboBox>("takeChoice")->currentText(), "wet");
    EXPECT_EQ(window->clock().clip(), "wet");
    EXPECT_TRUE(child<QLabel>("takeMessage")->text().contains("“wet” plays once"));
    // With Ctrl one of another take is chosen as well, and off again; both can go into one step.
    const auto with_ctrl = [&](int row) {
        QTest::mouseClick(list->viewport(), Qt::LeftButton, Qt::ControlModifier,
                          list->visualItemRect(list->item(row, 1)).center());
        QTest::qWait(50);
    };
    const auto chosen = [&] { return window->page<TakesStation>().findChild<ClipList*>()->chosen_names(); };
    with_ctrl(2);
    EXPECT_EQ(chosen(), (QStringList{"wet", "dry"}));
    EXPECT_EQ(window->clock().clip(), "dry");
    with_ctrl(2);
    EXPECT_EQ(chosen(), QStringList{"wet"});
    QTest::mouseClick(list->viewport(), Qt::LeftButton, {}, list->visualItemRect(list->item(1, 1)).center());
    EXPECT_EQ(chosen(), QStringList{"wet"});
    // Typed in, it becomes a clip of its whole take; the others stay as they are.
    list->item(1, 1)->setText("wade");
    QTest::qWait(50);
    settle();
    ASSERT_NE(prepared().find_clip("wade"), nullptr);
    EXPECT_EQ(prepared().find_clip("wade")->frames(), 61);
    EXPECT_NE(prepared().find_clip("calm"), nullptr);
    ASSERT_TRUE(wait_for([&] { return !window->page<TakesStation>().model().is_busy(); }));
    ASSERT_EQ(list->rowCount(), 3);
    list->item(2, 6)->setCheckState(Qt::Checked);
    QTest::qWait(50);
    settle();
    EXPECT_TRUE(prepared().find_clip("dry")->loop);
    ASSERT_TRUE(wait_for([&] { return !window->page<TakesStation>().model().is_busy(); }));
    EXPECT_TRUE(list->item(2, 7)->text().contains("mm")) << "what repeats has a seam";
    // The list of all of them goes out as a sheet, is worked on there, and comes back.
    const QString sheet = folder.filePath("sheet.csv");
    EXPECT_EQ(window->page<TakesStation>().write_list(sheet).toStdString(), "");
    std::string text = *read_file(sheet.toStdString());
    EXPECT_EQ(text.substr(0, text.find('\n')), "name,start,end,loop,colour,note,take");
    EXPECT_NE(text.find("wade,0,60,no,,,wet"), std::string::npos) << text;
    text.replace(text.find("calm,0,60,no"), 12, "rest,0,40,no");
    ASSERT_TRUE(write_file_whole(sheet.toStdString(), text).ok());
    EXPECT_EQ(window->page<TakesStation>().read_list(sheet).toStdString(), "");
    settle();
    ASSERT_NE(prepared().find_clip("rest"), nullptr);
    EXPECT_EQ(prepared().find_clip("rest")->frames(), 41);
    EXPECT_NE(prepared().find_clip("wade"), nullptr);
    window->document().undo().undo();
    settle();
    ASSERT_TRUE(write_file_whole(sheet.toStdString(), "name,first,last,take\na,0,9,nobody\n").ok());
    EXPECT_TRUE(window->page<TakesStation>().read_list(sheet).contains("no take “nobody”"));
    // Cut on the strip, one take has two rows.
    window->page<TakesStation>().go_to("calm", 0);
    window->page<TakesStation>().strip().set_playhead(30);
    window->page<TakesStation>().cut_at_playhead();
    settle();
    EXPECT_EQ(list->rowCount(), 4);
    EXPECT_EQ(list->item(0, 2)->text(), "calm");
    EXPECT_EQ(list->item(1, 2)->text(), "calm");
    while (window->document().undo().canUndo()) {
        window->document().undo().undo();
    }
    settle();
    EXPECT_EQ(list->rowCount(), 3);
}

TEST_F(TakesView, RangesThatTheSourceNamesAreOfferedAndListsMayBeInSeconds) {
    // Tansy's take, as an artist delivers it that named its parts.
    const QString market = QFileInfo(job_file).dir().filePath("tansy_market.gltf");
    Result<std::string> text = read_file(market.toStdString());
    ASSERT_TRUE(text.ok());
    nlohmann::json gltf = nlohmann::json::parse(*text);
    gltf["animations"][0]["extras"]["clips"] = {{{"name", "calm"}, {"start", 0}, {"end", 168}},
                                                {{"name", "in_the_water"}, {"from_s", 8}, {"to_s", 13}}};
    ASSERT_TRUE(write_file_whole(market.toStdString(), gltf.dump()).ok());
    open_mended();
    window->choose_station(3);
    auto* cut = child<QPushButton>("cutNamed");
    ASSERT_TRUE(wait_for([&] { return cut->isVisible(); }));
    EXPECT_TRUE(cut->toolTip().contains("in_the_water (240–390)")) << cut->toolTip().toStdString();
    QTest::mouseClick(cut, Qt::LeftButton);
    settle();
    ASSERT_NE(prepared().find_clip("in_the_water"), nullptr);
    EXPECT_NEAR(prepared().find_clip("in_the_water")->seconds, 5, 1e-6);
    ASSERT_TRUE(write_file_whole(folder.filePath("cuts.csv").toStdString(), "name,from_s,to_s\nlift,15,18.5\n").ok());
    EXPECT_EQ(window->page<TakesStation>().read_list(folder.filePath("cuts.csv")).toStdString(), "");
    settle();
    EXPECT_EQ(window->page<TakesStation>().strip().cuts()[0].start, 450);
    EXPECT_EQ(window->page<TakesStation>().strip().cuts()[0].end, 555);
}

} // namespace
} // namespace wembrix::app
