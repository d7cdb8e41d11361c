#include "valid_scene.h"

#include <cmath>
#include <fmt/format.h>
#include <set>

namespace wembrix::testing {

namespace {

class Look {
  public:
    explicit Look(const Scene& looked_at) : scene(looked_at) {}

    std::string run() {
        nodes();
        skins();
        for (const Mesh& mesh : scene.meshes) {
            surface(mesh);
        }
        for (const Texture& texture : scene.textures) {
            place(texture.image, scene.images, "image of " + texture.name);
            place(texture.sampler, scene.samplers, "sampler of " + texture.name);
        }
        std::set<std::string> names;
        for (const Clip& one : scene.clips) {
            need(names.insert(one.name).second, "two clips called " + one.name);
            clip(one);
        }
        return wrong_;
    }

  private:
    void need(bool holds, const std::string& what) {
        if (!holds && wrong_.empty()) {
            wrong_ = what;
        }
    }
    template <typename T> void place(int at, const std::vector<T>& list, const std::string& what) {
        need(at < static_cast<int>(list.size()), what + " is not there");
    }
    template <typename T> void finite(const T& values, const std::string& what) {
        for (const auto& value : values) {
            need(std::isfinite(value), what + " has a number that is none");
        }
    }

    void nodes() {
        std::set<std::string> names;
        std::set<int64_t> identities;
        for (size_t n = 0; n < scene.nodes.size(); ++n) {
            const Node& node = scene.nodes[n];
            need(names.insert(node.name).second, "two nodes called " + node.name);
            need(node.identity == 0 || identities.insert(node.identity).second, "two nodes that are one: " + node.name);
            need(node.parent < static_cast<int>(n), node.name + " stands before its parent");
            place(node.mesh, scene.meshes, "mesh of " + node.name);
            place(node.skin, scene.skins, "skin of " + node.name);
            place(node.camera, scene.cameras, "camera of " + node.name);
            place(node.light, scene.lights, "light of " + node.name);
            place(node.curves, scene.curve_sets, "curves of " + node.name);
            place(node.hull, scene.hulls, "hull of " + node.name);
            need(node.rest.translation.allFinite() && node.rest.scale.allFinite(), node.name + " rests nowhere");
            need(std::abs(node.rest.rotation.norm() - 1) < 1e-6, node.name + " has a rotation that is not of length 1");
            if (wrong_.empty() && node.mesh >= 0 && !node.influences.empty()) {
                influences(node);
            }
        }
    }

    void influences(const Node& node) {
        const Influences& rows = node.influences;
        need(node.skin >= 0, node.name + " has weights and no skin");
        need(rows.offsets.size() == scene.meshes[node.mesh].point_count() + 1,
             node.name + " has rows of weights too few");
        need(rows.joints.size() == rows.weights.size() && rows.offsets.get().back() == rows.joints.size(),
             node.name + " has weights without joints");
        for (size_t i = 0; i + 1 < rows.offsets.size() && wrong_.empty(); ++i) {
            need(rows.offsets[i] <= rows.offsets[i + 1], node.name + " has rows that run backwards");
        }
        for (size_t i = 0; i < rows.joints.size() && wrong_.empty(); ++i) {
            need(rows.joints[i] < scene.skins[node.skin].joints.size(),
                 node.name + " is held by a joint of another skin");
            need(std::isfinite(rows.weights[i]) && rows.weights[i] >= 0, node.name + " has a weight below zero");
        }
    }

    void skins() {
        for (const Skin& skin : scene.skins) {
            need(skin.joints.size() == skin.inverse_binds.size(), "binds of " + skin.name + " are not one a joint");
            std::set<int> once;
            for (const int joint : skin.joints) {
                need(joint >= 0 && joint < static_cast<int>(scene.nodes.size()),
                     skin.name + " lists a joint that is gone");
                need(once.insert(joint).second, skin.name + " lists a joint twice");
            }
            for (const Mat4& bind : skin.inverse_binds) {
                need(bind.allFinite(), skin.name + " is bound nowhere");
            }
        }
    }

    void surface(const Mesh& mesh) {
        const size_t points = mesh.point_count();
        need(mesh.normals.empty() || mesh.normals.size() == points, mesh.name + ": normals");
        need(mesh.tangents.empty() || mesh.tangents.size() == points, mesh.name + ": tangents");
        for (const Vec3f& at : mesh.positions) {
            need(at.allFinite(), mesh.name + " has a vertex nowhere");
        }
        for (const uint32_t index : mesh.indices) {
            need(index < points, mesh.name + ": an index beyond its vertices");
        }
        std::set<std::string> names;
        for (const Attribute& attribute : mesh.attributes) {
            names.insert(attribute.name);
            need(attribute.data.size() == points * static_cast<size_t>(attribute.width),
                 mesh.name + ": " + attribute.name);
        }
        for (const Primitive& primitive : mesh.primitives) {
            need(primitive.first_point + primitive.point_count <= points, mesh.name + ": a primitive's vertices");
            need(primitive.first_index + primitive.index_count <= mesh.indices.size(), mesh.name + ": its indices");
            place(primitive.material, scene.materials, "material of " + mesh.name);
            for (const std::string& name : primitive.attributes) {
                need(names.count(name) == 1, mesh.name + " says it has " + name);
            }
        }
        need(mesh.shape_weights.size() <= mesh.shapes.size(), mesh.name + ": starting weights");
        for (const MorphTarget& shape : mesh.shapes) {
            morph_target(mesh, shape);
        }
    }

    void morph_target(const Mesh& mesh, const MorphTarget& shape) {
        const std::string name = mesh.name + "/" + shape.name;
        need(shape.positions.size() == shape.points.size(), name + ": positions");
        need(shape.normals.empty() || shape.normals.size() == shape.points.size(), name + ": normals");
        need(shape.tangents.empty() || shape.tangents.size() == shape.points.size(), name + ": tangents");
        for (size_t i = 0; i < shape.points.size(); ++i) {
            need(shape.points[i] < mesh.point_count(), name + " moves a vertex that is not there");
            need(i == 0 || shape.points[i - 1] < shape.points[i], name + ": vertices out of order");
        }
        for (const Attribute& attribute : shape.attributes) {
            need(attribute.data.size() == shape.points.size() * static_cast<size_t>(attribute.width),
                 name + ": " + attribute.name);
        }
    }

    void clip(const Clip& one) {
        need(one.rate > 0 && std::isfinite(one.seconds) && one.seconds >= 0 && std::isfinite(one.start_s),
             "time of " + one.name);
        std::set<std::pair<int, Path>> once;
        for (const Channel& channel : one.channels) {
            const std::string name = fmt::format("{}, channel of node {}", one.name, channel.node);
            need(channel.node >= 0 && channel.node < static_cast<int>(scene.nodes.size()), name + ", which is gone");
            need(once.insert({channel.node, channel.path}).second, name + " stands there twice");
            const size_t keys = channel.times.size() * (channel.interpolation == Interpolation::cubic ? 3 : 1);
            need(channel.values.size() == keys * static_cast<size_t>(channel.width), name + ": values");
            finite(channel.values, name);
            finite(channel.times, name);
            for (size_t i = 1; i < channel.times.size(); ++i) {
                need(channel.times[i - 1] < channel.times[i], name + ": keys out of order");
            }
            if (wrong_.empty()) {
                width(channel, name);
            }
        }
    }

    void width(const Channel& channel, const std::string& name) {
        const int mesh = scene.nodes[channel.node].mesh;
        const size_t shapes = mesh < 0 ? 0 : scene.meshes[mesh].shapes.size();
        const size_t wanted = channel.path == Path::weights ? shapes : channel.path == Path::rotation ? 4 : 3;
        need(static_cast<size_t>(channel.width) == wanted,
             name + fmt::format(" is {} wide and not {}", channel.width, wanted));
    }

    const Scene& scene;
    std::string wrong_;
};

} // namespace

std::string what_is_not_valid(const Scene& scene) {
    return Look(scene).run();
}

} // namespace wembrix::testing
