// What outlives a moment: sources that change on disk, a crash, recent jobs, what the board remembers.
#include "bench_fixture.h"
#include "core/job/card_edits.h"
#include "session/library.h"

#include <QDateTime>
#include <QProcess>
#include <QThread>

namespace wembrix::app {
namespace {

TEST_F(Bench, ASourceThatChangesOnDiskIsReplayedAndSaid) {
    open_mended();
    window->document().edit("rule", [](Job& job) {
        job.steps.push_back({"rename_joints", {{"names", {{"head_tip", "crown"}}}}});
        job.steps.push_back(
            {"split_take", {{"take", "capture_07"}, {"clips", {{{"name", "wade"}, {"start", 220}, {"end", 396}}}}}});
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
    QTest::mouseClick(finding_button("normalize_weights"), Qt::LeftButton);
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
                    if (button->text().remove(QLatin1Char('&')) == "Restore") {
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

TEST_F(Bench, ARecoveryFileIsWholeWheneverItsWriterIsKilled) {
    // Another process edits and keeps without end; it is killed at a moment of chance, a hundred times.
    Job first = read_job(job_file.toStdString()).take();
    int killed_at_work = 0;
    for (int turn = 0; turn < 100; ++turn) {
        QProcess writer;
        writer.start(QCoreApplication::applicationDirPath() + "/wembrix-recovery-writer", {job_file});
        ASSERT_TRUE(writer.waitForStarted());
        ASSERT_TRUE(writer.waitForReadyRead(20000)) << "it says when the first one is kept";
        QThread::usleep(static_cast<unsigned long>((turn * 7919) % 23000));
        killed_at_work += writer.state() == QProcess::Running ? 1 : 0;
        writer.kill();
        ASSERT_TRUE(writer.waitForFinished());
        const std::vector<Recoverable> found = Recovery::left_over();
        ASSERT_EQ(found.size(), 1U) << "turn " << turn;
        EXPECT_EQ(found[0].path, job_file);
        // What is kept is one of the writer's states, to the last letter: the name says which note belongs to it.
        const std::string& name = found[0].job.name;
        ASSERT_EQ(name.substr(0, 6), "state ") << name;
        ASSERT_EQ(found[0].job.steps.size(), first.steps.size() + 1);
        EXPECT_EQ(found[0].job.steps.back().parameters.value("find", ""),
                  std::string(20000, static_cast<char>('a' + std::stoi(name.substr(6)) % 26)));
        Recovery::discard(found[0]);
    }
    EXPECT_EQ(killed_at_work, 100);
    EXPECT_TRUE(Recovery::left_over().empty());
    for (const QString& litter : QDir(Recovery::folder()).entryList(QDir::Files | QDir::Hidden)) {
        QFile::remove(Recovery::folder() + "/" + litter); // halves under names that are never read
    }
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

TEST_F(Bench, TheBoardMarksOnlyWhatChanged) {
    open_mended();
    window->document().edit("cut", [](Job& job) {
        set_cuts(job, "capture_07", {{"stand", 0, 60, true, "", ""}, {"stamp", 600, 660, false, "", ""}});
    });
    settle();
    window->runner().deliver_cells(window->board().due());
    ASSERT_TRUE(wait_for([&] { return !window->runner().is_running(); }));
    settle();
    EXPECT_EQ(window->board().count(CellState::arrived), 6);
    window->document().edit("cut otherwise", [](Job& job) {
        set_cuts(job, "capture_07", {{"stand", 0, 50, true, "", ""}, {"stamp", 600, 660, false, "", ""}});
    });
    settle();
    BoardModel& board = window->board();
    EXPECT_EQ(board.count(CellState::arrived), 4);
    EXPECT_EQ(board.count(CellState::stale), 2);
    EXPECT_EQ(board.entry({"Tidewater runtime", "clip:stand"})->detail, "the route card changed");
    EXPECT_EQ(child<QPushButton>("go")->text(), "Deliver 2");
    QTest::mouseClick(child<QPushButton>("go"), Qt::LeftButton);
    ASSERT_TRUE(wait_for([&] { return !window->runner().is_running() && board.count(CellState::arrived) == 6; }));
    // All of them once more, though nothing is due: every file is another one afterwards.
    const QString model = folder.filePath("deliveries/Tidewater_runtime/tansy_model.glb");
    const QDateTime before = QFileInfo(model).lastModified();
    QTest::qWait(20);
    QTest::mouseClick(child<QPushButton>("deliverAll"), Qt::LeftButton);
    EXPECT_EQ(window->runner().all(), 6);
    ASSERT_TRUE(wait_for([&] { return !window->runner().is_running(); }));
    EXPECT_GT(QFileInfo(model).lastModified(), before);
}

} // namespace
} // namespace wembrix::app
