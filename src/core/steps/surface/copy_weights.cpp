// Takes weights from another surface, vertex by vertex from the nearest place on it.
#include "core/base/counted.h"
#include "core/base/text.h"
#include "core/measure/surface/closest_point.h"
#include "core/measure/surface/deform.h"
#include "core/steps/skeleton/skeleton_match.h"
#include "core/steps/surface/weight_scope.h"

#include <algorithm>
#include <cmath>
#include <optional>
#include <tbb/blocked_range.h>
#include <tbb/parallel_for.h>

namespace wembrix {

namespace {

struct CopySettings : WeightScope {
    std::string from;
    std::string source;
    double distance_mm = 20;
    double normal_degrees = 80;
};

struct Standing {
    std::vector<Vec3f> places;
    std::vector<Vec3f> normals;
};

Standing at_rest(const Scene& scene, int node) {
    Deformer deformer(scene, {node});
    Standing standing;
    standing.places.resize(deformer.point_count());
    standing.normals.resize(deformer.point_count());
    deformer.points_and_normals(Poser(scene, nullptr).rest(), standing.places, standing.normals);
    return standing;
}

std::vector<ClosestPoint::Triangle> all_triangles(const Mesh& mesh) {
    std::vector<ClosestPoint::Triangle> all;
    for (const Primitive& primitive : mesh.primitives) {
        const std::vector<ClosestPoint::Triangle> own = triangles_of(mesh, primitive);
        all.insert(all.end(), own.begin(), own.end());
    }
    return all;
}

/// The surface that weights are taken from, and the joint here that each of its joints is.
struct Giver {
    const Scene* scene = nullptr;
    int node = -1;
    std::vector<int> joints; ///< one per joint of its skin: a node here, or -1
};

Result<Giver> find_giver(const StepContext& context, const CopySettings& settings) {
    Giver giver;
    giver.scene = &context.scene;
    if (!settings.source.empty()) {
        const auto found = std::find_if(context.sources.begin(), context.sources.end(),
                                        [&](const NamedScene& source) { return source.name == settings.source; });
        if (found == context.sources.end()) {
            return Problem{phrase("there is no source “{}” with surfaces.", settings.source), "", ""};
        }
        giver.scene = &found->scene;
    }
    for (const int surface : surfaces_of(*giver.scene)) {
        const Node& node = giver.scene->nodes[static_cast<size_t>(surface)];
        const bool named = node.name == settings.from || (!settings.source.empty() && settings.from.empty());
        if (named && node.skin >= 0 && !node.influences.empty()) {
            giver.node = surface;
            break;
        }
    }
    if (giver.node < 0) {
        return Problem{phrase("there is no skinned surface “{}” to copy from.", settings.from), "", ""};
    }
    const Node& node = giver.scene->nodes[static_cast<size_t>(giver.node)];
    for (const int joint : giver.scene->skins[static_cast<size_t>(node.skin)].joints) {
        const Node& theirs = giver.scene->nodes[static_cast<size_t>(joint)];
        int here = settings.source.empty() ? joint : context.scene.find_node(theirs.name);
        for (size_t i = 0; here < 0 && i < context.scene.nodes.size(); ++i) {
            const Node& own = context.scene.nodes[i];
            const bool alike = theirs.identity != 0 && own.identity == theirs.identity;
            here = alike || strip_namespace(own.name) == strip_namespace(theirs.name) ? static_cast<int>(i) : -1;
        }
        giver.joints.push_back(here);
    }
    return giver;
}

Result<StepResult> apply_copy_weights(const StepContext& context, const CopySettings& settings) {
    const Result<Giver> giver = find_giver(context, settings);
    if (!giver) {
        return giver.problem();
    }
    StepResult result;
    result.scene = context.scene;
    const ScopedWeights scope = choose_weights(context.scene, settings);
    const Standing theirs = at_rest(*giver->scene, giver->node);
    const Node& giving = giver->scene->nodes[static_cast<size_t>(giver->node)];
    const std::vector<ClosestPoint::Triangle> triangles =
        all_triangles(giver->scene->meshes[static_cast<size_t>(giving.mesh)]);
    const ClosestPoint tree(theirs.places, triangles);
    const double least_cosine =
        settings.normal_degrees >= 180 ? -2 : std::cos(settings.normal_degrees / 57.29577951308232);
    size_t copied = 0;
    size_t too_far = 0;
    size_t unsettled = 0;
    size_t lost = 0;
    double farthest = 0;
    for (const int surface : scope.surfaces) {
        if (settings.source.empty() && surface == giver->node) {
            continue;
        }
        const int skin = context.scene.nodes[static_cast<size_t>(surface)].skin;
        const Standing ours = at_rest(context.scene, surface);
        std::vector<int> places;
        for (const int joint : giver->joints) {
            places.push_back(joint < 0 ? -1 : place_in_skin(result.scene, skin, joint));
        }
        std::vector<char> locked = scope.locked[static_cast<size_t>(skin)];
        locked.resize(result.scene.skins[static_cast<size_t>(skin)].joints.size(), 0);
        std::vector<SurfacePlace> nearest(ours.places.size());
        tbb::parallel_for(tbb::blocked_range<size_t>(0, nearest.size(), 256), [&](const auto& range) {
            for (size_t v = range.begin(); v < range.end(); ++v) {
                const bool faces = least_cosine > -1 && ours.normals[v].squaredNorm() > 0.5F;
                nearest[v] = tree.nearest(ours.places[v], settings.distance_mm / 1000,
                                          faces ? &ours.normals[v] : nullptr, least_cosine);
            }
        });
        WeightRow corner;
        unsettled += change_rows(result.scene, surface, locked, [&](size_t vertex, WeightRow& row) {
            const SurfacePlace& place = nearest[vertex];
            if (place.triangle == SurfacePlace::none) {
                ++too_far;
                return false;
            }
            WeightRow now;
            for (const Weight& one : row) {
                if (locked[one.joint] != 0) {
                    now.push_back(one);
                }
            }
            for (size_t c = 0; c < 3; ++c) {
                read_row(giving.influences, triangles[place.triangle].at(c), corner);
                for (const Weight& one : corner) {
                    const int at = places[one.joint];
                    lost += at < 0 && place.share.at(c) > 0 ? 1 : 0;
                    if (at >= 0 && locked[static_cast<size_t>(at)] == 0 && place.share.at(c) > 0) {
                        add_weight(now, static_cast<uint16_t>(at), static_cast<double>(place.share.at(c)) * one.weight);
                    }
                }
            }
            ++copied;
            farthest = std::max(farthest, place.distance_m);
            row = std::move(now);
            return true;
        });
    }
    result.account = copied == 0 ? Text("nothing lies near enough")
                                 : phrase("{} weighted like “{}”, from {:.2g} mm away at most",
                                          counted(copied, "vertex"), giving.name, farthest * 1000);
    if (too_far > 0) {
        result.could_not.push_back(phrase("{} have nothing within {:g} mm and {:g}° and stay as they are",
                                          counted(too_far, "vertex"), settings.distance_mm, settings.normal_degrees));
    }
    if (lost > 0) {
        result.could_not.push_back(phrase("{} of joints that this skeleton does not have", counted(lost, "weight")));
    }
    if (unsettled > 0) {
        result.could_not.push_back(phrase("{} stay as they are for their locked joints", counted(unsettled, "vertex")));
    }
    return result;
}

} // namespace

StepKind copy_weights_step() {
    return make_step<CopySettings>(
        {"copy_weights", "Copy weights",
         "Clothes bend like the body under them, and a new version of a surface like the one that was painted.",
         StepSubject::surface},
        with_weight_scope(
            {text<&CopySettings::from>("from", "From surface", "The surface that has the weights")
                 .needed()
                 .naming(NameOf::surface),
             text<&CopySettings::source>("source", "Of source",
                                         "The source whose surface it is, as it was read; empty: here")
                 .naming(NameOf::source),
             number<&CopySettings::distance_mm>("distance_mm", "Distance",
                                                "Vertices with nothing nearer keep what they have")
                 .unit("mm")
                 .above(0)
                 .starting(20.0),
             number<&CopySettings::normal_degrees>("normal_degrees", "Normals within",
                                                   "How far the surface may face another way there; 180: any way")
                 .unit("°")
                 .between(1, 180)
                 .starting(80.0)}),
        apply_copy_weights);
}

} // namespace wembrix
