// The registry of stations: one row each.
#include "stations/deliver/deliver_station.h"
#include "stations/intake/intake_station.h"
#include "stations/joints/joints_station.h"
#include "stations/station.h"
#include "stations/strands/strands_station.h"
#include "stations/surface/surface_station.h"
#include "stations/takes/takes_station.h"
#include "style/language.h"

namespace wembrix::app {

namespace {
template <typename Page> StationPage* make_page(const StationContext& context, QWidget* parent) {
    return new Page(context, parent);
}

std::vector<StationKind> rows_in_words() {
    return {
        {"intake", 1, QObject::tr("Intake"), QObject::tr("What came in, what goes out"), false, false,
         make_page<IntakeStation>},
        {"joints", 2, QObject::tr("Joints"), QObject::tr("What became of each joint; names and who stays"), false,
         false, make_page<JointsStation>},
        {"surface", 3, QObject::tr("Surface"), QObject::tr("What holds what, shapes, material slots"), false, false,
         make_page<SurfaceStation>},
        {"takes", 4, QObject::tr("Takes"), QObject::tr("Cut takes into clips, see what closes"), true, true,
         make_page<TakesStation>},
        {"strands", 5, QObject::tr("Strands"), QObject::tr("Hair, feathers, fringes: where they grow, how they follow"),
         false, true, make_page<StrandsStation>},
        {"deliver", 6, QObject::tr("Deliver"), QObject::tr("Write the files and see how they arrived"), true, false,
         make_page<DeliverStation>},
    };
}
} // namespace

const std::vector<StationKind>& station_kinds() {
    static std::vector<StationKind> rows = rows_in_words();
    static QString language = language_in_use();
    if (language != language_in_use()) {
        language = language_in_use();
        const std::vector<StationKind> now = rows_in_words();
        for (size_t i = 0; i < rows.size(); ++i) { // pages point to the rows
            rows[i].name = now[i].name;
            rows[i].tip = now[i].tip;
        }
    }
    return rows;
}

} // namespace wembrix::app
