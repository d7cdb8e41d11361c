// Strands: where they grow, the guides that say how, growth, and what of it goes through the body over a clip.
#pragma once

#include "stations/frame_curve.h"
#include "stations/paint_bar.h"
#include "stations/station.h"
#include "stations/strands/density_painter.h"
#include "stations/strands/strand_panel.h"
#include "view/tools/lasso_tool.h"
#include "view/tools/reed_tool.h"

#include <QPointer>

class QLabel;
class QPushButton;

namespace wembrix::app {

class StrandsStation : public StationPage {
    Q_OBJECT
  public:
    StrandsStation(const StationContext& context, QWidget* parent = nullptr);
    void take_view(TwinView& twin) override;
    void go_to(const Finding& finding) override;
    StrandBoard& board() { return *board_; }
    StrandPanel& panel() { return *panel_; }
    [[nodiscard]] const std::set<uint32_t>& chosen_vertices() const { return vertices_; }

  protected:
    void hideEvent(QHideEvent* event) override;
    void showEvent(QShowEvent* event) override;

  private:
    enum class Tool : uint8_t { none, faces, density, guides, plant, parting };
    QWidget* make_tools();
    QWidget* make_over_clip();
    void use(Tool tool);
    [[nodiscard]] std::unique_ptr<ViewTool> make_tool(Tool tool);
    void refresh();
    void say();
    void choose(int64_t surface, std::set<uint32_t> vertices);
    void flood();
    void ring(bool more);
    [[nodiscard]] int surface_node() const; ///< of the chosen faces, in Prepared, or -1
    void mend(const QString& link);

    Document& document_;
    Session& session_;
    Clock& clock_;
    StrandBoard* board_;
    StrandPanel* panel_;
    QLabel* facts_;
    QLabel* over_said_;
    FrameCurve* over_;
    QPushButton* faces_;
    QPushButton* density_;
    PaintBar* paint_bar_;
    DensityPainter* painter_;
    QPushButton* shape_;
    QPushButton* plant_;
    QWidget* place_;
    QWidget* empty_;
    QWidget* all_;
    Tool tool_ = Tool::none;
    int64_t surface_ = 0; ///< identity of the surface whose faces are chosen; 0: none
    std::set<uint32_t> vertices_;
    QPointer<TwinView> twin_;
};

} // namespace wembrix::app
