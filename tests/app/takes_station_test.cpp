// A take cut, dragged, snapped, named, listed.
#include "bench_fixture.h"
#include "core/job/card_edits.h"
#include "stations/takes/strip_edits.h"

#include <QDoubleSpinBox>
#include <QScrollBar>

namespace wembrix::app {
namespace {

TEST_F(Bench, ATakeIsCutDraggedSnappedAndNamed) {
    open_mended();
    window->choose_station(3);
    TakeStrip& strip = window->page<TakesStation>().strip();
    ASSERT_TRUE(wait_for([&] {
        return !window->page<TakesStation>().model().takes().empty() &&
               !window->page<TakesStation>().model().takes()[0].energy.empty();
    }));
    EXPECT_EQ(window->page<TakesStation>().model().takes()[0].frames, 900);
    // The playhead goes where the strip is clicked; Enter cuts there.
    const auto above = [&](int frame) { return QPoint(static_cast<int>(std::lround(strip.x_of(frame))), 60); };
    click(&strip, above(300));
    const int cut = strip.playhead();
    EXPECT_NEAR(cut, 300, 2);
    EXPECT_EQ(window->clock().clip(), "capture_07");
    EXPECT_EQ(window->clock().frame(), cut);
    strip.setFocus();
    QTest::keyClick(&strip, Qt::Key_Return);
    settle();
    ASSERT_EQ(strip.cuts().size(), 2U);
    EXPECT_EQ(strip.cuts()[0].end, cut);
    EXPECT_EQ(prepared().clips.size(), 2U);
    // The end of the second clip is dragged to frame 600.
    QRect second = strip.span_rect(1);
    drag(&strip, QPoint(second.right() - 1, second.center().y()),
         QPoint(static_cast<int>(strip.x_of(620)), second.center().y()));
    settle();
    EXPECT_NEAR(strip.cuts()[1].end, 620, 3);
    // Its beginning snaps to the end of the first when it comes near.
    second = strip.span_rect(1);
    drag(&strip, QPoint(second.left() + 2, second.center().y()),
         QPoint(static_cast<int>(strip.x_of(420)), second.center().y()));
    settle();
    EXPECT_NEAR(strip.cuts()[1].start, 420, 8);
    second = strip.span_rect(1);
    drag(&strip, QPoint(second.left() + 2, second.center().y()),
         QPoint(static_cast<int>(strip.x_of(cut)) + 5, second.center().y()));
    settle();
    EXPECT_EQ(strip.cuts()[1].start, cut);
    // A name is typed into the span.
    QTest::mouseDClick(&strip, Qt::LeftButton, {}, strip.span_rect(0).center());
    auto* name = child<QLineEdit>("clipName");
    ASSERT_TRUE(name->isVisible());
    name->clear();
    QTest::keyClicks(name, "stand");
    QTest::keyClick(name, Qt::Key_Return);
    settle();
    EXPECT_NE(prepared().find_clip("stand"), nullptr);
    // Delete takes the chosen one out; undo brings it back.
    click(&strip, strip.span_rect(1).center());
    strip.setFocus();
    QTest::keyClick(&strip, Qt::Key_Delete);
    settle();
    EXPECT_EQ(strip.cuts().size(), 1U);
    undo();
    settle();
    EXPECT_EQ(strip.cuts().size(), 2U);
}

TEST_F(Bench, TheListOfClipsIsTypedReadAndWritten) {
    open_mended();
    window->choose_station(3);
    ASSERT_TRUE(write_file_whole(folder.filePath("cuts.csv").toStdString(),
                                 "name,first,last,repeats,colour,note\nstand,0,168,yes,#4B78A8,\n"
                                 "shake_off,744,896,yes,#A84B5C,she is still shaking\n")
                    .ok());
    EXPECT_EQ(window->page<TakesStation>().read_list(folder.filePath("cuts.csv")).toStdString(), "");
    settle();
    auto* list = child<QTableWidget>("clipList");
    ASSERT_EQ(list->rowCount(), 2);
    EXPECT_EQ(list->item(1, 1)->text(), "shake_off");
    EXPECT_EQ(list->item(1, 10)->text(), "she is still shaking");
    EXPECT_TRUE(list->item(1, 7)->text().endsWith("mm")) << list->item(1, 7)->text().toStdString();
    // A frame typed into the list moves the end; a clip that does not close is said, and mended with one click.
    list->item(0, 4)->setText("160");
    ASSERT_TRUE(wait_for([&] { return window->page<TakesStation>().strip().cuts()[0].end == 160; }));
    settle();
    EXPECT_EQ(prepared().find_clip("stand")->frames(), 161);
    list->setCurrentCell(1, 1);
    EXPECT_TRUE(child<QLabel>("takeMessage")->text().contains("does not close"));
    EXPECT_EQ(window->clock().clip(), "shake_off");
    auto* close = child<QPushButton>("closeLoop");
    ASSERT_TRUE(close->isVisible());
    QTest::mouseClick(close, Qt::LeftButton);
    settle();
    EXPECT_NE(window->page<TakesStation>().strip().cuts()[1].end, 896);
    list->item(1, 6)->setCheckState(Qt::Unchecked);
    ASSERT_TRUE(wait_for([&] { return !window->page<TakesStation>().strip().cuts()[1].loop; }));
    settle();
    EXPECT_FALSE(prepared().find_clip("shake_off")->loop);
    EXPECT_EQ(window->page<TakesStation>().write_list(folder.filePath("out.json")).toStdString(), "");
    const Result<std::string> text = read_file(folder.filePath("out.json").toStdString());
    EXPECT_EQ(cuts_from_text(*text, "out")->at(1).note, "she is still shaking");
    EXPECT_NE(window->page<TakesStation>().read_list(folder.filePath("none.csv")).toStdString(), "");
}

TEST_F(Bench, StillPlacesAreOfferedAndCut) {
    open_mended();
    window->choose_station(3);
    ASSERT_TRUE(wait_for([&] { return child<QPushButton>("cutAll")->isEnabled(); }));
    const QString few = child<QLabel>("offered")->text();
    auto* threshold = child<QDoubleSpinBox>("stillBelow");
    threshold->setValue(threshold->value() * 2);
    EXPECT_NE(child<QLabel>("offered")->text(), few) << "the preview follows the threshold";
    QTest::mouseClick(child<QPushButton>("cutAll"), Qt::LeftButton);
    settle();
    const std::vector<Cut>& cuts = window->page<TakesStation>().strip().cuts();
    ASSERT_GT(cuts.size(), 2U);
    EXPECT_EQ(cuts.front().start, 0);
    EXPECT_EQ(cuts.back().end, 899);
    for (size_t i = 1; i < cuts.size(); ++i) {
        EXPECT_EQ(cuts[i].start, cuts[i - 1].end);
    }
}

TEST_F(Bench, TheStripZoomsToTheSingleFrame) {
    open_mended();
    window->choose_station(3);
    TakeStrip& strip = window->page<TakesStation>().strip();
    const double all = strip.pixels_per_frame();
    const double under = strip.frame_at(400);
    for (int i = 0; i < 40; ++i) {
        strip.zoom(1.25, 400);
    }
    EXPECT_EQ(strip.pixels_per_frame(), 40);
    EXPECT_NEAR(strip.frame_at(400), under, 0.6) << "what is under the pointer stays there";
    strip.see_all();
    EXPECT_NEAR(strip.pixels_per_frame(), all, 1e-9);
}

TEST(StripEdits, CutsMovesAndSnaps) {
    const std::vector<Cut> two = cut_at({}, 40, 100);
    ASSERT_EQ(two.size(), 2U);
    EXPECT_EQ(two[0].end, 40);
    EXPECT_EQ(two[1].start, 40);
    EXPECT_EQ(cut_at(two, 40, 100), two) << "on an end nothing is cut";
    EXPECT_EQ(cut_at(two, 0, 100), two);
    const std::vector<Cut> three = cut_at(two, 60, 100);
    ASSERT_EQ(three.size(), 3U);
    EXPECT_EQ(three[1].end, 60);
    EXPECT_EQ(three[2].start, 60);
    EXPECT_NE(three[2].name, three[1].name);
    const std::vector<Cut> gap = cut_at({{"a", 0, 20, false, "", ""}, {"b", 70, 99, false, "", ""}}, 30, 100);
    ASSERT_EQ(gap.size(), 3U);
    EXPECT_EQ(gap[1].start, 30);
    EXPECT_EQ(gap[1].end, 70);
    EXPECT_EQ(move_end(two, 0, true, 500, 100)[0].end, 99);
    EXPECT_EQ(move_end(two, 0, true, -5, 100)[0].end, 1);
    EXPECT_EQ(move_end(two, 1, false, 99, 100)[1].start, 98);
    EXPECT_EQ(move_end(two, 1, false, -9, 100)[1].start, 0);
    EXPECT_EQ(snapped(41, {40, 44}, 3), 40);
    EXPECT_EQ(snapped(50, {40, 44}, 3), 50);
    EXPECT_EQ(cut_all({20, 45}, 100).size(), 3U);
    EXPECT_EQ(cut_all({}, 100).size(), 1U);
}

TEST_F(Bench, ALoopIsClosedFromItsFindingAndARootTakesTheWay) {
    open_mended();
    window->document().edit("cut", [](Job& job) {
        set_cuts(job, "capture_07", {{"wade", 220, 396, true, "", ""}, {"shake_off", 744, 896, true, "", ""}});
    });
    settle();
    window->choose_station(3);
    ASSERT_TRUE(wait_for([&] { return window->page<TakesStation>().model().clip("shake_off") != nullptr; }));
    EXPECT_FALSE(window->page<TakesStation>().model().clip("shake_off")->closes);
    // From the station: a window with the step, taken as it is.
    window->page<TakesStation>().go_to("shake_off", 10);
    auto* blend = child<QPushButton>("blendLoop");
    ASSERT_TRUE(blend->isVisible());
    use_step([](StepDialog& dialog) { EXPECT_EQ(dialog.step().parameters["clip"], "shake_off"); });
    QTest::mouseClick(blend, Qt::LeftButton);
    settle();
    EXPECT_EQ(window->document().job().steps.back().id, "close_loop");
    ASSERT_TRUE(wait_for([&] { return !window->page<TakesStation>().model().is_busy(); }));
    EXPECT_TRUE(window->page<TakesStation>().model().clip("shake_off")->closes);
    EXPECT_TRUE(prepared().find_clip("shake_off")->last_is_first);
    undo();
    settle();
    // From its finding, with one click.
    window->choose_station(0);
    QPushButton* mend = finding_button("close_loop");
    ASSERT_NE(mend, nullptr);
    QTest::mouseClick(mend, Qt::LeftButton);
    settle();
    EXPECT_EQ(finding_button("close_loop"), nullptr) << "a closed loop is no finding any more";
    // The root takes the way of the wading clip; the head stays where it was.
    const auto head_at = [&](int frame) {
        Pose pose;
        const Clip* clip = prepared().find_clip("wade");
        Poser(prepared(), clip).at(frame / clip->rate, pose);
        return std::pair(Vec3(pose.world[static_cast<size_t>(prepared().find_node("head"))].topRightCorner<3, 1>()),
                         Vec3(pose.world[static_cast<size_t>(prepared().find_node("root"))].topRightCorner<3, 1>()));
    };
    const auto [head, root] = head_at(170);
    window->choose_station(3);
    window->page<TakesStation>().go_to("wade", 0);
    auto* way = child<QPushButton>("rootMotion");
    ASSERT_TRUE(way->isVisible());
    use_step([](StepDialog& dialog) { EXPECT_EQ(dialog.step().id, "extract_root_motion"); });
    QTest::mouseClick(way, Qt::LeftButton);
    settle();
    const auto [head_now, root_now] = head_at(170);
    EXPECT_LT((head_now - head).norm(), 1e-4);
    EXPECT_GT((root_now - root).norm(), 1.5);
    while (window->document().undo().canUndo()) {
        window->document().undo().undo();
    }
    settle();
    EXPECT_EQ(prepared().find_clip("wade"), nullptr) << "all of it is undone";
}

TEST_F(Bench, FeetLikenessRowsAndWhatGoesOut) {
    open_mended();
    window->choose_station(3);
    TakeStrip& strip = window->page<TakesStation>().strip();
    ASSERT_TRUE(wait_for([&] {
        return !window->page<TakesStation>().model().takes().empty() &&
               window->page<TakesStation>().model().takes()[0].poses != nullptr;
    }));
    settle();
    const TakeFacts& take = window->page<TakesStation>().model().takes()[0];
    ASSERT_EQ(take.feet.size(), 2U);
    EXPECT_EQ(take.scene->nodes[static_cast<size_t>(take.feet[0])].name, "LeftLeg_Foot");
    ASSERT_FALSE(take.contacts.empty());
    // Over a contact the pointer is told which foot stands, and how far it slides.
    const QPoint on = strip.contact_rect(take.contacts[0]).center();
    QTest::mouseMove(&strip, on - QPoint(0, 60));
    QTest::mouseMove(&strip, on);
    ASSERT_TRUE(wait_for([&] { return strip.toolTip().contains("LeftLeg_Foot stands"); }, 5));
    EXPECT_TRUE(strip.toolTip().contains("mm"));
    // Over the energy, every pose is held against the one under it: in its wading one step is like the next.
    const int frame = 300;
    QTest::mouseMove(&strip, QPoint(static_cast<int>(std::lround(strip.x_of(frame))), 70));
    ASSERT_TRUE(wait_for([&] { return strip.pointed() >= 0; }, 5));
    ASSERT_EQ(strip.alike().size(), 900U);
    EXPECT_EQ(strip.alike()[static_cast<size_t>(strip.pointed())], 0);
    EXPECT_LT(strip.alike()[static_cast<size_t>(strip.pointed()) + 44], 20) << "a step later";
    EXPECT_GT(strip.alike()[static_cast<size_t>(strip.pointed()) + 22], 20) << "half a step later";
    // Clips that overlap stand one below the other.
    window->document().edit("cut", [](Job& job) {
        set_cuts(job, "capture_07", {{"a", 0, 300, false, "", ""}, {"b", 200, 500, false, "", ""}});
    });
    settle();
    EXPECT_FALSE(strip.span_rect(0).intersects(strip.span_rect(1)));
    EXPECT_LT(strip.span_rect(0).bottom(), strip.span_rect(1).bottom());
    // Without its tick a clip is no deliverable; undo brings it back.
    const auto rows = [&] { return window->board().rowCount(); };
    const int before = rows();
    auto* list = child<QTableWidget>("clipList");
    list->item(1, 0)->setCheckState(Qt::Unchecked);
    QTest::qWait(50);
    settle();
    EXPECT_FALSE(prepared().find_clip("b")->deliver);
    EXPECT_EQ(rows(), before - 1);
    undo();
    settle();
    EXPECT_EQ(rows(), before);
}

TEST_F(Bench, EveryStationFitsAThousandTwoHundredAndEightyPixels) {
    open_cut();
    const auto fits = [&](const char* when) {
        for (size_t station = 0; station < window->pages().size(); ++station) {
            window->choose_station(static_cast<int>(station));
            settle();
            const QSize least = window->minimumSizeHint();
            EXPECT_LE(least.width(), 1280) << station_kinds()[station].id << ", " << when;
            EXPECT_LE(window->width(), 1280) << station_kinds()[station].id << ", " << when;
            EXPECT_LE(least.height(), 800) << station_kinds()[station].id << ", " << when;
            if (least.width() > 1280) {
                for (const QWidget* widget : window->findChildren<QWidget*>()) {
                    if (widget->isVisible() && widget->minimumSizeHint().width() > 300) {
                        ADD_FAILURE() << widget->metaObject()->className() << " " << widget->objectName().toStdString()
                                      << " at least " << widget->minimumSizeHint().width() << " wide";
                    }
                }
            }
        }
    };
    fits("a take cut");
    window->page<TakesStation>().go_to(QStringLiteral("shake_off"), 60);
    settle();
    fits("a clip chosen that does not close");
    window->choose_station(3);
    window->card().show();
    settle();
    EXPECT_LE(window->minimumSizeHint().width(), 1280) << "Takes with the route card unfolded";
    auto* clips = child<QTableWidget>("clipList");
    EXPECT_EQ(clips->horizontalScrollBar()->maximum(), 0) << "the clip list scrolls sideways";
    EXPECT_TRUE(clips->isColumnHidden(10)) << "notes that nobody wrote have no room there";
    clips->item(0, 10)->setText("from Maro's second take");
    QTest::qWait(50);
    settle();
    EXPECT_FALSE(clips->isColumnHidden(10)) << "one that somebody wrote has";
    EXPECT_TRUE(clips->isColumnHidden(9)) << "and the bake error gives way";
    EXPECT_TRUE(clips->item(1, 1)->toolTip().contains("Bake error: ")) << clips->item(1, 1)->toolTip().toStdString();
    EXPECT_EQ(clips->horizontalScrollBar()->maximum(), 0);
    window->card().hide();
    settle();
    EXPECT_FALSE(clips->isColumnHidden(9));
    EXPECT_FALSE(clips->isColumnHidden(10));
    EXPECT_EQ(clips->horizontalScrollBar()->maximum(), 0);
    undo();
    settle();
    window->card().show();
    settle();
    window->runner().deliver_cells(window->board().due());
    ASSERT_TRUE(wait_for([&] { return !window->runner().is_running() && window->board().is_current(); }));
    window->page<DeliverStation>().board_view().setCurrentIndex(
        window->page<DeliverStation>().board_rows().index(2, 1));
    fits("delivered");
}

TEST_F(Bench, TheSpeedOfStandingStillFollowsTheSizeOfTheCharacter) {
    open_mended();
    window->choose_station(3);
    const auto measured = [&] {
        return wait_for([&] {
            return !window->page<TakesStation>().model().takes().empty() &&
                   !window->page<TakesStation>().model().takes()[0].energy.empty() &&
                   !window->page<TakesStation>().model().is_busy();
        });
    };
    ASSERT_TRUE(measured());
    auto* below = child<QDoubleSpinBox>("stillBelow");
    const double before = below->value();
    ASSERT_GT(before, 0);
    below->setValue(before * 2); // a person's own
    window->document().edit(QStringLiteral("Larger"), [](Job& job) {
        add_step_at_its_place(job, {"scale", {{"factor", 10}}});
    });
    settle();
    ASSERT_TRUE(measured());
    EXPECT_NEAR(below->value(), before * 20, before);
}

} // namespace
} // namespace wembrix::app
