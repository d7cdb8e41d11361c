// The document: sources, route card, destinations. See docs/job-format.md.
#pragma once

#include "core/base/result.h"
#include "core/delivery/made_from.h"
#include "core/destination/destination.h"
#include "core/job/job_source.h"
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
    Origin origin; ///< the family and the variant that its files are of
    std::vector<JobSource> sources;
    std::vector<Step> steps;
    std::vector<Destination> destinations;
    std::map<std::string, StoredPose> poses; ///< by name, of Prepared
    /// Of sources by their paths, a hash of the bytes they had when the job was last written: a file that moved is
    /// known by it again.
    std::map<std::string, std::string> source_contents;
    std::map<std::string, std::string> pictures; ///< by deliverables: a person's own ones; paths as those of sources
    std::string deliveries = "deliveries";       ///< folder; relative ones count from the job's folder

    bool operator==(const Job& other) const = default;
};

nlohmann::json job_to_json(const Job& job);
Result<Job> job_from_json(const nlohmann::json& json, const std::string& where);
/// With the arrays of its steps, which lie in a folder beside it (job_data.h).
Result<Job> read_job(const std::filesystem::path& file);
Outcome write_job(const Job& job, const std::filesystem::path& file);

/// A job for files that were dropped, before anything is known of them: their names and the destinations that come
/// with Wembrix.
Job new_job(const std::vector<std::filesystem::path>& sources);
/// A job for other sources with the route card, the destinations and the stored poses of `like`, which is its template:
/// of a family of its own. Steps that bring takes are not taken over: whether they are needed depends on the sources.
Job job_like(const Job& like, const std::vector<std::filesystem::path>& sources);
/// Gives a job its ids, where it has none, and its name to a family without one.
void give_ids(Job& job);
/// A copy of the job that is another variant of its family: with an id of its own.
Job new_variant(const Job& job, const std::string& name);
/// What a new job leaves behind once its sources are read: cameras, lights, helpers, and beside a skinned character
/// the surfaces that no joint moves; and what is the same motion once more. Empty when there is nothing of the kind.
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
        Text problem;                             ///< why it could not be read, in a sentence; then it holds nothing
        SourceRole role = SourceRole::model;      ///< what it was taken for
        std::optional<Brought> brought;           ///< how its takes came onto the model, without clips; if they did
        std::vector<std::filesystem::path> files; ///< its own and those beside it that it names
    };
    std::vector<Source> sources;
    std::filesystem::path folder; ///< that relative paths of the job count from
    bool follows_card = false;    ///< takes were matched by names that the route card gives

    [[nodiscard]] MadeFrom made_from(const Job& job) const;
};
/// A hash of a source: of its own bytes, and of the files beside it that the scene was read from.
std::string hash_of_source(const std::string& bytes, const Scene& scene);

/// Reads and assembles the sources of a job whose file lies in `folder`. Takes are matched against what `steps` make of
/// the first source as well. One that cannot be read leaves its place empty, and what was assembled says so
/// (SourceFit::problem); a Problem when none can.
Result<LoadedSources> load_sources(const std::vector<JobSource>& sources, const std::filesystem::path& folder,
                                   const std::vector<Step>& steps = {});
/// Where the file of a source lies.
std::filesystem::path path_of_source(const JobSource& source, const std::filesystem::path& folder);

} // namespace wembrix
