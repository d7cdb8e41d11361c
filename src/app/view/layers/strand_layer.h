// Strands as lines, shaded from root to tip; where none are grown yet, the guides that they are to grow between.
#pragma once

#include "core/measure/strands/strand_deform.h"
#include "view/layers/strand_picture.h"
#include "view/view_layer.h"

#include <QCoreApplication>
#include <QOpenGLShaderProgram>
#include <QOpenGLTexture>
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
    [[nodiscard]] size_t segments() const {
        return levels_[0].empty() ? 0 : levels_[0].back();
    }                                                                          ///< between all points of all strands
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
    void put_shape(const PosedScene& posed);
    void put_pose(const PosedScene& posed, size_t strands);
    [[nodiscard]] Choice choose(const Frame& frame);
    void note_time(double seconds);
    void show(QOpenGLExtraFunctions& gl, QSize pane);
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
    std::unique_ptr<QOpenGLTexture> colours_;
    std::unique_ptr<QOpenGLTexture> depths_;
    std::vector<StrandPicture::Line> lines_;    ///< one a strand
    std::vector<StrandPicture::Line> in_order_; ///< of their points: quicker to go through when all are drawn
    StrandPicture picture_;
    /// Through every, every second, fourth and eighth point, the same strands have fewer pieces: of each strand and
    /// those before it.
    std::array<std::vector<size_t>, 4> levels_;
    double segment_m_ = 0; ///< the mean length of a piece of the finest
    size_t drawn_ = 0;
    size_t of_ = 0;              ///< that would be drawn of a still picture
    double seconds_a_piece_ = 0; ///< posed and drawn, while it moves
    bool shape_new_ = true;
    bool pose_new_ = true;
};

} // namespace wembrix::app
