// A tool of the view: what a click or a drag in a pane does. Each is a small class of its own; the pane asks the one
// that is in use first, then those that are always there. What no tool takes turns the camera.
#pragma once

#include "view/view_layer.h"

namespace wembrix::app {

struct ViewInput {
    QPointF place; ///< in the pane
    Qt::MouseButton button = Qt::NoButton;
    Qt::KeyboardModifiers modifiers;
};

class ViewTool {
  public:
    ViewTool() = default;
    ViewTool(const ViewTool&) = delete;
    ViewTool& operator=(const ViewTool&) = delete;
    virtual ~ViewTool() = default;

    /// True: the drag that begins here is this tool's.
    virtual bool press(const Frame&, const ViewInput&) { return false; }
    virtual void drag(const Frame&, const QPointF&) {}
    virtual void release(const Frame&, bool /*dragged*/) {}
    /// A press and release at one place. True: it is done with.
    virtual bool click(const Frame&, const ViewInput&) { return false; }
    /// The cursor over that place, if the tool has something to say.
    [[nodiscard]] virtual std::optional<Qt::CursorShape> cursor(const Frame&, const QPointF&) const {
        return std::nullopt;
    }
    virtual void paint(QPainter&, const Frame&) const {}
    /// A tool that was put in use ends after its click, or with Escape.
    [[nodiscard]] virtual QString words() const { return {}; } ///< said at the top of the pane meanwhile
};

} // namespace wembrix::app
