// Guides as rows of a step's parameters, and of a file of their own.
#pragma once

#include "core/parameters/parameter.h"
#include "core/plan/guides.h"

namespace wembrix {

struct GuideRow {
    enum class On : uint8_t { middle, left, right };
    std::string chain;
    int copy = 1;
    int point = 1;
    On side = On::middle;
    double x_m = 0, y_m = 0, z_m = 0;
};
std::vector<Parameter> guide_columns();
Guide guide_from(const GuideRow& row);
/// {"chain", "point", "x_m", "y_m", "z_m"}; "copy" and "side" where they are not the first and the middle. To 0.001 mm.
nlohmann::json row_of_guide(const Guide& guide);
nlohmann::json rows_of_guides(const std::vector<Guide>& guides);
/// A list of such rows, or {"guides": [...]}.
Result<std::vector<Guide>> guides_from_json(const nlohmann::json& json, const std::string& where);

} // namespace wembrix
