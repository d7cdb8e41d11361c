#include "view/tools/hull_tool.h"

#include <Eigen/LU>
#include <QLineF>
#include <cmath>

namespace wembrix::app {

namespace {

constexpr double grip_reach = 9;        ///< pixels
constexpr double knob_above = 46;       ///< pixels that the ring stands above the middle
constexpr double least_arm_slope = 0.3; ///< of what a metre across the view is long

/// How long a metre across the view is at that place, in pixels.
double metre_at(const Projection& p, const Vec3& at) {
    return QLineF(p.on_screen(at), p.on_screen(at + p.aside())).length();
}

double unit_of(const Mat4& world) {
    return std::cbrt(std::abs(linear_of(world).determinant()));
}

} // namespace

const Hull* HullTool::hull(const Frame& frame, int& node) const {
    const Scene& scene = frame.scenes.posed()->scene();
    node = frame.scenes.state() == State::prepared && hooks_.chosen() != 0 ? scene.find_identity(hooks_.chosen()) : -1;
    if (node < 0 || scene.nodes[static_cast<size_t>(node)].hull < 0) {
        return nullptr;
    }
    return &scene.hulls[static_cast<size_t>(scene.nodes[static_cast<size_t>(node)].hull)];
}

std::vector<HullTool::Handle> HullTool::handles(const Frame& frame) const {
    std::vector<Handle> all;
    int node = -1;
    const Hull* chosen = hull(frame, node);
    if (chosen == nullptr) {
        return all;
    }
    const Projection& p = frame.projection;
    const Mat4& world = frame.scenes.posed()->pose().world[static_cast<size_t>(node)];
    const double unit = unit_of(world);
    const Hull shown = held_ && unit > 0 ? adjusted(*chosen, by_, unit) : *chosen;
    const Mat4 axes = world * axes_of(shown);
    const Vec3 extent = extent_of(shown);
    bool visible = false;
    const QPointF middle = p.on_screen(point_of(axes, Vec3::Zero()), &visible);
    if (!visible) {
        return all;
    }
    if (shown.kind != Hull::Kind::sphere) {
        all.push_back({Handle::Does::turns, {}, middle - QPointF(0, knob_above), {}});
    }
    all.push_back({Handle::Does::moves, {}, middle, {}});
    for (const HullSide& side : hull_sides) {
        Vec3 out = Vec3::Zero();
        out[side.axis] = side.sign;
        const Vec3 at = point_of(axes, out.cwiseProduct(extent));
        const Vec3 along = (linear_of(axes) * out).normalized();
        const double metre = metre_at(p, at);
        const double little = metre > 0 ? 10 / metre : 0; // some pixels, so that perspective hardly matters
        const QPointF place = p.on_screen(at, &visible);
        const QPointF a_metre = little > 0 ? (p.on_screen(at + along * little) - place) / little : QPointF();
        if (visible && std::hypot(a_metre.x(), a_metre.y()) > least_arm_slope * metre) {
            all.push_back({Handle::Does::pulls_side, side, place, a_metre});
        }
    }
    return all;
}

std::optional<HullTool::Handle> HullTool::under(const Frame& frame, const QPointF& place) const {
    std::optional<Handle> nearest;
    double least = grip_reach;
    for (const Handle& handle : handles(frame)) {
        const double apart = QLineF(place, handle.at).length();
        if (apart < least) {
            least = apart;
            nearest = handle;
        }
    }
    return nearest;
}

bool HullTool::press(const Frame& frame, const ViewInput& input) {
    if (input.button != Qt::LeftButton || input.modifiers != Qt::NoModifier) {
        return false;
    }
    by_ = {};
    held_ = under(frame, input.place);
    from_ = input.place;
    for (const Handle& handle : handles(frame)) {
        middle_ = handle.does == Handle::Does::moves ? handle.at : middle_;
    }
    return held_.has_value();
}

HullAdjustment HullTool::pulled_to(const Frame& frame, const Hull& hull, int node, const QPointF& place) const {
    const Projection& p = frame.projection;
    const Mat4 axes = frame.scenes.posed()->pose().world[static_cast<size_t>(node)] * axes_of(hull);
    const QPointF way = place - from_;
    HullAdjustment by;
    switch (held_->does) {
    case Handle::Does::pulls_side: {
        const QPointF& a_metre = held_->a_metre;
        return side_pulled(hull.kind, held_->side,
                           QPointF::dotProduct(way, a_metre) / QPointF::dotProduct(a_metre, a_metre));
    }
    case Handle::Does::moves: {
        const double metre = metre_at(p, point_of(axes, Vec3::Zero()));
        const Vec3 up = p.away.cross(p.aside());
        const Vec3 moved = (p.aside() * way.x() - up * way.y()) / metre;
        by.move_m = nearest_rotation(linear_of(axes)).transpose() * moved;
        return by;
    }
    case Handle::Does::turns: {
        const double angle = QLineF(middle_, place).angleTo(QLineF(middle_, from_)) * M_PI / 180;
        const Mat3 own = nearest_rotation(linear_of(axes));
        // On the screen the hand goes clockwise where the angle grows; seen along `away` that is a turn backwards.
        by.turn = Quat(Mat3(own.transpose() * Eigen::AngleAxisd(-angle, p.away).toRotationMatrix() * own));
        return by;
    }
    }
    return by;
}

void HullTool::drag(const Frame& frame, const QPointF& place) {
    int node = -1;
    const Hull* chosen = held_ ? hull(frame, node) : nullptr;
    if (chosen == nullptr) {
        return;
    }
    by_ = pulled_to(frame, *chosen, node, place);
    const double unit = unit_of(frame.scenes.posed()->pose().world[static_cast<size_t>(node)]);
    if (unit > 0) {
        hooks_.preview(hooks_.chosen(), adjusted(*chosen, by_, unit));
    }
}

void HullTool::release(const Frame& frame, bool dragged) {
    int node = -1;
    const bool there = held_ && hull(frame, node) != nullptr;
    held_.reset();
    if (there && dragged) {
        hooks_.adjusted(hooks_.chosen(), by_);
    }
    by_ = {};
}

bool HullTool::click(const Frame& frame, const ViewInput& input) {
    if (input.button != Qt::LeftButton) {
        return false;
    }
    // The hull that is hit nearest to the eye.
    const PosedScene& posed = *frame.scenes.posed();
    int64_t hit = 0;
    double nearest = 0;
    for (size_t n = 0; n < posed.scene().nodes.size(); ++n) {
        const Node& node = posed.scene().nodes[n];
        if (node.hull < 0) {
            continue;
        }
        const HullShell shell = shell_of(posed.scene().hulls[static_cast<size_t>(node.hull)]);
        for (size_t i = 0; i + 2 < shell.indices.size(); i += 3) {
            std::array<QPointF, 3> at;
            double towards = 0;
            bool all_visible = true;
            for (size_t k = 0; k < 3; ++k) {
                const Vec3 place = point_of(posed.pose().world[n], shell.points[shell.indices[i + k]].cast<double>());
                bool visible = false;
                at.at(k) = frame.projection.on_screen(place, &visible);
                all_visible = all_visible && visible;
                towards += place.dot(frame.projection.away) / 3;
            }
            const auto side = [&](const QPointF& a, const QPointF& b) {
                return (b.x() - a.x()) * (input.place.y() - a.y()) - (b.y() - a.y()) * (input.place.x() - a.x());
            };
            const double ab = side(at[0], at[1]);
            const double bc = side(at[1], at[2]);
            const double ca = side(at[2], at[0]);
            const bool inside = (ab >= 0 && bc >= 0 && ca >= 0) || (ab <= 0 && bc <= 0 && ca <= 0);
            if (all_visible && inside && (hit == 0 || towards > nearest)) {
                hit = node.identity;
                nearest = towards;
            }
        }
    }
    if (hit == 0) {
        return false;
    }
    hooks_.choose(hit);
    return true;
}

std::optional<Qt::CursorShape> HullTool::cursor(const Frame& frame, const QPointF& place) const {
    const std::optional<Handle> handle = under(frame, place);
    if (!handle) {
        return std::nullopt;
    }
    return handle->does == Handle::Does::moves ? Qt::SizeAllCursor : Qt::PointingHandCursor;
}

void HullTool::paint(QPainter& painter, const Frame& frame) const {
    const Theme& l = theme();
    QPointF middle;
    const std::vector<Handle> all = handles(frame);
    for (const Handle& handle : all) {
        middle = handle.does == Handle::Does::moves ? handle.at : middle;
    }
    for (const Handle& handle : all) {
        painter.setPen(QPen(l.card, 1.2));
        painter.setBrush(l.selection);
        switch (handle.does) {
        case Handle::Does::pulls_side:
            painter.drawRect(QRectF(handle.at.x() - 4, handle.at.y() - 4, 8, 8));
            break;
        case Handle::Does::moves:
            painter.drawEllipse(handle.at, 5, 5);
            break;
        case Handle::Does::turns:
            painter.setPen(QPen(l.selection, 1, Qt::DotLine));
            painter.drawLine(middle - QPointF(0, 6), handle.at + QPointF(0, 6));
            painter.setPen(QPen(l.selection, 2));
            painter.setBrush(l.card);
            painter.drawEllipse(handle.at, 5, 5);
            break;
        }
    }
    if (!held_) {
        return;
    }
    QString said;
    switch (held_->does) {
    case Handle::Does::pulls_side: {
        const double grown = by_.grow_m[held_->side.axis] != 0 ? by_.grow_m[held_->side.axis] : by_.grow_m.x();
        const bool one_side = by_.move_m.norm() > 0;
        said = QObject::tr("%1 mm").arg(grown * (one_side ? 2000 : 1000), 0, 'f', 1);
        break;
    }
    case Handle::Does::moves:
        said = QObject::tr("%1 mm").arg(by_.move_m.norm() * 1000, 0, 'f', 1);
        break;
    case Handle::Does::turns:
        said = QObject::tr("%1°").arg(Eigen::AngleAxisd(by_.turn).angle() * 180 / M_PI, 0, 'f', 1);
        break;
    }
    const QRectF box(middle + QPointF(12, 8), QSizeF(72, 18));
    painter.setPen(Qt::NoPen);
    painter.setBrush(l.card);
    painter.drawRoundedRect(box, 3, 3);
    painter.setPen(l.ink);
    painter.drawText(box, Qt::AlignCenter, said);
}

} // namespace wembrix::app
