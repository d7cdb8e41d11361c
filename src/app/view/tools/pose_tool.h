// The chosen joint by hand. Turning: a ring turns it about the line of sight, three beads about its axes. Moving: it
// is dragged over the view or, by the beads, along its axes. Pulled while turning, the two bones above it follow, and
// the joint between them swings about the line of the two.
#pragma once

#include "view/view_tool.h"

#include <functional>
#include <optional>

namespace wembrix::app {

/// What a drag does to the chosen joint.
struct PoseGesture {
    enum class Kind : uint8_t { turn, move, pull, pole };
    Kind kind = Kind::turn;
    Quat by = Quat::Identity(); ///< turn: in the world, about the joint
    Vec3 to = Vec3::Zero();     ///< move, pull: where the joint goes, in the world
    double degrees = 0;         ///< pole: about the line from the first of the two bones to the joint
};

/// What stands about the chosen joint and the pose.
struct PoseOverlay {
    struct Ghost {
        std::vector<std::pair<Vec3, Vec3>> bones;
        bool before = false; ///< else after the playhead
        double strength = 1;
    };
    std::vector<Ghost> ghosts;
    std::vector<Vec3> path; ///< of the joint, one a frame from `first`
    int first = 0;
    std::vector<int> keyed; ///< frames among them that have keys
};

class PoseTool : public ViewTool {
  public:
    struct Hooks {
        std::function<int(const Scene& scene)> chosen; ///< node of the scene that is shown; -1: none
        /// The pose that a drag begins from: without what is dragged, with what stands and is not keyed yet.
        std::function<const Pose&(const PosedScene& posed)> base;
        std::function<bool()> moves;                           ///< it moves, else it turns
        std::function<bool()> world_axes;                      ///< beads go by the world's axes, else by the joint's
        std::function<void(const PoseGesture& gesture)> tried; ///< while it is dragged
        std::function<void(const PoseGesture& gesture)> done;  ///< once a drag
        std::function<void(int frame)> frame_asked;            ///< a key on the path was pressed
        std::function<const PoseOverlay&()> overlay;
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
    enum class Held : uint8_t { nothing, ring, axis, joint, pole };
    [[nodiscard]] int node(const Frame& frame) const;
    /// The two joints above the chosen one, the nearer first; -1 where there are none.
    [[nodiscard]] static std::pair<int, int> bones(const Frame& frame, int node);
    [[nodiscard]] Vec3 place(const Frame& frame, int node) const;
    [[nodiscard]] QPointF middle(const Frame& frame, int node) const;
    [[nodiscard]] Held held_at(const Frame& frame, int node, const QPointF& at, int& axis) const;
    [[nodiscard]] Vec3 axis_of(const Frame& frame, int node, int axis) const;
    [[nodiscard]] PoseGesture gesture(const Frame& frame, int node) const;
    [[nodiscard]] double swung(const Frame& frame, int node) const; ///< degrees
    void paint_overlay(QPainter& painter, const Frame& frame) const;
    void paint_said(QPainter& painter, const QPointF& at, const PoseGesture& gesture, const Vec3& here) const;

    Hooks hooks_;
    Held held_ = Held::nothing;
    int axis_ = 0;
    QPointF from_;
    QPointF now_;
};

} // namespace wembrix::app
