// Arrays made by hand that a step keeps: named in its parameters by a hash of their bytes, held beside them in memory,
// and beside the job as files (core/job/job_data.h).
#pragma once

#include "core/steps/step.h"

#include <string>
#include <vector>

namespace wembrix {

/// The hashes that the step's parameters name, each once, in order. Empty for a step of an unknown kind.
std::vector<std::string> data_names(const Step& step);

/// Puts bytes into the step's data; gives back their hash, which goes into a parameter.
std::string keep_data(Step& step, std::string bytes);
/// The same for bytes whose hash is known.
void keep_data(Step& step, const std::string& hash, std::shared_ptr<const std::string> bytes);

/// Lets go of what the parameters name no more.
void drop_unused_data(Step& step);

} // namespace wembrix
