#include "view/tools/measure_tool.h"

#include "view/scene_marks.h"

#include <cmath>
#include <utility>

namespace wembrix::app {

bool MeasureTool::is_on(const Frame& frame, const QPointF& place) {
    const double height = frame.scenes.facts().height_m;
    return frame.shown.tools && frame.scenes.state() == State::prepared && height > 0 &&
           QLineF(place, rod_of(frame.projection, height).p2()).length() < 12;
}

bool MeasureTool::press(const Frame& frame, const ViewInput& input) {
    const bool taken = input.button == Qt::LeftButton && is_on(frame, input.place);
    dragged_m_ = taken ? frame.scenes.facts().height_m : 0;
    return taken;
}

void MeasureTool::drag(const Frame& frame, const QPointF& place) {
    const QLineF now = rod_of(frame.projection, frame.scenes.facts().height_m);
    const double pixels = now.p1().y() - now.p2().y();
    if (pixels > 8) {
        const double height = frame.scenes.facts().height_m * std::max(0.02, (now.p1().y() - place.y()) / pixels);
        // To the centimetre for what is about as large as a person, else to three figures.
        const double step = std::pow(10.0, std::floor(std::log10(height)) - 2);
        dragged_m_ = std::round(height / step) * step;
        said_(QObject::tr("%1 m tall").arg(dragged_m_));
    }
}

void MeasureTool::release(const Frame& frame, bool dragged) {
    const double height = std::exchange(dragged_m_, 0);
    if (dragged && height > 0 && std::abs(height / frame.scenes.facts().height_m - 1) > 1e-6) {
        asked_(height);
    }
}

std::optional<Qt::CursorShape> MeasureTool::cursor(const Frame& frame, const QPointF& place) const {
    return is_on(frame, place) ? std::optional(Qt::SizeVerCursor) : std::nullopt;
}

void MeasureTool::paint(QPainter& painter, const Frame& frame) const {
    const SceneFacts& facts = frame.scenes.facts();
    if (!frame.shown.tools || facts.height_m <= 0) {
        return;
    }
    const Theme& l = theme();
    draw_rod(painter, frame.projection, dragged_m_ > 0 ? dragged_m_ : facts.height_m,
             dragged_m_ > 0   ? l.selection
             : facts.odd_size ? l.stop
                              : l.of(frame.scenes.state()));
}

} // namespace wembrix::app
