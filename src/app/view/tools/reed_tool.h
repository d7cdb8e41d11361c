// Guides of strands as reeds in the view: a click on the surface plants one, points are pulled, a knob beyond the tip
// makes it longer, a ring beside the root turns it. Several can be chosen; what is done to one is done to all.
#pragma once

#include "core/measure/strands/shape_guides.h"
#include "view/pick.h"
#include "view/view_tool.h"

#include <functional>
#include <optional>
#include <set>
#include <vector>

namespace wembrix::app {

class ReedTool : public ViewTool {
  public:
    struct Hooks {
        std::function<const std::vector<GuideLine>&()> guides; ///< world, as the scene rests
        std::function<const std::set<size_t>&()> chosen;
        std::function<void(size_t guide, bool adds)> choose;
        std::function<void()> choose_none;
        std::function<bool()> plants; ///< a click on the surface plants one
        std::function<void(const SurfaceHit& hit)> plant;
        /// What is in the hand is shown; with `done` it stays.
        std::function<void(size_t point, const Vec3& by, bool done)> pull; ///< the chosen ones'
        std::function<void(double factor, bool done)> lengthen;
        std::function<void(double radians, bool done)> turn; ///< about the eye's direction
        QString words;
    };
    explicit ReedTool(Hooks hooks) : hooks_(std::move(hooks)) {}

    bool press(const Frame& frame, const ViewInput& input) override;
    void drag(const Frame& frame, const QPointF& place) override;
    void release(const Frame& frame, bool dragged) override;
    bool click(const Frame& frame, const ViewInput& input) override;
    [[nodiscard]] std::optional<Qt::CursorShape> cursor(const Frame& frame, const QPointF& place) const override;
    void paint(QPainter& painter, const Frame& frame) const override;
    [[nodiscard]] QString words() const override { return hooks_.words; }

    /// Handles of the guide that was chosen last: where they stand in the pane.
    struct Handles {
        size_t guide = 0;
        QPointF longer, turn;
    };
    [[nodiscard]] std::optional<Handles> handles(const Frame& frame) const;

  private:
    enum class Does : uint8_t { nothing, pulls, lengthens, turns };
    struct Point {
        size_t guide = 0;
        size_t point = 0;
    };
    [[nodiscard]] std::optional<Point> under(const Frame& frame, const QPointF& place) const;
    [[nodiscard]] std::optional<size_t> reed_under(const Frame& frame, const QPointF& place) const;
    [[nodiscard]] Does handle_under(const Frame& frame, const QPointF& place) const;
    void act(const Frame& frame, const QPointF& place, bool done);

    Hooks hooks_;
    Does does_ = Does::nothing;
    Point held_;
    QPointF from_, last_;
    QPointF root_; ///< of the reed in the hand, in the pane
    Vec3 before_ = Vec3::Zero();
    bool adds_ = false;
    bool was_chosen_ = false; ///< before the press
    size_t latest_ = 0;       ///< the guide whose handles are shown
};

} // namespace wembrix::app
