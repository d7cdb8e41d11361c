// Keep or leave, as the intake shows it: a tick for each thing that came in, kept in the card's "leave behind" step.
#pragma once

#include "core/job/job.h"

#include <string>

namespace wembrix {

/// True when the card's first leave-behind step leaves this node of Received.
bool is_left(const Job& job, const Scene& received, int node);

/// Ticks or clears one node. Kinds that the step names become the names they stand for, so that one of them can stay.
void set_left(Job& job, const Scene& received, int node, bool left);

} // namespace wembrix
