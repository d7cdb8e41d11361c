// Normals or tangents as hairs on the surfaces.
#pragma once

#include "view/view_layer.h"

namespace wembrix::app {

enum class Hairs : uint8_t { none, normals, tangents };

class HairLayer : public ViewLayer {
  public:
    void show(Hairs hairs) { hairs_ = hairs; }
    [[nodiscard]] Hairs hairs() const { return hairs_; }
    void paint_before(QPainter& painter, const Frame& frame) override;
    [[nodiscard]] std::vector<std::pair<QString, QColor>> foot(const Frame& frame) const override;

  private:
    Hairs hairs_ = Hairs::none;
    size_t broken_ = 0; ///< that were drawn last
};

} // namespace wembrix::app
