// A layer of the view: one kind of thing that is drawn in a pane. Each is a small class of its own and one row in
// SceneView; the pane only hosts them.
#pragma once

#include "session/clock.h"
#include "session/selection.h"
#include "view/clay.h"
#include "view/pane_scenes.h"
#include "view/projection.h"

#include <QFont>
#include <QPainter>

namespace wembrix::app {

/// What of a scene is drawn.
struct Shown {
    bool joints = true;
    bool surfaces = true;
    bool names = false;
    bool tools = true; ///< rod and figure
};

/// What every layer is drawn from.
struct Frame {
    const Projection& projection;
    const PaneScenes& scenes; ///< scenes.posed() is never null while a layer is drawn
    const Shown& shown;
    const Clock& clock;
    const Selection* selection; ///< or null
    bool looks = false;         ///< surfaces are shown with their materials
    bool moves = false;         ///< it plays, or somebody drags in it: what takes long may show a sample
    QSize size;
    qreal pixel_ratio;
    QFont font;
};

class ViewLayer {
  public:
    ViewLayer() = default;
    ViewLayer(const ViewLayer&) = delete;
    ViewLayer& operator=(const ViewLayer&) = delete;
    virtual ~ViewLayer() = default;

    /// With the pane's graphics context current: what the layer keeps there.
    virtual void make(QOpenGLExtraFunctions&) {}
    virtual void destroy() {}
    /// The scenes are others, or their poses: what was kept of them is taken anew before the next draw.
    virtual void scenes_changed() {}
    virtual void poses_changed() {}
    virtual void colours_changed() {} ///< the colours of vertices that something is told by

    /// Painted behind the surfaces, drawn with graphics, painted before them: in this order for all layers.
    virtual void paint_behind(QPainter&, const Frame&) {}
    virtual void draw(QOpenGLExtraFunctions&, ClayPrograms&, const Frame&) {}
    virtual void paint_before(QPainter&, const Frame&) {}
    /// Lines at the foot of the pane, the lowest first, each with its colour.
    [[nodiscard]] virtual std::vector<std::pair<QString, QColor>> foot(const Frame&) const { return {}; }
};

} // namespace wembrix::app
