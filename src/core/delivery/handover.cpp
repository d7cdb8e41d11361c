#include "core/delivery/handover.h"

#include "core/base/files.h"
#include "core/base/text.h"
#include "core/delivery/manifest.h"
#include "core/delivery/stamp.h"
#include "core/destination/conform.h"
#include "core/destination/file_space.h"
#include "core/formats/format.h"

#include <charconv>
#include <csignal>
#include <cstdlib>
#include <string_view>
#include <tuple>
#include <unistd.h>

namespace wembrix {

namespace fs = std::filesystem;

namespace {

constexpr std::string_view prefix = ".wembrix-";
constexpr const char* held_file = "held"; // in each staging folder, locked as long as its process lives

/// The process that an older version's folder or a half manifest is named for, or 0.
pid_t process_named(std::string_view name) {
    constexpr std::string_view manifest = "delivery.json.";
    constexpr std::string_view part = ".part";
    if (name.starts_with(prefix)) {
        name.remove_prefix(prefix.size());
    } else if (name.starts_with(manifest) && name.ends_with(part)) {
        name.remove_prefix(manifest.size());
        name = name.substr(0, name.find_first_of(".-"));
    } else {
        return 0;
    }
    int number = 0;
    const auto [end, error] = std::from_chars(name.data(), name.data() + name.size(), number);
    return error == std::errc() && end == name.data() + name.size() ? number : 0;
}

bool is_of_the_dead(const fs::directory_entry& entry) {
    const std::string name = entry.path().filename().string();
    std::error_code error;
    if (const pid_t process = process_named(name); process > 0) {
        return ::kill(process, 0) != 0 && errno == ESRCH;
    }
    if (!name.starts_with(prefix) || !fs::is_directory(entry.symlink_status(error))) {
        return false;
    }
    return Lease::is_over(entry.path() / held_file);
}

/// Takes away what an earlier run that was killed left behind. The folder is locked: nobody is just making a staging
/// folder or writing a manifest there.
void sweep(const fs::path& folder) {
    std::error_code error;
    std::vector<fs::path> left;
    for (fs::directory_iterator entry(folder, error), end; !error && entry != end; entry.increment(error)) {
        if (is_of_the_dead(*entry)) {
            left.push_back(entry->path());
        }
    }
    for (const fs::path& path : left) {
        fs::remove_all(path, error);
    }
}

/// What a run that was killed had coming, too. The folder is locked: no run is between its two manifests.
void forget_coming(const fs::path& folder) {
    for (const nlohmann::json& one : read_manifests(folder)) {
        const nlohmann::json old = read_manifest(folder, owner_of(one));
        nlohmann::json now = old;
        drop_coming(now);
        if (now != old) {
            std::ignore = settle_manifest(old, now, folder); // else it stands there for the next run
        }
    }
}

} // namespace

StagingFolder::StagingFolder(const fs::path& folder) {
    const Result<FolderLock> lock = FolderLock::wait(folder);
    if (!lock) {
        problem_ = lock.problem();
        return;
    }
    sweep(folder);
    std::string name = (folder / (".wembrix-staged-" + host_name() + "-XXXXXX")).string();
    if (::mkdtemp(name.data()) != nullptr) {
        path_ = name;
        held_ = Lease::create(path_ / held_file);
    }
    if (!held_.holds()) {
        problem_ = Problem{"cannot be written to.", folder.string(),
                           "Choose another folder, or give yourself the right to write there."};
    }
}

StagingFolder::~StagingFolder() {
    std::error_code error;
    if (!path_.empty()) {
        fs::remove_all(path_, error);
    }
}

void sweep_delivery(const fs::path& folder) {
    std::error_code error;
    if (fs::is_directory(folder, error)) {
        if (const Result<FolderLock> lock = FolderLock::wait(folder)) {
            sweep(folder);
            forget_coming(folder);
        }
    }
}

Result<Scene> read_delivered(const Format& format, const fs::path& file, const Destination& destination,
                             nlohmann::json* stamp) {
    Result<Scene> scene = format.read(file);
    if (!scene) {
        return scene;
    }
    Scene read = from_space(scene.take(), read_space(format, destination));
    nlohmann::json said = take_stamp(read);
    if (stamp != nullptr) {
        *stamp = std::move(said);
    }
    return read;
}

Outcome in_its_folder(const std::string& stem, const fs::path& folder, Arrival& arrival,
                      const std::function<Outcome(const fs::path&, const std::string&)>& write) {
    const size_t slash = stem.rfind('/');
    if (slash == std::string::npos) {
        return write(folder, stem);
    }
    const std::string own = stem.substr(0, slash + 1);
    std::error_code error;
    fs::create_directories(folder / own, error);
    if (error) {
        return Problem{"cannot be made: " + error.message() + ".", (folder / own).string(), ""};
    }
    if (Outcome written = write(folder / own, stem.substr(slash + 1)); !written) {
        return written;
    }
    for (std::string& file : arrival.files) {
        file.insert(0, own);
    }
    arrival.staged_in = folder;
    return Done{};
}

uintmax_t size_of_files(const Scene& scene, const std::string& stem, const Destination& destination) {
    const Format* format = format_with_id(destination.container);
    const AxisSystem space = file_space(*format, destination);
    const Result<std::vector<WrittenFile>> written =
        format->write(to_space(scene, space), stem, destination.options_of(format->id), space);
    uintmax_t bytes = 0;
    for (const WrittenFile& file : written ? *written : std::vector<WrittenFile>()) {
        bytes += file.bytes.size();
    }
    return bytes;
}

namespace {
Outcome write_scene(const Scene& scene, const std::string& stem, const Destination& destination, const fs::path& folder,
                    Arrival& arrival) {
    const Format* format = format_with_id(destination.container);
    const AxisSystem space = file_space(*format, destination);
    Result<std::vector<WrittenFile>> written =
        format->write(to_space(scene, space), stem, destination.options_of(format->id), space);
    if (!written) {
        return written.problem();
    }
    arrival.files.clear();
    arrival.facts.clear();
    arrival.bytes = 0;
    arrival.staged_in = folder;
    for (const WrittenFile& file : *written) {
        if (Outcome put = write_file_whole(folder / file.name, file.bytes); !put) {
            return put.problem();
        }
        arrival.files.push_back(file.name);
        arrival.facts.push_back({hash_of(file.bytes), file.bytes.size()});
        arrival.bytes += file.bytes.size();
    }
    arrival.hash = arrival.facts.front().hash;
    return Done{};
}
} // namespace

Result<Scene> round_trip(const Scene& scene, const std::string& stem, const Destination& destination,
                         const fs::path& staging_folder, Arrival& arrival, const nlohmann::json& stamp) {
    const Format& format = *format_with_id(destination.container);
    const bool is_stamped = !stamp.is_null() && has(format.writes, Content::about) && has_place_for_stamp(scene);
    Scene stamped;
    if (is_stamped) {
        stamped = scene;
        put_stamp(stamped, stamp);
    }
    const Outcome written =
        in_its_folder(stem, staging_folder, arrival, [&](const fs::path& folder, const std::string& name) {
            return write_scene(is_stamped ? stamped : scene, name, destination, folder, arrival);
        });
    if (!written) {
        return written.problem();
    }
    nlohmann::json said;
    Result<Scene> read = read_delivered(format, staging_folder / arrival.files.front(), destination, &said);
    if (read && is_stamped) {
        arrival.says = stamp_claim(stamp, said);
    }
    return read;
}

Result<Scene> model_round_trip(const Scene& prepared, const Destination& destination, const std::string& stem,
                               const fs::path& staging_folder, Arrival& arrival, const nlohmann::json& stamp) {
    Conformed conformed = conform_model(prepared, destination);
    if (!has_all(format_with_id(destination.container)->writes, model_kind().needs)) {
        // The container holds no surfaces: motion is checked on those that it is meant for.
        return std::move(conformed.scene);
    }
    return round_trip(conformed.scene, stem, destination, staging_folder, arrival, stamp);
}

Outcome put_in_place(const std::vector<Arrival*>& arrivals, const nlohmann::json& old, const fs::path& folder) {
    nlohmann::json coming = old;
    const std::unordered_set<std::string> listed = files_in(old);
    bool any = false;
    for (Arrival* arrival : arrivals) {
        for (const std::string& file : arrival->files) {
            std::error_code error;
            if (arrival->state == CellState::arrived && fs::exists(fs::symlink_status(folder / file, error)) &&
                listed.count(file) == 0) {
                const std::optional<std::string> other = job_with_file(old, file);
                arrival->state = CellState::held;
                arrival->reason =
                    other ? phrase("“{}” is there already, delivered by the job “{}”: name the files apart, or "
                                   "take that one away",
                                   file, *other)
                          : phrase("“{}” is there already and was not written by Wembrix", file);
            }
            if (const std::string strange = strange_folder(folder, file);
                arrival->state == CellState::arrived && !strange.empty()) {
                arrival->state = CellState::held;
                arrival->reason = phrase("“{}” is there already and is no folder of its own", strange);
            }
        }
        if (arrival->state == CellState::arrived) {
            any = true;
            for (size_t f = 0; f < arrival->files.size(); ++f) {
                if (listed.count(arrival->files[f]) == 0) {
                    note_coming(coming, arrival->files[f], arrival->facts[f].hash);
                }
            }
        }
    }
    if (any) {
        if (Outcome written = write_manifest(coming, folder); !written) {
            return written;
        }
    }
    for (const Arrival* arrival : arrivals) {
        if (arrival->state != CellState::arrived) {
            continue;
        }
        // Buffers before the file that names them.
        for (auto file = arrival->files.rbegin(); file != arrival->files.rend(); ++file) {
            std::error_code error;
            fs::create_directories((folder / *file).parent_path(), error);
            fs::rename(arrival->staged_in / *file, folder / *file, error);
            if (error) {
                return Problem{"cannot be put in place: " + error.message() + ".", (folder / *file).string(), ""};
            }
        }
    }
    return Done{};
}

Outcome settle_manifest(const nlohmann::json& old, const nlohmann::json& now, const fs::path& folder) {
    // While the manifest still lists what goes: a file that nothing lists would never be taken away.
    remove_retired(old, now, folder);
    return write_manifest(now, folder);
}

} // namespace wembrix
