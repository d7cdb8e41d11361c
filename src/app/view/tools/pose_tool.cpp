#include "view/tools/pose_tool.h"

#include "style/theme.h"

#include <QLineF>
#include <cmath>

namespace wembrix::app {

namespace {

constexpr double bead_reach = 9;        ///< pixels
constexpr double degrees_a_pixel = 0.5; ///< of a bead
constexpr double bead_radius = 8;

} // namespace

QPointF PoseTool::bead(int axis) {
    // In a row below the ring.
    return {(axis - 1) * 26.0, ring_radius + 20};
}

int PoseTool::node(const Frame& frame) const {
    return frame.scenes.state() == State::prepared ? hooks_.chosen(frame.scenes.posed()->scene()) : -1;
}

QPointF PoseTool::middle(const Frame& frame, int node) const {
    return frame.projection.on_screen(
        point_of(frame.scenes.posed()->pose().world[static_cast<size_t>(node)], Vec3::Zero()));
}

Quat PoseTool::turn(const Frame& frame, int node) const {
    const double radians = M_PI / 180;
    if (held_ == Held::ring) {
        const QPointF at = middle(frame, node);
        const double angle = QLineF(at, now_).angleTo(QLineF(at, from_)) * radians;
        return Quat(Eigen::AngleAxisd(-angle, frame.projection.away));
    }
    if (held_ == Held::axis) {
        const Mat3 own = nearest_rotation(linear_of(frame.scenes.posed()->pose().world[static_cast<size_t>(node)]));
        const double angle = (now_.x() - from_.x()) * degrees_a_pixel * radians;
        return Quat(Eigen::AngleAxisd(angle, own.col(axis_)));
    }
    return Quat::Identity();
}

Vec3 PoseTool::pulled_to(const Frame& frame, int node) const {
    const Projection& p = frame.projection;
    const Vec3 here = point_of(frame.scenes.posed()->pose().world[static_cast<size_t>(node)], Vec3::Zero());
    const double metre = QLineF(p.on_screen(here), p.on_screen(here + p.aside())).length();
    const QPointF way = now_ - from_;
    return metre > 0 ? Vec3(here + (p.aside() * way.x() - p.away.cross(p.aside()) * way.y()) / metre) : here;
}

bool PoseTool::press(const Frame& frame, const ViewInput& input) {
    held_ = Held::nothing;
    const int joint = node(frame);
    if (joint < 0 || input.button != Qt::LeftButton || input.modifiers != Qt::NoModifier) {
        return false;
    }
    const QPointF at = middle(frame, joint);
    for (int axis = 0; axis < 3; ++axis) {
        if (QLineF(input.place, at + bead(axis)).length() < bead_reach) {
            held_ = Held::axis;
            axis_ = axis;
        }
    }
    if (held_ == Held::nothing && QLineF(input.place, at).length() < bead_reach) {
        held_ = Held::joint;
    }
    if (held_ == Held::nothing && std::abs(QLineF(input.place, at).length() - ring_radius) < bead_reach) {
        held_ = Held::ring;
    }
    from_ = now_ = input.place;
    return held_ != Held::nothing;
}

void PoseTool::drag(const Frame&, const QPointF& place) {
    now_ = place;
}

void PoseTool::release(const Frame& frame, bool dragged) {
    const int joint = node(frame);
    if (held_ != Held::nothing && dragged && joint >= 0) {
        const Quat by = turn(frame, joint);
        const Vec3 to = pulled_to(frame, joint);
        const bool pulls = held_ == Held::joint;
        held_ = Held::nothing;
        pulls ? hooks_.pulled(to) : hooks_.turned(by);
    }
    held_ = Held::nothing;
}

std::optional<Qt::CursorShape> PoseTool::cursor(const Frame& frame, const QPointF& place) const {
    const int joint = node(frame);
    if (joint < 0) {
        return std::nullopt;
    }
    const QPointF at = middle(frame, joint);
    for (int axis = 0; axis < 3; ++axis) {
        if (QLineF(place, at + bead(axis)).length() < bead_reach) {
            return Qt::SizeHorCursor;
        }
    }
    if (QLineF(place, at).length() < bead_reach) {
        return Qt::SizeAllCursor;
    }
    return std::abs(QLineF(place, at).length() - ring_radius) < bead_reach
               ? std::optional<Qt::CursorShape>(Qt::PointingHandCursor)
               : std::nullopt;
}

void PoseTool::paint(QPainter& painter, const Frame& frame) const {
    const int joint = node(frame);
    if (joint < 0) {
        return;
    }
    const Theme& l = theme();
    const PosedScene& posed = *frame.scenes.posed();
    const Vec3 here = point_of(posed.pose().world[static_cast<size_t>(joint)], Vec3::Zero());
    const QPointF at = frame.projection.on_screen(here);
    painter.setBrush(Qt::NoBrush);
    painter.setPen(QPen(l.selection, held_ == Held::ring ? 2.4 : 1.6, Qt::DashLine));
    painter.drawEllipse(at, ring_radius, ring_radius);
    constexpr const char* names[] = {"X", "Y", "Z"};
    for (int axis = 0; axis < 3; ++axis) {
        const bool is_held = held_ == Held::axis && axis_ == axis;
        const QPointF place = at + bead(axis) + (is_held ? QPointF(now_.x() - from_.x(), 0) : QPointF());
        painter.setPen(QPen(l.selection, 1.4));
        painter.setBrush(is_held ? l.selection : l.card);
        painter.drawEllipse(place, bead_radius, bead_radius);
        painter.setPen(is_held ? l.card : l.selection);
        painter.drawText(QRectF(place.x() - 8, place.y() - 8, 16, 16), Qt::AlignCenter,
                         QString::fromLatin1(names[axis]));
    }
    if (held_ == Held::nothing) {
        return;
    }
    if (held_ == Held::joint) {
        painter.setPen(QPen(l.selection, 2));
        painter.drawLine(at, now_);
        painter.setBrush(l.card);
        painter.drawEllipse(now_, 5, 5);
        return;
    }
    // Where its bones would lie.
    const Quat by = turn(frame, joint);
    painter.setPen(QPen(l.selection, 2));
    for (size_t n = 0; n < posed.scene().nodes.size(); ++n) {
        if (posed.scene().nodes[n].parent == joint) {
            const Vec3 end = point_of(posed.pose().world[n], Vec3::Zero());
            painter.drawLine(at, frame.projection.on_screen(here + by * (end - here)));
        }
    }
    const QString said = QObject::tr("%1°").arg(Eigen::AngleAxisd(by).angle() * 180 / M_PI, 0, 'f', 1);
    const QRectF box(at + QPointF(14, -34), QSizeF(60, 18));
    painter.setPen(Qt::NoPen);
    painter.setBrush(l.card);
    painter.drawRoundedRect(box, 3, 3);
    painter.setPen(l.ink);
    painter.drawText(box, Qt::AlignCenter, said);
}

} // namespace wembrix::app
