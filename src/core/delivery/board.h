// The delivery board: deliverables by destinations, each cell never, stale, held or arrived, with its reason.
// Told from the manifest that lies with the files, so that it holds over restarts.
#pragma once

#include "core/delivery/delivery.h"
#include "core/delivery/taken.h"

#include <optional>
#include <string>
#include <vector>

namespace wembrix {

struct BoardCell {
    Deliverable deliverable;
    CellState state = CellState::never;
    std::string file;                 ///< the first that is there; empty where none is
    Text reason;                      ///< why it is not arrived; empty when it is
    Taken taken = Taken::cannot_know; ///< of the file that is there, where it arrived
    std::string content;              ///< hash of what would go into the file now
    double drift_mm = 0;              ///< of the file that is there
    uintmax_t bytes = 0;              ///< of the file that is there
    uintmax_t plain_bytes = 0;        ///< what a lean one would have if it were not; 0: it is not, or it was not asked
};

struct BoardColumn {
    std::string destination;
    std::vector<BoardCell> cells;   ///< model first, then clips in order
    std::optional<Problem> problem; ///< why nothing can be planned
};

/// Looks at the folder of one destination. `request.prepared`, `.destination`, `.job_name`, `.folder` and
/// `.made_from` are used.
BoardColumn read_board(const DeliveryRequest& request);

} // namespace wembrix
