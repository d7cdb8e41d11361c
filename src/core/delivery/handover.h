// The way of a file into a delivery: written to a staging folder, read back, and put in place when all of them are
// checked.
#pragma once

#include "core/base/lease.h"
#include "core/delivery/delivery.h"

#include <filesystem>
#include <functional>
#include <optional>
#include <string>
#include <vector>

namespace wembrix {

/// A folder within the delivery's, for this user only, that is gone when this is. What runs that were killed left
/// behind is swept away first; those of runs that live, on any machine, are left alone.
class StagingFolder {
  public:
    explicit StagingFolder(const std::filesystem::path& folder);
    StagingFolder(const StagingFolder&) = delete;
    StagingFolder& operator=(const StagingFolder&) = delete;
    ~StagingFolder();
    [[nodiscard]] const std::filesystem::path& path() const { return path_; }
    [[nodiscard]] const std::optional<Problem>& problem() const { return problem_; }

  private:
    std::filesystem::path path_;
    Lease held_;
    std::optional<Problem> problem_;
};

/// Sweeps a delivery's folder where nothing is to be written: staging folders of the dead, and files that a run that
/// was killed had coming and that no deliverable has.
void sweep_delivery(const std::filesystem::path& folder);

/// Reads a file that a destination was given, into core's own axes and unit. What it says of itself is taken out of it,
/// into `stamp` where one is given.
Result<Scene> read_delivered(const Format& format, const std::filesystem::path& file, const Destination& destination,
                             nlohmann::json* stamp = nullptr);

/// Calls `write` with the folder of a stem such as "props/lamp" below `folder`, which is made, and its last name; the
/// files that it says in `arrival` are told from `folder` then.
Outcome in_its_folder(const std::string& stem, const std::filesystem::path& folder, Arrival& arrival,
                      const std::function<Outcome(const std::filesystem::path&, const std::string&)>& write);

/// Writes the scene into the staging folder, says so in `arrival`, and reads it back. With a stamp the file says it,
/// and a claim holds what it said against it, where the container has a place for that.
Result<Scene> round_trip(const Scene& scene, const std::string& stem, const Destination& destination,
                         const std::filesystem::path& staging_folder, Arrival& arrival,
                         const nlohmann::json& stamp = {});

/// How many bytes the scene's files would have; 0 where they cannot be written. Nothing is put anywhere.
uintmax_t size_of_files(const Scene& scene, const std::string& stem, const Destination& destination);

/// The model that clips are checked on: conformed, and if the container holds models, written and read back. What was
/// written is in `arrival`.
Result<Scene> model_round_trip(const Scene& prepared, const Destination& destination, const std::string& stem,
                               const std::filesystem::path& staging_folder, Arrival& arrival,
                               const nlohmann::json& stamp = {});

/// Puts in place what arrived, from where it is staged. The manifest names every file before it is moved, so that a
/// file left by a crash is known as ours. A file that is there and that `old` does not list is never replaced: its
/// arrival is held.
Outcome put_in_place(const std::vector<Arrival*>& arrivals, const nlohmann::json& old,
                     const std::filesystem::path& folder);
/// The manifest as it is after that; what only the old one lists is taken away.
Outcome settle_manifest(const nlohmann::json& old, const nlohmann::json& now, const std::filesystem::path& folder);

} // namespace wembrix
