// What the parts of retargeting a clip share.
#pragma once

#include "core/measure/clips/baked.h"
#include "core/retarget/retarget_clip.h"

#include <algorithm>

namespace wembrix {

namespace retargeting {

constexpr double full_reach = 0.98; ///< of a limb's length: it is not asked to be straighter than that, or than it was
constexpr double blend_s = 0.2;     ///< into a stand and out of it
constexpr double held_below_m = 1e-9; ///< what is there already is left alone

inline size_t at_(int node) {
    return static_cast<size_t>(node);
}

inline Vec3 place_in(const std::vector<Mat4>& world, int node) {
    return world[at_(node)].topRightCorner<3, 1>();
}

inline double smooth_step(double t) {
    t = std::clamp(t, 0.0, 1.0);
    return t * t * (3 - 2 * t);
}

} // namespace retargeting

struct Retargeter::Source {
    BakedClip baked;
    struct Tracks {
        const BakedTrack* rotation = nullptr; ///< null: as at rest
        const BakedTrack* translation = nullptr;
        const BakedTrack* scale = nullptr;
    };
    std::vector<Tracks> of; ///< one a node
    /// What is read for every joint at every frame, close together: those of `source_nodes_`, in their order.
    struct Turned {
        int node = -1;
        int parent = -1;
        const float* values = nullptr; ///< four a frame; null: as at rest
        Quat rest = Quat::Identity();
    };
    std::vector<Turned> turned;
};

struct Retargeter::Frame {
    std::vector<Quat> source_turn; ///< one a node of the source, in its world
    std::vector<Vec3> source_place;
    std::vector<Vec3> source_scale;
    std::vector<Vec3> source_at; ///< one a link: its source joint, upright, metres of the source
    std::vector<Quat> turn;      ///< one a node of the target, in the world
    std::vector<Vec3> at;        ///< one a node of the target
    Vec3 sunk = Vec3::Zero();    ///< added to the pelvis
};

struct Retargeter::Steps {
    std::vector<std::vector<Vec3>> ends; ///< one a limb, one a frame
    std::vector<double> sink;            ///< one a frame
    std::vector<HandHold> holds;
};

struct Retargeter::Track {
    int link = -1;                     ///< of the foot, the hand or the prop
    std::vector<Vec3> hip, knee, foot; ///< of the target, one a frame; of a prop only the last
    std::vector<Vec3> source;          ///< of the source, upright
    std::vector<Quat> source_turn;     ///< of a prop
};

} // namespace wembrix
