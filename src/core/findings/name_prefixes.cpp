// A prefix on names that somebody else's file put there.
#include "core/base/counted.h"
#include "core/base/text.h"
#include "core/findings/finding.h"
#include "core/steps/names.h"

#include <map>

namespace wembrix {

std::vector<Finding> find_name_prefixes(const FindingContext& context) {
    std::map<std::string, std::vector<std::string>> prefixes;
    for (const Node& node : context.scene.nodes) {
        const std::string_view prefix = prefix_of(node.name, ":");
        if (!prefix.empty()) {
            prefixes[std::string(prefix)].push_back(node.name);
        }
    }
    std::vector<Finding> findings;
    for (const auto& [prefix, names] : prefixes) {
        Finding finding;
        finding.grade = Grade::look;
        finding.where = prefix;
        finding.nodes = names;
        finding.message = phrase("{} begin with “{}”", counted(names.size(), "name"), prefix);
        finding.reason = "Clips made for bare names will not find these joints.";
        finding.step = Step{"strip_prefix"};
        findings.push_back(std::move(finding));
    }
    return findings;
}

} // namespace wembrix
