// What a source held that core does not interpret: kept as JSON text and passed on by writers that can.
#pragma once

#include "core/base/shared.h"

#include <cstdint>
#include <string>
#include <vector>

namespace wembrix {

struct Carried {
    std::string extras;     ///< JSON text or empty
    std::string extensions; ///< JSON text of an object or empty
    [[nodiscard]] bool empty() const { return extras.empty() && extensions.empty(); }
};

struct Image {
    std::string json; ///< the image object without its address
    std::string mime;
    Shared<uint8_t> bytes;
};

struct Material {
    std::string name;
    float base_colour[4] = {0.8F, 0.8F, 0.8F, 1.0F}; ///< linear RGBA, for the view
    std::string json;                                ///< the whole material object
};

} // namespace wembrix
