// Names of clips, surfaces, materials and shapes that a destination refuses, and a root that it does not know.
#include "core/base/counted.h"
#include "core/base/latin.h"
#include "core/base/pattern.h"
#include "core/base/text.h"
#include "core/findings/finding.h"
#include "core/measure/surface/weights.h"
#include "core/steps/names.h"

#include <algorithm>
#include <set>

namespace wembrix {

namespace {

struct NamedKind {
    const char* noun;
    const char* step; ///< that renames them
    const char* what; ///< its setting, or null
    std::string Destination::*pattern;
};

constexpr NamedKind kinds[] = {{"clip", "rename_clips", nullptr, &Destination::clip_names},
                               {"surface", "rename_surfaces", "surfaces", &Destination::surface_names},
                               {"material", "rename_surfaces", "materials", &Destination::material_names},
                               {"shape", "rename_surfaces", "shapes", &Destination::shape_names}};

std::vector<std::string> names_of(const Scene& scene, const NamedKind& kind) {
    std::set<std::string> names;
    if (kind.pattern == &Destination::clip_names) {
        for (const Clip& clip : scene.clips) {
            if (clip.deliver) {
                names.insert(clip.name);
            }
        }
    } else if (kind.pattern == &Destination::material_names) {
        for (const Material& material : scene.materials) {
            names.insert(material.name);
        }
    }
    for (const int surface : surfaces_of(scene)) {
        const Node& node = scene.nodes[static_cast<size_t>(surface)];
        if (kind.pattern == &Destination::surface_names) {
            names.insert(node.name);
        } else if (kind.pattern == &Destination::shape_names) {
            for (const MorphTarget& shape : scene.meshes[static_cast<size_t>(node.mesh)].shapes) {
                names.insert(shape.name);
            }
        }
    }
    return {names.begin(), names.end()};
}

/// Rules, each tried with those before it, that make the names fit and keep them apart.
nlohmann::json rules_for(const std::vector<std::string>& names, const Pattern& pattern) {
    nlohmann::json rules = nlohmann::json::array();
    std::vector<std::string> now = names;
    const auto good = [&] {
        return std::all_of(now.begin(), now.end(),
                           [&](const std::string& name) { return pattern.matches_whole(name); }) &&
               doubled_names(now).empty();
    };
    const auto each = [&](const auto& change) { std::transform(now.begin(), now.end(), now.begin(), change); };
    each([](const std::string& name) { return in_latin(name); });
    rules.push_back({{"letters", "latin"}});
    if (good()) {
        return rules;
    }
    each([](const std::string& name) { return Pattern::checked("[^A-Za-z0-9_]+").replace_all(name, "_"); });
    rules.push_back({{"find", "[^A-Za-z0-9_]+"}, {"replace", "_"}});
    if (good()) {
        return rules;
    }
    each([](std::string name) {
        std::transform(name.begin(), name.end(), name.begin(), [](unsigned char c) { return std::tolower(c); });
        return name;
    });
    rules.push_back({{"case", "lower"}});
    return good() ? rules : nlohmann::json();
}

} // namespace

std::vector<Finding> find_refused_names(const FindingContext& context) {
    std::vector<Finding> findings;
    for (const NamedKind& kind : kinds) {
        if (context.destination == nullptr || ((*context.destination).*kind.pattern).empty()) {
            continue;
        }
        const std::string& text = (*context.destination).*kind.pattern;
        const Pattern pattern = Pattern::checked(text);
        std::vector<std::string> refused;
        for (const std::string& name : names_of(context.scene, kind)) {
            if (!pattern.matches_whole(name)) {
                refused.push_back(name);
            }
        }
        if (refused.empty()) {
            continue;
        }
        Finding finding;
        finding.grade = Grade::stop;
        finding.where = some_of(refused, refused.size());
        finding.message = phrase("{} {} does not take", counted(refused.size(), std::string(kind.noun) + " name"),
                                 context.destination->name);
        finding.reason =
            phrase("{}: names of {} there fit the pattern {}", some_of(refused), plural_of(kind.noun), text);
        if (nlohmann::json rules = rules_for(refused, pattern); !rules.is_null()) {
            finding.step = Step{kind.step, {{"rules", std::move(rules)}}};
            if (kind.what != nullptr) {
                finding.step->parameters["what"] = kind.what;
            }
        } else {
            finding.no_step = "no simple rule makes them fit and keeps them apart";
        }
        if (kind.pattern == &Destination::clip_names) {
            finding.clip = refused.front();
        } else if (kind.pattern == &Destination::surface_names) {
            finding.nodes = refused;
        }
        findings.push_back(std::move(finding));
    }
    return findings;
}

std::vector<Finding> find_refused_root(const FindingContext& context) {
    const std::vector<int> roots = root_joints(context.scene);
    if (context.destination == nullptr || roots.size() != 1) {
        return {}; // several have a finding of their own
    }
    const std::string& name = context.scene.nodes[static_cast<size_t>(roots[0])].name;
    if (name == context.destination->root) {
        return {};
    }
    Finding finding;
    finding.grade = Grade::stop;
    finding.where = name;
    finding.nodes = {name};
    finding.message = phrase("{} expects a root “{}”", context.destination->name, context.destination->root);
    finding.reason = phrase("The one joint without a parent is called {}.", name);
    if (holding_of(context.scene)[static_cast<size_t>(roots[0])].points > 0) { // it bends the surface: it is no root
        finding.step = Step{"make_root", {{"name", context.destination->root}, {"position", "ground"}}};
    } else {
        finding.step = Step{"rename_joints", {{"names", {{name, context.destination->root}}}}};
    }
    return {finding};
}

std::vector<Finding> find_many_shapes(const FindingContext& context) {
    std::vector<Finding> findings;
    const int most = context.destination == nullptr ? -1 : context.destination->shapes;
    for (const int surface : most > 0 ? surfaces_of(context.scene) : std::vector<int>()) {
        const Node& node = context.scene.nodes[static_cast<size_t>(surface)];
        const size_t count = context.scene.meshes[static_cast<size_t>(node.mesh)].shapes.size();
        if (count <= static_cast<size_t>(most)) {
            continue;
        }
        Finding finding;
        finding.grade = Grade::stop;
        finding.where = node.name;
        finding.nodes = {node.name};
        finding.message =
            phrase("{} has {}, {} takes {}", node.name, counted(count, "shape"), context.destination->name, most);
        finding.reason = "An engine leaves out the rest, or refuses the file.";
        finding.no_step = "leave some behind at their source, or give the destination another limit";
        findings.push_back(std::move(finding));
    }
    return findings;
}

} // namespace wembrix
