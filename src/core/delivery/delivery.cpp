#include "core/delivery/delivery.h"

#include "core/base/text.h"
#include "core/delivery/arrival_check.h"
#include "core/delivery/delivery_folder.h"
#include "core/delivery/handover.h"
#include "core/delivery/manifest.h"
#include "core/delivery/pictures.h"
#include "core/delivery/report.h"
#include "core/delivery/stamp.h"
#include "core/destination/conform.h"
#include "core/destination/file_paths.h"
#include "core/formats/format.h"

#include <algorithm>
#include <map>
#include <set>

namespace wembrix {

namespace fs = std::filesystem;

std::string_view cell_state_name(CellState state) {
    constexpr std::string_view names[] = {"never", "stale", "held", "arrived"};
    return names[static_cast<int>(state)];
}

bool DeliveryReport::all_arrived() const {
    return !stopped && !arrivals.empty() && std::all_of(arrivals.begin(), arrivals.end(), [](const Arrival& arrival) {
        return arrival.state == CellState::arrived;
    });
}

namespace {

std::string folded(std::string text) {
    std::transform(text.begin(), text.end(), text.begin(), [](unsigned char c) { return std::tolower(c); });
    return text;
}

/// Two files of one name, or one folder spelled in two ways, capitals aside.
std::optional<Problem> problem_with_names(const std::vector<Deliverable>& plan, const Destination& destination) {
    std::set<std::string> files;
    std::map<std::string, std::string> folders; // as each was spelled first
    for (const Deliverable& deliverable : plan) {
        if (!files.insert(folded(deliverable.stem)).second || folded(deliverable.stem) == "delivery") {
            return Problem{phrase("two deliverables would share the file name \"{}\".", deliverable.stem),
                           destination.name, "Rename a clip, or give the destination another file template."};
        }
        for (size_t slash = deliverable.stem.find('/'); slash != std::string::npos;
             slash = deliverable.stem.find('/', slash + 1)) {
            const std::string folder = deliverable.stem.substr(0, slash);
            const auto [other, is_new] = folders.emplace(folded(folder), folder);
            if (!is_new && other->second != folder) {
                return Problem{phrase("one folder would be spelled \"{}\" and \"{}\".", other->second, folder),
                               destination.name, "Spell it alike in the file templates."};
            }
        }
    }
    return std::nullopt;
}

/// Paths that cannot be there, each told with the exact character or length. Nothing where there is no folder.
std::optional<Problem> problem_with_paths(const std::vector<Deliverable>& plan, const Destination& destination,
                                          const fs::path& folder) {
    for (const Deliverable& deliverable : folder.empty() ? std::vector<Deliverable>() : plan) {
        const fs::path file = folder / file_of(*deliverable.kind, deliverable.stem, destination);
        if (std::optional<Problem> problem = problem_with_path(fs::absolute(file).lexically_normal(), destination)) {
            return problem;
        }
        if (std::optional<Problem> problem = problem_with_folders(deliverable.stem, destination)) {
            return problem;
        }
        if (std::optional<Problem> problem = problem_with_spelling(file)) {
            return problem;
        }
    }
    return std::nullopt;
}

} // namespace

Result<std::vector<Deliverable>> plan_deliverables(const Scene& prepared, const Destination& destination,
                                                   const Naming& naming, const fs::path& folder) {
    std::vector<Deliverable> plan;
    for (const DeliverableKind& kind : deliverable_kinds()) {
        const Format* format = format_of(kind, destination);
        if (format == nullptr || !has_all(format->writes, kind.needs) || !takes_kind(destination, kind.id)) {
            continue;
        }
        for (const std::string& name : kind.plan(prepared, destination)) {
            plan.push_back({&kind, name, {}});
        }
    }
    if (plan.empty()) {
        return Problem{destination.deliverables.empty()
                           ? "there is nothing to deliver: the route card left nothing."
                           : "there is nothing to deliver: the job has nothing of the kinds that it is given.",
                       destination.name, ""};
    }
    if (!folder.empty()) {
        const nlohmann::json manifest = read_manifest(folder, {naming.job, naming.variant_id});
        const std::string model_content = content_of_model(prepared, destination, naming.job);
        for (Deliverable& one : plan) {
            one.content = content_of(prepared, *one.kind, one.name, {destination, naming, model_content});
            count_delivery(one, one.content, manifest);
        }
    }
    for (Deliverable& deliverable : plan) {
        Result<std::string> stem = stem_of(deliverable, prepared, naming, destination);
        if (!stem) {
            return stem.problem();
        }
        deliverable.stem = stem.take();
    }
    if (const std::optional<Problem> problem = problem_with_names(plan, destination)) {
        return *problem;
    }
    if (const std::optional<Problem> problem = problem_with_paths(plan, destination, folder)) {
        return *problem;
    }
    return plan;
}

Result<std::vector<std::string>> planned_files(const Scene& prepared, const Destination& destination,
                                               const Naming& naming, const fs::path& folder) {
    const Result<std::vector<Deliverable>> plan = plan_deliverables(prepared, destination, naming);
    if (!plan) {
        return plan.problem();
    }
    if (const std::optional<Problem> problem = problem_with_paths(*plan, destination, folder)) {
        return *problem;
    }
    std::vector<std::string> files;
    for (const Deliverable& one : *plan) {
        files.push_back(file_of(*one.kind, one.stem, destination));
    }
    for (const Deliverable& one : *plan) {
        for (std::string& picture :
             picture_files(prepared, one, destination, file_of(*one.kind, one.stem, destination))) {
            files.push_back(std::move(picture));
        }
    }
    return files;
}

namespace {

class Delivery {
  public:
    Delivery(const DeliveryRequest& request, const fs::path& staging_folder)
        : request_(request), staging_folder_(staging_folder),
          manifest_(read_manifest(request.folder, request.owner())) {}

    Outcome run(const std::vector<Deliverable>& plan, DeliveryReport& report) {
        std::vector<Finding> findings = look_for_findings({*request_.prepared, &request_.destination});
        findings.insert(findings.end(), request_.card_findings.begin(), request_.card_findings.end());
        report.accepted = accepted_stops(findings);
        std::string held_back;
        for (const std::string& problem : request_.card_problems) {
            held_back = held_back.empty() ? "a step does not fit: " + problem : held_back;
        }
        for (const Finding& finding : findings) {
            if (finding.grade == Grade::stop && held_back.empty()) {
                held_back = finding.message + ". " + finding.reason;
            }
        }
        std::vector<Deliverable> wanted;
        for (const Deliverable& deliverable : plan) {
            if (request_.only.empty() ||
                std::find(request_.only.begin(), request_.only.end(), deliverable.id()) != request_.only.end()) {
                wanted.push_back(deliverable);
            }
        }
        const auto left = std::make_shared<const Ledger>(destination_ledger(*request_.prepared, request_.destination));
        report.left = request_.left;
        report.left.insert(report.left.end(), left->begin(), left->end());
        report.model_content = content_of_model(*request_.prepared, request_.destination, request_.job_name);
        int done = 0;
        for (const Deliverable& deliverable : wanted) {
            if (request_.stop && request_.stop()) {
                report.stopped = true;
                break;
            }
            if (request_.progress) {
                request_.progress(done, static_cast<int>(wanted.size()), deliverable.stem);
            }
            Arrival arrival;
            arrival.deliverable = deliverable;
            arrival.left = left;
            arrival.accepted = report.accepted;
            arrival.content = deliverable.content;
            if (!held_back.empty()) {
                arrival.state = CellState::held;
                arrival.reason = held_back;
            } else if (Outcome made = make(deliverable, arrival); !made) {
                return made.problem();
            }
            if (arrival.state == CellState::arrived) {
                add_plain_size(deliverable, arrival);
                if (Outcome made = add_pictures(request_, deliverable, staging_folder_, manifest_, arrival); !made) {
                    return made.problem();
                }
            }
            report.arrivals.push_back(std::move(arrival));
            ++done;
        }
        if (Outcome placed = place(plan, report); !placed) {
            return placed.problem();
        }
        if (request_.progress) {
            request_.progress(done, static_cast<int>(wanted.size()), "");
        }
        return Done{};
    }

  private:
    /// The model that others are checked on, as this delivery would have it.
    Outcome make_model(const std::string& stem, Arrival& arrival, const nlohmann::json& stamp = {}) {
        Result<Scene> arrived =
            model_round_trip(*request_.prepared, request_.destination, stem, staging_folder_, arrival, stamp);
        if (!arrived) {
            return arrived.problem();
        }
        model_ = std::make_shared<const Scene>(arrived.take());
        return Done{};
    }

    /// Where files are lean: what they would weigh if they were not.
    void add_plain_size(const Deliverable& deliverable, Arrival& arrival) const {
        const DeliverableKind& kind = *deliverable.kind;
        if (!request_.destination.is_lean() || kind.make != nullptr) {
            return;
        }
        const Destination plain = request_.destination.plain();
        Conformed conformed = kind.is_the_model ? conform_model(*request_.prepared, plain)
                                                : kind.conform(*request_.prepared, deliverable.name, plain);
        if (has_place_for_stamp(conformed.scene)) {
            put_stamp(conformed.scene, stamp(deliverable));
        }
        arrival.plain_bytes = size_of_files(conformed.scene, deliverable.stem, plain);
    }

    [[nodiscard]] nlohmann::json stamp(const Deliverable& deliverable) const {
        return stamp_of(deliverable, request_.job_name, request_.made_from, request_.destination);
    }

    Outcome make(const Deliverable& deliverable, Arrival& arrival) {
        const Scene& prepared = *request_.prepared;
        const DeliverableKind& kind = *deliverable.kind;
        if (kind.is_the_model) {
            if (Outcome made = make_model(deliverable.stem, arrival, stamp(deliverable)); !made) {
                return made;
            }
            arrival.scene = model_;
            kind.check(prepared, deliverable.name, *model_, nullptr, request_.destination, arrival);
            return Done{};
        }
        // Strands and caches are there without a model as well.
        const bool needs_model = kind.stands_on_model && (kind.make == nullptr || has_model(prepared));
        if (needs_model && !model_) {
            Arrival unused;
            if (Outcome made = make_model("model-for-check", unused); !made) {
                return made;
            }
        }
        if (kind.make != nullptr) {
            const nlohmann::json said = stamp(deliverable);
            Outcome made = in_its_folder(
                deliverable.stem, staging_folder_, arrival, [&](const fs::path& folder, const std::string& stem) {
                    Deliverable there = deliverable;
                    there.stem = stem;
                    return kind.make(prepared, there, request_.destination, said, folder, arrival);
                });
            if (!made) {
                return made;
            }
            return kind.check_file(prepared, deliverable.name, request_.destination, said,
                                   staging_folder_ / arrival.files.front(), model_.get(), arrival);
        }
        const Conformed conformed = kind.conform(prepared, deliverable.name, request_.destination);
        Result<Scene> arrived = round_trip(conformed.scene, deliverable.stem, request_.destination, staging_folder_,
                                           arrival, stamp(deliverable));
        if (!arrived) {
            return arrived.problem();
        }
        kind.check(prepared, deliverable.name, *arrived, model_.get(), request_.destination, arrival);
        return Done{};
    }

    Outcome place(const std::vector<Deliverable>& plan, DeliveryReport& report) {
        std::vector<Arrival*> arrivals;
        for (Arrival& arrival : report.arrivals) {
            arrivals.push_back(&arrival);
        }
        const Result<FolderLock> lock = FolderLock::wait(request_.folder);
        if (!lock) {
            return lock.problem();
        }
        const nlohmann::json old = read_manifest(request_.folder, request_.owner());
        if (const std::optional<Problem> problem =
                request_.destination.report ? problem_with_report(old, request_.folder) : std::nullopt) {
            return *problem;
        }
        if (Outcome placed = put_in_place(arrivals, old, request_.folder); !placed) {
            return placed;
        }
        report.manifest = make_manifest(request_, plan, report, old);
        if (request_.destination.report) {
            if (Outcome put = put_report(report.manifest, old, request_.folder); !put) {
                return put;
            }
        }
        return settle_manifest(old, report.manifest, request_.folder);
    }

    const DeliveryRequest& request_;
    fs::path staging_folder_;
    nlohmann::json manifest_; ///< as it was when this began
    std::shared_ptr<const Scene> model_;
};

} // namespace

Naming DeliveryRequest::naming() const {
    Naming naming(job_name, made_from.origin.variant);
    naming.variant_id = made_from.origin.variant_id;
    for (const OwnPicture& own : destination.pictures > 0 ? made_from.pictures : std::vector<OwnPicture>()) {
        naming.pictures[own.deliverable] = own.hash;
    }
    return naming;
}

Owner DeliveryRequest::owner() const {
    return {job_name, made_from.origin.variant_id};
}

Ledger delivered_ledger(const DeliveryRequest& request) {
    Ledger left = request.left;
    const Ledger by_destination = destination_ledger(*request.prepared, request.destination);
    left.insert(left.end(), by_destination.begin(), by_destination.end());
    return left;
}

Result<DeliveryReport> deliver(const DeliveryRequest& request) {
    Result<std::vector<Deliverable>> plan =
        plan_deliverables(*request.prepared, request.destination, request.naming(), request.folder);
    if (!plan) {
        return plan.problem();
    }
    if (const std::optional<Problem> problem = problem_with_own_folder(request.destination, request.folder)) {
        return *problem;
    }
    std::error_code error;
    fs::create_directories(request.folder, error);
    const StagingFolder staging(request.folder);
    if (staging.problem()) {
        return *staging.problem();
    }
    DeliveryReport report;
    if (Outcome done = Delivery(request, staging.path()).run(*plan, report); !done) {
        return done.problem();
    }
    return report;
}

Result<Arrival> check_again(const DeliveryRequest& request, const Deliverable& deliverable) {
    const DeliverableKind& kind = *deliverable.kind;
    const Format* format = format_of(kind, request.destination);
    const Scene& prepared = *request.prepared;
    if (format == nullptr || !is_there(prepared, deliverable, request.destination)) {
        return Problem{"is no longer in the job.", deliverable.id(), ""};
    }
    const std::string model_content = content_of_model(prepared, request.destination, request.job_name);
    const std::string content =
        content_of(prepared, kind, deliverable.name, {request.destination, request.naming(), model_content});
    Arrival arrival;
    arrival.deliverable = deliverable;
    arrival.content = content;
    arrival.left = std::make_shared<const Ledger>(destination_ledger(prepared, request.destination));
    arrival.accepted = accepted_stops(look_for_findings({prepared, &request.destination}));
    arrival.files = {file_of(kind, deliverable.stem, request.destination)};
    // Whether its content is what the job would make now, the board tells; what it says is held against whose it is.
    nlohmann::json wanted = stamp_of(deliverable, request.job_name, request.made_from, request.destination);
    wanted.erase("content");
    Result<Scene> there = Scene();
    nlohmann::json said;
    if (kind.check_file == nullptr) {
        there = read_delivered(*format, request.folder / arrival.files.front(), request.destination, &said);
    }
    if (!there) {
        return there.problem();
    }
    if (kind.check_file == nullptr && has(format->writes, Content::about) && has_place_for_stamp(prepared)) {
        arrival.says = stamp_claim(wanted, said);
    }
    std::error_code error;
    arrival.bytes = fs::file_size(request.folder / arrival.files.front(), error);
    if (kind.is_the_model) {
        arrival.scene = std::make_shared<const Scene>(there.take());
        kind.check(prepared, deliverable.name, *arrival.scene, nullptr, request.destination, arrival);
        return arrival;
    }
    std::optional<Scene> model;
    if (kind.stands_on_model && (kind.make == nullptr || has_model(prepared))) {
        Result<Scene> read = Problem{};
        format = format_of(model_kind(), request.destination);
        std::string file;
        for (const ManifestRow& row : rows_of(read_manifest(request.folder, request.owner()))) {
            file = row.deliverable == deliverable_id(model_kind(), "") && file.empty() ? row.file : file;
        }
        if (has_all(format->writes, model_kind().needs) && takes_kind(request.destination, model_kind().id) &&
            !file.empty()) {
            read = read_delivered(*format, request.folder / file, request.destination);
        } else {
            read = conform_model(prepared, request.destination).scene;
        }
        if (!read) {
            return read.problem();
        }
        model = read.take();
    }
    if (kind.check_file != nullptr) {
        if (Outcome checked =
                kind.check_file(prepared, deliverable.name, request.destination, wanted,
                                request.folder / arrival.files.front(), model ? &*model : nullptr, arrival);
            !checked) {
            return checked.problem();
        }
        return arrival;
    }
    kind.check(prepared, deliverable.name, *there, model ? &*model : nullptr, request.destination, arrival);
    return arrival;
}

} // namespace wembrix
