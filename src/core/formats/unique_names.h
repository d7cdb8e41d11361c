// Names as core wants them: each once, none empty.
#pragma once

#include "core/scene/scene.h"

#include <string>
#include <vector>

namespace wembrix {

/// Gives every string of the list another name than the others', in order; how many were changed is a note of the
/// scene's, on that kind of thing.
void make_names_unique(std::vector<std::string*> names, const std::string& fallback, const std::string& kind,
                       Scene& scene);

} // namespace wembrix
