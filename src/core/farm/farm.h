// A run in pieces, on however many machines share a folder. Each item of it is one command of ours; what became of it
// stands in files beside the plan, so that anybody who sees the folder can tell how far it is, and whoever dies can be
// replaced. No clock of one machine is held against another's.
#pragma once

#include "core/base/result.h"

#include <filesystem>
#include <nlohmann/json.hpp>
#include <string>
#include <vector>

namespace wembrix {

struct FarmItem {
    std::string name;                   ///< what it is of, for people
    int takes = 0;                      ///< how much there is to do in it
    std::vector<std::string> arguments; ///< of the command line: "deliver", "/jobs/heron.wembrix", …
    std::vector<std::string> list;      ///< a file beside the plan that the argument "{list}" stands for; a line each
};

struct Farm {
    std::filesystem::path folder;
    std::filesystem::path working_folder; ///< that relative paths in arguments count from
    std::vector<FarmItem> items;
    int tries = 3; ///< of each item before it counts as failed
};

/// Makes the folder with the plan in it. Where one of the same items is there already it is taken on: a Problem where
/// it is of others.
Outcome start_farm(const Farm& farm);
Result<Farm> read_farm(const std::filesystem::path& folder);

enum class ItemState { waiting, running, done, failed };
std::string_view item_state_name(ItemState state);

struct ItemStatus {
    ItemState state = ItemState::waiting;
    int attempts = 0;
    std::string host; ///< where it runs, or ran last
    double seconds = 0;
    int arrived = 0; ///< files, those that were up to date among them
    int held = 0;
    std::string problem; ///< of the last attempt that failed
};

struct FarmStatus {
    std::vector<ItemStatus> items;
    int takes_done = 0;
    int takes = 0;
    /// Seconds that the rest takes, by the mean of the items that are done and as many at a time as run now; negative
    /// where nothing can be said yet.
    double seconds_left = -1;
    [[nodiscard]] int count(ItemState state) const;
    [[nodiscard]] bool is_over() const { return count(ItemState::waiting) + count(ItemState::running) == 0; }
};
/// From the folder alone.
FarmStatus status_of(const Farm& farm);
/// "12 of 40 items done, 8 at work, 1 failed · 340 files arrived, 2 held · about 12 min left"
Text in_words(const FarmStatus& status);

/// Runs one item to its end: `program` with its arguments, as a process that dies with this one. Its result, and what
/// it says, lie beside the plan. False: somebody else has it, or it is done already.
Result<bool> run_item(const Farm& farm, int item, const std::filesystem::path& program);

/// The files of an item beside the plan.
std::filesystem::path item_file(const Farm& farm, int item, const char* suffix);

} // namespace wembrix
