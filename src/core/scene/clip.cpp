#include "core/scene/clip.h"

#include <cmath>

namespace wembrix {

int Clip::frames(double at_rate) const {
    // A frame that rounding puts a hair past the end still belongs to the clip.
    constexpr double most = 2e9; // what is longer than an int can count, or no number, has no frames to speak of
    return static_cast<int>(std::fmin(std::fmax(std::floor(seconds * at_rate + 1e-3), 0.0), most)) + 1;
}

bool lies_on_frames(const Clip& clip, double rate) {
    for (const Channel& channel : clip.channels) {
        const std::vector<float>& times = channel.times.get();
        if (channel.interpolation == Interpolation::cubic && times.size() > 1) {
            return false;
        }
        for (const float time : times) {
            const double at = static_cast<double>(time) - clip.start_s;
            const double frame = at * rate;
            const double slack = 1e-3 + 2e-7 * static_cast<double>(std::abs(time)) * rate;
            if (at > 0 && at < clip.seconds && std::abs(frame - std::round(frame)) > slack) {
                return false;
            }
        }
    }
    const double frames = clip.seconds * rate; // else the last frame lies beside the end
    return std::abs(frames - std::round(frames)) <= 1e-3 + 2e-7 * frames;
}

double guess_rate(const Clip& clip) {
    for (const double rate : {24.0, 25.0, 30.0, 48.0, 50.0, 60.0, 120.0}) {
        bool all_on_frames = true;
        bool several = false;
        for (const Channel& channel : clip.channels) {
            several = several || channel.times.size() > 1;
            for (const float time : channel.times) {
                const double frame = static_cast<double>(time) * rate;
                if (std::abs(frame - std::round(frame)) > 1e-3 + 2e-7 * std::abs(frame)) {
                    all_on_frames = false;
                    break;
                }
            }
            if (!all_on_frames) {
                break;
            }
        }
        if (all_on_frames && several) {
            return rate;
        }
    }
    return 30;
}

} // namespace wembrix
