// Two destinations beside each other, in a window: what they say differently.
#pragma once

#include "core/destination/destination.h"

class QWidget;

namespace wembrix::app {

void show_differences(const Destination& now, const Destination& other, QWidget* parent);

} // namespace wembrix::app
