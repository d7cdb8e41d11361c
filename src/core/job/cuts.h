// The list of clips that a take is cut into: beside the step that makes them, as CSV and as JSON.
#pragma once

#include "core/base/result.h"
#include "core/scene/clip.h"
#include "core/steps/step.h"

#include <functional>
#include <nlohmann/json.hpp>
#include <string>
#include <string_view>
#include <utility>
#include <vector>

namespace wembrix {

/// Frames of the take, first and last both counted.
struct Cut {
    std::string name;
    int start = 0;
    int end = 0;
    bool loop = false;
    std::string colour; ///< "#RRGGBB" or empty
    std::string note;
    bool deliver = true;   ///< goes out as a file of its own
    std::string take = {}; ///< in a list of several takes, which one it is of; empty in steps
    bool operator==(const Cut& other) const = default;
};

/// The cuts of a "split_take" step, and a step that makes them.
std::vector<Cut> cuts_of(const Step& step);
Step split_step(const std::string& take, const std::vector<Cut>& cuts);

/// Frames a second of a take; 0: there is none of that name.
using RateOfTake = std::function<double(const std::string& take)>;

/// CSV with the header "name,first,last,repeats,colour,note". Columns may stand in any order and the last three may be
/// missing; "repeats" takes yes/no, true/false, 1/0. A column "deliver" says which go out, where some do not. Instead
/// of frames a list may give seconds, "from_s,to_s": they become the nearest frames at the take's rate. A list of
/// several takes has a column "take".
std::string cuts_to_csv(const std::vector<Cut>& cuts);
Result<std::vector<Cut>> cuts_from_csv(std::string_view text, const std::string& where, const RateOfTake& rate = {});
/// A list of objects with the same keys, alone or under "clips".
nlohmann::json cuts_to_json(const std::vector<Cut>& cuts);
Result<std::vector<Cut>> cuts_from_json(const nlohmann::json& json, const std::string& where,
                                        const RateOfTake& rate = {});
/// By its first character: '[' or '{' is JSON, all else CSV.
Result<std::vector<Cut>> cuts_from_text(const std::string& text, const std::string& where, const RateOfTake& rate = {});
/// The same cuts take by take, in the order in which the takes first stand; those that name none are of `otherwise`.
std::vector<std::pair<std::string, std::vector<Cut>>> cuts_by_take(const std::vector<Cut>& cuts,
                                                                   const std::string& otherwise);

/// Ranges that the source names in what it keeps beside the take (its extras): objects with a name, or under one, and
/// "first" and "last" in frames, "from_s" and "to_s" in seconds, or "start" and "end", which are frames where they
/// reach beyond the take's seconds. What does not lie within the take is left out.
std::vector<Cut> ranges_inside(const Clip& take);

/// A colour for the clip at `place`, from a row that stays apart to colour-blind eyes.
std::string clip_colour(size_t place);
/// "clip_1", "clip_2": the first that no cut has.
std::string free_clip_name(const std::vector<Cut>& cuts);

} // namespace wembrix
