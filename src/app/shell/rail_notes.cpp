#include "shell/rail_notes.h"

#include "style/look.h"

#include <array>

namespace wembrix::app {

namespace {

void show_findings(RailButton& button, const std::vector<Finding>& findings, Station station) {
    const Look& l = look();
    std::array<int, 3> grades{};
    for (const Finding& finding : findings) {
        grades[static_cast<size_t>(finding.grade)] += finding.station == station ? 1 : 0;
    }
    const Grade worst = grades[0] > 0 ? Grade::stop : grades[1] > 0 ? Grade::look : Grade::note;
    const int count = grades[static_cast<size_t>(worst)];
    if (count == 0) {
        button.set_note(QStringLiteral("✓"), l.well, l.well_ground);
    } else {
        button.set_note(QStringLiteral("%1 %2").arg(count).arg(QString::fromUtf8(grade_name(worst).data())),
                        l.of(worst), l.ground_of(worst));
    }
}

} // namespace

void show_what_waits(Rail& rail, const SessionState* state, int due, int held) {
    const Look& l = look();
    if (state == nullptr) {
        for (int i = 0; i < rail.count(); ++i) {
            rail.button(i).set_note(QString(), l.ink, l.card);
        }
        return;
    }
    show_findings(rail.button(0), state->findings, Station::intake);
    show_findings(rail.button(1), state->findings, Station::joints);
    show_findings(rail.button(2), state->findings, Station::takes);
    if (due == 0) {
        rail.button(3).set_note(QStringLiteral("✓"), l.well, l.well_ground);
    } else if (held > 0) {
        rail.button(3).set_note(QObject::tr("%1 held").arg(held), l.stop, l.stop_ground);
    } else {
        rail.button(3).set_note(QObject::tr("%1 due").arg(due), l.note, l.note_ground);
    }
}

} // namespace wembrix::app
