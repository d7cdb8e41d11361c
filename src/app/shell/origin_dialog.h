// The family and the variant that a job's files are of: their names, and the ids that stay.
#pragma once

#include "core/delivery/made_from.h"

#include <QDialog>

class QLineEdit;

namespace wembrix::app {

class OriginDialog : public QDialog {
    Q_OBJECT
  public:
    explicit OriginDialog(const Origin& origin, QWidget* parent = nullptr);
    /// As typed; without names the ids are as they were.
    [[nodiscard]] Origin origin() const;
    /// Another variant of the family is asked for, to be saved as a job of its own.
    [[nodiscard]] bool wants_variant() const { return wants_variant_; }

  private:
    Origin before_;
    QLineEdit* family_;
    QLineEdit* variant_;
    QLineEdit* license_;
    QLineEdit* credits_;
    bool wants_variant_ = false;
};

} // namespace wembrix::app
