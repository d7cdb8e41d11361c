// The joint ladder: what came in on the left, what it became on the right, and a line from each to each.
#pragma once

#include "session/selection.h"
#include "stations/joints/ladder_rows.h"

#include <QAbstractScrollArea>

class QMenu;

namespace wembrix::app {

class NameBox;

constexpr int ladder_row_height = 22;

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
    [[nodiscard]] QRect contract_rect(int row) const; ///< of a prepared row; empty without a contract
    void edit_current();                              ///< opens the name of the joint chosen last

  Q_SIGNALS:
    void renamed(qlonglong identity, const QString& name);
    void dropAsked();
    /// The chosen joints are to hang on this one.
    void hangAsked(qlonglong under);
    void hangTyped(); ///< the same, on one that is to be named
    void mirrorAsked();
    void nameFromMirrorAsked();
    void insertAsked();
    void attachAsked();
    void placeAsked(); ///< an attachment point, by a click in the view
    /// A joint is that one of the contract; an empty name: none of it.
    void matchAsked(qlonglong identity, const QString& contract_joint);

  protected:
    void paintEvent(QPaintEvent* event) override;
    void resizeEvent(QResizeEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void mouseReleaseEvent(QMouseEvent* event) override;
    void mouseDoubleClickEvent(QMouseEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;
    void contextMenuEvent(QContextMenuEvent* event) override;
    bool viewportEvent(QEvent* event) override;

  private:
    struct Hit {
        const LadderRow* row = nullptr;
        bool right = false;
        bool fold = false;
        bool contract = false; ///< on what is said of the contract
    };
    [[nodiscard]] Hit hit(const QPoint& place) const;
    void lay_out();
    void tell_rows(); ///< to a screen reader
    void show_current();
    void edit(const LadderRow& row, const QRect& where);
    void choose(const LadderRow& row, Qt::KeyboardModifiers modifiers, bool right);
    void draw_row(QPainter& painter, const LadderRow& row, const QRect& where, bool right) const;
    void draw_lines(QPainter& painter) const;
    void draw_drag(QPainter& painter) const;
    void stop_drag();
    void add_contract_menu(QMenu& menu);
    [[nodiscard]] int contract_width() const;
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
    QPoint pressed_;
    int64_t pressed_on_ = 0; ///< a prepared joint that may be dragged; chosen alone when it is not
    bool dragging_ = false;
    int64_t onto_ = 0; ///< what the dragged joints would hang on, or 0 where they cannot
    QPoint pointer_;
};

} // namespace wembrix::app
