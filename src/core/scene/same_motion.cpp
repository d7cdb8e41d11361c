#include "core/scene/same_motion.h"

#include <algorithm>

namespace wembrix {

namespace {

template <typename T, typename Same> bool all_same(const std::vector<T>& a, const std::vector<T>& b, const Same& same) {
    return std::equal(a.begin(), a.end(), b.begin(), b.end(), same);
}

bool same_rows(const Influences& a, const Influences& b) {
    return a.offsets.same_array(b.offsets) && a.joints.same_array(b.joints) && a.weights.same_array(b.weights);
}

bool same_node(const Node& a, const Node& b) {
    return a.parent == b.parent && a.kind == b.kind && a.rest == b.rest && a.identity == b.identity &&
           a.mesh == b.mesh && a.skin == b.skin && same_rows(a.influences, b.influences) &&
           a.shape_weights == b.shape_weights;
}

bool same_shape(const MorphTarget& a, const MorphTarget& b) {
    return a.points.same_array(b.points) && a.positions.same_array(b.positions);
}

bool same_mesh(const Mesh& a, const Mesh& b) {
    return a.positions.same_array(b.positions) && a.shape_weights == b.shape_weights &&
           all_same(a.shapes, b.shapes, same_shape);
}

bool same_skin(const Skin& a, const Skin& b) {
    return a.joints == b.joints && all_same(a.inverse_binds, b.inverse_binds, [](const Mat4& m, const Mat4& n) {
               return (m.array() == n.array()).all();
           });
}

bool same_channel(const Channel& a, const Channel& b) {
    return a.node == b.node && a.path == b.path && a.interpolation == b.interpolation && a.width == b.width &&
           a.times.same_array(b.times) && a.values.same_array(b.values);
}

} // namespace

bool is_same_body(const Scene& a, const Scene& b) {
    return all_same(a.nodes, b.nodes, same_node) && all_same(a.meshes, b.meshes, same_mesh) &&
           all_same(a.skins, b.skins, same_skin);
}

bool has_same_keys(const Clip& x, const Clip& y) {
    return all_same(x.channels, y.channels, same_channel);
}

bool is_same_motion(const Scene& a, const Clip& x, const Scene& b, const Clip& y) {
    return x.take == y.take && x.start_s == y.start_s && x.seconds == y.seconds && x.rate == y.rate &&
           x.loop == y.loop && x.last_is_first == y.last_is_first && has_same_keys(x, y) && is_same_body(a, b) &&
           all_same(a.nodes, b.nodes, [](const Node& m, const Node& n) { return m.name == n.name; });
}

} // namespace wembrix
