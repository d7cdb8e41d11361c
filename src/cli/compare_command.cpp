#include "commands.h"

#include "core/base/counted.h"
#include "core/formats/format.h"
#include "core/measure/comparison/compare_scenes.h"
#include "core/measure/scene/drift.h"

#include <cstdio>
#include <fmt/format.h>
#include <nlohmann/json.hpp>

namespace wembrix::cli {

namespace {

nlohmann::json row(const Drift& drift, const std::string& clip) {
    return {{"clip", clip.empty() ? nlohmann::json() : nlohmann::json(clip)},
            {"largest_mm", drift.largest_mm},
            {"frame", drift.frame},
            {"where", drift.place},
            {"frames", drift.per_frame_mm.size()},
            {"points", drift.points_compared},
            {"joints", drift.joints_compared},
            {"not_compared", drift.not_compared}};
}

int compare_all(const CompareOptions& options, const Scene& first, const Scene& second) {
    std::vector<Claim> claims = compare_scenes(first, second);
    for (Claim& claim : compare_motion(first, second, options.limit_mm)) {
        claims.push_back(std::move(claim));
    }
    const bool compared = compared_anything(claims);
    const bool pass =
        compared && std::all_of(claims.begin(), claims.end(), [](const Claim& claim) { return claim.pass; });
    if (options.json) {
        nlohmann::json rows = nlohmann::json::array();
        for (const Claim& claim : claims) {
            rows.push_back(claim_json(claim));
        }
        fmt::print("{}\n", nlohmann::json{{"pass", pass}, {"claims", rows}}.dump(2));
        return pass ? all_well : held;
    }
    for (const Claim& claim : claims) {
        fmt::print("{:<28} {:<16} {}\n", claim.name, claim.expected, claim.pass ? "the same" : "FAIL");
        for (const std::string& difference : claim.differences) {
            fmt::print("    {}\n", difference);
        }
    }
    if (!compared) {
        fmt::print("nothing could be compared: neither has a node that the other has by that name\n");
    }
    return pass ? all_well : held;
}

} // namespace

int compare(const CompareOptions& options) {
    Result<Scene> first = read_scene(options.first);
    if (!first) {
        return refuse(first.problem());
    }
    Result<Scene> second = read_scene(options.second);
    if (!second) {
        return refuse(second.problem());
    }
    if (options.all) {
        return compare_all(options, *first, *second);
    }
    nlohmann::json clips = nlohmann::json::array();
    DriftRequest request;
    request.should = &*first;
    request.is = &*second;
    request.matching = Matching::name;
    const Drift rest = measure_drift(request);
    nlohmann::json result = {{"rest", row(rest, "")}};
    for (const Clip& clip : second->clips) {
        const Clip* same = first->find_clip(clip.name);
        if (same == nullptr) {
            continue;
        }
        request.should_clip = same;
        request.is_clip = &clip;
        request.rate = same->rate;
        request.frames = std::max(same->frames(), clip.frames(same->rate));
        clips.push_back(row(measure_drift(request), clip.name));
    }
    result["clips"] = clips;
    if (rest.points_compared == 0 && rest.joints_compared == 0) {
        return refuse(
            {"have neither a surface nor a joint of the same name.", options.first + " and " + options.second, ""});
    }
    if (options.json) {
        fmt::print("{}\n", result.dump(2));
        return all_well;
    }
    fmt::print("rest pose: {:.4f} mm at {} ({}, {})\n", rest.largest_mm, rest.place,
               counted(rest.points_compared, "vertex"), counted(rest.joints_compared, "joint"));
    for (const auto& clip : clips) {
        fmt::print("{}: {:.4f} mm at {}, frame {} of {}\n", clip["clip"].get<std::string>(),
                   clip["largest_mm"].get<double>(), clip["where"].get<std::string>(), clip["frame"].get<int>(),
                   clip["frames"].get<size_t>());
    }
    for (const std::string& name : rest.not_compared) {
        fmt::print("not compared: {}\n", name);
    }
    return all_well;
}

} // namespace wembrix::cli
