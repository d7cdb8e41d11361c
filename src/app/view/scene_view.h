// One pane of the view: a posed scene in clay with an ink edge, on a metre grid, with joints, rod and figure.
#pragma once

#include "session/clock.h"
#include "session/session.h"
#include "style/look.h"
#include "view/camera.h"
#include "view/posed_scene.h"

#include <QMatrix4x4>
#include <QOpenGLBuffer>
#include <QOpenGLExtraFunctions>
#include <QOpenGLShaderProgram>
#include <QOpenGLVertexArrayObject>
#include <QOpenGLWidget>
#include <memory>

namespace wembrix::app {

class SceneView : public QOpenGLWidget, protected QOpenGLExtraFunctions {
    Q_OBJECT
  public:
    SceneView(State state, Camera& camera, Clock& clock, QWidget* parent = nullptr);
    ~SceneView() override;

    void show_scene(std::shared_ptr<const Scene> scene, const SceneFacts& facts);
    void clear(const QString& why);
    void set_joints_shown(bool shown);
    void set_tools_shown(bool shown); ///< rod and figure
    /// The height that sets the scale when panes share one; 0: this scene's own.
    void set_shared_height(double height_m);
    [[nodiscard]] double height_m() const { return facts_.height_m; }
    [[nodiscard]] const PosedScene* posed() const { return posed_.get(); }
    void choose_clip();
    [[nodiscard]] QSize minimumSizeHint() const override { return {120, 140}; }

  protected:
    void initializeGL() override;
    void paintGL() override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void mouseDoubleClickEvent(QMouseEvent* event) override;
    void wheelEvent(QWheelEvent* event) override;

  private:
    struct Projection {
        QMatrix4x4 matrix;
        double unit = 1; ///< metres that one camera unit stands for
        Vec3 middle = Vec3::Zero();
        Vec3 eye = Vec3::Zero();
    };
    [[nodiscard]] Projection projection() const;
    [[nodiscard]] QPointF on_screen(const Projection& p, const Vec3& place, bool* visible = nullptr) const;
    void upload_shape();
    void draw_surfaces(const Projection& p);
    void draw_ground(QPainter& painter, const Projection& p) const;
    void draw_figure(QPainter& painter, const Projection& p) const;
    void draw_labels(QPainter& painter, const Projection& p) const;
    void draw_rod(QPainter& painter, const Projection& p) const;
    void draw_joints(QPainter& painter, const Projection& p) const;

    State state_;
    Camera& camera_;
    Clock& clock_;
    SceneFacts facts_;
    std::unique_ptr<PosedScene> posed_;
    QString empty_;
    bool joints_shown_ = true;
    bool tools_shown_ = true;
    bool shape_new_ = false;
    bool pose_new_ = true;
    double shared_height_ = 0;
    QPointF last_;
    std::unique_ptr<QOpenGLShaderProgram> clay_;
    std::unique_ptr<QOpenGLShaderProgram> ink_;
    QOpenGLVertexArrayObject array_;
    QOpenGLBuffer points_{QOpenGLBuffer::VertexBuffer};
    QOpenGLBuffer normals_{QOpenGLBuffer::VertexBuffer};
    QOpenGLBuffer colours_{QOpenGLBuffer::VertexBuffer};
    QOpenGLBuffer triangles_{QOpenGLBuffer::IndexBuffer};
};

} // namespace wembrix::app
