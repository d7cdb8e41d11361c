#include "core/job/job_sources.h"

#include "core/base/files.h"
#include "core/base/text.h"
#include "core/formats/format.h"
#include "core/job/replay.h"
#include "core/job/source_changes.h"

#include <algorithm>
#include <map>
#include <set>

namespace wembrix {

namespace fs = std::filesystem;

int find_source(const Job& job, const std::string& name) {
    int found = -1;
    for (size_t s = 0; s < job.sources.size(); ++s) {
        const fs::path path(job.sources[s].path);
        if (job.sources[s].path == name || std::to_string(s + 1) == name) {
            return static_cast<int>(s);
        }
        if (path.filename() == name) {
            if (found >= 0) {
                return -1;
            }
            found = static_cast<int>(s);
        }
    }
    return found;
}

namespace {

constexpr size_t most_files = 20000;

/// Every file below the folders that a format reads.
std::vector<fs::path> readable_below(const std::set<fs::path>& folders, const std::function<bool()>& stop) {
    std::vector<fs::path> files;
    std::error_code error;
    for (const fs::path& folder : folders) {
        for (fs::recursive_directory_iterator entry(folder, fs::directory_options::skip_permission_denied, error), end;
             !error && entry != end && files.size() < most_files; entry.increment(error)) {
            if (stop && stop()) {
                return files;
            }
            const bool hidden = entry->path().filename().string().front() == '.';
            if (entry->is_directory(error) && hidden) {
                entry.disable_recursion_pending();
            } else if (!hidden && format_of_file(entry->path()) != nullptr) {
                files.push_back(entry->path());
            }
        }
    }
    return files;
}

} // namespace

std::vector<FoundAgain> find_again(const Job& job, const fs::path& folder, const std::vector<fs::path>& folders,
                                   const std::function<bool()>& stop) {
    std::set<fs::path> where;
    for (const fs::path& one : folders) {
        where.insert(fs::absolute(one).lexically_normal());
    }
    std::vector<size_t> gone;
    std::error_code error;
    for (size_t s = 0; s < job.sources.size(); ++s) {
        const fs::path path = path_of_source(job.sources[s], folder);
        if (fs::exists(path, error)) {
            where.insert(fs::absolute(path).parent_path().lexically_normal());
        } else {
            gone.push_back(s);
        }
    }
    if (!folder.empty()) {
        where.insert(fs::absolute(folder).lexically_normal());
    }
    if (gone.empty()) {
        return {};
    }
    const std::vector<fs::path> files = readable_below(where, stop);
    std::map<std::string, fs::path> by_content;
    std::vector<FoundAgain> found;
    for (const size_t s : gone) {
        const fs::path name = fs::path(job.sources[s].path).filename();
        const auto content = job.source_contents.find(job.sources[s].path);
        const auto has_content = [&](const fs::path& file) {
            const Result<std::string> bytes = read_file(file);
            return bytes && hash_of(*bytes) == content->second;
        };
        const fs::path* by_name = nullptr;
        const fs::path* same = nullptr;
        for (const fs::path& file : files) {
            if (stop && stop()) {
                return found;
            }
            if (file.filename() == name) {
                const bool surely = content != job.source_contents.end() && has_content(file);
                by_name = by_name == nullptr || surely ? &file : by_name;
            }
        }
        for (const fs::path& file :
             by_name == nullptr && content != job.source_contents.end() ? files : std::vector<fs::path>()) {
            if (same == nullptr && !(stop && stop()) && has_content(file)) {
                same = &*std::find(files.begin(), files.end(), file);
            }
        }
        if (by_name != nullptr || same != nullptr) {
            found.push_back({s, by_name != nullptr ? *by_name : *same, by_name == nullptr});
        }
    }
    return found;
}

void relink(Job& job, size_t source, const fs::path& path) {
    job.source_contents.erase(job.sources[source].path);
    job.sources[source].path = path.string();
}

std::string path_from(const std::string& path, const fs::path& from, const fs::path& to) {
    if (from == to && fs::path(path).is_relative()) {
        return path;
    }
    const fs::path absolute = (from / path).lexically_normal();
    const fs::path beside = absolute.lexically_relative(to);
    const bool is_below = !beside.empty() && *beside.begin() != "..";
    return is_below ? beside.string() : absolute.string();
}

void rebase_paths(Job& job, const fs::path& from, const fs::path& to) {
    for (JobSource& source : job.sources) {
        source.path = path_from(source.path, from, to);
    }
    std::map<std::string, std::string> contents;
    for (const auto& [path, content] : job.source_contents) {
        contents[path_from(path, from, to)] = content;
    }
    job.source_contents = std::move(contents);
    for (auto& [deliverable, path] : job.pictures) {
        path = path_from(path, from, to);
    }
}

void note_contents(Job& job, const fs::path& folder) {
    std::map<std::string, std::string> contents;
    for (const JobSource& source : job.sources) {
        const Result<std::string> bytes = read_file(path_of_source(source, folder));
        const auto before = job.source_contents.find(source.path);
        if (bytes) {
            contents[source.path] = hash_of(*bytes);
        } else if (before != job.source_contents.end()) {
            contents.insert(*before);
        }
    }
    job.source_contents = std::move(contents);
}

SourceChange compare_sources(const LoadedSources& before, const LoadedSources& after, const std::vector<Step>& steps) {
    SourceChange change;
    change.changes = describe_changes(*before.received, *after.received);
    const Replay was = replay(before, steps);
    const Replay is = replay(after, steps);
    for (size_t s = 0; s < steps.size(); ++s) {
        const StepOutcome& now = is.outcomes[s];
        const StepOutcome& then = was.outcomes[s];
        if (now.problem && !then.problem) {
            change.steps.push_back(
                phrase("step {} ({}) no longer fits: {}", s + 1, steps[s].id, now.problem->sentence()));
        }
        for (const std::string& what : now.could_not) {
            if (std::find(then.could_not.begin(), then.could_not.end(), what) == then.could_not.end()) {
                change.steps.push_back(phrase("step {} ({}) cannot do all: {}", s + 1, steps[s].id, what));
            }
        }
    }
    return change;
}

Result<SourceChange> compare_sources(const Job& before, const Job& after, const fs::path& folder) {
    const Result<LoadedSources> was = load_sources(before.sources, folder, before.steps);
    if (!was) {
        return was.problem();
    }
    const Result<LoadedSources> is = load_sources(after.sources, folder, after.steps);
    if (!is) {
        return is.problem();
    }
    return compare_sources(*was, *is, after.steps);
}

} // namespace wembrix
