// What the reader mended or could not take in.
#include "core/findings/finding.h"

namespace wembrix {

std::vector<Finding> find_reader_notes(const FindingContext& context) {
    std::vector<Finding> findings;
    for (const Note& note : context.scene.notes) {
        Finding finding;
        finding.grade = Grade::note;
        finding.where = note.where;
        finding.message = note.places() + ": " + note.what.substr(0, note.what.find_last_not_of('.') + 1);
        finding.reason = "Said so that nothing of the source changes unnoticed.";
        findings.push_back(std::move(finding));
    }
    return findings;
}

} // namespace wembrix
