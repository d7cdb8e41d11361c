// Renames what is no joint: surfaces, shapes, materials.
#include "core/base/text.h"
#include "core/steps/names.h"
#include "core/steps/rename_rules.h"
#include "core/steps/step_kind.h"
#include "core/steps/unused_rules.h"

#include <nlohmann/json.hpp>

namespace wembrix {

namespace {

class Renaming {
  public:
    explicit Renaming(const RenameRules& used) : rules(used) {}

    const RenameRules& rules;
    size_t count = 0;
    std::string example;
    std::vector<std::string> doubled;
    std::vector<std::string> seen; ///< all names that the rules were given
    std::optional<Problem> problem;

    void run(const std::vector<std::string*>& names, const std::vector<std::string>& others) {
        std::vector<std::string> all = others;
        std::vector<std::string> before;
        for (const std::string* name : names) {
            before.push_back(*name);
            seen.push_back(*name);
        }
        const std::vector<Result<std::string>> renamed = rules.apply(before);
        for (size_t i = 0; i < names.size(); ++i) {
            std::string* name = names[i];
            const Result<std::string>& after = renamed[i];
            if (!after) {
                problem = problem ? problem : std::optional<Problem>(after.problem());
                return;
            }
            if (*after != *name) {
                example = count++ == 0 ? phrase(" ({} → {})", *name, *after) : example;
                *name = *after;
            }
            all.push_back(*name);
        }
        for (const std::string& name : doubled_names(all)) {
            doubled.push_back(name);
        }
    }
};

struct SurfaceNamesSettings {
    std::vector<RenameRule> rules;
    std::map<std::string, std::string> names;
};
struct RenameSurfacesSettings : SurfaceNamesSettings {
    enum class What : uint8_t { surfaces, shapes, materials };
    What what = What::surfaces;
};

constexpr const char* words[] = {"surfaces", "shapes", "materials"};

std::vector<Parameter> parameters_of_surfaces() {
    std::vector<Parameter> parameters = rename_parameters<SurfaceNamesSettings>();
    parameters.insert(parameters.begin(), choice<&RenameSurfacesSettings::what>(
                                              "what", "What", {words[0], words[1], words[2]}, "What is renamed")
                                              .starting("surfaces"));
    return parameters;
}

Result<StepResult> rename_what(const StepContext& context, const std::string& what,
                               const SurfaceNamesSettings& settings) {
    const Scene& scene = context.scene;
    const Result<RenameRules> rules = RenameRules::compile(settings.rules, settings.names);
    if (!rules) {
        return rules.problem();
    }
    StepResult result;
    result.scene = scene;
    Renaming renaming(*rules);
    if (what == "surfaces") {
        std::vector<std::string*> names;
        std::vector<std::string> others;
        for (Node& node : result.scene.nodes) {
            if (node.mesh >= 0) {
                names.push_back(&node.name);
            } else {
                others.push_back(node.name);
            }
        }
        renaming.run(names, others);
    } else if (what == "shapes") {
        // A shape's name is its own within one surface; two surfaces may have shapes that work together.
        for (Mesh& mesh : result.scene.meshes) {
            std::vector<std::string*> names;
            for (MorphTarget& shape : mesh.shapes) {
                names.push_back(&shape.name);
            }
            renaming.run(names, {});
        }
    } else {
        std::vector<std::string*> names;
        for (Material& material : result.scene.materials) {
            names.push_back(&material.name);
        }
        renaming.run(names, {});
        // Materials may share a name in a source; only the step itself must not make it so.
        renaming.doubled.clear();
    }
    if (renaming.problem) {
        return *renaming.problem;
    }
    if (!renaming.doubled.empty()) {
        return Problem{phrase("two {} would have the same name: {}.", what, some_of(renaming.doubled)), "",
                       "Change the rules so that all names differ."};
    }
    // "surfaces": of one of them.
    tell_unused(*rules, renaming.seen, what.substr(0, what.size() - 1), result);
    result.account = renaming.count == 0 ? phrase("no name among the {} fits a rule", what)
                                         : phrase("{} of the {} renamed{}", renaming.count, what, renaming.example);
    return result;
}

Result<StepResult> apply_rename_surfaces(const StepContext& context, const RenameSurfacesSettings& settings) {
    return rename_what(context, words[static_cast<int>(settings.what)], settings);
}
Result<StepResult> apply_rename_shapes(const StepContext& context, const SurfaceNamesSettings& settings) {
    return rename_what(context, "shapes", settings);
}
Result<StepResult> apply_rename_slots(const StepContext& context, const SurfaceNamesSettings& settings) {
    return rename_what(context, "materials", settings);
}

} // namespace

StepKind rename_shapes_step() {
    return make_step<SurfaceNamesSettings>({"rename_shapes", "Rename shapes",
                                            "An engine finds a shape by its name; rules give it the one it asks for.",
                                            StepSubject::surface},
                                           rename_parameters<SurfaceNamesSettings>(), apply_rename_shapes);
}

StepKind rename_slots_step() {
    return make_step<SurfaceNamesSettings>(
        {"rename_slots", "Rename material slots",
         "Materials are assigned by the name of the slot; rules give it the one that the engine project has.",
         StepSubject::surface},
        rename_parameters<SurfaceNamesSettings>(), apply_rename_slots);
}

StepKind rename_surfaces_step() {
    return make_step<RenameSurfacesSettings>(
        {"rename_surfaces", "Rename surfaces and shapes",
         "Surfaces, shapes and materials are found by name in an engine; rules give them the names it asks for.",
         StepSubject::surface},
        parameters_of_surfaces(), apply_rename_surfaces);
}

} // namespace wembrix
