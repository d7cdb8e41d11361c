// What the steps of a card left behind of what was received.
#pragma once

#include "core/delivery/ledger.h"
#include "core/job/replay.h"

namespace wembrix {

/// Notes of the readers, and what each step that is on took away, in the card's order.
Ledger card_ledger(const Replay& replay);

} // namespace wembrix
