// The sources of a job in the window: three files of one skeleton, files that moved, a new version, what one is taken
// as.
#include "stations/intake/replace_dialog.h"
#include "stations/intake/source_menu.h"
#include "window_fixture.h"

#include "core/scene/scene.h"

#include <QMenu>
#include <QPlainTextEdit>
#include <QToolButton>

namespace wembrix::app {
namespace {

class Sources : public Window {
  protected:
    Sources() { with_drift = false; }

    [[nodiscard]] std::filesystem::path path_of(const QString& name) const {
        return folder.filePath(name).toStdString();
    }
    SourceMenu& menu() { return *window->findChild<SourceMenu*>(); }
    /// Presses the button for sources and takes what is called so, as a person does.
    void choose(const char* action) {
        auto* button = child<QToolButton>("sourceButton");
        QMenu* list = button->menu();
        Q_EMIT list->aboutToShow();
        auto* found = list->findChild<QAction*>(QString::fromUtf8(action));
        ASSERT_NE(found, nullptr) << action;
        found->trigger();
    }
    void select_source(int row) {
        auto* contents = child<QTreeWidget>("contents");
        const QRect at = contents->visualItemRect(contents->topLevelItem(row));
        QTest::mouseClick(contents->viewport(), Qt::LeftButton, {}, at.center());
        ASSERT_EQ(contents->currentItem(), contents->topLevelItem(row));
    }
    /// Tansy with those of her skinned surfaces whose place among them `keeps` says, in a file of its own.
    void put_part(const char* name, const std::string& prefix, const std::function<bool(size_t)>& keeps) {
        Scene scene = demo::tansy_model();
        std::vector<int> order;
        size_t skinned = 0;
        for (size_t n = 0; n < scene.nodes.size(); ++n) {
            Node& node = scene.nodes[n];
            const bool body = node.mesh >= 0 && node.skin >= 0;
            if (node.mesh < 0 || (body && keeps(skinned))) {
                order.push_back(static_cast<int>(n));
            }
            skinned += body ? 1 : 0;
            if (node.kind == NodeKind::joint) {
                node.name.insert(0, prefix);
            }
        }
        reorder_nodes(scene, order);
        scene.clips.clear();
        put(write_glb_unscaled(scene, name));
    }
};

TEST_F(Sources, ThreeFilesOfOneSkeletonAreOneModel) {
    put_part("body", "", [](size_t at) { return at == 0; });
    put_part("rest", "second:", [](size_t at) { return at > 0; });
    ASSERT_EQ(window
                  ->open_paths(
                      {folder.filePath("body.glb"), folder.filePath("rest.glb"), folder.filePath("tansy_market.gltf")})
                  .toStdString(),
              "");
    settle();
    const Scene& received = *state().replay.received;
    EXPECT_EQ(joints_of(received).size(), joints_of(demo::tansy_model()).size());
    EXPECT_EQ(root_joints(received).size(), root_joints(demo::tansy_model()).size());
    auto* contents = child<QTreeWidget>("contents");
    ASSERT_EQ(contents->topLevelItemCount(), 3);
    EXPECT_TRUE(contents->topLevelItem(1)->text(1).startsWith("part of the model"));
    EXPECT_EQ(contents->topLevelItem(2)->text(1), "motion for the joints");
    EXPECT_EQ(received.clips.size(), 1U);
}

TEST_F(Sources, ANewJobIsMadeOfATemplateWithOtherFiles) {
    Result<Job> like = read_job(job_file.toStdString());
    ASSERT_TRUE(like.ok());
    like->steps = {{"strip_prefix"}, {"scale", {{"factor", 0.02}}}};
    like->destinations[0].name = "Quay runtime";
    ASSERT_TRUE(write_job(*like, job_file.toStdString()).ok());
    put_part("crane", "stall:", [](size_t) { return true; });
    const QString made =
        window->files().start_like(job_file, {folder.filePath("crane.glb"), folder.filePath("tansy_market.gltf")});
    EXPECT_EQ(made.toStdString(), "");
    settle();
    const Job& job = window->document().job();
    EXPECT_EQ(job.name, "crane");
    EXPECT_EQ(job.destinations[0].name, "Quay runtime");
    ASSERT_GE(job.steps.size(), 2U);
    EXPECT_EQ(job.steps.back().parameters["factor"], 0.02);
    EXPECT_NE(job.origin.family_id, like->origin.family_id);
    EXPECT_TRUE(window->document().path().isEmpty()) << "it is saved under a name of its own";
    const Scene& prepared = state().replay.prepared();
    EXPECT_EQ(prepared.clips.size(), 1U);
    EXPECT_EQ(std::count_if(prepared.nodes.begin(), prepared.nodes.end(),
                            [](const Node& node) { return node.name.find(':') != std::string::npos; }),
              0)
        << "the card went over it";
    // What is no template, and no file that is read.
    EXPECT_FALSE(window->files().start_like(folder.filePath("crane.glb"), {folder.filePath("crane.glb")}).isEmpty());
    EXPECT_FALSE(window->files().start_like(job_file, {folder.path() + QStringLiteral("/nowhere_at_all/")}).isEmpty());
    EXPECT_EQ(window->document().job().name, "crane") << "the job that is open stays";
}

TEST_F(Sources, AFileThatMovedIsFoundByItsContentAndUndoneAgain) {
    open();
    ASSERT_TRUE(window->document().save(job_file).ok()); // what its sources are like is noted with it
    QDir(folder.path()).mkdir("elsewhere");
    std::filesystem::rename(path_of("tansy_model.glb"), path_of("elsewhere/heron_v2.glb"));
    ASSERT_EQ(window->open_paths({job_file}).toStdString(), "");
    settle();
    EXPECT_TRUE(child<QTreeWidget>("contents")->topLevelItem(0)->text(1).startsWith("not there"));
    const QString said = menu().find_again(folder.filePath("elsewhere"));
    settle();
    EXPECT_TRUE(said.contains("heron_v2.glb, by its content")) << said.toStdString();
    EXPECT_EQ(child<QTreeWidget>("contents")->topLevelItem(0)->text(0), "heron_v2.glb");
    EXPECT_TRUE(std::none_of(state().findings.begin(), state().findings.end(),
                             [](const Finding& finding) { return finding.id == "unread_source"; }));
    window->document().undo().undo();
    settle();
    EXPECT_TRUE(child<QTreeWidget>("contents")->topLevelItem(0)->text(1).startsWith("not there"));
    EXPECT_TRUE(menu().find_again(folder.filePath("nowhere")).startsWith("Found")) << "it lies below the job, too";
}

TEST_F(Sources, ANewVersionShowsWhatChangesBeforeItIsTaken) {
    open();
    Scene next = demo::tansy_model();
    std::string gone;
    for (Node& node : next.nodes) {
        if (node.kind == NodeKind::joint && node.name.find("Wing_Tip") != std::string::npos && gone.empty()) {
            gone = node.name;
            node.name = "renamed_by_somebody";
        }
    }
    ASSERT_FALSE(gone.empty());
    put(write_glb_unscaled(next, "tansy_v2"));
    window->document().edit("a step", [&](Job& job) { job.steps.push_back({"remove_joints", {{"names", {gone}}}}); });
    settle();
    const auto open_dialog = [&] {
        menu().replace(0, folder.filePath("tansy_v2.glb"));
        auto* dialog = window->findChild<ReplaceDialog*>(QStringLiteral("replaceSource"));
        EXPECT_TRUE(dialog != nullptr && wait_for([&] { return dialog->is_ready(); }));
        return dialog;
    };
    ReplaceDialog* dialog = open_dialog();
    const QString lines = dialog->findChild<QPlainTextEdit*>(QStringLiteral("replaceChanges"))->toPlainText();
    EXPECT_TRUE(lines.contains("renamed_by_somebody")) << lines.toStdString();
    EXPECT_TRUE(lines.contains("remove_joints")) << "and the step that no longer fits: " << lines.toStdString();
    for (QPushButton* button : dialog->findChildren<QPushButton*>()) {
        if (button->text().contains("Cancel")) {
            QTest::mouseClick(button, Qt::LeftButton);
        }
    }
    EXPECT_EQ(window->document().job().sources[0].path, "tansy_model.glb") << "nothing is taken before it is said";
    QCoreApplication::sendPostedEvents(nullptr, QEvent::DeferredDelete);
    dialog = open_dialog();
    for (QPushButton* button : dialog->findChildren<QPushButton*>()) {
        if (button->text().contains("Replace")) {
            QTest::mouseClick(button, Qt::LeftButton);
        }
    }
    settle();
    EXPECT_GE(state().replay.received->find_node("renamed_by_somebody"), 0);
    EXPECT_EQ(window->document().job().steps.size(), 2U) << "the card stays";
}

TEST_F(Sources, OneIsTakenOutAndWhatItIsTakenAsIsSaid) {
    open();
    EXPECT_EQ(state().replay.received->clips.size(), 1U);
    select_source(1);
    QMenu list;
    menu().fill(list, 1);
    menu().set_role(1, SourceRole::prop);
    settle();
    EXPECT_GT(joints_of(*state().replay.received).size(), joints_of(demo::tansy_model()).size())
        << "it stands by itself, since that was said";
    window->document().undo().undo();
    settle();
    select_source(1);
    choose("removeSource");
    settle();
    EXPECT_EQ(window->document().job().sources.size(), 1U);
    EXPECT_TRUE(state().replay.received->clips.empty());
}

} // namespace
} // namespace wembrix::app
