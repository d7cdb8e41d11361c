// The page that tells of a delivery, and the pictures that go with it.
#include "core/base/file_sink.h"
#include "core/base/files.h"
#include "core/delivery/delivery.h"
#include "core/delivery/manifest.h"
#include "core/delivery/package.h"
#include "core/delivery/pictures.h"
#include "core/delivery/report.h"
#include "core/formats/image/pixels.h"
#include "first_manifest.h"
#include "small_scenes.h"

#include <filesystem>
#include <fstream>
#include <gtest/gtest.h>

namespace wembrix::testing {
namespace {

namespace fs = std::filesystem;
using nlohmann::json;

class Reports : public ::testing::Test {
  protected:
    void SetUp() override {
        folder = fs::temp_directory_path() /
                 ("wembrix_reports_" + std::string(::testing::UnitTest::GetInstance()->current_test_info()->name()));
        fs::remove_all(folder);
        add_nod(scene, "nod", 1, 0.5, true).loop = true;
        Material material;
        material.name = "paint";
        material.base_colour = {0.7, 0.1, 0.1, 1};
        scene.materials.push_back(material);
        scene.meshes[0].primitives[0].material = 0;
        order.prepared = &scene;
        order.destination = built_in_destinations()[1];
        order.destination.pictures = 96;
        order.destination.report = true;
        order.job_name = "tower";
        order.folder = folder / "Lantern_web_view";
        order.card_words = {"Scale: × 0.01"};
    }
    void TearDown() override { fs::remove_all(folder); }
    DeliveryReport deliver_now() {
        Result<DeliveryReport> report = deliver(order);
        EXPECT_TRUE(report.ok()) << report.problem().sentence();
        EXPECT_TRUE(report->all_arrived());
        return report.take();
    }
    [[nodiscard]] std::string page() const { return *read_file(order.folder / "report.html"); }
    [[nodiscard]] bool is_there(const std::string& file) const { return fs::exists(order.folder / file); }
    [[nodiscard]] std::string bytes(const std::string& file) const { return *read_file(order.folder / file); }
    [[nodiscard]] Pixels picture(const std::string& file) const {
        const std::string read = bytes(file);
        return *decode_image({reinterpret_cast<const uint8_t*>(read.data()), read.size()});
    }
    Scene scene = tower({"root", "arm"});
    DeliveryRequest order;
    fs::path folder;
};

TEST_F(Reports, PicturesLieBesideWhatTheyShowAndTheManifestListsThem) {
    deliver_now();
    EXPECT_EQ(picture("pictures/tower_model.glb.png").width, 96U);
    EXPECT_EQ(picture("pictures/tower_nod.glb_film.png").width, 8U * 96U);
    EXPECT_TRUE(is_there("pictures/tower_nod.glb.webp")) << "it repeats";
    EXPECT_FALSE(is_there("pictures/tower_model.glb_film.png"));
    const json manifest = first_manifest(order.folder);
    for (const char* file : {"pictures/tower_model.glb.png", "pictures/tower_nod.glb.png",
                             "pictures/tower_nod.glb_film.png", "pictures/tower_nod.glb.webp", "report.html"}) {
        EXPECT_TRUE(lists_file(manifest, file)) << file;
        for (const json& row : manifest["files"]) {
            if (row["file"] == file) {
                EXPECT_EQ(row["xxh3_128"], *hash_of_file(order.folder / file));
            }
        }
    }
    // What was planned is what came.
    const Result<std::vector<std::string>> planned =
        planned_files(scene, order.destination, Naming("tower"), order.folder);
    ASSERT_TRUE(planned.ok());
    for (const std::string& file : *planned) {
        EXPECT_TRUE(is_there(file)) << file;
    }
    EXPECT_EQ(planned->size(), 6U);
    // Without them, they go.
    order.destination.pictures = 0;
    order.destination.report = false;
    deliver_now();
    EXPECT_FALSE(is_there("pictures"));
    EXPECT_FALSE(is_there("report.html"));
}

TEST_F(Reports, TellWhatWasDeliveredAndHeldAgainstWhat) {
    const DeliveryReport report = deliver_now();
    const std::string told = page();
    for (const Arrival& arrival : report.arrivals) {
        EXPECT_NE(told.find(arrival.files.front()), std::string::npos);
        for (const Claim& claim : arrival.claims) {
            EXPECT_NE(told.find("<td>" + claim.name + "</td>"), std::string::npos) << claim.name;
        }
    }
    EXPECT_NE(told.find("Scale: × 0.01"), std::string::npos) << "the card";
    EXPECT_NE(told.find("There was none."), std::string::npos) << "the delivery before";
    EXPECT_EQ(told.find("does not hold"), std::string::npos);
    EXPECT_EQ(told.find("<script"), std::string::npos);
    EXPECT_EQ(told.find("http"), std::string::npos) << "it asks nothing of anybody";
    size_t pictures = 0;
    for (size_t at = told.find("data:image/"); at != std::string::npos; at = told.find("data:image/", at + 1)) {
        ++pictures;
    }
    EXPECT_EQ(pictures, 6U) << "two on top, a model's, and a clip's three";
    // From the folder alone comes the same page.
    EXPECT_EQ(report_page(first_manifest(order.folder), order.folder), told);
}

TEST_F(Reports, SayWhatChangedAndShowItBefore) {
    deliver_now();
    const std::string before = bytes("pictures/tower_model.glb.png");
    scene.materials[0].base_colour = {0.1, 0.1, 0.7, 1};
    scene.nodes[1].name = "branch";
    scene.clips[0].name = "wave";
    deliver_now();
    EXPECT_EQ(bytes("pictures/tower_model.glb_before.png"), before);
    EXPECT_NE(bytes("pictures/tower_model.glb.png"), before);
    const std::string told = page();
    EXPECT_NE(told.find("1 joint new: branch"), std::string::npos);
    EXPECT_NE(told.find("1 joint gone: arm"), std::string::npos);
    EXPECT_NE(told.find("1 clip new: wave"), std::string::npos);
    EXPECT_NE(told.find("clip:nod: no longer delivered"), std::string::npos);
    EXPECT_NE(told.find("model: version 2 in the place of 1"), std::string::npos);
    EXPECT_NE(told.find("<figcaption>Before</figcaption>"), std::string::npos);
    // The same once more changes nothing of what is told.
    deliver_now();
    EXPECT_NE(page().find("1 joint gone: arm"), std::string::npos);
}

TEST_F(Reports, APersonsOwnPictureTakesThePlaceOfTheDrawnOne) {
    deliver_now();
    const std::string drawn = bytes("pictures/tower_model.glb.png");
    Pixels wide;
    wide.width = 200;
    wide.height = 100;
    wide.channels = 3;
    wide.samples.assign(size_t{200} * 100 * 3, 0);
    for (size_t i = 2; i < wide.samples.size(); i += 3) {
        wide.samples[i] = 255;
    }
    const auto set = [&](const std::string& content) {
        const fs::path file = folder / "own.png";
        std::ofstream(file, std::ios::binary) << content;
        order.made_from.pictures = {{"model", file.string(), hash_of(content)}};
    };
    const std::vector<uint8_t> png = *encode_image(wide, "image/png");
    set({png.begin(), png.end()});
    const std::string content = first_manifest(order.folder)["files"][0]["content"];
    deliver_now();
    EXPECT_NE(first_manifest(order.folder)["files"][0]["content"], content) << "another picture makes it stale";
    const Pixels own = picture("pictures/tower_model.glb.png");
    EXPECT_EQ(own.width, 96U);
    const auto blue = [&](uint32_t x, uint32_t y) { return own.samples[(size_t{y} * 96 + x) * 3] == 0; };
    EXPECT_TRUE(blue(48, 48) && blue(1, 48) && blue(94, 48)) << "as wide as there is room";
    EXPECT_FALSE(blue(48, 10) || blue(48, 85)) << "with its own proportions";
    EXPECT_EQ(bytes("pictures/tower_model.glb_before.png"), drawn);
    // One that is none holds the file, with a word.
    set("no picture");
    const Result<DeliveryReport> report = deliver(order);
    ASSERT_TRUE(report.ok());
    EXPECT_FALSE(report->all_arrived());
    EXPECT_NE(report->arrivals[0].reason.find("own picture"), std::string::npos) << report->arrivals[0].reason;
    // Where no pictures are made it matters to nobody.
    order.destination.pictures = 0;
    deliver_now();
}

TEST_F(Reports, LicenseAndCreditsStandInTheFilesAndOnThePage) {
    order.made_from.origin = {std::string(32, 'a'), "Towers", std::string(32, 'b'), "plain", "ours alone", "Maro"};
    const DeliveryReport report = deliver_now();
    EXPECT_EQ(report.arrivals[0].claims.back().name, "Says what it is");
    EXPECT_TRUE(report.arrivals[0].claims.back().pass);
    const json manifest = first_manifest(order.folder);
    EXPECT_EQ(manifest["license"], "ours alone");
    EXPECT_EQ(manifest["credits"], "Maro");
    EXPECT_NE(page().find("<dd>ours alone</dd>"), std::string::npos);
    EXPECT_NE(page().find("<dd>Maro</dd>"), std::string::npos);
    EXPECT_NE(bytes("tower_model.glb").find("\"license\":\"ours alone\""), std::string::npos);
}

TEST_F(Reports, ShowHeldFilesWithTheReason) {
    order.destination.root = "hips";
    const Result<DeliveryReport> report = deliver(order);
    ASSERT_TRUE(report.ok());
    EXPECT_FALSE(report->all_arrived());
    const std::string told = page();
    EXPECT_NE(told.find("held</b> model: "), std::string::npos);
    EXPECT_NE(told.find("hips"), std::string::npos);
    EXPECT_FALSE(is_there("pictures/tower_model.glb.png")) << "there is no file that it would show";
}

TEST_F(Reports, AStrangersNamesStayText) {
    scene.materials[0].name = "<img src=x onerror=alert(1)>";
    order.card_words = {"\"><script>alert('a & b')</script>"};
    order.job_name = "tower";
    deliver_now();
    json manifest = first_manifest(order.folder);
    manifest["job"] = "<b>\"tower\" & 'sons'</b>";
    manifest["left"] = {{{"what", "<i>"}, {"name", 7}, {"count", "many"}, {"why", nullptr}}};
    manifest["clips"].push_back({{"name", {"nested"}}});
    manifest["files"].push_back("not a row");
    manifest["files"].push_back({{"file", "../../outside.png"}, {"deliverable", "model"}});
    const std::string told = report_page(manifest, order.folder);
    EXPECT_EQ(told.find("<script"), std::string::npos);
    EXPECT_EQ(told.find("<b>\"tower"), std::string::npos);
    EXPECT_NE(told.find("&lt;b&gt;&quot;tower&quot; &amp; &#39;sons&#39;&lt;/b&gt;"), std::string::npos);
    // A picture that somebody put in the place of ours is not shown.
    std::ofstream(order.folder / "pictures/tower_model.glb.png") << "not ours";
    EXPECT_EQ(report_page(manifest, order.folder).find("bm90IG91cnM"), std::string::npos);
    for (const char* odd : {"{}", "[]", "7", "{\"files\": 3, \"before\": [], \"destination\": \"x\"}",
                            "{\"files\": [{\"deliverable\": \"model\", \"check\": {\"claims\": [1, null, {}]}}]}"}) {
        EXPECT_NE(report_page(json::parse(odd), order.folder).find("</html>"), std::string::npos) << odd;
    }
}

TEST_F(Reports, AnothersPageIsNotWrittenOver) {
    fs::create_directories(order.folder);
    std::ofstream(order.folder / "report.html") << "theirs";
    const Result<DeliveryReport> report = deliver(order);
    ASSERT_FALSE(report.ok());
    EXPECT_NE(report.problem().sentence().find("report.html"), std::string::npos);
    EXPECT_EQ(page(), "theirs");
    EXPECT_FALSE(is_there("tower_model.glb")) << "nothing is half delivered";
}

TEST_F(Reports, GoIntoPackages) {
    deliver_now();
    PackageRequest request;
    request.variants = {{"tower", {}, {order.folder}}};
    request.into = folder / "packages";
    request.archive = true;
    const Result<Package> made = write_package(request);
    ASSERT_TRUE(made.ok()) << made.problem().sentence();
    const Result<PackageCheck> check = check_package(made->path);
    ASSERT_TRUE(check.ok());
    EXPECT_TRUE(check->is_whole());
    EXPECT_EQ(made->files, 7U) << "two files, four pictures, the page";
}

} // namespace
} // namespace wembrix::testing
