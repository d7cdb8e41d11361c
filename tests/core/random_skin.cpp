#include "random_skin.h"

#include "core/measure/surface/weight_rows.h"

#include <Eigen/LU>
#include <algorithm>
#include <cmath>
#include <random>

namespace wembrix::testing {

namespace {

constexpr double pi = 3.14159265358979323846;

class SkinMaker {
  public:
    SkinMaker(uint32_t seed, const SkinOptions& options) : random_(seed * 2654435761U + 1), options_(options) {}

    Scene run() {
        make_joints();
        make_surface();
        make_weights();
        for (int c = 0; c < options_.clips; ++c) {
            make_clip(c);
        }
        classify_nodes(scene_);
        return std::move(scene_);
    }

  private:
    double real(double low, double high) {
        return low + (high - low) * static_cast<double>(random_() >> 8U) / 16777216.0;
    }
    int whole(int low, int high) { return low + static_cast<int>(random_() % static_cast<uint32_t>(high - low + 1)); }

    int joint(const char* name, int parent, const Vec3& place) {
        Node node;
        node.name = name;
        node.parent = parent;
        node.kind = NodeKind::joint;
        node.identity = static_cast<int64_t>(scene_.nodes.size()) + 1;
        node.rest.translation = parent < 0 ? place : Vec3(place - places_[static_cast<size_t>(parent)]);
        places_.push_back(place);
        scene_.nodes.push_back(node);
        return static_cast<int>(scene_.nodes.size()) - 1;
    }

    void make_joints() {
        const double reach = real(0.6, 1.0);
        const double high = real(0.9, 1.3);
        const int root = joint("root", -1, Vec3::Zero());
        const int pelvis = joint("pelvis", root, Vec3(0, high - 0.2, 0));
        const int chest = joint("chest", pelvis, Vec3(0, high, 0));
        for (const double side : {1.0, -1.0}) {
            const std::string end = side > 0 ? "_l" : "_r";
            const int arm = joint(("arm" + end).c_str(), chest, Vec3(side * 0.2, high, 0));
            const int fore = joint(("forearm" + end).c_str(), arm, Vec3(side * (0.2 + reach * 0.4), high, 0));
            joint(("hand" + end).c_str(), fore, Vec3(side * (0.2 + reach * 0.7), high, 0));
        }
        Skin skin;
        skin.name = "skin";
        for (size_t j = 0; j < scene_.nodes.size(); ++j) {
            skin.joints.push_back(static_cast<int>(j));
            skin.inverse_binds.push_back(translating(-places_[j]));
        }
        scene_.skins.push_back(skin);
        high_ = high;
        reach_ = 0.2 + reach;
    }

    void make_surface() {
        const int rings = 2 * whole(5, 9) + 1;
        columns_ = whole(6, 12);
        std::vector<Vec3f> positions;
        std::vector<Vec3f> normals;
        std::vector<uint32_t> indices;
        for (int ring = 0; ring < rings; ++ring) {
            const double along = 2.0 * ring / (rings - 1) - 1; // -1 to 1, so that both sides have the very same places
            const double radius = 0.22 * std::sqrt(std::max(0.02, 1 - along * along));
            for (int column = 0; column <= columns_; ++column) {
                const double angle = 2 * pi * (column % columns_) / columns_;
                positions.push_back(
                    Vec3(along * reach_, high_ + radius * std::cos(angle), radius * std::sin(angle)).cast<float>());
                normals.push_back(Vec3(0, std::cos(angle), std::sin(angle)).cast<float>());
            }
        }
        const auto stride = static_cast<uint32_t>(columns_ + 1);
        for (uint32_t ring = 0; ring + 1 < static_cast<uint32_t>(rings); ++ring) {
            for (uint32_t column = 0; column + 1 < stride; ++column) {
                const uint32_t a = ring * stride + column;
                for (const uint32_t corner : {a, a + 1, a + stride, a + 1, a + stride + 1, a + stride}) {
                    indices.push_back(corner);
                }
            }
        }
        Mesh mesh;
        mesh.name = "body";
        Primitive primitive;
        primitive.point_count = static_cast<uint32_t>(positions.size());
        primitive.index_count = static_cast<uint32_t>(indices.size());
        mesh.primitives.push_back(primitive);
        mesh.positions = std::move(positions);
        mesh.normals = std::move(normals);
        mesh.indices = std::move(indices);
        Node node;
        node.name = "body";
        node.mesh = 0;
        node.skin = 0;
        node.identity = 1000;
        scene_.nodes.push_back(node);
        scene_.meshes.push_back(std::move(mesh));
        rings_ = rings;
    }

    WeightRow drawn(const Vec3& at, bool middle) {
        std::vector<std::pair<double, uint16_t>> order;
        for (size_t j = 0; j < places_.size(); ++j) {
            const double near = options_.smooth ? 1 / (0.03 + (places_[j] - at).squaredNorm()) : 1;
            order.emplace_back(-near * real(0.4, 1), static_cast<uint16_t>(j));
        }
        std::sort(order.begin(), order.end());
        WeightRow row;
        const int count = whole(1, options_.influences);
        for (int k = 0; k < count && k < static_cast<int>(order.size()); ++k) {
            add_weight(row, order[static_cast<size_t>(k)].second, -order[static_cast<size_t>(k)].first);
            if (middle) { // as much on the other side
                add_weight(row, mirrored(order[static_cast<size_t>(k)].second), -order[static_cast<size_t>(k)].first);
            }
        }
        settle_row(row, {});
        return row;
    }
    static uint16_t mirrored(uint16_t joint) {
        return joint < 3 ? joint : static_cast<uint16_t>(joint < 6 ? joint + 3 : joint - 3);
    }

    void make_weights() {
        const Mesh& mesh = scene_.meshes[0];
        const auto stride = static_cast<size_t>(columns_ + 1);
        std::vector<WeightRow> rows(mesh.point_count());
        for (size_t v = rows.size(); v-- > 0;) { // from the left, which is +X, to the right
            const size_t ring = v / stride;
            const size_t answer = (static_cast<size_t>(rings_) - 1 - ring) * stride + v % stride;
            if (v % stride == stride - 1 || (options_.symmetric && answer > v)) {
                continue;
            }
            rows[v] = drawn(mesh.positions[v].cast<double>(), options_.symmetric && answer == v);
        }
        InfluencesBuilder builder(rows.size());
        for (size_t v = 0; v < rows.size(); ++v) {
            const size_t ring = v / stride;
            const size_t column = v % stride == stride - 1 ? 0 : v % stride; // the seam's doubles are held alike
            const size_t answer = (static_cast<size_t>(rings_) - 1 - ring) * stride + column;
            WeightRow row = rows[ring * stride + column];
            if (options_.symmetric && answer > ring * stride + column) {
                row = rows[answer];
                for (Weight& one : row) {
                    one.joint = mirrored(one.joint);
                }
            }
            builder.add(row);
        }
        scene_.nodes.back().influences = builder.take();
    }

    void make_clip(int number) {
        Clip clip;
        clip.name = "clip_" + std::to_string(number);
        clip.take = 5000 + number;
        const int keys = whole(3, 6);
        clip.seconds = (keys - 1) / 3.0;
        std::vector<float> times;
        for (int k = 0; k < keys; ++k) {
            times.push_back(static_cast<float>(k / 3.0));
        }
        const Shared<float> shared(times);
        for (size_t j = 1; j < places_.size(); ++j) {
            Channel channel;
            channel.node = static_cast<int>(j);
            channel.path = Path::rotation;
            channel.width = 4;
            channel.times = shared;
            std::vector<float> values;
            for (int k = 0; k < keys; ++k) {
                const Vec3 axis = Vec3(real(-1, 1), real(-1, 1), real(0.1, 1)).normalized();
                const Quat turn(Eigen::AngleAxisd(real(-0.9, 0.9), axis));
                for (const double part : {turn.x(), turn.y(), turn.z(), turn.w()}) {
                    values.push_back(static_cast<float>(part));
                }
            }
            channel.values = std::move(values);
            clip.channels.push_back(std::move(channel));
        }
        scene_.clips.push_back(std::move(clip));
    }

    std::mt19937 random_;
    SkinOptions options_;
    Scene scene_;
    std::vector<Vec3> places_;
    double high_ = 1;
    double reach_ = 1;
    int columns_ = 8;
    int rings_ = 0;
};

} // namespace

Scene random_skin(uint32_t seed, const SkinOptions& options) {
    return SkinMaker(seed, options).run();
}

} // namespace wembrix::testing
