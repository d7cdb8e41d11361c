// The clips of all takes as a list that can be typed in: frames, length, seam, travel, notes; and what the chosen one
// lacks. A take that is not cut is one row: it goes out whole. Below them stand the clips that steps made.
#pragma once

#include "core/steps/step.h"
#include "stations/takes/takes_model.h"

#include <QFrame>

class QLabel;
class QMenu;
class QPushButton;
class QTableWidget;
class QTableWidgetItem;

namespace wembrix::app {

struct ListedTake {
    QString name;
    int frames = 1;
    double rate = 30;
    std::vector<Cut> cuts;
    bool loop = false; ///< the take itself
};

class ClipList : public QFrame {
    Q_OBJECT
  public:
    explicit ClipList(const TakesModel& model, QWidget* parent = nullptr);

    void show_takes(std::vector<ListedTake> takes, std::vector<MadeClip> made);
    /// A clip of a take by its place among its cuts, or, where it is not cut, the take itself: -1.
    void choose(const QString& take, int clip);
    void choose_made(const QString& name);
    /// Names of all rows that are chosen, in their order.
    [[nodiscard]] QStringList chosen_names() const;
    [[nodiscard]] bool ends_shown() const;
    /// Says why something was not done, until another clip is chosen or something is done.
    void refuse(const QString& why);

  Q_SIGNALS:
    void cutsEdited(const QString& what, const QString& take, const std::vector<wembrix::Cut>& cuts);
    void clipChosen(const QString& take, int clip);
    void madeChosen(const QString& name);
    void madeEdited(const QString& what, const QString& name, const wembrix::Cut& said);
    void stepWanted(const QString& id);        ///< one for the rows that are chosen
    void stepAsked(const wembrix::Step& step); ///< a step to be looked at before it goes onto the card
    void readAsked();
    void writeAsked();
    void endsToggled(bool shown); ///< the chosen clip's first and last pose in the view

  private:
    QWidget* make_title();
    QWidget* make_offers();
    void make_table();
    void resizeEvent(QResizeEvent* event) override;
    /// Where all columns have no room, those that say least are hidden; what they say is in the tooltip of the name.
    void fit_columns();
    QMenu* make_more();
    void fill_row(int row);
    void show_message();
    void show_seam(const Cut& cut, const ClipFacts& facts);
    void edited(QTableWidgetItem* item);
    void colour(int row);
    struct Row {
        size_t take = 0;
        int clip = -1; ///< -1: the whole take
        int made = -1; ///< a clip that a step made
    };
    [[nodiscard]] Cut cut_at(int row) const;
    [[nodiscard]] int row_of(const QString& take, int clip) const;
    [[nodiscard]] int row_of_made(int made) const;
    void show_row(int row);
    /// The row that was chosen, and others that still have one of these names.
    void choose_again(const QStringList& names);
    /// Puts another cut into a row: of a whole take it becomes the only one.
    void put(int row, const QString& what, const Cut& cut);

    const TakesModel& model_;
    std::vector<ListedTake> takes_;
    std::vector<MadeClip> made_;
    std::vector<Row> rows_;
    int chosen_ = -1;      ///< a row
    bool by_hand_ = false; ///< the table is choosing
    QTableWidget* table_;
    QLabel* title_;
    QLabel* message_;
    QPushButton* ends_;
    QPushButton* close_;
    QPushButton* once_;
    QPushButton* blend_;
    QPushButton* root_motion_;
    QPushButton* more_;
};

} // namespace wembrix::app
