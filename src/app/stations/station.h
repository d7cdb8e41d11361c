// What all stations are: a page beside which, or in which, the one twin view stands.
#pragma once

#include "style/empty_offer.h"
#include "view/twin_view.h"

#include <QWidget>

namespace wembrix::app {

class StationPage : public QWidget {
    Q_OBJECT
  public:
    using QWidget::QWidget;
    /// Puts the view into its place on this page, in the mode that suits the work; called when the page is shown.
    virtual void take_view(TwinView& twin) = 0;

  Q_SIGNALS:
    void filesAsked();  ///< files are to be brought in
    void folderAsked(); ///< all files of a folder
    void demoAsked();

  protected:
    /// What the page says and offers while there is nothing on it.
    EmptyOffer* offer(const QString& words, QWidget* parent) {
        auto* offer = new EmptyOffer(words, parent);
        connect(offer, &EmptyOffer::filesAsked, this, &StationPage::filesAsked);
        connect(offer, &EmptyOffer::demoAsked, this, &StationPage::demoAsked);
        return offer;
    }
};

} // namespace wembrix::app
