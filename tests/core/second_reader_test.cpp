// What another importer says of a file, held against what is in it.
#include "core/delivery/second_reader.h"
#include "small_scenes.h"

#include <algorithm>
#include <cstdlib>
#include <functional>
#include <gtest/gtest.h>

namespace wembrix::testing {
namespace {

using nlohmann::json;

Scene nodding_tower() {
    Scene scene = tower({"root", "arm", "hand"});
    add_nod(scene, "nod", 1, 0.5, true);
    return scene;
}

/// What a reader says that understands it.
json right_answer(const Scene& scene) {
    json bones = json::array();
    const std::vector<Mat4> world = rest_world(scene);
    for (const int joint : joints_of(scene)) {
        const Vec3 at = point_of(world[static_cast<size_t>(joint)], Vec3::Zero());
        bones.insert(bones.begin(), json::array({at.x(), at.y(), at.z()})); // in an order of its own
    }
    return {{"bones", bones},
            {"bounds", {{0, 0, 0}, {0.2, 2.5, 0.2}}},
            {"vertices", 9},
            {"shapes", 0},
            {"clips", {{{"name", "nod"}, {"seconds", scene.clips[0].seconds}}}}};
}

bool all_pass(const std::vector<Claim>& claims) {
    return !claims.empty() && std::all_of(claims.begin(), claims.end(), [](const Claim& claim) { return claim.pass; });
}

TEST(SecondReader, AgreesWhereItHasWhatTheFileHas) {
    const Scene scene = nodding_tower();
    const std::vector<Claim> claims = second_reader_claims(scene, right_answer(scene));
    EXPECT_TRUE(all_pass(claims));
    ASSERT_EQ(claims.size(), 3U) << "joints, bounds, one clip";
    EXPECT_EQ(claims[0].expected, "3 joints");
    EXPECT_EQ(claims[1].expected, "0.200 x 2.500 x 0.200 m");
}

TEST(SecondReader, EachThingThatItMissesFailsAClaim) {
    const Scene scene = nodding_tower();
    const std::vector<std::pair<const char*, std::function<void(json&)>>> damages = {
        {"it opened nothing", [](json& of) { of = nullptr; }},
        {"a joint is gone", [](json& of) { of["bones"].erase(0); }},
        {"a joint more",
         [](json& of) {
             of["bones"].push_back(json::array({0, 7, 0}));
         }},
        {"a joint elsewhere", [](json& of) { of["bones"][0][1] = of["bones"][0][1].get<double>() + 0.01; }},
        {"a joint nowhere", [](json& of) { of["bones"][0] = "there"; }},
        {"no joints", [](json& of) { of.erase("bones"); }},
        {"another size", [](json& of) { of["bounds"][1][1] = 250.0; }},
        {"no surface", [](json& of) { of["bounds"] = nullptr; }},
        {"another length", [](json& of) { of["clips"][0]["seconds"] = 3.5; }},
        {"no clip", [](json& of) { of["clips"] = json::array(); }},
        {"clips that are none",
         [](json& of) {
             of["clips"] = {1, "two", nullptr};
         }},
        {"a list", [](json& of) { of = json::array(); }},
    };
    for (const auto& [what, damage] : damages) {
        json answer = right_answer(scene);
        damage(answer);
        EXPECT_FALSE(all_pass(second_reader_claims(scene, answer))) << what;
    }
}

TEST(SecondReader, WhereNoneIsInstalledALineSaysHowToGetOne) {
    const char* before = std::getenv("PATH");
    const std::string path = before == nullptr ? "" : before;
    ::setenv("PATH", "/nowhere", 1);
    EXPECT_FALSE(second_reader().has_value());
    const auto answer = ask_second_reader({{"model.glb"}});
    ::setenv("PATH", path.c_str(), 1);
    ASSERT_FALSE(answer.ok());
    EXPECT_NE(answer.problem().sentence().find("apt install"), std::string::npos);
}

} // namespace
} // namespace wembrix::testing
