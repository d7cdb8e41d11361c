// One card over any number of takes: each becomes clip files, one after another in memory, side by side on the cores.
#pragma once

#include "core/delivery/delivery.h"
#include "core/scene/named_scene.h"
#include "core/steps/step.h"

#include <filesystem>
#include <functional>
#include <memory>
#include <string>
#include <vector>

namespace wembrix {

struct TakesRequest {
    std::shared_ptr<const Scene> model; ///< Received, whose joints the takes move; clips of its own are left aside
    std::shared_ptr<const std::vector<NamedScene>> sources; ///< of the model, as they were read; null: not known
    std::vector<Step> steps; ///< the card. A step for clips that a take does not have is passed over
    Destination destination;
    std::string job_name;
    std::filesystem::path folder;
    MadeFrom made_from; ///< of the model and the card; each file adds its take
    std::vector<std::filesystem::path> takes;
    bool all = false; ///< those, too, whose files lie there and were made from the same
    bool page = true; ///< where the destination wants a page, it is made in the end; false: it is left as it is
    std::function<void(size_t done, size_t all, const std::string& what)> progress;
    std::function<bool()> stop;
};

struct TakesReport {
    struct Row {
        std::string take; ///< file it came from
        Arrival arrival;  ///< without its scene and without the drift of every frame
    };
    std::vector<Row> rows;         ///< in the order of the takes; a take that could not be read has one, held
    std::vector<Finding> accepted; ///< stops that the card accepts, each once
    Ledger left;                   ///< what of the model is in none of the files
    Ledger left_of_takes;          ///< keys and takes that are in none of them, and what reading a take said
    nlohmann::json manifest;
    bool stopped = false;
    [[nodiscard]] bool all_arrived() const;
    [[nodiscard]] size_t arrived() const;
    [[nodiscard]] size_t up_to_date() const; ///< of those that arrived: passed over
};

/// The files of a folder that can hold takes, by name.
Result<std::vector<std::filesystem::path>> takes_in(const std::filesystem::path& folder);
/// The folder and those below it that hold takes, by their path from it; "" is the folder itself.
Result<std::vector<std::filesystem::path>> folders_of_takes(const std::filesystem::path& folder);

/// Reads each take onto the model, replays the card, and delivers its clips as `deliver` does: conformed, written
/// aside, read back, checked, and put in place within a second or so, or twenty times as long as that takes: what
/// arrived stays when a run is ended, and the next one does the rest. A take whose files were made from the same take,
/// model, card and destination is passed over. A file with one take names its clip after itself, the takes of a file
/// with several keep their names. Pictures are made where the destination wants them. A list of cuts beside a file (its
/// name, .csv or .json) cuts it first. What is in the folder of an earlier delivery stays, and the manifest lists both.
/// Memory holds as many takes as there are cores at work. A Problem means that nothing could be tried.
Result<TakesReport> deliver_takes(const TakesRequest& request);

} // namespace wembrix
