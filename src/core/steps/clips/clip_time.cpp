// Another rate, another length, the other way around: what a clip does to time. Keys are moved, not made anew.
#include "core/steps/all.h"
#include "core/steps/clips/chosen_clips.h"
#include "core/steps/parameters.h"

#include <algorithm>
#include <cmath>
#include <fmt/format.h>

namespace wembrix {

namespace {

Result<StepResult> apply_rate(const Scene& scene, const nlohmann::json& json) {
    Parameters parameters(json, {"clips", "rate"});
    const std::vector<std::string> patterns = parameters.texts("clips");
    const std::optional<double> rate = parameters.number("rate");
    if (!rate || !(*rate >= 1 && *rate <= 1000)) {
        parameters.complain("needs \"rate\", between 1 and 1000 frames a second.");
    }
    if (!parameters.ok()) {
        return parameters.problem();
    }
    const Result<std::vector<size_t>> chosen = chosen_clips(scene, patterns);
    if (!chosen) {
        return chosen.problem();
    }
    StepResult result;
    result.scene = scene;
    for (const size_t c : *chosen) {
        Clip& clip = result.scene.clips[c];
        clip.rate = *rate;
        const double whole = std::round(clip.seconds * *rate);
        if (std::abs(whole / *rate - clip.seconds) > 1e-3 / *rate) {
            result.could_not.push_back(fmt::format("“{}” lasts {:.4f} s, which is no whole number of frames at {:g}",
                                                   clip.name, clip.seconds, *rate));
        }
    }
    result.account =
        fmt::format("{} counted at {:g} frames a second; as long as before", clips_said(scene, *chosen), *rate);
    return result;
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

Result<StepResult> apply_stretch(const Scene& scene, const nlohmann::json& json) {
    Parameters parameters(json, {"clips", "factor", "seconds"});
    const std::vector<std::string> patterns = parameters.texts("clips");
    const std::optional<double> factor = parameters.number("factor");
    const std::optional<double> seconds = parameters.number("seconds");
    if (factor.has_value() == seconds.has_value()) {
        parameters.complain("needs either \"factor\" or \"seconds\".");
    }
    if ((factor && !(*factor > 1e-3 && *factor < 1e3)) || (seconds && !(*seconds > 1e-3 && *seconds < 1e6))) {
        parameters.complain("no clip can be that long.");
    }
    if (!parameters.ok()) {
        return parameters.problem();
    }
    const Result<std::vector<size_t>> chosen = chosen_clips(scene, patterns);
    if (!chosen) {
        return chosen.problem();
    }
    StepResult result;
    result.scene = scene;
    for (const size_t c : *chosen) {
        Clip& clip = result.scene.clips[c];
        if (clip.seconds <= 0) {
            result.could_not.push_back(fmt::format("“{}” is one frame long and stays so", clip.name));
            continue;
        }
        const double was = clip.seconds;
        stretch(clip, factor ? *factor : *seconds / clip.seconds);
        // A length that is meant to be whole frames is whole frames.
        const double whole = std::round(clip.seconds * clip.rate) / clip.rate;
        if (std::abs(whole - clip.seconds) > 1e-3 / clip.rate) {
            result.could_not.push_back(
                fmt::format("“{}” lasts {:.4f} s now, which is no whole number of frames at {:g}", clip.name,
                            clip.seconds, clip.rate));
        }
        mark_remade(clip);
        result.account = fmt::format("{}: {:.3f} s → {:.3f} s", clips_said(scene, *chosen), was, clip.seconds);
    }
    return result;
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

Result<StepResult> apply_reverse(const Scene& scene, const nlohmann::json& json) {
    Parameters parameters(json, {"clips"});
    const std::vector<std::string> patterns = parameters.texts("clips");
    if (!parameters.ok()) {
        return parameters.problem();
    }
    const Result<std::vector<size_t>> chosen = chosen_clips(scene, patterns);
    if (!chosen) {
        return chosen.problem();
    }
    StepResult result;
    result.scene = scene;
    for (const size_t c : *chosen) {
        reverse(result.scene.clips[c]);
        mark_remade(result.scene.clips[c]);
    }
    result.account = fmt::format("{} from the last frame to the first", clips_said(scene, *chosen));
    return result;
}

} // namespace

StepKind change_rate_step() {
    return {"change_rate",
            "Change the rate",
            "A project counts frames one way; clips that count another way end on frames that are not there.",
            true,
            {{"clips", "Clips", StepField::Kind::clips, "one a line, * and ? allowed; none: all"},
             {"rate", "Rate", StepField::Kind::number, "frames a second"}},
            [] {
                return nlohmann::json{{"rate", 30}};
            },
            apply_rate,
            true};
}

StepKind stretch_time_step() {
    return {"stretch_time",
            "Stretch time",
            "The same motion, slower or quicker: by a factor, or to a length.",
            false,
            {{"clips", "Clips", StepField::Kind::clips, "one a line, * and ? allowed; none: all"},
             {"factor", "Longer by", StepField::Kind::number, "times; or"},
             {"seconds", "To last", StepField::Kind::number, "s"}},
            [] {
                return nlohmann::json{{"factor", 1}};
            },
            apply_stretch,
            true};
}

StepKind reverse_step() {
    return {"reverse",
            "Reverse",
            "Sitting down is standing up the other way around.",
            false,
            {{"clips", "Clips", StepField::Kind::clips, "one a line, * and ? allowed; none: all"}},
            [] {
                return nlohmann::json{{"clips", nlohmann::json::array()}};
            },
            apply_reverse,
            true};
}

} // namespace wembrix
