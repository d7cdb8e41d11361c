// The measuring rod beside the character; in Prepared its top can be dragged to the height that is wanted.
#pragma once

#include "view/view_tool.h"

#include <QLineF>
#include <functional>

namespace wembrix::app {

class MeasureTool : public ViewTool {
  public:
    /// `asked` gets the height that the top was dragged to, in metres; `said` the one that it is at meanwhile.
    MeasureTool(std::function<void(double height_m)> asked, std::function<void(const QString& words)> said)
        : asked_(std::move(asked)), said_(std::move(said)) {}

    bool press(const Frame& frame, const ViewInput& input) override;
    void drag(const Frame& frame, const QPointF& place) override;
    void release(const Frame& frame, bool dragged) override;
    [[nodiscard]] std::optional<Qt::CursorShape> cursor(const Frame& frame, const QPointF& place) const override;
    void paint(QPainter& painter, const Frame& frame) const override;

  private:
    [[nodiscard]] static bool is_on(const Frame& frame, const QPointF& place);
    double dragged_m_ = 0; ///< 0: it is not dragged
    std::function<void(double)> asked_;
    std::function<void(const QString&)> said_;
};

} // namespace wembrix::app
