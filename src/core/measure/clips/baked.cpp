#include "core/measure/clips/baked.h"

#include "core/measure/clips/sample_frames.h"

#include <algorithm>
#include <optional>
#include <tbb/blocked_range.h>
#include <tbb/parallel_for.h>

namespace wembrix {

BakedTrack* BakedClip::find(int node, Path path) {
    const auto found = std::find_if(tracks.begin(), tracks.end(),
                                    [&](const BakedTrack& track) { return track.node == node && track.path == path; });
    return found == tracks.end() ? nullptr : &*found;
}

const BakedTrack* BakedClip::find(int node, Path path) const {
    return const_cast<BakedClip*>(this)->find(node, path);
}

BakedClip bake_tracks(const Clip& clip, double rate, double from_s, int frames) {
    BakedClip baked;
    baked.rate = rate;
    baked.frames = frames;
    baked.tracks.resize(clip.channels.size());
    tbb::parallel_for(tbb::blocked_range<size_t>(0, clip.channels.size()),
                      [&](const tbb::blocked_range<size_t>& range) {
                          std::optional<Moments> moments; // channels beside one another mostly share their times
                          for (size_t c = range.begin(); c != range.end(); ++c) {
                              const Channel& channel = clip.channels[c];
                              if (!moments || !moments->fit(channel.times)) {
                                  moments.emplace(channel.times, clip.start_s + from_s, rate, frames);
                              }
                              BakedTrack& track = baked.tracks[c];
                              track.node = channel.node;
                              track.path = channel.path;
                              track.width = channel.width;
                              track.stepped = channel.interpolation == Interpolation::step;
                              sample_frames(channel, *moments, track.values);
                          }
                      });
    return baked;
}

BakedClip bake_tracks(const Clip& clip) {
    return bake_tracks(clip, clip.rate, 0, clip.frames());
}

void put_tracks(const BakedClip& baked, double start_s, Clip& clip) {
    std::vector<float> moments(static_cast<size_t>(baked.frames));
    for (int f = 0; f < baked.frames; ++f) {
        moments[static_cast<size_t>(f)] = static_cast<float>(start_s + f / baked.rate);
    }
    const Shared<float> times(std::move(moments));
    std::vector<Channel> channels;
    channels.reserve(baked.tracks.size());
    for (const BakedTrack& track : baked.tracks) {
        const auto was = std::find_if(clip.channels.begin(), clip.channels.end(), [&](const Channel& channel) {
            return channel.node == track.node && channel.path == track.path;
        });
        channels.push_back({track.node, track.path, track.stepped ? Interpolation::step : Interpolation::linear,
                            track.width, times, track.values, was == clip.channels.end() ? Carried{} : was->carried});
    }
    clip.channels = std::move(channels);
    clip.start_s = start_s;
    clip.rate = baked.rate;
    clip.seconds = (baked.frames - 1) / baked.rate;
}

void add_rest_tracks(const Scene& scene, const BakedClip& like, BakedClip& baked) {
    for (const BakedTrack& other : like.tracks) {
        if (baked.find(other.node, other.path) != nullptr) {
            continue;
        }
        BakedTrack track = other;
        const Transform& rest = scene.nodes[other.node].rest;
        std::vector<float> value;
        switch (other.path) {
        case Path::translation:
        case Path::scale: {
            const Vec3f v = (other.path == Path::scale ? rest.scale : rest.translation).cast<float>();
            value.assign(v.data(), v.data() + 3);
            break;
        }
        case Path::rotation: {
            const Eigen::Vector4f q = rest.rotation.coeffs().cast<float>();
            value.assign(q.data(), q.data() + 4);
            break;
        }
        case Path::weights:
            value = scene.rest_shape_weights(other.node);
            value.resize(static_cast<size_t>(other.width), 0.0F);
            break;
        }
        track.values.clear();
        for (int f = 0; f < baked.frames; ++f) {
            track.values.insert(track.values.end(), value.begin(), value.end());
        }
        baked.tracks.push_back(std::move(track));
    }
}

void keep_sign(BakedTrack& rotations) {
    for (size_t i = 4; i + 3 < rotations.values.size(); i += 4) {
        float* now = &rotations.values[i];
        const float* before = now - 4;
        if (now[0] * before[0] + now[1] * before[1] + now[2] * before[2] + now[3] * before[3] < 0) {
            for (int k = 0; k < 4; ++k) {
                now[k] = -now[k];
            }
        }
    }
}

} // namespace wembrix
