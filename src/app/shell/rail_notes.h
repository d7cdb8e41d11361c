// What waits in each station, as the rail says it.
#pragma once

#include "session/session.h"
#include "shell/rail.h"

namespace wembrix::app {

/// `state` may be null: then nothing is known and nothing is said. `due` and `held` are deliverables.
void show_what_waits(Rail& rail, const SessionState* state, int due, int held);

} // namespace wembrix::app
