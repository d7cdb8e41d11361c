// Scenes through COLLADA: what we write comes back, and what others write is understood, whatever their habits.
#include "core/base/files.h"
#include "core/destination/file_space.h"
#include "core/destination/prune.h"
#include "core/formats/collada/collada.h"
#include "core/measure/clips/baked.h"
#include "core/measure/comparison/compare_scenes.h"
#include "core/measure/scene/drift.h"
#include "core/measure/skeleton/pose.h"
#include "random_rig.h"
#include "random_skin.h"
#include "tansy_scene.h"
#include "valid_scene.h"

#include <fmt/format.h>
#include <gtest/gtest.h>
#include <random>
#include <set>

namespace wembrix {
namespace {

namespace fs = std::filesystem;

std::string collada_file(const std::string& libraries, const std::string& nodes,
                         const std::string& asset = "<unit meter=\"1\"/><up_axis>Y_UP</up_axis>") {
    return "<?xml version=\"1.0\"?><COLLADA xmlns=\"http://www.collada.org/2005/11/COLLADASchema\" version=\"1.4.1\">"
           "<asset>" +
           asset + "</asset>" + libraries + "<library_visual_scenes><visual_scene id=\"scene\">" + nodes +
           "</visual_scene></library_visual_scenes><scene><instance_visual_scene url=\"#scene\"/></scene></COLLADA>";
}
Scene read_of(const std::string& libraries, const std::string& nodes,
              const std::string& asset = "<unit meter=\"1\"/><up_axis>Y_UP</up_axis>") {
    Result<Scene> scene = read_collada_bytes(collada_file(libraries, nodes, asset), "made");
    EXPECT_TRUE(scene.ok()) << (scene.ok() ? "" : scene.problem().sentence());
    return scene.ok() ? scene.take() : Scene();
}
bool is_told(const Scene& scene, const std::string& words) {
    return std::any_of(scene.notes.begin(), scene.notes.end(),
                       [&](const Note& note) { return note.what.find(words) != std::string::npos; });
}
std::string floats(const std::string& id, const std::string& numbers, int count, int stride,
                   const std::string& params) {
    std::string text = fmt::format("<source id=\"{0}\"><float_array id=\"{0}-a\" count=\"{1}\">{2}</float_array>"
                                   "<technique_common><accessor source=\"#{0}-a\" count=\"{3}\" stride=\"{4}\">",
                                   id, count * stride, numbers, count, stride);
    for (const char param : params) {
        text += param == 'M' ? "<param name=\"TRANSFORM\" type=\"float4x4\"/>"
                             : fmt::format("<param name=\"{}\" type=\"float\"/>", param);
    }
    return text + "</accessor></technique_common></source>";
}
std::string names(const std::string& id, const std::string& words, int count, const std::string& kind = "Name") {
    return fmt::format("<source id=\"{0}\"><{3}_array id=\"{0}-a\" count=\"{1}\">{2}</{3}_array>"
                       "<technique_common><accessor source=\"#{0}-a\" count=\"{1}\" stride=\"1\">"
                       "<param name=\"N\" type=\"name\"/></accessor></technique_common></source>",
                       id, count, words, kind);
}
/// A square of two triangles; corner 0 has two values for its coordinates.
std::string square(const std::string& id = "sq", const std::string& points = "0 0 0 1 0 0 1 1 0 0 1 0") {
    return fmt::format(
        "<geometry id=\"{0}\" name=\"{0}\"><mesh>{1}{2}<vertices id=\"{0}-v\">"
        "<input semantic=\"POSITION\" source=\"#{0}-p\"/></vertices>"
        "<triangles count=\"2\" material=\"slot\"><input semantic=\"VERTEX\" source=\"#{0}-v\" offset=\"0\"/>"
        "<input semantic=\"TEXCOORD\" source=\"#{0}-t\" offset=\"1\" set=\"0\"/>"
        "<p>0 0 1 1 2 2 0 3 2 2 3 0</p></triangles></mesh></geometry>",
        id, floats(id + "-p", points, 4, 3, "XYZ"), floats(id + "-t", "0 0 1 0 1 1 0.5 0.5", 4, 2, "ST"));
}
Scene through_collada(const Scene& scene, const AxisSystem& space = {}) {
    const Result<std::vector<WrittenFile>> files = write_collada(scene, "rig", space);
    EXPECT_TRUE(files.ok()) << (files.ok() ? "" : files.problem().sentence());
    Result<Scene> read = read_collada_bytes(files->front().bytes, "rig");
    EXPECT_TRUE(read.ok()) << (read.ok() ? "" : read.problem().sentence());
    return read.ok() ? read.take() : Scene();
}

TEST(Collada, RandomRigsComeBack) {
    for (uint32_t seed = 1; seed <= testing::seeds(); ++seed) {
        Scene scene = testing::random_rig(seed, testing::options_for(seed));
        scene.clips.resize(std::min<size_t>(1, scene.clips.size()));
        const Result<std::vector<WrittenFile>> files = write_collada(scene, "rig", {});
        ASSERT_TRUE(files.ok()) << seed << " " << files.problem().sentence();
        EXPECT_EQ(write_collada(scene, "rig", {})->front().bytes, files->front().bytes) << seed;
        const Scene read = through_collada(scene);
        ASSERT_EQ(testing::what_is_not_valid(read), "") << seed;
        // At its frames: between them stands what a matrix a frame says.
        Scene baked = scene;
        for (Clip& clip : baked.clips) {
            put_tracks(bake_tracks(clip), 0, clip);
            clip.start_s = 0;
        }
        const Drift drift = measure_drift_all(baked, read, Matching::name, Mat4::Identity());
        EXPECT_LE(drift.largest_mm, testing::allowed_mm(scene)) << "seed " << seed << " at " << drift.place;
        EXPECT_EQ(joints_of(read).size(), joints_of(scene).size()) << seed;
        ASSERT_EQ(read.clips.size(), scene.clips.size()) << seed;
        for (size_t c = 0; c < read.clips.size(); ++c) {
            EXPECT_EQ(read.clips[c].name, scene.clips[c].name) << seed;
            EXPECT_NEAR(read.clips[c].rate, scene.clips[c].rate, 1e-9) << seed;
            EXPECT_EQ(read.clips[c].frames(), scene.clips[c].frames()) << seed;
        }
        if (HasFailure()) {
            break;
        }
    }
}

TEST(Collada, RandomSurfacesComeBackValueForValue) {
    for (uint32_t seed = 1; seed <= testing::seeds(); ++seed) {
        Scene scene = testing::random_skin(seed);
        scene.clips.clear();
        for (const Claim& claim : compare_scenes(scene, through_collada(scene))) {
            EXPECT_TRUE(claim.pass) << seed << " " << claim.name << ": " << claim.detail;
        }
        if (HasFailure()) {
            break;
        }
    }
}

TEST(Collada, TansyComesBackWithAllThatIsSaidOfHer) {
    Scene scene = demo::tansy_model();
    scene.clips.clear();
    // As a delivery has it: nothing that the format has no place for, nodes tree by tree.
    drop_not_held(scene, format_with_id("dae")->writes);
    drop_unplaced(scene);
    std::vector<int> order;
    std::vector<int> waiting = {-1};
    while (!waiting.empty()) {
        const int at = waiting.back();
        waiting.pop_back();
        if (at >= 0) {
            order.push_back(at);
        }
        for (size_t n = scene.nodes.size(); n-- > 0;) {
            if (scene.nodes[n].parent == at) {
                waiting.push_back(static_cast<int>(n));
            }
        }
    }
    reorder_nodes(scene, order);
    scene.copyright = "© the tide & <its> “makers”";
    scene.asset.extras = R"({"sea":"grey","words":["a","b"]})";
    scene.nodes[2].carried.extras = R"({"age":7})";
    const Result<std::vector<WrittenFile>> files = write_collada(scene, "tansy", {});
    ASSERT_TRUE(files.ok()) << files.problem().sentence();
    const fs::path folder = fs::temp_directory_path() / fmt::format("wembrix_collada_{}", ::getpid());
    fs::create_directories(folder);
    for (const WrittenFile& file : *files) {
        ASSERT_TRUE(write_file_whole(folder / file.name, file.bytes).ok());
    }
    const Result<Scene> read = read_collada(folder / "tansy.dae");
    ASSERT_TRUE(read.ok()) << read.problem().sentence();
    EXPECT_EQ(read->copyright, scene.copyright);
    EXPECT_EQ(read->asset.extras, scene.asset.extras);
    EXPECT_EQ(read->nodes[2].carried.extras, scene.nodes[2].carried.extras);
    EXPECT_EQ(read->images.size(), scene.images.size());
    for (const Claim& claim : compare_scenes(scene, *read)) {
        EXPECT_TRUE(claim.pass) << claim.name << ": " << claim.detail;
    }
    fs::remove_all(folder);
}

TEST(Collada, AnotherAxisAndUnitAreSaidAndUndone) {
    Scene scene = demo::tansy_model();
    scene.clips.clear();
    const AxisSystem space = {Axis::pos_z, Axis::neg_y, 0.01, Handedness::right};
    const std::string text = write_collada(scene, "lying", space)->front().bytes;
    EXPECT_NE(text.find("meter=\"0.01\""), std::string::npos);
    EXPECT_NE(text.find("<up_axis>Z_UP</up_axis>"), std::string::npos);
    const Scene read = *read_collada_bytes(text, "lying");
    const std::string& name = scene.nodes[static_cast<size_t>(joints_of(scene).back())].name;
    const Vec3 was = point_of(rest_world(scene)[static_cast<size_t>(joints_of(scene).back())], Vec3::Zero());
    const Vec3 is = point_of(rest_world(read)[static_cast<size_t>(read.find_node(name))], Vec3::Zero());
    EXPECT_LT((is - 0.01 * Vec3(was.x(), was.z(), -was.y())).norm(), 1e-6 * was.norm());
    EXPECT_FALSE(write_collada(scene, "odd", {Axis::pos_x, Axis::pos_z, 1, Handedness::right}).ok());
    // The third way that the standard knows: up along X, its right along -Y.
    const Scene third = read_of("", "<node id=\"a\" name=\"a\"><translate>1 2 3</translate></node>",
                                "<unit meter=\"2\"/><up_axis>X_UP</up_axis>");
    EXPECT_LT((third.nodes[0].rest.translation - Vec3(-4, 2, 6)).norm(), 1e-9);
}

TEST(Collada, FacesOfEveryKind) {
    const std::string points = floats("p", "0 0 0 1 0 0 1 1 0 0 1 0 2 0 0 2 1 0 3 0 0", 7, 3, "XYZ");
    const auto with = [&](const std::string& faces) {
        return read_of("<library_geometries><geometry id=\"g\"><mesh>" + points + floats("n", "0 0 2", 1, 3, "XYZ") +
                           floats("c", "1 0 0 0 1 0", 2, 3, "RGB") +
                           "<vertices id=\"v\"><input semantic=\"POSITION\" source=\"#p\"/></vertices>" + faces +
                           "</mesh></geometry></library_geometries>",
                       "<node id=\"n1\"><instance_geometry url=\"#g\"/></node>");
    };
    const std::string input = "<input semantic=\"VERTEX\" source=\"#v\" offset=\"0\"/>";
    EXPECT_EQ(with("<triangles count=\"1\">" + input + "<p>0 1 2</p></triangles>").meshes.at(0).triangle_count(), 1U);
    const Scene list =
        with("<polylist count=\"3\">" + input + "<vcount>4 3 2</vcount><p>0 1 2 3 1 4 5 0 1</p></polylist>");
    EXPECT_EQ(list.meshes.at(0).triangle_count(), 3U) << "a quad, a triangle, and what is none";
    EXPECT_TRUE(is_told(list, "more than three corners"));
    const Scene holed =
        with("<polygons count=\"2\">" + input + "<p>0 1 2 3</p><ph><p>1 4 5 2</p><h>0 1 2</h></ph></polygons>");
    EXPECT_EQ(holed.meshes.at(0).triangle_count(), 4U);
    EXPECT_TRUE(is_told(holed, "holes are filled"));
    const Scene strip = with("<tristrips count=\"1\">" + input + "<p>0 1 3 2</p></tristrips>");
    ASSERT_EQ(strip.meshes.at(0).triangle_count(), 2U);
    for (const auto& t : triangles_of(strip.meshes[0], strip.meshes[0].primitives[0])) {
        const auto& at = strip.meshes[0].positions;
        EXPECT_GT((at[t[1]] - at[t[0]]).cross(at[t[2]] - at[t[0]]).z(), 0) << "all to one side";
    }
    EXPECT_EQ(with("<trifans count=\"1\">" + input + "<p>0 1 4 5 2</p></trifans>").meshes.at(0).triangle_count(), 3U);
    const Scene lines = with("<lines count=\"2\">" + input + "<p>0 1 2 3</p></lines><linestrips count=\"1\">" + input +
                             "<p>0 1 2</p></linestrips>");
    EXPECT_EQ(lines.meshes.at(0).primitives.at(0).index_count, 4U);
    EXPECT_EQ(lines.meshes[0].primitives.at(1).index_count, 4U);
    EXPECT_EQ(lines.meshes[0].primitives[1].topology, Topology::lines);
    // Values of corners: where a point has several it becomes several vertices, and the points keep their order.
    const Scene coloured =
        with("<triangles count=\"2\">" + input +
             "<input semantic=\"NORMAL\" source=\"#n\" offset=\"1\"/><input semantic=\"COLOR\" source=\"#c\" "
             "offset=\"2\"/><input semantic=\"BINORMAL\" source=\"#n\" offset=\"1\"/>"
             "<p>0 0 0 1 0 0 2 0 0 0 0 1 2 0 0 3 0 9</p></triangles>");
    const Mesh& mesh = coloured.meshes.at(0);
    EXPECT_EQ(mesh.point_count(), 8U) << "seven points, one of them twice";
    EXPECT_EQ(mesh.positions[7], mesh.positions[0]);
    EXPECT_FLOAT_EQ(mesh.normals[0].z(), 1) << "of length one";
    EXPECT_EQ(mesh.attributes.at(0).name, "COLOR_0");
    EXPECT_FLOAT_EQ(mesh.attributes[0].data[0], 1);
    EXPECT_FLOAT_EQ(mesh.attributes[0].data[7 * 3 + 1], 1);
    EXPECT_TRUE(is_told(coloured, "values that are not there"));
    EXPECT_TRUE(is_told(coloured, "“BINORMAL” stays behind"));
}

/// A square under two joints: the left side is `a`'s, the right one `b`'s.
std::string skinned(const std::string& joints, const std::string& kind = "Name") {
    return "<library_geometries>" + square() +
           "</library_geometries><library_controllers><controller id=\"skin\">"
           "<skin source=\"#sq\"><bind_shape_matrix>1 0 0 5 0 1 0 0 0 0 1 0 0 0 0 1</bind_shape_matrix>" +
           names("j", joints, 2, kind) +
           floats("b", "1 0 0 -5 0 1 0 0 0 0 1 0 0 0 0 1 1 0 0 -6 0 1 0 0 0 0 1 0 0 0 0 1", 2, 16, "M") +
           floats("w", "1 0.25 0.75", 3, 1, "W") +
           "<joints><input semantic=\"JOINT\" source=\"#j\"/><input semantic=\"INV_BIND_MATRIX\" "
           "source=\"#b\"/></joints>"
           "<vertex_weights count=\"4\"><input semantic=\"JOINT\" source=\"#j\" offset=\"0\"/>"
           "<input semantic=\"WEIGHT\" source=\"#w\" offset=\"1\"/><vcount>1 2 1 2</vcount>"
           "<v>0 0 0 1 1 2 1 0 -1 0 0 0</v></vertex_weights></skin></controller></library_controllers>";
}
const char* two_joints =
    "<node id=\"root_id\" sid=\"a\" name=\"hip\" type=\"JOINT\"><translate>5 0 0</translate>"
    "<node id=\"tip_id\" sid=\"b\" name=\"knee\" type=\"JOINT\"><translate>1 0 0</translate></node>"
    "</node><node id=\"body\"><instance_controller url=\"#skin\">"
    "<skeleton>#root_id</skeleton></instance_controller></node>";

TEST(Collada, SkinsFindTheirJointsBySidIdOrName) {
    for (const auto& [joints, kind] :
         {std::pair{"a b", "Name"}, {"root_id tip_id", "IDREF"}, {"root_id tip_id", "Name"}, {"hip knee", "Name"}}) {
        const Scene scene = read_of(skinned(joints, kind), two_joints);
        ASSERT_EQ(scene.skins.size(), 1U) << joints;
        const int body = scene.find_node("body");
        ASSERT_GE(body, 0);
        const Node& node = scene.nodes[static_cast<size_t>(body)];
        ASSERT_EQ(scene.skins[0].joints.size(), 2U) << joints;
        EXPECT_EQ(scene.nodes[static_cast<size_t>(scene.skins[0].joints[1])].name, "knee");
        EXPECT_EQ(scene.nodes[0].kind, NodeKind::joint);
        // Where it was bound is part of the binds: at rest the surface stands at x = 5.
        Deformer deformer(scene);
        std::vector<Vec3f> points(deformer.point_count());
        deformer.points(Poser(scene, nullptr).rest(), points);
        EXPECT_NEAR(points[0].x(), 5, 1e-5);
        EXPECT_NEAR(points[2].x(), 6, 1e-5);
        // Point 0 came twice, with the weights of its point.
        ASSERT_EQ(node.influences.offsets.size(), 6U);
        EXPECT_EQ(node.influences.joints[node.influences.offsets[4]], 0);
        EXPECT_EQ(node.influences.offsets[2] - node.influences.offsets[1], 2U);
        EXPECT_FLOAT_EQ(node.influences.weights[node.influences.offsets[1]], 0.25F);
        EXPECT_EQ(node.influences.offsets[4] - node.influences.offsets[3], 1U) << "what holds itself is said";
        EXPECT_TRUE(is_told(scene, "where it stood itself"));
    }
    const Scene lost = read_of(skinned("a nobody"), two_joints);
    EXPECT_TRUE(is_told(lost, "1 joint of its skin not there")) << "and its weights are gone with a word";
}

TEST(Collada, MorphsOfBothMethodsUnderASkinOrOverIt) {
    const auto morph = [](const char* method, const char* source, const char* form) {
        return fmt::format("<library_controllers><controller id=\"morph\"><morph source=\"#{}\" method=\"{}\">{}{}"
                           "<targets><input semantic=\"MORPH_TARGET\" source=\"#mt\"/>"
                           "<input semantic=\"MORPH_WEIGHT\" source=\"#mw\"/></targets></morph></controller>"
                           "</library_controllers>",
                           source, method, names("mt", form, 1, "IDREF"), floats("mw", "0.25", 1, 1, "W"));
    };
    const std::string forms = "<library_geometries>" + square("puffed", "0 0 2 1 0 0 1 1 0 0 1 0") +
                              square("moved", "0 0 2 0 0 0 0 0 0 0 0 0") + "</library_geometries>";
    for (const auto& [method, form] : {std::pair{"NORMALIZED", "puffed"}, {"RELATIVE", "moved"}}) {
        for (const bool over : {false, true}) {
            std::string libraries = skinned("a b") + forms + morph(method, over ? "skin" : "sq", form);
            std::string nodes = two_joints;
            if (over) {
                nodes.replace(nodes.find("url=\"#skin\""), 11, "url=\"#morph\"");
            } else {
                libraries.replace(libraries.find("<skin source=\"#sq\""), 18, "<skin source=\"#morph\"");
            }
            const Scene scene = read_of(libraries, nodes);
            const int body = scene.find_node("body");
            const Mesh& mesh = scene.meshes.at(static_cast<size_t>(scene.nodes[static_cast<size_t>(body)].mesh));
            ASSERT_EQ(mesh.shapes.size(), 1U) << method;
            EXPECT_EQ(mesh.shapes[0].name, form);
            EXPECT_EQ(mesh.shapes[0].points.get(), (std::vector<uint32_t>{0, 4})) << "both vertices of the point";
            EXPECT_FLOAT_EQ(mesh.shapes[0].positions[0].z(), 2);
            EXPECT_FLOAT_EQ(scene.rest_shape_weights(body).at(0), 0.25F);
            EXPECT_GE(scene.nodes[static_cast<size_t>(body)].skin, 0);
            EXPECT_EQ(is_told(scene, "after the skin"), over);
        }
    }
}

std::string sampled(const std::string& id, const std::string& target, const std::string& times,
                    const std::string& values, int keys, const std::string& kinds, const std::string& tangents = "",
                    int stride = 1) {
    return fmt::format(
        "<animation id=\"{0}\">{1}{2}{3}{4}<sampler id=\"{0}-s\"><input semantic=\"INPUT\" source=\"#{0}-t\"/>"
        "<input semantic=\"OUTPUT\" source=\"#{0}-o\"/><input semantic=\"INTERPOLATION\" source=\"#{0}-k\"/>"
        "{5}</sampler><channel source=\"#{0}-s\" target=\"{6}\"/></animation>",
        id, floats(id + "-t", times, keys, 1, "T"),
        stride == 16
            ? floats(id + "-o", values, keys, 16, "M")
            : floats(id + "-o", values, keys, stride, std::string("XYZW").substr(0, static_cast<size_t>(stride))),
        names(id + "-k", kinds, keys), tangents,
        tangents.empty() ? ""
                         : fmt::format("<input semantic=\"IN_TANGENT\" source=\"#{0}-in\"/>"
                                       "<input semantic=\"OUT_TANGENT\" source=\"#{0}-out\"/>",
                                       id),
        target);
}
const char* placed_node = "<node id=\"n\" sid=\"n\" name=\"n\" type=\"JOINT\"><translate sid=\"t\">1 2 3</translate>"
                          "<rotate sid=\"z\">0 0 1 0</rotate><rotate sid=\"x\">1 0 0 30</rotate>"
                          "<scale sid=\"s\">1 1 1</scale></node>";
Transform at_of(const Scene& scene, double seconds) {
    Pose pose;
    Poser(scene, &scene.clips.at(0)).at(seconds, pose);
    return decompose(pose.world.at(0)).transform;
}

TEST(Collada, ComponentsOfAPlaceMoveByThemselves) {
    const std::string library = "<library_animations>" + sampled("a", "n/t.Y", "0 1", "2 4", 2, "LINEAR LINEAR") +
                                sampled("b", "n/z.ANGLE", "0 2", "0 180", 2, "LINEAR LINEAR") +
                                sampled("c", "n/s", "0 2", "1 1 1 3 1 1", 2, "LINEAR LINEAR", "", 3) +
                                sampled("d", "n/t(0)", "0 0.5 1", "1 5 9", 3, "STEP STEP STEP") +
                                sampled("e", "n/nothing", "0 1", "1 5", 2, "LINEAR LINEAR") + "</library_animations>";
    const Scene scene = read_of(library, placed_node);
    ASSERT_EQ(scene.clips.size(), 1U);
    EXPECT_EQ(scene.clips[0].name, "made");
    EXPECT_TRUE(is_told(scene, "in a way that is not read"));
    for (const double seconds : {0.0, 0.1, 0.25, 0.45, 0.5, 0.75, 1.0, 1.3, 2.0}) {
        const Transform at = at_of(scene, seconds);
        EXPECT_NEAR(at.translation.y(), 2 + 2 * std::min(seconds, 1.0), 1e-4) << seconds;
        EXPECT_NEAR(at.translation.x(), seconds < 0.5 ? 1 : seconds < 1 ? 5 : 9, 1e-4) << seconds;
        EXPECT_NEAR(at.scale.x(), 1 + seconds, 1e-4) << seconds;
        const Quat turn = Quat(Eigen::AngleAxisd(seconds * M_PI / 2, Vec3::UnitZ())) *
                          Quat(Eigen::AngleAxisd(M_PI / 6, Vec3::UnitX()));
        EXPECT_LT(at.rotation.angularDistance(turn), 1e-4) << seconds;
    }
}

TEST(Collada, AMotionWithoutEndIsLeftOutAndSaid) {
    for (const char* times : {"0 1e30", "-1e30 1", "0 1.0001e6"}) {
        const Scene scene = read_of("<library_animations>" + sampled("a", "n/t.Y", times, "2 4", 2, "LINEAR LINEAR") +
                                        "</library_animations>",
                                    placed_node);
        EXPECT_TRUE(scene.clips.empty()) << times;
        EXPECT_TRUE(is_told(scene, "after 1 000 000 s")) << times;
    }
    const Scene scene = read_of("<library_animations>" + sampled("a", "n/t.Y", "0 1e5", "2 4", 2, "LINEAR LINEAR") +
                                    "</library_animations>",
                                placed_node);
    EXPECT_EQ(scene.clips.size(), 1U);
}

TEST(Collada, CurvesBendAsTheySay) {
    // Bezier points as pairs of time and value, off the thirds; and the same curve's slopes as Hermite vectors.
    const std::string pairs = floats("a-in", "-1 0 0.9 7", 2, 2, "XY") + floats("a-out", "0.1 6 2 3", 2, 2, "XY");
    const Scene bezier =
        read_of("<library_animations>" + sampled("a", "n/t.X", "0 1", "1 3", 2, "BEZIER BEZIER", pairs) +
                    "</library_animations>",
                placed_node);
    for (int i = 0; i <= 20; ++i) {
        const double s = i / 20.0;
        const auto cubic = [&](double a, double b, double c, double d) {
            const double r = 1 - s;
            return r * r * r * a + 3 * r * r * s * b + 3 * r * s * s * c + s * s * s * d;
        };
        EXPECT_NEAR(at_of(bezier, cubic(0, 0.1, 0.9, 1)).translation.x(), cubic(1, 6, 7, 3), 3e-4) << s;
    }
    EXPECT_TRUE(is_told(bezier, "where its curves bend"));
    const std::string slopes = floats("a-in", "1 12 0.3 -12", 2, 2, "XY") + floats("a-out", "0.3 15 1 0", 2, 2, "XY");
    const Scene hermite =
        read_of("<library_animations>" + sampled("a", "n/t.X", "0 1", "1 3", 2, "HERMITE HERMITE", slopes) +
                    "</library_animations>",
                placed_node);
    for (const double seconds : {0.2, 0.5, 0.8}) {
        EXPECT_NEAR(at_of(hermite, seconds).translation.x(), at_of(bezier, seconds).translation.x(), 3e-4) << seconds;
    }
    const Scene silent = read_of("<library_animations>" + sampled("a", "n/t.X", "0 1", "1 3", 2, "BEZIER BEZIER") +
                                     "</library_animations>",
                                 placed_node);
    EXPECT_TRUE(is_told(silent, "without saying how"));
    EXPECT_NEAR(at_of(silent, 0.5).translation.x(), 2, 1e-5);
}

TEST(Collada, ClipsAreTheFilesOwnAndMatricesAreKeys) {
    const std::string still = "1 0 0 0 0 1 0 0 0 0 1 0 0 0 0 1 ";
    const std::string moved = "0 -1 0 4 1 0 0 0 0 0 1 0 0 0 0 1";
    const std::string library =
        "<library_animations><animation id=\"walk_moves\">" +
        sampled("a", "n/m", "1 2", still + moved, 2, "LINEAR LINEAR", "", 16) + "</animation>" +
        sampled("b", "n/m", "0 3", moved + " " + still, 2, "LINEAR LINEAR", "", 16) +
        "</library_animations><library_animation_clips><animation_clip id=\"w\" name=\"walk\" start=\"1\" end=\"2\">"
        "<instance_animation url=\"#walk_moves\"/></animation_clip><animation_clip id=\"x\" name=\"turn\" start=\"0\" "
        "end=\"3\"><instance_animation url=\"#b\"/></animation_clip></library_animation_clips>";
    const Scene scene =
        read_of(library, "<node id=\"n\" type=\"JOINT\"><matrix sid=\"m\">" + still + "</matrix></node>");
    ASSERT_EQ(scene.clips.size(), 2U);
    EXPECT_EQ(scene.clips[0].name, "walk");
    EXPECT_EQ(scene.clips[1].name, "turn");
    EXPECT_NEAR(scene.clips[0].seconds, 1, 1e-9);
    EXPECT_NEAR(scene.clips[1].seconds, 3, 1e-9);
    const Transform end = at_of(scene, 1);
    EXPECT_NEAR(end.translation.x(), 4, 1e-6);
    EXPECT_LT(end.rotation.angularDistance(Quat(Eigen::AngleAxisd(M_PI / 2, Vec3::UnitZ()))), 1e-6);
}

TEST(Collada, WeightsOfShapesMoveByTheControllerOrItsSource) {
    for (const char* target : {"morph/w(0)", "mw(0)"}) {
        const std::string libraries =
            "<library_geometries>" + square() + square("puffed", "0 0 2 1 0 0 1 1 0 0 1 0") +
            "</library_geometries><library_controllers><controller id=\"morph\"><morph source=\"#sq\">" +
            names("mt", "puffed", 1, "IDREF") + floats("mw", "0", 1, 1, "W") +
            "<targets><input semantic=\"MORPH_TARGET\" source=\"#mt\"/><input semantic=\"MORPH_WEIGHT\" "
            "source=\"#mw\"/></targets></morph></controller></library_controllers><library_animations>" +
            sampled("a", target, "0 1", "0 1", 2, "LINEAR LINEAR") + "</library_animations>";
        const Scene scene = read_of(libraries, "<node id=\"n\"><instance_controller url=\"#morph\"/></node>");
        ASSERT_EQ(scene.clips.size(), 1U) << target;
        ASSERT_EQ(scene.clips[0].channels.size(), 1U);
        EXPECT_EQ(scene.clips[0].channels[0].path, Path::weights);
        EXPECT_EQ(scene.clips[0].channels[0].values.get(), (std::vector<float>{0, 1}));
    }
}

TEST(Collada, MaterialsByTheirEffects) {
    const fs::path folder = fs::temp_directory_path() / fmt::format("wembrix_collada_look_{}", ::getpid());
    fs::create_directories(folder / "a b");
    ASSERT_TRUE(write_file_whole(folder / "a b" / "bark.png", "\x89PNG\r\n\x1a\n....").ok());
    const std::string libraries =
        "<library_images><image id=\"i\" name=\"bark\"><init_from>a%20b/bark.png</init_from></image>"
        "<image id=\"gone\"><init_from>file:///nowhere/gone.png</init_from></image></library_images>"
        "<library_effects><effect id=\"e\"><profile_COMMON>"
        "<newparam sid=\"s\"><surface type=\"2D\"><init_from>i</init_from></surface></newparam>"
        "<newparam sid=\"t\"><sampler2D><source>s</source><wrap_s>CLAMP</wrap_s></sampler2D></newparam>"
        "<technique sid=\"c\"><blinn><emission><color>0 0 0 1</color></emission>"
        "<diffuse><texture texture=\"t\" texcoord=\"UV\"/></diffuse><specular><color>1 1 1 1</color></specular>"
        "<shininess><float>30</float></shininess><transparent opaque=\"A_ONE\"><color>1 1 1 1</color></transparent>"
        "<transparency><float>0.5</float></transparency></blinn></technique></profile_COMMON></effect>"
        "<effect id=\"f\"><profile_COMMON><technique sid=\"c\"><lambert><diffuse><color>1 0.5 0 1</color></diffuse>"
        "<emission><texture texture=\"gone\" "
        "texcoord=\"UV\"/></emission></lambert></technique></profile_COMMON></effect>"
        "</library_effects><library_materials><material id=\"m\" name=\"bark\"><instance_effect url=\"#e\"/></material>"
        "<material id=\"o\" name=\"orange\"><instance_effect url=\"#f\"/></material></library_materials>"
        "<library_geometries>" +
        square() + "</library_geometries>";
    const auto bound = [](const char* id, const char* material) {
        return fmt::format("<node id=\"{}\"><instance_geometry url=\"#sq\"><bind_material><technique_common>"
                           "<instance_material symbol=\"slot\" target=\"#{}\"/></technique_common></bind_material>"
                           "</instance_geometry></node>",
                           id, material);
    };
    ASSERT_TRUE(write_file_whole(folder / "tree.dae",
                                 collada_file(libraries, bound("a", "m") + bound("b", "o") + bound("c", "m")))
                    .ok());
    const Result<Scene> scene = read_collada(folder / "tree.dae");
    ASSERT_TRUE(scene.ok()) << scene.problem().sentence();
    ASSERT_EQ(scene->materials.size(), 2U);
    const Material& bark = scene->materials[0];
    EXPECT_EQ(bark.name, "bark");
    ASSERT_GE(bark.base_colour_texture.texture, 0);
    const Texture& texture = scene->textures[static_cast<size_t>(bark.base_colour_texture.texture)];
    EXPECT_EQ(scene->samplers.at(static_cast<size_t>(texture.sampler)).wrap_u, Wrap::clamp);
    EXPECT_EQ(scene->images.at(static_cast<size_t>(texture.image)).name, "bark");
    EXPECT_EQ(bark.alpha_mode, AlphaMode::blend);
    EXPECT_DOUBLE_EQ(bark.base_colour[3], 0.5);
    EXPECT_NEAR(bark.roughness, 0.5, 1e-9) << "two over thirty and two, its fourth root";
    EXPECT_TRUE(is_told(*scene, "specular stay behind"));
    EXPECT_NEAR(scene->materials[1].base_colour[1], 0.2140, 1e-4) << "a half on a screen";
    EXPECT_TRUE(is_told(*scene, "gone.png” is not there"));
    // Nodes that show the same with the same materials share a mesh.
    EXPECT_EQ(scene->meshes.size(), 2U);
    EXPECT_EQ(scene->nodes[0].mesh, scene->nodes[2].mesh);
    fs::remove_all(folder);
}

TEST(Collada, CamerasAndLightsComeBackValueForValue) {
    for (uint32_t seed = 1; seed <= 200; ++seed) {
        std::mt19937 random(seed);
        const auto number = [&](double least, double most) {
            return std::uniform_real_distribution<double>(least, most)(random);
        };
        Scene scene;
        for (int i = 0; i < 4; ++i) {
            Node node;
            node.name = fmt::format("n{}", i);
            node.parent = i > 1 ? i - 2 : -1;
            node.rest.translation = Vec3(number(-1, 1), number(-1, 1), number(-1, 1));
            Camera camera;
            camera.name = fmt::format("eye {}", i);
            camera.kind = random() % 2 == 0 ? Camera::Kind::perspective : Camera::Kind::orthographic;
            if (camera.kind == Camera::Kind::perspective) {
                camera.field_of_view = number(0.1, 2.5);
                camera.aspect = random() % 2 == 0 ? 0 : number(0.5, 2);
            } else {
                camera.half_width_m = number(0.1, 4);
                camera.half_height_m = number(0.1, 4);
            }
            camera.near_m = number(0.001, 1);
            camera.far_m = random() % 3 == 0 ? 0 : number(2, 900);
            camera.carried.extras = random() % 3 == 0 ? R"({"lens":35})" : "";
            Light light;
            light.name = fmt::format("lamp <{}>", i);
            light.kind = static_cast<Light::Kind>(random() % 3);
            light.colour = {number(0, 1), number(0, 1), number(0, 1)};
            light.intensity = number(0, 900);
            light.range_m = random() % 2 == 0 ? 0 : number(1, 40);
            if (light.kind == Light::Kind::spot) {
                light.outer_angle = number(0.1, 1.5);
                light.inner_angle = light.outer_angle * number(0, 1);
            }
            if (random() % 3 != 0) {
                node.camera = static_cast<int>(scene.cameras.size());
                scene.cameras.push_back(camera);
            }
            if (random() % 3 != 0) {
                node.light = static_cast<int>(scene.lights.size());
                scene.lights.push_back(light);
            }
            scene.nodes.push_back(node);
        }
        if (!scene.lights.empty()) {
            scene.nodes[3].light = 0; // shown twice
        }
        drop_unplaced(scene);
        classify_nodes(scene);
        for (const AxisSystem& space : {AxisSystem{}, AxisSystem{Axis::pos_z, Axis::neg_y, 0.01, Handedness::right}}) {
            const Result<std::vector<WrittenFile>> files = write_collada(to_space(scene, space), "rig", space);
            ASSERT_TRUE(files.ok()) << files.problem().sentence();
            const Result<Scene> read = read_collada_bytes(files->front().bytes, "rig");
            ASSERT_TRUE(read.ok()) << read.problem().sentence();
            ASSERT_EQ(read->cameras.size(), scene.cameras.size()) << seed;
            ASSERT_EQ(read->lights.size(), scene.lights.size()) << seed;
            EXPECT_TRUE(read->notes.empty()) << read->notes.front().what;
            for (size_t c = 0; c < scene.cameras.size(); ++c) {
                const Camera& a = scene.cameras[c];
                const Camera& b = *std::find_if(read->cameras.begin(), read->cameras.end(),
                                                [&](const Camera& one) { return one.name == a.name; });
                EXPECT_EQ(a.kind, b.kind);
                EXPECT_EQ(a.name, b.name);
                EXPECT_EQ(a.carried.extras, b.carried.extras);
                for (const auto& [was, is] : {std::pair(a.field_of_view, b.field_of_view),
                                              {a.aspect, b.aspect},
                                              {a.half_width_m, b.half_width_m},
                                              {a.half_height_m, b.half_height_m},
                                              {a.near_m, b.near_m},
                                              {a.far_m, b.far_m}}) {
                    EXPECT_NEAR(was, is, 1e-9 * std::max(1.0, std::abs(was))) << seed;
                }
            }
            for (size_t l = 0; l < scene.lights.size(); ++l) {
                const Light& a = scene.lights[l];
                const Light& b = *std::find_if(read->lights.begin(), read->lights.end(),
                                               [&](const Light& one) { return one.name == a.name; });
                EXPECT_EQ(a.kind, b.kind);
                EXPECT_EQ(a.name, b.name);
                EXPECT_EQ(a.colour, b.colour);
                for (const auto& [was, is] :
                     {std::pair(a.intensity, b.intensity), {a.range_m, b.range_m}, {a.inner_angle, b.inner_angle}}) {
                    EXPECT_NEAR(was, is, 1e-9 * std::max(1.0, std::abs(was))) << seed;
                }
                if (a.kind == Light::Kind::spot) {
                    EXPECT_EQ(a.outer_angle, b.outer_angle) << seed;
                }
            }
            for (const Node& node : scene.nodes) {
                const Node& is = read->nodes.at(static_cast<size_t>(read->find_node(node.name)));
                EXPECT_EQ(is.camera >= 0, node.camera >= 0) << seed;
                EXPECT_EQ(is.light >= 0, node.light >= 0) << seed;
            }
        }
        if (HasFailure()) {
            break;
        }
    }
}

TEST(Collada, CamerasAndLightsOfOthersAreUnderstoodOrTold) {
    const auto camera = [](const std::string& lens) {
        return "<library_cameras><camera id=\"c\" name=\"eye\"><optics><technique_common>" + lens +
               "</technique_common></optics></camera></library_cameras>";
    };
    const std::string node = "<node id=\"n\"><instance_camera url=\"#c\"/></node>";
    Scene scene = read_of(camera("<perspective><xfov>90</xfov><aspect_ratio>2</aspect_ratio><znear>0.1</znear>"
                                 "<zfar>50</zfar></perspective>"),
                          node);
    ASSERT_EQ(scene.cameras.size(), 1U);
    EXPECT_NEAR(scene.cameras[0].field_of_view, 2 * std::atan(0.5), 1e-9);
    EXPECT_NEAR(scene.cameras[0].aspect, 2, 1e-9);
    EXPECT_NEAR(scene.cameras[0].far_m, 50, 1e-9);
    EXPECT_EQ(scene.nodes[0].kind, NodeKind::camera);
    scene = read_of(camera("<perspective><xfov>90</xfov><yfov>60</yfov></perspective>"), node);
    EXPECT_NEAR(scene.cameras.at(0).aspect, std::sqrt(3.0), 1e-9) << "of the two angles";
    scene = read_of(camera("<orthographic><ymag>2</ymag><aspect_ratio>1.5</aspect_ratio></orthographic>"), node);
    EXPECT_NEAR(scene.cameras.at(0).half_width_m, 3, 1e-9);
    for (const char* broken : {"", "<perspective/>", "<perspective><xfov>90</xfov></perspective>",
                               "<perspective><yfov>nan</yfov></perspective>",
                               "<perspective><yfov>-3</yfov></perspective>", "<orthographic/>"}) {
        scene = read_of(camera(broken), node);
        ASSERT_EQ(scene.cameras.size(), 1U) << broken;
        EXPECT_TRUE(is_told(scene, "is taken.")) << broken;
    }
    EXPECT_TRUE(is_told(read_of("", node), "is no camera of this file"));
    EXPECT_TRUE(is_told(read_of(camera("<perspective><yfov>40</yfov></perspective>"),
                                "<node id=\"n\"><instance_camera url=\"#c\"/><instance_camera url=\"#c\"/></node>"),
                        "several cameras"));
    const auto light = [](const std::string& kind) {
        return "<library_lights><light id=\"l\" name=\"lamp\"><technique_common>" + kind +
               "</technique_common></light></library_lights>";
    };
    const std::string lit = "<node id=\"n\"><instance_light url=\"#l\"/></node>";
    scene = read_of(light("<spot><color>4 2 0</color><falloff_angle>60</falloff_angle></spot>"), lit);
    ASSERT_EQ(scene.lights.size(), 1U);
    EXPECT_NEAR(scene.lights[0].intensity, 4, 1e-9);
    EXPECT_EQ(scene.lights[0].colour, (std::array<double, 3>{1, 0.5, 0}));
    EXPECT_NEAR(scene.lights[0].outer_angle, M_PI / 6, 1e-9) << "the whole cone is told there";
    EXPECT_TRUE(is_told(scene, "no unit for the brightness"));
    EXPECT_TRUE(is_told(scene, "falls off"));
    scene = read_of(light("<ambient><color>1 1 1</color></ambient>"), lit);
    EXPECT_TRUE(scene.lights.empty());
    EXPECT_EQ(scene.nodes.at(0).light, -1);
    EXPECT_TRUE(is_told(scene, "from all sides"));
}

TEST(Collada, NodesAreInstancedAndLookWhereTheyLook) {
    const Scene scene = read_of("<library_nodes><node id=\"lamp\" name=\"lamp\"><translate>0 1 0</translate>"
                                "<instance_camera url=\"#cam\"/></node></library_nodes>",
                                "<node id=\"a\"><lookat>0 0 5 0 0 0 0 1 0</lookat><instance_node url=\"#lamp\"/></node>"
                                "<node id=\"b\"><rotate>0 1 0 90</rotate><instance_node url=\"#lamp\"/>"
                                "<instance_node url=\"other.dae#thing\"/><skew>1 2 3 4 5 6 7</skew></node>");
    ASSERT_EQ(scene.nodes.size(), 4U);
    EXPECT_EQ(scene.nodes[1].name, "lamp");
    EXPECT_EQ(scene.nodes[3].name, "lamp_2") << "names are each one's own";
    EXPECT_LT((point_of(rest_world(scene)[1], Vec3::Zero()) - Vec3(0, 1, 5)).norm(), 1e-9);
    EXPECT_TRUE(is_told(scene, "is no camera of this file"));
    EXPECT_TRUE(is_told(scene, "is no node of this file"));
    EXPECT_TRUE(is_told(scene, "is skewed"));
}

TEST(Collada, WhatOthersSayAndWhatNoNodeShowsIsTold) {
    const Scene scene = read_of("<library_geometries>" + square() + square("spare") + "</library_geometries>",
                                "<node id=\"n\"><instance_geometry url=\"#sq\"/><extra><technique profile=\"scales\">"
                                "<mass>5</mass></technique></extra></node>");
    EXPECT_TRUE(is_told(scene, "no node shows 1 of its surfaces"));
    EXPECT_TRUE(is_told(scene, "“scales” says in it in words of its own stays behind (1 place)"));
    Scene model = demo::tansy_model();
    model.meshes.push_back(model.meshes.front()); // that nothing shows
    const Scene own = through_collada(model);
    EXPECT_FALSE(is_told(own, "words of its own")) << "of what this program wrote nothing stays behind";
    EXPECT_FALSE(is_told(own, "no node shows"));
}

TEST(Collada, PointsComeBackAsPoints) {
    Scene scene;
    Mesh mesh;
    mesh.name = "dust";
    mesh.positions = std::vector<Vec3f>{{0, 0, 0}, {1, 0, 0}, {0, 2, 0}};
    mesh.indices = std::vector<uint32_t>{0, 1, 2};
    Primitive points;
    points.point_count = 3;
    points.index_count = 3;
    points.topology = Topology::points;
    points.has_normals = false;
    mesh.primitives = {points};
    scene.meshes = {mesh};
    Node node;
    node.name = "dust";
    node.kind = NodeKind::surface;
    node.mesh = 0;
    scene.nodes = {node};
    const Scene read = through_collada(scene);
    EXPECT_EQ(read.meshes.at(0).primitives.at(0).topology, Topology::points);
    EXPECT_EQ(read.meshes[0].indices.get(), mesh.indices.get());
    for (const Claim& claim : compare_scenes(scene, read)) {
        EXPECT_TRUE(claim.pass) << claim.name << ": " << claim.detail;
    }
}

TEST(Collada, JointsWithoutASkinAreJoints) {
    const Scene scene = read_of("", placed_node);
    EXPECT_EQ(scene.nodes[0].kind, NodeKind::joint);
    ASSERT_EQ(scene.skins.size(), 1U);
    const Mat4 both = scene.skins[0].inverse_binds[0] * rest_world(scene)[0];
    EXPECT_TRUE(both.isIdentity(1e-9));
}

// Found by the fuzzer: a source of words in the place of one of numbers.
TEST(Collada, WordsWhereNumbersBelongAreNoNumbers) {
    const std::filesystem::path file =
        std::filesystem::path(WEMBRIX_SOURCE) / "tests/fuzz/corpus/collada/skin_morph_bezier";
    const std::string whole = read_file(file).take();
    // Names, one a row and sixteen a row.
    std::string sixteen = "<source id=\"wide\"><Name_array id=\"wide_a\" count=\"32\">";
    std::string params;
    for (int i = 0; i < 32; ++i) {
        sixteen += "a ";
        params += i < 16 ? "<param name=\"N\"/>" : "";
    }
    sixteen += "</Name_array><technique_common><accessor source=\"#wide_a\" count=\"2\" stride=\"16\">" + params +
               "</accessor></technique_common></source>";
    for (const char* semantic : {"POSITION", "NORMAL", "TEXCOORD", "INV_BIND_MATRIX", "WEIGHT", "MORPH_WEIGHT", "INPUT",
                                 "OUTPUT", "IN_TANGENT", "OUT_TANGENT"}) {
        for (const char* words : {"#k", "#wide"}) {
            std::string text = whole;
            text.insert(text.find("<vertices"), sixteen);
            const std::string key = fmt::format("semantic=\"{}\" source=\"", semantic);
            for (size_t at = text.find(key); at != std::string::npos; at = text.find(key, at + 1)) {
                const size_t begin = at + key.size();
                text.replace(begin, text.find('"', begin) - begin, words);
            }
            const Result<Scene> scene = read_collada_bytes(text, "words");
            EXPECT_TRUE(scene.ok() || !scene.problem().what.empty()) << semantic;
        }
    }
}

TEST(Collada, HostileFilesAreRefusedOrReadInBounds) {
    EXPECT_FALSE(read_collada_bytes("no xml", "x").ok());
    EXPECT_FALSE(read_collada_bytes("<svg/>", "x").ok());
    EXPECT_FALSE(read_collada_bytes(std::string(200'000, '<'), "x").ok());
    // Entities are not expanded, and no other file is opened.
    const Result<Scene> entity = read_collada_bytes("<!DOCTYPE a [<!ENTITY x SYSTEM \"file:///etc/passwd\">]>" +
                                                        collada_file("", "<node id=\"n\" name=\"&x;\"/>").substr(21),
                                                    "x");
    if (entity) {
        EXPECT_EQ(entity->nodes.at(0).name.find("root"), std::string::npos);
    }
    // A hundred thousand nodes, each in the one before.
    std::string deep;
    for (int i = 0; i < 100'000; ++i) {
        deep += "<node>";
    }
    for (int i = 0; i < 100'000; ++i) {
        deep += "</node>";
    }
    const Result<Scene> chain = read_collada_bytes(collada_file("", deep), "deep");
    ASSERT_TRUE(chain.ok());
    EXPECT_EQ(chain->nodes.size(), 100'000U);
    // Ten nodes that each hold the next one ten times: ten thousand million.
    std::string bomb = "<library_nodes>";
    for (int i = 0; i < 10; ++i) {
        bomb += fmt::format("<node id=\"l{}\">", i);
        for (int k = 0; k < 10; ++k) {
            bomb += fmt::format("<instance_node url=\"#l{}\"/>", i + 1);
        }
        bomb += "</node>";
    }
    bomb += "<node id=\"l10\"/></library_nodes>";
    const Result<Scene> many = read_collada_bytes(collada_file(bomb, "<instance_node url=\"#l0\"/>"), "bomb");
    ASSERT_FALSE(many.ok());
    EXPECT_NE(many.problem().what.find("more than"), std::string::npos);
    // A node that holds itself ends, and says so.
    const Scene itself = read_of("", "<node id=\"n\"><instance_node url=\"#n\"/></node>");
    EXPECT_TRUE(is_told(itself, "holds itself"));
    EXPECT_LT(itself.nodes.size(), 100U);
    // A node of a hundred thousand places, each moved by an animation of its own.
    std::string many_places;
    std::string many_channels = "<library_animations><animation>" + floats("t", "0 1", 2, 1, "T") +
                                floats("o", "0 1", 2, 1, "X") +
                                "<sampler id=\"s\"><input semantic=\"INPUT\" source=\"#t\"/><input semantic=\"OUTPUT\" "
                                "source=\"#o\"/></sampler>";
    for (int i = 0; i < 100'000; ++i) {
        many_places += fmt::format("<translate sid=\"p{}\">0 0 0</translate>", i);
        many_channels += fmt::format("<channel source=\"#s\" target=\"n/p{}.X\"/>", i);
    }
    const Scene placed =
        read_of(many_channels + "</animation></library_animations>", "<node id=\"n\">" + many_places + "</node>");
    EXPECT_TRUE(is_told(placed, "elements of place"));
    EXPECT_EQ(placed.clips.size(), 1U);
    // Indices, counts and strides that are not so.
    const std::string lies =
        "<library_geometries><geometry id=\"g\"><mesh>"
        "<source id=\"p\"><float_array id=\"pa\" count=\"4000000000\">0 0 0 nan 1e999 2</float_array>"
        "<technique_common><accessor source=\"#pa\" count=\"4000000000\" stride=\"3\">"
        "<param name=\"X\"/><param name=\"Y\"/><param name=\"Z\"/></accessor></technique_common></source>"
        "<vertices id=\"v\"><input semantic=\"POSITION\" source=\"#p\"/></vertices>"
        "<triangles count=\"99\"><input semantic=\"VERTEX\" source=\"#v\" offset=\"0\"/>"
        "<p>0 1 -5</p></triangles></mesh></geometry></library_geometries>";
    const Scene lied = read_of(lies, "<node id=\"n\"><instance_geometry url=\"#g\"/></node>");
    EXPECT_TRUE(lied.meshes.empty());
    EXPECT_TRUE(is_told(lied, "points that are not there"));
}

} // namespace
} // namespace wembrix
