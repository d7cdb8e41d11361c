#include "core/plan/guide_rows.h"

#include <cmath>

namespace wembrix {

using nlohmann::json;

std::vector<Parameter> guide_columns() {
    return {text<&GuideRow::chain>("chain", "Chain", "Of the plan").needed(),
            number<&GuideRow::copy>("copy", "Copy", "Where the plan has several side by side").between(1, 1000),
            number<&GuideRow::point>("point", "Point", "Which of its guide points").between(1, 1000).needed(),
            choice<&GuideRow::side>("side", "Side", {"middle", "left", "right"}, "Of a chain on both sides"),
            number<&GuideRow::x_m>("x_m", "X", "Position").unit("m").between(-1e6, 1e6).needed(),
            number<&GuideRow::y_m>("y_m", "Y", "Position").unit("m").between(-1e6, 1e6).needed(),
            number<&GuideRow::z_m>("z_m", "Z", "Position").unit("m").between(-1e6, 1e6).needed()};
}

Guide guide_from(const GuideRow& row) {
    const Side side = row.side == GuideRow::On::left    ? Side::left
                      : row.side == GuideRow::On::right ? Side::right
                                                        : Side::middle;
    return {{row.chain, row.copy, row.point, side}, {row.x_m, row.y_m, row.z_m}, true};
}

json row_of_guide(const Guide& guide) {
    const auto rounded = [](double metres) { return std::round(metres * 1e6) / 1e6; };
    json row = {{"chain", guide.id.chain},
                {"point", guide.id.point},
                {"x_m", rounded(guide.at.x())},
                {"y_m", rounded(guide.at.y())},
                {"z_m", rounded(guide.at.z())}};
    if (guide.id.copy != 1) {
        row["copy"] = guide.id.copy;
    }
    if (guide.id.side != Side::middle) {
        row["side"] = guide.id.side == Side::left ? "left" : "right";
    }
    return row;
}

json rows_of_guides(const std::vector<Guide>& guides) {
    json rows = json::array();
    for (const Guide& guide : guides) {
        rows.push_back(row_of_guide(guide));
    }
    return rows;
}

Result<std::vector<Guide>> guides_from_json(const json& given, const std::string& where) {
    const json* list = &given;
    if (given.is_object() && given.contains("guides")) {
        list = &given.at("guides");
    }
    if (!list->is_array()) {
        return Problem{"is no list of guides.", where, ""};
    }
    const std::vector<Parameter> columns = guide_columns();
    std::vector<Guide> guides;
    for (const json& row : *list) {
        if (!row.is_object()) {
            return Problem{"has a guide that is no object.", where, ""};
        }
        if (std::optional<Problem> problem = check_parameters(columns, row)) {
            return Problem{problem->what, where, problem->remedy};
        }
        GuideRow settings;
        fill_settings(columns, row, &settings);
        guides.push_back(guide_from(settings));
    }
    return guides;
}

} // namespace wembrix
