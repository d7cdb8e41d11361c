#include "stations/surface/influence_chart.h"

#include "style/theme.h"

#include <QHelpEvent>
#include <QMouseEvent>
#include <QPainter>
#include <QToolTip>
#include <algorithm>

namespace wembrix::app {

InfluenceChart::InfluenceChart(QWidget* parent) : QWidget(parent) {
    setSizePolicy(QSizePolicy::Expanding, QSizePolicy::Expanding);
}

void InfluenceChart::show_counts(std::vector<size_t> vertices, std::vector<InfluenceLimit> limits) {
    vertices_ = std::move(vertices);
    limits_ = std::move(limits);
    std::stable_sort(limits_.begin(), limits_.end(),
                     [](const InfluenceLimit& a, const InfluenceLimit& b) { return a.most < b.most; });
    update();
}

void InfluenceChart::choose(size_t influences) {
    chosen_ = influences;
    update();
}

bool InfluenceChart::is_over(size_t influences) const {
    return std::any_of(limits_.begin(), limits_.end(),
                       [&](const InfluenceLimit& limit) { return static_cast<int>(influences) > limit.most; });
}

QRectF InfluenceChart::bar(size_t influences) const {
    const size_t first = !vertices_.empty() && vertices_[0] > 0 ? 0 : 1;
    const size_t count = std::max<size_t>(vertices_.size(), 5) - first;
    const double each = static_cast<double>(width()) / static_cast<double>(count);
    return {each * static_cast<double>(influences - first), 0, each, static_cast<double>(height())};
}

void InfluenceChart::paintEvent(QPaintEvent*) {
    QPainter painter(this);
    painter.setRenderHint(QPainter::Antialiasing);
    const Theme& t = theme();
    if (vertices_.empty()) {
        painter.setPen(t.soft);
        painter.drawText(rect(), Qt::AlignCenter | Qt::TextWordWrap, tr("No surface is under a skin."));
        return;
    }
    QFont small = font();
    small.setPixelSize(11);
    painter.setFont(small);
    const size_t largest = *std::max_element(vertices_.begin(), vertices_.end());
    constexpr double foot = 16;
    const double top = 18 + 13.0 * static_cast<double>(limits_.size());
    const double room = height() - foot - top;
    const size_t first = vertices_[0] > 0 ? 0 : 1;
    for (size_t k = first; k < std::max<size_t>(vertices_.size(), 5); ++k) {
        const size_t vertices = k < vertices_.size() ? vertices_[k] : 0;
        const QRectF column = bar(k);
        const bool over = is_over(k);
        painter.setPen(t.soft);
        painter.drawText(QRectF(column.left(), height() - foot, column.width(), foot), Qt::AlignCenter,
                         QString::number(static_cast<qulonglong>(k)));
        if (vertices == 0) {
            continue;
        }
        const double tall = std::max(2.0, room * static_cast<double>(vertices) / static_cast<double>(largest));
        const QRectF block(column.left() + column.width() * 0.14, top + room - tall, column.width() * 0.72, tall);
        QColor fill = over ? t.stop : t.prepared;
        fill.setAlphaF(k == chosen_ ? 0.95F : 0.42F);
        painter.fillRect(block, fill);
        painter.setPen(t.ink);
        painter.drawText(QRectF(column.left(), block.top() - 15, column.width(), 14), Qt::AlignCenter,
                         QString::number(static_cast<qulonglong>(vertices)));
    }
    // Destinations with one limit share a line.
    double line = 2;
    for (size_t i = 0; i < limits_.size();) {
        QStringList names;
        const int most = limits_[i].most;
        for (; i < limits_.size() && limits_[i].most == most; ++i) {
            names << limits_[i].destination;
        }
        const double x = std::min(bar(static_cast<size_t>(most) + 1).left(), width() - 1.0);
        painter.setPen(QPen(t.stop, 1, Qt::DashLine));
        painter.drawLine(QPointF(x, line), QPointF(x, height() - foot));
        painter.setPen(t.stop);
        const QString words = tr("%1: at most %2").arg(names.join(QStringLiteral(", "))).arg(most);
        const double wide = painter.fontMetrics().horizontalAdvance(words);
        const bool fits = x + 6 + wide < width();
        const QRectF place =
            fits ? QRectF(x + 5, line, wide + 2, 13) : QRectF(std::max(0.0, x - wide - 7), line, wide + 2, 13);
        painter.fillRect(place, t.card);
        painter.drawText(place, Qt::AlignVCenter | Qt::AlignLeft, words);
        line += 13;
    }
}

void InfluenceChart::mousePressEvent(QMouseEvent* event) {
    for (size_t k = 0; k < vertices_.size(); ++k) {
        if (vertices_[k] > 0 && bar(k).contains(event->position())) {
            choose(chosen_ == k ? 0 : k);
            Q_EMIT barClicked(chosen_);
            return;
        }
    }
}

bool InfluenceChart::event(QEvent* event) {
    if (event->type() == QEvent::ToolTip) {
        const auto* help = static_cast<QHelpEvent*>(event);
        for (size_t k = 0; k < vertices_.size(); ++k) {
            if (vertices_[k] > 0 && bar(k).contains(help->pos())) {
                QToolTip::showText(help->globalPos(), tr("%1 vertices have %2 influences. Click to see where.")
                                                          .arg(static_cast<qulonglong>(vertices_[k]))
                                                          .arg(static_cast<qulonglong>(k)));
                return true;
            }
        }
    }
    return QWidget::event(event);
}

} // namespace wembrix::app
