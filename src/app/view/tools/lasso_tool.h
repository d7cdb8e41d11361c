// Vertices chosen in the view: a line drawn around them, or a click on one.
#pragma once

#include "view/view_tool.h"

#include <QPolygonF>
#include <functional>
#include <set>

namespace wembrix::app {

/// Vertices of one surface node of the scene that is posed.
struct ChosenVertices {
    int node = -1;
    std::set<uint32_t> vertices;
};

class LassoTool : public ViewTool {
  public:
    struct Hooks {
        /// What was chosen: of the surface that has most of it. `adds`: to what is chosen already.
        std::function<void(const ChosenVertices& chosen, bool adds)> choose;
        std::function<ChosenVertices()> chosen; ///< to be shown; node -1: nothing
        QString words;
    };
    explicit LassoTool(Hooks hooks) : hooks_(std::move(hooks)) {}

    bool press(const Frame& frame, const ViewInput& input) override;
    void drag(const Frame& frame, const QPointF& place) override;
    void release(const Frame& frame, bool dragged) override;
    [[nodiscard]] std::optional<Qt::CursorShape> cursor(const Frame&, const QPointF&) const override {
        return Qt::CrossCursor;
    }
    void paint(QPainter& painter, const Frame& frame) const override;
    [[nodiscard]] QString words() const override { return hooks_.words; }

  private:
    Hooks hooks_;
    QPolygonF line_; ///< as drawn; empty: nothing is being drawn
    bool adds_ = false;
};

/// The vertices that face the eye and lie inside the line.
ChosenVertices vertices_inside(const Projection& projection, const PosedScene& posed, const QPolygonF& line);

} // namespace wembrix::app
