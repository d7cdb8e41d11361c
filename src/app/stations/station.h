// What all stations are: a page beside which, or in which, the one twin view stands.
#pragma once

#include "view/twin_view.h"

#include <QWidget>

namespace wembrix::app {

class StationPage : public QWidget {
    Q_OBJECT
  public:
    using QWidget::QWidget;
    /// Puts the view into its place on this page, in the mode that suits the work; called when the page is shown.
    virtual void take_view(TwinView& twin) = 0;
};

} // namespace wembrix::app
