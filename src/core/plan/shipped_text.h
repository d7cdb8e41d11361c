// The plans that come with Wembrix, as the files in plan/shipped say them: made by CMake.
#pragma once

#include <vector>

namespace wembrix {

const std::vector<const char*>& shipped_plan_texts();

} // namespace wembrix
