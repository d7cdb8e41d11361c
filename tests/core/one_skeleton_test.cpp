// Several files on one skeleton: body, head, a second artist's shapes, a bag; and takes that fit what the card makes.
#include "core/base/files.h"
#include "core/findings/finding.h"
#include "core/formats/format.h"
#include "core/job/assemble.h"
#include "core/job/job.h"
#include "core/job/replay.h"
#include "core/measure/scene/drift.h"
#include "core/measure/skeleton/pose.h"
#include "core/scene/place_all.h"
#include "core/steps/step_kind.h"
#include "random_rig.h"
#include "small_scenes.h"
#include "tansy_scene.h"
#include "valid_scene.h"

#include <algorithm>
#include <filesystem>
#include <gtest/gtest.h>
#include <set>

namespace wembrix::testing {
namespace {

namespace fs = std::filesystem;

/// The scene with those of its surfaces alone that `keeps` says, and the joints with a prefix.
template <typename Keeps> Scene only(Scene scene, const std::string& prefix, const Keeps& keeps) {
    std::vector<int> order;
    for (size_t n = 0; n < scene.nodes.size(); ++n) {
        Node& node = scene.nodes[n];
        if (node.mesh < 0 || keeps(node.name)) {
            order.push_back(static_cast<int>(n));
        }
        if (node.kind == NodeKind::joint && !prefix.empty()) {
            node.name.insert(0, prefix);
        }
    }
    reorder_nodes(scene, order);
    return scene;
}

std::vector<Finding> all_found(const Scene& scene, const std::string& id) {
    std::vector<Finding> findings = look_for_findings({scene});
    std::erase_if(findings, [&](const Finding& finding) { return finding.id != id; });
    return findings;
}

/// At rest and over every clip of `whole`, how far a surface of `is` is from its like.
double farthest_mm(const Scene& whole, const Scene& is) {
    const Drift drift = measure_drift_all(whole, is, Matching::name, {});
    EXPECT_TRUE(drift.not_compared.empty()) << drift.not_compared.front();
    EXPECT_GT(drift.points_compared, 0U);
    EXPECT_LT(drift.largest_mm, 30) << drift.place << " " << drift.clip << " frame " << drift.frame;
    return drift.largest_mm;
}

class SplitRig : public ::testing::TestWithParam<uint32_t> {};

TEST_P(SplitRig, FilesOfOneSkeletonBecomeTheModelThatTheyWere) {
    const uint32_t seed = GetParam();
    RigOptions options = options_for(seed);
    options.holders = Holders::none;
    Scene whole = random_rig(seed, options);
    for (Clip& clip : whole.clips) { // keys of a surface go with it, and the second file has no clip
        std::erase_if(clip.channels,
                      [&](const Channel& channel) { return whole.nodes[static_cast<size_t>(channel.node)].mesh >= 0; });
    }
    const std::vector<int> surfaces = surfaces_of(whole);
    if (surfaces.size() < 2) {
        GTEST_SKIP() << "one surface";
    }
    const std::string last = whole.nodes[static_cast<size_t>(surfaces.back())].name;
    const Scene body = only(whole, "", [&](const std::string& name) { return name != last; });
    Scene head = only(whole, "", [&](const std::string& name) { return name == last; });
    head.clips.clear();
    // Made elsewhere: in centimetres, Z up.
    scale_all(head, 100);
    place_all(head, Quat(Eigen::AngleAxisd(std::acos(0.0), Vec3::UnitX())), Vec3::Zero());
    if (guess_role(body, head) != SourceRole::part) {
        GTEST_SKIP() << "its last surface has no skin";
    }
    const Scene both = assemble({{"body.glb", body}, {"head.glb", head}});
    ASSERT_EQ(what_is_not_valid(both), "");
    EXPECT_EQ(joint_rows(both), joint_rows(whole));
    std::string notes;
    for (const Note& note : both.notes) {
        notes += note.what + "\n";
    }
    DriftRequest at_rest;
    at_rest.should = &whole;
    at_rest.is = &both;
    at_rest.matching = Matching::name;
    const Drift rest = measure_drift(at_rest);
    EXPECT_LE(rest.largest_mm, 20 * allowed_mm(whole)) << rest.place << " at rest\n" << notes;
    EXPECT_LE(farthest_mm(whole, both), 20 * allowed_mm(whole)) << notes;
    ASSERT_EQ(both.fits.size(), 1U);
    EXPECT_EQ(both.fits[0].role, SourceRole::part);
    EXPECT_EQ(both.fits[0].joints_apart, 0U) << both.fits[0].apart_at;
}

INSTANTIATE_TEST_SUITE_P(Drawn, SplitRig, ::testing::Range<uint32_t>(1, std::min<uint32_t>(seeds(), 40) + 1));

TEST(OneSkeleton, ThreeFilesOfTansyAreTansy) {
    const Scene whole = demo::tansy_model();
    std::vector<std::string> names;
    for (const int surface : surfaces_of(whole)) {
        if (whole.nodes[static_cast<size_t>(surface)].skin >= 0) {
            names.push_back(whole.nodes[static_cast<size_t>(surface)].name);
        }
    }
    ASSERT_GE(names.size(), 2U);
    std::vector<NamedScene> sources;
    const std::set<std::string> skinned(names.begin(), names.end());
    for (size_t i = 0; i < names.size(); ++i) {
        sources.push_back({names[i] + ".glb", only(whole, "file" + std::to_string(i) + ":",
                                                   [&](const std::string& name) { return name == names[i]; })});
    }
    const Scene all = assemble(sources);
    ASSERT_EQ(what_is_not_valid(all), "");
    EXPECT_EQ(joints_of(all).size(), joints_of(whole).size());
    EXPECT_EQ(root_joints(all).size(), root_joints(whole).size()) << "no second root, no pelvis_2";
    for (const std::string& name : names) {
        EXPECT_GE(all.find_node(name), 0) << name;
    }
    EXPECT_TRUE(all_found(all, "unlike_rest").empty());
}

TEST(OneSkeleton, WhatOnlyThePartHasComesAlongBelowItsParent) {
    Scene part = tower({"a", "b", "c", "plume"});
    const int plume = part.find_node("plume");
    for (Node& node : part.nodes) {
        if (node.mesh >= 0) {
            node.name = "crest";
        }
    }
    Node tip;
    tip.name = "holster";
    tip.parent = plume;
    tip.kind = NodeKind::point;
    tip.rest.translation = Vec3(0, 0.25, 0);
    tip.identity = 77;
    part.nodes.insert(part.nodes.begin() + plume + 1, tip);
    const Scene both = assemble({{"body.glb", tower({"a", "b", "c"})}, {"crest.glb", part}});
    ASSERT_EQ(what_is_not_valid(both), "");
    const int came = both.find_node("plume");
    ASSERT_GE(came, 0);
    EXPECT_EQ(both.nodes[static_cast<size_t>(both.nodes[static_cast<size_t>(came)].parent)].name, "c");
    EXPECT_EQ(joints_of(both).size(), 4U);
    const std::vector<Mat4> world = rest_world(both);
    EXPECT_NEAR(world[static_cast<size_t>(came)](1, 3), 3, 1e-9);
    EXPECT_NEAR(world[static_cast<size_t>(both.find_node("holster"))](1, 3), 3.25, 1e-9);
    Scene whole = part;
    EXPECT_LE(farthest_mm(only(whole, "", [](const std::string&) { return true; }),
                          only(both, "", [](const std::string& name) { return name == "crest"; })),
              1e-3);
}

TEST(OneSkeleton, ARootOfAnotherNameAbovePartsIsNotASecondOne) {
    Scene part = tower({"HeadRig", "a", "b", "c"});
    for (Node& node : part.nodes) {
        if (node.mesh >= 0) {
            node.name = "hood";
            // Nothing weighs on the part's own root.
            for (uint16_t& joint : node.influences.joints.edit()) {
                joint = std::max<uint16_t>(joint, 1);
            }
        }
    }
    place_all(part, Quat::Identity(), Vec3(0, -1, 0)); // its "a" stands where the body's does
    const Scene both = assemble({{"body.glb", tower({"a", "b", "c"})}, {"hood.glb", part}});
    ASSERT_EQ(what_is_not_valid(both), "");
    EXPECT_EQ(joints_of(both).size(), 3U);
    EXPECT_LT(both.find_node("HeadRig"), 0);
    EXPECT_LE(farthest_mm(only(part, "", [](const std::string&) { return true; }),
                          only(both, "", [](const std::string& name) { return name == "hood"; })),
              1e-3);
}

/// A tower whose joint "b" is bent aside by so many degrees, surface bound there.
Scene bent_tower(double degrees) {
    Scene scene = tower({"a", "b", "c"});
    for (Node& node : scene.nodes) {
        node.name = node.mesh >= 0 ? "bent" : node.name;
    }
    scene.nodes[1].rest.rotation = Quat(Eigen::AngleAxisd(degrees * std::acos(-1.0) / 180, Vec3::UnitZ()));
    const std::vector<Mat4> world = rest_world(scene);
    for (size_t j = 0; j < 3; ++j) {
        scene.skins[0].inverse_binds[j] = world[j].inverse();
    }
    return scene;
}

TEST(OneSkeleton, WhereRestPosesDifferItIsMeasuredAndAsked) {
    const Scene body = tower({"a", "b", "c"});
    const Scene part = bent_tower(30);
    const auto joined = [&](RestOf rest) {
        Scene scene = body;
        add_source(scene, {"part.glb", part}, 1, {SourceRole::automatic, rest, {}});
        return scene;
    };
    const Scene asked = joined(RestOf::nobody_said);
    ASSERT_EQ(asked.fits.size(), 1U);
    EXPECT_EQ(asked.fits[0].joints_apart, 1U) << "c lies elsewhere, b only points there";
    EXPECT_EQ(asked.fits[0].apart_at, "c");
    EXPECT_NEAR(asked.fits[0].apart_m, 2 * std::sin(15 * std::acos(-1.0) / 180), 1e-6);
    EXPECT_NEAR(asked.fits[0].apart_degrees, 30, 1e-6);
    ASSERT_EQ(all_found(asked, "unlike_rest").size(), 1U);
    EXPECT_EQ(all_found(asked, "unlike_rest")[0].grade, Grade::stop);

    // The first holds: joints stay, the part's surface stands upright with them.
    const Scene first = joined(RestOf::first);
    EXPECT_EQ(all_found(first, "unlike_rest")[0].grade, Grade::note);
    EXPECT_LT((rest_world(first)[2] - rest_world(body)[2]).norm(), 1e-9);
    EXPECT_LE(farthest_mm(body, only(first, "", [](const std::string& name) { return name == "tower"; })), 1e-3);

    // The part's holds: joints rest as there, the body's surface bends with them, the part's is as it was made.
    const Scene newest = joined(RestOf::part);
    EXPECT_LT((rest_world(newest)[2].col(3) - rest_world(part)[2].col(3)).norm(), 1e-9);
    EXPECT_LE(farthest_mm(part, only(newest, "", [](const std::string& name) { return name == "bent"; })), 1e-3);
}

TEST(OneSkeleton, ShapesOfAnotherFileJoinTheSurfaceInItsUnit) {
    Scene body = tower({"a", "b"});
    add_nod(body, "nod", 1, 0.5, true);
    Scene sculpted = tower({"a", "b"});
    MorphTarget lean;
    lean.name = "lean";
    lean.points = std::vector<uint32_t>{0, 2};
    lean.positions = std::vector<Vec3f>{Vec3f(0.1F, 0, 0), Vec3f(0, 0.2F, 0)};
    sculpted.meshes[0].shapes.push_back(lean);
    scale_all(sculpted, 100);
    Scene alone = sculpted; // without its skeleton, as a sculptor sends it
    for (Node& node : alone.nodes) {
        node.skin = -1;
        node.influences = {};
    }
    alone.skins.clear();
    reorder_nodes(alone, {static_cast<int>(alone.nodes.size()) - 1});
    EXPECT_EQ(guess_role(body, sculpted), SourceRole::shapes);
    EXPECT_EQ(guess_role(body, alone), SourceRole::shapes);
    const Scene both = assemble({{"body.glb", body}, {"shapes.glb", sculpted}});
    ASSERT_EQ(what_is_not_valid(both), "");
    EXPECT_EQ(both.nodes.size(), body.nodes.size());
    ASSERT_EQ(both.meshes[0].shapes.size(), 1U);
    EXPECT_EQ(both.meshes[0].shapes[0].name, "lean");
    EXPECT_NEAR(both.meshes[0].shapes[0].positions[1].y(), 0.2F, 1e-6F) << "in the model's unit";
}

TEST(OneSkeleton, WhatASourceOfShapesHasBesidesIsSaidToStayOut) {
    Scene body = tower({"a", "b"});
    Scene other = tower({"x", "y", "z"});
    add_nod(other, "nod", 1, 0.5, true);
    add_source(body, {"other.glb", other}, 1, {SourceRole::shapes, RestOf::nobody_said, {}});
    EXPECT_EQ(surfaces_of(body).size(), 1U);
    EXPECT_TRUE(std::any_of(body.notes.begin(), body.notes.end(), [](const Note& note) {
        return note.where == "other.glb" && note.what.find("1 surface") != std::string::npos &&
               note.what.find("1 take ") != std::string::npos;
    }));
}

TEST(OneSkeleton, AFileWithAClipAndASurfaceBringsBoth) {
    Scene part = tower({"x:a", "x:b", "x:c"});
    for (Node& node : part.nodes) {
        node.name = node.mesh >= 0 ? "cloak" : node.name;
    }
    add_nod(part, "bow", 1, 0.8, false);
    const Scene both = assemble({{"body.glb", tower({"a", "b", "c"})}, {"cloak.glb", part}});
    ASSERT_EQ(what_is_not_valid(both), "");
    EXPECT_GE(both.find_node("cloak"), 0);
    ASSERT_EQ(both.clips.size(), 1U);
    EXPECT_EQ(both.clips[0].name, "bow");
    ASSERT_EQ(both.clips[0].channels.size(), 1U);
    EXPECT_EQ(both.nodes[static_cast<size_t>(both.clips[0].channels[0].node)].name, "b");

    // A stand-in that bears the name of a surface that is there is no second one of it; and a person can say "take".
    Scene stand_in = part;
    for (Node& node : stand_in.nodes) {
        node.name = node.mesh >= 0 ? "tower" : node.name;
    }
    stand_in.meshes[0].indices.edit().resize(3);
    stand_in.meshes[0].primitives[0].index_count = 3;
    EXPECT_EQ(guess_role(tower({"a", "b", "c"}), stand_in), SourceRole::take);
    Scene taken = tower({"a", "b", "c"});
    add_source(taken, {"cloak.glb", part}, 1, {SourceRole::take, RestOf::nobody_said, {}});
    EXPECT_EQ(surfaces_of(taken).size(), 1U);
    EXPECT_TRUE(std::any_of(taken.notes.begin(), taken.notes.end(), [](const Note& note) {
        return note.what.find("1 surface stay") != std::string::npos;
    })) << "what it does not bring is said";
}

TEST(OneSkeleton, WhatAPersonSaysASourceIsHolds) {
    Scene twin = tower({"a", "b", "c"});
    Scene scene = tower({"a", "b", "c"});
    EXPECT_EQ(guess_role(scene, twin), SourceRole::part) << "the same skeleton";
    add_source(scene, {"twin.glb", twin}, 1, {SourceRole::prop, RestOf::nobody_said, {}});
    EXPECT_EQ(joints_of(scene).size(), 6U) << "it stands by itself, since that was said";
    EXPECT_EQ(scene.fits.back().role, SourceRole::prop);
}

/// A walker whose travel is keyed on a root above the hips, which the model lacks.
Scene take_with_root(double metres) {
    Result<StepResult> rooted = apply_step(walker(), {"make_root", {{"name", "root"}, {"position", "origin"}}});
    Scene take = rooted->scene;
    Clip& clip = take.clips[0];
    std::erase_if(clip.channels, [](const Channel& channel) { return channel.path == Path::translation; });
    Channel travel;
    travel.node = take.find_node("root");
    travel.times = std::vector<float>{0, static_cast<float>(clip.seconds)};
    travel.values = std::vector<float>{0, 0, 0, 0, 0, static_cast<float>(metres)};
    clip.channels.push_back(travel);
    return take;
}

TEST(TakesOnTheRightSkeleton, SixMetresOfARootThatIsNotThereAreGoneByWhatStandsBelowIt) {
    const Scene take = take_with_root(6);
    const Scene both = assemble({{"model.glb", still_walker()}, {"walk.glb", take}});
    ASSERT_EQ(both.clips.size(), 1U);
    Pose is;
    Poser(both, &both.clips[0]).at(both.clips[0].seconds, is);
    EXPECT_NEAR(is.world[static_cast<size_t>(both.find_node("hips"))](2, 3), 6, 1e-4);
    const std::vector<Finding> lost = all_found(both, "lost_motion");
    ASSERT_EQ(lost.size(), 1U);
    EXPECT_EQ(lost[0].grade, Grade::note) << "nothing is lost of it";
    EXPECT_EQ(lost[0].nodes, std::vector<std::string>{"hips"});
    EXPECT_NE(lost[0].message.find("6 m"), std::string::npos) << lost[0].message;

    // With a root that the card makes: offered where it was forgotten, gone where the step stands.
    const Step make_root = {"make_root", {{"name", "root"}, {"position", "origin"}}};
    LoadedSources sources;
    sources.scenes = std::make_shared<const std::vector<NamedScene>>(
        std::vector<NamedScene>{{"model.glb", still_walker()}, {"walk.glb", take}});
    sources.received = std::make_shared<const Scene>(both);
    const Replay forgotten = replay(sources, {make_root});
    const std::vector<Finding> offered = all_found(forgotten.prepared(), "lost_motion");
    ASSERT_EQ(offered.size(), 1U);
    EXPECT_EQ(offered[0].grade, Grade::look);
    ASSERT_TRUE(offered[0].step);
    const Replay mended = replay(sources, {make_root, *offered[0].step});
    EXPECT_TRUE(all_found(mended.prepared(), "lost_motion").empty());
    Pose root;
    Poser(mended.prepared(), &mended.prepared().clips[0]).at(take.clips[0].seconds, root);
    EXPECT_NEAR(root.world[static_cast<size_t>(mended.prepared().find_node("root"))](2, 3), 6, 1e-4);
}

TEST(TakesOnTheRightSkeleton, MotionBesideTheSkeletonIsLostAndSaidWithMetresAndDegrees) {
    Scene take = walker();
    Node tail;
    tail.name = "tail";
    tail.kind = NodeKind::joint;
    tail.parent = 0;
    tail.identity = 4711;
    take.nodes.push_back(tail);
    Channel wag = take.clips[0].channels[0];
    wag.node = static_cast<int>(take.nodes.size()) - 1;
    take.clips[0].channels.push_back(wag);
    const std::vector<Finding> lost =
        all_found(assemble({{"model.glb", still_walker()}, {"walk.glb", take}}), "lost_motion");
    ASSERT_EQ(lost.size(), 1U);
    EXPECT_EQ(lost[0].grade, Grade::look);
    EXPECT_NE(lost[0].message.find("34.4°"), std::string::npos) << lost[0].message; // 0.6 rad
}

TEST(TakesOnTheRightSkeleton, LongerLegsThanTheTakesAreSaidInMetres) {
    Scene model = still_walker();
    for (Node& node : model.nodes) {
        if (node.name.rfind("foot_", 0) == 0) {
            node.rest.translation *= 1.15;
        }
    }
    const std::vector<Finding> legs =
        all_found(assemble({{"model.glb", model}, {"walk.glb", walker()}}), "unlike_legs");
    ASSERT_EQ(legs.size(), 1U);
    EXPECT_NE(legs[0].message.find("0.121 m longer"), std::string::npos) << legs[0].message;
    EXPECT_TRUE(all_found(assemble({{"model.glb", still_walker()}, {"walk.glb", walker()}}), "unlike_legs").empty());
}

class SourceFiles : public ::testing::Test {
  protected:
    fs::path folder = fs::temp_directory_path() / ("wembrix-sources-" + std::to_string(::getpid()));
    void SetUp() override { fs::create_directories(folder); }
    void TearDown() override { fs::remove_all(folder); }
    void write(const std::string& name, const Scene& scene) const {
        const Result<std::vector<WrittenFile>> files =
            format_of_file(name)->write(scene, fs::path(name).stem(), {}, {});
        ASSERT_TRUE(files.ok());
        ASSERT_TRUE(write_file_whole(folder / name, files->front().bytes).ok());
    }
};

TEST_F(SourceFiles, OneThatIsMissingDoesNotRefuseTheRestAndHoldsTheDelivery) {
    write("body.glb", still_walker());
    Scene walk = walker();
    write("walk.glb", walk);
    const Result<LoadedSources> all = load_sources({"body.glb", "walk.glb", "bag.glb"}, folder);
    ASSERT_TRUE(all.ok()) << all.problem().sentence();
    EXPECT_EQ(all->received->clips.size(), 1U);
    EXPECT_TRUE(all->sources[1].problem.empty());
    EXPECT_FALSE(all->sources[2].problem.empty());
    const std::vector<Finding> missing = all_found(*all->received, "unread_source");
    ASSERT_EQ(missing.size(), 1U);
    EXPECT_EQ(missing[0].grade, Grade::stop);
    EXPECT_EQ(missing[0].where, "bag.glb");

    // The first may be the one that is missing: the next is the base then.
    const Result<LoadedSources> rest = load_sources({"gone.glb", "body.glb", "walk.glb"}, folder);
    ASSERT_TRUE(rest.ok());
    EXPECT_EQ(what_is_not_valid(*rest->received), "");
    EXPECT_EQ(rest->received->clips.size(), 1U);
    EXPECT_EQ(rest->sources[1].role, SourceRole::model);
    EXPECT_EQ(rest->sources[2].role, SourceRole::take);
    EXPECT_FALSE(load_sources({"gone.glb", "also.glb"}, folder).ok());
}

TEST_F(SourceFiles, TakesThatKnowOnlyTheNamesOfTheCardFindTheirJoints) {
    Scene numbered = still_walker();
    const std::vector<Mat4> world = rest_world(numbered);
    for (const int joint : joints_of(numbered)) { // a file's bones are what its skin lists
        std::vector<int>& listed = numbered.skins[0].joints;
        if (std::find(listed.begin(), listed.end(), joint) == listed.end()) {
            listed.push_back(joint);
            numbered.skins[0].inverse_binds.push_back(world[static_cast<size_t>(joint)].inverse());
        }
    }
    std::map<std::string, std::string> names;
    for (Node& node : numbered.nodes) {
        if (node.kind == NodeKind::joint) {
            const std::string was = node.name;
            node.name = "J" + std::to_string(names.size());
            names[node.name] = was;
        }
    }
    write("model.glb", numbered);
    write("walk.glb", walker());
    const std::vector<Step> steps = {{"rename_joints", {{"names", names}}}};
    EXPECT_EQ(load_sources({"model.glb", "walk.glb"}, folder)->sources[1].role, SourceRole::prop)
        << "without the card nobody can know";
    const Result<LoadedSources> loaded = load_sources({"model.glb", "walk.glb"}, folder, steps);
    ASSERT_TRUE(loaded.ok());
    EXPECT_TRUE(loaded->follows_card);
    const Replay made = replay(*loaded, steps);
    const Scene& prepared = made.prepared();
    ASSERT_EQ(prepared.clips.size(), 1U);
    const Scene wanted = walker();
    Pose should;
    Pose is;
    Poser(wanted, &wanted.clips[0]).at(0.4, should);
    Poser(prepared, &prepared.clips[0]).at(0.4, is);
    std::string notes;
    for (const Note& note : loaded->received->notes) {
        notes += note.what + "\n";
    }
    for (const Channel& channel : prepared.clips[0].channels) {
        notes += prepared.nodes[static_cast<size_t>(channel.node)].name + " ";
    }
    EXPECT_LT((should.world[static_cast<size_t>(wanted.find_node("foot_l"))] -
               is.world[static_cast<size_t>(prepared.find_node("foot_l"))])
                  .norm(),
              1e-4)
        << notes;
}

TEST(JobSources, WhatAPersonSaidOfThemIsKeptAndAPathAloneStaysOne) {
    Job job;
    job.sources = {"a.glb", "b.glb"};
    job.sources[1].role = SourceRole::take;
    job.sources[1].rest = RestOf::part;
    const nlohmann::json json = job_to_json(job);
    EXPECT_EQ(json["sources"], (nlohmann::json{"a.glb", {{"file", "b.glb"}, {"as", "take"}, {"rest", "part"}}}));
    const Result<Job> back = job_from_json(json, "job");
    ASSERT_TRUE(back.ok());
    EXPECT_EQ(*back, job);
    EXPECT_FALSE(job_source_from_json({{"file", "a"}, {"as", "friend"}}, "job").ok());
    EXPECT_FALSE(job_source_from_json(7, "job").ok());
}

} // namespace
} // namespace wembrix::testing
