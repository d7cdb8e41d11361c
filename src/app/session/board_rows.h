// What of the board is shown: the rows and destinations that a filter lets through, in groups if wanted.
#pragma once

#include "session/board_model.h"

#include <QAbstractTableModel>
#include <QString>
#include <optional>
#include <set>
#include <vector>

namespace wembrix::app {

struct BoardFilter {
    enum class State { any, due, never, stale, held, arrived };
    enum class Group { none, kind, state, folder };
    QString text; ///< in the file's name or in what it is, any case; several words: all of them
    State state = State::any;
    std::string kind;        ///< of files; empty: any
    std::string destination; ///< its name; empty: all
    Group group = Group::none;
    [[nodiscard]] bool is_open() const {
        return text.trimmed().isEmpty() && state == State::any && kind.empty() && destination.empty();
    }
};

class BoardRows : public QAbstractTableModel {
    Q_OBJECT
  public:
    explicit BoardRows(BoardModel& board, QObject* parent = nullptr);

    void set_filter(const BoardFilter& filter);
    [[nodiscard]] const BoardFilter& filter() const { return filter_; }

    [[nodiscard]] int rowCount(const QModelIndex& parent = {}) const override;
    [[nodiscard]] int columnCount(const QModelIndex& parent = {}) const override;
    [[nodiscard]] QVariant data(const QModelIndex& index, int role) const override;
    [[nodiscard]] QVariant headerData(int section, Qt::Orientation orientation, int role) const override;
    [[nodiscard]] Qt::ItemFlags flags(const QModelIndex& index) const override;

    [[nodiscard]] const BoardEntry* cell(const QModelIndex& index) const;
    [[nodiscard]] QModelIndex index_of(const CellKey& key) const; ///< invalid where it is not shown
    /// "clips · 12 files", where the row is the heading of a group.
    [[nodiscard]] std::optional<QString> heading(int row) const;
    [[nodiscard]] bool is_folded(int row) const;
    void fold(int row); ///< or unfold: the group that the row is the heading of
    /// Rows that are headings.
    [[nodiscard]] std::vector<int> headings() const;

    /// Of the files that the filter lets through, folded away or not: all, or those that have not arrived as they
    /// should be now.
    [[nodiscard]] std::vector<CellKey> cells(bool only_due = false) const;
    [[nodiscard]] int file_count() const; ///< rows that the filter lets through

  private:
    struct Line {
        int row = -1;    ///< of the board; -1: a heading
        QString group{}; ///< its key
        int count = 0;   ///< files below a heading
    };
    void arrange();
    [[nodiscard]] bool passes(const BoardEntry& at) const;
    [[nodiscard]] bool passes(const BoardModel::Row& row) const;
    [[nodiscard]] QString group_of(const BoardModel::Row& row) const;

    BoardModel& board_;
    BoardFilter filter_;
    std::vector<int> passing_; ///< rows of the board
    std::vector<int> columns_; ///< of the board's destinations
    std::vector<Line> lines_;
    std::set<QString> folded_; ///< keys of groups
};

} // namespace wembrix::app
