// What stayed behind on the way from the sources into the files, thing by thing.
#pragma once

#include "core/delivery/ledger.h"

#include <QDialog>

namespace wembrix::app {

class LedgerWindow : public QDialog {
    Q_OBJECT
  public:
    LedgerWindow(const Ledger& ledger, const QString& title, QWidget* parent = nullptr);
};

} // namespace wembrix::app
