// Asks why a stop is right as it is.
#pragma once

#include "core/findings/finding.h"

#include <QDialog>

class QLineEdit;

namespace wembrix::app {

class AcceptDialog : public QDialog {
    Q_OBJECT
  public:
    explicit AcceptDialog(const Finding& finding, QWidget* parent = nullptr);
    [[nodiscard]] QString note() const;

  private:
    QLineEdit* note_;
};

} // namespace wembrix::app
