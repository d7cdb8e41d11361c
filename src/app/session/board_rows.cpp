#include "session/board_rows.h"
#include "style/language.h"

#include "core/base/counted.h"
#include "core/destination/file_kinds.h"

#include <QStringList>
#include <algorithm>
#include <array>
#include <map>

namespace wembrix::app {

namespace {

/// The board's columns but the first.
const BoardEntry* first_planned(const BoardModel::Row& row) {
    const auto found =
        std::find_if(row.cells.begin(), row.cells.end(), [](const BoardEntry& at) { return at.planned; });
    return found == row.cells.end() ? nullptr : &*found;
}

std::string kind_of(const BoardModel::Row& row) {
    const BoardEntry* cell = first_planned(row);
    return cell == nullptr ? std::string() : cell->key.second.substr(0, cell->key.second.find(':'));
}

} // namespace

BoardRows::BoardRows(BoardModel& board, QObject* parent) : QAbstractTableModel(parent), board_(board) {
    connect(&board_, &QAbstractItemModel::modelReset, this, [this] {
        beginResetModel();
        arrange();
        endResetModel();
    });
    arrange();
}

void BoardRows::set_filter(const BoardFilter& filter) {
    beginResetModel();
    if (filter.group != filter_.group) {
        folded_.clear();
    }
    filter_ = filter;
    arrange();
    endResetModel();
}

bool BoardRows::passes(const BoardEntry& at) const {
    if (!at.planned) {
        return false;
    }
    switch (filter_.state) {
    case BoardFilter::State::any:
        return true;
    case BoardFilter::State::due:
        return at.state != CellState::arrived;
    case BoardFilter::State::never:
        return at.state == CellState::never;
    case BoardFilter::State::stale:
        return at.state == CellState::stale;
    case BoardFilter::State::held:
        return at.state == CellState::held;
    case BoardFilter::State::arrived:
        return at.state == CellState::arrived;
    }
    return false;
}

bool BoardRows::passes(const BoardModel::Row& row) const {
    if (!filter_.kind.empty() && kind_of(row) != filter_.kind) {
        return false;
    }
    for (const QString& word : filter_.text.split(QLatin1Char(' '), Qt::SkipEmptyParts)) {
        if (!row.file.contains(word, Qt::CaseInsensitive) && !row.what.contains(word, Qt::CaseInsensitive)) {
            return false;
        }
    }
    return std::any_of(columns_.begin(), columns_.end(),
                       [&](int column) { return passes(row.cells[static_cast<size_t>(column)]); });
}

QString BoardRows::group_of(const BoardModel::Row& row) const {
    switch (filter_.group) {
    case BoardFilter::Group::kind: {
        const FileKind* kind = file_kind(kind_of(row));
        return kind == nullptr ? QString() : localized(kind->label);
    }
    case BoardFilter::Group::state: {
        // What needs most comes first in a row with several states.
        constexpr std::array order = {CellState::held, CellState::stale, CellState::never, CellState::arrived};
        for (const CellState state : order) {
            for (const int column : columns_) {
                const BoardEntry& at = row.cells[static_cast<size_t>(column)];
                if (at.planned && at.state == state) {
                    return localized(cell_state_name(state));
                }
            }
        }
        return {};
    }
    case BoardFilter::Group::folder:
        return row.file.contains(QLatin1Char('/')) ? row.file.section(QLatin1Char('/'), 0, -2) + QLatin1Char('/')
                                                   : tr("no folder of its own");
    case BoardFilter::Group::none:
        break;
    }
    return {};
}

void BoardRows::arrange() {
    const BoardModel::Table& table = board_.table();
    columns_.clear();
    for (size_t d = 0; d < table.destinations.size(); ++d) {
        if (filter_.destination.empty() || table.destinations[d].name == filter_.destination) {
            columns_.push_back(static_cast<int>(d));
        }
    }
    passing_.clear();
    for (size_t r = 0; r < table.rows.size(); ++r) {
        if (passes(table.rows[r])) {
            passing_.push_back(static_cast<int>(r));
        }
    }
    lines_.clear();
    if (filter_.group == BoardFilter::Group::none) {
        for (const int row : passing_) {
            lines_.push_back({row});
        }
        return;
    }
    std::vector<QString> order; // of the groups, as they are met
    std::map<QString, std::vector<int>> groups;
    for (const int row : passing_) {
        const QString group = group_of(table.rows[static_cast<size_t>(row)]);
        std::vector<int>& rows = groups[group];
        if (rows.empty()) {
            order.push_back(group);
        }
        rows.push_back(row);
    }
    for (const QString& group : order) {
        const std::vector<int>& rows = groups[group];
        lines_.push_back({-1, group, static_cast<int>(rows.size())});
        for (const int row : folded_.count(group) == 0 ? rows : std::vector<int>()) {
            lines_.push_back({row, group});
        }
    }
}

int BoardRows::rowCount(const QModelIndex& parent) const {
    return parent.isValid() ? 0 : static_cast<int>(lines_.size());
}

int BoardRows::columnCount(const QModelIndex& parent) const {
    return parent.isValid() ? 0 : 1 + static_cast<int>(columns_.size());
}

QVariant BoardRows::data(const QModelIndex& index, int role) const {
    const Line& line = lines_[static_cast<size_t>(index.row())];
    if (line.row < 0) {
        return index.column() == 0 && role == Qt::DisplayRole ? QVariant(*heading(index.row())) : QVariant();
    }
    const int column = index.column() == 0 ? 0 : 1 + columns_[static_cast<size_t>(index.column() - 1)];
    return board_.data(board_.index(line.row, column), role);
}

QVariant BoardRows::headerData(int section, Qt::Orientation orientation, int role) const {
    if (orientation != Qt::Horizontal || section > static_cast<int>(columns_.size())) {
        return {};
    }
    return board_.headerData(section == 0 ? 0 : 1 + columns_[static_cast<size_t>(section - 1)], orientation, role);
}

Qt::ItemFlags BoardRows::flags(const QModelIndex& index) const {
    return heading(index.row()) ? Qt::ItemIsEnabled : QAbstractTableModel::flags(index);
}

const BoardEntry* BoardRows::cell(const QModelIndex& index) const {
    if (!index.isValid() || index.column() == 0 || index.row() >= rowCount() || index.column() >= columnCount()) {
        return nullptr;
    }
    const Line& line = lines_[static_cast<size_t>(index.row())];
    if (line.row < 0) {
        return nullptr;
    }
    return board_.cell(board_.index(line.row, 1 + columns_[static_cast<size_t>(index.column() - 1)]));
}

QModelIndex BoardRows::index_of(const CellKey& key) const {
    const std::vector<BoardModel::Row>& rows = board_.table().rows;
    for (size_t l = 0; l < lines_.size(); ++l) {
        for (size_t c = 0; lines_[l].row >= 0 && c < columns_.size(); ++c) {
            const BoardEntry& at = rows[static_cast<size_t>(lines_[l].row)].cells[static_cast<size_t>(columns_[c])];
            if (at.planned && at.key == key) {
                return index(static_cast<int>(l), 1 + static_cast<int>(c));
            }
        }
    }
    return {};
}

std::optional<QString> BoardRows::heading(int row) const {
    if (row < 0 || row >= rowCount() || lines_[static_cast<size_t>(row)].row >= 0) {
        return std::nullopt;
    }
    const Line& line = lines_[static_cast<size_t>(row)];
    return line.group + QStringLiteral(" · ") + localized(wembrix::counted(static_cast<size_t>(line.count), "file"));
}

bool BoardRows::is_folded(int row) const {
    return heading(row) && folded_.count(lines_[static_cast<size_t>(row)].group) > 0;
}

void BoardRows::fold(int row) {
    if (!heading(row)) {
        return;
    }
    const QString group = lines_[static_cast<size_t>(row)].group;
    beginResetModel();
    if (folded_.erase(group) == 0) {
        folded_.insert(group);
    }
    arrange();
    endResetModel();
}

std::vector<int> BoardRows::headings() const {
    std::vector<int> rows;
    for (size_t l = 0; l < lines_.size(); ++l) {
        if (lines_[l].row < 0) {
            rows.push_back(static_cast<int>(l));
        }
    }
    return rows;
}

std::vector<CellKey> BoardRows::cells(bool only_due) const {
    std::vector<CellKey> keys;
    for (const int row : passing_) {
        for (const int column : columns_) {
            const BoardEntry& at = board_.table().rows[static_cast<size_t>(row)].cells[static_cast<size_t>(column)];
            if (passes(at) && !(only_due && at.state == CellState::arrived)) {
                keys.push_back(at.key);
            }
        }
    }
    return keys;
}

int BoardRows::file_count() const {
    return static_cast<int>(passing_.size());
}

} // namespace wembrix::app
