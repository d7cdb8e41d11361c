#include "commands.h"

#include "core/base/counted.h"

#include <fmt/format.h>

namespace wembrix::cli {

std::string said_of_plain(uintmax_t bytes, uintmax_t plain) {
    return plain == 0 ? ""
                      : fmt::format(" ({:.0f} % of {} plain)",
                                    100.0 * static_cast<double>(bytes) / static_cast<double>(plain), said_bytes(plain));
}

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
