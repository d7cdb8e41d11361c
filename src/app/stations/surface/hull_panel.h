// The collision hulls of Prepared, and the steps that make them.
#pragma once

#include "core/measure/hulls/hull_facts.h"
#include "core/steps/step.h"

#include <QAbstractTableModel>
#include <QWidget>
#include <memory>

class QLabel;
class QTableView;

namespace wembrix::app {

class HullsModel : public QAbstractTableModel {
    Q_OBJECT
  public:
    using QAbstractTableModel::QAbstractTableModel;
    void show_scene(std::shared_ptr<const Scene> scene);
    [[nodiscard]] const std::vector<HullFacts>& rows() const { return rows_; }
    [[nodiscard]] int64_t identity(int row) const; ///< 0 where there is no such row
    [[nodiscard]] std::string name(int row) const;

    [[nodiscard]] int rowCount(const QModelIndex& parent = {}) const override;
    [[nodiscard]] int columnCount(const QModelIndex& parent = {}) const override;
    [[nodiscard]] QVariant data(const QModelIndex& index, int role) const override;
    [[nodiscard]] QVariant headerData(int section, Qt::Orientation orientation, int role) const override;

  private:
    std::shared_ptr<const Scene> scene_;
    std::vector<HullFacts> rows_;
};

class HullPanel : public QWidget {
    Q_OBJECT
  public:
    explicit HullPanel(QWidget* parent = nullptr);
    void show_scene(const std::shared_ptr<const Scene>& scene);
    [[nodiscard]] HullsModel& model() { return *model_; }
    [[nodiscard]] int64_t chosen() const; ///< identity; 0: none

  Q_SIGNALS:
    void chosenChanged();
    void stepAsked(const wembrix::Step& step);

  private:
    HullsModel* model_;
    QTableView* table_;
    QLabel* said_;
};

} // namespace wembrix::app
