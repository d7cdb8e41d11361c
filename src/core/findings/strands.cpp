// Strands: of another size than the model, without widths or roots, through the body; caches of clips that are gone.
#include "core/base/counted.h"
#include "core/base/text.h"
#include "core/findings/finding.h"
#include "core/formats/format.h"
#include "core/measure/scene/bounds.h"
#include "core/measure/strands/strand_deform.h"
#include "core/measure/strands/strand_facts.h"
#include "core/measure/strands/strand_surface.h"
#include "core/steps/names.h"

#include <algorithm>
#include <array>
#include <fmt/format.h>
#include <optional>

namespace wembrix {

namespace {

/// Nodes whose strands go to the destination.
std::vector<int> strands_going_out(const FindingContext& context) {
    if (context.destination != nullptr && context.destination->points_container.empty()) {
        const Format* format = format_with_id(context.destination->container);
        if (format == nullptr || !has(format->writes, Content::curves)) {
            return {};
        }
    }
    std::vector<int> nodes = strands_of(context.scene);
    std::erase_if(nodes, [&](int node) {
        return context.scene.curve_sets[static_cast<size_t>(context.scene.nodes[static_cast<size_t>(node)].curves)]
                   .curve_count() == 0;
    });
    return nodes;
}

const CurveSet& curves_of(const Scene& scene, int node) {
    return scene.curve_sets[static_cast<size_t>(scene.nodes[static_cast<size_t>(node)].curves)];
}

/// First points of some strands, world.
std::vector<Vec3> some_roots(const Scene& scene, int node) {
    constexpr size_t most = 200;
    const CurveSet& curves = curves_of(scene, node);
    const Mat4 world = rest_world(scene)[static_cast<size_t>(node)];
    const size_t stride = std::max<size_t>(1, curves.curve_count() / most);
    std::vector<Vec3> roots;
    size_t at = 0;
    for (size_t c = 0; c < curves.curve_count(); ++c) {
        if (c % stride == 0 && curves.counts[c] > 0) {
            roots.push_back(point_of(world, curves.points[at].cast<double>()));
        }
        at += curves.counts[c];
    }
    return roots;
}

struct Fit {
    double factor = 1;
    std::string_view turn = "none";
    double mean_m = 1e300;
};

/// How far these are from the surface in the mean, once they are turned and scaled about the origin.
Fit fit_of(const StrandSurface& surface, const std::vector<Vec3>& roots, double factor, std::string_view word,
           const Quat& turn) {
    Fit fit{factor, word, 0};
    for (const Vec3& root : roots) {
        double distance = 0;
        static_cast<void>(surface.nearest(turn * (root * factor), &distance));
        fit.mean_m += distance / static_cast<double>(roots.size());
    }
    return fit;
}

/// The surface that strands belong to: that which they name, or the one nearest to them as they would best fit.
int surface_for(const Scene& scene, int node) {
    const CurveSet& curves = curves_of(scene, node);
    if (curves.surface >= 0) {
        return curves.surface;
    }
    int largest = -1;
    size_t most = 0;
    for (const int surface : surfaces_of(scene)) {
        const size_t points =
            scene.meshes[static_cast<size_t>(scene.nodes[static_cast<size_t>(surface)].mesh)].point_count();
        if (points > most) {
            most = points;
            largest = surface;
        }
    }
    return largest;
}

struct WrongSize {
    int surface = -1;
    Fit now, best;
};
/// Strands without roots that would lie on the surface if they were scaled or turned as files are in life.
std::optional<WrongSize> wrong_size_of(const Scene& scene, int node) {
    const int surface_node = surface_for(scene, node);
    if (surface_node < 0 || curves_of(scene, node).surface >= 0) {
        return std::nullopt;
    }
    const StrandSurface surface(scene, surface_node);
    const std::vector<Vec3> roots = some_roots(scene, node);
    if (roots.empty() || surface.triangles().empty()) {
        return std::nullopt;
    }
    const double size = surface_bounds(scene, {surface_node}).size().maxCoeff();
    const Fit now = fit_of(surface, roots, 1, "none", Quat::Identity());
    Fit best = now;
    constexpr std::array<double, 9> factors = {1, 0.01, 100, 0.001, 1000, 0.1, 10, 0.0254, 1 / 0.0254};
    const std::array<std::pair<std::string_view, Quat>, 4> turns = {
        {{"none", Quat::Identity()},
         {"z_up", shortest_turn(Vec3::UnitZ(), Vec3::UnitY())},
         {"y_down", Quat(Eigen::AngleAxisd(M_PI, Vec3::UnitX()))},
         {"x_up", shortest_turn(Vec3::UnitX(), Vec3::UnitY())}}};
    for (const double factor : factors) {
        for (const auto& [word, turn] : turns) {
            const Fit fit = fit_of(surface, roots, factor, word, turn);
            best = fit.mean_m < best.mean_m * 0.5 ? fit : best;
        }
    }
    // Something made tiny near the origin is near to whatever stands there: only what then lies right on the surface
    // is taken for it.
    if (now.mean_m < size * 0.02 || best.mean_m > size * 0.01 || best.mean_m > now.mean_m * 0.1) {
        return std::nullopt;
    }
    return WrongSize{surface_node, now, best};
}

} // namespace

std::vector<Finding> find_strands_unlike_model(const FindingContext& context) {
    const Scene& scene = context.scene;
    std::vector<Finding> findings;
    for (const int node : strands_going_out(context)) {
        const std::optional<WrongSize> wrong = wrong_size_of(scene, node);
        if (!wrong) {
            continue;
        }
        const auto& [surface_node, now, best] = *wrong;
        const Node& own = scene.nodes[static_cast<size_t>(node)];
        const std::string& on = scene.nodes[static_cast<size_t>(surface_node)].name;
        Finding finding;
        finding.grade = Grade::stop;
        finding.where = own.name;
        finding.nodes = {own.name};
        const Text size_said = best.factor == 1  ? std::string()
                               : best.factor < 1 ? phrase("{:.4g} times too large", 1 / best.factor)
                                                 : phrase("{:.4g} times too small", best.factor);
        const std::string turn_said = best.turn == "none" ? "" : "on their side";
        finding.message = phrase("Strands “{}” are {}{}{}", own.name, size_said,
                                 size_said.empty() || turn_said.empty() ? "" : ", and ", turn_said);
        finding.reason = phrase("They begin {:.2f} m from “{}” in the mean; brought to size they would lie {:.1f} "
                                "mm from it.",
                                now.mean_m, on, best.mean_m * 1000);
        finding.step = Step{"root_strands",
                            {{"strands", own.name}, {"surface", on}, {"factor", best.factor}, {"turn", best.turn}}};
        findings.push_back(std::move(finding));
    }
    return findings;
}

std::vector<Finding> find_strands_without_roots(const FindingContext& context) {
    const Scene& scene = context.scene;
    std::vector<Finding> findings;
    for (const int node : strands_going_out(context)) {
        const CurveSet& curves = curves_of(scene, node);
        const int surface = surface_for(scene, node);
        if (surface < 0 || (curves.surface >= 0 && roots_are_valid(scene, curves)) || wrong_size_of(scene, node)) {
            continue;
        }
        const Node& own = scene.nodes[static_cast<size_t>(node)];
        const std::string& on = scene.nodes[static_cast<size_t>(surface)].name;
        Finding finding;
        finding.grade = Grade::stop;
        finding.where = own.name;
        finding.nodes = {own.name};
        finding.message = curves.roots.empty() ? phrase("Strands “{}” have no roots", own.name)
                                               : phrase("Roots of “{}” are on no face of “{}”", own.name, on);
        finding.reason = "They do not know which face they grow on: an engine cannot tie them to the body.";
        finding.step = Step{"root_strands", {{"strands", own.name}, {"surface", on}}};
        findings.push_back(std::move(finding));
    }
    return findings;
}

std::vector<Finding> find_strands_without_widths(const FindingContext& context) {
    std::vector<Finding> findings;
    for (const int node : strands_going_out(context)) {
        const CurveSet& curves = curves_of(context.scene, node);
        const bool any = std::any_of(curves.widths.begin(), curves.widths.end(), [](float width) { return width > 0; });
        if (any) {
            continue;
        }
        const Node& own = context.scene.nodes[static_cast<size_t>(node)];
        Finding finding;
        finding.grade = Grade::stop;
        finding.where = own.name;
        finding.nodes = {own.name};
        finding.message = phrase("Strands “{}” have no width", own.name);
        finding.reason = "An engine draws what has no width as nothing, or each as thick as it likes.";
        finding.step = Step{"set_strand_widths", {{"strands", own.name}}};
        findings.push_back(std::move(finding));
    }
    return findings;
}

std::vector<Finding> find_strands_through_body(const FindingContext& context) {
    const Scene& scene = context.scene;
    std::vector<Finding> findings;
    for (const int node : strands_going_out(context)) {
        const CurveSet& curves = curves_of(scene, node);
        if (curves.surface < 0 || !roots_are_valid(scene, curves)) {
            continue;
        }
        const StrandFacts facts = strand_facts(scene, node);
        if (facts.through == 0) {
            continue;
        }
        const Node& own = scene.nodes[static_cast<size_t>(node)];
        Finding finding;
        finding.grade = Grade::look;
        finding.where = own.name;
        finding.nodes = {own.name};
        finding.message = phrase("{} of “{}” {} through the body", counted(facts.through, "strand"), own.name,
                                 facts.through == 1 ? "goes" : "go");
        finding.reason =
            phrase("{:.1f} mm deep at the deepest, strand {}.", facts.deepest_m * 1000, facts.deepest_strand);
        finding.no_step = "Grown ones can be lifted, or cut at the surface, where they are grown.";
        findings.push_back(std::move(finding));
    }
    return findings;
}

std::vector<Finding> find_caches_without_clip(const FindingContext& context) {
    std::vector<Finding> findings;
    for (const CacheOrder& order : context.scene.orders) {
        if (context.scene.find_clip(order.clip) != nullptr) {
            continue;
        }
        const std::string& own = context.scene.nodes[static_cast<size_t>(order.node)].name;
        Finding finding;
        finding.grade = Grade::stop;
        finding.where = fmt::format("{}/{}", own, order.clip);
        finding.nodes = {own};
        finding.message = phrase("“{}” is cached over “{}”, which is not there", own, order.clip);
        finding.reason = "The clip was renamed, split or left behind after the cache was asked for.";
        finding.no_step = "Name another clip in its step, or take the step off the card.";
        findings.push_back(std::move(finding));
    }
    return findings;
}

} // namespace wembrix
