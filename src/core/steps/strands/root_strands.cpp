// Puts curves that were brought in onto the surface that they belong to.
#include "core/base/counted.h"
#include "core/base/text.h"
#include "core/scene/visit.h"
#include "core/steps/step_kind.h"
#include "core/steps/strands/strand_sets.h"

#include <Eigen/LU>
#include <algorithm>
#include <cmath>

namespace wembrix {

namespace {

struct RootStrandsSettings {
    std::string strands;
    std::string surface;
    double factor = 1;
    enum class Turn : uint8_t { none, z_up, y_down, x_up };
    Turn turn = Turn::none;
    double distance_mm = 20;
    bool moved = false;
};

Result<StepResult> apply_root_strands(const StepContext& context, const RootStrandsSettings& settings) {
    StepResult result{context.scene, {}, {}};
    Scene& scene = result.scene;
    const Result<int> node = strands_named(scene, settings.strands);
    if (!node) {
        return node.problem();
    }
    const Result<int> emitter = emitter_named(scene, settings.surface);
    if (!emitter) {
        return emitter.problem();
    }
    CurveSet& curves = scene.curve_sets[static_cast<size_t>(scene.nodes[static_cast<size_t>(*node)].curves)];
    // Turned and scaled about the world's origin, as the whole file would be.
    Mat4 by = scaling(settings.factor);
    const Quat turn = settings.turn == RootStrandsSettings::Turn::z_up ? shortest_turn(Vec3::UnitZ(), Vec3::UnitY())
                      : settings.turn == RootStrandsSettings::Turn::y_down
                          ? Quat(Eigen::AngleAxisd(M_PI, Vec3::UnitX()))
                      : settings.turn == RootStrandsSettings::Turn::x_up ? shortest_turn(Vec3::UnitX(), Vec3::UnitY())
                                                                         : Quat(Quat::Identity());
    by.topLeftCorner<3, 3>() = turn.toRotationMatrix() * by.topLeftCorner<3, 3>().eval();
    const Mat4 world = rest_world(scene)[static_cast<size_t>(*node)];
    const Mat4 own = world.inverse() * by * world;
    if (!own.isIdentity(1e-12)) {
        for_geometry_of(scene, *node, [&](auto& geometry) { transform_geometry(geometry, own); });
    }
    const StrandSurface surface(scene, *emitter);
    std::vector<CurveRoot> roots;
    double farthest = 0;
    double sum = 0;
    size_t far = 0;
    size_t at = 0;
    std::vector<Vec3f> points = curves.points.get();
    for (const uint32_t count : curves.counts) {
        if (count == 0) {
            roots.push_back({});
            continue;
        }
        // Either end may be the root: the nearer one is. The order of the points stays.
        const Vec3 first = point_of(world, points[at].cast<double>());
        double distance = 0;
        roots.push_back(surface.nearest(first, &distance));
        farthest = std::max(farthest, distance);
        sum += distance;
        far += distance * 1000 > settings.distance_mm ? 1 : 0;
        if (settings.moved && distance * 1000 <= settings.distance_mm) {
            const Vec3 onto = surface.place_of(roots.back()) - first;
            const Vec3f shift = linear_of(world.inverse()).cast<float>() * onto.cast<float>();
            for (size_t p = at; p < at + count; ++p) {
                points[p] += shift;
            }
        }
        at += count;
    }
    if (settings.moved) {
        curves.points = std::move(points);
    }
    curves.surface = *emitter;
    curves.roots = std::move(roots);
    if (far > 0) {
        result.could_not.push_back(
            phrase("{} beginning more than {:g} mm from the surface", counted(far, "strand"), settings.distance_mm));
    }
    const size_t strands = curves.curve_count();
    result.account = phrase("{} on “{}”, {:.2f} mm from it in the mean, {:.2f} mm at most", counted(strands, "strand"),
                            scene.nodes[static_cast<size_t>(*emitter)].name,
                            strands == 0 ? 0 : sum / static_cast<double>(strands) * 1000, farthest * 1000);
    return result;
}

} // namespace

StepKind root_strands_step() {
    return make_step<RootStrandsSettings>(
        {"root_strands", "Root strands on a surface",
         "Hair that somebody else made comes in another unit, on its side, and tied to nothing.", StepSubject::strands},
        {text<&RootStrandsSettings::strands>("strands", "Strands", "Which; empty: the only ones"),
         text<&RootStrandsSettings::surface>("surface", "Surface", "That they grow on; empty: the only one")
             .naming(NameOf::surface),
         number<&RootStrandsSettings::factor>("factor", "Factor", "Times their size, about the origin")
             .unit("×")
             .between(1e-6, 1e6),
         choice<&RootStrandsSettings::turn>("turn", "Turn", {"none", "z_up", "y_down", "x_up"},
                                            "Which axis was up where they were made, if not Y"),
         number<&RootStrandsSettings::distance_mm>("distance_mm", "No farther than",
                                                   "Strands that begin farther off are told")
             .unit("mm")
             .above(0),
         flag<&RootStrandsSettings::moved>("moved", "Move onto the surface", "each strand to its root, as a whole")},
        apply_root_strands);
}

} // namespace wembrix
