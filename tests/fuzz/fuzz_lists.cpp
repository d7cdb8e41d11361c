// The readers of our own small files: jobs, destinations, contracts, poses, route cards, lists of cuts, manifests.
#include "core/delivery/manifest.h"
#include "core/job/cuts.h"
#include "core/job/job.h"
#include "core/measure/skeleton/contract.h"
#include "core/steps/skeleton/stored_pose.h"

#include <cstddef>
#include <cstdint>
#include <cstdlib>
#include <string>

extern "C" int LLVMFuzzerTestOneInput(const uint8_t* data, size_t size) {
    using namespace wembrix;
    const std::string text(reinterpret_cast<const char*>(data), size);
    if (const Result<std::vector<Cut>> cuts = cuts_from_text(text, "fuzz")) {
        if (!(*cuts_from_csv(cuts_to_csv(*cuts), "again") == *cuts)) {
            // Spaces around a field are not kept; all else is.
            (void)cuts_to_json(*cuts).dump(-1, ' ', false, nlohmann::json::error_handler_t::replace);
        }
    }
    (void)cuts_from_text(text, "fuzz", [](const std::string&) { return 29.97; });
    Clip take;
    take.seconds = 1e4;
    take.carried.extras = text;
    for (const Cut& range : ranges_inside(take)) {
        if (range.name.empty() || range.start < 0 || range.end >= take.frames() || range.start >= range.end) {
            std::abort(); // what is offered has to fit
        }
    }
    const nlohmann::json json = nlohmann::json::parse(text, nullptr, false);
    if (!json.is_discarded()) {
        if (const Result<Job> job = job_from_json(json, "fuzz")) {
            (void)job_to_json(*job);
        }
        (void)destination_from_json(json, "fuzz");
        (void)card_from_json(json, "fuzz");
        (void)contract_from_json(json, "fuzz");
        (void)pose_from_json(json);
        (void)rows_of(json);
        (void)held_in(json);
    }
    return 0;
}
