#include "core/job/job.h"

#include "core/base/file_sink.h"
#include "core/base/file_version.h"
#include "core/base/files.h"
#include "core/base/json_file.h"
#include "core/base/text.h"
#include "core/delivery/stamp.h"
#include "core/formats/format.h"
#include "core/job/assemble.h"
#include "core/job/job_data.h"
#include "core/measure/clips/same_motions.h"

#include <algorithm>
#include <tuple>

namespace wembrix {

using nlohmann::json;

json job_to_json(const Job& job) {
    json steps = json::array();
    for (const Step& step : job.steps) {
        steps.push_back(step_to_json(step));
    }
    json sources = json::array();
    for (const JobSource& source : job.sources) {
        sources.push_back(job_source_to_json(source));
    }
    json destinations = json::array();
    for (const Destination& destination : job.destinations) {
        destinations.push_back(destination_to_json(destination));
    }
    json to = {{"format", "wembrix job"},     {"version", file_version}, {"name", job.name},
               {"sources", sources},          {"steps", steps},          {"destinations", destinations},
               {"deliveries", job.deliveries}};
    if (!job.origin.family_id.empty()) {
        to["family"] = {{"id", job.origin.family_id}, {"name", job.origin.family}};
        to["variant"] = {{"id", job.origin.variant_id}, {"name", job.origin.variant}};
    }
    for (const auto& [key, text] :
         {std::pair("license", &job.origin.license), std::pair("credits", &job.origin.credits)}) {
        if (!text->empty()) {
            to[key] = *text;
        }
    }
    if (!job.pictures.empty()) {
        to["pictures"] = job.pictures;
    }
    if (!job.source_contents.empty()) {
        to["source_contents"] = job.source_contents;
    }
    for (const auto& [name, pose] : job.poses) {
        to["poses"][name] = pose_to_json(pose);
    }
    return to;
}

namespace {
void job_from_1(json& job) {
    // Steps, destinations and contracts bring themselves up to date.
    if (const auto poses = job.find("poses"); poses != job.end() && poses->is_object()) {
        for (json& pose : *poses) {
            rename_key_in_each(pose, "place_m", "translation_m");
            rename_key_in_each(pose, "turn_xyzw", "rotation_xyzw");
        }
    }
}
} // namespace

namespace {
/// What is wrong with the job's ids, or nothing.
Text read_origin(const json& from, Origin& origin) {
    const bool has_family = from.contains("family");
    if (!has_family && !from.contains("variant")) {
        return "";
    }
    for (const auto& [key, id, name] : {std::tuple("family", &origin.family_id, &origin.family),
                                        std::tuple("variant", &origin.variant_id, &origin.variant)}) {
        const json one = from.value(key, json());
        if (!one.is_object() || !one.value("id", json()).is_string() || !is_id(one["id"].get<std::string>())) {
            return phrase("\"{}\" has no id.", key);
        }
        *id = one["id"].get<std::string>();
        *name = one.value("name", json()).is_string() ? one["name"].get<std::string>() : std::string();
    }
    return "";
}
} // namespace

Result<Job> job_from_json(const json& given, const std::string& where) {
    json from = given;
    if (!from.is_object() || from.value("format", json()) != "wembrix job") {
        return Problem{"is not a Wembrix job.", where, ""};
    }
    if (Outcome done = bring_up_to_date(from, where, job_from_1); !done) {
        return done.problem();
    }
    Job job;
    auto text = [&](const char* key, std::string& value) {
        if (from.contains(key) && from[key].is_string()) {
            value = from[key].get<std::string>();
        }
    };
    text("name", job.name);
    text("deliveries", job.deliveries);
    text("license", job.origin.license);
    text("credits", job.origin.credits);
    if (const std::string wrong = read_origin(from, job.origin); !wrong.empty()) {
        return Problem{wrong, where, "An id is 32 of the digits 0 to 9 and a to f."};
    }
    const std::filesystem::path deliveries = std::filesystem::path(job.deliveries).lexically_normal();
    if (deliveries.is_relative() && !deliveries.empty() && *deliveries.begin() == "..") {
        return Problem{"delivers into a folder outside its own.", where,
                       "Give a folder below the job's, or the whole path of another one."};
    }
    if (from.contains("sources") && from["sources"].is_array()) {
        for (const json& source : from["sources"]) {
            Result<JobSource> read = job_source_from_json(source, where);
            if (!read) {
                return read.problem();
            }
            job.sources.push_back(read.take());
        }
    }
    for (const auto& [key, map] :
         {std::pair("source_contents", &job.source_contents), std::pair("pictures", &job.pictures)}) {
        if (const auto rows = from.find(key); rows != from.end() && rows->is_object()) {
            for (const auto& [name, value] : rows->items()) {
                if (value.is_string()) {
                    (*map)[name] = value.get<std::string>();
                }
            }
        }
    }
    Result<std::vector<Step>> steps = card_from_json(from, where);
    if (!steps) {
        return steps.problem();
    }
    job.steps = steps.take();
    if (from.contains("destinations") && from["destinations"].is_array()) {
        for (const json& row : from["destinations"]) {
            Result<Destination> destination = destination_from_json(row, where);
            if (!destination) {
                return destination.problem();
            }
            for (const Destination& other : job.destinations) {
                if (other.name == destination->name) {
                    return Problem{phrase("has two destinations \"{}\".", other.name), where, ""};
                }
            }
            job.destinations.push_back(destination.take());
        }
    }
    if (from.contains("poses") && from["poses"].is_object()) {
        for (const auto& [name, pose] : from["poses"].items()) {
            Result<StoredPose> read = pose_from_json(pose);
            if (!read) {
                return Problem{read.problem().what, where + ", pose \"" + name.substr(0, 60) + "\"", ""};
            }
            job.poses[name] = read.take();
        }
    }
    return job;
}

Result<Job> read_job(const std::filesystem::path& file) {
    const Result<nlohmann::json> parsed = read_json_file(file);
    if (!parsed) {
        return parsed.problem();
    }
    Result<Job> job = job_from_json(*parsed, file.string());
    if (job) {
        read_data(job->steps, data_folder(file));
    }
    return job;
}

Outcome write_job(const Job& job, const std::filesystem::path& file) {
    // A job that is there never names an array that is not: they come first, and go last.
    if (Outcome done = write_data(job.steps, data_folder(file)); !done) {
        return done;
    }
    if (Outcome done = replace_file(file, job_to_json(job).dump(2) + "\n"); !done) {
        return done;
    }
    collect_data(job.steps, data_folder(file));
    return Done{};
}

Job new_job(const std::vector<std::filesystem::path>& sources) {
    Job job;
    for (const std::filesystem::path& source : sources) {
        job.sources.emplace_back(source.string());
    }
    if (!sources.empty()) {
        job.name = sources.front().stem().string();
    }
    job.destinations = built_in_destinations();
    give_ids(job);
    return job;
}

Job job_like(const Job& like, const std::vector<std::filesystem::path>& sources) {
    Job job = new_job(sources);
    job.steps = like.steps;
    std::erase_if(job.steps, [](const Step& step) { return step.id == "bring_takes"; });
    job.destinations = like.destinations;
    job.poses = like.poses;
    job.deliveries = like.deliveries;
    job.origin.license = like.origin.license;
    job.origin.credits = like.origin.credits;
    return job;
}

void give_ids(Job& job) {
    if (job.origin.family_id.empty()) {
        job.origin.family_id = new_id();
        job.origin.family = job.name;
    }
    if (job.origin.variant_id.empty()) {
        job.origin.variant_id = new_id();
    }
}

Job new_variant(const Job& job, const std::string& name) {
    Job other = job;
    give_ids(other);
    other.origin.variant_id = new_id();
    other.origin.variant = name;
    return other;
}

std::vector<Step> first_steps(const Scene& received) {
    json kinds = json::array();
    auto any = [&](NodeKind kind) {
        return std::any_of(received.nodes.begin(), received.nodes.end(),
                           [&](const Node& node) { return node.kind == kind; });
    };
    for (const NodeKind kind : {NodeKind::camera, NodeKind::light, NodeKind::empty}) {
        if (any(kind)) {
            kinds.push_back(kind_name(kind));
        }
    }
    // Beside a skinned character, surfaces that no joint moves are the set it was made on.
    json names = json::array();
    const bool character =
        std::any_of(received.nodes.begin(), received.nodes.end(), [](const Node& node) { return node.skin >= 0; });
    for (const Node& node : received.nodes) {
        bool under_joint = false;
        for (int at = node.parent; at >= 0; at = received.nodes[at].parent) {
            under_joint = under_joint || received.nodes[at].kind == NodeKind::joint;
        }
        if (character && node.kind == NodeKind::surface && node.skin < 0 && !under_joint) {
            names.push_back(node.name);
        }
    }
    // The same motion once more, whatever it is called: it goes out once unless somebody asks for it.
    for (const SameMotion& same : same_motions(received)) {
        names.push_back(received.clips[same.part].name);
    }
    if (kinds.empty() && names.empty()) {
        return {};
    }
    Step step{"leave_behind"};
    if (!kinds.empty()) {
        step.parameters["kinds"] = kinds;
    }
    if (!names.empty()) {
        step.parameters["names"] = names;
    }
    return {step};
}

std::string hash_of_source(const std::string& bytes, const Scene& scene) {
    std::string hashes = hash_of(bytes);
    for (const std::filesystem::path& beside : scene.beside) {
        const Result<std::string> other = read_file(beside);
        hashes += other ? hash_of(*other) : "";
    }
    return scene.beside.empty() ? hashes : hash_of(hashes);
}

std::filesystem::path path_of_source(const JobSource& source, const std::filesystem::path& folder) {
    const std::filesystem::path path(source.path);
    return path.is_absolute() ? path : folder / path;
}

namespace {

struct ReadSource {
    LoadedSources::Source row;
    std::string hash;
    Scene scene;
};

Result<ReadSource> read_source(const std::filesystem::path& path, size_t place) {
    Result<std::string> bytes = read_file(path);
    if (!bytes) {
        return bytes.problem();
    }
    Result<Scene> scene = read_scene(path);
    if (scene) {
        take_stamp(*scene); // of a file that was delivered once: what is made of it is another
    }
    if (!scene) {
        return scene.problem();
    }
    ReadSource source;
    source.row.bytes = bytes->size();
    for (const Node& node : scene->nodes) {
        source.row.identities.push_back(node.identity + identities_from(place));
    }
    for (const Clip& clip : scene->clips) {
        source.row.takes.push_back(clip.name);
    }
    source.row.files = {path};
    source.row.files.insert(source.row.files.end(), scene->beside.begin(), scene->beside.end());
    source.hash = hash_of_source(*bytes, *scene);
    source.scene = scene.take();
    return source;
}

} // namespace

Result<LoadedSources> load_sources(const std::vector<JobSource>& sources, const std::filesystem::path& folder,
                                   const std::vector<Step>& steps) {
    if (sources.empty()) {
        return Problem{"has no sources.", "job", what_is_read()};
    }
    LoadedSources loaded;
    loaded.folder = folder;
    std::vector<NamedScene> scenes;
    std::optional<Problem> first_problem;
    bool any = false;
    for (const JobSource& source : sources) {
        const std::filesystem::path path = path_of_source(source, folder);
        Result<ReadSource> read = read_source(path, scenes.size());
        ReadSource one;
        if (read) {
            one = read.take();
        } else {
            one.row.problem = read.problem().sentence();
            one.row.files = {path}; // so that it is seen when it comes back
            first_problem = first_problem ? first_problem : read.problem();
        }
        any = any || one.row.problem.empty();
        one.row.name = path.filename().string();
        // What a person said of it makes other files, too.
        loaded.hashes.push_back(
            source == JobSource(source.path) ? one.hash : hash_of(one.hash + job_source_to_json(source).dump()));
        loaded.sources.push_back(std::move(one.row));
        scenes.push_back({path.filename().string(), std::move(one.scene)});
    }
    if (!any) {
        return *first_problem;
    }
    loaded.scenes = std::make_shared<const std::vector<NamedScene>>(scenes); // arrays are shared with what follows
    Scene received;
    bool has_base = false;
    std::optional<std::multimap<int64_t, std::string>> names;
    for (size_t s = 0; s < scenes.size(); ++s) {
        LoadedSources::Source& row = loaded.sources[s];
        if (!row.problem.empty()) {
            SourceFit fit;
            fit.source = row.name;
            fit.problem = row.problem;
            received.fits.push_back(std::move(fit));
            continue;
        }
        if (!has_base) {
            std::vector<SourceFit> fits = std::move(received.fits);
            received = scenes[s].scene;
            for (Node& node : received.nodes) {
                node.identity += identities_from(s);
            }
            for (Clip& clip : received.clips) {
                clip.take += identities_from(s);
            }
            received.fits = std::move(fits);
            has_base = true;
            continue;
        }
        AssemblyOptions options{sources[s].role, sources[s].rest, {}};
        if (!steps.empty() && !scenes[s].scene.clips.empty() && !shares_skeleton(received, scenes[s].scene)) {
            names = names ? names : prepared_names(received, steps);
            options.prepared_names = *names;
            loaded.follows_card = loaded.follows_card || !names->empty();
        }
        row.brought = add_source(received, std::move(scenes[s]), s, options);
        row.role = received.fits.back().role;
    }
    loaded.received = std::make_shared<const Scene>(std::move(received));
    return loaded;
}

MadeFrom LoadedSources::made_from(const Job& job) const {
    std::vector<std::string> names;
    for (const Source& source : sources) {
        names.push_back(source.name);
    }
    MadeFrom from = wembrix::made_from(names, hashes, job.steps);
    from.origin = job.origin;
    for (const auto& [deliverable, file] : job.pictures) {
        const std::filesystem::path path = folder / file;
        const Result<std::string> hash = hash_of_file(path);
        from.pictures.push_back({deliverable, path.string(), hash ? *hash : std::string()});
    }
    return from;
}

} // namespace wembrix
