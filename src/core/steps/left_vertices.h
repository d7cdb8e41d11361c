// Vertices that a step did not treat as it was asked.
#pragma once

#include <cstdint>
#include <string>
#include <vector>

namespace wembrix {

/// Of one surface node.
struct LeftVertices {
    std::string surface;
    std::vector<uint32_t> vertices; ///< ascending
};

} // namespace wembrix
