#include "core/destination/clip_keys.h"

#include "core/destination/conform.h"
#include "core/formats/format.h"
#include "core/measure/clips/fewest_keys.h"
#include "core/measure/clips/sample.h"

#include <algorithm>
#include <cmath>

namespace wembrix {

namespace {

constexpr double same_moment_s = 1e-6;

size_t stride_of(const Channel& channel) {
    return static_cast<size_t>(channel.width) * (channel.interpolation == Interpolation::cubic ? 3 : 1);
}

/// How fast a cubic channel changes at a moment between its keys `key` and the next: the derivative of glTF's Hermite
/// curve (glTF 2.0, appendix C), a second.
std::vector<float> slope_at(const Channel& channel, size_t key, double seconds) {
    const auto width = static_cast<size_t>(channel.width);
    const double t0 = channel.times[key];
    const double span = static_cast<double>(channel.times[key + 1]) - t0;
    const double u = span > 0 ? (seconds - t0) / span : 0;
    const float* a = channel.values.data() + key * stride_of(channel);
    const float* b = a + stride_of(channel);
    std::vector<float> slope;
    for (size_t i = 0; i < width; ++i) {
        const double v0 = a[width + i];
        const double m0 = a[2 * width + i];
        const double v1 = b[width + i];
        const double m1 = b[i];
        const double rise = span > 0 ? (6 * u * u - 6 * u) * (v0 - v1) / span : 0;
        slope.push_back(static_cast<float>(rise + (3 * u * u - 4 * u + 1) * m0 + (3 * u * u - 2 * u) * m1));
    }
    return slope;
}

/// Adds a key at a moment where the channel has none.
void add_key(const Channel& channel, double seconds, std::vector<float>& values) {
    std::vector<double> at(static_cast<size_t>(channel.width));
    sample_channel(channel, seconds, at.data());
    const auto put_value = [&] {
        for (const double v : at) {
            values.push_back(static_cast<float>(v));
        }
    };
    if (channel.interpolation != Interpolation::cubic) {
        put_value();
        return;
    }
    const auto next = std::upper_bound(channel.times.begin(), channel.times.end(), static_cast<float>(seconds));
    std::vector<float> slope(at.size(), 0.0F);
    if (next != channel.times.begin() && next != channel.times.end()) {
        slope = slope_at(channel, static_cast<size_t>(next - channel.times.begin()) - 1, seconds);
    }
    values.insert(values.end(), slope.begin(), slope.end());
    put_value();
    values.insert(values.end(), slope.begin(), slope.end());
}

/// Times are single precision: late in a take a key that was made for a frame lies a little beside it. On the clip's
/// own clock it is the frame's again, so that a step that happens there does not happen a frame later.
double on_frame(double seconds, double taken_at, double rate) {
    const double frame = std::round(seconds * rate) / rate;
    return std::abs(frame - seconds) <= same_moment_s + 2e-7 * std::abs(taken_at) ? frame : seconds;
}

Channel cut_channel(const Channel& channel, double start, double seconds, double rate) {
    Channel cut = channel;
    std::vector<float> times;
    std::vector<float> values;
    const size_t stride = stride_of(channel);
    const double end = start + seconds;
    const std::vector<float>& all = channel.times.get();
    const auto is_at = [](float time, double moment) {
        return std::abs(time - moment) <= same_moment_s + 2e-7 * std::abs(moment);
    };
    const bool key_at_start = std::any_of(all.begin(), all.end(), [&](float time) { return is_at(time, start); });
    const bool key_at_end = std::any_of(all.begin(), all.end(), [&](float time) { return is_at(time, end); });
    const bool begins_before = !all.empty() && all.front() < start;
    const bool goes_on = !all.empty() && all.back() > end;
    if (!all.empty() && !key_at_start && (begins_before || all.front() > end)) {
        times.push_back(0);
        add_key(channel, start, values);
    }
    for (size_t k = 0; k < all.size(); ++k) {
        const bool inside = (all[k] > start && all[k] < end) || is_at(all[k], start) || is_at(all[k], end);
        if (inside) {
            const double at = is_at(all[k], start) ? 0
                              : is_at(all[k], end) ? seconds
                                                   : on_frame(all[k] - start, all[k], rate);
            times.push_back(static_cast<float>(at));
            const auto from = channel.values.begin() + static_cast<ptrdiff_t>(k * stride);
            values.insert(values.end(), from, from + static_cast<ptrdiff_t>(stride));
        }
    }
    if (!key_at_end && goes_on && (begins_before || !times.empty()) && all.front() <= end && seconds > 0) {
        times.push_back(static_cast<float>(seconds));
        add_key(channel, end, values);
    }
    cut.times = std::move(times);
    cut.values = std::move(values);
    return cut;
}

/// Every key of a channel says the same.
bool is_still(const Channel& channel) {
    const auto width = static_cast<size_t>(channel.width);
    const size_t stride = stride_of(channel);
    const bool cubic = channel.interpolation == Interpolation::cubic;
    const float* first = channel.values.data() + (cubic ? width : 0);
    for (size_t k = 0; k * stride < channel.values.size(); ++k) {
        const float* row = channel.values.data() + k * stride;
        for (size_t i = 0; i < width; ++i) {
            const float tolerance = 1e-6F * std::max(1.0F, std::abs(first[i]));
            if (std::abs((cubic ? row[width + i] : row[i]) - first[i]) > tolerance ||
                (cubic && (std::abs(row[i]) > 1e-6F || std::abs(row[2 * width + i]) > 1e-6F))) {
                return false;
            }
        }
    }
    return true;
}

std::vector<float> rest_of(const Scene& scene, const Channel& channel) {
    const Node& node = scene.nodes[static_cast<size_t>(channel.node)];
    switch (channel.path) {
    case Path::translation:
    case Path::scale: {
        const Vec3f v = (channel.path == Path::scale ? node.rest.scale : node.rest.translation).cast<float>();
        return {v.x(), v.y(), v.z()};
    }
    case Path::rotation: {
        const Eigen::Vector4f q = node.rest.rotation.coeffs().cast<float>();
        return {q.x(), q.y(), q.z(), q.w()};
    }
    case Path::weights:
        break;
    }
    return scene.rest_shape_weights(channel.node);
}

bool says_the_rest_pose(const Scene& scene, const Channel& channel) {
    const std::vector<float> rest = rest_of(scene, channel);
    const size_t first = channel.interpolation == Interpolation::cubic ? static_cast<size_t>(channel.width) : 0;
    double apart = 0;
    double other_sign = 0;
    for (size_t i = 0; i < rest.size(); ++i) {
        apart = std::max<double>(apart, std::abs(channel.values[first + i] - rest[i]));
        other_sign = std::max<double>(other_sign, std::abs(channel.values[first + i] + rest[i]));
    }
    return apart <= 1e-6 || (channel.path == Path::rotation && other_sign <= 1e-6);
}

/// Channels that never move: away where they say what the file rests in, else a key at both ends.
void leave_still_channels(const Scene& scene, Clip& clip) {
    std::erase_if(clip.channels, [&](const Channel& channel) {
        return channel.times.empty() || (is_still(channel) && says_the_rest_pose(scene, channel));
    });
    for (Channel& channel : clip.channels) {
        if (channel.times.size() > 2 && is_still(channel)) {
            const size_t stride = stride_of(channel);
            std::vector<float> times = {channel.times.get().front(), channel.times.get().back()};
            std::vector<float> values(channel.values.begin(), channel.values.begin() + static_cast<ptrdiff_t>(stride));
            values.insert(values.end(), channel.values.end() - static_cast<ptrdiff_t>(stride), channel.values.end());
            channel.times = std::move(times);
            channel.values = std::move(values);
        }
    }
}

/// One key of what it rests in for every property of a joint that the clip leaves alone.
void key_still_joints(const Scene& scene, Clip& clip) {
    for (const int joint : joints_of(scene)) {
        for (const Path path : {Path::translation, Path::rotation, Path::scale}) {
            const bool keyed = std::any_of(clip.channels.begin(), clip.channels.end(), [&](const Channel& channel) {
                return channel.node == joint && channel.path == path && !channel.times.empty();
            });
            if (!keyed) {
                Channel channel{joint, path, Interpolation::linear, path == Path::rotation ? 4 : 3, {}, {}, {}};
                channel.times = std::vector<float>{0};
                channel.values = rest_of(scene, channel);
                clip.channels.push_back(std::move(channel));
            }
        }
    }
}

/// A file's clip ends with its last key: the first channel holds what it has to the end where no other goes there.
void hold_to_the_end(Clip& clip) {
    const auto end = static_cast<float>(clip.seconds);
    const bool reached = std::any_of(clip.channels.begin(), clip.channels.end(), [&](const Channel& channel) {
        return !channel.times.empty() && channel.times.get().back() >= end - 1e-6F;
    });
    for (Channel& channel : clip.channels) {
        if (reached || channel.times.empty()) {
            continue;
        }
        const auto width = static_cast<size_t>(channel.width);
        const bool cubic = channel.interpolation == Interpolation::cubic;
        const size_t value = channel.values.size() - (cubic ? 2 * width : width);
        const std::vector<float> last(channel.values.begin() + static_cast<ptrdiff_t>(value),
                                      channel.values.begin() + static_cast<ptrdiff_t>(value + width));
        std::vector<float>& values = channel.values.edit();
        if (cubic) { // level from its last key on
            std::fill(values.end() - static_cast<ptrdiff_t>(width), values.end(), 0.0F);
            values.insert(values.end(), width, 0.0F);
        }
        values.insert(values.end(), last.begin(), last.end());
        values.insert(values.end(), cubic ? width : 0, 0.0F);
        channel.times.edit().push_back(end);
        return;
    }
}

/// Channels with keys of their own need times of their own, which those at every frame share: where a file would not
/// get smaller, a channel keeps its keys. Figures of glTF's JSON; packed, keys at every frame take about a third.
Clip fewer_where_it_pays(Clip clip, Clip thinned, bool packed) {
    const double share = packed ? 0.3 : 1;
    const double more = packed ? 330 : 180; // bytes that describe one more list
    for (size_t c = 0; c < clip.channels.size(); ++c) {
        const auto all = static_cast<double>(clip.channels[c].times.size());
        const auto kept = static_cast<double>(thinned.channels[c].times.size());
        const double a_key = 4.0 * clip.channels[c].width;
        if (kept <= 1 || share * (all * a_key - kept * (a_key + 4)) > more) {
            clip.channels[c] = std::move(thinned.channels[c]);
        }
    }
    return clip;
}

} // namespace

double rate_for(const Clip& clip, const Destination& destination) {
    const bool at_its_rate =
        destination.clip_keys == ClipKeys::every_frame || destination.clip_keys == ClipKeys::fewest;
    return at_its_rate ? destination.rate : clip.rate;
}

double seconds_in_file(const Clip& part, const Destination& destination) {
    const double rate = rate_for(part, destination);
    return keeps_keys(destination) ? part.seconds : std::ceil(part.seconds * rate - 1e-3) / rate;
}

bool ends_on_its_first_pose(const Clip& clip) {
    if (clip.last_is_first) {
        return true;
    }
    if (clip.frames() < 3) {
        return false;
    }
    bool moves = false;
    for (const Channel& channel : clip.channels) {
        if (channel.times.empty()) {
            continue;
        }
        const auto width = static_cast<size_t>(channel.width);
        std::vector<double> first(width);
        std::vector<double> last(width);
        sample_channel(channel, clip.start_s, first.data());
        sample_channel(channel, clip.start_s + clip.seconds, last.data());
        double sign = 1;
        if (channel.path == Path::rotation) {
            double dot = 0;
            for (size_t i = 0; i < width; ++i) {
                dot += first[i] * last[i];
            }
            sign = dot < 0 ? -1 : 1;
        }
        for (size_t i = 0; i < width; ++i) {
            if (std::abs(first[i] - sign * last[i]) > 1e-4 * std::max(1.0, std::abs(first[i]))) {
                return false;
            }
        }
        moves = moves || !is_still(channel);
    }
    return moves;
}

Clip shown_part(const Clip& clip, const Destination& destination) {
    Clip part = clip;
    if (clip.loop && !destination.keep_last && clip.frames() > 2 && ends_on_its_first_pose(clip)) {
        part.seconds -= 1 / rate_for(clip, destination);
    }
    return part;
}

Clip cut_keys(const Clip& clip) {
    Clip cut = clip;
    cut.start_s = 0;
    for (Channel& channel : cut.channels) {
        channel = cut_channel(channel, clip.start_s, clip.seconds, clip.rate);
    }
    std::erase_if(cut.channels, [](const Channel& channel) { return channel.times.empty(); });
    return cut;
}

bool keeps_keys(const Destination& destination) {
    const Format* format = format_with_id(destination.container);
    return destination.clip_keys == ClipKeys::as_prepared && format != nullptr &&
           has(format->writes, Content::curved_keys);
}

Clip keys_for(const Scene& scene, const Clip& part, const Destination& destination) {
    Clip clip;
    if (keeps_keys(destination)) {
        clip = cut_keys(channels_that_go_out(scene, part));
        if (destination.still_channels) {
            key_still_joints(scene, clip);
        } else {
            leave_still_channels(scene, clip);
        }
        hold_to_the_end(clip);
        return clip;
    }
    clip = bake_clip(scene, part, rate_for(part, destination));
    const Format* format = format_with_id(destination.container);
    if (format == nullptr || !has(format->writes, Content::curved_keys)) {
        return clip;
    }
    if (destination.clip_keys == ClipKeys::fewest) {
        constexpr double share = 0.5; // the rest of the limit is for all else that a file rounds
        const bool packed = destination.options_of(format->id).value("compression", nlohmann::json()) == "meshopt";
        Clip thinned = fewest_keys(scene, clip, share * destination.drift_limit_mm).clip;
        clip = fewer_where_it_pays(clip, std::move(thinned), packed);
        hold_to_the_end(clip);
    }
    if (!destination.still_channels) {
        Clip all = clip;
        leave_still_channels(scene, clip);
        if (clip.channels.empty() && !all.channels.empty()) {
            all.channels.resize(1); // a file's clip has to have something
            clip = std::move(all);
        }
        hold_to_the_end(clip);
    }
    return clip;
}

} // namespace wembrix
