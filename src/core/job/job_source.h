// One source as a job names it: where its file is, and what a person said of it.
#pragma once

#include "core/base/result.h"
#include "core/job/join_part.h"
#include "core/scene/source_fit.h"

#include <concepts>
#include <filesystem>
#include <nlohmann/json.hpp>
#include <string>

namespace wembrix {

struct JobSource {
    std::string path; ///< relative ones count from the job's folder
    SourceRole role = SourceRole::automatic;
    RestOf rest = RestOf::nobody_said; ///< of a part that rests otherwise than the skeleton that it joins

    JobSource() = default;
    template <std::convertible_to<std::string> Text>
    JobSource(Text&& text) : path(std::forward<Text>(text)) {} // NOLINT: a path alone is a source
    bool operator==(const JobSource& other) const = default;
};

/// A path, or {"file": ..., "as": "part", "rest": "part"} where a person said something of it.
nlohmann::json job_source_to_json(const JobSource& source);
Result<JobSource> job_source_from_json(const nlohmann::json& json, const std::string& where);

std::string_view rest_name(RestOf rest); ///< "first"

} // namespace wembrix
