#include "core/delivery/manifest.h"

#include "core/base/file_sink.h"
#include "core/base/file_version.h"
#include "core/base/files.h"
#include "core/base/json_file.h"
#include "core/delivery/ledger.h"
#include "core/delivery/report.h"
#include "core/delivery/stamp.h"
#include "core/destination/conform.h"
#include "core/measure/scene/bounds.h"
#include "core/measure/scene/facing.h"

#include <algorithm>
#include <cmath>
#include <ctime>
#include <fmt/format.h>
#include <map>
#include <sys/stat.h>
#include <unordered_set>
#include <utility>

namespace wembrix {

namespace fs = std::filesystem;
using nlohmann::json;

namespace {
constexpr const char* file_name = "delivery.json";

const json& rows_under(const json& manifest, const char* key) {
    static const json none = json::array();
    const auto found = manifest.find(key);
    return found != manifest.end() && found->is_array() ? *found : none;
}

std::string text_in(const json& object, const char* key) {
    const auto found = object.is_object() ? object.find(key) : object.end();
    return object.is_object() && found != object.end() && found->is_string() ? found->get<std::string>()
                                                                             : std::string();
}

void manifest_from_1(json& manifest) {
    if (const auto clips = manifest.find("clips"); clips != manifest.end()) {
        rename_key_in_each(*clips, "repeats", "loop");
    }
}
} // namespace

namespace {
constexpr const char* others_key = "others";

json read_whole(const fs::path& folder) {
    const Result<std::string> bytes = read_file(folder / file_name);
    if (!bytes) {
        return json::object();
    }
    Result<json> parsed = parse_json(*bytes, file_name);
    json manifest = parsed ? parsed.take() : json();
    if (!manifest.is_object() || text_in(manifest, "format") != "wembrix delivery" ||
        !bring_up_to_date(manifest, file_name, manifest_from_1)) {
        return json::object();
    }
    return manifest;
}

std::string id_in(const json& manifest) {
    const auto variant = manifest.find("variant");
    return variant == manifest.end() ? std::string() : text_in(*variant, "id");
}

/// Each job's, of the whole or of one with its others.
std::vector<json> parts_of(json manifest) {
    std::vector<json> parts;
    json others = json::array();
    if (const auto found = manifest.find(others_key); found != manifest.end()) {
        others = found->is_array() ? std::move(*found) : json::array();
        manifest.erase(others_key);
    }
    if (!manifest.empty()) {
        parts.push_back(std::move(manifest));
    }
    for (json& other : others) {
        if (!text_in(other, "job").empty()) {
            other.erase(others_key);
            parts.push_back(std::move(other));
        }
    }
    return parts;
}

/// What a run that was killed had coming before there was a manifest has no job: it is whoever's comes next.
bool is_of(const json& manifest, const Owner& owner) {
    const std::string id = id_in(manifest);
    return !manifest.contains("job") ||
           (id.empty() || owner.variant_id.empty() ? text_in(manifest, "job") == owner.job : id == owner.variant_id);
}

/// Files that another one's list has now: it got them where this one's were gone.
void take_off(json& manifest, const std::unordered_set<std::string>& files) {
    for (const char* list : {"files", "earlier"}) {
        if (const auto rows = manifest.find(list); rows != manifest.end() && rows->is_array()) {
            auto& all = rows->get_ref<json::array_t&>();
            all.erase(std::remove_if(all.begin(), all.end(),
                                     [&](const json& row) { return files.count(text_in(row, "file")) > 0; }),
                      all.end());
        }
    }
}

void keep_others(json& manifest, const json& old) {
    if (const auto others = old.find(others_key); others != old.end()) {
        manifest[others_key] = *others;
    }
}
} // namespace

Owner owner_of(const json& manifest) {
    return {text_in(manifest, "job"), id_in(manifest)};
}

std::vector<json> read_manifests(const fs::path& folder) {
    return parts_of(read_whole(folder));
}

json read_manifest(const fs::path& folder, const Owner& owner) {
    std::vector<json> parts = read_manifests(folder);
    const auto found =
        std::find_if(parts.begin(), parts.end(), [&](const json& manifest) { return is_of(manifest, owner); });
    json own = json::object();
    if (found != parts.end()) {
        own = std::move(*found);
        parts.erase(found);
    } else if (!parts.empty()) {
        own["job"] = owner.job;
        if (!owner.variant_id.empty()) {
            own["variant"] = {{"id", owner.variant_id}};
        }
    }
    if (!parts.empty()) {
        own[others_key] = std::move(parts);
    }
    return own;
}

Outcome write_manifest(const json& manifest, const fs::path& folder) {
    if (!manifest.contains(others_key)) {
        return write_file_whole(folder / file_name, manifest.dump(2) + "\n");
    }
    std::vector<json> parts = parts_of(manifest);
    const std::unordered_set<std::string> own = files_in(manifest);
    for (size_t p = 1; p < parts.size(); ++p) {
        take_off(parts[p], own);
    }
    for (json& part : parts) {
        part["format"] = "wembrix delivery";
        part["version"] = file_version;
    }
    std::sort(parts.begin(), parts.end(), [](const json& a, const json& b) {
        return std::pair(text_in(a, "job"), id_in(a)) < std::pair(text_in(b, "job"), id_in(b));
    });
    json whole = std::move(parts.front());
    if (parts.erase(parts.begin()); !parts.empty()) {
        whole[others_key] = std::move(parts);
    }
    return write_file_whole(folder / file_name, whole.dump(2) + "\n");
}

std::optional<std::string> job_with_file(const json& manifest, const std::string& file) {
    for (const json& other : rows_under(manifest, others_key)) {
        if (other.is_object() && lists_file(other, file)) {
            return text_in(other, "job");
        }
    }
    return std::nullopt;
}

std::unordered_set<std::string> files_in(const json& manifest) {
    std::unordered_set<std::string> files;
    for (const char* list : {"files", "earlier"}) {
        for (const json& row : rows_under(manifest, list)) {
            files.insert(text_in(row, "file"));
        }
    }
    files.erase("");
    return files;
}

bool lists_file(const json& manifest, const std::string& file) {
    for (const char* list : {"files", "earlier"}) {
        const json& files = rows_under(manifest, list);
        if (std::any_of(files.begin(), files.end(), [&](const json& row) { return text_in(row, "file") == file; })) {
            return true;
        }
    }
    return false;
}

namespace {
constexpr const char* coming = "coming"; // the state of a file that is about to be put in place
}

void note_coming(json& manifest, const std::string& file, const std::string& hash) {
    manifest["format"] = "wembrix delivery";
    manifest["version"] = file_version;
    manifest["files"].push_back({{"file", file}, {"state", coming}, {"xxh3_128", hash}});
}

void drop_coming(json& manifest) {
    if (const auto files = manifest.find("files"); files != manifest.end() && files->is_array()) {
        auto& rows = files->get_ref<json::array_t&>();
        rows.erase(
            std::remove_if(rows.begin(), rows.end(), [](const json& row) { return text_in(row, "state") == coming; }),
            rows.end());
    }
}

namespace {

constexpr const char* run_mark = "by"; // on rows that a run over takes put there

bool is_of_a_run(const json& row) {
    return text_in(row, run_mark) == "takes";
}

json made_from_json(const MadeFrom& from, const Destination& destination) {
    json sources = json::array();
    for (const auto& [name, hash] : from.sources) {
        sources.push_back({{"file", name}, {"xxh3_128", hash}});
    }
    return {{"sources", sources}, {"card", from.card}, {"destination", hash_of_destination(destination)}};
}

/// What is held now, and what an earlier delivery held of the plan and this one did not try.
json held_rows(const std::vector<Deliverable>& plan, const DeliveryReport& report, const json& old) {
    json held = json::array();
    for (const Deliverable& deliverable : plan) {
        const auto tried = std::find_if(report.arrivals.begin(), report.arrivals.end(),
                                        [&](const Arrival& row) { return row.deliverable.id() == deliverable.id(); });
        if (tried == report.arrivals.end()) {
            for (const json& row : rows_under(old, "held")) {
                if (text_in(row, "deliverable") == deliverable.id()) {
                    held.push_back(row);
                }
            }
        } else if (tried->state == CellState::held) {
            held.push_back({{"deliverable", deliverable.id()}, {"content", tried->content}, {"reason", tried->reason}});
        }
    }
    return held;
}

} // namespace

json manifest_head(const Scene& prepared, const Destination& destination, const std::string& job_name) {
    const double height = height_m(prepared);
    json joints = json::array();
    for (const JointRow& row : joint_rows(prepared)) {
        joints.push_back({{"name", row.name}, {"parent", row.parent.empty() ? json() : json(row.parent)}});
    }
    json manifest = {{"format", "wembrix delivery"},
                     {"version", file_version},
                     {"job", job_name},
                     {"destination", destination_to_json(destination)},
                     {"height_m", height},
                     {"height_units", height / destination.axes.unit_m},
                     {"joints", joints}};
    const std::vector<int> roots = root_joints(prepared);
    manifest["root"] = roots.empty() ? json() : json(prepared.nodes[roots.front()].name);
    const std::optional<Facing> facing = facing_of(prepared);
    manifest["faces"] = facing ? json(destination.axis_here(facing->axis)) : json();
    return manifest;
}

json file_rows(const Arrival& arrival, const std::string& model_content, const MadeFrom& made_from,
               const Destination& destination) {
    json rows = json::array();
    for (size_t f = 0; f < arrival.files.size(); ++f) {
        rows.push_back({{"file", arrival.files[f]},
                        {"deliverable", arrival.deliverable.id()},
                        {"bytes", arrival.facts[f].bytes},
                        {"xxh3_128", arrival.facts[f].hash},
                        {"drift_mm", std::round(arrival.drift.largest_mm * 1e4) / 1e4},
                        {"between_frames_mm", std::round(arrival.between.largest_mm * 1e4) / 1e4},
                        {"content", arrival.content},
                        {"number", arrival.deliverable.number},
                        {"model_content", model_content},
                        {"made_from", made_from_json(made_from, destination)}});
        if (arrival.plain_bytes > 0 && f == 0) {
            rows.back()["plain_bytes"] = arrival.plain_bytes;
        }
        if (!arrival.deliverable.replaces.empty()) {
            rows.back()["replaces"] = arrival.deliverable.replaces;
        }
        const FileKind& kind = *file_kind(arrival.deliverable.kind->id);
        if (file_template(destination, kind).find("{date}") != std::string::npos) {
            rows.back()["date"] = arrival.deliverable.date; // else a manifest holds no times
        }
    }
    return rows;
}

json clip_row(const Clip& whole, const Destination& destination, const std::string& file) {
    const Clip clip = shown_part(whole, destination);
    const double rate = rate_for(whole, destination);
    const int frames = static_cast<int>(std::ceil(clip.seconds * rate - 1e-3)) + 1;
    const bool doubled = clip.loop && ends_on_its_first_pose(whole);
    json row = {{"name", clip.name},
                {"file", file},
                {"frames", frames},
                {"rate", rate},
                {"keys", clip_keys_name(keeps_keys(destination) ? ClipKeys::as_prepared : destination.clip_keys)},
                {"seconds", seconds_in_file(clip, destination)},
                {"loop", clip.loop},
                {"last_frame", !doubled                ? "its own"
                               : destination.keep_last ? "the first once more"
                                                       : "the first once more, left out"}};
    if (!clip.colour.empty()) {
        row["colour"] = clip.colour;
    }
    return row;
}

json part_row(const Scene& prepared, const MovingPart& part, const Destination& destination, const std::string& file) {
    json row = {{"name", part.name}, {"file", file}, {"node", prepared.nodes[static_cast<size_t>(part.node)].name}};
    const MovingPoints moving = frames_of(prepared, part, destination);
    if (moving.frames > 0) {
        row["frames"] = moving.frames;
        row["rate"] = moving.rate;
    }
    if (!part.order.clip.empty()) {
        row["clip"] = part.order.clip;
        row["first"] = part.order.first;
        row["every"] = part.order.every;
    }
    return row;
}

namespace {
/// Files of earlier contents whose names count them: they stay, and stay ours.
json earlier_rows(const json& old, const json& now, const Destination& destination) {
    json rows = json::array();
    const std::unordered_set<std::string> listed = files_in(now);
    const auto keep = [&](const json& row) {
        const std::string file = text_in(row, "file");
        if (is_plain_path(file) && listed.count(file) == 0) {
            rows.push_back({{"file", file},
                            {"deliverable", text_in(row, "deliverable")},
                            {"number", row.value("number", json(1))},
                            {"date", text_in(row, "date")},
                            {"xxh3_128", text_in(row, "xxh3_128")}});
        }
    };
    for (const json& row : rows_under(old, "earlier")) {
        keep(row);
    }
    for (const json& row : rows_under(old, "files")) {
        const DeliverableKind* kind = kind_of_deliverable(text_in(row, "deliverable"));
        if (kind != nullptr && counts_deliveries(file_template(destination, *file_kind(kind->id)))) {
            keep(row);
        }
    }
    return rows;
}
} // namespace

json make_manifest(const DeliveryRequest& request, const std::vector<Deliverable>& plan, const DeliveryReport& report,
                   const json& old) {
    const Scene& prepared = *request.prepared;
    json manifest = manifest_head(prepared, request.destination, request.job_name);
    put_origin(manifest, request.made_from.origin);
    keep_others(manifest, old);
    json files = json::array();
    std::map<std::string_view, json> lists; // of the kinds that have one
    for (const DeliverableKind& kind : deliverable_kinds()) {
        if (!kind.manifest_list.empty()) {
            lists[kind.manifest_list] = json::array();
        }
    }
    for (const Deliverable& deliverable : plan) {
        const DeliverableKind& kind = *deliverable.kind;
        const auto arrival = std::find_if(report.arrivals.begin(), report.arrivals.end(), [&](const Arrival& row) {
            return row.deliverable.id() == deliverable.id() && row.state == CellState::arrived;
        });
        if (arrival == report.arrivals.end()) {
            for (const json& row : rows_under(old, "files")) {
                if (text_in(row, "deliverable") == deliverable.id()) {
                    files.push_back(row);
                }
            }
            for (const json& row : rows_under(old, std::string(kind.manifest_list).c_str())) {
                if (!kind.manifest_list.empty() && text_in(row, "name") == deliverable.name) {
                    lists[kind.manifest_list].push_back(row);
                }
            }
            continue;
        }
        const size_t first = files.size();
        for (json& row : file_rows(*arrival, report.model_content, request.made_from, request.destination)) {
            files.push_back(std::move(row));
        }
        if (request.destination.report) {
            files[first]["check"] = check_row(prepared, *arrival, request.destination);
        }
        if (kind.manifest_row != nullptr) {
            lists[kind.manifest_list].push_back(
                kind.manifest_row(prepared, deliverable.name, request.destination, arrival->files.front()));
        }
    }
    const auto planned = [&](const std::string& id) {
        return std::any_of(plan.begin(), plan.end(), [&](const Deliverable& one) { return one.id() == id; });
    };
    manifest["held"] = held_rows(plan, report, old);
    for (const json& row : rows_under(old, "files")) {
        if (is_of_a_run(row) && !planned(text_in(row, "deliverable"))) {
            files.push_back(row);
        }
    }
    for (auto& [list, rows] : lists) {
        for (const json& row : rows_under(old, std::string(list).c_str())) {
            const std::string name = text_in(row, "name");
            const bool is_planned = std::any_of(
                deliverable_kinds().begin(), deliverable_kinds().end(), [&, &of = list](const DeliverableKind& kind) {
                    return kind.manifest_list == of && planned(deliverable_id(kind, name));
                });
            if (is_of_a_run(row) && !is_planned) {
                rows.push_back(row);
            }
        }
    }
    for (const json& row : rows_under(old, "held")) {
        if (is_of_a_run(row) && !planned(text_in(row, "deliverable"))) {
            manifest["held"].push_back(row);
        }
    }
    manifest["files"] = std::move(files);
    if (json earlier = earlier_rows(old, manifest, request.destination); !earlier.empty()) {
        manifest["earlier"] = std::move(earlier);
    }
    manifest["left"] = ledger_to_json(report.left);
    if (const auto of_takes = old.find("left_of_takes"); of_takes != old.end()) {
        manifest["left_of_takes"] = *of_takes;
    }
    manifest["accepted"] = accepted_to_json(report.accepted);
    for (auto& [list, rows] : lists) {
        manifest[std::string(list)] = std::move(rows);
    }
    if (request.destination.report) {
        manifest["card"] = request.card_words;
        if (json before = delivery_before(old, manifest); !before.empty()) {
            manifest["before"] = std::move(before);
        }
    }
    return manifest;
}

json accepted_to_json(const std::vector<Finding>& accepted) {
    json rows = json::array();
    for (const Finding& finding : accepted) {
        rows.push_back({{"finding", finding.id},
                        {"where", finding.where},
                        {"message", finding.message},
                        {"note", finding.accepted}});
    }
    return rows;
}

namespace {
/// What a run leaves of a list, then the rows of all runs, the new ones marked: take by take, so that a list reads the
/// same in however many parts, and in whatever order, it came about.
template <typename Stays>
json rows_after_run(const json& old, json fresh, const std::unordered_set<std::string>& takes, const Stays& stays) {
    json rows = json::array();
    for (json& row : fresh) {
        row[run_mark] = "takes";
    }
    for (const json& row : old) {
        if (!stays(row)) {
            continue;
        }
        json& kept = (is_of_a_run(row) ? fresh : rows).emplace_back(row);
        if (takes.count(text_in(row, "take")) > 0) {
            kept.erase("left"); // said anew
            kept.erase("accepted");
        }
    }
    std::stable_sort(fresh.begin(), fresh.end(),
                     [](const json& a, const json& b) { return text_in(a, "take") < text_in(b, "take"); });
    for (json& row : fresh) {
        rows.push_back(std::move(row));
    }
    return rows;
}
} // namespace

json manifest_after_run(const json& head, const json& old, json files, json clips, json held) {
    std::unordered_set<std::string> arrived;
    std::unordered_set<std::string> tried;
    std::unordered_set<std::string> takes;
    for (const json& row : files) {
        arrived.insert(text_in(row, "deliverable"));
        takes.insert(text_in(row, "take"));
    }
    tried = arrived;
    for (const json& row : held) {
        tried.insert(text_in(row, "deliverable"));
        takes.insert(text_in(row, "take"));
    }
    json manifest = head;
    keep_others(manifest, old);
    // A row without a deliverable is of a file that a run had coming when it was killed.
    manifest["files"] = rows_after_run(rows_under(old, "files"), std::move(files), takes, [&](const json& row) {
        return row.contains("deliverable") && arrived.count(text_in(row, "deliverable")) == 0;
    });
    manifest["clips"] = rows_after_run(rows_under(old, "clips"), std::move(clips), takes, [&](const json& row) {
        return arrived.count(deliverable_id(clip_kind(), text_in(row, "name"))) == 0;
    });
    manifest["held"] = rows_after_run(rows_under(old, "held"), std::move(held), takes,
                                      [&](const json& row) { return tried.count(text_in(row, "deliverable")) == 0; });
    Ledger left;
    json accepted = json::array();
    for (const char* list : {"files", "held"}) {
        for (const json& row : manifest[list]) {
            for (LedgerEntry& entry : ledger_from_json(rows_under(row, "left"))) {
                left.push_back(std::move(entry));
            }
            for (const json& one : rows_under(row, "accepted")) {
                if (std::find(accepted.begin(), accepted.end(), one) == accepted.end()) {
                    accepted.push_back(one);
                }
            }
        }
    }
    manifest["left_of_takes"] = ledger_to_json(summed(left));
    manifest["accepted"] = std::move(accepted);
    for (const DeliverableKind& kind : deliverable_kinds()) {
        const std::string list(kind.manifest_list);
        if (!list.empty() && !manifest.contains(list) && old.contains(list)) {
            manifest[list] = old[list];
        }
    }
    return manifest;
}

void remove_retired(const json& old, const json& now, const fs::path& folder) {
    std::unordered_set<std::string> kept = files_in(now); // of ten thousand rows each is asked about
    for (const json& other : rows_under(now, others_key)) {
        kept.merge(files_in(other));
    }
    for (const json& row : rows_under(old, "files")) {
        const std::string file = text_in(row, "file");
        if (kept.count(file) > 0 || !is_plain_path(file) || !strange_folder(folder, file).empty()) {
            continue;
        }
        const Result<std::string> hash = hash_of_file(folder / file);
        if (hash && *hash == text_in(row, "xxh3_128")) {
            std::error_code error;
            fs::remove(folder / file, error);
            for (fs::path above = fs::path(file).parent_path(); !above.empty() && !error; above = above.parent_path()) {
                fs::remove(folder / above, error); // where nothing else is in it
            }
        }
    }
}

std::vector<ManifestRow> rows_of(const json& manifest) {
    std::vector<ManifestRow> rows;
    for (const json& from : rows_under(manifest, "files")) {
        ManifestRow row;
        row.file = text_in(from, "file");
        row.deliverable = text_in(from, "deliverable");
        if (row.deliverable.empty() || !is_plain_path(row.file)) {
            continue;
        }
        row.hash = text_in(from, "xxh3_128");
        row.content = text_in(from, "content");
        row.model_content = text_in(from, "model_content");
        row.date = text_in(from, "date");
        row.replaces = text_in(from, "replaces");
        if (const auto number = from.find("number"); number != from.end() && number->is_number_integer()) {
            row.number = static_cast<int>(std::clamp<int64_t>(number->get<int64_t>(), 1, 1000000000));
        }
        if (const auto bytes = from.find("bytes"); bytes != from.end() && bytes->is_number_unsigned()) {
            row.bytes = bytes->get<uintmax_t>();
        }
        if (const auto plain = from.find("plain_bytes"); plain != from.end() && plain->is_number_unsigned()) {
            row.plain_bytes = plain->get<uintmax_t>();
        }
        if (const auto drift = from.find("drift_mm"); drift != from.end() && drift->is_number()) {
            row.drift_mm = drift->get<double>();
        }
        if (const auto made = from.find("made_from"); made != from.end() && made->is_object()) {
            row.made_from.card = text_in(*made, "card");
            row.made_from.destination = text_in(*made, "destination");
            for (const json& source : rows_under(*made, "sources")) {
                row.made_from.sources.emplace_back(text_in(source, "file"), text_in(source, "xxh3_128"));
            }
        }
        rows.push_back(std::move(row));
    }
    return rows;
}

std::string strange_folder(const fs::path& folder, const std::string& file) {
    std::error_code error;
    for (size_t slash = file.find('/'); slash != std::string::npos; slash = file.find('/', slash + 1)) {
        std::string own = file.substr(0, slash);
        const fs::file_status there = fs::symlink_status(folder / own, error);
        if (fs::exists(there) && !fs::is_directory(there)) {
            return own;
        }
    }
    return {};
}

namespace {
std::string today() {
    const std::time_t now = std::time(nullptr);
    std::tm parts{};
    gmtime_r(&now, &parts);
    return fmt::format("{:04}-{:02}-{:02}", parts.tm_year + 1900, parts.tm_mon + 1, parts.tm_mday);
}
} // namespace

void count_delivery(Deliverable& deliverable, const std::string& content, const json& manifest) {
    deliverable.date = today();
    const std::string id = deliverable.id();
    for (const ManifestRow& row : rows_of(manifest)) {
        if (row.deliverable != id) {
            continue;
        }
        const bool is_the_same = row.content == content;
        deliverable.number = is_the_same ? row.number : row.number + 1;
        deliverable.date = is_the_same && !row.date.empty() ? row.date : deliverable.date;
        deliverable.replaces = is_the_same ? row.replaces : row.hash;
        return;
    }
}

namespace {
/// The file system notes when anything of a file was changed last, its times too, and lets nobody set that back.
bool is_older(const fs::path& file, const fs::path& than) {
    struct stat its {};
    struct stat other {};
    if (::stat(file.c_str(), &its) != 0 || ::stat(than.c_str(), &other) != 0) {
        return false;
    }
    const auto& a = its.st_ctim;
    const auto& b = other.st_ctim;
    return a.tv_sec != b.tv_sec ? a.tv_sec < b.tv_sec : a.tv_nsec < b.tv_nsec;
}
} // namespace

bool is_untouched(const fs::path& folder, const ManifestRow& row) {
    std::error_code error;
    const fs::path file = folder / row.file;
    if (fs::file_size(file, error) != row.bytes || error) {
        return false;
    }
    if (is_older(file, folder / "delivery.json")) {
        return true;
    }
    const Result<std::string> hash = hash_of_file(file);
    return hash && *hash == row.hash;
}

std::vector<HeldRow> held_in(const json& manifest) {
    std::vector<HeldRow> rows;
    for (const json& from : rows_under(manifest, "held")) {
        rows.push_back({text_in(from, "deliverable"), text_in(from, "content"), text_in(from, "reason")});
    }
    return rows;
}

} // namespace wembrix
