// What can be delivered: a table of kinds. How a deliverable is planned from what was prepared, what goes into it, how
// it is conformed, checked and told of, stands in its kind's row; nothing else asks which kind it is.
#pragma once

#include "core/destination/conform.h"
#include "core/destination/destination.h"
#include "core/destination/file_kinds.h"
#include "core/formats/format.h"
#include "core/scene/scene.h"

#include <filesystem>
#include <map>
#include <nlohmann/json.hpp>
#include <span>
#include <string>
#include <string_view>
#include <vector>

namespace wembrix {

struct Arrival;
struct Pictured;
struct DeliverableKind;

struct Deliverable {
    const DeliverableKind* kind = nullptr; ///< never null in a plan
    std::string name;                      ///< which one of its kind; empty where there is but one
    std::string stem;                      ///< file below the delivery's folder, without suffix
    std::string content{};                 ///< hash of what goes into it, where a plan for a folder found it
    int number = 1;                        ///< counts its contents there; what stands for {number}
    std::string replaces{};                ///< the hash of the file with the content before this one
    std::string date{};                    ///< when this one was delivered first, "2000-12-31"; for {date}

    /// "model", "clip:wade": stands in manifests and is what the command line says.
    [[nodiscard]] std::string id() const;
};

/// What files are named for.
struct Naming {
    std::string job;
    std::string variant;                         ///< the name of the job's variant, if it has one
    std::string variant_id;                      ///< by which the job's files are told from others' in one folder
    std::map<std::string, std::string> pictures; ///< of deliverables with a person's own one, its hash
    Naming(std::string of_job, std::string of_variant = {}) : job(std::move(of_job)), variant(std::move(of_variant)) {}
    Naming(const char* of_job) : job(of_job) {}
};

/// What a file's content depends on beside the scene.
struct ContentBase {
    const Destination& destination;
    const Naming& naming;
    const std::string& model_content; ///< the hash of the model for that destination
};

struct DeliverableKind {
    std::string_view id; ///< of its row in file_kinds()
    Contents needs = 0;  ///< a container that cannot hold these is not asked for it
    /// The names of those that a prepared scene gives a destination, in order.
    std::vector<std::string> (*plan)(const Scene& prepared, const Destination& destination) = nullptr;
    /// A hash of what goes into it.
    std::string (*content)(const Scene& prepared, const std::string& name, const ContentBase& base) = nullptr;
    Conformed (*conform)(const Scene& prepared, const std::string& name, const Destination& destination) = nullptr;
    /// Holds what was read back against Prepared, claim by claim. `model` is the model that arrived: null for a kind
    /// that does not need it.
    void (*check)(const Scene& prepared, const std::string& name, const Scene& arrived, const Scene* model,
                  const Destination& destination, Arrival& arrival) = nullptr;
    /// What stands for part, clip and prop in its file's name; null: its name is the clip's.
    FileTokens (*tokens)(const Scene& prepared, const std::string& name) = nullptr;
    /// Of kinds that are written and checked frame by frame, in the place of `conform` and `check`: into a folder, and
    /// as it lies there. `stamp` is what the file says of itself, or should say.
    Outcome (*make)(const Scene& prepared, const Deliverable& deliverable, const Destination& destination,
                    const nlohmann::json& stamp, const std::filesystem::path& folder, Arrival& arrival) = nullptr;
    Outcome (*check_file)(const Scene& prepared, const std::string& name, const Destination& destination,
                          const nlohmann::json& stamp, const std::filesystem::path& file, const Scene* model,
                          Arrival& arrival) = nullptr;
    std::string Destination::*container = &Destination::container; ///< what it is written in
    bool is_the_model = false;      ///< what it leaves is the model that others are checked on
    bool stands_on_model = false;   ///< it is checked on the surfaces of the model, and stale with it
    std::string_view manifest_list; ///< the list of the manifest that it has a row in; empty: none
    nlohmann::json (*manifest_row)(const Scene& prepared, const std::string& name, const Destination& destination,
                                   const std::string& file) = nullptr;
    /// "model · 3 surfaces · 5 shapes": what it is, for boards and reports.
    Text (*facts)(const Scene& prepared, const std::string& name) = nullptr;
    /// "162.3 u", "2.93 s": its size, where it arrived.
    Text (*size)(const Scene& prepared, const std::string& name, const Destination& destination) = nullptr;
    /// What its pictures show; null: the scene at rest.
    Pictured (*shown)(const Scene& prepared, const std::string& name) = nullptr;
    std::string_view suffix{}; ///< of the file that is opened first; empty: the container's
};

/// The format that a kind is written in for a destination; null: it does not go there.
const Format* format_of(const DeliverableKind& kind, const Destination& destination);
/// How the file is called that is opened first.
std::string file_of(const DeliverableKind& kind, const std::string& stem, const Destination& destination);
/// The name of its file below the delivery's folder, without suffix.
Result<std::string> stem_of(const Deliverable& deliverable, const Scene& prepared, const Naming& naming,
                            const Destination& destination);
/// A hash of what goes into a deliverable, and of how its file is called.
std::string content_of(const Scene& prepared, const DeliverableKind& kind, const std::string& name,
                       const ContentBase& base);

/// In the order in which they are delivered: what others are checked on comes first.
std::span<const DeliverableKind> deliverable_kinds();
/// Of an id such as "clip:wade"; null: there is no such kind.
const DeliverableKind* kind_of_deliverable(std::string_view id);
/// The kind whose deliverable is the model that others are checked on.
const DeliverableKind& model_kind();
const DeliverableKind& clip_kind();
/// Whether there is anything that a model could be of: surfaces, or joints.
bool has_model(const Scene& prepared);
std::string deliverable_id(const DeliverableKind& kind, const std::string& name);
/// The name that an id speaks of: "wade" of "clip:wade".
std::string name_in_id(std::string_view id);
/// False where a job has no such thing (any more).
bool is_there(const Scene& prepared, const Deliverable& deliverable, const Destination& destination);

} // namespace wembrix
