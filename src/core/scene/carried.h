// What a source held that core does not interpret: kept as JSON text and passed on by writers that can.
#pragma once

#include <string>
#include <tuple>

namespace wembrix {

struct Carried {
    std::string extras;     ///< JSON text or empty
    std::string extensions; ///< JSON text of an object or empty
    std::string other;      ///< JSON text of an object: what stood beside what core reads; or empty
    [[nodiscard]] bool empty() const { return extras.empty() && extensions.empty() && other.empty(); }
    template <typename Self> static auto fields(Self& s) { return std::tie(s.extras, s.extensions, s.other); }
};

} // namespace wembrix
