// Ctrl+C, and being told to end: a run ends after what is in hand, and what arrived stays.
#pragma once

namespace wembrix::cli {

void stop_when_interrupted();
bool was_interrupted();

} // namespace wembrix::cli
