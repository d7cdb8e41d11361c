// What a delivered file was made from: enough to tell whether it is still what the job would make, and if not, why.
#pragma once

#include "core/destination/destination.h"
#include "core/scene/scene.h"
#include "core/steps/step.h"

#include <nlohmann/json.hpp>
#include <string>
#include <string_view>
#include <utility>
#include <vector>

namespace wembrix {

/// What a job's files belong to, however they are called and wherever they are made. Ids are given once and kept.
struct Origin {
    std::string family_id{}; ///< 32 hexadecimal digits; empty: the job has none yet
    std::string family{};    ///< its name, for people
    std::string variant_id{};
    std::string variant{};
    std::string license{}; ///< under which its files are given on; empty: nothing is said
    std::string credits{}; ///< who made what is in them
    bool operator==(const Origin& other) const = default;
};
/// 128 bits drawn by lot, as hexadecimal digits.
std::string new_id();
bool is_id(std::string_view text);

/// A person's own picture in the place of a deliverable's thumbnail.
struct OwnPicture {
    std::string deliverable; ///< id
    std::string file;
    std::string hash; ///< of its bytes; empty: it cannot be read
    bool operator==(const OwnPicture& other) const = default;
};

/// Hashes of what a delivery depends on. They say what changed; whether it matters to a file, its content says.
struct MadeFrom {
    std::vector<std::pair<std::string, std::string>> sources; ///< file name and hash of its bytes
    std::string card;                                         ///< of the steps that are on
    std::string destination;                                  ///< of all that it says; set by the delivery
    Origin origin;                                            ///< whose files they are
    std::vector<OwnPicture> pictures;

    bool operator==(const MadeFrom& other) const = default;
};
MadeFrom made_from(const std::vector<std::string>& source_names, const std::vector<std::string>& source_hashes,
                   const std::vector<Step>& steps);

std::string hash_of_destination(const Destination& destination);

/// A hash of everything of Prepared that goes into the model for this destination (clips left out).
std::string content_of_model(const Scene& prepared, const Destination& destination, const std::string& job_name);
/// The same for a clip: the model it moves, and its own keys between its first frame and its last.
std::string content_of_clip(const Clip& clip, const std::string& model_content);

} // namespace wembrix
