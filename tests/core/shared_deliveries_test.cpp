// Several jobs that deliver into one folder: each keeps its own files, whoever delivers last.
#include "core/base/files.h"
#include "core/base/json_file.h"
#include "core/delivery/board.h"
#include "core/delivery/delivery.h"
#include "core/delivery/package.h"
#include "core/delivery/where.h"
#include "first_manifest.h"

#include <fstream>
#include <gtest/gtest.h>

namespace wembrix::testing {
namespace {

namespace fs = std::filesystem;
using nlohmann::json;

class SharedDeliveries : public ::testing::Test {
  protected:
    SharedDeliveries()
        : folder(fs::temp_directory_path() /
                 ("wembrix_shared_" + std::string(::testing::UnitTest::GetInstance()->current_test_info()->name()))) {
        fs::remove_all(folder);
        lamp = prop("lamp");
        crate = prop("crate");
    }

    static Scene prop(const std::string& name) {
        Scene scene;
        Mesh mesh;
        mesh.name = name;
        mesh.positions = std::vector<Vec3f>{{0, 0, 0}, {1, 0, 0}, {0, 1, 0}};
        mesh.normals = std::vector<Vec3f>(3, Vec3f(0, 0, 1));
        mesh.indices = std::vector<uint32_t>{0, 1, 2};
        Primitive whole;
        whole.point_count = whole.index_count = 3;
        mesh.primitives = {whole};
        scene.meshes = {mesh};
        Node node;
        node.name = name;
        node.mesh = 0;
        node.identity = 1;
        scene.nodes = {node};
        return scene;
    }

    DeliveryRequest order(const Scene& scene, const std::string& job) const {
        DeliveryRequest request;
        request.prepared = &scene;
        request.destination = built_in_destinations()[0];
        request.destination.deliverables = {"model"};
        request.job_name = job;
        request.folder = folder;
        return request;
    }

    DeliveryReport delivered(const DeliveryRequest& request) const {
        Result<DeliveryReport> report = deliver(request);
        EXPECT_TRUE(report) << (report ? "" : report.problem().sentence());
        return report ? report.take() : DeliveryReport();
    }

    [[nodiscard]] bool is_there(const std::string& file) const { return fs::exists(folder / file); }

    fs::path folder;
    Scene lamp, crate;
};

TEST_F(SharedDeliveries, EachJobKeepsItsFilesWhoeverDeliversLast) {
    ASSERT_TRUE(delivered(order(lamp, "lamp")).all_arrived());
    ASSERT_TRUE(delivered(order(crate, "crate")).all_arrived());
    EXPECT_TRUE(is_there("lamp_model.glb")) << "the other job's delivery took it away";
    ASSERT_TRUE(delivered(order(lamp, "lamp")).all_arrived());
    EXPECT_TRUE(is_there("crate_model.glb"));
    ASSERT_EQ(read_manifests(folder).size(), 2U);
    for (const json& manifest : read_manifests(folder)) {
        EXPECT_EQ(manifest["files"].size(), 1U);
        EXPECT_EQ(manifest["files"][0]["file"].get<std::string>(), manifest["job"].get<std::string>() + "_model.glb");
        EXPECT_EQ(manifest["files"][0]["number"], 1) << "its content is the same";
    }
    EXPECT_EQ(read_board(order(lamp, "lamp")).cells[0].state, CellState::arrived);
    EXPECT_EQ(read_board(order(crate, "crate")).cells[0].state, CellState::arrived);
}

TEST_F(SharedDeliveries, TheSameManifestInWhicheverOrderTheyDeliver) {
    delivered(order(lamp, "lamp"));
    delivered(order(crate, "crate"));
    const std::string one_way = *read_file(folder / "delivery.json");
    fs::remove_all(folder);
    delivered(order(crate, "crate"));
    delivered(order(lamp, "lamp"));
    EXPECT_EQ(*read_file(folder / "delivery.json"), one_way);
}

TEST_F(SharedDeliveries, AFileOfAnotherJobIsNeverReplacedAndSaysWhose) {
    DeliveryRequest first = order(lamp, "lamp");
    first.destination.files["model"] = "thing";
    DeliveryRequest second = order(crate, "crate");
    second.destination.files["model"] = "thing";
    ASSERT_TRUE(delivered(first).all_arrived());
    const std::string bytes = *read_file(folder / "thing.glb");
    const DeliveryReport held = delivered(second);
    EXPECT_EQ(held.arrivals[0].state, CellState::held);
    EXPECT_NE(held.arrivals[0].reason.find("job “lamp”"), std::string::npos) << held.arrivals[0].reason;
    EXPECT_EQ(*read_file(folder / "thing.glb"), bytes);
    fs::remove(folder / "thing.glb"); // the way out
    ASSERT_TRUE(delivered(second).all_arrived());
    for (const json& manifest : read_manifests(folder)) {
        EXPECT_EQ(manifest["files"].size(), manifest["job"] == "crate" ? 1U : 0U);
    }
}

TEST_F(SharedDeliveries, WhatAJobNoLongerMakesGoesAloneAndARenamedJobIsKnownByItsId) {
    DeliveryRequest mine = order(lamp, "lamp");
    mine.made_from.origin = {new_id(), "stall", new_id(), "lamp"};
    delivered(order(crate, "crate"));
    ASSERT_TRUE(delivered(mine).all_arrived());
    mine.job_name = "lantern";
    ASSERT_TRUE(delivered(mine).all_arrived());
    EXPECT_FALSE(is_there("lamp_model.glb")) << "the same job makes it no more";
    EXPECT_TRUE(is_there("lantern_model.glb"));
    EXPECT_TRUE(is_there("crate_model.glb"));
    EXPECT_EQ(read_manifests(folder).size(), 2U);
}

TEST_F(SharedDeliveries, PagesPackagesAndWhereTellThemApart) {
    DeliveryRequest first = order(lamp, "lamp");
    DeliveryRequest second = order(crate, "crate");
    first.destination.report = second.destination.report = true;
    ASSERT_TRUE(delivered(first).all_arrived());
    ASSERT_TRUE(delivered(second).all_arrived());
    EXPECT_NE(read_file(folder / "report.html")->find("lamp_model.glb"), std::string::npos);
    EXPECT_NE(read_file(folder / "report_crate.html")->find("crate_model.glb"), std::string::npos);
    ASSERT_TRUE(delivered(second).all_arrived());
    EXPECT_FALSE(is_there("report_crate_crate.html"));

    PackageRequest pack;
    PackedVariant variant;
    variant.job_name = "crate";
    variant.deliveries = {folder};
    pack.variants = {variant};
    pack.into = folder / "packed";
    const Result<Package> package = write_package(pack);
    ASSERT_TRUE(package) << package.problem().sentence();
    EXPECT_EQ(package->files, 2U) << "its model and its page";

    fs::copy_file(folder / "crate_model.glb", folder / "other.glb");
    const Result<Whereabouts> where = whereabouts_of(folder / "crate_model.glb");
    ASSERT_TRUE(where);
    EXPECT_EQ(where->stamp["job"], "crate");
    EXPECT_EQ(state_in_delivery(*where), "as it was delivered");
}

TEST_F(SharedDeliveries, BrokenOthersAreNotTrusted) {
    delivered(order(lamp, "lamp"));
    delivered(order(crate, "crate"));
    for (const json& others : {json(7), json::array({1, "x", json::object(), {{"files", 3}}, {{"others", {1}}}}),
                               json::array({{{"job", "lamp"}, {"files", {{{"file", "../../x"}}}}}})}) {
        json whole = *parse_json(*read_file(folder / "delivery.json"), "");
        whole["others"] = others;
        std::ofstream(folder / "delivery.json") << whole.dump();
        ASSERT_TRUE(delivered(order(crate, "crate")).all_arrived());
        EXPECT_EQ(read_board(order(crate, "crate")).cells[0].state, CellState::arrived);
    }
}

} // namespace
} // namespace wembrix::testing
