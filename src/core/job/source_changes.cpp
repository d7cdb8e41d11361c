#include "core/job/source_changes.h"

#include "core/base/counted.h"
#include "core/base/text.h"
#include "core/measure/scene/bounds.h"
#include "core/steps/names.h"

#include <algorithm>
#include <cmath>
#include <set>

namespace wembrix {

namespace {

void tell_names(const char* what, const std::vector<std::string>& before, const std::vector<std::string>& after,
                std::vector<Text>& lines) {
    const std::set<std::string> old(before.begin(), before.end());
    const std::set<std::string> now(after.begin(), after.end());
    std::vector<std::string> came;
    std::vector<std::string> went;
    std::copy_if(after.begin(), after.end(), std::back_inserter(came),
                 [&](const std::string& name) { return old.count(name) == 0; });
    std::copy_if(before.begin(), before.end(), std::back_inserter(went),
                 [&](const std::string& name) { return now.count(name) == 0; });
    if (!came.empty()) {
        lines.push_back(phrase("{} {}{} more ({})", came.size(), what, came.size() == 1 ? "" : "s", some_of(came)));
    }
    if (!went.empty()) {
        lines.push_back(phrase("{} {}{} less ({})", went.size(), what, went.size() == 1 ? "" : "s", some_of(went)));
    }
}

std::vector<std::string> names_of(const Scene& scene, bool joints) {
    std::vector<std::string> names;
    for (const int node : joints ? joints_of(scene) : surfaces_of(scene)) {
        names.push_back(scene.nodes[node].name);
    }
    return names;
}

void tell_surface(const std::string& name, const Mesh& before, const Influences& rows_before, const Mesh& after,
                  const Influences& rows_after, std::vector<Text>& lines) {
    std::vector<std::string> old_shapes;
    std::vector<std::string> new_shapes;
    for (const MorphTarget& shape : before.shapes) {
        old_shapes.push_back(shape.name);
    }
    for (const MorphTarget& shape : after.shapes) {
        new_shapes.push_back(shape.name);
    }
    tell_names("shape", old_shapes, new_shapes, lines);
    if (before.point_count() != after.point_count()) {
        lines.push_back(
            phrase("{} has {}, it had {}", name, counted(after.point_count(), "vertex"), before.point_count()));
        return;
    }
    size_t moved = 0;
    double farthest = 0;
    for (size_t i = 0; i < before.point_count(); ++i) {
        const double far = (after.positions[i] - before.positions[i]).cast<double>().norm();
        moved += far > 0 ? 1 : 0;
        farthest = std::max(farthest, far);
    }
    if (moved > 0) {
        lines.push_back(phrase("{} of {} moved, at most {:.3g} mm", counted(moved, "vertex"), name, farthest * 1000));
    }
    if (rows_before.weights.get() != rows_after.weights.get() || rows_before.joints.get() != rows_after.joints.get()) {
        lines.push_back(phrase("weights of {} changed", name));
    }
}

bool same_keys(const Clip& a, const Clip& b) {
    return std::equal(a.channels.begin(), a.channels.end(), b.channels.begin(), b.channels.end(),
                      [](const Channel& x, const Channel& y) {
                          return x.path == y.path && x.times.get() == y.times.get() && x.values.get() == y.values.get();
                      });
}

} // namespace

std::vector<Text> describe_changes(const Scene& before, const Scene& after) {
    std::vector<Text> lines;
    tell_names("joint", names_of(before, true), names_of(after, true), lines);
    size_t placed = 0;
    std::string example;
    for (const int joint : joints_of(after)) {
        const Node& node = after.nodes[joint];
        const int was = before.find_node(node.name);
        if (was >= 0 && (node.rest.matrix() - before.nodes[was].rest.matrix()).cwiseAbs().maxCoeff() > 1e-9) {
            example = placed++ == 0 ? node.name : example;
        }
    }
    if (placed > 0) {
        lines.push_back(phrase("{} joint{} rest{} in another place or turn ({}{})", placed, placed == 1 ? "" : "s",
                               placed == 1 ? "s" : "", example, placed == 1 ? "" : " is one"));
    }
    const double was_tall = height_m(before);
    const double is_tall = height_m(after);
    if (std::abs(was_tall - is_tall) > 1e-3 * std::max(was_tall, is_tall)) {
        lines.push_back(phrase("it stands {:.4g} m tall, it stood {:.4g} m", is_tall, was_tall));
    }
    tell_names("surface", names_of(before, false), names_of(after, false), lines);
    for (const int surface : surfaces_of(after)) {
        const Node& node = after.nodes[surface];
        const int was = before.find_node(node.name);
        if (was >= 0 && before.nodes[was].mesh >= 0) {
            const Node& old = before.nodes[was];
            tell_surface(node.name, before.meshes[old.mesh], old.influences, after.meshes[node.mesh], node.influences,
                         lines);
        }
    }
    std::vector<std::string> old_takes;
    std::vector<std::string> new_takes;
    for (const Clip& clip : before.clips) {
        old_takes.push_back(clip.name);
    }
    for (const Clip& clip : after.clips) {
        new_takes.push_back(clip.name);
    }
    tell_names("take", old_takes, new_takes, lines);
    for (const Clip& clip : after.clips) {
        const Clip* was = before.find_clip(clip.name);
        if (was != nullptr && was->frames() != clip.frames()) {
            lines.push_back(
                phrase("“{}” has {}, it had {}", clip.name, counted(clip.frames(), "frame"), was->frames()));
        } else if (was != nullptr && !same_keys(*was, clip)) {
            lines.push_back(phrase("“{}” moves otherwise", clip.name));
        }
    }
    return lines;
}

} // namespace wembrix
