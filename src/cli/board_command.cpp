#include "commands.h"

#include "core/base/files.h"
#include "core/delivery/board.h"
#include "core/delivery/delivery_folder.h"

#include <chrono>
#include <fmt/format.h>
#include <thread>

namespace wembrix::cli {

namespace {
/// Looks again and again, for so many seconds, whether the engine has taken what arrived.
void wait_for_engine(BoardColumn& column, const DeliveryRequest& request, double seconds) {
    const auto end = std::chrono::steady_clock::now() + std::chrono::duration<double>(seconds);
    for (BoardCell& cell : column.cells) {
        while (cell.taken == Taken::waiting && std::chrono::steady_clock::now() < end) {
            std::this_thread::sleep_for(std::chrono::milliseconds(100));
            cell.taken = taken_by_engine(request.folder, cell.file, request.destination);
        }
    }
}

std::string said_of_cell(const BoardCell& cell) {
    if (cell.state != CellState::arrived) {
        return cell.reason;
    }
    return fmt::format("drift {:.4f} mm{}{}", cell.drift_mm, said_of_plain(cell.bytes, cell.plain_bytes),
                       cell.taken == Taken::taken     ? " · the engine has taken it"
                       : cell.taken == Taken::waiting ? " · the engine has not taken it yet"
                                                      : "");
}
} // namespace

int board(const BoardOptions& options) {
    const Result<Opened> opened = open_and_replay(options.job);
    if (!opened) {
        return refuse(opened.problem());
    }
    if (opened->job.destinations.empty()) {
        return refuse({"has no destinations.", options.job, ""});
    }
    nlohmann::json columns = nlohmann::json::array();
    int code = all_well;
    for (const Destination& destination : opened->job.destinations) {
        DeliveryRequest request;
        request.prepared = &opened->replay.prepared();
        request.destination = destination;
        request.job_name = opened->job.name;
        request.folder = options.out.empty() ? delivery_folder(opened->folder, opened->job.deliveries, destination)
                                             : std::filesystem::path(options.out) / file_name_safe(destination.name);
        request.made_from = opened->sources.made_from(opened->job);
        BoardColumn column = read_board(request);
        wait_for_engine(column, request, options.wait_s);
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
            const bool is_waited_for = options.wait_s > 0 && cell.taken == Taken::waiting;
            code = cell.state == CellState::arrived && !is_waited_for ? code : held;
            cells.push_back({{"deliverable", cell.deliverable.id()},
                             {"file", cell.deliverable.stem},
                             {"state", cell_state_name(cell.state)},
                             {"reason", cell.reason},
                             {"drift_mm", cell.drift_mm},
                             {"bytes", cell.bytes},
                             {"plain_bytes", cell.plain_bytes},
                             {"engine", taken_name(cell.taken)}});
            if (!options.json) {
                fmt::print("  {:<8} {:<28} {}\n", cell_state_name(cell.state), cell.deliverable.stem,
                           said_of_cell(cell));
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
