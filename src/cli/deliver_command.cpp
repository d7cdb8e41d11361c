#include "commands.h"
#include "interrupt.h"

#include "core/base/counted.h"
#include "core/base/files.h"
#include "core/base/json_file.h"
#include "core/delivery/board.h"
#include "core/delivery/delivery.h"
#include "core/delivery/delivery_folder.h"
#include "core/delivery/handover.h"
#include "core/delivery/pictures.h"
#include "core/findings/finding.h"
#include "core/formats/format.h"
#include "core/job/card_findings.h"
#include "core/job/card_ledger.h"
#include "core/job/card_words.h"
#include "core/job/inspect.h"
#include "core/job/job.h"
#include "core/job/takes_run.h"

#include <algorithm>
#include <chrono>
#include <cstdio>
#include <filesystem>
#include <fmt/format.h>
#include <map>
#include <optional>
#include <span>
#include <sstream>
#include <unistd.h>

namespace wembrix::cli {

namespace {

namespace fs = std::filesystem;

struct DeliveryPlan {
    Job job;
    fs::path folder; ///< of the job: relative sources count from it
    std::vector<std::pair<Destination, fs::path>> deliveries;
};

/// A destination that changes nothing; its root is named when the card has been replayed.
Result<Destination> plain_destination(const std::string& container) {
    const Format* format = format_with_id(container);
    if (format == nullptr || format->is_read_only()) {
        return Problem{fmt::format("\"{}\" is no kind of file that is written.", container), "--as",
                       "See wembrix-cli formats."};
    }
    Destination plain;
    plain.name = "as it is";
    plain.container = container;
    plain.influences = 255;
    plain.joint_names = "^.*$";
    plain.longest_name = 1000;
    plain.clip_keys = ClipKeys::own_rate;
    return plain;
}

Result<DeliveryPlan> plan_from_card(const DeliverOptions& options) {
    if ((options.destination.empty() && !options.is_plain) || options.out.empty()) {
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
    Result<Destination> destination =
        options.is_plain ? plain_destination(options.container) : read_destination(options.destination);
    if (!destination) {
        return destination.problem();
    }
    DeliveryPlan plan;
    plan.job.name = fs::path(options.inputs.front()).stem().string();
    plan.job.sources.assign(options.inputs.begin(), options.inputs.end());
    plan.job.steps = steps.take();
    plan.deliveries.emplace_back(destination.take(), options.out);
    return plan;
}

Result<DeliveryPlan> plan_from_job(const DeliverOptions& options) {
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
    DeliveryPlan plan;
    plan.job = job.take();
    plan.folder = fs::path(options.inputs[0]).parent_path();
    const auto folder_of = [&](const Destination& destination) {
        return options.out.empty() ? delivery_folder(plan.folder, plan.job.deliveries, destination)
                                   : fs::path(options.out) / file_name_safe(destination.name);
    };
    for (const Destination& destination : plan.job.destinations) {
        if (options.destination.empty()) {
            plan.deliveries.emplace_back(destination, folder_of(destination));
        } else if (destination.name == options.destination) {
            // With one destination named, the folder given is the folder used.
            plan.deliveries.emplace_back(destination,
                                         options.out.empty() ? folder_of(destination) : fs::path(options.out));
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
        {"up_to_date", arrival.up_to_date},
        {"files", arrival.files},
        {"bytes", arrival.bytes},
        {"plain_bytes", arrival.plain_bytes},
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
        if (arrival.up_to_date) {
            fmt::print("up to date · drift {:.4f} mm · {} bytes{}\n", arrival.drift.largest_mm, arrival.bytes,
                       said_of_plain(arrival.bytes, arrival.plain_bytes));
            continue;
        }
        if (arrival.state == CellState::arrived) {
            const Drift& between = arrival.between;
            const auto passed = static_cast<size_t>(std::count_if(arrival.claims.begin(), arrival.claims.end(),
                                                                  [](const Claim& claim) { return claim.pass; }));
            fmt::print("{} claims pass{} · drift {:.4f} mm{} · {} bytes{}\n", passed,
                       passed == arrival.claims.size()
                           ? ""
                           : fmt::format(", {} accepted as it is", arrival.claims.size() - passed),
                       arrival.drift.largest_mm,
                       between.largest_mm > 0
                           ? fmt::format(", between frames {:.4f} mm at {}, frame {:g}", between.largest_mm,
                                         between.place, static_cast<double>(between.frame) / moments_a_frame)
                           : "",
                       arrival.bytes, said_of_plain(arrival.bytes, arrival.plain_bytes));
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
    fmt::print("  {:<8} {} of {}{} · {} bytes", "arrived", report.arrived(), counted(report.rows.size(), "clip"),
               report.up_to_date() == 0 ? "" : fmt::format(", {} of them up to date before", report.up_to_date()),
               bytes);
    if (!worst_at.empty()) {
        fmt::print(" · drift at most {:.4f} mm, in {}", worst, worst_at);
    }
    fmt::print("\n");
}

/// On a terminal one line that changes; else a line each ten seconds.
class Progress {
  public:
    void tell(size_t done, size_t all, const std::string& what) {
        const auto now = std::chrono::steady_clock::now();
        if (terminal_) {
            fmt::print(stderr, "\r\033[K{} of {}  {}", done, all, what);
            if (done == all) {
                fmt::print(stderr, "\r\033[K");
            }
            std::fflush(stderr);
        } else if (now - last_ >= std::chrono::seconds(10)) {
            fmt::print(stderr, "{} of {}  {}\n", done, all, what);
            last_ = now;
        }
    }

  private:
    bool terminal_ = ::isatty(STDERR_FILENO) != 0;
    std::chrono::steady_clock::time_point last_ = std::chrono::steady_clock::now();
};

/// What steps left undone, a line each: it may be why a file is not what was wanted.
void print_steps(const Replay& replay) {
    for (size_t s = 0; s < replay.outcomes.size(); ++s) {
        const StepOutcome& outcome = replay.outcomes[s];
        if (outcome.drift && outcome.drift->largest_mm >= 0.5) {
            const Drift& drift = *outcome.drift;
            fmt::print("step {} ({}) moves a vertex {:.1f} mm: {}{}\n", s + 1, outcome.step.id, drift.largest_mm,
                       drift.place,
                       drift.clip.empty() ? " at rest" : fmt::format(", frame {} of “{}”", drift.frame, drift.clip));
        }
        if (outcome.problem) {
            fmt::print("step {} ({}) does not fit: {}\n", s + 1, outcome.step.id, outcome.problem->sentence());
        }
        for (const std::string& what : outcome.could_not) {
            fmt::print("step {} ({}) could not do all: {}\n", s + 1, outcome.step.id, what);
        }
    }
}

/// By its id, the name of the thing, or its file's.
bool is_called(const Deliverable& deliverable, const std::string& name) {
    return name == deliverable.id() || name == deliverable.name || name == deliverable.stem;
}

/// The first name of --only that no destination has a deliverable of; nothing where each means one.
std::optional<Problem> means_nothing(const DeliverOptions& options, const DeliveryPlan& plan, const Scene& prepared) {
    std::vector<Deliverable> all;
    for (const auto& [destination, folder] : plan.deliveries) {
        if (const auto planned =
                plan_deliverables(prepared, destination, {plan.job.name, plan.job.origin.variant}, folder)) {
            all.insert(all.end(), planned->begin(), planned->end());
        }
    }
    for (const std::string& name : options.only) {
        if (std::none_of(all.begin(), all.end(), [&](const Deliverable& one) { return is_called(one, name); })) {
            return Problem{fmt::format("has nothing called \"{}\" to deliver.", name), plan.job.name,
                           "The board lists what there is."};
        }
    }
    return std::nullopt;
}

/// Which of a destination's deliverables are to be written: those asked for, and of these the ones that are not as they
/// should be. What is left alone is in `up_to_date`.
Result<std::vector<std::string>> chosen_deliverables(const DeliveryRequest& request, const DeliverOptions& options,
                                                     std::vector<Arrival>& up_to_date) {
    const BoardColumn column = read_board(request);
    if (column.problem) {
        return *column.problem;
    }
    // What the card could not do holds every file, whatever lies there.
    const bool held_back = !request.card_problems.empty() ||
                           std::any_of(request.card_findings.begin(), request.card_findings.end(),
                                       [](const Finding& finding) { return finding.grade == Grade::stop; });
    std::vector<std::string> ids;
    for (const BoardCell& cell : column.cells) {
        const std::string id = cell.deliverable.id();
        if (!options.only.empty() &&
            std::none_of(options.only.begin(), options.only.end(),
                         [&](const std::string& name) { return is_called(cell.deliverable, name); })) {
            continue;
        }
        if (!options.all && !held_back && cell.state == CellState::arrived) {
            Arrival arrival;
            arrival.deliverable = cell.deliverable;
            arrival.state = CellState::arrived;
            arrival.up_to_date = true;
            arrival.files = {cell.file};
            arrival.bytes = cell.bytes;
            arrival.plain_bytes = cell.plain_bytes;
            arrival.drift.largest_mm = cell.drift_mm;
            up_to_date.push_back(std::move(arrival));
            continue;
        }
        ids.push_back(id);
    }
    return ids;
}

/// The takes of a list, folder by folder as `folders_of_takes` has them.
Result<std::map<fs::path, std::vector<fs::path>>> listed_takes(const fs::path& folder, const std::string& list) {
    const Result<std::string> lines = read_file(list);
    if (!lines) {
        return lines.problem();
    }
    std::map<fs::path, std::vector<fs::path>> takes;
    std::istringstream stream(*lines);
    for (std::string line; std::getline(stream, line);) {
        const fs::path take = fs::path(line).lexically_normal();
        const Format* format = format_of_file(take);
        std::error_code error;
        if (line.empty() || take.is_absolute() || *take.begin() == ".." || format == nullptr ||
            !has(format->reads, Content::clips) || !fs::is_directory((folder / take).parent_path(), error)) {
            return Problem{fmt::format("\"{}\" is no take below the folder.", line.substr(0, 200)), list, ""};
        }
        takes[take.parent_path()].push_back(folder / take);
    }
    if (takes.empty()) {
        return Problem{"lists no takes.", list, ""};
    }
    return takes;
}

Result<std::map<fs::path, std::vector<fs::path>>> takes_of(const DeliverOptions& options) {
    if (!options.listed.empty()) {
        return listed_takes(options.takes, options.listed);
    }
    const Result<std::vector<fs::path>> folders = folders_of_takes(options.takes);
    if (!folders) {
        return folders.problem();
    }
    std::map<fs::path, std::vector<fs::path>> takes;
    for (const fs::path& group : *folders) {
        takes[group] = *takes_in(fs::path(options.takes) / group);
    }
    return takes;
}

int deliver_over_takes(const DeliverOptions& options, const DeliveryPlan& plan, LoadedSources sources) {
    const Result<std::map<fs::path, std::vector<fs::path>>> takes = takes_of(options);
    if (!takes) {
        return refuse(takes.problem());
    }
    TakesRequest request;
    request.made_from = sources.made_from(plan.job);
    request.model = sources.received;
    request.sources = sources.scenes;
    request.steps = plan.job.steps;
    request.job_name = plan.job.name;
    request.all = options.all;
    request.page = options.listed.empty(); // a share of a run has its page made of the whole
    request.stop = [] { return was_interrupted(); };
    nlohmann::json all = nlohmann::json::array();
    int code = all_well;
    for (const auto& [destination, folder] : plan.deliveries) {
        for (const auto& [group, files] : *takes) {
            Progress progress;
            request.progress = [&progress](size_t done, size_t count, const std::string& what) {
                progress.tell(done, count, what);
            };
            request.takes = files;
            request.destination = destination;
            request.folder = group.empty() ? folder : folder / group;
            const Result<TakesReport> report = deliver_takes(request);
            if (!report) {
                return refuse(report.problem());
            }
            code = report->all_arrived() ? code : held;
            if (!options.json) {
                print_report(*report, destination, request.folder);
                print_left(report->left);
                print_left(summed(report->left_of_takes));
                if (report->stopped) {
                    fmt::print("stopped: the same command does the rest\n");
                }
                continue;
            }
            nlohmann::json rows = nlohmann::json::array();
            for (const TakesReport::Row& row : report->rows) {
                rows.push_back(arrival_json(row.arrival));
                rows.back()["take"] = row.take;
            }
            all.push_back({{"destination", destination.name},
                           {"folder", request.folder.string()},
                           {"group", group.string()},
                           {"stopped", report->stopped},
                           {"accepted", findings_json(report->accepted)},
                           {"deliverables", rows},
                           {"left", ledger_to_json(report->left)},
                           {"left_of_takes", ledger_to_json(report->left_of_takes)}});
        }
    }
    if (options.json) {
        fmt::print("{}\n", nlohmann::json{{"job", plan.job.name}, {"deliveries", all}}.dump(2));
    }
    return code;
}

/// How each destination's files would be called; a name that cannot be is refused as it would be.
int say_plan(const DeliveryPlan& plan, const Scene& prepared, const MadeFrom& made_from, bool as_json) {
    nlohmann::json all = nlohmann::json::array();
    int code = all_well;
    for (const auto& [destination, folder] : plan.deliveries) {
        DeliveryRequest request;
        request.destination = destination;
        request.job_name = plan.job.name;
        request.made_from = made_from;
        const Result<std::vector<Deliverable>> planned =
            plan_deliverables(prepared, destination, request.naming(), folder);
        if (!planned) {
            code = refuse(planned.problem());
            continue;
        }
        nlohmann::json rows = nlohmann::json::array();
        if (!as_json) {
            fmt::print("{} → {}\n", destination.name, folder.string());
        }
        for (const Deliverable& one : *planned) {
            std::vector<std::string> files = {file_of(*one.kind, one.stem, destination)};
            const std::vector<std::string> pictures = picture_files(prepared, one, destination, files.front());
            files.insert(files.end(), pictures.begin(), pictures.end());
            for (const std::string& file : files) {
                rows.push_back({{"deliverable", one.id()}, {"file", file}, {"number", one.number}});
                if (!as_json) {
                    fmt::print("  {:<32} {}\n", one.id(), file);
                }
            }
        }
        all.push_back({{"destination", destination.name}, {"folder", folder.string()}, {"planned", rows}});
    }
    if (as_json) {
        fmt::print("{}\n", nlohmann::json{{"job", plan.job.name}, {"deliveries", all}}.dump(2));
    }
    return code;
}

/// What came of one job: its exit code, and, where it was asked for, what is said of it as JSON.
struct DeliveredJob {
    int code = all_well;
    nlohmann::json json;
};

DeliveredJob refused(const Problem& problem) {
    return {refuse(problem), nullptr};
}

DeliveredJob deliver_plan(const DeliverOptions& options, DeliveryPlan plan) {
    Result<LoadedSources> sources = load_sources(plan.job.sources, plan.folder, plan.job.steps);
    if (!sources) {
        return refused(sources.problem());
    }
    if (options.second_reader && (!options.takes.empty() || options.plan)) {
        return refused({"--second-reader goes with neither --takes nor --plan.", "usage",
                        "Ask it about single files: wembrix-cli second-reader FILE…"});
    }
    if (!options.takes.empty()) {
        return {deliver_over_takes(options, plan, sources.take()), nullptr};
    }
    Replay replayed = replay(*sources, plan.job.steps);
    const bool names_nothing = replayed.has_unmatched();
    for (const StepOutcome& outcome : replayed.outcomes) {
        if (outcome.problem && outcome.problem->malformed) {
            return refused(*outcome.problem);
        }
    }
    if (options.is_plain) {
        const std::vector<int> roots = root_joints(replayed.prepared());
        Destination& plain = plan.deliveries.front().first;
        plain.root = roots.empty() ? plain.root : replayed.prepared().nodes[static_cast<size_t>(roots.front())].name;
    }
    if (options.plan) {
        return {say_plan(plan, replayed.prepared(), sources->made_from(plan.job), options.json), nullptr};
    }
    if (const std::optional<Problem> nothing = means_nothing(options, plan, replayed.prepared())) {
        return refused(*nothing);
    }
    measure_kept_motion(replayed, [] { return was_interrupted(); });
    nlohmann::json all = nlohmann::json::array();
    int code = names_nothing ? held : all_well;
    for (const auto& [destination, folder] : plan.deliveries) {
        DeliveryRequest request;
        request.prepared = &replayed.prepared();
        request.destination = destination;
        request.job_name = plan.job.name;
        request.folder = folder;
        request.left = card_ledger(replayed);
        request.card_words = card_words(replayed);
        request.card_problems = replayed.problems();
        request.card_findings = card_findings(replayed, std::span(&destination, 1));
        request.made_from = sources->made_from(plan.job);
        request.stop = [] { return was_interrupted(); };
        Progress progress;
        request.progress = [&progress](int done, int count, const std::string& what) {
            progress.tell(static_cast<size_t>(done), static_cast<size_t>(count), what);
        };
        std::vector<Arrival> up_to_date;
        Result<std::vector<std::string>> ids = chosen_deliverables(request, options, up_to_date);
        if (!ids) {
            return refused(ids.problem());
        }
        request.only = ids.take();
        if (!options.only.empty() && request.only.empty() && up_to_date.empty()) {
            continue; // another destination has what was named
        }
        DeliveryReport report_now;
        if (!request.only.empty()) {
            Result<DeliveryReport> report = deliver(request);
            if (!report) {
                return refused(report.problem());
            }
            report_now = report.take();
        } else {
            sweep_delivery(folder);
            report_now.left = delivered_ledger(request);
            report_now.accepted = accepted_stops(look_for_findings({*request.prepared, &destination}));
        }
        for (Arrival& arrival : up_to_date) {
            report_now.arrivals.push_back(std::move(arrival));
        }
        const DeliveryReport* report = &report_now;
        code = report->all_arrived() ? code : held;
        SecondReaderSaid said;
        if (options.second_reader) {
            said = second_reader_on(report->arrivals, folder);
            code = said.is_well ? code : held;
        }
        if (options.json) {
            all.push_back(report_json(*report, destination, folder));
            if (options.second_reader) {
                all.back()["second_reader"] = said.as_json;
            }
        } else {
            print_report(*report, destination, folder);
            print_left(report->left);
            for (const std::string& line : said.lines) {
                fmt::print("  {}\n", line);
            }
        }
    }
    if (options.json) {
        return {code, {{"job", plan.job.name}, {"deliveries", all}, {"steps", step_outcomes_to_json(replayed)}}};
    }
    print_steps(replayed);
    return {code, nullptr};
}

/// The files of a folder that hold surfaces, in the order of their names.
Result<std::vector<fs::path>> models_in(const fs::path& folder) {
    std::vector<fs::path> models;
    std::error_code error;
    for (fs::directory_iterator entry(folder, error), end; !error && entry != end; entry.increment(error)) {
        const Format* format = format_of_file(entry->path());
        if (entry->is_regular_file(error) && format != nullptr && has(format->reads, Content::surfaces)) {
            models.push_back(entry->path());
        }
    }
    if (error || models.empty()) {
        return Problem{error ? "cannot be read: " + error.message() + "." : "holds no models.", folder.string(),
                       what_is_read()};
    }
    std::sort(models.begin(), models.end());
    return models;
}

/// The job once for each model of the folder; what fails of one leaves the others as they are.
int deliver_over_models(const DeliverOptions& options, const DeliveryPlan& plan) {
    const Result<std::vector<fs::path>> models = models_in(options.models);
    if (!models) {
        return refuse(models.problem());
    }
    if (plan.job.sources.empty() || options.out.empty() || !options.takes.empty() || options.plan) {
        return refuse({plan.job.sources.empty() ? "has no source that a model could take the place of."
                       : options.out.empty()    ? "--models needs --out."
                                                : "--models goes with neither --takes nor --plan.",
                       plan.job.name, ""});
    }
    nlohmann::json all = nlohmann::json::array();
    int code = all_well;
    for (const fs::path& model : *models) {
        DeliveryPlan own = plan;
        own.job.name = model.stem().string();
        own.job.sources.front().path = fs::absolute(model).string();
        own.job.origin = {}; // each is a thing of its own
        for (auto& [destination, folder] : own.deliveries) {
            folder = fs::path(options.out) / file_name_safe(own.job.name) / file_name_safe(destination.name);
        }
        if (!options.json) {
            fmt::print("{}\n", model.filename().string());
        }
        DeliveredJob done = deliver_plan(options, std::move(own));
        code = std::max(code, done.code);
        if (options.json && !done.json.is_null()) {
            all.push_back(std::move(done.json));
        }
    }
    if (options.json) {
        fmt::print("{}\n", nlohmann::json{{"jobs", all}}.dump(2));
    }
    return code;
}

} // namespace

int deliver_files(const DeliverOptions& options) {
    Result<DeliveryPlan> plan = options.card.empty() ? plan_from_job(options) : plan_from_card(options);
    if (!plan) {
        return refuse(plan.problem());
    }
    stop_when_interrupted();
    if (!options.models.empty()) {
        return deliver_over_models(options, *plan);
    }
    const DeliveredJob done = deliver_plan(options, plan.take());
    if (options.json && !done.json.is_null()) {
        fmt::print("{}\n", done.json.dump(2));
    }
    return done.code;
}

} // namespace wembrix::cli
