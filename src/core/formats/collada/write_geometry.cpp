// Surfaces, their shapes and skins.
#include "core/formats/collada/sources.h"
#include "core/formats/collada/write_parts.h"

#include <algorithm>
#include <fmt/format.h>

namespace wembrix::collada {

namespace {

template <typename Vector> std::vector<float> flat(const Shared<Vector>& rows) {
    std::vector<float> numbers;
    numbers.reserve(rows.size() * static_cast<size_t>(Vector::SizeAtCompileTime));
    for (const Vector& row : rows) {
        numbers.insert(numbers.end(), row.data(), row.data() + row.size());
    }
    return numbers;
}

bool is_numbered(const std::string& name) {
    return name.starts_with("TEXCOORD_") || name.starts_with("COLOR_");
}

/// Faces of a primitive as one element; its corners have one index for all. A form has of the inputs those that readers
/// tell vertices apart by.
void faces(Writing& writing, const Mesh& mesh, const Primitive& part, const std::string& id, bool is_form) {
    const bool is_lines = part.topology == Topology::lines || part.topology == Topology::line_strip ||
                          part.topology == Topology::line_loop;
    const bool is_points = part.topology == Topology::points;
    std::vector<uint32_t> corners;
    if (is_points) {
        // There are no points there: a face without area each, and a word that says so.
        for (uint32_t i = 0; i < (part.index_count > 0 ? part.index_count : part.point_count); ++i) {
            const uint32_t point = part.index_count > 0 ? mesh.indices[part.first_index + i] : part.first_point + i;
            corners.insert(corners.end(), 3, point);
        }
    } else if (is_lines) {
        const auto at = [&](uint32_t i) { return mesh.indices[part.first_index + i]; };
        const bool is_pairs = part.topology == Topology::lines;
        for (uint32_t i = 0; i + 1 < part.index_count; i += is_pairs ? 2 : 1) {
            corners.insert(corners.end(), {at(i), at(i + 1)});
        }
        if (part.topology == Topology::line_loop && part.index_count > 2) {
            corners.insert(corners.end(), {at(part.index_count - 1), at(0)});
        }
    } else {
        for (const std::array<uint32_t, 3>& triangle : triangles_of(mesh, part)) {
            corners.insert(corners.end(), triangle.begin(), triangle.end());
        }
    }
    XmlText& xml = writing.xml;
    const std::string count = std::to_string(corners.size() / (is_lines ? 2 : 3));
    const char* kind = is_lines ? "lines" : "triangles";
    if (part.material >= 0) {
        xml.open(kind, {{"count", count}, {"material", writing.material_ids[static_cast<size_t>(part.material)]}});
    } else {
        xml.open(kind, {{"count", count}});
    }
    xml.empty("input", {{"semantic", "VERTEX"}, {"source", "#" + id + "-vertices"}, {"offset", "0"}});
    if (part.has_normals && !mesh.normals.empty()) {
        xml.empty("input", {{"semantic", "NORMAL"}, {"source", "#" + id + "-normals"}, {"offset", "0"}});
    }
    if (part.has_tangents && !mesh.tangents.empty() && !is_form) {
        xml.empty("input", {{"semantic", "TANGENT"}, {"source", "#" + id + "-tangents"}, {"offset", "0"}});
    }
    for (size_t a = 0; a < mesh.attributes.size(); ++a) {
        const std::string& name = mesh.attributes[a].name;
        if (std::find(part.attributes.begin(), part.attributes.end(), name) == part.attributes.end()) {
            continue;
        }
        const std::string from = fmt::format("#{}-attribute-{}", id, a);
        if (is_numbered(name)) {
            const size_t under = name.rfind('_');
            xml.empty("input", {{"semantic", name.substr(0, under)},
                                {"source", from},
                                {"offset", "0"},
                                {"set", name.substr(under + 1)}});
        } else if (!is_form) {
            xml.empty("input", {{"semantic", name}, {"source", from}, {"offset", "0"}});
        }
    }
    xml.numbers("p", corners);
    if (is_points) {
        xml.open("extra");
        xml.open("technique", {{"profile", "wembrix"}});
        xml.empty("points");
        xml.close();
        xml.close();
    }
    xml.close();
}

void attribute_source(XmlText& xml, const Attribute& one, const std::string& id) {
    const auto width = static_cast<size_t>(one.width);
    if (one.name.starts_with("TEXCOORD_") && width == 2) {
        std::vector<float> flipped(one.data.begin(), one.data.end());
        for (size_t i = 1; i < flipped.size(); i += 2) {
            flipped[i] = 1 - flipped[i]; // counted from the bottom there
        }
        write_source(xml, id, flipped, 2, {"S", "T"});
    } else if (one.name.starts_with("COLOR_")) {
        static const std::vector<std::string> letters = {"R", "G", "B", "A"};
        write_source(xml, id, one.data.get(), width,
                     {letters.begin(), letters.begin() + static_cast<ptrdiff_t>(std::min<size_t>(width, 4))});
    } else {
        std::vector<std::string> params;
        for (size_t p = 0; p < width; ++p) {
            params.push_back(fmt::format("V{}", p));
        }
        write_source(xml, id, one.data.get(), width, params);
    }
}

/// What a `mesh` element holds: sources, vertices, faces. Places and normals are the mesh's own or a form's.
template <typename Numbers>
void mesh_element(Writing& writing, const Mesh& mesh, const std::string& id, const Numbers& places,
                  const Numbers& normals, bool is_form) {
    XmlText& xml = writing.xml;
    xml.open("mesh");
    write_source(xml, id + "-positions", places, 3, {"X", "Y", "Z"});
    if (!mesh.normals.empty()) {
        write_source(xml, id + "-normals", normals, 3, {"X", "Y", "Z"});
    }
    if (!mesh.tangents.empty() && !is_form) {
        write_source(xml, id + "-tangents", flat(mesh.tangents), 4, {"X", "Y", "Z", "W"});
    }
    for (size_t a = 0; a < mesh.attributes.size(); ++a) {
        if (!is_form || is_numbered(mesh.attributes[a].name)) {
            attribute_source(xml, mesh.attributes[a], fmt::format("{}-attribute-{}", id, a));
        }
    }
    xml.open("vertices", {{"id", id + "-vertices"}});
    xml.empty("input", {{"semantic", "POSITION"}, {"source", "#" + id + "-positions"}});
    xml.close();
    for (const Primitive& part : mesh.primitives) {
        faces(writing, mesh, part, id, is_form);
    }
    xml.close();
}

/// A shape as a whole surface, with the same faces: readers hold it against the base corner for corner.
void form_of_shape(Writing& writing, const Mesh& mesh, const MorphTarget& shape, const std::string& id) {
    // As doubles: what a shape moves is then given back as it is.
    std::vector<double> places;
    std::vector<double> normals;
    for (const Vec3f& point : mesh.positions) {
        places.insert(places.end(), point.data(), point.data() + 3);
    }
    const bool has_normals = shape.has_normals && shape.normals.size() == shape.points.size() && !mesh.normals.empty();
    for (const Vec3f& normal : mesh.normals) {
        normals.insert(normals.end(), normal.data(), normal.data() + 3);
    }
    // What is so small beside its place that even double figures lose some of it is said besides.
    std::vector<uint32_t> lost;
    std::vector<float> differences;
    const auto comes_back = [](float rest, float difference) {
        return static_cast<float>((static_cast<double>(rest) + static_cast<double>(difference)) -
                                  static_cast<double>(rest)) == difference;
    };
    for (size_t i = 0; i < shape.points.size(); ++i) {
        bool is_whole = true;
        for (Eigen::Index c = 0; c < 3; ++c) {
            is_whole = is_whole && comes_back(mesh.positions[shape.points[i]][c], shape.positions[i][c]) &&
                       (!has_normals || comes_back(mesh.normals[shape.points[i]][c], shape.normals[i][c]));
            const size_t at = shape.points[i] * size_t{3} + static_cast<size_t>(c);
            places[at] += static_cast<double>(shape.positions[i][c]);
            if (has_normals) {
                normals[at] += static_cast<double>(shape.normals[i][c]);
            }
        }
        if (!is_whole) {
            lost.push_back(shape.points[i]);
            differences.insert(differences.end(), shape.positions[i].data(), shape.positions[i].data() + 3);
            const Vec3f turn = has_normals ? shape.normals[i] : Vec3f(Vec3f::Zero());
            differences.insert(differences.end(), turn.data(), turn.data() + 3);
        }
    }
    XmlText& xml = writing.xml;
    xml.open("geometry", {{"id", id}, {"name", shape.name}});
    mesh_element(writing, mesh, id, places, normals, true);
    if (!lost.empty() || !has_normals) {
        xml.open("extra");
        xml.open("technique", {{"profile", "wembrix"}});
        if (!has_normals) {
            xml.words("normals", "as the base's");
        }
        if (!lost.empty()) {
            xml.numbers("points", lost);
            xml.numbers("differences", differences);
        }
        xml.close();
        xml.close();
    }
    xml.close();
}

std::string shape_id(const Writing& writing, size_t mesh, size_t shape) {
    return fmt::format("{}-shape-{}", writing.mesh_ids[mesh], shape);
}

} // namespace

void write_geometries(Writing& writing) {
    const Scene& scene = writing.scene;
    if (scene.meshes.empty()) {
        return;
    }
    XmlText& xml = writing.xml;
    xml.open("library_geometries");
    for (size_t m = 0; m < scene.meshes.size(); ++m) {
        const Mesh& mesh = scene.meshes[m];
        if (std::none_of(scene.nodes.begin(), scene.nodes.end(),
                         [&](const Node& node) { return node.mesh == static_cast<int>(m); })) {
            writing.mesh_ids.emplace_back(); // what the card left behind may still be in the list
            continue;
        }
        writing.mesh_ids.push_back(own_id(writing, mesh.name, "mesh"));
        const std::string& id = writing.mesh_ids.back();
        xml.open("geometry", {{"id", id}, {"name", mesh.name}});
        mesh_element(writing, mesh, id, flat(mesh.positions), flat(mesh.normals), false);
        xml.close();
        for (size_t s = 0; s < mesh.shapes.size(); ++s) {
            form_of_shape(writing, mesh, mesh.shapes[s], shape_id(writing, m, s));
        }
    }
    xml.close();
}

namespace {

void morph_of_node(Writing& writing, size_t n) {
    const Scene& scene = writing.scene;
    const Node& node = scene.nodes[n];
    const auto mesh = static_cast<size_t>(node.mesh);
    XmlText& xml = writing.xml;
    const std::string& id = writing.morph_ids[n];
    xml.open("controller", {{"id", id}, {"name", node.name}});
    xml.open("morph", {{"source", "#" + writing.mesh_ids[mesh]}, {"method", "NORMALIZED"}});
    std::vector<std::string> forms;
    for (size_t s = 0; s < scene.meshes[mesh].shapes.size(); ++s) {
        forms.push_back(shape_id(writing, mesh, s));
    }
    write_words(xml, id + "-targets", forms, true, "MORPH_TARGET");
    write_source(xml, id + "-weights", scene.rest_shape_weights(static_cast<int>(n)), 1, {"MORPH_WEIGHT"});
    xml.open("targets");
    xml.empty("input", {{"semantic", "MORPH_TARGET"}, {"source", "#" + id + "-targets"}});
    xml.empty("input", {{"semantic", "MORPH_WEIGHT"}, {"source", "#" + id + "-weights"}});
    xml.close();
    xml.close();
    xml.close();
}

void skin_of_node(Writing& writing, size_t n) {
    const Scene& scene = writing.scene;
    const Node& node = scene.nodes[n];
    const Skin& skin = scene.skins[static_cast<size_t>(node.skin)];
    XmlText& xml = writing.xml;
    const std::string& id = writing.skin_ids[n];
    const std::string of =
        writing.morph_ids[n].empty() ? writing.mesh_ids[static_cast<size_t>(node.mesh)] : writing.morph_ids[n];
    xml.open("controller", {{"id", id}, {"name", skin.name}});
    xml.open("skin", {{"source", "#" + of}});
    xml.numbers("bind_shape_matrix", std::vector<int>{1, 0, 0, 0, 0, 1, 0, 0, 0, 0, 1, 0, 0, 0, 0, 1});
    std::vector<std::string> joints;
    std::vector<double> binds;
    for (size_t j = 0; j < skin.joints.size(); ++j) {
        joints.push_back(writing.node_ids[static_cast<size_t>(skin.joints[j])]);
        const Eigen::Matrix<double, 4, 4, Eigen::RowMajor> rows = skin.inverse_binds[j];
        binds.insert(binds.end(), rows.data(), rows.data() + 16);
    }
    write_words(xml, id + "-joints", joints, false, "JOINT");
    write_source(xml, id + "-binds", binds, 16, {"TRANSFORM"});
    write_source(xml, id + "-weights", node.influences.weights.get(), 1, {"WEIGHT"});
    xml.open("joints");
    xml.empty("input", {{"semantic", "JOINT"}, {"source", "#" + id + "-joints"}});
    xml.empty("input", {{"semantic", "INV_BIND_MATRIX"}, {"source", "#" + id + "-binds"}});
    xml.close();
    std::vector<uint32_t> counts;
    std::vector<uint32_t> places;
    for (size_t v = 0; v + 1 < node.influences.offsets.size(); ++v) {
        counts.push_back(node.influences.offsets[v + 1] - node.influences.offsets[v]);
        for (uint32_t k = node.influences.offsets[v]; k < node.influences.offsets[v + 1]; ++k) {
            places.insert(places.end(), {node.influences.joints[k], k});
        }
    }
    xml.open("vertex_weights", {{"count", std::to_string(counts.size())}});
    xml.empty("input", {{"semantic", "JOINT"}, {"source", "#" + id + "-joints"}, {"offset", "0"}});
    xml.empty("input", {{"semantic", "WEIGHT"}, {"source", "#" + id + "-weights"}, {"offset", "1"}});
    xml.numbers("vcount", counts);
    xml.numbers("v", places);
    xml.close();
    xml.close();
    xml.close();
}

} // namespace

void write_controllers(Writing& writing) {
    const Scene& scene = writing.scene;
    writing.morph_ids.resize(scene.nodes.size());
    writing.skin_ids.resize(scene.nodes.size());
    bool any = false;
    for (size_t n = 0; n < scene.nodes.size(); ++n) {
        const Node& node = scene.nodes[n];
        const bool has_shapes = node.mesh >= 0 && !scene.meshes[static_cast<size_t>(node.mesh)].shapes.empty();
        const bool has_skin = node.mesh >= 0 && node.skin >= 0 && !node.influences.empty();
        if ((has_shapes || has_skin) && !any) {
            writing.xml.open("library_controllers");
            any = true;
        }
        if (has_shapes) {
            writing.morph_ids[n] = own_id(writing, node.name + "-morph", "morph");
            morph_of_node(writing, n);
        }
        if (has_skin) {
            writing.skin_ids[n] = own_id(writing, node.name + "-skin", "skin");
            skin_of_node(writing, n);
        }
    }
    if (any) {
        writing.xml.close();
    }
}

} // namespace wembrix::collada
