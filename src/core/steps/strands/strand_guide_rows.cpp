#include "core/steps/strands/strand_guide_rows.h"

#include "core/base/text.h"
#include "core/parameters/parameter.h"

#include <cmath>

namespace wembrix {

namespace {

bool read_place(const nlohmann::json& json, Vec3& place) {
    if (!json.is_array() || json.size() != 3) {
        return false;
    }
    for (size_t c = 0; c < 3; ++c) {
        if (!json[c].is_number() || !std::isfinite(json[c].get<double>())) {
            return false;
        }
        place[static_cast<Eigen::Index>(c)] = json[c].get<double>() / 1000;
    }
    return true;
}

nlohmann::json in_mm(const Vec3& place) {
    const auto rounded = [](double m) { return std::round(m * 1e7) / 1e4; };
    return {rounded(place.x()), rounded(place.y()), rounded(place.z())};
}

} // namespace

Result<std::vector<StrandGuideRow>> guide_rows_from_json(const nlohmann::json& json) {
    constexpr size_t most_guides = 10000;
    constexpr size_t most_points = 1000;
    std::vector<StrandGuideRow> rows;
    if (!json.is_array() || json.size() > most_guides) {
        return malformed(phrase("guides are a list of at most {}.", most_guides));
    }
    for (size_t g = 0; g < json.size(); ++g) {
        const nlohmann::json& one = json[g];
        StrandGuideRow row;
        if (!one.is_object() || !one.contains("root_mm") || !read_place(one["root_mm"], row.root)) {
            return malformed(phrase("guide {} has no root of three numbers.", g + 1));
        }
        const nlohmann::json points = one.value("points_mm", nlohmann::json::array());
        if (!points.is_array() || points.empty() || points.size() > most_points) {
            return malformed(phrase("guide {} has no points, or more than {}.", g + 1, most_points));
        }
        for (const nlohmann::json& point : points) {
            row.offsets.emplace_back();
            if (!read_place(point, row.offsets.back())) {
                return malformed(phrase("a point of guide {} is not three numbers.", g + 1));
            }
        }
        rows.push_back(std::move(row));
    }
    return rows;
}

nlohmann::json guide_rows_to_json(const std::vector<StrandGuideRow>& rows) {
    nlohmann::json all = nlohmann::json::array();
    for (const StrandGuideRow& row : rows) {
        nlohmann::json points = nlohmann::json::array();
        for (const Vec3& offset : row.offsets) {
            points.push_back(in_mm(offset));
        }
        all.push_back({{"root_mm", in_mm(row.root)}, {"points_mm", std::move(points)}});
    }
    return all;
}

} // namespace wembrix
