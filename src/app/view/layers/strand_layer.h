// Strands as lines, shaded from root to tip; where none are grown yet, the guides that they are to grow between.
#pragma once

#include "core/measure/strands/strand_deform.h"
#include "view/view_layer.h"

#include <QOpenGLBuffer>
#include <QOpenGLShaderProgram>
#include <QOpenGLVertexArrayObject>
#include <memory>
#include <vector>

namespace wembrix::app {

class StrandLayer : public ViewLayer {
  public:
    void make(QOpenGLExtraFunctions& gl) override;
    void destroy() override;
    void scenes_changed() override { shape_new_ = true; }
    void poses_changed() override { pose_new_ = true; }
    void draw(QOpenGLExtraFunctions& gl, ClayPrograms& programs, const Frame& frame) override;
    void paint_before(QPainter& painter, const Frame& frame) override;
    [[nodiscard]] size_t drawn() const { return segments_ / 2; }               ///< lines of the last draw
    [[nodiscard]] const std::vector<Vec3f>& points() const { return points_; } ///< world, as drawn last

  private:
    struct Set {
        int node = -1;
        std::unique_ptr<StrandDeformer> deformer;
        size_t first = 0; ///< of its points in the buffer
    };
    void put_shape(QOpenGLExtraFunctions& gl, const PosedScene& posed);
    void put_pose(QOpenGLExtraFunctions& gl, const PosedScene& posed);

    std::shared_ptr<const Scene> scene_; ///< that the sets are of
    std::vector<Set> sets_;
    std::vector<Vec3f> points_;
    std::unique_ptr<QOpenGLShaderProgram> program_;
    QOpenGLVertexArrayObject array_;
    QOpenGLBuffer places_{QOpenGLBuffer::VertexBuffer};
    QOpenGLBuffer along_{QOpenGLBuffer::VertexBuffer};
    QOpenGLBuffer lines_{QOpenGLBuffer::IndexBuffer};
    size_t segments_ = 0;
    bool shape_new_ = true;
    bool pose_new_ = true;
};

} // namespace wembrix::app
