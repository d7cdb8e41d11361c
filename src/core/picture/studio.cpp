#include "core/picture/studio.h"

#include "core/measure/scene/bounds.h"
#include "core/measure/scene/facing.h"
#include "core/measure/skeleton/pose.h"
#include "core/measure/strands/strand_deform.h"
#include "core/measure/surface/deform.h"
#include "core/picture/raster.h"

#include <algorithm>
#include <array>
#include <cassert>
#include <cmath>
#include <numbers>

namespace wembrix {

namespace {

constexpr double aside = 0.62;       // radians from the front
constexpr double above = 0.24;       // and from above
constexpr double half_angle = 0.2;   // of the view, in radians: a long lens
constexpr double frame_margin = 1.1; // of what is shown, for its shadow and some air

const Vec3f clay(0.80F, 0.77F, 0.71F);
const Vec3f ink(0.12F, 0.16F, 0.18F);
const Vec3f reed(0.25F, 0.31F, 0.33F);
const Vec3 light = Vec3(-0.45, 0.8, 0.55).normalized(); // from the left above, seen from the eye

/// Of 8 bits as files count them, from 0 to 1 of light.
const std::array<float, 256>& light_of() {
    static const std::array<float, 256> table = [] {
        std::array<float, 256> made{};
        for (size_t i = 0; i < made.size(); ++i) {
            const float c = static_cast<float>(i) / 255;
            made[i] = c <= 0.04045F ? c / 12.92F : std::pow((c + 0.055F) / 1.055F, 2.4F);
        }
        return made;
    }();
    return table;
}

float shown(float linear) {
    static const std::array<float, 4097> table = [] {
        std::array<float, 4097> made{};
        for (size_t i = 0; i < made.size(); ++i) {
            const float c = static_cast<float>(i) / 4096;
            made[i] = c <= 0.0031308F ? 12.92F * c : 1.055F * std::pow(c, 1 / 2.4F) - 0.055F;
        }
        return made;
    }();
    return table[static_cast<size_t>(std::clamp(linear, 0.0F, 1.0F) * 4096)];
}

float wrapped(float at, Wrap wrap) {
    if (!std::isfinite(at)) {
        return 0;
    }
    if (wrap == Wrap::clamp) {
        return std::clamp(at, 0.0F, 1.0F);
    }
    const float part = at - std::floor(at);
    const bool turned = wrap == Wrap::mirror && std::fmod(std::floor(at), 2.0F) != 0;
    return turned ? 1 - part : part;
}

} // namespace

namespace of_studio {

/// What a run of triangles is painted with.
struct Paint {
    Vec3f base = Vec3f(0.62F, 0.60F, 0.55F);
    float alpha = 1;
    float cutoff = 0; ///< what is less opaque is not there
    int image = -1;
    const Attribute* coordinates = nullptr;
    const Attribute* colours = nullptr;
    Sampler sampler;
    Eigen::Matrix2f turn = Eigen::Matrix2f::Identity();
    Vec2f offset = Vec2f::Zero();
    size_t first_point = 0; ///< of its surface in the deformer's output
};

/// The texel nearest to a place, in light; its alpha.
inline float texel(const Pixels& pixels, const Paint& paint, const Vec2f& place, Vec3f& colour) {
    const Vec2f at = paint.turn * place + paint.offset;
    const auto pick = [](float where, uint32_t size) {
        return std::min(static_cast<uint32_t>(where * static_cast<float>(size)), size - 1);
    };
    const uint32_t x = pick(wrapped(at.x(), paint.sampler.wrap_u), pixels.width);
    const uint32_t y = pick(wrapped(at.y(), paint.sampler.wrap_v), pixels.height);
    const uint8_t* texel = pixels.samples.data() + (static_cast<size_t>(y) * pixels.width + x) * pixels.channels;
    colour = Vec3f(light_of()[texel[0]], light_of()[texel[1]], light_of()[texel[2]]);
    return pixels.channels == 4 ? static_cast<float>(texel[3]) / 255 : 1;
}

struct Strands {
    int node = -1;
    std::unique_ptr<StrandDeformer> deformer;
    std::vector<Vec3f> points;
    Vec3f colour = Vec3f(0.35F, 0.29F, 0.25F);
};

} // namespace of_studio
using of_studio::Paint;
using of_studio::Strands;
using of_studio::texel;

struct Studio::Held {
    const Scene& scene;
    Deformer deformer;
    std::vector<Vec3f> points;
    std::vector<Vec3f> normals;
    std::vector<std::array<uint32_t, 3>> triangles;
    std::vector<uint16_t> paint_of; ///< one a triangle
    std::vector<Paint> paints;
    std::vector<Pixels> images; ///< as small as they need be; without samples where it could not be decoded
    std::vector<Strands> strands;
    std::vector<int> joints;
    std::unique_ptr<Poser> poser;
    std::vector<const PointCache*> caches;
    Pose pose;

    Vec3 right, up, away; ///< of the eye
    Vec3 middle = Vec3::Zero();
    double distance = 1;
    double ground = 0;
    bool framed = false;

    explicit Held(const Scene& of) : scene(of), deformer(of), poser(std::make_unique<Poser>(of, nullptr)) {
        points.resize(deformer.point_count());
        normals.resize(points.size());
        for (const Deformer::Surface& surface : deformer.surfaces()) {
            take_surface(surface);
        }
        for (size_t n = 0; n < scene.nodes.size(); ++n) {
            if (scene.nodes[n].curves >= 0) {
                take_strands(static_cast<int>(n));
            }
        }
        if (triangles.empty() && strands.empty()) {
            joints = joints_of(scene);
        }
        const std::optional<Facing> facing = facing_of(scene);
        Vec3 front = facing ? direction(facing->axis) : Vec3::UnitZ();
        front = std::abs(front.y()) > 0.9 ? Vec3::UnitZ() : front;
        const Vec3 turned = Eigen::AngleAxisd(-aside, Vec3::UnitY()) * front;
        away = (std::cos(above) * turned + std::sin(above) * Vec3::UnitY()).normalized();
        right = Vec3::UnitY().cross(away).normalized();
        up = away.cross(right);
    }

    void take_surface(const Deformer::Surface& surface) {
        const Mesh& mesh = scene.meshes[static_cast<size_t>(scene.nodes[static_cast<size_t>(surface.node)].mesh)];
        for (const Primitive& primitive : mesh.primitives) {
            Paint paint;
            paint.first_point = surface.first;
            for (const Attribute& attribute : mesh.attributes) {
                if (attribute.name == "COLOR_0" && attribute.width >= 3) {
                    paint.colours = &attribute;
                }
            }
            if (primitive.material >= 0 && static_cast<size_t>(primitive.material) < scene.materials.size()) {
                take_material(scene.materials[static_cast<size_t>(primitive.material)], mesh, paint);
            }
            for (const auto& triangle : triangles_of(mesh, primitive)) {
                std::array<uint32_t, 3> placed{};
                for (size_t c = 0; c < 3; ++c) {
                    placed[c] = static_cast<uint32_t>(surface.first + triangle[c]);
                }
                triangles.push_back(placed);
                paint_of.push_back(static_cast<uint16_t>(std::min<size_t>(paints.size(), 65535)));
            }
            if (paints.size() < 65536) {
                paints.push_back(paint);
            }
        }
    }

    void take_material(const Material& material, const Mesh& mesh, Paint& paint) {
        paint.base = Vec3(material.base_colour[0], material.base_colour[1], material.base_colour[2]).cast<float>();
        paint.alpha = static_cast<float>(material.base_colour[3]);
        paint.cutoff = material.alpha_mode == AlphaMode::mask    ? static_cast<float>(material.alpha_cutoff)
                       : material.alpha_mode == AlphaMode::blend ? 0.5F
                                                                 : -1;
        if (paint.alpha < paint.cutoff) {
            paint.cutoff = -1; // a pane of glass is seen; holes are made by textures
        }
        const TextureUse& use = material.base_colour_texture;
        if (use.texture < 0 || static_cast<size_t>(use.texture) >= scene.textures.size()) {
            return;
        }
        const Texture& texture = scene.textures[static_cast<size_t>(use.texture)];
        const std::string set = "TEXCOORD_" + std::to_string(use.coordinates);
        for (const Attribute& attribute : mesh.attributes) {
            if (attribute.name == set && attribute.width >= 2) {
                paint.coordinates = &attribute;
            }
        }
        if (paint.coordinates == nullptr || texture.image < 0 ||
            static_cast<size_t>(texture.image) >= scene.images.size()) {
            return;
        }
        paint.image = texture.image;
        if (texture.sampler >= 0 && static_cast<size_t>(texture.sampler) < scene.samplers.size()) {
            paint.sampler = scene.samplers[static_cast<size_t>(texture.sampler)];
        }
        // glTF, KHR_texture_transform: moved after it was turned, after it was scaled.
        const auto cosine = static_cast<float>(std::cos(use.rotation));
        const auto sine = static_cast<float>(std::sin(use.rotation));
        Eigen::Matrix2f scale = Eigen::Matrix2f::Zero();
        scale(0, 0) = static_cast<float>(use.scale[0]);
        scale(1, 1) = static_cast<float>(use.scale[1]);
        Eigen::Matrix2f turn;
        turn << cosine, sine, -sine, cosine;
        paint.turn = turn * scale;
        paint.offset = Vec2f(static_cast<float>(use.offset[0]), static_cast<float>(use.offset[1]));
        images.resize(scene.images.size());
        Pixels& pixels = images[static_cast<size_t>(texture.image)];
        if (pixels.samples.empty()) {
            const Shared<uint8_t>& bytes = scene.images[static_cast<size_t>(texture.image)].bytes;
            if (Result<Pixels> decoded = decode_image({bytes.data(), bytes.size()})) {
                const uint32_t largest = std::max(decoded->width, decoded->height);
                const uint32_t less = std::max(1U, largest / 512);
                pixels = less == 1 ? decoded.take()
                                   : smaller_image(*decoded, std::max(1U, decoded->width / less),
                                                   std::max(1U, decoded->height / less));
            }
        }
        if (pixels.samples.empty()) {
            paint.image = -1;
        }
    }

    void take_strands(int node) {
        const CurveSet& set = scene.curve_sets[static_cast<size_t>(scene.nodes[static_cast<size_t>(node)].curves)];
        if (set.points.empty() || (set.surface >= 0 && !roots_are_valid(scene, set))) {
            return;
        }
        Strands taken;
        taken.node = node;
        taken.deformer = std::make_unique<StrandDeformer>(scene, node);
        taken.points.resize(taken.deformer->point_count());
        if (set.material >= 0 && static_cast<size_t>(set.material) < scene.materials.size()) {
            const Material& material = scene.materials[static_cast<size_t>(set.material)];
            taken.colour = Vec3f(shown(static_cast<float>(material.base_colour[0])),
                                 shown(static_cast<float>(material.base_colour[1])),
                                 shown(static_cast<float>(material.base_colour[2])));
        }
        strands.push_back(std::move(taken));
    }

    void pose_at(double seconds) {
        poser->at(seconds, pose);
        if (!points.empty()) {
            deformer.points_and_normals(pose, points, normals);
        }
        for (const Deformer::Surface& surface : deformer.surfaces()) {
            for (const PointCache* cache : caches) {
                if (cache->surface == surface.node &&
                    cache->positions.size() == surface.count * static_cast<size_t>(cache->frames)) {
                    put_cache(*cache, surface, seconds);
                }
            }
        }
        for (Strands& one : strands) {
            one.deformer->points(pose, one.points);
        }
    }

    void put_cache(const PointCache& cache, const Deformer::Surface& surface, double seconds) {
        const double frame = std::clamp(std::round(seconds * cache.rate), 0.0, static_cast<double>(cache.frames - 1));
        const size_t first = static_cast<size_t>(frame) * surface.count;
        const Eigen::Matrix4f world = pose.world[static_cast<size_t>(surface.node)].cast<float>();
        for (size_t p = 0; p < surface.count; ++p) {
            points[surface.first + p] =
                world.topLeftCorner<3, 3>() * cache.positions[first + p] + world.topRightCorner<3, 1>();
            normals[surface.first + p] = cache.normals.size() == cache.positions.size()
                                             ? Vec3f(world.topLeftCorner<3, 3>() * cache.normals[first + p])
                                             : Vec3f(Vec3f::Zero());
        }
    }

    /// Calls `see` with every place that is shown.
    template <typename See> void all_places(bool only_strands, const See& see) const {
        for (const std::array<uint32_t, 3>& triangle : triangles) {
            for (const uint32_t corner : only_strands ? std::span<const uint32_t>() : std::span(triangle)) {
                see(points[corner]);
            }
        }
        for (const Strands& one : strands) {
            for (const Vec3f& point : one.points) {
                see(point);
            }
        }
        for (const int joint : joints) {
            see(Vec3f(point_of(pose.world[static_cast<size_t>(joint)], Vec3::Zero()).cast<float>()));
        }
    }

    /// Where it is on the ground: the eye goes along.
    [[nodiscard]] Vec3 gone() const {
        Vec3 sum = Vec3::Zero();
        size_t count = 0;
        all_places(false, [&](const Vec3f& point) {
            if (point.allFinite()) {
                sum += point.cast<double>();
                ++count;
            }
        });
        sum /= static_cast<double>(std::max<size_t>(count, 1));
        return {sum.x(), 0, sum.z()};
    }

    void frame(std::span<const double> moments, bool only_strands) {
        Bounds box; // along the eye's own axes
        double low = 1e300;
        for (const double moment : moments) {
            pose_at(moment);
            const Vec3 there = gone();
            all_places(only_strands && !strands.empty(), [&](const Vec3f& point) {
                const Vec3 at = point.cast<double>() - there;
                if (at.allFinite()) {
                    box.add(Vec3(at.dot(right), at.dot(up), at.dot(away)));
                    low = std::min(low, at.y());
                }
            });
        }
        if (box.empty()) {
            box.add(Vec3::Zero());
            low = 0;
        }
        const Vec3 centre = box.centre();
        middle = centre.x() * right + centre.y() * up + centre.z() * away;
        const Vec3 size = box.size();
        const double reach = std::max({size.x(), size.y(), 1e-6}) / 2 * frame_margin;
        distance = reach / std::tan(half_angle) + size.z() / 2;
        // It stands on the ground, or hangs where it hangs, with its shadow below.
        ground = std::min(low, std::max(0.0, low));
        framed = true;
    }
};

Studio::Studio(const Scene& scene) : held_(std::make_unique<Held>(scene)) {}
Studio::~Studio() = default;

bool Studio::is_empty() const {
    return held_->triangles.empty() && held_->strands.empty() && held_->joints.empty();
}

void Studio::choose(const Clip* clip) {
    held_->poser = std::make_unique<Poser>(held_->scene, clip);
    held_->caches.clear();
}

void Studio::choose_cache(const std::string& name) {
    choose(nullptr);
    for (const PointCache& cache : held_->scene.caches) {
        if (cache.name == name && cache.frames > 0) {
            held_->caches.push_back(&cache);
        }
    }
}

void Studio::frame(std::span<const double> seconds, bool only_strands) {
    held_->frame(seconds, only_strands);
}

namespace {

/// Blurs a mask by the mean of a square, twice each way: close to a bell.
void soften(std::vector<float>& mask, int width, int height, int radius) {
    std::vector<float> line;
    const auto along = [&](int count, const auto& at) {
        line.resize(static_cast<size_t>(count));
        float sum = 0;
        for (int i = -radius; i < count; ++i) {
            sum += i + radius < count ? at(i + radius) : 0.0F;
            sum -= i - radius - 1 >= 0 ? at(i - radius - 1) : 0.0F;
            if (i >= 0) {
                line[static_cast<size_t>(i)] = sum / static_cast<float>(2 * radius + 1);
            }
        }
        for (int i = 0; i < count; ++i) {
            at(i) = line[static_cast<size_t>(i)];
        }
    };
    for (int turn = 0; turn < 2; ++turn) {
        for (int y = 0; y < height; ++y) {
            float* row = mask.data() + static_cast<size_t>(y) * static_cast<size_t>(width);
            along(width, [row](int i) -> float& { return row[i]; });
        }
        for (int x = 0; x < width; ++x) {
            float* top = mask.data() + x;
            along(height,
                  [top, width](int i) -> float& { return top[static_cast<size_t>(i) * static_cast<size_t>(width)]; });
        }
    }
}

/// Darkens what lies in front of something much farther: the ink edge.
void ink_edges(Raster& raster, int reach, float jump) {
    const int width = raster.width();
    const int height = raster.height();
    const std::vector<float>& depths = raster.depths();
    std::vector<Vec3f>& colours = raster.colours();
    for (int y = 0; y < height; ++y) {
        for (int x = 0; x < width; ++x) {
            const size_t at = static_cast<size_t>(y) * static_cast<size_t>(width) + static_cast<size_t>(x);
            if (depths[at] <= 0) {
                continue;
            }
            const float distance = 1 / depths[at];
            bool edge = false;
            for (const auto& [dx, dy] :
                 {std::pair(reach, 0), std::pair(-reach, 0), std::pair(0, reach), std::pair(0, -reach)}) {
                const int nx = x + dx;
                const int ny = y + dy;
                const float there =
                    nx < 0 || ny < 0 || nx >= width || ny >= height
                        ? depths[at]
                        : depths[static_cast<size_t>(ny) * static_cast<size_t>(width) + static_cast<size_t>(nx)];
                edge = edge || there <= 0 || 1 / there - distance > jump;
            }
            if (edge) {
                colours[at] = 0.25F * colours[at] + 0.75F * ink;
            }
        }
    }
}

} // namespace

Pixels Studio::shoot(double seconds, const PictureLook& look) {
    assert(!is_empty());
    Held& held = *held_;
    const int samples = std::clamp(look.samples, 1, 4);
    const int width = std::clamp(look.width, 16, 2048) * samples;
    const int height = std::clamp(look.height, 16, 2048) * samples;
    if (!held.framed) {
        held.frame(std::array{0.0}, false);
    }
    held.pose_at(seconds);
    const Vec3 eye = held.middle + held.gone() + held.distance * held.away;
    const double scale = std::min(width, height) / 2.0 / std::tan(half_angle);
    const auto see = [&](const Vec3& point) {
        const Vec3 at = point - eye;
        const double depth = -at.dot(held.away);
        SeenCorner corner;
        if (depth > 1e-9 * held.distance && at.allFinite()) {
            corner.x = static_cast<float>(width / 2.0 + at.dot(held.right) / depth * scale);
            corner.y = static_cast<float>(height / 2.0 - at.dot(held.up) / depth * scale);
            corner.near = static_cast<float>(1 / depth);
        }
        return corner;
    };
    std::vector<SeenCorner> corners(held.points.size());
    for (size_t i = 0; i < corners.size(); ++i) {
        corners[i] = see(held.points[i].cast<double>());
    }
    Raster raster(width, height);
    const Vec3f to_light = (light.x() * held.right + light.y() * held.up + light.z() * held.away).cast<float>();
    const Vec3f eye_f = eye.cast<float>();
    raster.triangles(corners, held.triangles, [&](const SeenPoint& point, Vec3f& colour) {
        const std::array<uint32_t, 3>& triangle = held.triangles[point.triangle];
        const Paint& paint = held.paints[held.paint_of[point.triangle]];
        Vec3f base = paint.base;
        float alpha = paint.alpha;
        const auto mixed = [&](const Attribute& of, int k) {
            float sum = 0;
            for (size_t c = 0; c < 3; ++c) {
                sum +=
                    point.share[c] *
                    of.data[(triangle[c] - paint.first_point) * static_cast<size_t>(of.width) + static_cast<size_t>(k)];
            }
            return sum;
        };
        if (paint.colours != nullptr) {
            base =
                base.cwiseProduct(Vec3f(mixed(*paint.colours, 0), mixed(*paint.colours, 1), mixed(*paint.colours, 2)));
        }
        if (paint.image >= 0) {
            Vec3f of_image;
            alpha *= texel(held.images[static_cast<size_t>(paint.image)], paint,
                           Vec2f(mixed(*paint.coordinates, 0), mixed(*paint.coordinates, 1)), of_image);
            base = base.cwiseProduct(of_image);
        }
        if (alpha < paint.cutoff) {
            return false;
        }
        const std::array<Vec3f, 3> places = {held.points[triangle[0]], held.points[triangle[1]],
                                             held.points[triangle[2]]};
        Vec3f normal = Vec3f::Zero();
        Vec3f place = Vec3f::Zero();
        for (size_t c = 0; c < 3; ++c) {
            normal += point.share[c] * held.normals[triangle[c]];
            place += point.share[c] * places[c];
        }
        if (!(normal.squaredNorm() > 1e-12F)) {
            normal = (places[1] - places[0]).cross(places[2] - places[0]);
        }
        const Vec3f to_eye = (eye_f - place).normalized();
        normal.normalize();
        normal = normal.dot(to_eye) < 0 ? Vec3f(-normal) : normal;
        const float wrap = std::clamp((normal.dot(to_light) + 0.35F) / 1.35F, 0.0F, 1.0F);
        const float sky = 0.5F + 0.5F * normal.y();
        const Vec3f own = 0.78F * Vec3f(shown(base.x()), shown(base.y()), shown(base.z())) + 0.22F * clay;
        colour = own * (0.36F + 0.22F * sky + 0.56F * wrap);
        return true;
    });

    std::vector<SeenLine> lines;
    for (const Strands& one : held.strands) {
        const CurveSet& set =
            held.scene.curve_sets[static_cast<size_t>(held.scene.nodes[static_cast<size_t>(one.node)].curves)];
        size_t first = 0;
        for (const uint32_t count : set.counts) {
            for (uint32_t k = 0; k + 1 < count && first + k + 1 < one.points.size(); ++k) {
                const Vec3f along = one.points[first + k + 1] - one.points[first + k];
                const float length = along.norm();
                const float lit =
                    length > 0 ? std::sqrt(std::max(0.0F, 1 - std::pow(along.dot(to_light) / length, 2.0F))) : 1;
                SeenLine line;
                line.from = see(one.points[first + k].cast<double>());
                line.to = see(one.points[first + k + 1].cast<double>());
                const float thick = set.widths.size() == one.points.size() ? set.widths[first + k] : 0;
                const auto wide = static_cast<float>(thick * line.from.near * scale);
                line.width = std::isfinite(wide) ? std::clamp(wide, 1.0F, 24.0F) : 1;
                line.colour = one.colour * (0.55F + 0.6F * lit);
                lines.push_back(line);
            }
            first += count;
        }
    }
    for (const int joint : held.joints) {
        const int parent = joint_above(held.scene, joint);
        const Vec3 at = point_of(held.pose.world[static_cast<size_t>(joint)], Vec3::Zero());
        const SeenCorner own = see(at);
        lines.push_back({own, own, static_cast<float>(samples * 5), ink});
        if (parent >= 0) {
            lines.push_back({see(point_of(held.pose.world[static_cast<size_t>(parent)], Vec3::Zero())), own,
                             static_cast<float>(samples * 2), reed});
        }
    }
    raster.lines(lines);

    // What stands between the light and the ground, seen from the eye.
    std::vector<float> shadow(raster.depths().size(), 0);
    {
        Raster below(width, height);
        const Vec3 sun = Vec3(to_light.x(), std::max(to_light.y(), 0.5F), to_light.z()).cast<double>();
        const auto fallen = [&](const Vec3f& point) {
            const Vec3 at = point.cast<double>();
            return see(Vec3(at - sun * ((at.y() - held.ground) / sun.y())));
        };
        for (size_t i = 0; i < corners.size(); ++i) {
            corners[i] = fallen(held.points[i]);
        }
        below.triangles(corners, held.triangles, [](const SeenPoint&, Vec3f&) { return true; });
        for (size_t i = 0; i < shadow.size(); ++i) {
            shadow[i] = below.depths()[i] > 0 ? 1.0F : 0.0F;
        }
        soften(shadow, width, height, std::max(1, std::min(width, height) / 110));
    }
    const double reach = held.distance * std::tan(half_angle);
    ink_edges(raster, std::max(1, (samples + 1) / 2), static_cast<float>(reach * 0.05));

    Pixels fine;
    fine.width = static_cast<uint32_t>(width);
    fine.height = static_cast<uint32_t>(height);
    fine.channels = look.background ? 3 : 4;
    fine.samples.resize(shadow.size() * fine.channels);
    const auto byte = [](float value) { return static_cast<uint8_t>(std::clamp(value, 0.0F, 1.0F) * 255 + 0.5F); };
    for (size_t i = 0; i < shadow.size(); ++i) {
        uint8_t* to = fine.samples.data() + i * fine.channels;
        const float dark = 0.3F * shadow[i];
        if (raster.depths()[i] > 0) {
            for (int k = 0; k < 3; ++k) {
                to[k] = byte(raster.colours()[i][k]);
            }
        } else {
            for (int k = 0; k < 3; ++k) {
                const float back =
                    look.background ? static_cast<float>((*look.background)[static_cast<size_t>(k)]) / 255 : 0;
                to[k] = byte(look.background ? back * (1 - dark) : ink[k]);
            }
        }
        if (!look.background) {
            to[3] = raster.depths()[i] > 0 ? 255 : byte(dark);
        }
    }
    return samples == 1 ? fine
                        : smaller_image(fine, fine.width / static_cast<uint32_t>(samples),
                                        fine.height / static_cast<uint32_t>(samples));
}

} // namespace wembrix
