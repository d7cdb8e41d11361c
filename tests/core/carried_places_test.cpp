// Places in lists that stand in what is carried: extensions, and files as a whole that are joined.
#include "core/base/files.h"
#include "core/destination/conform.h"
#include "core/formats/gltf/known_extensions.h"
#include "core/job/assemble.h"
#include "gltf_sheet.h"
#include "small_scenes.h"
#include "through_a_file.h"

#include <algorithm>
#include <map>

namespace wembrix::testing {
namespace {

using nlohmann::json;

bool noted(const Scene& scene, const std::string& words) {
    return std::any_of(scene.notes.begin(), scene.notes.end(),
                       [&](const Note& note) { return note.what.find(words) != std::string::npos; });
}

json extensions_of(const Carried& carried) {
    return carried.extensions.empty() ? json::object() : json::parse(carried.extensions);
}

TEST(CarriedPlaces, AnUnknownExtensionThatMayPointIsLeftOutAndSaid) {
    Sheet sheet = triangle();
    sheet.root["extensions"]["ACME_body"] = {{"bones", {{"hips", {{"node", 0}}}}}};
    sheet.root["extensions"]["ACME_paths"] = {{"target", "/nodes/0/translation"}};
    sheet.root["extensions"]["ACME_words"] = {{"note", "kept"}, {"strength", 0.5}, {"on", true}};
    const Scene scene = sheet.read();
    EXPECT_EQ(extensions_of(scene.carried),
              (json{{"ACME_words", {{"note", "kept"}, {"strength", 0.5}, {"on", true}}}}));
    EXPECT_TRUE(noted(scene, "ACME_body"));
    EXPECT_TRUE(noted(scene, "ACME_paths"));
    EXPECT_FALSE(noted(scene, "ACME_words"));
}

/// One triangle at places of an extension, with what else is said of them.
Sheet at_places(json attributes, int places, bool with_shape = false) {
    Sheet sheet = triangle();
    std::vector<float> offsets;
    for (int i = 0; i < places; ++i) {
        offsets.insert(offsets.end(), {static_cast<float>(i) * 5, 0, 0});
    }
    attributes["TRANSLATION"] = sheet.floats(offsets, "VEC3", 3);
    sheet.root["nodes"] = json::array({{{"name", "reeds"},
                                        {"mesh", 0},
                                        {"translation", {0, 1, 0}},
                                        {"extensions", {{"EXT_mesh_gpu_instancing", {{"attributes", attributes}}}}}}});
    sheet.root["extensionsUsed"] = {"EXT_mesh_gpu_instancing"};
    sheet.root["extensionsRequired"] = {"EXT_mesh_gpu_instancing"};
    if (with_shape) {
        const int moved = sheet.floats({0, 0, 1, 0, 0, 1, 0, 0, 1}, "VEC3", 3);
        sheet.root["meshes"][0]["primitives"][0]["targets"] = json::array({{{"POSITION", moved}}});
        const int times = sheet.floats({0, 1}, "SCALAR", 1);
        const int weights = sheet.floats({0, 1}, "SCALAR", 1);
        const int places_moved = sheet.floats({0, 0, 0, 0, 2, 0}, "VEC3", 3);
        sheet.root["animations"] = json::array(
            {{{"name", "sway"},
              {"samplers", {{{"input", times}, {"output", weights}}, {{"input", times}, {"output", places_moved}}}},
              {"channels",
               {{{"sampler", 0}, {"target", {{"node", 0}, {"path", "weights"}}}},
                {{"sampler", 1}, {"target", {{"node", 0}, {"path", "translation"}}}}}}}});
    }
    return sheet;
}

TEST(CarriedPlaces, EachPlaceOfASurfaceByAnExtensionIsANodeThatShowsIt) {
    Sheet sheet = at_places(json::object(), 2);
    json& attributes = sheet.root["nodes"][0]["extensions"]["EXT_mesh_gpu_instancing"]["attributes"];
    attributes["ROTATION"] = sheet.floats({0, 0, 0, 1, 0, 1, 0, 0}, "VEC4", 4);
    attributes["SCALE"] = sheet.floats({1, 1, 1, 2, 2, 2}, "VEC3", 3);
    attributes["_KIND"] = sheet.floats({1, 2}, "SCALAR", 1);
    const Scene scene = sheet.read();
    ASSERT_EQ(scene.nodes.size(), 3U);
    EXPECT_EQ(scene.nodes[0].name, "reeds");
    EXPECT_EQ(scene.nodes[0].mesh, -1);
    EXPECT_EQ(scene.nodes[1].name, "reeds_1");
    EXPECT_EQ(scene.nodes[2].name, "reeds_2");
    EXPECT_EQ(scene.nodes[2].mesh, 0);
    EXPECT_EQ(scene.nodes[2].parent, 0);
    EXPECT_TRUE(scene.nodes[2].rest.translation.isApprox(Vec3(5, 0, 0)));
    EXPECT_NEAR(scene.nodes[2].rest.rotation.y(), 1, 1e-6);
    EXPECT_TRUE(scene.nodes[2].rest.scale.isApprox(Vec3(2, 2, 2)));
    EXPECT_TRUE(scene.extensions_required.empty());
    EXPECT_TRUE(noted(scene, "2 places"));
    EXPECT_TRUE(noted(scene, "_KIND"));
}

TEST(CarriedPlaces, KeysOfShapesGoToEachPlaceAndTheRestStaysWithTheNode) {
    const Scene scene = at_places(json::object(), 3, true).read();
    ASSERT_EQ(scene.clips.size(), 1U);
    std::map<int, std::string> moved;
    for (const Channel& channel : scene.clips[0].channels) {
        moved[channel.node] += channel.path == Path::weights ? "w" : "t";
    }
    EXPECT_EQ(moved, (std::map<int, std::string>{{0, "t"}, {1, "w"}, {2, "w"}, {3, "w"}}));
}

TEST(CarriedPlaces, PlacesThatCannotBeNodesAreSaidAndWrongOnesRefused) {
    Sheet skinned = at_places(json::object(), 2);
    skinned.root["skins"] = json::array({{{"joints", {0}}}});
    skinned.root["nodes"][0]["skin"] = 0;
    const Scene scene = skinned.read();
    EXPECT_EQ(scene.nodes.size(), 1U);
    EXPECT_EQ(scene.nodes[0].mesh, 0);
    EXPECT_TRUE(noted(scene, "places of a surface that a skin moves"));

    Sheet many = at_places(json::object(), 2);
    many.root["accessors"].push_back({{"componentType", 5126}, {"count", 30'000}, {"type", "VEC3"}});
    many.root["nodes"][0]["extensions"]["EXT_mesh_gpu_instancing"]["attributes"] = {
        {"TRANSLATION", many.root["accessors"].size() - 1}};
    EXPECT_EQ(many.read().nodes.size(), 1U);
    EXPECT_TRUE(noted(many.read(), "30000 places"));

    Sheet uneven = at_places(json::object(), 2);
    uneven.root["nodes"][0]["extensions"]["EXT_mesh_gpu_instancing"]["attributes"]["SCALE"] =
        uneven.floats({1, 1, 1}, "VEC3", 3);
    EXPECT_FALSE(read_gltf_bytes(uneven.text(), {}, "sheet").ok());
}

TEST(CarriedPlaces, TexturesNamedByAnExtensionOfAMaterialNobodyKnowsFollowTheirTexture) {
    Sheet sheet = triangle();
    const auto picture = [](char last) { return std::string("\x89PNG\r\n\x1a\n") + last; };
    for (const char last : {'A', 'B'}) {
        sheet.root["images"].push_back({{"uri", "data:image/png;base64," + gltf::base64(picture(last))}});
    }
    sheet.root["textures"] = json::array({{{"source", 0}}, {{"source", 1}}});
    sheet.root["materials"] =
        json::array({{{"name", "bark"}, {"extensions", {{"ACME_moss", {{"mossTexture", {{"index", 1}}}}}}}}});
    sheet.root["meshes"][0]["primitives"][0]["material"] = 0;
    const Scene out = through_a_file(conform_model(sheet.read(), any_destination()).scene);
    ASSERT_EQ(out.textures.size(), 1U) << "the texture that nothing uses is gone";
    EXPECT_EQ(extensions_of(out.materials[0].carried)["ACME_moss"]["mossTexture"]["index"], 0);
    EXPECT_EQ(out.images[static_cast<size_t>(out.textures[0].image)].bytes.get().back(), 'B');
}

TEST(CarriedPlaces, ANumberInExtrasThatMayBeAPlaceIsCarriedAndSaid) {
    Sheet sheet = triangle();
    sheet.root["nodes"][0]["extras"] = {{"level", 3}, {"lookAtNode", 0}};
    const Scene scene = sheet.read();
    EXPECT_EQ(json::parse(scene.nodes[0].carried.extras), (json{{"level", 3}, {"lookAtNode", 0}}));
    EXPECT_TRUE(noted(scene, "lookAtNode"));
    sheet.root["nodes"][0]["extras"] = {{"level", 3}, {"material", "oak"}};
    EXPECT_TRUE(sheet.read().notes.size() < scene.notes.size() + 1);
    EXPECT_FALSE(noted(sheet.read(), "extras")) << "a number that is no place, a word that is no number";
}

TEST(CarriedPlaces, EveryKnownExtensionStandsInTheTableForPeople) {
    const Result<std::string> page = read_file(std::filesystem::path(WEMBRIX_SOURCE) / "docs/formats.md");
    ASSERT_TRUE(page.ok());
    for (const gltf::KnownExtension& row : gltf::known_extensions()) {
        const size_t at = page->find("`" + std::string(row.name) + "`");
        ASSERT_NE(at, std::string::npos) << row.name;
        const std::string line = page->substr(at, page->find('\n', at) - at);
        constexpr std::array<const char*, 4> words = {"| read |", "| decoded |", "| carried |", "| left out |"};
        EXPECT_NE(line.find(words.at(static_cast<size_t>(row.becomes))), std::string::npos) << line;
        EXPECT_NE(line.find(row.said), std::string::npos) << line;
    }
}

/// A triangle with two materials, the second for the variants it has.
Sheet dressed(const std::vector<std::string>& variants, const std::string& material) {
    Sheet sheet = triangle();
    sheet.root["nodes"][0]["name"] = "cloak";
    sheet.root["materials"] = json::array({{{"name", material}}, {{"name", material + "_other"}}});
    json& primitive = sheet.root["meshes"][0]["primitives"][0];
    primitive["material"] = 0;
    json mapping = {{"material", 1}, {"variants", json::array()}};
    for (size_t v = 0; v < variants.size(); ++v) {
        sheet.root["extensions"]["KHR_materials_variants"]["variants"].push_back({{"name", variants[v]}});
        mapping["variants"].push_back(v);
    }
    primitive["extensions"]["KHR_materials_variants"]["mappings"] = json::array({mapping});
    return sheet;
}

/// What a node shows in a variant, by the names of variant and material.
std::string shown(const Scene& scene, const std::string& node, const std::string& variant) {
    const json names = extensions_of(scene.carried)["KHR_materials_variants"]["variants"];
    const int place = scene.find_node(node);
    if (place < 0) {
        return "no such node";
    }
    const Mesh& mesh = scene.meshes[static_cast<size_t>(scene.nodes[static_cast<size_t>(place)].mesh)];
    json extensions = extensions_of(mesh.primitives[0].carried);
    for (const json& mapping : extensions["KHR_materials_variants"]["mappings"]) {
        for (const json& number : mapping["variants"]) {
            if (names.at(number.get<size_t>())["name"] == variant) {
                return scene.materials.at(mapping["material"].get<size_t>()).name;
            }
        }
    }
    return "none";
}

TEST(JoinedFiles, VariantsOfBothShowTheirOwnMaterials) {
    Scene second = dressed({"summer", "winter"}, "wool").read();
    second.nodes[0].name = "hood";
    const Scene whole = through_a_file(
        conform_model(assemble({{"a", dressed({"winter"}, "linen").read()}, {"b", second}}), any_destination()).scene);
    EXPECT_EQ(shown(whole, "cloak", "winter"), "linen_other");
    EXPECT_EQ(shown(whole, "hood", "winter"), "wool_other");
    EXPECT_EQ(shown(whole, "hood", "summer"), "wool_other");
    EXPECT_EQ(shown(whole, "cloak", "summer"), "none");
    EXPECT_EQ(extensions_of(whole.carried)["KHR_materials_variants"]["variants"].size(), 2U) << "one winter for both";
}

TEST(JoinedFiles, AVariantWithAMaterialThatIsNotThereIsRefused) {
    Sheet sheet = dressed({"winter"}, "linen");
    sheet.root["meshes"][0]["primitives"][0]["extensions"]["KHR_materials_variants"]["mappings"][0]["material"] = 7;
    EXPECT_FALSE(read_gltf_bytes(sheet.text(), {}, "sheet").ok());
}

TEST(JoinedFiles, FactsOfBothAreNamedByTheirOwnThings) {
    const auto about = [](const std::string& title) {
        Sheet sheet = triangle();
        sheet.root["extensions"]["KHR_xmp_json_ld"]["packets"] = json::array({{{"dc:title", title}}});
        sheet.root["nodes"][0]["extensions"]["KHR_xmp_json_ld"]["packet"] = 0;
        return sheet.read();
    };
    const Scene whole = assemble({{"a", about("cloak")}, {"b", about("hood")}});
    const json packets = extensions_of(whole.carried)["KHR_xmp_json_ld"]["packets"];
    ASSERT_EQ(packets.size(), 2U);
    for (size_t n = 0; n < 2; ++n) {
        const size_t packet = extensions_of(whole.nodes[n].carried)["KHR_xmp_json_ld"]["packet"].get<size_t>();
        EXPECT_EQ(packets.at(packet)["dc:title"], n == 0 ? "cloak" : "hood");
    }
}

TEST(JoinedFiles, CopyrightsAndExtrasOfBothAreThereAndWhatDiffersIsSaid) {
    const auto from = [](const std::string& owner, const json& extras) {
        Sheet sheet = triangle();
        sheet.root["asset"]["copyright"] = owner;
        sheet.root["extras"] = extras;
        return sheet.read();
    };
    const Scene whole = assemble({{"a", from("Workshop", {{"season", "winter"}, {"shop", 1}})},
                                  {"b", from("Guild", {{"season", "summer"}, {"scale", 2}})},
                                  {"c", from("Guild", {{"season", "winter"}})}});
    EXPECT_EQ(whole.copyright, "Workshop; Guild");
    EXPECT_EQ(json::parse(whole.carried.extras), (json{{"season", "winter"}, {"shop", 1}, {"scale", 2}}));
    ASSERT_TRUE(noted(whole, "season"));
    size_t said = 0;
    for (const Note& note : whole.notes) {
        said += note.what.find("season") != std::string::npos ? 1 : 0;
    }
    EXPECT_EQ(said, 1U) << "the third says the same as the first";
}

} // namespace
} // namespace wembrix::testing
