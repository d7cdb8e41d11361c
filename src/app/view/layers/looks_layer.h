// Surfaces with their materials instead of in clay, under a light that can be turned.
#pragma once

#include "view/looks.h"
#include "view/view_layer.h"

namespace wembrix::app {

class LooksLayer : public ViewLayer {
  public:
    /// `light_degrees`: where the light stands around the scene, 0: behind the viewer. `only`: this slot of this
    /// surface (identity) alone; 0: all.
    void show(bool shown, double light_degrees, int64_t only_surface, int only_slot);
    [[nodiscard]] bool is_shown() const { return shown_; }

    void make(QOpenGLExtraFunctions& gl) override;
    void destroy() override;
    void scenes_changed() override { shape_new_ = true; }
    void poses_changed() override { pose_new_ = true; }
    void draw(QOpenGLExtraFunctions& gl, ClayPrograms& programs, const Frame& frame) override;
    [[nodiscard]] std::vector<std::pair<QString, QColor>> foot(const Frame& frame) const override;
    [[nodiscard]] size_t textures() const { return looks_.textures(); }

  private:
    Looks looks_;
    bool shown_ = false;
    bool shape_new_ = true;
    bool pose_new_ = true;
    double light_degrees_ = 0;
    int64_t only_surface_ = 0;
    int only_slot_ = -1;
};

} // namespace wembrix::app
