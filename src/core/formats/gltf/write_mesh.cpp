#include "core/formats/gltf/write_mesh.h"

#include <algorithm>
#include <cmath>
#include <fmt/format.h>
#include <map>
#include <span>

namespace wembrix::gltf {

namespace {

using Use = BufferBuilder::Use;

struct Holder {
    uint32_t joint = 0;
    float weight = 0;
};

/// The holders of a point, each joint once, heaviest first, weights adding up to 1 in single precision.
/// Shares that were rounded to 65535ths, and still are: as those, so that they are stored so. False where they are not.
bool keep_rounded(std::vector<Holder>& holders) {
    constexpr double whole = 65535;
    double sum = 0;
    std::vector<float> rounded;
    for (const Holder& holder : holders) {
        const double parts = std::round(static_cast<double>(holder.weight) * whole);
        if (std::abs(parts / whole - holder.weight) > 1e-6) {
            return false;
        }
        sum += parts;
        rounded.push_back(static_cast<float>(parts / whole));
    }
    if (sum != whole) {
        return false;
    }
    for (size_t i = 0; i < holders.size(); ++i) {
        holders[i].weight = rounded[i];
    }
    return true;
}

std::vector<Holder> holders_of(const Influences& rows, size_t point, Weights kind, bool narrow) {
    std::map<uint32_t, double> merged;
    double sum = 0;
    for (uint32_t k = rows.offsets[point]; k < rows.offsets[point + 1]; ++k) {
        merged[rows.joints[k]] += rows.weights[k];
        sum += rows.weights[k];
    }
    std::vector<Holder> holders;
    for (const auto& [joint, weight] : merged) {
        const auto share = static_cast<float>(kind == Weights::sum_to_one ? weight / sum : weight);
        if (share > 0) {
            holders.push_back({joint, share});
        }
    }
    std::stable_sort(holders.begin(), holders.end(),
                     [](const Holder& a, const Holder& b) { return a.weight > b.weight; });
    if (kind == Weights::as_they_are || (narrow && keep_rounded(holders))) {
        return holders;
    }
    float rest = 1;
    for (size_t i = 1; i < holders.size(); ++i) {
        rest -= holders[i].weight;
    }
    if (!holders.empty()) {
        holders.front().weight = rest;
    }
    return holders;
}

constexpr NumberFormat shorts = {NumberFormat::Kind::shorts, true, false};
constexpr NumberFormat unsigned_shorts = {NumberFormat::Kind::unsigned_shorts, true, false};

/// In whole numbers of 16 bits where the surface was rounded to them, else as floats.
int put_narrow(BufferBuilder& buffer, const std::vector<float>& values, int width, const NumberFormat& format,
               bool narrow) {
    return narrow ? buffer.add_numbers(values, width, format, Use::points)
                  : buffer.add_floats(values, width, Use::points, false);
}

void put_influences(const Influences& influences, const Primitive& primitive, Json& attributes, BufferBuilder& buffer,
                    Weights kind, bool narrow) {
    std::vector<std::vector<Holder>> rows;
    size_t most = 1;
    for (size_t i = 0; i < primitive.point_count; ++i) {
        rows.push_back(holders_of(influences, primitive.first_point + i, kind, narrow));
        most = std::max(most, rows.back().size());
    }
    for (size_t set = 0; set * 4 < most; ++set) {
        std::vector<uint32_t> joints;
        std::vector<float> weights;
        for (const std::vector<Holder>& row : rows) {
            for (size_t k = set * 4; k < set * 4 + 4; ++k) {
                joints.push_back(k < row.size() ? row[k].joint : 0);
                weights.push_back(k < row.size() ? row[k].weight : 0);
            }
        }
        attributes[fmt::format("JOINTS_{}", set)] = buffer.add_whole(joints, 4, Use::points, 1);
        attributes[fmt::format("WEIGHTS_{}", set)] = put_narrow(buffer, weights, 4, unsigned_shorts, narrow);
    }
}

Json put_points(const Mesh& mesh, const Influences& influences, const Primitive& primitive, BufferBuilder& buffer,
                Weights kind) {
    Json attributes = Json::object();
    std::vector<float> flat;
    auto range = [&](const auto& values) {
        flat.clear();
        for (size_t i = primitive.first_point; i < static_cast<size_t>(primitive.first_point) + primitive.point_count;
             ++i) {
            flat.insert(flat.end(), values[i].data(), values[i].data() + values[i].size());
        }
    };
    range(mesh.positions);
    attributes["POSITION"] = buffer.add_floats(flat, 3, Use::points, true);
    if (primitive.has_normals && mesh.normals.size() == mesh.point_count()) {
        std::vector<Vec3f> unit = mesh.normals.get();
        const bool as_is = kind == Weights::as_they_are || mesh.narrow;
        for (Vec3f& normal : as_is ? std::span<Vec3f>() : std::span<Vec3f>(unit)) {
            normal = normal.squaredNorm() > 1e-12F ? Vec3f(normal.normalized()) : Vec3f(0, 1, 0);
        }
        range(unit);
        attributes["NORMAL"] = put_narrow(buffer, flat, 3, shorts, mesh.narrow);
        if (primitive.has_tangents && mesh.tangents.size() == mesh.point_count()) {
            std::vector<Vec4f> tangents = mesh.tangents.get();
            for (Vec4f& tangent : mesh.narrow ? std::span<Vec4f>() : std::span<Vec4f>(tangents)) {
                const Vec3f along = tangent.head<3>();
                tangent.head<3>() = along.squaredNorm() > 1e-12F ? Vec3f(along.normalized()) : Vec3f(1, 0, 0);
                tangent.w() = tangent.w() < 0 ? -1.0F : 1.0F;
            }
            range(tangents);
            attributes["TANGENT"] = put_narrow(buffer, flat, 4, shorts, mesh.narrow);
        }
    }
    for (const Attribute& attribute : mesh.attributes) {
        if (std::find(primitive.attributes.begin(), primitive.attributes.end(), attribute.name) ==
            primitive.attributes.end()) {
            continue;
        }
        const auto first = attribute.data.begin() + static_cast<ptrdiff_t>(primitive.first_point) * attribute.width;
        const std::vector<float> values(first, first + static_cast<ptrdiff_t>(primitive.point_count) * attribute.width);
        const bool is_own = attribute.name.starts_with('_');
        attributes[attribute.name] = is_own || !mesh.narrow
                                         ? buffer.add_numbers(values, attribute.width, attribute.format, Use::points)
                                         : put_narrow(buffer, values, attribute.width, unsigned_shorts, true);
    }
    if (!influences.empty()) {
        put_influences(influences, primitive, attributes, buffer, kind, mesh.narrow);
    }
    return attributes;
}

const float* row_of(const Shared<Vec3f>& values, size_t row, int) {
    return values[row].data();
}
const float* row_of(const Shared<float>& values, size_t row, int width) {
    return values.get().data() + row * static_cast<size_t>(width);
}

Json put_shapes(const Mesh& mesh, const Primitive& primitive, BufferBuilder& buffer) {
    Json targets = Json::array();
    for (const MorphTarget& shape : mesh.shapes) {
        auto dense = [&](const auto& differences, int width) {
            std::vector<float> flat(static_cast<size_t>(primitive.point_count) * static_cast<size_t>(width), 0);
            for (size_t k = 0; k < shape.points.size(); ++k) {
                const uint32_t point = shape.points[k];
                if (point >= primitive.first_point && point - primitive.first_point < primitive.point_count) {
                    std::copy_n(row_of(differences, k, width), width,
                                flat.begin() + static_cast<ptrdiff_t>(point - primitive.first_point) * width);
                }
            }
            return flat;
        };
        Json target = {{"POSITION", buffer.add_floats(dense(shape.positions, 3), 3, Use::points, true)}};
        if (shape.has_normals && primitive.has_normals) {
            target["NORMAL"] = put_narrow(buffer, dense(shape.normals, 3), 3, shorts, mesh.narrow);
        }
        if (shape.has_tangents && primitive.has_tangents) {
            target["TANGENT"] = put_narrow(buffer, dense(shape.tangents, 3), 3, shorts, mesh.narrow);
        }
        for (const Attribute& attribute : shape.attributes) {
            if (std::find(primitive.attributes.begin(), primitive.attributes.end(), attribute.name) !=
                primitive.attributes.end()) {
                target[attribute.name] =
                    buffer.add_floats(dense(attribute.data, attribute.width), attribute.width, Use::points, false);
            }
        }
        targets.push_back(std::move(target));
    }
    return targets;
}

} // namespace

Json write_mesh(const Mesh& mesh, const Influences& influences, BufferBuilder& buffer, Weights weights) {
    Json primitives = Json::array();
    std::map<uint32_t, std::pair<Json, Json>> written; // primitives that share points share their accessors
    for (const Primitive& primitive : mesh.primitives) {
        if (primitive.point_count == 0 || primitive.index_count == 0) {
            continue;
        }
        auto [shared, fresh] = written.try_emplace(primitive.first_point);
        if (fresh) {
            shared->second.first = put_points(mesh, influences, primitive, buffer, weights);
            shared->second.second = put_shapes(mesh, primitive, buffer);
        }
        std::vector<uint32_t> indices(mesh.indices.begin() + primitive.first_index,
                                      mesh.indices.begin() + primitive.first_index + primitive.index_count);
        for (uint32_t& index : indices) {
            index -= primitive.first_point;
        }
        Json entry = {{"attributes", shared->second.first}, {"indices", buffer.add_whole(indices, 1, Use::indices, 2)}};
        if (!shared->second.second.empty()) {
            entry["targets"] = shared->second.second;
        }
        if (primitive.topology != Topology::triangles) {
            entry["mode"] = static_cast<int>(primitive.topology);
        }
        if (primitive.material >= 0) {
            entry["material"] = primitive.material;
        }
        if (!primitive.carried.extras.empty()) {
            entry["extras"] = Json::parse(primitive.carried.extras);
        }
        if (!primitive.carried.extensions.empty()) {
            entry["extensions"] = Json::parse(primitive.carried.extensions);
        }
        primitives.push_back(std::move(entry));
    }
    Json json = {{"name", mesh.name}, {"primitives", std::move(primitives)}};
    if (!mesh.carried.extras.empty()) {
        json["extras"] = Json::parse(mesh.carried.extras);
    }
    if (!mesh.shapes.empty()) {
        // Not in the standard's text but read by most: shape names in the extras.
        Json names = Json::array();
        for (const MorphTarget& shape : mesh.shapes) {
            names.push_back(shape.name);
        }
        if (json.contains("extras") && !json["extras"].is_object()) {
            json["extras"] = {{"value", json["extras"]}};
        }
        json["extras"]["targetNames"] = std::move(names);
        if (!mesh.shape_weights.empty()) {
            std::vector<float> starting = mesh.shape_weights;
            starting.resize(mesh.shapes.size(), 0);
            json["weights"] = starting;
        }
    }
    if (!mesh.carried.extensions.empty()) {
        json["extensions"] = Json::parse(mesh.carried.extensions);
    }
    return json;
}

} // namespace wembrix::gltf
