#include "core/findings/finding.h"

#include "core/findings/all.h"

#include <algorithm>
#include <array>

namespace wembrix {

std::string_view grade_name(Grade grade) {
    constexpr std::array<std::string_view, 3> names = {"stop", "look", "note"};
    return names.at(static_cast<size_t>(grade));
}

std::span<const FindingKind> finding_kinds() {
    static constexpr std::array<FindingKind, 6> rows = {{
        {"size", find_odd_size},
        {"roots", find_roots},
        {"holder", find_holders},
        {"name_prefix", find_name_prefixes},
        {"take_name", find_take_names},
        {"reader", find_reader_notes},
    }};
    return rows;
}

std::vector<Finding> look_for_findings(const FindingContext& context) {
    std::vector<Finding> all;
    for (const FindingKind& kind : finding_kinds()) {
        for (Finding& finding : kind.look(context)) {
            finding.id = kind.id;
            all.push_back(std::move(finding));
        }
    }
    std::stable_sort(all.begin(), all.end(), [](const Finding& a, const Finding& b) { return a.grade < b.grade; });
    return all;
}

} // namespace wembrix
