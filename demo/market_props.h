// What stands around Tansy at the market: parcels and a stall lamp, as props in a file of their own.
#pragma once

#include "core/scene/scene.h"

namespace wembrix::demo {

/// Three parcels and a lamp; centimetres, Z up under a turned holder, like the file she comes in.
Scene market_props();

} // namespace wembrix::demo
