#include "core/destination/team_library.h"

#include "core/base/files.h"
#include "core/base/folder_lock.h"
#include "core/base/text.h"

#include <algorithm>

namespace wembrix {

namespace fs = std::filesystem;

namespace {
constexpr std::string_view destination_ending = ".destination.json";

fs::path file_of_team(const fs::path& folder, const std::string& name) {
    return folder / (file_name_safe(name) + std::string(destination_ending));
}

bool say_the_same(const Destination& one, Destination other) {
    other.revision = one.revision;
    return one == other;
}
} // namespace

std::vector<Destination> team_destinations(const fs::path& folder) {
    std::vector<fs::path> files;
    std::error_code error;
    for (fs::directory_iterator entry(folder, error), end; !error && entry != end; entry.increment(error)) {
        std::error_code none;
        if (entry->path().filename().string().ends_with(destination_ending) && entry->is_regular_file(none)) {
            files.push_back(entry->path());
        }
    }
    std::sort(files.begin(), files.end());
    std::vector<Destination> all;
    for (const fs::path& file : files) {
        if (Result<Destination> one = read_destination(file)) {
            all.push_back(one.take());
        }
    }
    return all;
}

std::optional<Destination> newer_in_team(const fs::path& folder, const Destination& destination) {
    Result<Destination> there =
        folder.empty() ? Result<Destination>(Problem{}) : read_destination(file_of_team(folder, destination.name));
    const bool is_newer = there && there->name == destination.name && there->revision > destination.revision &&
                          !say_the_same(*there, destination);
    return is_newer ? std::optional<Destination>(there.take()) : std::nullopt;
}

Outcome save_to_team(const fs::path& folder, Destination& destination, bool over_newer) {
    std::error_code error;
    if (!fs::is_directory(folder, error)) {
        return Problem{"is not there, or cannot be reached.", folder.string(),
                       "Choose the team's folder in the preferences."};
    }
    const Result<FolderLock> lock = FolderLock::wait(folder);
    if (!lock) {
        return lock.problem();
    }
    const fs::path file = file_of_team(folder, destination.name);
    const Result<Destination> there = read_destination(file);
    if (!there && fs::exists(fs::symlink_status(file, error))) {
        return Problem{"is there and is no destination: it stays as it is.", file.string(), "Move it elsewhere."};
    }
    if (there && there->name != destination.name) {
        return Problem{phrase("is the file of “{}”.", there->name), file.string(), "Choose another name."};
    }
    if (there && there->revision > destination.revision && !say_the_same(*there, destination) && !over_newer) {
        return Problem{
            phrase("is newer there: revision {}, and this one comes from {}.", there->revision, destination.revision),
            destination.name, "Compare them, and take it or save over it."};
    }
    if (there && say_the_same(*there, destination)) {
        destination.revision = there->revision;
        return Done{};
    }
    Destination next = destination;
    next.revision = std::max(destination.revision, there ? there->revision : 0) + 1;
    if (Outcome written = write_file_whole(file, destination_to_json(next).dump(2) + "\n"); !written) {
        return written;
    }
    destination.revision = next.revision;
    return Done{};
}

} // namespace wembrix
