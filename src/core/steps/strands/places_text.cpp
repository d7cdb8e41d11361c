#include "core/steps/strands/places_text.h"
#include "core/base/text.h"

#include <cmath>
#include <cstdlib>
#include <fmt/format.h>

namespace wembrix {

std::optional<std::vector<Vec3>> places_in_text(const std::string& text) {
    std::vector<Vec3> places;
    const char* at = text.c_str();
    while (true) {
        Vec3 place;
        for (Eigen::Index axis = 0; axis < 3; ++axis) {
            char* end = nullptr;
            place[axis] = std::strtod(at, &end) / 1000;
            if (end == at || !std::isfinite(place[axis])) {
                return std::nullopt;
            }
            at = end;
        }
        places.push_back(place);
        while (*at == ' ') {
            ++at;
        }
        if (*at == 0) {
            return places.size() >= 2 ? std::optional(places) : std::nullopt;
        }
        if (*at++ != ',') {
            return std::nullopt;
        }
    }
}

std::string text_of_places(const std::vector<Vec3>& places) {
    std::string text;
    for (const Vec3& place : places) {
        text += fmt::format("{}{:.2f} {:.2f} {:.2f}", text.empty() ? "" : ", ", place.x() * 1000, place.y() * 1000,
                            place.z() * 1000);
    }
    return text;
}

} // namespace wembrix
