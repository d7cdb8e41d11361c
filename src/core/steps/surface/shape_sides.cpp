#include "core/steps/surface/shape_sides.h"

#include <Eigen/LU>
#include <algorithm>
#include <map>

namespace wembrix {

Mat3 mesh_to_world(const Scene& scene, int surface) {
    const Node& node = scene.nodes[static_cast<size_t>(surface)];
    const std::vector<Mat4> world = rest_world(scene);
    if (node.skin < 0 || scene.skins[static_cast<size_t>(node.skin)].joints.empty()) {
        return linear_of(world[static_cast<size_t>(surface)]);
    }
    const Skin& skin = scene.skins[static_cast<size_t>(node.skin)];
    return linear_of(world[static_cast<size_t>(skin.joints[0])] * skin.inverse_binds[0]);
}

MorphTarget mirrored_shape(const MorphTarget& shape, const SurfaceMirror& mirror, const Sides& sides,
                           const Mat3& to_world, size_t& unanswered) {
    const Mat3 reflect = Mat3::Identity() - 2 * sides.left * sides.left.transpose();
    const Eigen::Matrix3f across = (to_world.inverse() * reflect * to_world).cast<float>();
    std::map<uint32_t, size_t> places; // vertex that is given a difference, to the place of the one it comes from
    for (size_t v = 0; v < mirror.answers.size(); ++v) {
        const uint32_t from = mirror.answers[v];
        const auto found = from == SurfaceMirror::none
                               ? shape.points.end()
                               : std::lower_bound(shape.points.begin(), shape.points.end(), from);
        if (found != shape.points.end() && *found == from) {
            places.emplace(static_cast<uint32_t>(v), static_cast<size_t>(found - shape.points.begin()));
        }
    }
    for (const uint32_t point : shape.points) {
        unanswered += mirror.answers[point] == SurfaceMirror::none ? 1 : 0;
    }
    std::vector<uint32_t> points;
    std::vector<Vec3f> positions;
    std::vector<Vec3f> normals;
    std::vector<Vec3f> tangents;
    for (const auto& [vertex, place] : places) {
        points.push_back(vertex);
        positions.emplace_back(across * shape.positions[place]);
        if (!shape.normals.empty()) {
            normals.emplace_back(across * shape.normals[place]);
        }
        if (!shape.tangents.empty()) {
            tangents.emplace_back(across * shape.tangents[place]);
        }
    }
    MorphTarget result;
    result.has_normals = shape.has_normals;
    result.has_tangents = shape.has_tangents;
    result.points = std::move(points);
    result.positions = std::move(positions);
    result.normals = std::move(normals);
    result.tangents = std::move(tangents);
    return result;
}

MorphTarget weighted_shape(const MorphTarget& shape, const std::vector<float>& factors) {
    MorphTarget result = shape;
    std::vector<uint32_t> points;
    std::vector<Vec3f> positions;
    std::vector<Vec3f> normals;
    std::vector<Vec3f> tangents;
    for (Attribute& attribute : result.attributes) {
        attribute.data = std::vector<float>();
    }
    for (size_t k = 0; k < shape.points.size(); ++k) {
        const float factor = factors[shape.points[k]];
        if (factor == 0) {
            continue;
        }
        points.push_back(shape.points[k]);
        positions.push_back(factor * shape.positions[k]);
        if (!shape.normals.empty()) {
            normals.push_back(factor * shape.normals[k]);
        }
        if (!shape.tangents.empty()) {
            tangents.push_back(factor * shape.tangents[k]);
        }
        for (size_t a = 0; a < shape.attributes.size(); ++a) {
            const auto width = static_cast<size_t>(shape.attributes[a].width);
            for (size_t c = 0; c < width; ++c) {
                result.attributes[a].data.edit().push_back(factor * shape.attributes[a].data[k * width + c]);
            }
        }
    }
    result.points = std::move(points);
    result.positions = std::move(positions);
    result.normals = std::move(normals);
    result.tangents = std::move(tangents);
    return result;
}

} // namespace wembrix
