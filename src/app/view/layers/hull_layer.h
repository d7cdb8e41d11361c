// Collision hulls over the surfaces, as they move with what they belong to.
#pragma once

#include "view/view_layer.h"

#include "core/scene/hull.h"

#include <optional>

namespace wembrix::app {

class HullLayer : public ViewLayer {
  public:
    /// `chosen`: identity of the one that stands out; 0: none.
    void show(bool shown, int64_t chosen);
    /// Shows one of them so, until the scene is another one.
    void hold(int64_t identity, const Hull& hull) {
        held_ = {identity, hull};
        shells_.clear();
    }
    void let_go() {
        held_.reset();
        shells_.clear();
    }
    void scenes_changed() override { let_go(); }
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
    std::optional<std::pair<int64_t, Hull>> held_;
    std::vector<Shell> shells_;
};

} // namespace wembrix::app
