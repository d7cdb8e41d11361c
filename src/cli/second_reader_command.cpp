#include "commands.h"
#include "interrupt.h"

#include "core/delivery/second_reader.h"

#include <algorithm>
#include <fmt/format.h>

namespace wembrix::cli {

int ask_second_reader(const std::vector<std::string>& files, double longest_s, bool as_json) {
    SecondReaderRequest request;
    request.files.assign(files.begin(), files.end());
    request.longest_s = longest_s;
    const Result<std::vector<std::vector<Claim>>> answers = wembrix::ask_second_reader(request);
    if (!answers) {
        return refuse(answers.problem());
    }
    bool well = true;
    nlohmann::json all = nlohmann::json::array();
    for (size_t f = 0; f < files.size(); ++f) {
        nlohmann::json rows = nlohmann::json::array();
        if (!as_json) {
            fmt::print("{}\n", files[f]);
        }
        for (const Claim& claim : (*answers)[f]) {
            well = well && claim.pass;
            rows.push_back(claim_json(claim));
            if (!as_json) {
                fmt::print("  {:<28} {:<26} {:<36} {}\n", claim.name, claim.expected, claim.actual,
                           claim.pass ? "pass" : "FAIL " + claim.detail);
            }
        }
        all.push_back({{"file", files[f]}, {"claims", rows}});
    }
    if (as_json) {
        fmt::print("{}\n", nlohmann::json{{"reader", second_reader()->string()}, {"files", all}}.dump(2));
    }
    return well ? all_well : held;
}

SecondReaderSaid second_reader_on(const std::vector<Arrival>& arrivals, const std::filesystem::path& folder) {
    SecondReaderSaid said;
    if (!second_reader()) {
        said.lines.push_back(how_to_get_second_reader());
        said.as_json = {{"missing", said.lines.front()}};
        return said;
    }
    SecondReaderRequest request;
    for (const Arrival& arrival : arrivals) {
        for (const std::string& file : arrival.files) {
            if (arrival.state == CellState::arrived && second_reader_reads(file)) {
                request.files.push_back(folder / file);
            }
        }
    }
    request.stop = [] { return was_interrupted(); };
    if (request.files.empty()) {
        said.lines.emplace_back("nothing arrived that the second reader reads: it takes .glb, .gltf and .dae");
        said.as_json = {{"files", nlohmann::json::array()}};
        return said;
    }
    const Result<std::vector<std::vector<Claim>>> answers = wembrix::ask_second_reader(request);
    if (!answers) {
        said.is_well = false;
        said.lines.push_back(answers.problem().sentence());
        said.as_json = {{"problem", said.lines.front()}};
        return said;
    }
    nlohmann::json files = nlohmann::json::array();
    for (size_t f = 0; f < request.files.size(); ++f) {
        nlohmann::json rows = nlohmann::json::array();
        const std::string file = request.files[f].lexically_relative(folder).generic_string();
        size_t passed = 0;
        for (const Claim& claim : (*answers)[f]) {
            rows.push_back(claim_json(claim));
            passed += claim.pass ? 1 : 0;
            if (!claim.pass) {
                said.is_well = false;
                said.lines.push_back(fmt::format("second reader: {}: {} is {}, not {}. {}", file, claim.name,
                                                 claim.actual, claim.expected, claim.detail));
            }
        }
        said.lines.push_back(fmt::format("second reader: {}: {} of {} claims pass", file, passed, rows.size()));
        files.push_back({{"file", file}, {"claims", rows}});
    }
    said.as_json = {{"reader", second_reader()->string()}, {"files", files}};
    return said;
}

} // namespace wembrix::cli
