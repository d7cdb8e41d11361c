#include "view/smooth_target.h"

namespace wembrix::app {

namespace {

void copy(QOpenGLExtraFunctions& gl, GLuint from, GLuint to, const QSize& pixels) {
    gl.glBindFramebuffer(GL_READ_FRAMEBUFFER, from);
    gl.glBindFramebuffer(GL_DRAW_FRAMEBUFFER, to);
    gl.glBlitFramebuffer(0, 0, pixels.width(), pixels.height(), 0, 0, pixels.width(), pixels.height(),
                         GL_COLOR_BUFFER_BIT, GL_NEAREST);
}

} // namespace

bool SmoothTarget::begin(QOpenGLExtraFunctions& gl, GLuint pane, const QSize& pixels) {
    constexpr int samples = 4;
    if (!target_ || target_->size() != pixels) {
        QOpenGLFramebufferObjectFormat format;
        format.setSamples(samples);
        format.setAttachment(QOpenGLFramebufferObject::CombinedDepthStencil);
        target_ = std::make_unique<QOpenGLFramebufferObject>(pixels, format);
    }
    if (!target_->isValid() || target_->format().samples() < 2) {
        return false;
    }
    copy(gl, pane, target_->handle(), pixels);
    gl.glBindFramebuffer(GL_FRAMEBUFFER, target_->handle());
    constexpr GLenum multisample = 0x809D; // not in OpenGL ES, whose header Qt follows
    gl.glEnable(multisample);              // painting switches it off
    return true;
}

void SmoothTarget::end(QOpenGLExtraFunctions& gl, GLuint pane) {
    copy(gl, target_->handle(), pane, target_->size());
    gl.glBindFramebuffer(GL_FRAMEBUFFER, pane);
}

} // namespace wembrix::app
