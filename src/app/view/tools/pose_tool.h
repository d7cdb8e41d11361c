// The chosen joint by hand: a ring turns it about the line of sight, three beads about its own axes; pulled itself, the
// two bones above it follow.
#pragma once

#include "view/view_tool.h"

#include <functional>
#include <optional>

namespace wembrix::app {

class PoseTool : public ViewTool {
  public:
    struct Hooks {
        std::function<int(const Scene& scene)> chosen; ///< node of the scene that is shown; -1: none
        std::function<void(const Quat& by)> turned;    ///< in the world, about the joint; once a drag
        std::function<void(const Vec3& to)> pulled;    ///< the joint itself, to a place in the world; once a drag
        QString words;
    };
    explicit PoseTool(Hooks hooks) : hooks_(std::move(hooks)) {}

    bool press(const Frame& frame, const ViewInput& input) override;
    void drag(const Frame& frame, const QPointF& place) override;
    void release(const Frame& frame, bool dragged) override;
    [[nodiscard]] std::optional<Qt::CursorShape> cursor(const Frame& frame, const QPointF& place) const override;
    void paint(QPainter& painter, const Frame& frame) const override;
    [[nodiscard]] QString words() const override { return hooks_.words; }

    static constexpr double ring_radius = 48; ///< pixels
    /// Where the bead of an axis hangs, seen from the joint.
    static QPointF bead(int axis);

  private:
    enum class Held : uint8_t { nothing, ring, axis, joint };
    [[nodiscard]] int node(const Frame& frame) const;
    [[nodiscard]] QPointF middle(const Frame& frame, int node) const;
    [[nodiscard]] Quat turn(const Frame& frame, int node) const;
    [[nodiscard]] Vec3 pulled_to(const Frame& frame, int node) const;

    Hooks hooks_;
    Held held_ = Held::nothing;
    int axis_ = 0;
    QPointF from_;
    QPointF now_;
};

} // namespace wembrix::app
