#include "stations/deliver/board_model.h"

#include "core/delivery/manifest.h"

#include <algorithm>
#include <map>

namespace wembrix::app {

BoardModel::BoardModel(Document& document, Session& session, DeliveryRunner& runner, QObject* parent)
    : QAbstractTableModel(parent), document_(document), session_(session), runner_(runner) {
    connect(&session_, &Session::changed, this, &BoardModel::refresh);
    connect(&document_, &Document::jobChanged, this, &BoardModel::refresh);
    connect(&document_, &Document::pathChanged, this, &BoardModel::refresh);
    connect(&runner_, &DeliveryRunner::arrivalChanged, this, &BoardModel::refresh);
    connect(&runner_, &DeliveryRunner::finished, this, &BoardModel::refresh);
}

void BoardModel::refresh() {
    beginResetModel();
    rows_.clear();
    problem_.clear();
    destinations_ = document_.job().destinations;
    const std::shared_ptr<const SessionState> state = session_.state();
    std::map<std::string, size_t> places;
    for (size_t d = 0; state && d < destinations_.size(); ++d) {
        const Destination& destination = destinations_[d];
        const Scene& prepared = state->replay.prepared();
        const Result<std::vector<Deliverable>> plan = plan_deliverables(prepared, destination, document_.job().name);
        if (!plan) {
            problem_ = QString::fromStdString(plan.problem().sentence());
            continue;
        }
        const std::string fingerprint = session_.fingerprint(destination);
        const std::filesystem::path folder = runner_.folder_of(destination);
        const nlohmann::json manifest = read_manifest(folder);
        for (const Deliverable& deliverable : *plan) {
            const auto [place, fresh] = places.try_emplace(deliverable.id(), rows_.size());
            if (fresh) {
                Row row;
                row.file = QString::fromStdString(deliverable.stem);
                if (deliverable.kind == Deliverable::Kind::model) {
                    size_t shapes = 0;
                    const std::vector<int> surfaces = surfaces_of(prepared);
                    for (const int node : surfaces) {
                        shapes += prepared.meshes[prepared.nodes[node].mesh].shapes.size();
                    }
                    row.what = tr("model · %1 surfaces · %2 shapes").arg(surfaces.size()).arg(shapes);
                } else {
                    const Clip& clip = *prepared.find_clip(deliverable.clip);
                    row.what = tr("clip · %1 f · %2").arg(clip.frames()).arg(clip.repeats ? tr("repeats") : tr("once"));
                }
                row.cells.resize(destinations_.size());
                rows_.push_back(std::move(row));
            }
            BoardCell& cell = rows_[place->second].cells[d];
            cell.planned = true;
            cell.key = {destination.name, deliverable.id()};
            const KnownState known = state_in_manifest(manifest, folder, deliverable, fingerprint);
            const Arrival* arrival = runner_.arrival(cell.key);
            cell.state = arrival != nullptr && arrival->state == CellState::held ? CellState::held : known.state;
            if (cell.state == CellState::held) {
                cell.detail = QString::fromStdString(arrival->reason);
            } else if (cell.state == CellState::arrived) {
                cell.detail = deliverable.kind == Deliverable::Kind::model
                                  ? QString::fromStdString(destination.in_units(state->prepared.height_m))
                                  : tr("%1 s").arg(prepared.find_clip(deliverable.clip)->seconds, 0, 'f', 2);
                cell.number = tr("%1 mm").arg(known.drift_mm, 0, 'f', 3);
            } else {
                cell.detail = cell.state == CellState::stale ? tr("the job changed since") : tr("not delivered yet");
            }
        }
    }
    endResetModel();
}

int BoardModel::rowCount(const QModelIndex& parent) const {
    return parent.isValid() ? 0 : static_cast<int>(rows_.size());
}
int BoardModel::columnCount(const QModelIndex& parent) const {
    return parent.isValid() ? 0 : 1 + static_cast<int>(destinations_.size());
}

QVariant BoardModel::data(const QModelIndex& index, int role) const {
    const Row& row = rows_[index.row()];
    if (index.column() == 0) {
        return role == Qt::DisplayRole ? QVariant(row.file) : role == Qt::UserRole ? QVariant(row.what) : QVariant();
    }
    const BoardCell& at = row.cells[index.column() - 1];
    if (role == Qt::DisplayRole || role == Qt::AccessibleTextRole) {
        return QString::fromUtf8(cell_state_name(at.state).data());
    }
    if (role == Qt::ToolTipRole) {
        return at.detail + (at.number.isEmpty() ? QString() : tr(" · drift %1").arg(at.number));
    }
    return {};
}

QVariant BoardModel::headerData(int section, Qt::Orientation orientation, int role) const {
    if (orientation != Qt::Horizontal || role != Qt::DisplayRole) {
        return {};
    }
    if (section == 0) {
        return tr("File");
    }
    const Destination& destination = destinations_[section - 1];
    const QString summary = QString::fromStdString(destination.summary());
    return QString::fromStdString(destination.name) + QStringLiteral(" · ") +
           summary.section(QStringLiteral(" · "), 0, 1);
}

const BoardCell* BoardModel::cell(const QModelIndex& index) const {
    if (!index.isValid() || index.column() == 0 || index.row() >= static_cast<int>(rows_.size())) {
        return nullptr;
    }
    const BoardCell& at = rows_[index.row()].cells[index.column() - 1];
    return at.planned ? &at : nullptr;
}

std::vector<CellKey> BoardModel::due() const {
    std::vector<CellKey> keys;
    for (const Row& row : rows_) {
        for (const BoardCell& at : row.cells) {
            if (at.planned && at.state != CellState::arrived) {
                keys.push_back(at.key);
            }
        }
    }
    return keys;
}

int BoardModel::count(CellState state) const {
    int number = 0;
    for (const Row& row : rows_) {
        number += static_cast<int>(std::count_if(row.cells.begin(), row.cells.end(),
                                                 [&](const BoardCell& at) { return at.planned && at.state == state; }));
    }
    return number;
}

} // namespace wembrix::app
