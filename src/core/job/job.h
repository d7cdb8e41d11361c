// The document: sources, route card, destinations. See docs/job-format.md.
#pragma once

#include "core/base/result.h"
#include "core/delivery/made_from.h"
#include "core/destination/destination.h"
#include "core/scene/named_scene.h"
#include "core/steps/clips/bring_take.h"
#include "core/steps/skeleton/stored_pose.h"
#include "core/steps/step.h"

#include <filesystem>
#include <map>
#include <memory>
#include <optional>
#include <string>
#include <vector>

namespace wembrix {

struct Job {
    std::string name = "untitled";
    std::vector<std::string> sources; ///< paths; relative ones count from the job's folder
    std::vector<Step> steps;
    std::vector<Destination> destinations;
    std::map<std::string, StoredPose> poses; ///< by name, of Prepared
    std::string deliveries = "deliveries";   ///< folder; relative ones count from the job's folder

    bool operator==(const Job& other) const = default;
};

nlohmann::json job_to_json(const Job& job);
Result<Job> job_from_json(const nlohmann::json& json, const std::string& where);
Result<Job> read_job(const std::filesystem::path& file);
Outcome write_job(const Job& job, const std::filesystem::path& file);

/// A job for files that were dropped, before anything is known of them: their names and the destinations that come
/// with Wembrix.
Job new_job(const std::vector<std::filesystem::path>& sources);
/// What a new job leaves behind once its sources are read: cameras, lights, helpers, and beside a skinned character
/// the surfaces that no joint moves. Empty when there is nothing of the kind.
std::vector<Step> first_steps(const Scene& received);

struct LoadedSources {
    std::shared_ptr<const Scene> received;
    std::shared_ptr<const std::vector<NamedScene>> scenes; ///< one per source, as it was read
    std::vector<std::string> hashes;                       ///< one per source, over all its files
    struct Source {
        std::string name;
        std::vector<int64_t> identities; ///< of the nodes that came from it
        std::vector<std::string> takes;
        uintmax_t bytes = 0;
        std::optional<Brought> brought;           ///< how its takes came onto the model, without clips; if they did
        std::vector<std::filesystem::path> files; ///< its own and those beside it that it names
    };
    std::vector<Source> sources;

    [[nodiscard]] MadeFrom made_from(const std::vector<Step>& steps) const;
};
/// A hash of a source: of its own bytes, and of the files beside it that the scene was read from.
std::string hash_of_source(const std::string& bytes, const Scene& scene);

/// Reads and assembles the sources of a job whose file lies in `folder`.
Result<LoadedSources> load_sources(const std::vector<std::string>& sources, const std::filesystem::path& folder);

} // namespace wembrix
