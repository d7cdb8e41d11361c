// Surfaces: vertices, triangles, normals, tangents, every further attribute, weights.
#include "core/base/counted.h"
#include "core/base/text.h"
#include "core/measure/comparison/subjects.h"

#include <algorithm>
#include <cmath>
#include <fmt/format.h>
#include <map>
#include <numeric>

namespace wembrix {

namespace {

/// How many rows of two arrays differ, and the first that does.
template <typename T> std::pair<size_t, size_t> unlike_rows(const Shared<T>& a, const Shared<T>& b, size_t width = 1) {
    if (a.same_array(b)) {
        return {0, 0};
    }
    size_t count = 0;
    size_t first = 0;
    const size_t rows = std::min(a.size(), b.size()) / width;
    for (size_t i = 0; i < rows; ++i) {
        bool same = true;
        for (size_t k = 0; k < width; ++k) {
            same = same && a[i * width + k] == b[i * width + k];
        }
        first = count == 0 ? i : first;
        count += same ? 0 : 1;
    }
    return {count, first};
}

template <typename T>
void compare_array(Subject& subject, const std::string& where, const Shared<T>& a, const Shared<T>& b,
                   std::string_view noun, size_t width = 1) {
    if (a.empty() && b.empty()) {
        return;
    }
    subject.compared();
    if (a.size() != b.size()) {
        subject.differs(where, b.empty()   ? std::string("gone")
                               : a.empty() ? Text("was not there")
                                           : phrase("{} and not {}", b.size() / width, a.size() / width));
        return;
    }
    const auto [count, first] = unlike_rows(a, b, width);
    if (count > 0) {
        subject.differs(where, phrase("{} differ, the first at {}", counted(count, noun), first));
    }
}

/// Normals and tangents are made unit as they are written: they are held by where they point.
template <typename Vector>
void compare_directions(Subject& subject, const std::string& where, const Shared<Vector>& a, const Shared<Vector>& b) {
    if (a.size() != b.size() || a.empty()) {
        compare_array(subject, where, a, b, "vertex");
        return;
    }
    subject.compared();
    if (a.same_array(b)) {
        return;
    }
    size_t count = 0;
    size_t first = 0;
    for (size_t i = 0; i < a.size(); ++i) {
        Vector x = a[i];
        Vector y = b[i];
        x.template head<3>().normalize();
        y.template head<3>().normalize();
        if (!((x - y).cwiseAbs().maxCoeff() <= 2e-6F)) {
            first = count == 0 ? i : first;
            ++count;
        }
    }
    if (count > 0) {
        subject.differs(where, phrase("{} differ, the first at {}", counted(count, "vertex"), first));
    }
}

void compare_positions(Subject& subject, const std::string& where, const Mesh& a, const Mesh& b) {
    subject.compared();
    if (a.point_count() != b.point_count()) {
        subject.differs(where, phrase("{} and not {}", counted(b.point_count(), "vertex"), a.point_count()));
        return;
    }
    if (a.positions.same_array(b.positions)) {
        return;
    }
    float farthest = 0;
    size_t at = 0;
    bool odd = false;
    for (size_t i = 0; i < a.point_count(); ++i) {
        const float apart = (a.positions[i] - b.positions[i]).norm();
        odd = odd || std::isnan(apart);
        at = apart > farthest ? i : at;
        farthest = std::max(farthest, apart);
    }
    if (farthest > 0 || odd) {
        subject.differs(where, phrase("vertex {} is {} mm from its place", at, short_number(farthest * 1000.0)));
    }
}

/// Runs of indices with their topology; materials are compared by themselves.
void compare_primitives(Subject& subject, const std::string& where, const Mesh& a, const Mesh& b) {
    subject.compared();
    if (a.primitives.size() != b.primitives.size()) {
        subject.differs(where, phrase("{} and not {}", counted(b.primitives.size(), "primitive"), a.primitives.size()));
        return;
    }
    for (size_t p = 0; p < a.primitives.size(); ++p) {
        const Primitive& x = a.primitives[p];
        const Primitive& y = b.primitives[p];
        if (x.topology != y.topology || x.index_count != y.index_count || x.point_count != y.point_count) {
            subject.differs(where, phrase("primitive {} is another one", p));
            return;
        }
    }
    const auto [count, first] = unlike_rows(a.indices, b.indices);
    if (count > 0 || a.indices.size() != b.indices.size()) {
        subject.differs(where, phrase("{} differ, the first at {}", counted(count, "index"), first));
    }
}

void compare_attributes(std::map<std::string, Subject>& by_kind, const std::string& where, const Mesh& a,
                        const Mesh& b) {
    const auto subject = [&](const std::string& name) -> Subject& {
        const std::string kind = name.starts_with("TEXCOORD") ? "Texture coordinates"
                                 : name.starts_with("COLOR")  ? "Vertex colours"
                                                              : "Further attributes";
        return by_kind.at(kind);
    };
    const auto find = [](const Mesh& mesh, const std::string& name) {
        const auto found = std::find_if(mesh.attributes.begin(), mesh.attributes.end(),
                                        [&](const Attribute& one) { return one.name == name; });
        return found == mesh.attributes.end() ? nullptr : &*found;
    };
    for (const Attribute& one : a.attributes) {
        const Attribute* other = find(b, one.name);
        const std::string place = where + ", " + one.name;
        if (other == nullptr) {
            subject(one.name).is_missing(place);
        } else if (other->width != one.width) {
            subject(one.name).differs(place, phrase("{} numbers a vertex and not {}", other->width, one.width));
        } else if (!same_content(one.format, other->format)) {
            subject(one.name).differs(place, "is stored as other numbers");
        } else {
            compare_array(subject(one.name), place, one.data, other->data, "vertex", static_cast<size_t>(one.width));
        }
    }
    for (const Attribute& one : b.attributes) {
        if (find(a, one.name) == nullptr) {
            subject(one.name).is_too_much(where + ", " + one.name);
        }
    }
    for (size_t p = 0; p < std::min(a.primitives.size(), b.primitives.size()); ++p) {
        std::vector<std::string> x = a.primitives[p].attributes;
        std::vector<std::string> y = b.primitives[p].attributes;
        std::sort(x.begin(), x.end());
        std::sort(y.begin(), y.end());
        if (x != y) {
            by_kind.at("Further attributes").differs(where, phrase("primitive {} has other attributes", p));
        }
    }
}

using Row = std::map<std::string, double>;

/// The weights of a vertex by the joints' names; zeros say nothing.
Row row_of(const Scene& scene, const Node& node, size_t vertex) {
    Row row;
    const Influences& in = node.influences;
    if (in.empty() || node.skin < 0) {
        return row;
    }
    const Skin& skin = scene.skins[static_cast<size_t>(node.skin)];
    for (uint32_t i = in.offsets[vertex]; i < in.offsets[vertex + 1]; ++i) {
        if (in.weights[i] != 0) {
            row[scene.nodes[static_cast<size_t>(skin.joints[in.joints[i]])].name] += static_cast<double>(in.weights[i]);
        }
    }
    return row;
}

bool same_row(const Row& a, const Row& b) {
    return a.size() == b.size() && std::equal(a.begin(), a.end(), b.begin(), [](const auto& x, const auto& y) {
               return x.first == y.first && std::abs(x.second - y.second) <= 1e-6;
           });
}

/// True when arrays and joints are the very same, so that no row needs to be looked at.
bool same_influences(const NodePairs& pairs, const Node& a, const Node& b) {
    if (a.skin < 0 || b.skin < 0 || !same_content(a.influences, b.influences)) {
        return false;
    }
    const Skin& x = pairs.expected().skins[static_cast<size_t>(a.skin)];
    const Skin& y = pairs.actual().skins[static_cast<size_t>(b.skin)];
    return x.joints.size() == y.joints.size() &&
           std::equal(x.joints.begin(), x.joints.end(), y.joints.begin(), [&](int i, int j) {
               return pairs.expected().nodes[static_cast<size_t>(i)].name ==
                      pairs.actual().nodes[static_cast<size_t>(j)].name;
           });
}

void compare_weights(const NodePairs& pairs, Subject& weights, const Node& a, const Node& b, size_t vertices) {
    if (a.influences.empty() && b.influences.empty()) {
        return;
    }
    weights.compared();
    if (same_influences(pairs, a, b)) {
        return;
    }
    size_t count = 0;
    size_t first = 0;
    for (size_t v = 0; v < vertices; ++v) {
        if (!same_row(row_of(pairs.expected(), a, v), row_of(pairs.actual(), b, v))) {
            first = count == 0 ? v : first;
            ++count;
        }
    }
    if (count > 0) {
        weights.differs(a.name, phrase("{} differ, the first is {}", counted(count, "vertex"), first));
    }
}

} // namespace

void compare_surfaces(const NodePairs& pairs, std::vector<Subject>& subjects) {
    Subject surfaces("Surfaces", "surface");
    Subject vertices("Vertices", "surface");
    Subject triangles("Triangles", "surface");
    Subject normals("Normals", "surface");
    Subject tangents("Tangents", "surface");
    std::map<std::string, Subject> attributes;
    attributes.emplace("Texture coordinates", Subject("Texture coordinates", "set"));
    attributes.emplace("Vertex colours", Subject("Vertex colours", "set"));
    attributes.emplace("Further attributes", Subject("Further attributes", "attribute"));
    Subject weights("Weights", "surface");
    pairs.for_both([&](const Node& x, const Node& y) {
        if (x.mesh < 0 && y.mesh < 0) {
            return;
        }
        surfaces.compared();
        if (x.mesh < 0 || y.mesh < 0) {
            surfaces.differs(x.name, x.mesh < 0 ? "has a surface" : "has no surface");
            return;
        }
        const Mesh& a = pairs.expected().meshes[static_cast<size_t>(x.mesh)];
        const Mesh& b = pairs.actual().meshes[static_cast<size_t>(y.mesh)];
        if (a.name != b.name) {
            surfaces.differs(x.name, phrase("its mesh is called “{}” and not “{}”", b.name, a.name));
        }
        if (!same_content(a.carried, b.carried)) {
            surfaces.differs(x.name, "extras or extensions of its mesh");
        }
        for (size_t p = 0; p < std::min(a.primitives.size(), b.primitives.size()); ++p) {
            if (a.primitives[p].carried.extras != b.primitives[p].carried.extras) {
                surfaces.differs(x.name, phrase("extras of primitive {}", p));
            }
        }
        compare_positions(vertices, x.name, a, b);
        compare_primitives(triangles, x.name, a, b);
        if (a.point_count() != b.point_count() || a.primitives.size() != b.primitives.size()) {
            return; // nothing of what follows can be held vertex for vertex
        }
        for (size_t p = 0; p < a.primitives.size(); ++p) {
            const std::string where = a.primitives.size() == 1 ? x.name : fmt::format("{}, primitive {}", x.name, p);
            if (a.primitives[p].has_normals != b.primitives[p].has_normals) {
                normals.differs(where, a.primitives[p].has_normals ? "gone" : "was not there");
            }
            if (a.primitives[p].has_tangents != b.primitives[p].has_tangents) {
                tangents.differs(where, a.primitives[p].has_tangents ? "gone" : "was not there");
            }
        }
        compare_directions(normals, x.name, a.normals, b.normals);
        compare_directions(tangents, x.name, a.tangents, b.tangents);
        compare_attributes(attributes, x.name, a, b);
        compare_weights(pairs, weights, x, y, a.point_count());
    });
    subjects.insert(subjects.end(), {surfaces, vertices, triangles, normals, tangents});
    for (const char* kind : {"Texture coordinates", "Vertex colours", "Further attributes"}) {
        subjects.push_back(attributes.at(kind));
    }
    subjects.push_back(weights);
}

} // namespace wembrix
