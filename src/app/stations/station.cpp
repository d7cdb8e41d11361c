#include "stations/station.h"
#include "style/language.h"

#include "style/theme.h"

#include <array>

namespace wembrix::app {

StationNote StationPage::waits(const SessionState& state) const {
    const Theme& l = theme();
    std::array<int, 3> grades{};
    for (const Finding& finding : state.findings) {
        grades.at(static_cast<size_t>(finding.grade)) += finding.station == kind_->id ? 1 : 0;
    }
    const Grade worst = grades[0] > 0 ? Grade::stop : grades[1] > 0 ? Grade::look : Grade::note;
    const int count = grades.at(static_cast<size_t>(worst));
    if (count == 0) {
        return {QStringLiteral("✓"), l.well, l.well_ground};
    }
    return {QStringLiteral("%1 %2").arg(count).arg(localized(grade_name(worst))), l.of(worst), l.ground_of(worst)};
}

} // namespace wembrix::app
