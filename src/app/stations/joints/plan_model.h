// The chains of a plan as rows: name, number of joints, what they are called, how long they are.
#pragma once

#include "core/plan/planned_skeleton.h"

#include <QAbstractTableModel>

namespace wembrix::app {

class PlanModel : public QAbstractTableModel {
    Q_OBJECT
  public:
    enum Column { chain, joints, twists, names, length, columns };
    using QAbstractTableModel::QAbstractTableModel;
    /// Guides may be empty: then lengths are unknown.
    void show_plan(const Plan& plan, const Guides& guides);
    [[nodiscard]] const Plan& plan() const { return plan_; }
    [[nodiscard]] std::string name(int row) const;
    [[nodiscard]] int row_of(const std::string& chain) const; ///< -1 if there is none

    [[nodiscard]] int rowCount(const QModelIndex& parent = {}) const override;
    [[nodiscard]] int columnCount(const QModelIndex& parent = {}) const override;
    [[nodiscard]] QVariant data(const QModelIndex& index, int role) const override;
    bool setData(const QModelIndex& index, const QVariant& value, int role) override;
    [[nodiscard]] Qt::ItemFlags flags(const QModelIndex& index) const override;
    [[nodiscard]] QVariant headerData(int section, Qt::Orientation orientation, int role) const override;

  Q_SIGNALS:
    void planAsked(const wembrix::Plan& plan, const QString& what); ///< a cell was changed

  private:
    Plan plan_;
    std::vector<ChainLength> lengths_;
};

} // namespace wembrix::app
