#include "commands.h"

#include "core/base/counted.h"
#include "core/job/job_sources.h"

#include <algorithm>
#include <fmt/format.h>
#include <optional>

namespace wembrix::cli {

namespace {

namespace fs = std::filesystem;

/// "NAME=VALUE" taken apart.
std::optional<std::pair<std::string, std::string>> assignment(const std::string& text) {
    const size_t at = text.rfind('=');
    return at == std::string::npos ? std::nullopt : std::optional(std::pair(text.substr(0, at), text.substr(at + 1)));
}

Problem no_source(const SourcesOptions& options, const std::string& name) {
    return {fmt::format("has no one source \"{}\".", name), options.job,
            "Give its path as the job has it, its file's name, or its number in the list."};
}

nlohmann::json change_json(const SourceChange& change) {
    return {{"changes", change.changes}, {"steps", change.steps}};
}

void print_change(const SourceChange& change) {
    for (const std::string& line : change.changes) {
        fmt::print("  {}\n", line);
    }
    for (const std::string& line : change.steps) {
        fmt::print("  {}\n", line);
    }
    if (change.changes.empty() && change.steps.empty()) {
        fmt::print("  nothing changes\n");
    }
}

/// What the options ask for, done to the job.
Outcome edit(const SourcesOptions& options, Job& job, const fs::path& folder, std::vector<std::string>& said) {
    if (options.relink || !options.look_in.empty()) {
        const std::vector<FoundAgain> found =
            find_again(job, folder, std::vector<fs::path>(options.look_in.begin(), options.look_in.end()));
        for (const FoundAgain& one : found) {
            said.push_back(fmt::format("{} found {} at {}", job.sources[one.source].path,
                                       one.by_content ? "by its content" : "by its name", one.path.string()));
            relink(job, one.source, one.path);
        }
    }
    if (!options.replace.empty()) {
        const int source = find_source(job, options.replace[0]);
        if (source < 0) {
            return no_source(options, options.replace[0]);
        }
        said.push_back(
            fmt::format("{} replaced by {}", job.sources[static_cast<size_t>(source)].path, options.replace[1]));
        relink(job, static_cast<size_t>(source), fs::absolute(options.replace[1]));
    }
    for (const std::string& file : options.add) {
        job.sources.emplace_back(fs::absolute(file).string());
        said.push_back(fmt::format("{} added", file));
    }
    for (const std::string& name : options.remove) {
        const int source = find_source(job, name);
        if (source < 0) {
            return no_source(options, name);
        }
        said.push_back(fmt::format("{} removed", job.sources[static_cast<size_t>(source)].path));
        job.sources.erase(job.sources.begin() + source);
    }
    for (const std::string& text : options.as) {
        const auto given = assignment(text);
        const int source = given ? find_source(job, given->first) : -1;
        if (source < 0) {
            return no_source(options, text);
        }
        const auto* role = std::find_if(std::begin(source_roles), std::end(source_roles),
                                        [&](SourceRole one) { return role_name(one) == given->second; });
        if (role == std::end(source_roles)) {
            return Problem{fmt::format("\"{}\" is nothing that a source can be.", given->second), options.job,
                           "It is automatic, model, part, take, shapes, strands or prop."};
        }
        job.sources[static_cast<size_t>(source)].role = *role;
        said.push_back(
            fmt::format("{} is taken as {}", job.sources[static_cast<size_t>(source)].path, role_label(*role)));
    }
    for (const std::string& text : options.rest) {
        const auto given = assignment(text);
        const int source = given ? find_source(job, given->first) : -1;
        if (source < 0) {
            return no_source(options, text);
        }
        if (given->second != "first" && given->second != "part" && given->second != "ask") {
            return Problem{fmt::format("\"{}\" is no rest pose.", given->second), options.job,
                           "It is first, part or ask."};
        }
        job.sources[static_cast<size_t>(source)].rest = given->second == "first"  ? RestOf::first
                                                        : given->second == "part" ? RestOf::part
                                                                                  : RestOf::nobody_said;
        said.push_back(fmt::format("the rest pose of {} is settled: {}", job.sources[static_cast<size_t>(source)].path,
                                   given->second));
    }
    return Done{};
}

} // namespace

int sources(const SourcesOptions& options) {
    const fs::path file(options.job);
    Result<Job> read = read_job(file);
    if (!read) {
        return refuse(read.problem());
    }
    const Job before = *read;
    Job job = read.take();
    const fs::path folder = file.parent_path();
    std::vector<std::string> said;
    if (Outcome done = edit(options, job, folder, said); !done) {
        return refuse(done.problem());
    }
    const Result<LoadedSources> loaded = load_sources(job.sources, folder, job.steps);
    std::optional<SourceChange> change;
    if (loaded && !(job.sources == before.sources)) {
        if (const Result<LoadedSources> was = load_sources(before.sources, folder, before.steps)) {
            change = compare_sources(*was, *loaded, job.steps);
        }
    }
    if (!options.dry_run && !(job == before)) {
        if (!loaded) {
            return refuse(loaded.problem()); // a job that nothing of can be read is not written
        }
        const fs::path absolute = fs::absolute(file).lexically_normal().parent_path();
        rebase_paths(job, absolute, absolute);
        note_contents(job, folder);
        if (Outcome written = write_job(job, file); !written) {
            return refuse(written.problem());
        }
    }
    int code = loaded ? all_well : held;
    nlohmann::json rows = nlohmann::json::array();
    for (size_t s = 0; s < job.sources.size(); ++s) {
        const LoadedSources::Source* row = loaded ? &loaded->sources[s] : nullptr;
        const std::string problem = row != nullptr ? row->problem : loaded.problem().sentence();
        code = problem.empty() ? code : held;
        rows.push_back(
            {{"number", s + 1},
             {"file", job.sources[s].path},
             {"taken_as", row != nullptr && problem.empty() ? nlohmann::json(role_name(row->role)) : nlohmann::json()},
             {"said", role_name(job.sources[s].role)},
             {"problem", problem.empty() ? nlohmann::json() : nlohmann::json(problem)},
             {"takes", row != nullptr ? nlohmann::json(row->takes) : nlohmann::json::array()}});
        if (!options.json) {
            fmt::print("{:>3}  {:<32} {}\n", s + 1, job.sources[s].path,
                       problem.empty()
                           ? fmt::format("{}{}", role_label(row->role),
                                         job.sources[s].role == SourceRole::automatic ? "" : ", as was said")
                           : problem);
        }
    }
    if (options.json) {
        nlohmann::json json = {{"job", job.name}, {"sources", rows}, {"done", said}};
        if (change) {
            json["change"] = change_json(*change);
        }
        fmt::print("{}\n", json.dump(2));
        return code;
    }
    for (const std::string& line : said) {
        fmt::print("{}{}\n", line, options.dry_run ? " (not written)" : "");
    }
    if (change) {
        print_change(*change);
    }
    return code;
}

} // namespace wembrix::cli
