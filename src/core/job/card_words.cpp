#include "core/job/card_words.h"

#include "core/base/text.h"
#include "core/steps/step_kind.h"

namespace wembrix {

std::vector<Text> card_words(const Replay& replay) {
    std::vector<Text> words;
    for (const StepOutcome& outcome : replay.outcomes) {
        const StepKind* kind = step_kind(outcome.step.id);
        Text sentence = kind == nullptr ? outcome.step.id : std::string(kind->label);
        if (!outcome.step.on) {
            sentence += " (off)";
        } else if (outcome.problem) {
            sentence += ": did not fit. " + outcome.problem->sentence();
        } else if (!outcome.account.empty()) {
            sentence += ": " + outcome.account;
        }
        if (outcome.drift) {
            sentence += phrase(" (drift {:.4f} mm)", outcome.drift->largest_mm);
        }
        words.push_back(std::move(sentence));
    }
    return words;
}

} // namespace wembrix
