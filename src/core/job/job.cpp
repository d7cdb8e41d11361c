#include "core/job/job.h"

#include "core/base/file_version.h"
#include "core/base/files.h"
#include "core/base/json_file.h"
#include "core/formats/format.h"
#include "core/job/assemble.h"

#include <algorithm>
#include <fmt/format.h>

namespace wembrix {

using nlohmann::json;

json job_to_json(const Job& job) {
    json steps = json::array();
    for (const Step& step : job.steps) {
        steps.push_back(step_to_json(step));
    }
    json destinations = json::array();
    for (const Destination& destination : job.destinations) {
        destinations.push_back(destination_to_json(destination));
    }
    json to = {{"format", "wembrix job"},     {"version", file_version}, {"name", job.name},
               {"sources", job.sources},      {"steps", steps},          {"destinations", destinations},
               {"deliveries", job.deliveries}};
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
    const std::filesystem::path deliveries = std::filesystem::path(job.deliveries).lexically_normal();
    if (deliveries.is_relative() && !deliveries.empty() && *deliveries.begin() == "..") {
        return Problem{"delivers into a folder outside its own.", where,
                       "Give a folder below the job's, or the whole path of another one."};
    }
    if (from.contains("sources") && from["sources"].is_array()) {
        for (const json& source : from["sources"]) {
            if (!source.is_string()) {
                return Problem{"has a source that is not a path.", where, ""};
            }
            job.sources.push_back(source.get<std::string>());
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
                    return Problem{fmt::format("has two destinations \"{}\".", other.name), where, ""};
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
    return job_from_json(*parsed, file.string());
}

Outcome write_job(const Job& job, const std::filesystem::path& file) {
    return replace_file(file, job_to_json(job).dump(2) + "\n");
}

Job new_job(const std::vector<std::filesystem::path>& sources) {
    Job job;
    for (const std::filesystem::path& source : sources) {
        job.sources.push_back(source.string());
    }
    if (!sources.empty()) {
        job.name = sources.front().stem().string();
    }
    job.destinations = built_in_destinations();
    return job;
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

Result<LoadedSources> load_sources(const std::vector<std::string>& sources, const std::filesystem::path& folder) {
    if (sources.empty()) {
        return Problem{"has no sources.", "job", what_is_read()};
    }
    LoadedSources loaded;
    std::vector<NamedScene> scenes;
    for (const std::string& source : sources) {
        const std::filesystem::path path =
            std::filesystem::path(source).is_absolute() ? std::filesystem::path(source) : folder / source;
        Result<std::string> bytes = read_file(path);
        if (!bytes) {
            return bytes.problem();
        }
        Result<Scene> scene = read_scene(path);
        if (!scene) {
            return scene.problem();
        }
        LoadedSources::Source row;
        row.name = path.filename().string();
        row.bytes = bytes->size();
        const int64_t identity = identities_from(scenes.size());
        for (const Node& node : scene->nodes) {
            row.identities.push_back(node.identity + identity);
        }
        for (const Clip& clip : scene->clips) {
            row.takes.push_back(clip.name);
        }
        row.files = {path};
        row.files.insert(row.files.end(), scene->beside.begin(), scene->beside.end());
        loaded.hashes.push_back(hash_of_source(*bytes, *scene));
        loaded.sources.push_back(std::move(row));
        scenes.push_back({path.filename().string(), scene.take()});
    }
    loaded.scenes = std::make_shared<const std::vector<NamedScene>>(scenes); // arrays are shared with what follows
    Scene received = std::move(scenes.front().scene);
    for (size_t s = 1; s < scenes.size(); ++s) {
        loaded.sources[s].brought = add_source(received, std::move(scenes[s]), s);
    }
    loaded.received = std::make_shared<const Scene>(std::move(received));
    return loaded;
}

MadeFrom LoadedSources::made_from(const std::vector<Step>& steps) const {
    std::vector<std::string> names;
    for (const Source& source : sources) {
        names.push_back(source.name);
    }
    return wembrix::made_from(names, hashes, steps);
}

} // namespace wembrix
