// A picture with smooth edges on the way into a pane that has none: what is drawn between `begin` and `end` is drawn
// four times as finely, over what the pane shows already.
#pragma once

#include <QOpenGLExtraFunctions>
#include <QOpenGLFramebufferObject>
#include <QSize>
#include <memory>

namespace wembrix::app {

/// All calls need the context of the pane to be current.
class SmoothTarget {
  public:
    /// `pane`: its own framebuffer; `pixels`: its size. False where the graphics have none so fine: nothing has
    /// changed.
    bool begin(QOpenGLExtraFunctions& gl, GLuint pane, const QSize& pixels);
    void end(QOpenGLExtraFunctions& gl, GLuint pane);
    void destroy() { target_.reset(); }

  private:
    std::unique_ptr<QOpenGLFramebufferObject> target_;
};

} // namespace wembrix::app
