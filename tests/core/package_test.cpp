// Packages: whole wherever they are unpacked, damage named, never one over another, and safe from strangers.
#include "core/base/file_sink.h"
#include "core/base/files.h"
#include "core/delivery/delivery.h"
#include "core/delivery/package.h"
#include "core/delivery/where.h"
#include "core/delivery/zip_file.h"
#include "small_scenes.h"

#include <filesystem>
#include <fstream>
#include <gtest/gtest.h>
#include <random>

namespace wembrix::testing {
namespace {

namespace fs = std::filesystem;
using nlohmann::json;

class Packages : public ::testing::Test {
  protected:
    void SetUp() override {
        folder = fs::temp_directory_path() /
                 ("wembrix_packages_" + std::string(::testing::UnitTest::GetInstance()->current_test_info()->name()));
        fs::remove_all(folder);
        add_nod(scene, "nod", 1, 0.5, true);
        request.variants = {delivered("tower", "Stall goods", "dry")};
        request.into = folder / "packages";
    }
    void TearDown() override { fs::remove_all(folder); }

    PackedVariant delivered(const std::string& job, const std::string& family, const std::string& variant) {
        DeliveryRequest order;
        order.prepared = &scene;
        order.destination = built_in_destinations()[1];
        order.destination.files["clip"] = "clips/{clip}";
        order.job_name = job;
        order.folder = folder / job / "Lantern_web_view";
        order.made_from.origin = {"0123456789abcdef0123456789abcdef", family,
                                  (variant == "dry" ? "1" : "2") + std::string(31, '0'), variant};
        const Result<DeliveryReport> report = deliver(order);
        EXPECT_TRUE(report.ok() && report->all_arrived());
        return {job, order.made_from.origin, {order.folder}};
    }
    Package packed() {
        Result<Package> made = write_package(request);
        EXPECT_TRUE(made.ok()) << (made ? "" : made.problem().sentence());
        return made ? made.take() : Package();
    }
    static std::vector<std::string> damage(const fs::path& path) {
        const Result<PackageCheck> check = check_package(path);
        return check ? check->damaged : std::vector<std::string>{"refused: " + check.problem().what};
    }
    Scene scene = tower({"root", "arm"});
    fs::path folder;
    PackageRequest request;
};

TEST_F(Packages, HoldWhatWasDeliveredWithAListOfIt) {
    request.license = "ours alone";
    request.credits = "the stall";
    for (const bool archive : {false, true}) {
        request.archive = archive;
        const Package made = packed();
        EXPECT_EQ(made.files, 2U);
        EXPECT_EQ(made.path, request.into / (archive ? "Stall_goods.zip" : "Stall_goods"));
        const Result<PackageCheck> check = check_package(made.path);
        ASSERT_TRUE(check.ok()) << check.problem().sentence();
        EXPECT_TRUE(check->is_whole());
        EXPECT_EQ(check->files, 3U) << "with the delivery's own manifest";
        EXPECT_TRUE(check->not_listed.empty());
        EXPECT_EQ(check->list["license"], "ours alone");
        EXPECT_EQ(check->list["credits"], "the stall");
        EXPECT_EQ(check->list["variants"][0]["variant"]["name"], "dry");
    }
    // Unpacked anywhere, each file tells which it is.
    const fs::path file = request.into / "Stall_goods/Stall_goods/dry/Lantern_web_view/clips/nod.glb";
    const Result<Whereabouts> where = whereabouts_of(file);
    ASSERT_TRUE(where.ok());
    EXPECT_EQ(state_in_delivery(*where), "as it was delivered");
}

TEST_F(Packages, TheSecondDoesNotTakeThePlaceOfTheFirstAndNothingElseIsTouched) {
    fs::create_directories(request.into);
    std::ofstream(request.into / "Stall_goods_2") << "mine";
    EXPECT_EQ(packed().path.filename(), "Stall_goods");
    EXPECT_EQ(packed().path.filename(), "Stall_goods_3");
    request.archive = true;
    EXPECT_EQ(packed().path.filename(), "Stall_goods.zip");
    EXPECT_EQ(packed().path.filename(), "Stall_goods_2.zip");
    EXPECT_EQ(*read_file(request.into / "Stall_goods_2"), "mine");
    size_t hidden = 0;
    for (const auto& entry : fs::directory_iterator(request.into)) {
        hidden += entry.path().filename().string()[0] == '.' ? 1 : 0;
    }
    EXPECT_EQ(hidden, 0U) << "nothing of the work is left";
}

TEST_F(Packages, TheSameDeliveryMakesTheSameArchive) {
    request.archive = true;
    EXPECT_EQ(*hash_of_file(packed().path), *hash_of_file(packed().path));
}

TEST_F(Packages, VariantsOfAFamilyLieSideBySide) {
    request.variants.push_back(delivered("wet_tower", "Stall goods", "wet"));
    const Package made = packed();
    EXPECT_EQ(made.files, 4U);
    EXPECT_TRUE(fs::exists(made.path / "Stall_goods/dry/Lantern_web_view/tower_model.glb"));
    EXPECT_TRUE(fs::exists(made.path / "Stall_goods/wet/Lantern_web_view/wet_tower_model.glb"));
    EXPECT_TRUE(damage(made.path).empty());
}

TEST_F(Packages, WhatWasChangedAfterItsDeliveryIsNotPacked) {
    const fs::path file = request.variants[0].deliveries[0] / "tower_model.glb";
    std::ofstream(file, std::ios::app) << "x";
    const Result<Package> made = write_package(request);
    ASSERT_FALSE(made.ok());
    EXPECT_NE(made.problem().sentence().find("tower_model.glb"), std::string::npos);
    fs::remove(file);
    EXPECT_FALSE(write_package(request).ok());
    EXPECT_TRUE(!fs::exists(request.into) || fs::is_empty(request.into));
    request.variants[0].deliveries = {folder / "nothing"};
    EXPECT_NE(write_package(request).problem().what.find("nothing that was delivered"), std::string::npos);
}

TEST_F(Packages, DamageIsNamed) {
    const Package made = packed();
    const fs::path below = made.path / "Stall_goods/dry/Lantern_web_view";
    std::fstream file(below / "tower_model.glb", std::ios::in | std::ios::out | std::ios::binary);
    file.seekp(100);
    file.put('\x7f');
    file.close();
    fs::remove(below / "clips/nod.glb");
    std::ofstream(below / "extra.txt") << "x";
    fs::create_symlink("/etc/hostname", made.path / "link");
    const Result<PackageCheck> check = check_package(made.path);
    ASSERT_TRUE(check.ok());
    EXPECT_EQ(check->damaged,
              (std::vector<std::string>{"Stall_goods/dry/Lantern_web_view/tower_model.glb: its bytes are others",
                                        "Stall_goods/dry/Lantern_web_view/clips/nod.glb: is missing"}));
    EXPECT_EQ(check->not_listed, (std::vector<std::string>{"Stall_goods/dry/Lantern_web_view/extra.txt", "link"}));
}

TEST_F(Packages, AnArchiveCutOffOrWithAFlippedByteIsNeverWhole) {
    request.archive = true;
    const std::string bytes = *read_file(packed().path);
    const fs::path broken = folder / "broken.zip";
    const auto is_whole = [&](const std::string& with) {
        std::ofstream(broken, std::ios::binary) << with;
        const Result<PackageCheck> check = check_package(broken);
        return check.ok() && check->is_whole();
    };
    ASSERT_TRUE(is_whole(bytes));
    std::mt19937 random(11);
    int seen = 0;
    for (int round = 0; round < 60; ++round) {
        EXPECT_FALSE(is_whole(bytes.substr(0, random() % bytes.size())));
        std::string flipped = bytes;
        const size_t at = bytes.size() / 4 + random() % (bytes.size() / 4);
        flipped[at] = static_cast<char>(flipped[at] ^ 0x10);
        seen += is_whole(flipped) ? 0 : 1;
    }
    // The others hit dates before the files' data, which nobody goes by: the files are what they were, by their hashes.
    EXPECT_GE(seen, 57);
}

TEST_F(Packages, OfStrangersAreSafe) {
    const auto check_of = [&](const json& list) {
        const fs::path path = folder / "strange";
        fs::create_directories(path);
        std::ofstream(path / "package.json") << list.dump();
        return damage(path);
    };
    json list = {{"format", "wembrix package"}, {"version", 1}, {"variants", json::array()}};
    EXPECT_FALSE(check_of(list).empty()) << "a list of nothing is not whole";
    const auto of = [&](const json& row) {
        list["variants"] = {{{"deliveries", {{{"files", {row}}}}}}};
        return check_of(list);
    };
    EXPECT_FALSE(of({{"file", "../../../etc/hostname"}, {"bytes", 3}, {"xxh3_128", "0"}}).empty());
    EXPECT_FALSE(of({{"file", "/etc/hostname"}, {"bytes", 3}, {"xxh3_128", "0"}}).empty());
    EXPECT_FALSE(of({{"file", 3}, {"bytes", 3}, {"xxh3_128", "0"}}).empty());
    EXPECT_FALSE(of({{"file", "a"}, {"bytes", -1}, {"xxh3_128", "0"}}).empty());
    EXPECT_FALSE(of("a").empty());
    fs::create_symlink("/etc", folder / "strange" / "out");
    EXPECT_FALSE(of({{"file", "out/hostname"},
                     {"bytes", fs::file_size("/etc/hostname")},
                     {"xxh3_128", *hash_of_file("/etc/hostname")}})
                     .empty())
        << "links are not followed";
    for (const json& wrong : {json(3), json("x"), json(nullptr), json{{"deliveries", 3}},
                              json{{"deliveries", {3, {{"files", 4}}, {{"files", {nullptr}}}}}}}) {
        list["variants"] = {wrong};
        EXPECT_FALSE(check_of(list).empty());
    }
    list["variants"] = 7;
    EXPECT_NE(check_of(list)[0].find("refused"), std::string::npos);
    EXPECT_NE(damage(folder / "nowhere")[0].find("refused"), std::string::npos);
    std::ofstream(folder / "no.zip") << "PK no archive at all";
    EXPECT_NE(damage(folder / "no.zip")[0].find("refused"), std::string::npos);
}

TEST_F(Packages, ABombIsNotReadBeyondWhatItsListSays) {
    // A gigabyte of zeros in a few kilobytes, listed as ten bytes.
    const fs::path tree = folder / "tree";
    fs::create_directories(tree);
    fs::resize_file((std::ofstream(tree / "big") << "", tree / "big"), size_t(1) << 28U);
    std::ofstream(tree / "package.json")
        << json{{"format", "wembrix package"},
                {"version", 1},
                {"variants", {{{"deliveries", {{{"files", {{{"file", "big"}, {"bytes", 10}, {"xxh3_128", "0"}}}}}}}}}}}
               .dump();
    ASSERT_TRUE(write_zip(tree, folder / "bomb.zip").ok());
    EXPECT_LT(fs::file_size(folder / "bomb.zip"), 1000000U);
    EXPECT_EQ(damage(folder / "bomb.zip"), std::vector<std::string>{"big: its bytes are others"});
}

} // namespace
} // namespace wembrix::testing
