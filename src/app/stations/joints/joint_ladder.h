// The joint ladder: what came in on the left, what it became on the right, and a line from each to each.
#pragma once

#include "session/selection.h"
#include "stations/joints/ladder_rows.h"

#include <QAbstractScrollArea>

namespace wembrix::app {

class NameBox;

class JointLadder : public QAbstractScrollArea {
    Q_OBJECT
  public:
    explicit JointLadder(Selection& selection, QWidget* parent = nullptr);

    void show_ladder(Ladder ladder);
    void clear();
    void set_filter(const QString& filter);
    [[nodiscard]] const Ladder& ladder() const { return ladder_; }
    [[nodiscard]] const std::vector<LadderRow>& left() const { return left_; } ///< rows as shown
    [[nodiscard]] const std::vector<LadderRow>& right() const { return right_; }
    /// Where a row is, in the viewport.
    [[nodiscard]] QRect left_rect(int row) const;
    [[nodiscard]] QRect right_rect(int row) const;
    void edit_current(); ///< opens the name of the joint chosen last

  Q_SIGNALS:
    void renamed(qlonglong identity, const QString& name);
    void dropAsked();

  protected:
    void paintEvent(QPaintEvent* event) override;
    void resizeEvent(QResizeEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseDoubleClickEvent(QMouseEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;
    void contextMenuEvent(QContextMenuEvent* event) override;
    bool viewportEvent(QEvent* event) override;

  private:
    struct Hit {
        const LadderRow* row = nullptr;
        bool right = false;
        bool fold = false;
    };
    [[nodiscard]] Hit hit(const QPoint& place) const;
    void lay_out();
    void show_current();
    void edit(const LadderRow& row, const QRect& where);
    void choose(const LadderRow& row, Qt::KeyboardModifiers modifiers, bool right);
    void draw_row(QPainter& painter, const LadderRow& row, const QRect& where, bool right) const;
    void draw_lines(QPainter& painter) const;
    [[nodiscard]] int left_width() const;
    [[nodiscard]] int right_start() const;

    Selection& selection_;
    Ladder ladder_;
    std::vector<LadderRow> left_;
    std::vector<LadderRow> right_;
    std::set<int64_t> folded_;
    QString filter_;
    NameBox* editor_ = nullptr;
    int64_t edited_ = 0;
    int64_t anchor_ = 0; ///< where a shift-click counts from
};

} // namespace wembrix::app
