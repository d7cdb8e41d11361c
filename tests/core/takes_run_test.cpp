// One card over many takes: what goes out, what is held, what stays in the folder, and that cores change nothing.
#include "core/base/files.h"
#include "core/delivery/manifest.h"
#include "core/formats/bvh/bvh.h"
#include "core/formats/format.h"
#include "core/job/takes_run.h"
#include "core/measure/skeleton/pose.h"
#include "first_manifest.h"
#include "small_scenes.h"

#include <filesystem>
#include <fstream>
#include <gtest/gtest.h>
#include <tbb/global_control.h>

namespace wembrix::testing {
namespace {

namespace fs = std::filesystem;
using nlohmann::json;

class ManyTakes : public ::testing::Test {
  protected:
    void SetUp() override {
        folder = fs::temp_directory_path() /
                 ("wembrix_takes_" + std::string(::testing::UnitTest::GetInstance()->current_test_info()->name()));
        fs::remove_all(folder);
        fs::create_directories(folder / "takes");
        Scene model = tower({"root", "spine", "neck", "head"});
        add_nod(model, "its_own", 1, 0.2, true); // what the model brings along is no take of the run
        request.model = std::make_shared<const Scene>(model);
        request.steps = {{"rename_joints", {{"names", {{"head", "skull"}}}}}, {"bake", {{"rate", 30}}}};
        request.destination = built_in_destinations()[1];
        request.job_name = "tower";
        request.folder = folder / "out";
        request.made_from.sources = {{"tower.glb", "m"}};
        request.made_from.card = "c";
    }
    void TearDown() override { fs::remove_all(folder); }

    /// A take that nods `joint` by an angle of its own, as a file of its own.
    void put_take(const std::string& file, double angle,
                  const std::vector<std::string>& names = {"root", "spine", "neck", "head"}) {
        Scene take = tower(names);
        add_nod(take, "the take", 2, angle, true, 46);
        put(file, take);
    }
    void put(const std::string& file, const Scene& take) {
        const fs::path path = folder / "takes" / file;
        const Format* format = format_with_id(path.extension().string().substr(1));
        const Result<std::vector<WrittenFile>> written = format->write(take, path.stem().string(), {}, {});
        ASSERT_TRUE(written.ok());
        for (const WrittenFile& one : *written) {
            ASSERT_TRUE(write_file_whole(folder / "takes" / one.name, one.bytes).ok());
        }
    }
    TakesReport run() {
        Result<std::vector<fs::path>> takes = takes_in(folder / "takes");
        EXPECT_TRUE(takes.ok());
        request.takes = takes.take();
        Result<TakesReport> report = deliver_takes(request);
        EXPECT_TRUE(report.ok()) << (report.ok() ? "" : report.problem().sentence());
        return report ? report.take() : TakesReport();
    }
    [[nodiscard]] std::vector<std::string> files() const {
        std::vector<std::string> names;
        for (const auto& entry : fs::directory_iterator(request.folder)) {
            names.push_back(entry.path().filename().string());
        }
        std::sort(names.begin(), names.end());
        return names;
    }
    /// The job's own delivery into the same folder.
    [[nodiscard]] DeliveryRequest delivery_of(const Scene& prepared) const {
        DeliveryRequest own;
        own.prepared = &prepared;
        own.destination = request.destination;
        own.job_name = request.job_name;
        own.folder = request.folder;
        return own;
    }
    static std::string reason(const TakesReport& report, const std::string& take) {
        for (const TakesReport::Row& row : report.rows) {
            if (row.take == take) {
                return row.arrival.reason;
            }
        }
        return "no such take";
    }

    fs::path folder;
    TakesRequest request;
};

TEST_F(ManyTakes, EachBecomesAClipOfItsOwnNamedAfterItsFile) {
    for (int i = 0; i < 12; ++i) {
        put_take("nod_" + std::string(i < 10 ? "0" : "") + std::to_string(i) + (i % 2 == 0 ? ".glb" : ".bvh"),
                 0.1 + 0.05 * i);
    }
    const TakesReport report = run();
    ASSERT_EQ(report.rows.size(), 12U);
    EXPECT_TRUE(report.all_arrived()) << reason(report, "nod_01.bvh") << reason(report, "nod_00.glb");
    EXPECT_EQ(files().size(), 13U) << "twelve clips, the manifest, and nothing aside";
    for (int i = 0; i < 12; ++i) {
        const std::string name = "nod_" + std::string(i < 10 ? "0" : "") + std::to_string(i);
        const Result<Scene> there = read_scene(request.folder / ("tower_" + name + ".glb"));
        ASSERT_TRUE(there.ok()) << name;
        ASSERT_EQ(there->clips.size(), 1U);
        EXPECT_EQ(there->clips[0].name, name);
        EXPECT_GE(there->find_node("skull"), 0) << "the card went over it";
        // Half way through, the neck has turned by this take's own angle.
        Pose pose;
        Poser(*there, &there->clips[0]).at(22.5 / 30, pose);
        const Vec3 up = pose.world[there->find_node("neck")].block<3, 1>(0, 1);
        EXPECT_NEAR(std::acos(up.y()), (0.1 + 0.05 * i) * 44 / 45.0, 0.01) << name;
    }
    const json manifest = first_manifest(request.folder);
    ASSERT_EQ(manifest["clips"].size(), 12U);
    EXPECT_EQ(manifest["clips"][3]["frames"], 46);
    EXPECT_EQ(manifest["files"][3]["made_from"]["sources"][1]["file"], "nod_03.bvh");
    EXPECT_EQ(manifest["joints"][3]["name"], "skull");
    EXPECT_EQ(manifest["held"].size(), 0U);
}

TEST_F(ManyTakes, AreTheSameOnOneCoreAndOnTwo) {
    for (int i = 0; i < 6; ++i) {
        put_take("nod_" + std::to_string(i) + ".glb", 0.1 + 0.1 * i);
    }
    json manifests[2];
    for (const size_t cores : {1U, 2U}) {
        const tbb::global_control limit(tbb::global_control::max_allowed_parallelism, cores);
        EXPECT_TRUE(run().all_arrived());
        manifests[cores - 1] = first_manifest(request.folder);
    }
    EXPECT_EQ(manifests[0].dump(), manifests[1].dump());
}

TEST_F(ManyTakes, TheManifestIsTheSameInHoweverManyPartsItCameAbout) {
    request.steps.push_back({"accept_finding", {{"finding", "illegal_name"}, {"note", "the engine takes spaces"}}});
    request.steps[0].parameters["names"]["head"] = "skull cap";
    request.destination.rate = 29; // cuts each take short
    for (int i = 0; i < 6; ++i) {
        put_take("nod_" + std::to_string(i) + ".glb", 0.1 + 0.1 * i);
    }
    EXPECT_TRUE(run().all_arrived());
    const json whole = first_manifest(request.folder);
    ASSERT_EQ(whole["left_of_takes"].size(), 1U) << whole["left_of_takes"].dump(1);
    EXPECT_EQ(whole["left_of_takes"][0]["count"], 6);
    EXPECT_EQ(whole["accepted"].size(), 1U);
    fs::remove_all(request.folder);
    const std::vector<fs::path> takes = request.takes;
    for (const std::vector<size_t>& part : {std::vector<size_t>{4, 1}, {3}, {5, 0, 2}}) {
        request.takes.clear();
        for (const size_t t : part) {
            request.takes.push_back(takes[t]);
        }
        EXPECT_TRUE(deliver_takes(request)->all_arrived());
    }
    EXPECT_EQ(first_manifest(request.folder).dump(1), whole.dump(1));
}

TEST_F(ManyTakes, AListBesideATakeCutsIt) {
    put_take("long.glb", 0.4);
    ASSERT_TRUE(write_file_whole(folder / "takes/long.csv",
                                 "name,from_s,to_s,deliver\nup,0,0.75,\ndown,0.75,1.5,yes\nstays,0,1,no\n")
                    .ok());
    put_take("short.glb", 0.2);
    const TakesReport report = run();
    EXPECT_TRUE(report.all_arrived());
    EXPECT_EQ(files(),
              (std::vector<std::string>{"delivery.json", "tower_down.glb", "tower_short.glb", "tower_up.glb"}));
    EXPECT_EQ(report.manifest["clips"][0]["frames"], 23 + 1) << "0.75 s lie between frames 22 and 23";
    ASSERT_TRUE(write_file_whole(folder / "takes/short.csv", "name,first,last\nbeyond,0,900\n").ok());
    const TakesReport again = run();
    EXPECT_FALSE(again.all_arrived());
    EXPECT_NE(reason(again, "short.glb").find("ends at frame 900"), std::string::npos) << reason(again, "short.glb");
    EXPECT_EQ(again.arrived(), 2U) << "the other take is not held by it";
}

TEST_F(ManyTakes, SayWhatTheyWereMadeFrom) {
    // A take whose keys lie in a buffer beside it, and a list beside that.
    Scene take = tower({"root", "spine", "neck", "head"});
    add_nod(take, "nod", 2, 0.4, true, 46);
    put("nod.gltf", take);
    ASSERT_TRUE(write_file_whole(folder / "takes/nod.csv", "name,first,last\nup,0,22\n").ok());
    const auto sources = [&] { return run().manifest["files"][0]["made_from"]["sources"]; };
    const json before = sources();
    ASSERT_EQ(before.size(), 3U);
    EXPECT_EQ(before[0]["file"], "tower.glb");
    EXPECT_EQ(before[1]["file"], "nod.gltf");
    EXPECT_EQ(before[2]["file"], "nod.csv");
    EXPECT_EQ(sources(), before);
    ASSERT_TRUE(write_file_whole(folder / "takes/nod.csv", "name,first,last\nup,0,23\n").ok());
    EXPECT_NE(sources()[2], before[2]);
    for (const auto& entry : fs::directory_iterator(folder / "takes")) {
        if (entry.path().extension() == ".bin") {
            std::string bytes = *read_file(entry.path());
            bytes.back() = static_cast<char>(bytes.back() ^ 1); // the text beside it stays as it is
            ASSERT_TRUE(write_file_whole(entry.path(), bytes).ok());
        }
    }
    EXPECT_NE(sources()[1]["xxh3_128"], before[1]["xxh3_128"]) << "its keys lie in the buffer";
}

TEST_F(ManyTakes, WhatIsWrongWithOneHoldsThatOneAlone) {
    put_take("a.glb", 0.1);
    put_take("b.bvh", 0.2, {"wheel", "axle", "spoke", "rim"});
    ASSERT_TRUE(write_file_whole(folder / "takes/c.glb", "glTF but no more than that").ok());
    Scene two = tower({"root", "spine", "neck", "head"});
    add_nod(two, "a", 1, 0.3, true);
    add_nod(two, "other", 1, 0.5, true);
    put("d.glb", two);
    put("e.glb", tower({"root", "spine", "neck", "head"}));
    ASSERT_TRUE(write_file_whole(folder / "takes/readme.txt", "no take").ok());
    const TakesReport report = run();
    EXPECT_EQ(files(), (std::vector<std::string>{"delivery.json", "tower_a.glb", "tower_other.glb"}));
    EXPECT_NE(reason(report, "b.bvh").find("not this model's"), std::string::npos) << reason(report, "b.bvh");
    EXPECT_NE(reason(report, "c.glb").find("c.glb"), std::string::npos) << reason(report, "c.glb");
    EXPECT_NE(reason(report, "d.glb").find("another take goes out as “tower_a”"), std::string::npos)
        << reason(report, "d.glb");
    EXPECT_NE(reason(report, "e.glb").find("no take"), std::string::npos) << reason(report, "e.glb");
    EXPECT_EQ(report.manifest["held"].size(), 4U);
    EXPECT_EQ(report.arrived(), 2U);
}

TEST_F(ManyTakes, StepsForClipsThatATakeDoesNotHaveArePassedOver) {
    request.steps = {{"split_take", {{"take", "its_own"}, {"clips", {{{"name", "x"}, {"start", 0}, {"end", 9}}}}}},
                     {"reverse", {{"clips", {"swing*"}}}},
                     {"close_loop", {{"clip", "its_own"}}}};
    Scene take = tower({"root", "spine", "neck", "head"});
    add_nod(take, "the take", 2, 0.5, false, 31);
    put("swing_1.glb", take);
    put("stay.glb", take);
    EXPECT_TRUE(run().all_arrived());
    const auto turned_at_first = [&](const std::string& file) {
        const Result<Scene> there = read_scene(request.folder / file);
        Pose pose;
        Poser(*there, &there->clips[0]).at(0, pose);
        return std::acos(std::min(1.0, pose.world[there->find_node("neck")](1, 1)));
    };
    EXPECT_NEAR(turned_at_first("tower_swing_1.glb"), 0.5, 1e-3) << "reversed";
    EXPECT_NEAR(turned_at_first("tower_stay.glb"), 0, 1e-3) << "not reversed";
}

TEST_F(ManyTakes, LiveBesideTheJobsOwnDelivery) {
    const Scene prepared = *request.model;
    const DeliveryRequest own = delivery_of(prepared);
    ASSERT_TRUE(deliver(own).ok());
    request.steps = {};
    put_take("a.glb", 0.3);
    put_take("b.glb", 0.4);
    EXPECT_TRUE(run().all_arrived());
    const std::vector<std::string> all = {"delivery.json", "tower_a.glb", "tower_b.glb", "tower_its_own.glb",
                                          "tower_model.glb"};
    EXPECT_EQ(files(), all);
    ASSERT_TRUE(deliver(own).ok());
    EXPECT_EQ(files(), all) << "a delivery of the job leaves what the run put there";
    EXPECT_EQ(first_manifest(request.folder)["files"].size(), 4U);
    put_take("b.glb", 0.7);
    fs::remove(folder / "takes/a.glb");
    EXPECT_TRUE(run().all_arrived());
    EXPECT_EQ(files(), all) << "a run over fewer takes takes nothing away";
    EXPECT_EQ(first_manifest(request.folder)["clips"].size(), 3U);
    // A file that somebody else put there stays as it is.
    put_take("c.glb", 0.7);
    ASSERT_TRUE(write_file_whole(request.folder / "tower_c.glb", "somebody's own").ok());
    const TakesReport report = run();
    EXPECT_NE(reason(report, "c.glb").find("is there already"), std::string::npos);
    EXPECT_EQ(*read_file(request.folder / "tower_c.glb"), "somebody's own");
}

TEST_F(ManyTakes, WhatStaysBehindAndWhatIsAcceptedIsSaid) {
    request.steps = {{"rename_joints", {{"names", {{"head", "skull cap"}}}}},
                     {"remove_joints", {{"names", {"neck"}}}},
                     {"accept_finding", {{"finding", "illegal_name"}, {"note", "the engine takes spaces"}}}};
    request.destination.rate = 29; // no frame lies at the end of a take of a second and a half
    put_take("a.glb", 0.3);
    Scene more = tower({"root", "spine", "neck", "head", "antenna"});
    add_nod(more, "the take", 4, 0.4, true, 46);
    put("b.glb", more);
    const TakesReport report = run();
    EXPECT_TRUE(report.all_arrived()) << reason(report, "a.glb") << reason(report, "b.glb");
    ASSERT_EQ(report.accepted.size(), 1U) << "once, not for each take";
    EXPECT_EQ(report.accepted[0].accepted, "the engine takes spaces");
    const auto has_row = [](const json& rows, const json& wanted) {
        return std::any_of(rows.begin(), rows.end(), [&](const json& row) {
            return std::all_of(wanted.items().begin(), wanted.items().end(),
                               [&](const auto& item) { return row.value(item.key(), json()) == item.value(); });
        });
    };
    const json of_takes = ledger_to_json(report.left_of_takes);
    EXPECT_TRUE(has_row(of_takes, {{"what", "clip length"}, {"name", "a"}, {"altered", true}})) << of_takes.dump(1);
    EXPECT_TRUE(has_row(of_takes, {{"what", "clip length"}, {"name", "b"}, {"altered", true}})) << of_takes.dump(1);
    EXPECT_TRUE(std::any_of(of_takes.begin(), of_takes.end(), [](const json& row) {
        return row["by"] == "reader" && row["name"].get<std::string>().find("b.glb") != std::string::npos &&
               row["why"].get<std::string>().find("antenna") != std::string::npos;
    })) << of_takes.dump(1);
    EXPECT_TRUE(has_row(ledger_to_json(report.left), {{"what", "joint"}, {"name", "neck"}, {"by", "card"}}));
    const json manifest = first_manifest(request.folder);
    EXPECT_EQ(manifest["accepted"].size(), 1U);
    EXPECT_TRUE(has_row(manifest["left_of_takes"], {{"what", "clip length"}, {"name", ""}, {"count", 2}}))
        << "as one row: " << manifest["left_of_takes"].dump(1);
    EXPECT_TRUE(has_row(manifest["left"], {{"what", "joint"}, {"name", "neck"}}));
    // A delivery of the job leaves what the run said of its takes.
    const Scene prepared = *request.model;
    const DeliveryRequest own = delivery_of(prepared);
    ASSERT_TRUE(deliver(own).ok());
    EXPECT_EQ(first_manifest(request.folder)["left_of_takes"], manifest["left_of_takes"]);
}

TEST_F(ManyTakes, ATakeThatAStepMovesThoughNobodyAskedItToIsHeld) {
    Scene model = tower({"root", "spine", "neck", "head"});
    Node holder; // uneven, above a joint that turns: what is below it shears, and no joint can
    holder.name = "holder";
    holder.kind = NodeKind::parent_transform;
    holder.rest.scale = Vec3(1, 2, 1);
    holder.identity = 50;
    model.nodes.push_back(holder);
    model.nodes[0].parent = static_cast<int>(model.nodes.size()) - 1;
    reorder_nodes(model, sorted_order(model.nodes));
    request.model = std::make_shared<const Scene>(model);
    request.steps = {{"bake_parent_transforms"}};
    put_take("still.glb", 0);
    put_take("turns.glb", 0.8);
    TakesReport report = run();
    EXPECT_EQ(reason(report, "still.glb"), "");
    EXPECT_NE(reason(report, "turns.glb").find("moves a vertex"), std::string::npos) << reason(report, "turns.glb");
    request.destination.drift_limit_mm = 1e6;
    report = run();
    EXPECT_TRUE(report.all_arrived()) << reason(report, "turns.glb");
}

TEST_F(ManyTakes, CanBeStopped) {
    for (int i = 0; i < 8; ++i) {
        put_take("nod_" + std::to_string(i) + ".glb", 0.1 + 0.1 * i);
    }
    const tbb::global_control limit(tbb::global_control::max_allowed_parallelism, 1);
    std::vector<std::string> told;
    request.progress = [&](size_t done, size_t all, const std::string& what) {
        EXPECT_EQ(all, 8U);
        told.push_back(what);
        EXPECT_EQ(done, told.size());
    };
    request.stop = [&] { return told.size() >= 3; };
    const TakesReport report = run();
    EXPECT_TRUE(report.stopped);
    EXPECT_FALSE(report.all_arrived());
    EXPECT_EQ(report.rows.size(), 3U);
    EXPECT_EQ(told, (std::vector<std::string>{"nod_0.glb", "nod_1.glb", "nod_2.glb"}));
    EXPECT_EQ(files().size(), 4U) << "what had been through is in place";
}

TEST_F(ManyTakes, AFolderWithoutTakesIsRefused) {
    EXPECT_FALSE(takes_in(folder / "takes").ok());
    EXPECT_FALSE(takes_in(folder / "nowhere").ok());
    put_take("a.glb", 0.3);
    request.steps = {{"rename_joints", {{"nonsense", 1}}}};
    request.takes = *takes_in(folder / "takes");
    const Result<TakesReport> report = deliver_takes(request);
    ASSERT_FALSE(report.ok()) << "a malformed card is refused at once, not a thousand times";
    EXPECT_TRUE(report.problem().malformed);
}

TEST_F(ManyTakes, WhatArrivedStaysWhenARunIsEndedAndTheNextDoesTheRest) {
    for (int i = 0; i < 9; ++i) {
        put_take("nod_" + std::to_string(i) + ".glb", 0.1 + 0.05 * i);
    }
    const tbb::global_control one_core(tbb::global_control::max_allowed_parallelism, 1);
    size_t through = 0;
    request.progress = [&](size_t done, size_t, const std::string&) { through = done; };
    request.stop = [&] { return through >= 4; };
    const TakesReport ended = run();
    EXPECT_TRUE(ended.stopped);
    const size_t there = files().size() - 1; // the manifest
    EXPECT_GE(there, 4U);
    EXPECT_LT(there, 9U);
    EXPECT_EQ(ended.arrived(), there);

    request.stop = {};
    const TakesReport rest = run();
    EXPECT_TRUE(rest.all_arrived());
    EXPECT_EQ(rest.rows.size(), 9U);
    EXPECT_EQ(rest.up_to_date(), there) << "what was whole is passed over";
    EXPECT_EQ(files().size(), 10U);
    EXPECT_EQ(rows_of(first_manifest(request.folder)).size(), 9U);
}

TEST_F(ManyTakes, OnlyWhatChangedIsWrittenAgain) {
    put_take("nod_1.glb", 0.3);
    put_take("nod_2.glb", 0.4);
    put_take("nod_3.bvh", 0.5);
    run();
    EXPECT_EQ(run().up_to_date(), 3U);
    put_take("nod_2.glb", 0.45); // another take of that name
    const TakesReport changed = run();
    EXPECT_EQ(changed.up_to_date(), 2U);
    EXPECT_TRUE(changed.all_arrived());
    std::ofstream(request.folder / "tower_nod_1.glb", std::ios::app) << "x"; // somebody touched what was delivered
    EXPECT_EQ(run().up_to_date(), 2U);
    request.made_from.card = "another";
    EXPECT_EQ(run().up_to_date(), 0U) << "another card makes other clips";
    request.destination.drift_limit_mm = 0.25;
    EXPECT_EQ(run().up_to_date(), 0U) << "and so may another destination";
    EXPECT_EQ(run().up_to_date(), 3U);
    request.all = true;
    EXPECT_EQ(run().up_to_date(), 0U) << "unless all are asked for";
    request.all = false;
    std::ofstream(folder / "takes" / "nod_1.csv") << "name,start,end\nhalf,0,20\n";
    EXPECT_EQ(run().up_to_date(), 2U) << "a list of cuts beside it is part of what it is made from";
}

TEST_F(ManyTakes, PicturesSizesAndThePageGoWithThemWhereTheyAreWanted) {
    request.destination.pictures = 64;
    request.destination.report = true;
    request.destination.numbers = Numbers::rounded;
    put_take("nod_1.glb", 0.3);
    put_take("nod_2.bvh", 0.4);
    const TakesReport report = run();
    EXPECT_TRUE(report.all_arrived()) << reason(report, "nod_1.glb");
    EXPECT_EQ(files(), (std::vector<std::string>{"delivery.json", "pictures", "report.html", "tower_nod_1.glb",
                                                 "tower_nod_2.glb"}));
    for (const char* file : {"tower_nod_1.glb.png", "tower_nod_1.glb_film.png", "tower_nod_2.glb.png"}) {
        EXPECT_TRUE(fs::exists(request.folder / "pictures" / file)) << file;
    }
    const std::string page = read_file(request.folder / "report.html").take();
    EXPECT_NE(page.find("nod_1"), std::string::npos);
    EXPECT_NE(page.find("nod_2"), std::string::npos);
    EXPECT_NE(page.find("data:image/png"), std::string::npos) << "with its pictures inside it";
    json manifest = first_manifest(request.folder);
    size_t pages = 0;
    size_t checked = 0;
    size_t plain = 0;
    for (const json& row : manifest["files"]) {
        pages += row["deliverable"] == "report" ? 1 : 0;
        checked += row.contains("check") ? 1 : 0;
        plain += row.contains("plain_bytes") && row["plain_bytes"] > 0 ? 1 : 0;
    }
    EXPECT_EQ(pages, 1U);
    EXPECT_EQ(checked, 2U);
    EXPECT_EQ(plain, 2U);

    // Nothing to do: one arrival each, the page as it was.
    const TakesReport again = run();
    EXPECT_EQ(again.rows.size(), 2U);
    EXPECT_EQ(again.up_to_date(), 2U);
    EXPECT_EQ(read_file(request.folder / "report.html").take(), page);
    // A picture that is gone is made again.
    fs::remove(request.folder / "pictures/tower_nod_2.glb.png");
    EXPECT_EQ(run().up_to_date(), 1U);
    EXPECT_TRUE(fs::exists(request.folder / "pictures/tower_nod_2.glb.png"));
    // A share of a run leaves the page to whoever has the whole.
    request.page = false;
    put_take("nod_3.glb", 0.5);
    EXPECT_TRUE(run().all_arrived());
    EXPECT_EQ(read_file(request.folder / "report.html").take().find("nod_3"), std::string::npos);
    request.page = true;
    run();
    EXPECT_NE(read_file(request.folder / "report.html").take().find("nod_3"), std::string::npos);
    // A page that somebody else put there stays.
    fs::remove(request.folder / "delivery.json");
    for (const auto& entry : fs::directory_iterator(request.folder)) {
        if (entry.path().filename().string().starts_with("delivery")) {
            fs::remove_all(entry.path());
        }
    }
    const std::string theirs = read_file(request.folder / "report.html").take();
    const Result<TakesReport> refused = deliver_takes(request);
    ASSERT_FALSE(refused.ok());
    EXPECT_EQ(read_file(request.folder / "report.html").take(), theirs);
}

TEST_F(ManyTakes, FoldersAreGroups) {
    put_take("nod_1.glb", 0.3);
    fs::create_directories(folder / "takes" / "wades");
    fs::create_directories(folder / "takes" / "notes");
    fs::copy(folder / "takes" / "nod_1.glb", folder / "takes" / "wades" / "nod_1.glb");
    const Result<std::vector<fs::path>> groups = folders_of_takes(folder / "takes");
    ASSERT_TRUE(groups.ok());
    EXPECT_EQ(*groups, (std::vector<fs::path>{"", "wades"}));
    EXPECT_FALSE(folders_of_takes(folder / "takes" / "notes").ok());
}

} // namespace
} // namespace wembrix::testing
