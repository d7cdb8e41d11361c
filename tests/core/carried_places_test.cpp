// Places in lists that stand in what is carried: extensions, and files as a whole that are joined.
#include "core/base/files.h"
#include "core/destination/conform.h"
#include "core/formats/gltf/known_extensions.h"
#include "core/job/assemble.h"
#include "gltf_sheet.h"
#include "small_scenes.h"
#include "through_a_file.h"

#include <algorithm>

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

TEST(CarriedPlaces, InstancesOfANodeAreLeftOutAndSaidOnceForAll) {
    Sheet sheet = triangle();
    const int offsets = sheet.floats({0, 0, 0, 5, 0, 0}, "VEC3", 3);
    sheet.root["nodes"] = json::array();
    for (int i = 0; i < 3; ++i) {
        sheet.root["nodes"].push_back(
            {{"mesh", 0}, {"extensions", {{"EXT_mesh_gpu_instancing", {{"attributes", {{"TRANSLATION", offsets}}}}}}}});
    }
    const Scene scene = sheet.read();
    EXPECT_TRUE(scene.nodes[0].carried.empty());
    size_t said = 0;
    for (const Note& note : scene.notes) {
        said += note.what.find("EXT_mesh_gpu_instancing") != std::string::npos ? 1 : 0;
        if (note.what.find("EXT_mesh_gpu_instancing") != std::string::npos) {
            EXPECT_NE(note.places().find("and 2 more"), std::string::npos) << note.where;
        }
    }
    EXPECT_EQ(said, 1U);
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
