#include "core/steps/step_data.h"

#include "core/base/files.h"
#include "core/steps/step_kind.h"

#include <algorithm>

namespace wembrix {

std::vector<std::string> data_names(const Step& step) {
    std::vector<std::string> names;
    const StepKind* kind = step_kind(step.id);
    if (kind == nullptr || check_parameters(kind->parameters, step.parameters)) {
        return names; // what is no hash must not become the name of a file
    }
    const auto add = [&](const nlohmann::json& value) {
        if (std::find(names.begin(), names.end(), value.get<std::string>()) == names.end()) {
            names.push_back(value.get<std::string>());
        }
    };
    for (const Parameter& parameter : kind->parameters) {
        const auto value = step.parameters.find(std::string(parameter.key));
        if (!parameter.holds_data || value == step.parameters.end()) {
            continue;
        }
        if (value->is_string()) {
            add(*value);
        } else {
            std::for_each(value->begin(), value->end(), add);
        }
    }
    return names;
}

std::string keep_data(Step& step, std::string bytes) {
    std::string name = hash_of(bytes);
    step.data.try_emplace(name, std::make_shared<const std::string>(std::move(bytes)));
    return name;
}

void keep_data(Step& step, const std::string& hash, std::shared_ptr<const std::string> bytes) {
    step.data.try_emplace(hash, std::move(bytes));
}

void drop_unused_data(Step& step) {
    const std::vector<std::string> names = data_names(step);
    std::erase_if(step.data,
                  [&](const auto& one) { return std::find(names.begin(), names.end(), one.first) == names.end(); });
}

} // namespace wembrix
