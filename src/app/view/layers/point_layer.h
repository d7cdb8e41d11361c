// Attachment points, with their names.
#pragma once

#include "view/view_layer.h"

namespace wembrix::app {

class PointLayer : public ViewLayer {
  public:
    void paint_before(QPainter& painter, const Frame& frame) override;
};

} // namespace wembrix::app
