// What is noticed of sources and motions: which way up and where to, sizes, breaks, the same motion twice, names that a
// destination refuses, names in a step that nothing has.
#include "core/base/latin.h"
#include "core/delivery/delivery.h"
#include "core/destination/compare_destinations.h"
#include "core/destination/file_paths.h"
#include "core/findings/finding.h"
#include "core/job/assemble.h"
#include "core/job/job.h"
#include "core/job/replay.h"
#include "core/measure/clips/breaks.h"
#include "core/measure/clips/same_motions.h"
#include "core/measure/scene/bounds.h"
#include "core/measure/scene/facing.h"
#include "core/measure/scene/upright.h"
#include "core/scene/place_all.h"
#include "core/steps/step_kind.h"
#include "small_scenes.h"
#include "tansy_scene.h"

#include <algorithm>
#include <cmath>
#include <filesystem>
#include <gtest/gtest.h>

namespace wembrix::testing {
namespace {

std::vector<Finding> noticed(const Scene& scene, const std::string& id) {
    std::vector<Finding> findings = look_for_findings({scene});
    std::erase_if(findings, [&](const Finding& finding) { return finding.id != id; });
    return findings;
}

/// A figure of joints, a body around them: head over pelvis over feet, toes ahead, +Z.
Scene figure(bool sides) {
    Scene scene = tower({"pelvis", "spine", "head"});
    const auto add = [&](const std::string& name, int parent, const Vec3& at) {
        Node node;
        node.name = name;
        node.parent = parent;
        node.kind = NodeKind::joint;
        node.rest.translation = at;
        node.identity = 300 + static_cast<int64_t>(scene.nodes.size());
        scene.nodes.push_back(node);
        return static_cast<int>(scene.nodes.size()) - 1;
    };
    for (const double x : {0.2, -0.2}) {
        const std::string end = sides ? (x > 0 ? "_l" : "_r") : (x > 0 ? "_a" : "_b");
        const int foot = add("foot" + end, 0, Vec3(x, -1, 0));
        add("toe" + end, foot, Vec3(0, -0.05, 0.3));
    }
    return scene;
}

TEST(Orientation, AFigureThatLiesIsSeenAndTheStepSetsItUpright) {
    const double quarter = std::acos(0.0);
    const std::pair<Vec3, double> falls[] = {{Vec3::UnitX(), quarter},
                                             {Vec3::UnitX(), -quarter},
                                             {Vec3::UnitZ(), quarter},
                                             {Vec3::UnitZ(), -quarter},
                                             {Vec3::UnitX(), 2 * quarter}};
    for (const auto& [about, angle] : falls) {
        Scene scene = figure(true);
        const double tall = height_m(scene);
        place_all(scene, Quat(Eigen::AngleAxisd(angle, about)), Vec3::Zero());
        const std::optional<Upright> upright = upright_of(scene);
        ASSERT_TRUE(upright);
        EXPECT_NE(upright->up, Axis::pos_y);
        const std::vector<Finding> lies = noticed(scene, "facing");
        ASSERT_EQ(lies.size(), 1U);
        EXPECT_NE(lies[0].message.find("lies"), std::string::npos) << lies[0].message;
        EXPECT_NE(lies[0].reason.find("head"), std::string::npos) << "with its grounds";
        ASSERT_TRUE(lies[0].step);
        const Result<StepResult> mended = apply_step(scene, *lies[0].step);
        ASSERT_TRUE(mended.ok());
        EXPECT_EQ(upright_of(mended->scene)->up, Axis::pos_y);
        EXPECT_NEAR(height_m(mended->scene), tall, 1e-6);
    }
    EXPECT_EQ(upright_of(figure(true))->up, Axis::pos_y);
    EXPECT_TRUE(noticed(figure(true), "facing").empty());
    EXPECT_FALSE(upright_of(tower({"a", "b"}))) << "two joints say nothing";
    EXPECT_EQ(upright_of(demo::tansy_model()).value_or(Upright{}).up, Axis::pos_y);
}

TEST(Orientation, TheFrontIsToldFromToesWhereNoNameSaysASide) {
    Scene scene = figure(false);
    ASSERT_TRUE(facing_of(scene));
    EXPECT_EQ(facing_of(scene)->axis, Axis::pos_z);
    EXPECT_NE(facing_of(scene)->reason.find("toes"), std::string::npos);
    EXPECT_LT(facing_of(scene)->certainty, 1);
    place_all(scene, Quat(Eigen::AngleAxisd(std::acos(0.0), Vec3::UnitY())), Vec3::Zero());
    EXPECT_EQ(facing_of(scene)->axis, Axis::pos_x);
    EXPECT_EQ(noticed(scene, "facing").size(), 1U);
}

TEST(Orientation, TheWayItGoesSaysItWhereNothingElseDoes) {
    Scene scene = walker();
    for (Node& node : scene.nodes) {
        node.name = node.kind == NodeKind::joint ? "j" + std::to_string(node.identity) : node.name;
    }
    EXPECT_FALSE(facing_of(scene));
    for (Clip& clip : scene.clips) {
        for (Channel& channel : clip.channels) {
            for (size_t i = 2; channel.path == Path::translation && i < channel.values.size(); i += 3) {
                channel.values.edit()[i] *= 5;
            }
        }
    }
    ASSERT_TRUE(guess_facing(scene));
    EXPECT_EQ(guess_facing(scene)->axis, Axis::pos_z);
    EXPECT_LE(guess_facing(scene)->certainty, 0.5) << "it may go backwards";
}

TEST(Sizes, ACharacterFourTimesTooLargeForItsTakeIsSeen) {
    Scene model = still_walker();
    scale_all(model, 4);
    const std::vector<Finding> large = noticed(assemble({{"model.glb", model}, {"walk.glb", walker()}}), "unlike_size");
    ASSERT_EQ(large.size(), 1U);
    EXPECT_NE(large[0].message.find("4 times"), std::string::npos) << large[0].message;
    EXPECT_EQ(large[0].step->parameters["factor"], 0.25);
    Scene in_centimetres = still_walker();
    scale_all(in_centimetres, 100);
    EXPECT_TRUE(noticed(assemble({{"model.glb", in_centimetres}, {"walk.glb", walker()}}), "unlike_size").empty())
        << "that is a unit, and taken care of";
}

TEST(Sizes, AreHeldAgainstWhatWasSaidOnce) {
    Scene scene = figure(true); // 3.5 m with what stands around its joints
    const std::vector<Finding> asked = noticed(scene, "expected_size");
    ASSERT_EQ(asked.size(), 1U);
    EXPECT_EQ(asked[0].grade, Grade::note);
    Scene said = apply_step(scene, *asked[0].step).take().scene;
    EXPECT_TRUE(noticed(said, "expected_size").empty()) << "what is there was said to be right";
    EXPECT_EQ(said.expected.kind, ExpectedSize::Kind::figure);

    scale_all(said, 4);
    const std::vector<Finding> large = noticed(said, "expected_size");
    ASSERT_EQ(large.size(), 1U);
    EXPECT_EQ(large[0].grade, Grade::stop);
    EXPECT_NE(large[0].message.find("4 times as large as expected"), std::string::npos) << large[0].message;
    const Scene mended = apply_step(said, *large[0].step).take().scene;
    EXPECT_NEAR(height_m(mended), height_m(scene), 0.01 * height_m(scene));
    EXPECT_TRUE(noticed(mended, "expected_size").empty());
    scale_all(said, 1.5 / 4);
    EXPECT_EQ(noticed(said, "expected_size").at(0).grade, Grade::look);

    // Without a height, what is common among its kind.
    const auto said_to_be = [&](const char* kind) {
        return noticed(apply_step(scene, {"expect_size", {{"kind", kind}}})->scene, "expected_size");
    };
    EXPECT_TRUE(said_to_be("animal").empty());
    scale_all(scene, 3);
    EXPECT_TRUE(said_to_be("animal").empty());
    ASSERT_EQ(said_to_be("figure").size(), 1U);
    EXPECT_EQ(said_to_be("figure")[0].grade, Grade::stop);
}

TEST(Sizes, AreHeldAgainstTheDestinationsSkeletonAndTheOtherSources) {
    Scene scene = tower({"a", "b", "c", "d", "e", "f", "g"});
    Destination destination = built_in_destinations()[0];
    destination.contract = contract_of(scene, "quay");
    scale_all(scene, 3.94);
    std::vector<Finding> findings = look_for_findings({scene, &destination});
    std::erase_if(findings, [](const Finding& finding) { return finding.id != "contract_size"; });
    ASSERT_EQ(findings.size(), 1U);
    EXPECT_NE(findings[0].message.find("3.94 times as large as the contract “quay”"), std::string::npos)
        << findings[0].message;
    EXPECT_NEAR(findings[0].step->parameters["factor"].get<double>(), 1 / 3.94, 1e-3);

    Scene crate = tower({"lid"});
    crate.nodes[0].name = "crate";
    EXPECT_TRUE(noticed(assemble({{"model.glb", scene}, {"crate.glb", crate}}), "source_size").empty());
    scale_all(crate, 5000);
    const std::vector<Finding> odd = noticed(assemble({{"model.glb", scene}, {"crate.glb", crate}}), "source_size");
    ASSERT_EQ(odd.size(), 1U);
    EXPECT_EQ(odd[0].where, "crate.glb");
}

TEST(Sizes, AnAttachmentPointWithTheScaleOfAUnitIsSeenAndFolded) {
    Scene scene = tower({"a", "b"});
    Node grip;
    grip.name = "grip";
    grip.kind = NodeKind::point;
    grip.parent = 1;
    grip.rest.translation = Vec3(0, 0.3, 0);
    grip.rest.scale = Vec3::Constant(100);
    grip.identity = 40;
    scene.nodes.push_back(grip);
    Node lamp = grip;
    lamp.name = "lamp";
    lamp.kind = NodeKind::light;
    lamp.parent = -1;
    lamp.identity = 41;
    scene.nodes.push_back(lamp);
    const std::vector<Finding> scaled = noticed(scene, "point_scale");
    ASSERT_EQ(scaled.size(), 1U);
    EXPECT_EQ(scaled[0].nodes, (std::vector<std::string>{"grip", "lamp"}));
    const Result<StepResult> mended = apply_step(scene, *scaled[0].step);
    ASSERT_TRUE(mended.ok());
    EXPECT_TRUE(noticed(mended->scene, "point_scale").empty());
    const std::vector<Mat4> before = rest_world(scene);
    const std::vector<Mat4> after = rest_world(mended->scene);
    for (const char* name : {"grip", "lamp"}) {
        EXPECT_LT((before[static_cast<size_t>(scene.find_node(name))].col(3) -
                   after[static_cast<size_t>(mended->scene.find_node(name))].col(3))
                      .norm(),
                  1e-9)
            << "it stays where it is";
    }
}

/// The walker going straight ahead at `speed` m/s for 90 frames.
Scene going(double speed) {
    Scene scene = still_walker();
    Clip clip;
    clip.name = "going";
    clip.take = 5;
    clip.rate = 30;
    clip.seconds = 3;
    Channel way{0, Path::translation, Interpolation::linear, 3, {}, {}, {}};
    std::vector<float> times;
    std::vector<float> values;
    for (int f = 0; f <= 90; ++f) {
        times.push_back(static_cast<float>(f / 30.0));
        values.insert(values.end(), {0, 0, static_cast<float>(speed * f / 30.0)});
    }
    way.times = times;
    way.values = values;
    clip.channels.push_back(way);
    scene.clips.push_back(clip);
    return scene;
}

TEST(Breaks, AOneFramePopOfAMetreAndAHalfIsSeen) {
    Scene scene = going(1.2);
    scene.clips[0].channels[0].values.edit()[3 * 40 + 1] = 1.5F;
    const std::vector<Finding> found = noticed(scene, "jump");
    ASSERT_EQ(found.size(), 1U);
    EXPECT_EQ(found[0].frame, 40);
    EXPECT_NE(found[0].message.find("pops"), std::string::npos) << found[0].message;
    EXPECT_NE(found[0].reason.find("1500 mm"), std::string::npos) << found[0].reason;
}

TEST(Breaks, AJumpOfSpeedFromOneToEightMetresASecondIsSeen) {
    Scene scene = going(1);
    for (int f = 50; f <= 90; ++f) {
        scene.clips[0].channels[0].values.edit()[static_cast<size_t>(3 * f + 2)] =
            static_cast<float>(50 / 30.0 + 8 * (f - 50) / 30.0);
    }
    const std::vector<Finding> found = noticed(scene, "jump");
    ASSERT_EQ(found.size(), 1U);
    EXPECT_EQ(found[0].frame, 50);
    EXPECT_NE(found[0].reason.find("from 1.0 to 8.0 m/s"), std::string::npos) << found[0].reason;
}

TEST(Breaks, AJumpIsSeenAndMotionThatIsNoneIsNot) {
    Scene scene = going(1.2);
    for (int f = 30; f <= 90; ++f) {
        scene.clips[0].channels[0].values.edit()[static_cast<size_t>(3 * f)] = 0.8F;
    }
    const std::optional<MotionBreak> found = worst_break(scene, scene.clips[0], height_m(scene));
    ASSERT_TRUE(found);
    EXPECT_EQ(found->kind, MotionBreak::Kind::jump);
    EXPECT_EQ(found->frame, 30);
    EXPECT_NEAR(found->metres, 0.8, 0.01);
    EXPECT_TRUE(noticed(going(1.2), "jump").empty());
    EXPECT_TRUE(noticed(walker(), "jump").empty());
    Scene hops = going(1.2); // up and down within twelve frames, again and again
    for (int f = 0; f <= 90; ++f) {
        hops.clips[0].channels[0].values.edit()[static_cast<size_t>(3 * f + 1)] =
            static_cast<float>(0.4 * std::abs(std::sin(f * 0.25)));
    }
    EXPECT_TRUE(noticed(hops, "jump").empty());
}

TEST(SameMotions, OnceMoreInAnotherUnitWithAPrefixAndTrimmed) {
    Scene again = walker("cap:");
    scale_all(again, 100);
    again.clips[0].name = "walk_export_final";
    Scene trimmed = walker();
    trimmed.clips[0].name = "walk_trimmed";
    trimmed.clips[0].start_s = 0.2;
    trimmed.clips[0].seconds = 0.7;
    const Scene all = assemble(
        {{"model.glb", still_walker()}, {"walk.glb", walker()}, {"again.glb", again}, {"trimmed.glb", trimmed}});
    ASSERT_EQ(all.clips.size(), 3U);
    const std::vector<Finding> found = noticed(all, "same_motion");
    ASSERT_EQ(found.size(), 2U);
    EXPECT_EQ(found[0].where, "walk_export_final");
    EXPECT_EQ(found[1].where, "walk_trimmed");
    EXPECT_NE(found[1].message.find("frames 6 to 27 of “walk”"), std::string::npos) << found[1].message;
    const std::vector<Step> steps = first_steps(all);
    ASSERT_EQ(steps.size(), 1U) << "a new job delivers it once";
    EXPECT_EQ(steps[0].parameters["names"], (nlohmann::json{"walk_export_final", "walk_trimmed"}));
    Scene other = walker();
    for (Channel& channel : other.clips[0].channels) {
        if (channel.path == Path::rotation) {
            channel.values.edit()[4] += 0.02F;
        }
    }
    other.clips[0].name = "other";
    EXPECT_TRUE(same_motions(assemble({{"m", still_walker()}, {"a", walker()}, {"b", other}})).empty());
}

TEST(Names, OfAnyScriptComeIntoLatinLettersAndStayApart) {
    EXPECT_EQ(in_latin("Hüfte"), "Hufte");
    EXPECT_EQ(in_latin("ходьба"), "hod'ba");
    EXPECT_EQ(in_latin("歩く"), "buku");
    EXPECT_EQ(in_latin("plain_1"), "plain_1");
    EXPECT_EQ(in_latin("\xff\xfe"), "\xff\xfe") << "what is no text comes back";
    Scene scene = walker();
    scene.clips[0].name = "歩く";
    Destination destination = built_in_destinations()[1];
    destination.clip_names = "[a-z_]+";
    std::vector<Finding> refused = look_for_findings(scene, std::vector<Destination>{destination});
    std::erase_if(refused, [](const Finding& finding) { return finding.id != "refused_name"; });
    ASSERT_EQ(refused.size(), 1U);
    EXPECT_EQ(refused[0].grade, Grade::stop);
    ASSERT_TRUE(refused[0].step);
    const Result<StepResult> renamed = apply_step(scene, *refused[0].step);
    ASSERT_TRUE(renamed.ok());
    EXPECT_EQ(renamed->scene.clips[0].name, "buku");
    destination.clip_names.clear();
    EXPECT_EQ(plan_deliverables(scene, destination, "it")->back().stem, "it_歩く") << "kept where it is allowed";

    Scene two = walker();
    two.clips.push_back(two.clips[0]);
    two.clips[0].name = "Füße";
    two.clips[1].name = "Fuße";
    EXPECT_FALSE(apply_step(two, {"rename_clips", {{"rules", {{{"letters", "latin"}}}}}}).ok())
        << "never folded into one name";
    EXPECT_TRUE(plan_deliverables(two, destination, "it").ok()) << "two names are two files";
}

TEST(Names, EveryDestinationIsAskedAndNamed) {
    Scene scene = walker();
    Destination first = built_in_destinations()[1];
    first.root = "hips";
    Destination second = first;
    second.name = "Ferry arcade";
    second.root = "Root";
    second.material_names = "m_.*";
    Material plain;
    plain.name = "wood";
    scene.materials.push_back(plain);
    const std::vector<Finding> findings = look_for_findings(scene, std::vector<Destination>{first, second});
    const auto said = [&](const std::string& id) {
        return std::count_if(findings.begin(), findings.end(), [&](const Finding& finding) {
            return finding.id == id && finding.message.find("Ferry arcade") != std::string::npos;
        });
    };
    EXPECT_EQ(said("refused_root"), 1);
    EXPECT_EQ(said("refused_name"), 1);
    for (const Finding& finding : findings) {
        if (finding.id == "refused_root") {
            EXPECT_EQ(finding.step->id, "make_root") << "the hips bend the surface: they are no root";
        }
    }
}

TEST(Names, InAStepThatNothingHasAreToldAndCounted) {
    const Scene scene = walker();
    const auto unmatched = [&](const Step& step) {
        const Result<StepResult> result = apply_step(scene, step);
        EXPECT_TRUE(result.ok()) << step.id;
        EXPECT_EQ(result->unmatched.empty(), result->could_not.empty()) << step.id;
        return result->unmatched;
    };
    using Names = std::vector<std::string>;
    EXPECT_EQ(unmatched({"leave_behind", {{"names", {"tower", "floor_*"}}}}), Names{"floor_*"});
    EXPECT_EQ(unmatched({"rename_joints", {{"rules", {{{"find", "^Bip01_"}, {"replace", ""}}}}}}), Names{"^Bip01_"});
    EXPECT_EQ(unmatched({"rename_joints", {{"rules", {{{"find", "^hips$"}, {"replace", "pelvis"}}}}}}), Names{});
    EXPECT_EQ(unmatched({"rename_clips", {{"rules", {{{"find", "^run"}, {"replace", "sprint"}}}}}}), Names{"^run"});
    const Replay made = replay(std::make_shared<const Scene>(scene), {{"leave_behind", {{"names", {"nobody"}}}}});
    EXPECT_TRUE(made.has_unmatched());
}

TEST(Paths, AreRefusedWithTheExactCharacterNameOrLength) {
    Destination destination = built_in_destinations()[1];
    const auto wrong = [&](const std::string& path) {
        const std::optional<Problem> problem = problem_with_path(path, destination);
        return problem ? problem->sentence() : std::string();
    };
    EXPECT_EQ(wrong("/work/out/walk.glb"), "");
    EXPECT_EQ(wrong("/work/out/歩く.glb"), "");
    EXPECT_NE(wrong("/work/out/con.glb").find("“con.glb”"), std::string::npos);
    EXPECT_NE(wrong("/work/out/LPT1.glb").find("device"), std::string::npos);
    EXPECT_NE(wrong("/work/out/a?b.glb").find("“?”"), std::string::npos);
    EXPECT_NE(wrong("/work/out/a\tb.glb").find("control character 9"), std::string::npos);
    EXPECT_NE(wrong("/work/out/walk .glb").find("at its end"), std::string::npos);
    EXPECT_NE(wrong("/work/out/" + std::string(300, 'a') + ".glb").find("304 bytes"), std::string::npos);
    destination.longest_path = 18;
    EXPECT_NE(wrong("/work/out/walks.glb").find("19 characters; it takes 18"), std::string::npos);
    EXPECT_EQ(wrong("/work/out/walk.glb"), "");
    destination.longest_path = 0;
    destination.file_names = "[a-z_]+";
    EXPECT_NE(wrong("/work/out/Walk.glb").find("“Walk”"), std::string::npos);
    EXPECT_NE(wrong("/work/Out/walk.glb").find("“Out”"), std::string::npos);
}

TEST(Paths, AFolderIsSpelledAsItIsThere) {
    namespace fs = std::filesystem;
    const fs::path folder = fs::temp_directory_path() / ("wembrix-spelling-" + std::to_string(::getpid()));
    fs::create_directories(folder / "Models");
    EXPECT_FALSE(problem_with_spelling(folder / "Models" / "a.glb"));
    EXPECT_FALSE(problem_with_spelling(folder / "clips" / "a.glb")) << "one that is not there yet is made";
    const std::optional<Problem> problem = problem_with_spelling(folder / "models" / "deeper" / "a.glb");
    ASSERT_TRUE(problem);
    EXPECT_NE(problem->sentence().find("“Models”"), std::string::npos) << problem->sentence();
    const Scene scene = walker();
    DeliveryRequest request;
    request.prepared = &scene;
    request.destination = built_in_destinations()[1];
    request.job_name = "it";
    request.folder = folder / "models";
    EXPECT_FALSE(deliver(request).ok());
    EXPECT_FALSE(fs::exists(folder / "models")) << "before anything is written";
    fs::remove_all(folder);
}

TEST(DestinationFiles, AreComparedLineByLineAndAMistypedKeyIsExplained) {
    Destination first = built_in_destinations()[1];
    Destination second = first;
    second.name = "other";
    EXPECT_TRUE(compare_destinations(first, second).empty()) << "names aside";
    second.influences = 8;
    second.reads = AxisSystem{Axis::pos_z, Axis::pos_x, 0.01, Handedness::left};
    second.format_options = {{"bvh", {{"decimals", 3}}}};
    std::vector<std::string> keys;
    for (const SettingDifference& one : compare_destinations(first, second)) {
        keys.push_back(one.key);
    }
    EXPECT_EQ(keys, (std::vector<std::string>{"format_options.bvh.decimals", "max_influences", "reads.forward",
                                              "reads.handedness", "reads.unit_m", "reads.up"}));
    nlohmann::json json = destination_to_json(second);
    EXPECT_TRUE(*destination_from_json(json, "it") == second) << "and comes back";
    json["max_influence"] = 4;
    const Result<Destination> mistyped = destination_from_json(json, "it");
    ASSERT_FALSE(mistyped.ok());
    EXPECT_NE(mistyped.problem().sentence().find("is \"max_influences\" meant?"), std::string::npos)
        << mistyped.problem().sentence();
}

} // namespace
} // namespace wembrix::testing
