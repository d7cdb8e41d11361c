#include "core/steps/step.h"
#include "core/steps/step_kind.h"
#include "shell/step_card.h"
#include "window_fixture.h"

#include <QPointer>

namespace wembrix::app {
namespace {

TEST_F(Window, EmptyItSaysWhatWouldFillIt) {
    EXPECT_FALSE(child<QPushButton>("go")->isEnabled());
    EXPECT_FALSE(child<QPushButton>("play")->isEnabled());
    EXPECT_TRUE(window->twin().left().view().empty_text().contains("sources"));
    EXPECT_TRUE(window->twin().right().view().empty_text().contains("route card"));
    // Every station says what would fill it and offers the command.
    for (int station = 0; station < static_cast<int>(window->pages().size()); ++station) {
        window->choose_station(station);
        int offered = 0;
        for (const QPushButton* button : window->findChildren<QPushButton*>("bringIn")) {
            offered += button->isVisible() ? 1 : 0;
        }
        EXPECT_EQ(offered, 1) << station;
    }
}

TEST_F(Window, OpensTheDemoJobWithItsFindings) {
    open();
    EXPECT_EQ(state().findings.size(), 12U);
    EXPECT_NE(finding_button("scale"), nullptr);
    EXPECT_TRUE(child<QLabel>("receivedFacts")->text().contains("161.8"));
    EXPECT_TRUE(child<QLabel>("receivedFacts")->text().contains("roots"));
    auto* contents = child<QTreeWidget>("contents");
    EXPECT_EQ(contents->topLevelItemCount(), 2);
    EXPECT_EQ(contents->topLevelItem(0)->text(0), "tansy_model.glb");
}

TEST_F(Window, AFindingsStepIsAddedWithOneClickAndUndone) {
    open();
    QTest::mouseClick(finding_button("scale"), Qt::LeftButton);
    EXPECT_EQ(steps(), 2U);
    settle();
    EXPECT_NEAR(state().prepared.height_m, 1.62, 0.02);
    EXPECT_EQ(finding_button("scale"), nullptr) << "a mended finding is no longer offered";
    EXPECT_TRUE(child<QLabel>("preparedFacts")->text().contains("161.8")) << "in the destination's units";
    QTest::keySequence(window.get(), QKeySequence(QKeySequence::Undo));
    EXPECT_EQ(steps(), 1U);
    settle();
    EXPECT_NEAR(state().prepared.height_m, 161.8, 0.5);
    EXPECT_NE(finding_button("scale"), nullptr);
    QTest::keySequence(window.get(), QKeySequence(QKeySequence::Redo));
    settle();
    EXPECT_NEAR(state().prepared.height_m, 1.62, 0.02);
}

TEST_F(Window, KeepAndLeaveAreTicks) {
    open();
    auto* contents = child<QTreeWidget>("contents");
    QTreeWidgetItem* floor = nullptr;
    for (int i = 0; i < contents->topLevelItem(0)->childCount(); ++i) {
        if (contents->topLevelItem(0)->child(i)->text(0) == "set_floor") {
            floor = contents->topLevelItem(0)->child(i);
        }
    }
    ASSERT_NE(floor, nullptr);
    EXPECT_EQ(floor->checkState(0), Qt::Unchecked);
    EXPECT_EQ(state().replay.prepared().find_node("set_floor"), -1);
    // The box is at the left of the row's own rectangle.
    const QRect row = contents->visualItemRect(floor);
    QTest::mouseClick(contents->viewport(), Qt::LeftButton, {}, QPoint(row.left() + 11, row.center().y()));
    settle();
    EXPECT_GE(state().replay.prepared().find_node("set_floor"), 0);
    EXPECT_EQ(state().replay.prepared().find_node("viewer"), -1) << "the camera stays left";
}

TEST_F(Window, StepsAreSwitchedMovedAndRemoved) {
    open();
    mend();
    ASSERT_EQ(steps(), 5U);
    auto* tick = child<QCheckBox>("on4");
    QTest::mouseClick(tick, Qt::LeftButton, {}, tick->rect().center());
    settle();
    EXPECT_FALSE(window->document().job().steps[3].on);
    // The line below the cards stays below them.
    window->document().edit("another", [](Job& job) { job.steps.push_back({"ground"}); });
    QTest::qWait(50);
    QLabel* hint = nullptr;
    int lowest = 0;
    for (QLabel* label : window->card().findChildren<QLabel*>()) {
        if (label->property("cardHint").toBool() && label->isVisible()) {
            EXPECT_EQ(hint, nullptr) << "two of them";
            hint = label;
        }
    }
    for (StepCard* card : window->card().findChildren<StepCard*>()) {
        lowest = card->isVisible() ? std::max(lowest, card->geometry().bottom()) : lowest;
    }
    ASSERT_NE(hint, nullptr);
    EXPECT_GT(hint->y(), lowest);
    window->document().undo().undo();
    settle();
    EXPECT_GT(state().prepared.height_m, 100);
    window->document().undo().undo();
    settle();
    const auto cards = window->findChildren<StepCard*>();
    StepCard* second = nullptr;
    for (StepCard* card : cards) {
        if (card->isVisible() && card->findChild<QCheckBox*>("on2") != nullptr) {
            second = card;
        }
    }
    ASSERT_NE(second, nullptr);
    second->setFocus();
    QTest::keyClick(second, Qt::Key_Down, Qt::AltModifier);
    EXPECT_EQ(window->document().job().steps[2].id, "strip_prefix");
    settle();
    // By hand the same: drag the third card above the second.
    StepCard* third = nullptr;
    StepCard* upper = nullptr;
    for (StepCard* card : window->findChildren<StepCard*>()) {
        if (card->isVisible() && card->findChild<QCheckBox*>("on3") != nullptr) {
            third = card;
        } else if (card->isVisible() && card->findChild<QCheckBox*>("on2") != nullptr) {
            upper = card;
        }
    }
    ASSERT_TRUE(third != nullptr && upper != nullptr);
    const QPoint grip(30, 12);
    QTest::mousePress(third, Qt::LeftButton, {}, grip);
    QTest::mouseMove(third, grip - QPoint(0, 15));
    const QPoint above = third->mapFromGlobal(upper->mapToGlobal(QPoint(30, 4)));
    QTest::mouseMove(third, above);
    QTest::mouseRelease(third, Qt::LeftButton, {}, above);
    EXPECT_EQ(window->document().job().steps[1].id, "strip_prefix");
    settle();
    for (StepCard* card : window->findChildren<StepCard*>()) {
        if (card->isVisible() && card->findChild<QCheckBox*>("on5") != nullptr) {
            QTest::keyClick(card, Qt::Key_Delete);
            break;
        }
    }
    EXPECT_EQ(steps(), 4U);
}

TEST_F(Window, AMenuOnAStepOutlastsWhatIsShownAnewBelowIt) {
    open();
    mend();
    ASSERT_EQ(steps(), 5U);
    const auto card_of = [&](const char* tick) {
        return qobject_cast<StepCard*>(child<QCheckBox>(tick)->parentWidget());
    };
    StepCard* second = card_of("on2");
    ASSERT_NE(second, nullptr);
    second->setFocus();
    QContextMenuEvent asked(QContextMenuEvent::Mouse, {20, 10}, second->mapToGlobal(QPoint(20, 10)));
    QApplication::sendEvent(second, &asked);
    ASSERT_NE(QApplication::activePopupWidget(), nullptr);
    // The session goes on below the menu.
    window->document().edit("name", [](Job& job) { job.name = "other"; });
    window->document().edit("off", [](Job& job) { job.steps[0].on = false; });
    settle();
    auto* menu = qobject_cast<QMenu*>(QApplication::activePopupWidget());
    ASSERT_NE(menu, nullptr) << "it is still open";
    EXPECT_EQ(card_of("on2"), second) << "and what it was opened on is still there";
    EXPECT_TRUE(second->hasFocus());
    const std::string removed = window->document().job().steps[1].id;
    QTest::mouseClick(menu, Qt::LeftButton, {}, menu->actionGeometry(menu->actions().back()).center());
    settle();
    ASSERT_EQ(steps(), 4U);
    EXPECT_NE(window->document().job().steps[1].id, removed);
    EXPECT_EQ(QApplication::activePopupWidget(), nullptr);
}

TEST_F(Window, EveryStepShowsItsAccountAndItsDrift) {
    open();
    mend();
    for (size_t i = 0; i < steps(); ++i) {
        const StepOutcome& outcome = state().replay.outcomes[i];
        EXPECT_FALSE(outcome.account.empty());
        ASSERT_TRUE(outcome.drift.has_value());
        auto* label = child<QLabel>(qPrintable(QStringLiteral("drift%1").arg(i + 1)));
        EXPECT_TRUE(label->text().endsWith("mm")) << label->text().toStdString();
    }
}

TEST_F(Window, DeliversAndTheBoardSaysWhatArrived) {
    open();
    mend();
    auto* go = child<QPushButton>("go");
    EXPECT_EQ(go->text(), "Deliver 4");
    QTest::mouseClick(go, Qt::LeftButton);
    ASSERT_TRUE(
        wait_for([&] { return !window->runner().is_running() && window->board().count(CellState::arrived) == 4; }));
    EXPECT_EQ(window->runner().problem().toStdString(), "");
    BoardModel& board = window->board();
    EXPECT_EQ(board.rowCount(), 2);
    EXPECT_EQ(board.data(board.index(0, 1), Qt::DisplayRole).toString(), "arrived");
    EXPECT_FALSE(go->isEnabled());
    EXPECT_TRUE(QFile::exists(folder.filePath("deliveries/Tidewater_runtime/tansy_model.glb")));
    EXPECT_TRUE(QFile::exists(folder.filePath("deliveries/Lantern_web_view/delivery.json")));
    // The chosen cell's claims are on the table.
    BoardView& view = window->page<DeliverStation>().board_view();
    QTest::mouseClick(view.viewport(), Qt::LeftButton, {},
                      view.visualRect(window->page<DeliverStation>().board_rows().index(1, 2)).center());
    auto* claims = child<QTableWidget>("claims");
    ASSERT_TRUE(wait_for([&] { return claims->rowCount() == 9; }));
    for (int r = 0; r < claims->rowCount(); ++r) {
        EXPECT_TRUE(claims->item(r, 4)->text().contains("Pass")) << claims->item(r, 0)->text().toStdString();
    }
    EXPECT_EQ(child<FrameCurve>("driftCurve")->frames(), 900U);
    EXPECT_TRUE(child<QLabel>("arrivalFooter")->text().contains("mm at"));
    // A change makes all of it stale, and undo makes it arrived again: the board tells by what the files were made
    // from.
    window->document().edit("x", [](Job& job) { job.steps[3].parameters["factor"] = 0.02; });
    settle();
    EXPECT_EQ(board.count(CellState::stale), 4);
    window->document().undo().undo();
    settle();
    EXPECT_EQ(board.count(CellState::arrived), 4);
}

TEST_F(Window, WhatStayedBehindIsListedAndSubjectsOpen) {
    open();
    mend();
    window->runner().deliver_cells(window->board().due());
    ASSERT_TRUE(wait_for([&] { return !window->runner().is_running(); }));
    window->choose_station("deliver");
    BoardModel& board = window->board();
    ASSERT_TRUE(board.data(board.index(0, 0), Qt::DisplayRole).toString().contains("model"));
    window->page<DeliverStation>().board_view().setCurrentIndex(
        window->page<DeliverStation>().board_rows().index(0, 1));
    auto* left = child<QPushButton>("leftBehind");
    ASSERT_TRUE(wait_for([&] { return left->isVisible(); }));
    EXPECT_TRUE(left->text().contains("stayed behind")) << left->text().toStdString();
    QTimer::singleShot(0, window.get(), [] {
        QWidget* dialog = QApplication::activeModalWidget();
        ASSERT_NE(dialog, nullptr);
        auto* table = dialog->findChild<QTableWidget*>("ledger");
        ASSERT_NE(table, nullptr);
        QStringList names;
        for (int row = 0; row < table->rowCount(); ++row) {
            names << table->item(row, 1)->text();
            EXPECT_FALSE(table->item(row, 3)->text().isEmpty());
        }
        EXPECT_TRUE(names.contains("set_floor")) << names.join(", ").toStdString();
        dialog->close();
    });
    QTest::mouseClick(left, Qt::LeftButton);
    // Everything that was compared is one row, until it is opened.
    auto* claims = child<QTableWidget>("claims");
    const int few = claims->rowCount();
    EXPECT_LE(few, 10);
    const QTableWidgetItem* last = claims->item(few - 1, 0);
    EXPECT_TRUE(last->text().contains("Contents"));
    QTest::mouseClick(claims->viewport(), Qt::LeftButton, {}, claims->visualItemRect(last).center());
    EXPECT_GT(claims->rowCount(), few + 8);
    QStringList opened;
    for (int row = 0; row < claims->rowCount(); ++row) {
        opened << claims->item(row, 0)->text();
    }
    EXPECT_TRUE(opened.contains("Weights") && opened.contains("Materials")) << opened.join(", ").toStdString();
}

TEST_F(Window, TheBoardIsStillRightAfterARestart) {
    open();
    mend();
    window->runner().deliver_cells(window->board().due());
    ASSERT_TRUE(wait_for([&] { return !window->runner().is_running(); }));
    settle();
    QTest::keySequence(window.get(), QKeySequence(QKeySequence::Save));
    EXPECT_TRUE(window->document().is_saved());
    start();
    open();
    EXPECT_EQ(window->board().count(CellState::arrived), 4);
    // A cell from the earlier session is read back again when it is looked at.
    window->choose_station("deliver");
    window->page<DeliverStation>().board_view().setCurrentIndex(
        window->page<DeliverStation>().board_rows().index(1, 1));
    auto* claims = child<QTableWidget>("claims");
    EXPECT_TRUE(wait_for([&] { return claims->rowCount() == 9; }));
}

TEST_F(Window, AHeldDeliverySaysWhy) {
    open();
    window->runner().deliver_cells(window->board().due());
    ASSERT_TRUE(
        wait_for([&] { return !window->runner().is_running() && window->board().count(CellState::held) == 4; }));
    EXPECT_TRUE(window->board().cell(window->board().index(0, 1))->detail.contains("161"));
    EXPECT_TRUE(QDir(folder.filePath("deliveries/Tidewater_runtime")).entryList({"*.glb"}).isEmpty());
}

TEST_F(Window, StopLeavesWholeFilesOnly) {
    open();
    mend();
    QTest::mouseClick(child<QPushButton>("go"), Qt::LeftButton);
    auto* stop = child<QPushButton>("stopDelivery");
    ASSERT_TRUE(wait_for([&] { return stop->isVisible(); }));
    QTest::mouseClick(stop, Qt::LeftButton);
    ASSERT_TRUE(wait_for([&] { return !window->runner().is_running(); }));
    for (const QString& name : QDir(folder.filePath("deliveries/Tidewater_runtime")).entryList({"*.glb"})) {
        EXPECT_TRUE(read_scene(folder.filePath("deliveries/Tidewater_runtime/" + name).toStdString()).ok());
    }
}

TEST_F(Window, PlaysScrubsAndStepsByFrame) {
    open();
    auto* choice = child<QComboBox>("clipChoice");
    EXPECT_EQ(choice->count(), 3) << "the rest pose, the bind pose, the take";
    choice->setCurrentIndex(2);
    window->choose_station(0);
    EXPECT_EQ(window->clock().frames(), 900);
    window->activateWindow();
    window->setFocus();
    QTest::keyClick(window.get(), Qt::Key_Space);
    EXPECT_TRUE(window->clock().is_playing());
    EXPECT_TRUE(wait_for([&] { return window->clock().frame() > 5; }, 20));
    QTest::keyClick(window.get(), Qt::Key_Space);
    EXPECT_FALSE(window->clock().is_playing());
    const int at = window->clock().frame();
    QTest::keyClick(window.get(), Qt::Key_Period);
    EXPECT_EQ(window->clock().frame(), at + 1);
    QTest::keyClick(window.get(), Qt::Key_Comma);
    QTest::keyClick(window.get(), Qt::Key_Comma);
    EXPECT_EQ(window->clock().frame(), at - 1);
    auto* scrub = child<QSlider>("scrub");
    scrub->setValue(450);
    EXPECT_EQ(window->clock().frame(), 450);
    // Both panes stand at that frame, each in its own scene.
    const PosedScene& left = *window->twin().left().view().posed();
    const Poser poser(left.scene(), left.scene().find_clip("capture_07"));
    Pose pose;
    poser.at(450 / 30.0, pose);
    EXPECT_TRUE(wait_for([&] { return left.pose().world[5].isApprox(pose.world[5], 1e-9); }, 10));
}

TEST_F(Window, TheReceivedTakePlaysAtTheClipsOwnMoment) {
    open();
    window->document().edit("cut", [](Job& job) {
        job.steps.push_back(
            {"split_take", {{"take", "capture_07"}, {"clips", {{{"name", "wade"}, {"start", 214}, {"end", 390}}}}}});
    });
    settle();
    window->twin().playback().choose("wade");
    window->clock().go_to(30);
    const PosedScene& left = *window->twin().left().view().posed();
    const Poser poser(left.scene(), left.scene().find_clip("capture_07"));
    Pose pose;
    poser.at(244 / 30.0, pose);
    EXPECT_TRUE(wait_for([&] { return left.pose().world[5].isApprox(pose.world[5], 1e-9); }, 10));
}

TEST_F(Window, OneCameraTurnsBothPanes) {
    open();
    const double before = window->camera().yaw;
    SceneView& view = window->twin().left().view();
    QTest::mousePress(&view, Qt::LeftButton, {}, QPoint(60, 100));
    QTest::mouseMove(&view, QPoint(100, 100));
    // Synthetic moves carry no buttons on some platforms; the event is sent as a drag is.
    QMouseEvent drag(QEvent::MouseMove, QPointF(120, 110), view.mapToGlobal(QPointF(120, 110)), Qt::NoButton,
                     Qt::LeftButton, Qt::NoModifier);
    QApplication::sendEvent(&view, &drag);
    QTest::mouseRelease(&view, Qt::LeftButton, {}, QPoint(120, 110));
    EXPECT_NE(window->camera().yaw, before);
    QTest::mouseDClick(&view, Qt::LeftButton, {}, QPoint(60, 100));
    EXPECT_NEAR(window->camera().distance, 2.75, 1e-9);
}

TEST_F(Window, DroppedFilesBecomeAJob) {
    QMimeData mime;
    mime.setUrls({QUrl::fromLocalFile(folder.filePath("tansy_model.glb")),
                  QUrl::fromLocalFile(folder.filePath("tansy_market.gltf"))});
    QDragEnterEvent enter(QPoint(200, 200), Qt::CopyAction, &mime, Qt::LeftButton, Qt::NoModifier);
    QApplication::sendEvent(window.get(), &enter);
    EXPECT_TRUE(enter.isAccepted());
    QDropEvent drop(QPointF(200, 200), Qt::CopyAction, &mime, Qt::LeftButton, Qt::NoModifier);
    QApplication::sendEvent(window.get(), &drop);
    settle();
    EXPECT_EQ(window->document().job().sources.size(), 2U);
    ASSERT_EQ(steps(), 1U);
    EXPECT_EQ(window->document().job().steps[0].id, "leave_behind");
    EXPECT_EQ(state().replay.received->clips.size(), 1U);
    const QString path = folder.filePath("new.wembrix");
    ASSERT_TRUE(window->document().save(path).ok());
    EXPECT_EQ(read_job(path.toStdString())->sources[0], "tansy_model.glb") << "paths count from the job";
}

TEST_F(Window, ATakeInAnotherUnitPutsItsStepOnTheCard) {
    open();
    Result<StepResult> metres = apply_step(demo::tansy_market_take(), {"scale", {{"factor", 0.01}}});
    ASSERT_TRUE(metres.ok());
    metres->scene.clips[0].name = "evening";
    put(write_glb(metres->scene, "evening"));
    window->open_paths({folder.filePath("evening.glb")});
    ASSERT_TRUE(wait_for([&] { return steps() == 2U; }));
    settle();
    EXPECT_EQ(window->document().job().steps[1].id, "bring_takes");
    EXPECT_NE(state().replay.outcomes[1].account.find("evening.glb × 100"), std::string::npos)
        << state().replay.outcomes[1].account;
    EXPECT_EQ(state().replay.prepared().clips.size(), 2U);
    // Its window offers the sources that hold takes.
    const StepDialog dialog(window->document().job().steps[1], {state().replay.received, state().replay.sources},
                            nullptr, false);
    const auto* choose = dialog.findChild<QPushButton*>("choose_sources");
    ASSERT_NE(choose, nullptr);
    QStringList offered;
    for (const QAction* action : choose->menu()->actions()) {
        offered << action->text();
    }
    EXPECT_EQ(offered, QStringList({"tansy_market.gltf", "evening.glb"}));
    QTest::keySequence(window.get(), QKeySequence(QKeySequence::Undo));
    EXPECT_EQ(steps(), 1U);
}

TEST_F(Window, ABrokenSourceIsSaidAndNothingIsLost) {
    open();
    ASSERT_TRUE(write_file_whole(folder.filePath("tansy_model.glb").toStdString(), "glTF").ok());
    // What was read before is not shown as if it were the file's; the other source is there.
    window->open_paths({job_file});
    settle();
    EXPECT_EQ(joints_of(*state().replay.received).size(), joints_of(demo::tansy_market_take()).size());
    const auto stop = std::find_if(state().findings.begin(), state().findings.end(),
                                   [](const Finding& finding) { return finding.id == "unread_source"; });
    ASSERT_NE(stop, state().findings.end());
    EXPECT_EQ(stop->where, "tansy_model.glb");
    EXPECT_NE(stop->reason.find("cut short"), std::string::npos);
    auto* contents = child<QTreeWidget>("contents");
    EXPECT_TRUE(contents->topLevelItem(0)->text(1).startsWith("not there"));
    EXPECT_EQ(steps(), 1U);

    // None of them can be read: then there is nothing to show.
    ASSERT_TRUE(write_file_whole(folder.filePath("tansy_market.gltf").toStdString(), "glTF").ok());
    window->open_paths({job_file});
    ASSERT_TRUE(wait_for([&] { return !window->session().problem().isEmpty(); }));
    EXPECT_EQ(window->session().state(), nullptr);
    EXPECT_TRUE(child<QLabel>("statusLeft")->text().contains("cut short"));
}

TEST(StepText, RulesAndClipsAsTyped) {
    nlohmann::json parameters = nlohmann::json::object();
    const Parameter& rules = *step_kind("rename_joints")->parameter("rules");
    EXPECT_EQ(set_parameter(parameters, rules, "^Left(.*)$ → $1_l\n\n a -> b ").toStdString(), "");
    EXPECT_EQ(parameters["rules"].size(), 2U);
    EXPECT_EQ(parameters["rules"][0]["replace"], "$1_l");
    EXPECT_EQ(parameter_text(parameters, rules).toStdString(), "^Left(.*)$ → $1_l\na → b");
    EXPECT_NE(set_parameter(parameters, rules, "no arrow").toStdString(), "");
    const Parameter& clips = *step_kind("split_take")->parameter("clips");
    EXPECT_EQ(set_parameter(parameters, clips, "wade, 214, 390, repeat, #2F8A72\nlift, 446, 566").toStdString(), "");
    EXPECT_EQ(parameters["clips"][0]["loop"], true);
    EXPECT_EQ(parameters["clips"][1]["end"], 566);
    EXPECT_EQ(parameter_text(parameters, clips).toStdString(), "wade, 214, 390, repeat, #2F8A72\nlift, 446, 566, once");
    EXPECT_NE(set_parameter(parameters, clips, "wade, x, 3").toStdString(), "");
    const Parameter& factor = *step_kind("scale")->parameter("factor");
    EXPECT_EQ(set_parameter(parameters, factor, "0,01").toStdString(), "");
    EXPECT_EQ(parameters["factor"], 0.01);
    EXPECT_NE(set_parameter(parameters, factor, "much").toStdString(), "");
    EXPECT_EQ(set_parameter(parameters, factor, "").toStdString(), "");
    EXPECT_FALSE(parameters.contains("factor"));
}

TEST(StepDialogs, SayWhatTheStepWouldDoBeforeItIsUsed) {
    const Scene scene = demo::tansy_model();
    StepDialog dialog({"scale", {{"factor", 1}}}, {std::make_shared<const Scene>(scene), nullptr});
    auto* factor = dialog.findChild<QLineEdit*>("field_factor");
    auto* outcome = dialog.findChild<QLabel*>("stepOutcome");
    factor->clear();
    QTest::keyClicks(factor, "0.01");
    EXPECT_TRUE(wait_for([&] { return outcome->text().contains("1.62 m"); })) << outcome->text().toStdString();
    EXPECT_EQ(dialog.step().parameters["factor"], 0.01);
    factor->clear();
    QTest::keyClicks(factor, "-3");
    EXPECT_TRUE(wait_for([&] { return outcome->text().contains("greater than 0"); }));
}

TEST(Shortcuts, NoTwoAreTheSame) {
    std::set<QString> keys;
    for (const ShortcutRow& row : shortcut_rows()) {
        EXPECT_TRUE(keys.insert(row.keys.toString()).second) << row.what.toStdString();
        EXPECT_FALSE(row.what.isEmpty());
    }
}

} // namespace
} // namespace wembrix::app
