// Clips: nothing moves, keys outside the range, a repeat that does not close.
#include "core/base/counted.h"
#include "core/base/text.h"
#include "core/findings/finding.h"
#include "core/measure/clips/seam.h"
#include "core/measure/scene/bounds.h"
#include "core/steps/names.h"

#include <algorithm>
#include <cmath>

namespace wembrix {

namespace {

/// True when a channel's value changes between two of the keys that the clip's range touches.
bool changes(const Channel& channel, const Clip& clip) {
    const auto& times = channel.times.get();
    auto first = std::upper_bound(times.begin(), times.end(), static_cast<float>(clip.start_s));
    first = first == times.begin() ? first : first - 1;
    auto last = std::lower_bound(first, times.end(), static_cast<float>(clip.start_s + clip.seconds));
    last = last == times.end() ? last : last + 1;
    const bool cubic = channel.interpolation == Interpolation::cubic;
    const auto width = static_cast<size_t>(channel.width);
    const size_t stride = width * (cubic ? 3 : 1);
    const float* values = channel.values.data() + (cubic ? width : 0);
    const auto from = static_cast<size_t>(first - times.begin());
    for (auto key = from; key < static_cast<size_t>(last - times.begin()); ++key) {
        for (size_t k = 0; k < width; ++k) {
            if (std::abs(values[key * stride + k] - values[from * stride + k]) > 1e-6F) {
                return true;
            }
        }
    }
    return false;
}

} // namespace

std::vector<Finding> find_still_clips(const FindingContext& context) {
    std::vector<Finding> findings;
    for (const Clip& clip : context.scene.clips) {
        const bool moves = std::any_of(clip.channels.begin(), clip.channels.end(),
                                       [&](const Channel& channel) { return changes(channel, clip); });
        if (moves) {
            continue;
        }
        Finding finding;
        finding.grade = Grade::look;
        finding.where = clip.name;
        finding.clip = clip.name;
        finding.message = phrase("Nothing moves in “{}”", clip.name);
        finding.reason = phrase("{}, {} keyed properties, and none of them changes.", counted(clip.frames(), "frame"),
                                clip.channels.size());
        finding.step = Step{"leave_behind", {{"names", nlohmann::json::array({clip.name})}}};
        findings.push_back(std::move(finding));
    }
    return findings;
}

std::vector<Finding> find_stray_keys(const FindingContext& context) {
    std::vector<Finding> findings;
    for (const Clip& clip : context.scene.clips) {
        if (clip.cut) {
            continue; // its range was chosen by a person; keys beyond it are the take's
        }
        size_t before = 0;
        double first = 1e300;
        for (const Channel& channel : clip.channels) {
            for (const float time : channel.times) {
                before += time < -1e-6F ? 1 : 0;
            }
            first = channel.times.empty() ? first : std::min(first, static_cast<double>(channel.times[0]));
        }
        const bool late = first < 1e299 && first - clip.start_s > 1 / clip.rate + 1e-4;
        if (before == 0 && !late) {
            continue;
        }
        Finding finding;
        finding.grade = Grade::look;
        finding.where = clip.name;
        finding.clip = clip.name;
        finding.frame = 0;
        if (before > 0) {
            finding.message = phrase("“{}” has {} before its first frame", clip.name, counted(before, "key"));
            finding.reason =
                phrase("The earliest is at {:.3f} s; readers clip or shift such keys, each its own way.", first);
        } else {
            finding.message = phrase("“{}” begins to move only after {:.2f} s", clip.name, first - clip.start_s);
            finding.reason = "Its first key lies there; what comes before holds still and is delivered all the same.";
        }
        const int from = std::max(0, static_cast<int>(std::floor((first - clip.start_s) * clip.rate + 1e-3)));
        if (clip.frames() - 1 > from) {
            finding.step = Step{
                "split_take",
                {{"take", clip.name},
                 {"clips", nlohmann::json::array(
                               {{{"name", clip.name + "_trimmed"}, {"start", from}, {"end", clip.frames() - 1}}})}}};
        } else {
            finding.no_step = "there is nothing of it inside its range";
        }
        findings.push_back(std::move(finding));
    }
    return findings;
}

std::vector<Finding> find_open_loops(const FindingContext& context) {
    std::vector<Finding> findings;
    const double height = height_m(context.scene);
    for (const Clip& clip : context.scene.clips) {
        if (!clip.loop || clip.frames() < 3) {
            continue;
        }
        const Seam seam = measure_seam(context.scene, clip, height);
        if (seam.closes(height)) {
            continue;
        }
        Finding finding;
        finding.grade = Grade::look;
        finding.where = clip.name;
        finding.clip = clip.name;
        finding.frame = clip.frames() - 1;
        finding.message = phrase("“{}” does not close", clip.name);
        finding.reason = phrase("Its last pose is {:.0f} mm ({}) and {:.0f}° ({}) from its first.", seam.apart_mm,
                                seam.apart_at, seam.turned_deg, seam.turned_joint);
        if (seam.apart_mm >= seam.turned_deg) {
            finding.nodes = {seam.apart_at};
        } else {
            finding.nodes = {seam.turned_joint};
        }
        const int blend = std::min(8, clip.frames() - 2);
        finding.step = Step{"close_loop", {{"clip", clip.name}, {"mode", "blend"}, {"frames", blend}}};
        findings.push_back(std::move(finding));
    }
    return findings;
}

} // namespace wembrix
