#include "style/profile_plot.h"

#include "style/painted_parts.h"
#include "style/theme.h"

#include <QEvent>
#include <QKeyEvent>
#include <QLabel>
#include <QMouseEvent>
#include <QVBoxLayout>
#include <algorithm>
#include <cmath>
#include <qcustomplot.h>

namespace wembrix::app {

ProfilePlot::ProfilePlot(const QString& words, QWidget* parent) : QWidget(parent) {
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(2);
    words_ = new QLabel(words, this);
    words_->setObjectName(QStringLiteral("soft"));
    column->addWidget(words_);
    plot_ = new QCustomPlot(this);
    plot_->setObjectName(QStringLiteral("plot"));
    plot_->setFixedHeight(52);
    plot_->setMinimumWidth(120);
    plot_->axisRect()->setupFullAxesBox(true);
    plot_->axisRect()->setAutoMargins(QCP::msNone);
    plot_->axisRect()->setMargins(QMargins(1, 1, 1, 1));
    for (QCPAxis* axis : {plot_->xAxis, plot_->xAxis2, plot_->yAxis, plot_->yAxis2}) {
        axis->setTicks(false);
        axis->setTickLabels(false);
        axis->grid()->setVisible(false);
    }
    plot_->xAxis->setRange(-0.03, 1.03); // room for the points at the ends
    plot_->yAxis->setRange(-0.14, 1.14);
    line_ = plot_->addGraph();
    plot_->installEventFilter(this);
    chosen_line_ = plot_->addGraph();
    setFocusPolicy(Qt::StrongFocus);
    setAccessibleName(words);
    tell_points();
    plot_->setToolTip(tr("From root (left) to tip (right); drag a point up or down, or choose it with the left and "
                         "right arrows and move it with up and down"));
    column->addWidget(plot_);
    show_values({1, 1});
}

void ProfilePlot::set_words(const QString& words) {
    words_->setText(words);
    setAccessibleName(words);
}

QString ProfilePlot::words() const {
    return words_->text();
}

void ProfilePlot::show_values(const std::vector<double>& values) {
    if (held_ >= 0 || values.size() < 2) {
        return; // what is in the hand is not taken out of it
    }
    values_ = values;
    draw();
}

void ProfilePlot::draw() {
    const Theme& l = theme();
    QVector<double> along;
    QVector<double> up;
    for (size_t i = 0; i < values_.size(); ++i) {
        along << static_cast<double>(i) / static_cast<double>(values_.size() - 1);
        up << std::clamp(values_[i], 0.0, 1.0);
    }
    line_->setData(along, up, true);
    line_->setPen(QPen(l.prepared, 1.6));
    line_->setScatterStyle(QCPScatterStyle(QCPScatterStyle::ssDisc, QPen(l.prepared, 1.4), QBrush(l.card), 7));
    plot_->setBackground(QBrush(l.card));
    plot_->axisRect()->setBackground(QBrush(l.ground));
    // The point that the keys move, while they are here.
    const bool has_keys = hasFocus() && chosen_ < values_.size();
    chosen_line_->setData(has_keys ? QVector<double>{along[chosen_]} : QVector<double>(),
                          has_keys ? QVector<double>{up[chosen_]} : QVector<double>(), true);
    chosen_line_->setLineStyle(QCPGraph::lsNone);
    chosen_line_->setScatterStyle(QCPScatterStyle(QCPScatterStyle::ssCircle, QPen(l.selection, 2), Qt::NoBrush, 12));
    for (QCPAxis* axis : {plot_->xAxis, plot_->xAxis2, plot_->yAxis, plot_->yAxis2}) {
        axis->setBasePen(QPen(l.line));
    }
    plot_->replot(QCustomPlot::rpQueuedReplot);
}

void ProfilePlot::tell_points() {
    PaintedParts parts;
    parts.role = QAccessible::Chart;
    parts.part_role = QAccessible::Indicator;
    parts.count = [this] { return static_cast<int>(values_.size()); };
    parts.part = [this](int place) {
        const auto point = static_cast<size_t>(place);
        const QPointF at = place_of(point);
        return PaintedPart{
            tr("Point %1 of %2 from root to tip: %3").arg(place + 1).arg(values_.size()).arg(values_[point], 0, 'f', 2),
            QRectF(at.x() - 6, at.y() - 6, 12, 12).toRect(), point == chosen_ && hasFocus()};
    };
    parts.press = [this](int place) {
        chosen_ = static_cast<size_t>(place);
        setFocus();
        draw();
    };
    tell_parts(*this, std::move(parts));
}

void ProfilePlot::keyPressEvent(QKeyEvent* event) {
    const auto move = [&](double by) {
        double& value = values_[chosen_];
        value = std::round(std::clamp(value + by, 0.0, 1.0) * 100) / 100;
        draw();
        Q_EMIT changed(values_);
        Q_EMIT settled(values_);
    };
    const double step = (event->modifiers() & Qt::ShiftModifier) != 0 ? 0.01 : 0.05;
    chosen_ = std::min(chosen_, values_.size() - 1);
    switch (event->key()) {
    case Qt::Key_Left:
        chosen_ -= chosen_ > 0 ? 1 : 0;
        draw();
        break;
    case Qt::Key_Right:
        chosen_ += chosen_ + 1 < values_.size() ? 1 : 0;
        draw();
        break;
    case Qt::Key_Up:
        move(step);
        break;
    case Qt::Key_Down:
        move(-step);
        break;
    case Qt::Key_Home:
        move(-1);
        break;
    case Qt::Key_End:
        move(1);
        break;
    default:
        QWidget::keyPressEvent(event);
    }
}

void ProfilePlot::focusInEvent(QFocusEvent* event) {
    QWidget::focusInEvent(event);
    draw();
}

void ProfilePlot::focusOutEvent(QFocusEvent* event) {
    QWidget::focusOutEvent(event);
    draw();
}

QPointF ProfilePlot::place_of(size_t point) const {
    const double along = static_cast<double>(point) / static_cast<double>(values_.size() - 1);
    return QPointF(plot_->pos()) +
           QPointF(plot_->xAxis->coordToPixel(along), plot_->yAxis->coordToPixel(std::clamp(values_[point], 0.0, 1.0)));
}

bool ProfilePlot::eventFilter(QObject* watched, QEvent* event) {
    if (watched != plot_) {
        return QWidget::eventFilter(watched, event);
    }
    const auto kind = event->type();
    if (kind == QEvent::MouseButtonPress) {
        const auto* mouse = static_cast<QMouseEvent*>(event);
        constexpr double reach = 14; // pixels along
        held_ = -1;
        double least = reach;
        for (size_t i = 0; i < values_.size() && mouse->button() == Qt::LeftButton; ++i) {
            const double apart =
                std::abs(mouse->position().x() -
                         plot_->xAxis->coordToPixel(static_cast<double>(i) / static_cast<double>(values_.size() - 1)));
            if (apart < least) {
                least = apart;
                held_ = static_cast<int>(i);
            }
        }
        return true;
    }
    if (kind == QEvent::MouseMove && held_ >= 0) {
        const double up = plot_->yAxis->pixelToCoord(static_cast<QMouseEvent*>(event)->position().y());
        values_[static_cast<size_t>(held_)] = std::round(std::clamp(up, 0.0, 1.0) * 100) / 100;
        draw();
        Q_EMIT changed(values_);
        return true;
    }
    if (kind == QEvent::MouseButtonRelease && held_ >= 0) {
        held_ = -1;
        Q_EMIT settled(values_);
        return true;
    }
    return QWidget::eventFilter(watched, event);
}

} // namespace wembrix::app
