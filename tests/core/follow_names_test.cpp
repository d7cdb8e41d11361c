// A joint, surface or clip that is called otherwise changes nothing of what a card makes, once its steps follow.
#include "core/scene/content.h"
#include "core/steps/names_in_step.h"
#include "core/steps/step.h"
#include "core/steps/step_kind.h"
#include "drawn_parameters.h"
#include "random_rig.h"

#include <gtest/gtest.h>
#include <set>

namespace wembrix::testing {
namespace {

using nlohmann::json;

/// All of a scene but what things are called.
std::string content_but_names(Scene scene) {
    for (Node& node : scene.nodes) {
        node.name.clear();
    }
    for (Clip& clip : scene.clips) {
        clip.name.clear();
    }
    for (Skin& skin : scene.skins) {
        skin.name.clear();
    }
    for (Mesh& mesh : scene.meshes) {
        mesh.name.clear();
    }
    scene.notes.clear();
    Hasher hash;
    add_content(hash, scene);
    add_content(hash, scene.clips);
    return hash.hex();
}

/// What they do depends on names by its nature: on their order, on what they have in common, or on rules.
bool goes_by_names(const Step& step) {
    static const std::set<std::string> kinds = {"reorder_joints", "strip_prefix", "rename_joints", "rename_surfaces",
                                                "mirror_clip",    "fit_contract", "face_forward"};
    return kinds.count(step.id) > 0 || step.parameters.dump().find('*') != std::string::npos;
}

class FollowedNames : public ::testing::TestWithParam<uint32_t> {};

TEST_P(FollowedNames, OfAJointChangeNothingOfWhatAStepMakes) {
    const uint32_t seed = GetParam();
    const Scene scene = random_rig(seed, options_for(seed));
    std::mt19937 random(seed);
    const std::vector<int> joints = joints_of(scene);
    for (const StepKind& kind : step_kinds()) {
        const Step step{std::string(kind.id), Drawing(random(), scene).all(kind.parameters)};
        if (goes_by_names(step)) {
            continue;
        }
        // One that the step names, if it names any.
        std::vector<std::string> named = names_in(step, NameOf::joint);
        std::erase_if(named, [&](const std::string& name) { return scene.find_node(name) < 0; });
        const std::string before =
            named.empty() ? scene.nodes[joints[random() % joints.size()]].name : named[random() % named.size()];
        const std::string after = before + "_anew";
        Scene renamed = scene;
        renamed.nodes[scene.find_node(before)].name = after;
        std::vector<Step> card = {step};
        follow_names(card, 0, NameOf::joint, {{before, after}});
        for (const std::string& name : names_in(card[0], NameOf::joint)) {
            EXPECT_NE(name, before) << step_to_json(card[0]).dump();
        }
        const Result<StepResult> was = apply_step(scene, step);
        const Result<StepResult> is = apply_step(renamed, card[0]);
        ASSERT_EQ(was.ok(), is.ok()) << step_to_json(step).dump() << ", " << before << ": "
                                     << (was ? is.problem().sentence() : was.problem().sentence());
        if (was) {
            EXPECT_EQ(content_but_names(was->scene), content_but_names(is->scene))
                << step_to_json(step).dump() << " with " << before << " called " << after;
        }
    }
}

TEST_P(FollowedNames, OfAClipChangeNothingOfWhatAStepMakes) {
    const uint32_t seed = GetParam();
    const Scene scene = random_rig(seed + 500, options_for(seed + 500));
    std::mt19937 random(seed);
    for (const StepKind& kind : step_kinds()) {
        const Step step{std::string(kind.id), Drawing(random(), scene).all(kind.parameters)};
        std::vector<std::string> named = names_in(step, NameOf::clip);
        std::erase_if(named, [&](const std::string& name) { return scene.find_clip(name) == nullptr; });
        if (goes_by_names(step) || named.empty()) {
            continue;
        }
        const std::string before = named[random() % named.size()];
        const std::string after = "other " + before;
        Scene renamed = scene;
        for (Clip& clip : renamed.clips) {
            clip.name = clip.name == before ? after : clip.name;
        }
        std::vector<Step> card = {step};
        follow_names(card, 0, NameOf::clip, {{before, after}});
        const Result<StepResult> was = apply_step(scene, step);
        const Result<StepResult> is = apply_step(renamed, card[0]);
        ASSERT_EQ(was.ok(), is.ok()) << step_to_json(step).dump() << " became " << step_to_json(card[0]).dump() << ": "
                                     << (was ? is.problem().sentence() : was.problem().sentence());
        if (was) {
            EXPECT_EQ(content_but_names(was->scene), content_but_names(is->scene)) << step_to_json(step).dump();
        }
    }
}

INSTANTIATE_TEST_SUITE_P(Drawn, FollowedNames, ::testing::Range<uint32_t>(1, std::min<uint32_t>(seeds(), 40) + 1));

} // namespace
} // namespace wembrix::testing
