// How many of something, in words.
#pragma once

#include "core/base/text.h"

#include <cstdint>
#include <fmt/format.h>
#include <string>
#include <string_view>

namespace wembrix {

/// "vertices" of "vertex".
inline std::string plural_of(std::string_view noun) {
    std::string many(noun);
    if (many.ends_with("ex")) {
        return many.replace(many.size() - 2, 2, "ices");
    }
    if (many.ends_with('y') && !many.ends_with("ey")) {
        return many.replace(many.size() - 1, 1, "ies");
    }
    return many + "s";
}

/// "1 joint", "3 joints", "0 vertices".
template <typename Count> Text counted(Count count, std::string_view noun) {
    return {fmt::format("{} {}", count, count == Count(1) ? std::string(noun) : plural_of(noun)),
            Text::Kind::count,
            std::string(noun),
            {{static_cast<uint64_t>(count)}}};
}

/// "812 bytes", "1.4 MB": of a thousand and of a million.
inline Text said_bytes(uint64_t bytes) {
    if (bytes < 10'000) {
        return counted(bytes, "byte");
    }
    const auto number = static_cast<double>(bytes);
    return bytes < 1'000'000       ? phrase("{:.0f} kB", number / 1e3)
           : bytes < 1'000'000'000 ? phrase("{:.1f} MB", number / 1e6)
                                   : phrase("{:.2f} GB", number / 1e9);
}

} // namespace wembrix
