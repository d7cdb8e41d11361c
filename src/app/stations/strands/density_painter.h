// How densely strands may grow, painted on the surface in the view and kept on the route card.
#pragma once

#include "core/steps/strands/density_brush.h"
#include "stations/strands/strand_board.h"
#include "view/tools/brush_tool.h"
#include "view/twin_view.h"
#include "view/vertex_colours.h"

#include <functional>
#include <memory>

namespace wembrix::app {

class DensityPainter : public QObject {
    Q_OBJECT
  public:
    DensityPainter(StrandBoard& board, QObject* parent);

    std::function<BrushSettings()> settings;
    std::function<std::string()> name; ///< of the strands that are painted for: those that are there, or new ones

    /// In this view; null: painting ends, and the view shows its own colours again.
    void set_view(TwinView* view);
    [[nodiscard]] std::unique_ptr<ViewTool> tool();
    /// After an edit: the colours are those of Prepared as it is now.
    void refresh();

  Q_SIGNALS:
    void kept(); ///< a stroke is on the card

  private:
    [[nodiscard]] int strands_in(const Scene& scene) const; ///< the node; -1: new ones are begun
    bool take_brush(std::shared_ptr<const Scene> scene, int surface);
    void show();

    StrandBoard& board_;
    TwinView* view_ = nullptr;
    std::unique_ptr<DensityBrush> brush_;
    std::shared_ptr<VertexColours> colours_;
    bool painting_ = false;
};

} // namespace wembrix::app
