#include "shell/step_card.h"
#include "style/language.h"

#include "core/job/replay.h"
#include "core/steps/step_kind.h"

#include "style/context_menu.h"
#include "style/theme.h"

#include <QApplication>
#include <QCheckBox>
#include <QContextMenuEvent>
#include <QHBoxLayout>
#include <QKeyEvent>
#include <QLabel>
#include <QMenu>
#include <QPainter>
#include <QSignalBlocker>
#include <QVBoxLayout>

namespace wembrix::app {

QString label_of(const std::string& id) {
    const StepKind* kind = step_kind(id);
    return kind == nullptr ? QString::fromStdString(id) : localized(kind->label);
}

StepCard::StepCard(int number, QWidget* parent) : QFrame(parent), number_(number) {
    setObjectName(QStringLiteral("card"));
    setFocusPolicy(Qt::StrongFocus);
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(12, 7, 8, 7);
    column->setSpacing(2);
    auto* top = new QHBoxLayout;
    top->setSpacing(6);
    title_ = new QLabel(this);
    title_->setWordWrap(true);
    top->addWidget(title_, 1);
    tick_ = new QCheckBox(this);
    tick_->setObjectName(QStringLiteral("on%1").arg(number));
    tick_->setToolTip(tr("Clear to see the job without this step"));
    tick_->setAccessibleName(tr("Step %1 on").arg(number));
    top->addWidget(tick_);
    column->addLayout(top);
    connect(tick_, &QCheckBox::toggled, this, &StepCard::switched);
    account_ = new QLabel(this);
    account_->setWordWrap(true);
    column->addWidget(account_);
    drift_ = new QLabel(this);
    drift_->setObjectName(QStringLiteral("drift%1").arg(number));
    drift_->setStyleSheet(QStringLiteral("font-size: 11px; color: %1;").arg(theme().accent.name()));
    column->addWidget(drift_);
}

void StepCard::show_step(const Step& step, const StepOutcome* outcome) {
    on_ = step.on;
    broken_ = outcome != nullptr && outcome->problem.has_value();
    const QString hint = tr("Double-click or Enter edits · drag or Alt+Up and Alt+Down move · Delete removes it");
    QString set;
    if (const StepKind* kind = step_kind(step.id)) {
        set = localized(summary_of(kind->parameters, step.parameters));
    }
    setToolTip(set.isEmpty() ? hint : set + QStringLiteral("\n") + hint);
    title_->setText(QStringLiteral("%1 %2").arg(number_).arg(label_of(step.id)));
    title_->setStyleSheet(
        QStringLiteral("font-weight: 600; color: %1;").arg((on_ ? theme().ink : theme().soft).name()));
    {
        const QSignalBlocker quiet(tick_);
        tick_->setChecked(on_);
    }
    QString text = tr("waiting");
    if (outcome != nullptr) {
        text = localized(outcome->problem ? outcome->problem->sentence() : outcome->account);
        for (const Text& left : outcome->could_not) {
            text += QStringLiteral("\n") + localized(left);
        }
    }
    setAccessibleName(tr("Step %1, %2: %3").arg(number_).arg(label_of(step.id), text));
    account_->setText(text);
    account_->setStyleSheet(
        QStringLiteral("font-size: 11px; color: %1;").arg((broken_ ? theme().stop : theme().soft).name()));
    drift_->setVisible(outcome != nullptr && on_ && !broken_);
    if (outcome != nullptr) {
        drift_->setText(!outcome->drift ? tr("drift being measured")
                                        : tr("drift %1 mm").arg(outcome->drift->largest_mm, 0, 'f', 3));
        drift_->setToolTip(outcome->drift && outcome->drift->largest_mm > 0
                               ? tr("farthest at %1, frame %2%3")
                                     .arg(QString::fromStdString(outcome->drift->place))
                                     .arg(outcome->drift->frame)
                                     .arg(outcome->drift->clip.empty()
                                              ? tr(" of the rest pose")
                                              : tr(" of %1").arg(QString::fromStdString(outcome->drift->clip)))
                               : tr("How far this step moved any vertex, over every frame"));
    }
    update();
}

void StepCard::paintEvent(QPaintEvent* event) {
    QFrame::paintEvent(event);
    QPainter painter(this);
    const QColor edge = broken_ ? theme().stop : on_ ? theme().accent : theme().line;
    painter.fillRect(QRect(0, 0, 4, height()), edge);
    if (hasFocus()) {
        painter.setPen(QPen(theme().accent, 1, Qt::DotLine));
        painter.drawRect(rect().adjusted(6, 2, -3, -3));
    }
}

void StepCard::mousePressEvent(QMouseEvent* event) {
    pressed_ = event->position().toPoint();
    dragging_ = false;
    setFocus(Qt::MouseFocusReason);
}

void StepCard::mouseMoveEvent(QMouseEvent* event) {
    if ((event->buttons() & Qt::LeftButton) != 0 &&
        (dragging_ || (event->position().toPoint() - pressed_).manhattanLength() > QApplication::startDragDistance())) {
        dragging_ = true;
        setCursor(Qt::ClosedHandCursor);
    }
}

void StepCard::mouseReleaseEvent(QMouseEvent* event) {
    if (dragging_) {
        dragging_ = false;
        unsetCursor();
        Q_EMIT dropped(event->globalPosition().toPoint());
    }
}

void StepCard::mouseDoubleClickEvent(QMouseEvent*) {
    Q_EMIT editAsked();
}

void StepCard::keyPressEvent(QKeyEvent* event) {
    const bool alt = (event->modifiers() & Qt::AltModifier) != 0;
    if (event->key() == Qt::Key_Return || event->key() == Qt::Key_Enter) {
        Q_EMIT editAsked();
    } else if (event->key() == Qt::Key_Delete) {
        Q_EMIT removeAsked();
    } else if (alt && event->key() == Qt::Key_Up) {
        Q_EMIT moveAsked(-1);
    } else if (alt && event->key() == Qt::Key_Down) {
        Q_EMIT moveAsked(1);
    } else {
        QFrame::keyPressEvent(event);
    }
}

void StepCard::contextMenuEvent(QContextMenuEvent* event) {
    QMenu* menu = menu_of(*this);
    menu->addAction(tr("Edit…"), this, &StepCard::editAsked);
    menu->addAction(tr("Move up"), this, [this] { Q_EMIT moveAsked(-1); });
    menu->addAction(tr("Move down"), this, [this] { Q_EMIT moveAsked(1); });
    menu->addAction(tr("Keep as a preset…"), this, &StepCard::keepAsked);
    menu->addSeparator();
    menu->addAction(tr("Remove step"), this, &StepCard::removeAsked);
    menu->popup(event->globalPos());
}

} // namespace wembrix::app
