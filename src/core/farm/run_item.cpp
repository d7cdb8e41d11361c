#include "core/base/files.h"
#include "core/base/json_file.h"
#include "core/base/lease.h"
#include "core/base/process.h"
#include "core/base/text.h"
#include "core/farm/farm.h"

#include <algorithm>
#include <chrono>

namespace wembrix {

namespace fs = std::filesystem;
using nlohmann::json;

namespace {

/// What the command said: how many files arrived and were held, or why it could not.
void take_result(const fs::path& said, int code, json& row) {
    const Result<json> read = read_json_file(said);
    int arrived = 0;
    int held = 0;
    if (read && read->is_object() && read->value("deliveries", json()).is_array()) {
        for (const json& delivery : (*read)["deliveries"]) {
            const json files = delivery.is_object() ? delivery.value("deliverables", json::array()) : json::array();
            for (const json& file : files) {
                const json state = file.is_object() ? file.value("state", json()) : json();
                arrived += state == "arrived" ? 1 : 0;
                held += state == "held" ? 1 : 0;
            }
        }
    }
    row["arrived"] = arrived;
    row["held"] = held;
    row["state"] = code == 0 || code == 1 ? "done" : "ended"; // 1: all was tried, and something is held
}

/// The last line of what it complained of.
std::string last_line(const fs::path& file) {
    Result<std::string> text = read_file(file);
    if (!text) {
        return {};
    }
    while (!text->empty() && text->back() == '\n') {
        text->pop_back();
    }
    const size_t line = text->rfind('\n');
    return text->substr(line == std::string::npos ? 0 : line + 1).substr(0, 400);
}

} // namespace

Result<bool> run_item(const Farm& farm, int item, const fs::path& program) {
    if (item < 0 || item >= static_cast<int>(farm.items.size())) {
        return Problem{phrase("has no item {}.", item), farm.folder.string(), ""};
    }
    const fs::path lease_file = item_file(farm, item, ".lease");
    std::error_code error;
    fs::create_directories(lease_file.parent_path(), error);
    Lease lease;
    {
        // One at a time asks whose it is and takes it.
        const Result<FolderLock> lock = FolderLock::wait(lease_file.parent_path());
        if (!lock) {
            return lock.problem();
        }
        if (!Lease::is_over(lease_file)) {
            return false;
        }
        fs::remove(lease_file, error); // of the dead
        lease = Lease::create(lease_file);
    }
    if (!lease.holds()) {
        return Problem{"cannot be written to.", lease_file.string(), ""};
    }
    const fs::path result = item_file(farm, item, ".json");
    const Result<json> before = read_json_file(result);
    json row = before && before->is_object() ? *before : json::object();
    if (row.value("state", json()) == "done") {
        fs::remove(lease_file, error);
        return false;
    }
    const json attempts = row.value("attempts", json());
    row = {{"state", "running"},
           {"attempts", (attempts.is_number_integer() ? attempts.get<int64_t>() : 0) + 1},
           {"host", host_name()}};
    if (Outcome written = write_file_whole(result, row.dump(1) + "\n"); !written) {
        return written.problem();
    }
    std::vector<std::string> arguments = farm.items[static_cast<size_t>(item)].arguments;
    std::replace(arguments.begin(), arguments.end(), std::string("{list}"), item_file(farm, item, ".list").string());
    const auto begun = std::chrono::steady_clock::now();
    const fs::path said = item_file(farm, item, ".said");
    const fs::path complained = item_file(farm, item, ".errors");
    const pid_t child = start_process(program, arguments, farm.working_folder, said, complained);
    const int code = child > 0 ? how_it_ended(child, true).value_or(-1) : -1;
    row["seconds"] = std::chrono::duration<double>(std::chrono::steady_clock::now() - begun).count();
    take_result(said, code, row);
    if (code != 0 && code != 1) {
        const std::string line = last_line(complained);
        row["problem"] = !line.empty() ? line
                         : code >= 0   ? phrase("it ended with {}", code)
                                       : Text("it could not be run, or was killed");
    }
    if (Outcome written = write_file_whole(result, row.dump(1) + "\n"); !written) {
        return written.problem();
    }
    fs::remove(lease_file, error);
    return true;
}

} // namespace wembrix
