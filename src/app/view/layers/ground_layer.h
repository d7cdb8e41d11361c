// Sky, metre grid and the figure of a person.
#pragma once

#include "view/view_layer.h"

#include <QImage>

namespace wembrix::app {

class GroundLayer : public ViewLayer {
  public:
    void paint_behind(QPainter& painter, const Frame& frame) override;
    [[nodiscard]] std::vector<std::pair<QString, QColor>> foot(const Frame& frame) const override;
    /// The sky alone, where there is no scene.
    static void paint_sky(QPainter& painter, const QRect& pane);

  private:
    QImage picture_; ///< it changes with the camera and the place only: most frames of a clip take it as it is
    QMatrix4x4 matrix_;
    bool tools_ = false;
};

} // namespace wembrix::app
