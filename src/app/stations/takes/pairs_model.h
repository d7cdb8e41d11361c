// Which joint of a take answers which here, as rows; a click on one chooses another answer.
#pragma once

#include "core/job/retargeted.h"

#include <QAbstractTableModel>
#include <QStringList>

namespace wembrix::app {

class PairsModel : public QAbstractTableModel {
    Q_OBJECT
  public:
    enum Column { source, here, how, apart, columns };
    using QAbstractTableModel::QAbstractTableModel;
    void show_source(const RetargetedSource& source);
    [[nodiscard]] const RetargetedSource& shown() const { return source_; }
    /// What a joint can be of a body, in the order of MapPair::Role.
    [[nodiscard]] static QStringList roles();
    /// What a cell can become: joints of the source, the first is none; roles.
    [[nodiscard]] QStringList answers(const QModelIndex& index) const;

    [[nodiscard]] int rowCount(const QModelIndex& parent = {}) const override;
    [[nodiscard]] int columnCount(const QModelIndex& parent = {}) const override;
    [[nodiscard]] QVariant data(const QModelIndex& index, int role) const override;
    bool setData(const QModelIndex& index, const QVariant& value, int role) override;
    [[nodiscard]] Qt::ItemFlags flags(const QModelIndex& index) const override;
    [[nodiscard]] QVariant headerData(int section, Qt::Orientation orientation, int role) const override;

  Q_SIGNALS:
    void mapAsked(const wembrix::JointMap& map, const QString& what); ///< a pair was corrected

  private:
    struct Row {
        std::vector<std::string> source;
        std::vector<std::string> here;
        QString how;
        double apart_degrees = -1; ///< below 0: its bone leads nowhere
        int worst_frame = 0;
    };
    RetargetedSource source_;
    std::vector<Row> rows_; ///< the target's joints in their order, then what nothing answers
};

} // namespace wembrix::app
