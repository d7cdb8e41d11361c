// One pane of the view: it hosts the layers that draw a posed scene and the tools that work on it, and moves the
// camera.
#pragma once

#include "view/camera.h"
#include "view/layers/ground_layer.h"
#include "view/layers/hair_layer.h"
#include "view/layers/hull_layer.h"
#include "view/layers/looks_layer.h"
#include "view/layers/strand_layer.h"
#include "view/layers/surface_layer.h"
#include "view/layers/trajectory_layer.h"
#include "view/smooth_target.h"
#include "view/tools/measure_tool.h"
#include "view/tools/pick_tool.h"
#include "view/view_tool.h"

#include <QOpenGLExtraFunctions>
#include <QOpenGLWidget>
#include <memory>
#include <vector>

namespace wembrix::app {

class SceneView : public QOpenGLWidget, protected QOpenGLExtraFunctions {
    Q_OBJECT
  public:
    SceneView(State state, Camera& camera, Clock& clock, QWidget* parent = nullptr);
    ~SceneView() override;

    void show_scene(std::shared_ptr<const Scene> scene, const std::optional<SceneFacts>& facts, State state);
    void show_other(const std::optional<Other>& other) { scenes_.show_other(other); }
    /// A trajectory over the ground below the scene; null: none.
    void show_trajectory(std::shared_ptr<const Trajectory> trajectory);
    /// What each round of the clip that plays adds to its place and turn; playing, the next one goes on from there.
    void set_round_on(const Mat4& on) { round_on_ = on; }
    void show_colours(std::shared_ptr<const VertexColours> colours) { scenes_.show_colours(std::move(colours)); }
    [[nodiscard]] const VertexColours* colours() const { return scenes_.colours(); }
    /// Other weights for vertices of a surface node, in the view alone, until another scene is shown.
    void reweight(int node, std::span<const uint32_t> vertices, const std::function<const WeightRow&(uint32_t)>& row) {
        scenes_.reweight(node, vertices, row);
    }
    /// The colours that are shown have other values.
    void colours_changed() { scenes_.colours_changed(); }
    void hold_shapes(std::vector<HeldShapes> held) { scenes_.hold_shapes(std::move(held)); }
    /// Joints that are dragged; see HeldLocal.
    void hold_locals(std::vector<HeldLocal> held) { scenes_.hold_locals(std::move(held)); }
    /// Surfaces with their materials under a light, instead of in clay; see LooksLayer.
    void show_looks(bool shown, double light_degrees, int64_t only_surface, int only_slot) {
        looks_->show(shown, light_degrees, only_surface, only_slot);
        update();
    }
    [[nodiscard]] const LooksLayer& looks() const { return *looks_; }
    /// Surfaces let through what stands in them.
    void see_through(bool through) {
        surfaces_->see_through(through);
        update();
    }
    void show_hairs(Hairs hairs) {
        hairs_->show(hairs);
        update();
    }
    [[nodiscard]] const HairLayer& hairs() const { return *hairs_; }
    [[nodiscard]] const SurfaceLayer& surfaces() const { return *surfaces_; }
    /// See PaneScenes; what the graphics can do is asked when the pane is first shown.
    void set_most_moving(size_t vertices) { scenes_.set_most_moving(vertices); }
    [[nodiscard]] const StrandLayer& strands() const { return *strands_; }
    /// Collision hulls over the surfaces; `chosen` (an identity) stands out.
    void show_hulls(bool shown, int64_t chosen) {
        hulls_->show(shown, chosen);
        update();
    }
    void hold_hull(int64_t identity, const Hull& hull) {
        hulls_->hold(identity, hull);
        update();
    }
    /// Turns to a hull, unless all of it is seen already.
    void bring_hull_into_view(int64_t identity);
    /// Turns to vertices of a surface node (an identity), from the side that they are seen from.
    void frame_vertices(int64_t surface, std::span<const uint32_t> vertices);
    void let_hulls_go() {
        hulls_->let_go();
        update();
    }
    /// The first and the last pose of the clip that is shown, over it.
    void show_ends(bool shown) { scenes_.show_ends(shown); }
    [[nodiscard]] const PoseEnds* ends() const { return scenes_.ends(); }
    void clear(const QString& why);
    void set_shown(const Shown& shown);
    void set_selection(Selection* selection);
    /// The height that sets the scale when panes share one; 0: this scene's own.
    void set_shared_height(double height_m);
    [[nodiscard]] double height_m() const { return scenes_.facts().height_m; }
    [[nodiscard]] const QString& empty_text() const { return empty_; } ///< said where there is no scene
    [[nodiscard]] const PosedScene* posed() const { return scenes_.posed(); }
    [[nodiscard]] const Difference* difference() const { return scenes_.difference(); }
    [[nodiscard]] bool other_is_compared() const { return scenes_.other_is_compared(); }
    /// True when what was asked for last is what is drawn.
    [[nodiscard]] bool is_ready() const { return scenes_.is_ready(); }
    /// Turns the camera's eye to the chosen joints, near enough to fill the pane; to all when none is chosen.
    void frame_selection();
    [[nodiscard]] QPointF place_of(int node) const; ///< of a joint, in the pane
    /// Of a place in the world, in the pane.
    [[nodiscard]] QPointF place_of(const Vec3& world) const { return projection().on_screen(world); }
    /// The way that the eye looks, in the world.
    [[nodiscard]] Vec3 looks_along() const { return projection().away; }
    /// The measuring rod, from the ground to the top, in the pane. Its top can be dragged in Prepared.
    [[nodiscard]] QLineF rod() const;
    /// The tool gets the next click; Escape ends it without.
    void use_tool(std::unique_ptr<ViewTool> tool);
    [[nodiscard]] const ViewTool* tool_in_use() const { return in_use_.get(); }
    [[nodiscard]] QSize minimumSizeHint() const override { return {120, 140}; }

  Q_SIGNALS:
    void ready();
    void toolEnded();                  ///< with Escape
    void heightAsked(double height_m); ///< the rod's top was dragged there

  protected:
    void initializeGL() override;
    void paintGL() override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void mouseReleaseEvent(QMouseEvent* event) override;
    void mouseDoubleClickEvent(QMouseEvent* event) override;
    void wheelEvent(QWheelEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;
    void focusInEvent(QFocusEvent* event) override;
    void focusOutEvent(QFocusEvent* event) override;

  private:
    void destroy_graphics();
    void tell_joints(); ///< to a screen reader
    void click_at(const QPointF& place, Qt::MouseButton button, Qt::KeyboardModifiers modifiers);
    [[nodiscard]] Projection projection() const;
    [[nodiscard]] Frame frame(const Projection& projection) const;
    [[nodiscard]] Mat4 gone_on() const; ///< where the round that plays begins
    void pose_scenes(const Frame& now);
    void paint_labels(QPainter& painter, const Frame& frame) const;
    /// The tool in use, then those that are always there.
    [[nodiscard]] std::vector<ViewTool*> tools();
    void move_camera(const QPointF& by, Qt::MouseButtons buttons, Qt::KeyboardModifiers modifiers);

    Camera& camera_;
    Clock& clock_;
    Selection* selection_ = nullptr;
    PaneScenes scenes_;
    QString empty_;
    Shown shown_;
    double shared_height_ = 0;
    Mat4 round_on_ = Mat4::Identity();
    ClayPrograms programs_;
    SmoothTarget smooth_;
    bool is_software_ = false; ///< no graphics processor draws
    /// The layers, in the order in which they are drawn. Those that the pane speaks to are known by name as well.
    std::vector<std::unique_ptr<ViewLayer>> layers_;
    TrajectoryLayer* trajectory_ = nullptr;
    SurfaceLayer* surfaces_ = nullptr;
    HullLayer* hulls_ = nullptr;
    LooksLayer* looks_ = nullptr;
    HairLayer* hairs_ = nullptr;
    StrandLayer* strands_ = nullptr;
    std::unique_ptr<ViewTool> in_use_;
    MeasureTool measure_;
    PickTool pick_;
    ViewTool* dragging_ = nullptr; ///< the tool that took the press
    QPointF pressed_;
    QPointF last_;
    bool dragged_ = false;
    bool pressed_down_ = false;
    bool by_keys_ = false; ///< the focus came by a key: a cross shows what Enter chooses
};

} // namespace wembrix::app
