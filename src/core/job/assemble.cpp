#include "core/job/assemble.h"

#include "core/base/counted.h"
#include "core/base/text.h"
#include "core/job/append_scene.h"
#include "core/measure/scene/bounds.h"
#include "core/steps/step_kind.h"

#include <algorithm>
#include <unordered_set>

namespace wembrix {

namespace {

bool has_surface_called(const Scene& base, const std::string& name) {
    return std::any_of(base.nodes.begin(), base.nodes.end(), [&](const Node& node) {
        return node.mesh >= 0 && strip_namespace(node.name) == strip_namespace(name);
    });
}

/// Surfaces of a source that do not come along: those that are there already, and, beside motion, others by the names
/// of such: a stand-in that the motion was made on.
std::vector<int> surfaces_there(const Scene& base, const Scene& source) {
    std::vector<int> there;
    for (const int surface : surfaces_of(source)) {
        const Node& node = source.nodes[static_cast<size_t>(surface)];
        if (twin_of(base, source, surface) >= 0 || (!source.clips.empty() && has_surface_called(base, node.name))) {
            there.push_back(surface);
        }
    }
    return there;
}

bool brings_shapes(const Scene& base, const Scene& source) {
    for (const int surface : surfaces_of(source)) {
        const int twin = twin_of(base, source, surface, true);
        for (const MorphTarget& shape :
             twin < 0 ? std::vector<MorphTarget>()
                      : source.meshes[static_cast<size_t>(source.nodes[static_cast<size_t>(surface)].mesh)].shapes) {
            const Mesh& own = base.meshes[static_cast<size_t>(base.nodes[static_cast<size_t>(twin)].mesh)];
            if (std::none_of(own.shapes.begin(), own.shapes.end(),
                             [&](const MorphTarget& other) { return other.name == shape.name; })) {
                return true;
            }
        }
    }
    return false;
}

/// The skinned surface that a source without joints, clips and shapes is another form of, vertex for vertex; or -1.
int sculpted_surface(const Scene& base, const Scene& source) {
    const std::vector<int> surfaces = surfaces_of(source);
    if (surfaces.size() != 1 || !joints_of(source).empty() || !source.clips.empty()) {
        return -1;
    }
    const Node& node = source.nodes[static_cast<size_t>(surfaces[0])];
    const int twin = twin_of(base, source, surfaces[0], true);
    return twin >= 0 && base.nodes[static_cast<size_t>(twin)].skin >= 0 &&
                   source.meshes[static_cast<size_t>(node.mesh)].shapes.empty()
               ? twin
               : -1;
}

/// Of a source that is taken for its shapes nothing else comes: what else it has is said.
void say_what_is_no_shape(Scene& base, const NamedScene& source) {
    const std::vector<int> surfaces = surfaces_of(source.scene);
    const auto strangers = std::count_if(surfaces.begin(), surfaces.end(),
                                         [&](int surface) { return twin_of(base, source.scene, surface, true) < 0; });
    if (strangers > 0 || !source.scene.clips.empty()) {
        base.notes.push_back({source.name,
                              phrase("is taken for its shapes: {} that are no surface of the model and {} stay out.",
                                     counted(strangers, "surface"), counted(source.scene.clips.size(), "take")),
                              {}});
    }
}

Brought add_takes(Scene& base, const NamedScene& source, int64_t identity, const AssemblyOptions& options,
                  SourceFit& fit, size_t surfaces_left) {
    BringOptions bring;
    if (!options.prepared_names.empty()) {
        for (const Node& node : base.nodes) {
            const auto now =
                node.identity == 0 ? options.prepared_names.end() : options.prepared_names.find(node.identity);
            bring.other_names.push_back(now == options.prepared_names.end() ? std::string() : now->second);
        }
    }
    Brought brought = bring_take(base, source.scene, bring);
    brought.surfaces_left_out = surfaces_left;
    append_clips(base, std::move(brought.clips), identity);
    brought.clips.clear();
    add_to_fit(fit, brought);
    for (std::string& note : notes_on(brought)) {
        base.notes.push_back({source.name, std::move(note), {}});
    }
    return brought;
}

} // namespace

std::multimap<int64_t, std::string> prepared_names(const Scene& base, const std::vector<Step>& steps) {
    Scene scene = base;
    scene.clips.clear();
    for (const Step& step : steps) {
        const StepKind* kind = step_kind(step.id);
        if (step.on && kind != nullptr && !kind->for_clips()) {
            if (Result<StepResult> applied = apply_step(scene, step)) {
                scene = std::move(applied->scene);
            }
        }
    }
    std::multimap<int64_t, std::string> names;
    for (const int joint : joints_of(scene)) {
        const Node& node = scene.nodes[static_cast<size_t>(joint)];
        const int was = node.identity == 0 ? -1 : base.find_identity(node.identity);
        if (was < 0 || base.nodes[static_cast<size_t>(was)].name != node.name) {
            names.emplace(was < 0 ? 0 : node.identity, node.name);
        }
    }
    return names;
}

bool shares_skeleton(const Scene& base, const Scene& source, const AssemblyOptions& options) {
    std::unordered_set<std::string> known;
    for (const int joint : joints_of(base)) {
        known.insert(strip_namespace(base.nodes[static_cast<size_t>(joint)].name));
    }
    for (const auto& [identity, name] : options.prepared_names) {
        known.insert(strip_namespace(name));
    }
    const std::vector<int> joints = joints_of(source);
    const auto matched = static_cast<size_t>(std::count_if(joints.begin(), joints.end(), [&](int joint) {
        return known.count(strip_namespace(source.nodes[static_cast<size_t>(joint)].name)) > 0;
    }));
    return matched > 0 && matched * 2 >= joints.size();
}

SourceRole guess_role(const Scene& base, const Scene& source, const AssemblyOptions& options) {
    const bool surfaces = !surfaces_of(source).empty();
    const std::vector<int> joints = joints_of(source);
    const bool skinned =
        std::any_of(source.nodes.begin(), source.nodes.end(), [](const Node& node) { return node.skin >= 0; });
    if (!joints.empty() && shares_skeleton(base, source, options)) {
        if (skinned && surfaces_there(base, source).size() < surfaces_of(source).size()) {
            return SourceRole::part;
        }
        if (!source.clips.empty()) {
            return SourceRole::take;
        }
        return brings_shapes(base, source) ? SourceRole::shapes : SourceRole::part;
    }
    if (joints.empty() && (brings_shapes(base, source) || sculpted_surface(base, source) >= 0)) {
        return SourceRole::shapes;
    }
    if (!source.curve_sets.empty() && !surfaces) {
        return SourceRole::strands;
    }
    constexpr size_t of_a_body = 8;
    const bool shows = std::any_of(source.meshes.begin(), source.meshes.end(), // a stand-in only carries shape weights
                                   [](const Mesh& mesh) { return mesh.triangle_count() > 0; });
    const bool has_skeleton = !joints_of(base).empty() || options.prepared_names.count(0) > 0;
    if (!shows && !source.clips.empty() && joints.size() > of_a_body && has_skeleton) {
        return SourceRole::take;
    }
    return skinned && joints.size() > of_a_body ? SourceRole::model : SourceRole::prop;
}

std::optional<Brought> add_source(Scene& base, NamedScene source, size_t place, const AssemblyOptions& options) {
    SourceFit fit;
    fit.source = source.name;
    fit.role = options.role == SourceRole::automatic ? guess_role(base, source.scene, options) : options.role;
    const int64_t identity = identities_from(place);
    const double beside = surface_bounds(base, surfaces_of(base)).size().maxCoeff();
    const double extent = surface_bounds(source.scene, surfaces_of(source.scene)).size().maxCoeff();
    std::optional<Brought> brought;
    const bool on_the_skeleton = fit.role == SourceRole::part || fit.role == SourceRole::take;
    if (on_the_skeleton || fit.role == SourceRole::shapes) {
        for (const Note& note : source.scene.notes) {
            base.notes.push_back(note.of_source(source.name));
        }
        source.scene.notes.clear();
    }
    if (fit.role == SourceRole::shapes || (on_the_skeleton && options.role != SourceRole::take)) {
        join_shapes(base, source, fit.role == SourceRole::shapes);
    }
    if (fit.role == SourceRole::shapes) {
        say_what_is_no_shape(base, source);
        const int sculpted = sculpted_surface(base, source.scene);
        fit.sculpt_of = sculpted < 0 ? 0 : base.nodes[static_cast<size_t>(sculpted)].identity;
    }
    size_t surfaces_left = surfaces_of(source.scene).size();
    if (fit.role == SourceRole::part) {
        const std::vector<int> there = surfaces_there(base, source.scene);
        surfaces_left = 0; // those that are there already are not missed
        join_part(base, {source.name, source.scene}, identity, options.rest, there, fit);
    }
    if (fit.role == SourceRole::take) {
        surfaces_left -= surfaces_there(base, source.scene).size();
    }
    if (on_the_skeleton && !source.scene.clips.empty()) {
        brought = add_takes(base, source, identity, options, fit, surfaces_left);
    } else if (!on_the_skeleton && fit.role != SourceRole::shapes) {
        append_scene(base, std::move(source), identity);
    }
    if (fit.role == SourceRole::model || fit.role == SourceRole::prop) {
        fit.extent_m = extent;
        fit.beside_m = beside;
    }
    base.fits.push_back(std::move(fit));
    return brought;
}

Scene assemble(std::vector<NamedScene> sources) {
    if (sources.empty()) {
        return {};
    }
    Scene base = std::move(sources.front().scene);
    for (size_t s = 1; s < sources.size(); ++s) {
        add_source(base, std::move(sources[s]), s);
    }
    return base;
}

} // namespace wembrix
