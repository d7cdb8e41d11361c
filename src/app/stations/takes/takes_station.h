// Takes: the strip on which a take is cut, the list of clips, and what does not close.
#pragma once

#include "session/clock.h"
#include "stations/station.h"
#include "stations/takes/take_strip.h"
#include "stations/takes/takes_model.h"

class QComboBox;
class QDoubleSpinBox;
class QLabel;
class QPushButton;
class QTableWidget;
class QTableWidgetItem;

namespace wembrix::app {

class TakesStation : public StationPage {
    Q_OBJECT
  public:
    TakesStation(Document& document, Session& session, Clock& clock, QWidget* parent = nullptr);
    void take_view(TwinView& twin) override;
    TakeStrip& strip() { return *strip_; }
    TakesModel& model() { return *model_; }
    /// Shows a clip of Prepared, at one of its frames.
    void go_to(const QString& clip, int frame);

    /// Reads a list of cuts into the card, or writes the one it has; says what went wrong, or nothing.
    QString read_list(const QString& file);
    QString write_list(const QString& file);
    void cut_at_playhead();

  Q_SIGNALS:
    /// A step to be looked at before it goes onto the card.
    void stepAsked(const wembrix::Step& step);

  private:
    [[nodiscard]] std::string chosen_name() const;
    void refresh();
    void refresh_offers();
    void refresh_clips();
    void refresh_message();
    void follow_clock();
    void scrub(int frame);
    void choose_clip(int clip);
    void edited(QTableWidgetItem* item);
    void set_cuts(const QString& what, const std::vector<Cut>& cuts);
    [[nodiscard]] const TakeFacts* take() const;
    [[nodiscard]] std::vector<Cut> cuts() const;

    Document& document_;
    Session& session_;
    Clock& clock_;
    TakesModel* model_;
    TakeStrip* strip_;
    QComboBox* takes_;
    QLabel* about_;
    QDoubleSpinBox* still_below_;
    QDoubleSpinBox* shortest_;
    QLabel* offered_;
    QPushButton* cut_all_;
    QPushButton* cut_here_;
    QTableWidget* clips_;
    QLabel* clips_title_;
    QLabel* message_;
    QPushButton* close_;
    QPushButton* once_;
    QPushButton* blend_;
    QPushButton* way_;
    QWidget* place_;
    QWidget* clip_card_;
    QWidget* empty_;
    TwinView* twin_ = nullptr;
    QString threshold_of_; ///< the take that the threshold in the box belongs to
    std::vector<int> offers_;
};

} // namespace wembrix::app
