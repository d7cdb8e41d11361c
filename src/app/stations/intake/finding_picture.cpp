#include "stations/intake/finding_picture.h"

#include "style/theme.h"

#include <QPainter>
#include <QPainterPath>
#include <algorithm>
#include <array>
#include <cmath>
#include <iterator>

namespace wembrix::app {

namespace {

constexpr double wide = finding_picture_width;
constexpr double high = finding_picture_height;
constexpr double ground = high - 5;

/// What a sketch is drawn with: ink for what is as it should be, `point` for what it is about.
struct Sketch {
    QPainter& painter;
    bool mended;
    QColor ink;
    QColor soft;
    QColor point;

    void pen(const QColor& colour, double width = 1.5, Qt::PenStyle style = Qt::SolidLine) const {
        painter.setPen(QPen(colour, width, style, Qt::RoundCap, Qt::RoundJoin));
        painter.setBrush(Qt::NoBrush);
    }
    void line(double x, double y, double to_x, double to_y) const {
        painter.drawLine(QPointF(x, y), QPointF(to_x, to_y));
    }
    void dot(double x, double y, const QColor& colour, double radius = 2.2) const {
        painter.setPen(Qt::NoPen);
        painter.setBrush(colour);
        painter.drawEllipse(QPointF(x, y), radius, radius);
    }
    void ring(double x, double y, const QColor& colour, double radius = 2.2) const {
        pen(colour, 1.2);
        painter.drawEllipse(QPointF(x, y), radius, radius);
    }
    void bar(double x, double y, double w, double h, const QColor& colour) const {
        painter.fillRect(QRectF(x, y, w, h), colour);
    }
    void floor() const {
        pen(soft, 1);
        line(4, ground, wide - 4, ground);
    }
    /// An arrow whose head is at `to`.
    void arrow(double x, double y, double to_x, double to_y) const {
        line(x, y, to_x, to_y);
        const double angle = std::atan2(to_y - y, to_x - x);
        for (const double side : {-0.5, 0.5}) {
            line(to_x, to_y, to_x - 4 * std::cos(angle + side), to_y - 4 * std::sin(angle + side));
        }
    }
    /// A body with a head, from its feet.
    void figure(double x, double feet, double height) const {
        line(x, feet, x, feet - height * 0.72);
        painter.drawEllipse(QPointF(x, feet - height * 0.86), height * 0.13, height * 0.13);
    }
    void words(const QString& text, double top, const QColor& colour) const {
        QFont font = painter.font();
        font.setPixelSize(9);
        font.setBold(true);
        painter.setFont(font);
        painter.setPen(colour);
        painter.drawText(QRectF(0, top, wide, 11), Qt::AlignCenter, text);
    }
};

void draw_size(const Sketch& s) {
    s.floor();
    s.pen(s.soft, 1.3);
    s.figure(12, ground, 13);
    s.pen(s.point, 2.4);
    if (s.mended) {
        s.figure(29, ground, 15);
    } else {
        s.painter.setClipRect(QRectF(1, 1, wide - 2, high - 2));
        s.figure(29, ground, 44);
    }
}

void draw_lying(const Sketch& s) {
    s.floor();
    s.pen(s.point, 2.2);
    if (!s.mended) {
        s.painter.translate(13, ground - 3);
        s.painter.rotate(90);
        s.figure(0, 0, 20);
    } else {
        s.figure(wide / 2, ground, 19);
    }
}

void draw_parent(const Sketch& s) {
    s.floor();
    if (!s.mended) {
        s.painter.save();
        s.painter.translate(wide / 2, 13);
        s.painter.rotate(-28);
        s.pen(s.point, 1.2, Qt::DashLine);
        s.painter.drawRect(QRectF(-10, -7.5, 20, 15));
        s.painter.restore();
    }
    s.pen(s.mended ? s.point : s.ink, 2);
    s.figure(wide / 2, ground, 18);
}

void draw_facing(const Sketch& s) {
    s.pen(s.soft, 1.2);
    s.painter.drawEllipse(QPointF(wide / 2, 12), 6, 6);
    s.pen(s.point, 1.8);
    if (s.mended) {
        s.arrow(wide / 2, 14, wide / 2, high - 3);
    } else {
        s.arrow(wide / 2 + 2, 12, wide - 6, 12);
    }
}

void draw_off_ground(const Sketch& s) {
    s.floor();
    s.pen(s.point, 2);
    s.figure(wide / 2, s.mended ? ground : ground - 8, 15);
    if (!s.mended) {
        s.pen(s.soft, 1, Qt::DotLine);
        s.line(wide / 2, ground - 6, wide / 2, ground);
    }
}

void draw_origin(const Sketch& s) {
    s.floor();
    const double at = s.mended ? wide / 2 : 8;
    s.pen(s.ink, 1.4);
    s.painter.drawRect(QRectF(s.mended ? wide / 2 - 6 : wide - 19, ground - 11, 12, 11));
    s.pen(s.point, 1.8);
    s.line(at - 4, ground, at + 4, ground);
    s.line(at, ground - 4, at, ground + 4);
}

void draw_roots(const Sketch& s) {
    const auto branch = [&](double x) {
        s.pen(s.ink, 1.4);
        s.line(x, 12, x - 5, 21);
        s.line(x, 12, x + 5, 21);
        s.dot(x - 5, 22, s.ink, 2);
        s.dot(x + 5, 22, s.ink, 2);
    };
    branch(12);
    branch(wide - 12);
    if (s.mended) {
        s.pen(s.point, 1.4);
        s.line(wide / 2, 4, 12, 12);
        s.line(wide / 2, 4, wide - 12, 12);
        s.dot(wide / 2, 4, s.point, 2.6);
        s.dot(12, 12, s.ink);
        s.dot(wide - 12, 12, s.ink);
    } else {
        s.dot(12, 12, s.point, 2.8);
        s.dot(wide - 12, 12, s.point, 2.8);
    }
}

void draw_prefix(const Sketch& s) {
    s.words(s.mended ? QStringLiteral("hip") : QStringLiteral("a:b:hip"), 9, s.point);
}
void draw_odd_name(const Sketch& s) {
    s.words(s.mended ? QStringLiteral("hip_1") : QStringLiteral("hïp.1?"), 9, s.point);
}
void draw_take_name(const Sketch& s) {
    s.words(s.mended ? QStringLiteral("walk") : QStringLiteral("take_07"), 9, s.point);
}
void draw_doubled(const Sketch& s) {
    s.words(QStringLiteral("hip"), 4, s.ink);
    s.words(s.mended ? QStringLiteral("hip_2") : QStringLiteral("hip"), 15, s.point);
}
void draw_case(const Sketch& s) {
    s.words(QStringLiteral("hip"), 4, s.ink);
    s.words(s.mended ? QStringLiteral("hip_2") : QStringLiteral("Hip"), 15, s.point);
}
void draw_lone_side(const Sketch& s) {
    s.words(QStringLiteral("arm_l"), 4, s.ink);
    s.words(s.mended ? QStringLiteral("arm_r") : QStringLiteral("arm_?"), 15, s.point);
}

void draw_contract(const Sketch& s) {
    for (int row = 0; row < 3; ++row) {
        const double y = 6 + row * 9;
        s.dot(10, y, s.soft);
        const bool fits = s.mended || row != 1;
        s.pen(fits ? s.soft : s.point, 1.2, fits ? Qt::SolidLine : Qt::DotLine);
        s.line(13, y, wide - 13, fits ? y : y + 5);
        s.dot(wide - 10, fits ? y : y + 5, row == 1 ? s.point : s.ink);
    }
}

void draw_scale(const Sketch& s) {
    s.pen(s.ink, 1.4);
    s.line(6, high / 2, wide - 6, high / 2);
    s.pen(s.point, 1.8);
    s.painter.drawRect(s.mended ? QRectF(wide / 2 - 6, high / 2 - 6, 12, 12)
                                : QRectF(wide / 2 - 12, high / 2 - 3, 24, 6));
}

void draw_bind_pose(const Sketch& s) {
    s.pen(s.soft, 1.4, Qt::DashLine);
    s.line(8, 8, 22, 15);
    s.line(22, 15, wide - 6, 15);
    s.pen(s.point, 1.8);
    s.line(8, 8, 22, 15);
    s.line(22, 15, s.mended ? wide - 6 : wide - 9, s.mended ? 15 : 26);
    s.dot(22, 15, s.ink);
}

void draw_helper(const Sketch& s) {
    s.pen(s.ink, 1.5);
    s.line(8, 22, 20, 15);
    s.line(20, 15, 31, 12);
    s.dot(8, 22, s.ink);
    s.dot(20, 15, s.ink);
    s.dot(31, 12, s.ink);
    if (!s.mended) {
        s.pen(s.point, 1.3, Qt::DotLine);
        s.line(33, 11, 38, 8);
        s.ring(wide - 6, 6, s.point);
    }
}

void draw_weighted_root(const Sketch& s) {
    s.pen(s.ink, 1.5);
    s.line(9, 22, 9, 10);
    s.ring(9, 23, s.mended ? s.soft : s.point, 2.6);
    s.dot(9, 9, s.ink);
    s.pen(s.soft, 1);
    s.painter.drawRoundedRect(QRectF(22, 5, 18, 20), 4, 4);
    s.pen(s.point, 1.4);
    s.line(s.mended ? 12 : 13, s.mended ? 9 : 22, 21, s.mended ? 11 : 18);
}

void draw_unbound(const Sketch& s) {
    s.pen(s.ink, 1.4);
    s.painter.drawRoundedRect(QRectF(22, 6, 17, 18), 4, 4);
    s.pen(s.ink, 1.5);
    s.line(9, 24, 9, 8);
    s.dot(9, 24, s.ink);
    s.dot(9, 8, s.ink);
    if (s.mended) {
        s.pen(s.point, 1.4);
        s.line(11, 11, 21, 11);
        s.line(11, 20, 21, 20);
    } else {
        s.painter.translate(-8, 0);
        s.words(QStringLiteral("?"), 10, s.point);
    }
}

void draw_sum(const Sketch& s) {
    s.pen(s.soft, 1);
    s.painter.drawRect(QRectF(6, 10, wide - 12, 10));
    const double whole = wide - 12;
    s.bar(6, 10, whole * 0.38, 10, s.ink);
    s.bar(6 + whole * 0.38, 10, whole * (s.mended ? 0.62 : 0.22), 10, s.point);
}

void draw_influences(const Sketch& s) {
    constexpr std::array<double, 7> heights = {20, 16, 13, 9, 6, 4, 3};
    for (size_t i = 0; i < heights.size(); ++i) {
        if (i < 4 || !s.mended) {
            s.bar(6 + static_cast<double>(i) * 5, high - 4 - heights[i], 3.4, heights[i], i < 4 ? s.ink : s.point);
        }
    }
    if (s.mended) {
        s.pen(s.point, 1.4);
        s.line(28, 6, 28, high - 4);
    }
}

void draw_stray(const Sketch& s) {
    for (const auto& [x, y] : {std::pair(9.0, 12.0), {15.0, 9.0}, {14.0, 17.0}, {20.0, 14.0}, {9.0, 20.0}}) {
        s.dot(x, y, s.ink, 2);
    }
    if (!s.mended) {
        s.pen(s.point, 1.2, Qt::DotLine);
        s.line(23, 14, wide - 10, 20);
        s.dot(wide - 8, 21, s.point, 2.8);
    } else {
        s.pen(s.point, 1.2);
        s.painter.drawEllipse(QPointF(14, 14.5), 11, 10);
    }
}

void draw_sides(const Sketch& s) {
    s.pen(s.soft, 1, Qt::DashLine);
    s.line(wide / 2, 3, wide / 2, high - 3);
    s.bar(9, 8, 8, 18, s.ink);
    s.bar(wide - 17, s.mended ? 8 : 16, 8, s.mended ? 18 : 10, s.point);
}

void draw_normals(const Sketch& s) {
    s.pen(s.ink, 1.5);
    s.line(4, 23, wide - 4, 23);
    s.pen(s.point, 1.3);
    constexpr std::array<double, 4> uneven = {15, 5, 18, 9};
    constexpr std::array<double, 4> aside = {0, 5, -3, 6};
    for (size_t i = 0; i < 4; ++i) {
        const double x = 9 + static_cast<double>(i) * 9;
        s.arrow(x, 22, s.mended ? x : x + aside[i], 22 - (s.mended ? 13 : uneven[i]));
    }
}

void draw_inside_out(const Sketch& s) {
    s.pen(s.ink, 1.5);
    s.line(4, high / 2, wide - 4, high / 2);
    s.pen(s.point, 1.3);
    for (const double x : {11.0, 23.0, 35.0}) {
        s.arrow(x, high / 2, x, s.mended ? 3 : high - 3);
    }
}

void draw_empty_shape(const Sketch& s) {
    s.pen(s.soft, 1.2);
    s.line(6, 11, wide - 6, 11);
    s.dot(14, 11, s.ink, 2.6);
    if (!s.mended) {
        s.pen(s.soft, 1.2);
        s.line(6, 21, wide - 18, 21);
        s.dot(wide - 18, 21, s.point, 2.6);
        s.painter.translate(13, 0);
        s.words(QStringLiteral("0"), 16, s.point);
    }
}

void draw_doubles(const Sketch& s) {
    const double gap = s.mended ? 0 : 4;
    s.pen(s.ink, 1.4);
    s.line(5, 24, wide / 2 - gap, 8);
    s.line(wide - 5, 24, wide / 2 + gap, 8);
    s.line(5, 24, wide / 2 - gap, 24);
    s.line(wide - 5, 24, wide / 2 + gap, 24);
    s.pen(s.point, 1.6);
    s.line(wide / 2 - gap, 8, wide / 2 - gap, 24);
    s.line(wide / 2 + gap, 8, wide / 2 + gap, 24);
}

void draw_flat(const Sketch& s) {
    s.pen(s.ink, 1.4);
    s.painter.drawPolygon(QPolygonF{{6, 24}, {21, 5}, {27, 24}});
    if (!s.mended) {
        s.pen(s.point, 1.8);
        s.line(31, 23, 41, 7);
    }
}

void draw_loop(const Sketch& s) {
    QPainterPath round;
    round.arcMoveTo(QRectF(11, 4, 22, 22), 60);
    round.arcTo(QRectF(11, 4, 22, 22), 60, s.mended ? 360 : 300);
    s.pen(s.ink, 1.6);
    s.painter.drawPath(round);
    const QPointF from = QPointF(22, 15) + 11 * QPointF(std::cos(60 * M_PI / 180), -std::sin(60 * M_PI / 180));
    s.dot(from.x(), from.y(), s.point, 2.6);
    if (!s.mended) {
        s.dot(33, 15, s.point, 2.6);
    }
}

void curve(const Sketch& s, bool with_spike, const QColor& colour) {
    QPainterPath path(QPointF(4, 20));
    path.cubicTo(12, 4, 18, 4, 23, 14);
    if (with_spike) {
        path.lineTo(25, 3);
        path.lineTo(27, 15);
        path.cubicTo(32, 24, 36, 24, wide - 4, 12);
    } else {
        path.cubicTo(29, 25, 36, 24, wide - 4, 12);
    }
    s.pen(colour, 1.6);
    s.painter.drawPath(path);
}
void draw_jump(const Sketch& s) {
    curve(s, !s.mended, s.mended ? s.point : s.ink);
    if (!s.mended) {
        s.dot(25, 3.5, s.point, 2.4);
    }
}
void draw_lost_motion(const Sketch& s) {
    curve(s, false, s.soft);
    s.pen(s.point, 1.6);
    if (s.mended) {
        for (const auto& [x, y] : {std::pair(4.0, 20.0), {13.0, 9.0}, {23.0, 14.0}, {33.0, 21.0}, {42.0, 12.0}}) {
            s.dot(x, y, s.point, 1.8);
        }
    } else {
        s.line(4, 20, 23, 14);
        s.line(23, 14, wide - 4, 12);
    }
}
void draw_still(const Sketch& s) {
    s.pen(s.mended ? s.soft : s.point, 1.6, s.mended ? Qt::DotLine : Qt::SolidLine);
    s.line(5, high / 2, wide - 5, high / 2);
    if (s.mended) {
        s.pen(s.point, 1.6);
        s.line(wide / 2 - 6, high / 2 + 6, wide / 2 + 6, high / 2 - 6);
    }
}
void draw_twice(const Sketch& s) {
    s.painter.save();
    s.painter.scale(1, 0.62);
    curve(s, false, s.ink);
    s.painter.restore();
    if (!s.mended) {
        s.painter.translate(0, 13);
        s.painter.scale(1, 0.62);
        curve(s, false, s.point);
    }
}
void draw_length(const Sketch& s) {
    s.bar(5, 7, wide - 10, 6, s.ink);
    s.bar(5, 17, s.mended ? wide - 10 : wide - 19, 6, s.point);
}

void draw_foot(const Sketch& s) {
    s.floor();
    const auto foot = [&](double x, const QColor& colour, Qt::PenStyle style) {
        s.pen(colour, 1.8, style);
        s.line(x, 8, x, ground - 1);
        s.line(x, ground - 1, x + 8, ground - 1);
    };
    if (!s.mended) {
        foot(9, s.soft, Qt::DotLine);
        s.pen(s.point, 1.2);
        s.arrow(14, 12, 24, 12);
    }
    foot(s.mended ? 18 : 28, s.point, Qt::SolidLine);
}

void draw_strands(const Sketch& s) {
    QPainterPath skin(QPointF(3, 26));
    skin.quadTo(wide / 2, 15, wide - 3, 26);
    s.pen(s.ink, 1.5);
    s.painter.drawPath(skin);
    s.pen(s.point, 1.3);
    for (int i = 0; i < 5; ++i) {
        const double x = 10 + i * 6.5;
        const double foot = 26 - 9.2 * (1 - std::pow((x - wide / 2) / (wide / 2), 2)) * 0.6;
        s.line(x, s.mended ? foot : foot - 7, x + 3, (s.mended ? foot : foot - 7) - 11);
    }
}
void draw_through(const Sketch& s) {
    s.pen(s.ink, 1.5);
    s.painter.drawEllipse(QPointF(wide / 2, 20), 15, 8);
    s.pen(s.point, 1.4);
    for (const double x : {15.0, 21.0, 27.0, 33.0}) {
        const double top = 20 - 8 * std::sqrt(std::max(0.0, 1 - std::pow((x - wide / 2) / 15, 2)));
        s.line(x, top, s.mended ? x + 4 : x + 2, s.mended ? top - 10 : top + 10);
    }
}
void draw_widths(const Sketch& s) {
    for (int i = 0; i < 3; ++i) {
        const double x = 10 + i * 12;
        if (s.mended) {
            s.painter.setPen(Qt::NoPen);
            s.painter.setBrush(s.point);
            s.painter.drawPolygon(QPolygonF{{x - 2.4, 27}, {x + 2.4, 27}, {x + 4.4, 4}, {x + 3.8, 4}});
        } else {
            s.pen(s.point, 1, Qt::DotLine);
            s.line(x, 27, x + 4, 4);
        }
    }
}

void draw_page(const Sketch& s) {
    s.pen(s.ink, 1.4);
    s.painter.drawPolygon(QPolygonF{{13, 3}, {27, 3}, {33, 9}, {33, 27}, {13, 27}});
    s.pen(s.soft, 1);
    s.line(17, 12, 29, 12);
    s.line(17, 23, 25, 23);
    s.pen(s.point, 1.8);
    s.line(17, 17.5, s.mended ? 29 : 22, 17.5);
}

using Draw = void (*)(const Sketch&);
constexpr std::pair<std::string_view, Draw> pictures[] = {{"unread_source", draw_page},
                                                          {"unlike_rest", draw_bind_pose},
                                                          {"size", draw_size},
                                                          {"expected_size", draw_size},
                                                          {"contract_size", draw_size},
                                                          {"source_size", draw_size},
                                                          {"unlike_size", draw_size},
                                                          {"facing", draw_facing},
                                                          {"lying", draw_lying},
                                                          {"off_ground", draw_off_ground},
                                                          {"far_origin", draw_origin},
                                                          {"roots", draw_roots},
                                                          {"refused_root", draw_roots},
                                                          {"parent_transform", draw_parent},
                                                          {"name_prefix", draw_prefix},
                                                          {"doubled_name", draw_doubled},
                                                          {"illegal_name", draw_odd_name},
                                                          {"refused_name", draw_odd_name},
                                                          {"many_shapes", draw_empty_shape},
                                                          {"case_clash", draw_case},
                                                          {"contract", draw_contract},
                                                          {"lone_side", draw_lone_side},
                                                          {"joint_scale", draw_scale},
                                                          {"point_scale", draw_scale},
                                                          {"bind_pose", draw_bind_pose},
                                                          {"weighted_root", draw_weighted_root},
                                                          {"unweighted_joints", draw_helper},
                                                          {"unbound_surface", draw_unbound},
                                                          {"weight_sum", draw_sum},
                                                          {"unheld_vertices", draw_unbound},
                                                          {"influences", draw_influences},
                                                          {"stray_weights", draw_stray},
                                                          {"unlike_weights", draw_sides},
                                                          {"splitting_doubles", draw_doubles},
                                                          {"loose_sculpt", draw_page},
                                                          {"empty_shape", draw_empty_shape},
                                                          {"missing_normals", draw_normals},
                                                          {"broken_normals", draw_normals},
                                                          {"inside_out", draw_inside_out},
                                                          {"missing_tangents", draw_normals},
                                                          {"flat_triangles", draw_flat},
                                                          {"lost_motion", draw_lost_motion},
                                                          {"unlike_legs", draw_sides},
                                                          {"take_name", draw_take_name},
                                                          {"still_clip", draw_still},
                                                          {"stray_keys", draw_jump},
                                                          {"open_loop", draw_loop},
                                                          {"creeping_loop", draw_loop},
                                                          {"jump", draw_jump},
                                                          {"odd_length", draw_length},
                                                          {"same_motion", draw_twice},
                                                          {"sliding_foot", draw_foot},
                                                          {"strand_size", draw_size},
                                                          {"strand_roots", draw_strands},
                                                          {"strand_widths", draw_widths},
                                                          {"strands_through_body", draw_through},
                                                          {"cache_without_clip", draw_page},
                                                          {"reader", draw_page}};

Draw drawing_of(std::string_view id) {
    const auto* found =
        std::find_if(std::begin(pictures), std::end(pictures), [&](const auto& one) { return one.first == id; });
    return found == std::end(pictures) ? nullptr : found->second;
}

} // namespace

bool has_finding_picture(std::string_view id) {
    return drawing_of(id) != nullptr;
}

void draw_finding(QPainter& painter, std::string_view id, bool mended, const QColor& trouble) {
    const Draw draw = drawing_of(id);
    if (draw == nullptr) {
        return;
    }
    painter.save();
    painter.setRenderHint(QPainter::Antialiasing);
    draw({painter, mended, theme().ink, theme().soft, mended ? theme().well : trouble});
    painter.restore();
}

FindingPicture::FindingPicture(const Finding& finding, QWidget* parent)

    : QWidget(parent), // lying and looking aside are one kind of finding, and two sights
      id_(finding.id == "facing" && finding.step && finding.step->id == "rotate" ? "lying" : finding.id),
      grade_(finding.grade), has_step_(finding.step.has_value()) {
    setObjectName(QStringLiteral("findingPicture"));
    setFixedSize(finding_picture_width, has_step_ ? 2 * finding_picture_height + 9 : finding_picture_height);
    setToolTip(has_step_ ? tr("A sketch of what it is about, and below of the same when it is mended")
                         : tr("A sketch of what it is about"));
}

void FindingPicture::paintEvent(QPaintEvent*) {
    QPainter painter(this);
    painter.setRenderHint(QPainter::Antialiasing);
    const Theme& l = theme();
    const auto plate = [&](double top, const QColor& colour) {
        painter.setPen(Qt::NoPen);
        painter.setBrush(colour);
        painter.drawRoundedRect(QRectF(0, top, wide, high), 3, 3);
    };
    plate(0, l.ground_of(grade_));
    draw_finding(painter, id_, false, l.of(grade_));
    if (has_step_) {
        painter.setPen(Qt::NoPen);
        painter.setBrush(l.soft);
        painter.drawPolygon(
            QPolygonF{{wide / 2 - 3.5, high + 2.5}, {wide / 2 + 3.5, high + 2.5}, {wide / 2, high + 6.5}});
        painter.translate(0, high + 9);
        plate(0, l.well_ground);
        draw_finding(painter, id_, true, l.of(grade_));
    }
}

} // namespace wembrix::app
