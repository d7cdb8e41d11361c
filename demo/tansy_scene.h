// Tansy as a source file would have her: with its faults. See demo/README.md.
#pragma once

#include "core/scene/scene.h"

namespace wembrix::demo {

/// The model: centimetres, Z up under a turned holder, prefixed names, two roots, a floor, a lamp and a viewer.
Scene tansy_model();
/// The take, on the same skeleton; its surfaces are single points that carry the shapes.
Scene tansy_market_take();

} // namespace wembrix::demo
