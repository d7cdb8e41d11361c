// A hull by hand: its sides are pulled, its middle moved, a ring turns it; a click chooses another one.
#pragma once

#include "core/steps/surface/hull_adjustment.h"
#include "view/view_tool.h"

#include <functional>
#include <optional>

namespace wembrix::app {

class HullTool : public ViewTool {
  public:
    struct Hooks {
        std::function<int64_t()> chosen; ///< identity; 0: none
        std::function<void(int64_t identity)> choose;
        /// Shows the hull so, until it is given again or the scene is another one.
        std::function<void(int64_t identity, const Hull& hull)> preview;
        std::function<void(int64_t identity, const HullAdjustment& by)> adjusted;
        QString words;
    };
    explicit HullTool(Hooks hooks) : hooks_(std::move(hooks)) {}

    bool press(const Frame& frame, const ViewInput& input) override;
    void drag(const Frame& frame, const QPointF& place) override;
    void release(const Frame& frame, bool dragged) override;
    bool click(const Frame& frame, const ViewInput& input) override;
    [[nodiscard]] std::optional<Qt::CursorShape> cursor(const Frame& frame, const QPointF& place) const override;
    void paint(QPainter& painter, const Frame& frame) const override;
    [[nodiscard]] QString words() const override { return hooks_.words; }

    struct Handle {
        enum class Does : uint8_t { pulls_side, moves, turns };
        Does does = Does::moves;
        HullSide side;
        QPointF at;
        QPointF a_metre; ///< pixels on the screen that a side goes when it is pulled by 1 m
    };
    /// Of the chosen hull as it is posed. Sides that point at the eye or away from it have none.
    [[nodiscard]] std::vector<Handle> handles(const Frame& frame) const;

  private:
    [[nodiscard]] const Hull* hull(const Frame& frame, int& node) const;
    [[nodiscard]] std::optional<Handle> under(const Frame& frame, const QPointF& place) const;
    [[nodiscard]] HullAdjustment pulled_to(const Frame& frame, const Hull& hull, int node, const QPointF& place) const;

    Hooks hooks_;
    std::optional<Handle> held_;
    QPointF from_; ///< where it was taken
    QPointF middle_;
    HullAdjustment by_;
};

} // namespace wembrix::app
