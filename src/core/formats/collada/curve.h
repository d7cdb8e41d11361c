// One animated thing over time, as a sampler says it.
#pragma once

#include "core/formats/collada/document.h"

#include <optional>
#include <vector>

namespace wembrix::collada {

/// Keys in ascending order of time; between them by the kind of the earlier one.
struct Curve {
    enum class Kind : uint8_t { linear, step, bezier };
    std::vector<double> times;   ///< seconds
    size_t width = 1;            ///< values a key
    std::vector<double> values;  ///< width * keys
    std::vector<Kind> kinds;     ///< of each key
    std::vector<double> handles; ///< of each value four: time and value of the point before it, and of the one behind

    /// One value. `before`: what holds just before the moment, where it jumps there.
    [[nodiscard]] double at(double seconds, size_t value, bool before = false) const;
    [[nodiscard]] bool is_stepped() const;
    /// The place of the last key that is not behind a moment; 0 before the first.
    [[nodiscard]] size_t key_at(double seconds) const;
};

/// Nothing, and a note, where its lists do not go together.
std::optional<Curve> curve_of(Reading& reading, Element sampler);

} // namespace wembrix::collada
