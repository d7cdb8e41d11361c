// Intake: what came in, what goes out, and what is wrong with it; beside the twin view.
#pragma once

#include "session/document.h"
#include "session/session.h"
#include "stations/station.h"

class QTreeWidget;
class QTreeWidgetItem;
class QLabel;
class QToolButton;

namespace wembrix::app {

class SourceMenu;

class IntakeStation : public StationPage {
    Q_OBJECT
  public:
    IntakeStation(const StationContext& context, QWidget* parent = nullptr);
    void take_view(TwinView& twin) override;

  private:
    void refresh();
    void fill_contents();
    void ticked(QTreeWidgetItem* item, int column);

    Document& document_;
    Session& session_;
    /// The source of the row that is chosen, or -1.
    [[nodiscard]] int chosen_source() const;

    QWidget* place_;
    QTreeWidget* contents_;
    QLabel* summary_;
    QWidget* empty_;
    SourceMenu* sources_;
    QToolButton* source_button_;
    QLabel* said_; ///< what came of looking for missing files
};

} // namespace wembrix::app
