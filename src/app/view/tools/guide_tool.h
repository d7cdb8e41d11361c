// Guide points of a plan, standing in the surface: a click chooses one, a drag moves it over the view or along an axis.
#pragma once

#include "core/plan/guides.h"
#include "view/view_tool.h"

#include <functional>
#include <optional>

namespace wembrix::app {

class GuideTool : public ViewTool {
  public:
    struct Hooks {
        std::function<const Plan*()> plan; ///< null: nothing is fitted
        std::function<const Guides&()> guides;
        std::function<std::optional<GuideId>()> chosen;
        std::function<void(const GuideId& id)> choose;
        /// Shows the guide there; with `done` it stays.
        std::function<void(const GuideId& id, const Vec3& at, bool done)> move;
        std::function<QString()> said; ///< beside the chosen one
        QString words;
    };
    explicit GuideTool(Hooks hooks) : hooks_(std::move(hooks)) {}

    bool press(const Frame& frame, const ViewInput& input) override;
    void drag(const Frame& frame, const QPointF& place) override;
    void release(const Frame& frame, bool dragged) override;
    bool click(const Frame& frame, const ViewInput& input) override;
    [[nodiscard]] std::optional<Qt::CursorShape> cursor(const Frame& frame, const QPointF& place) const override;
    void paint(QPainter& painter, const Frame& frame) const override;
    [[nodiscard]] QString words() const override { return hooks_.words; }

    /// Where the arms of the chosen guide end that move it along X, Y and Z; one that points at the eye has none.
    struct Arm {
        int axis = 0;
        QPointF end;
        QPointF a_metre; ///< pixels on the screen for a metre along it
    };
    [[nodiscard]] std::vector<Arm> arms(const Frame& frame) const;

  private:
    [[nodiscard]] const Guide* under(const Frame& frame, const QPointF& place) const;
    [[nodiscard]] std::optional<Arm> arm_under(const Frame& frame, const QPointF& place) const;

    Hooks hooks_;
    std::optional<GuideId> held_;
    std::optional<Arm> along_;
    QPointF from_;
    Vec3 before_ = Vec3::Zero();
    Vec3 now_ = Vec3::Zero();
};

} // namespace wembrix::app
