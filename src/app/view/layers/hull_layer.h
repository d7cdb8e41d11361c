// Collision hulls over the surfaces, as they move with what they belong to.
#pragma once

#include "view/view_layer.h"

#include "core/scene/hull.h"

namespace wembrix::app {

class HullLayer : public ViewLayer {
  public:
    /// `chosen`: identity of the one that stands out; 0: none.
    void show(bool shown, int64_t chosen);
    void scenes_changed() override { shells_.clear(); }
    void paint_before(QPainter& painter, const Frame& frame) override;

  private:
    struct Shell {
        int node = -1;
        HullShell shell;
        std::vector<std::array<uint32_t, 4>> edges; ///< two corners, and the two triangles beside it
    };
    void take(const Scene& scene);
    bool shown_ = false;
    int64_t chosen_ = 0;
    std::vector<Shell> shells_;
};

} // namespace wembrix::app
