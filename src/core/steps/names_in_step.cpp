#include "core/steps/names_in_step.h"

#include "core/steps/names.h"
#include "core/steps/step_kind.h"

#include <algorithm>

namespace wembrix {

namespace {

using nlohmann::json;

/// Calls `each` on every value of `values` that is a name of that kind; the keys of pairs are given by `each_key`.
/// Nodes that stand in one list with clips are those of a joint, too.
template <typename Each, typename EachKey>
void for_names(const std::vector<Parameter>& parameters, json& values, NameOf what, const Each& each,
               const EachKey& each_key) {
    for (const Parameter& parameter : parameters) {
        const auto found = values.is_object() ? values.find(std::string(parameter.key)) : values.end();
        if (found == values.end()) {
            continue;
        }
        if (parameter.kind == Parameter::Kind::rows && found->is_array()) {
            for (json& row : *found) {
                for_names(parameter.columns, row, what, each, each_key);
            }
            continue;
        }
        if (parameter.values_name == what && found->is_object()) {
            std::for_each(found->begin(), found->end(), each);
        }
        if (parameter.names != what && !(what == NameOf::joint && parameter.names == NameOf::node_or_clip)) {
            continue;
        }
        if (found->is_string()) {
            each(*found);
        } else if (found->is_array()) {
            std::for_each(found->begin(), found->end(), each);
        } else if (found->is_object()) {
            each_key(*found);
        }
    }
}

const std::vector<Parameter>& parameters_of(const Step& step) {
    static const std::vector<Parameter> none;
    const StepKind* kind = step_kind(step.id);
    return kind == nullptr ? none : kind->parameters;
}

} // namespace

std::vector<std::string> names_in(const Step& step, NameOf what) {
    std::vector<std::string> names;
    json values = step.parameters;
    for_names(
        parameters_of(step), values, what,
        [&](const json& name) {
            if (name.is_string()) {
                names.push_back(name.get<std::string>());
            }
        },
        [&](const json& pairs) {
            for (const auto& [name, value] : pairs.items()) {
                names.push_back(name);
            }
        });
    return names;
}

std::vector<std::string> names_of_nothing(const StepContext& context, const Step& step) {
    const Scene& scene = context.scene;
    std::vector<std::string> nodes;
    std::vector<std::string> clips;
    std::vector<std::string> sources;
    for (const Node& node : scene.nodes) {
        nodes.push_back(node.name);
    }
    for (const Clip& clip : scene.clips) {
        clips.push_back(clip.name);
    }
    std::vector<std::string> shapes;
    std::vector<std::string> materials;
    for (const Mesh& mesh : scene.meshes) {
        for (const MorphTarget& shape : mesh.shapes) {
            shapes.push_back(shape.name);
        }
    }
    for (const Material& material : scene.materials) {
        materials.push_back(material.name);
    }
    std::vector<std::string> theirs; // surfaces of sources, as they were read
    for (const NamedScene& source : context.sources) {
        sources.push_back(source.name);
        for (const Node& node : source.scene.nodes) {
            if (node.mesh >= 0) {
                theirs.push_back(node.name);
            }
        }
    }
    std::vector<std::string> nothing;
    const auto look = [&](const std::string& name, std::initializer_list<const std::vector<std::string>*> lists) {
        const bool found = std::any_of(lists.begin(), lists.end(), [&](const std::vector<std::string>* list) {
            return std::any_of(list->begin(), list->end(),
                               [&](const std::string& one) { return one == name || matches_wildcard(one, name); });
        });
        if (!found && !name.empty() && std::find(nothing.begin(), nothing.end(), name) == nothing.end()) {
            nothing.push_back(name);
        }
    };
    const std::vector<std::string> either = names_in(step, NameOf::node_or_clip);
    for (const std::string& name : either) {
        look(name, {&nodes, &clips});
    }
    for (const NameOf what : {NameOf::joint, NameOf::surface, NameOf::prop}) {
        for (const std::string& name : names_in(step, what)) {
            // Lists of nodes and clips are given as joints, too.
            if (std::find(either.begin(), either.end(), name) == either.end()) {
                look(name, {&nodes, what == NameOf::surface ? &theirs : &nodes});
            }
        }
    }
    for (const std::string& name : names_in(step, NameOf::shape)) {
        look(name, {&shapes});
    }
    for (const std::string& name : names_in(step, NameOf::material)) {
        look(name, {&materials});
    }
    for (const std::string& name : names_in(step, NameOf::clip)) {
        look(name, {&clips});
    }
    for (const std::string& name : sources.empty() ? std::vector<std::string>() : names_in(step, NameOf::source)) {
        look(name, {&sources});
    }
    return nothing;
}

void follow_names(std::vector<Step>& steps, size_t first, NameOf what, std::map<std::string, std::string> names) {
    const auto rename = [&](json& name) {
        const auto found = name.is_string() ? names.find(name.get<std::string>()) : names.end();
        if (found != names.end()) {
            name = found->second;
        }
    };
    const auto rename_keys = [&](json& pairs) {
        for (const auto& [from, to] : names) {
            if (const auto found = pairs.find(from); found != pairs.end()) {
                json value = std::move(*found);
                pairs.erase(found);
                pairs[to] = std::move(value);
            }
        }
    };
    for (size_t i = first; i < steps.size() && !names.empty(); ++i) {
        for_names(parameters_of(steps[i]), steps[i].parameters, what, rename, rename_keys);
        if (what != NameOf::clip) {
            continue;
        }
        for (const Parameter& parameter : parameters_of(steps[i])) {
            json& values = steps[i].parameters;
            const std::string key(parameter.key);
            if (parameter.names == NameOf::node_or_clip && values.contains(key) && values[key].is_array()) {
                // A node may have the old name: it stays, and the new one joins it.
                for (const auto& [from, to] : names) {
                    if (std::find(values[key].begin(), values[key].end(), from) != values[key].end()) {
                        values[key].push_back(to);
                    }
                }
            } else if (parameter.names == NameOf::clip_ending) {
                const json ending = values.value(key, parameter.otherwise);
                std::map<std::string, std::string> made;
                for (const auto& [from, to] : names) {
                    const std::string behind = ending.is_string() ? ending.get<std::string>() : std::string();
                    made.emplace(from + behind, to + behind);
                }
                names.merge(made);
            }
        }
    }
}

} // namespace wembrix
