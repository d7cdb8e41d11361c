// Cameras, lights, curves, caches and hulls, each by the node that carries it.
#include "core/base/text.h"
#include "core/measure/comparison/subjects.h"

#include <algorithm>
#include <cmath>

namespace wembrix {

namespace {

constexpr std::array<std::string_view, 9> camera_fields = {"name",       "kind",       "field of view",
                                                           "aspect",     "half width", "half height",
                                                           "near plane", "far plane",  "extras or extensions"};
constexpr std::array<std::string_view, 8> light_fields = {
    "name", "kind", "colour", "intensity", "range", "inner angle", "outer angle", "extras or extensions"};
constexpr std::array<std::string_view, 9> curve_fields = {
    "name", "counts", "points", "widths", "values of curves", "surface", "roots", "material", "extras or extensions"};
constexpr std::array<std::string_view, 7> hull_fields = {
    "name", "kind", "points", "triangles", "frame", "half size", "extras or extensions"};
constexpr std::array<std::string_view, 7> cache_fields = {
    "name", "surface", "rate", "frames", "positions", "normals", "extras or extensions"};

/// What a number names in a scene's list: two scenes have their nodes and materials in orders of their own.
template <typename Named> std::string name_at(const std::vector<Named>& list, int place) {
    return place < 0 ? std::string() : list[static_cast<size_t>(place)].name;
}

/// Numbers that went through another unit and back are the same within single precision: a millionth of all that there
/// is. `b` becomes `a` where it is so.
void settle(const Shared<Vec3f>& a, Shared<Vec3f>& b) {
    float size = 0;
    float apart = 0;
    for (size_t i = 0; i < a.size() && a.size() == b.size(); ++i) {
        size = std::max(size, a[i].cwiseAbs().maxCoeff());
        apart = std::max(apart, (a[i] - b[i]).cwiseAbs().maxCoeff());
    }
    if (a.size() == b.size() && apart <= 1e-6F * size) {
        b = a;
    }
}
void settle(const Shared<float>& a, Shared<float>& b) {
    float size = 0;
    float apart = 0;
    for (size_t i = 0; i < a.size() && a.size() == b.size(); ++i) {
        size = std::max(size, std::abs(a[i]));
        apart = std::max(apart, std::abs(a[i] - b[i]));
    }
    if (a.size() == b.size() && apart <= 1e-6F * size) {
        b = a;
    }
}

/// The first field in which two differ; a surface and a material are told by their names.
template <typename Item, size_t N>
std::string_view first_unlike_of(const NodePairs& pairs, Item a, Item b, const std::array<std::string_view, N>& names) {
    if constexpr (requires { a.surface; }) {
        if (name_at(pairs.expected().nodes, a.surface) != name_at(pairs.actual().nodes, b.surface)) {
            return "surface";
        }
        a.surface = b.surface = -1;
    }
    if constexpr (requires { a.material; }) {
        if (name_at(pairs.expected().materials, a.material) != name_at(pairs.actual().materials, b.material)) {
            return "material";
        }
        a.material = b.material = -1;
    }
    if constexpr (requires { a.widths; }) {
        settle(a.points, b.points);
        settle(a.widths, b.widths);
    }
    if constexpr (requires { a.frames; }) {
        settle(a.positions, b.positions);
    }
    return first_unlike(a, b, names);
}

/// What both nodes carry of one kind.
template <typename Item, size_t N>
void compare_kind(const NodePairs& pairs, Subject& subject, int Node::*place, std::vector<Item> Scene::*list,
                  const std::array<std::string_view, N>& names) {
    pairs.for_both([&](const Node& x, const Node& y) {
        if (x.*place < 0 && y.*place < 0) {
            return;
        }
        subject.compared();
        if (x.*place < 0 || y.*place < 0) {
            x.*place < 0 ? subject.is_too_much(x.name) : subject.is_missing(x.name);
            return;
        }
        const std::string_view field = first_unlike_of(pairs, (pairs.expected().*list)[static_cast<size_t>(x.*place)],
                                                       (pairs.actual().*list)[static_cast<size_t>(y.*place)], names);
        if (!field.empty()) {
            subject.differs(x.name, phrase("other {}", field));
        }
    });
}

void compare_caches(const NodePairs& pairs, Subject& subject) {
    const std::vector<PointCache>& a = pairs.expected().caches;
    const std::vector<PointCache>& b = pairs.actual().caches;
    for (size_t i = 0; i < std::max(a.size(), b.size()); ++i) {
        if (i >= a.size() || i >= b.size()) {
            i < a.size() ? subject.is_missing(a[i].name) : subject.is_too_much(b[i].name);
            continue;
        }
        subject.compared();
        const std::string_view field = first_unlike_of(pairs, a[i], b[i], cache_fields);
        if (!field.empty()) {
            subject.differs(a[i].name, phrase("other {}", field));
        }
    }
}

} // namespace

void compare_other_kinds(const NodePairs& pairs, std::vector<Subject>& subjects) {
    Subject cameras("Cameras", "camera");
    Subject lights("Lights", "light");
    Subject curves("Curves", "set");
    Subject hulls("Hulls", "hull");
    Subject caches("Caches", "cache");
    compare_kind(pairs, cameras, &Node::camera, &Scene::cameras, camera_fields);
    compare_kind(pairs, lights, &Node::light, &Scene::lights, light_fields);
    compare_kind(pairs, curves, &Node::curves, &Scene::curve_sets, curve_fields);
    compare_kind(pairs, hulls, &Node::hull, &Scene::hulls, hull_fields);
    compare_caches(pairs, caches);
    subjects.insert(subjects.end(), {cameras, lights, curves, hulls, caches});
}

} // namespace wembrix
