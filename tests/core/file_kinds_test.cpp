// Which kinds of files a destination is given, how they are called, and that each of them holds what it should.
#include "core/base/file_sink.h"
#include "core/base/files.h"
#include "core/delivery/alone.h"
#include "core/delivery/board.h"
#include "core/delivery/delivery.h"
#include "core/delivery/manifest.h"
#include "core/delivery/stamp.h"
#include "core/delivery/where.h"
#include "core/formats/format.h"
#include "core/job/job.h"
#include "core/job/job_patch.h"
#include "core/measure/scene/bounds.h"
#include "first_manifest.h"
#include "small_scenes.h"

#include <filesystem>
#include <fstream>
#include <gtest/gtest.h>

namespace wembrix::testing {
namespace {

namespace fs = std::filesystem;
using nlohmann::json;

void add_box(Scene& scene, const std::string& name, int parent, const Vec3& at, int material) {
    Mesh mesh;
    mesh.name = name;
    mesh.positions = std::vector<Vec3f>{{0, 0, 0}, {0.5F, 0, 0}, {0, 0.5F, 0}, {0, 0, 0.5F}};
    mesh.normals = std::vector<Vec3f>(4, Vec3f::UnitY());
    mesh.indices = std::vector<uint32_t>{0, 2, 1, 0, 1, 3, 0, 3, 2, 1, 2, 3};
    Primitive primitive;
    primitive.point_count = 4;
    primitive.index_count = 12;
    primitive.material = material;
    mesh.primitives = {primitive};
    Node node;
    node.name = name;
    node.parent = parent;
    node.kind = NodeKind::surface;
    node.mesh = static_cast<int>(scene.meshes.size());
    node.identity = 2000 + static_cast<int64_t>(scene.nodes.size());
    node.rest.translation = at;
    scene.meshes.push_back(std::move(mesh));
    scene.nodes.push_back(std::move(node));
}

/// A tower that nods and bows, with a stance, a hull on its arm; a lamp and a crate with a lid beside it.
Scene stall() {
    Scene scene = tower({"root", "arm", "hand"});
    add_nod(scene, "nod", 1, 0.5, true);
    add_nod(scene, "bow", 2, 0.9, false, 16);
    add_nod(scene, "Stance_Idle", 1, 0.3, false, 2);
    for (const char* name : {"slate", "reed", "unused"}) {
        Material& material = scene.materials.emplace_back();
        material.name = name;
        material.roughness = 0.3;
    }
    scene.meshes[0].primitives[0].material = 0;
    add_box(scene, "lamp", -1, Vec3(2, 0, 0), 1);
    add_box(scene, "crate", -1, Vec3(4, 0, 0), 1);
    add_box(scene, "lid", static_cast<int>(scene.nodes.size()) - 1, Vec3(0, 0.5, 0), 0);
    scene.hulls.emplace_back();
    scene.hulls[0].kind = Hull::Kind::box;
    scene.hulls[0].half_size = {0.2F, 0.3F, 0.4F};
    Node hull;
    hull.name = "hull";
    hull.parent = 1;
    hull.hull = 0;
    hull.kind = NodeKind::hull;
    hull.identity = 3000;
    scene.nodes.push_back(hull);
    return scene;
}

class FileKinds : public ::testing::Test {
  protected:
    void SetUp() override {
        folder = fs::temp_directory_path() /
                 ("wembrix_kinds_" + std::string(::testing::UnitTest::GetInstance()->current_test_info()->name()));
        fs::remove_all(folder);
        request.prepared = &scene;
        request.destination = built_in_destinations()[1];
        request.job_name = "stall";
        request.folder = folder;
        request.made_from.card = "one";
        request.made_from.sources = {{"stall.glb", "a"}};
    }
    void TearDown() override { fs::remove_all(folder); }

    void give(std::initializer_list<const char*> kinds) {
        request.destination.deliverables.assign(kinds.begin(), kinds.end());
    }
    DeliveryReport delivered() {
        Result<DeliveryReport> report = deliver(request);
        EXPECT_TRUE(report.ok()) << (report ? "" : report.problem().sentence());
        for (const Arrival& arrival : report ? report->arrivals : std::vector<Arrival>()) {
            EXPECT_EQ(arrival.state, CellState::arrived) << arrival.deliverable.id() << ": " << arrival.reason;
        }
        return report ? report.take() : DeliveryReport();
    }
    std::set<std::string> files() const {
        std::set<std::string> names;
        for (const auto& entry : fs::recursive_directory_iterator(folder)) {
            if (entry.is_regular_file() && entry.path().filename().string()[0] != '.') {
                names.insert(fs::relative(entry.path(), folder).string());
            }
        }
        return names;
    }
    Scene read(const std::string& file) const {
        Result<Scene> read = read_scene(folder / file);
        EXPECT_TRUE(read.ok()) << file;
        return read ? read.take() : Scene();
    }
    std::vector<CellState> board() const {
        std::vector<CellState> states;
        for (const BoardCell& cell : read_board(request).cells) {
            states.push_back(cell.state);
        }
        return states;
    }
    Scene scene = stall();
    fs::path folder;
    DeliveryRequest request;
};

TEST_F(FileKinds, ADestinationThatDoesNotChooseIsGivenModelAndClips) {
    delivered();
    EXPECT_EQ(files(), (std::set<std::string>{"delivery.json", "stall_model.glb", "stall_nod.glb", "stall_bow.glb",
                                              "stall_Stance_Idle.glb"}));
}

TEST_F(FileKinds, AllInOneHoldsTheModelWithEveryClipAndMovesAsPrepared) {
    give({"whole"});
    const DeliveryReport report = delivered();
    ASSERT_EQ(report.arrivals.size(), 1U);
    EXPECT_EQ(files(), (std::set<std::string>{"delivery.json", "stall.glb"}));
    const Scene file = read("stall.glb");
    EXPECT_EQ(file.clips.size(), 3U);
    EXPECT_GE(file.find_node("lid"), 0);
    EXPECT_GE(file.find_node("tower"), 0);
    EXPECT_GT(report.arrivals[0].drift.points_compared, 0U);
    const auto claim = [&](const std::string& name) {
        return std::find_if(report.arrivals[0].claims.begin(), report.arrivals[0].claims.end(),
                            [&](const Claim& one) { return one.name == name; });
    };
    for (const char* clip : {"Clip nod", "Clip bow", "Clip Stance_Idle"}) {
        ASSERT_NE(claim(clip), report.arrivals[0].claims.end()) << clip;
        EXPECT_TRUE(claim(clip)->pass) << claim(clip)->detail;
    }
}

TEST_F(FileKinds, OfAllInOneAChangedClipIsNoticed) {
    give({"whole"});
    const DeliverableKind& kind = *kind_of_deliverable("whole");
    const Scene right = kind.conform(scene, "", request.destination).scene;
    const auto state_of = [&](const Scene& arrived) {
        Arrival arrival;
        kind.check(scene, "", arrived, nullptr, request.destination, arrival);
        return arrival.state;
    };
    EXPECT_EQ(state_of(right), CellState::arrived);
    Scene turned = right;
    turned.clips[1].channels[4].values.edit()[5] += 0.2F;
    EXPECT_EQ(state_of(turned), CellState::held);
    Scene without = right;
    without.clips.pop_back();
    EXPECT_EQ(state_of(without), CellState::held);
    Scene renamed = right;
    renamed.clips[0].name = "nods";
    EXPECT_EQ(state_of(renamed), CellState::held);
    Scene moved = right;
    moved.meshes.back().positions.edit()[0].x() += 0.01F;
    EXPECT_EQ(state_of(moved), CellState::held);
}

TEST_F(FileKinds, AllClipsInOneFileLieOnOneSkeletonWithoutSurfaces) {
    give({"clips", "model"});
    delivered();
    EXPECT_EQ(files(), (std::set<std::string>{"delivery.json", "stall_model.glb", "stall_clips.glb"}));
    const Scene file = read("stall_clips.glb");
    EXPECT_EQ(file.clips.size(), 3U);
    EXPECT_TRUE(surfaces_of(file).empty());
    EXPECT_EQ(joints_of(file).size(), 3U);
}

TEST_F(FileKinds, PosesGoOutByThemselvesAndNotAmongTheClips) {
    give({"model", "clip", "pose"});
    request.destination.files["pose"] = "poses/{clip}";
    delivered();
    EXPECT_EQ(files(), (std::set<std::string>{"delivery.json", "stall_model.glb", "stall_nod.glb", "stall_bow.glb",
                                              "poses/Stance_Idle.glb"}));
    const json manifest = first_manifest(folder);
    EXPECT_EQ(manifest["clips"].size(), 3U) << "the list of clips has all of them";
}

TEST_F(FileKinds, EachPropIsAFileWithItsOwnNodesAndMaterialsAlone) {
    give({"prop"});
    request.destination.files["prop"] = "props/{job}_{prop}";
    delivered();
    EXPECT_EQ(files(), (std::set<std::string>{"delivery.json", "props/stall_tower.glb", "props/stall_lamp.glb",
                                              "props/stall_crate.glb"}));
    const Scene crate = read("props/stall_crate.glb");
    EXPECT_EQ(surfaces_of(crate).size(), 2U);
    EXPECT_TRUE(joints_of(crate).empty());
    EXPECT_EQ(crate.materials.size(), 2U);
    EXPECT_NEAR(crate.nodes[static_cast<size_t>(crate.find_node("crate"))].rest.translation.x(), 4, 1e-6);
    EXPECT_EQ(joints_of(read("props/stall_tower.glb")).size(), 3U);
    // What changes in one leaves the others as they are.
    EXPECT_EQ(board(), std::vector<CellState>(3, CellState::arrived));
    scene.meshes[1].positions.edit()[0].x() -= 0.1F;
    EXPECT_EQ(board(), (std::vector<CellState>{CellState::arrived, CellState::stale, CellState::arrived}));
}

TEST_F(FileKinds, HullsAloneAreSurfacesWhereTheyStand) {
    give({"hulls"});
    const DeliveryReport report = delivered();
    ASSERT_EQ(report.arrivals.size(), 1U);
    const Scene file = read("stall_hulls.glb");
    ASSERT_EQ(surfaces_of(file).size(), 1U);
    const Bounds box = whole_bounds(file);
    EXPECT_NEAR(box.low.y(), 1 - 0.3, 1e-5) << "on the arm, a metre above the ground";
    EXPECT_NEAR(box.high.z(), 0.4, 1e-5);
    EXPECT_TRUE(std::any_of(report.left.begin(), report.left.end(), [](const LedgerEntry& entry) {
        return entry.what == "surface" && entry.name == "tower";
    })) << "what this destination is not given is in the ledger";
}

TEST_F(FileKinds, AMaterialSetHasASwatchForEachThatIsInUse) {
    give({"materials"});
    delivered();
    const Scene file = read("stall_materials.glb");
    ASSERT_EQ(file.materials.size(), 2U);
    EXPECT_GE(file.find_node("slate"), 0);
    EXPECT_GE(file.find_node("reed"), 0);
    EXPECT_EQ(file.find_node("unused"), -1);
    // A material that came out different is noticed.
    const DeliverableKind& kind = *kind_of_deliverable("materials");
    Scene other = kind.conform(scene, "", request.destination).scene;
    other.materials[1].roughness = 0.4;
    Arrival arrival;
    kind.check(scene, "", other, nullptr, request.destination, arrival);
    EXPECT_EQ(arrival.state, CellState::held);
}

TEST_F(FileKinds, WhatADestinationIsNotGivenIsInTheLedger) {
    give({"model"});
    const auto names_of = [&](const std::string& what) {
        std::set<std::string> names;
        for (const LedgerEntry& entry : delivered_ledger(request)) {
            if (entry.what == what) {
                names.insert(entry.name);
            }
        }
        return names;
    };
    EXPECT_EQ(names_of("take"), (std::set<std::string>{"Stance_Idle", "bow", "nod"}));
    EXPECT_TRUE(names_of("surface").empty());
    give({"clip"});
    EXPECT_TRUE(names_of("take").empty());
    EXPECT_EQ(names_of("surface"), (std::set<std::string>{"crate", "lamp", "lid", "tower"}));
    give({"whole"});
    EXPECT_TRUE(names_of("take").empty());
    EXPECT_TRUE(names_of("surface").empty());
}

TEST_F(FileKinds, ANumberCountsContentsAndEarlierFilesStay) {
    give({"model"});
    request.destination.files["model"] = "{job}_v{number}";
    delivered();
    delivered(); // the same once more: no new number
    EXPECT_EQ(files(), (std::set<std::string>{"delivery.json", "stall_v1.glb"}));
    scene.meshes[0].positions.edit()[0].x() += 0.1F;
    EXPECT_EQ(board(), std::vector<CellState>{CellState::stale});
    delivered();
    EXPECT_EQ(files(), (std::set<std::string>{"delivery.json", "stall_v1.glb", "stall_v2.glb"}));
    EXPECT_EQ(board(), std::vector<CellState>{CellState::arrived});
    EXPECT_EQ(first_manifest(folder)["files"][0]["number"], 2);
    EXPECT_EQ(first_manifest(folder)["earlier"][0]["file"], "stall_v1.glb");
    // Without a number in its name the one before goes, as ever.
    request.destination.files.clear();
    request.made_from.origin = {new_id(), "stall", new_id(), ""}; // by which the job is known under another name
    delivered();
    request.job_name = "other";
    delivered();
    EXPECT_EQ(files(), (std::set<std::string>{"delivery.json", "stall_v1.glb", "other_model.glb"}));
}

TEST_F(FileKinds, ADateIsThatOfTheFirstDeliveryOfAContent) {
    give({"model"});
    request.destination.files["model"] = "{date}/{job}";
    delivered();
    json manifest = first_manifest(folder);
    const std::string today = manifest["files"][0]["date"];
    ASSERT_TRUE(today.size() == 10 && today[4] == '-' && today[7] == '-') << today;
    EXPECT_EQ(files(), (std::set<std::string>{"delivery.json", today + "/stall.glb"}));
    // As if it had been delivered long before.
    fs::rename(folder / today, folder / "2001-02-03");
    manifest["files"][0]["date"] = "2001-02-03";
    manifest["files"][0]["file"] = "2001-02-03/stall.glb";
    ASSERT_TRUE(write_manifest(manifest, folder).ok());
    EXPECT_EQ(board(), std::vector<CellState>{CellState::arrived});
    delivered();
    EXPECT_EQ(files(), (std::set<std::string>{"delivery.json", "2001-02-03/stall.glb"}));
}

TEST_F(FileKinds, FoldersThatGoAreTakenAwayOnlyWhenNothingElseIsInThem) {
    give({"prop"});
    request.destination.files["prop"] = "props/{prop}/{prop}";
    delivered();
    std::ofstream(folder / "props" / "lamp" / "notes.txt") << "mine";
    request.destination.files["prop"] = "{prop}";
    delivered();
    EXPECT_EQ(files(),
              (std::set<std::string>{"delivery.json", "crate.glb", "lamp.glb", "tower.glb", "props/lamp/notes.txt"}));
    EXPECT_FALSE(fs::exists(folder / "props" / "crate"));
}

TEST_F(FileKinds, ALinkInThePlaceOfAFolderIsNotFollowed) {
    give({"model"});
    request.destination.files["model"] = "models/{job}";
    const fs::path elsewhere = folder.string() + "_elsewhere";
    fs::create_directories(folder);
    fs::create_directories(elsewhere);
    fs::create_directory_symlink(elsewhere, folder / "models");
    const Result<DeliveryReport> report = deliver(request);
    ASSERT_TRUE(report.ok());
    EXPECT_EQ(report->arrivals[0].state, CellState::held);
    EXPECT_NE(report->arrivals[0].reason.find("models"), std::string::npos);
    EXPECT_TRUE(fs::is_empty(elsewhere));
    fs::remove_all(elsewhere);
}

TEST_F(FileKinds, BuffersBesideAFileInAFolderAreFoundFromIt) {
    give({"model", "clip"});
    request.destination.container = "gltf";
    request.destination.files["clip"] = "motion/{clip}";
    delivered();
    EXPECT_EQ(files().size(), 9U) << "each with its buffer";
    EXPECT_EQ(read("motion/nod.gltf").clips.size(), 1U);
    const Result<std::vector<Deliverable>> plan = plan_deliverables(scene, request.destination, "stall", folder);
    ASSERT_TRUE(plan.ok());
    for (const Deliverable& one : *plan) {
        const Result<Arrival> again = check_again(request, one);
        ASSERT_TRUE(again.ok()) << again.problem().sentence();
        EXPECT_EQ(again->state, CellState::arrived) << again->reason;
    }
}

TEST_F(FileKinds, NamesThatCannotBeAreRefusedBeforeAnythingIsWritten) {
    const auto refused = [&](std::map<std::string, std::string> templates) {
        request.destination.files = std::move(templates);
        const auto files = planned_files(scene, request.destination, "stall", folder);
        return files ? Text("taken") : files.problem().what;
    };
    give({"model", "clip"});
    EXPECT_EQ(refused({}), "taken");
    EXPECT_NE(refused({{"clip", "{job}"}}).find("share the file name \"stall\""), std::string::npos);
    EXPECT_NE(refused({{"model", "Motion/a"}, {"clip", "motion/{clip}"}}).find("\"Motion\" and \"motion\""),
              std::string::npos);
    EXPECT_NE(refused({{"model", "../{job}"}}).find("cannot be a file name"), std::string::npos);
    EXPECT_NE(refused({{"model", "/{job}"}}).find("cannot be a file name"), std::string::npos);
    EXPECT_NE(refused({{"model", "a//{job}"}}).find("cannot be a file name"), std::string::npos);
    EXPECT_NE(refused({{"model", "{clip}"}}).find("{clip}"), std::string::npos) << "a model is of no clip";
    EXPECT_NE(refused({{"model", "con/{job}"}}).find("con"), std::string::npos);
    EXPECT_FALSE(fs::exists(folder));
}

TEST_F(FileKinds, EachFileSaysWhichFileItIsAndWhatItReplaces) {
    give({"model", "clip", "whole"});
    request.made_from.origin = {new_id(), "Stall", new_id(), "evening"};
    request.destination.files["model"] = "{job}_{variant}";
    const DeliveryReport report = delivered();
    for (const Arrival& arrival : report.arrivals) {
        const auto claim = std::find_if(arrival.claims.begin(), arrival.claims.end(),
                                        [](const Claim& one) { return one.name == "Says what it is"; });
        ASSERT_NE(claim, arrival.claims.end());
        EXPECT_TRUE(claim->pass);
    }
    const auto where = [&](const std::string& file) { return whereabouts_of(folder / file); };
    const Result<Whereabouts> model = where("stall_evening.glb");
    ASSERT_TRUE(model.ok()) << model.problem().sentence();
    EXPECT_TRUE(model->from_file);
    EXPECT_EQ(model->stamp["family"], (json{{"id", request.made_from.origin.family_id}, {"name", "Stall"}}));
    EXPECT_EQ(model->stamp["variant"]["name"], "evening");
    EXPECT_EQ(model->stamp["deliverable"], "model");
    EXPECT_EQ(model->stamp["number"], 1);
    EXPECT_FALSE(model->stamp.contains("replaces"));
    EXPECT_EQ(state_in_delivery(*model), "as it was delivered");
    EXPECT_EQ(where("stall_nod.glb")->stamp["deliverable"], "clip:nod");
    // A file that says that it is another one is noticed.
    json other = model->stamp;
    EXPECT_TRUE(stamp_claim(model->stamp, other).pass);
    other["content"] = "0";
    EXPECT_FALSE(stamp_claim(model->stamp, other).pass);
    EXPECT_FALSE(stamp_claim(model->stamp, json()).pass);
    // A copy somewhere else tells the same; the next version says what it replaces.
    const fs::path elsewhere = folder.string() + "_engine.glb";
    fs::copy_file(folder / "stall_evening.glb", elsewhere);
    const std::string before = *hash_of_file(elsewhere);
    scene.meshes[0].positions.edit()[0].x() += 0.1F;
    delivered();
    const Result<Whereabouts> next = where("stall_evening.glb");
    EXPECT_EQ(next->stamp["number"], 2);
    EXPECT_EQ(next->stamp["replaces"], before);
    EXPECT_EQ(whereabouts_of(elsewhere)->stamp["number"], 1);
    EXPECT_EQ(state_in_delivery(*whereabouts_of(elsewhere)), "") << "no delivery is near";
    fs::copy_file(elsewhere, folder / "stall_evening.glb", fs::copy_options::overwrite_existing);
    EXPECT_EQ(state_in_delivery(*where("stall_evening.glb")), "version 2 is delivered by now");
    fs::remove(elsewhere);
    // Delivering the same once more makes the same bytes and counts nothing.
    delivered();
    const std::string bytes = *read_file(folder / "stall_nod.glb");
    delivered();
    EXPECT_EQ(*read_file(folder / "stall_nod.glb"), bytes);
    EXPECT_EQ(where("stall_nod.glb")->stamp["number"], 2) << "the model it moves changed once";
    EXPECT_FALSE(where("nobody.glb").ok());
}

TEST_F(FileKinds, StagesSayItToo) {
    for (const char* container : {"usda", "usdc"}) {
        fs::remove_all(folder);
        give({"model", "clip"});
        request.destination.container = container;
        request.made_from.origin = {new_id(), "Stall", new_id(), "evening"};
        scene.copyright = "ours alone";
        scene.asset.extras = R"({"kept by":"the harbour office"})";
        const DeliveryReport report = delivered();
        for (const Arrival& arrival : report.arrivals) {
            EXPECT_EQ(std::count_if(arrival.claims.begin(), arrival.claims.end(),
                                    [](const Claim& one) { return one.name == "Says what it is" && one.pass; }),
                      1)
                << arrival.files.front();
        }
        // From the file alone, wherever it is.
        const fs::path elsewhere = folder.string() + "_engine." + container;
        fs::copy_file(folder / (std::string("stall_nod.") + container), elsewhere,
                      fs::copy_options::overwrite_existing);
        const Result<Whereabouts> where = whereabouts_of(elsewhere);
        ASSERT_TRUE(where.ok()) << where.problem().sentence();
        EXPECT_TRUE(where->from_file);
        EXPECT_EQ(where->stamp["deliverable"], "clip:nod");
        EXPECT_EQ(where->stamp["number"], 1);
        EXPECT_EQ(where->stamp["family"]["id"], request.made_from.origin.family_id);
        // What somebody else said of the file is still there.
        const Result<Scene> read = read_scene(elsewhere);
        ASSERT_TRUE(read.ok());
        EXPECT_EQ(json::parse(read->asset.extras).value("kept by", ""), "the harbour office");
        EXPECT_EQ(read->copyright, "ours alone");
        fs::remove(elsewhere);
    }
}

TEST_F(FileKinds, AFileWithoutAPlaceForItIsToldByItsManifest) {
    give({"clip"});
    request.destination.container = "bvh";
    request.made_from.origin = {new_id(), "Stall", new_id(), "evening"};
    delivered();
    const Result<Whereabouts> clip = whereabouts_of(folder / "stall_nod.bvh");
    ASSERT_TRUE(clip.ok()) << clip.problem().sentence();
    EXPECT_FALSE(clip->from_file);
    EXPECT_EQ(clip->stamp["deliverable"], "clip:nod");
    EXPECT_EQ(clip->stamp["job"], "stall");
    EXPECT_EQ(clip->stamp["family"]["id"], request.made_from.origin.family_id);
    EXPECT_EQ(clip->stamp["variant"]["name"], "evening");
    const fs::path elsewhere = folder.string() + "_elsewhere.bvh";
    fs::copy_file(folder / "stall_nod.bvh", elsewhere);
    EXPECT_FALSE(whereabouts_of(elsewhere).ok()) << "nothing near it tells";
    fs::remove(elsewhere);
}

TEST_F(FileKinds, WhatASourceSaysInThatPlaceGoesOutAsItIs) {
    give({"model"});
    for (const char* said : {"[1,2]", "\"words\"", R"({"wembrix":"mine"})", R"({"wembrix":{"deliverable":3}})"}) {
        scene.asset.extras = said;
        delivered();
        EXPECT_EQ(json::parse(read("stall_model.glb").asset.extras), json::parse(said));
        const Result<Whereabouts> where = whereabouts_of(folder / "stall_model.glb");
        ASSERT_TRUE(where.ok()) << where.problem().sentence();
        EXPECT_FALSE(where->from_file) << "its manifest tells";
        const Result<LoadedSources> sources =
            load_sources({JobSource((folder / "stall_model.glb").string())}, folder, {});
        ASSERT_TRUE(sources.ok());
        EXPECT_EQ(json::parse(sources->received->asset.extras), json::parse(said)) << "nothing of it is lost";
    }
}

TEST_F(FileKinds, ADeliveredFileThatIsASourceSaysNothingInWhatIsMadeOfIt) {
    give({"model"});
    delivered();
    const Result<LoadedSources> sources = load_sources({JobSource((folder / "stall_model.glb").string())}, folder, {});
    ASSERT_TRUE(sources.ok());
    EXPECT_EQ(sources->received->asset.extras, "");
}

TEST(Variants, AnEditOfAJobHoldsAllThatChangedAndTheNamesOfItsFamilyToo) {
    const Job before = new_job({"lamp.glb"});
    Job after = new_variant(before, "cracked");
    after.name = "x";
    after.sources.emplace_back("y.glb");
    after.steps.push_back({"strip_prefix"});
    after.destinations.pop_back();
    after.poses["stance"] = {};
    after.source_contents["y.glb"] = "0";
    after.pictures["model"] = "lamp.png";
    after.origin.license = "ours alone";
    after.deliveries = "out";
    const JobPatch patch(before, after);
    Job job = before;
    patch.redo(job);
    EXPECT_EQ(job, after);
    patch.undo(job);
    EXPECT_EQ(job, before);
}

TEST(Variants, KeepTheirFamilyAndHaveAnIdOfTheirOwn) {
    Job job = new_job({"lamp.glb"});
    EXPECT_TRUE(is_id(job.origin.family_id) && is_id(job.origin.variant_id));
    EXPECT_EQ(job.origin.family, "lamp");
    const Job other = new_variant(job, "cracked");
    EXPECT_EQ(other.origin.family_id, job.origin.family_id);
    EXPECT_NE(other.origin.variant_id, job.origin.variant_id);
    job.name = "another name";
    const Result<Job> back = job_from_json(job_to_json(job), "x");
    ASSERT_TRUE(back.ok());
    EXPECT_EQ(back->origin, job.origin) << "ids stay, whatever it is called";
    json wrong = job_to_json(job);
    wrong["family"]["id"] = "mine";
    EXPECT_FALSE(job_from_json(wrong, "x").ok());
    wrong.erase("family");
    EXPECT_FALSE(job_from_json(wrong, "x").ok()) << "a variant of no family";
    wrong.erase("variant");
    EXPECT_TRUE(job_from_json(wrong, "x").ok()) << "an older job has none";
}

TEST(FileKindsOfADestination, AreReadWrittenAndRefusedWithTheNearest) {
    Destination destination = built_in_destinations()[0];
    destination.deliverables = {"whole", "prop"};
    destination.files = {{"prop", "props/{prop}_{number}"}, {"cache", "c/{part}/{clip}"}};
    const json said = destination_to_json(destination);
    EXPECT_EQ(said["prop_file"], "props/{prop}_{number}");
    const Result<Destination> back = destination_from_json(said, "x");
    ASSERT_TRUE(back.ok()) << back.problem().sentence();
    EXPECT_EQ(back->deliverables, destination.deliverables);
    EXPECT_EQ(back->files, destination.files);
    json wrong = said;
    wrong["deliverables"] = {"whole", "propp"};
    EXPECT_NE(destination_from_json(wrong, "x").problem().what.find("is \"prop\" meant"), std::string::npos);
    wrong["deliverables"] = json::array();
    EXPECT_FALSE(destination_from_json(wrong, "x").ok());
    wrong = said;
    wrong["prop_file"] = "{props}";
    EXPECT_NE(destination_from_json(wrong, "x").problem().what.find("{props}"), std::string::npos);
}

} // namespace
} // namespace wembrix::testing
