// Who sees to it that every item of a farm is run: on this machine, through a scheduler, or through any command.
#pragma once

#include "core/farm/farm.h"

#include <filesystem>
#include <functional>
#include <string>

namespace wembrix {

struct FarmRun {
    std::filesystem::path program; ///< this one: items are its commands
    /// "here"; "slurm": arrays of `sbatch`; else a command for a shell in which {command} stands for that of an item.
    std::string on = "here";
    int workers = 1; ///< items at a time on this machine
    double look_every_s = 1;
    double patience_s = 3600; ///< of a command that was given an item and has not begun it
    std::function<void(const FarmStatus&)> progress{};
    std::function<bool()> stop{};
};

/// Until every item is done or has failed too often. Another coordinator may have died over it: what is at work is
/// left at work. A Problem where another one is at it now, or the scheduler cannot be asked.
Result<FarmStatus> run_farm(const Farm& farm, const FarmRun& run);

/// The item that a task of an array stands for; a Problem where there is none.
Result<int> item_of_task(const Farm& farm, int batch, int task);

} // namespace wembrix
