#include "session/clock.h"

#include <algorithm>
#include <cmath>

namespace wembrix::app {

Clock::Clock(QObject* parent) : QObject(parent) {
    timer_.setInterval(16);
    timer_.setTimerType(Qt::PreciseTimer);
    connect(&timer_, &QTimer::timeout, this, &Clock::tick);
}

int Clock::frame() const {
    return static_cast<int>(std::lround(seconds_ * rate_));
}

void Clock::choose(const QString& clip, int frames, double rate) {
    const bool other = clip != clip_;
    clip_ = clip;
    frames_ = std::max(1, frames);
    rate_ = rate > 0 ? rate : 30;
    seconds_ = other ? 0 : std::min(seconds_, (frames_ - 1) / rate_);
    if (frames_ == 1) {
        set_playing(false);
    }
    Q_EMIT clipChanged();
    Q_EMIT moved();
}

void Clock::go_to(int frame) {
    seconds_ = std::clamp(frame, 0, frames_ - 1) / rate_;
    Q_EMIT moved();
}

void Clock::set_playing(bool playing) {
    playing = playing && frames_ > 1;
    if (playing == timer_.isActive()) {
        return;
    }
    if (playing) {
        since_.start();
        timer_.start();
    } else {
        timer_.stop();
        // Rest on a whole frame: that is what the numbers beside it speak of.
        seconds_ = frame() / rate_;
    }
    Q_EMIT playingChanged();
    Q_EMIT moved();
}

void Clock::tick() {
    const double length = (frames_ - 1) / rate_;
    seconds_ += static_cast<double>(since_.restart()) / 1000;
    if (length > 0 && seconds_ > length) {
        seconds_ = std::fmod(seconds_, length);
    }
    Q_EMIT moved();
}

} // namespace wembrix::app
