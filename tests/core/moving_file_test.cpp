// Strands and caches in files of their own: written frame by frame, read back, held against Prepared and the model.
#include "core/base/file_sink.h"
#include "core/base/files.h"
#include "core/delivery/delivery.h"
#include "core/delivery/moving_file.h"
#include "core/delivery/moving_parts.h"
#include "core/delivery/where.h"
#include "core/findings/finding.h"
#include "core/formats/format.h"
#include "core/formats/image/exr.h"
#include "core/formats/usd/crate.h"
#include "core/formats/usd/usd.h"
#include "core/measure/strands/strand_deform.h"
#include "core/measure/surface/deform.h"
#include "core/scene/place_all.h"
#include "random_rig.h"
#include "small_scenes.h"
#include "step_results.h"

#include <algorithm>
#include <cmath>
#include <filesystem>
#include <fmt/format.h>
#include <gtest/gtest.h>
#include <numeric>
#include <unistd.h>

namespace wembrix::testing {
namespace {

namespace fs = std::filesystem;
using nlohmann::json;

/// A tower that nods, with fur on it that follows, asked for over the nod; and the tower's own points as well.
Scene furry_tower() {
    Scene scene = tower({"root", "arm"});
    add_nod(scene, "nod", 1, 0.7, true);
    scene = done(scene, {"strand_region", {{"name", "fur"}}}).scene;
    scene = done(scene, {"strand_guides", {{"spread", 8}, {"length_mm", 60}}}).scene;
    scene =
        done(scene, {"grow_strands",
                     {{"count", 120}, {"points", 7}, {"width_root_mm", 2}, {"width_tip_mm", 0.5}, {"trimmed", false}}})
            .scene;
    scene = done(scene, {"bind_strands", {{"follow", "stiff"}}}).scene;
    scene = done(scene, {"cache_strands", {{"clips", {"nod"}}}}).scene;
    return done(scene, {"cache_surface", {{"clips", {"nod"}}, {"every", 3}, {"first", 3}}}).scene;
}

class MovingFiles : public ::testing::Test {
  protected:
    void SetUp() override {
        folder_ =
            fs::temp_directory_path() / fmt::format("wembrix_moving_{}_{}", ::getpid(),
                                                    ::testing::UnitTest::GetInstance()->current_test_info()->name());
        fs::remove_all(folder_);
    }
    void TearDown() override { fs::remove_all(folder_); }

    DeliveryRequest request_for(const Scene& prepared) const {
        DeliveryRequest request;
        request.prepared = &prepared;
        request.destination = built_in_destinations().front();
        request.destination.joint_names = "^[A-Za-z_0-9]*$";
        request.job_name = "tower";
        request.folder = folder_;
        return request;
    }
    fs::path folder_;
};

std::string reasons(const DeliveryReport& report) {
    std::string said;
    for (const Arrival& arrival : report.arrivals) {
        said +=
            arrival.deliverable.id() + " " + std::string(cell_state_name(arrival.state)) + " " + arrival.reason + "\n";
    }
    return said;
}

const usd::Prim* moving_prim_of(const std::vector<usd::Prim>& prims) {
    for (const usd::Prim& prim : prims) {
        if (const usd::Property* points = prim.property("points"); points != nullptr && !points->samples.empty()) {
            return &prim;
        }
        if (const usd::Prim* below = moving_prim_of(prim.children)) {
            return below;
        }
    }
    return nullptr;
}

/// `extent` over time is the box of the points of each frame, with half of the widest strand around it.
void expect_boxes_over_time(const fs::path& file, size_t frames, float around_cm) {
    const Result<usd::Layer> layer = usd::read_crate(std::make_shared<const std::string>(read_file(file).take()));
    ASSERT_TRUE(layer.ok()) << layer.problem().sentence();
    const usd::Prim* prim = moving_prim_of(layer->prims);
    ASSERT_NE(prim, nullptr);
    const usd::Property& points = *prim->property("points");
    const usd::Property* boxes = prim->property("extent");
    ASSERT_NE(boxes, nullptr);
    ASSERT_EQ(points.samples.size(), frames);
    ASSERT_EQ(boxes->samples.size(), frames);
    for (size_t f = 0; f < frames; ++f) {
        const std::vector<double> at = points.samples[f].value.numbers<double>();
        const std::vector<double> box = boxes->samples[f].value.numbers<double>();
        ASSERT_EQ(box.size(), 6U);
        EXPECT_EQ(boxes->samples[f].time, points.samples[f].time);
        for (size_t axis = 0; axis < 3; ++axis) {
            double low = at[axis];
            double high = at[axis];
            for (size_t i = axis; i < at.size(); i += 3) {
                low = std::min(low, at[i]);
                high = std::max(high, at[i]);
            }
            EXPECT_NEAR(box[axis], low - around_cm, 2e-5) << f;
            EXPECT_NEAR(box[3 + axis], high + around_cm, 2e-5) << f;
        }
    }
}

TEST_F(MovingFiles, StrandsAndCachesArriveBesideTheModel) {
    const Scene prepared = furry_tower();
    const Result<DeliveryReport> report = deliver(request_for(prepared));
    ASSERT_TRUE(report.ok()) << report.problem().sentence();
    EXPECT_TRUE(report->all_arrived()) << reasons(*report);
    std::vector<std::string> ids;
    for (const Arrival& arrival : report->arrivals) {
        ids.push_back(arrival.deliverable.id());
        EXPECT_EQ(arrival.facts.at(0).hash, hash_of(read_file(folder_ / arrival.files.at(0)).take()));
    }
    EXPECT_EQ(ids, (std::vector<std::string>{"model", "clip:nod", "strands:fur", "cache:fur/nod", "cache:tower/nod"}));
    // What arrived can be played: strands on the model, a surface by itself.
    for (const size_t at : {3U, 4U}) {
        const Scene& shown = *report->arrivals[at].scene;
        ASSERT_EQ(shown.caches.size(), at == 3 ? 1U : 0U) << "from its beginning alone";
        if (at == 3) {
            const PointCache& cache = shown.caches[0];
            EXPECT_EQ(cache.name, "nod");
            EXPECT_EQ(cache.frames, 31);
            EXPECT_EQ(shown.nodes[static_cast<size_t>(cache.surface)].name, "fur");
            ASSERT_NE(shown.find_clip("nod"), nullptr);
            StrandDeformer deformer(prepared, prepared.find_node("fur"));
            Pose pose;
            Poser(prepared, prepared.find_clip("nod")).at(0.5, pose);
            std::vector<Vec3f> points(deformer.point_count());
            deformer.points(pose, points);
            for (size_t p = 0; p < points.size(); ++p) {
                EXPECT_LT((cache.positions[15 * points.size() + p] - points[p]).norm(), 1e-5F);
            }
        }
    }
    // Each says which file it is, wherever it lies.
    for (const Arrival& arrival : report->arrivals) {
        const auto says = std::find_if(arrival.claims.begin(), arrival.claims.end(),
                                       [](const Claim& claim) { return claim.name == "Says what it is"; });
        ASSERT_NE(says, arrival.claims.end()) << arrival.deliverable.id();
        EXPECT_TRUE(says->pass);
        const fs::path file = folder_ / arrival.files[0];
        const fs::path elsewhere = fs::path(folder_.string() + "_elsewhere" + file.extension().string());
        fs::copy_file(file, elsewhere, fs::copy_options::overwrite_existing);
        const Result<Whereabouts> where = whereabouts_of(elsewhere);
        fs::remove(elsewhere);
        ASSERT_TRUE(where.ok()) << where.problem().sentence();
        EXPECT_TRUE(where->from_file);
        EXPECT_EQ(where->stamp["deliverable"], arrival.deliverable.id());
    }
    // A reader that draws only what a box says finds all of it, at every frame.
    expect_boxes_over_time(folder_ / report->arrivals[3].files[0], 31, 0.1F);
    expect_boxes_over_time(folder_ / report->arrivals[4].files[0], 10, 0);
    // The model's file does not hold them once more, nor an empty node in their place.
    EXPECT_EQ(read_scene(folder_ / "tower_model.glb")->find_node("fur"), -1);
    // Nothing of them is said to have stayed behind.
    for (const LedgerEntry& entry : report->left) {
        EXPECT_TRUE(entry.what != "curves" && entry.what != "cache") << entry.name << ": " << entry.why;
    }
    EXPECT_EQ(report->manifest["caches"].size(), 2U);
    EXPECT_EQ(report->manifest["caches"][1]["frames"], 10);
    EXPECT_EQ(report->manifest["caches"][1]["rate"], 10.0);
}

TEST_F(MovingFiles, ACacheThatADestinationTakesInNoContainerStandsInTheLedger) {
    const Scene prepared = furry_tower();
    DeliveryRequest request = request_for(prepared);
    request.destination.points_container.clear();
    const Result<DeliveryReport> report = deliver(request);
    ASSERT_TRUE(report.ok());
    std::vector<std::string> caches;
    bool curves = false;
    for (const LedgerEntry& entry : report->left) {
        if (entry.what == "cache") {
            caches.push_back(entry.name);
        }
        curves = curves || entry.what == "curves";
    }
    EXPECT_EQ(caches, (std::vector<std::string>{"fur/nod", "tower/nod"}));
    EXPECT_TRUE(curves) << "the strands themselves, too";
}

TEST_F(MovingFiles, ASurfaceWithoutNormalsIsGivenNone) {
    Scene prepared = furry_tower();
    prepared.meshes[0].normals = {};
    for (Primitive& part : prepared.meshes[0].primitives) {
        part.has_normals = false;
    }
    const Result<DeliveryReport> report = deliver(request_for(prepared));
    ASSERT_TRUE(report.ok());
    EXPECT_TRUE(report->all_arrived()) << reasons(*report);
    const Result<Scene> read = read_usd(folder_ / "tower_tower_nod.usdc");
    ASSERT_TRUE(read.ok());
    EXPECT_TRUE(read->meshes.at(0).normals.empty());
    EXPECT_TRUE(read->caches.at(0).normals.empty());
}

TEST_F(MovingFiles, EachFrameIsWhereTheClipHasItInTheUnitAndAxesOfTheDestination) {
    const Scene prepared = furry_tower();
    ASSERT_TRUE(deliver(request_for(prepared)).ok());
    // Numbers in the file: Z up, centimetres.
    const Result<MovingFile> raw = open_moving_usd(folder_ / "tower_fur_nod.usdc");
    ASSERT_TRUE(raw.ok()) << raw.problem().sentence();
    EXPECT_EQ(raw->points.frames, 31);
    EXPECT_EQ(raw->points.rate, 30);
    for (const char* name : {"fur", "tower"}) {
        const Result<Scene> read = read_usd(folder_ / fmt::format("tower_{}_nod.usdc", name));
        ASSERT_TRUE(read.ok());
        ASSERT_EQ(read->caches.size(), 1U);
        const PointCache& cache = read->caches[0];
        const Mat4 there = rest_world(*read)[static_cast<size_t>(cache.surface)];
        const int node = prepared.find_node(name);
        const Clip& clip = prepared.clips[0];
        const Poser poser(prepared, &clip);
        Pose pose;
        const bool is_surface = prepared.nodes[static_cast<size_t>(node)].mesh >= 0;
        const size_t count = cache.positions.size() / static_cast<size_t>(cache.frames);
        for (int f = 0; f < cache.frames; ++f) {
            poser.at(is_surface ? (3 + 3 * f) / 30.0 : f / 30.0, pose);
            std::vector<Vec3f> should(count);
            if (is_surface) {
                Deformer deformer(prepared, {node});
                ASSERT_EQ(deformer.point_count(), count);
                deformer.points(pose, should);
            } else {
                StrandDeformer deformer(prepared, node);
                ASSERT_EQ(deformer.point_count(), count);
                deformer.points(pose, should);
            }
            for (size_t p = 0; p < count; ++p) {
                const Vec3 is = point_of(there, cache.positions[static_cast<size_t>(f) * count + p].cast<double>());
                // Core looks along +Z, the destination along -Y: the reader goes by what the file says of up alone.
                EXPECT_LT((is - should[p].cast<double>()).norm(), 2e-6) << name << " frame " << f << " point " << p;
            }
        }
        if (is_surface) {
            EXPECT_EQ(cache.normals.size(), cache.positions.size());
        } else {
            const CurveSet& curves = read->curve_sets.at(0);
            EXPECT_EQ(curves.roots.size(), 120U) << "though the surface is in another file";
            EXPECT_EQ(read->nodes[static_cast<size_t>(cache.surface)].carried.extras, R"({"rootSurface":"tower"})");
            EXPECT_NEAR(curves.widths[0], 0.002, 1e-8);
            EXPECT_NEAR(curves.widths[6], 0.0005, 1e-8);
        }
    }
}

TEST_F(MovingFiles, TheSameSceneGivesTheSameBytesAndIsNotWrittenTwice) {
    const Scene prepared = furry_tower();
    const DeliveryRequest request = request_for(prepared);
    const Result<DeliveryReport> first = deliver(request);
    ASSERT_TRUE(first.ok());
    fs::rename(folder_, folder_.string() + "_first");
    const Result<DeliveryReport> second = deliver(request);
    ASSERT_TRUE(second.ok());
    for (size_t a = 0; a < first->arrivals.size(); ++a) {
        EXPECT_EQ(first->arrivals[a].hash, second->arrivals[a].hash) << first->arrivals[a].deliverable.id();
    }
    fs::remove_all(folder_.string() + "_first");
}

/// Claims of a part that do not hold once Prepared is another than the one that the file was made of.
std::vector<std::string> broken_claims(const Scene& now, const std::string& id, DeliveryRequest request,
                                       const std::string& stem) {
    request.prepared = &now;
    const Result<Arrival> again = check_again(request, {kind_of_deliverable(id), name_in_id(id), stem});
    EXPECT_TRUE(again.ok()) << (again.ok() ? "" : again.problem().sentence());
    std::vector<std::string> names;
    for (const Claim& claim : again.ok() ? again->claims : std::vector<Claim>()) {
        if (!claim.pass) {
            names.push_back(claim.name);
            EXPECT_FALSE(claim.detail.empty());
        }
    }
    EXPECT_EQ(again.ok() && again->state == CellState::held, !names.empty());
    return names;
}

TEST_F(MovingFiles, WhatDiffersIsSeen) {
    const Scene prepared = furry_tower();
    const DeliveryRequest request = request_for(prepared);
    ASSERT_TRUE(deliver(request)->all_arrived());
    using Names = std::vector<std::string>;
    const auto broken = [&](const Scene& now, const std::string& id = "strands:fur",
                            const std::string& stem = "tower_fur") { return broken_claims(now, id, request, stem); };
    EXPECT_EQ(broken(prepared), Names());
    const auto changed = [&](const auto& change) {
        Scene other = prepared;
        change(other);
        return other;
    };
    EXPECT_EQ(broken(changed([](Scene& s) { s.curve_sets[0].widths.edit()[5] *= 1.01F; })), Names{"Widths"});
    EXPECT_EQ(broken(changed([](Scene& s) { s.curve_sets[0].widths = {}; })), Names{"Widths"});
    EXPECT_EQ(broken(changed([](Scene& s) { s.curve_sets[0].roots.edit()[3].u += 0.01F; })), Names{"Roots"});
    const auto last = [](const Names& names) { return names.empty() ? std::string("none") : names.back(); };
    EXPECT_EQ(last(broken(changed([](Scene& s) { s.curve_sets[0].points.edit()[12].x() += 0.002F; }))), "Drift");
    EXPECT_EQ(broken(changed([](Scene& s) {
                  std::swap(s.curve_sets[0].counts.edit()[0], s.curve_sets[0].counts.edit()[1]);
                  s.curve_sets[0].counts.edit()[0] += 1;
                  s.curve_sets[0].counts.edit()[1] -= 1;
              })),
              Names{"Points"});
    EXPECT_EQ(broken(changed([](Scene& s) { scale_all(s, 1.1); })).size(), 3U) << "widths, size, drift";
    // Over frames: another length, another motion.
    EXPECT_EQ(broken(changed([](Scene& s) { s.orders[0].every = 2; }), "cache:fur/nod", "tower_fur_nod").front(),
              "Frames");
    EXPECT_EQ(broken(changed([](Scene& s) { s.curve_sets[0].follow = StrandFollow::still; }), "cache:fur/nod",
                     "tower_fur_nod"),
              Names{"Drift"});
    const Scene moved = changed([](Scene& s) {
        for (Channel& channel : s.clips[0].channels) {
            for (float& value : channel.values.edit()) {
                value *= channel.path == Path::translation ? 1.2F : 1.0F;
            }
            if (channel.path == Path::rotation) {
                channel.values.edit()[24] += 0.3F;
            }
        }
    });
    EXPECT_EQ(last(broken(moved, "cache:tower/nod", "tower_tower_nod")), "Drift");
}

TEST_F(MovingFiles, StrandsOffTheModelOfTheSameDeliveryAreHeld) {
    const Scene prepared = furry_tower();
    DeliveryRequest request = request_for(prepared);
    // The engine takes the models' metres for centimetres: strands, which say their unit, then stand elsewhere.
    request.destination.reads = AxisSystem();
    request.destination.reads->unit_m = 0.01;
    const Result<DeliveryReport> report = deliver(request);
    ASSERT_TRUE(report.ok());
    for (const Arrival& arrival : report->arrivals) {
        if (arrival.deliverable.kind->id == "strands") {
            EXPECT_EQ(arrival.state, CellState::held);
            EXPECT_EQ(arrival.reason.rfind("On the model", 0), 0U) << arrival.reason;
        }
    }
    EXPECT_FALSE(fs::exists(folder_ / "tower_fur.usdc"));
}

TEST_F(MovingFiles, AFileThatSomebodyCutOrBentIsRefusedOrHeldAndNeverBelieved) {
    const Scene prepared = furry_tower();
    const DeliveryRequest request = request_for(prepared);
    ASSERT_TRUE(deliver(request)->all_arrived());
    const fs::path file = folder_ / "tower_fur_nod.usdc";
    const std::string whole = read_file(file).take();
    const Deliverable cache{kind_of_deliverable("cache"), "fur/nod", "tower_fur_nod"};
    for (size_t length = 0; length < whole.size(); length += whole.size() / 12) {
        ASSERT_TRUE(write_file_whole(file, whole.substr(0, length)).ok());
        const Result<Arrival> again = check_again(request, cache);
        EXPECT_FALSE(again.ok() && again->state == CellState::arrived) << length;
    }
    // The highest byte of every so manieth number: most of the file is points, and each of those is seen.
    size_t tried = 0;
    size_t believed = 0;
    for (size_t at = 3; at < whole.size(); at += whole.size() / 320 * 4) {
        std::string bent = whole;
        bent[at] = static_cast<char>(bent[at] ^ 0x7B);
        ASSERT_TRUE(write_file_whole(file, bent).ok());
        const Result<Arrival> again = check_again(request, cache);
        believed += again.ok() && again->state == CellState::arrived ? 1 : 0;
        ++tried;
    }
    EXPECT_GT(tried, 60U);
    EXPECT_LT(believed, tried / 10) << "of " << tried;
}

TEST_F(MovingFiles, WhatSomebodyBakedGoesOutFrameByFrameAsItIs) {
    Scene prepared = furry_tower();
    prepared.orders.clear();
    PointCache cache;
    cache.name = "blown";
    cache.surface = prepared.find_node("fur");
    cache.rate = 24;
    cache.frames = 5;
    std::vector<Vec3f> all;
    for (int f = 0; f < cache.frames; ++f) {
        for (const Vec3f& point : prepared.curve_sets[0].points) {
            all.push_back(point + Vec3f(0, 0, 0.01F * static_cast<float>(f)));
        }
    }
    cache.positions = std::move(all);
    prepared.caches.push_back(cache);
    const Result<DeliveryReport> report = deliver(request_for(prepared));
    ASSERT_TRUE(report.ok());
    EXPECT_TRUE(report->all_arrived()) << reasons(*report);
    const Result<Scene> read = read_usd(folder_ / "tower_fur_blown.usdc");
    ASSERT_TRUE(read.ok());
    EXPECT_EQ(read->caches.at(0).frames, 5);
    EXPECT_EQ(read->caches.at(0).rate, 24);
}

TEST_F(MovingFiles, AsTexturesEachVertexFindsItsPixelAtEachFrame) {
    for (const bool half : {false, true}) {
        Scene prepared = tower({"root", "arm"});
        add_nod(prepared, "nod", 1, 0.7, true);
        prepared = done(prepared, {"cache_surface", {{"clips", {"nod"}}, {"as", "textures"}, {"half", half}}}).scene;
        DeliveryRequest request = request_for(prepared);
        request.destination.points_container.clear(); // an engine with nothing else
        const Result<DeliveryReport> report = deliver(request);
        ASSERT_TRUE(report.ok()) << report.problem().sentence();
        EXPECT_TRUE(report->all_arrived()) << reasons(*report);
        ASSERT_EQ(report->arrivals.size(), 3U);
        EXPECT_EQ(report->arrivals[2].deliverable.id(), "textures:tower/nod");
        EXPECT_EQ(report->arrivals[2].files.size(), 3U);
        const json said = json::parse(read_file(folder_ / "tower_tower_nod_textures.json").take());
        EXPECT_EQ(said["frames"], 31);
        EXPECT_EQ(said["coordinates"], "TEXCOORD_0");
        EXPECT_EQ(said["numbers"], half ? "half" : "float");
        const Result<ExrImage> image = read_exr(folder_ / said["positions"].get<std::string>());
        ASSERT_TRUE(image.ok()) << image.problem().sentence();
        EXPECT_EQ(image->half, half);
        // Put together by what the description says, in the engine's axes and unit, by the model that arrived.
        const Result<Scene> model = read_scene(folder_ / "tower_model.glb");
        const int node = model->find_node("tower");
        const Mesh& mesh = model->meshes[static_cast<size_t>(model->nodes[static_cast<size_t>(node)].mesh)];
        const Attribute& set = mesh.attributes.back();
        ASSERT_EQ(set.name, "TEXCOORD_0");
        const Clip& clip = prepared.clips[0];
        const Poser poser(prepared, &clip);
        Deformer deformer(prepared, {prepared.find_node("tower")});
        Pose pose = poser.rest();
        std::vector<Vec3f> rest(deformer.point_count());
        deformer.points(pose, rest);
        std::vector<Vec3f> there(rest.size());
        const Mat4 engine = request.destination.axes.from_core();
        const double height = said["height"];
        double farthest = 0;
        for (int f = 0; f < 31; ++f) {
            poser.at(f / 30.0, pose);
            deformer.points(pose, there);
            for (size_t v = 0; v < rest.size(); ++v) {
                const double u = static_cast<double>(set.data[2 * v]);
                const double down = (f + static_cast<double>(set.data[2 * v + 1])) / said["frames"].get<double>();
                const auto column = static_cast<size_t>(u * image->size.width);
                const auto row = static_cast<size_t>(down * height);
                const float* pixel = &image->pixels[3 * (row * image->size.width + column)];
                const Vec3 should = linear_of(engine) * (there[v] - rest[v]).cast<double>();
                farthest = std::max(farthest, (Vec3(pixel[0], pixel[1], pixel[2]) - should).norm());
            }
        }
        EXPECT_LT(farthest, half ? 0.1 : 1e-4) << "centimetres";
        EXPECT_GT(half ? farthest : 1, 1e-6) << "halves do round";
        // Another motion, and a model without its coordinates, are seen.
        Scene other = prepared;
        other.clips[0].channels[0].values.edit()[24] += 0.3F;
        EXPECT_FALSE(broken_claims(other, "textures:tower/nod", request, "tower_tower_nod_textures").empty());
        Scene wider = prepared;
        wider.orders[0].every = 2;
        EXPECT_EQ(broken_claims(wider, "textures:tower/nod", request, "tower_tower_nod_textures").front(), "Frames");
        Scene plain = prepared;
        plain.orders.clear();
        request.prepared = &plain;
        EXPECT_TRUE(deliver(request)->all_arrived());
        EXPECT_FALSE(fs::exists(folder_ / "tower_tower_nod_textures.json")) << "what nobody asks for any more goes";
        fs::remove_all(folder_);
    }
}

TEST_F(MovingFiles, AFileThatCannotBeWrittenIsToldAndLeavesNothing) {
    fs::create_directories(folder_);
    const Scene prepared = furry_tower();
    const std::vector<MovingPart> parts = cache_parts(prepared);
    ASSERT_EQ(parts.size(), 2U);
    Arrival arrival;
    const Destination destination = built_in_destinations().front();
    EXPECT_FALSE(write_part(prepared, parts[0], destination, {}, folder_ / "nowhere" / "x", arrival).ok());
    // What is there is not written over.
    ASSERT_TRUE(write_file_whole(folder_ / "x.usdc", "mine").ok());
    EXPECT_FALSE(write_part(prepared, parts[0], destination, {}, folder_ / "x", arrival).ok());
    EXPECT_EQ(read_file(folder_ / "x.usdc").take(), "mine");
    // A maker of frames that gives up half way takes its file along.
    MovingPoints broken = frames_of(prepared, parts[0], destination);
    const auto at = broken.at;
    broken.node = 0;
    broken.at = [&](int frame, std::vector<Vec3f>& points, std::vector<Vec3f>& normals) -> Outcome {
        return frame == 9 ? Outcome(Problem{"it gave up.", "", ""}) : at(frame, points, normals);
    };
    const Outcome outcome = write_moving_usd(alone(prepared, parts[0]), broken, folder_ / "y.usdc", {});
    ASSERT_FALSE(outcome.ok());
    EXPECT_EQ(outcome.problem().what, "it gave up.");
    EXPECT_FALSE(fs::exists(folder_ / "y.usdc"));
}

TEST(CacheOrders, GoWithTheirNodeAndTheirClip) {
    const Scene scene = furry_tower();
    ASSERT_EQ(scene.orders.size(), 2U);
    const Scene renamed = done(scene, {"rename_clips", {{"rules", {{{"find", "^nod$"}, {"replace", "greet"}}}}}}).scene;
    EXPECT_EQ(renamed.orders[0].clip, "greet");
    EXPECT_EQ(cache_parts(renamed).size(), 2U);
    Scene without = scene;
    std::vector<int> stay(scene.nodes.size());
    std::iota(stay.begin(), stay.end(), 0);
    stay.erase(stay.begin() + scene.find_node("fur"));
    reorder_nodes(without, stay);
    ASSERT_EQ(without.orders.size(), 1U);
    EXPECT_EQ(without.nodes[static_cast<size_t>(without.orders[0].node)].name, "tower");
    // A clip that is gone is a stop, not a cache that quietly stays away.
    Scene lost = scene;
    lost.clips[0].name = "other";
    size_t stops = 0;
    for (const Finding& finding : look_for_findings({lost, nullptr})) {
        stops += finding.id == "cache_without_clip" && finding.grade == Grade::stop ? 1 : 0;
    }
    EXPECT_EQ(stops, 2U);
    // A step that asks again for the same asks anew.
    const Scene again = done(scene, {"cache_strands", {{"clips", {"nod"}}, {"every", 5}}}).scene;
    ASSERT_EQ(again.orders.size(), 2U);
    EXPECT_NE(refused(scene, {"cache_strands", {{"clips", {"nod"}}, {"first", 400}}}).find("no frame 400"),
              std::string::npos);
}

TEST(StrandFindings, AWrongUnitAndAWrongAxisAreToldWithTheStepThatMendsThem) {
    const Scene right = furry_tower();
    const std::array<std::pair<const char*, Quat>, 4> turns = {
        {{"none", Quat::Identity()},
         {"z_up", shortest_turn(Vec3::UnitZ(), Vec3::UnitY())},
         {"y_down", Quat(Eigen::AngleAxisd(M_PI, Vec3::UnitX()))},
         {"x_up", shortest_turn(Vec3::UnitX(), Vec3::UnitY())}}};
    for (const double factor : {1.0, 100.0, 0.01, 1000.0, 1 / 0.0254}) {
        for (const auto& [word, turn] : turns) {
            Scene wrong = right;
            CurveSet& curves = wrong.curve_sets[0];
            Mat4 back = Mat4::Identity();
            back.topLeftCorner<3, 3>() = turn.conjugate().toRotationMatrix() / factor;
            transform_geometry(curves, back);
            curves.surface = -1;
            curves.roots = {};
            std::vector<Step> steps;
            for (const Finding& finding : look_for_findings({wrong, nullptr})) {
                if (finding.id == "strand_size") {
                    EXPECT_EQ(finding.grade, Grade::stop);
                    steps.push_back(*finding.step);
                }
                EXPECT_TRUE(finding.id != "strand_roots" || factor == 1) << "one finding, one step";
            }
            if (factor == 1 && std::string(word) == "none") {
                EXPECT_TRUE(steps.empty());
                continue;
            }
            if (steps.empty()) { // a tower has much the same on more than one side
                EXPECT_EQ(factor, 1) << word;
                continue;
            }
            EXPECT_NEAR(steps[0].parameters["factor"].get<double>(), factor, 1e-9 * factor) << word;
            const Scene mended = done(wrong, steps[0]).scene;
            for (const Finding& finding : look_for_findings({mended, nullptr})) {
                EXPECT_TRUE(finding.id != "strand_size" && finding.id != "strand_roots") << finding.message;
            }
        }
    }
}

TEST(StrandFindings, WidthsThatAreMissingAreAskedForWhereStrandsGoOut) {
    Scene scene = furry_tower();
    scene.curve_sets[0].widths = {};
    const auto count = [&](const Destination* destination) {
        size_t found = 0;
        for (const Finding& finding : look_for_findings({scene, destination})) {
            found += finding.id == "strand_widths" ? 1 : 0;
        }
        return found;
    };
    const std::vector<Destination> both = built_in_destinations();
    EXPECT_EQ(count(&both[0]), 1U);
    EXPECT_EQ(count(&both[1]), 0U) << "it takes no strands";
    EXPECT_EQ(count(nullptr), 1U);
    scene = done(scene, {"set_strand_widths", {{"root_mm", 1}, {"tip_mm", 0.1}}}).scene;
    EXPECT_EQ(count(&both[0]), 0U);
}

TEST(Exr, ComesBackAsItWasAndNothingBrokenIsTaken) {
    const fs::path folder = fs::temp_directory_path() / fmt::format("wembrix_exr_{}", ::getpid());
    fs::create_directories(folder);
    const auto row = [](uint32_t y, std::span<float> numbers) -> Outcome {
        for (size_t i = 0; i < numbers.size(); ++i) {
            numbers[i] = static_cast<float>(std::sin(0.7 * static_cast<double>(i) + y)) * 100;
        }
        return Done{};
    };
    for (const bool half : {false, true}) {
        const fs::path file = folder / (half ? "half.exr" : "float.exr");
        ASSERT_TRUE(write_exr(file, {37, 11}, half, row).ok());
        EXPECT_FALSE(write_exr(file, {37, 11}, half, row).ok()) << "what is there stays";
        const Result<ExrImage> read = read_exr(file);
        ASSERT_TRUE(read.ok());
        EXPECT_EQ(read->size.width, 37U);
        EXPECT_EQ(read->size.height, 11U);
        std::vector<float> wanted(3 * 37);
        for (uint32_t y = 0; y < 11; ++y) {
            ASSERT_TRUE(row(y, wanted).ok());
            for (size_t i = 0; i < wanted.size(); ++i) {
                EXPECT_NEAR(read->pixels[y * wanted.size() + i], wanted[i], half ? 0.05 : 0) << y << " " << i;
            }
        }
        const std::string whole = read_file(file).take();
        for (size_t length = 0; length < whole.size(); length += 31) {
            ASSERT_TRUE(write_file_whole(folder / "cut.exr", whole.substr(0, length)).ok());
            EXPECT_FALSE(read_exr(folder / "cut.exr").ok()) << length;
        }
        for (size_t at = 0; at < whole.size(); at += 17) { // whatever it then is, it is read or refused
            std::string bent = whole;
            bent[at] = static_cast<char>(bent[at] ^ 0x55);
            ASSERT_TRUE(write_file_whole(folder / "bent.exr", bent).ok());
            (void)read_exr(folder / "bent.exr");
        }
    }
    EXPECT_FALSE(write_exr(folder / "x.exr", {4, 4}, false, [](uint32_t y, std::span<float>) -> Outcome {
                     return y == 2 ? Outcome(Problem{"no more.", "", ""}) : Outcome(Done{});
                 }).ok());
    EXPECT_FALSE(fs::exists(folder / "x.exr"));
    fs::remove_all(folder);
}

TEST(FileSink, NamesThatAreTakenAreRefusedAndHashesAreThoseOfTheBytes) {
    const fs::path file = fs::temp_directory_path() / fmt::format("wembrix_sink_{}", ::getpid());
    fs::remove(file);
    std::string all;
    {
        Result<FileSink> made = FileSink::create(file);
        ASSERT_TRUE(made.ok());
        FileSink sink = made.take();
        EXPECT_FALSE(FileSink::create(file).ok());
        for (int k = 0; k < 3000; ++k) {
            const std::string piece(static_cast<size_t>(k % 977), static_cast<char>('a' + k % 26));
            ASSERT_TRUE(sink.append(piece).ok());
            all += piece;
        }
        ASSERT_TRUE(sink.write_over(2, "head").ok());
        all.replace(2, 4, "head");
        ASSERT_TRUE(sink.finish().ok());
    }
    EXPECT_EQ(read_file(file).take(), all);
    EXPECT_EQ(hash_of_file(file).take(), hash_of(all));
    EXPECT_EQ((*MappedFile::open(file))->bytes(), all);
    fs::remove(file);
    {
        Result<FileSink> made = FileSink::create(file);
        FileSink sink = made.take();
        ASSERT_TRUE(sink.append("half").ok());
    }
    EXPECT_FALSE(fs::exists(file)) << "what is not finished goes again";
    EXPECT_FALSE(MappedFile::open(file).ok());
    EXPECT_FALSE(hash_of_file(file).ok());
    EXPECT_FALSE(hash_of_file(fs::temp_directory_path()).ok());
}

} // namespace
} // namespace wembrix::testing
