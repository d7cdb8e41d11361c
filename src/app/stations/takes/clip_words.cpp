#include "stations/takes/clip_words.h"

#include <QObject>
#include <cmath>

namespace wembrix::app {

bool goes(const Travel& travel) {
    return travel.metres > 0.05 || travel.along_m > 0.2 || std::abs(travel.turn_degrees) > 5;
}

QString travel_words(const ClipFacts& facts) {
    const Travel& travel = facts.travel;
    QString words = QObject::tr("%1 travels %2 m")
                        .arg(QString::fromStdString(facts.trajectory_joint))
                        .arg(travel.metres, 0, 'f', 2);
    if (std::abs(travel.turn_degrees) > 1) {
        words += QObject::tr(", rotates %1°").arg(travel.turn_degrees, 0, 'f', 0);
    }
    return words + QObject::tr(", %1 m/s on average, %2 m/s at most (frame %3)")
                       .arg(travel.mean_m_s, 0, 'f', 2)
                       .arg(travel.top_m_s, 0, 'f', 2)
                       .arg(travel.top_frame);
}

QString lost_text(const ClipFacts* facts) {
    return facts == nullptr || !facts->lost ? QString() : QObject::tr("%1 mm").arg(facts->lost->largest_mm, 0, 'f', 2);
}

QString lost_words(const ClipFacts* facts) {
    if (facts != nullptr && facts->too_long_to_bake) {
        return QObject::tr("So long a clip is measured when it is delivered; baked on the card, it is measured there");
    }
    if (facts == nullptr || !facts->lost) {
        return QObject::tr("What baking at the destination's rate loses between its frames");
    }
    if (facts->lost->points_compared + facts->lost->joints_compared == 0) {
        return QObject::tr("All keys lie on frames at %1 per second: nothing is lost between them")
            .arg(facts->baked_at);
    }
    return QObject::tr("Baked at %1 frames per second, it is up to %2 mm from its own curves, at %3, frame %4")
        .arg(facts->baked_at)
        .arg(facts->lost->largest_mm, 0, 'f', 3)
        .arg(QString::fromStdString(facts->lost->place))
        .arg(static_cast<double>(facts->lost->frame) / moments_a_frame);
}

QString named(const Cut& cut) {
    return QString::fromStdString(cut.name);
}

} // namespace wembrix::app
