#include "bad_files.h"
#include "core/base/files.h"
#include "core/base/json_file.h"
#include "core/delivery/manifest.h"
#include "core/destination/destination.h"
#include "core/formats/gltf/gltf.h"
#include "core/job/cuts.h"
#include "core/job/job.h"
#include "core/measure/skeleton/contract.h"
#include "first_manifest.h"
#include "gltf_sheet.h"

#include <filesystem>
#include <fstream>
#include <gtest/gtest.h>
#include <random>
#include <sys/resource.h>

namespace wembrix::testing {
namespace {

using nlohmann::json;

size_t largest_memory_kib() {
    struct rusage usage {};
    getrusage(RUSAGE_SELF, &usage);
    return static_cast<size_t>(usage.ru_maxrss);
}

TEST(HostileInput, EveryBadFileIsRefusedWithOneSentence) {
    for (const BadFile& file : bad_files()) {
        const size_t before = largest_memory_kib();
        const Result<Scene> scene = read_gltf_bytes(file.bytes, std::filesystem::temp_directory_path(), file.name);
        ASSERT_FALSE(scene.ok()) << file.name << " was taken for good";
        const std::string sentence = scene.problem().sentence();
        EXPECT_GT(sentence.size(), file.name.size() + 10) << file.name;
        EXPECT_NE(sentence.find(file.name), std::string::npos) << "does not say which file: " << sentence;
        EXPECT_EQ(sentence.find('\n'), std::string::npos) << file.name;
        EXPECT_LT(sentence.size(), 400U) << file.name;
        EXPECT_LT(largest_memory_kib() - before, 64 * file.bytes.size() / 1024 + 160 * 1024)
            << file.name << " took too much memory";
    }
}

TEST(HostileInput, TheGoodFileIsGood) {
    const Result<Scene> scene = read_gltf_bytes(good_file(), {}, "good");
    ASSERT_TRUE(scene.ok()) << scene.problem().sentence();
    EXPECT_FALSE(joints_of(*scene).empty());
    EXPECT_FALSE(scene->clips.empty());
}

TEST(HostileInput, TenThousandNodesDeepIsReadOrRefusedButNeverFatal) {
    std::string text = R"({"asset":{"version":"2.0"},"scenes":[{"nodes":[0]}],"nodes":[)";
    constexpr int deep = 10000;
    for (int i = 0; i < deep; ++i) {
        text += i + 1 < deep ? R"({"children":[)" + std::to_string(i + 1) + "]}," : "{}";
    }
    text += "]}";
    const Result<Scene> scene = read_gltf_bytes(text, {}, "deep");
    ASSERT_TRUE(scene.ok()) << scene.problem().sentence();
    EXPECT_EQ(scene->nodes.size(), static_cast<size_t>(deep));
    EXPECT_EQ(rest_world(*scene).size(), static_cast<size_t>(deep));
    const Result<std::vector<WrittenFile>> written = write_glb(*scene, "deep");
    EXPECT_TRUE(written.ok());
}

TEST(HostileInput, CutAtAnyByteIsSurvived) {
    const std::string good = good_file();
    for (size_t at = 0; at < good.size(); at += std::max<size_t>(1, good.size() / 300)) {
        EXPECT_FALSE(read_gltf_bytes(good.substr(0, at), {}, "cut").ok()) << at;
    }
}

TEST(HostileInput, BytesTurnedAtRandomAreSurvived) {
    std::mt19937 random(11);
    for (int round = 0; round < 400; ++round) {
        std::string bytes = good_file();
        for (int k = 0; k < 4; ++k) {
            bytes[random() % bytes.size()] = static_cast<char>(random() % 256);
        }
        const Result<Scene> scene = read_gltf_bytes(bytes, {}, "turned");
        if (scene.ok()) {
            (void)rest_world(*scene);
            (void)write_glb(*scene, "turned");
        }
    }
}

TEST(HostileInput, ALinkThatLeavesTheFolderIsNotFollowed) {
    const std::filesystem::path folder = std::filesystem::temp_directory_path() / "wembrix_link_test";
    std::filesystem::remove_all(folder);
    std::filesystem::create_directories(folder / "inside");
    std::ofstream(folder / "secret.bin") << std::string(64, 'x');
    std::filesystem::create_symlink(folder / "secret.bin", folder / "inside" / "linked.bin");
    const std::string text = R"({"asset":{"version":"2.0"},"buffers":[{"byteLength":64,"uri":"linked.bin"}]})";
    const Result<Scene> scene = read_gltf_bytes(text, folder / "inside", "link");
    ASSERT_FALSE(scene.ok());
    EXPECT_NE(scene.problem().sentence().find("outside"), std::string::npos) << scene.problem().sentence();
    std::filesystem::remove_all(folder);
}

TEST(HostileInput, AFolderOrNothingIsRefused) {
    EXPECT_FALSE(read_gltf("/").ok());
    EXPECT_FALSE(read_gltf("/nowhere/at/all.glb").ok());
    EXPECT_FALSE(read_scene("/etc/hostname").ok());
}

TEST(HostileInput, DeepNestingIsRefusedInEveryFileOfOurOwn) {
    const std::filesystem::path folder = std::filesystem::temp_directory_path() / "wembrix_deep_nesting";
    std::filesystem::create_directories(folder);
    const std::string deep = std::string(400000, '[') + std::string(400000, ']');
    const auto put = [&](const char* name, const std::string& text) {
        EXPECT_TRUE(write_file_whole(folder / name, text).ok());
        return folder / name;
    };
    const std::string open(400000, '[');
    for (const std::string& inner : {deep, open}) {
        const Result<Job> job =
            read_job(put("a.wembrix", R"({"version": 2, "steps": [{"step": "scale", "factor": )" + inner + "}]}"));
        ASSERT_FALSE(job.ok());
        EXPECT_NE(job.problem().sentence().find("nested"), std::string::npos) << job.problem().sentence();
        EXPECT_FALSE(read_destination(put("a.destination.json", R"({"version": 2, "name": )" + inner + "}")).ok());
        EXPECT_FALSE(read_contract(put("a.contract.json", R"({"version": 2, "joints": )" + inner + "}")).ok());
        EXPECT_FALSE(read_json_file(put("a.card.json", R"({"steps": )" + inner + "}")).ok());
        put("delivery.json", R"({"format": "wembrix delivery", "version": 2, "files": )" + inner + "}");
        EXPECT_TRUE(first_manifest(folder).empty()) << "one that cannot be read lists nothing";
        EXPECT_FALSE(cuts_from_text(inner, "cuts", [](const std::string&) { return 30.0; }).ok());
    }
    // What is nested as deep as may be is read, and brackets in texts nest nothing.
    const std::string most = std::string(199, '[') + std::string(199, ']');
    EXPECT_TRUE(read_json_file(put("b.json", "[" + most + "]")).ok());
    EXPECT_FALSE(read_json_file(put("b.json", "[[" + most + "]]")).ok());
    EXPECT_TRUE(read_json_file(put("b.json", R"({"text": ")" + std::string(1000, '[') + R"(\""})")).ok());
    std::filesystem::remove_all(folder);
}

TEST(HostileInput, PicturesOfOneFileShareItsBytesHereAndInWhatIsWritten) {
    const std::filesystem::path folder = std::filesystem::temp_directory_path() / "wembrix_one_picture";
    std::filesystem::create_directories(folder);
    std::ofstream(folder / "moss.png") << "\x89PNG\r\n\x1a\n" << std::string(5000, 'm');
    Sheet sheet = triangle();
    sheet.root["materials"] = json::array({{{"name", "moss"}}});
    sheet.root["meshes"][0]["primitives"][0]["material"] = 0;
    for (int i = 0; i < 200; ++i) {
        sheet.root["images"].push_back({{"uri", "moss.png"}});
    }
    const Result<Scene> scene = read_gltf_bytes(sheet.text(), folder, "pictures");
    ASSERT_TRUE(scene.ok()) << scene.problem().sentence();
    ASSERT_EQ(scene->images.size(), 200U);
    EXPECT_TRUE(scene->images[0].bytes.same_array(scene->images[199].bytes));
    EXPECT_EQ(scene->beside.size(), 1U);
    const Result<std::vector<WrittenFile>> written = write_glb(*scene, "pictures");
    EXPECT_LT(written->front().bytes.size(), 40'000U);
    const Result<Scene> again = read_gltf_bytes(written->front().bytes, {}, "again");
    ASSERT_EQ(again->images.size(), 200U);
    EXPECT_TRUE(again->images[0].bytes.same_array(again->images[199].bytes));
    EXPECT_EQ(again->images[7].bytes.get(), scene->images[7].bytes.get());
    std::filesystem::remove_all(folder);
}

TEST(HostileInput, OneSurfaceAtFarTooManyPlacesIsRefused) {
    Sheet sheet = triangle();
    sheet.root["nodes"] = json::array();
    for (int i = 0; i < 1000; ++i) {
        sheet.root["nodes"].push_back({{"mesh", 0}});
    }
    EXPECT_TRUE(read_gltf_bytes(sheet.text(), {}, "fence").ok()) << "a fence of a thousand planks is a scene";
    std::vector<float> many(9 * 2000, 0.5F);
    attributes(sheet)["POSITION"] = sheet.floats(many, "VEC3", 3);
    EXPECT_FALSE(read_gltf_bytes(sheet.text(), {}, "wall").ok());
}

/// A node that moves at the times.
Sheet moving_at(const std::vector<float>& times) {
    Sheet sheet = triangle();
    sheet.root["nodes"][0]["name"] = "plank";
    std::vector<float> places;
    for (size_t k = 0; k < times.size(); ++k) {
        places.insert(places.end(), {static_cast<float>(k), 0, 0});
    }
    const int input = sheet.floats(times, "SCALAR", 1);
    const int output = sheet.floats(places, "VEC3", 3);
    sheet.root["animations"] = json::array(
        {{{"name", "sway"},
          {"samplers", json::array({{{"input", input}, {"output", output}}})},
          {"channels", json::array({{{"sampler", 0}, {"target", {{"node", 0}, {"path", "translation"}}}}})}}});
    return sheet;
}

TEST(HostileInput, AKeyDaysBehindTheOthersDoesNotMakeMillionsOfFrames) {
    const Scene scene = moving_at({0, 0.5F, 1, 1e6F}).read();
    ASSERT_EQ(scene.clips.size(), 1U);
    EXPECT_DOUBLE_EQ(scene.clips[0].seconds, 1);
    EXPECT_EQ(scene.clips[0].channels[0].times.size(), 4U) << "no key is lost";
    ASSERT_FALSE(scene.notes.empty());
    EXPECT_NE(scene.notes.back().what.find("1000000"), std::string::npos) << scene.notes.back().what;
    // What is merely slow stays as it is.
    EXPECT_DOUBLE_EQ(moving_at({0, 300}).read().clips[0].seconds, 300);
}

} // namespace
} // namespace wembrix::testing
