// A prefix on names that somebody else's file put there.
#include "core/findings/all.h"
#include "core/steps/names.h"

#include <fmt/format.h>
#include <map>

namespace wembrix {

std::vector<Finding> find_name_prefixes(const FindingContext& context) {
    std::map<std::string, int> prefixes;
    for (const Node& node : context.scene.nodes) {
        const std::string_view prefix = prefix_of(node.name, ":");
        if (!prefix.empty()) {
            ++prefixes[std::string(prefix)];
        }
    }
    std::vector<Finding> findings;
    for (const auto& [prefix, count] : prefixes) {
        Finding finding;
        finding.grade = Grade::look;
        finding.where = prefix;
        finding.message = fmt::format("{} names begin with “{}”", count, prefix);
        finding.reason = "Clips made for bare names will not find these joints.";
        finding.step = Step{"strip_prefix"};
        findings.push_back(std::move(finding));
    }
    return findings;
}

} // namespace wembrix
