// Asks what is to become of changes that a run left behind when it ended without being closed.
#pragma once

#include "session/recovery.h"

#include <optional>

namespace wembrix::app {

/// Offers each; what is thrown away is gone, what is to be asked again stays. The one that is to be opened, if any.
std::optional<Recoverable> offer_recovery(QWidget* parent);

} // namespace wembrix::app
