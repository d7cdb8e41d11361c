// Points of a mesh or of curves at several moments: a cache.
#include "core/base/counted.h"
#include "core/base/text.h"
#include "core/formats/usd/read_parts.h"

#include <algorithm>
#include <atomic>
#include <cmath>
#include <cstring>
#include <tbb/parallel_for.h>

namespace wembrix::usd {

namespace {
/// Unit normals at the very frames that the points have, one a vertex; else none, and a note where there are some.
/// `vertices`: 0 where vertices are not the file's points.
std::vector<Vec3f> normals_over_time(Reading& reading, const Prim& prim, const std::string& path,
                                     const std::vector<const Sample*>& points, size_t vertices, int frames) {
    const Property* property = prim.property("normals");
    if (property == nullptr || property->samples.size() < 2) {
        return {};
    }
    std::vector<Vec3f> normals;
    bool fits =
        vertices > 0 && points.size() == static_cast<size_t>(frames) && property->samples.size() == points.size();
    for (size_t f = 0; fits && f < points.size(); ++f) {
        const Sample& sample = property->samples[f];
        fits = std::abs(sample.time - points[f]->time) < 1e-9 * (1 + std::abs(sample.time)) &&
               sample.value.type().kind == Kind::float32 && sample.value.type().width == 3 &&
               sample.value.size() == vertices;
        if (fits) {
            const size_t before = normals.size();
            normals.resize(before + vertices);
            std::memcpy(static_cast<void*>(normals.data() + before), sample.value.bytes().data(),
                        vertices * sizeof(Vec3f));
        }
    }
    if (!fits) {
        reading.note(path, "has normals over time that do not go with its points; they are left out.");
        return {};
    }
    for (Vec3f& normal : normals) {
        const float length = normal.norm();
        normal = std::isfinite(length) && length > 1e-20F ? Vec3f(normal / length) : Vec3f(Vec3f::Zero());
    }
    return normals;
}
} // namespace

void read_cache(Reading& reading, const Prim& prim, const std::string& path, int node, size_t points,
                const std::vector<uint32_t>& point_of) {
    const Property* property = prim.property("points");
    if (property == nullptr || property->samples.size() < 2) {
        return;
    }
    std::vector<const Sample*> samples;
    size_t unlike = 0;
    for (const Sample& sample : property->samples) {
        const bool fits = sample.value.type().kind == Kind::float32 && sample.value.size() == points;
        unlike += fits ? 0 : 1;
        if (fits) {
            samples.push_back(&sample);
        }
    }
    if (unlike > 0) {
        reading.note(path, phrase("{} have another number of points and are left out.", counted(unlike, "moment")));
    }
    if (samples.size() < 2) {
        return;
    }
    // At the pace of the samples, where that is even; else at that of the file.
    double step = samples[1]->time - samples[0]->time;
    for (size_t s = 2; s < samples.size(); ++s) {
        if (std::abs(samples[s]->time - samples[s - 1]->time - step) > 1e-6 * std::abs(step)) {
            step = 1;
            break;
        }
    }
    const double length = samples.back()->time - samples.front()->time;
    constexpr double most_frames = 1e6;
    if (!(step > 0) || length / step > most_frames) {
        reading.note(path, "has points over time that are too many; they are left out.");
        return;
    }
    PointCache cache;
    cache.name = shown_name(prim);
    cache.surface = node;
    cache.rate = reading.codes_per_second / step;
    cache.frames = static_cast<int>(std::floor(length / step + 1e-6)) + 1;
    const size_t vertices = point_of.empty() ? points : point_of.size();
    if (static_cast<double>(vertices) * cache.frames > 1.5e9) {
        reading.note(path, "has points over time that are too many; they are left out.");
        return;
    }
    bool is_plain = true; // each vertex is the point of its number
    for (size_t v = 0; v < point_of.size(); ++v) {
        is_plain = is_plain && point_of[v] == v;
    }
    /// Between which samples each frame lies.
    struct Between {
        const char* low;
        const char* high;
        float along;
    };
    std::vector<Between> frames;
    size_t at = 0;
    for (int f = 0; f < cache.frames; ++f) {
        const double time = samples.front()->time + f * step;
        while (at + 1 < samples.size() && samples[at + 1]->time <= time + 1e-6 * step) {
            ++at;
        }
        const auto* low = reinterpret_cast<const char*>(samples[at]->value.bytes().data());
        const bool between = at + 1 < samples.size() && time > samples[at]->time + 1e-6 * step;
        frames.push_back(
            {low, between ? reinterpret_cast<const char*>(samples[at + 1]->value.bytes().data()) : low,
             between ? static_cast<float>((time - samples[at]->time) / (samples[at + 1]->time - samples[at]->time))
                     : 0});
    }
    std::vector<Vec3f> positions(vertices * frames.size());
    std::atomic<bool> any_nowhere = false;
    tbb::parallel_for(size_t(0), frames.size(), [&](size_t f) {
        const Between& of = frames[f];
        Vec3f* to = positions.data() + f * vertices;
        if (of.low == of.high && is_plain) {
            std::memcpy(static_cast<void*>(to), of.low, vertices * sizeof(Vec3f));
        } else {
            for (size_t v = 0; v < vertices; ++v) {
                const size_t point = point_of.empty() ? v : point_of[v];
                Vec3f a;
                Vec3f b;
                std::copy_n(of.low + point * 12, 12, reinterpret_cast<char*>(a.data()));
                std::copy_n(of.high + point * 12, 12, reinterpret_cast<char*>(b.data()));
                to[v] = of.low == of.high ? a : Vec3f(a + of.along * (b - a));
            }
        }
        // A sum of what is finite is, unless it is too large: looked at one by one only then.
        if (std::isfinite(
                Eigen::Map<const Eigen::ArrayXf>(to->data(), static_cast<Eigen::Index>(3 * vertices)).abs().sum())) {
            return;
        }
        for (size_t v = 0; v < vertices; ++v) {
            if (!to[v].allFinite()) {
                any_nowhere = true;
                to[v].setZero();
            }
        }
    });
    if (any_nowhere) {
        reading.note(path, "has points over time that lie nowhere; they were put at its origin.");
    }
    cache.positions = std::move(positions);
    cache.normals = normals_over_time(reading, prim, path, samples, is_plain ? vertices : 0, cache.frames);
    reading.scene.caches.push_back(std::move(cache));
}

} // namespace wembrix::usd
