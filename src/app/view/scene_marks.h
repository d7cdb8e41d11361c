// What is painted over the picture of a scene: grid, figure, measuring rod, joints with their reeds and names.
#pragma once

#include "core/measure/clips/travel.h"
#include "session/selection.h"
#include "style/theme.h"
#include "view/posed_scene.h"
#include "view/projection.h"

#include <QLineF>
#include <QPainter>
#include <vector>

namespace wembrix::app {

/// One line a metre; where that is too fine to see, one every ten, a hundred, and so on.
double grid_gap(double unit);

void draw_ground(QPainter& painter, const Projection& p);
/// A person of 1.75 m beside the character, turned to the viewer.
void draw_figure(QPainter& painter, const Projection& p);
/// Where the measuring rod of that height begins and ends in the pane.
QLineF rod_of(const Projection& p, double height_m);
void draw_rod(QPainter& painter, const Projection& p, double height_m, const QColor& colour);

/// Where each joint is in the pane; nodes that are no joints or lie behind the eye are not `shown`.
struct JointMark {
    QPointF at;
    bool shown = false;
};
std::vector<JointMark> joint_marks(const Projection& p, const PosedScene& posed);
/// Reeds, rings, and with `names` the names of all joints, else only those of the chosen ones.
void draw_joints(QPainter& painter, const Projection& p, const PosedScene& posed, const Selection* selection,
                 bool names);
/// Attachment points: small crosses with their names.
void draw_points(QPainter& painter, const Projection& p, const PosedScene& posed, const Selection* selection);
/// The joint within `reach` pixels of a place in the pane, or -1.
int joint_at(const std::vector<JointMark>& marks, const QPointF& place, double reach);

/// A trajectory over the ground: where it begins, which trajectory it goes, a mark a second, where it is now.
void draw_trajectory(QPainter& painter, const Projection& p, const Trajectory& trajectory, double seconds);

/// The scale of colours from pale straw to dark plum, with what stands at its ends and what it is of.
void draw_colour_scale(QPainter& painter, const Projection& p, const QString& low, const QString& high,
                       const QString& title);
/// The scale of a difference, from no distance to `largest_mm`.
void draw_difference_scale(QPainter& painter, const Projection& p, double largest_mm, double at_most_mm);

} // namespace wembrix::app
