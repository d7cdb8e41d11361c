// delivery.json: what a folder of deliveries holds. See docs/delivery-manifest.md.
#pragma once

#include "core/delivery/delivery.h"
#include "core/delivery/moving_parts.h"

#include <filesystem>
#include <nlohmann/json.hpp>
#include <string>
#include <unordered_set>

namespace wembrix {

/// What one job has in a folder; an empty object when there is nothing yet or it is not ours. What other jobs have
/// there goes along in `others` and is kept by all that is done with it here; nothing else looks at that.
nlohmann::json read_manifest(const std::filesystem::path& folder, const Owner& owner);
/// What each job has there, alone.
std::vector<nlohmann::json> read_manifests(const std::filesystem::path& folder);
/// Writes it with `others`, in the order of the jobs' names. Files that it lists are on no other one's list any more.
Outcome write_manifest(const nlohmann::json& manifest, const std::filesystem::path& folder);
Owner owner_of(const nlohmann::json& manifest);
/// The job that another one's list names the file in; nothing where none does.
std::optional<std::string> job_with_file(const nlohmann::json& manifest, const std::string& file);
/// All that it lists of its own, those of earlier contents too: for who asks about many.
std::unordered_set<std::string> files_in(const nlohmann::json& manifest);
bool lists_file(const nlohmann::json& manifest, const std::string& file);
/// Adds a file that is about to be put in place, so that it is known as ours if the run ends before the next manifest.
/// Precondition: it is not listed.
void note_coming(nlohmann::json& manifest, const std::string& file, const std::string& hash);
/// Forgets the files that were noted so and never became a deliverable's.
void drop_coming(nlohmann::json& manifest);

/// What a manifest says of the character: names, size, facing, joints; no files yet.
nlohmann::json manifest_head(const Scene& prepared, const Destination& destination, const std::string& job_name);
/// Its rows of the files of what arrived, and of a clip.
nlohmann::json file_rows(const Arrival& arrival, const std::string& model_content, const MadeFrom& made_from,
                         const Destination& destination);
nlohmann::json clip_row(const Clip& clip, const Destination& destination, const std::string& file);
nlohmann::json part_row(const Scene& prepared, const MovingPart& part, const Destination& destination,
                        const std::string& file);

/// The manifest after a delivery: what arrived now, what the old one lists of the plan still, and what a run over takes
/// put beside it.
nlohmann::json make_manifest(const DeliveryRequest& request, const std::vector<Deliverable>& plan,
                             const DeliveryReport& report, const nlohmann::json& old);
/// [{finding, where, message, note}] of stops that are accepted.
nlohmann::json accepted_to_json(const std::vector<Finding>& accepted);
/// The manifest after a run over takes: its rows take the place of those of the same deliverables, all others stay. The
/// rows are marked as a run's, so that a delivery of the job leaves them, and stand in the order of their takes. What
/// was left of takes and accepted for them (`left`, `accepted` of the first row of each) is put together from all rows
/// of runs: several that share the work end with the same manifest as one.
nlohmann::json manifest_after_run(const nlohmann::json& head, const nlohmann::json& old, nlohmann::json files,
                                  nlohmann::json clips, nlohmann::json held);

/// Deletes files that only the old manifest lists and that still are as it says.
void remove_retired(const nlohmann::json& old, const nlohmann::json& now, const std::filesystem::path& folder);

/// What the manifest says of one file.
struct ManifestRow {
    std::string file;
    std::string deliverable; ///< id
    uintmax_t bytes = 0;
    uintmax_t plain_bytes = 0; ///< of all files of a lean deliverable if they were not, in the row of its first; else 0
    std::string hash;
    double drift_mm = 0;
    std::string content; ///< hash of what went into it
    std::string model_content;
    MadeFrom made_from;
    int number = 1;       ///< counts the contents that it had
    std::string date;     ///< when this one was delivered first
    std::string replaces; ///< the hash of the file before it
};
/// Only rows that name a file below this very folder; what is missing in them stays empty.
std::vector<ManifestRow> rows_of(const nlohmann::json& manifest);
/// Gives a deliverable of that content its number and its date: those of the manifest's row of it where the content is
/// the same, else the next number, and today's date (UTC).
void count_delivery(Deliverable& deliverable, const std::string& content, const nlohmann::json& manifest);

/// The first folder on the way to a file below `folder` that is a link, or a file; empty: none is.
std::string strange_folder(const std::filesystem::path& folder, const std::string& file);
/// True when the file is there and still as the manifest says. The bytes are read where anything happened to the file
/// since the manifest was written.
bool is_untouched(const std::filesystem::path& folder, const ManifestRow& row);

/// A deliverable that was tried and held back, and what would have gone into it.
struct HeldRow {
    std::string deliverable;
    std::string content;
    std::string reason;
};
std::vector<HeldRow> held_in(const nlohmann::json& manifest);

} // namespace wembrix
