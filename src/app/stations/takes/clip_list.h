// The clips of a take as a list that can be typed in: frames, length, seam, travel, notes; and what the chosen one
// lacks.
#pragma once

#include "core/steps/step.h"
#include "stations/takes/takes_model.h"

#include <QFrame>

class QLabel;
class QPushButton;
class QTableWidget;
class QTableWidgetItem;

namespace wembrix::app {

class ClipList : public QFrame {
    Q_OBJECT
  public:
    explicit ClipList(const TakesModel& model, QWidget* parent = nullptr);

    /// `take` may be null. `chosen`: -1 for none.
    void show_clips(const TakeFacts* take, std::vector<Cut> cuts, int chosen);
    void choose(int clip);
    [[nodiscard]] bool ends_shown() const;

  Q_SIGNALS:
    void cutsEdited(const QString& what, const std::vector<wembrix::Cut>& cuts);
    void clipChosen(int clip);
    void stepAsked(const wembrix::Step& step); ///< a step to be looked at before it goes onto the card
    void readAsked();
    void writeAsked();
    void endsToggled(bool shown); ///< the chosen clip's first and last pose in the view

  private:
    QWidget* make_title();
    QWidget* make_mends();
    void make_table();
    void fill_row(int row);
    void say();
    void say_seam(const Cut& cut, const ClipFacts& facts);
    void edited(QTableWidgetItem* item);
    void colour(int row);
    [[nodiscard]] const Cut* chosen_cut() const;

    const TakesModel& model_;
    std::vector<Cut> cuts_;
    double rate_ = 30; ///< of the take
    bool any_ = false;
    int chosen_ = -1;
    QTableWidget* table_;
    QLabel* title_;
    QLabel* message_;
    QPushButton* ends_;
    QPushButton* close_;
    QPushButton* once_;
    QPushButton* blend_;
    QPushButton* way_;
};

} // namespace wembrix::app
