// The delivery board as data: deliverables by destinations, each cell never, stale, held or arrived.
#pragma once

#include "session/delivery_runner.h"
#include "session/session.h"

#include <QAbstractTableModel>
#include <QThreadPool>
#include <QTimer>
#include <atomic>
#include <vector>

namespace wembrix::app {

struct BoardEntry {
    bool planned = false;
    CellKey key;
    CellState state = CellState::never;
    std::string content;  ///< hash of what would go into it now
    QString detail;       ///< length, reason
    QString number;       ///< drift
    std::string file;     ///< the first of those that are there
    bool waiting = false; ///< the engine has not taken it yet, as far as one can tell
};

class BoardModel : public QAbstractTableModel {
    Q_OBJECT
  public:
    BoardModel(Document& document, Session& session, DeliveryRunner& runner, QObject* parent = nullptr);
    ~BoardModel() override;

    [[nodiscard]] int rowCount(const QModelIndex& parent = {}) const override;
    [[nodiscard]] int columnCount(const QModelIndex& parent = {}) const override;
    [[nodiscard]] QVariant data(const QModelIndex& index, int role) const override;
    [[nodiscard]] QVariant headerData(int section, Qt::Orientation orientation, int role) const override;

    [[nodiscard]] const BoardEntry* cell(const QModelIndex& index) const;
    [[nodiscard]] const BoardEntry* entry(const CellKey& key) const; ///< null when it is not planned
    [[nodiscard]] std::vector<CellKey> due() const;                  ///< all that has not arrived as it should be now
    [[nodiscard]] std::vector<CellKey> planned() const;              ///< all there are
    [[nodiscard]] int count(CellState state) const;
    [[nodiscard]] const QString& problem() const { return table_.problem; }
    struct Row {
        QString file;
        QString what;
        std::vector<BoardEntry> cells; ///< one a destination
    };
    struct Table {
        std::vector<Row> rows;
        std::vector<Destination> destinations;
        QString problem;
    };
    [[nodiscard]] const Table& table() const { return table_; }
    /// Looks at the folders of all destinations in the background; the model is reset when that is done.
    void refresh();
    /// False while what is shown is older than the job.
    [[nodiscard]] bool is_current() const { return shown_run_ == run_; }
    /// Looks whether the engine has taken what it had not; done by itself as long as anything waits.
    void look_for_records();

  private:
    Document& document_;
    Session& session_;
    DeliveryRunner& runner_;
    Table table_;
    QThreadPool worker_;
    QTimer records_;
    std::atomic<uint64_t> run_ = 0;
    uint64_t shown_run_ = 0;
};

} // namespace wembrix::app
