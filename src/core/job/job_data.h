// The arrays that a job's steps keep, as files beside it: "hood.wembrix" has them in the folder "hood.wembrix.data",
// one file each, called by the hash of its bytes.
#pragma once

#include "core/base/result.h"
#include "core/steps/step.h"

#include <filesystem>
#include <vector>

namespace wembrix {

/// The folder of a job file.
std::filesystem::path data_folder(const std::filesystem::path& job_file);

/// Reads what the steps name and do not hold yet. What is not there, or is not what its name says, stays out: the step
/// then says so when it is applied.
void read_data(std::vector<Step>& steps, const std::filesystem::path& folder);

/// Writes what the steps hold and the folder does not; each file whole or not at all. Makes no folder for nothing.
Outcome write_data(const std::vector<Step>& steps, const std::filesystem::path& folder);

/// Takes away the files that no step names, and the folder once it is empty. Only files called as ours are.
void collect_data(const std::vector<Step>& steps, const std::filesystem::path& folder);

} // namespace wembrix
