#include "commands.h"

#include "core/base/counted.h"
#include "core/delivery/delivery.h"
#include "core/job/card_ledger.h"

#include <algorithm>
#include <fmt/format.h>

namespace wembrix::cli {

using nlohmann::json;

int cache(const CacheOptions& options) {
    Result<Opened> opened = open_and_replay(options.job);
    if (!opened) {
        return refuse(opened.problem());
    }
    if (opened->job.destinations.empty()) {
        return refuse(Problem{"has no destination: a cache is made for one.", options.job, ""});
    }
    Destination destination = opened->job.destinations.front();
    const auto named = std::find_if(opened->job.destinations.begin(), opened->job.destinations.end(),
                                    [&](const Destination& one) { return one.name == options.destination; });
    if (named != opened->job.destinations.end()) {
        destination = *named;
    } else if (!options.destination.empty()) {
        return refuse(Problem{"has no destination \"" + options.destination + "\".", options.job, ""});
    }
    const bool textures = options.as == "textures";
    const bool in_points = options.as == "usd";
    if (in_points && destination.points_container.empty()) {
        destination.points_container = "usdc";
    }
    // As one more step at the end of the card: of strands, or else of a surface.
    const Scene& before = opened->replay.prepared();
    const int node = options.of.empty() ? -1 : before.find_node(options.of);
    if (!options.of.empty() && node < 0) {
        return refuse(Problem{"has no \"" + options.of + "\".", options.job, ""});
    }
    const bool strands = node >= 0 && before.nodes[static_cast<size_t>(node)].curves >= 0;
    if (strands && !in_points) {
        return refuse(Problem{"strands go out as usd.", options.of, "Textures and shapes are of surfaces."});
    }
    Step step{strands ? "cache_strands" : "cache_surface",
              {{"clips", {options.clip}}, {"first", options.first}, {"last", options.last}, {"every", options.every}}};
    step.parameters[strands ? "strands" : "surface"] = options.of;
    if (!strands) {
        step.parameters["as"] = in_points ? "points" : options.as;
        step.parameters["half"] = options.half;
        step.parameters["limit_mm"] = options.limit_mm;
    }
    std::vector<Step> steps = opened->job.steps;
    steps.push_back(step);
    const Replay replayed = replay(opened->sources, steps);
    if (replayed.outcomes.back().problem) {
        return refuse(*replayed.outcomes.back().problem);
    }
    DeliveryRequest request;
    request.prepared = &replayed.prepared();
    request.destination = destination;
    request.job_name = opened->job.name;
    request.folder = options.out;
    opened->job.steps = steps;
    request.made_from = opened->sources.made_from(opened->job);
    request.card_problems = replayed.problems();
    const CacheOrder& order = replayed.prepared().orders.back();
    const std::string& of = replayed.prepared().nodes[static_cast<size_t>(order.node)].name;
    request.only = {fmt::format("{}:{}/{}", in_points ? "cache" : options.as, of, order.clip)};
    if (textures) { // it has the coordinates that lead to the pixels
        request.only.emplace_back("model");
    }
    const Result<DeliveryReport> report = deliver(request);
    if (!report) {
        return refuse(report.problem());
    }
    if (options.json) {
        json rows = json::array();
        for (const Arrival& arrival : report->arrivals) {
            json row = {{"deliverable", arrival.deliverable.id()},
                        {"state", cell_state_name(arrival.state)},
                        {"reason", arrival.reason},
                        {"files", arrival.files},
                        {"bytes", arrival.bytes},
                        {"drift_mm", arrival.drift.largest_mm},
                        {"claims", json::array()}};
            for (const Claim& claim : arrival.claims) {
                row["claims"].push_back(claim_json(claim));
            }
            rows.push_back(std::move(row));
        }
        fmt::print("{}\n", json{{"account", replayed.outcomes.back().account}, {"deliverables", rows}}.dump(2));
    } else {
        fmt::print("{}\n", replayed.outcomes.back().account);
        for (const Arrival& arrival : report->arrivals) {
            fmt::print("  {:8} {} {} · drift {:.4f} mm · {}\n", cell_state_name(arrival.state),
                       arrival.files.empty() ? arrival.deliverable.id() : arrival.files.front(), arrival.reason,
                       arrival.drift.largest_mm, said_bytes(arrival.bytes));
        }
    }
    return report->all_arrived() ? all_well : held;
}

} // namespace wembrix::cli
