// A scene posed at a moment, ready to be drawn: points, normals, colours, triangles, joints. No graphics in it.
#pragma once

#include "core/measure/deform.h"
#include "core/measure/facing.h"
#include "core/scene/scene.h"

#include <memory>
#include <string>
#include <vector>

namespace wembrix::app {

class PosedScene {
  public:
    explicit PosedScene(std::shared_ptr<const Scene> scene);
    PosedScene(const PosedScene&) = delete;
    PosedScene& operator=(const PosedScene&) = delete;

    /// Clip by name, or the take that a clip was cut from; empty: the rest pose.
    void choose(const Clip* clip, double start_s);
    void pose_at(double seconds);

    [[nodiscard]] const Scene& scene() const { return *scene_; }
    [[nodiscard]] const Pose& pose() const { return pose_; }
    [[nodiscard]] const std::vector<Vec3f>& points() const { return points_; }
    [[nodiscard]] const std::vector<Vec3f>& normals() const { return normals_; }
    [[nodiscard]] const std::vector<Vec3f>& colours() const { return colours_; } ///< as shown, 0 to 1
    [[nodiscard]] const std::vector<uint32_t>& triangles() const { return triangles_; }
    /// How far the character has gone from its rest place, on the ground.
    [[nodiscard]] Vec3 travelled() const;

  private:
    std::shared_ptr<const Scene> scene_;
    Deformer deformer_;
    std::unique_ptr<Poser> poser_;
    double start_s_ = 0;
    Pose pose_;
    std::vector<Vec3f> points_;
    std::vector<Vec3f> normals_;
    std::vector<Vec3f> colours_;
    std::vector<uint32_t> triangles_;
    std::vector<int> joints_;
    Vec3 rest_middle_ = Vec3::Zero();
};

} // namespace wembrix::app
