// Surface: what holds what, how many influences, the shapes and the material slots.
#pragma once

#include "session/document.h"
#include "session/selection.h"
#include "session/session.h"
#include "stations/paint_bar.h"
#include "stations/station.h"
#include "stations/surface/hull_panel.h"
#include "stations/surface/influence_chart.h"
#include "stations/surface/looks_bar.h"
#include "stations/surface/shape_rack.h"
#include "stations/surface/vertex_panel.h"
#include "stations/surface/weight_painter.h"

#include <QPointer>

class QButtonGroup;
class QComboBox;
class QLabel;
class QPushButton;
class QStackedWidget;
class QTableWidget;

namespace wembrix::app {

class SurfaceStation : public StationPage {
    Q_OBJECT
  public:
    SurfaceStation(const StationContext& context, QWidget* parent = nullptr);
    void take_view(TwinView& twin) override;
    void go_to(const Finding& finding) override;
    InfluenceChart& chart() { return *chart_; }
    ShapeRack& rack() { return *rack_; }
    WeightPainter& painter() { return *painter_; }
    VertexPanel& vertices() { return *vertices_; }
    HullPanel& hulls() { return *hulls_; }
    LooksBar& looks() { return *looks_; }
    /// Writes the surface as the clock has it, for a sculptor, and says what came of it.
    QString save_for_sculpting(const QString& surface, const QString& file);

  protected:
    void hideEvent(QHideEvent* event) override;
    void showEvent(QShowEvent* event) override;

  private:
    QWidget* make_tools();
    void use_tool(bool brush, bool lasso);
    QWidget* make_chart_card();
    QWidget* make_side();
    void refresh();
    void fill_joints();
    void fill_slots();
    void choose_joint(int64_t identity);
    void colour();
    void say();
    void hold_shapes();
    void show_hulls(); ///< in the view, while their tab is in front
    void show_looks();
    void share_room();                                     ///< between the view and the chart
    void follow_clip();                                    ///< sliders that are not held show what the clip says now
    [[nodiscard]] bool show_place(const Finding& finding); ///< chooses its vertices; false: it names none
    void ask_for_sculpt_file();
    void ask(const char* step, const nlohmann::json& values = nlohmann::json::object());
    [[nodiscard]] std::shared_ptr<const Scene> prepared() const;
    [[nodiscard]] int joint() const; ///< whose weights are shown, in Prepared, or -1

    Document& document_;
    Session& session_;
    Selection& selection_;
    Clock& clock_;
    std::shared_ptr<const Scene> shown_;
    QComboBox* joints_;
    QLabel* facts_;
    QLabel* sums_;
    InfluenceChart* chart_;
    ShapeRack* rack_;
    QTableWidget* slots_;
    LooksBar* looks_;
    WeightPainter* painter_;
    PaintBar* paint_bar_;
    VertexPanel* vertices_;
    HullPanel* hulls_;
    QPushButton* paint_;
    QPushButton* choose_;
    QPushButton* lock_;
    std::shared_ptr<VertexColours> weights_shown_; ///< null while other colours are
    QStackedWidget* side_;
    QButtonGroup* tabs_;
    QWidget* place_;
    QWidget* chart_card_;
    QWidget* empty_;
    QWidget* all_;
    int64_t joint_ = 0;       ///< identity; 0: none
    int slot_row_ = -1;       ///< highlighted
    QPointer<TwinView> twin_; ///< once the page was shown
};

} // namespace wembrix::app
