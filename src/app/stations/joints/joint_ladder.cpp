#include "stations/joints/joint_ladder.h"

#include "style/context_menu.h"
#include "style/name_box.h"
#include "style/numbers.h"
#include "style/painted_parts.h"
#include "style/theme.h"

#include <QApplication>
#include <QHelpEvent>
#include <QMenu>
#include <QMouseEvent>
#include <QScrollBar>
#include <QToolTip>
#include <algorithm>

namespace wembrix::app {

JointLadder::JointLadder(Selection& selection, QWidget* parent) : QAbstractScrollArea(parent), selection_(selection) {
    setObjectName(QStringLiteral("jointLadder"));
    setAccessibleName(tr("Joint ladder: received joints and what became of them"));
    setFocusPolicy(Qt::StrongFocus);
    setFrameShape(QFrame::NoFrame);
    setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    connect(&selection_, &Selection::changed, this, [this] {
        show_current();
        viewport()->update();
    });
    tell_rows();
    editor_ = new NameBox(QStringLiteral("jointName"), this, viewport());
    connect(editor_, &NameBox::named, this, [this](const QString& name) { Q_EMIT renamed(edited_, name); });
}

void JointLadder::tell_rows() {
    PaintedParts parts;
    parts.role = QAccessible::Tree;
    parts.part_role = QAccessible::TreeItem;
    const auto row_at = [this](int place) {
        const auto left = static_cast<int>(left_.size());
        return place < left ? std::pair(&left_[static_cast<size_t>(place)], left_rect(place))
                            : std::pair(&right_[static_cast<size_t>(place - left)], right_rect(place - left));
    };
    parts.count = [this] { return static_cast<int>(left_.size() + right_.size()); };
    parts.part = [this, row_at](int place) {
        const auto& [row, where] = row_at(place);
        const QString name = row->prefix + row->bare;
        QString words;
        if (place < static_cast<int>(left_.size())) {
            words = row->fate == Fate::renamed   ? tr("Received %1, renamed").arg(name)
                    : row->fate == Fate::dropped ? tr("Received %1, left out").arg(name)
                                                 : tr("Received %1").arg(name);
        } else {
            words = row->fate == Fate::added ? tr("Prepared %1, new").arg(name) : tr("Prepared %1").arg(name);
            if (row->points > 0) {
                words = tr("%1, holds %2").arg(words, counted(row->points, "vertex"));
            }
            if (row->clash) {
                words = tr("%1, shares its name").arg(words);
            }
            if (!row->contract.isEmpty()) {
                words = tr("%1, contract: %2").arg(words, row->contract);
            }
        }
        if (row->folded) {
            words = tr("%1, folded").arg(words);
        }
        return PaintedPart{words, where.intersected(viewport()->rect()), selection_.holds(row->identity)};
    };
    parts.press = [this, row_at](int place) { selection_.choose(row_at(place).first->identity); };
    tell_parts(*this, std::move(parts));
}

void JointLadder::show_ladder(Ladder ladder) {
    ladder_ = std::move(ladder);
    lay_out();
}

void JointLadder::clear() {
    show_ladder({});
}

void JointLadder::set_filter(const QString& filter) {
    filter_ = filter;
    lay_out();
}

void JointLadder::lay_out() {
    editor_->leave();
    left_ = shown_rows(ladder_.received, ladder_.prepared, folded_, filter_);
    right_ = shown_rows(ladder_.prepared, ladder_.received, folded_, filter_);
    const int rows = static_cast<int>(std::max(left_.size(), right_.size()));
    verticalScrollBar()->setSingleStep(ladder_row_height);
    verticalScrollBar()->setPageStep(viewport()->height());
    verticalScrollBar()->setRange(0, std::max(0, rows * ladder_row_height + 8 - viewport()->height()));
    viewport()->update();
}

int JointLadder::left_width() const {
    return viewport()->width() * (contract_width() > 0 ? 35 : 44) / 100;
}

int JointLadder::right_start() const {
    return viewport()->width() * (contract_width() > 0 ? 44 : 56) / 100;
}

int JointLadder::contract_width() const {
    return ladder_.contract.isEmpty() ? 0 : 78;
}

QRect JointLadder::left_rect(int row) const {
    return {4, 4 + row * ladder_row_height - verticalScrollBar()->value(), left_width() - 8, ladder_row_height};
}

QRect JointLadder::right_rect(int row) const {
    return {right_start(), 4 + row * ladder_row_height - verticalScrollBar()->value(),
            viewport()->width() - right_start() - 6, ladder_row_height};
}

QRect JointLadder::contract_rect(int row) const {
    const QRect where = right_rect(row);
    return contract_width() == 0
               ? QRect()
               : QRect(where.right() - contract_width() + 6, where.top(), contract_width() - 10, where.height());
}

void JointLadder::resizeEvent(QResizeEvent* event) {
    QAbstractScrollArea::resizeEvent(event);
    lay_out();
}

JointLadder::Hit JointLadder::hit(const QPoint& place) const {
    const int index = (place.y() - 4 + verticalScrollBar()->value()) / ladder_row_height;
    const bool right = place.x() >= right_start();
    const std::vector<LadderRow>& rows = right ? right_ : left_;
    if (place.y() < 4 - verticalScrollBar()->value() || index < 0 || index >= static_cast<int>(rows.size()) ||
        (!right && place.x() > left_width())) {
        return {};
    }
    const LadderRow& row = rows[index];
    const int dot = (right ? right_rect(index) : left_rect(index)).left() + 16 + row.indent;
    const bool fold = row.has_below && filter_.isEmpty() && place.x() < dot - 4 && place.x() > dot - 16;
    return {&row, right, fold, right && contract_rect(index).contains(place)};
}

void JointLadder::choose(const LadderRow& row, Qt::KeyboardModifiers modifiers, bool right) {
    if ((modifiers & Qt::ControlModifier) != 0) {
        selection_.toggle(row.identity);
        anchor_ = row.identity;
        return;
    }
    if ((modifiers & Qt::ShiftModifier) != 0 && anchor_ != 0) {
        const std::vector<LadderRow>& rows = right ? right_ : left_;
        const auto place_of = [&](int64_t identity) {
            return std::find_if(rows.begin(), rows.end(),
                                [&](const LadderRow& one) { return one.identity == identity; }) -
                   rows.begin();
        };
        const auto a = place_of(anchor_);
        const auto b = place_of(row.identity);
        if (a < static_cast<ptrdiff_t>(rows.size()) && b < static_cast<ptrdiff_t>(rows.size())) {
            std::vector<int64_t> run;
            for (auto i = std::min(a, b); i <= std::max(a, b); ++i) {
                run.push_back(rows[static_cast<size_t>(i)].identity);
            }
            selection_.choose_all(run);
            return;
        }
    }
    anchor_ = row.identity;
    selection_.choose(row.identity);
}

void JointLadder::mousePressEvent(QMouseEvent* event) {
    setFocus();
    const Hit at = hit(event->position().toPoint());
    if (at.row == nullptr) {
        if (event->button() == Qt::LeftButton && event->modifiers() == Qt::NoModifier) {
            selection_.clear();
        }
        return;
    }
    if (at.fold) {
        if (folded_.erase(at.row->identity) == 0) {
            folded_.insert(at.row->identity);
        }
        lay_out();
        return;
    }
    if (event->button() == Qt::LeftButton && at.contract && !at.row->proposal.isEmpty()) {
        Q_EMIT matchAsked(at.row->identity, at.row->proposal);
        return;
    }
    if (event->button() == Qt::RightButton && selection_.holds(at.row->identity)) {
        return;
    }
    if (event->button() == Qt::LeftButton && event->modifiers() == Qt::NoModifier && at.right && at.row->joint) {
        pressed_ = event->position().toPoint();
        pressed_on_ = at.row->identity;
        if (selection_.holds(at.row->identity)) {
            return; // all that are chosen may be dragged; a click alone chooses this one when it ends
        }
    }
    choose(*at.row, event->modifiers(), at.right);
}

void JointLadder::mouseMoveEvent(QMouseEvent* event) {
    pointer_ = event->position().toPoint();
    if (pressed_on_ == 0 || (event->buttons() & Qt::LeftButton) == 0) {
        return;
    }
    if (!dragging_ && (pointer_ - pressed_).manhattanLength() < QApplication::startDragDistance()) {
        return;
    }
    dragging_ = true;
    onto_ = 0;
    const Hit at = hit(pointer_);
    if (at.row != nullptr && at.right && at.row->joint &&
        with_all_below(ladder_.prepared, selection_.identities()).count(at.row->identity) == 0) {
        onto_ = at.row->identity;
    }
    setCursor(onto_ != 0 ? Qt::DragMoveCursor : Qt::ForbiddenCursor);
    // A list that is longer than what is seen of it goes along with the pointer.
    if (pointer_.y() < 12 || pointer_.y() > viewport()->height() - 12) {
        verticalScrollBar()->setValue(verticalScrollBar()->value() +
                                      (pointer_.y() < 12 ? -ladder_row_height : ladder_row_height));
    }
    viewport()->update();
}

void JointLadder::mouseReleaseEvent(QMouseEvent*) {
    const int64_t clicked = pressed_on_;
    const int64_t under = onto_;
    const bool dragged = dragging_;
    stop_drag();
    if (dragged && under != 0) {
        Q_EMIT hangAsked(under);
    } else if (!dragged && clicked != 0 && selection_.identities().size() > 1) {
        selection_.choose(clicked);
    }
}

void JointLadder::stop_drag() {
    pressed_on_ = 0;
    onto_ = 0;
    dragging_ = false;
    unsetCursor();
    viewport()->update();
}

void JointLadder::mouseDoubleClickEvent(QMouseEvent* event) {
    const Hit at = hit(event->position().toPoint());
    if (at.row != nullptr && !at.fold) {
        selection_.choose(at.row->identity);
        edit_current();
    }
}

void JointLadder::edit_current() {
    for (size_t i = 0; i < right_.size(); ++i) {
        if (right_[i].identity == selection_.current() && right_[i].identity != 0) {
            edit(right_[i], right_rect(static_cast<int>(i)));
        }
    }
}

void JointLadder::edit(const LadderRow& row, const QRect& where) {
    edited_ = row.identity;
    const int x = where.left() + 16 + row.indent + 4;
    editor_->open({x, where.top(), std::max(90, where.right() - 58 - x), ladder_row_height}, row.prefix + row.bare);
}

void JointLadder::show_current() {
    const auto reveal = [&](const std::vector<LadderRow>& rows) {
        for (size_t i = 0; i < rows.size(); ++i) {
            if (rows[i].identity == selection_.current() && rows[i].identity != 0) {
                const int top = static_cast<int>(i) * ladder_row_height;
                QScrollBar* bar = verticalScrollBar();
                if (top < bar->value()) {
                    bar->setValue(top);
                } else if (top + ladder_row_height + 8 > bar->value() + viewport()->height()) {
                    bar->setValue(top + ladder_row_height + 8 - viewport()->height());
                }
                return true;
            }
        }
        return false;
    };
    if (!reveal(right_)) {
        reveal(left_);
    }
}

void JointLadder::keyPressEvent(QKeyEvent* event) {
    const auto step = [&](int by) {
        const std::vector<LadderRow>& rows = right_.empty() ? left_ : right_;
        if (rows.empty()) {
            return;
        }
        int at = -1;
        for (size_t i = 0; i < rows.size(); ++i) {
            at = rows[i].identity == selection_.current() ? static_cast<int>(i) : at;
        }
        const int next = std::clamp(at < 0 ? 0 : at + by, 0, static_cast<int>(rows.size()) - 1);
        choose(rows[static_cast<size_t>(next)], event->modifiers(), !right_.empty());
    };
    switch (event->key()) {
    case Qt::Key_Up:
        step(-1);
        break;
    case Qt::Key_Down:
        step(1);
        break;
    case Qt::Key_PageUp:
        step(-viewport()->height() / ladder_row_height);
        break;
    case Qt::Key_PageDown:
        step(viewport()->height() / ladder_row_height);
        break;
    case Qt::Key_Home:
        step(-static_cast<int>(right_.size() + left_.size()));
        break;
    case Qt::Key_End:
        step(static_cast<int>(right_.size() + left_.size()));
        break;
    case Qt::Key_Left:
    case Qt::Key_Right:
        if (selection_.current() != 0) {
            if (event->key() == Qt::Key_Left) {
                folded_.insert(selection_.current());
            } else {
                folded_.erase(selection_.current());
            }
            lay_out();
        }
        break;
    case Qt::Key_F2:
    case Qt::Key_Return:
    case Qt::Key_Enter:
        edit_current();
        break;
    case Qt::Key_Delete:
        Q_EMIT dropAsked();
        break;
    case Qt::Key_Escape:
        if (dragging_) {
            stop_drag();
            break;
        }
        selection_.clear();
        break;
    default:
        QAbstractScrollArea::keyPressEvent(event);
    }
}

void JointLadder::contextMenuEvent(QContextMenuEvent* event) {
    if (selection_.is_empty()) {
        return;
    }
    QMenu* menu = menu_of(*this);
    menu->addAction(tr("Rename…"), this, &JointLadder::edit_current);
    menu->addAction(selection_.identities().size() == 1
                        ? tr("Remove this joint")
                        : tr("Remove these %1 joints").arg(selection_.identities().size()),
                    this, &JointLadder::dropAsked);
    menu->addAction(tr("Reparent…"), this, &JointLadder::hangTyped);
    menu->addAction(tr("Insert a joint above it…"), this, &JointLadder::insertAsked);
    menu->addAction(tr("Add an attachment point…"), this, &JointLadder::attachAsked);
    menu->addAction(tr("Place an attachment point in the view"), this, &JointLadder::placeAsked);
    add_contract_menu(*menu);
    menu->addSeparator();
    menu->addAction(tr("Choose the joint on the other side"), this, &JointLadder::mirrorAsked);
    menu->addAction(tr("Name it after the other side"), this, &JointLadder::nameFromMirrorAsked);
    menu->popup(event->globalPos());
}

void JointLadder::add_contract_menu(QMenu& menu) {
    const auto row = std::find_if(ladder_.prepared.begin(), ladder_.prepared.end(),
                                  [&](const LadderRow& one) { return one.identity == selection_.current(); });
    if (ladder_.contract.isEmpty() || row == ladder_.prepared.end() || !row->joint) {
        return;
    }
    QMenu* meant = menu.addMenu(tr("In the contract it is"));
    meant->setObjectName(QStringLiteral("contractJoint"));
    const auto add = [&](const QString& text, const QString& joint) {
        meant->addAction(text, this, [this, identity = row->identity, joint] { Q_EMIT matchAsked(identity, joint); });
    };
    if (!row->proposal.isEmpty()) {
        add(tr("%1 (%2)").arg(row->proposal, row->why_proposed), row->proposal);
        meant->addSeparator();
    }
    for (const QString& joint : ladder_.contract_missing) {
        if (joint != row->proposal) {
            add(joint, joint);
        }
    }
    meant->addSeparator();
    add(tr("none of its joints"), {});
}

bool JointLadder::viewportEvent(QEvent* event) {
    if (event->type() == QEvent::ToolTip) {
        const auto* help = static_cast<QHelpEvent*>(event);
        const Hit at = hit(help->pos());
        QString text;
        if (at.row != nullptr) {
            text = at.row->prefix + at.row->bare;
            if (at.right && at.row->fate == Fate::added) {
                text += tr(" · made by a step");
            } else if (!at.right && at.row->fate == Fate::dropped) {
                text += at.row->points > 0
                            ? tr(" · removed; the dashed line leads to who has the weights of its %1 now")
                                  .arg(counted(at.row->points, "vertex"))
                            : tr(" · removed; it had no weights");
            } else if (at.right) {
                text += tr(" · weights on %1 · drag it onto its new parent").arg(counted(at.row->points, "vertex"));
            }
            if (at.right && !at.row->contract.isEmpty()) {
                text += tr(" · contract: %1").arg(at.row->contract);
            }
            if (at.right && !at.row->proposal.isEmpty()) {
                text += tr(" · probably its “%1” (%2): click there to take it, or right-click for another")
                            .arg(at.row->proposal, at.row->why_proposed);
            }
            if (at.right && at.row->clash) {
                text += tr(" · another joint has this name, capitals ignored");
            }
        }
        QToolTip::showText(help->globalPos(), text, this);
        return true;
    }
    return QAbstractScrollArea::viewportEvent(event);
}

} // namespace wembrix::app
