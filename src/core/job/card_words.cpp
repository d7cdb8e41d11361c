#include "core/job/card_words.h"

#include "core/steps/step_kind.h"

#include <fmt/format.h>

namespace wembrix {

std::vector<std::string> card_words(const Replay& replay) {
    std::vector<std::string> words;
    for (const StepOutcome& outcome : replay.outcomes) {
        const StepKind* kind = step_kind(outcome.step.id);
        std::string sentence = kind == nullptr ? outcome.step.id : std::string(kind->label);
        if (!outcome.step.on) {
            sentence += " (off)";
        } else if (outcome.problem) {
            sentence += ": did not fit. " + outcome.problem->sentence();
        } else if (!outcome.account.empty()) {
            sentence += ": " + outcome.account;
        }
        if (outcome.drift) {
            sentence += fmt::format(" (drift {:.4f} mm)", outcome.drift->largest_mm);
        }
        words.push_back(std::move(sentence));
    }
    return words;
}

} // namespace wembrix
