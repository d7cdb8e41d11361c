// A small picture of what a shape does, drawn from the shape itself.
#pragma once

#include "core/scene/scene.h"

#include <QImage>

namespace wembrix::app {

/// The part of the surface around what the shape moves, at full weight, seen from where it shows most; what it moves is
/// tinted by how far. Drawn without graphics, safe in any thread. Pixels of `size`.
QImage shape_picture(const Scene& scene, int node, size_t shape, const QSize& size);

} // namespace wembrix::app
