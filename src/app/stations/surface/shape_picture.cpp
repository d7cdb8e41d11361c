#include "stations/surface/shape_picture.h"

#include "core/measure/surface/skin_matrices.h"
#include "style/theme.h"

#include <algorithm>
#include <cmath>
#include <limits>

namespace wembrix::app {

namespace {

struct Seen {
    std::vector<Vec3f> places;
    std::vector<float> moved; ///< 0 to 1 of the farthest
};

/// The surface at rest with the shape all the way in, in the world.
Seen with_shape(const Scene& scene, int node, size_t shape) {
    const Pose rest = Poser(scene, nullptr).rest();
    const Mesh& mesh = scene.meshes[static_cast<size_t>(scene.nodes[static_cast<size_t>(node)].mesh)];
    const std::vector<Eigen::Matrix<double, 3, 4>> matrices = skin_matrices(scene, node, rest);
    std::vector<Vec3> places = shaped_positions(scene, node, rest);
    Seen seen;
    seen.moved.assign(places.size(), 0);
    const MorphTarget& target = mesh.shapes[shape];
    float farthest = 0;
    for (const Vec3f& by : target.positions) {
        farthest = std::max(farthest, by.norm());
    }
    for (size_t k = 0; k < target.points.size(); ++k) {
        places[target.points[k]] += target.positions[k].cast<double>();
        seen.moved[target.points[k]] = farthest > 0 ? target.positions[k].norm() / farthest : 0;
    }
    for (size_t v = 0; v < places.size(); ++v) {
        seen.places.push_back((matrices[v].leftCols<3>() * places[v] + matrices[v].col(3)).cast<float>());
    }
    return seen;
}

class Raster {
  public:
    Raster(const QSize& size, const QColor& ground)
        : picture_(size, QImage::Format_RGB32),
          depth_(static_cast<size_t>(size.width()) * static_cast<size_t>(size.height()), -1e30F) {
        picture_.fill(ground);
    }
    /// Corners in pixels, z towards the eye; a colour a corner.
    void triangle(const std::array<Vec3f, 3>& p, const std::array<Vec3f, 3>& colours, float light) {
        const auto area = [](const Vec3f& a, const Vec3f& b, float x, float y) {
            return (b.x() - a.x()) * (y - a.y()) - (b.y() - a.y()) * (x - a.x());
        };
        const float whole = area(p[0], p[1], p[2].x(), p[2].y());
        if (std::abs(whole) < 1e-9F) {
            return;
        }
        const auto bound = [](float low, float at, float high) { return static_cast<int>(std::clamp(at, low, high)); };
        const auto w = static_cast<float>(picture_.width() - 1);
        const auto h = static_cast<float>(picture_.height() - 1);
        const int x0 = bound(0, std::floor(std::min({p[0].x(), p[1].x(), p[2].x()})), w);
        const int x1 = bound(0, std::ceil(std::max({p[0].x(), p[1].x(), p[2].x()})), w);
        const int y0 = bound(0, std::floor(std::min({p[0].y(), p[1].y(), p[2].y()})), h);
        const int y1 = bound(0, std::ceil(std::max({p[0].y(), p[1].y(), p[2].y()})), h);
        for (int y = y0; y <= y1; ++y) {
            auto* line = reinterpret_cast<QRgb*>(picture_.scanLine(y)); // NOLINT: Qt gives bytes
            for (int x = x0; x <= x1; ++x) {
                const float px = static_cast<float>(x) + 0.5F;
                const float py = static_cast<float>(y) + 0.5F;
                const float a = area(p[1], p[2], px, py) / whole;
                const float b = area(p[2], p[0], px, py) / whole;
                const float c = 1 - a - b;
                if (a < 0 || b < 0 || c < 0) {
                    continue;
                }
                const float z = a * p[0].z() + b * p[1].z() + c * p[2].z();
                float& nearest =
                    depth_[static_cast<size_t>(y) * static_cast<size_t>(picture_.width()) + static_cast<size_t>(x)];
                if (z <= nearest) {
                    continue;
                }
                nearest = z;
                const Vec3f colour = light * (a * colours[0] + b * colours[1] + c * colours[2]);
                const auto part = [](float value) { return static_cast<int>(std::clamp(value, 0.0F, 1.0F) * 255); };
                line[x] = qRgb(part(colour.x()), part(colour.y()), part(colour.z()));
            }
        }
    }
    [[nodiscard]] const QImage& picture() const { return picture_; }

  private:
    QImage picture_;
    std::vector<float> depth_;
};

Vec3f colour_of(const QColor& colour) {
    return {static_cast<float>(colour.redF()), static_cast<float>(colour.greenF()), static_cast<float>(colour.blueF())};
}

} // namespace

QImage shape_picture(const Scene& scene, int node, size_t shape, const QSize& size) {
    const Mesh& mesh = scene.meshes[static_cast<size_t>(scene.nodes[static_cast<size_t>(node)].mesh)];
    const Seen seen = with_shape(scene, node, shape);
    Vec3f low = Vec3f::Constant(1e30F);
    Vec3f high = Vec3f::Constant(-1e30F);
    Vec3f all_low = low;
    Vec3f all_high = high;
    for (size_t v = 0; v < seen.places.size(); ++v) {
        all_low = all_low.cwiseMin(seen.places[v]);
        all_high = all_high.cwiseMax(seen.places[v]);
        if (seen.moved[v] > 0.1F) {
            low = low.cwiseMin(seen.places[v]);
            high = high.cwiseMax(seen.places[v]);
        }
    }
    if (low.x() > high.x()) { // it moves nothing
        low = all_low;
        high = all_high;
    }
    std::vector<std::array<uint32_t, 3>> triangles;
    Vec3f facing = Vec3f::Zero();
    for (const Primitive& primitive : mesh.primitives) {
        for (const std::array<uint32_t, 3>& t : triangles_of(mesh, primitive)) {
            triangles.push_back(t);
            const Vec3f across = (seen.places[t[1]] - seen.places[t[0]]).cross(seen.places[t[2]] - seen.places[t[0]]);
            facing += across * (seen.moved[t[0]] + seen.moved[t[1]] + seen.moved[t[2]]);
        }
    }
    // From the side that it shows on, never from straight above or below; from the front where it shows all around.
    facing.y() *= 0.4F;
    Vec3f away = facing.norm() > 1e-12F ? Vec3f(facing.normalized()) : Vec3f(0.4F, 0.2F, 1);
    away = (away + Vec3f(0.25F, 0.15F, 0.35F)).normalized();
    const Vec3f right = Vec3f::UnitY().cross(away).normalized();
    const Vec3f up = away.cross(right);
    const Vec3f middle = (low + high) / 2;
    const float least = (all_high - all_low).norm() * 0.06F;
    const float half = std::max((high - low).norm() * 0.75F, least);
    const float scale = 0.5F * static_cast<float>(std::min(size.width(), size.height())) / half;
    const auto on_picture = [&](const Vec3f& place) {
        const Vec3f from = place - middle;
        return Vec3f(static_cast<float>(size.width()) / 2 + scale * from.dot(right),
                     static_cast<float>(size.height()) / 2 - scale * from.dot(up), from.dot(away));
    };
    const Vec3f clay = colour_of(theme().clay);
    const Vec3f tint = colour_of(theme().stop);
    Raster raster(size, theme().sky_bottom);
    for (const std::array<uint32_t, 3>& t : triangles) {
        const Vec3f across = (seen.places[t[1]] - seen.places[t[0]]).cross(seen.places[t[2]] - seen.places[t[0]]);
        const float length = across.norm();
        if (length <= 0 || across.dot(away) <= 0) {
            continue;
        }
        const float light =
            0.62F + 0.38F * std::max(0.0F, across.dot((away + 0.6F * up - 0.3F * right).normalized()) / length);
        std::array<Vec3f, 3> corners;
        std::array<Vec3f, 3> colours;
        for (size_t c = 0; c < 3; ++c) {
            corners.at(c) = on_picture(seen.places[t.at(c)]);
            const float moved = 0.75F * seen.moved[t.at(c)];
            colours.at(c) = (1 - moved) * clay + moved * tint;
        }
        raster.triangle(corners, colours, light);
    }
    return raster.picture();
}

} // namespace wembrix::app
