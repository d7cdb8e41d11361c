// Any step with any parameters on any scene: what it makes is a whole scene, the same each time, and goes through a
// file.
#include "core/job/keep.h"
#include "core/measure/inventory/inventory.h"
#include "core/scene/content.h"
#include "core/steps/step.h"
#include "core/steps/step_kind.h"
#include "random_rig.h"
#include "through_a_file.h"
#include "valid_scene.h"

#include <cmath>
#include <fmt/format.h>
#include <gtest/gtest.h>
#include <map>
#include <random>

namespace wembrix::testing {
namespace {

using nlohmann::json;
using Kind = Parameter::Kind;

/// Values for parameters, drawn by what each declares of itself.
class Drawing {
  public:
    Drawing(uint32_t seed, const Scene& scene) : random_(seed), scene_(scene) {}

    json all(const std::vector<Parameter>& parameters) {
        json values = json::object();
        for (const Parameter& parameter : parameters) {
            if (parameter.is_needed || chance(2)) {
                if (json value = one(parameter); !value.is_null()) {
                    values[std::string(parameter.key)] = std::move(value);
                }
            }
        }
        return values;
    }

  private:
    size_t below(size_t count) { return random_() % std::max<size_t>(count, 1); }
    bool chance(size_t in) { return below(in) == 0; }

    std::string name(NameOf of) {
        std::vector<std::string> names;
        for (const Clip& clip : scene_.clips) {
            if (of == NameOf::clip || of == NameOf::node_or_clip) {
                names.push_back(clip.name);
            }
        }
        for (const Node& node : scene_.nodes) {
            if (of == NameOf::node_or_clip || (of == NameOf::joint && node.kind == NodeKind::joint) ||
                ((of == NameOf::surface || of == NameOf::prop) && node.mesh >= 0)) {
                names.push_back(node.name);
            }
        }
        return names.empty() || chance(12) ? fmt::format("name_{}", below(100)) : names[below(names.size())];
    }

    json number(const Parameter& parameter) {
        const double low = std::isfinite(parameter.least) ? parameter.least : -3;
        const double high = std::min(parameter.most, low + (parameter.kind == Kind::whole ? 40 : 4));
        const double value = low + (high - low) * static_cast<double>(1 + below(999)) / 1000;
        return parameter.kind == Kind::whole ? json(static_cast<int>(std::ceil(value))) : json(value);
    }

    json one(const Parameter& parameter) {
        switch (parameter.kind) {
        case Kind::text:
            return parameter.choices.empty() ? name(parameter.names)
                                             : parameter.choices[below(parameter.choices.size())];
        case Kind::number:
        case Kind::whole:
            return number(parameter);
        case Kind::choice:
            return parameter.choices[below(parameter.choices.size())];
        case Kind::flag:
            return chance(2);
        case Kind::list: {
            json list = json::array();
            for (size_t i = 0; i < std::max<size_t>(parameter.least_items, 1 + below(3)); ++i) {
                list.push_back(!parameter.choices.empty() ? parameter.choices[below(parameter.choices.size())]
                               : chance(6)                ? "*"
                                                          : name(parameter.names));
            }
            return list;
        }
        case Kind::pairs:
            return {{name(parameter.names), chance(3) ? name(NameOf::joint) : fmt::format("fresh_{}", below(100))}};
        case Kind::rows: {
            json rows = json::array();
            for (size_t i = 0; i < std::max<size_t>(parameter.least_items, 1 + below(2)); ++i) {
                rows.push_back(all(parameter.columns));
            }
            return rows;
        }
        case Kind::object:
            return nullptr;
        }
        return nullptr;
    }

    std::mt19937 random_;
    const Scene& scene_;
};

std::string content_of_scene(const Scene& scene) {
    Hasher hash;
    add_content(hash, scene);
    add_content(hash, scene.clips);
    return hash.hex();
}

class AnyStep : public ::testing::TestWithParam<uint32_t> {};

TEST_P(AnyStep, LeavesAWholeSceneOrSaysWhyNot) {
    const uint32_t seed = GetParam();
    const Scene scene = random_rig(seed, options_for(seed));
    ASSERT_EQ(what_is_not_valid(scene), "");
    Drawing draw(seed * 7919, scene);
    for (const StepKind& kind : step_kinds()) {
        const Step step{std::string(kind.id), draw.all(kind.parameters)};
        const std::string told = step_to_json(step).dump();
        const Result<StepResult> result = apply_step(scene, step);
        if (!result) {
            EXPECT_FALSE(result.problem().what.empty()) << told;
            continue;
        }
        EXPECT_FALSE(result->account.empty()) << told;
        EXPECT_EQ(what_is_not_valid(result->scene), "") << told;
        EXPECT_EQ(content_of_scene(apply_step(scene, step)->scene), content_of_scene(result->scene))
            << told << " makes something else the second time";
        if (!::testing::Test::HasFailure() && seed % 8 == 0 && !result->scene.nodes.empty()) {
            Scene model = result->scene;
            model.clips.clear(); // those that are cut are baked before they are written
            const Scene back = through_a_file(model);
            EXPECT_EQ(what_is_not_valid(back), "") << told;
            EXPECT_EQ(back.nodes.size(), result->scene.nodes.size()) << told;
        }
    }
}

TEST_P(AnyStep, OfARowOfThemEachLeavesAWholeScene) {
    const uint32_t seed = GetParam();
    Scene scene = random_rig(seed + 1000, options_for(seed + 1000));
    std::mt19937 random(seed);
    std::string told;
    for (int s = 0; s < 12; ++s) {
        const StepKind& kind = step_kinds()[random() % step_kinds().size()];
        const Step step{std::string(kind.id), Drawing(random(), scene).all(kind.parameters)};
        Result<StepResult> result = apply_step(scene, step);
        if (result) {
            told += step_to_json(step).dump() + "\n";
            scene = std::move(result->scene);
            ASSERT_EQ(what_is_not_valid(scene), "") << told;
        }
    }
}

INSTANTIATE_TEST_SUITE_P(Drawn, AnyStep, ::testing::Range<uint32_t>(1, seeds() + 1));

TEST(AnyStepAtAll, IsTriedInEarnest) {
    // Of every kind some drawn parameters fit: otherwise the tests above would show nothing of it.
    std::map<std::string, int> fitted;
    for (uint32_t seed = 1; seed <= 40; ++seed) {
        const Scene scene = random_rig(seed, options_for(seed));
        Drawing draw(seed * 7919, scene);
        for (const StepKind& kind : step_kinds()) {
            const Step step{std::string(kind.id), draw.all(kind.parameters)};
            fitted[step.id] += apply_step(scene, step).ok() ? 1 : 0;
        }
    }
    int never = 0;
    for (const auto& [id, times] : fitted) {
        never += times == 0 ? 1 : 0;
        EXPECT_TRUE(times > 0 || id == "fit_contract" || id == "set_rest_pose" || id == "accept_finding" ||
                    id == "mirror_clip")
            << id << " never fits";
    }
    EXPECT_LE(never, 4) << "those need a contract, a pose, a stop or joints of two sides";
}

} // namespace
} // namespace wembrix::testing
