#include "core/job/keep.h"

#include "core/steps/names.h"

#include <algorithm>

namespace wembrix {

namespace {

using nlohmann::json;

auto first_step(std::vector<Step>& steps) {
    return std::find_if(steps.begin(), steps.end(), [](const Step& step) { return step.id == "leave_behind"; });
}

/// Of nodes of a scene, with wildcards; of anything else, as it is.
bool listed(const json& parameters, const char* key, const std::string& value, const Scene* nodes = nullptr) {
    const auto found = parameters.find(key);
    if (found == parameters.end() || !found->is_array()) {
        return false;
    }
    return std::any_of(found->begin(), found->end(), [&](const json& entry) {
        return entry.is_string() && (nodes != nullptr ? NamePatterns({entry.get<std::string>()}, *nodes).any_fits(value)
                                                      : entry.get<std::string>() == value);
    });
}

bool left_by(const json& parameters, const Scene& received, int node) {
    const Node& at = received.nodes[node];
    const bool still = at.mesh >= 0 && at.skin < 0 && at.kind == NodeKind::surface;
    if (listed(parameters, "kinds", std::string(kind_name(at.kind))) ||
        (still && listed(parameters, "kinds", "static"))) {
        return true;
    }
    for (int above = node; above >= 0; above = received.nodes[above].parent) {
        if (listed(parameters, "names", received.nodes[above].name, &received)) {
            return true;
        }
    }
    return false;
}

} // namespace

bool is_left(const Job& job, const Scene& received, int node) {
    for (const Step& step : job.steps) {
        if (step.id == "leave_behind") {
            return step.on && left_by(step.parameters, received, node);
        }
    }
    return false;
}

void set_left(Job& job, const Scene& received, int node, bool left) {
    auto step = first_step(job.steps);
    if (step == job.steps.end()) {
        job.steps.insert(job.steps.begin(), Step{"leave_behind"});
        step = job.steps.begin();
    }
    json names = json::array();
    for (size_t i = 0; i < received.nodes.size(); ++i) {
        const int at = static_cast<int>(i);
        const bool goes = at == node ? left : step->on && left_by(step->parameters, received, at);
        // What stands below a node that is named goes with it and needs no name of its own.
        const int parent = received.nodes[i].parent;
        const bool covered =
            parent >= 0 && std::find(names.begin(), names.end(), received.nodes[parent].name) != names.end();
        if (goes && !covered) {
            names.push_back(received.nodes[i].name);
        }
    }
    step->on = true;
    step->parameters = json::object();
    if (names.empty()) {
        job.steps.erase(step);
    } else {
        step->parameters["names"] = names;
    }
}

} // namespace wembrix
