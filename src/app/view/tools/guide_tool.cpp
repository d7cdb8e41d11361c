#include "view/tools/guide_tool.h"

#include "style/theme.h"

#include <QLineF>
#include <cmath>

namespace wembrix::app {

namespace {

constexpr double ring = 6;          ///< pixels
constexpr double handle_reach = 10; ///< pixels
constexpr double arm_length = 44;   ///< pixels
constexpr double least_slope = 0.3; ///< of what a metre across the view is long

QColor side_colour(Side side) {
    return side == Side::left ? theme().left_side : side == Side::right ? theme().right_side : theme().ink;
}

} // namespace

std::vector<GuideTool::Arm> GuideTool::arms(const Frame& frame) const {
    std::vector<Arm> all;
    const std::optional<GuideId> chosen = hooks_.plan() == nullptr ? std::nullopt : hooks_.chosen();
    const Guide* guide = chosen ? hooks_.guides().find(*chosen) : nullptr;
    if (guide == nullptr) {
        return all;
    }
    const Projection& p = frame.projection;
    const QPointF middle = p.on_screen(guide->at);
    const double metre = QLineF(middle, p.on_screen(guide->at + p.aside())).length();
    if (!(metre > 0)) {
        return all;
    }
    const double little = 10 / metre; // so short that perspective hardly matters
    for (int axis = 0; axis < 3; ++axis) {
        const QPointF a_metre = (p.on_screen(guide->at + little * Vec3::Unit(axis)) - middle) / little;
        const double length = std::hypot(a_metre.x(), a_metre.y());
        if (length > least_slope * metre) {
            all.push_back({axis, middle + a_metre * (arm_length / length), a_metre});
        }
    }
    return all;
}

const Guide* GuideTool::under(const Frame& frame, const QPointF& place) const {
    const Guide* nearest = nullptr;
    double least = handle_reach;
    if (hooks_.plan() == nullptr) {
        return nullptr;
    }
    const std::optional<GuideId> chosen = hooks_.chosen();
    for (const Guide& guide : hooks_.guides().all) {
        bool visible = false;
        // Of several at one place the chosen one.
        const double apart = QLineF(place, frame.projection.on_screen(guide.at, &visible)).length() -
                             (chosen && *chosen == guide.id ? 3 : 0);
        if (visible && apart < least) {
            least = apart;
            nearest = &guide;
        }
    }
    return nearest;
}

std::optional<GuideTool::Arm> GuideTool::arm_under(const Frame& frame, const QPointF& place) const {
    for (const Arm& arm : arms(frame)) {
        if (QLineF(place, arm.end).length() < handle_reach) {
            return arm;
        }
    }
    return std::nullopt;
}

bool GuideTool::press(const Frame& frame, const ViewInput& input) {
    held_.reset();
    along_.reset();
    if (input.button != Qt::LeftButton || input.modifiers != Qt::NoModifier) {
        return false;
    }
    along_ = arm_under(frame, input.place);
    if (along_) {
        held_ = hooks_.chosen();
    } else if (const Guide* guide = under(frame, input.place)) {
        held_ = guide->id;
        hooks_.choose(guide->id);
    }
    if (!held_) {
        return false;
    }
    from_ = input.place;
    before_ = hooks_.guides().at(*held_);
    now_ = before_;
    return true;
}

void GuideTool::drag(const Frame& frame, const QPointF& place) {
    if (!held_) {
        return;
    }
    const Projection& p = frame.projection;
    const QPointF way = place - from_;
    if (along_) {
        const QPointF& a_metre = along_->a_metre;
        now_ = before_;
        now_[along_->axis] += QPointF::dotProduct(way, a_metre) / QPointF::dotProduct(a_metre, a_metre);
    } else {
        const double metre = QLineF(p.on_screen(before_), p.on_screen(before_ + p.aside())).length();
        const Vec3 up = p.away.cross(p.aside());
        now_ = before_ + (p.aside() * way.x() - up * way.y()) / metre;
    }
    hooks_.move(*held_, now_, false);
}

void GuideTool::release(const Frame&, bool dragged) {
    if (held_ && dragged) {
        hooks_.move(*held_, now_, true);
    }
    held_.reset();
    along_.reset();
}

bool GuideTool::click(const Frame& frame, const ViewInput& input) {
    const Guide* guide = input.button == Qt::LeftButton ? under(frame, input.place) : nullptr;
    if (guide != nullptr) {
        hooks_.choose(guide->id);
    }
    return guide != nullptr;
}

std::optional<Qt::CursorShape> GuideTool::cursor(const Frame& frame, const QPointF& place) const {
    if (arm_under(frame, place)) {
        return Qt::PointingHandCursor;
    }
    return under(frame, place) != nullptr ? std::optional<Qt::CursorShape>(Qt::SizeAllCursor) : std::nullopt;
}

void GuideTool::paint(QPainter& painter, const Frame& frame) const {
    const Plan* plan = hooks_.plan();
    if (plan == nullptr) {
        return;
    }
    const Theme& l = theme();
    const Guides& guides = hooks_.guides();
    const Projection& p = frame.projection;
    // The lines that the bones will take.
    for (const PlanChain& chain : plan->chains) {
        for (const Side side :
             chain.both_sides ? std::vector<Side>{Side::left, Side::right} : std::vector<Side>{Side::middle}) {
            painter.setPen(QPen(side_colour(side), 1.4, Qt::DashLine));
            for (int copy = 1; copy <= chain.copies; ++copy) {
                const std::vector<Vec3> line = line_of(*plan, guides, chain, copy, side);
                for (size_t i = 1; i < line.size(); ++i) {
                    bool one = false;
                    bool other = false;
                    const QPointF from = p.on_screen(line[i - 1], &one);
                    const QPointF to = p.on_screen(line[i], &other);
                    if (one && other) {
                        painter.drawLine(from, to);
                    }
                }
            }
        }
    }
    const std::optional<GuideId> chosen = hooks_.chosen();
    for (const Guide& guide : guides.all) {
        bool visible = false;
        const QPointF at = p.on_screen(guide.at, &visible);
        if (!visible) {
            continue;
        }
        const bool is_chosen = chosen && *chosen == guide.id;
        // Toes stand close to each other: their rings are smaller.
        const int place = plan->find(guide.id.chain);
        const bool small = place >= 0 && plan->chains[static_cast<size_t>(place)].copies > 1;
        painter.setPen(QPen(is_chosen ? l.selection : side_colour(guide.id.side), is_chosen ? 2.6 : 2,
                            guide.by_hand ? Qt::SolidLine : Qt::DotLine));
        painter.setBrush(l.card);
        painter.drawEllipse(at, small ? ring - 2 : ring, small ? ring - 2 : ring);
    }
    const std::vector<Arm> handles = arms(frame);
    if (handles.empty()) {
        return;
    }
    const QPointF middle = p.on_screen(guides.at(*chosen));
    constexpr const char* names[] = {"X", "Y", "Z"};
    for (const Arm& arm : handles) {
        const QPointF way = (arm.end - middle) / arm_length;
        painter.setPen(QPen(l.selection, 1.2));
        painter.drawLine(middle + way * (ring + 2), arm.end - way * 7);
        painter.setPen(QPen(l.selection, 1.2));
        painter.setBrush(l.card);
        painter.drawRoundedRect(QRectF(arm.end.x() - 7, arm.end.y() - 7, 14, 14), 3, 3);
        painter.drawText(QRectF(arm.end.x() - 7, arm.end.y() - 7, 14, 14), Qt::AlignCenter,
                         QString::fromLatin1(names[arm.axis]));
    }
    if (const QString said = hooks_.said(); !said.isEmpty()) {
        const QRectF text = painter.fontMetrics().boundingRect(said);
        QRectF box(middle.x() + 14, middle.y() + 22, text.width() + 14, 20);
        if (box.right() > frame.size.width() - 4) {
            box.moveRight(middle.x() - 14);
        }
        painter.setPen(Qt::NoPen);
        painter.setBrush(l.card);
        painter.drawRoundedRect(box, 3, 3);
        painter.setPen(l.selection);
        painter.drawText(box, Qt::AlignCenter, said);
    }
}

} // namespace wembrix::app
