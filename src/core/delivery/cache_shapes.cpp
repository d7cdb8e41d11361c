#include "core/delivery/cache_shapes.h"

#include "core/base/counted.h"
#include "core/base/text.h"
#include "core/delivery/point_claims.h"
#include "core/destination/fit_images.h"
#include "core/destination/prune.h"
#include "core/measure/skeleton/pose.h"
#include "core/measure/surface/deform.h"
#include "core/measure/surface/rest_places.h"

#include <algorithm>
#include <cmath>
#include <fmt/format.h>

namespace wembrix {

namespace {

constexpr double normals_off = 5 * M_PI / 180;

struct KeptFrame {
    std::vector<Vec3f> points, normals;
};

std::vector<KeptFrame> all_frames(const MovingPoints& moving) {
    std::vector<KeptFrame> frames(static_cast<size_t>(moving.frames));
    for (int f = 0; f < moving.frames; ++f) {
        KeptFrame& frame = frames[static_cast<size_t>(f)];
        if (!moving.at(f, frame.points, frame.normals)) {
            return {};
        }
    }
    return frames;
}

bool is_near(const KeptFrame& from, const KeptFrame& to, const KeptFrame& between, float part, float limit_m,
             bool has_normals) {
    for (size_t v = 0; v < between.points.size(); ++v) {
        const Vec3f at = from.points[v] + part * (to.points[v] - from.points[v]);
        if (!((at - between.points[v]).squaredNorm() <= limit_m * limit_m)) {
            return false;
        }
        if (has_normals && between.normals[v].squaredNorm() > 0.5F) {
            const Vec3f normal = (from.normals[v] + part * (to.normals[v] - from.normals[v])).normalized();
            if (!((normal - between.normals[v]).norm() <= static_cast<float>(0.98 * normals_off))) {
                return false;
            }
        }
    }
    return true;
}

std::vector<int> needed(const std::vector<KeptFrame>& frames, double limit_mm, bool has_normals) {
    if (frames.empty()) {
        return {};
    }
    const auto limit = static_cast<float>(0.98 * limit_mm / 1000); // room for rounding in the file
    const auto reaches = [&](int from, int to) {
        for (int f = from + 1; f < to; ++f) {
            const float part = static_cast<float>(f - from) / static_cast<float>(to - from);
            if (!is_near(frames[static_cast<size_t>(from)], frames[static_cast<size_t>(to)],
                         frames[static_cast<size_t>(f)], part, limit, has_normals)) {
                return false;
            }
        }
        return true;
    };
    const int last = static_cast<int>(frames.size()) - 1;
    std::vector<int> kept = {0};
    while (kept.back() < last) {
        // Twice as far each time until it is too far, then the middle between what is and what is not.
        const int from = kept.back();
        int good = from + 1;
        int bad = last + 1;
        for (int step = 2; from + step <= last; step *= 2) {
            if (!reaches(from, from + step)) {
                bad = from + step;
                break;
            }
            good = from + step;
        }
        if (bad > last && good < last) {
            (reaches(from, last) ? good : bad) = last;
        }
        while (good < last && bad - good > 1) {
            const int middle = (good + bad) / 2;
            (reaches(from, middle) ? good : bad) = middle;
        }
        kept.push_back(good);
    }
    return kept;
}

/// What differs from rest alone.
MorphTarget shape_of(const KeptFrame& rest, const KeptFrame& frame, bool has_normals, std::string name) {
    MorphTarget shape;
    shape.name = std::move(name);
    std::vector<uint32_t> points;
    std::vector<Vec3f> positions;
    std::vector<Vec3f> normals;
    for (size_t v = 0; v < rest.points.size(); ++v) {
        const Vec3f moved = frame.points[v] - rest.points[v];
        const Vec3f turned = has_normals ? Vec3f(frame.normals[v] - rest.normals[v]) : Vec3f(Vec3f::Zero());
        if (moved.squaredNorm() > 0 || turned.squaredNorm() > 0) {
            points.push_back(static_cast<uint32_t>(v));
            positions.push_back(moved);
            normals.push_back(turned);
        }
    }
    shape.points = std::move(points);
    shape.positions = std::move(positions);
    shape.has_normals = has_normals;
    if (has_normals) {
        shape.normals = std::move(normals);
    }
    return shape;
}

/// One shape after another: each wholly in at its frame, and none before the last and after the next.
Clip clip_of(const MovingPart& part, const MovingPoints& moving, const std::vector<int>& kept) {
    Clip clip;
    clip.name = part.order.clip;
    clip.rate = moving.rate;
    clip.seconds = std::max(0, moving.frames - 1) / moving.rate;
    Channel channel;
    channel.node = 0;
    channel.path = Path::weights;
    channel.width = static_cast<int>(kept.size());
    std::vector<float> times;
    std::vector<float> values(kept.size() * kept.size(), 0.F);
    for (size_t k = 0; k < kept.size(); ++k) {
        times.push_back(static_cast<float>(kept[k] / moving.rate));
        values[k * kept.size() + k] = 1;
    }
    channel.times = std::move(times);
    channel.values = std::move(values);
    clip.channels = {std::move(channel)};
    return clip;
}

} // namespace

std::vector<MovingPart> shape_parts(const Scene& prepared) {
    return ordered_parts(prepared, CacheAs::shapes);
}

double limit_of(const MovingPart& part, const Destination& destination) {
    return part.order.limit_mm > 0 ? part.order.limit_mm : destination.drift_limit_mm;
}

std::vector<int> frames_needed(const MovingPoints& moving, double limit_mm) {
    return needed(all_frames(moving), limit_mm, moving.has_normals);
}

Conformed conform_shapes(const Scene& prepared, const MovingPart& part, const Destination& destination) {
    Conformed result;
    Scene& scene = result.scene;
    scene = alone(prepared, part);
    // Its looks go with it: it stands for itself.
    scene.materials = prepared.materials;
    scene.images = prepared.images;
    scene.textures = prepared.textures;
    scene.samplers = prepared.samplers;
    Mesh& mesh = scene.meshes[0];
    const std::vector<Primitive>& before =
        prepared.meshes[static_cast<size_t>(prepared.nodes[static_cast<size_t>(part.node)].mesh)].primitives;
    for (size_t p = 0; p < mesh.primitives.size(); ++p) {
        mesh.primitives[p].material = before[p].material;
        mesh.primitives[p].has_tangents = false;
    }
    const MovingPoints moving = frames_of(prepared, part, destination);
    const std::vector<KeptFrame> frames = all_frames(moving);
    const std::vector<int> kept = needed(frames, limit_of(part, destination), moving.has_normals);
    const KeptFrame rest{mesh.positions.get(), mesh.normals.get()};
    for (const int f : kept) {
        mesh.shapes.push_back(
            shape_of(rest, frames[static_cast<size_t>(f)], moving.has_normals, fmt::format("frame_{:04}", f)));
    }
    if (!kept.empty()) {
        scene.clips = {clip_of(part, moving, kept)};
    }
    if (const Format* format = format_with_id(destination.container)) {
        drop_not_held(scene, format->writes);
    }
    drop_unused_materials(scene);
    fit_images(scene, destination);
    result.account = phrase("{} of {} as shapes", counted(kept.size(), "frame"), static_cast<size_t>(moving.frames));
    return result;
}

void check_shapes(const Scene& prepared, const MovingPart& part, const Scene& arrived, const Destination& destination,
                  Arrival& arrival) {
    const auto claim = [&](Text name, Text expected, Text actual, bool pass, const Text& detail) {
        arrival.claims.push_back({std::move(name), std::move(expected), std::move(actual), pass, pass ? "" : detail});
    };
    const Scene should = alone(prepared, part);
    const MovingPoints moving = frames_of(prepared, part, destination);
    const int node = arrived.find_node(should.nodes[0].name);
    const int place = node < 0 ? -1 : arrived.nodes[static_cast<size_t>(node)].mesh;
    const Mesh* mesh = place < 0 ? nullptr : &arrived.meshes[static_cast<size_t>(place)];
    arrival.claims.push_back(surface_claim(should.meshes[0], mesh));
    const bool has_counts = arrival.claims.back().pass;
    const size_t shapes = mesh == nullptr ? 0 : mesh->shapes.size();
    claim("Shapes",
          destination.shapes < 0 ? Text("each frame that is needed") : phrase("at most {}", destination.shapes),
          counted(shapes, "shape"),
          shapes > 0 && (destination.shapes < 0 || shapes <= static_cast<size_t>(destination.shapes)),
          shapes == 0 ? "no shapes arrived" : "the destination takes fewer; allow more drift, or take a shorter range");
    const Clip* clip = arrived.find_clip(part.order.clip);
    arrival.claims.push_back(
        frames_claim({moving.frames, moving.rate},
                     {clip == nullptr ? 0 : clip->frames(moving.rate), clip == nullptr ? 0 : moving.rate}));
    Drift& drift = arrival.drift;
    drift.place = should.nodes[0].name;
    drift.clip = part.order.clip;
    double widest = 0;
    if (has_counts && clip != nullptr) {
        arrival.claims.push_back(size_claim(should.meshes[0].positions.get(), rest_places(arrived, node), destination));
        Deformer deformer(arrived, {node});
        const Poser poser(arrived, clip);
        Pose pose;
        KeptFrame a;
        KeptFrame b;
        b.points.resize(deformer.point_count());
        b.normals.resize(deformer.point_count());
        for (int f = 0; f < moving.frames; ++f) {
            if (!moving.at(f, a.points, a.normals)) {
                break;
            }
            poser.at(f / moving.rate, pose);
            deformer.points_and_normals(pose, b.points, b.normals);
            double worst = 0;
            for (size_t v = 0; v < a.points.size(); ++v) {
                const double apart = static_cast<double>((a.points[v] - b.points[v]).norm()) * 1000;
                if (is_worse(apart, drift.largest_mm)) {
                    drift.largest_mm = apart;
                    drift.frame = f;
                    drift.point = v;
                }
                worst = std::max(worst, apart);
                if (moving.has_normals && a.normals[v].squaredNorm() > 0.5F) {
                    widest = std::max(widest, static_cast<double>((a.normals[v] - b.normals[v]).norm()));
                }
            }
            drift.per_frame_mm.push_back(static_cast<float>(worst));
            drift.points_compared = a.points.size();
        }
    }
    if (moving.has_normals) {
        claim("Normals", "within 5°", fmt::format("{:.3f}°", widest * 180 / M_PI),
              drift.points_compared > 0 && widest <= normals_off, "they point another way");
    }
    const double limit = limit_of(part, destination);
    claim("Drift", phrase("at most {:g} mm", limit), phrase("{:.4f} mm", drift.largest_mm),
          drift.points_compared > 0 && drift.largest_mm <= limit,
          drift.points_compared == 0
              ? "nothing could be put together"
              : phrase("{:.3f} mm, frame {}; the limit is {:g} mm", drift.largest_mm, drift.frame, limit));
    arrival.scene = std::make_shared<const Scene>(arrived);
    settle_state(arrival);
}

} // namespace wembrix
