// The route card folded away: an edge that says how many steps there are, and unfolds it.
#pragma once

#include <QAbstractButton>

namespace wembrix::app {

class CardEdge : public QAbstractButton {
    Q_OBJECT
  public:
    explicit CardEdge(QWidget* parent = nullptr);
    /// `broken`: how many of the steps do not fit.
    void show_steps(int steps, int broken);
    [[nodiscard]] QSize sizeHint() const override { return {26, 200}; }

  protected:
    void paintEvent(QPaintEvent* event) override;

  private:
    int broken_ = 0;
};

} // namespace wembrix::app
