#include "commands.h"

#include "core/formats/format.h"
#include "core/formats/format_table.h"

#include <fmt/format.h>

namespace wembrix::cli {

int list_formats(const StepsOptions& options) {
    if (options.markdown) {
        fmt::print("{}", format_table());
        return all_well;
    }
    nlohmann::json rows = nlohmann::json::array();
    for (const Format& format : formats()) {
        if (options.json) {
            rows.push_back({{"format", format.id},
                            {"label", format.label},
                            {"suffixes", format.suffixes},
                            {"reads", format.reads != 0},
                            {"writes", format.writes != 0}});
        } else {
            fmt::print("{:<14} {:<8} {:<12} {}\n", format.id, format.suffix(),
                       format.is_read_only() ? "read" : "both ways", format.label);
        }
    }
    if (options.json) {
        fmt::print("{}\n", nlohmann::json{{"formats", rows}}.dump(2));
    }
    return all_well;
}

} // namespace wembrix::cli
