// Names by rule with a clash, joints dropped, searched, folded, picked.
#include "bench_fixture.h"
#include "core/job/card_edits.h"
#include "shell/destinations_dialog.h"
#include "shell/pose_commands.h"
#include "stations/joints/ladder_rows.h"

#include <QScrollBar>

namespace wembrix::app {
namespace {

TEST_F(Bench, TheLadderShowsWhatBecameOfEachJoint) {
    open_mended();
    window->choose_station(1);
    const Ladder& ladder = window->page<JointsStation>().ladder().ladder();
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
    undo();
    settle();
    EXPECT_FALSE(has("Leg_Hip_r"));
    EXPECT_TRUE(has("Leg_Hip_l"));
}

TEST_F(Bench, ANameIsTypedInPlaceAndATakenOneRefused) {
    open_mended();
    window->choose_station(1);
    JointLadder& ladder = window->page<JointsStation>().ladder();
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
    window->session().set_measures_drift(true);
    window->choose_station(1);
    JointLadder& ladder = window->page<JointsStation>().ladder();
    click(ladder.viewport(), ladder.right_rect(row_of(ladder.right(), "beak_tip")).center());
    JointFacts& facts = window->page<JointsStation>().facts();
    EXPECT_TRUE(facts.text().contains("was market:tansy_rig:beak_tip"));
    EXPECT_TRUE(facts.text().contains("end of a chain"));
    ASSERT_TRUE(wait_for([&] { return facts.drop_text().contains("mm"); })) << facts.drop_text().toStdString();
    EXPECT_TRUE(facts.drop_text().contains("beak_tip → beak_low")) << facts.drop_text().toStdString();
    click(ladder.viewport(), ladder.right_rect(row_of(ladder.right(), "head_tip")).center(), Qt::ControlModifier);
    EXPECT_EQ(window->selection().identities().size(), 2U);
    ladder.setFocus();
    QTest::keyClick(&ladder, Qt::Key_Delete);
    settle();
    EXPECT_EQ(window->document().job().steps.back().id, "remove_joints");
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
    JointLadder& ladder = window->page<JointsStation>().ladder();
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
    QPushButton* show = show_button("unweighted_joints");
    ASSERT_NE(show, nullptr);
    QTest::mouseClick(show, Qt::LeftButton);
    EXPECT_EQ(window->station(), 1);
    EXPECT_TRUE(window->selection().holds(prepared().nodes[prepared().find_node("head_tip")].identity));
    window->choose_station(0);
    show = show_button("take_name");
    ASSERT_NE(show, nullptr);
    QTest::mouseClick(show, Qt::LeftButton);
    EXPECT_EQ(window->station(), 3);
    EXPECT_EQ(window->clock().clip(), "capture_07");
}

TEST_F(Bench, AJointIsDraggedOntoAnotherAndUndone) {
    open_mended();
    window->session().set_measures_drift(true);
    window->choose_station(1);
    JointLadder& ladder = window->page<JointsStation>().ladder();
    const auto row_place = [&](const char* name) {
        const QRect row = ladder.right_rect(row_of(ladder.right(), name));
        return QPoint(row.left() + 80, row.center().y());
    };
    const auto parent_of = [&](const char* name) {
        return prepared().nodes[prepared().nodes[prepared().find_node(name)].parent].name;
    };
    ASSERT_EQ(parent_of("spine_b"), "spine_a");
    const size_t before = steps();
    // Onto what hangs on it: nothing happens.
    drag(ladder.viewport(), row_place("spine_a"), row_place("spine_b"));
    EXPECT_EQ(steps(), before);
    drag(ladder.viewport(), row_place("spine_b"), row_place("pelvis"));
    EXPECT_EQ(steps(), before + 1);
    EXPECT_EQ(window->document().undo().undoText().toStdString(), "Put spine_b under pelvis");
    settle();
    EXPECT_EQ(parent_of("spine_b"), "pelvis");
    EXPECT_EQ(ladder.ladder().moved, 1U);
    ASSERT_TRUE(wait_for([&] { return state().replay.outcomes.back().drift.has_value(); }));
    EXPECT_LT(state().replay.outcomes.back().drift->largest_mm, 0.02) << "it hangs elsewhere and stays where it is";
    // A second one goes into the same step; both chosen are dragged together.
    const auto* pelvis = &ladder.right()[static_cast<size_t>(row_of(ladder.right(), "pelvis"))];
    ASSERT_NE(pelvis->identity, 0);
    click(ladder.viewport(), row_place("LeftLeg_Hip"));
    click(ladder.viewport(), row_place("RightLeg_Hip"), Qt::ControlModifier);
    drag(ladder.viewport(), row_place("RightLeg_Hip"), row_place("root"));
    EXPECT_EQ(steps(), before + 1);
    settle();
    EXPECT_EQ(parent_of("LeftLeg_Hip"), "root");
    EXPECT_EQ(parent_of("RightLeg_Hip"), "root");
    undo();
    undo();
    settle();
    EXPECT_EQ(parent_of("spine_b"), "spine_a");
    EXPECT_EQ(steps(), before);
}

TEST_F(Bench, TheOtherSideIsFoundChosenAndNamedAfter) {
    open_mended();
    window->choose_station(1);
    JointLadder& ladder = window->page<JointsStation>().ladder();
    click(ladder.viewport(), ladder.right_rect(row_of(ladder.right(), "LeftLeg_Hip")).center());
    EXPECT_TRUE(window->page<JointsStation>().facts().text().contains("mirror RightLeg_Hip"));
    EXPECT_TRUE(window->page<JointsStation>().facts().text().contains("Symmetry"))
        << window->page<JointsStation>().facts().text().toStdString();
    Q_EMIT ladder.mirrorAsked();
    EXPECT_EQ(window->selection().current(), prepared().nodes[prepared().find_node("RightLeg_Hip")].identity);
    // Its name is lost; the joint on the other side still has one.
    ladder.edit_current();
    auto* editor = child<QLineEdit>("jointName");
    editor->clear();
    QTest::keyClicks(editor, "bone_17");
    QTest::keyClick(editor, Qt::Key_Return);
    settle();
    ASSERT_TRUE(has("bone_17"));
    Q_EMIT ladder.nameFromMirrorAsked();
    settle();
    EXPECT_FALSE(has("bone_17"));
    EXPECT_TRUE(has("RightLeg_Hip"));
}

TEST_F(Bench, SideWordsAndLettersAreRulesWithAPreview) {
    open_mended();
    window->choose_station(1);
    auto* kind = child<QComboBox>("ruleKind");
    auto* find = child<QLineEdit>("ruleFind");
    auto* replace = child<QLineEdit>("ruleReplace");
    auto* use = child<QPushButton>("useRule");
    kind->setCurrentIndex(1);
    QTest::keyClicks(find, "_l");
    EXPECT_FALSE(use->isEnabled()) << "the other side has no word yet";
    QTest::keyClicks(replace, "_r");
    EXPECT_TRUE(use->isEnabled());
    EXPECT_GT(window->page<JointsStation>().rules().preview().size(), 20U);
    QTest::mouseClick(use, Qt::LeftButton);
    settle();
    EXPECT_TRUE(has("Leg_Hip_l"));
    EXPECT_TRUE(has("Leg_Hip_r"));
    kind->setCurrentIndex(2);
    auto* detail = child<QComboBox>("ruleDetail");
    EXPECT_FALSE(use->isEnabled());
    detail->setCurrentIndex(1);
    EXPECT_TRUE(use->isEnabled());
    QTest::mouseClick(use, Qt::LeftButton);
    settle();
    EXPECT_TRUE(has("leg_hip_l"));
    const Step& step = window->document().job().steps.back();
    EXPECT_EQ(step.parameters["rules"].size(), 2U) << step.parameters.dump();
    // The same rules as lines of text, in the step's own window.
    StepDialog dialog(step, {});
    auto* lines = dialog.findChild<QPlainTextEdit*>("field_rules");
    EXPECT_EQ(lines->toPlainText(), "sides: _l, _r, end\ncase: lower");
    lines->setPlainText("sides: _le, _ri, start\ncase: upper, ^leg\na → b");
    EXPECT_EQ(dialog.step().parameters["rules"],
              nlohmann::json::parse(R"([{"left":"_le","right":"_ri","at":"start"},{"case":"upper","find":"^leg"},
                                        {"find":"a","replace":"b"}])"));
}

TEST_F(Bench, AContractIsDemandedMissedAndFitted) {
    open_mended();
    const Contract contract = contract_of(prepared(), "market_biped");
    // In the destinations' window: the skeleton as it is now is demanded.
    DestinationsDialog dialog(window->document().job().destinations, contract);
    dialog.show();
    QTest::mouseClick(dialog.findChild<QPushButton*>("contractFromJob"), Qt::LeftButton);
    EXPECT_TRUE(dialog.findChild<QLabel*>("contractName")->text().contains("64 joints"));
    ASSERT_TRUE(dialog.destinations()[0].contract.has_value());
    window->document().edit("demand", [&](Job& job) { job.destinations = dialog.destinations(); });
    settle();
    window->choose_station(1);
    const JointLadder& ladder = window->page<JointsStation>().ladder();
    EXPECT_EQ(ladder.ladder().contract, "market_biped");
    EXPECT_EQ(ladder.ladder().contract_same, 64);
    EXPECT_TRUE(child<QLabel>("ladderCounts")->text().contains("of 64 joints the same"));
    // A joint gets another name, another one hangs elsewhere: both are said, and the delivery would be held.
    window->document().edit("spoil", [](Job& job) {
        job.steps.push_back({"rename_joints", {{"names", {{"spine_b", "back"}}}}});
        job.steps.push_back({"reparent_joints", {{"under", {{"LeftLeg_Hip", "root"}}}}});
    });
    settle();
    EXPECT_EQ(ladder.ladder().contract_missing, QStringList{"spine_b"});
    const auto& rows = ladder.ladder().prepared;
    EXPECT_EQ(rows[static_cast<size_t>(row_of(rows, "back"))].contract, "not in it");
    EXPECT_TRUE(rows[static_cast<size_t>(row_of(rows, "LeftLeg_Hip"))].contract.contains("parent"));
    window->choose_station(0);
    QPushButton* mend = finding_button("fit_contract");
    ASSERT_NE(mend, nullptr);
    QTest::mouseClick(mend, Qt::LeftButton);
    settle();
    EXPECT_TRUE(has("spine_b"));
    EXPECT_TRUE(ladder.ladder().contract_missing.isEmpty());
    EXPECT_EQ(ladder.ladder().contract_same, 64);
}

TEST_F(Bench, JointsAreMatchedWithTheContractOnTheLadder) {
    open_mended();
    const Contract contract = contract_of(prepared(), "market_biped");
    window->document().edit("demand and spoil", [&](Job& job) {
        job.destinations[0].contract = contract;
        job.steps.push_back({"rename_joints", {{"names", {{"spine_b", "back"}, {"head", "Skull_01"}}}}});
    });
    settle();
    window->choose_station(1);
    JointLadder& ladder = window->page<JointsStation>().ladder();
    const size_t before = steps();
    const int back = row_of(ladder.right(), "back");
    EXPECT_EQ(ladder.right()[static_cast<size_t>(back)].proposal, "spine_b");
    EXPECT_TRUE(child<QLabel>("ladderCounts")->text().contains("take the 2 that are offered"));
    // A click on what is offered takes it.
    click(ladder.viewport(), ladder.contract_rect(back).center());
    settle();
    EXPECT_EQ(steps(), before + 1);
    EXPECT_TRUE(has("spine_b"));
    EXPECT_TRUE(has("Skull_01"));
    EXPECT_EQ(ladder.ladder().contract_missing, QStringList{"head"});
    // It was the wrong one: the joint is meant to be the head. The same step says so now, and what it was is open
    // again.
    Q_EMIT ladder.matchAsked(prepared().nodes[prepared().find_node("spine_b")].identity, "head");
    settle();
    EXPECT_EQ(steps(), before + 1);
    EXPECT_EQ(window->document().job().steps.back().parameters["matches"], nlohmann::json({{"back", "head"}}));
    EXPECT_EQ(ladder.ladder().contract_missing, QStringList{"spine_b"});
    undo();
    undo();
    settle();
    EXPECT_EQ(steps(), before);
    // All that are offered, at once.
    Q_EMIT child<QLabel>("ladderCounts")->linkActivated("all");
    settle();
    EXPECT_TRUE(ladder.ladder().contract_missing.isEmpty());
    EXPECT_EQ(ladder.ladder().contract_same, 64);
}

TEST_F(Bench, AnAttachmentPointIsPlacedInTheView) {
    open_mended();
    window->choose_station(1);
    const int head = prepared().find_node("head");
    window->selection().choose(prepared().nodes[head].identity);
    settle();
    SceneView& view = window->twin().right().view();
    // Any pose will do: the place is kept as the joint sees it.
    window->twin().playback().choose("capture_07");
    window->clock().go_to(301);
    QTest::qWait(60);
    Q_EMIT window->page<JointsStation>().ladder().placeAsked();
    ASSERT_TRUE((view.tool_in_use() != nullptr));
    QTest::keyClick(&view, Qt::Key_Escape);
    EXPECT_FALSE((view.tool_in_use() != nullptr));
    Q_EMIT window->page<JointsStation>().ladder().placeAsked();
    Step asked;
    QTimer::singleShot(200, window.get(), [&] {
        auto* dialog = qobject_cast<StepDialog*>(QApplication::activeModalWidget());
        ASSERT_NE(dialog, nullptr);
        asked = dialog->step();
        dialog->accept();
    });
    click(&view, view.place_of(head).toPoint());
    settle();
    EXPECT_EQ(asked.id, "add_attachment");
    const int point = prepared().find_node("head_point");
    ASSERT_GE(point, 0);
    EXPECT_EQ(prepared().nodes[point].kind, NodeKind::point);
    // On her surface: near the joint, and on the line from the eye through the pixel that was clicked.
    const Vec3 place = prepared().nodes[point].rest.translation;
    EXPECT_GT(place.norm(), 0.005);
    EXPECT_LT(place.norm(), 0.2);
    QTest::qWait(60);
    EXPECT_LT(QLineF(view.place_of(point), view.place_of(head)).length(), 3);
    undo();
    settle();
    EXPECT_FALSE(has("head_point"));
}

TEST_F(Bench, DroppingSeveralIsToldJointByJointAndUnlikeSidesAreListed) {
    open_mended();
    window->choose_station(1);
    JointFacts& facts = window->page<JointsStation>().facts();
    EXPECT_TRUE(facts.text().contains("pairs")) << facts.text().toStdString();
    std::vector<int64_t> tips;
    for (const char* name : {"beak_tip", "LeftWing_Tip", "RightWing_Tip"}) {
        const int node = prepared().find_node(name);
        ASSERT_GE(node, 0) << name;
        tips.push_back(prepared().nodes[node].identity);
    }
    window->selection().choose_all(tips);
    ASSERT_TRUE(wait_for([&] { return facts.text().contains("weights then on"); })) << facts.text().toStdString();
    EXPECT_TRUE(facts.text().contains("LeftWing_Tip"));
    EXPECT_TRUE(facts.text().contains("beak_low"));
    EXPECT_GE(facts.text().count("mm<"), 3);
    // One side is lengthened: the list says so, and a click on it chooses both.
    window->selection().clear();
    window->document().edit("longer", [](Job& job) {
        job.steps.push_back({"insert_joint", {{"name", "LeftWing_Extra"}, {"under", "LeftWing_Hand"}}});
    });
    settle();
    EXPECT_TRUE(facts.text().contains("LeftWing_Extra")) << facts.text().toStdString();
    EXPECT_TRUE(facts.text().contains("nothing on the other side"));
}

TEST_F(Bench, APoseIsKeptShownAndMadeTheRestPose) {
    open_mended();
    window->session().set_measures_drift(true);
    TwinView& twin = window->twin();
    const auto head = [&] {
        return point_of(twin.right().view().posed()->pose().world[prepared().find_node("head")], Vec3::Zero());
    };
    const auto shown = [&](const char* words) {
        QTest::qWait(60); // until it is painted
        return child<QLabel>("statusRight")->text() == QString::fromUtf8(words);
    };
    const Vec3 rest = head();
    twin.playback().choose("capture_07");
    window->clock().go_to(650);
    QTest::qWait(60);
    const Vec3 lifted = head();
    ASSERT_GT((lifted - rest).norm(), 0.01);
    PoseCommands poses(window->document(), window->session(), window->clock(), window.get());
    poses.keep("lifted");
    EXPECT_TRUE(shown("pose “lifted”")) << child<QLabel>("statusRight")->text().toStdString();
    EXPECT_NEAR((head() - lifted).norm(), 0, 1e-9);
    auto* choice = twin.playback().findChild<QComboBox*>("clipChoice");
    EXPECT_GE(choice->findText("Pose “lifted”"), 0);
    choice->setCurrentIndex(choice->findText("Bind pose"));
    EXPECT_TRUE(shown("bind pose"));
    choice->setCurrentIndex(choice->findText("Rest pose"));
    EXPECT_TRUE(shown("rest pose"));
    EXPECT_NEAR((head() - rest).norm(), 0, 1e-9);
    // Saved with the job, and read back.
    ASSERT_TRUE(window->document().save(job_file).ok());
    EXPECT_EQ(read_job(job_file.toStdString())->poses.count("lifted"), 1U);
    choice->setCurrentIndex(choice->findText("Pose “lifted”"));
    poses.make_rest_pose();
    settle();
    EXPECT_EQ(window->document().job().steps.back().id, "set_rest_pose");
    choice->setCurrentIndex(choice->findText("Rest pose"));
    QTest::qWait(60);
    EXPECT_NEAR((head() - lifted).norm(), 0, 1e-6);
    ASSERT_TRUE(wait_for([&] { return state().replay.outcomes.back().drift.has_value(); }));
    EXPECT_LT(state().replay.outcomes.back().drift->largest_mm, 0.02) << "the clips move as before";
    choice->setCurrentIndex(choice->findText("Pose “lifted”"));
    poses.forget();
    EXPECT_TRUE(window->document().job().poses.empty());
    EXPECT_EQ(choice->findText("Pose “lifted”"), -1);
}

TEST_F(Bench, TheMeasuringRodIsDraggedToAnotherHeight) {
    open_mended();
    SceneView& view = window->twin().right().view();
    const double before = state().prepared.height_m;
    const size_t count = steps();
    const QPointF top = view.rod().p2();
    ASSERT_TRUE(view.rect().contains(top.toPoint()));
    const QPointF lower = view.rod().p1() + (top - view.rod().p1()) * 0.8;
    drag(&view, top.toPoint(), lower.toPoint());
    settle();
    EXPECT_EQ(steps(), count) << "the step that resizes takes it up";
    EXPECT_NEAR(state().prepared.height_m / before, 0.8, 0.03);
    const double height = state().prepared.height_m;
    EXPECT_NEAR(height, std::round(height * 100) / 100, 1e-4) << "to the centimetre";
    undo();
    settle();
    EXPECT_NEAR(state().prepared.height_m, before, 1e-9);
    // Without such a step there is a new one.
    Job job;
    set_height(job, 1, 1.7);
    ASSERT_EQ(job.steps.size(), 1U);
    EXPECT_EQ(job.steps[0].parameters["height_m"], 1.7);
    set_height(job, 1.7, 3.4);
    EXPECT_EQ(job.steps[0].parameters["height_m"], 3.4);
}

/// A chain of joints, each with an identity.
Scene chain_of(int joints) {
    Scene scene;
    for (int i = 0; i < joints; ++i) {
        Node node;
        node.name = "joint_" + std::to_string(i);
        node.parent = i - 1;
        node.kind = NodeKind::joint;
        node.identity = i + 1;
        scene.nodes.push_back(node);
    }
    return scene;
}

TEST(LadderRows, FiveHundredJointsInAChainAreLaidOutWithoutRecursion) {
    const Scene scene = chain_of(500);
    const std::vector<Holding> held = holding_of(scene);
    const Ladder ladder = make_ladder(scene, held, scene, held);
    EXPECT_EQ(ladder.prepared.size(), 500U);
    EXPECT_EQ(ladder.prepared.back().depth, 499);
    EXPECT_EQ(shown_rows(ladder.prepared, ladder.received, {1}, "").size(), 1U);
    EXPECT_EQ(shown_rows(ladder.prepared, ladder.received, {}, "_49").size(), 11U);
}

TEST(JointLadder, FiveHundredJointsAreScrolledWalkedAndFiltered) {
    const Scene scene = chain_of(500);
    const std::vector<Holding> held = holding_of(scene);
    Selection selection;
    JointLadder ladder(selection);
    ladder.resize(620, 400);
    ladder.show_ladder(make_ladder(scene, held, scene, held));
    ladder.show();
    ASSERT_TRUE(QTest::qWaitForWindowExposed(&ladder));
    const QRect view = ladder.viewport()->rect();
    EXPECT_TRUE(view.contains(ladder.right_rect(0)));
    EXPECT_FALSE(view.intersects(ladder.right_rect(499)));
    const QPointF middle = view.center();
    QWheelEvent down(middle, ladder.mapToGlobal(middle), {}, {0, -120}, Qt::NoButton, Qt::NoModifier, Qt::NoScrollPhase,
                     false);
    const int before = ladder.right_rect(0).top();
    QApplication::sendEvent(ladder.viewport(), &down);
    EXPECT_LT(ladder.right_rect(0).top(), before);
    EXPECT_EQ((before - ladder.right_rect(0).top()) % ladder.right_rect(0).height(), 0) << "whole rows";
    ladder.verticalScrollBar()->setValue(ladder.verticalScrollBar()->maximum());
    EXPECT_TRUE(view.contains(ladder.right_rect(499))) << "the last one can be reached";
    QTest::mouseClick(ladder.viewport(), Qt::LeftButton, {}, ladder.right_rect(490).center());
    EXPECT_EQ(selection.current(), 491);
    QTest::keyClick(&ladder, Qt::Key_Home);
    for (int i = 0; i < 60; ++i) {
        QTest::keyClick(&ladder, Qt::Key_Down);
    }
    const auto current = std::find_if(ladder.right().begin(), ladder.right().end(),
                                      [&](const LadderRow& row) { return row.identity == selection.current(); });
    ASSERT_NE(current, ladder.right().end());
    EXPECT_TRUE(view.contains(ladder.right_rect(static_cast<int>(current - ladder.right().begin())).center()))
        << "what is walked to stays in sight";
    ladder.set_filter("_499");
    ASSERT_EQ(ladder.right().size(), 1U);
    EXPECT_TRUE(view.contains(ladder.right_rect(0))) << "what is found stands in sight";
    ladder.set_filter("");
    EXPECT_EQ(ladder.right().size(), 500U);
}

} // namespace
} // namespace wembrix::app
