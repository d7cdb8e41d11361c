// Several sources in one scene: everything of each is there, under its own references, and the scene is whole.
#include "core/job/assemble.h"
#include "core/measure/inventory/inventory.h"
#include "core/scene/content.h"
#include "random_rig.h"
#include "small_scenes.h"
#include "valid_scene.h"

#include <algorithm>
#include <gtest/gtest.h>
#include <map>

namespace wembrix::testing {
namespace {

std::string content_of_mesh(const Mesh& mesh) {
    Mesh nameless = mesh;
    nameless.name.clear();
    for (Primitive& primitive : nameless.primitives) {
        primitive.material = -1;
    }
    Hasher hash;
    add_content(hash, nameless);
    return hash.hex();
}

/// How many of each kind of thing a scene holds, keys aside.
std::map<std::string, size_t> counts_of(const Scene& scene) {
    std::map<std::string, size_t> counts;
    for (const Thing& thing : inventory_of(scene)) {
        counts[thing.what] += thing.count;
    }
    return counts;
}

/// A rig whose names nobody else has.
Scene another_rig(uint32_t seed) {
    Scene rig = random_rig(seed, options_for(seed));
    for (Node& node : rig.nodes) {
        std::replace(node.name.begin(), node.name.end(), ':', '_'); // a prefix is no name of its own
        node.name = "other_" + std::to_string(seed) + "_" + node.name;
    }
    return rig;
}

class Assembled : public ::testing::TestWithParam<uint32_t> {};

TEST_P(Assembled, RigsSideBySideKeepAllThatTheyHave) {
    const uint32_t seed = GetParam();
    const std::vector<NamedScene> sources = {{"first.glb", random_rig(seed, options_for(seed))},
                                             {"second.glb", another_rig(seed + 100)},
                                             {"third.glb", another_rig(seed + 200)}};
    const Scene all = assemble(sources);
    ASSERT_EQ(what_is_not_valid(all), "");
    std::map<std::string, size_t> wanted;
    for (const NamedScene& source : sources) {
        for (const auto& [what, count] : counts_of(source.scene)) {
            wanted[what] += count;
        }
    }
    EXPECT_EQ(counts_of(all), wanted);
    // Each surface is the one it was, on the joints it had.
    for (const NamedScene& source : sources) {
        for (const Node& node : source.scene.nodes) {
            const int there = all.find_node(node.name);
            if (there < 0 || node.mesh < 0) {
                EXPECT_GE(there, 0) << node.name;
                continue;
            }
            const Node& now = all.nodes[static_cast<size_t>(there)];
            EXPECT_EQ(content_of_mesh(all.meshes[static_cast<size_t>(now.mesh)]),
                      content_of_mesh(source.scene.meshes[static_cast<size_t>(node.mesh)]));
            ASSERT_EQ(now.skin < 0, node.skin < 0);
            if (node.skin >= 0) {
                const Skin& was = source.scene.skins[static_cast<size_t>(node.skin)];
                const Skin& is = all.skins[static_cast<size_t>(now.skin)];
                ASSERT_EQ(is.joints.size(), was.joints.size());
                for (size_t j = 0; j < was.joints.size(); ++j) {
                    EXPECT_EQ(all.nodes[static_cast<size_t>(is.joints[j])].name,
                              source.scene.nodes[static_cast<size_t>(was.joints[j])].name);
                }
            }
        }
    }
}

TEST_P(Assembled, ATwinOfTheSameRigGivesItsTakesAndNothingElse) {
    const uint32_t seed = GetParam();
    const Scene rig = random_rig(seed, options_for(seed));
    Scene take = rig;
    for (Clip& clip : take.clips) {
        clip.name += " again";
    }
    const Scene all = assemble({{"rig.glb", rig}, {"take.glb", take}});
    ASSERT_EQ(what_is_not_valid(all), "");
    EXPECT_EQ(all.nodes.size(), rig.nodes.size());
    EXPECT_EQ(all.meshes.size(), rig.meshes.size());
    EXPECT_EQ(all.clips.size(), 2 * rig.clips.size());
    for (const Clip& clip : rig.clips) {
        ASSERT_NE(all.find_clip(clip.name), nullptr);
        EXPECT_EQ(all.find_clip(clip.name)->channels.size(), clip.channels.size());
        const Clip* again = all.find_clip(clip.name + " again");
        ASSERT_NE(again, nullptr) << clip.name;
        EXPECT_NE(again->take, all.find_clip(clip.name)->take) << "each is a take of its own";
    }
}

INSTANTIATE_TEST_SUITE_P(Drawn, Assembled, ::testing::Range<uint32_t>(1, std::min<uint32_t>(seeds(), 30) + 1));

} // namespace
} // namespace wembrix::testing
