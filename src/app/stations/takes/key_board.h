// Curves of the layer that is worked on, below the view: which are shown, the chosen keys in numbers, their tangents,
// what stands before and after them.
#pragma once

#include "session/clock.h"
#include "session/document.h"
#include "session/selection.h"
#include "session/session.h"
#include "stations/takes/key_strip.h"

#include <QWidget>
#include <array>
#include <optional>

class QBoxLayout;
class QComboBox;
class QDoubleSpinBox;
class QPushButton;

namespace wembrix::app {

class KeyBoard : public QWidget {
    Q_OBJECT
  public:
    KeyBoard(Document& document, Session& session, Clock& clock, Selection& selection, QWidget* parent = nullptr);
    /// Place on the card of the layer that is worked on, and its curves.
    void show_layer(std::optional<size_t> place, const KeyLayer& layer);
    KeyStrip& strip() { return *strip_; }
    /// Narrower than its tools stand in one row: in a narrow place they stand in two.
    [[nodiscard]] QSize minimumSizeHint() const override { return {300, 220}; }

  protected:
    void resizeEvent(QResizeEvent* event) override;

  private:
    QWidget* make_tools();
    void refresh_of();
    void refresh_chosen();

    Document& document_;
    Session& session_;
    Clock& clock_;
    Selection& selection_;
    std::optional<size_t> place_;
    KeyStrip* strip_;
    QBoxLayout* tools_ = nullptr;
    QComboBox* path_;
    std::array<QPushButton*, 3> axes_{};
    QDoubleSpinBox* frame_;
    QDoubleSpinBox* value_;
    QComboBox* tangent_;
    QPushButton* broken_;
    QPushButton* weighted_;
    QPushButton* drop_;
    QComboBox* before_;
    QComboBox* after_;
};

} // namespace wembrix::app
