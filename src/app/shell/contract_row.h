// The contract of a destination: which one, taken from where, or none.
#pragma once

#include "core/measure/skeleton/contract.h"

#include <QWidget>
#include <optional>

class QLabel;
class QPushButton;

namespace wembrix::app {

class ContractRow : public QWidget {
    Q_OBJECT
  public:
    /// `own`: the skeleton that the job has prepared, if there is one.
    explicit ContractRow(std::optional<Contract> own, QWidget* parent = nullptr);
    void show_contract(const std::optional<Contract>& contract);

  Q_SIGNALS:
    void chosen(const std::optional<wembrix::Contract>& contract);
    void failed(const QString& problem);

  private:
    void read_file();
    void write_file();

    std::optional<Contract> own_;
    std::optional<Contract> now_;
    QLabel* name_;
    QPushButton* none_;
    QPushButton* write_;
};

} // namespace wembrix::app
