#include "core/base/text.h"
#include "core/steps/step_kind.h"

namespace wembrix {

namespace {

StepResult apply_accept(const StepContext& context, const Accepted& settings) {
    StepResult result{context.scene, phrase("“{}” goes out all the same: {}", settings.finding, settings.note), {}};
    result.scene.accepted.push_back(settings);
    return result;
}

Result<StepResult> apply_accept_finding(const StepContext& context, const Accepted& settings) {
    return apply_accept(context, settings);
}

} // namespace

StepKind accept_finding_step() {
    return make_step<Accepted>(
        {"accept_finding", "Accept a stop",
         "What is meant to be as it is goes out all the same, and the note says so on every delivery.",
         StepSubject::scene},
        {text<&Accepted::finding>("finding", "Finding", "Its id, as `inspect --json` has it").needed().not_empty(),
         text<&Accepted::where>("where", "Where", "As the finding says it; without it wherever it is found"),
         text<&Accepted::message>("message", "Message",
                                  "What the finding said; when it says something else, it stops again"),
         text<&Accepted::note>("note", "Note", "Why it is right as it is").needed().not_empty()},
        apply_accept_finding);
}

} // namespace wembrix
