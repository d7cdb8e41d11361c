// A scene posed at a moment, ready to be drawn: points, normals, colours, triangles, joints. No graphics in it.
#pragma once

#include "core/measure/scene/facing.h"
#include "core/measure/surface/deform.h"
#include "core/scene/scene.h"

#include <memory>
#include <span>
#include <string>
#include <vector>

namespace wembrix::app {

/// Weights of one surface's shapes that hold whatever the clip says: one a shape, below -1e9 where the clip has its
/// say.
struct HeldShapes {
    int64_t surface = 0; ///< identity of its node
    std::vector<float> weights;
};

/// A joint that stands otherwise than the clip says while it is dragged.
struct HeldLocal {
    int node = -1;
    Transform is; ///< under its parent
};

class PosedScene {
  public:
    /// `only` limits it to some surface nodes; empty: all of them.
    explicit PosedScene(std::shared_ptr<const Scene> scene, const std::vector<int>& only = {});
    PosedScene(const PosedScene&) = delete;
    PosedScene& operator=(const PosedScene&) = delete;

    /// Clip by name, or the take that a clip was cut from; empty: the rest pose.
    void choose(const Clip* clip, double start_s);
    /// The frames of caches of that name play instead of what joints do to what they are of; empty: none.
    void play_caches(const std::string& name);
    /// The points of a node in a cache that plays, at the moment that was posed last, world; false: none plays.
    [[nodiscard]] bool cached_points(int node, std::span<Vec3f> out) const;
    /// One local transform a node, instead of a clip.
    void choose_pose(std::vector<Transform> locals);
    void hold_shapes(std::vector<HeldShapes> held) { held_ = std::move(held); }
    /// Until they are let go (empty).
    void hold_locals(std::vector<HeldLocal> held);
    /// Other weights for one vertex of a surface node, until another scene is posed.
    void set_row(int node, uint32_t vertex, const WeightRow& row);
    /// `from` is where it goes on from: nothing, or the way and turn of the rounds of a repeat before this one.
    void pose_at(double seconds, const Mat4& from = Mat4::Identity());

    [[nodiscard]] const Scene& scene() const { return *scene_; }
    [[nodiscard]] const std::shared_ptr<const Scene>& shared_scene() const { return scene_; }
    [[nodiscard]] const std::vector<Deformer::Surface>& surfaces() const { return deformer_.surfaces(); }
    [[nodiscard]] const std::vector<Side>& sides() const { return sides_; } ///< of each node, handed down its chain
    [[nodiscard]] const Pose& pose() const { return pose_; }
    /// The pose without what is held.
    [[nodiscard]] const Pose& free_pose() const { return held_locals_.empty() ? pose_ : free_; }
    [[nodiscard]] size_t point_count() const { return points_.size(); }
    /// Surfaces follow a pose when somebody asks where they are. Not from two threads.
    [[nodiscard]] const std::vector<Vec3f>& points() const {
        deform();
        return points_;
    }
    [[nodiscard]] const std::vector<Vec3f>& normals() const {
        deform();
        return normals_;
    }
    [[nodiscard]] const std::vector<Vec3f>& colours() const { return colours_; } ///< as shown, 0 to 1
    [[nodiscard]] const std::vector<uint32_t>& triangles() const { return triangles_; }
    /// True for a joint that holds nothing and has only such joints above it: it moves the whole, it is no bone.
    [[nodiscard]] bool is_motion_root(size_t node) const { return motion_roots_[node] != 0; }
    /// How far the character has gone from its rest place, on the ground.
    [[nodiscard]] Vec3 travelled() const;

  private:
    void stand_held();
    void deform() const;

    std::shared_ptr<const Scene> scene_;
    mutable Deformer deformer_;
    std::unique_ptr<Poser> poser_;
    double start_s_ = 0;
    double posed_s_ = 0;
    std::vector<const PointCache*> playing_;
    std::vector<Transform> still_; ///< empty: the poser's
    std::vector<HeldShapes> held_;
    std::vector<HeldLocal> held_locals_;
    Pose pose_;
    Pose free_;
    mutable bool is_behind_ = false; ///< the surfaces stand in an earlier pose
    mutable std::vector<Vec3f> points_;
    mutable std::vector<Vec3f> normals_;
    std::vector<Vec3f> colours_;
    std::vector<uint32_t> triangles_;
    std::vector<int> joints_;
    std::vector<Side> sides_;
    std::vector<char> motion_roots_;
    std::vector<char> goes_; ///< joints and what hangs on them
    Vec3 rest_middle_ = Vec3::Zero();
};

} // namespace wembrix::app
