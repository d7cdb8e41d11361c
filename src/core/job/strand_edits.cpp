#include "core/job/strand_edits.h"

#include <algorithm>
#include <array>

namespace wembrix {

namespace {

/// In the order in which one builds on the other.
constexpr std::array<std::string_view, 5> order = {"strand_region", "strand_guides", "grow_strands", "bind_strands",
                                                   "cache_strands"};

size_t rank_of(std::string_view step) {
    return static_cast<size_t>(std::find(order.begin(), order.end(), step) - order.begin());
}

const char* name_key(std::string_view step) {
    return step == "strand_region" ? "name" : "strands";
}

std::string text_of(const Step& step, const char* key, const char* otherwise) {
    const auto found = step.parameters.find(key);
    return found != step.parameters.end() && found->is_string() ? found->get<std::string>() : std::string(otherwise);
}

bool is_about(const Job& job, const Step& step, const std::string& strands) {
    if (rank_of(step.id) >= order.size()) {
        return false;
    }
    const std::string named = text_of(step, name_key(step.id), step.id == "strand_region" ? "strands" : "");
    if (!named.empty()) {
        return named == strands;
    }
    const std::vector<std::string> all = strands_made_by(job);
    return all.size() == 1 && all.front() == strands;
}

} // namespace

std::vector<std::string> strands_made_by(const Job& job) {
    std::vector<std::string> names;
    for (const Step& step : job.steps) {
        if (step.id != "strand_region") {
            continue;
        }
        const std::string name = text_of(step, "name", "strands");
        if (std::find(names.begin(), names.end(), name) == names.end()) {
            names.push_back(name);
        }
    }
    return names;
}

std::optional<size_t> strand_step_place(const Job& job, std::string_view step, const std::string& strands) {
    for (size_t s = job.steps.size(); s-- > 0;) {
        if (job.steps[s].id == step && is_about(job, job.steps[s], strands)) {
            return s;
        }
    }
    return std::nullopt;
}

size_t set_strand_step(Job& job, std::string_view step, const std::string& strands, const nlohmann::json& parameters) {
    std::optional<size_t> place = strand_step_place(job, step, strands);
    if (!place) {
        size_t behind = job.steps.size();
        for (size_t s = job.steps.size(); s-- > 0;) {
            if (is_about(job, job.steps[s], strands) && rank_of(job.steps[s].id) < rank_of(step)) {
                behind = s + 1;
                break;
            }
        }
        job.steps.insert(job.steps.begin() + static_cast<ptrdiff_t>(behind), Step{std::string(step)});
        job.steps[behind].parameters[name_key(step)] = strands;
        place = behind;
    }
    nlohmann::json& values = job.steps[*place].parameters;
    for (const auto& [key, value] : parameters.items()) {
        if (value.is_null()) {
            values.erase(key);
        } else {
            values[key] = value;
        }
    }
    return *place;
}

void remove_strands(Job& job, const std::string& strands) {
    std::vector<Step> stay;
    for (const Step& step : job.steps) {
        if (!is_about(job, step, strands)) {
            stay.push_back(step);
        }
    }
    job.steps = std::move(stay);
}

} // namespace wembrix
