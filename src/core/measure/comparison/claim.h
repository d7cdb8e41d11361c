// What is claimed of something that was read back, and whether it holds.
#pragma once

#include "core/base/text.h"

#include <string>
#include <vector>

namespace wembrix {

/// One line of a check.
struct Claim {
    Text name;
    Text expected;
    Text actual;
    bool pass = false;
    Text detail;                     ///< why it does not pass
    std::string accepted{};          ///< the note, where a person decided to live with what does not pass
    size_t compared = 0;             ///< how many things were held against their counterparts, where counted
    std::vector<Text> differences{}; ///< each thing that differs, where and how; the first hundred
    [[nodiscard]] bool holds_back() const { return !pass && accepted.empty(); }
};

} // namespace wembrix
