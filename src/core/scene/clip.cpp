#include "core/scene/clip.h"

#include <cmath>

namespace wembrix {

int Clip::frames(double at_rate) const {
    // A frame that rounding puts a hair past the end still belongs to the clip.
    return static_cast<int>(std::floor(seconds * at_rate + 1e-3)) + 1;
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
