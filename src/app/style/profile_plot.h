// A small curve from 0 to 1 whose points are dragged up and down: how something goes from root to tip.
#pragma once

#include <QWidget>
#include <vector>

class QCustomPlot;
class QLabel;
class QCPGraph;

namespace wembrix::app {

class ProfilePlot : public QWidget {
    Q_OBJECT
  public:
    /// `words` say what it is, above the curve.
    ProfilePlot(const QString& words, QWidget* parent = nullptr);
    /// At even steps from root to tip, each 0 to 1; two or more.
    void show_values(const std::vector<double>& values);
    [[nodiscard]] const std::vector<double>& values() const { return values_; }
    void set_words(const QString& words);
    [[nodiscard]] QString words() const;
    /// Where a point stands, in this widget.
    [[nodiscard]] QPointF place_of(size_t point) const;

  Q_SIGNALS:
    void changed(const std::vector<double>& values); ///< while a point is dragged
    void settled(const std::vector<double>& values); ///< when it is let go

  protected:
    bool eventFilter(QObject* watched, QEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;
    void focusInEvent(QFocusEvent* event) override;
    void focusOutEvent(QFocusEvent* event) override;

  private:
    void draw();
    void tell_points(); ///< to a screen reader
    QLabel* words_;
    QCustomPlot* plot_;
    QCPGraph* line_;
    QCPGraph* chosen_line_;
    std::vector<double> values_;
    int held_ = -1;
    size_t chosen_ = 0; ///< what the keys move
};

} // namespace wembrix::app
