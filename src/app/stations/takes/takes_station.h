// Takes: the strip on which a take is cut, the list of clips, and what does not close.
#pragma once

#include "session/clock.h"
#include "session/selection.h"
#include "stations/station.h"
#include "stations/takes/clip_list.h"
#include "stations/takes/key_board.h"
#include "stations/takes/keys_panel.h"
#include "stations/takes/pairs_panel.h"
#include "stations/takes/strip_tools.h"
#include "stations/takes/take_strip.h"
#include "stations/takes/takes_model.h"

class QButtonGroup;
class QStackedWidget;

namespace wembrix::app {

class TakesStation : public StationPage {
    Q_OBJECT
  public:
    TakesStation(const StationContext& context, QWidget* parent = nullptr);
    void take_view(TwinView& twin) override;
    TakeStrip& strip() { return *strip_; }
    TakesModel& model() { return *model_; }
    PairsPanel& pairs() { return *pairs_; }
    KeysPanel& keys() { return *keys_; }
    KeyBoard& key_board() { return *key_board_; }
    void show_destination(const Destination* destination) override;
    void go_to(const Finding& finding) override;
    /// Shows a clip of Prepared, at one of its frames.
    void go_to(const QString& clip, int frame);

    /// Reads a list of cuts into the card, or writes the one it has; says what went wrong, or nothing.
    QString read_list(const QString& file);
    QString write_list(const QString& file);
    void cut_at_playhead();

  protected:
    void showEvent(QShowEvent* event) override;
    void hideEvent(QHideEvent* event) override;
    void resizeEvent(QResizeEvent* event) override;

  private:
    static constexpr int keys_side = 1;
    static constexpr int pairs_side = 2;
    QWidget* make_side();
    void show_side(int side);
    void use_tool(); ///< turns joints while keys are made
    void connect_parts();
    void show_beside(); ///< the take of another body, while its pairs are shown
    /// A frame of a source's take, in the clip of Prepared that shows it.
    void go_to_take(const QString& take, int frame);
    void refresh();
    void refresh_offers();
    void refresh_named();
    void refresh_curves();
    void refresh_contacts();
    void refresh_view(); ///< the way of the clip that plays, and its ends
    void follow_clock();
    void scrub(int frame);
    void choose_clip(const QString& take, int clip);
    void choose_made(const QString& name);
    void ask_for_step(const QString& id);                          ///< for the clips that are chosen in the list
    [[nodiscard]] bool is_cut_here(const std::string& clip) const; ///< from the take that is shown
    /// Puts cuts onto the card; why not, where they cannot be.
    QString set_cuts(const QString& what, const QString& take, const std::vector<Cut>& cuts);
    /// Why a take cannot be cut so, or nothing.
    [[nodiscard]] QString wrong_with(const TakeFacts& take, const std::vector<Cut>& cuts) const;
    void ask_to_read();
    void ask_to_write();
    [[nodiscard]] const TakeFacts* take() const;
    [[nodiscard]] std::vector<Cut> cuts() const;
    [[nodiscard]] std::vector<Cut> named_ranges() const; ///< that the source has in the take

    Document& document_;
    Session& session_;
    Clock& clock_;
    Selection& selection_;
    TakesModel* model_;
    TakeStrip* strip_;
    ClipList* list_;
    QWidget* side_row_;
    QStackedWidget* sides_;
    QStackedWidget* below_ = nullptr;
    KeyBoard* key_board_ = nullptr;
    QButtonGroup* side_buttons_;
    PairsPanel* pairs_;
    KeysPanel* keys_;
    QString wanted_clip_; ///< to be shown once it is there
    int wanted_frame_ = 0;
    StripTools* tools_;
    std::vector<int64_t> feet_; ///< joints that were said to be feet, by identity
    QWidget* place_;
    QWidget* empty_;
    TwinView* twin_ = nullptr;
    QString threshold_of_;          ///< the take that the threshold in the box belongs to
    double measured_threshold_ = 0; ///< of that take, metres per second
    std::vector<int> offers_;
};

} // namespace wembrix::app
