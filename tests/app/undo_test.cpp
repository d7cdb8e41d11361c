// Whatever is done can be undone, and done again: the job is the same one each time, and so is its file.
#include "core/job/card_edits.h"
#include "core/steps/step_kind.h"
#include "random_rig.h"
#include "session/document.h"

#include <QDir>
#include <QTemporaryDir>
#include <gtest/gtest.h>
#include <random>

namespace wembrix::app {
namespace {

/// One change of a job as a person makes them, drawn by chance. Some change nothing.
void change(Job& job, std::mt19937& random) {
    const auto below = [&](size_t count) { return random() % std::max<size_t>(count, 1); };
    switch (random() % 10) {
    case 0:
        job.steps.push_back({std::string(step_kinds()[below(step_kinds().size())].id)});
        break;
    case 1:
        if (!job.steps.empty()) {
            job.steps.erase(job.steps.begin() + static_cast<ptrdiff_t>(below(job.steps.size())));
        }
        break;
    case 2:
        if (job.steps.size() > 1) {
            std::swap(job.steps.front(), job.steps[below(job.steps.size())]);
        }
        break;
    case 3:
        if (!job.steps.empty()) {
            Step& step = job.steps[below(job.steps.size())];
            step.on = !step.on;
        }
        break;
    case 4:
        job.name = "job " + std::to_string(below(5));
        break;
    case 5:
        if (!job.destinations.empty()) {
            job.destinations[below(job.destinations.size())].influences = 1 + static_cast<int>(below(8));
        }
        break;
    case 6:
        job.destinations = built_in_destinations();
        break;
    case 7:
        set_cuts(job, "take", {{"a", 0, static_cast<int>(10 + below(40)), below(2) == 0, "", ""}});
        break;
    case 8:
        job.sources.push_back("file_" + std::to_string(below(3)) + ".glb");
        break;
    default:
        job.deliveries = below(2) == 0 ? "deliveries" : "out";
    }
}

TEST(Undo, GoesBackThroughEverythingAndForthAgain) {
    for (uint32_t seed = 1; seed <= testing::seeds(); ++seed) {
        std::mt19937 random(seed);
        Document document;
        Job first;
        first.name = "tansy";
        document.start(first);
        std::vector<nlohmann::json> states = {job_to_json(document.job())};
        for (int i = 0; i < 40; ++i) {
            const int before = document.undo().index();
            document.edit(QStringLiteral("change %1").arg(i), [&](Job& job) { change(job, random); });
            if (document.undo().index() == before) {
                EXPECT_EQ(job_to_json(document.job()), states.back()) << "what changes nothing is no step back";
                continue;
            }
            states.push_back(job_to_json(document.job()));
            EXPECT_NE(states.back(), states[states.size() - 2]) << "seed " << seed;
        }
        ASSERT_GT(states.size(), 10U);
        ASSERT_EQ(document.undo().count(), static_cast<int>(states.size()) - 1);
        for (size_t i = states.size(); i-- > 0;) {
            ASSERT_EQ(job_to_json(document.job()), states[i]) << "seed " << seed << ", back at " << i;
            document.undo().undo();
        }
        for (const nlohmann::json& state : states) {
            ASSERT_EQ(job_to_json(document.job()), state) << "seed " << seed;
            document.undo().redo();
        }
        // To and fro at random.
        for (int i = 0; i < 60; ++i) {
            document.undo().setIndex(static_cast<int>(random() % states.size()));
            ASSERT_EQ(job_to_json(document.job()), states[static_cast<size_t>(document.undo().index())]);
        }
    }
}

TEST(Undo, AnEditBehindAStepBackTakesThePlaceOfWhatWasUndone) {
    Document document;
    document.start(Job());
    const auto name = [&](const char* to) { document.edit(QStringLiteral("name"), [&](Job& job) { job.name = to; }); };
    name("a");
    name("b");
    name("c");
    document.undo().undo();
    document.undo().undo();
    EXPECT_EQ(document.job().name, "a");
    name("d");
    EXPECT_FALSE(document.undo().canRedo());
    document.undo().undo();
    EXPECT_EQ(document.job().name, "a");
}

TEST(Undo, WhatIsUndoneAfterTheJobWentElsewhereStillNamesItsFiles) {
    const QTemporaryDir folder;
    QDir(folder.path()).mkpath(QStringLiteral("first/made"));
    QDir(folder.path()).mkpath(QStringLiteral("second"));
    const QString first = folder.filePath(QStringLiteral("first/tansy.wembrix"));
    Job job;
    job.name = "tansy";
    job.sources = {"made/tansy.glb"};
    ASSERT_TRUE(write_job(job, first.toStdString()).ok());
    Document document;
    ASSERT_TRUE(document.open(first).ok());
    const std::string at = folder.path().toStdString();
    document.edit("another file", [&](Job& edited) { edited.sources.push_back(at + "/first/made/take.glb"); });
    EXPECT_EQ(document.job().sources[1].path, "made/take.glb") << "as it is written";
    document.edit("a picture", [&](Job& edited) { edited.pictures["model"] = at + "/first/own.png"; });
    document.edit("fewer", [](Job& edited) { edited.sources.erase(edited.sources.begin()); });
    ASSERT_TRUE(document.save(folder.filePath(QStringLiteral("second/tansy.wembrix"))).ok());
    EXPECT_EQ(document.job().sources[0].path, at + "/first/made/take.glb");
    EXPECT_EQ(document.job().pictures.at("model"), at + "/first/own.png");
    document.undo().undo();
    ASSERT_EQ(document.job().sources.size(), 2U);
    EXPECT_EQ(document.job().sources[0].path, at + "/first/made/tansy.glb");
    EXPECT_EQ(document.job().sources[1].path, at + "/first/made/take.glb");
    document.undo().undo();
    document.undo().undo();
    EXPECT_EQ(document.job().sources, (std::vector<JobSource>{at + "/first/made/tansy.glb"}));
    EXPECT_TRUE(document.job().pictures.empty());
    document.undo().redo();
    document.undo().redo();
    document.undo().redo();
    EXPECT_TRUE(document.is_saved());
    EXPECT_EQ(document.job().sources, (std::vector<JobSource>{at + "/first/made/take.glb"}));
    EXPECT_EQ(document.job().pictures.at("model"), at + "/first/own.png");
}

TEST(Undo, AFileHoldsTheStateAndSavedIsTold) {
    const QTemporaryDir folder;
    const QString path = folder.filePath(QStringLiteral("tansy.wembrix"));
    std::mt19937 random(3);
    Document document;
    document.start(Job());
    EXPECT_FALSE(document.is_saved());
    for (int i = 0; i < 20; ++i) {
        document.edit(QStringLiteral("change"), [&](Job& job) { change(job, random); });
    }
    document.edit(QStringLiteral("name"), [](Job& job) { job.name = "named"; });
    ASSERT_TRUE(document.save(path).ok());
    EXPECT_TRUE(document.is_saved());
    const nlohmann::json saved = job_to_json(document.job());
    document.undo().undo();
    EXPECT_FALSE(document.is_saved()) << "one step back is another state";
    document.undo().redo();
    EXPECT_TRUE(document.is_saved()) << "and forth again the saved one";
    Document other;
    ASSERT_TRUE(other.open(path).ok());
    EXPECT_EQ(job_to_json(other.job()), saved);
    EXPECT_TRUE(other.is_saved());
    EXPECT_FALSE(other.undo().canUndo());
    EXPECT_EQ(QString::fromStdString(other.folder().string()), folder.path());
    // What cannot be opened leaves what is open.
    EXPECT_FALSE(other.open(folder.filePath(QStringLiteral("none.wembrix"))).ok());
    EXPECT_EQ(job_to_json(other.job()), saved);
}

} // namespace
} // namespace wembrix::app
