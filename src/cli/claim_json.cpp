#include "commands.h"

namespace wembrix::cli {

nlohmann::json claim_json(const Claim& claim) {
    nlohmann::json json = {{"claim", claim.name},
                           {"expected", claim.expected},
                           {"actual", claim.actual},
                           {"pass", claim.pass},
                           {"detail", claim.detail}};
    if (!claim.accepted.empty()) {
        json["accepted"] = claim.accepted;
    }
    if (!claim.differences.empty()) {
        json["differences"] = claim.differences;
    }
    return json;
}

} // namespace wembrix::cli
