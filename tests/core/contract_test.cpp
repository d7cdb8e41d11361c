// Contracts: written, read, compared, matched and fitted; and whether any file is clean.
#include "core/base/files.h"
#include "core/delivery/delivery.h"
#include "core/delivery/verify.h"
#include "core/destination/conform.h"
#include "core/findings/finding.h"
#include "core/formats/gltf/gltf.h"
#include "core/measure/scene/drift.h"
#include "core/measure/skeleton/contract.h"
#include "core/steps/step.h"
#include "core/steps/step_kind.h"
#include "random_rig.h"
#include "small_scenes.h"

#include <filesystem>
#include <gtest/gtest.h>

namespace wembrix::testing {
namespace {

using nlohmann::json;

std::vector<std::string> sentences(const std::vector<ContractDifference>& differences) {
    std::vector<std::string> all;
    for (const ContractDifference& difference : differences) {
        all.push_back(difference.sentence);
    }
    return all;
}

/// A tower with an arm on either side of "chest".
Scene dressed() {
    Scene scene = tower({"root", "spine", "chest"});
    for (const auto& [name, x] : {std::pair{"arm_l", 0.4}, std::pair{"arm_r", -0.4}}) {
        Node node;
        node.name = name;
        node.parent = 2;
        node.kind = NodeKind::joint;
        node.rest.translation = Vec3(x, 0.2, 0);
        node.identity = 60 + static_cast<int64_t>(scene.nodes.size());
        scene.nodes.push_back(node);
    }
    add_nod(scene, "nod", 1, 0.6, true);
    return scene;
}

TEST(Contract, IsReadBackAsItWasWritten) {
    const Contract contract = contract_of(dressed(), "market_biped");
    EXPECT_EQ(contract.joints.size(), 5U);
    const Result<Contract> back = contract_from_json(json::parse(contract_to_json(contract).dump()), "test");
    ASSERT_TRUE(back.ok()) << back.problem().sentence();
    EXPECT_EQ(*back, contract);
    EXPECT_TRUE(compare_with_contract(dressed(), contract).empty());
    for (const char* bad :
         {"[]", "{}", R"({"name":"x","joints":3})", R"({"name":"x","joints":[{}]})",
          R"({"name":"x","joints":[{"name":"a"},{"name":"a"}]})",
          R"({"name":"x","joints":[{"name":"a","parent":"b"}]})", R"({"name":"x","joints":[{"name":"a","parent":3}]})",
          R"({"name":"x","joints":[{"name":"a","translation_m":[1,2]}]})",
          R"({"name":"x","joints":[{"name":"a","rotation_xyzw":[0,0,0,0]}]})"}) {
        EXPECT_FALSE(contract_from_json(json::parse(bad), "test").ok()) << bad;
    }
}

TEST(Contract, EveryDifferenceIsSaidWithItsNumbers) {
    const Contract contract = contract_of(dressed(), "market_biped");
    Scene scene = dressed();
    scene.nodes[1].name = "spine_x";
    scene.nodes[3 + 1].parent = 0;
    scene.nodes[2].rest.translation.y() = 1.25;
    scene.nodes[5].rest.rotation = Quat(Eigen::AngleAxisd(0.5, Vec3::UnitX()));
    const std::vector<std::string> said = sentences(compare_with_contract(scene, contract));
    const auto says = [&](const char* what) {
        return std::any_of(said.begin(), said.end(),
                           [&](const std::string& one) { return one.find(what) != std::string::npos; });
    };
    EXPECT_TRUE(says("spine is missing"));
    EXPECT_TRUE(says("spine_x is not in the contract"));
    EXPECT_TRUE(says("chest hangs on spine_x and should hang on spine"));
    EXPECT_TRUE(says("arm_l hangs on root and should hang on chest"));
    EXPECT_TRUE(says("arm_r is turned 28.6°"));
    Scene longer = dressed();
    longer.nodes[2].rest.translation.y() = 1.25;
    EXPECT_EQ(sentences(compare_with_contract(longer, contract)),
              std::vector<std::string>{"chest is 1250.0 mm from spine and should be 1000.0 mm"});
    Scene shuffled = dressed();
    reorder_nodes(shuffled, {0, 1, 2, 3, 5, 4});
    EXPECT_EQ(sentences(compare_with_contract(shuffled, contract)),
              std::vector<std::string>{"arm_l stands after arm_r and should stand before"});
}

TEST(Contract, MatchesAreToldByNameByLikenessByBranchAndByPlace) {
    const Contract contract = contract_of(dressed(), "market_biped");
    Scene scene = dressed();
    scene.nodes[0].name = "rig:Root";
    scene.nodes[1].name = "rig:bone_a";
    scene.nodes[2].name = "rig:bone_b";
    scene.nodes[4].name = "rig:LeftArm";
    scene.nodes[5].name = "rig:bone_c";
    using How = ContractMatch::How;
    std::map<std::string, std::pair<std::string, How>> found;
    for (const ContractMatch& match : propose_matches(scene, contract)) {
        found[match.to] = {scene.nodes[match.joint].name, match.how};
    }
    EXPECT_EQ(found["root"], (std::pair<std::string, How>{"rig:Root", How::alike}));
    EXPECT_EQ(found["arm_l"], (std::pair<std::string, How>{"rig:LeftArm", How::alike}));
    EXPECT_EQ(found["spine"], (std::pair<std::string, How>{"rig:bone_a", How::branch}));
    EXPECT_EQ(found["chest"], (std::pair<std::string, How>{"rig:bone_b", How::branch}));
    EXPECT_EQ(found["arm_r"].first, "rig:bone_c");
    // Two joints left on one branch: the nearer one is meant.
    scene.nodes[4].name = "rig:bone_d";
    found.clear();
    for (const ContractMatch& match : propose_matches(scene, contract)) {
        found[match.to] = {scene.nodes[match.joint].name, match.how};
    }
    EXPECT_EQ(found["arm_l"], (std::pair<std::string, How>{"rig:bone_d", How::place}));
}

TEST(Contract, FittingRenamesHangsOrdersTurnsAndKeepsTheMotion) {
    const Contract contract = contract_of(dressed(), "market_biped");
    Scene scene = dressed();
    scene.nodes[1].name = "bone_a";
    scene.nodes[4].parent = 0;
    scene.nodes[4].rest.translation = Vec3(0.4, 2.2, 0);
    scene.nodes[2].rest.rotation = Quat(Eigen::AngleAxisd(0.5, Vec3::UnitX()));
    Node helper;
    helper.name = "helper";
    helper.kind = NodeKind::joint;
    helper.parent = 0;
    helper.identity = 99;
    scene.nodes.push_back(helper);
    json matches = json::object();
    for (const ContractMatch& match : propose_matches(scene, contract)) {
        matches[scene.nodes[match.joint].name] = match.to;
    }
    const Step step = {
        "fit_contract",
        {{"contract", contract_to_json(contract)}, {"matches", matches}, {"others", "remove"}, {"rotations", true}}};
    const Result<StepResult> fitted = apply_step(scene, step);
    ASSERT_TRUE(fitted.ok()) << fitted.problem().sentence();
    EXPECT_EQ(fitted->scene.find_node("helper"), -1);
    for (const ContractDifference& left : compare_with_contract(fitted->scene, contract)) {
        EXPECT_EQ(left.kind, ContractDifference::Kind::length) << left.sentence;
    }
    const Drift drift = measure_drift_all(scene, fitted->scene, Matching::identity, fitted->moved);
    EXPECT_LE(drift.largest_mm, 1e-3) << drift.place;
    EXPECT_GT(drift.points_compared, 0U);
    Step wrong = step;
    wrong.parameters["contract"] = {{"name", "x"}};
    EXPECT_FALSE(apply_step(scene, wrong).ok());
}

TEST(Contract, ADestinationThatDemandsOneHoldsWhatDiffers) {
    Destination destination = built_in_destinations()[1];
    destination.joint_names = "^.*$";
    destination.contract = contract_of(dressed(), "market_biped");
    const Result<Destination> back = destination_from_json(destination_to_json(destination), "test");
    ASSERT_TRUE(back.ok()) << back.problem().sentence();
    EXPECT_EQ(*back, destination);
    const auto contract_finding = [&](const Scene& scene) -> std::optional<Finding> {
        for (const Finding& finding : look_for_findings({scene, &destination})) {
            if (finding.id == "contract") {
                return finding;
            }
        }
        return std::nullopt;
    };
    EXPECT_FALSE(contract_finding(dressed()).has_value());
    Scene scene = dressed();
    scene.nodes[1].name = "bone_a";
    const std::optional<Finding> finding = contract_finding(scene);
    ASSERT_TRUE(finding.has_value());
    EXPECT_EQ(finding->grade, Grade::stop);
    EXPECT_NE(finding->reason.find("spine is missing"), std::string::npos);
    ASSERT_TRUE(finding->step.has_value());
    const Result<StepResult> mended = apply_step(scene, *finding->step);
    ASSERT_TRUE(mended.ok()) << mended.problem().sentence();
    EXPECT_FALSE(contract_finding(mended->scene).has_value());
    DeliveryRequest request;
    request.prepared = &scene;
    request.destination = destination;
    request.job_name = "job";
    request.folder = std::filesystem::temp_directory_path() / "wembrix-contract-test";
    std::filesystem::remove_all(request.folder);
    const Result<DeliveryReport> held = deliver(request);
    ASSERT_TRUE(held.ok());
    EXPECT_EQ(held->arrivals.front().state, CellState::held);
    EXPECT_NE(held->arrivals.front().reason.find("spine is missing"), std::string::npos);
    request.prepared = &mended->scene;
    EXPECT_TRUE(deliver(request)->all_arrived());
    std::filesystem::remove_all(request.folder);
}

std::string not_so(const std::vector<Claim>& claims) {
    std::string text;
    for (const Claim& claim : claims) {
        text += claim.pass ? "" : claim.name + ": " + claim.detail + "; ";
    }
    return text;
}

TEST(Verify, SaysWhatIsNotClean) {
    const Destination destination = built_in_destinations()[1];
    EXPECT_EQ(not_so(verify_scene(dressed(), destination, contract_of(dressed(), "c"))), "");
    const auto after = [&](const std::function<void(Scene&)>& change) {
        Scene scene = dressed();
        change(scene);
        return not_so(verify_scene(scene, destination, std::nullopt));
    };
    EXPECT_NE(after([](Scene& scene) { scene.nodes[0].name = "hips"; }).find("Root"), std::string::npos);
    EXPECT_NE(after([](Scene& scene) { scene.nodes[4].parent = -1; }).find("2 roots"), std::string::npos);
    EXPECT_NE(after([](Scene& scene) { scene.nodes[4].rest.scale.x() = 1 + 1e-7; }).find("arm_l"), std::string::npos);
    EXPECT_NE(after([](Scene& scene) { scene.nodes[4].name = "arm l"; }).find("Joint names"), std::string::npos);
    EXPECT_NE(after([](Scene& scene) { scene.nodes[4].name = "Spine"; }).find("capitals"), std::string::npos);
    EXPECT_NE(after([](Scene& scene) { scene.nodes[4].name = std::string(64, 'a'); }).find("Joint names"),
              std::string::npos);
    EXPECT_NE(after([](Scene& scene) { scene.nodes[1].rest.translation.x() = 1e-4; }).find("Inverse binds"),
              std::string::npos);
    EXPECT_NE(after([](Scene& scene) { std::swap(scene.skins[0].joints[0], scene.skins[0].joints[1]); }).find("Order"),
              std::string::npos);
    Scene other = dressed();
    other.nodes[1].name = "bone";
    EXPECT_NE(not_so(verify_scene(other, destination, contract_of(dressed(), "c"))).find("Contract"),
              std::string::npos);
}

/// Any rig, after a card that ends well, is clean, in the file that was written.
class CleanFile : public ::testing::TestWithParam<uint32_t> {};

TEST_P(CleanFile, AfterACardThatEndsWell) {
    const uint32_t seed = GetParam();
    RigOptions options = options_for(seed);
    options.uneven_scale = seed % 2 == 1;
    Scene scene = random_rig(seed, options);
    for (const Step& step : std::vector<Step>{{"strip_prefix"},
                                              {"bake_parent_transforms"},
                                              {"set_rest_pose", {{"from", "bind"}, {"surface", "rebind"}}},
                                              {"bake_joint_scale"},
                                              {"make_root", {{"name", "root"}}},
                                              {"align_bone_axes"},
                                              {"reorder_joints", {{"by", "name"}}}}) {
        Result<StepResult> result = apply_step(scene, step);
        ASSERT_TRUE(result.ok()) << "seed " << seed << " " << step.id << ": " << result.problem().sentence();
        scene = std::move(result->scene);
    }
    const Destination destination = built_in_destinations()[1];
    const Result<std::vector<WrittenFile>> files = write_glb(conform_model(scene, destination).scene, "clean");
    ASSERT_TRUE(files.ok());
    const Result<Scene> back = read_gltf_bytes(files->front().bytes, {}, "clean");
    ASSERT_TRUE(back.ok());
    std::string wrong = not_so(verify_scene(*back, destination, contract_of(scene, "own")));
    EXPECT_EQ(wrong, "") << "seed " << seed;
}

INSTANTIATE_TEST_SUITE_P(Seeds, CleanFile, ::testing::Range<uint32_t>(1, seeds() + 1));

} // namespace
} // namespace wembrix::testing
