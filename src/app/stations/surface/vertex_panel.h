// The chosen vertices and what holds them, in numbers that can be typed.
#pragma once

#include "session/selection.h"
#include "session/session.h"
#include "stations/surface/weight_painter.h"

#include <QAbstractTableModel>
#include <QWidget>

class QComboBox;
class QDoubleSpinBox;
class QLabel;
class QTableView;

namespace wembrix::app {

/// Joints that hold the chosen vertices, each with the mean of its weights there.
class VertexWeightsModel : public QAbstractTableModel {
    Q_OBJECT
  public:
    using QAbstractTableModel::QAbstractTableModel;
    struct Row {
        int64_t joint = 0;
        QString name;
        double weight = 0;
        bool locked = false;
    };
    void set_rows(std::vector<Row> rows);
    [[nodiscard]] const std::vector<Row>& rows() const { return rows_; }

    [[nodiscard]] int rowCount(const QModelIndex& parent = {}) const override;
    [[nodiscard]] int columnCount(const QModelIndex& parent = {}) const override;
    [[nodiscard]] QVariant data(const QModelIndex& index, int role) const override;
    bool setData(const QModelIndex& index, const QVariant& value, int role) override;
    [[nodiscard]] QVariant headerData(int section, Qt::Orientation orientation, int role) const override;
    [[nodiscard]] Qt::ItemFlags flags(const QModelIndex& index) const override;

  Q_SIGNALS:
    void typed(qlonglong joint, double weight);

  private:
    std::vector<Row> rows_;
};

class VertexPanel : public QWidget {
    Q_OBJECT
  public:
    VertexPanel(Session& session, WeightPainter& painter, QWidget* parent = nullptr);
    void refresh();
    [[nodiscard]] VertexWeightsModel& weights() { return *model_; }

  Q_SIGNALS:
    void stepAsked(const wembrix::Step& step);

  private:
    Session& session_;
    WeightPainter& painter_;
    QLabel* said_;
    VertexWeightsModel* model_;
    QTableView* table_;
    QComboBox* joint_;
    QDoubleSpinBox* weight_;
};

} // namespace wembrix::app
