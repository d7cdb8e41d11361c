#include "core/delivery/board.h"

#include "core/base/files.h"
#include "core/base/text.h"
#include "core/delivery/manifest.h"
#include "core/delivery/pictures.h"
#include "core/steps/names.h"

#include <algorithm>

namespace wembrix {

namespace {

namespace fs = std::filesystem;

/// What changed between the making of a file and now, in a few words.
Text why_stale(const ManifestRow& row, const DeliveryRequest& request, const std::string& model_content) {
    if (row.made_from.sources.empty()) {
        return "its manifest does not say what it was made from";
    }
    std::vector<std::string> changed;
    for (const auto& [name, hash] : request.made_from.sources) {
        const auto before = std::find_if(row.made_from.sources.begin(), row.made_from.sources.end(),
                                         [&, &n = name](const auto& source) { return source.first == n; });
        if (before == row.made_from.sources.end()) {
            changed.push_back(name + " came in");
        } else if (before->second != hash) {
            changed.push_back(name + " changed");
        }
    }
    for (const auto& [name, hash] : row.made_from.sources) {
        if (std::none_of(request.made_from.sources.begin(), request.made_from.sources.end(),
                         [&, &n = name](const auto& source) { return source.first == n; })) {
            changed.push_back(name + " went");
        }
    }
    if (row.made_from.destination != hash_of_destination(request.destination)) {
        changed.emplace_back("the destination changed");
    }
    if (row.made_from.card != request.made_from.card) {
        changed.emplace_back("the route card changed");
    }
    if (changed.empty()) {
        changed.emplace_back("another version of Wembrix made it");
    }
    const DeliverableKind* kind = kind_of_deliverable(row.deliverable);
    if (kind != nullptr && kind->stands_on_model && row.model_content != model_content) {
        return some_of(changed) + phrase(", and with it the model that this {} moves", kind->id);
    }
    return some_of(changed);
}

} // namespace

BoardColumn read_board(const DeliveryRequest& request) {
    BoardColumn column;
    column.destination = request.destination.name;
    Result<std::vector<Deliverable>> plan =
        plan_deliverables(*request.prepared, request.destination, request.naming(), request.folder);
    if (!plan) {
        column.problem = plan.problem();
        return column;
    }
    const nlohmann::json manifest = read_manifest(request.folder, request.owner());
    const std::vector<ManifestRow> rows = rows_of(manifest);
    const std::vector<HeldRow> held = held_in(manifest);
    const std::string model = content_of_model(*request.prepared, request.destination, request.job_name);
    for (const Deliverable& deliverable : *plan) {
        BoardCell cell;
        cell.deliverable = deliverable;
        cell.content = deliverable.content;
        cell.reason = "not delivered yet";
        for (const ManifestRow& row : rows) {
            if (row.deliverable != deliverable.id()) {
                continue;
            }
            std::error_code error;
            if (!fs::exists(request.folder / row.file, error)) {
                cell.state = CellState::never;
                cell.reason = phrase("“{}” was delivered and is gone", row.file);
                break;
            }
            cell.drift_mm = row.drift_mm;
            cell.bytes += row.file.starts_with(picture_folder) ? 0 : row.bytes;
            cell.plain_bytes += row.plain_bytes;
            cell.file = cell.file.empty() ? row.file : cell.file;
            if (row.content != cell.content) {
                cell.state = CellState::stale;
                cell.reason = why_stale(row, request, model);
                break;
            }
            if (!is_untouched(request.folder, row)) {
                cell.state = CellState::stale;
                cell.reason = phrase("somebody changed “{}” after it was delivered", row.file);
                break;
            }
            cell.state = CellState::arrived;
            cell.reason.clear();
        }
        if (cell.state == CellState::arrived) {
            cell.taken = taken_by_engine(request.folder, cell.file, request.destination);
        }
        for (const HeldRow& row : held) {
            if (row.deliverable == deliverable.id() && row.content == cell.content &&
                cell.state != CellState::arrived) {
                cell.state = CellState::held;
                cell.reason = row.reason;
            }
        }
        column.cells.push_back(std::move(cell));
    }
    return column;
}

} // namespace wembrix
