#include "commands.h"
#include "interrupt.h"

#include "core/base/counted.h"
#include "core/base/files.h"
#include "core/base/lease.h"
#include "core/farm/coordinate.h"
#include "core/farm/farm.h"
#include "core/job/takes_run.h"

#include <algorithm>
#include <fmt/format.h>
#include <thread>
#include <unistd.h>

namespace wembrix::cli {

namespace {

namespace fs = std::filesystem;

fs::path own_program() {
    std::error_code error;
    return fs::read_symlink("/proc/self/exe", error);
}

std::string whole_path(const std::string& path) {
    return fs::absolute(path).lexically_normal().string();
}

/// The items of one job over a folder of takes, a folder's takes and so many of them at a time.
Result<std::vector<FarmItem>> items_over_takes(const FarmOptions& options) {
    const Result<std::vector<fs::path>> folders = folders_of_takes(options.takes);
    if (!folders) {
        return folders.problem();
    }
    std::vector<FarmItem> items;
    for (const fs::path& group : *folders) {
        const Result<std::vector<fs::path>> takes = takes_in(fs::path(options.takes) / group);
        if (!takes) {
            return takes.problem();
        }
        const auto size = static_cast<size_t>(std::max(1, options.per_item));
        for (size_t first = 0; first < takes->size(); first += size) {
            FarmItem item;
            for (size_t t = first; t < std::min(first + size, takes->size()); ++t) {
                item.list.push_back((group / (*takes)[t].filename()).generic_string());
            }
            item.name = item.list.front();
            item.takes = static_cast<int>(item.list.size());
            item.arguments = {"deliver",  whole_path(options.jobs.front()),
                              "--takes",  whole_path(options.takes),
                              "--listed", "{list}"};
            items.push_back(std::move(item));
        }
    }
    return items;
}

Result<std::vector<FarmItem>> items_of(const FarmOptions& options) {
    std::vector<FarmItem> items;
    if (!options.takes.empty()) {
        if (options.jobs.size() != 1) {
            return Problem{"--takes goes with one job.", "usage", ""};
        }
        Result<std::vector<FarmItem>> over = items_over_takes(options);
        if (!over) {
            return over.problem();
        }
        items = over.take();
    } else {
        for (const std::string& job : options.jobs) {
            items.push_back({fs::path(job).filename().string(), 1, {"deliver", whole_path(job)}, {}});
        }
    }
    for (FarmItem& item : items) {
        for (const auto& [option, value] : {std::pair("--out", options.out.empty() ? "" : whole_path(options.out)),
                                            std::pair("--destination", options.destination)}) {
            if (!value.empty()) {
                item.arguments.insert(item.arguments.end(), {option, value});
            }
        }
        item.arguments.emplace_back("--json");
    }
    return items;
}

int say_status(const Farm& farm, const FarmStatus& status, bool as_json) {
    if (as_json) {
        nlohmann::json rows = nlohmann::json::array();
        for (size_t i = 0; i < status.items.size(); ++i) {
            const ItemStatus& item = status.items[i];
            rows.push_back({{"item", i},
                            {"name", farm.items[i].name},
                            {"takes", farm.items[i].takes},
                            {"state", item_state_name(item.state)},
                            {"attempts", item.attempts},
                            {"host", item.host},
                            {"seconds", item.seconds},
                            {"arrived", item.arrived},
                            {"held", item.held},
                            {"problem", item.problem}});
        }
        fmt::print("{}\n",
                   nlohmann::json{{"folder", farm.folder.string()},
                                  {"done", status.count(ItemState::done)},
                                  {"running", status.count(ItemState::running)},
                                  {"waiting", status.count(ItemState::waiting)},
                                  {"failed", status.count(ItemState::failed)},
                                  {"takes", status.takes},
                                  {"takes_done", status.takes_done},
                                  {"seconds_left",
                                   status.seconds_left < 0 ? nlohmann::json() : nlohmann::json(status.seconds_left)},
                                  {"items", rows}}
                       .dump(2));
    } else {
        fmt::print("{}\n", in_words(status));
        for (size_t i = 0; i < status.items.size(); ++i) {
            if (status.items[i].state == ItemState::failed) {
                fmt::print("  failed {} ({}) on {}: {}\n", i, farm.items[i].name, status.items[i].host,
                           status.items[i].problem);
            }
        }
    }
    const bool is_well =
        status.count(ItemState::done) == static_cast<int>(status.items.size()) &&
        std::none_of(status.items.begin(), status.items.end(), [](const ItemStatus& item) { return item.held > 0; });
    return is_well ? all_well : held;
}

} // namespace

int farm_run(const FarmOptions& options) {
    Farm farm;
    farm.folder = whole_path(options.folder);
    farm.working_folder = fs::current_path();
    farm.tries = options.tries;
    if (options.jobs.empty()) {
        // One that was begun is taken on.
        Result<Farm> there = read_farm(farm.folder);
        if (!there) {
            return refuse(there.problem());
        }
        farm = there.take();
    } else {
        for (const std::string& job : options.jobs) {
            if (const Result<Job> read = read_job(job); !read) {
                return refuse(read.problem());
            }
        }
        Result<std::vector<FarmItem>> items = items_of(options);
        if (!items) {
            return refuse(items.problem());
        }
        farm.items = items.take();
        if (Outcome started = start_farm(farm); !started) {
            return refuse(started.problem());
        }
    }
    stop_when_interrupted();
    FarmRun run;
    run.program = own_program();
    run.on = options.on;
    run.workers = options.workers > 0 ? options.workers : static_cast<int>(std::thread::hardware_concurrency());
    run.look_every_s = options.look_every_s;
    run.stop = [] { return was_interrupted(); };
    const bool is_seen = ::isatty(STDERR_FILENO) != 0;
    run.progress = [is_seen](const FarmStatus& status) {
        if (is_seen) {
            fmt::print(stderr, "\r\033[K{}", in_words(status));
        }
    };
    const Result<FarmStatus> status = run_farm(farm, run);
    if (is_seen) {
        fmt::print(stderr, "\r\033[K");
    }
    if (!status) {
        return refuse(status.problem());
    }
    return say_status(farm, *status, options.json);
}

int farm_status(const std::string& folder, bool as_json) {
    const Result<Farm> farm = read_farm(folder);
    if (!farm) {
        return refuse(farm.problem());
    }
    return say_status(*farm, status_of(*farm), as_json);
}

int farm_item(const std::string& folder, int item, int batch) {
    const Result<Farm> farm = read_farm(folder);
    if (!farm) {
        return refuse(farm.problem());
    }
    if (batch >= 0) {
        const Result<int> of_task = item_of_task(*farm, batch, item);
        if (!of_task) {
            return refuse(of_task.problem());
        }
        item = *of_task;
    }
    const Result<bool> ran = run_item(*farm, item, own_program());
    if (!ran) {
        return refuse(ran.problem());
    }
    fmt::print("item {} {}\n", item, *ran ? "was run" : "is somebody else's, or done");
    return all_well;
}

} // namespace wembrix::cli
