// Gives surfaces their first weights, and the skin that they are under.
#include "core/base/counted.h"
#include "core/base/text.h"
#include "core/measure/surface/first_weights.h"
#include "core/measure/surface/heat_weights.h"
#include "core/measure/surface/rest_places.h"
#include "core/measure/surface/volume_weights.h"
#include "core/steps/names.h"
#include "core/steps/skeleton/chosen_joints.h"
#include "core/steps/surface/vertex_ranges.h"
#include "core/steps/surface/weight_scope.h"

#include <Eigen/LU>
#include <algorithm>
#include <cmath>
#include <map>

namespace wembrix {

namespace {

struct BindSettings {
    enum class Method : uint8_t { nearest, heat, volume };
    enum class Keep : uint8_t { none, weighted };
    Method method = Method::heat;
    std::vector<std::string> surfaces, joints;
    int max_influences = 4;
    double falloff = 4;
    Keep keep = Keep::none;
    std::vector<std::string> keep_vertices;
    bool ends = false;
    bool rigid_pieces = false;
};

/// A skin for a surface that has none: it stays where it is at rest.
void put_under_a_skin(Scene& scene, int surface, const std::vector<int>& joints, const std::vector<Mat4>& world) {
    Skin skin;
    skin.name = scene.nodes[static_cast<size_t>(surface)].name;
    for (const int joint : joints) {
        skin.joints.push_back(joint);
        skin.inverse_binds.emplace_back(world[static_cast<size_t>(joint)].inverse() *
                                        world[static_cast<size_t>(surface)]);
    }
    scene.nodes[static_cast<size_t>(surface)].skin = static_cast<int>(scene.skins.size());
    scene.skins.push_back(std::move(skin));
}

/// Whether a clip moves the node, or what stands above it.
bool is_moved(const Scene& scene, int node) {
    for (; node >= 0; node = scene.nodes[static_cast<size_t>(node)].parent) {
        for (const Clip& clip : scene.clips) {
            if (std::any_of(clip.channels.begin(), clip.channels.end(), [&](const Channel& channel) {
                    return channel.node == node && channel.path != Path::weights;
                })) {
                return true;
            }
        }
    }
    return false;
}

/// Every piece gets the one joint that holds most of it.
void make_rigid(std::vector<WeightRow>& rows, const Pieces& pieces) {
    std::vector<std::map<uint16_t, double>> holds(pieces.count);
    for (size_t v = 0; v < rows.size(); ++v) {
        for (const Weight& one : rows[v]) {
            holds[pieces.of[v]][one.joint] += one.weight;
        }
    }
    for (size_t v = 0; v < rows.size(); ++v) {
        const std::map<uint16_t, double>& of = holds[pieces.of[v]];
        const auto most =
            std::max_element(of.begin(), of.end(), [](const auto& a, const auto& b) { return a.second < b.second; });
        rows[v] = {{most->first, 1}};
    }
}

std::vector<int> holding_joints(const Scene& scene, const BindSettings& settings) {
    if (settings.joints.empty()) {
        return joints_that_hold(scene, settings.ends);
    }
    const ChosenJoints chosen = choose_joints(scene, settings.joints);
    std::vector<int> joints;
    for (const int joint : joints_of(scene)) {
        if (chosen.in[static_cast<size_t>(joint)] != 0) {
            joints.push_back(joint);
        }
    }
    return joints;
}

/// Through the volume that all of them enclose together: an eye has no bone in itself, and one in the head around it.
std::map<int, BoneWeights> weights_through_all(const Scene& scene, const std::vector<int>& surfaces,
                                               const BoneWeightRequest& request) {
    std::vector<Vec3f> places;
    std::vector<uint32_t> indices;
    std::vector<size_t> begins;
    for (const int surface : surfaces) {
        const std::vector<Vec3f> own = rest_places(scene, surface);
        const Mesh& mesh = scene.meshes[static_cast<size_t>(scene.nodes[static_cast<size_t>(surface)].mesh)];
        const auto first = static_cast<uint32_t>(places.size());
        begins.push_back(first);
        places.insert(places.end(), own.begin(), own.end());
        for (const Primitive& part : mesh.primitives) {
            for (const auto& triangle : triangles_of(mesh, part)) {
                for (const uint32_t corner : triangle) {
                    indices.push_back(first + corner);
                }
            }
        }
    }
    begins.push_back(places.size());
    Mesh all;
    Primitive part;
    part.point_count = static_cast<uint32_t>(places.size());
    part.index_count = static_cast<uint32_t>(indices.size());
    all.primitives.push_back(part);
    all.positions = places;
    all.indices = std::move(indices);
    const BoneWeights together = weights_through_volume(scene, all, places, request);
    std::map<int, BoneWeights> each;
    if (together.rows.size() != places.size()) {
        return each; // stopped
    }
    for (size_t s = 0; s < surfaces.size(); ++s) {
        BoneWeights& own = each[surfaces[s]];
        const auto row = [&](size_t at) { return together.rows.begin() + static_cast<ptrdiff_t>(at); };
        own.rows.assign(row(begins[s]), row(begins[s + 1]));
        for (const uint32_t vertex : together.unreached) {
            if (vertex >= begins[s] && vertex < begins[s + 1]) {
                own.unreached.push_back(static_cast<uint32_t>(vertex - begins[s]));
            }
        }
        if (together.farthest >= begins[s] && together.farthest < begins[s + 1]) {
            own.farthest_m = together.farthest_m;
            own.farthest = together.farthest - begins[s];
        }
    }
    return each;
}

Result<StepResult> apply_bind_surface(const StepContext& context, const BindSettings& settings) {
    StepResult result{context.scene, {}, {}};
    Scene& scene = result.scene;
    const std::vector<int> joints = holding_joints(scene, settings);
    if (joints.empty()) {
        return Problem{"there is no joint that a surface could be bound to.", "", "Add a skeleton to the sources."};
    }
    const NamePatterns patterns(settings.surfaces, scene);
    const std::vector<Mat4> world = rest_world(scene);
    size_t bound = 0;
    size_t surfaces = 0;
    size_t kept = 0;
    double farthest = -1;
    std::string farthest_said;
    std::vector<int> all;
    for (const int surface : surfaces_of(context.scene)) {
        const Node& node = scene.nodes[static_cast<size_t>(surface)];
        const bool named =
            settings.surfaces.empty() ? node.skin < 0 || node.influences.empty() : patterns.any_fits(node.name);
        if (named && node.kind == NodeKind::joint) {
            result.could_not.push_back(phrase("“{}” is a joint itself and cannot go under a skin", node.name));
        } else if (named) {
            all.push_back(surface);
        }
    }
    const bool by_volume = settings.method == BindSettings::Method::volume;
    std::map<int, BoneWeights> through_volume;
    if (by_volume && !all.empty()) {
        through_volume = weights_through_all(
            scene, all,
            {joints, static_cast<size_t>(settings.max_influences), settings.falloff, context.stop, context.progress});
    }
    size_t at_work = 0;
    for (const int surface : all) {
        const double share = static_cast<double>(at_work++) / static_cast<double>(all.size());
        const std::string name = scene.nodes[static_cast<size_t>(surface)].name;
        const std::vector<Vec3f> places = rest_places(scene, surface);
        const Mesh& mesh = scene.meshes[static_cast<size_t>(scene.nodes[static_cast<size_t>(surface)].mesh)];
        BoneWeightRequest request = {
            joints, static_cast<size_t>(settings.max_influences), settings.falloff, context.stop, {}};
        if (context.progress) {
            request.progress = [&](double own) { context.progress(share + own / static_cast<double>(all.size())); };
        }
        BoneWeights weights =
            settings.method == BindSettings::Method::nearest ? weights_by_nearest_bone(scene, places, request)
            : settings.method == BindSettings::Method::heat  ? weights_by_heat(scene, mesh, places, request)
                                                             : std::move(through_volume[surface]);
        if (context.stop && context.stop()) {
            return Problem{"was stopped.", "", ""};
        }
        if (weights.rows.size() != places.size()) {
            return Problem{phrase("the heat on “{}” has no balance: its triangles are too thin.", name), "",
                           "Bind through the volume instead."};
        }
        if (!weights.unreached.empty()) { // something has to hold them: what is nearest
            const BoneWeights nearest = weights_by_nearest_bone(scene, places, request);
            for (const uint32_t vertex : weights.unreached) {
                weights.rows[vertex] = nearest.rows[vertex];
            }
            result.could_not.push_back(
                phrase("{} of “{}” are not reached that way and go with the nearest bone (the first is vertex {})",
                       counted(weights.unreached.size(), "vertex"), name, weights.unreached.front()));
            result.left_vertices.push_back({name, weights.unreached});
        }
        if (settings.rigid_pieces) {
            make_rigid(weights.rows, pieces_of(mesh));
        }
        if (scene.nodes[static_cast<size_t>(surface)].skin < 0) {
            if (is_moved(scene, surface)) {
                result.could_not.push_back(phrase(
                    "“{}” was moved by clips itself: under a skin it follows its joints, and that motion is gone",
                    name));
            }
            put_under_a_skin(scene, surface, joints, world);
        }
        const int skin = scene.nodes[static_cast<size_t>(surface)].skin;
        std::vector<uint16_t> place;
        for (const int joint : joints) {
            place.push_back(place_in_skin(scene, skin, joint));
        }
        const Influences before = scene.nodes[static_cast<size_t>(surface)].influences;
        const std::vector<char> kept_by_choice = vertices_in_ranges(settings.keep_vertices, places.size());
        InfluencesBuilder builder(places.size(), places.size() * 4);
        WeightRow row;
        for (size_t v = 0; v < places.size(); ++v) {
            const bool keeps = settings.keep == BindSettings::Keep::weighted || kept_by_choice[v] != 0;
            if (keeps && v + 1 < before.offsets.size()) {
                read_row(before, v, row);
                if (!row.empty()) {
                    builder.copy(before, v);
                    ++kept;
                    continue;
                }
            }
            row = weights.rows[v];
            for (Weight& one : row) {
                one.joint = place[one.joint];
            }
            builder.add(row);
            ++bound;
        }
        scene.nodes[static_cast<size_t>(surface)].influences = builder.take();
        ++surfaces;
        if (weights.farthest_m > farthest) {
            farthest = weights.farthest_m;
            farthest_said = phrase("vertex {} of “{}”", weights.farthest, name);
        }
    }
    if (surfaces == 0) {
        result.account = "every surface has weights already: name those that are to be bound anew";
        return result;
    }
    result.account = phrase("{} of {} bound to {}; the farthest from its bone is {}, by {:.0f} mm{}",
                            counted(bound, "vertex"), counted(surfaces, "surface"), counted(joints.size(), "joint"),
                            farthest_said, farthest * 1000, kept == 0 ? "" : phrase("; {} kept theirs", kept));
    return result;
}

} // namespace

StepKind bind_surface_step() {
    return make_step<BindSettings>(
        {"bind_surface", "Bind to joints",
         "A surface without weights stands still while its skeleton moves: first weights make it follow, to be "
         "refined.",
         StepSubject::surface},
        {choice<&BindSettings::method>("method", "By", {"nearest", "heat", "volume"},
                                       "The nearest bone of each branch; heat along the surface from the bones it "
                                       "sees; the way through the volume, "
                                       "for surfaces that are open, overlap or come in pieces")
             .starting("heat"),
         list<&BindSettings::surfaces>("surfaces", "Surfaces",
                                       "Which surfaces, * and ? allowed; empty: those without weights")
             .naming(NameOf::surface),
         list<&BindSettings::joints>("joints", "Joints",
                                     "Which may get weights; empty: all but a root that only carries motion")
             .naming(NameOf::joint),
         number<&BindSettings::max_influences>("max_influences", "Influences per vertex", "At most").between(1, 8),
         number<&BindSettings::falloff>(
             "falloff", "Falloff",
             "Weights go as one over the distance to this power: more is harder. Heat has its own")
             .between(0.5, 32),
         choice<&BindSettings::keep>("keep", "Keep weights", {"none", "weighted"},
                                     "Of those that are there: none, or those of vertices that have some"),
         list<&BindSettings::keep_vertices>("keep_vertices", "Vertices that keep theirs",
                                            "Of the surfaces named, with weights that are right already; choose them "
                                            "in the view of the Surface station")
             .typed_as("numbers and ranges, one per line: 12, 20-31")
             .checked(check_vertex_ranges),
         flag<&BindSettings::ends>("ends", "Ends get weights, too", "joints with none below them may get some"),
         flag<&BindSettings::rigid_pieces>(
             "rigid_pieces", "Pieces stay rigid",
             "each connected piece goes with the one joint that is nearest to most of it")},
        apply_bind_surface);
}

} // namespace wembrix
