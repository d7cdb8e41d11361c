// The delivery board as data: deliverables by destinations, each cell never, stale, held or arrived.
#pragma once

#include "session/delivery_runner.h"
#include "session/session.h"

#include <QAbstractTableModel>
#include <vector>

namespace wembrix::app {

struct BoardCell {
    bool planned = false;
    CellKey key;
    CellState state = CellState::never;
    QString detail; ///< length, reason
    QString number; ///< drift
};

class BoardModel : public QAbstractTableModel {
    Q_OBJECT
  public:
    BoardModel(Document& document, Session& session, DeliveryRunner& runner, QObject* parent = nullptr);

    [[nodiscard]] int rowCount(const QModelIndex& parent = {}) const override;
    [[nodiscard]] int columnCount(const QModelIndex& parent = {}) const override;
    [[nodiscard]] QVariant data(const QModelIndex& index, int role) const override;
    [[nodiscard]] QVariant headerData(int section, Qt::Orientation orientation, int role) const override;

    [[nodiscard]] const BoardCell* cell(const QModelIndex& index) const;
    [[nodiscard]] std::vector<CellKey> due() const; ///< all that has not arrived as it should be now
    [[nodiscard]] int count(CellState state) const;
    [[nodiscard]] const QString& problem() const { return problem_; }
    void refresh();

  private:
    struct Row {
        QString file;
        QString what;
        std::vector<BoardCell> cells;
    };
    Document& document_;
    Session& session_;
    DeliveryRunner& runner_;
    std::vector<Row> rows_;
    std::vector<Destination> destinations_;
    QString problem_;
};

} // namespace wembrix::app
