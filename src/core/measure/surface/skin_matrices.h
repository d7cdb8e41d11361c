// Where each vertex of a surface goes in a pose, as one matrix a vertex, and the way back.
#pragma once

#include "core/measure/skeleton/pose.h"
#include "core/scene/scene.h"

#include <vector>

namespace wembrix {

/// One 3x4 matrix a vertex, from the mesh's own space to the world: the sum of its joints' world times inverse bind, by
/// weight; of a surface without a skin the node's. Metres. 96 bytes a vertex.
std::vector<Eigen::Matrix<double, 3, 4>> skin_matrices(const Scene& scene, int node, const Pose& pose);

/// Where in the mesh's own space vertices lie that a skin matrix takes to `places`; false in `possible` where the
/// matrix cannot be inverted (its condition is worse than 1e4).
struct BroughtBack {
    std::vector<Vec3> places;
    std::vector<char> possible;
    size_t impossible = 0;
};
BroughtBack bring_back(const std::vector<Eigen::Matrix<double, 3, 4>>& matrices, const std::vector<Vec3f>& places);

/// Positions of the mesh with its shapes in as the pose says, in the mesh's own space.
std::vector<Vec3> shaped_positions(const Scene& scene, int node, const Pose& pose);

} // namespace wembrix
