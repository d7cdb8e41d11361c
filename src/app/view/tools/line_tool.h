// Draws lines on a surface: a drag over it leaves one, and those that are there are shown.
#pragma once

#include "view/pick.h"
#include "view/view_tool.h"

#include <functional>
#include <vector>

namespace wembrix::app {

class LineTool : public ViewTool {
  public:
    struct Hooks {
        std::function<std::vector<std::vector<Vec3>>()> lines; ///< that are there: world, the pose that is shown
        std::function<bool(int node)> takes;                   ///< whether lines are drawn on that surface
        std::function<void(const std::vector<Vec3>&)> done;    ///< two places or more
        double step_m = 0.005;                                 ///< from one place of a line to the next, at least
        QString words;
    };
    explicit LineTool(Hooks hooks) : hooks_(std::move(hooks)) {}

    bool press(const Frame& frame, const ViewInput& input) override;
    void drag(const Frame& frame, const QPointF& place) override;
    void release(const Frame& frame, bool dragged) override;
    [[nodiscard]] std::optional<Qt::CursorShape> cursor(const Frame& frame, const QPointF& place) const override;
    void paint(QPainter& painter, const Frame& frame) const override;
    [[nodiscard]] QString words() const override { return hooks_.words; }

  private:
    Hooks hooks_;
    std::vector<Vec3> drawn_;
};

} // namespace wembrix::app
