// Writing deliverables for a destination, reading each one back, and holding it against Prepared.
#pragma once

#include "core/delivery/deliverable.h"
#include "core/delivery/ledger.h"
#include "core/delivery/made_from.h"
#include "core/destination/destination.h"
#include "core/findings/finding.h"
#include "core/measure/comparison/claim.h"
#include "core/measure/scene/drift.h"
#include "core/scene/scene.h"

#include <filesystem>
#include <functional>
#include <memory>
#include <nlohmann/json.hpp>
#include <string>
#include <vector>

namespace wembrix {

/// All that goes out, kind by kind. Refuses file names that clash, case ignored, and with a folder paths that cannot be
/// there.
Result<std::vector<Deliverable>> plan_deliverables(const Scene& prepared, const Destination& destination,
                                                   const Naming& naming, const std::filesystem::path& folder = {});

/// How its files would be called below that folder, with the first number and date of each; the same refusals. Nothing
/// is hashed or read.
Result<std::vector<std::string>> planned_files(const Scene& prepared, const Destination& destination,
                                               const Naming& naming, const std::filesystem::path& folder);

enum class CellState { never, stale, held, arrived };
std::string_view cell_state_name(CellState state);

struct FileFact {
    std::string hash;
    uintmax_t bytes = 0;
};

struct Arrival {
    Deliverable deliverable;
    CellState state = CellState::never;
    bool up_to_date = false; ///< it lay there as it should be: it was not written again
    std::vector<std::string> files;
    std::vector<FileFact> facts;     ///< one a file
    std::filesystem::path staged_in; ///< where they were written before they are put in place
    std::vector<Claim> claims;
    std::optional<Claim> says; ///< of what the file says of itself, where it can; it is the last of the claims
    Drift drift;               ///< on the frames
    Drift between;             ///< at `moments_a_frame` moments of each; nothing where the clip lay on frames already
    Text reason;               ///< why it is held or stale, in one line
    std::shared_ptr<const Scene> scene; ///< what arrived: the model, or the model moved by the clip
    uintmax_t bytes = 0;
    uintmax_t plain_bytes = 0;          ///< what it would have where nothing is rounded or packed; 0: not asked
    std::string hash;                   ///< of the first file
    std::string content;                ///< hash of what went into it
    std::shared_ptr<const Ledger> left; ///< what its destination does not take of what was prepared
    std::vector<Finding> accepted;      ///< stops that the route card accepts, each with its note
};

/// Whose files in a folder are told of: the variant's where both have an id, else the job's of that name.
struct Owner {
    std::string job;
    std::string variant_id;
};

struct DeliveryRequest {
    const Scene* prepared = nullptr;
    Destination destination;
    std::string job_name;
    std::filesystem::path folder;       ///< where the files go; made if it is not there
    MadeFrom made_from;                 ///< kept in the manifest, to tell later what changed
    std::vector<std::string> only;      ///< ids of deliverables; empty: all
    Ledger left;                        ///< of sources and card: what stayed behind before
    std::vector<Finding> card_findings; ///< of what the card did; a stop holds the delivery
    std::vector<Text> card_words;       ///< the card's steps in words, where the destination asks for a report
    std::vector<Text> card_problems;    ///< steps that did not fit; any holds the delivery
    std::function<void(int done, int all, const std::string& what)> progress;
    std::function<bool()> stop;
    [[nodiscard]] Naming naming() const;
    [[nodiscard]] Owner owner() const;
};

struct DeliveryReport {
    std::vector<Arrival> arrivals;
    nlohmann::json manifest;
    std::string model_content;     ///< hash of what the model is made of
    Ledger left;                   ///< the request's, and what the destination does not take
    std::vector<Finding> accepted; ///< stops that the route card accepts, each with its note
    bool stopped = false;
    [[nodiscard]] bool all_arrived() const;
};

/// Files are written to a staging folder, read back, checked, and only then put in place; the manifest comes last. A
/// file that is there already is replaced only if our manifest lists it. A Problem means that nothing could be tried.
Result<DeliveryReport> deliver(const DeliveryRequest& request);

/// What stays behind of a request's job for its destination, whatever of it is written.
Ledger delivered_ledger(const DeliveryRequest& request);

/// Reads a file that was delivered before and checks it again, as it lies in the folder now.
Result<Arrival> check_again(const DeliveryRequest& request, const Deliverable& deliverable);

} // namespace wembrix
