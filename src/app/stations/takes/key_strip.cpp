#include "stations/takes/key_strip.h"

#include "stations/takes/take_strip_sizes.h"
#include "style/painted_parts.h"

#include <QKeyEvent>
#include <QLineF>
#include <QMouseEvent>
#include <QWheelEvent>
#include <algorithm>
#include <cmath>

namespace wembrix::app {

using namespace strip;

namespace {

constexpr double reach = 7; ///< pixels about a key or a knob
constexpr double frame_gap = 12;
constexpr double furthest_in = 60; ///< pixels a frame

} // namespace

KeyStrip::KeyStrip(QWidget* parent) : QWidget(parent) {
    setObjectName(QStringLiteral("keyStrip"));
    setMouseTracking(true);
    setFocusPolicy(Qt::StrongFocus);
    setAccessibleName(tr("Keys of what is chosen, over the clip"));
    tell_keys();
}

void KeyStrip::tell_keys() {
    PaintedParts parts;
    const auto key_at = [this](int place) {
        for (const size_t curve : shown()) {
            const auto keys = static_cast<int>(layer_[curve].curve.keys.size());
            if (place < keys) {
                return KeyAt{curve, static_cast<size_t>(place)};
            }
            place -= keys;
        }
        return KeyAt{};
    };
    parts.count = [this] {
        int count = 0;
        for (const size_t curve : shown()) {
            count += static_cast<int>(layer_[curve].curve.keys.size());
        }
        return count;
    };
    parts.part = [this, key_at](int place) {
        const KeyAt at = key_at(place);
        const auto& curve = layer_[at.curve];
        const QString axis = curve.path == Path::weights ? QString() : QStringLiteral(" ") + "XYZ"[curve.axis];
        const QPointF middle = place_of(at);
        return PaintedPart{tr("Key of %1%2, frame %3, %4%5")
                               .arg(QString::fromStdString(curve.of), axis)
                               .arg(key(at).frame)
                               .arg(key(at).value, 0, 'f', 3)
                               .arg(unit()),
                           QRectF(middle.x() - 4, middle.y() - 4, 8, 8).toRect(),
                           std::find(chosen_.begin(), chosen_.end(), at) != chosen_.end()};
    };
    parts.press = [this, key_at](int place) { choose({key_at(place)}); };
    parts.value = [this] { return tr("frame %1").arg(playhead_); };
    tell_parts(*this, std::move(parts));
}

void KeyStrip::show_layer(KeyLayer layer, int frames, double rate) {
    if (held_ != Held::nothing && layer == before_drag_ && frames == frames_) {
        return; // something else was measured meanwhile: what is dragged stays in the hand
    }
    std::vector<std::pair<size_t, double>> places;
    const bool same_curves =
        layer.size() == layer_.size() && std::equal(layer.begin(), layer.end(), layer_.begin(), [](auto& a, auto& b) {
            return a.of == b.of && a.path == b.path && a.axis == b.axis;
        });
    for (const KeyAt& at : same_curves ? chosen_ : std::vector<KeyAt>()) {
        places.emplace_back(at.curve, key(at).frame);
    }
    const bool other_clip = frames != frames_;
    layer_ = std::move(layer);
    frames_ = frames;
    rate_ = rate;
    held_ = Held::nothing;
    choose_at(places);
    fit_values();
    if (other_clip) {
        see_all();
    }
    update();
    Q_EMIT chosenChanged();
}

void KeyStrip::show_of(std::vector<std::string> of, Path path, std::array<bool, 3> axes) {
    if (of != of_ || path != path_ || axes != axes_) {
        of_ = std::move(of);
        path_ = path;
        axes_ = axes;
        choose({});
        fit_values();
        update();
    }
}

void KeyStrip::say_where_empty(const QString& why) {
    empty_ = why;
    update();
}

void KeyStrip::set_playhead(double frame) {
    playhead_ = frame;
    update();
}

std::vector<size_t> KeyStrip::shown() const {
    std::vector<size_t> curves;
    for (size_t c = 0; c < layer_.size(); ++c) {
        const KeyedCurve& one = layer_[c];
        const bool is_of = path_ == Path::weights || std::find(of_.begin(), of_.end(), one.of) != of_.end();
        if (one.path == path_ && is_of && (path_ == Path::weights || axes_.at(static_cast<size_t>(one.axis)))) {
            curves.push_back(c);
        }
    }
    return curves;
}

void KeyStrip::choose(std::vector<KeyAt> keys) {
    chosen_ = std::move(keys);
    update();
    Q_EMIT chosenChanged();
}

void KeyStrip::choose_at(const std::vector<std::pair<size_t, double>>& places) {
    chosen_.clear();
    for (const auto& [curve, frame] : places) {
        const std::vector<CurveKey>& keys = layer_[curve].curve.keys;
        for (size_t k = 0; k < keys.size(); ++k) {
            if (std::abs(keys[k].frame - frame) < 1e-4) {
                chosen_.push_back({curve, k});
            }
        }
    }
}

std::vector<size_t> KeyStrip::keys_of(size_t curve) const {
    std::vector<size_t> keys;
    for (const KeyAt& at : chosen_) {
        if (at.curve == curve) {
            keys.push_back(at.key);
        }
    }
    return keys;
}

void KeyStrip::done(const QString& what) {
    fit_values();
    update();
    Q_EMIT edited(what, layer_);
    Q_EMIT chosenChanged();
}

void KeyStrip::set_tangents(Tangent tangent) {
    for (const KeyAt& at : chosen_) {
        Curve& curve = layer_[at.curve].curve;
        CurveKey& one = curve.keys[at.key];
        if (tangent == Tangent::free) { // it begins as it was
            const double out = out_slope_of(curve, at.key);
            pull_tangent(curve, at.key, false, in_slope_of(curve, at.key), one.in_weight, false);
            one.out_slope = out;
        }
        one.tangent = tangent;
    }
    done(tr("Tangents"));
}

void KeyStrip::join_tangents() {
    for (const KeyAt& at : chosen_) {
        Curve& curve = layer_[at.curve].curve;
        const double slope = (in_slope_of(curve, at.key) + out_slope_of(curve, at.key)) / 2;
        pull_tangent(curve, at.key, true, slope, curve.keys[at.key].out_weight, true);
    }
    done(tr("Join tangents"));
}

void KeyStrip::even_tangents() {
    for (const KeyAt& at : chosen_) {
        CurveKey& one = layer_[at.curve].curve.keys[at.key];
        one.in_weight = one.out_weight = CurveKey().in_weight;
    }
    done(tr("Tangents"));
}

void KeyStrip::remove_chosen() {
    if (chosen_.empty()) {
        return;
    }
    const QString what = chosen_.size() == 1 ? tr("Delete a key") : tr("Delete %1 keys").arg(chosen_.size());
    std::vector<KeyAt> last_first = chosen_;
    std::sort(last_first.begin(), last_first.end(), [](const KeyAt& a, const KeyAt& b) { return a.key > b.key; });
    chosen_.clear();
    for (const KeyAt& at : last_first) {
        remove_key(layer_[at.curve].curve, at.key);
    }
    done(what);
}

void KeyStrip::move_chosen(double by_frames, double by_value) {
    // All of them by what the tightest of the curves has room for.
    for (const size_t c : shown()) {
        Curve moved = layer_[c].curve;
        const std::vector<size_t> keys = keys_of(c);
        if (!keys.empty()) {
            const double was = moved.keys[keys.front()].frame;
            move_keys(moved, keys, by_frames, 0);
            by_frames = moved.keys[keys.front()].frame - was;
        }
    }
    for (const size_t c : shown()) {
        move_keys(layer_[c].curve, keys_of(c), by_frames, by_value);
    }
}

void KeyStrip::set_frame(double frame) {
    if (!chosen_.empty()) {
        move_chosen(frame - key(chosen_.front()).frame, 0);
        done(tr("Move keys"));
    }
}

void KeyStrip::set_value(double value) {
    for (const KeyAt& at : chosen_) {
        layer_[at.curve].curve.keys[at.key].value = value;
    }
    done(tr("Value of keys"));
}

void KeyStrip::set_beyond(bool after, Beyond beyond) {
    for (const size_t c : shown()) {
        (after ? layer_[c].curve.after : layer_[c].curve.before) = beyond;
    }
    done(after ? tr("After the keys") : tr("Before the keys"));
}

// Where things are.

void KeyStrip::see_all() {
    const double most = std::max(1, frames_ - 1);
    scale_ = (width() - 2 * margin) / (most * 1.24);
    first_ = -0.12 * most;
    update();
}

void KeyStrip::zoom(double factor, double about_x) {
    const double frame = frame_at(about_x);
    const double widest_out = (width() - 2.0 * margin) / (std::max(1, frames_ - 1) * 4.0);
    scale_ = std::clamp(scale_ * factor, std::min(widest_out, 1.0), furthest_in);
    first_ = frame - (about_x - margin) / scale_;
    update();
}

double KeyStrip::x_of(double frame) const {
    return margin + (frame - first_) * scale_;
}

double KeyStrip::frame_at(double x) const {
    return first_ + (x - margin) / scale_;
}

double KeyStrip::y_of(double value) const {
    const double top = ruler_height + 10;
    const double bottom = height() - 12.0;
    return bottom - (value - least_) / (most_ - least_) * (bottom - top);
}

double KeyStrip::value_at_y(double y) const {
    const double top = ruler_height + 10;
    const double bottom = height() - 12.0;
    return least_ + (bottom - y) / (bottom - top) * (most_ - least_);
}

void KeyStrip::fit_values() {
    if (held_ != Held::nothing) {
        return; // nothing moves away under the pointer
    }
    bool begun = false;
    const auto take = [&](double value) {
        least_ = begun ? std::min(least_, value) : value;
        most_ = begun ? std::max(most_, value) : value;
        begun = true;
    };
    const int last = std::max(1, frames_ - 1);
    for (const size_t c : shown()) {
        const Curve& curve = layer_[c].curve;
        for (const CurveKey& one : curve.keys) {
            take(one.value);
        }
        constexpr int moments = 240;
        for (int i = 0; i <= moments && !curve.keys.empty(); ++i) {
            take(value_at(curve, static_cast<double>(last) * i / moments));
        }
    }
    if (!begun) {
        least_ = -1;
        most_ = 1;
    }
    const double at_least = path_ == Path::rotation ? 4 : path_ == Path::translation ? 10 : 0.2;
    const double spare = std::max(0.12 * (most_ - least_), (at_least - (most_ - least_)) / 2);
    least_ -= spare;
    most_ += spare;
}

QPointF KeyStrip::place_of(const KeyAt& at) const {
    return {x_of(key(at).frame), y_of(key(at).value)};
}

bool KeyStrip::has_knob(const KeyAt& at, bool out) const {
    const std::vector<CurveKey>& keys = layer_[at.curve].curve.keys;
    const CurveKey& one = keys[at.key];
    if (out ? at.key + 1 >= keys.size() : at.key == 0) {
        return false;
    }
    const bool steps = out ? one.tangent == Tangent::stepped : keys[at.key - 1].tangent == Tangent::stepped;
    return !steps && one.tangent != Tangent::stepped;
}

QPointF KeyStrip::knob_of(const KeyAt& at, bool out) const {
    const Curve& curve = layer_[at.curve].curve;
    const CurveKey& one = key(at);
    if (!has_knob(at, out)) {
        return place_of(at);
    }
    const double gap = out ? curve.keys[at.key + 1].frame - one.frame : curve.keys[at.key - 1].frame - one.frame;
    const double share = one.tangent != Tangent::free ? CurveKey().in_weight : out ? one.out_weight : one.in_weight;
    const double slope = out ? out_slope_of(curve, at.key) : in_slope_of(curve, at.key);
    return {x_of(one.frame + share * gap), y_of(one.value + slope * share * gap)};
}

QRectF KeyStrip::frame_of_chosen() const {
    if (chosen_.size() < 2) {
        return {};
    }
    QRectF box(place_of(chosen_.front()), QSizeF(0, 0));
    for (const KeyAt& at : chosen_) {
        const QPointF place = place_of(at);
        box.setLeft(std::min(box.left(), place.x()));
        box.setRight(std::max(box.right(), place.x()));
        box.setTop(std::min(box.top(), place.y()));
        box.setBottom(std::max(box.bottom(), place.y()));
    }
    return box.adjusted(-frame_gap, -frame_gap, frame_gap, frame_gap);
}

QString KeyStrip::unit() const {
    return path_ == Path::rotation      ? tr("°")
           : path_ == Path::translation ? tr(" mm")
           : path_ == Path::scale       ? tr(" ×")
                                        : QString();
}

// The pointer.

KeyStrip::Held KeyStrip::held_at(const QPointF& place, KeyAt& at) const {
    if (place.y() < ruler_height) {
        return Held::playhead;
    }
    for (const KeyAt& one : chosen_) {
        for (const bool out : {false, true}) {
            if (has_knob(one, out) && QLineF(place, knob_of(one, out)).length() < reach) {
                at = one;
                return out ? Held::out_knob : Held::in_knob;
            }
        }
    }
    double nearest = reach;
    Held held = Held::nothing;
    for (const size_t c : shown()) {
        for (size_t k = 0; k < layer_[c].curve.keys.size(); ++k) {
            const double away = QLineF(place, place_of({c, k})).length();
            if (away < nearest) {
                nearest = away;
                at = {c, k};
                held = Held::keys;
            }
        }
    }
    if (held == Held::keys) {
        return held;
    }
    const QRectF box = frame_of_chosen();
    if (!box.isNull() && box.adjusted(-reach, -reach, reach, reach).contains(place)) {
        const std::pair<double, Held> sides[] = {{std::abs(place.x() - box.left()), Held::left},
                                                 {std::abs(place.x() - box.right()), Held::right},
                                                 {std::abs(place.y() - box.top()), Held::top},
                                                 {std::abs(place.y() - box.bottom()), Held::bottom}};
        const auto& side = *std::min_element(std::begin(sides), std::end(sides),
                                             [](const auto& a, const auto& b) { return a.first < b.first; });
        if (side.first < reach) {
            return side.second;
        }
    }
    return Held::box;
}

void KeyStrip::mousePressEvent(QMouseEvent* event) {
    pressed_ = now_ = event->position();
    moved_ = false;
    before_drag_ = layer_;
    chosen_before_ = chosen_;
    if (event->button() == Qt::MiddleButton) {
        held_ = Held::sheet;
        return;
    }
    if (event->button() != Qt::LeftButton) {
        return;
    }
    held_ = held_at(pressed_, held_key_);
    const bool adds = (event->modifiers() & Qt::ShiftModifier) != 0;
    if (held_ == Held::playhead) {
        Q_EMIT scrubbed(static_cast<int>(std::lround(clamped(frame_at(pressed_.x())))));
    } else if (held_ == Held::keys) {
        const auto there = std::find(chosen_.begin(), chosen_.end(), held_key_);
        if (adds && there != chosen_.end()) {
            chosen_.erase(there);
            held_ = Held::nothing;
        } else if (there == chosen_.end()) {
            if (!adds) {
                chosen_.clear();
            }
            chosen_.push_back(held_key_);
        }
        chosen_before_ = chosen_;
        choose(chosen_);
    } else if (held_ == Held::box && !adds) {
        chosen_before_.clear();
        choose({});
    }
    held_frame_ = frame_of_chosen().adjusted(frame_gap, frame_gap, -frame_gap, -frame_gap);
}

double KeyStrip::clamped(double frame) const {
    return std::clamp(frame, 0.0, static_cast<double>(std::max(0, frames_ - 1)));
}

void KeyStrip::mouseMoveEvent(QMouseEvent* event) {
    const QPointF to = event->position();
    if (held_ == Held::nothing) {
        KeyAt at;
        switch (held_at(to, at)) {
        case Held::left:
        case Held::right:
            setCursor(Qt::SizeHorCursor);
            break;
        case Held::top:
        case Held::bottom:
            setCursor(Qt::SizeVerCursor);
            break;
        case Held::keys:
        case Held::in_knob:
        case Held::out_knob:
            setCursor(Qt::PointingHandCursor);
            break;
        default:
            unsetCursor();
        }
        return;
    }
    if (!moved_ && (to - pressed_).manhattanLength() < 3) {
        return;
    }
    moved_ = true;
    switch (held_) {
    case Held::playhead:
        Q_EMIT scrubbed(static_cast<int>(std::lround(clamped(frame_at(to.x())))));
        break;
    case Held::sheet:
        first_ -= (to.x() - now_.x()) / scale_;
        break;
    case Held::keys:
        drag_keys(to, event->modifiers());
        break;
    case Held::in_knob:
    case Held::out_knob:
        drag_knob(to);
        break;
    case Held::left:
    case Held::right:
    case Held::top:
    case Held::bottom:
        scale_chosen(to, event->modifiers());
        break;
    case Held::box: {
        const QRectF box = QRectF(pressed_, to).normalized();
        chosen_ = chosen_before_;
        for (const size_t c : shown()) {
            for (size_t k = 0; k < layer_[c].curve.keys.size(); ++k) {
                const bool is_in = std::find(chosen_.begin(), chosen_.end(), KeyAt{c, k}) != chosen_.end();
                if (!is_in && box.contains(place_of({c, k}))) {
                    chosen_.push_back({c, k});
                }
            }
        }
        break;
    }
    case Held::nothing:
        break;
    }
    now_ = to;
    update();
    Q_EMIT chosenChanged();
}

void KeyStrip::drag_keys(const QPointF& to, Qt::KeyboardModifiers modifiers) {
    layer_ = before_drag_;
    chosen_ = chosen_before_;
    const CurveKey& held = key(held_key_);
    double by_frames = (to.x() - pressed_.x()) / scale_;
    double by_value = value_at_y(to.y()) - value_at_y(pressed_.y());
    // A key stands on a frame, unless Alt is held; Shift keeps to one direction.
    if ((modifiers & Qt::AltModifier) == 0) {
        by_frames = std::round(held.frame + by_frames) - held.frame;
    }
    if ((modifiers & Qt::ShiftModifier) != 0) {
        const bool across = std::abs(to.x() - pressed_.x()) > std::abs(to.y() - pressed_.y());
        (across ? by_value : by_frames) = 0;
    }
    move_chosen(by_frames, by_value);
}

void KeyStrip::drag_knob(const QPointF& to) {
    layer_ = before_drag_;
    Curve& curve = layer_[held_key_.curve].curve;
    const bool out = held_ == Held::out_knob;
    const CurveKey one = curve.keys[held_key_.key];
    const CurveKey& other = curve.keys[out ? held_key_.key + 1 : held_key_.key - 1];
    const double gap = other.frame - one.frame;
    const double own = one.tangent != Tangent::free ? CurveKey().in_weight : out ? one.out_weight : one.in_weight;
    double share = weighted_ ? (frame_at(to.x()) - one.frame) / gap : own;
    share = std::clamp(share, 0.02, 1.0);
    // Where the pointer is in frames tells the slope: how steep it is does not depend on how far the tangent reaches.
    double across = frame_at(to.x()) - one.frame;
    across = gap > 0 ? std::max(across, 0.02 * gap) : std::min(across, 0.02 * gap);
    const double slope = (value_at_y(to.y()) - one.value) / across;
    pull_tangent(curve, held_key_.key, out, slope, share, !broken_);
}

void KeyStrip::scale_chosen(const QPointF& to, Qt::KeyboardModifiers modifiers) {
    layer_ = before_drag_;
    chosen_ = chosen_before_;
    const double left = frame_at(held_frame_.left());
    const double right = frame_at(held_frame_.right());
    const double low = value_at_y(held_frame_.bottom());
    const double high = value_at_y(held_frame_.top());
    const QPointF by = to - pressed_;
    if (held_ == Held::left || held_ == Held::right) {
        const double about = held_ == Held::left ? right : left;
        double side = (held_ == Held::left ? left : right) + by.x() / scale_;
        if ((modifiers & Qt::AltModifier) == 0) {
            side = std::round(side);
        }
        const double was = (held_ == Held::left ? left : right) - about;
        if (std::abs(was) > 1e-9) {
            scaled_about(about, std::max(0.01, (side - about) / was), 0, 1);
        }
        return;
    }
    const double about = held_ == Held::top ? low : high;
    const double was = (held_ == Held::top ? high : low) - about;
    if (std::abs(was) > 1e-9) {
        const double side =
            value_at_y((held_ == Held::top ? held_frame_.top() : held_frame_.bottom()) + by.y()) - about;
        scaled_about(0, 1, about, side / was);
    }
}

void KeyStrip::scaled_about(double about_frame, double frames_factor, double about_value, double value_factor) {
    std::vector<std::pair<size_t, double>> places;
    for (const KeyAt& at : chosen_) {
        places.emplace_back(at.curve, about_frame + (key(at).frame - about_frame) * frames_factor);
    }
    for (const size_t c : shown()) {
        if (const std::vector<size_t> keys = keys_of(c); !keys.empty()) {
            scale_keys(layer_[c].curve, keys, about_frame, frames_factor, about_value, value_factor);
        }
    }
    choose_at(places);
}

void KeyStrip::mouseReleaseEvent(QMouseEvent*) {
    const Held held = held_;
    held_ = Held::nothing;
    if (held == Held::box && !moved_) {
        choose({});
    }
    if (!moved_ || layer_ == before_drag_) {
        update();
        return;
    }
    const bool knob = held == Held::in_knob || held == Held::out_knob;
    done(knob ? tr("Drag a tangent") : held == Held::keys ? tr("Move keys") : tr("Scale keys"));
}

void KeyStrip::mouseDoubleClickEvent(QMouseEvent* event) {
    const QPointF place = event->position();
    const double frame = std::round(frame_at(place.x()));
    double nearest = 14;
    size_t curve = layer_.size();
    for (const size_t c : shown()) {
        const double away = std::abs(y_of(value_at(layer_[c].curve, frame)) - place.y());
        if (!layer_[c].curve.keys.empty() && away < nearest) {
            nearest = away;
            curve = c;
        }
    }
    held_ = Held::nothing;
    if (curve == layer_.size() || place.y() < ruler_height) {
        return;
    }
    const size_t keys = layer_[curve].curve.keys.size();
    if (is_plain_cubic(layer_[curve].curve)) {
        insert_key(layer_[curve].curve, frame);
    } else { // the curve about it changes a little: no cubic says the same
        CurveKey fresh;
        fresh.frame = frame;
        fresh.value = value_at(layer_[curve].curve, frame);
        std::vector<CurveKey>& all = layer_[curve].curve.keys;
        const auto at = std::find_if(all.begin(), all.end(), [&](const CurveKey& one) { return one.frame >= frame; });
        if (at == all.end() || at->frame > frame) {
            all.insert(at, fresh);
        }
    }
    choose_at({{curve, frame}});
    if (layer_[curve].curve.keys.size() != keys) {
        done(tr("Insert a key"));
    }
}

void KeyStrip::wheelEvent(QWheelEvent* event) {
    const QPoint by = event->angleDelta();
    if ((event->modifiers() & Qt::ShiftModifier) != 0 || std::abs(by.x()) > std::abs(by.y())) {
        first_ -= (by.x() != 0 ? by.x() : by.y()) / 120.0 * 40 / scale_;
        update();
    } else {
        zoom(std::pow(1.25, by.y() / 120.0), event->position().x());
    }
    event->accept();
}

void KeyStrip::keyPressEvent(QKeyEvent* event) {
    const bool far = (event->modifiers() & Qt::ShiftModifier) != 0;
    const double value = (most_ - least_) / (far ? 20 : 200);
    const double frames = far ? 10 : 1;
    const auto nudge = [&](double by_frames, double by_value) {
        if (chosen_.empty() && by_value == 0) {
            Q_EMIT scrubbed(static_cast<int>(std::lround(clamped(playhead_ + by_frames))));
        } else if (!chosen_.empty()) {
            move_chosen(by_frames, by_value);
            done(tr("Move keys"));
        }
    };
    switch (event->key()) {
    case Qt::Key_Delete:
    case Qt::Key_Backspace:
        remove_chosen();
        break;
    case Qt::Key_Left:
        nudge(-frames, 0);
        break;
    case Qt::Key_Right:
        nudge(frames, 0);
        break;
    case Qt::Key_Up:
        nudge(0, value);
        break;
    case Qt::Key_Down:
        nudge(0, -value);
        break;
    case Qt::Key_Home:
        Q_EMIT scrubbed(0);
        break;
    case Qt::Key_End:
        Q_EMIT scrubbed(std::max(0, frames_ - 1));
        break;
    case Qt::Key_Plus:
    case Qt::Key_Equal:
        zoom(1.5, x_of(playhead_));
        break;
    case Qt::Key_Minus:
        zoom(1 / 1.5, x_of(playhead_));
        break;
    default:
        if (event->matches(QKeySequence::SelectAll)) {
            std::vector<KeyAt> all;
            for (const size_t c : shown()) {
                for (size_t k = 0; k < layer_[c].curve.keys.size(); ++k) {
                    all.push_back({c, k});
                }
            }
            choose(std::move(all));
            return;
        }
        QWidget::keyPressEvent(event);
    }
}

void KeyStrip::resizeEvent(QResizeEvent* event) {
    QWidget::resizeEvent(event);
    see_all();
}

} // namespace wembrix::app
