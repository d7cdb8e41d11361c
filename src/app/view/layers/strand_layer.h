// Strands as lines, shaded from root to tip; where none are grown yet, the guides that they are to grow between.
#pragma once

#include "core/measure/strands/strand_deform.h"
#include "view/view_layer.h"

#include <QCoreApplication>
#include <QElapsedTimer>
#include <QOpenGLBuffer>
#include <QOpenGLShaderProgram>
#include <QOpenGLVertexArrayObject>
#include <array>
#include <memory>
#include <vector>

namespace wembrix::app {

class StrandLayer : public ViewLayer {
    Q_DECLARE_TR_FUNCTIONS(StrandLayer)
  public:
    void make(QOpenGLExtraFunctions& gl) override;
    void destroy() override;
    void scenes_changed() override { shape_new_ = true; }
    void poses_changed() override { pose_new_ = true; }
    void draw(QOpenGLExtraFunctions& gl, ClayPrograms& programs, const Frame& frame) override;
    void paint_before(QPainter& painter, const Frame& frame) override;
    [[nodiscard]] std::vector<std::pair<QString, QColor>> foot(const Frame& frame) const override;
    [[nodiscard]] size_t segments() const { return levels_[0].indices / 2; }   ///< between all points of all strands
    [[nodiscard]] size_t drawn() const { return drawn_; }                      ///< segments of the last draw
    [[nodiscard]] const std::vector<Vec3f>& points() const { return points_; } ///< world, as drawn last

  private:
    struct Set {
        int node = -1;
        std::unique_ptr<StrandDeformer> deformer;
        size_t first = 0; ///< of its points in the buffer
    };
    struct Strand {
        uint32_t set = 0;
        uint32_t curve = 0;
        uint32_t first = 0; ///< of its points in the buffer
        uint32_t count = 0;
    };
    /// How much of the strands is drawn.
    struct Choice {
        size_t level = 0;
        size_t strands = 0; ///< the first of them
    };
    void put_shape(QOpenGLExtraFunctions& gl, const PosedScene& posed);
    void put_pose(QOpenGLExtraFunctions& gl, const PosedScene& posed, size_t strands);
    [[nodiscard]] Choice choose(const Frame& frame);
    [[nodiscard]] size_t suits();
    [[nodiscard]] double distance_of(const Frame& frame) const; ///< from the eye to their middle, metres

    std::shared_ptr<const Scene> scene_; ///< that the sets are of
    std::vector<Set> sets_;
    std::vector<Strand> strands_; ///< in an order drawn by lot: the first of them are a sample of all
    size_t posed_ = 0;            ///< of them, whose places in the buffer are right
    Vec3f low_ = Vec3f::Zero();
    Vec3f high_ = Vec3f::Zero();
    std::vector<Vec3f> points_;
    std::unique_ptr<QOpenGLShaderProgram> program_;
    QOpenGLVertexArrayObject array_;
    QOpenGLBuffer places_{QOpenGLBuffer::VertexBuffer};
    QOpenGLBuffer along_{QOpenGLBuffer::VertexBuffer};
    QOpenGLBuffer lines_{QOpenGLBuffer::IndexBuffer};
    /// Lines through every, every second, fourth and eighth point: the same strands with fewer pieces.
    struct Level {
        size_t first = 0; ///< place in the buffer
        size_t indices = 0;
        std::vector<uint32_t> ends; ///< of each strand, from `first`
    };
    std::array<Level, 4> levels_;
    double segment_m_ = 0; ///< the mean length of a piece of the finest
    size_t drawn_ = 0;
    size_t of_ = 0;           ///< that would be drawn of a still picture
    double affordable_ = 3e5; ///< segments of a picture that moves
    QElapsedTimer since_;     ///< the last of those
    bool shape_new_ = true;
    bool pose_new_ = true;
};

} // namespace wembrix::app
