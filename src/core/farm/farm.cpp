#include "core/farm/farm.h"

#include "core/base/files.h"
#include "core/base/json_file.h"
#include "core/base/lease.h"
#include "core/base/text.h"

#include <algorithm>
#include <array>
#include <fmt/format.h>

namespace wembrix {

namespace fs = std::filesystem;
using nlohmann::json;

namespace {

constexpr const char* plan_name = "farm.json";
constexpr int version = 1;
constexpr size_t most_items = 1000000;

json plan_of(const Farm& farm) {
    json items = json::array();
    for (const FarmItem& item : farm.items) {
        items.push_back(
            {{"name", item.name}, {"takes", item.takes}, {"arguments", item.arguments}, {"list", item.list}});
    }
    return {{"format", "wembrix farm"},
            {"version", version},
            {"working_folder", farm.working_folder.string()},
            {"tries", farm.tries},
            {"items", items}};
}

bool is_list_of_texts(const json& of) {
    return of.is_array() && std::all_of(of.begin(), of.end(), [](const json& one) { return one.is_string(); });
}

ItemStatus status_of_item(const Farm& farm, int item) {
    ItemStatus status;
    const Result<json> read = read_json_file(item_file(farm, item, ".json"));
    if (!read || !read->is_object()) {
        status.state = Lease::is_over(item_file(farm, item, ".lease")) ? ItemState::waiting : ItemState::running;
        return status;
    }
    const auto number = [&](const char* key) {
        const json value = read->value(key, json());
        return value.is_number() ? value.get<double>() : 0.0;
    };
    const auto text = [&](const char* key) {
        const json value = read->value(key, json());
        return value.is_string() ? value.get<std::string>() : std::string();
    };
    status.attempts = static_cast<int>(std::clamp(number("attempts"), 0.0, 1e6));
    status.arrived = static_cast<int>(std::clamp(number("arrived"), 0.0, 1e9));
    status.held = static_cast<int>(std::clamp(number("held"), 0.0, 1e9));
    status.seconds = number("seconds");
    status.host = text("host");
    status.problem = text("problem");
    const bool is_tried_out = status.attempts >= farm.tries;
    if (text("state") == "done") {
        status.state = ItemState::done;
    } else if (!Lease::is_over(item_file(farm, item, ".lease"))) {
        status.state = ItemState::running;
    } else if (is_tried_out) {
        status.state = ItemState::failed;
        if (status.problem.empty()) {
            status.problem = "it ended each time before it was done";
        }
    }
    return status;
}

} // namespace

std::string_view item_state_name(ItemState state) {
    constexpr std::array<std::string_view, 4> names = {"waiting", "running", "done", "failed"};
    return names.at(static_cast<size_t>(state));
}

Text in_words(const FarmStatus& status) {
    int arrived = 0;
    int held = 0;
    for (const ItemStatus& item : status.items) {
        arrived += item.arrived;
        held += item.held;
    }
    const double left = status.seconds_left;
    const Text rest = left < 0      ? std::string("no estimate yet")
                      : left < 90   ? phrase("about {:.0f} s left", left)
                      : left < 5400 ? phrase("about {:.0f} min left", left / 60)
                                    : phrase("about {:.1f} h left", left / 3600);
    return phrase("{} of {} items done, {} at work, {} failed · {} files arrived, {} held{}",
                  status.count(ItemState::done), status.items.size(), status.count(ItemState::running),
                  status.count(ItemState::failed), arrived, held, status.is_over() ? "" : " · " + rest);
}

fs::path item_file(const Farm& farm, int item, const char* suffix) {
    // In folders of a thousand: a folder of a million names is slow on every file system.
    return farm.folder / "items" / fmt::format("{:03}", item / 1000) / fmt::format("{:06}{}", item, suffix);
}

Outcome start_farm(const Farm& farm) {
    if (farm.items.empty() || farm.items.size() > most_items) {
        return Problem{phrase("a farm has at least one and at most {} items.", most_items), farm.folder.string(), ""};
    }
    std::error_code error;
    fs::create_directories(farm.folder, error);
    const std::string plan = plan_of(farm).dump(1) + "\n";
    const fs::path file = farm.folder / plan_name;
    if (fs::exists(fs::symlink_status(file, error))) {
        const Result<Farm> there = read_farm(farm.folder);
        if (!there) {
            return there.problem();
        }
        if (plan_of(*there)["items"] != plan_of(farm)["items"]) {
            return Problem{"holds another run.", farm.folder.string(),
                           "Name another folder, or take that one away when it is done."};
        }
        return Done{};
    }
    for (size_t i = 0; i < farm.items.size(); ++i) {
        const fs::path list = item_file(farm, static_cast<int>(i), ".list");
        fs::create_directories(list.parent_path(), error);
        std::string lines;
        for (const std::string& line : farm.items[i].list) {
            lines += line + "\n";
        }
        if (!farm.items[i].list.empty()) {
            if (Outcome written = write_file_whole(list, lines); !written) {
                return written;
            }
        }
    }
    return write_file_whole(file, plan); // the last: a plan that is there is whole
}

Result<Farm> read_farm(const fs::path& folder) {
    const Result<json> read = read_json_file(folder / plan_name);
    if (!read) {
        return read.problem();
    }
    const auto wrong = [&](const char* what) { return Problem{what, (folder / plan_name).string(), ""}; };
    if (!read->is_object() || read->value("format", json()) != "wembrix farm" || !read->contains("items") ||
        !(*read)["items"].is_array() || (*read)["items"].empty() || (*read)["items"].size() > most_items) {
        return wrong("is not the plan of a farm.");
    }
    Farm farm;
    farm.folder = folder;
    const json working = read->value("working_folder", json());
    const json tries = read->value("tries", json());
    farm.working_folder = working.is_string() ? working.get<std::string>() : std::string(".");
    farm.tries = tries.is_number_integer() ? static_cast<int>(std::clamp<int64_t>(tries.get<int64_t>(), 1, 100)) : 3;
    for (const json& row : (*read)["items"]) {
        FarmItem item;
        if (!row.is_object() || !is_list_of_texts(row.value("arguments", json())) ||
            !is_list_of_texts(row.value("list", json::array())) || !row.value("name", json()).is_string()) {
            return wrong("has an item that is none.");
        }
        item.name = row["name"].get<std::string>();
        const json takes = row.value("takes", json());
        item.takes =
            takes.is_number_integer() ? static_cast<int>(std::clamp<int64_t>(takes.get<int64_t>(), 0, 1000000)) : 1;
        item.arguments = row["arguments"].get<std::vector<std::string>>();
        item.list = row.value("list", json::array()).get<std::vector<std::string>>();
        farm.items.push_back(std::move(item));
    }
    return farm;
}

int FarmStatus::count(ItemState state) const {
    return static_cast<int>(
        std::count_if(items.begin(), items.end(), [&](const ItemStatus& item) { return item.state == state; }));
}

FarmStatus status_of(const Farm& farm) {
    FarmStatus status;
    double seconds = 0;
    int timed = 0;
    for (size_t i = 0; i < farm.items.size(); ++i) {
        status.items.push_back(status_of_item(farm, static_cast<int>(i)));
        status.takes += farm.items[i].takes;
        if (status.items.back().state == ItemState::done) {
            status.takes_done += farm.items[i].takes;
            seconds += status.items.back().seconds;
            timed += farm.items[i].takes;
        }
    }
    const int at_once = std::max(1, status.count(ItemState::running));
    int left = status.takes - status.takes_done;
    for (size_t i = 0; i < farm.items.size(); ++i) {
        left -= status.items[i].state == ItemState::failed ? farm.items[i].takes : 0;
    }
    if (timed > 0) {
        status.seconds_left = seconds / timed * left / at_once;
    }
    return status;
}

} // namespace wembrix
