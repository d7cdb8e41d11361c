// What was measured of a clip, in words. No widgets.
#pragma once

#include "core/job/cuts.h"
#include "stations/takes/takes_model.h"

#include <QString>

namespace wembrix::app {

/// Whether it goes over the ground or round at all.
bool goes(const Travel& travel);
/// "Its pelvis goes 1.84 m, …"
QString travel_words(const ClipFacts& facts);
/// What baking for the destination loses between its frames: "0.42 mm", and the whole of it. `facts` may be null.
QString lost_text(const ClipFacts* facts);
QString lost_words(const ClipFacts* facts);

QString named(const Cut& cut);

} // namespace wembrix::app
