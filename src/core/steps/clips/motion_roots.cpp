#include "core/steps/clips/motion_roots.h"

#include <Eigen/LU>
#include <cmath>

namespace wembrix {

namespace {

Mat4 above_of(const std::vector<Mat4>& world, const Scene& scene, int node) {
    const int parent = scene.nodes[node].parent;
    return parent < 0 ? Mat4(Mat4::Identity()) : world[parent];
}

/// A node's local place and turn at a frame; rest where it has no track.
Mat4 local_at(const Scene& scene, const BakedClip& baked, int node, int frame) {
    Transform local = scene.nodes[node].rest;
    if (const BakedTrack* place = baked.find(node, Path::translation)) {
        const float* v = place->at(frame);
        local.translation = Vec3(v[0], v[1], v[2]);
    }
    if (const BakedTrack* turn = baked.find(node, Path::rotation)) {
        const float* v = turn->at(frame);
        local.rotation = Quat(v[3], v[0], v[1], v[2]).normalized();
    }
    return local.matrix();
}

} // namespace

std::set<int> motion_roots_of(const Scene& scene, const BakedClip& baked) {
    std::set<int> moving;
    for (const BakedTrack& track : baked.tracks) {
        if (track.path == Path::translation || track.path == Path::rotation) {
            moving.insert(track.node);
        }
    }
    std::set<int> tops;
    for (const int node : moving) {
        bool covered = false;
        for (int above = scene.nodes[node].parent; above >= 0; above = scene.nodes[above].parent) {
            covered = covered || moving.count(above) != 0;
        }
        if (!covered) {
            tops.insert(node);
        }
    }
    return tops;
}

Mat4 stand_of(const Scene& scene, const BakedClip& baked, int frame) {
    const std::set<int> carriers = motion_roots_of(scene, baked);
    if (carriers.empty()) {
        return Mat4::Identity();
    }
    const std::vector<Mat4> world = rest_world(scene);
    const int node = *carriers.begin();
    const Mat4 now = above_of(world, scene, node) * local_at(scene, baked, node, frame);
    const Quat turn(nearest_rotation(linear_of(now)) * nearest_rotation(linear_of(world[node])).transpose());
    Mat4 stand = translating(Vec3(now(0, 3), 0, now(2, 3)));
    stand.topLeftCorner<3, 3>() = Eigen::AngleAxisd(2 * std::atan2(turn.y(), turn.w()), Vec3::UnitY()).matrix();
    return stand;
}

void aligned(const Scene& scene, const Mat4& by, int first, int last, BakedClip& baked) {
    if (by.isIdentity(1e-12)) {
        return;
    }
    const std::vector<Mat4> world = rest_world(scene);
    for (const int node : motion_roots_of(scene, baked)) {
        // Both properties are needed from here on: a turned way moves what had only one of them.
        BakedClip wanted;
        wanted.tracks.push_back({node, Path::translation, 3, false, {}});
        wanted.tracks.push_back({node, Path::rotation, 4, false, {}});
        add_rest_tracks(scene, wanted, baked);
        const Mat4 above = above_of(world, scene, node);
        const Mat4 own = above.inverse() * by * above;
        const Quat turn(nearest_rotation(linear_of(own)));
        BakedTrack& places = *baked.find(node, Path::translation);
        BakedTrack& turns = *baked.find(node, Path::rotation);
        for (int f = first; f <= last; ++f) {
            float* v = places.at(f);
            std::copy_n(point_of(own, Vec3(v[0], v[1], v[2])).cast<float>().eval().data(), 3, v);
            float* q = turns.at(f);
            std::copy_n((turn * Quat(q[3], q[0], q[1], q[2])).normalized().coeffs().cast<float>().eval().data(), 4, q);
        }
        keep_sign(turns);
    }
}

} // namespace wembrix
