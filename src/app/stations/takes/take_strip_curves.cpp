// One joint's motion on the take strip: X, Y and Z in a lane each, received under prepared, with their keys.
#include "core/measure/skeleton/joint_curve.h"
#include "stations/takes/take_strip.h"
#include "stations/takes/take_strip_sizes.h"
#include "style/theme.h"

#include <QPainter>
#include <algorithm>
#include <cmath>

namespace wembrix::app {

using namespace strip;

namespace {

QString unit_of(Path path) {
    return path == Path::translation ? QObject::tr("m") : path == Path::rotation ? QObject::tr("°") : QObject::tr("×");
}

QString path_words(Path path) {
    return path == Path::translation ? QObject::tr("place from rest")
           : path == Path::rotation  ? QObject::tr("rotation from rest")
                                     : QObject::tr("scale against rest");
}

} // namespace

void TakeStrip::show_curves(std::optional<StripCurves> curves) {
    curves_ = std::move(curves);
    // The lanes keep their scale while one scrolls: it is that of the whole take.
    constexpr int moments = 1200;
    bool begun = false;
    for (const Piece& piece : curve_pieces()) {
        const JointCurve curve = joint_curve(*piece.scene, *piece.clip, piece.node, curves_->path, 0,
                                             piece.clip->seconds, std::min(moments, 4 * piece.clip->frames()));
        for (size_t k = 0; k < 3; ++k) {
            const auto [least, most] = std::minmax_element(curve.values[k].begin(), curve.values[k].end());
            curve_reach_[k] =
                begun ? std::pair(std::min(curve_reach_[k].first, *least), std::max(curve_reach_[k].second, *most))
                      : std::pair(*least, *most);
        }
        begun = true;
    }
    update();
}

std::vector<TakeStrip::Piece> TakeStrip::curve_pieces() const {
    std::vector<Piece> pieces;
    if (!curves_ || !any_ || curves_->joint == 0) {
        return pieces;
    }
    for (const State state : {State::received, State::prepared}) {
        const Scene* scene = (state == State::received ? curves_->received : curves_->prepared).get();
        const int node = scene == nullptr ? -1 : scene->find_identity(curves_->joint);
        if (node < 0) {
            continue;
        }
        for (const Clip& clip : scene->clips) {
            if (clip.take != take_.take) {
                continue;
            }
            double first = (clip.start_s - take_.start_s) * take_.rate;
            if (clip.remade) {
                // Its keys are its own now: it stands where it was cut, and what was not cut here has no place.
                const auto cut =
                    std::find_if(cuts_.begin(), cuts_.end(), [&](const Cut& one) { return one.name == clip.name; });
                if (cut == cuts_.end()) {
                    continue;
                }
                first = cut->start;
            }
            pieces.push_back({scene, &clip, node, first, first + clip.seconds * take_.rate, state});
        }
    }
    return pieces;
}

std::vector<float> TakeStrip::curve_here(State state) const {
    for (const Piece& piece : curve_pieces()) {
        if (piece.state == state && playhead_ >= piece.first - 0.5 && playhead_ <= piece.last + 0.5) {
            const JointCurve curve = joint_curve(*piece.scene, *piece.clip, piece.node, curves_->path,
                                                 (playhead_ - piece.first) / take_.rate, 0, 1);
            return {curve.values[0][0], curve.values[1][0], curve.values[2][0]};
        }
    }
    return {};
}

void TakeStrip::draw_curves(QPainter& painter) const {
    const Theme& l = theme();
    const double top = ruler_height + 14;
    const double lane = (energy_bottom() - top) / 3;
    QFont small = font();
    small.setPixelSize(10);
    painter.setFont(small);
    painter.setPen(l.soft);
    const std::vector<Piece> pieces = curve_pieces();
    const QRectF title(margin, ruler_height, width() - 2 * margin, 13);
    if (pieces.empty()) {
        painter.drawText(QRectF(margin, top, width() - 2 * margin, 3 * lane), Qt::AlignCenter,
                         curves_->joint == 0
                             ? tr("Choose a joint in the view, and its motion over the take stands here.")
                             : tr("This take does not know the chosen joint."));
        return;
    }
    const double scale = scale_;
    const auto clipped = [&](const Piece& piece) {
        return std::pair(std::max(piece.first, frame_at(margin)), std::min(piece.last, frame_at(width() - margin)));
    };
    const Piece& any = pieces.back();
    const int decimals = curves_->path == Path::rotation ? 2 : 4;
    QRectF words_at = title;
    const auto write = [&](const QString& words, const QColor& colour) {
        painter.setPen(colour);
        painter.drawText(words_at, Qt::AlignLeft | Qt::AlignVCenter, words);
        words_at.setLeft(words_at.left() + painter.fontMetrics().horizontalAdvance(words) + 14);
    };
    write(tr("%1 · %2").arg(QString::fromStdString(any.scene->nodes[static_cast<size_t>(any.node)].name),
                            path_words(curves_->path)),
          l.soft);
    for (const State state : {State::received, State::prepared}) {
        const std::vector<float> here = curve_here(state);
        if (!here.empty()) {
            write(tr("%1 here  X %2  Y %3  Z %4 %5")
                      .arg(state_name(state))
                      .arg(here[0], 0, 'f', decimals)
                      .arg(here[1], 0, 'f', decimals)
                      .arg(here[2], 0, 'f', decimals)
                      .arg(unit_of(curves_->path)),
                  l.of(state));
        }
    }
    for (int k = 0; k < 3; ++k) {
        const double low = top + (k + 1) * lane - 2;
        const double high = top + k * lane + 2;
        double least = curve_reach_[k].first;
        double most = curve_reach_[k].second;
        // What hardly moves is a straight line, not its noise blown up.
        const double at_least = curves_->path == Path::rotation ? 2.0 : 0.02;
        if (most - least < at_least) {
            const double middle = (most + least) / 2;
            least = middle - at_least / 2;
            most = middle + at_least / 2;
        }
        const auto y_of = [&](double value) { return low - (value - least) / (most - least) * (low - high); };
        painter.setPen(l.line);
        painter.drawLine(QPointF(margin, low + 2), QPointF(width() - margin, low + 2));
        for (const Piece& piece : pieces) {
            const auto [from, to] = clipped(piece);
            if (to <= from) {
                continue;
            }
            const int count = std::clamp(static_cast<int>((to - from) * scale) + 1, 2, 2 * width()); // one a pixel
            const JointCurve curve = joint_curve(*piece.scene, *piece.clip, piece.node, curves_->path,
                                                 (from - piece.first) / take_.rate, (to - from) / take_.rate, count);
            const std::vector<float>& values = curve.values.at(static_cast<size_t>(k));
            QPolygonF line;
            for (int i = 0; i < count; ++i) {
                line << QPointF(x_of(from + (to - from) * i / (count - 1)), y_of(values[static_cast<size_t>(i)]));
            }
            const bool prepared = piece.state == State::prepared;
            QColor colour = l.of(piece.state);
            colour.setAlpha(prepared ? 255 : 110); // received lies below, wider and paler
            // Broad and smooth lines take long to paint where a pixel holds many frames, and say no more there.
            const bool fine = scale >= 1;
            painter.setRenderHint(QPainter::Antialiasing, fine);
            painter.setPen(QPen(colour, prepared || !fine ? 1 : 3));
            painter.setBrush(Qt::NoBrush);
            painter.drawPolyline(line);
            painter.setRenderHint(QPainter::Antialiasing);
            constexpr double near = 5; // pixels a key: nearer, marks would hide the curve
            if (!curve.key_s.empty() && (to - from) * scale / static_cast<double>(curve.key_s.size()) < near) {
                continue;
            }
            painter.setPen(QPen(l.of(piece.state), 1));
            painter.setBrush(prepared ? l.prepared : l.card);
            for (const double key : curve.key_s) {
                const double frame = from + key * take_.rate;
                const auto at = static_cast<size_t>(
                    std::clamp<long>(std::lround((frame - from) / (to - from) * (count - 1)), 0, count - 1));
                const double r = prepared ? 1.8 : 3;
                painter.drawEllipse(QPointF(x_of(frame), y_of(values[at])), r, r);
            }
        }
        painter.setPen(l.ink);
        painter.drawText(QRectF(1, high, margin - 2, low - high), Qt::AlignHCenter | Qt::AlignVCenter,
                         QStringLiteral("XYZ").mid(k, 1));
        const QString reach = tr("%1 to %2 %3")
                                  .arg(curve_reach_[k].first, 0, 'f', decimals - 1)
                                  .arg(curve_reach_[k].second, 0, 'f', decimals - 1)
                                  .arg(unit_of(curves_->path));
        const double wide = painter.fontMetrics().horizontalAdvance(reach) + 4.0;
        const QRectF label(width() - margin - wide, high - 3, wide, 12);
        QColor ground = l.card;
        ground.setAlpha(215);
        painter.fillRect(label, ground);
        painter.setPen(l.soft);
        painter.drawText(label, Qt::AlignRight | Qt::AlignVCenter, reach);
    }
}

} // namespace wembrix::app
