// Another rate, another length, the other way around: what a clip does to time. Keys are moved, not made anew.
#include "core/base/text.h"
#include "core/steps/clips/clip_step.h"

#include <algorithm>
#include <cmath>

namespace wembrix {

namespace {

struct RateSettings {
    std::vector<std::string> clips;
    double rate = 30;
};

Result<StepResult> apply_change_frame_rate(const StepContext&, const RateSettings& settings, ClipWork work) {
    StepResult& result = work.result;
    for (const size_t c : work.clips) {
        Clip& clip = result.scene.clips[c];
        clip.rate = settings.rate;
        const double whole = std::round(clip.seconds * settings.rate);
        if (std::abs(whole / settings.rate - clip.seconds) > 1e-3 / settings.rate) {
            result.could_not.push_back(phrase("“{}” lasts {:.4f} s, which is no whole number of frames at {:g}",
                                              clip.name, clip.seconds, settings.rate));
        }
    }
    result.account = phrase("{} counted at {:g} frames per second; as long as before", work.said, settings.rate);
    return std::move(work.result);
}

/// Moves every key: `to` maps a moment of the channels' clock; `slower` is how many times longer all takes.
void stretch(Clip& clip, double slower) {
    for (Channel& channel : clip.channels) {
        for (float& time : channel.times.edit()) {
            time = static_cast<float>(clip.start_s + (time - clip.start_s) * slower);
        }
        if (channel.interpolation != Interpolation::cubic) {
            continue;
        }
        // Tangents are per second: of twice the time, half.
        const auto width = static_cast<size_t>(channel.width);
        std::vector<float>& values = channel.values.edit();
        for (size_t i = 0; i < values.size(); ++i) {
            values[i] = (i / width) % 3 == 1 ? values[i] : static_cast<float>(values[i] / slower);
        }
    }
    clip.seconds *= slower;
}

struct StretchTimeSettings {
    std::vector<std::string> clips;
    std::optional<double> factor;
    std::optional<double> seconds;
};

Result<StepResult> apply_stretch_time(const StepContext&, const StretchTimeSettings& settings, ClipWork work) {
    const std::optional<double>& factor = settings.factor;
    const std::optional<double>& seconds = settings.seconds;
    if (factor.has_value() == seconds.has_value()) {
        return malformed("needs either \"factor\" or \"seconds\".");
    }
    StepResult& result = work.result;
    for (const size_t c : work.clips) {
        Clip& clip = result.scene.clips[c];
        if (clip.seconds <= 0) {
            result.could_not.push_back(phrase("“{}” is one frame long and stays so", clip.name));
            continue;
        }
        const double was = clip.seconds;
        stretch(clip, factor ? *factor : *seconds / clip.seconds);
        // A length that is meant to be whole frames is whole frames.
        const double whole = std::round(clip.seconds * clip.rate) / clip.rate;
        if (std::abs(whole - clip.seconds) > 1e-3 / clip.rate) {
            result.could_not.push_back(phrase("“{}” lasts {:.4f} s now, which is no whole number of frames at {:g}",
                                              clip.name, clip.seconds, clip.rate));
        }
        mark_remade(clip);
        result.account = phrase("{}: {:.3f} s → {:.3f} s", work.said, was, clip.seconds);
    }
    return std::move(work.result);
}

void reverse(Clip& clip) {
    const double ends = clip.start_s * 2 + clip.seconds; // a moment and its mirror image add up to it
    for (Channel& channel : clip.channels) {
        const auto width = static_cast<size_t>(channel.width);
        const bool cubic = channel.interpolation == Interpolation::cubic;
        const size_t stride = width * (cubic ? 3 : 1);
        const std::vector<float> times = channel.times.get();
        const std::vector<float> values = channel.values.get();
        std::vector<float> new_times;
        std::vector<float> new_values;
        for (size_t i = times.size(); i-- > 0;) {
            double at = ends - times[i];
            if (channel.interpolation == Interpolation::step) {
                // What holds until the next key holds, the other way around, from just behind that key's moment on.
                at = i + 1 < times.size() ? ends - times[i + 1] + 0.5 / clip.rate : at - 1 / clip.rate;
            }
            new_times.push_back(static_cast<float>(at));
            const float* key = values.data() + i * stride;
            if (!cubic) {
                new_values.insert(new_values.end(), key, key + width);
                continue;
            }
            for (size_t k = 0; k < width; ++k) {
                new_values.push_back(-key[2 * width + k]);
            }
            new_values.insert(new_values.end(), key + width, key + 2 * width);
            for (size_t k = 0; k < width; ++k) {
                new_values.push_back(-key[k]);
            }
        }
        channel.times = std::move(new_times);
        channel.values = std::move(new_values);
    }
    // Keys before the first frame are nothing a file can hold: the clip's own clock begins anew.
    float first = 0;
    for (const Channel& channel : clip.channels) {
        first = channel.times.empty() ? first : std::min(first, channel.times[0]);
    }
    if (first < 0) {
        for (Channel& channel : clip.channels) {
            for (float& time : channel.times.edit()) {
                time -= first;
            }
        }
        clip.start_s -= first;
    }
}

struct ReverseSettings {
    std::vector<std::string> clips;
};

Result<StepResult> apply_reverse(const StepContext&, const ReverseSettings&, ClipWork work) {
    StepResult& result = work.result;
    for (const size_t c : work.clips) {
        reverse(result.scene.clips[c]);
        mark_remade(result.scene.clips[c]);
    }
    result.account = phrase("{} from the last frame to the first", work.said);
    return std::move(work.result);
}

} // namespace

StepKind change_frame_rate_step() {
    return make_clip_step<RateSettings>(
        {"change_frame_rate", "Change frame rate",
         "A project counts frames one way; clips that count another way end on frames that are not there.",
         StepSubject::clips},
        {clips_parameter<&RateSettings::clips>(),
         number<&RateSettings::rate>("rate", "Frame rate", "Frames are counted at this rate; keys and duration stay")
             .unit("frames per second")
             .needed()
             .between(1, 1000)
             .starting(30)},
        apply_change_frame_rate);
}

StepKind stretch_time_step() {
    return make_clip_step<StretchTimeSettings>(
        {"stretch_time", "Stretch time", "The same motion, slower or quicker: by a factor, or to a length.",
         StepSubject::clips},
        {clips_parameter<&StretchTimeSettings::clips>(),
         number<&StretchTimeSettings::factor>("factor", "Longer by", "Times as long; either this or the seconds")
             .unit("times")
             .between(1e-3, 1e3)
             .starting(1),
         number<&StretchTimeSettings::seconds>("seconds", "or to last", "How long it is to last")
             .unit("s")
             .between(1e-3, 1e6)},
        apply_stretch_time);
}

StepKind reverse_step() {
    return make_clip_step<ReverseSettings>(
        {"reverse", "Reverse", "Sitting down is standing up the other way around.", StepSubject::clips},
        {clips_parameter<&ReverseSettings::clips>().starting(nlohmann::json::array())}, apply_reverse);
}

} // namespace wembrix
