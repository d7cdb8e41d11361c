// One pane of the view: a posed scene in clay with an ink edge, on a metre grid, with joints, rod and figure; and a
// second scene over it, or how far it is from that one.
#pragma once

#include "core/measure/clips/travel.h"
#include "core/measure/scene/drift.h"
#include "session/clock.h"
#include "session/selection.h"
#include "session/session.h"
#include "style/look.h"
#include "view/camera.h"
#include "view/clay.h"
#include "view/difference.h"
#include "view/pose_ends.h"
#include "view/posed_scene.h"
#include "view/projection.h"

#include <QImage>
#include <QOpenGLExtraFunctions>
#include <QOpenGLWidget>
#include <QThreadPool>
#include <atomic>
#include <memory>
#include <optional>

namespace wembrix::app {

/// What of a scene is drawn.
struct Shown {
    bool joints = true;
    bool surfaces = true;
    bool names = false;
    bool tools = true; ///< rod and figure
};

/// A second scene in the same pane.
struct Other {
    std::shared_ptr<const Scene> scene;
    State state = State::received;
    Matching matching = Matching::identity;
    Mat4 moved = Mat4::Identity(); ///< where the whole of it is expected to have gone
    bool as_difference = false;    ///< colours on the pane's own scene; else drawn over it
};

class SceneView : public QOpenGLWidget, protected QOpenGLExtraFunctions {
    Q_OBJECT
  public:
    SceneView(State state, Camera& camera, Clock& clock, QWidget* parent = nullptr);
    ~SceneView() override;

    /// The scene is made ready to be drawn in the background; what was shown stays until then. Facts that are not
    /// given are measured there too.
    void show_scene(std::shared_ptr<const Scene> scene, const std::optional<SceneFacts>& facts, State state);
    void show_other(const std::optional<Other>& other);
    /// A way over the ground below the scene; null: none.
    void show_way(std::shared_ptr<const Way> way);
    /// What each round of the clip that plays adds to its place and turn; playing, the next one goes on from there.
    void set_round_on(const Mat4& on);
    /// The first and the last pose of the clip that is shown, over it. Made ready in the background.
    void show_ends(bool shown);
    [[nodiscard]] const PoseEnds* ends() const { return ends_.get(); }
    void clear(const QString& why);
    void set_shown(const Shown& shown);
    void set_selection(Selection* selection);
    /// The height that sets the scale when panes share one; 0: this scene's own.
    void set_shared_height(double height_m);
    [[nodiscard]] double height_m() const { return facts_.height_m; }
    [[nodiscard]] const QString& empty_text() const { return empty_; } ///< said where there is no scene
    [[nodiscard]] const PosedScene* posed() const { return posed_.get(); }
    [[nodiscard]] const Difference* difference() const { return difference_.get(); }
    [[nodiscard]] bool other_is_compared() const { return wanted_other_ && wanted_other_->as_difference; }
    /// True when what was asked for last is what is drawn.
    [[nodiscard]] bool is_ready() const;
    /// Turns the camera's eye to the chosen joints, near enough to fill the pane; to all when none is chosen.
    void frame_selection();
    [[nodiscard]] QPointF place_of(int node) const; ///< of a joint, in the pane
    /// The measuring rod, from the ground to the top, in the pane. Its top can be dragged in Prepared.
    [[nodiscard]] QLineF rod() const;
    /// The next click on a surface says its place; `words` stand in the pane until then. Escape or a click beside it
    /// ends that.
    void ask_for_place(const QString& words);
    [[nodiscard]] bool is_asking() const { return !asked_.isEmpty(); }
    [[nodiscard]] QSize minimumSizeHint() const override { return {120, 140}; }

  Q_SIGNALS:
    void ready();
    void heightAsked(double height_m);              ///< the rod's top was dragged there
    void placePicked(double x, double y, double z); ///< in the world, as the scene is posed now

  protected:
    void initializeGL() override;
    void paintGL() override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void mouseReleaseEvent(QMouseEvent* event) override;
    void mouseDoubleClickEvent(QMouseEvent* event) override;
    void wheelEvent(QWheelEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;

  private:
    struct Drawn {
        std::shared_ptr<PosedScene> posed;
        std::shared_ptr<PosedScene> other;
        std::optional<SceneFacts> facts;
    };
    void build();
    void adopt(uint64_t run, const Drawn& drawn);
    void choose_clip();
    void choose_clip_of(PosedScene& posed) const;
    void build_ends();
    void draw_ends(const Projection& p);
    void bring_up_to_date();
    [[nodiscard]] Projection projection() const;
    [[nodiscard]] QImage layer() const; ///< an empty picture of the pane's size
    void paint_back(const Projection& p);
    void draw_surfaces(const Projection& p);
    [[nodiscard]] bool on_rod(const QPointF& place) const;
    void drag_rod(const QPointF& place);
    void draw_labels(QPainter& painter, const Projection& p) const;

    State state_;
    Camera& camera_;
    Clock& clock_;
    Selection* selection_ = nullptr;
    SceneFacts facts_;
    std::shared_ptr<const Scene> wanted_;
    std::optional<SceneFacts> wanted_facts_;
    std::optional<Other> wanted_other_;
    std::shared_ptr<PosedScene> posed_;
    std::shared_ptr<PosedScene> other_;
    std::optional<Other> shown_other_;
    std::unique_ptr<Difference> difference_;
    QString empty_;
    Shown shown_;
    bool shape_new_ = false;
    bool pose_new_ = true;
    double shared_height_ = 0;
    QPointF pressed_;
    QPointF last_;
    bool dragged_ = false;
    double rod_m_ = 0; ///< while its top is dragged
    QString asked_;    ///< a place on the surface is asked for, in these words
    ClayPrograms programs_;
    Clay clay_;
    Clay other_clay_;
    std::shared_ptr<const Way> way_;
    Mat4 round_on_ = Mat4::Identity();
    [[nodiscard]] Mat4 gone_on() const; ///< where the round that plays begins
    bool ends_wanted_ = false;
    bool ends_new_ = false;
    std::shared_ptr<const PoseEnds> ends_;
    Clay ends_clay_[2];
    std::atomic<uint64_t> ends_run_ = 0;
    std::vector<Vec3f> difference_colours_;
    QImage back_; ///< sky, grid and figure
    QMatrix4x4 back_matrix_;
    bool back_tools_ = false;
    QThreadPool worker_;
    std::atomic<uint64_t> run_ = 0;
};

} // namespace wembrix::app
