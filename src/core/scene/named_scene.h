// A source as it was read, before it is put with others.
#pragma once

#include "core/scene/scene.h"

#include <cstdint>
#include <string>

namespace wembrix {

struct NamedScene {
    std::string name; ///< of its file
    Scene scene;
};

/// Identities of what came from the source at `place` are its own plus this, in the scene that sources were put into.
constexpr int64_t identities_from(size_t place) {
    return static_cast<int64_t>(place) << 32U;
}
/// Which source an identity is from.
constexpr size_t source_of_identity(int64_t identity) {
    return static_cast<size_t>(identity >> 32U);
}

} // namespace wembrix
