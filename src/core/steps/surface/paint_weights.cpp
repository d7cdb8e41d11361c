// Weights painted or typed by hand, put back onto the surface whenever the card is replayed.
#include "core/base/counted.h"
#include "core/base/text.h"
#include "core/measure/surface/closest_point.h"
#include "core/steps/step_kind.h"
#include "core/steps/surface/weight_scope.h"
#include "core/steps/surface/weight_strokes.h"

#include <algorithm>
#include <optional>
#include <set>
#include <tbb/blocked_range.h>
#include <tbb/parallel_for.h>

namespace wembrix {

namespace {

enum class Follow : uint8_t { best, order, place };

struct PaintSettings {
    std::string surface;
    std::vector<std::string> joints;
    std::vector<std::string> strokes;
    std::string painted_on;
    Follow follow = Follow::best;
    double distance_mm = 5;
};

/// What the step needs of its arrays: later strokes over earlier ones.
struct Painted {
    PaintedRows rows;
    PaintedSurface surface;
};

Result<Painted> read_painted(const StepContext& context, const PaintSettings& settings) {
    Painted painted;
    for (const std::string& stroke : settings.strokes) {
        const Result<const std::string*> bytes = step_array(context, stroke);
        if (!bytes) {
            return bytes.problem();
        }
        Result<PaintedRows> rows = stroke_from_bytes(**bytes);
        if (!rows) {
            return rows.problem();
        }
        for (auto& [vertex, row] : *rows) {
            painted.rows.insert_or_assign(vertex, std::move(row));
        }
    }
    const Result<const std::string*> bytes = step_array(context, settings.painted_on);
    if (!bytes) {
        return bytes.problem();
    }
    Result<PaintedSurface> surface = surface_from_bytes(**bytes);
    if (!surface) {
        return surface.problem();
    }
    painted.surface = surface.take();
    if (!painted.rows.empty() && painted.rows.rbegin()->first >= painted.surface.places.size()) {
        return Problem{"what was painted is on vertices that its surface did not have.", "", ""};
    }
    return painted;
}

bool stands_where_it_was(const Painted& painted, const Mesh& mesh) {
    Vec3f low = Vec3f::Constant(1e30F);
    Vec3f high = -low;
    for (const Vec3f& place : painted.surface.places) {
        low = low.cwiseMin(place);
        high = high.cwiseMax(place);
    }
    const float near = (high - low).norm() * 1e-5F;
    return std::all_of(painted.rows.begin(), painted.rows.end(), [&](const auto& one) {
        return (painted.surface.places[one.first] - mesh.positions[one.first]).norm() <= near;
    });
}

/// Rows for the surface's own vertices, and how they were found.
struct Placed {
    PaintedRows rows;
    size_t unplaced = 0; ///< of the painted vertices
    std::string how;
};

/// Each vertex takes what was painted at the nearest place of the surface that was painted; where only some corners of
/// the triangle there were painted, the rest of it from what the vertex has.
Placed place_by_distance(const Painted& painted, const Mesh& mesh, const Influences& own, double within_m,
                         const std::vector<int>& places) {
    Placed placed;
    const ClosestPoint theirs(painted.surface.places, painted.surface.triangles);
    std::vector<SurfacePlace> nearest(mesh.point_count());
    tbb::parallel_for(tbb::blocked_range<size_t>(0, nearest.size(), 256), [&](const auto& range) {
        for (size_t v = range.begin(); v < range.end(); ++v) {
            nearest[v] = theirs.nearest(mesh.positions[v], within_m);
        }
    });
    WeightRow before;
    for (size_t v = 0; v < nearest.size(); ++v) {
        if (nearest[v].triangle == SurfacePlace::none) {
            continue;
        }
        WeightRow row;
        double from_own = 0;
        for (size_t c = 0; c < 3; ++c) {
            const auto share = static_cast<double>(nearest[v].share.at(c));
            const auto found = painted.rows.find(painted.surface.triangles[nearest[v].triangle].at(c));
            if (found == painted.rows.end()) {
                from_own += share;
                continue;
            }
            for (const Weight& one : found->second) {
                if (one.joint < places.size() && places[one.joint] >= 0 && share > 0) {
                    add_weight(row, static_cast<uint16_t>(places[one.joint]), share * one.weight);
                }
            }
        }
        if (from_own > 0.999 || row.empty()) {
            continue;
        }
        read_row(own, v, before);
        for (const Weight& one : before) {
            add_weight(row, one.joint, from_own * one.weight);
        }
        placed.rows.emplace_hint(placed.rows.end(), static_cast<uint32_t>(v), std::move(row));
    }
    const PaintedSurface now = painted_surface(mesh);
    const ClosestPoint ours(now.places, now.triangles);
    for (const auto& [vertex, row] : painted.rows) {
        placed.unplaced +=
            ours.nearest(painted.surface.places[vertex], within_m).triangle == SurfacePlace::none ? 1 : 0;
    }
    placed.how = phrase("by place: the surface has other vertices now; {} of {} have nothing within {:g} mm",
                        placed.unplaced, painted.rows.size(), within_m * 1000);
    return placed;
}

Placed place_rows(const Painted& painted, const Mesh& mesh, const Influences& own, const PaintSettings& settings,
                  const std::vector<int>& places) {
    const bool same_count = mesh.point_count() == painted.surface.places.size();
    const bool stands = same_count && settings.follow == Follow::best && stands_where_it_was(painted, mesh);
    const bool same_order =
        settings.follow == Follow::order ||
        (settings.follow == Follow::best && same_count && painted_surface(mesh).triangles == painted.surface.triangles);
    if (!stands && !same_order) {
        return place_by_distance(painted, mesh, own, settings.distance_mm / 1000, places);
    }
    Placed placed;
    for (const auto& [vertex, painted_row] : painted.rows) {
        if (vertex >= mesh.point_count()) {
            ++placed.unplaced;
            continue;
        }
        WeightRow row;
        for (const Weight& one : painted_row) {
            if (one.joint < places.size() && places[one.joint] >= 0) {
                add_weight(row, static_cast<uint16_t>(places[one.joint]), one.weight);
            }
        }
        placed.rows.emplace_hint(placed.rows.end(), vertex, std::move(row));
    }
    placed.how = stands ? "each where it was" : "by the order of vertices";
    if (placed.unplaced > 0) {
        placed.how += phrase("; {} are beyond the last vertex", placed.unplaced);
    }
    return placed;
}

Result<StepResult> apply_paint_weights(const StepContext& context, const PaintSettings& settings) {
    const int surface = context.scene.find_node(settings.surface);
    if (surface < 0 || context.scene.nodes[static_cast<size_t>(surface)].skin < 0 ||
        context.scene.nodes[static_cast<size_t>(surface)].influences.empty()) {
        return Problem{phrase("no surface under a skin is called \"{}\".", settings.surface), "", ""};
    }
    Result<Painted> painted = read_painted(context, settings);
    if (!painted) {
        return painted.problem();
    }
    StepResult result{context.scene, {}, {}};
    const Node& node = context.scene.nodes[static_cast<size_t>(surface)];
    std::set<uint16_t> used;
    for (const auto& [vertex, row] : painted->rows) {
        for (const Weight& one : row) {
            used.insert(one.joint);
        }
    }
    std::vector<int> places(settings.joints.size(), -1);
    for (const uint16_t joint : used) {
        const int at = joint < settings.joints.size() ? context.scene.find_node(settings.joints[joint]) : -1;
        if (at >= 0 && context.scene.nodes[static_cast<size_t>(at)].kind == NodeKind::joint) {
            places[joint] = place_in_skin(result.scene, node.skin, at);
        }
    }
    const Mesh& mesh = context.scene.meshes[static_cast<size_t>(node.mesh)];
    Placed placed = place_rows(*painted, mesh, node.influences, settings, places);
    size_t unheld = 0;
    unheld += change_rows(result.scene, surface, {}, [&](size_t vertex, WeightRow& row) {
        const auto found = placed.rows.find(static_cast<uint32_t>(vertex));
        if (found == placed.rows.end()) {
            return false;
        }
        row = found->second;
        return true;
    });
    result.account = phrase("{} of {} weighted by hand in {}, {}", counted(placed.rows.size() - unheld, "vertex"),
                            settings.surface, counted(settings.strokes.size(), "stroke"), placed.how);
    if (placed.unplaced > 0) {
        result.could_not.push_back(phrase("{} of {} that were painted could not be found again",
                                          counted(placed.unplaced, "vertex"), painted->rows.size()));
    }
    if (unheld > 0) {
        result.could_not.push_back(
            phrase("{} keep what they had: no joint that they were painted with is there", counted(unheld, "vertex")));
    }
    return result;
}

} // namespace

StepKind paint_weights_step() {
    return make_step<PaintSettings>(
        {"paint_weights", "Painted weights", "What was painted or typed by hand stays when the source comes again.",
         StepSubject::surface},
        {text<&PaintSettings::surface>("surface", "Surface", "The surface that was painted")
             .needed()
             .naming(NameOf::surface),
         list<&PaintSettings::joints>("joints", "Joints",
                                      "Whose weights were painted; strokes name them by their place")
             .naming(NameOf::joint)
             .unseen(),
         list<&PaintSettings::strokes>("strokes", "Strokes", "What each stroke left, one array a stroke").naming_data(),
         text<&PaintSettings::painted_on>("painted_on", "Painted on", "The vertices that it was painted on")
             .needed()
             .naming_data(),
         choice<&PaintSettings::follow>("follow", "Find vertices", {"best", "order", "place"},
                                        "How vertices are found again on another version of the surface; best: where "
                                        "they were, else by their order, else by place"),
         number<&PaintSettings::distance_mm>("distance_mm", "Within", "How far away, where they are found by place")
             .unit("mm")
             .above(0)},
        apply_paint_weights);
}

} // namespace wembrix
