#include "core/base/counted.h"
#include "core/base/text.h"
#include "core/formats/gltf/accessor.h"
#include "core/formats/gltf/read_parts.h"
#include "core/formats/unique_names.h"
#include "core/scene/content.h"
#include "core/scene/picture_references.h"

#include <algorithm>
#include <cstring>
#include <fmt/format.h>
#include <map>
#include <set>

namespace wembrix::gltf {

namespace {

/// Adds numbers as vectors.
template <int N> void append(const std::vector<float>& flat, std::vector<Eigen::Matrix<float, N, 1>>& to) {
    static_assert(sizeof(Eigen::Matrix<float, N, 1>) == N * sizeof(float));
    const size_t before = to.size();
    to.resize(before + flat.size() / N);
    if (to.size() > before) {
        std::memcpy(to[before].data(), flat.data(), (to.size() - before) * N * sizeof(float));
    }
}

template <int N> std::vector<Eigen::Matrix<float, N, 1>> vectors(const std::vector<float>& flat) {
    std::vector<Eigen::Matrix<float, N, 1>> result;
    append<N>(flat, result);
    return result;
}

/// What the primitives of a mesh are gathered into before it becomes shared arrays.
struct Gathered {
    std::vector<Vec3f> positions;
    std::vector<Vec3f> normals;
    std::vector<Vec4f> tangents;
    std::vector<uint32_t> indices;
    std::map<std::string, Attribute> attributes;
    std::map<std::string, std::vector<float>> attribute_data;
    std::vector<uint32_t> offsets = {0};
    std::vector<uint16_t> joints;
    std::vector<float> weights;
    bool any_normals = false;
    bool any_tangents = false;
    bool any_influences = false;
    std::set<std::string> as_floats; ///< attributes that do not keep the form that their numbers are stored in
    size_t unheld = 0;
    size_t negative = 0;
};

struct GatheredShape {
    std::string name;
    std::vector<uint32_t> points;
    std::vector<Vec3f> positions;
    std::vector<Vec3f> normals;
    std::vector<Vec3f> tangents;
    bool has_normals = false;
    bool has_tangents = false;

    /// Differences of further attributes: as wide as they came so far, one row for each of `points`; rows at the end
    /// may lack.
    struct Others {
        int width = 0;
        std::vector<float> data;
    };
    std::map<std::string, Others> others;
};

int64_t attribute_accessor(const Json& attributes, const std::string& name, const Where& where) {
    return index_of(attributes, name.c_str(), INT64_MAX, where);
}

void read_influences(Document& document, const Json& attributes, size_t points, const Where& where, Gathered& all) {
    std::vector<std::vector<uint32_t>> joints;
    std::vector<std::vector<float>> weights;
    for (int n = 0;; ++n) {
        const int64_t joint = attribute_accessor(attributes, fmt::format("JOINTS_{}", n), where);
        const int64_t weight = attribute_accessor(attributes, fmt::format("WEIGHTS_{}", n), where);
        if (joint < 0 && weight < 0) {
            break;
        }
        if (joint < 0 || weight < 0) {
            refuse(where, phrase("has JOINTS_{0} or WEIGHTS_{0} without the other.", n));
        }
        joints.push_back(read_whole(document, joint, 4, where));
        weights.push_back(read_floats(document, weight, 4, where));
        if (joints.back().size() != points * 4 || weights.back().size() != points * 4) {
            refuse(where, phrase("JOINTS_{} is not as long as POSITION.", n));
        }
    }
    const size_t most = all.joints.size() + points * std::max<size_t>(joints.size() * 4, joints.empty() ? 0 : 1);
    all.joints.reserve(most);
    all.weights.reserve(most);
    all.offsets.reserve(all.offsets.size() + points);
    for (size_t i = 0; i < points; ++i) {
        const size_t before = all.joints.size();
        for (size_t set = 0; set < joints.size(); ++set) {
            for (size_t k = i * 4; k < i * 4 + 4; ++k) {
                const float weight = weights[set][k];
                if (weight > 0) {
                    if (joints[set][k] > UINT16_MAX) {
                        refuse(where, phrase("vertex {} names joint {}.", i, joints[set][k]));
                    }
                    all.joints.push_back(static_cast<uint16_t>(joints[set][k]));
                    all.weights.push_back(weight);
                } else if (weight < 0) {
                    ++all.negative;
                }
            }
        }
        if (!joints.empty() && all.joints.size() == before) {
            all.joints.push_back(static_cast<uint16_t>(std::min<uint32_t>(joints[0][i * 4], UINT16_MAX)));
            all.weights.push_back(1);
            ++all.unheld;
        }
        all.offsets.push_back(static_cast<uint32_t>(all.joints.size()));
    }
    all.any_influences = all.any_influences || !joints.empty();
}

/// In which form one of the source's own attributes is stored; of the others it says nothing, since readers take each
/// of their forms for the same.
NumberFormat format_of(Document& document, int64_t accessor, const std::string& name, const Where& where) {
    NumberFormat format;
    if (name[0] != '_') {
        return format;
    }
    const AccessorInfo info = accessor_info(document, accessor, where);
    using Kind = NumberFormat::Kind;
    format.kind = info.component == 5120   ? Kind::bytes
                  : info.component == 5121 ? Kind::unsigned_bytes
                  : info.component == 5122 ? Kind::shorts
                  : info.component == 5123 ? Kind::unsigned_shorts
                                           : Kind::floats;
    format.normalised = format.kind != Kind::floats && info.normalised;
    format.matrix = document.root["accessors"][static_cast<size_t>(accessor)]["type"].get<std::string>()[0] == 'M';
    return format;
}

size_t read_points(Document& document, const Json& attributes, const Where& where, Gathered& all,
                   Primitive& primitive) {
    const std::vector<float> flat = read_floats(document, attribute_accessor(attributes, "POSITION", where), 3, where);
    const size_t points = flat.size() / 3;
    if (all.positions.size() + points > UINT32_MAX / 2) {
        refuse(where, "has too many points.");
    }
    primitive.first_point = static_cast<uint32_t>(all.positions.size());
    primitive.point_count = static_cast<uint32_t>(points);
    append<3>(flat, all.positions);
    auto check = [&](size_t count, const std::string& name) {
        if (count != points) {
            refuse(where, phrase("{} has {} elements where POSITION has {}.", name, count, points));
        }
    };
    primitive.has_normals = attributes.contains("NORMAL");
    primitive.has_tangents = attributes.contains("TANGENT");
    all.normals.resize(primitive.first_point, Vec3f::Zero());
    all.tangents.resize(primitive.first_point, Vec4f(0, 0, 0, 1));
    if (primitive.has_normals) {
        const std::vector<float> normals =
            read_floats(document, attribute_accessor(attributes, "NORMAL", where), 3, where);
        check(normals.size() / 3, "NORMAL");
        append<3>(normals, all.normals);
        all.any_normals = true;
    }
    if (primitive.has_tangents) {
        const std::vector<float> tangents =
            read_floats(document, attribute_accessor(attributes, "TANGENT", where), 4, where);
        check(tangents.size() / 4, "TANGENT");
        append<4>(tangents, all.tangents);
        all.any_tangents = true;
    }
    all.normals.resize(all.positions.size(), Vec3f::Zero());
    all.tangents.resize(all.positions.size(), Vec4f(0, 0, 0, 1));
    for (const auto& [name, value] : attributes.items()) {
        if (name == "POSITION" || name == "NORMAL" || name == "TANGENT" || name.compare(0, 7, "JOINTS_") == 0 ||
            name.compare(0, 8, "WEIGHTS_") == 0) {
            continue;
        }
        const int64_t accessor = attribute_accessor(attributes, name, where);
        const int width = accessor_info(document, accessor, where).width;
        const std::vector<float> data = read_floats(document, accessor, 0, Where(Where(where, " "), name));
        check(data.size() / width, name);
        // Primitives without this attribute hold room for it too: a file of many names could ask for far too much.
        Attribute& attribute = all.attributes[name];
        std::vector<float>& gathered = all.attribute_data[name];
        const auto wider = static_cast<size_t>(std::max(attribute.width, width));
        document.spend(all.positions.size() * wider * sizeof(float) - gathered.size() * sizeof(float), where);
        if (attribute.width != 0 && attribute.width != width) {
            // Colours may have three or four components; the wider form holds both.
            const int wide = std::max(attribute.width, width);
            gathered = widened(gathered, attribute.width, wide, 1.0F);
            attribute.width = wide;
            gathered.resize(static_cast<size_t>(primitive.first_point) * wide, 0);
            const std::vector<float> wide_data = widened(data, width, wide, 1.0F);
            gathered.insert(gathered.end(), wide_data.begin(), wide_data.end());
        } else {
            const NumberFormat format = format_of(document, accessor, name, where);
            // Primitives that differ are brought to what holds all of them.
            const bool alike = attribute.width == 0 || same_content(attribute.format, format);
            attribute.format = alike ? format : NumberFormat{.matrix = format.matrix};
            if (!alike || (format.matrix && format.kind != NumberFormat::Kind::floats)) {
                attribute.format.kind = NumberFormat::Kind::floats;
                attribute.format.normalised = false;
                all.as_floats.insert(name);
            }
            attribute.name = name;
            attribute.width = width;
            gathered.resize(static_cast<size_t>(primitive.first_point) * width, 0);
            gathered.insert(gathered.end(), data.begin(), data.end());
        }
        primitive.attributes.push_back(name);
    }
    read_influences(document, attributes, points, where, all);
    return points;
}

void widen(GatheredShape::Others& others, int width) {
    if (width > others.width) {
        others.data = others.width == 0 ? std::vector<float>() : widened(others.data, others.width, width, 0.0F);
        others.width = width;
    }
}

/// Adds row `i` of `from` as row `at`.
void add_row(GatheredShape::Others& to, const GatheredShape::Others& from, size_t i, size_t at) {
    widen(to, from.width);
    to.data.resize(at * static_cast<size_t>(to.width), 0.0F);
    const auto first = from.data.begin() + static_cast<ptrdiff_t>(i) * from.width;
    to.data.insert(to.data.end(), first, first + from.width);
    to.data.resize((at + 1) * static_cast<size_t>(to.width), 0.0F);
}

void read_shapes(Document& document, const Json& targets, const Primitive& primitive, const Gathered& all,
                 const Where& where, std::vector<GatheredShape>& shapes, std::set<std::string>& left_out) {
    if (shapes.size() < targets.size()) {
        shapes.resize(targets.size());
    }
    for (size_t t = 0; t < targets.size(); ++t) {
        const Where here(where, ", shape ", static_cast<int64_t>(t));
        auto differences = [&](const char* name) {
            const int64_t accessor = attribute_accessor(targets[t], name, here);
            std::vector<Vec3f> values;
            if (accessor >= 0) {
                values = vectors<3>(read_floats(document, accessor, 3, here));
                if (values.size() != primitive.point_count) {
                    refuse(here, phrase("{} is not as long as the surface's.", name));
                }
            }
            return values;
        };
        std::map<std::string, GatheredShape::Others> others;
        for (const auto& [name, accessor] : targets[t].items()) {
            if (name == "POSITION" || name == "NORMAL" || name == "TANGENT") {
                continue;
            }
            if (std::find(primitive.attributes.begin(), primitive.attributes.end(), name) ==
                primitive.attributes.end()) {
                left_out.insert(name); // there is nothing that it could change
                continue;
            }
            const int64_t of = attribute_accessor(targets[t], name, here);
            GatheredShape::Others& read = others[name];
            read.width = accessor_info(document, of, here).width;
            if (read.width > all.attributes.at(name).width) {
                refuse(here, phrase("{} has {} numbers where the surface's has {}.", name, read.width,
                                    all.attributes.at(name).width));
            }
            read.data = read_floats(document, of, 0, Where(Where(here, " "), name));
            if (read.data.size() != static_cast<size_t>(primitive.point_count) * static_cast<size_t>(read.width)) {
                refuse(here, phrase("{} is not as long as the surface's.", name));
            }
        }
        const std::vector<Vec3f> positions = differences("POSITION");
        const std::vector<Vec3f> normals = differences("NORMAL");
        const std::vector<Vec3f> tangents = differences("TANGENT");
        GatheredShape& shape = shapes[t];
        for (const auto& [name, values] : others) {
            // Points that are there already get room for it, too: a file of many names could ask for far too much.
            const size_t rows = shape.others.count(name) == 0 ? shape.points.size() : 0;
            document.spend(rows * static_cast<size_t>(values.width) * sizeof(float), here);
            widen(shape.others[name], values.width); // it is there, even if it changes nothing
        }
        shape.has_normals = shape.has_normals || !normals.empty();
        shape.has_tangents = shape.has_tangents || !tangents.empty();
        auto at = [](const std::vector<Vec3f>& values, size_t i) {
            return values.empty() ? Vec3f(0, 0, 0) : values[i];
        };
        for (size_t i = 0; i < primitive.point_count; ++i) {
            const Vec3f p = at(positions, i);
            const Vec3f n = at(normals, i);
            const Vec3f tangent = at(tangents, i);
            const bool other = std::any_of(others.begin(), others.end(), [i](const auto& one) {
                const auto first = one.second.data.begin() + static_cast<ptrdiff_t>(i) * one.second.width;
                return std::any_of(first, first + one.second.width, [](float by) { return by != 0; });
            });
            if (!p.isZero(0) || !n.isZero(0) || !tangent.isZero(0) || other) {
                for (const auto& [name, values] : others) {
                    add_row(shape.others[name], values, i, shape.points.size());
                }
                shape.points.push_back(primitive.first_point + static_cast<uint32_t>(i));
                shape.positions.push_back(p);
                shape.normals.push_back(n);
                shape.tangents.push_back(tangent);
            }
        }
    }
}

void read_indices(Document& document, const Json& entry, size_t accessors, const Where& where, Gathered& all,
                  Primitive& primitive) {
    primitive.first_index = static_cast<uint32_t>(all.indices.size());
    const int64_t accessor = index_of(entry, "indices", static_cast<int64_t>(accessors), where);
    if (accessor >= 0) {
        const std::vector<uint32_t> indices = read_whole(document, accessor, 1, Where(where, " indices"));
        const uint32_t largest = indices.empty() ? 0 : *std::max_element(indices.begin(), indices.end());
        if (!indices.empty() && largest >= primitive.point_count) {
            refuse(where,
                   phrase("an index is {}, but there are only {}.", largest, counted(primitive.point_count, "vertex")));
        }
        all.indices.reserve(all.indices.size() + indices.size());
        for (const uint32_t index : indices) {
            all.indices.push_back(primitive.first_point + index);
        }
    } else {
        document.spend(primitive.point_count * sizeof(uint32_t), where);
        for (uint32_t i = 0; i < primitive.point_count; ++i) {
            all.indices.push_back(primitive.first_point + i);
        }
    }
    primitive.index_count = static_cast<uint32_t>(all.indices.size()) - primitive.first_index;
}

} // namespace

namespace {
/// A surface that speaks of shapes and has none: what to ask for.
Text lost_shapes(const std::vector<std::string>& names, size_t weights) {
    Text said;
    for (size_t i = 0; i < std::min<size_t>(names.size(), 4); ++i) {
        said += (i == 0 ? "" : ", ") + names[i];
    }
    said += names.size() > 4 ? phrase(" and {} more", names.size() - 4) : "";
    return names.empty() ? phrase("has weights of {} and no shape: they were lost before this file was written. Ask "
                                  "for it once more, with its shapes (morph targets).",
                                  counted(weights, "shape"))
                         : phrase("names {} ({}) and has none: they were lost before this file was written. Ask for "
                                  "it once more, with its shapes (morph targets).",
                                  counted(names.size(), "shape"), said);
}
} // namespace

Mesh read_mesh(Document& document, size_t index, Scene& scene, Influences& influences) {
    const Json& json = document.root["meshes"][index];
    Mesh mesh;
    mesh.name = text_of(json, "name");
    const std::string where = fmt::format("mesh {} \"{}\"", index, mesh.name.substr(0, 80));
    const size_t accessors = array_of(document.root, "accessors", where).size();
    const size_t materials = array_of(document.root, "materials", where).size();
    Gathered all;
    std::vector<GatheredShape> shapes;
    std::set<std::string> left_out;                            // what shapes change and the surface lacks
    std::map<std::string, std::pair<uint32_t, uint32_t>> seen; // primitives that share one set of points
    const Json& primitives = array_of(json, "primitives", where);
    for (size_t p = 0; p < primitives.size(); ++p) {
        const std::string here = fmt::format("{}, primitive {}", where, p);
        const Json& entry = primitives[p];
        if (!entry.is_object() || !entry.contains("attributes") || !entry["attributes"].is_object()) {
            refuse(here, "has no attributes.");
        }
        const Json& attributes = entry["attributes"];
        if (!attributes.contains("POSITION")) {
            scene.notes.push_back({here, "has no positions; the primitive is left out."});
            continue;
        }
        Primitive primitive;
        const uint64_t mode = count_of(entry, "mode", 4, here);
        if (mode > 6) {
            refuse(here, phrase("has the unknown mode {}.", mode));
        }
        primitive.topology = static_cast<Topology>(mode);
        primitive.material = static_cast<int>(index_of(entry, "material", static_cast<int64_t>(materials), here));
        primitive.carried = carried_of(entry, {"KHR_draco_mesh_compression"}, scene, here);
        for_material_references(primitive, [&](int place) {
            if (place >= static_cast<int>(materials)) {
                refuse(here, "has a variant with a material that does not exist.");
            }
        });
        const Json& targets = array_of(entry, "targets", here);
        const std::string key = dump(attributes) + dump(targets);
        if (const auto same = seen.find(key); same != seen.end()) {
            const Primitive& first = mesh.primitives[same->second.first];
            primitive.first_point = first.first_point;
            primitive.point_count = first.point_count;
            primitive.has_normals = first.has_normals;
            primitive.has_tangents = first.has_tangents;
            primitive.attributes = first.attributes;
        } else {
            seen[key] = {static_cast<uint32_t>(mesh.primitives.size()), 0};
            read_points(document, attributes, here, all, primitive);
            read_shapes(document, targets, primitive, all, here, shapes, left_out);
        }
        read_indices(document, entry, accessors, here, all, primitive);
        mesh.primitives.push_back(std::move(primitive));
    }
    for (const std::string& name : left_out) {
        scene.notes.push_back({where, phrase("its shapes change {}, which it does not have itself: that is left "
                                             "out.",
                                             name.substr(0, 80))});
    }
    for (const std::string& name : all.as_floats) {
        scene.notes.push_back(
            {where, phrase("the numbers of {} are stored as floats now, each the same.", name.substr(0, 80))});
    }
    if (all.unheld > 0) {
        scene.notes.push_back(
            {where, phrase("{} had no weights; they follow the first joint now.", counted(all.unheld, "vertex"))});
    }
    if (all.negative > 0) {
        scene.notes.push_back({where, phrase("{} below zero were left out.", counted(all.negative, "weight"))});
    }
    mesh.positions = std::move(all.positions);
    if (all.any_normals) {
        mesh.normals = std::move(all.normals);
    }
    if (all.any_tangents) {
        mesh.tangents = std::move(all.tangents);
    }
    mesh.indices = std::move(all.indices);
    std::map<std::string, int> widths;
    for (auto& [name, attribute] : all.attributes) {
        widths[name] = attribute.width;
        std::vector<float>& data = all.attribute_data[name];
        document.spend((mesh.point_count() * attribute.width - data.size()) * sizeof(float), where);
        data.resize(mesh.point_count() * attribute.width, 0);
        attribute.data = std::move(data);
        mesh.attributes.push_back(std::move(attribute));
    }
    if (all.any_influences) {
        // Points of primitives without influences still need a holder once the surface is skinned.
        influences = {std::move(all.offsets), std::move(all.joints), std::move(all.weights)};
    }
    std::vector<std::string> names;
    if (const auto extras = json.find("extras"); extras != json.end() && extras->is_object()) {
        for (const Json& name : array_of(*extras, "targetNames", where)) {
            names.push_back(name.is_string() ? name.get<std::string>() : "");
        }
    }
    for (size_t t = 0; t < shapes.size(); ++t) {
        GatheredShape& from = shapes[t];
        MorphTarget shape;
        shape.name = t < names.size() ? names[t] : "";
        shape.has_normals = from.has_normals;
        shape.has_tangents = from.has_tangents;
        for (auto& [name, others] : from.others) {
            const int width = widths.at(name);
            const size_t there = others.data.size() / static_cast<size_t>(others.width);
            document.spend((from.points.size() - there) * static_cast<size_t>(width) * sizeof(float), where);
            others.data.resize(from.points.size() * static_cast<size_t>(others.width), 0.0F);
            shape.attributes.push_back({name, width, widened(others.data, others.width, width, 0.0F)});
        }
        shape.points = std::move(from.points);
        shape.positions = std::move(from.positions);
        if (shape.has_normals) {
            shape.normals = std::move(from.normals);
        }
        if (shape.has_tangents) {
            shape.tangents = std::move(from.tangents);
        }
        mesh.shapes.push_back(std::move(shape));
    }
    std::vector<std::string*> shape_names;
    for (MorphTarget& shape : mesh.shapes) {
        shape_names.push_back(&shape.name);
    }
    make_names_unique(shape_names, "shape", "shapes", scene);
    for (const Json& weight : array_of(json, "weights", where)) {
        if (!weight.is_number()) {
            refuse(where, "has a starting weight that is not a number.");
        }
        mesh.shape_weights.push_back(weight.get<float>());
    }
    if (mesh.shapes.empty() && (!names.empty() || !mesh.shape_weights.empty())) {
        scene.notes.push_back({where, lost_shapes(names, mesh.shape_weights.size())});
        mesh.shape_weights.clear();
    }
    if (mesh.shape_weights.size() > mesh.shapes.size()) {
        refuse(where, "has more starting weights than shapes.");
    }
    mesh.carried = carried_of(json, {}, scene, where);
    if (const auto extras = json.find("extras");
        extras != json.end() && extras->is_object() && extras->contains("targetNames")) {
        Json rest = *extras;
        rest.erase("targetNames");
        mesh.carried.extras = rest.empty() ? "" : dump(rest);
    }
    return mesh;
}

} // namespace wembrix::gltf
