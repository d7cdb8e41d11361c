// A day at the bench: names by rule with a clash, joints dropped, a take cut and dragged, a source that changes on
// disk, a crash and what is left of it.
#include "core/job/card_edits.h"
#include "session/library.h"
#include "shell/destinations_dialog.h"
#include "shell/guide_window.h"
#include "stations/joints/ladder_rows.h"
#include "stations/takes/strip_edits.h"
#include "window_fixture.h"

#include <QListWidget>
#include <QProcess>

namespace wembrix::app {
namespace {

class Bench : public Window {
  protected:
    void SetUp() override {
        with_drift = false;
        Window::SetUp();
    }
    /// Tansy, one tree, upright and in metres, her names still as they came.
    void open_mended() {
        Result<Job> job = read_job(job_file.toStdString());
        for (const char* step : {"strip_prefix", "fold_holders"}) {
            job->steps.push_back({step});
        }
        job->steps.push_back({"resize", {{"factor", 0.01}}});
        job->steps.push_back({"make_root", {{"name", "root"}}});
        ASSERT_TRUE(write_job(*job, job_file.toStdString()).ok());
        open();
    }
    [[nodiscard]] const Scene& prepared() const { return state().replay.prepared(); }
    [[nodiscard]] bool has(const char* name) const { return prepared().find_node(name) >= 0; }
    int row_of(const std::vector<LadderRow>& rows, const char* name) {
        for (size_t i = 0; i < rows.size(); ++i) {
            if (rows[i].bare == QString::fromUtf8(name)) {
                return static_cast<int>(i);
            }
        }
        ADD_FAILURE() << "no row " << name;
        return 0;
    }
    void click(QWidget* widget, const QPoint& at, Qt::KeyboardModifiers modifiers = {}) {
        QTest::mouseClick(widget, Qt::LeftButton, modifiers, at);
    }
    void drag(QWidget* widget, const QPoint& from, const QPoint& to) {
        QTest::mousePress(widget, Qt::LeftButton, {}, from);
        QMouseEvent half(QEvent::MouseMove, (from + to) / 2, widget->mapToGlobal((from + to) / 2), Qt::NoButton,
                         Qt::LeftButton, Qt::NoModifier);
        QApplication::sendEvent(widget, &half);
        QMouseEvent move(QEvent::MouseMove, to, widget->mapToGlobal(to), Qt::NoButton, Qt::LeftButton, Qt::NoModifier);
        QApplication::sendEvent(widget, &move);
        QTest::mouseRelease(widget, Qt::LeftButton, {}, to);
    }
};

TEST_F(Bench, TheLadderShowsWhatBecameOfEachJoint) {
    open_mended();
    window->choose_station(1);
    const Ladder& ladder = window->joints().ladder().ladder();
    EXPECT_EQ(ladder.received.size(), 64U) << "63 joints and the holder above them";
    EXPECT_EQ(ladder.prepared.size(), 64U) << "63 joints and the new root";
    EXPECT_EQ(ladder.added, 1U);
    EXPECT_EQ(ladder.dropped, 0U);
    EXPECT_EQ(ladder.renamed, 0U) << "a prefix that went is no other name";
    EXPECT_EQ(ladder.prepared[0].bare, "root");
    EXPECT_EQ(ladder.prepared[0].fate, Fate::added);
    EXPECT_EQ(ladder.received[0].fate, Fate::dropped);
    EXPECT_EQ(ladder.received[1].prefix, "market:tansy_rig:");
}

TEST_F(Bench, ARuleIsPreviewedItsClashRefusedAndThenUsed) {
    open_mended();
    window->choose_station(1);
    auto* find = child<QLineEdit>("ruleFind");
    auto* replace = child<QLineEdit>("ruleReplace");
    auto* use = child<QPushButton>("useRule");
    auto* table = child<QTableWidget>("rulePreview");
    EXPECT_FALSE(use->isEnabled());
    QTest::keyClicks(find, "^(Left|Right)");
    EXPECT_TRUE(table->isVisible());
    EXPECT_GT(table->rowCount(), 20);
    EXPECT_FALSE(table->item(0, 2)->text().isEmpty()) << "clashes stand first";
    EXPECT_FALSE(use->isEnabled());
    EXPECT_TRUE(child<QLabel>("ruleOutcome")->text().contains("clash"));
    const size_t before = steps();
    QTest::keyClick(find, Qt::Key_Return);
    EXPECT_EQ(steps(), before) << "a rule with a clash cannot be used";
    find->clear();
    QTest::keyClicks(find, "^Left(.*)$");
    QTest::keyClicks(replace, "$1_l");
    EXPECT_TRUE(use->isEnabled());
    QTest::mouseClick(use, Qt::LeftButton);
    EXPECT_EQ(steps(), before + 1);
    settle();
    EXPECT_TRUE(has("Leg_Hip_l"));
    EXPECT_FALSE(has("LeftLeg_Hip"));
    EXPECT_TRUE(find->text().isEmpty());
    QTest::keyClicks(find, "(");
    EXPECT_TRUE(child<QLabel>("ruleOutcome")->text().contains("regular expression"));
    find->clear();
    // The second rule goes into the same step, and undo takes one at a time.
    QTest::keyClicks(find, "^Right(.*)$");
    QTest::keyClicks(replace, "$1_r");
    QTest::keyClick(replace, Qt::Key_Return);
    EXPECT_EQ(steps(), before + 1);
    settle();
    EXPECT_TRUE(has("Leg_Hip_r"));
    QTest::keySequence(window.get(), QKeySequence(QKeySequence::Undo));
    settle();
    EXPECT_FALSE(has("Leg_Hip_r"));
    EXPECT_TRUE(has("Leg_Hip_l"));
}

TEST_F(Bench, ANameIsTypedInPlaceAndATakenOneRefused) {
    open_mended();
    window->choose_station(1);
    JointLadder& ladder = window->joints().ladder();
    const int row = row_of(ladder.right(), "spine_a");
    const QPoint place = ladder.right_rect(row).center();
    QTest::mouseDClick(ladder.viewport(), Qt::LeftButton, {}, place);
    auto* editor = child<QLineEdit>("jointName");
    ASSERT_TRUE(editor->isVisible());
    EXPECT_EQ(editor->text(), "spine_a");
    QTest::keyClicks(editor, "spine_01");
    QTest::keyClick(editor, Qt::Key_Return);
    settle();
    EXPECT_TRUE(has("spine_01"));
    EXPECT_EQ(window->document().undo().undoText().toStdString(), "Rename to spine_01");
    const size_t before = steps();
    ladder.edit_current();
    editor->clear();
    QTest::keyClicks(editor, "chest");
    QTest::keyClick(editor, Qt::Key_Return);
    EXPECT_EQ(steps(), before);
    EXPECT_TRUE(has("spine_01"));
    EXPECT_TRUE(child<QLabel>("ladderCounts")->text().contains("taken"));
}

TEST_F(Bench, JointsAreChosenDroppedAndTheirWeightsFollowed) {
    open_mended();
    window->choose_station(1);
    JointLadder& ladder = window->joints().ladder();
    click(ladder.viewport(), ladder.right_rect(row_of(ladder.right(), "beak_tip")).center());
    JointFacts& facts = window->joints().facts();
    EXPECT_TRUE(facts.text().contains("was market:tansy_rig:beak_tip"));
    EXPECT_TRUE(facts.text().contains("end of a chain"));
    ASSERT_TRUE(wait_for([&] { return facts.drop_text().contains("mm"); })) << facts.drop_text().toStdString();
    EXPECT_TRUE(facts.drop_text().contains("beak_tip → beak_low")) << facts.drop_text().toStdString();
    click(ladder.viewport(), ladder.right_rect(row_of(ladder.right(), "head_tip")).center(), Qt::ControlModifier);
    EXPECT_EQ(window->selection().identities().size(), 2U);
    ladder.setFocus();
    QTest::keyClick(&ladder, Qt::Key_Delete);
    settle();
    EXPECT_EQ(window->document().job().steps.back().id, "drop_joints");
    EXPECT_FALSE(has("beak_tip"));
    EXPECT_FALSE(has("head_tip"));
    const Ladder& after = ladder.ladder();
    EXPECT_EQ(after.dropped, 2U);
    const LadderRow& tip = after.received[static_cast<size_t>(row_of(after.received, "beak_tip"))];
    EXPECT_EQ(tip.fate, Fate::dropped);
    EXPECT_EQ(tip.weights_to, prepared().nodes[prepared().find_node("beak_low")].identity);
    // By hand, through the card, the drift of that step is known too.
    ASSERT_TRUE(wait_for([&] { return state().replay.outcomes.back().drift.has_value(); }));
    EXPECT_GT(state().replay.outcomes.back().drift->largest_mm, 0);
}

TEST_F(Bench, TheLadderIsSearchedFoldedAndWalkedByKeys) {
    open_mended();
    window->choose_station(1);
    JointLadder& ladder = window->joints().ladder();
    const size_t all = ladder.right().size();
    auto* search = child<QLineEdit>("jointSearch");
    QTest::keyClicks(search, "crest");
    EXPECT_EQ(ladder.right().size(), 3U);
    EXPECT_EQ(ladder.left().size(), 3U);
    search->clear();
    EXPECT_EQ(ladder.right().size(), all);
    click(ladder.viewport(), ladder.right_rect(row_of(ladder.right(), "head")).center());
    ladder.setFocus();
    QTest::keyClick(&ladder, Qt::Key_Left);
    EXPECT_LT(ladder.right().size(), all);
    EXPECT_EQ(ladder.left().size(), ladder.right().size());
    QTest::keyClick(&ladder, Qt::Key_Right);
    EXPECT_EQ(ladder.right().size(), all);
    QTest::keyClick(&ladder, Qt::Key_Down);
    EXPECT_EQ(window->selection().current(),
              ladder.right()[static_cast<size_t>(row_of(ladder.right(), "head")) + 1].identity);
    click(ladder.viewport(), ladder.right_rect(row_of(ladder.right(), "pelvis")).center());
    click(ladder.viewport(), ladder.right_rect(row_of(ladder.right(), "spine_b")).center(), Qt::ShiftModifier);
    EXPECT_EQ(window->selection().identities().size(), 3U);
    QTest::keyClick(&ladder, Qt::Key_Escape);
    EXPECT_TRUE(window->selection().is_empty());
}

TEST_F(Bench, AJointIsPickedInTheViewAndStandsOutOnTheLadder) {
    open_mended();
    SceneView& view = window->twin().right().view();
    const int head = prepared().find_node("neck_4");
    const QPoint at = view.place_of(head).toPoint();
    ASSERT_TRUE(view.rect().contains(at));
    QTest::mouseClick(&view, Qt::LeftButton, {}, at);
    EXPECT_EQ(window->selection().current(), prepared().nodes[head].identity);
    const int tail = prepared().find_node("tail_1");
    QTest::mouseClick(&view, Qt::LeftButton, Qt::ControlModifier, view.place_of(tail).toPoint());
    EXPECT_EQ(window->selection().identities().size(), 2U);
    const double far = window->camera().distance;
    QTest::keySequence(window.get(), keys_of(Shortcut::see_chosen));
    EXPECT_LT(window->camera().distance, far);
    QTest::mouseClick(&view, Qt::LeftButton, {}, QPoint(3, 3));
    EXPECT_TRUE(window->selection().is_empty());
}

TEST_F(Bench, AFindingShowsItsPlace) {
    open_mended();
    QPushButton* show = show_button("idle_joints");
    ASSERT_NE(show, nullptr);
    QTest::mouseClick(show, Qt::LeftButton);
    EXPECT_EQ(window->station(), 1);
    EXPECT_TRUE(window->selection().holds(prepared().nodes[prepared().find_node("head_tip")].identity));
    window->choose_station(0);
    show = show_button("take_name");
    ASSERT_NE(show, nullptr);
    QTest::mouseClick(show, Qt::LeftButton);
    EXPECT_EQ(window->station(), 2);
    EXPECT_EQ(window->clock().clip(), "capture_07");
}

TEST_F(Bench, ATakeIsCutDraggedSnappedAndNamed) {
    open_mended();
    window->choose_station(2);
    TakeStrip& strip = window->takes().strip();
    ASSERT_TRUE(wait_for([&] {
        return !window->takes().model().takes().empty() && !window->takes().model().takes()[0].energy.empty();
    }));
    EXPECT_EQ(window->takes().model().takes()[0].frames, 900);
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
    EXPECT_EQ(strip.cuts()[0].last, cut);
    EXPECT_EQ(prepared().clips.size(), 2U);
    // The end of the second clip is dragged to frame 600.
    QRect second = strip.span_rect(1);
    drag(&strip, QPoint(second.right() - 1, second.center().y()),
         QPoint(static_cast<int>(strip.x_of(620)), second.center().y()));
    settle();
    EXPECT_NEAR(strip.cuts()[1].last, 620, 3);
    // Its beginning snaps to the end of the first when it comes near.
    second = strip.span_rect(1);
    drag(&strip, QPoint(second.left() + 2, second.center().y()),
         QPoint(static_cast<int>(strip.x_of(420)), second.center().y()));
    settle();
    EXPECT_NEAR(strip.cuts()[1].first, 420, 8);
    second = strip.span_rect(1);
    drag(&strip, QPoint(second.left() + 2, second.center().y()),
         QPoint(static_cast<int>(strip.x_of(cut)) + 5, second.center().y()));
    settle();
    EXPECT_EQ(strip.cuts()[1].first, cut);
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
    QTest::keySequence(window.get(), QKeySequence(QKeySequence::Undo));
    settle();
    EXPECT_EQ(strip.cuts().size(), 2U);
}

TEST_F(Bench, TheListOfClipsIsTypedReadAndWritten) {
    open_mended();
    window->choose_station(2);
    ASSERT_TRUE(write_file_whole(folder.filePath("cuts.csv").toStdString(),
                                 "name,first,last,repeats,colour,note\nstand,0,168,yes,#4B78A8,\n"
                                 "shake_off,744,896,yes,#A84B5C,she is still shaking\n")
                    .ok());
    EXPECT_EQ(window->takes().read_list(folder.filePath("cuts.csv")).toStdString(), "");
    settle();
    auto* list = child<QTableWidget>("clipList");
    ASSERT_EQ(list->rowCount(), 2);
    EXPECT_EQ(list->item(1, 1)->text(), "shake_off");
    EXPECT_EQ(list->item(1, 8)->text(), "she is still shaking");
    EXPECT_TRUE(list->item(1, 6)->text().endsWith("mm")) << list->item(1, 6)->text().toStdString();
    // A frame typed into the list moves the end; a clip that does not close is said, and mended with one click.
    list->item(0, 3)->setText("160");
    ASSERT_TRUE(wait_for([&] { return window->takes().strip().cuts()[0].last == 160; }));
    settle();
    EXPECT_EQ(prepared().find_clip("stand")->frames(), 161);
    list->setCurrentCell(1, 1);
    EXPECT_TRUE(child<QLabel>("takeMessage")->text().contains("does not close"));
    EXPECT_EQ(window->clock().clip(), "shake_off");
    auto* close = child<QPushButton>("closeLoop");
    ASSERT_TRUE(close->isVisible());
    QTest::mouseClick(close, Qt::LeftButton);
    settle();
    EXPECT_NE(window->takes().strip().cuts()[1].last, 896);
    list->item(1, 5)->setCheckState(Qt::Unchecked);
    ASSERT_TRUE(wait_for([&] { return !window->takes().strip().cuts()[1].repeats; }));
    settle();
    EXPECT_FALSE(prepared().find_clip("shake_off")->repeats);
    EXPECT_EQ(window->takes().write_list(folder.filePath("out.json")).toStdString(), "");
    const Result<std::string> text = read_file(folder.filePath("out.json").toStdString());
    EXPECT_EQ(cuts_from_text(*text, "out")->at(1).note, "she is still shaking");
    EXPECT_NE(window->takes().read_list(folder.filePath("none.csv")).toStdString(), "");
}

TEST_F(Bench, StillPlacesAreOfferedAndCut) {
    open_mended();
    window->choose_station(2);
    ASSERT_TRUE(wait_for([&] { return child<QPushButton>("cutAll")->isEnabled(); }));
    const QString few = child<QLabel>("offered")->text();
    auto* threshold = child<QDoubleSpinBox>("stillBelow");
    threshold->setValue(threshold->value() * 2);
    EXPECT_NE(child<QLabel>("offered")->text(), few) << "the preview follows the threshold";
    QTest::mouseClick(child<QPushButton>("cutAll"), Qt::LeftButton);
    settle();
    const std::vector<Cut>& cuts = window->takes().strip().cuts();
    ASSERT_GT(cuts.size(), 2U);
    EXPECT_EQ(cuts.front().first, 0);
    EXPECT_EQ(cuts.back().last, 899);
    for (size_t i = 1; i < cuts.size(); ++i) {
        EXPECT_EQ(cuts[i].first, cuts[i - 1].last);
    }
}

TEST_F(Bench, TheStripZoomsToTheSingleFrame) {
    open_mended();
    window->choose_station(2);
    TakeStrip& strip = window->takes().strip();
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

TEST_F(Bench, TheViewShowsTwoStatesInThreeWays) {
    open_mended();
    TwinView& twin = window->twin();
    EXPECT_TRUE(twin.left().isVisible());
    QTest::mouseClick(child<QPushButton>("difference"), Qt::LeftButton);
    ASSERT_TRUE(wait_for([&] { return twin.right().view().difference() != nullptr; }));
    EXPECT_FALSE(twin.left().isVisible());
    EXPECT_TRUE(twin.right().view().difference()->compares_anything());
    EXPECT_LT(twin.right().view().difference()->largest(), 0.5) << "mended, not moved";
    QTest::mouseClick(child<QPushButton>("overlaid"), Qt::LeftButton);
    ASSERT_TRUE(
        wait_for([&] { return twin.right().view().is_ready() && twin.right().view().difference() == nullptr; }));
    QTest::mouseClick(child<QPushButton>("sideBySide"), Qt::LeftButton);
    EXPECT_TRUE(twin.left().isVisible());
    settle();
    const QImage picture = twin.picture();
    EXPECT_GT(picture.width(), 400);
    EXPECT_GT(picture.height(), 200);
    // Arrived can stand there too, once something has.
    window->runner().deliver_cells(window->deliver().board().due());
    ASSERT_TRUE(wait_for([&] { return !window->runner().is_running(); }));
    twin.left().choose_state(State::arrived);
    Q_EMIT twin.left().stateChosen(State::arrived);
    ASSERT_TRUE(wait_for([&] { return twin.left().view().is_ready() && twin.left().view().posed() != nullptr; }));
    EXPECT_EQ(twin.left().view().posed()->scene().clips.size(), 0U) << "the model in its rest pose";
}

TEST_F(Bench, ASourceThatChangesOnDiskIsReplayedAndSaid) {
    open_mended();
    window->document().edit("rule", [](Job& job) {
        job.steps.push_back({"rename_joints", {{"names", {{"head_tip", "crown"}}}}});
        job.steps.push_back(
            {"split_take", {{"take", "capture_07"}, {"clips", {{{"name", "wade"}, {"first", 220}, {"last", 396}}}}}});
    });
    settle();
    // A new version comes: one more joint, a changed bird.
    Scene next = demo::tansy_model();
    Node extra;
    extra.name = "market:tansy_rig:crest_4";
    extra.parent = next.find_node("market:tansy_rig:crest_3");
    extra.kind = NodeKind::joint;
    extra.rest.translation = Vec3(0, 0, 4);
    const int at = static_cast<int>(next.nodes.size());
    next.nodes.push_back(extra);
    next.skins[0].joints.push_back(at);
    next.skins[0].inverse_binds.push_back(Mat4::Identity());
    for (Vec3f& position : next.meshes[0].positions.edit()) {
        position *= 1.01F;
    }
    put(write_glb_unscaled(next, "tansy_model"));
    auto* news = child<QLabel>("newsText");
    ASSERT_TRUE(wait_for([&] { return news->isVisible(); }, 30));
    EXPECT_TRUE(news->text().contains("tansy_model.glb changed")) << news->text().toStdString();
    EXPECT_TRUE(news->text().contains("1 joint more (market:tansy_rig:crest_4)")) << news->text().toStdString();
    EXPECT_TRUE(news->text().contains("every step still fits")) << news->text().toStdString();
    settle();
    EXPECT_TRUE(has("crest_4"));
    EXPECT_TRUE(has("crown"));
    // The take loses its name: the step that cuts it no longer fits, and that is said; the rest works on.
    Scene take = demo::tansy_market_take();
    take.clips[0].name = "capture_08";
    put(write_gltf_beside(take, "tansy_market"));
    ASSERT_TRUE(wait_for([&] { return news->text().contains("no longer fits"); }, 30)) << news->text().toStdString();
    EXPECT_TRUE(news->text().contains("capture_07"));
    EXPECT_TRUE(has("crown"));
    QTest::mouseClick(child<QPushButton>("newsRead"), Qt::LeftButton);
    EXPECT_FALSE(news->isVisible());
}

TEST_F(Bench, WhatACrashLeftIsOfferedAndOpenedUnsaved) {
    open_mended();
    QTest::mouseClick(finding_button("rescale_weights"), Qt::LeftButton);
    settle();
    const Job changed = window->document().job();
    window->recovery().keep();
    QStringList files = QDir(Recovery::folder()).entryList({"*.recovery"});
    ASSERT_EQ(files.size(), 1);
    EXPECT_TRUE(Recovery::left_over().empty()) << "a living window's file is not offered";
    // As if that process had died: its file under the number of one that is no more.
    QProcess gone;
    gone.start("true", QStringList());
    gone.waitForStarted();
    const qint64 dead = gone.processId();
    gone.waitForFinished();
    const QString left = Recovery::folder() + QStringLiteral("/%1-1.recovery").arg(dead);
    ASSERT_TRUE(QFile::copy(Recovery::folder() + "/" + files[0], left));
    window->recovery().forget();
    start();
    const std::vector<Recoverable> found = Recovery::left_over();
    ASSERT_EQ(found.size(), 1U);
    EXPECT_EQ(found[0].path, job_file);
    QTimer::singleShot(300, window.get(), [] {
        for (QWidget* widget : QApplication::topLevelWidgets()) {
            if (widget->objectName() == "recoveryOffer") {
                for (QAbstractButton* button : widget->findChildren<QAbstractButton*>()) {
                    if (button->text().contains("Open")) {
                        button->click();
                    }
                }
            }
        }
    });
    window->offer_recovery();
    settle();
    EXPECT_TRUE(window->document().job() == changed);
    EXPECT_FALSE(window->document().is_saved());
    EXPECT_FALSE(QFile::exists(left));
    EXPECT_EQ(window->document().path(), job_file);
    ASSERT_TRUE(window->document().save(job_file).ok());
    EXPECT_TRUE(QDir(Recovery::folder()).entryList({"*.recovery"}).isEmpty()) << "saved: nothing is kept";
}

TEST_F(Bench, ABrokenRecoveryFileIsNotOffered) {
    QDir().mkpath(Recovery::folder());
    const QString file = Recovery::folder() + QStringLiteral("/999999999-1.recovery");
    for (const char* text :
         {"", "{", "[]", "{\"format\":\"wembrix recovery\"}", "{\"format\":\"wembrix recovery\",\"job\":7}"}) {
        ASSERT_TRUE(write_file_whole(file.toStdString(), text).ok());
        EXPECT_TRUE(Recovery::left_over().empty()) << text;
    }
    QFile::remove(file);
}

TEST_F(Bench, RecentJobsStandInTheMenu) {
    open();
    EXPECT_EQ(recent_jobs().value(0), job_file);
    auto* menu = window->findChild<QMenu*>("recentJobs");
    ASSERT_NE(menu, nullptr);
    Q_EMIT menu->aboutToShow();
    ASSERT_FALSE(menu->actions().isEmpty());
    EXPECT_EQ(menu->actions()[0]->text(), "tansy.wembrix");
    for (int i = 0; i < 12; ++i) {
        const QString path = folder.filePath(QStringLiteral("job%1.wembrix").arg(i));
        ASSERT_TRUE(write_job(Job(), path.toStdString()).ok());
        add_recent_job(path);
    }
    EXPECT_EQ(recent_jobs().size(), 8);
    QFile::remove(folder.filePath("job11.wembrix"));
    EXPECT_EQ(recent_jobs().value(0), folder.filePath("job10.wembrix")) << "what is gone is not offered";
}

TEST_F(Bench, DestinationsAreExplainedCheckedResetAndKept) {
    DestinationsDialog dialog(built_in_destinations());
    dialog.show();
    auto* influences = dialog.findChild<QLineEdit*>("destination_influences");
    auto* problem = dialog.findChild<QLabel*>("destinationProblem");
    auto* use = dialog.findChild<QPushButton*>("go");
    influences->clear();
    QTest::keyClicks(influences, "0");
    EXPECT_FALSE(problem->text().isEmpty());
    EXPECT_FALSE(use->isEnabled());
    influences->clear();
    QTest::keyClicks(influences, "8");
    EXPECT_TRUE(use->isEnabled()) << problem->text().toStdString();
    EXPECT_EQ(dialog.destinations()[0].influences, 8);
    QTest::mouseClick(dialog.findChild<QPushButton*>("resetDestination"), Qt::LeftButton);
    EXPECT_EQ(dialog.destinations()[0].influences, 4);
    auto* name = dialog.findChild<QLineEdit*>("destination_name");
    name->clear();
    QTest::keyClicks(name, "Lantern web view");
    EXPECT_TRUE(problem->text().contains("Another destination"));
    name->clear();
    QTest::keyClicks(name, "Harbour handheld");
    QTest::mouseClick(dialog.findChild<QPushButton*>("keepDestination"), Qt::LeftButton);
    ASSERT_TRUE(from_library("Harbour handheld").has_value());
    EXPECT_EQ(dialog.destinations()[0].name, "Harbour handheld");
    QFile::remove(QStandardPaths::writableLocation(QStandardPaths::AppDataLocation) +
                  "/destinations/Harbour_handheld.destination.json");
    EXPECT_FALSE(from_library("Harbour handheld").has_value());
}

TEST_F(Bench, TheGuideIsInTheProgram) {
    GuideWindow guide;
    std::set<QString> seen;
    for (const char* page :
         {"README", "intake", "joints", "takes", "deliver", "route-card", "view", "job", "findings"}) {
        guide.show_page(QString::fromUtf8(page));
        EXPECT_GT(guide.text().size(), 300) << page;
        EXPECT_TRUE(seen.insert(guide.text()).second) << page << " shows the page before it";
        EXPECT_TRUE(page == std::string("README") || guide.text().contains("Why")) << page;
    }
}

TEST_F(Bench, TheBoardMarksOnlyWhatChanged) {
    open_mended();
    window->document().edit("cut", [](Job& job) {
        set_cuts(job, "capture_07", {{"stand", 0, 60, true, "", ""}, {"stamp", 600, 660, false, "", ""}});
    });
    settle();
    window->runner().deliver_cells(window->deliver().board().due());
    ASSERT_TRUE(wait_for([&] { return !window->runner().is_running(); }));
    settle();
    EXPECT_EQ(window->deliver().board().count(CellState::arrived), 6);
    window->document().edit("cut otherwise", [](Job& job) {
        set_cuts(job, "capture_07", {{"stand", 0, 50, true, "", ""}, {"stamp", 600, 660, false, "", ""}});
    });
    settle();
    BoardModel& board = window->deliver().board();
    EXPECT_EQ(board.count(CellState::arrived), 4);
    EXPECT_EQ(board.count(CellState::stale), 2);
    EXPECT_EQ(board.entry({"Tidewater runtime", "clip:stand"})->detail, "the route card changed");
    EXPECT_EQ(child<QPushButton>("go")->text(), "Deliver 2");
    QTest::mouseClick(child<QPushButton>("go"), Qt::LeftButton);
    ASSERT_TRUE(wait_for([&] { return !window->runner().is_running() && board.count(CellState::arrived) == 6; }));
}

TEST(LadderRows, FiveHundredJointsInAChainAreLaidOutWithoutRecursion) {
    Scene scene;
    for (int i = 0; i < 500; ++i) {
        Node node;
        node.name = "joint_" + std::to_string(i);
        node.parent = i - 1;
        node.kind = NodeKind::joint;
        node.identity = i + 1;
        scene.nodes.push_back(node);
    }
    const Ladder ladder = make_ladder(scene, scene);
    EXPECT_EQ(ladder.prepared.size(), 500U);
    EXPECT_EQ(ladder.prepared.back().depth, 499);
    EXPECT_EQ(shown_rows(ladder.prepared, ladder.received, {1}, "").size(), 1U);
    EXPECT_EQ(shown_rows(ladder.prepared, ladder.received, {}, "_49").size(), 11U);
}

TEST(StripEdits, CutsMovesAndSnaps) {
    const std::vector<Cut> two = cut_at({}, 40, 100);
    ASSERT_EQ(two.size(), 2U);
    EXPECT_EQ(two[0].last, 40);
    EXPECT_EQ(two[1].first, 40);
    EXPECT_EQ(cut_at(two, 40, 100), two) << "on an end nothing is cut";
    EXPECT_EQ(cut_at(two, 0, 100), two);
    const std::vector<Cut> three = cut_at(two, 60, 100);
    ASSERT_EQ(three.size(), 3U);
    EXPECT_EQ(three[1].last, 60);
    EXPECT_EQ(three[2].first, 60);
    EXPECT_NE(three[2].name, three[1].name);
    const std::vector<Cut> gap = cut_at({{"a", 0, 20, false, "", ""}, {"b", 70, 99, false, "", ""}}, 30, 100);
    ASSERT_EQ(gap.size(), 3U);
    EXPECT_EQ(gap[1].first, 30);
    EXPECT_EQ(gap[1].last, 70);
    EXPECT_EQ(move_end(two, 0, true, 500, 100)[0].last, 99);
    EXPECT_EQ(move_end(two, 0, true, -5, 100)[0].last, 1);
    EXPECT_EQ(move_end(two, 1, false, 99, 100)[1].first, 98);
    EXPECT_EQ(move_end(two, 1, false, -9, 100)[1].first, 0);
    EXPECT_EQ(snapped(41, {40, 44}, 3), 40);
    EXPECT_EQ(snapped(50, {40, 44}, 3), 50);
    EXPECT_EQ(cut_all({20, 45}, 100).size(), 3U);
    EXPECT_EQ(cut_all({}, 100).size(), 1U);
}

} // namespace
} // namespace wembrix::app
