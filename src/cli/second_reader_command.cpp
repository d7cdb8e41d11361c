#include "commands.h"

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

} // namespace wembrix::cli
