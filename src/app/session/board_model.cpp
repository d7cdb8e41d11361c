#include "session/board_model.h"
#include "style/language.h"

#include "core/base/counted.h"
#include "core/delivery/board.h"

#include <algorithm>
#include <cmath>
#include <map>

namespace wembrix::app {

namespace {

QString not_taken() {
    return QObject::tr("not taken · ");
}
QString taken_words() {
    return QObject::tr("taken · ");
}

BoardEntry entry_of(const BoardCell& cell, const Destination& destination, const Scene& prepared) {
    BoardEntry entry;
    entry.planned = true;
    entry.key = {destination.name, cell.deliverable.id()};
    entry.state = cell.state;
    entry.content = cell.content;
    entry.file = cell.file;
    if (cell.state == CellState::arrived) {
        entry.detail = localized(cell.deliverable.kind->size(prepared, cell.deliverable.name, destination));
        if (cell.plain_bytes > 0) {
            entry.detail =
                QObject::tr("%1 (%2 %)")
                    .arg(localized(said_bytes(cell.bytes)))
                    .arg(std::lround(100.0 * static_cast<double>(cell.bytes) / static_cast<double>(cell.plain_bytes)));
        }
        if (cell.taken != Taken::cannot_know) {
            entry.waiting = cell.taken == Taken::waiting;
            entry.detail.prepend(entry.waiting ? not_taken() : taken_words()); // first: what follows may be cut
        }
        entry.number = QObject::tr("%1 mm").arg(cell.drift_mm, 0, 'f', 3);
    } else {
        entry.detail = localized(cell.reason);
    }
    return entry;
}

BoardModel::Table read_table(const std::vector<DeliveryRequest>& requests) {
    BoardModel::Table table;
    std::map<std::string, size_t> places;
    for (size_t d = 0; d < requests.size(); ++d) {
        const DeliveryRequest& request = requests[d];
        table.destinations.push_back(request.destination);
        const BoardColumn column = read_board(request);
        if (column.problem) {
            table.problem = localized(column.problem->sentence());
        }
        for (const BoardCell& cell : column.cells) {
            const auto [place, fresh] = places.try_emplace(cell.deliverable.id(), table.rows.size());
            if (fresh) {
                BoardModel::Row row;
                row.file = QString::fromStdString(cell.deliverable.stem);
                row.what = localized(cell.deliverable.kind->facts(*request.prepared, cell.deliverable.name));
                row.cells.resize(requests.size());
                table.rows.push_back(std::move(row));
            }
            table.rows[place->second].cells[d] = entry_of(cell, request.destination, *request.prepared);
        }
    }
    return table;
}

} // namespace

BoardModel::BoardModel(Document& document, Session& session, DeliveryRunner& runner, QObject* parent)
    : QAbstractTableModel(parent), document_(document), session_(session), runner_(runner) {
    worker_.setMaxThreadCount(1);
    records_.setInterval(1000);
    connect(&records_, &QTimer::timeout, this, &BoardModel::look_for_records);
    connect(this, &QAbstractItemModel::modelReset, &records_, [this] { records_.start(); });
    connect(&session_, &Session::changed, this, &BoardModel::refresh);
    connect(&document_, &Document::jobChanged, this, &BoardModel::refresh);
    connect(&document_, &Document::pathChanged, this, &BoardModel::refresh);
    connect(&runner_, &DeliveryRunner::arrivalChanged, this, &BoardModel::refresh);
    connect(&runner_, &DeliveryRunner::finished, this, &BoardModel::refresh);
}

void BoardModel::look_for_records() {
    bool any = false;
    for (size_t r = 0; r < table_.rows.size(); ++r) {
        for (size_t d = 0; d < table_.rows[r].cells.size(); ++d) {
            BoardEntry& entry = table_.rows[r].cells[d];
            if (!entry.waiting) {
                continue;
            }
            const Destination& destination = table_.destinations[d];
            entry.waiting = taken_by_engine(runner_.folder_of(destination), entry.file, destination) == Taken::waiting;
            any = any || entry.waiting;
            if (!entry.waiting) {
                entry.detail.replace(not_taken(), taken_words());
                const QModelIndex at = index(static_cast<int>(r), static_cast<int>(d) + 1);
                Q_EMIT dataChanged(at, at);
            }
        }
    }
    if (!any) {
        records_.stop();
    }
}

BoardModel::~BoardModel() {
    ++run_;
    worker_.waitForDone();
}

void BoardModel::refresh() {
    const uint64_t run = ++run_;
    const std::shared_ptr<const SessionState> state = session_.state();
    std::vector<DeliveryRequest> requests;
    for (const Destination& destination : document_.job().destinations) {
        if (std::optional<DeliveryRequest> request = runner_.request_for(destination)) {
            requests.push_back(std::move(*request));
        }
    }
    if (!state || requests.empty()) {
        beginResetModel();
        table_ = {};
        table_.destinations = document_.job().destinations;
        shown_run_ = run;
        endResetModel();
        return;
    }
    worker_.start([this, run, state, requests = std::move(requests)]() mutable {
        if (run_ != run) {
            return;
        }
        for (DeliveryRequest& request : requests) {
            request.prepared = &state->replay.prepared();
        }
        Table table = read_table(requests);
        QMetaObject::invokeMethod(
            this,
            [this, run, table = std::move(table)] {
                if (run_ == run) {
                    beginResetModel();
                    table_ = table;
                    shown_run_ = run;
                    endResetModel();
                }
            },
            Qt::QueuedConnection);
    });
}

int BoardModel::rowCount(const QModelIndex& parent) const {
    return parent.isValid() ? 0 : static_cast<int>(table_.rows.size());
}
int BoardModel::columnCount(const QModelIndex& parent) const {
    return parent.isValid() ? 0 : 1 + static_cast<int>(table_.destinations.size());
}

QVariant BoardModel::data(const QModelIndex& index, int role) const {
    const Row& row = table_.rows[index.row()];
    if (index.column() == 0) {
        return role == Qt::DisplayRole ? QVariant(row.file) : role == Qt::UserRole ? QVariant(row.what) : QVariant();
    }
    const BoardEntry& at = row.cells[index.column() - 1];
    if (role == Qt::DisplayRole || role == Qt::AccessibleTextRole) {
        return localized(cell_state_name(at.state));
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
    const Destination& destination = table_.destinations[section - 1];
    const QString summary = localized(destination.summary());
    return QString::fromStdString(destination.name) + QStringLiteral(" · ") +
           summary.section(QStringLiteral(" · "), 0, 1);
}

const BoardEntry* BoardModel::cell(const QModelIndex& index) const {
    if (!index.isValid() || index.column() == 0 || index.row() >= static_cast<int>(table_.rows.size())) {
        return nullptr;
    }
    const BoardEntry& at = table_.rows[index.row()].cells[index.column() - 1];
    return at.planned ? &at : nullptr;
}

const BoardEntry* BoardModel::entry(const CellKey& key) const {
    for (const Row& row : table_.rows) {
        for (const BoardEntry& at : row.cells) {
            if (at.planned && at.key == key) {
                return &at;
            }
        }
    }
    return nullptr;
}

std::vector<CellKey> BoardModel::due() const {
    std::vector<CellKey> keys;
    for (const Row& row : table_.rows) {
        for (const BoardEntry& at : row.cells) {
            if (at.planned && at.state != CellState::arrived) {
                keys.push_back(at.key);
            }
        }
    }
    return keys;
}

std::vector<CellKey> BoardModel::planned() const {
    std::vector<CellKey> keys;
    for (const Row& row : table_.rows) {
        for (const BoardEntry& at : row.cells) {
            if (at.planned) {
                keys.push_back(at.key);
            }
        }
    }
    return keys;
}

int BoardModel::count(CellState state) const {
    int number = 0;
    for (const Row& row : table_.rows) {
        number += static_cast<int>(std::count_if(
            row.cells.begin(), row.cells.end(), [&](const BoardEntry& at) { return at.planned && at.state == state; }));
    }
    return number;
}

} // namespace wembrix::app
