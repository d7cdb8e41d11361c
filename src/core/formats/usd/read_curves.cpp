// Curves (schema “BasisCurves”): lines as they are, others as points on them.
#include "core/base/counted.h"
#include "core/base/text.h"
#include "core/formats/usd/read_parts.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <numeric>

namespace wembrix::usd {

namespace {

enum class Basis : uint8_t { linear, bezier, bspline, catmull_rom };

/// Weights of four points for a place along a piece, 0 to 1 (core specification, “BasisCurves”).
std::array<double, 4> weights_of(Basis basis, double t) {
    const double s = 1 - t;
    switch (basis) {
    case Basis::bezier:
        return {s * s * s, 3 * s * s * t, 3 * s * t * t, t * t * t};
    case Basis::bspline:
        return {s * s * s / 6, (3 * t * t * t - 6 * t * t + 4) / 6, (-3 * t * t * t + 3 * t * t + 3 * t + 1) / 6,
                t * t * t / 6};
    default:
        return {(-t * t * t + 2 * t * t - t) / 2, (3 * t * t * t - 5 * t * t + 2) / 2,
                (-3 * t * t * t + 4 * t * t + t) / 2, (t * t * t - t * t) / 2};
    }
}

/// A point as so much of each of some control points.
struct Blend {
    std::array<uint32_t, 4> from;
    std::array<float, 4> by;
};

/// For each curve what its points are made of. A pinned curve goes on beyond its ends by as much as before them.
void blend_curve(Basis basis, bool pinned, uint32_t first, uint32_t count, std::vector<Blend>& to) {
    if (basis == Basis::linear || count < (pinned && basis != Basis::bezier ? 2 : 4)) {
        for (uint32_t p = 0; p < count; ++p) {
            to.push_back({{first + p, first + p, first + p, first + p}, {1, 0, 0, 0}});
        }
        return;
    }
    const auto last_point = static_cast<int64_t>(count) - 1;
    const bool goes_beyond = pinned && basis != Basis::bezier;
    const int64_t step = basis == Basis::bezier ? 3 : 1;
    const int64_t last = goes_beyond ? last_point - 2 : last_point - 3;
    constexpr int parts = 4; // points a piece
    for (int64_t at = goes_beyond ? -1 : 0; at <= last; at += step) {
        const bool is_last = at + step > last;
        for (int k = 0; k < parts + (is_last ? 1 : 0); ++k) {
            std::array<double, 4> weights = weights_of(basis, static_cast<double>(k) / parts);
            Blend blend{};
            for (size_t c = 0; c < 4; ++c) {
                blend.from[c] =
                    first + static_cast<uint32_t>(std::clamp<int64_t>(at + static_cast<int64_t>(c), 0, last_point));
            }
            if (at < 0) { // 2 p0 - p1 stands before p0
                weights[1] += 2 * weights[0];
                weights[2] -= weights[0];
                weights[0] = 0;
            }
            if (at + 3 > last_point) {
                weights[2] += 2 * weights[3];
                weights[1] -= weights[3];
                weights[3] = 0;
            }
            std::transform(weights.begin(), weights.end(), blend.by.begin(),
                           [](double w) { return static_cast<float>(w); });
            to.push_back(blend);
        }
    }
}

} // namespace

void read_curves(Reading& reading, const Prim& prim, const std::string& path, int node, const Inherited& inherited) {
    const std::vector<float> numbers = floats_of(prim, "points");
    const std::vector<int64_t> counts = integers_of(prim, "curveVertexCounts");
    const size_t points = numbers.size() / 3;
    size_t total = 0;
    for (const int64_t count : counts) {
        if (count < 0 || static_cast<size_t>(count) > points - total) {
            reading.note(path, "counts more points than it has; its curves are left out.");
            return;
        }
        total += static_cast<size_t>(count);
    }
    const std::string type = text_of(prim, "type").value_or("cubic");
    const std::string named = text_of(prim, "basis").value_or("bezier");
    const std::string wrap = text_of(prim, "wrap").value_or("nonperiodic");
    const Basis basis = type == "linear"     ? Basis::linear
                        : named == "bspline" ? Basis::bspline
                        : named == "bezier"  ? Basis::bezier
                                             : Basis::catmull_rom;
    if (wrap == "periodic") {
        reading.note(path, "has closed curves; they are taken as open ones.");
    }
    std::vector<Blend> blends;
    std::vector<uint32_t> new_counts;
    uint32_t first = 0;
    for (const int64_t count : counts) {
        if (basis == Basis::linear) { // its points are those of the file
            new_counts.push_back(static_cast<uint32_t>(count));
            continue;
        }
        const size_t before = blends.size();
        blend_curve(basis, wrap == "pinned", first, static_cast<uint32_t>(count), blends);
        new_counts.push_back(static_cast<uint32_t>(blends.size() - before));
        first += static_cast<uint32_t>(count);
    }
    const size_t made_points = basis == Basis::linear ? total : blends.size();
    if (basis != Basis::linear) {
        reading.note(
            path, phrase("its {} curves became lines of {} from {}.", named, counted(blends.size(), "point"), total));
    }
    size_t astray = 0;
    for (size_t p = 0; p < points; ++p) {
        const bool is_placed =
            std::isfinite(numbers[p * 3]) && std::isfinite(numbers[p * 3 + 1]) && std::isfinite(numbers[p * 3 + 2]);
        astray += is_placed ? 0 : 1;
    }
    if (astray > 0) {
        reading.note(path, phrase("{} without a place put at its origin.", counted(astray, "point")));
    }
    const auto blended = [&](const float* from) {
        std::vector<Vec3f> made;
        made.reserve(made_points);
        for (size_t p = 0; p < made_points && basis == Basis::linear; ++p) {
            const Vec3f at(from[p * 3], from[p * 3 + 1], from[p * 3 + 2]);
            made.push_back(at.allFinite() ? at : Vec3f(Vec3f::Zero()));
        }
        for (const Blend& blend : blends) {
            Vec3f at = Vec3f::Zero();
            for (size_t c = 0; c < 4; ++c) {
                if (blend.by[c] != 0) {
                    at += blend.by[c] *
                          Vec3f(from[blend.from[c] * 3], from[blend.from[c] * 3 + 1], from[blend.from[c] * 3 + 2]);
                }
            }
            made.push_back(at.allFinite() ? at : Vec3f(Vec3f::Zero()));
        }
        return made;
    };
    CurveSet curves;
    curves.name = shown_name(prim);
    curves.counts = std::move(new_counts);
    curves.points = blended(numbers.data());
    const std::string own = target_of(prim, "material:binding");
    curves.material = material_at(reading, own.empty() ? inherited.material : own);

    // Widths: one for all, one a curve, or one a point.
    for (const char* name : {"primvars:widths", "widths"}) {
        const Property* property = prim.property(name);
        if (property == nullptr || !curves.widths.empty()) {
            continue;
        }
        const std::vector<float> widths = floats_of(prim, name);
        std::vector<float> each;
        size_t curve = 0;
        size_t left = 0;
        each.reserve(made_points);
        for (size_t p = 0; p < made_points; ++p) {
            while (left == 0 && curve < curves.counts.size()) {
                left = curves.counts[curve++];
            }
            --left;
            float width = 0;
            if (widths.size() == 1) {
                width = widths[0];
            } else if (widths.size() == points && basis == Basis::linear) {
                width = widths[p];
            } else if (widths.size() == points) {
                for (size_t c = 0; c < 4; ++c) {
                    width += blends[p].by[c] * widths[blends[p].from[c]];
                }
            } else if (widths.size() == counts.size()) {
                width = widths[curve - 1];
            } else {
                break;
            }
            each.push_back(std::isfinite(width) ? std::max(width, 0.F) : 0);
        }
        if (each.size() == made_points) {
            curves.widths = std::move(each);
        } else if (!widths.empty()) {
            reading.note(path, "has widths that do not go with its points; they are left out.");
        }
    }
    const std::vector<int64_t> triangles = integers_of(prim, "primvars:rootTriangle");
    const std::vector<float> places = floats_of(prim, "primvars:rootPlace");
    const std::string grows_on = target_of(prim, "rootSurface");
    const bool has_roots = !counts.empty() && triangles.size() == counts.size() && places.size() == 2 * counts.size();
    if (has_roots) {
        std::vector<CurveRoot> roots;
        for (size_t c = 0; c < counts.size(); ++c) {
            const int64_t triangle = triangles[c];
            roots.push_back({triangle < 0 || triangle > 0xFFFFFFFE ? 0xFFFFFFFFU : static_cast<uint32_t>(triangle),
                             places[2 * c], places[2 * c + 1]});
        }
        curves.roots = std::move(roots);
        if (!grows_on.empty()) { // else it grows on what is not in the file
            reading.root_surfaces.emplace_back(reading.scene.curve_sets.size(), grows_on);
        }
    }
    for (const Property& property : prim.properties) {
        if (has_roots && property.name.starts_with("primvars:root")) {
            continue;
        }
        if (!property.name.starts_with("primvars:") || property.name == "primvars:widths" ||
            property.name.ends_with(":indices")) {
            continue;
        }
        const Value* value = value_of(prim, property.name);
        const std::string name = property.name.substr(9);
        if (value != nullptr && value->type().is_array && value->type().is_number() && value->size() == counts.size() &&
            value->type().width <= 16) {
            curves.per_curve.push_back({name, value->type().width, value->numbers<float>(), {}});
        } else {
            reading.note(path, phrase("its “{}” is not one value a curve and stays behind.", name));
        }
    }
    reading.scene.nodes[static_cast<size_t>(node)].curves = static_cast<int>(reading.scene.curve_sets.size());
    reading.scene.curve_sets.push_back(std::move(curves));
    if (basis == Basis::linear) {
        std::vector<uint32_t> counted_points(total);
        std::iota(counted_points.begin(), counted_points.end(), 0U);
        read_cache(reading, prim, path, node, points, counted_points);
    } else if (const Property* property = prim.property("points");
               property != nullptr && property->samples.size() > 1) {
        reading.note(path, "moves, which only curves of straight lines may here; it stands as it is at first.");
    }
}

void root_curves(Reading& reading) {
    Scene& scene = reading.scene;
    for (const auto& [set, path] : reading.root_surfaces) {
        CurveSet& curves = scene.curve_sets[set];
        const auto found = reading.nodes.find(path);
        int node = found == reading.nodes.end() ? -1 : found->second;
        if (const auto merged = reading.merged.find(node); merged != reading.merged.end()) {
            node = merged->second;
        }
        const int mesh = node < 0 ? -1 : scene.nodes[static_cast<size_t>(node)].mesh;
        const size_t triangles = mesh < 0 ? 0 : scene.meshes[static_cast<size_t>(mesh)].triangle_count();
        const bool are_there = std::all_of(curves.roots.begin(), curves.roots.end(), [&](const CurveRoot& root) {
            return root.triangle < triangles && std::isfinite(root.u) && std::isfinite(root.v);
        });
        if (are_there && mesh >= 0) {
            curves.surface = node;
        } else {
            curves.roots = {};
            reading.note(curves.name, "is rooted on a surface that is not there.");
        }
    }
}

} // namespace wembrix::usd
