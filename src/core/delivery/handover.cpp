#include "core/delivery/handover.h"

#include "core/base/files.h"
#include "core/delivery/manifest.h"
#include "core/destination/conform.h"
#include "core/destination/file_space.h"
#include "core/formats/format.h"

#include <csignal>
#include <fmt/format.h>
#include <regex>
#include <unistd.h>

namespace wembrix {

namespace fs = std::filesystem;

namespace {

/// Takes away what an earlier run that was killed left behind: folders and half files named for a process that is
/// no more.
void sweep(const fs::path& folder) {
    static const std::regex ours(R"(\.wembrix-(\d{1,9})|delivery\.json\.(\d{1,9})\.part)");
    std::error_code error;
    std::vector<fs::path> left;
    for (fs::directory_iterator entry(folder, error), end; !error && entry != end; entry.increment(error)) {
        std::smatch match;
        const std::string name = entry->path().filename().string();
        if (std::regex_match(name, match, ours)) {
            const pid_t process = std::stoi(match[1].matched ? match[1].str() : match[2].str());
            if (::kill(process, 0) != 0 && errno == ESRCH) {
                left.push_back(entry->path());
            }
        }
    }
    for (const fs::path& path : left) {
        fs::remove_all(path, error);
    }
}

} // namespace

StagingFolder::StagingFolder(const fs::path& folder) : path_(folder / fmt::format(".wembrix-{}", ::getpid())) {
    std::error_code error;
    sweep(folder);
    fs::remove_all(path_, error);
    fs::create_directories(path_, error);
    failed_ = static_cast<bool>(error);
}

StagingFolder::~StagingFolder() {
    std::error_code error;
    fs::remove_all(path_, error);
}

Result<Scene> read_delivered(const Format& format, const fs::path& file, const Destination& destination) {
    Result<Scene> scene = format.read(file);
    return scene ? Result<Scene>(from_space(scene.take(), file_space(format, destination))) : scene;
}

Result<Scene> round_trip(const Scene& scene, const std::string& stem, const Destination& destination,
                         const fs::path& staging_folder, Arrival& arrival) {
    const Format* format = format_with_id(destination.container);
    const AxisSystem space = file_space(*format, destination);
    Result<std::vector<WrittenFile>> written = format->write(to_space(scene, space), stem);
    if (!written) {
        return written.problem();
    }
    arrival.files.clear();
    arrival.facts.clear();
    arrival.bytes = 0;
    arrival.staged_in = staging_folder;
    for (const WrittenFile& file : *written) {
        if (Outcome put = write_file_whole(staging_folder / file.name, file.bytes); !put) {
            return put.problem();
        }
        arrival.files.push_back(file.name);
        arrival.facts.push_back({hash_of(file.bytes), file.bytes.size()});
        arrival.bytes += file.bytes.size();
    }
    arrival.hash = arrival.facts.front().hash;
    return read_delivered(*format, staging_folder / arrival.files.front(), destination);
}

Result<Scene> model_round_trip(const Scene& prepared, const Destination& destination, const std::string& stem,
                               const fs::path& staging_folder, Arrival& arrival) {
    Conformed conformed = conform_model(prepared, destination);
    if (!has_all(format_with_id(destination.container)->writes, model_kind().needs)) {
        // The container holds no surfaces: motion is checked on those that it is meant for.
        return std::move(conformed.scene);
    }
    return round_trip(conformed.scene, stem, destination, staging_folder, arrival);
}

Outcome put_in_place(const std::vector<Arrival*>& arrivals, const nlohmann::json& old, const fs::path& folder) {
    nlohmann::json coming = old;
    bool any = false;
    for (Arrival* arrival : arrivals) {
        for (const std::string& file : arrival->files) {
            std::error_code error;
            if (arrival->state == CellState::arrived && fs::exists(fs::symlink_status(folder / file, error)) &&
                !lists_file(old, file)) {
                arrival->state = CellState::held;
                arrival->reason = fmt::format("“{}” is there already and was not written by Wembrix", file);
            }
        }
        if (arrival->state == CellState::arrived) {
            any = true;
            for (size_t f = 0; f < arrival->files.size(); ++f) {
                note_coming(coming, arrival->files[f], arrival->facts[f].hash);
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
