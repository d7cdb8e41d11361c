// wembrix-points: our own evaluation, for other people's readers to be held against.
//   wembrix-points dump FILE OUT.json   surface points and joints of sampled frames
//   wembrix-points objs DIR COUNT       random .obj files and the corners that we find in them
//   wembrix-points daes DIR COUNT       the same as .dae, without curves
//   wembrix-points usds DIR COUNT       random rigs with curves as .usdc and .usda, and where their corners are over
//   time wembrix-points usdsame FILE TEXT    whether two USD layers say the same, number for number wembrix-points rigs
//   DIR COUNT       random rigs as .glb: as received, and as delivered after a mending card
#include "core/base/files.h"
#include "core/destination/conform.h"
#include "core/formats/collada/collada.h"
#include "core/formats/format.h"
#include "core/formats/gltf/gltf.h"
#include "core/formats/obj/obj.h"
#include "core/formats/usd/compose.h"
#include "core/formats/usd/usd.h"
#include "core/measure/scene/bounds.h"
#include "core/measure/surface/deform.h"
#include "core/measure/surface/skin_matrices.h"
#include "core/steps/step.h"
#include "core/steps/step_kind.h"
#include "random_obj.h"
#include "random_rig.h"

#include <cstdio>
#include <filesystem>
#include <fmt/format.h>
#include <nlohmann/json.hpp>

namespace {

using namespace wembrix;
using nlohmann::json;

json frame_of(const Scene& scene, Deformer& deformer, const Poser& poser, double seconds) {
    Pose pose;
    poser.at(seconds, pose);
    std::vector<Vec3f> points(deformer.point_count());
    deformer.points(pose, points);
    json surfaces = json::object();
    for (const Deformer::Surface& surface : deformer.surfaces()) {
        // Large surfaces are sampled: every k-th point, the same for everybody.
        const size_t step = std::max<size_t>(1, surface.count / 4000);
        json rows = json::array();
        for (size_t i = 0; i < surface.count; i += step) {
            const Vec3f& p = points[surface.first + i];
            rows.push_back({p.x(), p.y(), p.z()});
        }
        surfaces[scene.nodes[surface.node].name] = {{"step", step}, {"count", surface.count}, {"points", rows}};
    }
    json joints = json::object();
    json matrices = json::object(); // column after column
    for (const int joint : joints_of(scene)) {
        const Mat4& world = pose.world[joint];
        joints[scene.nodes[joint].name] = {world(0, 3), world(1, 3), world(2, 3)};
        matrices[scene.nodes[joint].name] = std::vector<double>(world.data(), world.data() + 12);
    }
    json weights = json::object(); // of shapes
    for (const int surface : surfaces_of(scene)) {
        const Node& node = scene.nodes[static_cast<size_t>(surface)];
        const size_t count = scene.meshes[static_cast<size_t>(node.mesh)].shapes.size();
        if (count > 0) {
            const auto first = pose.shape_weights.begin() + static_cast<ptrdiff_t>(poser.shape_offset(surface));
            weights[node.name] = std::vector<double>(first, first + static_cast<ptrdiff_t>(count));
        }
    }
    return {{"seconds", seconds},
            {"surfaces", surfaces},
            {"joints", joints},
            {"matrices", matrices},
            {"shape_weights", weights}};
}

/// Every surface with shapes, before the skin: as it is, with each shape alone, half of each, and some of all.
json shaped(const Scene& scene) {
    constexpr size_t step = 5;
    const Poser poser(scene, nullptr);
    json all = json::array();
    for (const int surface : surfaces_of(scene)) {
        const Node& node = scene.nodes[static_cast<size_t>(surface)];
        const std::vector<MorphTarget>& shapes = scene.meshes[static_cast<size_t>(node.mesh)].shapes;
        if (shapes.empty()) {
            continue;
        }
        const auto with = [&](const std::vector<double>& weights) {
            Pose pose = poser.rest();
            std::copy(weights.begin(), weights.end(),
                      pose.shape_weights.begin() + static_cast<ptrdiff_t>(poser.shape_offset(surface)));
            json rows = json::array();
            const std::vector<Vec3> places = shaped_positions(scene, surface, pose);
            for (size_t v = 0; v < places.size(); v += step) {
                rows.push_back({places[v].x(), places[v].y(), places[v].z()});
            }
            return json{{"weights", weights}, {"points", rows}};
        };
        json one = {{"surface", node.name}, {"step", step}, {"names", json::array()}, {"states", json::array()}};
        std::vector<double> none(shapes.size(), 0);
        std::vector<double> mixed;
        one["states"].push_back(with(none));
        for (size_t k = 0; k < shapes.size(); ++k) {
            one["names"].push_back(shapes[k].name);
            for (const double weight : {1.0, 0.5}) {
                std::vector<double> alone = none;
                alone[k] = weight;
                one["states"].push_back(with(alone));
            }
            mixed.push_back(0.9 / static_cast<double>(k + 1));
        }
        one["states"].push_back(with(mixed));
        all.push_back(std::move(one));
    }
    return all;
}

int dump(const std::string& file, const std::string& out) {
    const Result<Scene> scene = read_scene(file);
    if (!scene) {
        fmt::print(stderr, "{}\n", scene.problem().sentence());
        return 2;
    }
    Deformer deformer(*scene);
    json result = {{"size", whole_bounds(*scene).size().norm()}, {"clips", json::array()}};
    result["rest"] = frame_of(*scene, deformer, Poser(*scene, nullptr), 0);
    result["shaped"] = shaped(*scene);
    json parents = json::array();
    for (const int joint : joints_of(*scene)) {
        const int parent = scene->nodes[joint].parent;
        parents.push_back(
            {{"name", scene->nodes[joint].name}, {"parent", parent < 0 ? json() : json(scene->nodes[parent].name)}});
    }
    result["joints"] = parents;
    for (const Clip& clip : scene->clips) {
        json frames = json::array();
        const Poser poser(*scene, &clip);
        for (int k = 0; k <= 6; ++k) {
            frames.push_back(frame_of(*scene, deformer, poser, clip.seconds * k / 6 * 0.9999));
        }
        size_t keys = 0;
        for (const Channel& channel : clip.channels) {
            keys = std::max(keys, channel.times.size());
        }
        result["clips"].push_back({{"name", clip.name}, {"seconds", clip.seconds}, {"keys", keys}, {"frames", frames}});
    }
    return write_file_whole(out, result.dump()).ok() ? 0 : 2;
}

int rigs(const std::filesystem::path& folder, uint32_t count) {
    std::filesystem::create_directories(folder);
    for (uint32_t seed = 1; seed <= count; ++seed) {
        testing::RigOptions options = testing::options_for(seed);
        options.odd_weights = false;
        Scene scene = testing::random_rig(seed, options);
        const auto put = [&](const Scene& one, const std::string& name) {
            const auto files = write_glb(one, name);
            return files.ok() && write_file_whole(folder / files->front().name, files->front().bytes).ok();
        };
        if (!put(scene, fmt::format("received_{:03}", seed))) {
            return 2;
        }
        std::vector<Step> card = {{"strip_prefix"}, {"bake_parent_transforms"}, {"make_root"}};
        if (seed % 2 == 0) {
            // The skeleton made anew: other binds, scales, turns and order.
            card.insert(card.end(), {{"set_rest_pose", {{"from", "bind"}, {"surface", "rebind"}}},
                                     {"bake_joint_scale", {{"stretch", seed % 4 == 0 ? "keep" : "translation"}}},
                                     {"align_bone_axes"},
                                     {"insert_joint", {{"name", "made"}, {"under", "root"}}},
                                     {"reorder_joints", {{"by", "name"}}}});
        }
        for (const Step& step : card) {
            const Result<StepResult> applied = apply_step(scene, step);
            if (!applied) {
                fmt::print(stderr, "rig {}: {}\n", seed, applied.problem().sentence());
                return 2;
            }
            scene = applied->scene;
        }
        const Destination destination = built_in_destinations()[1];
        Destination kept = destination; // stepped and cubic keys as they are
        kept.clip_keys = ClipKeys::as_prepared;
        kept.still_channels = seed % 2 == 0;
        // A clip made anew by one of the steps for clips, each in its turn.
        const std::string name = scene.clips.front().name;
        const std::vector<std::vector<Step>> ways = {
            {{"bake", {{"rate", 60}}}},
            {{"reverse"}},
            {{"stretch_time", {{"factor", 1.5}}}},
            {{"extract_root_motion", {{"mode", "in_place"}}}},
            {{"close_loop", {{"clip", name}, {"mode", "blend"}, {"frames", 5}}}},
            {{"close_loop", {{"clip", name}, {"mode", "repeat_first"}}}, {"start_at", {{"clip", name}, {"frame", 7}}}},
            {{"join_clips", {{"clips", {name, name}}, {"name", "joined"}, {"overlap", 4}, {"keep", true}}}},
            {{"bake"}, {"reduce_keys", {{"limit_mm", 1}}}},
        };
        Scene stepped = scene;
        for (const Step& step : ways[seed % ways.size()]) {
            const Result<StepResult> applied = apply_step(stepped, step);
            if (!applied) {
                fmt::print(stderr, "rig {}: {}\n", seed, applied.problem().sentence());
                return 2;
            }
            stepped = applied->scene;
        }
        if (!put(conform_clip(stepped, stepped.clips.back(), destination).scene,
                 fmt::format("delivered_{:03}_steps", seed))) {
            return 2;
        }
        if (!put(conform_clip(scene, scene.clips.front(), kept).scene, fmt::format("delivered_{:03}_kept", seed))) {
            return 1;
        }
        if (!put(conform_model(scene, destination).scene, fmt::format("delivered_{:03}_model", seed)) ||
            !put(conform_clip(scene, scene.clips.front(), destination).scene,
                 fmt::format("delivered_{:03}_clip", seed))) {
            return 2;
        }
    }
    return 0;
}

/// The triangles of every surface as corners: place, texture coordinates (counted upwards), normal.
json corners_of(const Scene& scene) {
    json surfaces = json::object();
    for (const int surface : surfaces_of(scene)) {
        const Mesh& mesh = scene.meshes[scene.nodes[surface].mesh];
        const auto coordinates = std::find_if(mesh.attributes.begin(), mesh.attributes.end(),
                                              [](const Attribute& one) { return one.name == "TEXCOORD_0"; });
        json triangles = json::array();
        for (const Primitive& primitive : mesh.primitives) {
            const bool has_coordinates = std::find(primitive.attributes.begin(), primitive.attributes.end(),
                                                   "TEXCOORD_0") != primitive.attributes.end();
            for (const std::array<uint32_t, 3>& triangle : triangles_of(mesh, primitive)) {
                json corners = json::array();
                for (const uint32_t v : triangle) {
                    json corner = {mesh.positions[v].x(), mesh.positions[v].y(), mesh.positions[v].z()};
                    if (has_coordinates) {
                        corner.push_back(coordinates->data[2 * v]);
                        corner.push_back(1 - coordinates->data[2 * v + 1]);
                    }
                    if (primitive.has_normals) {
                        corner.push_back(mesh.normals[v].x());
                        corner.push_back(mesh.normals[v].y());
                        corner.push_back(mesh.normals[v].z());
                    }
                    corners.push_back(corner);
                }
                triangles.push_back(
                    {{"corners", corners}, {"coordinates", has_coordinates}, {"normals", primitive.has_normals}});
            }
        }
        surfaces[scene.nodes[surface].name] = triangles;
    }
    return surfaces;
}

void add_plumes(Scene& scene) {
    CurveSet curves;
    curves.name = "plumes";
    curves.counts = std::vector<uint32_t>{2, 3};
    curves.points = std::vector<Vec3f>{{0, 0, 0}, {0, 1, 0}, {1, 0, 0}, {1, 1, 0}, {1, 2, 0.25F}};
    curves.widths = std::vector<float>{0.01F, 0.005F, 0.02F, 0.01F, 0.005F};
    Node plumes;
    plumes.name = "plumes";
    plumes.curves = 0;
    scene.curve_sets = {std::move(curves)};
    plumes.kind = NodeKind::surface;
    scene.nodes.push_back(std::move(plumes));
}

/// What others' readers of USD and COLLADA know: four influences, no shapes, joints with one bind pose; for USD a few
/// curves with widths. With each file what our own reading has at several moments.
int in_frames(const std::filesystem::path& folder, uint32_t count, bool is_usd) {
    std::filesystem::create_directories(folder);
    for (uint32_t seed = 1; seed <= count; ++seed) {
        testing::RigOptions options;
        options.odd_weights = false;
        options.moving_scale = false;
        Scene scene = testing::random_rig(seed, options);
        const std::vector<Step> card = {
            {"strip_prefix"},     {"bake_parent_transforms"},
            {"make_root"},        {"set_rest_pose", {{"from", "bind"}, {"surface", "rebind"}}},
            {"bake_joint_scale"}, {"limit_influences", {{"max_influences", 4}}}};
        for (const Step& step : card) {
            const Result<StepResult> applied = apply_step(scene, step);
            if (!applied) {
                fmt::print(stderr, "rig {}: {}\n", seed, applied.problem().sentence());
                return 2;
            }
            scene = applied->scene;
        }
        scene.clips.resize(1);
        std::erase_if(scene.clips[0].channels, [](const Channel& channel) { return channel.path == Path::weights; });
        for (Mesh& mesh : scene.meshes) {
            mesh.shapes.clear();
            mesh.shape_weights.clear();
        }
        for (Node& node : scene.nodes) {
            node.shape_weights.clear();
        }
        if (is_usd) {
            add_plumes(scene);
        }
        const std::string stem = fmt::format("rig_{:03}", seed);
        const auto files = is_usd ? write_usd(scene, stem, {}, seed % 2 == 0) : write_collada(scene, stem, {});
        if (!files) { // two bind poses
            continue;
        }
        Deformer deformer(scene);
        const Clip& clip = scene.clips[0];
        const Poser poser(scene, &clip);
        json surfaces = json::object();
        std::vector<Vec3f> points(deformer.point_count());
        for (const Deformer::Surface& surface : deformer.surfaces()) {
            const Mesh& mesh = scene.meshes[static_cast<size_t>(scene.nodes[static_cast<size_t>(surface.node)].mesh)];
            std::vector<uint32_t> corners;
            for (const Primitive& part : mesh.primitives) {
                for (const std::array<uint32_t, 3>& triangle : triangles_of(mesh, part)) {
                    corners.insert(corners.end(), triangle.begin(), triangle.end());
                }
            }
            surfaces[scene.nodes[static_cast<size_t>(surface.node)].name] = {{"corners", corners},
                                                                             {"frames", json::array()}};
        }
        json times = json::array();
        const int last = clip.frames() - 1;
        for (int k = 0; k <= 4; ++k) {
            const double seconds = std::floor(last * k / 4.0) / clip.rate;
            times.push_back(seconds);
            Pose pose;
            poser.at(seconds, pose);
            deformer.points(pose, points);
            for (const Deformer::Surface& surface : deformer.surfaces()) {
                std::vector<float> flat;
                for (size_t i = 0; i < surface.count; ++i) {
                    const Vec3f& p = points[surface.first + i];
                    flat.insert(flat.end(), {p.x(), p.y(), p.z()});
                }
                surfaces[scene.nodes[static_cast<size_t>(surface.node)].name]["frames"].push_back(flat);
            }
        }
        const json all = {{"size", whole_bounds(scene).size().norm()}, {"times", times}, {"surfaces", surfaces}};
        if (!write_file_whole(folder / files->front().name, files->front().bytes).ok() ||
            !write_file_whole(folder / (files->front().name + ".json"), all.dump()).ok()) {
            return 2;
        }
    }
    return 0;
}

/// How many values two layers were compared by; -1, and a line, where they differ.
class SameLayers {
  public:
    int run(const usd::Layer& ours, const usd::Layer& theirs) {
        for (const usd::Prim& prim : ours.prims) {
            compare(prim, theirs.find("/" + prim.name), "/" + prim.name);
        }
        fmt::print("{} values the same\n", values_);
        return different_ || values_ == 0 ? 1 : 0;
    }

  private:
    void differs(const std::string& where, const std::string& how) {
        fmt::print("{}: {}\n", where, how);
        different_ = true;
    }
    void compare(const usd::Prim& ours, const usd::Prim* theirs, const std::string& at) {
        if (theirs == nullptr || theirs->type_name != ours.type_name) {
            differs(at, theirs == nullptr ? "is not there" : "is of another type");
            return;
        }
        for (const usd::Property& property : ours.properties) {
            const usd::Property* other = theirs->property(property.name);
            const bool says_nothing = !property.has_value && property.samples.empty() && property.connections.empty();
            if (says_nothing) {
                continue;
            }
            if (other == nullptr) {
                differs(at + "." + property.name, "is not there");
                continue;
            }
            if (property.targets.list() != other->targets.list() ||
                property.connections.list() != other->connections.list()) {
                differs(at + "." + property.name, "points elsewhere");
            }
            if (property.has_value) {
                same(property.value, other->value, at + "." + property.name);
            }
            if (property.samples.size() != other->samples.size()) {
                differs(at + "." + property.name, "has another number of samples");
                continue;
            }
            for (size_t i = 0; i < property.samples.size(); ++i) {
                if (std::abs(property.samples[i].time - other->samples[i].time) > 1e-6) {
                    differs(at + "." + property.name, "is at another time");
                }
                same(property.samples[i].value, other->samples[i].value, at + "." + property.name);
            }
        }
        for (const usd::Prim& child : ours.children) {
            compare(child, theirs->child(child.name), at + "/" + child.name);
        }
    }
    void same(const usd::Value& a, const usd::Value& b, const std::string& at) {
        const std::vector<double> x = a.numbers<double>();
        const std::vector<double> y = b.numbers<double>();
        if (x.size() != y.size() || a.texts() != b.texts()) {
            differs(at, "holds another number of values, or other texts");
            return;
        }
        for (size_t i = 0; i < x.size(); ++i) {
            if (!(std::abs(x[i] - y[i]) <= 2e-6 * std::max(1.0, std::abs(x[i])))) {
                differs(at, fmt::format("value {}: {} and {}", i, x[i], y[i]));
                return;
            }
        }
        values_ += x.size() + a.texts().size();
    }

    size_t values_ = 0;
    bool different_ = false;
};

int usdsame(const std::string& file, const std::string& text) {
    const Result<usd::Layer> ours = usd::read_layer(file);
    const Result<usd::Layer> theirs = usd::read_layer(text);
    if (!ours || !theirs) {
        fmt::print(stderr, "{}\n", (ours ? theirs : ours).problem().sentence());
        return 2;
    }
    return SameLayers().run(*ours, *theirs);
}

/// Random OBJ files with triangles as we read them, and what we write of files with polygons.
int objs(const std::filesystem::path& folder, uint32_t count) {
    std::filesystem::create_directories(folder);
    for (uint32_t seed = 1; seed <= count; ++seed) {
        const auto put = [&](const std::string& name, const std::string& text, const Scene& scene) {
            return write_file_whole(folder / (name + ".obj"), text).ok() &&
                   write_file_whole(folder / (name + ".json"), corners_of(scene).dump()).ok();
        };
        const std::string text = testing::random_obj(seed, 3);
        const Result<Scene> read = read_obj_text(text, "thing");
        const Result<Scene> polygons = read_obj_text(testing::random_obj(seed + 5000), "thing");
        const auto written = polygons ? write_obj(*polygons, "thing") : Result<std::vector<WrittenFile>>(Problem{});
        if (!read || !written || !put(fmt::format("read_{:03}", seed), text, *read) ||
            !put(fmt::format("written_{:03}", seed), written->front().bytes, *polygons)) {
            return 2;
        }
    }
    return 0;
}

} // namespace

int main(int count, char** arguments) {
    const std::string command = count > 1 ? arguments[1] : "";
    if (count == 4 && command == "dump") {
        return dump(arguments[2], arguments[3]);
    }
    if (count == 4 && command == "rigs") {
        return rigs(arguments[2], static_cast<uint32_t>(std::stoul(arguments[3])));
    }
    if (count == 4 && command == "objs") {
        return objs(arguments[2], static_cast<uint32_t>(std::stoul(arguments[3])));
    }
    if (count == 4 && command == "usds") {
        return in_frames(arguments[2], static_cast<uint32_t>(std::stoul(arguments[3])), true);
    }
    if (count == 4 && command == "daes") {
        return in_frames(arguments[2], static_cast<uint32_t>(std::stoul(arguments[3])), false);
    }
    if (count == 4 && command == "usdsame") {
        return usdsame(arguments[2], arguments[3]);
    }
    fmt::print(stderr, "usage: wembrix-points dump FILE OUT.json | rigs DIR COUNT | objs DIR COUNT | usds DIR COUNT | "
                       "daes DIR COUNT | usdsame FILE TEXT\n");
    return 2;
}
