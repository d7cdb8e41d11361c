#include "core/formats/usd/crate_types.h"

#include <algorithm>

namespace wembrix::usd {

CrateType crate_type(Type type) {
    type.is_array = false;
    if (type.kind == Kind::timecode) {
        return CrateType::timecode;
    }
    const auto found = std::find(crate_values.begin() + 1, crate_values.end(), type);
    return found == crate_values.end() ? CrateType::invalid : static_cast<CrateType>(found - crate_values.begin());
}

std::optional<Type> type_of_crate(uint8_t type) {
    if (type == static_cast<uint8_t>(CrateType::timecode)) {
        return Type{Kind::timecode};
    }
    return type == 0 || type >= crate_values.size() ? std::nullopt : std::optional(crate_values[type]);
}

} // namespace wembrix::usd
