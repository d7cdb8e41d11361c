// The space that the demo's files were made in: Z up, centimetres, under a holder turned back.
#pragma once

#include "core/scene/scene.h"

#include <array>
#include <string>

namespace wembrix::demo {

/// From where Tansy is built (Y up, metres) to what her files hold.
Vec3 to_source(const Vec3& place);
Vec3 to_source_direction(const Vec3& direction);
Quat to_source(const Quat& turn);
/// The turn of the holder that stands the files' contents up again.
Quat source_turn();

Node plain_node(const std::string& name, int parent, NodeKind kind);
/// Adds a material whose colour comes from the points, times `colour`, and returns its place.
int add_material(Scene& scene, const std::string& name, double roughness,
                 const std::array<double, 3>& colour = {1, 1, 1});

} // namespace wembrix::demo
