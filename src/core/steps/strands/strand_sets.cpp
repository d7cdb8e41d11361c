#include "core/steps/strands/strand_sets.h"

#include "core/base/text.h"
#include "core/measure/strands/strand_facts.h"

namespace wembrix {

Result<int> strands_named(const Scene& scene, const std::string& name) {
    const std::vector<int> all = strands_of(scene);
    if (name.empty() && all.size() == 1) {
        return all.front();
    }
    if (name.empty()) {
        return Problem{all.empty() ? "there are no strands." : "there are several strands: say which.", "",
                       all.empty() ? "Make a region for them first, or bring some in." : ""};
    }
    const int node = scene.find_node(name);
    if (node < 0 || scene.nodes[static_cast<size_t>(node)].curves < 0) {
        return Problem{phrase("no strands are called \"{}\".", name), "", "Make a region for them first."};
    }
    return node;
}

Result<int> surface_of_strands(const Scene& scene, int node) {
    const CurveSet& curves = scene.curve_sets[static_cast<size_t>(scene.nodes[static_cast<size_t>(node)].curves)];
    if (curves.surface < 0 || scene.nodes[static_cast<size_t>(curves.surface)].mesh < 0) {
        return Problem{phrase("\"{}\" grows on no surface.", scene.nodes[static_cast<size_t>(node)].name), "",
                       "Make a region for it, or root it on a surface."};
    }
    return curves.surface;
}

Result<RootedStrands> rooted_strands_named(const Scene& scene, const std::string& name) {
    const Result<int> node = strands_named(scene, name);
    if (!node) {
        return node.problem();
    }
    const Result<int> surface = surface_of_strands(scene, *node);
    if (!surface) {
        return surface.problem();
    }
    return RootedStrands{*node, *surface, static_cast<size_t>(scene.nodes[static_cast<size_t>(*node)].curves)};
}

Result<int> emitter_named(const Scene& scene, const std::string& name) {
    const std::vector<int> all = surfaces_of(scene);
    if (name.empty() && all.size() == 1) {
        return all.front();
    }
    const int node = scene.find_node(name);
    if (node < 0 || scene.nodes[static_cast<size_t>(node)].mesh < 0) {
        return Problem{name.empty() ? Text("say which surface.") : phrase("no surface is called \"{}\".", name), "",
                       ""};
    }
    return node;
}

} // namespace wembrix
