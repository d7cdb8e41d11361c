// The route card on the right edge: the job's steps in order, each with what it did and its drift.
#pragma once

#include "session/document.h"
#include "session/session.h"

#include <QWidget>
#include <vector>

class QLabel;
class QMenu;
class QScrollArea;
class QVBoxLayout;

namespace wembrix::app {

class StepCard;

class RouteCard : public QWidget {
    Q_OBJECT
  public:
    RouteCard(Document& document, Session& session, QWidget* parent = nullptr);
    /// Opens the dialog for a new step of a kind, and puts it where it works: before what cuts takes.
    /// Lets one be found among all kinds of steps, then adds it.
    void choose_step();
    void add_step(const std::string& id);
    void add_step(Step step);
    void edit_step(size_t index);
    void see_end();
    /// Asks for a name and keeps the steps under it, for this person or the team.
    void keep_as_preset(const std::vector<Step>& steps, bool for_team);
    /// All steps, as a text that another job takes; those made by hand on this one's surfaces stay behind.
    void copy_all();
    /// What such a text holds, each where it works.
    void paste();

  Q_SIGNALS:
    void foldAsked();

  private:
    void rebuild();
    void add_card();
    void add_steps(const QString& name, const std::vector<Step>& steps);
    void fill_menu(QMenu& menu);
    void see_step(size_t index);
    void see_new_step(); ///< one that came onto the card since it was shown
    void move_step(size_t from, size_t to);
    [[nodiscard]] size_t place_at(const QPoint& global) const;

    Document& document_;
    Session& session_;
    QVBoxLayout* column_;
    QWidget* list_;
    QScrollArea* scroll_;
    QLabel* hint_;
    std::vector<StepCard*> cards_; ///< by their places on the card
    std::vector<Step> shown_;
};

} // namespace wembrix::app
