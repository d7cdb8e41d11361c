// Findings as cards, each with the step that mends it one click away.
#pragma once

#include "session/document.h"
#include "session/session.h"

#include <QWidget>

class QFrame;
class QScrollArea;
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
    struct Row {
        Finding finding;
        bool open = true; ///< else it is mended, and stands where it stood
    };
    QFrame* finding_card(const Finding& finding);
    QFrame* mended_card(const Finding& finding);
    void ask_to_accept(const Finding& finding);
    void merge(const std::vector<Finding>& now);
    void rebuild();
    static constexpr int page_rows = 200; ///< cards are widgets: thousands would stand still
    std::vector<Row> rows_;
    int shown_ = page_rows;          ///< of the rows, from the first
    std::vector<JobSource> sources_; ///< of the job that the rows are about
    QScrollArea* scroll_;
    Document& document_;
    Session& session_;
    QWidget* list_;
    QVBoxLayout* column_;
    QLabel* title_;
};

} // namespace wembrix::app
