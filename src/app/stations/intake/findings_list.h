// Findings as cards, each with the step that mends it one click away.
#pragma once

#include "session/document.h"
#include "session/session.h"

#include <QWidget>

class QFrame;
class QVBoxLayout;
class QLabel;

namespace wembrix::app {

class FindingsList : public QWidget {
    Q_OBJECT
  public:
    FindingsList(Document& document, Session& session, QWidget* parent = nullptr);

  Q_SIGNALS:
    void placeAsked(const wembrix::Finding& finding);

  private:
    QFrame* finding_card(const Finding& finding);
    void rebuild();
    Document& document_;
    Session& session_;
    QWidget* list_;
    QVBoxLayout* column_;
    QLabel* title_;
};

} // namespace wembrix::app
