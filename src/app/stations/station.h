// What all stations are: a page beside which, or in which, the one twin view stands; and the list of them.
#pragma once

#include "core/findings/finding.h"
#include "session/board_model.h"
#include "session/clock.h"
#include "session/delivery_runner.h"
#include "session/document.h"
#include "session/selection.h"
#include "session/session.h"
#include "style/empty_offer.h"
#include "view/camera.h"
#include "view/twin_view.h"

#include <QKeySequence>
#include <QWidget>
#include <vector>

namespace wembrix::app {

class LiveHub;

/// What a page works with. All of it outlives the page.
struct StationContext {
    Document& document;
    Session& session;
    Selection& selection;
    Clock& clock;
    Camera& camera;
    DeliveryRunner& runner;
    BoardModel& board;
    LiveHub& live;
};

/// What waits in a station, as the rail says it; empty: nothing is known.
struct StationNote {
    QString text;
    QColor ink;
    QColor ground;
};

struct StationKind;

class StationPage : public QWidget {
    Q_OBJECT
  public:
    using QWidget::QWidget;
    /// Puts the view into its place on this page, in the mode that suits the work; called when the page is shown.
    virtual void take_view(TwinView& twin) = 0;
    /// Whose terms the page speaks in; null for none.
    virtual void show_destination(const Destination*) {}
    /// Shows what a finding of this station is about, as far as the view does not.
    virtual void go_to(const Finding&) {}
    /// Puts the keys into the field that finds in the list in front; false where there is none.
    virtual bool start_search() { return false; }
    /// What waits here: the findings whose station this is, unless a page counts something else.
    [[nodiscard]] virtual StationNote waits(const SessionState& state) const;
    [[nodiscard]] const StationKind& kind() const { return *kind_; }
    void set_kind(const StationKind& kind) { kind_ = &kind; }

  Q_SIGNALS:
    void filesAsked();  ///< files are to be imported
    void folderAsked(); ///< all files of a folder
    void demoAsked();
    void lessonAsked();                                 ///< a first delivery, step by step
    void stepAsked(const wembrix::Step& step);          ///< to be looked at before it goes onto the card
    void findingAsked(const wembrix::Finding& finding); ///< go to what it is about

  protected:
    /// What the page says and offers while there is nothing on it.
    EmptyOffer* offer(const QString& words, QWidget* parent) {
        auto* offer = new EmptyOffer(words, parent);
        connect(offer, &EmptyOffer::filesAsked, this, &StationPage::filesAsked);
        connect(offer, &EmptyOffer::demoAsked, this, &StationPage::demoAsked);
        return offer;
    }

  private:
    const StationKind* kind_ = nullptr;
};

/// One station, as the window knows it.
struct StationKind {
    const char* id; ///< what findings call it; also its page of the guide
    int number;     ///< on the rail, and with Alt its shortcut
    QString name;
    QString tip;
    bool card_folded;   ///< its own instrument begins with the width that the route card would take
    bool card_from_end; ///< when the card is unfolded, its last steps are the ones that matter here
    StationPage* (*make)(const StationContext& context, QWidget* parent);

    [[nodiscard]] QKeySequence keys() const { return {Qt::ALT | static_cast<Qt::Key>(Qt::Key_0 + number)}; }
};

/// In the order of the work.
const std::vector<StationKind>& station_kinds();

} // namespace wembrix::app
