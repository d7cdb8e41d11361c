// The list of clips: renamed while they play, taken together into steps, and what those make; the playhead and the
// card.
#include "bench_fixture.h"
#include "core/job/card_edits.h"
#include "core/steps/step.h"
#include "core/steps/step_kind.h"
#include "shell/card_edge.h"

#include <QAction>
#include <QToolButton>

namespace wembrix::app {
namespace {

class ClipRows : public Bench {
  protected:
    QTableWidget& list() { return *child<QTableWidget>("clipList"); }
    int row(const QString& name) {
        for (int r = 0; r < list().rowCount(); ++r) {
            if (list().item(r, 1)->text() == name) {
                return r;
            }
        }
        return -1;
    }
    void click_row(const QString& name, Qt::KeyboardModifiers modifiers = {}) {
        ASSERT_GE(row(name), 0) << name.toStdString();
        QTest::mouseClick(list().viewport(), Qt::LeftButton, modifiers,
                          list().visualItemRect(list().item(row(name), 1)).center());
    }
    /// An action of the menu of what can become of the chosen clips.
    QAction* more(const char* id) {
        auto* menu = child<QMenu>("moreMenu");
        Q_EMIT menu->aboutToShow();
        for (QAction* action : menu->actions()) {
            if (action->data().toString() == QString::fromUtf8(id)) {
                return action;
            }
        }
        ADD_FAILURE() << id;
        return nullptr;
    }
    [[nodiscard]] const Step& last_step() const { return window->document().job().steps.back(); }
};

TEST_F(ClipRows, AClipThatPlaysIsRenamedAndEverythingFollows) {
    open_cut();
    window->document().edit("close", [](Job& job) {
        job.steps.push_back({"close_loop", {{"clip", "shake_off"}, {"mode", "blend"}, {"frames", 8}}});
    });
    settle();
    click_row("shake_off");
    EXPECT_EQ(window->clock().clip(), "shake_off");
    window->clock().go_to(40);
    list().item(row("shake_off"), 1)->setText("shake");
    QTest::qWait(50);
    settle();
    EXPECT_EQ(window->clock().clip(), "shake") << "it plays on under its new name";
    EXPECT_EQ(window->clock().frame(), 40);
    EXPECT_EQ(last_step().parameters["clip"], "shake");
    EXPECT_TRUE(state().replay.problems().empty());
    EXPECT_TRUE(prepared().find_clip("shake")->last_is_first) << "it is closed as it was";
    EXPECT_TRUE(child<QLabel>("takeMessage")->text().contains("“shake” closes"));
    bool on_board = false;
    for (int r = 0; r < window->board().rowCount(); ++r) {
        const QString text = window->board().index(r, 0).data().toString();
        on_board = on_board || text.contains("shake");
        EXPECT_FALSE(text.contains("shake_off")) << text.toStdString();
    }
    EXPECT_TRUE(on_board);
    undo();
    settle();
    EXPECT_EQ(window->clock().clip(), "shake_off");
    EXPECT_EQ(last_step().parameters["clip"], "shake_off") << "one step back brings all of it back";
}

TEST_F(ClipRows, SeveralAreJoinedAndWhatIsMadeIsListed) {
    open_cut();
    click_row("stand");
    EXPECT_FALSE(more("join_clips")->isEnabled()) << "one cannot be joined";
    click_row("wade", Qt::ControlModifier);
    QAction* join = more("join_clips");
    ASSERT_TRUE(join->isEnabled());
    EXPECT_FALSE(more("pose_to_clip")->isEnabled()) << "a pose is of one clip";
    use_step([](StepDialog& dialog) {
        EXPECT_EQ(dialog.findChild<QPlainTextEdit*>("lines_clips")->toPlainText(), "stand\nwade");
        EXPECT_TRUE(dialog.findChild<QCheckBox*>("field_keep")->isChecked()) << "the pieces stay unless one says so";
        auto* overlap = dialog.findChild<QLineEdit*>("field_overlap");
        overlap->clear();
        QTest::keyClicks(overlap, "10");
    });
    join->trigger();
    settle();
    ASSERT_EQ(last_step().id, "join_clips");
    const Clip* joined = prepared().find_clip("stand_wade");
    ASSERT_NE(joined, nullptr);
    EXPECT_EQ(joined->frames(), 169 + 177 - 10);
    // It has a row that says where it comes from; a click plays it.
    ASSERT_GE(row("stand_wade"), 0);
    EXPECT_EQ(list().item(row("stand_wade"), 3)->text(), "Join clips");
    click_row("stand_wade");
    EXPECT_EQ(window->clock().clip(), "stand_wade");
    EXPECT_EQ(window->clock().frames(), joined->frames());
    // A name and whether it repeats and goes out can be said of it as of a cut.
    list().item(row("stand_wade"), 1)->setText("walk_in");
    QTest::qWait(50);
    settle();
    ASSERT_NE(prepared().find_clip("walk_in"), nullptr);
    EXPECT_EQ(window->clock().clip(), "walk_in");
    list().item(row("walk_in"), 6)->setCheckState(Qt::Checked);
    QTest::qWait(50);
    settle();
    EXPECT_TRUE(prepared().find_clip("walk_in")->loop);
    EXPECT_TRUE(list().item(row("walk_in"), 7)->text().contains("mm")) << "what repeats has a seam";
    const int before = window->board().rowCount();
    list().item(row("walk_in"), 0)->setCheckState(Qt::Unchecked);
    QTest::qWait(50);
    settle();
    EXPECT_FALSE(prepared().find_clip("walk_in")->deliver);
    EXPECT_EQ(window->board().rowCount(), before - 1);
    EXPECT_EQ(last_step().id, "describe_clips");
    EXPECT_EQ(last_step().parameters["clips"].size(), 1U) << "said in one place";
    for (int i = 0; i < 4; ++i) {
        undo();
    }
    settle();
    EXPECT_EQ(row("stand_wade"), -1);
    EXPECT_EQ(list().rowCount(), 3);
}

TEST_F(ClipRows, PiecesThatAreUsedUpSaySo) {
    open_cut();
    window->document().edit("join", [](Job& job) {
        job.steps.push_back({"join_clips", {{"clips", {"stand", "wade"}}, {"name", "both"}, {"keep", false}}});
    });
    settle();
    EXPECT_TRUE(list().item(row("stand"), 1)->toolTip().contains("A later step"));
    EXPECT_FALSE(list().item(row("shake_off"), 1)->toolTip().contains("A later step"));
    EXPECT_GE(row("both"), 0);
}

TEST_F(ClipRows, EachStepOfTheMenuOpensReadyToBeUsed) {
    open_cut();
    const std::vector<std::pair<const char*, std::vector<std::pair<const char*, const char*>>>> wanted = {
        {"bake", {}},
        {"change_frame_rate", {{"field_rate", "60"}}},
        {"stretch_time", {{"field_factor", "2"}}},
        {"reverse", {}},
        {"mirror_clip", {}},
        {"make_additive", {}},
        {"pose_to_clip", {}},
        {"start_at", {{"field_frame", "20"}}},
        {"reduce_keys", {{"field_limit_mm", "2"}}},
    };
    for (const auto& [id, typed] : wanted) {
        const size_t before = steps();
        click_row("wade");
        window->clock().go_to(25);
        use_step([&, typed = typed](StepDialog& dialog) {
            for (const auto& [field, text] : typed) {
                auto* line = dialog.findChild<QLineEdit*>(field);
                ASSERT_NE(line, nullptr) << field;
                line->clear();
                QTest::keyClicks(line, text);
            }
        });
        more(id)->trigger();
        settle();
        ASSERT_EQ(steps(), before + 1) << id;
        EXPECT_EQ(last_step().id, id);
        EXPECT_TRUE(state().replay.problems().empty()) << id << ": " << state().replay.problems().front();
        if (std::string(id) == "pose_to_clip") {
            EXPECT_EQ(last_step().parameters["frame"], 25) << "the frame that is shown";
            EXPECT_GE(row("wade_pose"), 0);
        }
        window->document().undo().undo();
        settle();
        EXPECT_EQ(steps(), before);
    }
}

TEST_F(ClipRows, ANameOrARangeThatCannotBeIsSaidAndNothingChanges) {
    open_cut();
    window->document().edit("pose", [](Job& job) {
        job.steps.push_back({"pose_to_clip", {{"clip", "wade"}, {"frame", 3}, {"name", "lifted"}}});
    });
    settle();
    const size_t before = window->document().undo().count();
    const auto is_told = [&](const QString& clip, int column, const QString& text, const QString& words) {
        list().item(row(clip), column)->setText(text);
        const bool told = wait_for([&] { return child<QLabel>("takeMessage")->text().contains(words); });
        QTest::qWait(50);
        return told;
    };
    EXPECT_TRUE(is_told("stand", 1, "wade", "There is a clip “wade” already"));
    EXPECT_TRUE(is_told("stand", 1, "lifted", "There is a clip “lifted” already")) << "a step made it";
    EXPECT_TRUE(is_told("lifted", 1, "stand", "There is a clip “stand” already"));
    EXPECT_TRUE(is_told("wade", 4, "100", "Frames 220 to 100 are no part"));
    EXPECT_TRUE(is_told("wade", 4, "5000", "0 to 899"));
    EXPECT_EQ(window->document().undo().count(), before);
    EXPECT_EQ(list().item(row("wade"), 4)->text(), "396") << "the list says what is";
    EXPECT_GE(row("stand"), 0);
    ASSERT_TRUE(write_file_whole(folder.filePath("late.csv").toStdString(), "name,first,last\na,0,5000\n").ok());
    EXPECT_TRUE(window->page<TakesStation>().read_list(folder.filePath("late.csv")).contains("0 to 899"));
}

TEST_F(ClipRows, ThePlayheadSnapsToWhatIsOfferedAndToEnds) {
    open_cut();
    TakeStrip& strip = window->page<TakesStation>().strip();
    ASSERT_TRUE(wait_for([&] { return child<QPushButton>("cutAll")->isEnabled(); }));
    const auto at = [&](double frame, int beside) {
        return QPoint(static_cast<int>(std::lround(strip.x_of(frame))) + beside, 60);
    };
    click(&strip, at(396, 4));
    EXPECT_EQ(strip.playhead(), 396) << "the end of a clip";
    click(&strip, at(396, 4), Qt::AltModifier);
    EXPECT_GT(strip.playhead(), 396) << "with Alt it does not";
    click(&strip, at(396, 12));
    EXPECT_GT(strip.playhead(), 400) << "nor from farther away";
    // At one of the still places offered a cut falls on the frame itself.
    drag(&strip, at(600, 0), at(744, -3));
    EXPECT_EQ(strip.playhead(), 744);
}

TEST_F(ClipRows, TheCardCanBeUnfoldedBesideTheTakes) {
    open_cut();
    auto* edge = child<CardEdge>("cardEdge");
    EXPECT_TRUE(edge->isVisible());
    EXPECT_FALSE(window->card().isVisible());
    EXPECT_TRUE(edge->text().contains("6 steps")) << edge->text().toStdString();
    QTest::mouseClick(edge, Qt::LeftButton);
    EXPECT_TRUE(window->card().isVisible());
    EXPECT_FALSE(edge->isVisible());
    // Each station keeps its own.
    window->choose_station(1);
    EXPECT_TRUE(window->card().isVisible());
    window->choose_station("deliver");
    EXPECT_FALSE(window->card().isVisible());
    window->choose_station(3);
    EXPECT_TRUE(window->card().isVisible());
    QTest::mouseClick(child<QToolButton>("foldCard"), Qt::LeftButton);
    EXPECT_FALSE(window->card().isVisible());
    // A step that does not fit is told on the edge.
    window->document().edit("wrong", [](Job& job) { job.steps.push_back({"close_loop", {{"clip", "no_such"}}}); });
    settle();
    EXPECT_TRUE(edge->text().contains("1 of 7 steps do not fit")) << edge->text().toStdString();
}

TEST_F(ClipRows, WhatBakingLosesIsToldForTheDestination) {
    open_cut();
    const auto lost = [&](const QString& name) { return list().item(row(name), 9)->text(); };
    window->document().edit("bake", [](Job& job) { job.steps.push_back({"bake", {{"clips", {"wade"}}}}); });
    settle();
    ASSERT_TRUE(wait_for([&] { return !lost("shake_off").isEmpty(); }));
    EXPECT_EQ(lost("wade"), "0.00 mm") << "its keys lie on the frames of 30 a second";
    EXPECT_NE(lost("shake_off"), "0.00 mm") << "those of the capture bend between them";
    EXPECT_TRUE(list().item(row("wade"), 9)->toolTip().contains("lie on frames"));
    window->document().edit("rate", [](Job& job) {
        for (Destination& destination : job.destinations) {
            destination.rate = 24;
        }
    });
    settle();
    ASSERT_TRUE(wait_for([&] { return lost("wade") != "0.00 mm" && !lost("wade").isEmpty(); }));
    EXPECT_TRUE(list().item(row("wade"), 9)->toolTip().contains("Baked at 24"));
    EXPECT_TRUE(list().item(row("wade"), 9)->toolTip().contains(", frame "));
}

TEST(StepText, NamesOfClipsAreLinesAndFlagsAreSaidEitherWay) {
    nlohmann::json parameters = nlohmann::json::object();
    const Parameter& clips = *step_kind("bake")->parameter("clips");
    EXPECT_EQ(set_parameter(parameters, clips, "wade\n\n st* \n").toStdString(), "");
    EXPECT_EQ(parameters["clips"], nlohmann::json({"wade", "st*"}));
    EXPECT_EQ(parameter_text(parameters, clips).toStdString(), "wade\nst*");
    EXPECT_EQ(set_parameter(parameters, clips, " ").toStdString(), "");
    EXPECT_FALSE(parameters.contains("clips")) << "none said: all";
    const Parameter& turn = *step_kind("extract_root_motion")->parameter("rotation");
    EXPECT_EQ(set_parameter(parameters, turn, "").toStdString(), "");
    EXPECT_EQ(parameters["rotation"], false) << "a step that turns unless told not to has to be told";
    EXPECT_EQ(set_parameter(parameters, turn, "yes").toStdString(), "");
    EXPECT_EQ(parameters["rotation"], true);
    const Parameter& said = *step_kind("describe_clips")->parameter("clips");
    nlohmann::json rows = nlohmann::json::object();
    EXPECT_EQ(set_parameter(rows, said, "a → b, repeat stays, #2F8A72, slow, and low\nc, once").toStdString(), "");
    EXPECT_EQ(rows["clips"][0]["as"], "b");
    EXPECT_EQ(rows["clips"][0]["deliver"], false);
    EXPECT_EQ(rows["clips"][0]["note"], "slow, and low");
    EXPECT_EQ(rows["clips"][1], nlohmann::json({{"name", "c"}, {"loop", false}}));
    EXPECT_EQ(parameter_text(rows, said).toStdString(), "a → b, repeat stays, #2F8A72, slow, and low\nc, once");
    EXPECT_NE(set_parameter(rows, said, "c, sometimes").toStdString(), "");
    const Parameter& cuts = *step_kind("split_take")->parameter("clips");
    nlohmann::json kept = {{"clips", {{{"name", "a"}, {"start", 0}, {"end", 9}, {"deliver", false}}}}};
    const QString text = parameter_text(kept, cuts);
    EXPECT_EQ(set_parameter(kept, cuts, text).toStdString(), "");
    EXPECT_EQ(kept["clips"][0]["deliver"], false) << "what stays at home still does after a look at the step";
}

TEST(StepDialogs, AreTakenAsTheyAreByEveryKindOfStep) {
    // What the window of a step shows is what the step has: opened and used untouched it changes nothing it means.
    Scene scene = demo::tansy_model();
    for (const StepKind& kind : step_kinds()) {
        const Step step{std::string(kind.id), starting_values(kind.parameters)};
        const StepDialog dialog(step, {std::make_shared<const Scene>(scene), nullptr});
        for (const Parameter& field : kind.parameters) {
            const std::string key(field.key);
            if (step.parameters.contains(key)) {
                EXPECT_EQ(parameter_text(dialog.step().parameters, field), parameter_text(step.parameters, field))
                    << kind.id << " " << key;
            }
        }
        const Result<StepResult> as_it_was = apply_step(scene, step);
        const Result<StepResult> as_shown = apply_step(scene, dialog.step());
        ASSERT_EQ(as_it_was.ok(), as_shown.ok())
            << kind.id << ": " << (as_shown.ok() ? "fits" : as_shown.problem().sentence());
        if (as_it_was.ok()) {
            EXPECT_EQ(as_it_was->account, as_shown->account) << kind.id;
        }
    }
}

} // namespace
} // namespace wembrix::app
