#include "core/measure/skeleton/pose.h"

#include "core/measure/clips/sample.h"

#include <algorithm>

namespace wembrix {

Poser::Poser(const Scene& scene, const Clip* clip) : scene_(scene), clip_(clip) {
    shape_offset_.assign(scene.nodes.size(), -1);
    for (size_t i = 0; i < scene.nodes.size(); ++i) {
        if (scene.nodes[i].mesh >= 0) {
            shape_offset_[i] = static_cast<int>(rest_weights_.size());
            const std::vector<float> weights = scene.rest_shape_weights(static_cast<int>(i));
            rest_weights_.insert(rest_weights_.end(), weights.begin(), weights.end());
        }
    }
}

void Poser::at(double seconds, Pose& pose) const {
    const size_t count = scene_.nodes.size();
    pose.local.resize(count);
    pose.world.resize(count);
    for (size_t i = 0; i < count; ++i) {
        pose.local[i] = scene_.nodes[i].rest;
    }
    pose.shape_weights.resize(rest_weights_.size());
    std::copy(rest_weights_.begin(), rest_weights_.end(), pose.shape_weights.begin());
    if (clip_ != nullptr) {
        double value[4];
        thread_local std::vector<double> weights;
        const double at = clip_->start_s + seconds;
        pose.near_keys.resize(std::max(pose.near_keys.size(), clip_->channels.size()));
        uint32_t* near = pose.near_keys.data();
        for (const Channel& channel : clip_->channels) {
            uint32_t& key = *near++;
            Transform& local = pose.local[channel.node];
            switch (channel.path) {
            case Path::translation:
                sample_channel(channel, at, value, key);
                local.translation = Vec3(value[0], value[1], value[2]);
                break;
            case Path::rotation:
                sample_channel(channel, at, value, key);
                local.rotation = Quat(value[3], value[0], value[1], value[2]);
                break;
            case Path::scale:
                sample_channel(channel, at, value, key);
                local.scale = Vec3(value[0], value[1], value[2]);
                break;
            case Path::weights: {
                weights.resize(std::max<size_t>(weights.size(), channel.width));
                sample_channel(channel, at, weights.data(), key);
                const int offset = shape_offset_[channel.node];
                for (int i = 0; offset >= 0 && i < channel.width; ++i) {
                    pose.shape_weights[offset + i] = static_cast<float>(weights[i]);
                }
                break;
            }
            }
        }
    }
    for (size_t i = 0; i < count; ++i) {
        const int parent = scene_.nodes[i].parent;
        if (parent < 0) {
            pose.world[i] = pose.local[i].matrix();
        } else {
            pose.world[i].noalias() = pose.world[parent] * pose.local[i].matrix();
        }
    }
}

Pose Poser::rest() const {
    Pose pose;
    Poser(scene_, nullptr).at(0, pose);
    return pose;
}

} // namespace wembrix
