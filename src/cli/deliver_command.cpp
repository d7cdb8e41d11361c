#include "commands.h"

#include "core/base/counted.h"
#include "core/base/files.h"
#include "core/base/json_file.h"
#include "core/delivery/delivery.h"
#include "core/job/card_ledger.h"
#include "core/job/inspect.h"
#include "core/job/job.h"
#include "core/job/takes_run.h"

#include <algorithm>
#include <cstdio>
#include <filesystem>
#include <fmt/format.h>

namespace wembrix::cli {

namespace {

namespace fs = std::filesystem;

struct Plan {
    Job job;
    fs::path folder; ///< of the job: relative sources count from it
    std::vector<std::pair<Destination, fs::path>> deliveries;
};

Result<Plan> plan_from_card(const DeliverOptions& options) {
    if (options.destination.empty() || options.out.empty()) {
        return Problem{"--card needs --destination and --out.", "usage", ""};
    }
    const Result<nlohmann::json> parsed = read_json_file(options.card);
    if (!parsed) {
        return parsed.problem();
    }
    Result<std::vector<Step>> steps = card_from_json(*parsed, options.card);
    if (!steps) {
        return steps.problem();
    }
    Result<Destination> destination = read_destination(options.destination);
    if (!destination) {
        return destination.problem();
    }
    Plan plan;
    plan.job.name = fs::path(options.inputs.front()).stem().string();
    plan.job.sources = options.inputs;
    plan.job.steps = steps.take();
    plan.deliveries.emplace_back(destination.take(), options.out);
    return plan;
}

Result<Plan> plan_from_job(const DeliverOptions& options) {
    if (options.inputs.size() != 1 || fs::path(options.inputs[0]).extension() != ".wembrix") {
        return Problem{"deliver takes one job (.wembrix), or sources with --card.", "usage", ""};
    }
    Result<Job> job = read_job(options.inputs[0]);
    if (!job) {
        return job.problem();
    }
    if (const std::optional<Problem> shared = shared_folder(job->destinations)) {
        return *shared;
    }
    Plan plan;
    plan.job = job.take();
    plan.folder = fs::path(options.inputs[0]).parent_path();
    const fs::path below = options.out.empty() ? plan.folder / plan.job.deliveries : fs::path(options.out);
    for (const Destination& destination : plan.job.destinations) {
        if (options.destination.empty()) {
            plan.deliveries.emplace_back(destination, below / file_name_safe(destination.name));
        } else if (destination.name == options.destination) {
            // With one destination named, the folder given is the folder used.
            plan.deliveries.emplace_back(destination,
                                         options.out.empty() ? below / file_name_safe(destination.name) : below);
        }
    }
    if (plan.deliveries.empty()) {
        return Problem{options.destination.empty() ? "has no destinations."
                                                   : "has no destination \"" + options.destination + "\".",
                       options.inputs[0], ""};
    }
    return plan;
}

nlohmann::json arrival_json(const Arrival& arrival) {
    nlohmann::json claims = nlohmann::json::array();
    for (const Claim& claim : arrival.claims) {
        claims.push_back(claim_json(claim));
    }
    return {
        {"deliverable", arrival.deliverable.id()},
        {"state", cell_state_name(arrival.state)},
        {"files", arrival.files},
        {"bytes", arrival.bytes},
        {"drift_mm", arrival.drift.largest_mm},
        {"between_frames", arrival.between.points_compared + arrival.between.joints_compared == 0
                               ? nlohmann::json()
                               : nlohmann::json{{"drift_mm", arrival.between.largest_mm},
                                                {"frame", static_cast<double>(arrival.between.frame) / moments_a_frame},
                                                {"where", arrival.between.place}}},
        {"reason", arrival.reason},
        {"claims", claims}};
}

nlohmann::json findings_json(const std::vector<Finding>& findings) {
    nlohmann::json rows = nlohmann::json::array();
    for (const Finding& finding : findings) {
        rows.push_back(finding_to_json(finding));
    }
    return rows;
}

void print_accepted(const std::vector<Finding>& accepted) {
    for (const Finding& finding : accepted) {
        fmt::print("  accepted {}. Note: {}\n", finding.message, finding.accepted);
    }
}

nlohmann::json report_json(const DeliveryReport& report, const Destination& destination, const fs::path& folder) {
    nlohmann::json rows = nlohmann::json::array();
    for (const Arrival& arrival : report.arrivals) {
        rows.push_back(arrival_json(arrival));
    }
    return {{"destination", destination.name},
            {"folder", folder.string()},
            {"accepted", findings_json(report.accepted)},
            {"deliverables", rows},
            {"left", ledger_to_json(report.left)}};
}

void print_report(const DeliveryReport& report, const Destination& destination, const fs::path& folder) {
    fmt::print("{} ({}) → {}\n", destination.name, destination.summary(), folder.string());
    print_accepted(report.accepted);
    for (const Arrival& arrival : report.arrivals) {
        const std::string name = arrival.files.empty() ? arrival.deliverable.stem : arrival.files.front();
        fmt::print("  {:<8} {:<28} ", cell_state_name(arrival.state), name);
        if (arrival.state == CellState::arrived) {
            const Drift& between = arrival.between;
            const auto passed = static_cast<size_t>(std::count_if(arrival.claims.begin(), arrival.claims.end(),
                                                                  [](const Claim& claim) { return claim.pass; }));
            fmt::print("{} claims pass{} · drift {:.4f} mm{} · {} bytes\n", passed,
                       passed == arrival.claims.size()
                           ? ""
                           : fmt::format(", {} accepted as it is", arrival.claims.size() - passed),
                       arrival.drift.largest_mm,
                       between.largest_mm > 0
                           ? fmt::format(", between frames {:.4f} mm at {}, frame {:g}", between.largest_mm,
                                         between.place, static_cast<double>(between.frame) / moments_a_frame)
                           : "",
                       arrival.bytes);
        } else {
            fmt::print("{}\n", arrival.reason);
        }
    }
    for (const Arrival& arrival : report.arrivals) {
        if (arrival.deliverable.kind->is_the_model && !arrival.claims.empty()) {
            for (const Claim& claim : arrival.claims) {
                fmt::print("    {:<18} {:<28} {:<22} {}\n", claim.name, claim.expected, claim.actual,
                           claim.pass               ? "pass"
                           : claim.accepted.empty() ? "FAIL: " + claim.detail
                                                    : "accepted: " + claim.accepted);
            }
        }
    }
}

/// What stayed behind, in one line and its first things.
void print_left(const Ledger& left) {
    constexpr size_t most = 12;
    if (left.empty()) {
        return;
    }
    fmt::print("  {}\n", ledger_said(left));
    for (size_t i = 0; i < std::min(left.size(), most); ++i) {
        const LedgerEntry& entry = left[i];
        fmt::print("    {} {}{}: {}\n", entry.what, entry.name,
                   entry.count > 1 ? fmt::format(" ({})", entry.count) : "", entry.why);
    }
    if (left.size() > most) {
        fmt::print("    and {} more: --json lists them\n", left.size() - most);
    }
}

/// Many takes: what is held is said one by one, what arrived in one line.
void print_report(const TakesReport& report, const Destination& destination, const fs::path& folder) {
    fmt::print("{} ({}) → {}\n", destination.name, destination.summary(), folder.string());
    print_accepted(report.accepted);
    uintmax_t bytes = 0;
    double worst = 0;
    std::string worst_at;
    for (const TakesReport::Row& row : report.rows) {
        const Arrival& arrival = row.arrival;
        if (arrival.state != CellState::arrived) {
            fmt::print("  {:<8} {:<28} {}\n", cell_state_name(arrival.state), row.take, arrival.reason);
            continue;
        }
        bytes += arrival.bytes;
        if (arrival.drift.largest_mm >= worst) {
            worst = arrival.drift.largest_mm;
            worst_at = arrival.files.front();
        }
    }
    fmt::print("  {:<8} {} of {} · {} bytes", "arrived", report.arrived(), counted(report.rows.size(), "clip"), bytes);
    if (!worst_at.empty()) {
        fmt::print(" · drift at most {:.4f} mm, in {}", worst, worst_at);
    }
    fmt::print("\n");
}

int deliver_over_takes(const DeliverOptions& options, const Plan& plan, LoadedSources sources) {
    const Result<std::vector<fs::path>> takes = takes_in(options.takes);
    if (!takes) {
        return refuse(takes.problem());
    }
    TakesRequest request;
    request.made_from = sources.made_from(plan.job.steps);
    request.model = sources.received;
    request.sources = sources.scenes;
    request.steps = plan.job.steps;
    request.job_name = plan.job.name;
    request.takes = *takes;
    nlohmann::json all = nlohmann::json::array();
    int code = all_well;
    for (const auto& [destination, folder] : plan.deliveries) {
        request.destination = destination;
        request.folder = folder;
        const Result<TakesReport> report = deliver_takes(request);
        if (!report) {
            return refuse(report.problem());
        }
        code = report->all_arrived() ? code : held;
        if (!options.json) {
            print_report(*report, destination, folder);
            print_left(report->left);
            print_left(summed(report->left_of_takes));
            continue;
        }
        nlohmann::json rows = nlohmann::json::array();
        for (const TakesReport::Row& row : report->rows) {
            rows.push_back(arrival_json(row.arrival));
            rows.back()["take"] = row.take;
        }
        all.push_back({{"destination", destination.name},
                       {"folder", folder.string()},
                       {"accepted", findings_json(report->accepted)},
                       {"deliverables", rows},
                       {"left", ledger_to_json(report->left)},
                       {"left_of_takes", ledger_to_json(report->left_of_takes)}});
    }
    if (options.json) {
        fmt::print("{}\n", nlohmann::json{{"job", plan.job.name}, {"deliveries", all}}.dump(2));
    }
    return code;
}

} // namespace

int deliver_files(const DeliverOptions& options) {
    Result<Plan> plan = options.card.empty() ? plan_from_job(options) : plan_from_card(options);
    if (!plan) {
        return refuse(plan.problem());
    }
    Result<LoadedSources> sources = load_sources(plan->job.sources, plan->folder);
    if (!sources) {
        return refuse(sources.problem());
    }
    if (!options.takes.empty()) {
        return deliver_over_takes(options, *plan, sources.take());
    }
    const Replay replayed = replay(*sources, plan->job.steps);
    for (const StepOutcome& outcome : replayed.outcomes) {
        if (outcome.problem && outcome.problem->malformed) {
            return refuse(*outcome.problem);
        }
    }
    nlohmann::json all = nlohmann::json::array();
    int code = all_well;
    for (const auto& [destination, folder] : plan->deliveries) {
        DeliveryRequest request;
        request.prepared = &replayed.prepared();
        request.destination = destination;
        request.job_name = plan->job.name;
        request.folder = folder;
        request.left = card_ledger(replayed);
        request.card_problems = replayed.problems();
        request.made_from = sources->made_from(plan->job.steps);
        Result<DeliveryReport> report = deliver(request);
        if (!report) {
            return refuse(report.problem());
        }
        code = report->all_arrived() ? code : held;
        if (options.json) {
            all.push_back(report_json(*report, destination, folder));
        } else {
            print_report(*report, destination, folder);
            print_left(report->left);
        }
    }
    if (options.json) {
        fmt::print(
            "{}\n",
            nlohmann::json{{"job", plan->job.name}, {"deliveries", all}, {"steps", step_outcomes_to_json(replayed)}}
                .dump(2));
    } else {
        for (const std::string& problem : replayed.problems()) {
            fmt::print("a step does not fit: {}\n", problem);
        }
    }
    return code;
}

} // namespace wembrix::cli
