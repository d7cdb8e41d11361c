// The graphics of one posed scene: its buffers, and how they are drawn as clay with an ink edge.
#pragma once

#include "view/posed_scene.h"
#include "view/projection.h"

#include <QColor>
#include <QOpenGLBuffer>
#include <QOpenGLExtraFunctions>
#include <QOpenGLShaderProgram>
#include <QOpenGLVertexArrayObject>
#include <memory>

namespace wembrix::app {

/// Programs that all scenes of one context share.
struct ClayPrograms {
    std::unique_ptr<QOpenGLShaderProgram> clay;
    std::unique_ptr<QOpenGLShaderProgram> ink;
    std::unique_ptr<QOpenGLShaderProgram> shadow;
    void make();
};

struct ClayPaint {
    QColor tint;
    float tinted = 0;  ///< 0: the surface's own colours, 1: the tint alone
    float clayed = 1;  ///< 0: colours are shown as they are given, 1: with the warmth of clay
    float opacity = 1; ///< below 1 it is drawn over what is there, without an edge
};

/// All calls need the context of the pane to be current.
class Clay {
  public:
    void make(QOpenGLExtraFunctions& gl);
    void destroy();
    /// Triangles and colours, once a scene.
    void put_shape(QOpenGLExtraFunctions& gl, const PosedScene& posed);
    /// Points and normals, once a pose.
    void put_pose(QOpenGLExtraFunctions& gl, const PosedScene& posed);
    void put_colours(QOpenGLExtraFunctions& gl, const std::vector<Vec3f>& colours);
    /// `model` places the scene before it is projected.
    void draw(QOpenGLExtraFunctions& gl, ClayPrograms& programs, const Projection& p, const QMatrix4x4& model,
              const ClayPaint& paint);

    /// Its shadow on the ground at that height, from a lamp high above: dark once, however often it is covered.
    void draw_shadow(QOpenGLExtraFunctions& gl, ClayPrograms& programs, const Projection& p, double ground);

  private:
    void draw_ink(QOpenGLExtraFunctions& gl, QOpenGLShaderProgram& ink, const Projection& p, const QMatrix4x4& model);
    QOpenGLVertexArrayObject array_;
    QOpenGLBuffer points_{QOpenGLBuffer::VertexBuffer};
    QOpenGLBuffer normals_{QOpenGLBuffer::VertexBuffer};
    QOpenGLBuffer colours_{QOpenGLBuffer::VertexBuffer};
    QOpenGLBuffer triangles_{QOpenGLBuffer::IndexBuffer};
    int count_ = 0;
};

} // namespace wembrix::app
