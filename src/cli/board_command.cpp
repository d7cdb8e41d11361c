#include "commands.h"

#include "core/base/files.h"
#include "core/delivery/board.h"

#include <fmt/format.h>

namespace wembrix::cli {

int board(const BoardOptions& options) {
    const Result<Opened> opened = open_and_replay(options.job);
    if (!opened) {
        return refuse(opened.problem());
    }
    if (opened->job.destinations.empty()) {
        return refuse({"has no destinations.", options.job, ""});
    }
    const std::filesystem::path below =
        options.out.empty() ? opened->folder / opened->job.deliveries : std::filesystem::path(options.out);
    nlohmann::json columns = nlohmann::json::array();
    int code = all_well;
    for (const Destination& destination : opened->job.destinations) {
        DeliveryRequest request;
        request.prepared = &opened->replay.prepared();
        request.destination = destination;
        request.job_name = opened->job.name;
        request.folder = below / file_name_safe(destination.name);
        request.made_from = opened->sources.made_from(opened->job);
        const BoardColumn column = read_board(request);
        nlohmann::json cells = nlohmann::json::array();
        if (!options.json) {
            fmt::print("{} ({}) → {}\n", destination.name, destination.summary(), request.folder.string());
        }
        if (column.problem) {
            code = held;
            if (!options.json) {
                fmt::print("  {}\n", column.problem->sentence());
            }
        }
        for (const BoardCell& cell : column.cells) {
            code = cell.state == CellState::arrived ? code : held;
            cells.push_back({{"deliverable", cell.deliverable.id()},
                             {"file", cell.deliverable.stem},
                             {"state", cell_state_name(cell.state)},
                             {"reason", cell.reason},
                             {"drift_mm", cell.drift_mm},
                             {"bytes", cell.bytes},
                             {"plain_bytes", cell.plain_bytes}});
            if (!options.json) {
                fmt::print("  {:<8} {:<28} {}\n", cell_state_name(cell.state), cell.deliverable.stem,
                           cell.state == CellState::arrived ? fmt::format("drift {:.4f} mm{}", cell.drift_mm,
                                                                          said_of_plain(cell.bytes, cell.plain_bytes))
                                                            : cell.reason);
            }
        }
        columns.push_back({{"destination", destination.name},
                           {"folder", request.folder.string()},
                           {"problem", column.problem ? nlohmann::json(column.problem->sentence()) : nlohmann::json()},
                           {"cells", cells}});
    }
    if (options.json) {
        fmt::print("{}\n", nlohmann::json{{"job", opened->job.name}, {"board", columns}}.dump(2));
    }
    return code;
}

} // namespace wembrix::cli
