#include "view/tools/pose_tool.h"

#include "style/theme.h"

#include <QLineF>
#include <cmath>

namespace wembrix::app {

namespace {

constexpr double bead_reach = 9;        ///< pixels
constexpr double degrees_a_pixel = 0.5; ///< of a bead
constexpr double bead_radius = 8;
constexpr double path_reach = 6; ///< pixels about a key of the path

} // namespace

QPointF PoseTool::bead(int axis) {
    // In a row below the ring.
    return {(axis - 1) * 26.0, ring_radius + 20};
}

int PoseTool::node(const Frame& frame) const {
    return frame.scenes.state() == State::prepared ? hooks_.chosen(frame.scenes.posed()->scene()) : -1;
}

std::pair<int, int> PoseTool::bones(const Frame& frame, int node) {
    const Scene& scene = frame.scenes.posed()->scene();
    const int second = joint_above(scene, node);
    return {second, second < 0 ? -1 : joint_above(scene, second)};
}

Vec3 PoseTool::place(const Frame& frame, int node) const {
    return point_of(hooks_.base(*frame.scenes.posed()).world[static_cast<size_t>(node)], Vec3::Zero());
}

QPointF PoseTool::middle(const Frame& frame, int node) const {
    return frame.projection.on_screen(place(frame, node));
}

Vec3 PoseTool::axis_of(const Frame& frame, int node, int axis) const {
    const Mat4& world = hooks_.base(*frame.scenes.posed()).world[static_cast<size_t>(node)];
    return hooks_.world_axes() ? Vec3(Vec3::Unit(axis)) : Vec3(nearest_rotation(linear_of(world)).col(axis));
}

double PoseTool::swung(const Frame& frame, int node) const {
    // The joint between goes round the line from the first to the last: where on that circle is nearest to the pointer?
    const auto [second, first] = bones(frame, node);
    const Vec3 from = place(frame, first);
    const Vec3 line = (place(frame, node) - from).normalized();
    const Vec3 arm = place(frame, second) - from;
    const QPointF to = middle(frame, second) + now_ - from_;
    double best = 0;
    double least = 1e300;
    for (int degrees = -180; degrees <= 180; ++degrees) {
        const Eigen::AngleAxisd turn(degrees * M_PI / 180, line);
        const double away = QLineF(frame.projection.on_screen(from + turn * arm), to).length();
        // Of two places that look alike the one that is nearer to how it stands.
        if (const double cost = away + 0.02 * std::abs(degrees); cost < least) {
            least = cost;
            best = degrees;
        }
    }
    return best;
}

PoseGesture PoseTool::gesture(const Frame& frame, int node) const {
    constexpr double radians = M_PI / 180;
    PoseGesture made;
    const Vec3 here = place(frame, node);
    const Projection& p = frame.projection;
    const QPointF way = now_ - from_;
    switch (held_) {
    case Held::ring: {
        const QPointF at = middle(frame, node);
        const double angle = QLineF(at, now_).angleTo(QLineF(at, from_)) * radians;
        made.by = Quat(Eigen::AngleAxisd(-angle, p.away));
        break;
    }
    case Held::axis: {
        const Vec3 axis = axis_of(frame, node, axis_);
        if (!hooks_.moves()) {
            made.by = Quat(Eigen::AngleAxisd(way.x() * degrees_a_pixel * radians, axis));
            break;
        }
        made.kind = PoseGesture::Kind::move;
        const double metre = QLineF(p.on_screen(here), p.on_screen(here + p.aside())).length();
        const QPointF seen = p.on_screen(here + axis) - p.on_screen(here);
        const double along = seen.x() * way.x() + seen.y() * way.y();
        const double length = seen.x() * seen.x() + seen.y() * seen.y();
        // An axis that points at the eye goes by the pointer's way across.
        const bool is_seen = length > 0.02 * metre * metre;
        made.to = here + axis * (is_seen ? along / length : way.x() / std::max(metre, 1e-9));
        break;
    }
    case Held::joint: {
        const bool pulls = !hooks_.moves() && bones(frame, node).second >= 0;
        made.kind = pulls ? PoseGesture::Kind::pull : PoseGesture::Kind::move;
        const double metre = QLineF(p.on_screen(here), p.on_screen(here + p.aside())).length();
        made.to = metre > 0 ? Vec3(here + (p.aside() * way.x() - p.away.cross(p.aside()) * way.y()) / metre) : here;
        break;
    }
    case Held::pole:
        made.kind = PoseGesture::Kind::pole;
        made.degrees = swung(frame, node);
        break;
    case Held::nothing:
        break;
    }
    return made;
}

PoseTool::Held PoseTool::held_at(const Frame& frame, int node, const QPointF& at, int& axis) const {
    const QPointF centre = middle(frame, node);
    for (int a = 0; a < 3; ++a) {
        if (QLineF(at, centre + bead(a)).length() < bead_reach) {
            axis = a;
            return Held::axis;
        }
    }
    if (QLineF(at, centre).length() < bead_reach) {
        return Held::joint;
    }
    if (hooks_.moves()) {
        return Held::nothing;
    }
    if (const auto [second, first] = bones(frame, node);
        first >= 0 && QLineF(at, middle(frame, second)).length() < bead_reach) {
        return Held::pole;
    }
    return std::abs(QLineF(at, centre).length() - ring_radius) < bead_reach ? Held::ring : Held::nothing;
}

bool PoseTool::press(const Frame& frame, const ViewInput& input) {
    held_ = Held::nothing;
    const int joint = node(frame);
    if (joint < 0 || input.button != Qt::LeftButton || input.modifiers != Qt::NoModifier) {
        return false;
    }
    held_ = held_at(frame, joint, input.place, axis_);
    from_ = now_ = input.place;
    if (held_ != Held::joint && held_ != Held::axis) { // keys of the path lie over the ring and the square
        const PoseOverlay& overlay = hooks_.overlay();
        for (const int key : overlay.keyed) {
            const auto at = static_cast<size_t>(key - overlay.first);
            if (at < overlay.path.size() &&
                QLineF(input.place, frame.projection.on_screen(overlay.path[at])).length() < path_reach) {
                held_ = Held::joint;
                hooks_.frame_asked(key);
                return true;
            }
        }
    }
    return held_ != Held::nothing;
}

void PoseTool::drag(const Frame& frame, const QPointF& place) {
    now_ = place;
    if (const int joint = node(frame); joint >= 0 && held_ != Held::nothing) {
        hooks_.tried(gesture(frame, joint));
    }
}

void PoseTool::release(const Frame& frame, bool dragged) {
    const int joint = node(frame);
    if (held_ != Held::nothing && dragged && joint >= 0) {
        const PoseGesture made = gesture(frame, joint);
        held_ = Held::nothing;
        hooks_.done(made);
    }
    held_ = Held::nothing;
}

std::optional<Qt::CursorShape> PoseTool::cursor(const Frame& frame, const QPointF& place) const {
    const int joint = node(frame);
    if (joint < 0) {
        return std::nullopt;
    }
    int axis = 0;
    switch (held_at(frame, joint, place, axis)) {
    case Held::axis:
        return Qt::SizeHorCursor;
    case Held::joint:
        return Qt::SizeAllCursor;
    case Held::ring:
    case Held::pole:
        return Qt::PointingHandCursor;
    case Held::nothing:
        break;
    }
    return std::nullopt;
}

void PoseTool::paint_overlay(QPainter& painter, const Frame& frame) const {
    const Theme& l = theme();
    const PoseOverlay& overlay = hooks_.overlay();
    painter.setBrush(Qt::NoBrush);
    for (const PoseOverlay::Ghost& ghost : overlay.ghosts) {
        QColor colour = ghost.before ? l.received : l.look;
        colour.setAlphaF(static_cast<float>(0.25 + 0.5 * ghost.strength));
        painter.setPen(QPen(colour, 1.3));
        for (const auto& [from, to] : ghost.bones) {
            painter.drawLine(frame.projection.on_screen(from), frame.projection.on_screen(to));
        }
    }
    if (overlay.path.size() < 2) {
        return;
    }
    QPolygonF line;
    for (const Vec3& at : overlay.path) {
        line << frame.projection.on_screen(at);
    }
    painter.setPen(QPen(l.selection, 1.2));
    painter.drawPolyline(line);
    painter.setBrush(l.selection);
    painter.setPen(Qt::NoPen);
    for (const QPointF& at : line) { // one a frame: where it is fast they lie apart
        painter.drawEllipse(at, 1.3, 1.3);
    }
    painter.setPen(QPen(l.selection, 1.4));
    painter.setBrush(l.card);
    for (const int key : overlay.keyed) {
        const qsizetype at = key - overlay.first;
        if (at >= 0 && at < line.size()) {
            painter.drawEllipse(line[at], 4, 4);
        }
    }
}

void PoseTool::paint_said(QPainter& painter, const QPointF& at, const PoseGesture& made, const Vec3& here) const {
    const Theme& l = theme();
    const bool goes = made.kind == PoseGesture::Kind::move || made.kind == PoseGesture::Kind::pull;
    const double degrees =
        made.kind == PoseGesture::Kind::pole ? made.degrees : Eigen::AngleAxisd(made.by).angle() * 180 / M_PI;
    const QString said = goes ? QObject::tr("%1 mm").arg((made.to - here).norm() * 1000, 0, 'f', 1)
                              : QObject::tr("%1°").arg(degrees, 0, 'f', 1);
    const QRectF box(at + QPointF(14, -34), QSizeF(70, 18));
    painter.setPen(Qt::NoPen);
    painter.setBrush(l.card);
    painter.drawRoundedRect(box, 3, 3);
    painter.setPen(l.ink);
    painter.drawText(box, Qt::AlignCenter, said);
}

void PoseTool::paint(QPainter& painter, const Frame& frame) const {
    const int joint = node(frame);
    if (frame.scenes.state() != State::prepared) {
        return;
    }
    paint_overlay(painter, frame);
    if (joint < 0) {
        return;
    }
    const Theme& l = theme();
    const bool moves = hooks_.moves();
    const QPointF at = middle(frame, joint);
    painter.setBrush(Qt::NoBrush);
    painter.setPen(QPen(l.selection, held_ == Held::ring ? 2.4 : 1.6, Qt::DashLine));
    if (moves) {
        constexpr double arm = 16;
        painter.drawLine(at - QPointF(arm, 0), at + QPointF(arm, 0));
        painter.drawLine(at - QPointF(0, arm), at + QPointF(0, arm));
    } else {
        painter.drawEllipse(at, ring_radius, ring_radius);
        if (const auto [second, first] = bones(frame, joint); first >= 0) {
            const QPointF pole = middle(frame, second);
            painter.setPen(QPen(l.selection, held_ == Held::pole ? 2.4 : 1.6));
            painter.setBrush(l.card);
            const QPointF corners[] = {pole + QPointF(0, -6), pole + QPointF(6, 0), pole + QPointF(0, 6),
                                       pole + QPointF(-6, 0)};
            painter.drawPolygon(corners, 4);
        }
    }
    constexpr const char* names[] = {"X", "Y", "Z"};
    for (int axis = 0; axis < 3; ++axis) {
        const bool is_held = held_ == Held::axis && axis_ == axis;
        const QPointF place = at + bead(axis) + (is_held ? QPointF(now_.x() - from_.x(), 0) : QPointF());
        painter.setPen(QPen(l.selection, 1.4));
        painter.setBrush(is_held ? l.selection : l.card);
        if (moves) {
            painter.drawRoundedRect(QRectF(place.x() - 7, place.y() - 7, 14, 14), 2, 2);
        } else {
            painter.drawEllipse(place, bead_radius, bead_radius);
        }
        painter.setPen(is_held ? l.card : l.selection);
        painter.drawText(QRectF(place.x() - 8, place.y() - 8, 16, 16), Qt::AlignCenter,
                         QString::fromLatin1(names[axis]));
    }
    if (held_ != Held::nothing) {
        paint_said(painter, at, gesture(frame, joint), place(frame, joint));
    }
}

} // namespace wembrix::app
