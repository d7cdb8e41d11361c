// Shapes: names in order, starting weights, and how each moves vertices, normals and tangents.
#include "core/base/counted.h"
#include "core/base/text.h"
#include "core/measure/comparison/subjects.h"

#include <algorithm>

namespace wembrix {

namespace {

/// One value a vertex, zero where the shape moves nothing.
std::vector<Vec3f> spread(const MorphTarget& shape, const Shared<Vec3f>& values, size_t vertices) {
    std::vector<Vec3f> all(vertices, Vec3f::Zero());
    for (size_t i = 0; i < std::min(shape.points.size(), values.size()); ++i) {
        all[shape.points[i]] = values[i];
    }
    return all;
}

size_t unlike(const MorphTarget& a, const MorphTarget& b, const Shared<Vec3f> MorphTarget::*what, size_t vertices) {
    if ((a.points.same_array(b.points) || a.points.get() == b.points.get()) && (a.*what).same_array(b.*what)) {
        return 0;
    }
    const std::vector<Vec3f> x = spread(a, a.*what, vertices);
    const std::vector<Vec3f> y = spread(b, b.*what, vertices);
    size_t count = 0;
    for (size_t i = 0; i < vertices; ++i) {
        count += x[i] == y[i] ? 0 : 1;
    }
    return count;
}

/// How many vertices an attribute of both is changed on otherwise.
size_t unlike(const MorphTarget& a, const Attribute& of_a, const MorphTarget& b, const Attribute& of_b,
              size_t vertices) {
    if (of_a.width != of_b.width) {
        return vertices;
    }
    const auto width = static_cast<size_t>(of_a.width);
    const auto all = [&](const MorphTarget& shape, const Attribute& attribute) {
        std::vector<float> values(vertices * width, 0.0F);
        for (size_t i = 0; i < shape.points.size(); ++i) {
            std::copy_n(attribute.data.begin() + static_cast<ptrdiff_t>(i * width), width,
                        values.begin() + static_cast<ptrdiff_t>(shape.points[i] * width));
        }
        return values;
    };
    const std::vector<float> x = all(a, of_a);
    const std::vector<float> y = all(b, of_b);
    size_t count = 0;
    for (size_t i = 0; i < vertices; ++i) {
        const auto row = static_cast<ptrdiff_t>(i * width);
        count += std::equal(x.begin() + row, x.begin() + row + of_a.width, y.begin() + row) ? 0 : 1;
    }
    return count;
}

const Attribute* attribute_named(const MorphTarget& shape, const std::string& name) {
    const auto found = std::find_if(shape.attributes.begin(), shape.attributes.end(),
                                    [&](const Attribute& one) { return one.name == name; });
    return found == shape.attributes.end() ? nullptr : &*found;
}

void compare_attributes(const MorphTarget& a, const MorphTarget& b, size_t vertices, const std::string& where,
                        Subject& shapes) {
    for (const Attribute& expected : a.attributes) {
        const Attribute* actual = attribute_named(b, expected.name);
        if (actual == nullptr) {
            shapes.differs(where, phrase("no longer changes {}", expected.name));
        } else if (const size_t count = unlike(a, expected, b, *actual, vertices); count > 0) {
            shapes.differs(where, phrase("changes {} otherwise on {}", expected.name, counted(count, "vertex")));
        }
    }
    for (const Attribute& actual : b.attributes) {
        if (attribute_named(a, actual.name) == nullptr) {
            shapes.differs(where, phrase("changes {}, too", actual.name));
        }
    }
}

} // namespace

void compare_shapes(const NodePairs& pairs, std::vector<Subject>& subjects) {
    Subject shapes("Shapes", "shape");
    Subject starting("Starting weights of shapes", "surface");
    pairs.for_both([&](const Node& x, const Node& y) {
        if (x.mesh < 0 || y.mesh < 0) {
            return;
        }
        const Mesh& a = pairs.expected().meshes[static_cast<size_t>(x.mesh)];
        const Mesh& b = pairs.actual().meshes[static_cast<size_t>(y.mesh)];
        for (size_t s = 0; s < std::max(a.shapes.size(), b.shapes.size()); ++s) {
            if (s >= a.shapes.size() || s >= b.shapes.size()) {
                const bool missing = s < a.shapes.size();
                const std::string where = x.name + "/" + (missing ? a : b).shapes[s].name;
                missing ? shapes.is_missing(where) : shapes.is_too_much(where);
                continue;
            }
            const MorphTarget& p = a.shapes[s];
            const MorphTarget& q = b.shapes[s];
            const std::string where = x.name + "/" + p.name;
            shapes.compared();
            if (p.name != q.name) {
                shapes.differs(where, phrase("is called “{}”", q.name));
            }
            if (a.point_count() != b.point_count()) {
                continue;
            }
            const std::pair<const char*, const Shared<Vec3f> MorphTarget::*> kinds[] = {
                {"position", &MorphTarget::positions},
                {"normal", &MorphTarget::normals},
                {"tangent", &MorphTarget::tangents}};
            for (const auto& [noun, what] : kinds) {
                if (const size_t count = unlike(p, q, what, a.point_count()); count > 0) {
                    shapes.differs(where, phrase("{} moved otherwise", counted(count, noun)));
                }
            }
            compare_attributes(p, q, a.point_count(), where, shapes);
            if (p.has_normals != q.has_normals || p.has_tangents != q.has_tangents) {
                shapes.differs(where, "normals or tangents of it are gone");
            }
        }
        if (!a.shapes.empty() && a.shapes.size() == b.shapes.size()) {
            starting.compared();
            const auto of = [](const Scene& scene, const std::string& name) {
                return scene.rest_shape_weights(scene.find_node(name));
            };
            if (of(pairs.expected(), x.name) != of(pairs.actual(), y.name)) {
                starting.differs(x.name, "other weights");
            }
        }
    });
    subjects.insert(subjects.end(), {shapes, starting});
}

} // namespace wembrix
