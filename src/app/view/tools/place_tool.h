// A place on the surface, by one click.
#pragma once

#include "view/view_tool.h"

#include <functional>

namespace wembrix::app {

class PlaceTool : public ViewTool {
  public:
    /// `placed` gets the place in the world, as the scene is posed then. A click beside the surface ends it without.
    PlaceTool(QString words, std::function<void(const Vec3& place)> placed)
        : words_(std::move(words)), placed_(std::move(placed)) {}

    bool click(const Frame& frame, const ViewInput& input) override;
    [[nodiscard]] std::optional<Qt::CursorShape> cursor(const Frame&, const QPointF&) const override {
        return Qt::CrossCursor;
    }
    [[nodiscard]] QString words() const override { return words_; }

  private:
    QString words_;
    std::function<void(const Vec3&)> placed_;
};

} // namespace wembrix::app
