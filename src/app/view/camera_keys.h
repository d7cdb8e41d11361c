// The camera by keys: arrows turn, with Shift they slide, plus and minus come nearer and go away, Home frames all.
// Return clicks at the middle of the pane, where a cross stands while the pane has the keys.
#pragma once

#include "view/camera.h"

#include <QKeyEvent>
#include <QPainter>

namespace wembrix::app {

/// True: the key was one of the camera's.
bool move_by_key(Camera& camera, const QKeyEvent& event);
/// The cross at the middle, a frame about the pane, and what the keys do.
void draw_key_cross(QPainter& painter, const QRect& pane);

} // namespace wembrix::app
