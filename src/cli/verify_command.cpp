#include "commands.h"

#include "core/delivery/verify.h"
#include "core/formats/format.h"
#include "core/plan/planned_skeleton.h"

#include <algorithm>
#include <cstdio>
#include <fmt/format.h>
#include <nlohmann/json.hpp>

namespace wembrix::cli {

namespace {

/// A destination's file, or the name of one that comes with Wembrix.
Result<Destination> destination_named(const std::string& given) {
    for (const Destination& known : built_in_destinations()) {
        if (known.name == given) {
            return known;
        }
    }
    return read_destination(given);
}

} // namespace

int verify(const VerifyOptions& options) {
    std::error_code error;
    if (std::filesystem::is_directory(options.file, error) ||
        std::filesystem::path(options.file).extension() == ".zip") {
        return verify_package(options.file, options.json);
    }
    if (options.destination.empty()) {
        return refuse({"verify needs --destination, unless it is given a package.", "usage", ""});
    }
    const Result<Destination> destination = destination_named(options.destination);
    if (!destination) {
        return refuse(destination.problem());
    }
    std::optional<Contract> contract;
    if (!options.contract.empty()) {
        Result<Contract> read = contract_or_plan(options.contract);
        if (!read) {
            return refuse(read.problem());
        }
        contract = read.take();
    }
    const Result<Scene> scene = read_scene(options.file);
    if (!scene) {
        return refuse(scene.problem());
    }
    const std::vector<Claim> claims = verify_scene(*scene, *destination, contract);
    const bool clean = std::all_of(claims.begin(), claims.end(), [](const Claim& claim) { return claim.pass; });
    if (options.json) {
        nlohmann::json rows = nlohmann::json::array();
        for (const Claim& claim : claims) {
            rows.push_back(claim_json(claim));
        }
        fmt::print("{}\n", nlohmann::json{{"file", options.file}, {"clean", clean}, {"claims", rows}}.dump(
                               2, ' ', false, nlohmann::json::error_handler_t::replace));
    } else {
        for (const Claim& claim : claims) {
            fmt::print("{}  {}: {}{}\n", claim.pass ? "pass" : "FAIL", claim.name,
                       claim.pass ? claim.actual : claim.detail,
                       claim.pass ? std::string() : " (expected: " + claim.expected + ")");
        }
        fmt::print("{}\n", clean ? "clean" : "not clean");
    }
    return clean ? all_well : held;
}

int contract(const ContractOptions& options) {
    Result<Opened> opened = open_and_replay(options.file);
    if (!opened) {
        return refuse(opened.problem());
    }
    const Scene& scene = opened->replay.prepared();
    if (options.against.empty()) {
        const Contract made = contract_of(scene, options.name.empty() ? opened->job.name : options.name);
        fmt::print("{}\n", contract_to_json(made).dump(2));
        return all_well;
    }
    const Result<Contract> wanted = contract_or_plan(options.against);
    if (!wanted) {
        return refuse(wanted.problem());
    }
    const std::vector<ContractDifference> differences = compare_with_contract(scene, *wanted);
    for (const ContractDifference& difference : differences) {
        fmt::print("{}\n", difference.sentence);
    }
    for (const ContractMatch& match : propose_matches(scene, *wanted)) {
        if (scene.nodes[match.joint].name != match.to) {
            fmt::print("{} → {} (told by {})\n", scene.nodes[match.joint].name, match.to, how_name(match.how));
        }
    }
    fmt::print("{}\n", differences.empty() ? "the same skeleton" : fmt::format("{} differences", differences.size()));
    return differences.empty() ? all_well : held;
}

} // namespace wembrix::cli
