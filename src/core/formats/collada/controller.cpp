// Skins and morphs.
#include "core/base/counted.h"
#include "core/base/text.h"
#include "core/formats/collada/read_parts.h"

#include <algorithm>
#include <cmath>
#include <cstring>
#include <limits>

namespace wembrix::collada {

namespace {

/// What each symbol of an instance stands for.
std::map<std::string, Element> bound_materials(Element instance) {
    std::map<std::string, Element> bound;
    for (const Element one : instance.child("bind_material").child("technique_common").children("instance_material")) {
        bound[one.attribute("symbol").value()] = one;
    }
    return bound;
}

} // namespace

void Controllers::place(int node, Element instance, std::string_view reference, Element morph) {
    const std::shared_ptr<const Geometry> geometry = geometry_at(reading_, reference, geometries_);
    if (geometry == nullptr) {
        return;
    }
    Mesh mesh = geometry->mesh; // its arrays are shared
    const std::map<std::string, Element> bound = bound_materials(instance);
    for (size_t p = 0; p < mesh.primitives.size(); ++p) {
        const auto found = bound.find(geometry->symbols[p]);
        std::map<std::string, size_t> sets;
        std::string target = "#" + geometry->symbols[p];
        if (found != bound.end()) {
            target = found->second.attribute("target").value();
            for (const Element input : found->second.children("bind_vertex_input")) {
                const auto place = geometry->coordinates[p].find(input.attribute("input_set").as_uint());
                if (std::strcmp(input.attribute("input_semantic").value(), "TEXCOORD") == 0 &&
                    place != geometry->coordinates[p].end() && place->second != 0) {
                    sets[input.attribute("semantic").value()] = static_cast<size_t>(place->second);
                }
            }
        } else if (!reading_.document.by_reference(target, "material")) {
            // A symbol that nothing is bound to: some files mean a material by it all the same, most mean none.
            if (!geometry->symbols[p].empty()) {
                reading_.note_once(mesh.name,
                                   phrase("its “{}” is bound to no material.", geometry->symbols[p].substr(0, 80)));
            }
            continue;
        }
        mesh.primitives[p].material = material_at(reading_, target, sets);
    }
    if (morph) {
        add_shapes(*geometry, morph, mesh);
        reading_.morph_of[node] = morph.parent().attribute("id").value();
    }
    geometry_of_[node] = geometry;
    // One mesh for all nodes that show it alike.
    std::vector<int>& alike = meshes_of_[geometry.get()];
    for (const int m : alike) {
        const Mesh& other = reading_.scene.meshes[static_cast<size_t>(m)];
        if (!morph &&
            std::equal(other.primitives.begin(), other.primitives.end(), mesh.primitives.begin(), mesh.primitives.end(),
                       [](const Primitive& x, const Primitive& y) { return x.material == y.material; })) {
            reading_.scene.nodes[static_cast<size_t>(node)].mesh = m;
            return;
        }
    }
    if (!morph) {
        alike.push_back(static_cast<int>(reading_.scene.meshes.size()));
    }
    reading_.scene.nodes[static_cast<size_t>(node)].mesh = static_cast<int>(reading_.scene.meshes.size());
    reading_.scene.meshes.push_back(std::move(mesh));
}

void Controllers::add_shapes(const Geometry& base, Element morph, Mesh& mesh) {
    const bool is_relative = std::strcmp(morph.attribute("method").value(), "RELATIVE") == 0;
    const Source* targets = nullptr;
    const Source* weights = nullptr;
    for (const Input& input : inputs_of(morph.child("targets"))) {
        const Source* found = reading_.document.source(input.source);
        if (input.semantic == "MORPH_TARGET") {
            targets = found;
        } else if (input.semantic == "MORPH_WEIGHT") {
            weights = found;
        }
    }
    const std::string& where = mesh.name;
    if (targets == nullptr || targets->words.empty()) {
        reading_.note(where, "names no shapes that are there.");
        return;
    }
    std::vector<float> starting;
    for (size_t t = 0; t < targets->words.size(); ++t) {
        const std::shared_ptr<const Geometry> form = geometry_at(reading_, targets->words[t], geometries_);
        MorphTarget made;
        made.name = form != nullptr ? form->mesh.name : targets->words[t];
        if (form == nullptr || form->points.size() != base.points.size()) {
            reading_.note(where, phrase("its shape “{}” does not go with its points; it moves nothing here.",
                                        made.name.substr(0, 80)));
        } else if (!reading_.take(base.point_of.size())) {
            reading_.note(where, "has more shapes than a file of its size can mean; the others are left out.");
            break;
        } else {
            std::vector<uint32_t> points;
            std::vector<Vec3f> by;
            std::vector<Vec3f> normals;
            // Normals of points are those of the vertices where nothing was split.
            made.has_normals = form->point_normals.size() == base.points.size() &&
                               base.mesh.normals.size() == base.point_of.size() &&
                               base.point_of.size() == base.points.size();
            for (size_t v = 0; v < base.point_of.size(); ++v) {
                const uint32_t point = base.point_of[v];
                // Against what the vertex is here, in single figures; a point that is written alike has not moved.
                const bool is_still = form->points[point] == base.points[point];
                const Vec3 rest = base.points[point].cast<float>().cast<double>();
                const Vec3 offset = is_relative ? form->points[point]
                                    : is_still  ? Vec3(Vec3::Zero())
                                                : Vec3(form->points[point] - rest);
                Vec3 turn = Vec3::Zero();
                if (made.has_normals) {
                    turn = is_relative ? form->point_normals[point]
                                       : Vec3(form->point_normals[point] - base.mesh.normals[v].cast<double>());
                }
                std::pair<Vec3f, Vec3f> moved = {offset.cast<float>(), turn.cast<float>()};
                if (const auto said = form->differences.find(point); said != form->differences.end()) {
                    moved = said->second;
                }
                if (moved.first.isZero(0) && moved.second.isZero(0)) {
                    continue;
                }
                points.push_back(static_cast<uint32_t>(v));
                by.push_back(moved.first);
                normals.push_back(moved.second);
            }
            made.points = std::move(points);
            made.positions = std::move(by);
            if (made.has_normals) {
                made.normals = std::move(normals);
            }
        }
        mesh.shapes.push_back(std::move(made));
        const bool has_weight = weights != nullptr && t < weights->numbers.size() && std::isfinite(weights->numbers[t]);
        starting.push_back(has_weight ? static_cast<float>(weights->numbers[t]) : 0.F);
    }
    if (std::any_of(starting.begin(), starting.end(), [](float weight) { return weight != 0; })) {
        mesh.shape_weights = std::move(starting);
    }
}

const std::vector<int>& Controllers::nodes_named(const char* attribute, const std::string& name) {
    if (by_name_.empty()) {
        for (const char* one : {"id", "sid", "name"}) {
            auto& of = by_name_[one];
            for (size_t n = 0; n < reading_.elements.size(); ++n) {
                of[reading_.elements[n].attribute(one).value()].push_back(static_cast<int>(n));
            }
        }
    }
    static const std::vector<int> nothing;
    const auto& of = by_name_[attribute];
    const auto found = of.find(name);
    return found == of.end() || name.empty() ? nothing : found->second;
}

int Controllers::joint_named(const std::string& name, const std::vector<char>& below, bool by_id) {
    // By the rule of the kind of list first, then as others meant it; where it is said first, then anywhere.
    for (const char* attribute : {by_id ? "id" : "sid", by_id ? "sid" : "id", "name"}) {
        const std::vector<int>& found = nodes_named(attribute, name);
        for (const int node : found) {
            if (below[static_cast<size_t>(node)] != 0) {
                return node;
            }
        }
        if (!found.empty()) {
            return found.front();
        }
    }
    return -1;
}

bool Controllers::add_skin(int node, Element instance, Element element, const std::string& name) {
    std::vector<char> below(reading_.scene.nodes.size(), 0);
    for (const Element one : instance.children("skeleton")) {
        const Element root = reading_.document.by_reference(one.text().get(), "node");
        for (const int n : nodes_named("id", root.attribute("id").value())) {
            below[static_cast<size_t>(n)] = 1;
        }
    }
    for (size_t n = 0; n < below.size(); ++n) {
        const int parent = reading_.scene.nodes[n].parent;
        below[n] = below[n] != 0 || (parent >= 0 && below[static_cast<size_t>(parent)] != 0) ? 1 : 0;
    }
    const Source* joints = nullptr;
    const Source* binds = nullptr;
    for (const Input& input : inputs_of(element.child("joints"))) {
        const Source* found = reading_.document.source(input.source);
        if (input.semantic == "JOINT") {
            joints = found;
        } else if (input.semantic == "INV_BIND_MATRIX") {
            binds = reading_.document.numbers(input.source);
        }
    }
    Mat4 shape = Mat4::Identity();
    if (const Element matrix = element.child("bind_shape_matrix")) {
        matrix_in(matrix.text().get(), shape);
    }
    if (joints == nullptr || joints->words.empty()) {
        reading_.note(name, "names no joints; it goes without a skin.");
        return false;
    }
    const bool by_id = joints->is_ids;
    Skin skin;
    skin.name = name;
    std::vector<int> place_of(joints->words.size(), -1);
    size_t missing = 0;
    for (size_t j = 0; j < joints->words.size(); ++j) {
        const int found = joint_named(joints->words[j], below, by_id);
        if (found < 0) {
            ++missing;
            continue;
        }
        Mat4 bind = Mat4::Identity();
        if (binds != nullptr && binds->width == 16 && j < binds->rows) {
            bind = Eigen::Map<const Eigen::Matrix<double, 4, 4, Eigen::RowMajor>>(binds->row(j));
            bind = bind.allFinite() ? bind : Mat4(Mat4::Identity());
        }
        place_of[j] = static_cast<int>(skin.joints.size());
        skin.joints.push_back(found);
        skin.inverse_binds.emplace_back(bind * shape);
    }
    if (missing > 0) {
        reading_.note(
            name, phrase("{} of its skin not there; what they held is held by the others.", counted(missing, "joint")));
    }
    if (skin.joints.empty() || skin.joints.size() > std::numeric_limits<uint16_t>::max()) {
        return false;
    }
    const Geometry& geometry = *geometry_of_.at(node);
    const Element list = element.child("vertex_weights");
    size_t joint_at = 0;
    size_t weight_at = 1;
    size_t indices = 0;
    const Source* weights = nullptr;
    for (const Input& input : inputs_of(list)) {
        indices = std::max(indices, input.offset + 1);
        if (input.semantic == "JOINT") {
            joint_at = input.offset;
        } else if (input.semantic == "WEIGHT") {
            weight_at = input.offset;
            weights = reading_.document.numbers(input.source);
        }
    }
    const std::vector<int64_t> counts = integers_in(list.child("vcount").text().get());
    const std::vector<int64_t> places = integers_in(list.child("v").text().get());
    if (weights == nullptr || weights->width != 1 || indices == 0 || indices > 64 ||
        counts.size() < geometry.points.size()) {
        reading_.note(name, "has weights that do not go with its points; it goes without a skin.");
        return false;
    }
    // Rows of points first, then of the vertices that came of them.
    std::vector<size_t> begin_of(counts.size() + 1, 0);
    for (size_t p = 0; p < counts.size(); ++p) {
        const size_t left = places.size() / indices - begin_of[p];
        begin_of[p + 1] = begin_of[p] + std::min<size_t>(left, static_cast<size_t>(std::max<int64_t>(0, counts[p])));
    }
    std::vector<uint32_t> offsets = {0};
    std::vector<uint16_t> held_by;
    std::vector<float> amounts;
    size_t unheld = 0;
    for (const uint32_t point : geometry.point_of) {
        if (!reading_.take(begin_of[point + 1] - begin_of[point])) {
            reading_.note(name, "has more weights than a file of its size can mean; it goes without a skin.");
            return false;
        }
        for (size_t i = begin_of[point]; i < begin_of[point + 1]; ++i) {
            const int64_t joint = places[i * indices + joint_at];
            const int64_t weight = places[i * indices + weight_at];
            if (joint < 0) {
                ++unheld; // by the surface's own place
                continue;
            }
            if (static_cast<size_t>(joint) >= place_of.size() || place_of[static_cast<size_t>(joint)] < 0 ||
                weight < 0 || static_cast<size_t>(weight) >= weights->rows) {
                continue;
            }
            const auto amount = static_cast<float>(weights->numbers[static_cast<size_t>(weight)]);
            if (!(amount != 0) || !std::isfinite(amount)) {
                continue;
            }
            held_by.push_back(static_cast<uint16_t>(place_of[static_cast<size_t>(joint)]));
            amounts.push_back(amount);
        }
        offsets.push_back(static_cast<uint32_t>(held_by.size()));
    }
    if (unheld > 0) {
        reading_.note(
            name, phrase("{} held by where it stood itself; joints alone hold here.", counted(unheld, "influence")));
    }
    Node& carrier = reading_.scene.nodes[static_cast<size_t>(node)];
    carrier.influences.offsets = std::move(offsets);
    carrier.influences.joints = std::move(held_by);
    carrier.influences.weights = std::move(amounts);
    // Nodes under the same joints in the same binds share a skin.
    for (size_t s = 0; s < reading_.scene.skins.size(); ++s) {
        const Skin& other = reading_.scene.skins[s];
        if (other.joints == skin.joints && other.inverse_binds == skin.inverse_binds) {
            carrier.skin = static_cast<int>(s);
            return true;
        }
    }
    carrier.skin = static_cast<int>(reading_.scene.skins.size());
    reading_.scene.skins.push_back(std::move(skin));
    return true;
}

void Controllers::bind(const Instance& instance) {
    const std::string reference = instance.element.attribute("url").value();
    Element controller = reading_.document.by_reference(reference, "controller");
    if (!controller) {
        reading_.note_once(reference.substr(0, 80), "is no controller of this file.");
        return;
    }
    // A skin over a morph, as it should be, or the other way round.
    Element skin;
    Element morph;
    std::string skin_name;
    std::string geometry = reference;
    for (int hops = 0; controller && hops < 8; ++hops) {
        const Element is_skin = controller.child("skin");
        const Element is_morph = controller.child("morph");
        if (is_skin && morph && !skin) {
            reading_.note(name_of(controller), "takes shapes after the skin; they are taken before it here.");
        }
        if (is_skin && !skin) {
            skin = is_skin;
            skin_name = name_of(controller);
        } else if (is_morph && !morph) {
            morph = is_morph;
        }
        geometry = (is_skin ? is_skin : is_morph).attribute("source").value();
        controller = reading_.document.by_reference(geometry, "controller");
    }
    place(instance.node, instance.element, geometry, morph);
    if (skin && geometry_of_.count(instance.node) != 0) {
        add_skin(instance.node, instance.element, skin, skin_name);
    }
}

} // namespace wembrix::collada
