#include "view/tools/reed_tool.h"

#include "style/theme.h"

#include <QLineF>
#include <algorithm>
#include <cmath>

namespace wembrix::app {

namespace {

constexpr double reed_dot = 4;    ///< pixels
constexpr double reed_reach = 9;  ///< pixels
constexpr double beyond_tip = 22; ///< pixels that the knob stands beyond the tip
constexpr double beside = 26;     ///< pixels that the ring stands beside the root

/// How far a place is from a piece of line, in pixels.
double from_piece(const QPointF& at, const QPointF& a, const QPointF& b) {
    const QPointF way = b - a;
    const double length = QPointF::dotProduct(way, way);
    const double along = length > 0 ? std::clamp(QPointF::dotProduct(at - a, way) / length, 0.0, 1.0) : 0;
    return QLineF(at, a + along * way).length();
}

} // namespace

std::optional<ReedTool::Handles> ReedTool::handles(const Frame& frame) const {
    const std::set<size_t>& chosen = hooks_.chosen();
    if (chosen.empty()) {
        return std::nullopt;
    }
    const size_t guide = chosen.contains(latest_) ? latest_ : *chosen.begin();
    const std::vector<GuideLine>& guides = hooks_.guides();
    if (guide >= guides.size() || guides[guide].size() < 2) {
        return std::nullopt;
    }
    bool visible = false;
    const GuideLine& line = guides[guide];
    const QPointF tip = frame.projection.on_screen(line.back(), &visible);
    const QPointF root = frame.projection.on_screen(line.front());
    if (!visible) {
        return std::nullopt;
    }
    const QPointF way = tip - root;
    const double length = std::hypot(way.x(), way.y());
    const QPointF out = length > 1 ? way / length : QPointF(0, -1);
    return Handles{guide, tip + out * beyond_tip, root + QPointF(-out.y(), out.x()) * beside};
}

std::optional<ReedTool::Point> ReedTool::under(const Frame& frame, const QPointF& place) const {
    std::optional<Point> nearest;
    double least = reed_reach;
    const std::vector<GuideLine>& guides = hooks_.guides();
    for (size_t g = 0; g < guides.size(); ++g) {
        for (size_t p = 1; p < guides[g].size(); ++p) {
            bool visible = false;
            const QPointF at = frame.projection.on_screen(guides[g][p], &visible);
            const double apart = QLineF(place, at).length() - (hooks_.chosen().contains(g) ? 3 : 0);
            if (visible && apart < least) {
                least = apart;
                nearest = Point{g, p};
            }
        }
    }
    return nearest;
}

std::optional<size_t> ReedTool::reed_under(const Frame& frame, const QPointF& place) const {
    std::optional<size_t> nearest;
    double least = 6;
    const std::vector<GuideLine>& guides = hooks_.guides();
    for (size_t g = 0; g < guides.size(); ++g) {
        for (size_t p = 1; p < guides[g].size(); ++p) {
            const double apart = from_piece(place, frame.projection.on_screen(guides[g][p - 1]),
                                            frame.projection.on_screen(guides[g][p]));
            if (apart < least) {
                least = apart;
                nearest = g;
            }
        }
    }
    return nearest;
}

ReedTool::Does ReedTool::handle_under(const Frame& frame, const QPointF& place) const {
    const std::optional<Handles> all = handles(frame);
    if (!all) {
        return Does::nothing;
    }
    return QLineF(place, all->longer).length() < reed_reach ? Does::lengthens
           : QLineF(place, all->turn).length() < reed_reach ? Does::turns
                                                            : Does::nothing;
}

bool ReedTool::press(const Frame& frame, const ViewInput& input) {
    does_ = Does::nothing;
    if (input.button != Qt::LeftButton || (input.modifiers & ~Qt::ControlModifier) != 0) {
        return false;
    }
    from_ = input.place;
    does_ = handle_under(frame, input.place);
    if (does_ != Does::nothing) {
        held_ = {handles(frame)->guide, hooks_.guides()[handles(frame)->guide].size() - 1};
    } else if (const std::optional<Point> point = under(frame, input.place)) {
        held_ = *point;
        does_ = Does::pulls;
        latest_ = held_.guide;
        adds_ = (input.modifiers & Qt::ControlModifier) != 0;
        was_chosen_ = hooks_.chosen().contains(held_.guide);
        if (!was_chosen_) {
            hooks_.choose(held_.guide, adds_);
        }
    }
    if (does_ == Does::nothing) {
        return false;
    }
    const GuideLine& line = hooks_.guides()[held_.guide];
    before_ = line[held_.point];
    root_ = frame.projection.on_screen(line.front());
    last_ = from_;
    return true;
}

void ReedTool::act(const Frame& frame, const QPointF& place, bool done) {
    if (does_ == Does::pulls) {
        const Projection& p = frame.projection;
        const double metre = QLineF(p.on_screen(before_), p.on_screen(before_ + p.aside())).length();
        const Vec3 up = p.away.cross(p.aside());
        const QPointF way = place - from_;
        hooks_.pull(held_.point, (p.aside() * way.x() - up * way.y()) / std::max(metre, 1e-9), done);
    } else if (does_ == Does::lengthens) {
        const double was = QLineF(root_, from_).length();
        const double is = QLineF(root_, place).length();
        hooks_.lengthen(std::clamp(is / std::max(was, 1.0), 0.05, 20.0), done);
    } else if (does_ == Does::turns) {
        hooks_.turn(-QLineF(root_, from_).angleTo(QLineF(root_, place)) * M_PI / 180, done);
    }
}

void ReedTool::drag(const Frame& frame, const QPointF& place) {
    last_ = place;
    act(frame, place, false);
}

void ReedTool::release(const Frame& frame, bool dragged) {
    if (does_ != Does::nothing && dragged) {
        act(frame, last_, true);
    } else if (does_ == Does::pulls && was_chosen_) {
        hooks_.choose(held_.guide, adds_); // a click on one of several: that one alone, or without it
    }
    does_ = Does::nothing;
}

bool ReedTool::click(const Frame& frame, const ViewInput& input) {
    if (input.button != Qt::LeftButton) {
        return false;
    }
    const bool adds = (input.modifiers & Qt::ControlModifier) != 0;
    const std::optional<Point> point = under(frame, input.place);
    const std::optional<size_t> reed = point ? std::optional<size_t>(point->guide) : reed_under(frame, input.place);
    if (reed) {
        latest_ = *reed;
        hooks_.choose(*reed, adds);
    } else if (hooks_.plants()) {
        if (const std::optional<SurfaceHit> hit = surface_hit(frame.projection, *frame.scenes.posed(), input.place)) {
            hooks_.plant(*hit);
            latest_ = hooks_.guides().empty() ? 0 : hooks_.guides().size() - 1;
        }
    } else {
        hooks_.choose_none();
    }
    return false; // it goes on until it is put away
}

std::optional<Qt::CursorShape> ReedTool::cursor(const Frame& frame, const QPointF& place) const {
    if (handle_under(frame, place) != Does::nothing) {
        return Qt::PointingHandCursor;
    }
    if (under(frame, place)) {
        return Qt::SizeAllCursor;
    }
    return hooks_.plants() ? std::optional<Qt::CursorShape>(Qt::CrossCursor) : std::nullopt;
}

void ReedTool::paint(QPainter& painter, const Frame& frame) const {
    const Theme& l = theme();
    const Projection& p = frame.projection;
    const std::vector<GuideLine>& guides = hooks_.guides();
    for (size_t g = 0; g < guides.size(); ++g) {
        const bool is_chosen = hooks_.chosen().contains(g);
        const QColor ink = is_chosen ? l.selection : l.prepared;
        painter.setPen(QPen(ink, is_chosen ? 2.2 : 1.5));
        painter.setBrush(Qt::NoBrush);
        QPolygonF line;
        for (const Vec3& point : guides[g]) {
            bool visible = false;
            const QPointF at = p.on_screen(point, &visible);
            if (visible) {
                line << at;
            }
        }
        painter.drawPolyline(line);
        painter.setBrush(l.card);
        for (qsizetype k = 1; k < line.size(); ++k) { // small on the way, larger at the tip
            const double r = k + 1 == line.size() ? reed_dot : is_chosen ? reed_dot - 1 : 2;
            painter.drawEllipse(line[k], r, r);
        }
        if (!line.isEmpty()) {
            painter.setBrush(ink);
            painter.drawRect(QRectF(line[0].x() - 2.5, line[0].y() - 2.5, 5, 5));
        }
    }
    const std::optional<Handles> all = handles(frame);
    if (!all) {
        return;
    }
    const GuideLine& line = guides[all->guide];
    painter.setPen(QPen(l.selection, 1, Qt::DotLine));
    painter.drawLine(p.on_screen(line.back()), all->longer);
    painter.drawLine(p.on_screen(line.front()), all->turn);
    painter.setPen(QPen(l.selection, 1.4));
    painter.setBrush(l.card);
    // Longer: two strokes across the way; turn: a ring.
    painter.drawRoundedRect(QRectF(all->longer.x() - 6, all->longer.y() - 6, 12, 12), 2, 2);
    painter.drawLine(all->longer + QPointF(-3, 0), all->longer + QPointF(3, 0));
    painter.drawLine(all->longer + QPointF(0, -3), all->longer + QPointF(0, 3));
    painter.drawEllipse(all->turn, 6, 6);
    painter.drawEllipse(all->turn, 2, 2);
}

} // namespace wembrix::app
