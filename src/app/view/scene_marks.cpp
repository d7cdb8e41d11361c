#include "view/scene_marks.h"

#include "view/difference.h"

#include <QImage>
#include <QPainterPath>
#include <algorithm>
#include <cmath>
#include <map>
#include <tuple>

namespace wembrix::app {

double grid_gap(double unit) {
    double gap = 1;
    while (gap < unit * 0.2) {
        gap *= 10;
    }
    return gap;
}

void draw_ground(QPainter& painter, const Projection& p) {
    const double gap = grid_gap(p.unit);
    const int lines = 8;
    const double x0 = std::round(p.middle.x() / gap) * gap;
    const double z0 = std::round(p.middle.z() / gap) * gap;
    QColor colour = theme().grid;
    for (int k = -lines; k <= lines; ++k) {
        for (const bool along : {true, false}) {
            for (int piece = -lines; piece < lines; ++piece) {
                const double fade = std::max(0.0, 1 - std::hypot(k, piece + 0.5) / lines);
                const Vec3 a(along ? x0 + k * gap : x0 + piece * gap, 0, along ? z0 + piece * gap : z0 + k * gap);
                const Vec3 b = a + (along ? Vec3(0, 0, gap) : Vec3(gap, 0, 0));
                bool ahead_a = false;
                bool ahead_b = false;
                const QPointF from = p.on_screen(a, &ahead_a);
                const QPointF to = p.on_screen(b, &ahead_b);
                if (ahead_a && ahead_b && fade > 0) {
                    colour.setAlphaF(static_cast<float>(0.75 * fade));
                    painter.setPen(QPen(colour, 1));
                    painter.drawLine(from, to);
                }
            }
        }
    }
}

void draw_figure(QPainter& painter, const Projection& p) {
    constexpr double tall = 1.75;
    const Vec3 aside = p.aside();
    const Vec3 place =
        p.middle - aside * (0.46 * p.unit) - Vec3(p.away.x(), 0, p.away.z()).normalized() * (0.8 * p.unit);
    const auto at = [&](double x, double y) { return p.on_screen(place + aside * (x * tall) + Vec3(0, y * tall, 0)); };
    QColor colour = theme().soft;
    colour.setAlpha(170);
    const double pixels = std::hypot(at(0, 1).x() - at(0, 0).x(), at(0, 1).y() - at(0, 0).y());
    QFont small = painter.font();
    small.setPixelSize(10);
    painter.setFont(small);
    if (pixels < 14) {
        painter.setPen(QPen(theme().stop, 2));
        painter.drawLine(at(0, 0), at(0, 1));
        return;
    }
    if (pixels > 20 * p.size.height()) {
        return; // so near that nothing of it can be told
    }
    painter.setPen(QPen(colour, 1.2, Qt::DashLine));
    painter.setBrush(Qt::NoBrush);
    const QPointF head = at(0, 0.93);
    const double r = std::abs(at(0, 1).y() - at(0, 0.86).y()) / 2;
    painter.drawEllipse(head, r, r);
    QPainterPath body;
    const std::vector<std::pair<double, double>> outline = {{0.035, 0.85}, {0.045, 0.825}, {0.125, 0.80}, {0.145, 0.76},
                                                            {0.150, 0.62}, {0.155, 0.46},  {0.125, 0.45}, {0.110, 0.60},
                                                            {0.098, 0.70}, {0.090, 0.58},  {0.100, 0.48}, {0.090, 0.25},
                                                            {0.080, 0.0},  {0.030, 0.0},   {0.022, 0.25}, {0.0, 0.45}};
    body.moveTo(at(outline.front().first, outline.front().second));
    for (const auto& [x, y] : outline) {
        body.lineTo(at(x, y));
    }
    for (auto point = outline.rbegin(); point != outline.rend(); ++point) {
        body.lineTo(at(-point->first, point->second));
    }
    painter.drawPath(body);
    painter.setPen(theme().soft);
    const QPointF above = at(0, 1.0);
    painter.drawText(QRectF(above.x() - 40, above.y() - 16, 80, 14), Qt::AlignCenter, QObject::tr("1.75 m"));
}

QLineF rod_of(const Projection& p, double height_m) {
    const Vec3 foot = p.middle + p.aside() * (0.42 * p.unit);
    return {p.on_screen(foot), p.on_screen(foot + Vec3(0, height_m, 0))};
}

void draw_rod(QPainter& painter, const Projection& p, double height_m, const QColor& colour) {
    if (height_m <= 0) {
        return;
    }
    const Vec3 aside = p.aside();
    const Vec3 foot = p.middle + aside * (0.42 * p.unit);
    const QPointF low = rod_of(p, height_m).p1();
    const QPointF high = rod_of(p, height_m).p2();
    painter.setPen(QPen(colour, 1.4));
    painter.drawLine(low, high);
    painter.drawLine(low + QPointF(-5, 0), low + QPointF(5, 0));
    painter.drawLine(high + QPointF(-5, 0), high + QPointF(5, 0));
    double mark = 0.1;
    while (mark < height_m / 20) {
        mark *= 10;
    }
    for (double y = mark; y < height_m - mark / 4; y += mark) {
        const QPointF at = p.on_screen(foot + Vec3(0, y, 0));
        const bool long_one = std::abs(std::remainder(y, mark * 5)) < mark / 100;
        painter.drawLine(at, at + QPointF(long_one ? 5 : 3, 0));
    }
    QFont bold = painter.font();
    bold.setPixelSize(12);
    bold.setWeight(QFont::DemiBold);
    painter.setFont(bold);
    const QString label = QObject::tr("%1 m").arg(height_m, 0, height_m < 10 ? 'f' : 'g', height_m < 10 ? 2 : 4);
    const double x = std::clamp(high.x() - 40, 0.0, std::max(0.0, p.size.width() - 80.0));
    painter.drawText(QRectF(x, high.y() - 20, 80, 16), Qt::AlignCenter, label);
}

std::vector<JointMark> joint_marks(const Projection& p, const PosedScene& posed) {
    const Scene& scene = posed.scene();
    std::vector<JointMark> marks(scene.nodes.size());
    for (size_t i = 0; i < scene.nodes.size(); ++i) {
        bool ahead = false;
        marks[i].at = p.on_screen(point_of(posed.pose().world[i], Vec3::Zero()), &ahead);
        marks[i].shown = ahead && scene.nodes[i].kind == NodeKind::joint;
    }
    return marks;
}

int joint_at(const std::vector<JointMark>& marks, const QPointF& place, double reach) {
    int nearest = -1;
    double least = reach;
    for (size_t i = 0; i < marks.size(); ++i) {
        const double far = std::hypot(marks[i].at.x() - place.x(), marks[i].at.y() - place.y());
        if (marks[i].shown && far <= least) {
            least = far;
            nearest = static_cast<int>(i);
        }
    }
    return nearest;
}

namespace {

/// Small rings, drawn once for each colour, size and part of a pixel: hundreds of them are quicker copied.
class Rings {
  public:
    explicit Rings(qreal pixel_ratio) : pixel_ratio_(pixel_ratio) {}
    void draw(QPainter& painter, const QPointF& at, double radius, double line, const QColor& edge,
              const QColor& fill) {
        constexpr int parts = 4;
        const QPointF pixel = at * pixel_ratio_;
        const QPoint whole(static_cast<int>(std::floor(pixel.x())), static_cast<int>(std::floor(pixel.y())));
        const QPoint part(static_cast<int>((pixel.x() - whole.x()) * parts),
                          static_cast<int>((pixel.y() - whole.y()) * parts));
        const double reach = std::ceil((radius + line) * pixel_ratio_) + 1;
        QImage& ring = rings_[{edge.rgba(), fill.rgba(), std::lround(radius * 64), part.x() * parts + part.y()}];
        if (ring.isNull()) {
            const int side = 2 * static_cast<int>(reach) + 1;
            ring = QImage(side, side, QImage::Format_ARGB32_Premultiplied);
            ring.fill(Qt::transparent);
            QPainter once(&ring);
            once.setRenderHint(QPainter::Antialiasing);
            once.setPen(QPen(edge, line * pixel_ratio_));
            once.setBrush(fill);
            const QPointF middle(reach + (part.x() + 0.5) / parts, reach + (part.y() + 0.5) / parts);
            once.drawEllipse(middle, radius * pixel_ratio_, radius * pixel_ratio_);
            once.end();
            ring.setDevicePixelRatio(pixel_ratio_);
        }
        painter.drawImage((QPointF(whole) - QPointF(reach, reach)) / pixel_ratio_, ring);
    }

  private:
    qreal pixel_ratio_;
    std::map<std::tuple<QRgb, QRgb, long, int>, QImage> rings_;
};

} // namespace

void draw_joints(QPainter& painter, const Projection& p, const PosedScene& posed, const Selection* selection,
                 bool names) {
    Rings rings(painter.device()->devicePixelRatioF());
    const Scene& scene = posed.scene();
    const Theme& l = theme();
    const std::vector<JointMark> marks = joint_marks(p, posed);
    const std::vector<Side>& sides = posed.sides();
    const auto chosen = [&](size_t i) {
        return selection != nullptr && scene.nodes[i].identity != 0 && selection->holds(scene.nodes[i].identity);
    };
    const auto colour_of = [&](size_t i) {
        return chosen(i)                 ? l.selection
               : sides[i] == Side::left  ? l.left_side
               : sides[i] == Side::right ? l.right_side
                                         : l.ink;
    };
    // Reeds: wide at the parent, a point at the child.
    for (size_t i = 0; i < scene.nodes.size(); ++i) {
        const int parent = scene.nodes[i].parent;
        if (!marks[i].shown || parent < 0 || !marks[parent].shown) {
            continue;
        }
        const QPointF from = marks[parent].at;
        const QPointF line = marks[i].at - from;
        const double length = std::hypot(line.x(), line.y());
        if (length < 1) {
            continue;
        }
        if (posed.is_motion_root(static_cast<size_t>(parent)) && !chosen(static_cast<size_t>(parent))) {
            // From what moves the whole to the body is a trajectory, not a bone.
            painter.setPen(QPen(l.soft, 1, Qt::DotLine));
            painter.drawLine(from, marks[i].at);
            continue;
        }
        const QPointF side(-line.y() / length, line.x() / length);
        const bool bold = chosen(static_cast<size_t>(parent));
        const double wide = std::min(bold ? 3.4 : 2.2, length * 0.12);
        QColor colour = bold ? l.selection : colour_of(i);
        colour.setAlpha(bold ? 255 : 205);
        painter.setPen(Qt::NoPen);
        painter.setBrush(colour);
        const QPointF reed[] = {from + side * wide, marks[i].at, from - side * wide};
        painter.drawPolygon(reed, 3);
    }
    const double size = std::clamp(p.size.height() / 220.0, 1.5, 2.8);
    QFont small = painter.font();
    small.setPixelSize(10);
    painter.setFont(small);
    for (size_t i = 0; i < scene.nodes.size(); ++i) {
        if (!marks[i].shown) {
            continue;
        }
        const bool is_chosen = chosen(i);
        rings.draw(painter, marks[i].at, is_chosen ? size * 1.5 : size, is_chosen ? 1.8 : 1.1, colour_of(i),
                   is_chosen ? l.selection : l.card);
        if (names || is_chosen) {
            const QString name = QString::fromStdString(scene.nodes[i].name);
            const QRectF box(marks[i].at + QPointF(7, -7),
                             QSizeF(painter.fontMetrics().horizontalAdvance(name) + 6, 14));
            QColor ground = l.card;
            ground.setAlpha(is_chosen ? 235 : 150);
            painter.fillRect(box, ground);
            painter.setPen(is_chosen ? l.selection : l.ink);
            painter.drawText(box, Qt::AlignCenter, name);
        }
    }
}

void draw_points(QPainter& painter, const Projection& p, const PosedScene& posed, const Selection* selection) {
    const Scene& scene = posed.scene();
    const Theme& l = theme();
    QFont small = painter.font();
    small.setPixelSize(10);
    painter.setFont(small);
    for (size_t i = 0; i < scene.nodes.size(); ++i) {
        bool ahead = false;
        const QPointF at = p.on_screen(point_of(posed.pose().world[i], Vec3::Zero()), &ahead);
        if (!ahead || scene.nodes[i].kind != NodeKind::point) {
            continue;
        }
        const bool chosen =
            selection != nullptr && scene.nodes[i].identity != 0 && selection->holds(scene.nodes[i].identity);
        painter.setPen(QPen(chosen ? l.selection : l.accent, 1.6));
        painter.drawLine(at - QPointF(5, 0), at + QPointF(5, 0));
        painter.drawLine(at - QPointF(0, 5), at + QPointF(0, 5));
        const QString name = QString::fromStdString(scene.nodes[i].name);
        const QRectF box(at + QPointF(8, -7), QSizeF(painter.fontMetrics().horizontalAdvance(name) + 6, 14));
        QColor ground = l.card;
        ground.setAlpha(200);
        painter.fillRect(box, ground);
        painter.drawText(box, Qt::AlignCenter, name);
    }
}

void draw_trajectory(QPainter& painter, const Projection& p, const Trajectory& trajectory, double seconds) {
    const Theme& l = theme();
    const auto on_ground = [](Vec3 at) {
        at.y() = 0;
        return at;
    };
    // As many pieces as can be told apart in a pane.
    const auto stride = std::max<size_t>(1, trajectory.place.size() / 600);
    QPolygonF line;
    for (size_t f = 0; f < trajectory.place.size(); f += stride) {
        bool ahead = false;
        const QPointF at = p.on_screen(on_ground(trajectory.place[f]), &ahead);
        if (ahead) {
            line << at;
        }
    }
    if (line.size() < 2) {
        return;
    }
    QColor colour = l.accent;
    painter.setBrush(Qt::NoBrush);
    painter.setPen(QPen(colour, 2));
    painter.drawPolyline(line);
    painter.setBrush(l.card);
    painter.setPen(QPen(colour, 1.4));
    painter.drawEllipse(line.first(), 3.5, 3.5);
    const double length = static_cast<double>(trajectory.place.size() - 1) / trajectory.rate;
    painter.setBrush(colour);
    painter.setPen(Qt::NoPen);
    for (double at = 1; at < length && length < 120; at += 1) {
        painter.drawEllipse(p.on_screen(on_ground(trajectory.place_at(at))), 2, 2);
    }
    // A head in the plane of the ground, as long as a twentieth of the character.
    const Vec3 end = on_ground(trajectory.place.back());
    Vec3 along = Vec3::Zero();
    for (size_t back = 1; back < trajectory.place.size() && along.norm() < 0.02 * p.unit; ++back) {
        along = end - on_ground(trajectory.place[trajectory.place.size() - 1 - back]);
    }
    if (along.norm() > 1e-9) {
        along *= 0.06 * p.unit / along.norm();
        const Vec3 side(along.z(), 0, -along.x());
        const QPolygonF head({p.on_screen(end + along), p.on_screen(end - along * 0.3 + side * 0.55),
                              p.on_screen(end - along * 0.3 - side * 0.55)});
        painter.drawPolygon(head);
    }
    painter.setBrush(l.selection);
    painter.drawEllipse(p.on_screen(on_ground(trajectory.place_at(seconds))), 3.2, 3.2);
}

void draw_colour_scale(QPainter& painter, const Projection& p, const QString& low, const QString& high,
                       const QString& title) {
    const QRectF bar(10, p.size.height() - 46, std::min(160.0, p.size.width() - 20.0), 8);
    QLinearGradient ramp(bar.topLeft(), bar.topRight());
    for (int k = 0; k <= 8; ++k) {
        const Vec3f c = difference_colour(static_cast<float>(k), 8);
        ramp.setColorAt(k / 8.0, QColor::fromRgbF(c.x(), c.y(), c.z()));
    }
    QColor ground = theme().card; // it may stand before the surface
    ground.setAlphaF(0.72F);
    painter.fillRect(bar.adjusted(-5, -17, 5, 21), ground);
    painter.fillRect(bar, ramp);
    painter.setPen(QPen(theme().edge, 0.8));
    painter.setBrush(Qt::NoBrush);
    painter.drawRect(bar);
    QFont small = painter.font();
    small.setPixelSize(10);
    painter.setFont(small);
    painter.setPen(theme().ink);
    painter.drawText(bar.translated(0, -15).adjusted(0, 0, 60, 6), Qt::AlignLeft | Qt::AlignTop, title);
    painter.drawText(bar.translated(0, 9).adjusted(0, 0, 0, 6), Qt::AlignLeft | Qt::AlignTop, low);
    painter.drawText(bar.translated(0, 9).adjusted(0, 0, 0, 6), Qt::AlignRight | Qt::AlignTop, high);
}

void draw_difference_scale(QPainter& painter, const Projection& p, double largest_mm, double at_most_mm) {
    draw_colour_scale(painter, p, QObject::tr("0 mm"), QObject::tr("%1 mm").arg(at_most_mm, 0, 'f', 3),
                      QObject::tr("farthest now %1 mm").arg(largest_mm, 0, 'f', 3));
}

} // namespace wembrix::app
