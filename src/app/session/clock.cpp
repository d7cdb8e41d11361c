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

void Clock::choose(const QString& clip, int frames, double rate, const ClipPart& part) {
    const bool other = clip != clip_;
    still_ = Still::rest;
    pose_name_.clear();
    clip_ = clip;
    part_ = part;
    frames_ = std::max(1, frames);
    rate_ = rate > 0 ? rate : 30;
    seconds_ = other ? 0 : std::min(seconds_, (frames_ - 1) / rate_);
    round_ = other ? 0 : round_;
    if (frames_ == 1) {
        set_playing(false);
    }
    Q_EMIT clipChanged();
    Q_EMIT moved();
}

void Clock::stand(Still still, const QString& name, const StoredPose& pose) {
    set_playing(false);
    clip_.clear();
    part_ = {};
    frames_ = 1;
    seconds_ = 0;
    round_ = 0;
    still_ = still;
    pose_name_ = name;
    stored_ = pose;
    Q_EMIT clipChanged();
    Q_EMIT moved();
}

void Clock::show_bind_pose() {
    stand(Still::bind, QString(), {});
}

void Clock::show_stored_pose(const QString& name, const StoredPose& pose) {
    stand(Still::stored, name, pose);
}

QString Clock::words() const {
    if (!clip_.isEmpty()) {
        return tr("%1, frame %2").arg(clip_).arg(frame());
    }
    return still_ == Still::bind     ? tr("bind pose")
           : still_ == Still::stored ? tr("pose “%1”").arg(pose_name_)
                                     : tr("rest pose");
}

void Clock::go_to(int frame) {
    seconds_ = std::clamp(frame, 0, frames_ - 1) / rate_;
    round_ = 0;
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
        round_ = 0;
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
        round_ += static_cast<int>(seconds_ / length);
        seconds_ = std::fmod(seconds_, length);
    }
    Q_EMIT moved();
}

} // namespace wembrix::app
