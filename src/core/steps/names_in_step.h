// The names that stand in a step's parameters, as its parameters declare them: to follow what is renamed, and to tell
// what a step asks for.
#pragma once

#include "core/parameters/parameter.h"
#include "core/steps/step.h"

#include <map>
#include <string>
#include <vector>

namespace wembrix {

/// Every name of that kind, in texts, lists, rows and the keys of pairs; patterns are given as they stand.
std::vector<std::string> names_in(const Step& step, NameOf what);

/// Gives the steps from `first` on the new names of what they name, and of what steps make that is called after it.
void follow_names(std::vector<Step>& steps, size_t first, NameOf what, std::map<std::string, std::string> names);

} // namespace wembrix
