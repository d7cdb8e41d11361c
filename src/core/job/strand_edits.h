// What working on strands at their station means for the route card.
#pragma once

#include "core/job/job.h"

#include <optional>
#include <string>
#include <string_view>
#include <vector>

namespace wembrix {

/// Names of the strands that the card makes, in order.
std::vector<std::string> strands_made_by(const Job& job);

/// The place of the card's last step of that kind that is about these strands ("strand_guides"); nothing: there is
/// none. A step that names none is about the only ones that the card makes.
std::optional<size_t> strand_step_place(const Job& job, std::string_view step, const std::string& strands);

/// Sets parameters of that step, one by one; null takes one away. Where it is not there it comes behind those that it
/// builds on: region, guides, growth, how they follow. Its place.
size_t set_strand_step(Job& job, std::string_view step, const std::string& strands, const nlohmann::json& parameters);

/// Takes every step off that is about these strands alone.
void remove_strands(Job& job, const std::string& strands);

} // namespace wembrix
