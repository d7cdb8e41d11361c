#include "core/job/card_ledger.h"

#include "core/steps/step.h"
#include "core/steps/step_kind.h"

namespace wembrix {

Ledger card_ledger(const Replay& replay) {
    Ledger ledger = reader_ledger(replay.prepared());
    const Scene* before = replay.received.get();
    for (size_t s = 0; s < replay.outcomes.size(); ++s) {
        const StepOutcome& outcome = replay.outcomes[s];
        if (outcome.scene.get() != before) {
            const StepKind* kind = step_kind(outcome.step.id);
            add_left(ledger, left_between(*before, *outcome.scene), LedgerEntry::By::card,
                     kind == nullptr ? outcome.step.id : std::string(kind->label), static_cast<int>(s));
        }
        before = outcome.scene.get();
    }
    return ledger;
}

} // namespace wembrix
