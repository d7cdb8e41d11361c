// Surfaces in clay with an ink edge: the pane's own scene, a second one over it, the heat colours of how far they are
// apart, and both ends of a clip.
#pragma once

#include "view/view_layer.h"

namespace wembrix::app {

class SurfaceLayer : public ViewLayer {
  public:
    void make(QOpenGLExtraFunctions& gl) override;
    void destroy() override;
    void scenes_changed() override {
        shape_new_ = true;
        coarse_of_ = nullptr;
    }
    void poses_changed() override { pose_new_ = true; }
    void colours_changed() override { colours_new_ = true; }
    void ends_changed() { ends_new_ = true; }
    void see_through(bool through) { see_through_ = through; }
    void draw(QOpenGLExtraFunctions& gl, ClayPrograms& programs, const Frame& frame) override;
    void paint_before(QPainter& painter, const Frame& frame) override;
    [[nodiscard]] std::vector<std::pair<QString, QColor>> foot(const Frame& frame) const override;

    /// Takes over what is new of shapes, poses and colours. The scenes are posed already.
    void bring_up_to_date(QOpenGLExtraFunctions& gl, const Frame& frame);
    /// How many vertices the surfaces had that were drawn last: fewer while it moves, where they are many.
    [[nodiscard]] size_t drawn() const { return drawn_; }
    [[nodiscard]] bool needs_pose() const { return shape_new_ || pose_new_; }

  private:
    void put_colours(QOpenGLExtraFunctions& gl, const PosedScene& posed, const VertexColours& colours);
    void draw_ends(QOpenGLExtraFunctions& gl, ClayPrograms& programs, const Frame& frame);
    bool shape_new_ = false;
    bool pose_new_ = true;
    bool colours_new_ = false;
    bool ends_new_ = false;
    bool see_through_ = false;
    Clay own_;
    Clay coarse_;
    size_t drawn_ = 0;
    const PosedScene* coarse_of_ = nullptr; ///< whose shape `coarse_` has
    Clay other_;
    Clay ends_[2];
    std::vector<Vec3f> heat_;
};

} // namespace wembrix::app
