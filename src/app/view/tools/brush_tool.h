// A brush on the surface: a drag gives places along it, and a ring shows how far it reaches.
#pragma once

#include "view/pick.h"
#include "view/view_tool.h"

#include <functional>

namespace wembrix::app {

class BrushTool : public ViewTool {
  public:
    struct Hooks {
        std::function<bool(const Frame&, const SurfaceHit&)> begin; ///< false: not a surface that can be painted
        std::function<void(const Frame&, const SurfaceHit&)> dab;
        std::function<void()> end;
        std::function<double()> radius_m;
        QString words;
    };
    explicit BrushTool(Hooks hooks) : hooks_(std::move(hooks)) {}

    bool press(const Frame& frame, const ViewInput& input) override;
    void drag(const Frame& frame, const QPointF& place) override;
    void release(const Frame& frame, bool dragged) override;
    [[nodiscard]] std::optional<Qt::CursorShape> cursor(const Frame& frame, const QPointF& place) const override;
    void paint(QPainter& painter, const Frame& frame) const override;
    [[nodiscard]] QString words() const override { return hooks_.words; }

  private:
    [[nodiscard]] double radius_on_screen(const Frame& frame, const Vec3& at) const; ///< pixels
    Hooks hooks_;
    QPointF last_;                             ///< of the last dab
    mutable std::optional<SurfaceHit> hovers_; ///< where the ring stands
};

} // namespace wembrix::app
