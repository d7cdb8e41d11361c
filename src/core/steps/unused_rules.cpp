#include "core/steps/unused_rules.h"

#include "core/base/text.h"
#include "core/steps/names.h"

#include <algorithm>

namespace wembrix {

void tell_unused(const RenameRules& rules, const std::vector<std::string>& all, const std::string& noun,
                 StepResult& result) {
    std::vector<std::string> missed;
    for (const auto& [before, after] : rules.names()) {
        if (std::find(all.begin(), all.end(), before) == all.end()) {
            missed.push_back(before);
        }
    }
    if (!missed.empty()) {
        result.could_not.push_back(phrase("there is no {} {} any more", noun, some_of(missed)));
        result.unmatched.insert(result.unmatched.end(), missed.begin(), missed.end());
    }
    for (const std::string& find : rules.idle(all)) {
        result.could_not.push_back(phrase("no {}'s name has anything that fits {}", noun, find));
        result.unmatched.push_back(find);
    }
}

} // namespace wembrix
