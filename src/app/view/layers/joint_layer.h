// Joints with their reeds and names.
#pragma once

#include "view/view_layer.h"

namespace wembrix::app {

class JointLayer : public ViewLayer {
  public:
    void paint_before(QPainter& painter, const Frame& frame) override;
};

} // namespace wembrix::app
