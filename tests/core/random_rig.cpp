#include "random_rig.h"

#include "core/measure/scene/bounds.h"
#include <Eigen/LU>
#include <algorithm>
#include <cstdlib>
#include <fmt/format.h>
#include <functional>
#include <random>

namespace wembrix::testing {

namespace {

class Maker {
  public:
    Maker(uint32_t seed, const RigOptions& options) : random_(seed), options_(options) {}

    Scene run() {
        make_holders();
        make_joints();
        make_surfaces();
        make_takes();
        for (size_t i = 0; i < scene_.nodes.size(); ++i) {
            scene_.nodes[i].identity = static_cast<int64_t>(i) + 1;
        }
        reorder_nodes(scene_, sorted_order(scene_.nodes));
        classify_nodes(scene_);
        return std::move(scene_);
    }

  private:
    // The standard library's distributions differ between implementations; these do not.
    double real(double low, double high) {
        return low + (high - low) * static_cast<double>(random_() >> 8U) / 16777216.0;
    }
    int whole(int low, int high) { return low + static_cast<int>(random_() % static_cast<uint32_t>(high - low + 1)); }
    bool chance(double p) { return real(0, 1) < p; }
    Vec3 place(double size) { return {real(-size, size), real(-size, size), real(-size, size)}; }
    Quat turn(double most) {
        Vec3 axis = place(1);
        axis = axis.norm() < 1e-3 ? Vec3::UnitX() : Vec3(axis.normalized());
        return Quat(Eigen::AngleAxisd(real(-most, most), axis));
    }

    int add_node(const std::string& name, int parent, const Transform& rest) {
        Node node;
        node.name = name;
        node.parent = parent;
        node.rest = rest;
        scene_.nodes.push_back(std::move(node));
        return static_cast<int>(scene_.nodes.size()) - 1;
    }

    void make_holders() {
        prefix_ = chance(0.6) ? (chance(0.5) ? "set:rig:" : "rig:") : "";
        if (options_.holders == Holders::none) {
            return;
        }
        const int count = whole(1, 3);
        for (int i = 0; i < count; ++i) {
            Transform rest;
            rest.translation = place(2);
            rest.rotation = turn(3);
            rest.scale = Vec3::Ones() * real(0.2, 5);
            if (options_.holders == Holders::mirrored && i == 0) {
                rest.scale[whole(0, 2)] *= -1;
            }
            if (options_.holders == Holders::uneven) {
                rest.scale = Vec3(real(0.5, 2), real(0.5, 2), real(0.5, 2));
            }
            holder_ = add_node(fmt::format("{}holder_{}", prefix_, i), holder_, rest);
        }
    }

    void make_joints() {
        const int roots = options_.two_roots ? whole(1, 2) : 1;
        for (int r = 0; r < roots; ++r) {
            std::vector<int> tree;
            const int count = r == 0 ? whole(4, 14) : whole(1, 3);
            for (int i = 0; i < count; ++i) {
                const int parent =
                    i == 0 ? holder_ : tree[chance(0.6) ? tree.size() - 1 : static_cast<size_t>(whole(0, i - 1))];
                Transform rest;
                rest.translation = i == 0 ? place(0.3) : Vec3(place(0.5) + Vec3(0, 0.3, 0));
                rest.rotation = turn(1.5);
                if (chance(0.15)) {
                    rest.scale = Vec3::Ones() * real(0.7, 1.4);
                }
                if (options_.uneven_scale && chance(0.3)) {
                    rest.scale = Vec3(real(0.6, 1.5), real(0.6, 1.5), real(0.6, 1.5));
                }
                const std::string side = chance(0.3) ? (chance(0.5) ? "Left" : "Right") : "mid";
                const int node = add_node(fmt::format("{}{}_{}_{}", prefix_, side, r, i), parent, rest);
                // A plain node between two joints is one of the skeleton without holding anything.
                const bool between = i > 0 && i + 1 < count && chance(0.12);
                tree.push_back(node);
                if (!between) {
                    joints_.push_back(node);
                }
            }
            add_node(fmt::format("{}tip_{}", prefix_, r), tree.back(), Transform());
        }
    }

    std::vector<Mat4> worlds() {
        std::vector<Mat4> world;
        for (const Node& node : scene_.nodes) {
            world.push_back(node.parent < 0 ? node.rest.matrix() : Mat4(world[node.parent] * node.rest.matrix()));
        }
        return world;
    }

    Mesh make_mesh(const std::string& name, int points, bool skinned, size_t joints, Influences& influences) {
        Mesh mesh;
        mesh.name = name;
        std::vector<Vec3f> positions;
        std::vector<Vec3f> normals;
        std::vector<uint32_t> indices;
        std::vector<uint32_t> offsets = {0};
        std::vector<uint16_t> holders;
        std::vector<float> weights;
        for (int i = 0; i < points; ++i) {
            positions.push_back(place(1.5).cast<float>());
            Vec3 normal = place(1);
            normals.push_back(normal.norm() < 1e-2 ? Vec3f(0, 1, 0) : Vec3f(normal.normalized().cast<float>()));
            const int rows = std::min<int>(whole(1, 7), static_cast<int>(joints));
            const double scale = options_.odd_weights && chance(0.2) ? real(0.5, 1.5) : 1;
            std::vector<double> shares;
            double sum = 0;
            for (int k = 0; k < rows; ++k) {
                shares.push_back(real(0.05, 1));
                sum += shares.back();
            }
            const int first = whole(0, static_cast<int>(joints) - 1);
            for (int k = 0; skinned && k < rows; ++k) {
                holders.push_back(static_cast<uint16_t>((first + k) % static_cast<int>(joints)));
                weights.push_back(static_cast<float>(shares[k] / sum * scale));
            }
            offsets.push_back(static_cast<uint32_t>(holders.size()));
        }
        for (int i = 0; i + 2 < points; ++i) {
            indices.insert(indices.end(),
                           {static_cast<uint32_t>(i), static_cast<uint32_t>(i + 1), static_cast<uint32_t>(i + 2)});
        }
        Primitive part;
        part.point_count = static_cast<uint32_t>(points);
        part.index_count = static_cast<uint32_t>(indices.size());
        mesh.primitives.push_back(part);
        mesh.positions = std::move(positions);
        mesh.normals = std::move(normals);
        mesh.indices = std::move(indices);
        if (skinned) {
            influences = {std::move(offsets), std::move(holders), std::move(weights)};
        }
        const int shapes = whole(0, 3);
        for (int s = 0; s < shapes; ++s) {
            MorphTarget shape;
            shape.name = fmt::format("shape_{}", s);
            std::vector<uint32_t> moved;
            std::vector<Vec3f> differences;
            for (int i = 0; i < points; ++i) {
                if (chance(0.4)) {
                    moved.push_back(static_cast<uint32_t>(i));
                    differences.push_back(place(0.3).cast<float>());
                }
            }
            shape.points = std::move(moved);
            shape.positions = std::move(differences);
            mesh.shapes.push_back(std::move(shape));
            mesh.shape_weights.push_back(chance(0.3) ? 0.5F : 0.0F);
        }
        return mesh;
    }

    void make_surfaces() {
        const std::vector<Mat4> world = worlds();
        const int skinned = whole(1, 2);
        for (int s = 0; s < skinned; ++s) {
            // Where the surface lay when it was bound: anywhere, and in any pose that was near the rest pose.
            Transform bound;
            bound.translation = place(1);
            bound.rotation = turn(3);
            bound.scale = Vec3::Ones() * real(0.3, 3);
            Skin skin;
            skin.name = fmt::format("skin_{}", s);
            const bool bind_is_rest = chance(0.6);
            for (const int joint : joints_) {
                skin.joints.push_back(joint);
                Mat4 bind = world[joint].inverse() * bound.matrix();
                if (!bind_is_rest) {
                    Transform off;
                    off.rotation = turn(0.2);
                    bind = off.matrix() * bind;
                }
                skin.inverse_binds.push_back(bind);
            }
            const int node = add_node(fmt::format("{}surface_{}", prefix_, s), chance(0.5) ? holder_ : -1, Transform());
            scene_.nodes[node].mesh = static_cast<int>(scene_.meshes.size());
            scene_.nodes[node].skin = static_cast<int>(scene_.skins.size());
            scene_.meshes.push_back(make_mesh(fmt::format("mesh_{}", s), whole(20, 60), true, joints_.size(),
                                              scene_.nodes[node].influences));
            scene_.skins.push_back(std::move(skin));
        }
        for (int k = 0; k < 2; ++k) {
            Transform rest;
            rest.translation = place(1);
            rest.rotation = turn(2);
            rest.scale = Vec3::Ones() * real(0.5, 2);
            const int parent =
                k == 0 ? joints_[static_cast<size_t>(whole(0, static_cast<int>(joints_.size()) - 1))] : holder_;
            const int node = add_node(fmt::format("{}prop_{}", prefix_, k), parent, rest);
            scene_.nodes[node].mesh = static_cast<int>(scene_.meshes.size());
            scene_.meshes.push_back(
                make_mesh(fmt::format("prop_mesh_{}", k), whole(10, 20), false, 1, scene_.nodes[node].influences));
        }
    }

    Channel make_channel(int node, Path path, int width, const std::vector<float>& times,
                         const std::function<void(float*)>& value) {
        Channel channel;
        channel.node = node;
        channel.path = path;
        channel.width = width;
        channel.interpolation = static_cast<Interpolation>(whole(0, 2));
        if (path == Path::scale && !options_.uneven_keys && channel.interpolation == Interpolation::cubic) {
            channel.interpolation = Interpolation::linear;
        }
        channel.times = times;
        std::vector<float> values;
        for (size_t k = 0; k < times.size(); ++k) {
            const bool cubic = channel.interpolation == Interpolation::cubic;
            for (int part = 0; part < (cubic ? 3 : 1); ++part) {
                std::vector<float> one(static_cast<size_t>(width), 0.0F);
                if (cubic && part != 1) {
                    for (float& v : one) {
                        v = static_cast<float>(real(-0.4, 0.4));
                    }
                } else {
                    value(one.data());
                }
                values.insert(values.end(), one.begin(), one.end());
            }
        }
        channel.values = std::move(values);
        return channel;
    }

    void make_takes() {
        const int takes = whole(1, 2);
        for (int t = 0; t < takes; ++t) {
            Clip clip;
            clip.name = t == 0 ? "take_01" : "walk about";
            clip.take = t + 1;
            const int frames = whole(10, 40);
            std::vector<float> times;
            for (int f = 0; f < frames; f += whole(1, 6)) {
                times.push_back(static_cast<float>(f / 30.0));
            }
            clip.seconds = times.back();
            for (size_t n = 0; n < scene_.nodes.size(); ++n) {
                const Node& node = scene_.nodes[n];
                const bool holder = node.name.find("holder") != std::string::npos;
                if ((holder && options_.holders != Holders::moving) || node.skin >= 0 ||
                    node.name.find("tip_") != std::string::npos || (!holder && chance(0.25))) {
                    continue;
                }
                const Transform rest = node.rest;
                const int at = static_cast<int>(n);
                if (holder || chance(0.7)) {
                    clip.channels.push_back(make_channel(at, Path::rotation, 4, times, [&](float* v) {
                        const Quat q = rest.rotation * turn(0.6);
                        for (int k = 0; k < 4; ++k) {
                            v[k] = static_cast<float>(q.coeffs()[k]);
                        }
                    }));
                }
                if (chance(0.5)) {
                    clip.channels.push_back(make_channel(at, Path::translation, 3, times, [&](float* v) {
                        const Vec3 p = rest.translation + place(0.2);
                        for (int k = 0; k < 3; ++k) {
                            v[k] = static_cast<float>(p[k]);
                        }
                    }));
                }
                if (!holder && chance(0.15) && options_.moving_scale) {
                    clip.channels.push_back(make_channel(at, Path::scale, 3, times, [&](float* v) {
                        const double s = real(0.8, 1.25);
                        for (int k = 0; k < 3; ++k) {
                            v[k] = static_cast<float>(rest.scale[k] * s);
                        }
                    }));
                }
            }
            for (size_t n = 0; n < scene_.nodes.size(); ++n) {
                const int mesh = scene_.nodes[n].mesh;
                if (mesh >= 0 && !scene_.meshes[mesh].shapes.empty()) {
                    clip.channels.push_back(
                        make_channel(static_cast<int>(n), Path::weights,
                                     static_cast<int>(scene_.meshes[mesh].shapes.size()), times, [&](float* v) {
                                         for (size_t k = 0; k < scene_.meshes[mesh].shapes.size(); ++k) {
                                             v[k] = static_cast<float>(real(0, 1));
                                         }
                                     }));
                }
            }
            scene_.clips.push_back(std::move(clip));
        }
    }

    std::mt19937 random_;
    RigOptions options_;
    Scene scene_;
    std::string prefix_;
    int holder_ = -1;
    std::vector<int> joints_;
};

} // namespace

Scene random_rig(uint32_t seed, const RigOptions& options) {
    return Maker(seed, options).run();
}

RigOptions options_for(uint32_t seed) {
    RigOptions options;
    options.holders = static_cast<Holders>(seed % 3);
    options.two_roots = seed % 2 == 0;
    options.odd_weights = seed % 5 != 0;
    return options;
}

double allowed_mm(const Scene& scene) {
    return 1e-5 * whole_bounds(scene).size().norm() * 1000;
}

uint32_t seeds() {
    const char* wanted = std::getenv("WEMBRIX_SEEDS");
    return wanted == nullptr ? 60 : static_cast<uint32_t>(std::strtoul(wanted, nullptr, 10));
}

uint32_t share_of_seeds(uint32_t many) {
    return std::max(std::min(many, 3U), std::min(many, many * seeds() / 60));
}

} // namespace wembrix::testing
