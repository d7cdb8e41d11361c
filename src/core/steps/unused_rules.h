// Rules and names of a renaming that found nothing: told, so that a mistyped one does not pass.
#pragma once

#include "core/steps/rename_rules.h"
#include "core/steps/step_kind.h"

#include <string>
#include <vector>

namespace wembrix {

/// `all` are the names that the rules were given, `nouns` what has them ("joint"). Adds to `could_not` and `unmatched`.
void tell_unused(const RenameRules& rules, const std::vector<std::string>& all, const std::string& noun,
                 StepResult& result);

} // namespace wembrix
