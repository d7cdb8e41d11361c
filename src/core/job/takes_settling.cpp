#include "core/job/takes_settling.h"

#include "core/base/text.h"
#include "core/delivery/handover.h"
#include "core/delivery/ledger.h"
#include "core/delivery/manifest.h"
#include "core/delivery/report.h"
#include "core/delivery/stamp.h"

#include <algorithm>
#include <cctype>
#include <utility>

namespace wembrix {

using nlohmann::json;

namespace {

void accept_once(std::vector<Finding>& all, const std::vector<Finding>& more) {
    for (const Finding& finding : more) {
        if (std::none_of(all.begin(), all.end(), [&](const Finding& one) {
                return one.id == finding.id && one.where == finding.where && one.message == finding.message;
            })) {
            all.push_back(finding);
        }
    }
}

} // namespace

TakesSettling::TakesSettling(const TakesRequest& request, const Scene& model, Ledger left)
    : request_(request), head_(manifest_head(model, request.destination, request.job_name)) {
    put_origin(head_, request.made_from.origin);
    report_.left = std::move(left);
}

bool TakesSettling::is_time() const {
    // Putting in place rewrites the manifest under its lock: where that is long, several runs would do little else.
    const auto apart = std::max<std::chrono::steady_clock::duration>(std::chrono::seconds(1), 20 * cost_);
    return waiting_.size() >= 2048 || std::chrono::steady_clock::now() - last_ > apart;
}

Outcome TakesSettling::settle() {
    std::vector<TakeThrough> some = std::exchange(waiting_, {});
    last_ = std::chrono::steady_clock::now();
    hold_doubled(some);
    const Result<FolderLock> lock = FolderLock::wait(request_.folder);
    if (!lock) {
        return lock.problem();
    }
    const auto locked = std::chrono::steady_clock::now();
    const json old = read_manifest(request_.folder, {request_.job_name, request_.made_from.origin.variant_id});
    std::vector<Arrival*> arrivals;
    for (TakeThrough& one : some) {
        for (Arrival& arrival : one.arrivals) {
            if (!arrival.up_to_date) {
                arrivals.push_back(&arrival);
            }
        }
    }
    if (Outcome placed = put_in_place(arrivals, old, request_.folder); !placed) {
        return placed.problem();
    }
    json files = json::array();
    json clips = json::array();
    json held = json::array();
    for (TakeThrough& one : some) {
        accept_once(report_.accepted, one.accepted);
        report_.left_of_takes.insert(report_.left_of_takes.end(), one.left.begin(), one.left.end());
        json of_take = json::object(); // stands on the first of its rows
        if (!one.left.empty()) {
            of_take["left"] = ledger_to_json(summed(one.left));
        }
        if (!one.accepted.empty()) {
            of_take["accepted"] = accepted_to_json(one.accepted);
        }
        for (size_t a = 0; a < one.arrivals.size(); ++a) {
            Arrival& arrival = one.arrivals[a];
            if (arrival.up_to_date) {
                // its rows are there
            } else if (arrival.state == CellState::arrived) {
                for (json& row : file_rows(arrival, one.model_content, one.made_from, request_.destination)) {
                    row["take"] = one.take;
                    if (json check = std::exchange(one.checks[a], json()); !check.is_null()) {
                        row["check"] = std::move(check); // stands on the first of the deliverable's rows
                    }
                    row.update(std::exchange(of_take, json::object()));
                    files.push_back(std::move(row));
                }
                clips.push_back(std::move(one.clips[a]));
                clips.back()["take"] = one.take;
            } else {
                held.push_back({{"deliverable", arrival.deliverable.id()},
                                {"content", arrival.content},
                                {"reason", arrival.reason},
                                {"take", one.take}});
                held.back().update(std::exchange(of_take, json::object()));
            }
            report_.rows.push_back({one.take, std::move(arrival)});
        }
    }
    report_.manifest = manifest_after_run(head_, old, std::move(files), std::move(clips), std::move(held));
    report_.manifest["left"] = ledger_to_json(report_.left);
    Outcome settled = settle_manifest(old, report_.manifest, request_.folder);
    cost_ = std::chrono::steady_clock::now() - locked;
    return settled;
}

Outcome TakesSettling::put_page() {
    const Result<FolderLock> lock = FolderLock::wait(request_.folder);
    if (!lock) {
        return lock.problem();
    }
    const json old = read_manifest(request_.folder, {request_.job_name, request_.made_from.origin.variant_id});
    if (std::optional<Problem> problem = problem_with_report(old, request_.folder)) {
        return *std::move(problem);
    }
    json manifest = old;
    json files = json::array();
    for (json& row : manifest["files"]) {
        if (row.value("deliverable", json()) != "report") {
            files.push_back(std::move(row));
        }
    }
    manifest["files"] = std::move(files);
    if (Outcome put = put_report(manifest, old, request_.folder); !put) {
        return put;
    }
    report_.manifest = manifest;
    return settle_manifest(old, manifest, request_.folder);
}

/// Of two clips that would share a name or a file, the first goes out.
void TakesSettling::hold_doubled(std::vector<TakeThrough>& all) {
    for (TakeThrough& one : all) {
        for (Arrival& arrival : one.arrivals) {
            std::string folded = arrival.deliverable.stem;
            std::transform(folded.begin(), folded.end(), folded.begin(),
                           [](unsigned char c) { return std::tolower(c); });
            if (arrival.state == CellState::arrived &&
                (!files_.insert(folded).second || !ids_.insert(arrival.deliverable.id()).second)) {
                arrival.state = CellState::held;
                arrival.reason = phrase("another take goes out as “{}” already", arrival.deliverable.stem);
            }
        }
    }
}

} // namespace wembrix
