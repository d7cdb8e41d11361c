// Gives props the origin that an engine places them by: each its own, or the world's for all.
#include "core/base/text.h"
#include "core/measure/scene/props.h"
#include "core/scene/place_all.h"
#include "core/steps/names.h"
#include "core/steps/skeleton/reframe.h"
#include "core/steps/step_kind.h"

#include <Eigen/LU>
#include <algorithm>

namespace wembrix {

namespace {

struct OriginSettings {
    enum class At : uint8_t { own, world };
    enum class By : uint8_t { pivot, ground, middle };
    std::vector<std::string> props;
    At at = At::own;
    By by = By::pivot;
    bool reset_rotation = true;
};

bool is_named(const Scene& scene, const Prop& prop, const std::string& pattern) {
    const NamePatterns meant({pattern}, scene);
    return std::any_of(prop.nodes.begin(), prop.nodes.end(),
                       [&](int node) { return meant.any_fits(scene.nodes[node].name); });
}

/// The props that are meant; without names all but the character, where there is more than it.
Result<std::vector<Prop>> chosen_props(const Scene& scene, const OriginSettings& settings,
                                       std::vector<std::string>& nothing) {
    std::vector<Prop> props = props_of(scene);
    if (props.empty()) {
        return Problem{"there is nothing to place.", "", ""};
    }
    if (settings.props.empty()) {
        if (const int character = character_among(props); character >= 0 && props.size() > 1) {
            props.erase(props.begin() + character);
        }
        return props;
    }
    for (const std::string& pattern : settings.props) {
        if (std::none_of(props.begin(), props.end(),
                         [&](const Prop& prop) { return is_named(scene, prop, pattern); })) {
            nothing.push_back(pattern);
        }
    }
    std::erase_if(props, [&](const Prop& prop) {
        return std::none_of(settings.props.begin(), settings.props.end(),
                            [&](const std::string& pattern) { return is_named(scene, prop, pattern); });
    });
    if (props.empty()) {
        return Problem{phrase("nothing is called {}.", some_of(nothing)), "", ""};
    }
    return props;
}

/// The matrix that brings a prop to the world's origin.
Mat4 way_home(const Scene& scene, const Prop& prop, const OriginSettings& settings) {
    if (settings.by != OriginSettings::By::pivot && !prop.bounds.empty()) {
        Vec3 from = prop.bounds.centre();
        from.y() = settings.by == OriginSettings::By::ground ? prop.bounds.low.y() : from.y();
        return translating(-from);
    }
    const Mat4 pivot = rest_world(scene)[prop.pivot];
    Mat4 home = translating(-pivot.topRightCorner<3, 1>());
    if (settings.reset_rotation) {
        const Mat3 back = nearest_rotation(linear_of(pivot)).transpose();
        Mat4 turn = Mat4::Identity();
        turn.topLeftCorner<3, 3>() = back;
        home = turn * home;
    }
    return home;
}

void to_own_origin(StepResult& result, const std::vector<Prop>& props, const OriginSettings& settings) {
    std::vector<std::string> told;
    for (const Prop& prop : props) {
        const Mat4 home = way_home(result.scene, prop, settings);
        const Vec3 move = home.topRightCorner<3, 1>();
        const Quat turn = Quat(linear_of(home)).normalized();
        if (home.isIdentity(1e-12)) {
            continue;
        }
        std::vector<char> chosen(result.scene.nodes.size(), 0);
        for (const int node : prop.nodes) {
            chosen[node] = 1;
            result.moved.each[result.scene.nodes[node].identity] = home;
        }
        result.moved.each.erase(0);
        place_some(result.scene, turn, move, chosen);
        told.push_back(phrase("{} by {:.0f} mm", prop.name, (home.inverse().topRightCorner<3, 1>()).norm() * 1000));
    }
    result.account =
        told.empty() ? "all stand at their own origin already" : phrase("to the origin: {}", some_of(told, 4));
}

void to_the_worlds_origin(const Scene& scene, StepResult& result, const std::vector<Prop>& props) {
    const std::vector<Mat4> world = rest_world(scene);
    Reframing frames = same_frames(scene);
    std::vector<std::string> told;
    std::vector<std::string> rigged;
    for (const Prop& prop : props) {
        for (const int top : prop.tops) {
            if (scene.nodes[top].kind == NodeKind::joint) {
                // Where a joint is belongs to the motion; a root above it can stand at the origin.
                rigged.push_back(scene.nodes[top].name);
            } else if (std::abs(linear_of(world[top]).determinant()) > 1e-24 && !world[top].isIdentity(1e-12)) {
                frames.correction[top] = world[top].inverse();
                told.push_back(scene.nodes[top].name);
            }
        }
    }
    if (!rigged.empty()) {
        result.could_not.push_back(
            phrase("{} is a joint and keeps its place; “Make root” puts one above it at the origin", some_of(rigged)));
    }
    if (told.empty()) {
        result.account = "all have the world's origin already";
        return;
    }
    Reframed reframed = reframe(scene, frames);
    result.scene = std::move(reframed.scene);
    for (const Prop& prop : props) {
        for (const int top : prop.tops) {
            // What is nothing but for rounding is nothing.
            Node* const node = &result.scene.nodes[result.scene.find_node(scene.nodes[top].name)];
            node->rest = frames.correction[top].isIdentity(0) ? node->rest : Transform{};
        }
    }
    result.account = phrase("the world's origin for {}: what they show stays where it is", some_of(told, 4));
    for (const Lost& lost : reframed.lost) {
        result.could_not.push_back(
            phrase("{} loses {:.2f} % of its stretch or shear", scene.nodes[lost.node].name, lost.part * 100));
    }
}

Result<StepResult> apply_place_origin(const StepContext& context, const OriginSettings& settings) {
    const Scene& scene = context.scene;
    StepResult result;
    std::vector<std::string> nothing;
    const Result<std::vector<Prop>> props = chosen_props(scene, settings, nothing);
    if (!props) {
        return props.problem();
    }
    result.scene = scene;
    if (settings.at == OriginSettings::At::own) {
        to_own_origin(result, *props, settings);
        if (settings.by != OriginSettings::By::pivot) {
            // What it is placed by is its origin from now on, wherever the pivot was.
            const Scene moved = result.scene;
            const std::string account = result.account;
            to_the_worlds_origin(moved, result, *props);
            result.account = account;
        }
    } else {
        to_the_worlds_origin(scene, result, *props);
    }
    if (!nothing.empty()) {
        result.could_not.push_back(phrase("nothing is called {}", some_of(nothing)));
    }
    return result;
}

} // namespace

StepKind place_origin_step() {
    return make_step<OriginSettings>(
        {"place_origin", "Place origins",
         "An engine puts a prop where its origin goes; in a set it lies where the set had it.", StepSubject::scene},
        {list<&OriginSettings::props>("props", "Props",
                                      "What stands by itself, by names with * and ?; all but the character where it is "
                                      "not set")
             .naming(NameOf::prop)
             .typed_as("one per line, * and ? allowed; none: all but the character"),
         choice<&OriginSettings::at>("at", "Origin", {"own", "world"},
                                     "Each to its own origin, or all get the world's and what they show stays")
             .starting("own"),
         choice<&OriginSettings::by>("by", "Its own is", {"pivot", "ground", "middle"},
                                     "What its own origin is: the node as it came, the ground under its middle, or its "
                                     "middle")
             .starting("pivot"),
         flag<&OriginSettings::reset_rotation>("reset_rotation", "Rotation", "undone, too (by pivot)").starting(true)},
        apply_place_origin);
}

} // namespace wembrix
