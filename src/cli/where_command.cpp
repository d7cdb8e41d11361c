#include "commands.h"

#include "core/base/files.h"
#include "core/delivery/board.h"
#include "core/delivery/delivery_folder.h"
#include "core/delivery/where.h"
#include "core/formats/image/pixels.h"

#include <algorithm>
#include <fmt/format.h>
#include <optional>

namespace wembrix::cli {

namespace {

namespace fs = std::filesystem;
using nlohmann::json;

std::string text_in(const json& object, const char* key) {
    const json value = object.is_object() ? object.value(key, json()) : json();
    return value.is_string() ? value.get<std::string>() : std::string();
}

/// Whether a file of that stamp can be the job's: by the variant's id, else by name.
bool is_of(const json& stamp, const Job& job) {
    const std::string id = text_in(stamp.value("variant", json()), "id");
    return id.empty() || job.origin.variant_id.empty() ? text_in(stamp, "job") == job.name
                                                       : id == job.origin.variant_id;
}

struct InJob {
    fs::path job;
    bool is_current = false;
    std::string reason; ///< why it is stale
};

/// What a job would make of that file now; nothing where it is not of this job.
std::optional<InJob> look_in_job(const fs::path& file, const json& stamp) {
    const Result<Job> job = read_job(file);
    if (!job || !is_of(stamp, *job)) {
        return std::nullopt;
    }
    InJob found{file, false, ""};
    const Result<Opened> opened = open_and_replay(file.string());
    if (!opened) {
        found.reason = opened.problem().sentence();
        return found;
    }
    const auto destination =
        std::find_if(opened->job.destinations.begin(), opened->job.destinations.end(),
                     [&](const Destination& one) { return one.name == text_in(stamp, "destination"); });
    if (destination == opened->job.destinations.end()) {
        found.reason = fmt::format("the job has no destination “{}” any more", text_in(stamp, "destination"));
        return found;
    }
    const fs::path folder = delivery_folder(opened->folder, opened->job.deliveries, *destination);
    const auto plan = plan_deliverables(opened->replay.prepared(), *destination,
                                        {opened->job.name, opened->job.origin.variant}, folder);
    if (!plan) {
        found.reason = plan.problem().sentence();
        return found;
    }
    const auto deliverable = std::find_if(
        plan->begin(), plan->end(), [&](const Deliverable& one) { return one.id() == text_in(stamp, "deliverable"); });
    if (deliverable == plan->end()) {
        found.reason = fmt::format("the job has no {} to deliver any more", text_in(stamp, "deliverable"));
        return found;
    }
    found.is_current = deliverable->content == text_in(stamp, "content");
    if (!found.is_current) {
        const MadeFrom now = opened->sources.made_from(opened->job);
        found.reason = now.card == text_in(stamp, "card") ? "its sources or the destination changed since"
                                                          : "the route card changed since";
    }
    return found;
}

std::vector<InJob> look_in_jobs(const std::string& folder, const json& stamp) {
    std::vector<fs::path> files;
    std::error_code error;
    if (fs::is_regular_file(folder, error)) {
        files.emplace_back(folder);
    }
    for (fs::recursive_directory_iterator entry(folder, fs::directory_options::skip_permission_denied, error), end;
         !error && entry != end; entry.increment(error)) {
        if (entry->path().extension() == ".wembrix" && entry->is_regular_file(error)) {
            files.push_back(entry->path());
        }
    }
    std::sort(files.begin(), files.end());
    std::vector<InJob> found;
    for (const fs::path& file : files) {
        if (std::optional<InJob> one = look_in_job(file, stamp)) {
            found.push_back(std::move(*one));
        }
    }
    return found;
}

void say(const Whereabouts& of) {
    const json& stamp = of.stamp;
    const json family = stamp.value("family", json());
    const json variant = stamp.value("variant", json());
    fmt::print("{} of {}, version {}, for {}\n", text_in(stamp, "deliverable"), text_in(stamp, "job"),
               stamp.value("number", json("?")).dump(), text_in(stamp, "destination"));
    if (family.is_object()) {
        fmt::print("  family   {}  {}\n", text_in(family, "id"), text_in(family, "name"));
        fmt::print("  variant  {}  {}\n", text_in(variant, "id"), text_in(variant, "name"));
    }
    if (!text_in(stamp, "replaces").empty()) {
        fmt::print("  replaces the file of hash {}\n", text_in(stamp, "replaces"));
    }
    fmt::print("  said by {}\n",
               of.from_file ? "the file itself" : "the manifest " + (of.delivery / "delivery.json").string());
    if (const std::string state = state_in_delivery(of); !state.empty()) {
        fmt::print("  in {}: {}\n", of.delivery.string(), state);
    }
}

} // namespace

int where(const WhereOptions& options) {
    const Result<Whereabouts> of = whereabouts_of(options.file);
    if (!of) {
        return refuse(of.problem());
    }
    std::vector<InJob> jobs;
    if (!options.jobs.empty()) {
        jobs = look_in_jobs(options.jobs, of->stamp);
    }
    const bool changed = of->delivered && !of->is_as_delivered;
    const bool is_stale =
        changed || std::any_of(jobs.begin(), jobs.end(), [](const InJob& one) { return !one.is_current; });
    if (options.json) {
        json rows = json::array();
        for (const InJob& one : jobs) {
            rows.push_back({{"job", one.job.string()}, {"current", one.is_current}, {"reason", one.reason}});
        }
        json said = of->stamp;
        said["said_by"] = of->from_file ? "file" : "manifest";
        said["delivery"] = of->delivery.string();
        said["in_delivery"] = state_in_delivery(*of);
        said["jobs"] = rows;
        said["stale"] = is_stale;
        fmt::print("{}\n", said.dump(2));
    } else {
        say(*of);
        for (const InJob& one : jobs) {
            fmt::print("  job {}: {}\n", one.job.string(),
                       one.is_current ? "what it would make now" : "stale: " + one.reason);
        }
        if (!options.jobs.empty() && jobs.empty()) {
            fmt::print("  no job in {} makes it\n", options.jobs);
        }
    }
    return is_stale ? held : all_well;
}

int variant(const VariantOptions& options) {
    Result<Job> job = read_job(options.job);
    if (!job) {
        return refuse(job.problem());
    }
    const std::string source = options.job;
    if (options.to.empty() && options.name.empty() && options.family.empty() && !options.license && !options.credits) {
        const Origin& origin = job->origin;
        const std::string none = "none yet: give it a name, and it gets one";
        fmt::print("family   {}  {}\nvariant  {}  {}\n", origin.family_id.empty() ? none : origin.family_id,
                   origin.family, origin.variant_id.empty() ? none : origin.variant_id, origin.variant);
        for (const auto& [what, text] :
             {std::pair("license", &origin.license), std::pair("credits", &origin.credits)}) {
            if (!text->empty()) {
                fmt::print("{}  {}\n", what, *text);
            }
        }
        return all_well;
    }
    const fs::path to = options.to.empty() ? fs::path(source) : fs::path(options.to);
    std::error_code error;
    if (!options.to.empty() && fs::exists(to, error)) {
        return refuse({"is there already.", options.to, "Name another file."});
    }
    if (!options.to.empty() && fs::absolute(to).parent_path() != fs::absolute(source).parent_path()) {
        return refuse(
            {"is in another folder: the job's sources count from its own.", options.to, "Name a file beside the job."});
    }
    Job other = options.to.empty() ? *job : new_variant(*job, options.name);
    give_ids(other);
    if (!options.family.empty()) {
        other.origin.family = options.family;
    }
    other.origin.license = options.license.value_or(other.origin.license);
    other.origin.credits = options.credits.value_or(other.origin.credits);
    if (options.to.empty()) {
        if (!options.name.empty()) {
            other.origin.variant = options.name;
        }
    } else {
        other.name = to.stem().string();
    }
    if (!options.to.empty() && job->origin.family_id.empty()) {
        // The first one is of that family from now on, too.
        job->origin = {other.origin.family_id, other.origin.family, new_id(), ""};
        if (const Outcome done = write_job(*job, source); !done) {
            return refuse(done.problem());
        }
    }
    if (const Outcome done = write_job(other, to); !done) {
        return refuse(done.problem());
    }
    fmt::print("{}: family {} “{}”, variant {} “{}”\n", to.string(), other.origin.family_id, other.origin.family,
               other.origin.variant_id, other.origin.variant);
    return all_well;
}

int picture(const PictureOptions& options) {
    Result<Job> job = read_job(options.job);
    if (!job) {
        return refuse(job.problem());
    }
    if (options.deliverable.empty()) {
        for (const auto& [deliverable, file] : job->pictures) {
            fmt::print("{:<28} {}\n", deliverable, file);
        }
        return all_well;
    }
    if (kind_of_deliverable(options.deliverable) == nullptr) {
        return refuse({"is no deliverable.", options.deliverable, "Name one as the board does: model, clip:wade."});
    }
    if (options.file.empty()) {
        job->pictures.erase(options.deliverable);
    } else {
        const fs::path folder = fs::absolute(options.job).parent_path();
        const fs::path file = fs::absolute(options.file).lexically_normal();
        const Result<std::string> bytes = read_file(file);
        if (!bytes) {
            return refuse(bytes.problem());
        }
        if (const Result<Pixels> read = decode_image({reinterpret_cast<const uint8_t*>(bytes->data()), bytes->size()});
            !read) {
            return refuse({read.problem().what, options.file, "Choose a PNG or a JPEG."});
        }
        const fs::path beside = file.lexically_proximate(folder);
        const bool is_below = !beside.empty() && *beside.begin() != "..";
        job->pictures[options.deliverable] = is_below ? beside.generic_string() : file.string();
    }
    if (const Outcome done = write_job(*job, options.job); !done) {
        return refuse(done.problem());
    }
    return all_well;
}

} // namespace wembrix::cli
