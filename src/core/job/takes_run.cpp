#include "core/job/takes_run.h"
#include "core/base/counted.h"
#include "core/base/text.h"
#include "core/steps/names_in_step.h"
#include "core/steps/step.h"
#include "core/steps/step_kind.h"

#include "core/base/files.h"
#include "core/delivery/arrival_check.h"
#include "core/delivery/handover.h"
#include "core/delivery/ledger.h"
#include "core/delivery/manifest.h"
#include "core/delivery/pictures.h"
#include "core/delivery/report.h"
#include "core/delivery/stamp.h"
#include "core/destination/conform.h"
#include "core/destination/file_paths.h"
#include "core/formats/format.h"
#include "core/job/assemble.h"
#include "core/job/card_edits.h"
#include "core/job/card_findings.h"
#include "core/job/cuts.h"
#include "core/job/job.h"
#include "core/job/takes_settling.h"
#include "core/steps/clips/chosen_clips.h"
#include "core/steps/names.h"

#include <algorithm>
#include <chrono>
#include <map>
#include <mutex>
#include <optional>
#include <set>
#include <tbb/parallel_pipeline.h>
#include <tbb/task_arena.h>

namespace wembrix {

namespace fs = std::filesystem;
using nlohmann::json;

bool TakesReport::all_arrived() const {
    return !stopped && !rows.empty() && arrived() == rows.size();
}

size_t TakesReport::arrived() const {
    return static_cast<size_t>(std::count_if(rows.begin(), rows.end(),
                                             [](const Row& row) { return row.arrival.state == CellState::arrived; }));
}

size_t TakesReport::up_to_date() const {
    return static_cast<size_t>(
        std::count_if(rows.begin(), rows.end(), [](const Row& row) { return row.arrival.up_to_date; }));
}

Result<std::vector<fs::path>> folders_of_takes(const fs::path& folder) {
    std::error_code error;
    if (!fs::is_directory(folder, error)) {
        return Problem{"is no folder.", folder.string(), "Name the folder that the takes lie in."};
    }
    std::vector<fs::path> all = {fs::path()};
    for (fs::recursive_directory_iterator entry(folder, error), end; !error && entry != end; entry.increment(error)) {
        if (entry->is_directory(error) && entry->path().filename().string().front() != '.') {
            all.push_back(entry->path().lexically_relative(folder));
        }
    }
    std::erase_if(all, [&](const fs::path& one) { return !takes_in(folder / one).ok(); });
    std::sort(all.begin(), all.end());
    if (all.empty()) {
        return Problem{"holds no takes.", folder.string(), what_is_read()};
    }
    return all;
}

Result<std::vector<fs::path>> takes_in(const fs::path& folder) {
    std::error_code error;
    if (!fs::is_directory(folder, error)) {
        return Problem{"is no folder.", folder.string(), "Name the folder that the takes lie in."};
    }
    std::vector<fs::path> takes;
    for (fs::directory_iterator entry(folder, error), end; !error && entry != end; entry.increment(error)) {
        const Format* format = format_of_file(entry->path());
        if (format != nullptr && has(format->reads, Content::clips)) {
            takes.push_back(entry->path());
        }
    }
    std::sort(takes.begin(), takes.end());
    if (takes.empty()) {
        return Problem{"holds no takes.", folder.string(), what_is_read()};
    }
    return takes;
}

namespace {

/// What a step took away: of the takes, or of all else.
void add_left_by_step(Ledger& ledger, const Scene& before, const Scene& after, const Step& step, size_t place,
                      bool of_takes) {
    std::vector<Thing> things = left_between(before, after);
    std::erase_if(things, [of_takes](const Thing& thing) { return (thing.take != 0) != of_takes; });
    add_left(ledger, std::move(things), LedgerEntry::By::card, std::string(step_kind(step.id)->label),
             static_cast<int>(place));
}

/// Every so many frames of a take its steps are looked at, to see whether it is worth measuring all of them.
constexpr int looked_at_every = 4;

/// Whether steps that keep motion, one after another, moved the take by more than half of the limit at any frame that
/// is looked at. Measuring each step over all frames costs several times what the arrival check does.
bool moved_between(const Scene& before, const Scene& after, const Mat4& moved, double limit_mm) {
    if (before.clips.size() != after.clips.size()) {
        return true; // nothing to hold clip against clip
    }
    for (size_t c = 0; c < after.clips.size(); ++c) {
        DriftRequest request;
        request.should = &before;
        request.should_clip = &before.clips[c];
        request.is = &after;
        request.is_clip = &after.clips[c];
        request.rate = after.clips[c].rate / looked_at_every;
        request.frames = (after.clips[c].frames() - 1) / looked_at_every + 1;
        request.moved.all = moved;
        if (measure_drift(request).largest_mm > limit_mm / 2) {
            return true;
        }
    }
    return false;
}

bool may_have_moved(const Replay& replayed, double limit_mm) {
    std::shared_ptr<const Scene> before = replayed.received;
    std::shared_ptr<const Scene> last = before;
    Mat4 moved = Mat4::Identity();
    const auto differs = [&] { return last != before && moved_between(*before, *last, moved, limit_mm); };
    for (const StepOutcome& outcome : replayed.outcomes) {
        if (outcome.step.on && should_keep_motion(outcome.step) && !outcome.other_rest && outcome.moved.each.empty() &&
            outcome.moved.let_go.empty()) {
            moved = outcome.moved.all * moved;
            last = outcome.scene;
            continue;
        }
        if (outcome.scene == last) {
            continue; // it did nothing
        }
        if (differs() || (outcome.step.on && should_keep_motion(outcome.step))) {
            return true; // one of a kind that is measured by itself
        }
        before = last = outcome.scene;
        moved = Mat4::Identity();
    }
    return differs();
}

/// The names of clips that a step asks for; empty when it means all of them.
std::vector<std::string> clips_asked_for(const Step& step) {
    return is_for_clips(step.id) ? names_in(step, NameOf::clip) : std::vector<std::string>();
}

class TakesRun {
  public:
    TakesRun(const TakesRequest& request, const fs::path& staging_folder)
        : request_(request), staging_folder_(staging_folder) {
        base_ = *request.model;
        base_.clips.clear();
        before_ = read_manifest(request.folder, {request.job_name, request.made_from.origin.variant_id});
        for (ManifestRow& row : rows_of(before_)) {
            const auto& sources = row.made_from.sources;
            for (size_t s = request.made_from.sources.size(); s < sources.size(); ++s) {
                rows_of_take_[sources[s].first].push_back(row);
            }
        }
        destination_hash_ = hash_of_destination(request.destination);
        prepared_names_ = prepared_names(base_, request.steps);
    }

    /// The model after the card, for the manifest's head, and what of it is left behind. A malformed step is a Problem:
    /// it would be for every take.
    Result<Scene> model_alone(Ledger& left) const {
        Scene scene = base_;
        left = reader_ledger(base_);
        for (size_t s = 0; s < request_.steps.size(); ++s) {
            const Step& step = request_.steps[s];
            if (!step.on || is_for_clips(step.id)) {
                continue;
            }
            Result<StepResult> applied = apply_step(scene, step);
            if (applied) {
                add_left_by_step(left, scene, applied->scene, step, s, false);
                scene = std::move(applied->scene);
            } else if (applied.problem().malformed) {
                return applied.problem();
            }
        }
        const Ledger by_destination = destination_ledger(scene, request_.destination);
        left.insert(left.end(), by_destination.begin(), by_destination.end());
        return scene;
    }

    TakeThrough through(const fs::path& take, size_t number) {
        TakeThrough out;
        out.take = take.filename().string();
        out.made_from = request_.made_from;
        if (!request_.all && is_up_to_date(take, out)) {
            return out;
        }
        const auto held = [&](const std::string& clip, const std::string& reason) {
            Arrival arrival;
            arrival.deliverable = {&clip_kind(), clip, clip};
            arrival.state = CellState::held;
            arrival.reason = reason;
            out.arrivals.push_back(std::move(arrival));
            out.clips.push_back(json());
            out.checks.push_back(json());
        };
        const std::string stem = take.stem().string();
        std::vector<NamedScene> sources;
        const Result<Scene> received = receive(take, out, sources);
        if (!received) {
            held(stem, received.problem().sentence());
            return out;
        }
        Result<Replay> replayed = prepare(take, *received, sources, out);
        if (!replayed) {
            held(stem, replayed.problem().sentence());
            return out;
        }
        const std::shared_ptr<const Scene> prepared = replayed->prepared_scene();
        std::vector<Finding> findings = look_for_findings({*prepared, &request_.destination});
        if (may_have_moved(*replayed, request_.destination.drift_limit_mm)) {
            measure_kept_motion(*replayed);
        }
        for (Finding& finding : card_findings(*replayed, {&request_.destination, 1})) {
            findings.push_back(std::move(finding));
        }
        out.accepted = accepted_stops(findings);
        const Ledger by_destination = destination_ledger_of_takes(*prepared, request_.destination);
        out.left.insert(out.left.end(), by_destination.begin(), by_destination.end());
        for (const Finding& finding : findings) {
            if (finding.grade == Grade::stop) {
                held(stem, finding.message + ". " + finding.reason);
                return out;
            }
        }
        out.model_content = content_of_model(*prepared, request_.destination, request_.job_name);
        const Result<std::shared_ptr<const Scene>> model = model_for_check(*prepared, out.model_content);
        if (!model) {
            held(stem, model.problem().sentence());
            return out;
        }
        const fs::path staged = staging_folder_ / std::to_string(number);
        std::error_code error;
        fs::create_directories(staged, error);
        for (const Clip& clip : prepared->clips) {
            if (!clip.deliver) {
                continue;
            }
            Arrival arrival;
            Outcome made = deliver_clip(*prepared, clip, **model, staged, out.model_content, arrival);
            if (made && arrival.state == CellState::arrived) {
                made = add_what_goes_with_it(*prepared, clip, staged, out, arrival);
            }
            if (!made) {
                held(clip.name, made.problem().sentence());
                continue;
            }
            out.clips.push_back(clip_row(clip, request_.destination, arrival.files.front()));
            out.checks.push_back(request_.destination.report ? check_row(*prepared, arrival, request_.destination)
                                                             : json());
            arrival.scene = nullptr;
            arrival.drift.per_frame_mm = {};
            out.arrivals.push_back(std::move(arrival));
        }
        if (out.arrivals.empty()) {
            held(stem, "the card leaves nothing of it to deliver");
        }
        return out;
    }

  private:
    /// Its files lie there as they were delivered, made from the same take, list of cuts, model, card and destination,
    /// and nothing of it was held. Then `out` has a row for each.
    bool is_up_to_date(const fs::path& take, TakeThrough& out) const {
        const auto rows = rows_of_take_.find(out.take);
        const json& held = before_.contains("held") && before_["held"].is_array() ? before_["held"] : json::array();
        if (rows == rows_of_take_.end() || std::any_of(held.begin(), held.end(), [&](const json& row) {
                return row.is_object() && row.value("take", json()) == out.take;
            })) {
            return false;
        }
        MadeFrom now = request_.made_from;
        const Result<std::string> bytes = read_file(take);
        const Result<Scene> scene = read_scene(take);
        if (!bytes || !scene) {
            return false;
        }
        now.sources.emplace_back(out.take, hash_of_source(*bytes, *scene));
        for (const char* suffix : {".csv", ".json"}) {
            const fs::path list = fs::path(take).replace_extension(suffix);
            if (const Result<std::string> text = fs::exists(list) ? read_file(list) : Problem{}) {
                now.sources.emplace_back(list.filename().string(), hash_of(*text));
                break;
            }
        }
        for (const ManifestRow& row : rows->second) {
            if (row.made_from.sources != now.sources || row.made_from.card != now.card ||
                row.made_from.destination != destination_hash_ || !is_untouched(request_.folder, row)) {
                return false;
            }
        }
        for (const ManifestRow& row : rows->second) {
            const auto other = std::find_if(out.arrivals.begin(), out.arrivals.end(), [&](const Arrival& arrival) {
                return arrival.deliverable.id() == row.deliverable;
            });
            if (other != out.arrivals.end()) { // its pictures, or what lies beside its first file
                other->files.push_back(row.file);
                continue;
            }
            Arrival arrival;
            arrival.deliverable = {&clip_kind(), name_in_id(row.deliverable), fs::path(row.file).stem().string()};
            arrival.state = CellState::arrived;
            arrival.up_to_date = true;
            arrival.files = {row.file};
            arrival.bytes = row.bytes;
            arrival.drift.largest_mm = row.drift_mm;
            arrival.content = row.content;
            out.arrivals.push_back(std::move(arrival));
        }
        return true;
    }

    /// The take on the model, under the names that its clips go out by. `sources` gets both as they were read.
    Result<Scene> receive(const fs::path& take, TakeThrough& out, std::vector<NamedScene>& sources) const {
        const Result<std::string> bytes = read_file(take);
        if (!bytes) {
            return bytes.problem();
        }
        Result<Scene> source = read_scene(take);
        if (!source) {
            return source.problem();
        }
        take_stamp(*source); // of a file that was delivered once: what is made of it is another
        out.made_from.sources.emplace_back(out.take, hash_of_source(*bytes, *source));
        if (source->clips.empty()) {
            return Problem{"holds no take.", out.take, ""};
        }
        if (source->clips.size() == 1) {
            source->clips[0].name = take.stem().string();
        }
        sources = request_.sources ? *request_.sources : std::vector<NamedScene>{{"", base_}};
        sources.push_back({out.take, source.take()});
        Scene received = base_;
        AssemblyOptions options;
        options.role = SourceRole::take;
        if (!shares_skeleton(base_, sources.back().scene)) {
            options.prepared_names = prepared_names_;
        }
        // A card that retargets takes the motion of any body.
        const bool any_body = std::any_of(request_.steps.begin(), request_.steps.end(),
                                          [](const Step& step) { return step.on && step.id == "retarget"; });
        if (any_body || shares_skeleton(base_, sources.back().scene, options)) {
            add_source(received, sources.back(), sources.size() - 1, options);
        }
        if (received.clips.empty()) {
            return Problem{"moves joints that are not this model's: fewer than half of their names are in it.",
                           out.take, ""};
        }
        Scene said;
        said.notes.assign(received.notes.begin() + static_cast<ptrdiff_t>(base_.notes.size()), received.notes.end());
        out.left = reader_ledger(said);
        return received;
    }

    /// The card over one take; a step that has nothing to do here counts as switched off.
    Result<Replay> prepare(const fs::path& take, const Scene& received, const std::vector<NamedScene>& sources,
                           TakeThrough& out) const {
        std::vector<Step> steps = request_.steps;
        for (const char* suffix : {".csv", ".json"}) {
            const fs::path list = fs::path(take).replace_extension(suffix);
            std::error_code error;
            if (!fs::is_regular_file(list, error)) {
                continue;
            }
            if (received.clips.size() != 1) {
                return Problem{
                    phrase("cuts a file of {}; it can only cut one.", counted(received.clips.size(), "take")),
                    list.filename().string(), ""};
            }
            const Result<std::string> text = read_file(list);
            if (!text) {
                return text.problem();
            }
            out.made_from.sources.emplace_back(list.filename().string(), hash_of(*text));
            const double rate = received.clips[0].rate;
            Result<std::vector<Cut>> cuts =
                cuts_from_text(*text, list.filename().string(), [rate](const std::string&) { return rate; });
            if (!cuts) {
                return cuts.problem();
            }
            for (Cut& cut : *cuts) {
                cut.take.clear(); // it lies beside the one take that it is of
            }
            cut_before_other_clip_steps(steps, received.clips[0].name, *cuts);
            break;
        }
        Replay replayed;
        replayed.received = std::make_shared<const Scene>(received);
        for (size_t s = 0; s < steps.size(); ++s) {
            const Step& step = steps[s];
            const Scene& scene = replayed.prepared();
            const std::vector<std::string> asked = clips_asked_for(step);
            StepOutcome outcome;
            outcome.step = step;
            outcome.scene = replayed.prepared_scene();
            if (step.on && (asked.empty() || chosen_clips(scene, asked))) {
                Result<StepResult> applied = apply_step({scene, {}, {}, sources}, step);
                if (!applied) {
                    Problem problem = applied.problem();
                    problem.what = "a step does not fit: " + problem.what;
                    return problem;
                }
                add_left_by_step(out.left, scene, applied->scene, step, s, true);
                outcome.take(applied.take());
            } else {
                outcome.step.on = false;
            }
            replayed.outcomes.push_back(std::move(outcome));
        }
        return replayed;
    }

    /// Takes share a model as long as the card makes the same of it: it is written and read back once for all of them.
    Result<std::shared_ptr<const Scene>> model_for_check(const Scene& prepared, const std::string& content) {
        const std::lock_guard lock(model_mutex_);
        if (model_ == nullptr || model_is_ != content) {
            const fs::path staged = staging_folder_ / "model";
            std::error_code error;
            fs::create_directories(staged, error);
            Arrival unused;
            Result<Scene> model = model_round_trip(prepared, request_.destination, "model", staged, unused);
            fs::remove_all(staged, error);
            if (!model) {
                return model.problem();
            }
            model_ = std::make_shared<const Scene>(model.take());
            model_is_ = content;
        }
        return model_;
    }

    Outcome deliver_clip(const Scene& prepared, const Clip& clip, const Scene& model, const fs::path& staging_folder,
                         const std::string& model_content, Arrival& arrival) const {
        const Naming naming(request_.job_name, request_.made_from.origin.variant);
        arrival.deliverable = {&clip_kind(), clip.name, {}};
        arrival.content = content_of(prepared, clip_kind(), clip.name, {request_.destination, naming, model_content});
        arrival.deliverable.content = arrival.content;
        count_delivery(arrival.deliverable, arrival.content, before_);
        Result<std::string> stem = stem_of(arrival.deliverable, prepared, naming, request_.destination);
        if (!stem) {
            return stem.problem();
        }
        arrival.deliverable.stem = stem.take();
        const Format* format = format_with_id(request_.destination.container);
        const fs::path file = request_.folder / (arrival.deliverable.stem + std::string(format->suffix()));
        if (const std::optional<Problem> wrong =
                problem_with_path(fs::absolute(file).lexically_normal(), request_.destination)) {
            return *wrong;
        }
        const Conformed conformed = conform_clip(prepared, clip, request_.destination);
        const Result<Scene> arrived =
            round_trip(conformed.scene, arrival.deliverable.stem, request_.destination, staging_folder, arrival,
                       stamp_of(arrival.deliverable, request_.job_name, request_.made_from, request_.destination));
        if (!arrived) {
            return arrived.problem();
        }
        check_clip(prepared, clip, *arrived, model, request_.destination, arrival);
        return Done{};
    }

    /// What it would weigh if it were not lean, and its pictures: where the destination wants to know, and wants them.
    Outcome add_what_goes_with_it(const Scene& prepared, const Clip& clip, const fs::path& staged,
                                  const TakeThrough& of, Arrival& arrival) const {
        const Destination& destination = request_.destination;
        if (destination.is_lean()) {
            const Destination plain = destination.plain();
            Conformed conformed = conform_clip(prepared, clip, plain);
            if (has_place_for_stamp(conformed.scene)) {
                put_stamp(conformed.scene,
                          stamp_of(arrival.deliverable, request_.job_name, request_.made_from, destination));
            }
            arrival.plain_bytes = size_of_files(conformed.scene, arrival.deliverable.stem, plain);
        }
        if (destination.pictures <= 0) {
            return Done{};
        }
        DeliveryRequest pictured;
        pictured.prepared = &prepared;
        pictured.destination = destination;
        pictured.folder = request_.folder;
        pictured.made_from = of.made_from;
        return add_pictures(pictured, arrival.deliverable, staged, before_, arrival);
    }

    const TakesRequest& request_;
    fs::path staging_folder_;
    Scene base_;
    std::multimap<int64_t, std::string> prepared_names_;
    json before_; ///< the manifest as it was when the run began
    std::map<std::string, std::vector<ManifestRow>> rows_of_take_;
    std::string destination_hash_;
    std::mutex model_mutex_;
    std::shared_ptr<const Scene> model_;
    std::string model_is_;
};

} // namespace

Result<TakesReport> deliver_takes(const TakesRequest& request) {
    if (const std::optional<Problem> wrong = problem_with_spelling(request.folder / "file")) {
        return *wrong;
    }
    std::error_code error;
    fs::create_directories(request.folder, error);
    const StagingFolder staging(request.folder);
    if (staging.problem()) {
        return *staging.problem();
    }
    TakesRun run(request, staging.path());
    Ledger left;
    const Result<Scene> model = run.model_alone(left);
    if (!model) {
        return model.problem();
    }
    std::vector<TakeThrough> all(request.takes.size());
    size_t next = 0;
    size_t done = 0;
    bool stopped = false;
    TakesSettling settling(request, *model, std::move(left));
    std::optional<Problem> problem;
    const auto take_next = [&](tbb::flow_control& control) {
        stopped = stopped || problem || (request.stop && request.stop());
        if (stopped || next == request.takes.size()) {
            control.stop();
            return size_t{0};
        }
        return next++;
    };
    // With many takes each keeps to one core: nothing is handed to and fro. With few, the cores share each.
    const bool many = request.takes.size() >= 8 * static_cast<size_t>(tbb::this_task_arena::max_concurrency());
    const auto work = [&](size_t number) {
        const auto through = [&] { all[number] = run.through(request.takes[number], number); };
        if (many) {
            tbb::task_arena(1).execute(through);
        } else {
            // Waiting inside a take must not begin another: memory would hold both.
            tbb::this_task_arena::isolate(through);
        }
        return number;
    };
    const auto tell = [&](size_t number) {
        ++done;
        const std::string name = all[number].take;
        settling.add(std::exchange(all[number], {}));
        if (!problem && settling.is_time()) {
            if (Outcome settled = settling.settle(); !settled) {
                problem = settled.problem();
            }
        }
        if (request.progress) {
            request.progress(done, request.takes.size(), name);
        }
    };
    // Takes that are through wait for those before them as rows: a few more at a time keep the cores at work and hold
    // no more scenes than there are cores.
    tbb::parallel_pipeline(4 * static_cast<size_t>(tbb::this_task_arena::max_concurrency()),
                           tbb::make_filter<void, size_t>(tbb::filter_mode::serial_in_order, take_next) &
                               tbb::make_filter<size_t, size_t>(tbb::filter_mode::parallel, work) &
                               tbb::make_filter<size_t, void>(tbb::filter_mode::serial_in_order, tell));
    if (!problem) {
        if (Outcome settled = settling.settle(); !settled) {
            problem = settled.problem();
        }
    }
    if (!problem && request.destination.report && request.page) {
        if (Outcome put = settling.put_page(); !put) {
            problem = put.problem();
        }
    }
    if (problem) {
        return *problem;
    }
    TakesReport report = settling.take();
    report.stopped = stopped;
    return report;
}

} // namespace wembrix
