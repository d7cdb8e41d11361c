// A rename rule, with what it would make of every name before it is used.
#pragma once

#include "core/steps/rename_rules.h"
#include "session/document.h"
#include "session/session.h"

#include <QWidget>

class QComboBox;
class QLabel;
class QLineEdit;
class QPushButton;
class QTableWidget;

namespace wembrix::app {

class RuleBox : public QWidget {
    Q_OBJECT
  public:
    RuleBox(Document& document, Session& session, QWidget* parent = nullptr);
    [[nodiscard]] const std::vector<RenameRow>& preview() const { return rows_; }

  Q_SIGNALS:
    void previewChanged(); ///< rows that change, or none

  private:
    void refresh();
    void use();
    void show_kind();
    /// The rule as it is typed now; null when something is missing.
    [[nodiscard]] nlohmann::json rule() const;

    Document& document_;
    Session& session_;
    QComboBox* kind_; ///< find and replace, side words, letters
    QComboBox* detail_;
    QLineEdit* find_;
    QLabel* arrow_;
    QLineEdit* replace_;
    QPushButton* use_;
    QLabel* outcome_;
    QTableWidget* table_;
    std::vector<RenameRow> rows_;
};

} // namespace wembrix::app
