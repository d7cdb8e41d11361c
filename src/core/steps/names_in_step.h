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

struct StepContext;
/// Names and patterns in a step's parameters that nothing has in the scene that it works on: each once. Names of what
/// steps make are none of them.
std::vector<std::string> names_of_nothing(const StepContext& context, const Step& step);

/// Gives the steps from `first` on the new names of what they name, and of what steps make that is called after it.
void follow_names(std::vector<Step>& steps, size_t first, NameOf what, std::map<std::string, std::string> names);

} // namespace wembrix
