// The list of clips that a take is cut into: beside the step that makes them, as CSV and as JSON.
#pragma once

#include "core/base/result.h"
#include "core/steps/step.h"

#include <nlohmann/json.hpp>
#include <string>
#include <string_view>
#include <vector>

namespace wembrix {

/// Frames of the take, first and last both counted.
struct Cut {
    std::string name;
    int first = 0;
    int last = 0;
    bool repeats = false;
    std::string colour; ///< "#RRGGBB" or empty
    std::string note;
    bool deliver = true; ///< goes out as a file of its own
    bool operator==(const Cut& other) const = default;
};

/// The cuts of a "split_take" step, and a step that makes them.
std::vector<Cut> cuts_of(const Step& step);
Step split_step(const std::string& take, const std::vector<Cut>& cuts);

/// CSV as RFC 4180 has it, with the header "name,first,last,repeats,colour,note". Columns may stand in any order and
/// the last three may be missing; "repeats" takes yes/no, true/false, 1/0.
std::string cuts_to_csv(const std::vector<Cut>& cuts);
Result<std::vector<Cut>> cuts_from_csv(std::string_view text, const std::string& where);
/// A list of objects with the same keys, alone or under "clips".
nlohmann::json cuts_to_json(const std::vector<Cut>& cuts);
Result<std::vector<Cut>> cuts_from_json(const nlohmann::json& json, const std::string& where);
/// By its first character: '[' or '{' is JSON, all else CSV.
Result<std::vector<Cut>> cuts_from_text(const std::string& text, const std::string& where);

/// A colour for the clip at `place`, from a row that stays apart to colour-blind eyes.
std::string clip_colour(size_t place);
/// "clip_1", "clip_2": the first that no cut has.
std::string free_clip_name(const std::vector<Cut>& cuts);

} // namespace wembrix
