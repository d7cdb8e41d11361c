#include "view/camera_keys.h"

#include "style/theme.h"

#include <QObject>
#include <numbers>

namespace wembrix::app {

bool move_by_key(Camera& camera, const QKeyEvent& event) {
    constexpr double turn = 7.5 * std::numbers::pi / 180;
    const Qt::KeyboardModifiers held = event.modifiers() & ~Qt::KeypadModifier;
    const bool shift = held == Qt::ShiftModifier;
    const double slide = camera.distance * 0.03;
    const auto go = [&](double right, double up) {
        if (shift) {
            camera.slide(right * slide, up * slide);
        } else {
            camera.turn(right * turn, up * turn);
        }
        return true;
    };
    const bool plain = held == Qt::NoModifier;
    switch (event.key()) {
    case Qt::Key_Left:
        return (plain || shift) && go(-1, 0);
    case Qt::Key_Right:
        return (plain || shift) && go(1, 0);
    case Qt::Key_Up:
        return (plain || shift) && go(0, 1);
    case Qt::Key_Down:
        return (plain || shift) && go(0, -1);
    case Qt::Key_Plus: // with Shift on many keyboards
    case Qt::Key_Equal:
        return (plain || shift) && (camera.approach(0.9), true);
    case Qt::Key_Minus:
        return plain && (camera.approach(1 / 0.9), true);
    case Qt::Key_Home:
        return plain && (camera.frame_all(), true);
    default:
        return false;
    }
}

void draw_key_cross(QPainter& painter, const QRect& pane) {
    const QPointF middle = QRectF(pane).center();
    painter.setPen(QPen(theme().selection, 1.4));
    for (const QPointF& way : {QPointF(1, 0), QPointF(-1, 0), QPointF(0, 1), QPointF(0, -1)}) {
        painter.drawLine(middle + way * 4, middle + way * 11);
    }
    painter.setBrush(Qt::NoBrush);
    painter.setPen(QPen(theme().selection, 2));
    painter.drawRect(pane.adjusted(1, 1, -2, -2));
    const QString words = QObject::tr("Arrows turn · Shift slides · + − nearer, farther · Enter chooses at the cross");
    constexpr int flags = Qt::AlignHCenter | Qt::AlignTop | Qt::TextWordWrap;
    const QRectF place(10, 8, pane.width() - 20, pane.height());
    const QRectF taken = painter.boundingRect(place, flags, words);
    painter.fillRect(taken.adjusted(-5, -2, 5, 2), theme().card);
    painter.setPen(theme().ink);
    painter.drawText(taken, flags, words);
}

} // namespace wembrix::app
